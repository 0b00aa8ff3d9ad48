"""New users, each with a way of their own to a first rack: how many acts it takes them."""

import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Locator, Page, expect

from tests.e2e.conftest import clean, saved
from tests.server import Server, serving
from yardcliff.api.app import create_app
from yardcliff.app.application import Application
from yardcliff.store.database import Database

SAID = "What hangs, how many"


class Acts:
    """What a hand does, counted: a press, or a line that is typed and sent."""

    def __init__(self) -> None:
        self.done = 0

    def press(self, what: Locator) -> None:
        what.click()
        self.done += 1

    def say(self, field: Locator, text: str) -> None:
        field.fill(text)
        field.press("Enter")
        self.done += 1


@pytest.fixture
def bare(tmp_path: Path) -> Iterator[Server]:
    """An application that nobody has used yet."""
    database = Database(tmp_path / "bare.db")
    app = create_app(Application(database))
    with serving(app) as server:
        yield server
    app.state.phone.shut()
    database.close()


def template(page: Page, paper: str) -> bytes:
    """The marking template that the menu leads to."""
    link = page.get_by_role("menuitem", name=re.compile("^Marking template")).get_attribute("href")
    assert f"paper={paper}" in (link or "")
    answer = page.request.get(page.url.split("/racks")[0] + (link or ""))
    assert answer.status == 200
    return answer.body()


def test_from_nothing_to_a_printed_template_in_five_acts(browser: Browser, bare: Server) -> None:
    context = browser.new_context(locale="en-GB", bypass_csp=True)
    page, acts = context.new_page(), Acts()
    page.goto(bare.address)
    expect(page.get_by_text("7 waxed jackets on hooks, 1200 mm")).to_be_visible()
    clean(page, "no racks yet")
    acts.press(page.get_by_role("link", name="Say what hangs"))
    acts.say(page.get_by_label(SAID), "7 coats on 1.2 m")
    rooms = page.get_by_role("radiogroup", name="How they have room")
    expect(rooms.get_by_role("radio")).to_have_count(3)
    clean(page, "three ways to have room")
    acts.press(page.get_by_role("button", name="Draw this rack"))
    expect(page.get_by_role("list", name="Notes on the design").first).to_contain_text("Overlap")
    acts.press(page.get_by_role("button", name="Print and export"))
    assert template(page, "a4").startswith(b"%PDF")
    acts.done += 1
    assert acts.done <= 5
    page.keyboard.press("Escape")
    # A tour is offered once, can be left, and is there again when it is asked for.
    page.get_by_role("button", name="Show me around").click()
    tour = page.get_by_role("dialog", name="A tour of the page")
    for stop in range(1, 7):
        expect(tour).to_contain_text(f"{stop} of 6")
        clean(page, f"stop {stop}")
        tour.get_by_role("button", name="To work" if stop == 6 else "Next").click()
    expect(tour).to_be_hidden()
    page.get_by_role("link", name="Wall").click()
    expect(page).to_have_title("Waxed jackets: Wall | Yardcliff")
    page.get_by_role("button", name="What is done here?").click()
    expect(page.get_by_text("Its place is checked")).to_be_visible()
    page.get_by_role("button", name="Show me around").click()
    tour.press("Escape")
    expect(tour).to_be_hidden()
    expect(page).to_have_title("Waxed jackets | Yardcliff")
    page.goto(f"{bare.address}/words#kerf")
    expect(page.get_by_text("The cut plan counts it")).to_be_in_viewport()
    clean(page, "words")
    context.close()


def test_in_inches_another_choice_and_a_thing_that_is_in_no_list(
    browser: Browser, bare: Server
) -> None:
    context = browser.new_context(locale="en-US", bypass_csp=True)
    page, acts = context.new_page(), Acts()
    page.goto(f"{bare.address}/new")
    acts.say(page.get_by_label(SAID), "7 coats on 48 in")
    acts.press(
        page.get_by_role("radio", name=re.compile("^Two rows, stepped: In two rows, 4 and 3"))
    )
    place = page.get_by_label("How wide is the place?")
    expect(place).to_have_value("48 in")
    for wrong, said in (("a yard", "a yard"), ("-4 ft", "-4 ft"), ("400 ft", "400 ft")):
        place.fill(wrong)
        place.press("Enter")
        expect(page.get_by_role("alert")).to_contain_text(said)
    place.press("Escape")
    expect(place).to_have_value("48 in")
    acts.press(page.get_by_role("button", name="Draw this rack"))
    expect(page.get_by_label("gap", exact=True)).to_have_value("-3 in")
    acts.press(page.get_by_role("button", name="Print and export"))
    assert template(page, "letter").startswith(b"%PDF")
    assert acts.done <= 4
    # 4 + 3 hooks on 48 in.
    assert page.get_by_label("count", exact=True).input_value() == "4"
    page.goto(f"{bare.address}/new")
    page.get_by_label(SAID).fill("2 mugs and 4 zithers")
    page.get_by_role("button", name="Make it from three measures").click()
    sheet = page.get_by_role("dialog", name="A thing of your own, from three measures")
    clean(page, "three measures")
    sheet.get_by_label("How wide it hangs").fill("14")
    sheet.get_by_label("How far it hangs down").fill("so far")
    sheet.get_by_label("How far it stands off").fill("2 1/2")
    sheet.get_by_role("radio", name="fiddle").click()
    sheet.get_by_role("button", name="Hang it").click()
    expect(sheet.get_by_role("alert")).to_contain_text("so far")
    sheet.get_by_label("How far it hangs down").fill("20")
    sheet.get_by_role("button", name="Hang it").click()
    expect(page.get_by_label("How many zithers")).to_have_value("4")
    expect(page.get_by_label("How many enamel mugs")).to_have_value("2")
    page.get_by_role("button", name="One enamel mug fewer").click()
    page.get_by_role("button", name="One enamel mug fewer").click()
    page.get_by_role("button", name="Draw this rack").click()
    expect(page.get_by_label("Name of the rack")).to_have_value("Zithers")
    context.close()


def test_seven_coats_by_keys_alone_in_fifteen_of_them(page: Page, bare: Server) -> None:
    page.goto(f"{bare.address}/new")
    expect(page.get_by_label(SAID)).to_be_focused()
    keys = [*"7 coats", "Enter"]
    for key in keys:
        page.keyboard.press("Space" if key == " " else key)
    expect(page.get_by_label("How many waxed jackets")).to_have_value("7")
    expect(page.get_by_role("button", name="Draw this rack")).to_be_enabled()
    page.keyboard.press("Enter")
    expect(page.get_by_label("Name of the rack")).to_have_value("Waxed jackets")
    assert len(keys) + 1 <= 15
    saved(page)
