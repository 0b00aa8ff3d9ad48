"""The data file: revisions, stale writers, and what happens when the disk will not have it."""

import json
import sqlite3
from collections.abc import Callable, Iterator
from contextlib import closing
from dataclasses import replace
from functools import partial
from pathlib import Path
from threading import Thread
from time import sleep
from typing import Any

import pytest

from yardcliff.core.built.facts import Fact, Kind
from yardcliff.store.bench import Bench
from yardcliff.store.database import REQUEST, Database, Request
from yardcliff.store.errors import (
    AlreadyWritten,
    DataFileError,
    NothingToUndo,
    SheetNotFound,
    StaleSheet,
    StaleStock,
    StoreNotFound,
    explained,
)
from yardcliff.store.facts import Facts
from yardcliff.store.items import Items
from yardcliff.store.sheets import KEPT, Racks
from yardcliff.store.timber import Stock
from yardcliff.store.versions import MOST, TooManyVersions, VersionNotFound, Versions


@pytest.fixture
def file(tmp_path: Path) -> Path:
    return tmp_path / "racks" / "yardcliff.db"


@pytest.fixture
def racks(file: Path) -> Iterator[Racks]:
    database = Database(file)
    yield Racks(database)
    database.close()


def brief(n: int) -> dict[str, Any]:
    return {"n": n}


def test_a_history_is_gone_back_along_in_one_step(racks: Racks) -> None:
    rack = racks.create("Mugs", brief(1))
    for n in range(2, 7):
        rack = racks.save(rack.id, rack.version, brief(n), f"to {n}")
    rack = racks.move(rack.id, rack.version, -3)
    assert (rack.brief, rack.undo, rack.redo) == (brief(3), "to 3", "to 4")
    told = [(step.label, step.steps) for step in racks.history(rack.id, 40)]
    assert told == [("to 6", 3), ("to 5", 2), ("to 4", 1), ("to 3", -1), ("to 2", -2)]
    assert len(racks.history(rack.id, 1)) == 3
    assert racks.move(rack.id, rack.version, 3).brief == brief(6)
    with pytest.raises(NothingToUndo):
        racks.move(rack.id, rack.version + 1, -6)


def test_undo_and_redo_walk_the_revisions_and_survive_reopening(racks: Racks, file: Path) -> None:
    rack = racks.create("Porch", brief(0))
    assert (rack.undo, rack.redo) == (None, None)
    for n in (1, 2, 3):
        rack = racks.save(rack.id, rack.version, brief(n), f"to {n}")
    assert rack.undo == "to 3"
    rack = racks.move(rack.id, rack.version, -1)
    rack = racks.move(rack.id, rack.version, -1)
    again = Database(file)
    rack = Racks(again).get(rack.id)
    assert (rack.brief, rack.undo, rack.redo) == (brief(1), "to 1", "to 2")
    again.close()
    rack = racks.move(rack.id, rack.version, 1)
    assert rack.brief == brief(2)
    rack = racks.save(rack.id, rack.version, brief(9), "to 9")
    assert rack.redo is None, "a new change lets go of what was undone"
    with pytest.raises(NothingToUndo):
        racks.move(rack.id, rack.version, 1)


def test_a_stale_write_is_refused_and_changes_nothing(racks: Racks) -> None:
    rack = racks.create("Porch", brief(0))
    newer = racks.save(rack.id, rack.version, brief(1), "first")
    with pytest.raises(StaleSheet) as caught:
        racks.save(rack.id, rack.version, brief(2), "second")
    assert (caught.value.base, caught.value.version) == (rack.version, newer.version)
    with pytest.raises(StaleSheet):
        racks.move(rack.id, rack.version, -1)
    with pytest.raises(StaleSheet):
        racks.rename(rack.id, rack.version, "Other")
    assert racks.get(rack.id) == newer


def test_of_many_writers_at_once_exactly_one_wins(file: Path) -> None:
    database = Database(file)
    racks = Racks(database)
    rack = racks.create("Porch", brief(0))
    outcomes: list[str] = []

    def write(n: int) -> None:
        try:
            racks.save(rack.id, rack.version, brief(n), str(n))
            outcomes.append("saved")
        except StaleSheet:
            outcomes.append("stale")

    threads = [Thread(target=write, args=(n,)) for n in range(8)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert sorted(outcomes) == ["saved"] + ["stale"] * 7
    database.close()


def test_the_bin_keeps_and_gives_back(racks: Racks) -> None:
    first, second = racks.create("First", brief(1)), racks.create("Second", brief(2))
    assert racks.bin(first.id).deleted_at
    assert [r.name for r in racks.all()] == ["Second"]
    assert [r.name for r in racks.all(deleted=True)] == ["First"]
    assert racks.bin(first.id, binned=False).brief == brief(1)
    assert {r.id for r in racks.all()} == {first.id, second.id}
    for call in (racks.get, racks.bin):
        with pytest.raises(SheetNotFound, match="nowhere"):
            call("nowhere")


def test_old_revisions_are_let_go_but_never_the_newest(racks: Racks, file: Path) -> None:
    rack = racks.create("Porch", brief(0))
    with sqlite3.connect(file) as db:
        db.executemany(
            "INSERT INTO revision VALUES (?, ?, 'x', '{}', '')",
            [(rack.id, n) for n in range(1, KEPT + 50)],
        )
        db.execute("UPDATE sheet SET position = ?", (KEPT + 49,))
    db.close()
    racks.save(rack.id, rack.version, brief(1), "newest")
    with sqlite3.connect(file) as db:
        assert db.execute("SELECT count(*), max(position) FROM revision").fetchone() == (
            KEPT + 1,
            KEPT + 50,
        )
    db.close()


def test_backup_while_open_is_a_whole_data_file(racks: Racks, file: Path, tmp_path: Path) -> None:
    rack = racks.create("Porch", brief(7))
    source = Database(file)
    source.backup(tmp_path / "copy.db")
    source.close()
    racks.save(rack.id, rack.version, brief(8), "after")
    copy = Database(tmp_path / "copy.db")
    assert [(r.name, r.brief) for r in Racks(copy).all()] == [("Porch", brief(7))]
    copy.close()


def test_a_failed_write_rolls_back_whole(racks: Racks) -> None:
    rack = racks.create("Porch", brief(0))
    with pytest.raises(DataFileError):
        racks.rename(rack.id, rack.version, "")  # the schema wants 1 to 80 characters
    assert racks.get(rack.id) == rack


@pytest.mark.parametrize(
    ("content", "kind"),
    [(b"not a database, only some words about one" * 40, "corrupt"), (None, "cannot-open")],
)
def test_a_file_that_cannot_be_used_is_said_plainly(
    tmp_path: Path, content: bytes | None, kind: str
) -> None:
    path = tmp_path / "data.db"
    if content is None:
        path.mkdir()
    else:
        path.write_bytes(content)
    with pytest.raises(DataFileError) as caught:
        Database(path)
    assert caught.value.kind == kind
    assert str(path) in str(caught.value)
    assert "--data" in str(caught.value)


def test_a_file_from_a_newer_yardcliff_is_left_alone(file: Path) -> None:
    Database(file).close()
    with sqlite3.connect(file) as db:
        db.execute("INSERT INTO migration VALUES (999, 'from the future')")
    db.close()
    with pytest.raises(DataFileError, match="newer Yardcliff"):
        Database(file)


@pytest.mark.parametrize(
    ("code", "kind"),
    [
        (sqlite3.SQLITE_READONLY, "read-only"),
        (sqlite3.SQLITE_FULL, "full"),
        (sqlite3.SQLITE_BUSY, "busy"),
    ],
)
def test_each_cause_has_its_own_words(code: int, kind: str) -> None:
    error = sqlite3.OperationalError("x")
    error.sqlite_errorcode = code
    assert explained(error, "f.db").kind == kind


def test_a_full_disk_loses_nothing_that_was_saved(file: Path) -> None:
    database = Database(file)
    racks = Racks(database)
    rack = racks.create("Porch", brief(0))
    with database.writing() as db:
        pages = db.execute("PRAGMA page_count").fetchone()[0]
        db.execute(f"PRAGMA max_page_count = {pages + 1}")
    with pytest.raises(DataFileError) as caught:
        racks.save(rack.id, rack.version, {"long": "x" * 50_000}, "too long")
    assert caught.value.kind == "full"
    assert racks.get(rack.id) == rack
    assert json.dumps(racks.get(rack.id).brief) == '{"n": 0}'
    database.close()


def test_own_things_replace_each_other_by_key_and_come_newest_first(file: Path) -> None:
    database = Database(file)
    items = Items(database)
    items.put([{"key": "jug", "n": 1}, {"key": "mug", "n": 1}])
    sleep(0.005)
    items.put([{"key": "jug", "n": 2}])
    assert items.all() == [{"key": "jug", "n": 2}, {"key": "mug", "n": 1}]
    with pytest.raises(KeyError):
        items.put([{"key": "hat", "n": 1}, {"n": 2}])
    assert len(items.all()) == 2, "all of them or none"
    assert items.remove("jug")
    assert not items.remove("jug")
    database.close()
    again = Database(file)
    assert Items(again).all() == [{"key": "mug", "n": 1}]
    again.close()


def test_versions_keep_what_the_rack_was_and_come_back_after_they_were_let_go(
    racks: Racks, file: Path
) -> None:
    versions = Versions(Database(file))
    rack = racks.create("Porch", brief(0))
    versions.keep(rack.id, "first")
    racks.save(rack.id, rack.version, brief(1), "on")
    versions.keep(rack.id, "second")
    assert [(v.name, v.brief) for v in versions.all(rack.id)] == [
        ("second", brief(1)),
        ("first", brief(0)),
    ]
    first = versions.all(rack.id)[1]
    versions.forget(rack.id, first.id)
    with pytest.raises(VersionNotFound):
        versions.get(rack.id, first.id)
    versions.forget(rack.id, first.id, gone=False)
    assert versions.get(rack.id, first.id).brief == brief(0)
    with pytest.raises(SheetNotFound):
        versions.keep("none", "x")
    with pytest.raises(VersionNotFound):
        versions.forget("none", first.id)


def test_there_is_an_end_to_versions(racks: Racks, file: Path) -> None:
    versions = Versions(Database(file))
    rack = racks.create("Porch", brief(0))
    for n in range(MOST):
        versions.keep(rack.id, str(n))
    with pytest.raises(TooManyVersions):
        versions.keep(rack.id, "one more")
    versions.forget(rack.id, versions.all(rack.id)[0].id)
    versions.keep(rack.id, "in its place")


def test_a_data_file_of_the_first_layout_is_brought_up(file: Path) -> None:
    database = Database(file)
    rack = Racks(database).create("Porch", brief(0))
    with database.writing() as db:
        for statement in (
            *(f"ALTER TABLE sheet DROP COLUMN {one}" for one in ("tags", "favourite", "done")),
            "DROP TABLE settings",
            "DROP TABLE written",
            "DROP TABLE fact",
            "DROP TABLE shop",
            "DROP TABLE ware",
            "DROP TABLE price_list",
            "DROP TABLE stick",
            "DROP TABLE version",
            "DROP TABLE item",
            "DROP INDEX sheet_of_kind",
            "ALTER TABLE sheet DROP COLUMN kind",
            "ALTER TABLE sheet RENAME TO rack",
            "ALTER TABLE revision RENAME COLUMN sheet_id TO rack_id",
            "DELETE FROM migration WHERE number > 1",
            "PRAGMA application_id = 0",
        ):
            db.execute(statement)
    database.close()
    brought = Database(file)
    assert Racks(brought).get(rack.id).brief == brief(0)
    Versions(brought).keep(rack.id, "kept")
    assert Items(brought).all() == []
    assert Stock(brought).sticks() == []
    assert Bench(brought).shop() is None
    assert Facts(brought).standing() == []
    brought.close()


def test_every_answer_to_a_save_is_what_was_written_whoever_writes_beside(file: Path) -> None:
    database, answers = Database(file), []
    racks = Racks(database)
    rack = racks.create("Porch", brief(0))

    def edit(editor: int) -> None:
        base, done = rack.version, 0
        while done < 25:
            try:
                saved = racks.save(rack.id, base, brief(editor * 1000 + done), "x")
            except StaleSheet as error:
                base = error.version
                continue
            answers.append((base, saved.version, saved.brief["n"], editor * 1000 + done))
            base, done = saved.version, done + 1

    threads = [Thread(target=edit, args=(n,)) for n in range(6)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert len(answers) == 150
    assert all(version == base + 1 and got == wrote for base, version, got, wrote in answers)
    database.close()


def test_a_write_under_a_key_is_made_once_though_its_answer_was_lost(racks: Racks) -> None:
    rack = racks.create("Porch", brief(0))
    for again in range(2):
        token = REQUEST.set(Request("press-1"))
        try:
            if again:
                with pytest.raises(AlreadyWritten):
                    racks.save(rack.id, rack.version + 1, brief(2), "again")
            else:
                racks.save(rack.id, rack.version, brief(1), "once")
        finally:
            REQUEST.reset(token)
    assert (racks.get(rack.id).version, racks.get(rack.id).brief) == (rack.version + 1, brief(1))


def test_another_programs_file_is_left_alone(tmp_path: Path) -> None:
    for statements in (
        ["CREATE TABLE song (id)"],
        ["PRAGMA application_id = 77"],
        ["CREATE TABLE migration (id)"],
    ):
        path = tmp_path / f"{len(statements[0])}.db"
        with sqlite3.connect(path) as other:
            for statement in statements:
                other.execute(statement)
        other.close()
        before = path.read_bytes()
        with pytest.raises(DataFileError, match="another program's"):
            Database(path)
        assert path.read_bytes() == before


def test_a_file_is_read_without_a_trace_and_made_by_nobody_who_reads(
    racks: Racks, file: Path, tmp_path: Path
) -> None:
    racks.create("Porch", brief(7))
    for _ in range(2):  # while it is open elsewhere, and after
        before = sorted(file.parent.iterdir())
        reader = Database(file, to_read=True)
        assert Racks(reader).all()[0].brief == brief(7)
        with pytest.raises(DataFileError, match="read-only"):
            Racks(reader).create("Hall", brief(1))
        reader.backup(tmp_path / "copy.db")
        (tmp_path / "copy.db").unlink()
        reader.close()
        assert sorted(file.parent.iterdir()) == before
        racks._db.close()
    with pytest.raises(DataFileError, match="There is no data file"):
        Database(tmp_path / "none.db", to_read=True)
    assert not (tmp_path / "none.db").exists()


@pytest.mark.parametrize("replaced", [True, False])
def test_a_file_that_was_taken_away_is_told_at_the_next_write(
    racks: Racks, file: Path, replaced: bool
) -> None:
    rack = racks.create("Porch", brief(0))
    file.rename(file.with_suffix(".away"))
    if replaced:
        file.write_bytes(b"")
    with pytest.raises(DataFileError, match="deleted, moved or replaced") as caught:
        racks.save(rack.id, rack.version, brief(1), "lost")
    assert caught.value.kind == "gone"
    file.with_suffix(".away").replace(file)
    assert racks.save(rack.id, rack.version, brief(1), "kept").brief == brief(1)


def test_who_reads_does_not_wait_for_a_lock_that_another_program_holds(
    racks: Racks, file: Path
) -> None:
    rack = racks.create("Porch", brief(0))
    with closing(sqlite3.connect(file, isolation_level=None)) as other:
        other.execute("BEGIN EXCLUSIVE")
        waits = Thread(target=racks.save, args=(rack.id, rack.version, brief(1), "x"))
        waits.start()
        sleep(0.05)  # the writer waits by now
        assert racks.get(rack.id) == rack
        assert Database(file, to_read=True).read_only
        assert waits.is_alive(), "the reader was there first"
        other.execute("ROLLBACK")
        waits.join()
    # The lock was let go before the wait was over: then the write is made.
    assert racks.get(rack.id).brief == brief(1)


@pytest.fixture
def stock(file: Path) -> Iterator[Stock]:
    database = Database(file)
    Racks(database).create("Porch", brief(0))
    yield Stock(database)
    database.close()


def test_sticks_come_go_and_come_back_in_their_order(stock: Stock) -> None:
    first, second, third = stock.add([{"n": 1}, {"n": 2}, {"n": 3}])
    stock.take([second])
    assert [stick for _, stick in stock.sticks()] == [{"n": 1}, {"n": 3}]
    stock.change(third, {"n": 4})
    stock.take([second], back=True)
    assert [stick for _, stick in stock.sticks()] == [{"n": 1}, {"n": 2}, {"n": 4}]
    assert stock.stick(first) == {"n": 1}
    for change in (
        lambda: stock.stick("none"),
        lambda: stock.change("none", {}),
        lambda: stock.take(["none"]),
    ):
        with pytest.raises(StoreNotFound, match="There is no stick “none”"):
            change()


def test_a_plan_is_carried_out_as_one_and_taken_back_as_one(stock: Stock, file: Path) -> None:
    with sqlite3.connect(file) as other:
        rack_id = other.execute("SELECT id FROM sheet").fetchone()[0]
    (board,) = stock.add([{"n": 1}])
    stock.set_ware("glue", "white", 100)
    with pytest.raises(StoreNotFound):
        stock.carry_out(
            rack_id, [board, "none"], [{"n": 9}], [("glue", "white", -5)], "EUR", 10, 12
        )
    assert [stick for _, stick in stock.sticks()] == [{"n": 1}], "all of it or nothing"
    assert stock.wares() == [{"kind": "glue", "name": "white", "amount": 100}]
    done = stock.carry_out(
        rack_id,
        [board],
        [{"n": 2}, {"n": 3}],
        [("glue", "white", -30), ("screw", "s", 8)],
        "EUR",
        10,
        12,
    )
    assert [stick for _, stick in stock.sticks()] == [{"n": 2}, {"n": 3}]
    assert [(ware["name"], ware["amount"]) for ware in stock.wares()] == [("white", 70), ("s", 8)]
    assert stock.sawings(rack_id) == [done]
    # Five of the eight screws were used for something else meanwhile: no more than are there go.
    stock.set_ware("screw", "s", 3)
    stock.take_back(rack_id, done.id)
    assert [stick for _, stick in stock.sticks()] == [{"n": 1}]
    assert stock.wares() == [{"kind": "glue", "name": "white", "amount": 100}]
    assert stock.sawings(rack_id) == []
    with pytest.raises(StoreNotFound):
        stock.take_back(rack_id, done.id)


def test_of_presses_at_once_one_books_the_sawing_and_one_takes_it_back(
    stock: Stock, file: Path
) -> None:
    with sqlite3.connect(file) as other:
        rack_id = other.execute("SELECT id FROM sheet").fetchone()[0]
    boards = stock.add([{"n": 1}, {"n": 2}])

    def at_once(work: Callable[[int], object]) -> list[str]:
        outcomes: list[str] = []

        def press(n: int) -> None:
            try:
                work(n)
                outcomes.append("done")
            except (StaleStock, StoreNotFound) as error:
                outcomes.append(type(error).__name__)

        threads = [Thread(target=press, args=(n,)) for n in range(4)]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        return sorted(outcomes)

    assert at_once(
        lambda n: stock.carry_out(rack_id, [boards[n % 2]], [{"n": 9}], [], "EUR", 1, 1)
    ) == ["StaleStock", "StaleStock", "StaleStock", "done"]
    (sawing,) = stock.sawings(rack_id)
    assert len(stock.sticks()) == 2
    with pytest.raises(StaleStock, match="cut up on"):
        stock.take(sawing.cut, back=True)
    # Another one like it is sawn from the offcut: that comes back first.
    again = stock.carry_out(rack_id, list(sawing.made), [], [], "EUR", 1, 1, after=1)
    with pytest.raises(StaleStock, match="take that sawing back first"):
        stock.take_back(rack_id, sawing.id)
    for done in (again, sawing):
        assert at_once(partial(_take_back, stock, rack_id, done.id)) == 3 * ["StoreNotFound"] + [
            "done"
        ]
    assert {stick_id for stick_id, _ in stock.sticks()} == set(boards)


def test_a_fact_that_comes_twice_under_one_id_is_there_once_and_is_taken_back_by_another(
    racks: Racks, file: Path
) -> None:
    facts, rack = Facts(Database(file)), racks.create("Porch", brief(0))
    drilled = Fact(
        "phone-1", rack.id, "2026-11-28T19:00", Kind.DONE, "peg-hole:rail", {"made": {}}, "phone"
    )
    assert [facts.tell(drilled) for _ in range(2)] == [True, False]
    facts.tell(replace(drilled, id="laptop-1", device="laptop"))
    assert [one.id for one in facts.standing(rack.id)] == ["phone-1", "laptop-1"]
    assert facts.standing(rack.id)[0] == drilled
    for _ in range(2):  # it comes twice, and meanwhile it was done again
        facts.take_back_all(rack.id, Kind.DONE, "peg-hole:rail", by="phone-2")
        facts.tell(replace(drilled, id="phone-3"))
        assert [one.id for one in facts.standing(rack.id)] == ["phone-3"]
    facts.take_back_all(
        rack.id, Kind.DONE, "peg-hole:rail", by="phone-3"
    )  # that id was told already
    assert [one.id for one in facts.standing(rack.id)] == ["phone-3"]
    with pytest.raises(StoreNotFound):
        facts.take_back(rack.id, "phone-1")
    with pytest.raises(SheetNotFound):
        facts.tell(replace(drilled, rack_id="none", id="x"))
    with sqlite3.connect(file) as other:
        assert other.execute("SELECT count(*) FROM fact").fetchone() == (5,), "nothing is ever gone"


def test_ticks_entries_and_sawings_of_before_are_facts(file: Path) -> None:
    database = Database(file)
    rack = Racks(database).create("Porch", brief(0))
    with database.writing() as db:
        for statement in (
            *(f"ALTER TABLE sheet DROP COLUMN {one}" for one in ("tags", "favourite", "done")),
            "DROP TABLE settings",
            "DROP TABLE fact",
            "DELETE FROM migration WHERE number > 8",
            "CREATE TABLE tick (rack_id, item, at)",
            "CREATE TABLE said (id, made_at)",
            "CREATE TABLE entry (id, rack_id, day, kind, what, data, made_at, gone_at)",
            (
                "CREATE TABLE sawing (id, rack_id, cut, made, wares, currency, planned, spent,"
                " made_at, back_at)"
            ),
        ):
            db.execute(statement)
        db.execute("INSERT INTO tick VALUES (?, 'measure', '2026-11-27T19:00')", (rack.id,))
        entry = (
            "INSERT INTO entry VALUES (?, ?, '2026-11-28', 'measured', '2', ?,"
            " '2026-11-28T20:00', ?)"
        )
        db.execute(entry, ("e1", rack.id, '{"at": "404 mm", "planned": "390 mm"}', None))
        db.execute(
            entry, ("e2", rack.id, '{"at": "40 mm", "planned": "390 mm"}', "2026-11-28T21:00")
        )
        sawn = (
            'INSERT INTO sawing VALUES (?, ?, \'["a"]\', \'["b"]\', \'[["glue", "white", -5]]\','
            " 'EUR', 10, 12, '2026-11-26T20:00', ?)"
        )
        db.execute(sawn, ("s1", rack.id, None))
        db.execute(sawn, ("s2", rack.id, "2026-11-26T21:00"))
    database.close()
    brought = Database(file)
    assert [(one.kind, one.what) for one in Facts(brought).standing(rack.id)] == [
        ("sawn", ""),
        ("done", "measure"),
        ("measured", "2"),
    ]
    (sawing,) = Stock(brought).sawings(rack.id)
    assert (sawing.cut, sawing.made, sawing.wares, sawing.spent) == (
        ("a",),
        ("b",),
        (("glue", "white", -5),),
        12,
    )
    brought.close()


def test_the_newest_list_of_a_supplier_stands_for_it(stock: Stock) -> None:
    stock.keep_prices("Yard", {"n": 1})
    sleep(0.002)
    stock.keep_prices("Shop", {"n": 2})
    sleep(0.002)
    stock.keep_prices("Yard", {"n": 3})
    assert [prices for prices, _ in stock.price_lists()] == [{"n": 3}, {"n": 2}]
    stock.forget_prices("Yard")
    assert [prices for prices, _ in stock.price_lists()] == [{"n": 2}]
    with pytest.raises(StoreNotFound, match="price list “Yard”"):
        stock.forget_prices("Yard")


def _take_back(stock: Stock, rack_id: str, sawing: str, _: int) -> None:
    stock.take_back(rack_id, sawing)
