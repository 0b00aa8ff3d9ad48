"""Hurried hands: quick keys and double presses at any latency, fingers on a phone, a server that is
away.
"""

import os
import signal
from collections.abc import Iterator
from pathlib import Path
from time import sleep

import pytest
from playwright.sync_api import Browser, Dialog, Page, Route, expect

from tests.e2e.conftest import marks, open_rack, saved, swipe
from tests.server import Server, running


def typed(page: Page, label: str, text: str) -> None:
    page.get_by_label(label, exact=True).fill(text)
    page.get_by_label(label, exact=True).press("Enter")


def late(page: Page, ms: int) -> None:
    """Every write is answered so much later."""

    def pass_on(route: Route) -> None:
        if route.request.method != "GET":
            sleep(ms / 1000)
        route.continue_()

    page.route("**/api/**", pass_on)


@pytest.mark.parametrize("ms", [0, 50, 300])
def test_no_key_is_lost_however_late_the_answers_are(porch: Page, ms: int) -> None:
    late(porch, ms)
    porch.locator("body").click(position={"x": 4, "y": 400})
    for _ in range(5):
        porch.keyboard.press("+")
    expect(porch.get_by_label("count", exact=True)).to_have_value("11")
    saved(porch)
    before = int(marks(porch)[0].split()[0])
    porch.get_by_role("slider", name="hook 1 of").focus()
    for _ in range(20):
        porch.keyboard.press("ArrowRight")
    expect(porch.get_by_role("slider", name="hook 1 of")).to_have_attribute(
        "aria-valuetext", f"{before + 20} mm from the left end"
    )
    saved(porch)
    length = porch.get_by_label("length", exact=True)
    length.press("ArrowUp")
    length.press("ArrowUp")
    length.press("ArrowDown")
    expect(length).to_have_value("1451 mm")


def test_a_double_press_books_the_sawing_once(porch: Page) -> None:
    porch.get_by_role("link", name="Timber", exact=True).last.click()
    late(porch, 200)
    porch.get_by_role("button", name="It is sawn").dblclick()
    expect(porch.get_by_role("button", name="Take back")).to_have_count(1)
    porch.get_by_role("button", name="Take back").dblclick()
    expect(porch.get_by_role("button", name="Take back")).to_have_count(0)
    expect(porch.get_by_role("button", name="It is sawn")).to_be_visible()


def test_a_change_made_while_the_server_is_away_outlives_the_tab(page: Page, data: Path) -> None:
    asked: list[str] = []
    with running(data, "demo") as first:
        port = int(first.address.rsplit(":", 1)[1])
        page.goto(first.address)
        open_rack(page, "Porch, waxed jackets")
        url = page.url
        os.kill(first.process.pid, signal.SIGKILL)
        first.process.wait()
        typed(page, "count", "8")
        expect(page.get_by_role("alert")).to_contain_text("A change waits here")
        page.get_by_label("count", exact=True).blur()
        page.keyboard.press("+")
        expect(page.get_by_role("status").filter(has_text="not saved")).to_have_text(
            "2 not saved yet"
        )
        with page.expect_event("close"):

            def leave(dialog: Dialog) -> None:
                asked.append(dialog.type)
                dialog.accept()

            page.on("dialog", leave)
            page.close(run_before_unload=True)
    assert asked == ["beforeunload"]
    with running(data, "demo", port=port) as again:
        other = page.context.new_page()
        other.goto(again.address)
        expect(other.get_by_text("2 not saved yet")).to_be_visible()
        other.goto(url)
        expect(other.get_by_label("count", exact=True)).to_have_value("9")
        saved(other)
        other.reload()
        expect(other.get_by_label("count", exact=True)).to_have_value("9")
        other.goto(again.address)
        expect(other.get_by_role("link", name="Porch, waxed jackets")).to_be_visible()
        expect(other.get_by_text("not saved yet")).to_have_count(0)


def test_a_stale_window_keeps_all_that_was_changed_in_it(porch: Page) -> None:
    other = porch.context.new_page()
    other.goto(porch.url)
    typed(other, "count", "5")
    typed(porch, "count", "8")
    expect(porch.get_by_role("alert")).to_contain_text("changed in another window")
    typed(porch, "above floor", "so high")
    expect(porch.get_by_text("Cannot read “so high”")).to_be_visible()
    typed(porch, "above floor", "1500")
    porch.get_by_role("button", name="Keep mine as a copy").click()
    expect(porch.get_by_label("Name of the rack")).to_have_value("Porch, waxed jackets, copy")
    expect(porch.get_by_label("count", exact=True)).to_have_value("8")
    expect(porch.get_by_label("above floor", exact=True)).to_have_value("1500 mm")
    expect(other.get_by_label("count", exact=True)).to_have_value("5")


def test_what_is_half_typed_stays_over_a_change_of_page_and_a_reload(porch: Page) -> None:
    porch.get_by_role("link", name="Build log", exact=True).last.click()
    porch.get_by_label("Entry", exact=True).fill("The third board has a twist")
    porch.get_by_role("link", name="Build", exact=True).last.click()
    porch.get_by_role("link", name="Build log", exact=True).last.click()
    expect(porch.get_by_label("Entry", exact=True)).to_have_value("The third board has a twist")
    porch.get_by_role("button", name="Keep", exact=True).click()
    expect(porch.get_by_label("Entry", exact=True)).to_have_value("")
    porch.get_by_role("link", name="Racks").click()
    porch.get_by_role("link", name="New rack").click()
    porch.get_by_role("button", name="felt hats", exact=True).click()
    porch.go_back()
    porch.get_by_role("link", name="New rack").click()
    porch.reload()
    expect(porch.get_by_label("How many felt hats")).to_have_value("5")


def test_a_price_is_asked_for_as_the_label_has_it_and_taken_back_there(home: Page) -> None:
    home.goto(f"{home.url}timber")
    home.get_by_role("button", name="Forget").or_(
        home.get_by_role("button", name="Delete version")
    ).first.click()
    home.goto(home.url.removesuffix("timber"))
    page = open_rack(home, "Porch, waxed jackets")
    page.get_by_role("link", name="Timber", exact=True).last.click()
    page.get_by_role("button", name="Price of hard wax oil").click()
    form = page.get_by_role("form", name="The packet of hard wax oil")
    form.get_by_label("it costs").fill("24.90")
    form.get_by_role("button", name="Keep the price").click()
    expect(form.get_by_role("alert")).to_contain_text("write what its label says, like 750 ml")
    form.get_by_label("in one packet").fill("0.75 l")
    form.get_by_label("it costs").press("Enter")
    expect(page.get_by_text("you noted 750 ml for")).to_be_visible()
    page.get_by_role("button", name="Take back the price of hard wax oil").click()
    expect(page.get_by_role("button", name="Price of hard wax oil")).to_be_visible()


@pytest.fixture
def phone(browser: Browser, server: Server) -> Iterator[Page]:
    context = browser.new_context(
        locale="en-GB", viewport={"width": 390, "height": 844}, has_touch=True, is_mobile=True
    )
    page = context.new_page()
    page.goto(server.address)
    yield page
    context.close()


def test_a_finger_drags_what_a_mouse_does(phone: Page) -> None:
    open_rack(phone, "Porch, waxed jackets")
    end = phone.get_by_role("slider", name="The board's right end")
    swipe(phone, end, -40)
    expect(phone.get_by_label("length", exact=True)).not_to_have_value("1450 mm")
    saved(phone)
    first = phone.get_by_role("slider", name="hook 1 of")
    before = first.get_attribute("aria-valuetext")
    swipe(phone, first, 18)
    expect(first).not_to_have_attribute("aria-valuetext", before or "")
    expect(first).to_have_attribute("aria-label", "hook 1 of 6, pinned")
    phone.get_by_role("button", name="Add a keep-out").click()
    phone.get_by_role("menuitemradio", name="knot").click()
    knot = phone.get_by_role("slider", name="knot on the board")
    expect(knot).to_be_attached()
    before = knot.get_attribute("aria-valuetext")
    swipe(phone, knot, 25, low=True)  # above and below the row's own handle it is taken
    expect(knot).not_to_have_attribute("aria-valuetext", before or "")
    saved(phone)


def test_a_finger_need_not_meet_a_reading(phone: Page) -> None:
    open_rack(phone, "Porch, waxed jackets")
    reading = phone.get_by_role("button", name="Mark 2").bounding_box()
    assert reading
    phone.touchscreen.tap(reading["x"] + reading["width"] / 2, reading["y"] - 12)
    expect(phone.get_by_label("Working of mark 2")).to_be_visible()


def test_a_finger_moves_a_rack_on_its_wall_and_what_stands_there(phone: Page) -> None:
    open_rack(phone, "Porch, guests' jackets")
    phone.get_by_role("link", name="Wall").click()
    on_wall = phone.get_by_role("slider", name="The rack on its wall")
    expect(on_wall).to_be_visible()
    before = on_wall.get_attribute("aria-valuetext")
    swipe(phone, on_wall, 40, -30)
    expect(on_wall).not_to_have_attribute("aria-valuetext", before or "")
    saved(phone)
    phone.get_by_role("link", name="Racks").click()
    phone.locator("section[aria-labelledby=walls] h3 a").first.click()
    thing = phone.get_by_role("slider").first
    before = thing.get_attribute("aria-valuetext")
    swipe(phone, thing, -20)
    expect(thing).not_to_have_attribute("aria-valuetext", before or "")


def test_a_finger_drags_a_piece_to_another_board_and_a_tap_picks_one(phone: Page) -> None:
    open_rack(phone, "Kitchen dresser, tin cups")
    phone.get_by_role("link", name="Timber", exact=True).click()
    peg = phone.get_by_role("button", name="Peg 2,")
    away = phone.locator("[data-stick]").filter(has=phone.get_by_role("button", name="Peg 12,"))
    expect(away.get_by_role("button", name="Peg 2,")).to_have_count(0)
    peg.scroll_into_view_if_needed()
    peg.tap()
    expect(peg).to_have_attribute("aria-pressed", "true")
    phone.keyboard.press("Escape")
    expect(peg).to_have_attribute("aria-pressed", "false")
    for _ in range(3):  # where the machine is too busy, the browser takes a touch for scrolling
        away.scroll_into_view_if_needed()  # both are in sight: a finger drops on what it sees
        box, to = peg.bounding_box(), away.bounding_box()
        assert box
        assert to
        down = to["y"] + to["height"] - 30 - (box["y"] + box["height"] / 2)
        swipe(phone, peg, 0, down)
        if not phone.get_by_role("group", name="Cut Peg 2 from").count():
            break
        phone.keyboard.press("Escape")
    expect(away.get_by_role("button", name="Peg 2,")).to_be_visible()
