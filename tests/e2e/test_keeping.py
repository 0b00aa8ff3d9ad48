"""Nothing is lost: other windows, a killed server, the bin, files; and every view is
open to all.
"""

import json
import os
import re
import signal
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Dialog, Page, expect

from tests.e2e.conftest import clean, marks, open_rack, saved
from tests.server import Server, running


def set_count(page: Page, count: int) -> None:
    page.get_by_label("count", exact=True).fill(str(count))
    page.get_by_label("count", exact=True).press("Enter")


def test_a_stale_window_is_told_and_can_keep_its_own_as_a_copy(porch: Page) -> None:
    other = porch.context.new_page()
    other.goto(porch.url)
    set_count(other, 4)
    saved(other)
    set_count(porch, 8)
    expect(porch.get_by_role("alert")).to_contain_text("changed in another window")
    porch.get_by_role("button", name="Keep mine as a copy").click()
    expect(porch.get_by_label("Name of the rack")).to_have_value("Porch, waxed jackets, copy")
    expect(porch.get_by_label("count", exact=True)).to_have_value("8")
    expect(other.get_by_label("count", exact=True)).to_have_value("4")


def test_a_window_learns_by_itself_and_takes_the_newer_state(porch: Page) -> None:
    other = porch.context.new_page()
    other.goto(porch.url)
    set_count(other, 3)
    saved(other)
    porch.bring_to_front()
    porch.get_by_role("button", name="Take the newer").click()
    expect(porch.get_by_label("count", exact=True)).to_have_value("3")
    set_count(porch, 4)
    saved(porch)
    expect(porch.get_by_role("alert")).to_have_count(0)


def test_a_killed_server_loses_no_acknowledged_edit_and_a_waiting_one_arrives(
    page: Page, data: Path
) -> None:
    with running(data, "demo") as first:
        port = int(first.address.rsplit(":", 1)[1])
        page.goto(first.address)
        open_rack(page, "Porch, waxed jackets")
        for count in (7, 8, 9):
            set_count(page, count)
            expect(page.get_by_text(f"hooks, {count - 1} spaces")).to_be_visible()
            saved(page)
        os.kill(first.process.pid, signal.SIGKILL)
        first.process.wait()
        set_count(page, 11)
        expect(page.get_by_role("alert")).to_contain_text("does not answer")
    with running(data, "demo", port=port):
        expect(page.get_by_text("hooks, 10 spaces")).to_be_visible()
        saved(page)
        page.reload()
        page.get_by_role("button", name="Undo").click()
        expect(page.get_by_label("count", exact=True)).to_have_value("9")
        page.get_by_role("button", name="What was done").click()
        page.get_by_role("menuitem", name="How many: 7 instead of 6").click()
        expect(page.get_by_label("count", exact=True)).to_have_value("6")


def test_rename_copy_bin_undo_and_restore(home: Page) -> None:
    open_rack(home, "Kitchen, ladles")
    name = home.get_by_label("Name of the rack")
    name.fill("Pantry")
    name.press("Enter")
    expect(home).to_have_title("Pantry | Yardcliff")
    home.get_by_role("link", name="Racks").click()
    home.get_by_role("button", name="Copy Pantry").click()
    expect(home.get_by_role("link", name="Pantry, copy")).to_be_visible()
    home.get_by_role("button", name="Put Pantry, copy in the bin").click()
    home.get_by_role("button", name="Undo").click()
    expect(home.get_by_role("link", name="Pantry, copy")).to_be_visible()
    home.get_by_role("button", name="Put Pantry, copy in the bin").click()
    expect(home.get_by_role("link", name="Pantry, copy")).to_be_hidden()
    home.get_by_text("In the bin: 1").click()
    home.get_by_role("button", name="Restore Pantry, copy").click()
    expect(home.get_by_role("link", name="Pantry, copy")).to_be_visible()


def test_a_rack_goes_out_as_a_file_and_comes_in_again(porch: Page, tmp_path: Path) -> None:
    before = marks(porch)
    porch.get_by_role("button", name="Print and export").click()
    with porch.expect_download() as download:
        porch.get_by_role("menuitem", name="This rack as a file").click()
    file = tmp_path / "porch.json"
    download.value.save_as(file)
    assert json.loads(file.read_text())["format"] == "yardcliff-rack"
    porch.get_by_role("link", name="Racks").click()
    bad = tmp_path / "bad.json"
    bad.write_text("{ no rack")
    porch.get_by_label("Rack file").set_input_files(bad)
    expect(porch.get_by_text("This is no rack file").first).to_be_visible()
    porch.get_by_label("Rack file").set_input_files(file)
    expect(porch.get_by_label("Name of the rack")).to_have_value("Porch, waxed jackets")
    assert marks(porch) == before


@pytest.mark.parametrize("kind", ["Marking template", "Shop sheet"])
def test_paper_comes_in_the_size_chosen(porch: Page, kind: str) -> None:
    porch.get_by_role("button", name="Print and export").click()
    porch.get_by_role("menuitemradio", name="Letter").click()
    link = porch.get_by_role("menuitem", name=kind).get_attribute("href") or ""
    assert "paper=letter" in link
    answer = porch.request.get(porch.url.split("/racks")[0] + link)
    assert answer.body().startswith(b"%PDF")


@pytest.mark.parametrize("width", [1280, 390])
def test_every_view_is_clean_to_axe(browser: Browser, server: Server, width: int) -> None:
    # The policy lets no foreign script in; axe is put in past it.
    context = browser.new_context(
        locale="en-GB", viewport={"width": width, "height": 800}, bypass_csp=True
    )
    page = context.new_page()
    page.goto(server.address)
    expect(page.get_by_role("link", name="Porch, waxed jackets")).to_be_visible()
    clean(page, "racks")
    page.get_by_role("link", name="New rack").click()
    page.get_by_role("button", name="enamel mugs", exact=True).click()
    expect(page.get_by_role("button", name="Draw this rack")).to_be_visible()
    clean(page, "new rack")
    page.get_by_role("button", name="enamel mugs", exact=True).click()
    page.get_by_label("What hangs, how many").fill("flask")
    page.get_by_role("button", name="flasks", exact=True).click()
    expect(page.get_by_role("radiogroup", name="How it is built")).to_be_visible()
    clean(page, "ways of building")
    page.goto(server.address)
    open_rack(page, "Kitchen, flasks")
    page.get_by_text("Drilling and machining").click()
    page.get_by_role("button", name="Section").click()
    clean(page, "a hole rail in section, its machining")
    page.goto(f"{server.address}/things")
    page.get_by_role("button", name="enamel mugs", exact=True).click()
    expect(page.get_by_role("dialog")).to_be_visible()
    clean(page, "measuring a thing")
    page.goto(server.address)
    open_rack(page, "Drying room, day gear")
    page.get_by_role("button", name="Mark 2").click()
    page.get_by_role("button", name="shortest board").click()
    expect(page.get_by_text("proved best")).to_be_visible()
    clean(page, "a mixed rack")
    page.get_by_role("button", name="Check my marks").click()
    page.get_by_label("Your marks").fill("100, 500, 900")
    page.get_by_role("button", name="Check them").click()
    expect(page.get_by_role("dialog").get_by_role("table")).to_be_visible()
    clean(page, "checked marks")
    page.get_by_role("button", name="Close", exact=True).click()
    page.get_by_role("link", name="Versions").click()
    page.get_by_label("keep it as").fill("Now")
    page.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_text("nothing was decided differently")).to_be_visible()
    clean(page, "versions side by side")
    page.goto(server.address)
    open_rack(page, "Kitchen wall, mugs and ladles")
    page.get_by_role("button", name="Print and export").click()
    page.get_by_role("menuitem", name="Story sticks, jigs and lengths").click()
    expect(page.get_by_role("dialog").get_by_role("table")).to_be_visible()
    clean(page, "several rows, sticks and jigs")
    page.goto(server.address)
    open_rack(page, "Porch, waxed jackets")
    page.get_by_role("button", name="Mark 2: 363 mm. Show the working").click()
    clean(page, "rack with a finding and a slip")
    page.get_by_role("button", name="End rule").click()
    clean(page, "rack with the end rules open")
    page.keyboard.press("Escape")
    page.get_by_label("length", exact=True).fill("so long")
    page.get_by_label("length", exact=True).press("Enter")
    expect(page.get_by_role("alert")).to_be_visible()
    clean(page, "rack with a message at a field")
    page.goto(server.address)
    page.get_by_role("link", name="About Yardcliff").click()
    page.get_by_label("Find a package").fill("react-dom")
    page.get_by_text("react-dom 19").click()
    expect(page.get_by_text("Permission is hereby").locator("visible=true")).to_have_count(1)
    clean(page, "what it is made of")
    page.get_by_label("Find a package").fill("none of these")
    expect(page.get_by_text("None is called “none of these”")).to_be_visible()
    page.goto(f"{server.address}/racks/none")
    expect(page.get_by_role("heading", name="Nothing hangs here")).to_be_visible()
    clean(page, "nothing here")
    context.close()


def test_what_is_half_typed_is_there_after_back_and_a_reload(home: Page) -> None:
    asked: list[str] = []

    def on_dialog(dialog: Dialog) -> None:
        asked.append(dialog.type)
        dialog.accept()

    home.on("dialog", on_dialog)
    open_rack(home, "Porch, felt hats")
    length, name = home.get_by_label("length", exact=True), home.get_by_label("Name of the rack")
    before = length.input_value()
    timber = home.get_by_role("heading", name="Timber", level=2)
    home.get_by_role("link", name="Timber", exact=True).click()
    expect(timber).to_be_visible()
    home.get_by_role("link", name="Rack", exact=True).click()
    length.fill("12 elbows")
    home.go_back()
    expect(timber).to_be_visible()
    home.go_forward()
    expect(length).to_have_value("12 elbows")
    expect(home.get_by_role("alert")).to_contain_text(f"Escape brings back {before}")
    name.fill("Hats, the better ones")
    home.reload()
    expect(length).to_have_value("12 elbows")
    expect(name).to_have_value("Hats, the better ones")
    length.press("Escape")
    expect(length).to_have_value(before)
    name.press("Enter")
    expect(home).to_have_title("Hats, the better ones | Yardcliff")

    home.get_by_role("link", name=re.compile("^Build log")).click()
    entry = home.get_by_role("textbox", name="Entry", exact=True)
    entry.fill("The third peg is loose")
    assert asked == []
    home.reload()
    assert asked == ["beforeunload"]
    expect(entry).to_have_value("The third peg is loose")
    home.get_by_role("button", name="Keep", exact=True).click()
    expect(home.get_by_role("list", name="Log")).to_contain_text("The third peg is loose")
    expect(entry).to_have_value("")
    home.reload()
    expect(entry).to_have_value("")
    assert asked == ["beforeunload"]


def test_a_form_that_is_half_filled_in_is_there_after_a_reload(home: Page) -> None:
    home.get_by_role("link", name="Timber", exact=True).click()
    add = home.get_by_role("button", name="Add a board")
    long = home.get_by_label("long", exact=True)
    add.click()
    long.fill("1.83")
    home.reload()
    add.click()
    expect(long).to_have_value("1.83")
    home.get_by_role("button", name="Start afresh").click()
    expect(long).to_have_value("")
    expect(home.get_by_role("button", name="Start afresh")).to_have_count(0)


def test_nothing_that_is_typed_is_cut(home: Page) -> None:
    open_rack(home, "Porch, felt hats")
    home.get_by_role("button", name="Check my marks").click()
    marks = ", ".join(["121"] * 2000)
    home.get_by_label("Your marks").fill(marks)
    home.get_by_role("button", name="Check them").click()
    expect(home.get_by_role("alert")).to_contain_text("8000")
    expect(home.get_by_label("Your marks")).to_have_value(marks)
    home.keyboard.press("Escape")
    home.get_by_role("link", name="Racks").click()
    home.get_by_role("link", name="New rack").click()
    said = home.get_by_label("What hangs, how many")
    said.fill("seven coats " * 20)
    expect(home.get_by_text("239 letters, and 200 at most")).to_be_visible()
    expect(said).to_have_value("seven coats " * 20)
