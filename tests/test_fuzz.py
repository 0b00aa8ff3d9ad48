"""Every operation of the API with made-up input, well and badly formed: never a crash, only answers
that are documented.
"""

import os
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
import schemathesis
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st
from schemathesis.checks import not_a_server_error
from schemathesis.core.result import Ok
from schemathesis.generation import GenerationMode
from schemathesis.specs.openapi.checks import response_schema_conformance, status_code_conformance

from tests.metric import shipped_item, starting
from tests.server import running
from yardcliff.core.design.change import dump
from yardcliff.core.wall.amending import dump_wall
from yardcliff.core.wall.wall import Wall
from yardcliff.core.ways import FAMILIES
from yardcliff.store.database import Database
from yardcliff.store.sheets import Racks, Walls

pytestmark = pytest.mark.slow

CASES = int(os.environ.get("YARDCLIFF_FUZZ", "3"))
"""Of each operation; `YARDCLIFF_FUZZ=60` are 5,000 in all."""
CHECKS = [not_a_server_error, status_code_conformance, response_schema_conformance]
LEFT_OUT = {("POST", "/api/phone")}
"""It opens a listener on the network."""


@pytest.fixture(scope="module")
def server(tmp_path_factory: pytest.TempPathFactory) -> Iterator[tuple[str, dict[str, list[str]]]]:
    """The address of a server with a rack of each family, and the ids that paths may have."""
    data: Path = tmp_path_factory.mktemp("fuzz") / "fuzz.db"
    database = Database(data)
    racks, walls = Racks(database), Walls(database)
    ids = [
        racks.create(family, dump(starting([(shipped_item("tin-cup"), 4)], "1 mm", family))).id
        for family in FAMILIES
    ]
    wall = walls.create("Porch", dump_wall(Wall())).id
    database.close()
    with running(data) as started:
        yield started.address, {"rack_id": ids, "wall_id": [wall]}


# Whatever it is, it is sent as what is no ZIP.
schemathesis.serializer("application/zip")(lambda _, value: repr(value).encode("utf-8", "replace"))


@pytest.mark.filterwarnings("ignore")  # what its makers say of their own strategies
def test_no_input_brings_an_operation_down(server: tuple[str, dict[str, list[str]]]) -> None:
    address, ids = server
    schema = schemathesis.openapi.from_url(f"{address}/api/openapi.json")
    broken: list[str] = []
    for found in schema.get_all_operations():
        assert isinstance(found, Ok), found
        operation = found.ok()
        if (operation.method.upper(), operation.path) in LEFT_OUT:
            continue
        named = [name for name in ids if f"{{{name}}}" in operation.path]
        paths = st.fixed_dictionaries({name: st.sampled_from(ids[name]) for name in named})
        modes = [
            operation.as_strategy(mode)
            for mode in (GenerationMode.POSITIVE, GenerationMode.NEGATIVE)
        ]

        @settings(
            max_examples=CASES,
            deadline=None,
            phases=[Phase.generate],
            suppress_health_check=list(HealthCheck),
        )
        @given(case=st.one_of(*modes), path=paths, there=st.booleans())
        def tried(case: Any, path: dict[str, str], there: bool) -> None:
            if there and case.path_parameters:
                case.path_parameters = {**case.path_parameters, **path}
            case.validate_response(case.call(base_url=address, timeout=20), checks=CHECKS)

        try:
            tried()
        except Exception as error:  # each operation is tried, whatever the others do
            broken.append(f"{operation.label}: {error}"[:1500])
    assert not broken, "\n\n".join(broken)
