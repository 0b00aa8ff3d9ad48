"""Each way of building on the page: its own questions, nonsense in them, what it finds and how that
is settled.
"""

import re

import pytest
from playwright.sync_api import Browser, Locator, Page, expect

from tests.e2e.conftest import clean, marks, open_rack, saved
from tests.server import Server

UPRIGHTS = (
    "Store, sleeping mats",
    "Store, snow boards",
    "Drying room, storm lanterns",
    "Office, key bunches",
)


def field(page: Page, section: str, label: str) -> Locator:
    return page.get_by_role("region", name=section).get_by_label(label, exact=True)


def typed(box: Locator, text: str) -> None:
    box.fill(text)
    box.press("Enter")


def picked(page: Page, button: str, option: str) -> None:
    page.get_by_role("button", name=button).click()
    page.get_by_role("menuitemradio", name=option).click()


def refused(page: Page, box: Locator, text: str, says: str) -> None:
    """Nonsense is said at its field, and Escape brings back what was there."""
    before = box.input_value()
    typed(box, text)
    expect(page.get_by_role("alert")).to_contain_text(says)
    box.press("Escape")
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(box).to_have_value(before)


def test_a_shelf_box_takes_its_heights_from_what_stands_on_it(home: Page) -> None:
    box = open_rack(home, "Kitchen, spices and soup mugs")
    refused(box, field(box, "Shelves", "how many"), "many", "“many” is no whole number")
    refused(box, field(box, "Shelves", "tallest"), "-3", "“-3” must be more than 0")
    sides = box.get_by_role("button", name=re.compile("^sides "))
    expect(sides).to_have_text(re.compile("526 mm"))
    upper = field(box, "Shelves", "on upper")
    typed(upper, "")
    # Emptied, it follows the tallest: 160 instead of 110.
    expect(upper).to_have_value("160 mm")
    expect(sides).to_have_text(re.compile("576 mm"))
    typed(field(box, "Shelves", "thick"), "8")
    expect(box.get_by_role("button", name="Shelves sag")).to_be_visible()
    box.get_by_role("button", name=re.compile("thick$")).first.click()
    expect(box.get_by_text("no problems in the layout")).to_be_visible()
    typed(field(box, "Shelves", "how many"), "3")
    expect(sides).not_to_have_text(re.compile("576 mm"))
    saved(box)


def test_high_rails_hang_half_a_pitch_apart_under_the_ceiling(home: Page) -> None:
    bikes = open_rack(home, "Lean-to, bicycles")
    measured = bikes.get_by_role("button", name="wall, measured 3350 mm")
    expect(measured).to_be_visible()
    picked(bikes, "lower rail: as many", "one fewer")
    expect(
        bikes.get_by_role("region", name="Two heights").get_by_role(
            "button", name="lower rail: one fewer"
        )
    ).to_be_visible()
    refused(bikes, field(bikes, "Two heights", "ceiling"), "high", "“high” is no number")
    typed(field(bikes, "Two heights", "ceiling"), "2.25 m")
    expect(bikes.get_by_role("button", name="No room under the ceiling")).to_be_visible()
    bikes.get_by_role("button", name=re.compile("^Hang at ")).click()
    expect(bikes.get_by_role("button", name="No room under the ceiling")).to_have_count(0)
    bikes.get_by_role("button", name="Undo").click()
    expect(bikes.get_by_role("button", name="No room under the ceiling")).to_be_visible()


def test_cheeks_ledges_and_perches_say_what_is_wrong_and_settle_it(home: Page) -> None:
    boards = open_rack(home, "Store, snow boards")
    refused(boards, field(boards, "Slots", "angle °"), "60", "write 0 to 45 degrees")
    typed(field(boards, "Slots", "deep"), "160")
    expect(boards.get_by_role("button", name="Slots too deep for the cheek")).to_be_visible()
    boards.get_by_role("button", name=re.compile("deep$")).first.click()
    expect(boards.get_by_role("button", name="Slots too deep for the cheek")).to_have_count(0)
    boards.get_by_role("link", name="Racks").click()
    lanterns = open_rack(boards, "Drying room, storm lanterns")
    refused(lanterns, field(lanterns, "Ledges", "dowel"), "thick", "“thick” is no number")
    typed(field(lanterns, "Ledges", "dowel"), "16")
    expect(lanterns.get_by_role("button", name="Dowel too thick")).to_be_visible()
    lanterns.get_by_role("link", name="Racks").click()
    helmets = open_rack(lanterns, "Porch, climbing helmets")
    typed(field(helmets, "Sloped shelf", "stop"), "5")
    expect(helmets.get_by_role("button", name="Stop too low")).to_be_visible()
    helmets.get_by_role("button", name="A stop of 12 mm").click()
    expect(helmets.get_by_text("no problems in the layout")).to_be_visible()


def test_flip_pegs_move_from_pins_to_a_rod_and_back(home: Page) -> None:
    capes = open_rack(home, "Passage, rain capes")
    picked(capes, "turn on: a pin each, in grooves", "one threaded rod")
    expect(capes.get_by_role("button", name="stack 1320 mm")).to_be_visible()
    expect(capes.get_by_role("button", name="Backer does not suit the spacers")).to_be_visible()
    capes.get_by_role("button", name=re.compile("^Backer .* wide$")).click()
    expect(capes.get_by_text("no problems in the layout")).to_be_visible()
    refused(capes, field(capes, "Fingers", "gap behind"), "none", "“none” is no number")
    picked(capes, "rod: M8", "M6")
    expect(capes.get_by_role("button", name="Finger levers itself out")).to_be_visible()
    capes.get_by_role("button", name=re.compile("^M8 rod, fingers .* thick$")).click()
    expect(capes.get_by_text("no problems in the layout")).to_be_visible()
    saved(capes)
    capes.keyboard.press("s")
    expect(capes.get_by_role("button", name="Section")).to_have_attribute("aria-pressed", "true")
    for _ in range(4):
        capes.get_by_role("button", name="Undo").click()
    expect(capes.get_by_role("button", name="turn on: a pin each, in grooves")).to_be_visible()


def test_an_angled_rail_is_marked_board_by_board(home: Page) -> None:
    keys = open_rack(home, "Office, key bunches")
    expect(keys.get_by_text("of what, on the left board")).to_be_visible()
    assert marks(keys) == ["60 mm", "210 mm", "360 mm", "510 mm", "660 mm"]
    keys.get_by_role("radio", name="right board", exact=True).click()
    assert marks(keys) == ["135 mm", "285 mm", "435 mm", "585 mm"]
    keys.get_by_role("group", name="The tape").get_by_role("button", name="Mark 2").click()
    expect(keys.get_by_role("region", name="Working of Mark 2, right board")).to_be_visible()
    refused(keys, field(keys, "Ridge", "angle °"), "200", "write 60 to 150 degrees")
    typed(field(keys, "Ridge", "angle °"), "120")
    expect(keys.get_by_role("button", name="pegs point 30°")).to_be_visible()
    # At 120° the ridge is low: no room for a bracket behind it.
    keys.get_by_role("button", name=re.compile("^Boards .* wide$")).click()
    expect(keys.get_by_role("button", name="No room for the bracket")).to_have_count(0)
    magnet = field(keys, "Ridge", "magnet")
    typed(magnet, "")
    expect(magnet).to_have_value("none")
    picked(keys, "on the right: one fewer, between", "as many, half higher")
    expect(keys.get_by_role("button", name="Right pegs run off the top")).to_be_visible()
    keys.get_by_role("button", name=re.compile("at the top$")).click()
    expect(keys.get_by_role("button", name="Right pegs run off the top")).to_have_count(0)
    assert len(marks(keys)) == 5
    keys.get_by_role("button", name="Plan", exact=True).click()
    expect(
        keys.get_by_role("group", name="The wall").get_by_text(re.compile(r"^\d+ mm$")).first
    ).to_be_visible()


def test_a_rack_is_stood_up_and_laid_down_again_by_keyboard(home: Page) -> None:
    mugs = open_rack(home, "Kitchen, enamel mugs")
    lying = marks(mugs)
    way = mugs.get_by_role("button", name="Way of building: rail")
    way.focus()
    mugs.keyboard.press("Enter")
    menu = mugs.get_by_role("menu")
    expect(menu).to_be_visible()
    option = menu.get_by_role("menuitemradio", name=re.compile("^angled rail"))
    for _ in range(20):
        if option.evaluate("node => node === document.activeElement"):
            break
        mugs.keyboard.press("ArrowDown", delay=40)
    mugs.keyboard.press("Enter")
    expect(mugs.get_by_role("slider", name="The board's top")).to_be_attached()
    expect(mugs.get_by_role("button", name="Tape from the foot")).to_be_visible()
    mugs.keyboard.press("Control+z")
    expect(mugs.get_by_role("slider", name="The board's right end")).to_be_attached()
    assert marks(mugs) == lying
    mugs.keyboard.press("Control+y")
    expect(mugs.get_by_role("slider", name="The board's top")).to_be_attached()


@pytest.mark.parametrize("name", UPRIGHTS)
def test_an_upright_is_whole_on_a_phone(browser: Browser, server: Server, name: str) -> None:
    context = browser.new_context(
        locale="en-GB", viewport={"width": 390, "height": 844}, has_touch=True, is_mobile=True
    )
    page = context.new_page()
    page.goto(server.address)
    open_rack(page, name)
    assert page.evaluate("document.documentElement.scrollWidth") == 390
    wall = page.get_by_role("group", name="The wall").bounding_box()
    band = page.locator("[data-band]").bounding_box()
    assert wall
    assert band
    assert wall["y"] <= band["y"]
    assert band["y"] + band["height"] <= wall["y"] + wall["height"]
    for text in page.get_by_role("group", name="The wall").locator("text.hand").all():
        box = text.bounding_box()
        assert box
        assert box["x"] >= -1
        assert box["x"] + box["width"] <= 391
    context.close()


def test_new_ways_are_clean_to_axe(browser: Browser, server: Server) -> None:
    context = browser.new_context(bypass_csp=True)
    page = context.new_page()
    for name in ("Office, key bunches", "Stairs, peaked caps", "Kitchen, spices and soup mugs"):
        page.goto(server.address)
        open_rack(page, name)
        page.get_by_text("Drilling and machining").click()
        page.get_by_role("button", name="Section").click()
        clean(page, name)
    context.close()


def test_a_rail_gets_a_shelf_hidden_screws_and_bolts(home: Page) -> None:
    porch = open_rack(home, "Porch, waxed jackets")
    picked(porch, "shelf: none", "on the top edge")
    expect(
        porch.get_by_role("region", name="Shelf above").get_by_role(
            "button", name="shelf long 1490 mm"
        )
    ).to_be_visible()
    # Jackets on 1450 mm leave 12 between them: no bracket of 18 stands there.
    expect(porch.get_by_role("button", name="No room for brackets")).to_be_visible()
    porch.get_by_role("button", name="Brackets 12 mm thick").or_(
        porch.get_by_role("button", name="No brackets")
    ).first.click()
    expect(porch.get_by_role("button", name="No room for brackets")).to_have_count(0)
    refused(porch, field(porch, "Shelf above", "lip"), "a lip", "“a lip” is no number")
    porch.get_by_role("link", name="Mounting").click()
    porch.get_by_role("radio", name="under hook plates").click()
    expect(porch.get_by_role("button", name="screws behind numbers 1, 3, 5, 6")).to_be_visible()
    porch.get_by_role("navigation", name="Stages").get_by_role("link", name="Rack").click()
    porch.get_by_role("radio", name="bolts").click()
    expect(porch.get_by_role("region", name="Lag bolts")).to_be_visible()
    expect(porch.get_by_role("button", name="No plate to hide a screw")).to_be_visible()
    refused(porch, field(porch, "Lag bolts", "sticks out"), "0", "“0” must be more than 0")
    porch.get_by_role("button", name="Screws that are seen").click()
    expect(porch.get_by_role("button", name="No plate to hide a screw")).to_have_count(0)
    # As thick a board as the bolts want; then they hold.
    porch.get_by_role("button", name=re.compile("^Board .* thick$")).first.click()
    expect(porch.get_by_role("button", name="Bolt too long for the board")).to_have_count(0)
    saved(porch)
    porch.reload()
    expect(porch.get_by_role("region", name="Lag bolts")).to_be_visible()


def test_rails_stand_clear_of_their_box_and_frames_are_closed(home: Page) -> None:
    bikes = open_rack(home, "Lean-to, bicycles")
    refused(bikes, field(bikes, "Box beside", "shelves"), "9", "9 is out of range")
    typed(field(bikes, "Box beside", "tall"), "2.3 m")
    expect(bikes.get_by_role("button", name="Box on the floor")).to_be_visible()
    bikes.get_by_role("button", name=re.compile("^A box .* tall$")).click()
    expect(bikes.get_by_text("no problems in the layout")).to_be_visible()
    picked(bikes, "End rule: Half a space", "Set margins")
    typed(bikes.get_by_label("right", exact=True), "60")
    expect(bikes.get_by_role("button", name="Things reach the box")).to_be_visible()
    bikes.get_by_role("button", name=re.compile("^[0-9]+ mm apart$")).click()
    expect(bikes.get_by_role("button", name="Things reach the box")).to_have_count(0)
    bikes.get_by_role("link", name="Racks").click()
    cups = open_rack(bikes, "Kitchen dresser, tin cups")
    picked(cups, "made of: planks on battens", "cross boards on two sides")
    picked(cups, "gaps: open", "boards behind them")
    expect(cups.get_by_role("button", name="gaps: boards behind them")).to_be_visible()
    picked(cups, "sides: behind the boards", "flush beside them")
    # Flush with the wall there is no room behind: the question goes, and comes back with its
    # answer.
    expect(cups.get_by_role("button", name="gaps: boards behind them")).to_have_count(0)
    picked(cups, "sides: flush beside them", "behind the boards")
    expect(cups.get_by_role("button", name="gaps: boards behind them")).to_be_visible()


def test_poles_are_strapped_and_come_out_under_a_hatch(home: Page) -> None:
    poles = open_rack(home, "Store, curtain poles")
    refused(poles, field(poles, "Room around", "overhead at"), "low", "“low” is no number")
    typed(field(poles, "Room around", "overhead at"), "1.6 m")
    expect(poles.get_by_role("button", name="Does not come out overhead")).to_be_visible()
    poles.get_by_role("button", name=re.compile("^(Foot board|Overhead) at ")).first.click()
    expect(poles.get_by_role("button", name="Does not come out overhead")).to_have_count(0)
    picked(poles, "strap: none", "across the clips")
    expect(poles.get_by_role("button", name=re.compile("^cut the strap "))).to_be_visible()
    poles.get_by_text("Drilling and machining").click()
    steps = poles.get_by_role("listitem").filter(has_text="Stop:")
    expect(steps.filter(has_text="strap's screws")).to_have_count(1)


def test_a_leaning_peg_is_dragged_up_its_board_and_goes_to_paper(home: Page) -> None:
    keys = open_rack(home, "Office, key bunches")
    band = keys.locator("[data-band]").bounding_box()
    assert band
    x, y = band["x"] + band["width"] / 2, band["y"] + band["height"] / 2
    keys.mouse.move(x, y)
    keys.mouse.down()
    keys.mouse.move(x, y - 6)
    keys.mouse.move(x, y - 12)
    keys.mouse.up()
    expect(keys.get_by_role("slider", name="peg 3 of 5, pinned")).to_be_attached()
    saved(keys)
    assert int(marks(keys)[2].split()[0]) > 360
    keys.get_by_role("button", name="Print and export").click()
    link = keys.get_by_role("menuitem", name=re.compile("template")).first.get_attribute("href")
    assert link
    answer = keys.request.get(keys.url.split("/racks")[0] + link)
    assert answer.body().startswith(b"%PDF")
    keys.keyboard.press("Escape")
    keys.get_by_role("button", name="Undo").click()
    expect(keys.get_by_role("slider", name=re.compile(r"^\w+ 3 of 5$"))).to_be_attached()
