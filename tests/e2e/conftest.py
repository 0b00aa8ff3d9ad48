"""The real interface in Debian's Chromium, on a real server with the demo's racks."""

import shutil
from collections.abc import Iterator
from pathlib import Path
from typing import Any, Literal

import pytest
from playwright.sync_api import BrowserContext, CDPSession, Locator, Page, expect

from tests.server import CHROMIUM, CHROMIUM_ARGS, Server, serving
from yardcliff.api.app import create_app
from yardcliff.app.application import Application
from yardcliff.demo import fill
from yardcliff.standins.simulated import instruments
from yardcliff.standins.timber_yard import create_yard
from yardcliff.store.database import Database
from yardcliff.suppliers import HttpSupplier

PATIENCE = 60_000
"""What is waited for has so long to come, ms: a busy machine is slow, not wrong."""
expect.set_options(timeout=PATIENCE)
EVERYBODY: tuple[tuple[Literal["light", "dark"], int], ...] = (("light", 1280), ("dark", 390))
"""Themes, and how wide the window is."""
SCHEMES: tuple[tuple[Literal["light", "dark"], str], ...] = (
    ("light", ""),
    ("dark", ", runOnly: ['color-contrast']"),
)
"""Themes, and what of a page they change: all else is looked at once."""
AXE = Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    return {"executable_path": CHROMIUM, "args": CHROMIUM_ARGS}


@pytest.fixture(scope="session")
def browser_context_args() -> dict[str, Any]:
    return {"viewport": {"width": 1280, "height": 800}, "locale": "en-GB"}


@pytest.fixture
def context(context: BrowserContext) -> BrowserContext:
    context.set_default_timeout(PATIENCE)
    return context


@pytest.fixture
def data(tmp_path: Path) -> Path:
    return tmp_path / "demo.db"


@pytest.fixture(scope="session")
def hut(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The demo's data file, as it is before anybody does anything."""
    path = tmp_path_factory.mktemp("hut") / "demo.db"
    database = Database(path)
    fill(Application(database))
    database.close()
    return path


@pytest.fixture(scope="session")
def yard() -> Iterator[Server]:
    with serving(create_yard()) as yard:
        yield yard


@pytest.fixture
def server(data: Path, hut: Path, yard: Server) -> Iterator[Server]:
    shutil.copy(hut, data)
    database = Database(data)
    app = create_app(Application(database, HttpSupplier(yard.address), instruments()))
    with serving(app) as server:
        yield server
    app.state.phone.shut()
    database.close()


@pytest.fixture
def home(page: Page, server: Server) -> Iterator[Page]:
    """The first page. Whatever the test does, no script error and no refused content may come of
    it.
    """
    complaints: list[str] = []
    page.on("pageerror", lambda error: complaints.append(str(error)))
    page.on(
        "console",
        lambda message: (
            complaints.append(message.text) if "Content Security" in message.text else None
        ),
    )
    page.on(
        "request",
        lambda request: (
            complaints.append(request.url) if not request.url.startswith(server.address) else None
        ),
    )
    page.goto(server.address)
    expect(page.get_by_role("heading", level=1)).to_contain_text("Yardcliff")
    yield page
    assert not complaints


@pytest.fixture
def porch(home: Page) -> Page:
    """Six jackets on 1450 mm: less air than asked."""
    return open_rack(home, "Porch, waxed jackets")


def open_rack(page: Page, name: str) -> Page:
    page.get_by_role("link", name=name).click()
    expect(page.get_by_label("Name of the rack")).to_have_value(name)
    return page


def marks(page: Page) -> list[str]:
    """The readings on the tape, in order."""
    labels = page.get_by_role("group", name="The tape").get_by_role("button").all()
    return [
        (label.get_attribute("aria-label") or "").split(": ")[1].split(". ")[0] for label in labels
    ]


def swipe(page: Page, handle: Locator, dx: float, dy: float = 0, *, low: bool = False) -> None:
    """A finger put on the middle of a handle, or on its lower end, and drawn along: real touches,
    as the browser gets them.
    """
    handle.scroll_into_view_if_needed()
    # A page that is busy when it is touched may take the touch for scrolling.
    page.wait_for_load_state("networkidle")
    page.evaluate("new Promise((rest) => requestIdleCallback(rest))")
    box = handle.bounding_box()
    assert box
    x, y = box["x"] + box["width"] / 2, box["y"] + (box["height"] - 6 if low else box["height"] / 2)
    line: CDPSession = page.context.new_cdp_session(page)
    line.send("Input.dispatchTouchEvent", {"type": "touchStart", "touchPoints": [{"x": x, "y": y}]})
    for k in range(1, 9):
        at = {"x": x + dx * k / 8, "y": y + dy * k / 8}
        line.send("Input.dispatchTouchEvent", {"type": "touchMove", "touchPoints": [at]})
        page.wait_for_timeout(20)
    # It rests before it lets go: how far a page would glide on hangs on how busy the machine is.
    page.wait_for_timeout(120)
    at = {"x": x + dx, "y": y + dy}
    line.send("Input.dispatchTouchEvent", {"type": "touchMove", "touchPoints": [at]})
    line.send("Input.dispatchTouchEvent", {"type": "touchEnd", "touchPoints": []})
    line.detach()


def saved(page: Page) -> None:
    expect(page.get_by_role("status").filter(has_text="saved")).to_have_text("saved")


def clean(page: Page, view: str) -> None:
    """What a page shows is open to all, in both themes; its context has to let scripts in."""
    page.add_script_tag(path=AXE)
    for scheme, rules in SCHEMES:
        page.emulate_media(color_scheme=scheme)
        found = page.evaluate(f"axe.run(document, {{resultTypes: ['violations'] {rules}}})")
        wrong = [(one["id"], [n["target"] for n in one["nodes"]]) for one in found["violations"]]
        assert not wrong, (view, scheme, wrong)
