"""Take docs/screenshots anew from the demo's racks: `make shots`."""

import re
import tempfile
from collections.abc import Callable
from io import BytesIO
from pathlib import Path
from typing import Literal

import pypdfium2
from PIL import Image
from playwright.sync_api import Browser, Page, sync_playwright
from tests.server import CHROMIUM, CHROMIUM_ARGS, running

OUT = Path(__file__).parent.parent / "docs" / "screenshots"


Locale = Literal["en-GB", "en-US"]


def shoot(
    browser: Browser,
    huts: dict[Locale, str],
    name: str,
    steps: Callable[[Page], None],
    *,
    locale: Locale = "en-GB",
    dark: bool = False,
    phone: bool = False,
) -> None:
    """One picture at 1280x800, or of a phone, after `steps`, of the Hut where a browser is."""
    size = {"width": 390, "height": 844} if phone else {"width": 1280, "height": 800}
    context = browser.new_context(
        base_url=huts[locale],
        locale=locale,
        viewport={"width": size["width"], "height": size["height"]},
        color_scheme="dark" if dark else "light",
        reduced_motion="reduce",
        has_touch=phone,
    )
    page = context.new_page()
    steps(page)
    page.wait_for_timeout(600)
    page.screenshot(path=OUT / f"{name}.png")
    context.close()


WAYS = (
    "Porch, padlocks",
    "Kitchen dresser, tin cups",
    "Kitchen, flasks",
    "Common room, fiddles",
    "Store, curtain poles",
    "Porch, climbing helmets",
    "Store, sleeping mats",
    "Store, snow boards",
    "Drying room, storm lanterns",
    "Kitchen, spices and soup mugs",
    "Passage, rain capes",
    "Lean-to, bicycles",
    "Office, key bunches",
    "Stairs, peaked caps",
    "Washroom, towels",
)


def contact(browser: Browser, address: str) -> None:
    """One picture of several racks: a way of building each."""
    page = browser.new_page(
        locale="en-GB", viewport={"width": 1280, "height": 800}, reduced_motion="reduce"
    )
    sheet = Image.new("RGB", (1922, 402 * -(-len(WAYS) // 3) - 4), "white")
    for k, rack in enumerate(WAYS):
        page.goto(address)
        page.get_by_role("link", name=rack).click()
        page.get_by_label("Name of the rack").wait_for()
        page.wait_for_timeout(600)
        small = Image.open(BytesIO(page.screenshot())).resize((638, 398), Image.Resampling.LANCZOS)
        sheet.paste(small, (642 * (k % 3), 402 * (k // 3)))
    page.close()
    sheet.save(OUT / "ways.png", optimize=True)


def main() -> None:
    OUT.mkdir(parents=True, exist_ok=True)
    with (
        tempfile.TemporaryDirectory() as folder,
        running(Path(folder) / "metric.db", "demo") as metric,
        running(Path(folder) / "us.db", "demo") as us,
    ):
        huts: dict[Locale, str] = {"en-GB": metric.address, "en-US": us.address}

        def open_rack(page: Page, name: str) -> None:
            page.goto("/")
            page.get_by_role("link", name=name).click()
            page.get_by_label("Name of the rack").wait_for()

        def racks(page: Page) -> None:
            page.goto("/")
            page.get_by_role("link", name="Porch, waxed jackets").wait_for()
            page.locator("main li svg").nth(5).wait_for()

        def new_rack(page: Page) -> None:
            page.goto("/new")
            page.get_by_label("What hangs, how many").fill("7 coats on 1.2 m")
            page.keyboard.press("Enter")
            page.get_by_role("radio", name=re.compile("^Two rows, staggered")).wait_for()

        def porch(page: Page) -> None:
            open_rack(page, "Porch, waxed jackets")

        def working(page: Page) -> None:
            open_rack(page, "Kitchen, enamel mugs")
            page.get_by_role("button", name=re.compile("wood left behind")).click()
            page.get_by_role("button", name="keep", exact=True).click()
            page.get_by_role("button", name=re.compile("^Mark 5")).click()

        def things(page: Page) -> None:
            page.goto("/things")
            page.get_by_role("button", name="mugs, handles to the right").click()
            page.get_by_role("textbox", name="left").focus()

        def mixed(page: Page) -> None:
            open_rack(page, "Drying room, day gear")
            page.get_by_role("button", name=re.compile("^Mark 2")).click()
            page.get_by_role("button", name="shortest board").click()
            page.get_by_text("proved best").wait_for()

        def rows(page: Page) -> None:
            open_rack(page, "Kitchen wall, mugs and ladles")

        def versions(page: Page) -> None:
            open_rack(page, "Kitchen, ladles")
            page.get_by_role("link", name="Versions").click()
            page.get_by_label("keep it as").fill("Five ladles")
            page.get_by_role("button", name="Keep", exact=True).click()
            page.get_by_role("region", name="Five ladles").wait_for()
            page.get_by_role("link", name="Kitchen, ladles").click()
            page.get_by_label("count", exact=True).fill("7")
            page.keyboard.press("Enter")
            page.get_by_text("7 hooks, 6 spaces").wait_for()
            page.get_by_role("link", name="Versions").click()
            page.get_by_text("which does better").wait_for()
            page.get_by_label("Close message").first.click()

        def fixing(page: Page) -> None:
            open_rack(page, "Porch, guests' jackets")
            page.get_by_role("link", name="Mounting").click()
            page.get_by_role("radio", name="bevelled cleat").wait_for()
            page.keyboard.press("s")

        def timber(page: Page) -> None:
            open_rack(page, "Lean-to, bicycles")
            page.get_by_role("link", name=re.compile("^(Timber|Lumber)$")).click()
            page.get_by_text("becomes parts").first.wait_for()

        def stock(page: Page) -> None:
            page.goto("/timber")
            page.get_by_text("Left of the bunk ladders").wait_for()

        def making(page: Page) -> None:
            open_rack(page, "Kitchen, spices and soup mugs")
            page.get_by_role("link", name=re.compile("^Build(?! log)")).click()
            page.get_by_role("button", name="Cut 4 grooves").last.click()

        def bench(page: Page) -> None:
            open_rack(page, "Kitchen, spices and soup mugs")
            page.goto(f"{page.url}/bench?step=mark:0")
            page.get_by_role("button", name="Done, next").click()
            page.get_by_text("next, 2 of").wait_for()

        def log(page: Page) -> None:
            open_rack(page, "Office, room keys")
            page.get_by_role("link", name="Build log").click()
            page.get_by_text("Make the board again").wait_for()

        def wall(page: Page) -> None:
            page.goto("/")
            page.get_by_role("link", name="Porch, inner wall").click()
            page.get_by_label("Name of the wall").wait_for()

        def place(page: Page) -> None:
            open_rack(page, "Porch, guests' jackets")
            page.get_by_role("link", name="Wall").click()
            page.get_by_role("button", name="most studs").wait_for()

        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=CHROMIUM, args=CHROMIUM_ARGS)
            shoot(browser, huts, "racks", racks)
            shoot(browser, huts, "new-rack", new_rack)
            shoot(browser, huts, "rack", porch)
            shoot(browser, huts, "things", things)
            shoot(browser, huts, "mixed", mixed)
            shoot(browser, huts, "rows", rows, locale="en-US")
            shoot(browser, huts, "fixing", fixing)
            shoot(browser, huts, "wall", wall, locale="en-US")
            shoot(browser, huts, "timber", timber, locale="en-US")
            shoot(browser, huts, "stock", stock, locale="en-US")
            shoot(browser, huts, "making", making)
            shoot(browser, huts, "bench-phone", bench, locale="en-US", phone=True)
            shoot(browser, huts, "log", log)
            contact(browser, metric.address)
            shoot(browser, huts, "rack-working", working)
            shoot(browser, huts, "place-dark", place, locale="en-US", dark=True)
            shoot(browser, huts, "rack-phone", porch, phone=True)
            shoot(browser, huts, "versions", versions)
            page = browser.new_page(base_url=us.address, locale="en-US")
            porch(page)
            pdf = page.request.get(
                f"{page.url.replace('/racks/', '/api/racks/')}/files/sheet.pdf?paper=letter"
            ).body()
            pypdfium2.PdfDocument(pdf)[0].render(scale=1.3).to_pil().save(
                OUT / "sheet.png", optimize=True
            )
            browser.close()


if __name__ == "__main__":
    main()
