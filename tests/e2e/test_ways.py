"""Ways of building: chosen by picture, with their own choices, and seen from the side and from
above.
"""

import re

from playwright.sync_api import Page, expect

from tests.e2e.conftest import marks, open_rack, saved


def test_a_way_is_chosen_by_picture_and_changed_again(home: Page) -> None:
    home.get_by_role("link", name="New rack").click()
    home.get_by_label("What hangs, how many").fill("flask")
    home.get_by_role("button", name="flasks", exact=True).click()
    ways = home.get_by_role("radiogroup", name="How it is built")
    expect(ways.get_by_role("radio", name="Hole rail: made for it")).to_be_checked()
    ways.get_by_role("radio", name=re.compile("^Rail: at a pinch")).click()
    expect(home.get_by_text("5 flasks on dowel pegs")).to_be_visible()
    home.keyboard.press("ArrowLeft", delay=80)
    expect(home.get_by_text("5 flasks on ledges")).to_be_visible()
    home.keyboard.press("ArrowLeft", delay=80)
    expect(home.get_by_text("5 flasks in slots")).to_be_visible()
    home.get_by_role("button", name="Draw this rack").click()
    expect(home.get_by_label("Name of the rack")).to_have_value("Flasks")
    # Flasks of 84 with 30 between, half a space at the ends.
    assert marks(home) == ["57 mm", "171 mm", "285 mm", "399 mm", "513 mm"]
    home.get_by_role("button", name="Way of building: hole rail").click()
    home.get_by_role("menuitemradio", name=re.compile("^rail")).click()
    expect(home.get_by_role("region", name="Held by")).to_be_visible()
    home.get_by_role("button", name="Undo").click()
    expect(home.get_by_role("region", name="Holes")).to_be_visible()


def test_a_hole_rail_is_asked_its_own_questions_and_says_what_is_wrong(home: Page) -> None:
    flasks = open_rack(home, "Kitchen, flasks")
    play = flasks.get_by_label("play", exact=True)
    play.fill("some")
    play.press("Enter")
    expect(flasks.get_by_role("alert")).to_contain_text("“some” is no number")
    play.press("Escape")
    play.fill("6")
    play.press("Enter")
    expect(flasks.get_by_role("button", name="hole saw 40 mm")).to_be_visible()
    setback = flasks.get_by_label("setback")
    expect(setback).to_have_value("45 mm")
    setback.fill("70")
    setback.press("Enter")
    expect(flasks.get_by_text("Too little wood is left beside the hole.")).to_be_visible()
    # Emptied, it follows again.
    setback.fill("")
    setback.press("Enter")
    expect(setback).to_have_value("45 mm")
    flasks.get_by_role("button", name="opening: edge slots").click()
    flasks.get_by_role("menuitemradio", name=re.compile("^holes")).click()
    expect(flasks.get_by_text("they go into no closed hole")).to_be_visible()
    flasks.get_by_role("button", name="Edge slots", exact=True).click()
    expect(flasks.get_by_text("no problems in the layout")).to_be_visible()
    flasks.get_by_text("Drilling and machining").click()
    steps = flasks.get_by_role("listitem").filter(has_text="Stop:")
    expect(steps.first).to_contain_text("5 × hole")
    expect(steps.nth(1)).to_contain_text("at the hole's two sides")
    # Every hole by its part and face, from an end and from both edges: the shelf's and those of its
    # back plate.
    flasks.get_by_text("Hole table, part by part").click()
    top = flasks.get_by_role(
        "table", name="top: along from the left end; across from the front edge"
    )
    expect(top.get_by_role("row").nth(1)).to_contain_text("57 mm")
    expect(top.get_by_role("row").nth(2)).to_contain_text("40 mm bit, through: hole 1")
    expect(
        flasks.get_by_role("table", name="back: along from the left end, seen from behind")
    ).to_be_visible()


def test_a_rack_is_seen_from_the_side_and_from_above(home: Page) -> None:
    flasks = open_rack(home, "Kitchen, flasks")
    saved(flasks)
    flasks.keyboard.press("s")
    expect(flasks.get_by_role("button", name="Section")).to_have_attribute("aria-pressed", "true")
    wall = flasks.get_by_role("group", name="The wall")
    expect(wall.get_by_text("108 mm")).to_be_visible()
    expect(flasks.get_by_role("group", name="The tape")).to_have_count(0)
    flasks.get_by_role("button", name="Plan", exact=True).click()
    expect(wall.get_by_text("90 mm")).to_be_visible()
    assert marks(flasks)[0] == "57 mm"
    flasks.keyboard.press("f")
    expect(flasks.get_by_role("slider", name="1 of 5")).to_be_attached()
    flasks.get_by_role("link", name="Racks").click()
    poles = open_rack(flasks, "Store, curtain poles")
    poles.get_by_role("button", name="Section").click()
    expect(poles.get_by_role("button", name="55 mm: show the working").first).to_be_visible()


def test_a_kind_is_measured_where_it_is_held(home: Page) -> None:
    flasks = open_rack(home, "Kitchen, flasks")
    flasks.get_by_role("button", name="flasks", exact=True).click()
    sheet = flasks.get_by_role("dialog")
    held = sheet.get_by_role("textbox", name="held")
    held.focus()
    expect(sheet).to_contain_text("how thick it is where it is held")
    held.fill("41")
    held.press("Enter")
    flasks.get_by_role("button", name="Close", exact=True).click()
    expect(flasks.get_by_role("button", name="hole saw 44 mm")).to_be_visible()


def test_a_hook_is_bent_from_bar(home: Page) -> None:
    keys = open_rack(home, "Office, room keys")
    keys.get_by_role("radio", name="bent").click()
    expect(keys.get_by_role("region", name="Bent from bar")).to_be_visible()
    keys.get_by_role("button", name="What they hang on").click()
    keys.get_by_role("menuitemradio", name="Small hook bent from 5 mm bar").click()
    # 40 + 16 + 12 and two quarter turns about 8 + 2.5.
    expect(keys.get_by_role("button", name="blank 101 mm")).to_be_visible()
    keys.get_by_label("back leg").fill("long")
    keys.get_by_label("back leg").press("Enter")
    expect(keys.get_by_role("alert")).to_contain_text("“long” is no number")


def test_a_row_that_runs_up_is_dragged_and_moved_by_keys_along_its_stiles(home: Page) -> None:
    mats = open_rack(home, "Store, sleeping mats")
    assert marks(mats) == ["60 mm", "285 mm", "510 mm", "735 mm", "960 mm"]
    band = mats.locator("[data-band]").bounding_box()
    assert band
    assert band["height"] > 4 * band["width"]
    # The third of five is in the middle of the band.
    x, y = band["x"] + band["width"] / 2, band["y"] + band["height"] / 2
    mats.mouse.move(x, y)
    mats.mouse.down()
    mats.mouse.move(x, y - 12)
    mats.mouse.move(x + 40, y - 24)
    mats.mouse.up()
    slider = mats.get_by_role("slider", name="3 of 5, pinned")
    expect(slider).to_be_attached()
    saved(mats)
    dragged = int(marks(mats)[2].split()[0])
    assert 510 < dragged < 620
    slider.press("ArrowUp")
    expect(slider).to_have_attribute("aria-valuetext", f"{dragged + 1} mm from the foot")
    slider.press("ArrowLeft")
    expect(mats.get_by_role("slider", name="2 of 5")).to_be_focused()
    mats.get_by_role("slider", name="The board's top").press("ArrowDown")
    expect(mats.get_by_label("length", exact=True)).to_have_value("1059 mm")
    last = int(marks(mats)[-1].split()[0])
    mats.get_by_role("button", name="Tape from the foot").click()
    # Each reading is rounded on its own: half a millimetre may go either way.
    assert int(marks(mats)[-1].split()[0]) + last in (1059, 1060)
    foot = mats.get_by_label("foot at")
    foot.fill("up there")
    foot.press("Enter")
    expect(mats.get_by_role("alert")).to_contain_text("“up there” is no number")
    foot.press("Escape")
    mats.get_by_role("button", name="stands as: a pair").click()
    mats.get_by_role("menuitemradio", name="one post").click()
    expect(mats.get_by_text("5 dowel pegs, 4 spaces")).to_be_visible()


def test_a_lower_row_has_hooks_of_its_own(home: Page) -> None:
    open_rack(home, "Porch, waxed jackets")

    def commit(label: str, text: str) -> None:
        field = home.get_by_label(label, exact=True)
        field.fill(text)
        field.press("Enter")

    commit("how many", "2")
    home.get_by_role("button", name="Row 2 is held by: the same as row 1").click()
    home.get_by_role("menuitemradio", name="Small hook on a plate").click()
    commit("wide, row 2", "flat")
    expect(home.get_by_role("alert")).to_contain_text("“flat” is no number")
    commit("wide, row 2", "20 mm")
    expect(
        home.get_by_role("button", name="Row 2 is held by: some of your own sizes")
    ).to_be_visible()
    saved(home)
    home.reload()
    expect(home.get_by_label("wide, row 2", exact=True)).to_have_value("20 mm")
    home.get_by_role("button", name="Row 2 is held by").click()
    home.get_by_role("menuitemradio", name="the same as row 1").click()
    expect(home.get_by_label("wide, row 2", exact=True)).to_have_count(0)
