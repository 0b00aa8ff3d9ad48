"""The real interface in Debian's Chromium, on a real server with the demo's racks."""

from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.server import CHROMIUM, CHROMIUM_ARGS, Server, running

expect.set_options(timeout=15_000)  # a busy machine is slow, not wrong
AXE = Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    return {"executable_path": CHROMIUM, "args": CHROMIUM_ARGS}


@pytest.fixture(scope="session")
def browser_context_args() -> dict[str, Any]:
    return {"viewport": {"width": 1280, "height": 800}}


@pytest.fixture
def data(tmp_path: Path) -> Path:
    return tmp_path / "demo.db"


@pytest.fixture
def server(data: Path) -> Iterator[Server]:
    with running(data, "demo") as server:
        yield server


@pytest.fixture
def home(page: Page, server: Server) -> Iterator[Page]:
    """The first page. Whatever the test does, no script error and no refused content may come of it."""
    complaints: list[str] = []
    page.on("pageerror", lambda error: complaints.append(str(error)))
    page.on(
        "console",
        lambda message: complaints.append(message.text) if "Content Security" in message.text else None,
    )
    page.on(
        "request",
        lambda request: complaints.append(request.url) if not request.url.startswith(server.address) else None,
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
    return [(label.get_attribute("aria-label") or "").split(": ")[1].split(". ")[0] for label in labels]


def saved(page: Page) -> None:
    expect(page.get_by_role("status").filter(has_text="saved")).to_have_text("saved")
