"""One project on two devices, from the first board to the wall: the server is killed twice, and all
stages tell one story.
"""

import os
import re
import signal
from pathlib import Path

from playwright.sync_api import Browser, Page, expect

from tests.e2e.conftest import marks, open_rack, saved
from tests.e2e.test_wall import commit, stage
from tests.server import OwnProcess, running


def killed(server: OwnProcess) -> None:
    os.kill(server.process.pid, signal.SIGKILL)
    server.process.wait()


def test_a_project_lives_on_laptop_and_phone_through_mistakes_and_kills(
    page: Page, browser: Browser, data: Path
) -> None:
    phone = browser.new_context(
        locale="en-GB", viewport={"width": 390, "height": 844}, has_touch=True
    ).new_page()
    card, done = (
        phone.get_by_role("heading", level=2),
        phone.get_by_role("button", name=re.compile("^(Done|Step is)")),
    )

    def work_on(until: str) -> None:
        """Everything is done at the bench until that card comes."""
        for _ in range(60):
            if (card.text_content() or "").startswith(until):
                return
            line = (
                phone.get_by_text(re.compile("^next, ")).text_content()
                if done.text_content() == "Done, next"
                else ""
            )
            title = card.text_content()
            done.tap()
            if line:  # the next line, or the card without one
                expect(phone.get_by_text(line, exact=True)).to_have_count(0)
            else:
                expect(card).not_to_have_text(title or "")
        raise AssertionError(f"“{until}” never came")

    with running(data, "demo") as first:
        port = int(first.address.rsplit(":", 1)[1])
        page.goto(first.address)
        open_rack(page, "Porch, felt hats")
        planned = marks(page)
        phone.goto(f"{page.url}/bench")
        phone.get_by_role("button", name="Clock in").tap()
        work_on("Cut ")
        expect(phone.get_by_text(", bought")).to_have_count(0)  # it is on hand now
        work_on("Mark 3")
        # What is bought and cut at the bench is so in the shop and at the saw.
        stage(page, "Timber")
        expect(page.get_by_text("All is cut: 4 pieces.")).to_be_visible()
        expect(page.get_by_text("Spent so far:")).to_be_visible()
        expect(page.get_by_role("button", name="It is sawn")).to_be_disabled()
        killed(first)
        work_on("Drill 3 peg holes")
        expect(phone.get_by_role("status")).to_contain_text("not sent yet")
    with running(data, "serve", port=port) as second:
        expect(phone.get_by_role("status")).to_have_count(0)
        work_on("Drill 4 mounting holes")
        stage(page, "Build")
        expect(page.get_by_label("Done: Drill 3 peg holes")).to_be_checked()
        expect(page.get_by_label("Done: Drill 4 mounting holes")).not_to_be_checked()
        # A change spaces what is open: nothing is.
        stage(page, "Rack")
        commit(page, "gap", "200 mm")
        expect(page.get_by_role("button", name="Made already, and stays").first).to_be_visible()
        assert marks(page) == planned
        commit(page, "count", "2")
        expect(page.get_by_role("alert")).to_contain_text("Hole 3 is drilled: at 900 mm.")
        page.get_by_label("count", exact=True).press("Escape")
        # A hole strays: it is plugged, waited for and drilled again.
        stage(page, "Build log")
        commit(page, "Measured: hole 2", "549")
        ways = page.get_by_role("region", name="Ways out: hole 2")
        expect(ways).not_to_contain_text("Space the rest around it")
        ways.get_by_role("button", name="Take it: Plug it, and drill again").click()
        expect(ways).to_have_count(0)
        expect(page.get_by_role("list", name="Build log")).to_contain_text(
            "Hole 2 is at 549 mm where 540 mm was planned"
        )
        killed(second)
    with running(data, "serve", port=port):
        phone.goto(f"{page.url.replace('/log', '')}/bench")
        expect(phone.get_by_role("button", name="Clock out")).to_be_visible()
        work_on("Plug hole 2")
        work_on("Drill hole 2 again")
        wait = phone.get_by_role("list", name="Wait first")
        expect(wait).to_contain_text("The plug has to hold before a bit goes in.")
        phone.get_by_role("button", name="Done all the same").tap()
        phone.get_by_role("button", name="Done all the same").tap()
        expect(card).not_to_have_text("Drill hole 2 again")
        phone.get_by_role("button", name=re.compile("^Clock out")).tap()
        expect(phone.get_by_role("button", name="Clock in")).to_be_visible()
        expect(phone.get_by_text("not sent yet")).to_have_count(0)
        stage(page, "Build")
        expect(page.get_by_label("Done: Drill hole 2 again")).to_be_checked()
        stage(page, "Rack")
        expect(page.get_by_role("group", name="The tape").get_by_role("button")).to_have_count(3)
        assert marks(page) == planned
        saved(page)
    phone.context.close()
