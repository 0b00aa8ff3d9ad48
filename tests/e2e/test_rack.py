"""The rack page in use: by hand, by keyboard, by typing, with wrong input and on a phone."""

import re

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.e2e.conftest import marks, open_rack, saved
from tests.server import Server


def drag(page: Page, x: float, y: float, by: float) -> None:
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + by / 2, y, steps=4)
    page.mouse.move(x + by, y, steps=4)


def band(page: Page) -> dict[str, float]:
    box = page.locator("[data-band]").bounding_box()
    assert box
    return {"x": box["x"], "y": box["y"] + box["height"] / 2, "width": box["width"]}


def test_from_what_hangs_to_the_pencil_mark(home: Page) -> None:
    home.get_by_role("link", name="New rack").click()
    expect(home.get_by_role("heading", name="What hangs here?")).to_be_visible()
    home.get_by_role("button", name="felt hats").click()
    home.get_by_label("How many felt hats").fill("many")
    home.keyboard.press("Enter")
    expect(home.get_by_role("alert")).to_contain_text("“many” is no count")
    home.get_by_label("How many felt hats").fill("4")
    home.keyboard.press("Enter")
    expect(home.get_by_text("dowel pegs, 1440 mm ×")).to_be_visible()
    home.get_by_role("button", name="Draw this rack").click()
    expect(home).to_have_title("Felt hats | Yardcliff")
    expect(home.get_by_label("Name of the rack")).to_have_value("Felt hats")
    assert marks(home) == ["180 mm", "540 mm", "900 mm", "1260 mm"]
    expect(home.get_by_text("no problems in the layout")).to_be_visible()


def test_a_finding_is_settled_by_its_button(porch: Page) -> None:
    note = porch.get_by_role("list", name="Notes on the design").first
    expect(note).to_contain_text("5 fit, or the gap drops from 30 mm to 12 mm")
    note.get_by_role("button", name="Board 1560 mm long").click()
    expect(porch.get_by_text("no problems in the layout").first).to_be_visible()
    expect(porch.get_by_label("length", exact=True)).to_have_value("1560 mm")


def test_dragging_the_boards_end_follows_saves_and_can_be_undone_after_a_reload(
    porch: Page,
) -> None:
    before = marks(porch)
    end = porch.get_by_role("slider", name="The board's right end")
    box = end.bounding_box()
    assert box
    drag(porch, box["x"] + 12, box["y"] + box["height"] / 2, 60)
    expect(porch.get_by_label("length", exact=True)).not_to_have_value("1450 mm")
    assert marks(porch) != before, "the tape follows while the end is still held"
    expect(porch.get_by_role("button", name="Undo")).to_be_disabled()
    porch.mouse.up()
    expect(porch.get_by_role("button", name="Undo")).to_be_enabled()
    after = marks(porch)
    porch.reload()
    porch.get_by_role("button", name="Undo").click()
    expect(porch.get_by_label("length", exact=True)).to_have_value("1450 mm")
    assert marks(porch) == before
    porch.reload()
    expect(porch.get_by_role("button", name="Redo")).to_be_enabled()
    porch.keyboard.press("Control+Shift+Z")
    expect(porch.get_by_role("button", name="Redo")).to_be_disabled()
    expect(porch.get_by_label("length", exact=True)).not_to_have_value("1450 mm")
    assert marks(porch) == after


def test_dragging_a_hook_pins_it_and_the_others_space_evenly(porch: Page) -> None:
    row = band(porch)
    third = row["x"] + 13 + (row["width"] - 26) * 2 / 5
    drag(porch, third, row["y"], 30)
    porch.mouse.up()
    slider = porch.get_by_role("slider", name="hook 3 of 6, pinned")
    expect(slider).to_be_focused()
    saved(porch)
    readings = [int(text.split()[0]) for text in marks(porch)]
    assert readings[2] > 640
    assert readings[1] == pytest.approx((readings[0] + readings[2]) / 2, abs=1)
    porch.keyboard.press("ArrowRight")
    expect(slider).to_have_attribute("aria-valuetext", f"{readings[2] + 1} mm from the left end")
    porch.keyboard.press("Delete")
    expect(porch.get_by_role("slider", name=re.compile(r"^\w+ 3 of 6$"))).to_be_visible()
    assert marks(porch)[2] == "604 mm"


def test_the_whole_flow_by_keyboard_alone(home: Page) -> None:
    new = home.get_by_role("link", name="New rack")
    while not new.evaluate("node => node === document.activeElement"):
        home.keyboard.press("Tab")
    home.keyboard.press("Enter")
    expect(home.get_by_role("heading", name="What hangs here?")).to_be_visible()
    choice = home.get_by_role("button", name="towels", exact=True)
    while not choice.evaluate("node => node === document.activeElement"):
        home.keyboard.press("Tab")
    home.keyboard.press("Enter")
    expect(choice).to_have_attribute("aria-pressed", "true")
    while not home.get_by_role("button", name="Draw this rack").evaluate(
        "node => node === document.activeElement"
    ):
        home.keyboard.press("Tab")
    home.keyboard.press("Enter")
    expect(home).to_have_title("Towels | Yardcliff")
    home.keyboard.press("+")
    expect(home.get_by_text("pegs, 5 spaces")).to_be_visible()
    home.keyboard.press("-")
    expect(home.get_by_text("pegs, 4 spaces")).to_be_visible()
    slider = home.get_by_role("slider", name=re.compile(r"^\w+ 1 of 5"))
    for _ in range(40):
        home.keyboard.press("Tab")
        if slider.evaluate("node => node === document.activeElement"):
            break
    expect(slider).to_be_focused()
    home.keyboard.press("ArrowDown")
    home.keyboard.press("ArrowLeft")
    expect(home.get_by_role("slider", name="2 of 5, pinned")).to_be_focused()
    home.keyboard.press("Enter")
    expect(home.get_by_role("region", name="Working of Mark 2")).to_be_visible()
    home.keyboard.press("Escape")
    expect(home.get_by_role("region", name="Working of Mark 2")).to_be_hidden()
    home.keyboard.press("Control+z")
    expect(home.get_by_role("slider", name=re.compile(r"^\w+ 2 of 5$"))).to_be_visible()
    home.keyboard.press("?")
    expect(home.get_by_role("dialog", name="Keys")).to_be_visible()
    home.keyboard.press("Escape")
    expect(home.get_by_role("dialog")).to_be_hidden()


def test_the_ladder_tries_a_count_on_and_takes_it(porch: Page) -> None:
    ladder = porch.get_by_role("listbox", name="How many fit")
    ladder.get_by_role("option", selected=True).focus()
    porch.keyboard.press("ArrowUp")
    expect(porch.get_by_text("hooks, 4 spaces")).to_be_visible()
    expect(porch.get_by_role("button", name="Undo")).to_be_disabled()
    porch.keyboard.press("Enter")
    expect(porch.get_by_role("button", name="Undo")).to_be_enabled()
    expect(ladder.get_by_role("option", selected=True)).to_have_text(re.compile("^5"))
    assert len(marks(porch)) == 5


def test_typed_figures_take_units_fractions_and_sums_and_what_follows_gives_way(
    porch: Page,
) -> None:
    length = porch.get_by_label("length", exact=True)
    length.fill("4 ft + 6 1/2 in")
    length.press("Enter")
    expect(length).to_have_value("1384.3 mm")
    porch.get_by_role("radio", name="Work out the length").click()
    porch.get_by_label("gap", exact=True).fill("2 in")
    porch.get_by_label("gap", exact=True).press("Enter")
    expect(porch.get_by_role("radio", name="Work out the length")).to_be_checked()
    porch.get_by_label("spacing", exact=True).fill("25 cm")
    porch.get_by_label("spacing", exact=True).press("Tab")
    expect(length).to_have_value("1500 mm")
    porch.get_by_label("count", exact=True).press("ArrowUp")
    expect(length).to_have_value("1750 mm")


def measured_by(page: Page, by: str) -> None:
    page.get_by_role("button", name="Buying and measuring").click()
    page.get_by_role("menuitemradio", name=re.compile(f"^{by}(?!,)")).click()


def test_the_unit_changes_what_is_read_and_nothing_else(porch: Page) -> None:
    metric = marks(porch)
    measured_by(porch, "Metric, inch tape")
    expect(porch.get_by_role("button", name="Tape step")).to_contain_text("1/16 in")
    assert marks(porch) == [
        "4 3/4 in",
        "14 1/4 in",
        "23 13/16 in",
        "33 5/16 in",
        "42 13/16 in",
        "52 5/16 in",
    ]
    porch.get_by_role("button", name="Tape from the left end").click()
    assert marks(porch)[0] == "52 5/16 in"
    porch.get_by_role("button", name="Tape from the right end").click()
    measured_by(porch, "Metric")
    expect(porch.get_by_role("button", name="Tape step")).to_contain_text("1 mm")
    assert marks(porch) == metric


FIELDS = [
    "Width of the waxed jackets",
    "gap",
    "spare",
    "length",
    "count",
    "spacing",
    "wide",
    "tall",
    "screw",
    "thick",
    "above floor",
]
PEG_FIELDS = ["dowel", "tilt °", "deep", "sticks out"]


def test_wrong_input_on_every_field_is_said_there_and_changes_nothing(porch: Page) -> None:
    porch.get_by_role("button", name="End rule").click()
    porch.get_by_role("menuitemradio", name=re.compile("Set margins")).click()
    expect(porch.get_by_label("left", exact=True)).to_be_visible()
    pane = porch.get_by_role("complementary").first.bounding_box()
    assert pane
    for names in (FIELDS, [*PEG_FIELDS, "left", "right"]):
        if names is not FIELDS:
            porch.get_by_role("radio", name="pegs").click()
            expect(porch.get_by_label("dowel", exact=True)).to_be_visible()
        before = marks(porch)
        for name in names:
            entry = porch.get_by_label(name, exact=True).first
            good = entry.input_value()
            for wrong in ("about so", too_small := "-31 m" if name == "gap" else "-7 mm"):
                entry.fill(wrong)
                entry.press("Enter")
                expect(porch.get_by_role("alert")).to_contain_text(f"{wrong}")
                said = porch.get_by_role("alert").bounding_box()
                assert said
                assert said["x"] >= pane["x"], "the pane cuts it off"
                expect(entry).to_have_attribute("aria-invalid", "true")
            expect(entry).to_have_value(too_small)
            entry.press("Escape")
            expect(entry).to_have_value(good)
            expect(porch.get_by_role("alert")).to_have_count(0)
        assert marks(porch) == before
    title = porch.get_by_label("Name of the rack")
    title.fill("  ")
    title.press("Enter")
    expect(porch.get_by_role("alert")).to_contain_text("1 to 80 characters")
    title.press("Escape")
    expect(title).to_have_value("Porch, waxed jackets")


def test_any_figure_opens_its_working_and_slips_stay_side_by_side(porch: Page) -> None:
    porch.get_by_role("button", name="242 mm: show the working").click()
    slip = porch.get_by_role("region", name="Working of Spacing")
    expect(slip).to_contain_text("L / n")
    expect(slip).to_contain_text("= 241.7 mm")
    slip.get_by_role("button", name="keep").click()
    porch.get_by_role("button", name=re.compile("pilot bit")).click()
    expect(porch.get_by_role("region", name="Working of Pilot bit")).to_contain_text("= 3 mm")
    porch.get_by_label("count", exact=True).fill("5")
    porch.get_by_label("count", exact=True).press("Enter")
    expect(slip).to_contain_text("= 290 mm")


def test_every_end_rule_spacing_and_holder_can_be_chosen(porch: Page) -> None:
    for rule, first in (
        ("A whole space", "207 mm"),
        ("Nothing past the end", "115 mm"),
        ("As wide as the gaps", "196 mm"),
    ):
        porch.get_by_role("button", name="End rule").click()
        porch.get_by_role("menuitemradio", name=re.compile(rule)).click()
        saved(porch)
        expect(
            porch.get_by_role("button", name=f"Mark 1: {first}. Show the working")
        ).to_be_visible()
    porch.get_by_role("radio", name="rounded").click()
    porch.get_by_label("to", exact=True).fill("10")
    porch.get_by_label("to", exact=True).press("Enter")
    expect(porch.get_by_label("spacing", exact=True)).to_have_value("210 mm")
    porch.get_by_role("radio", name="fixed").click()
    expect(porch.get_by_role("radio", name="Work out the ends")).to_be_checked()
    porch.get_by_role("radio", name="pegs").click()
    porch.get_by_role("button", name=re.compile("^What they hang on:")).click()
    porch.get_by_role("menuitemradio", name="20 mm dowel peg").click()
    expect(
        porch.get_by_role("button", name=re.compile("10° from square, 80° from the face"))
    ).to_be_visible()
    porch.get_by_role("button", name=re.compile("^Board:")).click()
    porch.get_by_role("menuitemradio", name="Oak 145 × 26").click()
    expect(porch.get_by_role("radio", name="hard")).to_be_checked()
    porch.get_by_role("button", name="Hang something else").click()
    porch.get_by_role("searchbox", name="Find").fill("sack")
    porch.get_by_role("button", name="day sacks").click()
    expect(porch.get_by_label("Width of the day sacks")).to_have_value("300 mm")


def test_on_a_phone_everything_is_in_reach(browser: Browser, server: Server) -> None:
    context = browser.new_context(
        locale="en-GB", viewport={"width": 390, "height": 844}, has_touch=True, is_mobile=True
    )
    page = context.new_page()
    page.goto(server.address)
    open_rack(page, "Porch, waxed jackets")
    assert page.evaluate("document.documentElement.scrollWidth") == 390
    page.get_by_role("button", name="5 waxed jackets").last.tap()
    expect(page.get_by_text("hooks, 4 spaces")).to_be_visible()
    page.get_by_role("slider", name="The board's right end").scroll_into_view_if_needed()
    row = band(page)
    page.touchscreen.tap(row["x"] + 13, row["y"])
    expect(page.get_by_role("region", name="Working of Mark 1")).to_be_visible()
    page.get_by_label("length", exact=True).fill("2 m")
    page.keyboard.press("Enter")
    saved(page)
    assert marks(page)[0] == "200 mm"
    for button in page.get_by_role("button").filter(visible=True).all():
        box = button.bounding_box()
        assert box
        assert box["x"] >= -1
        assert box["x"] + box["width"] <= 391
    context.close()
