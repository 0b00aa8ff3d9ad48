"""Properties are tried on the same cases every time; `YARDCLIFF_EXPLORE=1 pytest` looks for new
ones. The application over HTTP, for whoever asks for a `client`.
"""

import os
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import settings

from yardcliff.api.app import create_app
from yardcliff.app.application import Application
from yardcliff.store.database import Database

settings.register_profile("repeatable", derandomize=True, deadline=None)
settings.register_profile("explore", deadline=None, max_examples=2000)
settings.load_profile("explore" if os.environ.get("YARDCLIFF_EXPLORE") else "repeatable")


Json = dict[str, Any]


@pytest.fixture
def client(tmp_path: Path) -> Iterator[TestClient]:
    """The real application on a real data file."""
    with TestClient(
        create_app(Application(Database(tmp_path / "api.db"))), base_url="http://127.0.0.1:8722"
    ) as client:
        yield client


def change(client: TestClient, rack: Json, patch: Json) -> Json:
    """The rack after a change that can be read."""
    answer = client.patch(
        f"/api/racks/{rack['id']}", json={"base": rack["version"], "patch": patch}
    )
    assert answer.status_code == 200, answer.text
    changed: Json = answer.json()
    return changed
