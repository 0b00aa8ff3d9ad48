"""Working a brief out without storing it: once, or along a line that a drag keeps open."""

import asyncio
from collections.abc import Callable

from fastapi import APIRouter, Response, WebSocket, WebSocketDisconnect
from pydantic import BaseModel, Field, ValidationError

from yardcliff.api.deps import App
from yardcliff.api.errors import Problem, explained, several
from yardcliff.api.racks.views import signed, view_design
from yardcliff.api.racks.wire import BriefJson, DesignView
from yardcliff.api.reading import unreadable
from yardcliff.api.wire import Wire
from yardcliff.app.application import Application
from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.design.capacity import most_on
from yardcliff.core.design.change import amend, read_brief
from yardcliff.core.findings.finding import Patch
from yardcliff.core.row.mark_check import check_marks, read_marks
from yardcliff.core.row.order import Aim, reorder
from yardcliff.core.units.length import exact_text
from yardcliff.core.units.length_text import read
from yardcliff.core.ways import solve_row
from yardcliff.messages import tr

router = APIRouter(prefix="/api", tags=["solve"])


MANY = 200
"""Things in a row beyond which working it out takes more than some frames of a drag."""


class Try(BaseModel):
    """A brief and a change to try on it; nothing is stored. `rack` says whose it is: its wall has
    others on it.
    """

    rack: str | None = None
    brief: BriefJson
    patch: Patch = Field(default_factory=dict)


class Tried(Wire):
    """What a message on the line led to: a design, or what could not be read."""

    design: DesignView | None = None
    problem: Problem | None = None


def _tried(body: Try, app: Application) -> DesignView:
    return view_design(app.designs.design(amend(read_brief(body.brief), body.patch), body.rack))


@router.post("/solve", response_model=DesignView)
async def solve(body: Try, app: App) -> Response:
    """Work out a brief with a change, without storing it."""
    # The answer is written here instead of being checked and written again by the framework.
    return Response(
        await _worked(lambda: _tried(body, app).model_dump_json(), body),
        media_type="application/json",
    )


async def _worked(work: Callable[[], str], body: Try) -> str:
    """No hop to a worker thread for a few milliseconds of arithmetic: only where everybody else
    would have to wait.
    """
    rows = [part.get("row") for part in (body.brief, body.patch)]
    counts = [row.get("count") for row in rows if isinstance(row, dict)]
    many = any(not isinstance(count, int) or count > MANY for count in counts if count is not None)
    return await asyncio.to_thread(work) if many else work()


async def _answer(text: str, app: Application) -> str:
    try:
        if wrong := unreadable(text):
            return Tried(problem=several(wrong)).model_dump_json()
        body = Try.model_validate_json(text)
        return await _worked(lambda: Tried(design=_tried(body, app)).model_dump_json(), body)
    except (YardcliffError, ValidationError) as error:
        return Tried(problem=explained(error)).model_dump_json()


@router.websocket("/solve")
async def solve_along(line: WebSocket, app: App) -> None:
    """The same for as long as the line is open: each message a `Try`, each answer a `Tried`, in
    order.

    What a drag asks on every frame: no request to set up, a third of the way there and back.
    """
    await line.accept()
    try:
        while True:
            text = await line.receive_text()
            await line.send_text(await _answer(text, app))
    except WebSocketDisconnect:
        return


class Aimed(BaseModel):
    """A brief whose things are to be put in a better order."""

    brief: BriefJson
    aim: Aim = Field(description="`length`: the shortest board; `pitch`: the least pitch for all.")


class ReorderView(Wire):
    """The best order found, as a patch that takes it; `proved` if no order can be better."""

    before: str
    after: str
    proved: bool
    changes: bool
    patch: Patch


@router.post("/reorder")
def reorder_things(body: Aimed) -> ReorderView:
    """Put mixed things in the order that needs the least; what a pin holds stays in its place."""
    brief = read_brief(body.brief)
    row, tape = solve_row(brief), brief.in_hand
    found = reorder(row, body.aim)
    return ReorderView(
        before=tape.write(found.before),
        after=tape.write(found.after),
        proved=found.proved,
        changes=found.order != tuple(thing.kind for thing in row.things),
        patch={"row": {"order": list(found.order)}},
    )


class WallWidth(BaseModel):
    """A brief, and how wide the wall is: as text, bare numbers in the tape's unit."""

    brief: BriefJson
    width: str = Field(max_length=80, examples=["2.4 m"])


class MostView(Wire):
    """The most that fits on the wall, as a patch that takes it."""

    says: str
    patch: Patch


@router.post("/most")
def most(body: WallWidth) -> MostView:
    """The most that can hang on a wall of that width: as many as it takes, in as many rows as reach
    the floor.
    """
    brief = read_brief(body.brief)
    tape = brief.in_hand
    found = most_on(brief, read(body.width, tape.unit))
    rows = tr("api.in-rows", rows=found.rows) if found.rows > 1 else tr("api.in-one-row")
    return MostView(
        says=tr("api.would-hang-there", things=found.things, rows=rows), patch=found.patch
    )


class MarksText(BaseModel):
    """Marks to hold against a brief's own, as text: from the datum, bare numbers in the tape's
    unit.
    """

    brief: BriefJson
    text: str = Field(max_length=8000, examples=["121, 362, 604"])


class CheckedMarkView(Wire):
    """A mark as given, the holder it stands for, and how far off it is."""

    x: float
    text: str
    holder: int | None
    planned: str | None
    off: str | None
    good: bool


class CheckView(Wire):
    """What the marks look like, mark by mark; `adopt` is the patch that pins the holders where they
    are.
    """

    code: str
    title: str
    says: str
    marks: list[CheckedMarkView]
    missing: list[str]
    air: str | None = Field(
        description="The least between the things if the marks are used as they are."
    )
    touches: bool
    adopt: Patch | None


@router.post("/check")
def check(body: MarksText) -> CheckView:
    """Hold marks against the plan: the scheme they follow, which are off, and which classic slip it
    looks like.
    """
    brief = read_brief(body.brief)
    row, tape = solve_row(brief), brief.in_hand
    found = check_marks(read_marks(body.text, tape), row, tape, brief.board.thickness)
    pairs = found.air is not None or (row.count == 1 and len(found.marks) == row.holders)
    off = any(not mark.good for mark in found.marks)
    pins = [{"index": k, "at": exact_text(mark.given)} for k, mark in enumerate(found.marks)]
    return CheckView(
        code=found.slip.code,
        title=found.slip.title,
        says=found.slip.says,
        marks=[
            CheckedMarkView(
                x=float(mark.given),
                text=tape.write(mark.given),
                holder=mark.planned,
                planned=None if mark.planned is None else tape.write(row.axes[mark.planned]),
                off=None if mark.planned is None else signed(mark.off, tape),
                good=mark.good,
            )
            for mark in found.marks
        ],
        missing=[tape.write(row.axes[i]) for i in found.missing],
        air=None if found.air is None else tape.write(found.air),
        touches=found.air is not None and found.air < 0,
        adopt={"row": {"pins": pins}} if pairs and off else None,
    )
