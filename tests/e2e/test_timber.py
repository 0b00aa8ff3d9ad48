"""Timber: a plan on the bench, a part moved by hand, a stick put on the rack, prices asked of the
yard.
"""

import re

from playwright.sync_api import Browser, Page, expect

from tests.e2e.conftest import AXE, EVERYBODY, open_rack, saved
from tests.e2e.test_wall import commit, stage
from tests.server import Server


def test_a_plan_is_read_changed_and_taken_back(home: Page) -> None:
    page = home
    open_rack(page, "Kitchen dresser, tin cups")
    stage(page, "Timber")
    expect(page.get_by_text("all from what is on hand").first).to_be_visible()
    peg = page.get_by_role("button", name="Peg 3,")
    peg.focus()
    peg.press("Enter")
    other = page.get_by_role("group", name="Cut Peg 3 from").get_by_role("button").first
    expect(other).to_contain_text("costs the same")
    other.click()
    expect(page.get_by_role("button", name="Locked")).to_have_count(1)
    saved(page)
    page.keyboard.press("Control+z")
    expect(page.get_by_role("button", name="Locked")).to_have_count(0)


def test_a_part_is_dragged_to_another_stick(home: Page) -> None:
    page = home
    open_rack(page, "Kitchen dresser, tin cups")
    stage(page, "Timber")
    peg = page.get_by_role("button", name="Peg 2,")
    away = page.locator("[data-stick]").filter(has=page.get_by_role("button", name="Peg 12,"))
    expect(away.get_by_role("button", name="Peg 2,")).to_have_count(0)
    peg.scroll_into_view_if_needed()
    box, to = peg.bounding_box(), away.bounding_box()
    assert box
    assert to
    page.mouse.move(box["x"] + 10, box["y"] + 8)
    page.mouse.down()
    page.mouse.move(to["x"] + 200, to["y"] + 40, steps=6)
    page.mouse.up()
    expect(away.get_by_role("button", name="Peg 2,")).to_be_visible()
    expect(page.get_by_role("button", name="Locked")).to_have_count(1)


def test_every_wrong_figure_of_the_saw_is_said_and_a_fix_settles_what_is_missing(
    home: Page,
) -> None:
    page = home
    open_rack(page, "Kitchen, spices and soup mugs")
    stage(page, "Timber")
    note = page.get_by_role("list", name="Notes on the cut plan")
    expect(note).to_contain_text("No softwood of 8 mm is to be had")
    note.get_by_role("button", name="Plane it down from 9 mm").click()
    expect(note).to_have_count(0)
    for label in ("each cut takes", "trimmed from each end", "left to plane when ripped"):
        commit(page, label, "banana")
        expect(page.get_by_role("alert")).to_contain_text("banana")
        page.get_by_label(label, exact=True).press("Escape")
    commit(page, "coats", "40")
    expect(page.get_by_role("alert")).to_contain_text("12")
    page.get_by_label("coats", exact=True).press("Escape")
    page.get_by_label("spent in all").fill("plenty")
    page.get_by_role("button", name="It is sawn").click()
    expect(page.get_by_text("“plenty” is no price").first).to_be_visible()
    page.get_by_label("spent in all").fill("52.40")
    page.get_by_role("button", name="It is sawn").click()
    expect(page.get_by_text("Spent so far: €52.40")).to_be_visible()
    expect(page.get_by_role("button", name="It is sawn")).to_be_disabled()
    page.get_by_role("button", name="Take back").click()
    expect(page.get_by_text("Spent so far")).to_have_count(0)


def test_a_part_with_a_hidden_back_is_wished_for(home: Page) -> None:
    page = home
    open_rack(page, "Porch, padlocks")
    stage(page, "Timber")
    page.get_by_text("Backs that nobody sees: none").click()
    wish = page.locator("details", has_text="Backs that nobody sees")
    wish.get_by_label("Rail 2").click()
    expect(wish.get_by_text("Backs that nobody sees: Rail 2")).to_be_visible()
    page.get_by_role("button", name="Don't use").first.click()
    expect(page.get_by_text("left alone: spruce board 70 mm × 21 mm, 980 mm")).to_be_visible()
    saved(page)
    for _ in range(2):
        page.keyboard.press("Control+z")
    expect(wish.get_by_text("Backs that nobody sees: none")).to_be_visible()


def test_a_stick_is_put_on_the_rack_and_the_yard_is_asked(home: Page) -> None:
    page = home
    page.get_by_role("link", name="Timber", exact=True).click()
    page.get_by_role("button", name="Add a board").click()
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name="Keep it").click()
    expect(sheet.get_by_role("alert")).to_have_count(3)
    for label, text in (("wide, really", "95"), ("thick, really", "21"), ("long", "1.35 m")):
        sheet.get_by_label(label).fill(text)
    sheet.get_by_role("button", name="A flaw to cut around").click()
    sheet.get_by_label("at", exact=True).fill("2 m")
    sheet.get_by_role("button", name="Keep it").click()
    expect(sheet.get_by_role("alert")).to_have_count(1)
    expect(sheet.get_by_role("alert")).to_contain_text("not on a length of 1350 mm")
    sheet.get_by_label("at", exact=True).fill("1200")
    sheet.get_by_role("button", name="Side of flaw 1").click()
    page.get_by_role("menuitemradio", name="at the back").click()
    sheet.get_by_role("button", name="Keep it").click()
    expect(page.get_by_text("knot at 1200 mm, at the back")).to_be_visible()
    page.get_by_role("button", name="softwood board 95 mm × 21 mm").click()
    page.get_by_role("button", name="Off the rack").click()
    expect(page.get_by_text("knot at 1200 mm")).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text("knot at 1200 mm")).to_be_visible()
    page.get_by_role("button", name="Ask the timber yard").click()
    expect(page.get_by_text("prices are of today").first).to_be_visible()
    page.get_by_label("how many, or how much").fill("some")
    page.get_by_label("what", exact=True).fill("4.0 × 50 mm wood screw")
    page.get_by_role("button", name="Put it in").click()
    expect(page.get_by_role("alert")).to_contain_text("“some” is no amount")
    page.get_by_label("how many, or how much").fill("60")
    page.get_by_role("button", name="Put it in").click()
    expect(page.get_by_text("4.0 × 50 mm wood screw")).to_be_visible()


def test_the_ladder_says_what_each_count_costs(home: Page) -> None:
    page = home
    open_rack(page, "Porch, waxed jackets")
    page.get_by_role("button", name="what it costs").click()
    chosen = page.get_by_role("option", selected=True)
    expect(chosen).to_contain_text(re.compile(r"\d\d\.\d\d"))
    page.get_by_role("button", name="how full").click()
    expect(chosen).to_contain_text("%")


def test_racks_are_cut_together_at_several_lengths(home: Page) -> None:
    page = home
    page.get_by_role("link", name="Timber", exact=True).click()
    page.get_by_role("link", name="Cut several racks together").click()
    for name in ("Office, room keys", "Porch, padlocks"):
        page.get_by_label(name, exact=True).check()
    page.get_by_role("button", name="Another length of Office, room keys").click()
    page.get_by_label("long").last.fill("600 mm")
    page.get_by_label("long").last.press("Enter")
    expect(page.get_by_label("Office, room keys, 600 mm: Board, 600 mm")).to_be_visible()
    expect(page.get_by_text("Together saves")).to_be_visible()
    with page.expect_download() as file:
        page.get_by_role("link", name="Shopping list (CSV)").click()
    assert "spruce" in file.value.path().read_text()
    page.get_by_label("How many of Porch, padlocks, 1").fill("none")
    page.get_by_label("How many of Porch, padlocks, 1").press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("“none” is no number of racks")
    page.get_by_label("How many of Porch, padlocks, 1").press("Escape")
    page.get_by_label("long").last.fill("banana")
    page.get_by_label("long").last.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("“banana” is no number")
    page.reload()
    expect(page.get_by_label("Office, room keys", exact=True)).to_be_checked()


def test_lists_come_from_files_and_what_is_left_out_is_said(home: Page) -> None:
    page = home
    page.get_by_role("link", name="Timber", exact=True).click()
    csv = (
        "wide;thick;long;flaws;note\n95;21;1740;knot at 300 over 40;behind the stove\n95;21;far;;\n"
    )
    page.get_by_label("List of what is on hand").set_input_files(
        {"name": "s.csv", "mimeType": "text/csv", "buffer": csv.encode()}
    )
    expect(page.get_by_text("1 taken. Left out: Line 3: long:").first).to_be_visible()
    expect(page.get_by_text("behind the stove")).to_be_visible()
    prices = 'supplier,currency,form,name,price\nShed,EUR,hook,"hook, 60 mm",1.10\n'
    page.get_by_label("List of prices").set_input_files(
        {"name": "p.csv", "mimeType": "text/csv", "buffer": prices.encode()}
    )
    expect(page.get_by_text("Shed")).to_be_visible()
    page.get_by_label("List of prices").set_input_files(
        {"name": "p.csv", "mimeType": "text/csv", "buffer": b"what is this"}
    )
    expect(page.get_by_text("The first line must name the columns").first).to_be_visible()
    page.get_by_role("button", name="Forget the prices of Shed").click()
    expect(page.get_by_role("button", name="Forget the prices of Shed")).to_have_count(0)
    with page.expect_download() as started:
        page.get_by_role("region", name="On hand").get_by_role("link", name="As CSV").click()
    assert "behind the stove" in started.value.path().read_text("utf-8")


def test_a_stick_is_left_alone_a_wood_is_wished_for_and_both_are_taken_back(home: Page) -> None:
    page = home
    open_rack(page, "Porch, waxed jackets")
    stage(page, "Timber")
    bench = page.get_by_role("region", name="Cut plan")
    expect(bench.get_by_text("all from what is on hand")).to_be_visible()
    bench.get_by_role("button", name="Don't use").click()
    expect(bench.get_by_text("proved cheapest")).to_be_visible()
    saved(page)
    page.get_by_role("button", name="Take it again").click()
    expect(bench.get_by_text("all from what is on hand")).to_be_visible()
    page.get_by_role("button", name="Boards of").click()
    page.get_by_role("menuitemradio", name="oak").click()
    expect(bench.get_by_text("nothing gives: Board")).to_be_visible()
    expect(
        page.get_by_role("navigation", name="Stages").get_by_role("link", name="Timber")
    ).to_contain_text("1 to check")
    page.get_by_role("button", name="Take any wood").click()
    expect(bench.get_by_text("all from what is on hand")).to_be_visible()
    page.get_by_role("button", name="Saw: mitre saw").click()
    page.get_by_role("menuitemradio", name="thin blade").click()
    expect(page.get_by_label("each cut takes")).to_have_value("1.8 mm")


def test_what_is_sawn_is_off_the_rack_and_its_rest_on_it_until_it_is_taken_back(home: Page) -> None:
    page = home
    open_rack(page, "Porch, felt hats")
    stage(page, "Timber")
    page.get_by_role("button", name="It is sawn").click()
    expect(page.get_by_text("Sawn: what was cut up").first).to_be_visible()
    page.get_by_role("link", name="Timber and prices").click()
    expect(page.get_by_text("Offcut of beech dowel 20 mm")).to_be_visible()
    expect(page.get_by_role("button", name="spruce board 120 mm × 28 mm")).to_have_count(0)
    page.go_back()
    page.get_by_role("button", name="Take back").click()
    page.get_by_role("link", name="Timber and prices").click()
    expect(page.get_by_role("button", name="spruce board 120 mm × 28 mm")).to_be_visible()


def test_timber_is_for_everybody_light_dark_and_on_a_phone(
    home: Page, browser: Browser, server: Server
) -> None:
    rack = home.get_by_role("link", name="Kitchen dresser, tin cups").get_attribute("href")
    for scheme, width in EVERYBODY:
        context = browser.new_context(
            locale="en-GB",
            color_scheme=scheme,
            viewport={"width": width, "height": 844},
            bypass_csp=True,
        )
        page = context.new_page()
        for at in (
            f"{rack}/timber",
            "/timber",
            f"/timber/together?cut={(rack or '').rpartition('/')[2]}",
        ):
            page.goto(server.address + at)
            expect(
                page.get_by_text(re.compile("Cairnfoot Timber|One by one")).first
            ).to_be_visible()
            page.evaluate(AXE.read_text("utf-8"))
            wrong = page.evaluate(
                "async () => (await axe.run()).violations.map((v) => v.id + ': ' + v.nodes[0].html)"
            )
            assert wrong == [], (at, scheme)
            assert page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"), at
        context.close()
