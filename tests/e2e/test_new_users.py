"""New users, each with a way of their own to a first rack: how many acts it takes them."""

import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Locator, Page, expect

from tests.e2e.conftest import clean, open_rack, saved, swipe
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
    rooms = page.get_by_role("radiogroup", name="Ways to fit them in")
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
        page.get_by_role(
            "radio", name=re.compile("^Two rows, staggered: In two staggered rows, 4 and 3")
        )
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
    overlap = page.get_by_label("overlap", exact=True)
    expect(overlap).to_have_value("3 in")
    acts.press(page.get_by_role("button", name="Print and export"))
    assert template(page, "letter").startswith(b"%PDF")
    assert acts.done <= 4
    # 4 + 3 hooks on 48 in.
    assert page.get_by_label("count", exact=True).input_value() == "4"
    overlap.fill("two")
    overlap.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("“two” as a length")
    overlap.fill("2 1/2-1/4")
    overlap.press("Enter")
    expect(overlap).to_have_value("2 1/4 in")
    overlap.fill("-1 in")  # the other way: they are apart
    overlap.press("Enter")
    expect(page.get_by_label("gap", exact=True)).to_have_value("1 in")
    page.goto(f"{bare.address}/new")
    page.get_by_label(SAID).fill("2 mugs on 1.2")
    expect(page.get_by_text("“1.2” cannot be read: write it like 7 coats on 48 in")).to_be_visible()
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


def test_on_a_phone_the_stages_the_drawing_and_the_figure_are_in_reach(
    browser: Browser, server: Server
) -> None:
    context = browser.new_context(
        locale="en-GB", viewport={"width": 390, "height": 844}, has_touch=True, is_mobile=True
    )
    page, acts = context.new_page(), Acts()
    page.goto(f"{server.address}/new")
    acts.say(page.get_by_label(SAID), "7 coats on 1.2 m")
    acts.press(page.get_by_role("button", name="Draw this rack"))
    length = page.get_by_label("length", exact=True)
    length.scroll_into_view_if_needed()
    swipe(page, page.get_by_role("heading", name="The row"), 0, -300)
    # What is typed and what is drawn of it are seen at once, and the stages below them.
    drawing = page.locator("[data-stop=drawing]")
    for seen in (length, drawing, page.get_by_role("link", name=re.compile("^Build log"))):
        expect(seen).to_be_in_viewport(ratio=0.9)
    at = page.evaluate("scrollY")
    assert at > 100
    page.get_by_role("link", name="Timber", exact=True).tap()
    expect(page.get_by_role("heading", name="Timber", level=2)).to_be_visible()
    page.get_by_role("link", name=re.compile("^Rack")).last.tap()
    expect(length).to_be_in_viewport(ratio=0.9)
    assert abs(page.evaluate("scrollY") - at) < 3
    small = page.evaluate(
        """() => [...document.querySelectorAll("main button, main input, header a, nav a")]
        .filter((one) => one.getClientRects().length && one.getBoundingClientRect().height < 43.5)
        .map((one) => one.getAttribute("aria-label") || one.textContent)"""
    )
    assert not small
    acts.press(page.get_by_role("button", name="Print and export"))
    assert template(page, "a4").startswith(b"%PDF")
    assert acts.done <= 4
    context.close()


def test_the_focus_stays_where_the_work_is(home: Page) -> None:
    """What has the focus goes away, or is switched off: something near it has it then."""

    def press(what: Locator) -> str:
        what.focus()
        home.keyboard.press("Enter")
        home.wait_for_timeout(700)
        home.wait_for_function("document.activeElement !== document.body")
        return str(
            home.evaluate(
                "(({activeElement: at}) => at.ariaLabel || at.textContent || at.tagName)(document)"
            )
        )

    home.keyboard.press("Tab")
    assert press(home.get_by_role("link", name="To the content"))
    assert home.evaluate("document.activeElement.id") == "main"
    # The next rack, and not its bin: whoever presses on bins no other.
    binned = home.get_by_role("button", name="Put Kitchen, ladles in the bin")
    assert press(binned) == "Choose Washroom, towels"
    open_rack(home, "Porch, waxed jackets")
    log = home.get_by_role("log")
    expect(log).to_have_text("Check: Less gap than asked")
    assert press(home.get_by_role("button", name="Board 1560 mm long"))
    expect(log).to_have_text("Nothing to fix or check")
    undo = home.get_by_role("banner").get_by_role("button", name="Undo")
    assert press(undo) == "Redo"
    assert press(home.get_by_role("button", name="+ another kind"))
    home.keyboard.press("Escape")
    expect(home.get_by_role("button", name="+ another kind")).to_be_focused()


@pytest.mark.parametrize("path", ["/", "/new", "/words", "/things", "/timber", "/settings", "rack"])
@pytest.mark.parametrize("zoom", [2, 4])
def test_at_twice_and_four_times_the_size_nothing_is_out_of_the_page(
    browser: Browser, server: Server, path: str, zoom: int
) -> None:
    # 1280 by 1024 at so much zoom is a window so much smaller.
    context = browser.new_context(
        locale="en-GB", viewport={"width": 1280 // zoom, "height": 1024 // zoom}
    )
    page = context.new_page()
    page.goto(server.address)
    if path == "rack":
        open_rack(page, "Porch, waxed jackets")
    else:
        page.goto(server.address + path)
        expect(page.get_by_role("heading", level=1)).to_be_visible()
    page.wait_for_load_state("networkidle")
    wide = page.evaluate("[document.scrollingElement.scrollWidth, innerWidth]")
    assert wide[0] <= wide[1], path
    context.close()


def test_among_three_hundred_racks_one_is_found_at_once(
    page: Page, bare: Server, tmp_path: Path
) -> None:
    made = page.request.post(
        f"{bare.address}/api/racks", data={"hangs": [{"item": "enamel-mug", "count": 4}]}
    ).json()
    database = Database(tmp_path / "bare.db")
    racks = Application(database).racks
    for number in range(2, 300):
        racks.create(f"Mugs {number}", made["design"]["brief"])
    racks.create("Zithers of the band", made["design"]["brief"])
    database.close()
    acts = Acts()
    page.goto(bare.address)
    cards = page.locator("main li").filter(has=page.get_by_role("link"))
    expect(cards).to_have_count(300)
    # What is not about to be seen is not drawn.
    expect(cards.first.locator("svg")).to_be_visible()
    assert page.locator("main li svg").count() < 60
    acts.say(page.get_by_role("searchbox", name="Find"), "zither mugs")
    expect(page.get_by_text("1 of 300")).to_be_visible()
    acts.press(page.get_by_role("link", name="Zithers of the band"))
    expect(page.get_by_label("Name of the rack")).to_have_value("Zithers of the band")
    assert acts.done == 2
    page.go_back()
    expect(page.get_by_role("searchbox", name="Find")).to_have_value("zither mugs")
    page.get_by_role("searchbox", name="Find").fill("")
    page.get_by_label("Order").select_option("by name")
    expect(cards.nth(1)).to_contain_text("Mugs 2")
    page.get_by_role("checkbox", name="by wall").check()
    expect(page.get_by_text("On no wall yet")).to_be_visible()
    last = cards.last
    last.scroll_into_view_if_needed()
    expect(last.locator("svg")).to_be_visible()


def test_several_racks_are_kept_moved_printed_and_binned_and_each_is_undone(
    home: Page, tmp_path: Path
) -> None:
    def choose(*names: str) -> None:
        for name in names:
            home.get_by_role("checkbox", name=f"Choose {name}", exact=True).check()

    def undo(said: str) -> None:
        message = home.get_by_role("listitem").filter(has_text=said)
        message.get_by_role("button", name="Undo").click()

    jackets, towels, hats = "Porch, waxed jackets", "Drying room, wet towels", "Porch, felt hats"
    bar = home.get_by_role("region", name="The chosen racks")
    choose(jackets, towels)
    expect(bar.get_by_role("status")).to_have_text("2 racks chosen")
    tag = bar.get_by_label("Add a tag")
    tag.fill("x" * 25)
    tag.press("Enter")
    expect(home.get_by_role("listitem").filter(has_text="24 letters at most")).to_be_visible()
    tag.fill("spring")
    tag.press("Enter")
    tags = home.get_by_role("group", name="Tags")
    tags.get_by_role("button", name="spring 2").click()
    expect(home.get_by_text(re.compile(r"^2 of \d+"))).to_be_visible()
    undo("2 racks: tagged")
    expect(home.get_by_role("link", name=hats)).to_be_visible()
    expect(tags).to_be_hidden()

    home.get_by_role("button", name=f"{hats}: favourite").click()
    expect(home.locator("main li").first).to_contain_text(hats)
    undo("is a favourite")
    bar.get_by_role("button", name="Done").click()
    home.get_by_label("Which ones").select_option("Not done yet")
    expect(home.get_by_role("link", name=jackets)).to_be_hidden()
    undo("2 racks are done")
    expect(home.get_by_role("link", name=jackets)).to_be_visible()
    home.get_by_label("Which ones").select_option("All of them")

    bar.get_by_role("button", name="Put on a wall").click()
    home.get_by_role("menuitemradio", name="Porch, inner wall").click()
    home.get_by_role("checkbox", name="by wall").check()
    porch = home.get_by_role("region", name="Porch, inner wall")
    expect(porch.get_by_role("link", name=towels)).to_be_visible()
    undo("moved to Porch")
    expect(porch.get_by_role("link", name=towels)).to_be_hidden()
    home.get_by_role("checkbox", name="by wall").uncheck()

    with home.expect_popup() as sheets:
        bar.get_by_role("button", name="Print").click()
        home.get_by_role("menuitemradio", name="Shop sheets").click()
    assert "print/sheet.pdf" in sheets.value.url
    with home.expect_download() as download:
        bar.get_by_role("link", name="Save as rack files").click()
    download.value.save_as(tmp_path / "racks.zip")
    bar.get_by_role("button", name="Bin").click()
    expect(home.get_by_role("link", name=jackets)).to_be_hidden()
    expect(bar).to_be_hidden()
    undo("2 racks are in the bin")
    expect(home.get_by_role("link", name=jackets)).to_be_visible()
    home.get_by_label("rack file").set_input_files(tmp_path / "racks.zip")
    expect(home.get_by_role("link", name=jackets)).to_have_count(2)
    undo("2 racks opened")
    expect(home.get_by_role("link", name=jackets)).to_have_count(1)
    choose(jackets, towels)
    bar.get_by_role("link", name="Cut together").click()
    expect(home.get_by_text("Together saves")).to_be_visible()
