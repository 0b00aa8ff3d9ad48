"""The command line, as a person or a script runs it."""

import json
import subprocess
import sys
import urllib.request
from pathlib import Path
from typing import Any

import pytest
from typer.testing import CliRunner

from tests.metric import shipped_item, starting, starting_brief
from tests.server import running
from yardcliff.cli import app
from yardcliff.core.design.change import dump
from yardcliff.core.ways import FAMILIES
from yardcliff.store.database import Database
from yardcliff.store.sheets import Racks

pytestmark = pytest.mark.slow


def yardcliff(*arguments: str | Path) -> subprocess.CompletedProcess[str]:
    command = [sys.executable, "-m", "yardcliff", *map(str, arguments)]
    return subprocess.run(command, capture_output=True, text=True, check=False)


def row(*arguments: str) -> dict[str, Any]:
    done = CliRunner().invoke(app, ["row", "--json", *arguments])
    assert done.exit_code in (0, 1), done.output
    found: dict[str, Any] = json.loads(done.stdout)
    assert found.keys() == {
        "length_mm",
        "count",
        "spaces",
        "pitch_mm",
        "ends_mm",
        "marks",
        "findings",
    }
    assert found["spaces"] == found["count"] - 1
    return found


@pytest.mark.parametrize(
    ("arguments", "count", "pitch_mm", "ends_mm", "length_mm"),
    [
        ("--length|30 in|--count|4|--ends|1 1/2 in|--step|1/16", 4, 228.6, [38.1, 38.1], 762),
        ("--length|30 in|--count|4|--ends|half", 4, 190.5, [95.25, 95.25], 762),
        ("--length|900|--count|5|--ends|whole", 5, 150, [150, 150], 900),
        ("--length|900|--count|5|--ends|gaps|--fixture-width|30", 5, 155, [140, 140], 900),
        ("--length|900|--count|5|--ends|inside|--item-width|100|--air|20", 5, 200, [50, 50], 900),
        ("--length|900|--count|5|--ends|80 mm,120 mm", 5, 175, [80, 120], 900),
        ("--length|900|--count|5|--pitch|160", 5, 160, [130, 130], 900),
        ("--count|5|--pitch|160|--ends|70 mm", 5, 160, [70, 70], 780),
        ("--count|5|--item-width|90|--air|30|--ends|half", 5, 120, [60, 60], 600),
        ("--length|900|--pitch|170|--ends|60 mm", 5, 195, [60, 60], 900),
        ("--length|900|--pitch|170|--ends|60 mm|--spacing|set", 5, 170, [110, 110], 900),
        ("--length|905|--count|5|--ends|60 mm|--spacing|tidy|--tidy|10", 5, 190, [72.5, 72.5], 905),
        ("--length|700 mm|--count|5|--pitch|150|--ends|50 mm", 5, 150, [50, 50], 700),
    ],
)
def test_row_solves_by_any_two(
    arguments: str, count: int, pitch_mm: float, ends_mm: list[float], length_mm: float
) -> None:
    found = row(*arguments.split("|"))
    assert (found["count"], found["length_mm"]) == (count, length_mm)
    assert found["pitch_mm"] == pytest.approx(pitch_mm)
    assert found["ends_mm"] == pytest.approx(ends_mm)
    assert found["marks"][0]["exact_mm"] == pytest.approx(ends_mm[0])


def test_row_says_what_it_chose() -> None:
    asked = ("--length", "900", "--pitch", "170", "--ends", "60 mm")
    assert [f["code"] for f in row(*asked)["findings"]] == ["row.opened"]
    assert [f["code"] for f in row(*asked, "--spacing", "set")["findings"]] == ["row.centred"]


def test_row_reads_well_in_a_terminal() -> None:
    done = yardcliff(
        "row", "--length", "30 in", "--count", "4", "--ends", "1 1/2 in", "--step", "1/8"
    )
    assert done.returncode == 0
    assert "count   4 (3 spaces)" in done.stdout
    assert "10 1/2 in" in done.stdout


@pytest.mark.parametrize(
    ("arguments", "says"),
    [
        (
            "--length|900|--count|5|--item-width|200|--air|20",
            "Nearest change: Board 1100 mm long; or 4 holders",
        ),
        ("--length|900|--count|5|--pitch|160|--ends|100", "Board 840 mm long"),
        ("--length|100|--count|3|--ends|60", "the two ends take 120 mm of 100 mm"),
        ("--length|500|--count|5|--pitch|160", "past the board's end"),
    ],
)
def test_row_says_the_nearest_change_when_it_cannot_be(arguments: str, says: str) -> None:
    done = yardcliff("row", *arguments.split("|"))
    assert done.returncode == 1
    assert says.lower() in done.stderr.lower()
    assert "board" in done.stdout, "it is laid out all the same"


@pytest.mark.parametrize(
    ("arguments", "quotes"),
    [
        ("--length|9OO|--count|5", "“9OO”"),
        ("--length|900|--count|five", "“five”"),
        ("--length|900|--count|0", "0 is out of range"),
        ("--length|900", "any two"),
        ("--length|900|--count|5|--ends|thirds", "“thirds”"),
        ("--length|900|--count|5|--ends|3,2", "“3 mm,2 mm”"),
        ("--length|900|--count|5|--step|1/10", "“1/10”"),
        (
            "--length|900|--count|5|--step|1/16",
            "--length “900” has no unit: write “900 in”, “900 mm”, or --unit in",
        ),
        ("--length|1.200|--count|5", "“1.200” could be 1200 or 1.2"),
        ("--length|900|--count|5|--spacing|wild", "“wild”"),
        ("--length|900|--count|5|--unit|ell", "“ell”"),
        ("--length|-900|--count|5", "“-900”"),
        ("--length|900|--count|5|--air|20", "--item-width"),
    ],
)
def test_row_quotes_what_it_cannot_read(arguments: str, quotes: str) -> None:
    done = yardcliff("row", *arguments.split("|"))
    assert done.returncode == 2
    assert quotes in done.stderr
    assert not done.stdout


def test_export_import_and_backup(tmp_path: Path) -> None:
    data, file = tmp_path / "data.db", tmp_path / "rack.json"
    database = Database(data)
    Racks(database).create("Porch", dump(starting_brief("felt-hat", 3, "1 mm")))
    database.close()
    assert yardcliff("export", "Porch", "rack.json", "-o", file, "--data", data).returncode == 0
    assert yardcliff("import", file, "--data", data).returncode == 0
    assert yardcliff("export", "Porch", "marks.csv", "--data", data).stdout.startswith("row,mark,")
    assert yardcliff("backup", tmp_path / "copy.db", "--data", data).returncode == 0
    copy = Database(tmp_path / "copy.db")
    first, second = Racks(copy).all()
    assert (first.name, first.brief) == (second.name, second.brief)
    copy.close()


@pytest.mark.parametrize("arguments", [("export", "Porch", "marks.csv"), ("backup", "copy.db")])
def test_who_only_reads_makes_no_data_file(tmp_path: Path, arguments: tuple[str, ...]) -> None:
    done = yardcliff(
        *arguments[:-1],
        *([tmp_path / "copy.db"] if arguments[0] == "backup" else arguments[-1:]),
        "--data",
        tmp_path / "none.db",
    )
    assert (done.returncode, list(tmp_path.iterdir())) == (1, [])
    assert "There is no data file" in done.stderr


@pytest.mark.parametrize(
    ("arguments", "says"),
    [
        (("export", "Attic", "rack.json"), "There is no rack “Attic”"),
        (("export", "Attic", "rack.dwg"), "template.pdf"),
        (("import", "missing.json"), "cannot be read"),
        (("import", __file__), "no rack file"),
        (("backup", __file__), "is there already"),
    ],
)
def test_what_cannot_be_done_is_said_plainly(
    arguments: tuple[str, ...], says: str, tmp_path: Path
) -> None:
    Database(tmp_path / "data.db").close()
    done = yardcliff(*arguments, "--data", tmp_path / "data.db")
    assert done.returncode == 1
    assert says in done.stderr
    assert "Traceback" not in done.stderr


def test_a_taken_port_and_a_bad_data_file_are_said_plainly(tmp_path: Path) -> None:
    with running(tmp_path / "one.db") as server:
        port = server.address.rsplit(":", 1)[1]
        done = yardcliff("serve", "--data", tmp_path / "two.db", "--port", port)
    assert done.returncode == 1
    assert f"port {port}" in done.stderr
    (tmp_path / "bad.db").write_text("no database at all" * 100)
    done = yardcliff("serve", "--data", tmp_path / "bad.db")
    assert done.returncode == 1
    assert "no Yardcliff data file" in done.stderr


@pytest.mark.parametrize("family", FAMILIES)
def test_every_way_of_building_goes_out_as_a_file_and_comes_in_again(
    tmp_path: Path, family: str
) -> None:
    data, file = tmp_path / "data.db", tmp_path / "rack.json"
    database = Database(data)
    made = Racks(database).create(
        "Of its kind", dump(starting([(shipped_item("tin-cup"), 3)], "1/16 in", family))
    )
    database.close()
    for asked in (["export", "Of its kind", "rack.json", "-o", str(file)], ["import", str(file)]):
        assert CliRunner().invoke(app, [*asked, "--data", str(data)]).exit_code == 0
    database = Database(data)
    assert [rack.brief for rack in Racks(database).all()] == [made.brief] * 2
    database.close()


def test_a_yard_is_started_by_itself_and_asked_by_its_address(tmp_path: Path) -> None:
    yard = subprocess.Popen(
        [sys.executable, "-m", "yardcliff", "yard", "--port", "0"],
        stdout=subprocess.PIPE,
        text=True,
    )
    assert yard.stdout
    try:
        address = yard.stdout.readline().split()[-1]
        command = ["serve", "--yard", address]
        with running(tmp_path / "own.db", *command) as server:
            request = urllib.request.Request(
                f"{server.address}/api/timber/yard",
                method="POST",
                headers={"accept-language": "de-CH"},
            )
            with urllib.request.urlopen(request) as answer:
                (prices,) = json.load(answer)["lists"]
        assert (prices["supplier"], prices["currency"]) == ("Cairnfoot Timber", "CHF")
        taken = yardcliff("yard", "--port", address.rsplit(":", 1)[1])
        assert taken.returncode == 1
        assert "Try another --port" in taken.stderr
    finally:
        yard.terminate()
        yard.wait()
        yard.stdout.close()
