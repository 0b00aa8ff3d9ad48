"""What hangs: things of one's own, several kinds on a rack, their order, and what holders keep
clear of.
"""

from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.e2e.conftest import marks, open_rack, saved


@pytest.fixture
def gear(home: Page) -> Page:
    """Jackets, hats and lanterns with even air, a knot at 655 mm."""
    return open_rack(home, "Drying room, day gear")


def test_a_rack_of_several_kinds_begins_with_even_air(home: Page) -> None:
    home.get_by_role("link", name="New rack").click()
    home.get_by_role("button", name="waxed jackets", exact=True).click()
    home.get_by_role("button", name="felt hats").click()
    home.get_by_role("button", name="One felt hat more").click()
    expect(home.get_by_text("3 felt hats on hooks")).to_be_visible()
    home.get_by_role("button", name="Draw this rack").click()
    expect(home.get_by_label("Name of the rack")).to_be_visible()
    expect(home.get_by_label("How many felt hats")).to_have_value("3")
    # Half of 30, then five jackets of 230 and three hats of 330 with 30 between them.
    assert marks(home)[:2] == ["130 mm", "390 mm"]
    assert marks(home)[-2:] == ["1840 mm", "2200 mm"]
    expect(home.get_by_label("length", exact=True)).to_have_value("2380 mm")


def test_kinds_are_counted_added_and_taken_off(gear: Page) -> None:
    gear.get_by_label("How many felt hats").fill("4")
    gear.keyboard.press("Enter")
    expect(gear.get_by_label("count", exact=True)).to_have_value("9")
    gear.get_by_label("How many felt hats").fill("-1")
    gear.keyboard.press("Enter")
    expect(gear.get_by_role("alert")).to_contain_text("“-1” is no count")
    gear.keyboard.press("Escape")
    # A kind of which none hangs for the moment can still be measured.
    gear.get_by_label("How many felt hats").fill("0")
    gear.keyboard.press("Enter")
    expect(gear.get_by_label("count", exact=True)).to_have_value("5")
    gear.get_by_role("button", name="felt hats", exact=True).click()
    expect(gear.get_by_role("dialog").get_by_role("textbox", name="left")).to_have_value("165 mm")
    gear.get_by_role("button", name="Close", exact=True).click()
    gear.get_by_role("button", name="Undo").click()
    gear.get_by_role("button", name="+ another kind").click()
    gear.get_by_role("searchbox", name="Find").fill("zither")
    expect(gear.get_by_text("Nothing is called “zither”")).to_be_visible()
    gear.get_by_role("searchbox", name="Find").fill("scar")
    gear.get_by_role("button", name="wool scarves").click()
    expect(gear.get_by_label("How many wool scarves")).to_have_value("1")
    gear.get_by_role("button", name="Take the waxed jackets off").click()
    expect(gear.get_by_label("How many waxed jackets")).to_have_count(0)
    expect(gear.get_by_label("count", exact=True)).to_have_value("7")
    gear.get_by_role("button", name="Undo").click()
    expect(gear.get_by_label("How many waxed jackets")).to_have_value("3")


def test_things_are_put_in_order_by_hand_by_the_slip_and_by_search(gear: Page) -> None:
    first = marks(gear)
    one, hat = (gear.locator(f"[data-thing='{place}']").bounding_box() for place in (0, 1))
    assert one
    assert hat
    gear.mouse.move(one["x"] + one["width"] / 2, one["y"] + 40)
    gear.mouse.down()
    gear.mouse.move(hat["x"] + hat["width"] / 2, one["y"] + 40, steps=5)
    gear.mouse.up()
    saved(gear)
    dragged = marks(gear)
    assert dragged[0] == "183 mm", "the hat is first: 165 and half an air of 35, half up"
    gear.get_by_role("button", name="Mark 1").click()
    gear.get_by_role("button", name="One place to the right").click()
    expect(gear.get_by_role("button", name=f"Mark 1: {first[0]}")).to_be_visible()
    gear.get_by_role("radio", name="even", exact=True).click()
    before = gear.get_by_label("length", exact=True).input_value()
    gear.get_by_role("button", name="least spacing").click()
    expect(gear.get_by_role("button", name="Take this order")).to_be_visible()
    expect(gear.get_by_text("proved best")).to_be_visible()
    gear.get_by_role("button", name="Take this order").click()
    expect(gear.get_by_label("length", exact=True)).not_to_have_value(before)


def test_a_place_is_pinned_by_figure_and_let_go(gear: Page) -> None:
    gear.get_by_role("button", name="Mark 2").click()
    pin = gear.get_by_label("pin at")
    pin.fill("soon")
    pin.press("Enter")
    expect(gear.get_by_role("alert")).to_contain_text("“soon” is no number")
    pin.fill("470")
    pin.press("Enter")
    expect(gear.get_by_role("button", name="Mark 2: 470 mm")).to_be_visible()
    gear.get_by_role("button", name="Let go", exact=True).click()
    expect(gear.get_by_role("button", name="Mark 2: 448 mm")).to_be_visible()


def test_a_row_gives_way_to_a_knot(gear: Page) -> None:
    before = marks(gear)
    gear.get_by_role("button", name="Add a keep-out").click()
    gear.get_by_role("menuitemradio", name="screw").click()
    at = gear.get_by_label("at", exact=True).last
    at.fill("nowhere")
    at.press("Enter")
    expect(gear.get_by_role("alert")).to_contain_text("“nowhere” is no number")
    at.fill("445")
    at.press("Enter")
    expect(gear.get_by_role("button", name="Row moved clear of a keep-out")).to_be_visible()
    assert marks(gear) != before
    # Dragged away from the hook, and on by the keys, it is in nobody's way.
    screw = gear.get_by_role("slider", name="screw on the board")
    box = screw.bounding_box()
    assert box
    gear.mouse.move(box["x"] + box["width"] / 2, box["y"] + 4)
    gear.mouse.down()
    gear.mouse.move(box["x"] + box["width"] / 2 + 30, box["y"] + 4, steps=3)
    gear.mouse.up()
    expect(gear.get_by_role("button", name=f"Mark 2: {before[1]}")).to_be_visible()
    saved(gear)
    dragged = int((screw.get_attribute("aria-valuetext") or "0").split()[0])
    assert dragged > 480
    screw.press("ArrowRight")
    expect(screw).to_have_attribute("aria-valuetext", f"{dragged + 1} mm from the left end")
    screw.press("Delete")
    expect(screw).to_have_count(0)


def test_a_thing_is_measured_kept_and_brought_to_the_racks_that_use_it(home: Page) -> None:
    home.get_by_role("link", name="Things that hang").click()
    home.get_by_role("button", name="waxed jackets", exact=True).click()
    sheet = home.get_by_role("dialog")
    sheet.get_by_role("textbox", name="left").focus()
    expect(sheet.get_by_role("img", name="Measure left")).to_be_visible()
    sheet.get_by_role("textbox", name="left").fill("wide")
    sheet.get_by_role("button", name="Keep as measured").click()
    expect(sheet.get_by_role("alert")).to_contain_text("“wide” is no number")
    sheet.get_by_role("textbox", name="left").fill("12.5 cm")
    sheet.get_by_role("button", name="Keep as measured").click()
    home.get_by_role("button", name="Update them").click()
    expect(home.get_by_text("Brought up to date").first).to_be_visible()
    expect(home.get_by_role("region", name="your own, as measured")).to_contain_text(
        "waxed jackets"
    )
    home.get_by_role("link", name="Racks").click()
    open_rack(home, "Porch, waxed jackets")
    expect(home.get_by_label("Width of the waxed jackets")).to_have_value("240 mm")
    home.get_by_role("button", name="Undo").click()
    expect(home.get_by_label("Width of the waxed jackets")).to_have_value("230 mm")
    home.get_by_role("button", name="waxed jackets", exact=True).click()
    home.get_by_role("dialog").get_by_role("textbox", name="below").fill("1 m")
    home.keyboard.press("Enter")
    home.get_by_role("button", name="Keep for other racks").click()
    expect(home.get_by_text("kept among your own things").first).to_be_visible()


def test_a_list_of_things_is_shown_before_it_is_taken(home: Page, tmp_path: Path) -> None:
    home.get_by_role("link", name="Things that hang").click()
    file = tmp_path / "list.csv"
    file.write_text("name;left;right;below\nbig jug;7 cm;5 cm;20 cm\nodd jug;x;5;20\n")
    home.get_by_label("List of things").set_input_files(file)
    sheet = home.get_by_role("dialog")
    expect(sheet).to_contain_text("1 to take, 1 refused")
    expect(sheet.get_by_role("row", name="3 odd jug")).to_contain_text("left: Cannot read “x”")
    sheet.get_by_role("button", name="Take 1 row").click()
    home.get_by_role("button", name="big jugs").click()
    home.get_by_role("button", name="Forget it").click()
    expect(home.get_by_role("button", name="big jugs")).to_have_count(0)
    home.get_by_role("button", name="Undo").click()
    expect(home.get_by_role("button", name="big jugs")).to_be_visible()


def test_marks_made_by_hand_are_checked_and_planned_on_with(porch: Page) -> None:
    porch.get_by_role("button", name="Check my marks").click()
    sheet = porch.get_by_role("dialog")
    sheet.get_by_label("Your marks").fill("soon")
    sheet.get_by_role("button", name="Check them").click()
    expect(sheet.get_by_role("alert")).to_contain_text("“soon” is no number")
    # 1208 mm from the first axis to the last, divided by six instead of five.
    sheet.get_by_label("Your marks").fill("121, 322, 524, 725, 926, 1128")
    sheet.get_by_role("button", name="Check them").click()
    expect(sheet.get_by_role("heading", name="Spaces counted as hooks or pegs")).to_be_visible()
    expect(sheet.get_by_text("things would touch")).to_be_visible()
    sheet.get_by_role("button", name="Plan on with these").click()
    expect(porch.get_by_role("button", name="Mark 6: 1128 mm")).to_be_visible()
    porch.get_by_role("button", name="Undo").click()
    expect(porch.get_by_role("button", name="Mark 6: 1329 mm")).to_be_visible()


def test_versions_side_by_side_and_back_again(porch: Page) -> None:
    porch.get_by_role("link", name="Versions").click()
    porch.get_by_role("button", name="Keep", exact=True).click()
    expect(porch.get_by_role("alert")).to_be_visible()
    porch.get_by_label("keep it as").fill("On the offcut")
    porch.get_by_role("button", name="Keep", exact=True).click()
    expect(porch.get_by_role("region", name="On the offcut")).to_be_visible()
    porch.get_by_role("link", name="Porch, waxed jackets").click()
    porch.get_by_role("button", name="Board 1560 mm long").click()
    expect(porch.get_by_text("no problems in the layout").first).to_be_visible()
    porch.get_by_role("link", name="Versions").click()
    expect(porch.get_by_role("row", name="board 1560 mm 1450 mm ✓ better")).to_be_visible()
    porch.get_by_role("button", name="Go back to this").click()
    expect(porch.get_by_label("length", exact=True)).to_have_value("1450 mm")
    porch.get_by_role("button", name="Undo").click()
    expect(porch.get_by_label("length", exact=True)).to_have_value("1560 mm")


def test_sticks_jigs_and_lengths(porch: Page) -> None:
    porch.get_by_role("button", name="Print and export").click()
    porch.get_by_role("menuitem", name="Story sticks, jigs and lengths").click()
    sheet = porch.get_by_role("dialog")
    sheet.get_by_role("radio", name="a mirrored pair").click()
    sheet.get_by_label("Office, room keys").check()
    link = sheet.get_by_role("link", name="Print the story stick").get_attribute("href") or ""
    assert "pair=mirrored" in link
    assert porch.request.get(porch.url.split("/racks")[0] + link).body().startswith(b"%PDF")
    sheet.get_by_label("holes in it").fill("20")
    porch.keyboard.press("Enter")
    expect(sheet.get_by_text("A jig for this row has 2 to 6 holes, not 20")).to_be_visible()
    sheet.get_by_label("from", exact=True).fill("six")
    porch.keyboard.press("Enter")
    expect(sheet.get_by_text("“six” is no count")).to_be_visible()
    sheet.get_by_label("from", exact=True).fill("5")
    porch.keyboard.press("Enter")
    expect(sheet.get_by_role("row", name="5 1208 mm")).to_be_visible()


def test_several_rows_are_staggered_hung_apart_and_marked_each(home: Page) -> None:
    open_rack(home, "Kitchen, enamel mugs")
    rows = home.get_by_label("how many", exact=True)
    rows.fill("25")
    rows.press("Enter")
    expect(home.get_by_role("alert")).to_contain_text("25 is out of range: 1 to 24")
    rows.fill("3")
    rows.press("Enter")
    expect(home.get_by_label("between rows", exact=True)).to_have_value("150 mm")
    home.get_by_role("radio", name="staggered").click()
    home.get_by_role("radio", name="row 2", exact=True).click()
    assert len(marks(home)) == 6
    home.get_by_label("between rows", exact=True).fill("90")
    home.keyboard.press("Enter")
    note = home.get_by_role("list", name="Notes on the design").first
    expect(note).to_contain_text("Rows too close")
    note.get_by_role("button", name="As little as they need").click()
    expect(home.get_by_label("between rows", exact=True)).to_have_value("150 mm")
    home.get_by_role("radio", name="a board each").click()
    saved(home)
    most = home.get_by_label("the most on a wall of")
    most.fill("wide")
    most.press("Enter")
    expect(home.get_by_role("alert")).to_contain_text("“wide” is no number")
    most.fill("1.2 m")
    most.press("Enter")
    home.get_by_role("button", name="Hang the most").click()
    expect(home.get_by_label("length", exact=True)).to_have_value("1200 mm")


def test_a_thing_is_measured_with_an_instrument(home: Page) -> None:
    page = home
    page.get_by_role("link", name="Things").first.click()
    # A rack of the first page has its padlocks, too.
    expect(page.get_by_role("heading", name="Things that hang")).to_be_visible()
    page.get_by_role("button", name="padlock").first.click()
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("textbox", name="front").focus()
    before = sheet.get_by_role("textbox", name="front").input_value()
    sheet.get_by_role("radio", name="caliper").click()
    expect(sheet.get_by_text("Hold it to front;")).to_be_visible()
    sheet.get_by_role("button", name="Take it").click()
    expect(sheet.get_by_role("textbox", name="front")).not_to_have_value(before)
    expect(sheet.get_by_text("Hold it to held;")).to_be_visible()
