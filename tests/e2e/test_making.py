"""Making: cards in order, moved and put back; a deadline; the workshop; the bench on a phone, with
the link down and the server killed.
"""

import os
import re
import signal
from datetime import datetime
from pathlib import Path

from playwright.sync_api import Browser, Locator, Page, expect

from tests.e2e.conftest import AXE, EVERYBODY, open_rack, saved
from tests.e2e.test_wall import commit, stage
from tests.server import Server, running


def opened(page: Page, name: str = "Kitchen, spices and soup mugs") -> Page:
    # What comes first hangs on the hour that it is asked at.
    page.clock.install(time=datetime(2026, 11, 26, 19, 0))
    open_rack(page, name)
    stage(page, "Build")
    expect(page.get_by_text("of work are left")).to_be_visible()
    return page


def number(page: Page, title: str) -> Locator:
    """The number of the card whose title begins so."""
    return (
        page.locator("[data-task]")
        .filter(has=page.get_by_role("button", name=title))
        .locator("span")
        .first
    )


def test_a_card_says_why_it_comes_here_and_is_moved_and_put_back(home: Page) -> None:
    page = opened(home)
    page.get_by_role("button", name="Drill").last.click()
    expect(page.get_by_role("img", name="In section")).to_be_visible()
    page.get_by_role("button", name="Glue the pegs in").last.click()
    expect(page.get_by_role("list", name="Why here")).to_contain_text("around pegs it leaves runs")
    before = int(number(page, "Glue the pegs in").inner_text())
    for _ in range(2):
        page.get_by_role("button", name="Earlier").click()
        saved(page)
    note = page.get_by_role("list", name="Notes on the making")
    expect(note).to_contain_text("comes before “Second coat: hard wax oil”")
    expect(number(page, "Glue the pegs in")).to_have_text(str(before - 2))
    expect(
        page.get_by_role("navigation", name="Stages").get_by_role(
            "link", name=re.compile("^Build(?! log)")
        )
    ).to_contain_text("to check")
    note.get_by_role("button", name="After “Second coat: hard wax oil”").click()
    expect(note).not_to_contain_text("comes before")
    page.keyboard.press("Escape")
    page.keyboard.press("Control+z")
    expect(note).to_be_visible()
    page.get_by_role("button", name="Back to the order of the work").last.click()
    expect(note).not_to_contain_text("comes before")


def test_a_card_is_dragged_by_its_number(home: Page) -> None:
    page = opened(home, "Porch, padlocks")
    sand = page.locator("[data-task='sand'] > div > span").first
    onto = page.locator("[data-task^='mark:']").bounding_box()
    box = sand.bounding_box()
    assert box
    assert onto
    page.mouse.move(box["x"] + 10, box["y"] + 8)
    page.mouse.down()
    page.mouse.move(onto["x"] + 200, onto["y"] + 10, steps=5)
    page.mouse.up()
    note = page.get_by_role("list", name="Notes on the making")
    expect(note).to_contain_text("Sanding takes the marks off")
    expect(number(page, "Sand through")).to_have_text("4")


def test_a_deadline_is_met_and_wrong_figures_are_said(home: Page) -> None:
    page = opened(home)
    finish = page.locator("section[aria-label='When it is done'] p").first
    planned = finish.inner_text()
    page.get_by_label("Done by", exact=True).fill("2020-01-01")
    expect(page.get_by_text("Not by then")).to_be_visible()
    page.get_by_role("button", name="Take it: Finish with shellac").click()
    expect(finish).not_to_have_text(planned)
    saved(page)
    for label, wrong, says in (
        ("between coats", "soon", "“soon” is no time"),
        ("Tuesday", "in the evening", "write 19:00–21:30, or none"),
        ("Wednesday", "21:00-19:00", "ends before it begins"),
        ("clamps", "many", "“many” is no number"),
        ("your pace, ours is 100 %", "5 %", "greater than or equal to 25"),
        ("places to dry", "0", "greater than or equal to 1"),
    ):
        field = page.get_by_label(label, exact=True)
        field.fill(wrong)
        field.press("Enter")
        expect(page.get_by_role("alert")).to_contain_text(says)
        field.press("Escape")
    page.get_by_text("When the yard can be gone to").click()
    commit(page, "Saturday", "none")
    commit(page, "Saturday, errands", "none")
    expect(page.get_by_text("Sat, ")).to_have_count(0)
    with page.expect_download() as file:
        page.get_by_role("link", name="These days as a calendar").click()
    assert "BEGIN:VEVENT" in file.value.path().read_text()


def test_tools_change_the_way_and_the_time(home: Page) -> None:
    page = opened(home)
    groove = page.get_by_role("button", name="Cut 4 grooves").last
    groove.click()
    expect(page.get_by_text("By hand: knife both lines")).to_be_visible()
    page.get_by_label("router").click()
    expect(page.get_by_text(re.compile("^With a router, 18 mm wide"))).to_be_visible()
    page.get_by_label("takes me").fill("a while")
    page.get_by_label("takes me").press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("“a while” is no time")
    page.get_by_label("takes me").fill("25 min")
    page.get_by_label("takes me").press("Enter")
    expect(page.locator("[data-task='dado:left-side']").get_by_text("25 min").first).to_be_visible()


def test_the_bench_goes_on_while_the_link_is_down_and_after_a_kill(page: Page, data: Path) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    with running(data, "demo") as first:
        page.goto(first.address)
        opened(page)
        page.get_by_role("link", name="To the bench").click()
        heading = page.get_by_role("heading", level=2)
        expect(heading).to_have_count(1)  # the bench is there
        expect(heading).to_have_text("Measure what hangs, as it hangs")
        assert page.evaluate("document.documentElement.scrollWidth <= window.innerWidth")
        page.get_by_role("button", name="Done, next").click()
        page.get_by_role("button", name="Step is done").click()
        expect(heading).to_have_text("Buy what is missing")
        page.get_by_role("button", name="Skip").click()
        page.keyboard.press("ArrowLeft")
        expect(heading).to_have_text("Buy what is missing")
        expect(page.get_by_text("not sent yet")).to_have_count(0)
        os.kill(first.process.pid, signal.SIGKILL)
        first.process.wait()
        # The server is gone: what is ticked now waits.
        page.get_by_role("button", name="Done, next").click()
        expect(page.get_by_role("status")).to_have_text("1 not sent yet")
        port = int(first.address.rsplit(":", 1)[1])
        with running(data, "serve", port=port):
            expect(page.get_by_role("status")).to_have_count(0)
            page.reload()
            expect(heading).to_have_text("Buy what is missing")
            expect(page.get_by_text(re.compile("^next, 2 of"))).to_be_visible()
            page.get_by_role("button", name="Back").click()
            expect(page.get_by_role("button", name="Not done yet")).to_be_visible()


def test_time_at_the_bench_is_clocked_into_the_log(home: Page) -> None:
    page = opened(home, "Porch, padlocks")
    page.get_by_role("link", name="To the bench").click()
    page.get_by_role("button", name="Clock in").click()
    page.reload()
    page.clock.fast_forward("42:00")
    page.get_by_role("button", name="Clock out, 42 min").click()
    expect(page.get_by_role("button", name="Clock in")).to_be_visible()
    page.get_by_role("link", name="Build", exact=True).click()
    stage(page, "Build log")
    expect(page.get_by_role("list", name="Build log")).to_contain_text("42 min at the bench")


def test_a_wait_is_counted_down_from_its_tick(home: Page) -> None:
    page = opened(home, "Porch, padlocks")
    page.get_by_label("Done: First coat: hard wax oil").click()
    page.get_by_role("link", name="To the bench").click()
    waits = page.get_by_role("list", name="Waits")
    expect(waits).to_contain_text(re.compile(r"First coat: hard wax oil11 h 5\d min"))
    page.reload()
    expect(waits).to_contain_text("11 h 5")
    page.get_by_role("button", name="Do not wait for: First coat").click()
    expect(waits).to_have_count(0)


def test_making_is_for_everybody_light_dark_and_on_a_phone(
    home: Page, browser: Browser, server: Server
) -> None:
    rack = home.get_by_role("link", name="Kitchen, spices and soup mugs").get_attribute("href")
    for scheme, width in EVERYBODY:
        context = browser.new_context(
            locale="en-GB",
            color_scheme=scheme,
            viewport={"width": width, "height": 844},
            bypass_csp=True,
        )
        page = context.new_page()
        for at, card in (
            ("/making", "Cut 4 grooves"),
            ("/making", "Cut 4 parts"),
            ("/bench", ""),
            ("/bench?step=mark:0", ""),
        ):
            page.goto(f"{server.address}{rack}{at}")
            expect(page.get_by_text(re.compile("of work are left|^next, ")).first).to_be_visible()
            if card:
                page.get_by_role("button", name=card).last.click()
            page.evaluate(AXE.read_text("utf-8"))
            wrong = page.evaluate(
                "async () => (await axe.run()).violations.map((v) => v.id + ': ' + v.nodes[0].html)"
            )
            assert wrong == [], (at, scheme)
            assert page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"), at
        context.close()


def test_a_phone_is_let_in_and_shut_out(home: Page, browser: Browser) -> None:
    page = opened(home, "Porch, padlocks")
    door = page.get_by_role("region", name="The bench on a phone")
    expect(door).to_contain_text("Off.")
    door.get_by_role("button", name="Allow it").click()
    expect(door.get_by_role("img", name="Code with the address and the key")).to_be_visible()
    port = door.locator("dd").first.inner_text().rsplit(":", 1)[1]
    key = door.locator("dd").last.inner_text()
    context = browser.new_context(locale="en-GB", viewport={"width": 390, "height": 844})
    phone = context.new_page()
    bench = page.get_by_role("link", name="To the bench").get_attribute("href")
    phone.goto(f"http://127.0.0.1:{port}/phone?to={bench}")
    phone.get_by_label("Key").fill("not it")
    phone.get_by_role("button", name="Open the bench").click()
    expect(phone.get_by_text("That is not the key.")).to_be_visible()
    phone.get_by_label("Key").fill(key.upper())
    phone.get_by_role("button", name="Open the bench").click()
    phone.get_by_role("button", name="Done, next").click()
    expect(phone.get_by_text("not sent yet")).to_have_count(0)
    page.reload()
    page.get_by_role("button", name="Measure what hangs").last.click()
    expect(page.locator("[data-task='measure'] li input").first).to_be_checked()
    door.get_by_role("button", name="Shut it").click()
    expect(door).to_contain_text("Off.")
    context.close()
