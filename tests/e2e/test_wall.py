"""The wall: surveyed, a rack dragged on it, fixed to it, and put up."""

import re

from playwright.sync_api import Browser, Page, expect

from tests.e2e.conftest import AXE, open_rack, saved
from tests.server import Server


def commit(page: Page, label: str, text: str) -> None:
    field = page.get_by_label(label, exact=True)
    field.fill(text)
    field.press("Enter")


def stage(page: Page, name: str) -> None:
    stages = page.get_by_role("navigation", name="Stages")
    stages.get_by_role("link", name=re.compile(rf"^{name}(?! log)")).click()


def test_a_wall_is_surveyed_and_every_wrong_measure_is_said(home: Page) -> None:
    home.get_by_role("button", name="Survey a wall").click()
    expect(home.get_by_label("Name of the wall")).to_have_value("New wall")
    commit(home, "Name of the wall", "Lean-to, back wall")
    expect(home.get_by_role("heading", name="Lean-to, back wall")).to_be_attached()
    commit(home, "wide", "wide")
    expect(home.get_by_role("alert")).to_contain_text("“wide” is no number")
    home.get_by_label("wide", exact=True).press("Escape")
    commit(home, "wide", "3.6 m")
    expect(home.get_by_label("wide", exact=True)).to_have_value("3600 mm")
    commit(home, "every", "10")
    expect(home.get_by_role("alert")).to_contain_text("Studs stand 100 mm apart or more")
    home.get_by_label("every", exact=True).press("Escape")
    commit(home, "every", "400 mm")
    commit(home, "or each one's middle", "300 mm; 5 m")
    expect(home.get_by_role("alert")).to_contain_text("past the wall's end")
    home.get_by_label("or each one's middle").press("Escape")
    home.get_by_role("button", name="Add something on the wall").click()
    home.get_by_role("menuitemradio", name="door").click()
    door = home.get_by_role("slider", name="door on the wall")
    box = door.bounding_box()
    assert box
    home.mouse.move(box["x"] + 20, box["y"] + 60)
    home.mouse.down()
    home.mouse.move(box["x"] + 120, box["y"] + 60, steps=4)
    home.mouse.up()
    expect(door).not_to_have_attribute("aria-valuenow", "0")
    moved = int(door.get_attribute("aria-valuenow") or 0)
    door.press("ArrowRight")
    expect(door).to_have_attribute("aria-valuenow", str(moved + 1))
    home.get_by_role("button", name="Undo").click()
    expect(door).to_have_attribute("aria-valuenow", str(moved))
    commit(home, "Old fixing: from the left; from the floor", "820")
    expect(home.get_by_role("alert")).to_contain_text("from the left and from the floor")
    commit(home, "Old fixing: from the left; from the floor", "2400; 1640")
    expect(home.get_by_text("2400 mm from the left, 1640 mm up")).to_be_visible()
    home.get_by_role("button", name="Made of").click()
    home.get_by_role("menuitemradio", name="masonry").click()
    expect(home.get_by_role("region", name="Studs")).to_have_count(0)
    home.reload()
    whole = home.get_by_role("region", name="The wall", exact=True)
    expect(whole.get_by_label("wide", exact=True)).to_have_value("3600 mm")
    home.get_by_role("link", name="Racks", exact=True).click()
    home.get_by_role("button", name="Put the wall Lean-to, back wall in the bin").click()
    home.get_by_role("button", name="Undo").click()
    expect(home.get_by_role("link", name="Lean-to, back wall")).to_be_visible()


def test_a_rack_is_dragged_on_its_wall_and_catches_where_it_should(home: Page) -> None:
    jackets = open_rack(home, "Porch, guests' jackets")
    stage(jackets, "Wall")
    rack = jackets.get_by_role("slider", name="The rack on its wall")
    expect(rack).to_have_attribute("aria-valuenow", "1372")
    box = rack.bounding_box()
    assert box
    x, y = box["x"] + box["width"] / 2, box["y"] + 80
    jackets.mouse.move(x, y)
    jackets.mouse.down()
    # The gap at its height is from the switch to the corner, 1212 to 4800: its middle puts 1300 -
    # 30 of jackets at 2356.
    jackets.mouse.move(x + 100, y, steps=3)
    jackets.mouse.move(x + 182, y, steps=6)
    expect(jackets.get_by_text("middle of the gap").nth(1)).to_be_visible()
    expect(rack).to_have_attribute("aria-valuenow", "2356")
    after = rack.bounding_box()
    assert after
    assert abs(after["x"] - box["x"] - 182) < 8, "the wall stands still, the rack moves"
    jackets.mouse.up()
    saved(jackets)
    left = jackets.get_by_label("from left", exact=True)
    caught = left.input_value()
    expect(
        jackets.get_by_role("button", name=re.compile(f"^middle of the gap.*{caught}"))
    ).to_be_visible()
    rack.press("ArrowLeft")
    expect(left).not_to_have_value(caught)
    rack.press("ArrowUp")
    expect(jackets.get_by_label("above floor", exact=True)).to_have_value("1651 mm")
    commit(jackets, "from left", "nowhere")
    expect(jackets.get_by_role("alert")).to_contain_text("Cannot read “nowhere”")
    left.press("Escape")
    # Onto the door: said, with a place that is free.
    commit(jackets, "from left", "700 mm")
    expect(jackets.get_by_text("It hangs where the door is.")).to_be_visible()
    jackets.get_by_role("button", name=re.compile(r"^Move to 1\d\d\d mm$")).first.click()
    expect(jackets.get_by_text("It hangs where the door is.")).to_have_count(0)
    jackets.get_by_role("button", name=re.compile("^most studs")).click()
    expect(jackets.get_by_role("button", name=re.compile("^most studs"))).to_have_attribute(
        "aria-pressed", "true"
    )
    jackets.get_by_role("button", name="Reached by").click()
    jackets.get_by_role("menuitemradio", name="children too").click()
    expect(jackets.get_by_text("Higher than a child can reach with ease.")).to_be_visible()
    jackets.get_by_role("button", name="Hang at 1250 mm").click()
    expect(jackets.get_by_label("above floor", exact=True)).to_have_value("1250 mm")


def test_a_rack_gets_a_wall_and_what_holds_it(home: Page) -> None:
    keys = open_rack(home, "Office, room keys")
    stage(keys, "Mounting")
    keys.get_by_role("link", name="Say which wall").click()
    keys.get_by_role("button", name="Porch, inner wall 4800 mm wide").click()
    expect(keys.get_by_role("slider", name="The rack on its wall")).to_be_visible()
    stage(keys, "Mounting")
    by = keys.get_by_role("radiogroup", name="Mounting: how")
    expect(by.get_by_role("radio", name="best for this wall")).to_be_checked()
    by.get_by_role("radio", name="bevelled cleat").click()
    expect(keys.get_by_role("button", name=re.compile("^cleat long"))).to_be_visible()
    expect(keys.get_by_text("Hook the board onto the cleat")).to_be_visible()
    into = keys.get_by_role("radiogroup", name="Into")
    into.get_by_role("radio", name="spiral plugs").click()
    expect(keys.get_by_text(re.compile(r"\d+ × spiral plugs in the board$"))).to_be_visible()
    commit(keys, "straight out", "lots")
    expect(keys.get_by_role("alert")).to_contain_text("“lots” is no weight")
    keys.get_by_label("straight out").press("Escape")
    commit(keys, "packet divided by", "0")
    expect(keys.get_by_role("alert")).to_contain_text("“0” is no factor from 1 to 20")
    keys.get_by_label("packet divided by").press("Escape")
    commit(keys, "straight out", "100 g")
    expect(keys.get_by_text("the worst fixing bears more than it may")).to_be_visible()
    links = keys.get_by_role("list", name="Links from the thing to the wall").get_by_role(
        "listitem"
    )
    expect(links.first).to_contain_text("piral plugs in the board")
    # What is offered changes the rack or how it hangs, never what its packet says.
    expect(keys.get_by_role("button", name=re.compile("carry"))).to_have_count(0)
    keys.get_by_role("button", name="Spring toggles").click()
    expect(keys.get_by_text("the worst fixing bears more than it may")).to_have_count(0)
    expect(keys.get_by_label("straight out")).to_have_value("not said")
    keys.get_by_role("button", name=re.compile("^load")).click()
    expect(keys.get_by_text("T / P + V / Q")).to_be_visible()
    keys.get_by_role("button", name="Section", exact=True).click()
    expect(keys.get_by_text("on and off")).to_be_visible()
    keys.get_by_role("button", name="Print and export").click()
    expect(keys.get_by_role("menuitem", name="Putting it up")).to_be_visible()
    keys.keyboard.press("Escape")
    # The wall turns out to be narrower: the rack that is opened next says so.
    stage(keys, "Wall")
    keys.get_by_role("link", name="its survey").click()
    keys.get_by_role("button", name="Forget the socket").click()
    whole = keys.get_by_role("region", name="The wall", exact=True)
    whole.get_by_label("wide", exact=True).fill("1.3 m")
    whole.get_by_label("wide", exact=True).press("Enter")
    expect(whole.get_by_label("wide", exact=True)).to_have_value("1300 mm")
    keys.get_by_role("link", name="Office, room keys").click()
    expect(keys.get_by_text("It reaches past the end of the wall.")).to_be_visible()


def test_places_and_fixings_are_weighed_up_from_the_keyboard(home: Page) -> None:
    jackets = open_rack(home, "Porch, guests' jackets")
    stage(jackets, "Wall")
    rack = jackets.get_by_role("slider", name="The rack on its wall")
    aims = [
        jackets.get_by_role("button", name=re.compile(f"^{name}"))
        for name in ("middle of the wall", "middle of the gap", "most studs", "fewest holes")
    ]
    # Going over the places shows each, and keeps none of them.
    seen = set()
    for aim in aims:
        aim.focus()
        where = re.search(r"(\d+) mm", aim.inner_text())
        assert where
        expect(rack).to_have_attribute("aria-valuenow", where[1])
        seen.add(where[1])
    assert len(seen) > 1
    rack.focus()
    expect(rack).to_have_attribute("aria-valuenow", "1372")
    expect(jackets.get_by_role("button", name="Undo")).to_be_disabled()
    stage(jackets, "Mounting")
    by = jackets.get_by_role("radiogroup", name="Mounting: how").get_by_role("radio")
    expect(by.first).to_be_checked()
    count = by.count()
    by.first.focus()
    offered = []
    for k in range(count):
        expect(by.nth(k)).to_be_checked()
        expect(by.nth(k)).to_be_focused()
        offered.append(jackets.get_by_role("region", name="On the wall").inner_text())
        saved(jackets)
        jackets.keyboard.press("ArrowDown")
    expect(by.first).to_be_checked()
    assert len(set(offered)) > 3, "each way bears what it bears"
    for _ in range(count):
        jackets.keyboard.press("Control+z")
    expect(jackets.get_by_role("button", name="Undo")).to_be_disabled()
    expect(by.first).to_be_checked()


def test_walls_are_usable_without_a_pointer_and_by_everybody(home: Page) -> None:
    for name, where in (
        ("Porch, inner wall", ""),
        ("Porch, guests' jackets", "Wall"),
        ("Porch, guests' jackets", "Mounting"),
    ):
        home.get_by_role("link", name=name).click()
        if where:
            stage(home, where)
        expect(home.get_by_role("group", name="The wall")).to_be_visible()
        expect(home.get_by_text(re.compile("Trying"))).to_have_count(0)
        home.evaluate(AXE.read_text("utf-8"))
        found = home.evaluate(
            "async () => (await axe.run()).violations.map((v) => v.id + ': ' + v.nodes[0].html)"
        )
        assert found == [], (name, where)
        home.get_by_role("link", name="Racks", exact=True).click()


def test_what_two_windows_change_of_a_wall_is_both_there(home: Page, server: Server) -> None:
    home.get_by_role("link", name="Porch, inner wall").click()
    whole = home.get_by_role("region", name="The wall", exact=True)
    high, skirting = (whole.get_by_label(label, exact=True) for label in ("high", "skirting"))
    expect(high).to_have_value("2500 mm")
    other = home.context.new_page()
    other.goto(home.url)
    commit(other, "skirting", "90 mm")
    expect(other.get_by_label("skirting", exact=True)).to_have_value("90 mm")
    # The older window changes something else: both are there.
    high.fill("2600 mm")
    high.press("Enter")
    expect(skirting).to_have_value("90 mm")
    expect(high).to_have_value("2600 mm")
    # Both change the same: the newer is shown, and what was typed stays, to be put into that.
    commit(other, "skirting", "100 mm")
    expect(other.get_by_label("high", exact=True).first).to_have_value("2600 mm")
    skirting.fill("80 mm")
    skirting.press("Enter")
    expect(home.get_by_role("alert")).to_contain_text("changed in another window too")
    expect(skirting).to_have_value("80 mm")
    skirting.press("Enter")
    expect(home.get_by_role("alert")).to_have_count(0)
    other.reload()
    expect(other.get_by_label("skirting", exact=True)).to_have_value("80 mm")
    other.close()


def test_an_open_rack_follows_its_wall_and_its_neighbours(home: Page) -> None:
    jackets = open_rack(home, "Porch, guests' jackets")
    expect(jackets.get_by_text("no problems in the layout")).to_be_visible()
    other = jackets.context.new_page()
    other.goto(jackets.url.split("/racks/")[0])
    other.get_by_role("link", name="Porch, inner wall").click()
    commit(other, "skirting", "80 mm")
    hats = other.get_by_role("link", name="Porch, felt hats")
    hats.click()
    expect(other.get_by_label("Name of the rack")).to_have_value("Porch, felt hats")
    commit(other, "from left", "1400 mm")
    commit(other, "above floor", "1700 mm")
    expect(other.get_by_text("It hangs where “Porch, guests' jackets” hangs.")).to_be_visible()
    # The window looks now and then; what is not its own change it only shows.
    expect(jackets.get_by_text("It hangs where “Porch, felt hats” hangs.")).to_be_visible()
    saved(jackets)
    other.close()


def test_walls_fit_a_phone(browser: Browser, server: Server) -> None:
    context = browser.new_context(
        locale="en-GB", viewport={"width": 390, "height": 844}, has_touch=True, is_mobile=True
    )
    page = context.new_page()
    for name, where in (
        ("Porch, inner wall", ""),
        ("Porch, guests' jackets", "Wall"),
        ("Porch, felt hats", "Mounting"),
    ):
        page.goto(server.address)
        page.get_by_role("link", name=name).click()
        if where:
            stage(page, where)
        wall = page.get_by_role("group", name="The wall").bounding_box()
        assert wall
        assert wall["height"] > 250
        assert page.evaluate("document.documentElement.scrollWidth") == 390, name
    context.close()


def test_a_rack_is_drawn_for_a_wall_and_begins_as_long_as_is_free_there(home: Page) -> None:
    home.get_by_role("link", name="Porch, inner wall").click()
    home.get_by_role("link", name="Draw a rack for it").click()
    home.get_by_role("button", name="enamel mugs").click()
    commit(home, "How many enamel mugs", "30")
    answer = home.get_by_role("region", name="Your answer")
    expect(answer).to_contain_text("In 2 rows, to fit")
    home.get_by_role("button", name="On which wall: Porch, inner wall").click()
    home.get_by_role("menuitemradio", name="no wall yet").click()
    expect(answer).not_to_contain_text("In 2 rows")
    home.get_by_role("button", name="On which wall").click()
    home.get_by_role("menuitemradio", name="Porch, inner wall").click()
    expect(answer).to_contain_text("In 2 rows, to fit")
    home.get_by_role("button", name="Draw this rack").click()
    expect(home.get_by_role("listbox", name="How many fit")).to_contain_text("15·30")
    stage(home, "Wall")
    expect(home.get_by_role("region", name="Which wall")).to_contain_text("Porch, inner wall")
