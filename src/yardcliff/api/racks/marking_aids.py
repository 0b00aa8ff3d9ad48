"""Aids for marking out: story stick, drilling jig, family of lengths."""

from typing import Annotated

from fastapi import APIRouter, Query, Response

from yardcliff.api.deps import App
from yardcliff.api.files import attached
from yardcliff.api.wire import Wire
from yardcliff.app.application import Application
from yardcliff.core.design.change import read_brief
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.row.marking_aids import Pair, drilling_jig, family, story_stick
from yardcliff.core.row.row import Row
from yardcliff.exports.family_csv import write_family
from yardcliff.exports.paper import Paper

router = APIRouter(prefix="/api/racks/{rack_id}/aids", tags=["aids"])


class MemberView(Wire):
    """One length of the family."""

    count: int
    length: str
    marks: list[str]


class JigView(Wire):
    """What a jig would be: its length, how often it is moved, what that may add up to."""

    holes: int
    length: str
    moves: int
    error: str


def _open(app: Application, rack_id: str) -> tuple[str, Design]:
    record = app.racks.get(rack_id)
    return record.name, design(read_brief(record.brief))


def _lanes(name: str, done: Design) -> list[tuple[str, Row]]:
    """A lane for each row that has marks of its own."""
    rows = done.rack.rows
    if len(rows) == 1:
        return [(name, rows[0].row)]
    return [
        (f"{name}, {done.rack.named(group).lower()}", rows[group[0]].row)
        for group in done.rack.alike
    ]


@router.get("/stick.pdf", response_class=Response)
def stick(
    rack_id: str,
    app: App,
    others: Annotated[list[str], Query(alias="with", max_length=4)] = [],  # noqa: B006
    pair: Pair = "none",
    paper: Paper = "a4",
) -> Response:
    """A story stick: this rack's marks, those of other racks beside them, or both
    boards of a pair.
    """
    from yardcliff.exports.strip import write_strip  # reportlab is slow to import

    opened = [_open(app, one) for one in (rack_id, *others)]
    tape = opened[0][1].tape
    lanes = [lane for name, done in opened for lane in _lanes(name, done)]
    strip = story_stick(lanes, tape, pair)
    return attached(write_strip(strip, tape, paper), "application/pdf", opened[0][0], "stick.pdf")


@router.get("/jig")
def jig(rack_id: str, app: App, holes: int = 4) -> JigView:
    """A drilling jig's figures. 400 where the row has no one pitch to repeat."""
    name, done = _open(app, rack_id)
    made = drilling_jig(name, done.rack.row, done.tape, done.rack.bores[0].bit, holes)
    write = done.tape.write_fine
    return JigView(
        holes=made.holes, length=write(made.length), moves=made.moves, error=write(made.error)
    )


@router.get("/jig.pdf", response_class=Response)
def jig_pdf(rack_id: str, app: App, holes: int = 4, paper: Paper = "a4") -> Response:
    """The jig at true size."""
    from yardcliff.exports.strip import write_strip  # reportlab is slow to import

    name, done = _open(app, rack_id)
    made = drilling_jig(name, done.rack.row, done.tape, done.rack.bores[0].bit, holes)
    return attached(write_strip(made.strip, done.tape, paper), "application/pdf", name, "jig.pdf")


@router.get("/family")
def lengths(rack_id: str, app: App, fewest: int, most: int) -> list[MemberView]:
    """The same rack at every count from `fewest` to `most`: its board and its marks."""
    _, done = _open(app, rack_id)
    write = done.tape.write
    return [
        MemberView(
            count=row.count, length=write(row.length), marks=[write(axis) for axis in row.axes]
        )
        for row in family(done.rack.row, fewest, most)
    ]


@router.get("/family.csv", response_class=Response)
def lengths_csv(rack_id: str, app: App, fewest: int, most: int) -> Response:
    """The same as CSV."""
    name, done = _open(app, rack_id)
    return attached(
        write_family(family(done.rack.row, fewest, most), done.tape), "text/csv", name, "family.csv"
    )
