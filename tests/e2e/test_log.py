"""The log: measured against planned, a way out taken, hours and fits, another one like it; for
everybody.
"""

from playwright.sync_api import Browser, Page, expect

from tests.e2e.conftest import AXE, EVERYBODY, marks, open_rack, saved
from tests.e2e.test_wall import commit, stage
from tests.server import Server


def opened(page: Page, name: str = "Porch, waxed jackets") -> Page:
    open_rack(page, name)
    stage(page, "Build log")
    expect(page.get_by_text("Nothing is measured yet.")).to_be_visible()
    return page


def test_a_stray_hole_is_measured_and_the_rest_spaced_around_it(home: Page) -> None:
    page = opened(home)
    commit(page, "Measured: hole 1", "banana")
    expect(page.get_by_role("alert")).to_contain_text("“banana” is no number")
    page.get_by_label("Measured: hole 1", exact=True).press("Escape")
    commit(page, "Measured: hole 2", "404")
    ways = page.get_by_role("region", name="Ways out: hole 2")
    expect(ways).to_contain_text("Make the board again")
    ways.get_by_role("button", name="Take it: Space the rest around it").click()
    expect(ways).to_have_count(0)
    expect(page.get_by_text("All as planned")).to_be_visible()
    expect(page.get_by_role("list", name="Build log")).to_contain_text(
        "Hole 2 is at 404 mm where 363 mm was planned: space the rest around it."
    )
    saved(page)
    stage(page, "Rack")
    expect(page.get_by_role("group", name="The tape").get_by_role("button")).to_have_count(6)
    assert marks(page)[1] == "404 mm"
    page.keyboard.press("Control+z")
    stage(page, "Build log")
    expect(ways).to_be_visible()
    # Plugged, it is to be drilled where it was planned: its reading is void.
    ways.get_by_role("button", name="Take it: Plug it, and drill again").click()
    expect(ways).to_have_count(0)
    expect(page.get_by_label("Measured: hole 2", exact=True)).to_have_value("")


def test_a_row_below_is_measured_and_held_by_itself(home: Page) -> None:
    page = opened(home, "Kitchen wall, mugs and ladles")
    page.get_by_role("group", name="Rows").get_by_role("button", name="Row 2").click()
    commit(page, "Measured: row 2, hole 3", "370")
    ways = page.get_by_role("region", name="Ways out: row 2, hole 3")
    ways.get_by_role("button", name="Take it: Take it as it is").click()
    expect(ways).to_have_count(0)
    expect(
        page.get_by_role("group", name="Rows").get_by_role("button", name="Row 2")
    ).to_contain_text("6 to measure")
    expect(page.get_by_role("row", name="hole 3")).to_contain_text("370 mm")
    saved(page)
    stage(page, "Rack")
    expect(page.get_by_role("group", name="The tape").get_by_role("button")).to_have_count(8)
    assert marks(page)[2] == "300 mm", "the first row stays"
    page.get_by_role("button", name="Let go of 7 pinned").click()
    expect(page.get_by_role("button", name="Let go of")).to_have_count(0)


def test_readings_are_taken_from_an_instrument_once_it_is_still(home: Page) -> None:
    page = opened(home)
    page.get_by_role("radio", name="tape", exact=True).click()
    expect(page.get_by_text("Hold it to the board;")).to_be_visible()
    take = page.get_by_role("button", name="Take it", exact=True)
    expect(page.get_by_role("button", name="Hold still")).to_be_disabled()
    take.click()
    expect(page.get_by_text("Hold it to hole 1;")).to_be_visible()
    take.click()
    expect(page.get_by_text("Hold it to hole 2;")).to_be_visible()
    expect(page.get_by_label("Measured: hole 1", exact=True)).not_to_have_value("")
    # It is pointed at another field by a click, says that it is made up, and so do its readings.
    page.get_by_label("Measured: hole 4", exact=True).click()
    expect(page.get_by_text("Hold it to hole 4;")).to_contain_text(
        "Simulated: it stands in for a real tape."
    )
    take.click()
    stage(page, "Build log")
    expect(page.get_by_label("Measured: hole 4", exact=True)).not_to_have_value("")
    page.get_by_role("radio", name="caliper").click()
    expect(page.get_by_text("Longer than the caliper measures.")).to_be_visible()
    page.get_by_role("radio", name="by hand").click()
    expect(page.get_by_text("Hold it to")).to_have_count(0)


def test_hours_fits_and_words_are_kept_and_struck_out(home: Page) -> None:
    page = opened(home)
    entry = page.get_by_label("Entry", exact=True)
    page.get_by_role("button", name="Keep").click()
    expect(page.get_by_role("alert")).to_contain_text("Nothing is written")
    page.get_by_label("Time", exact=True).click()
    entry.fill("ages")
    page.get_by_role("button", name="Keep").click()
    expect(page.get_by_role("alert")).to_contain_text("“ages” is no time")
    entry.fill("2 h 15")
    page.get_by_role("button", name="Keep").click()
    expect(page.get_by_role("region", name="Against the plan")).to_contain_text("2 h 15")
    page.get_by_label("Next time").click()
    entry.fill("Clamp the guide block.")
    page.get_by_role("button", name="Keep").click()
    page.get_by_role("group", name="waxed jacket").get_by_label("goes on").click()
    log = page.get_by_role("list", name="Build log")
    expect(log).to_contain_text("waxed jacket: goes on")
    page.reload()
    expect(log).to_contain_text("Clamp the guide block.")
    page.get_by_role("button", name="Strike out: Clamp the guide block.").click()
    expect(log).not_to_contain_text("Clamp the guide block.")


def test_another_one_begins_as_it_was_built(home: Page) -> None:
    page = opened(home, "Porch, padlocks")
    commit(page, "Measured: row 1, hole 1", "37")
    expect(page.get_by_label("Measured: row 1, hole 1", exact=True)).to_have_value("37 mm")
    page.get_by_role("button", name="Make another").click()
    expect(page.get_by_label("Name of the rack")).to_have_value("Porch, padlocks, again")
    assert marks(page)[0] == "37 mm"


def test_the_log_is_for_everybody_light_dark_and_on_a_phone(
    home: Page, browser: Browser, server: Server
) -> None:
    rack = home.get_by_role("link", name="Porch, waxed jackets").get_attribute("href")
    for scheme, width in EVERYBODY:
        context = browser.new_context(
            locale="en-GB",
            color_scheme=scheme,
            viewport={"width": width, "height": 844},
            bypass_csp=True,
        )
        page = context.new_page()
        page.goto(f"{server.address}{rack}/log")
        commit(page, "Measured: hole 3", "640")
        expect(page.get_by_text("Make the board again")).to_be_visible()
        page.evaluate(AXE.read_text("utf-8"))
        wrong = page.evaluate(
            "async () => (await axe.run()).violations.map((v) => v.id + ': ' + v.nodes[0].html)"
        )
        assert wrong == [], scheme
        assert page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"), scheme
        context.close()
