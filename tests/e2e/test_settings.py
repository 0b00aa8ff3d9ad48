"""What is chosen for all racks, at once and for good; and the Hut as where its first visitor is."""

import re
from pathlib import Path

from playwright.sync_api import Browser, Page, expect

from tests.server import running


def pick(page: Page, what: str, choice: str) -> None:
    page.get_by_role("button", name=f"{what}: ").click()
    page.get_by_role("menuitemradio", name=re.compile(choice)).click()


def test_an_american_meets_the_hut_in_inches_and_settles_everything(
    browser: Browser, data: Path
) -> None:
    with running(data, "demo") as server:
        page = browser.new_page(base_url=server.address, locale="en-US")
        page.goto("/")
        page.get_by_role("link", name="Kitchen, enamel mugs").click()
        board = page.get_by_label("width", exact=True)
        expect(board).to_have_value("2 1/2 in")
        # By its name in either field a board is what it measures in both; elsewhere it is asked.
        board.fill("5/4 x 4")
        board.press("Enter")
        expect(board).to_have_value("3 1/2 in")
        expect(page.get_by_label("thick", exact=True)).to_have_value("1 in")
        page.get_by_label("gap", exact=True).fill("1x4")
        page.get_by_label("gap", exact=True).press("Enter")
        expect(page.get_by_role("alert")).to_contain_text("write which of the two is meant")
        page.get_by_label("gap", exact=True).press("Escape")

        page.goto("/settings")
        pick(page, "Saw", "table saw")
        kerf = page.get_by_label("each cut takes")
        expect(kerf).to_have_attribute("placeholder", "1/8 in")
        kerf.fill("nonsense")
        kerf.press("Enter")
        expect(page.get_by_role("alert")).to_contain_text("“nonsense” is no number")
        kerf.fill("5/64")
        kerf.press("Enter")
        expect(kerf).to_have_value("5/64 in")
        pick(page, "Money", "CAD")
        expect(page.get_by_label("an hour of yours counts")).to_have_value("CA$0.00")
        monday = page.get_by_label("Monday", exact=True)
        expect(monday).to_have_value("7–9:30 PM")
        monday.fill("6:30-8 pm")
        monday.press("Enter")
        expect(monday).to_have_value("6:30–8 PM")
        with page.expect_download() as copy:
            page.get_by_role("link", name="Save a copy").click()
        assert copy.value.path().read_bytes().startswith(b"SQLite format 3")
        # Another language, and its clock; what is bought stays as it was.
        pick(page, "Language", "British")
        expect(monday).to_have_value("18:30–20:00")
        expect(page.get_by_role("radio", name="US inches")).to_be_checked()
        expect(kerf).to_have_value("5/64 in")
        page.context.close()
