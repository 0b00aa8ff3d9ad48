"""Working a brief out without storing it: once, or along a line that a drag keeps open."""

import asyncio
from collections.abc import Callable
from typing import Annotated

from fastapi import APIRouter, Response, WebSocket, WebSocketDisconnect
from pydantic import BaseModel, Field, ValidationError

from yardcliff.api.deps import OnSite, Own, OwnItems, Sites
from yardcliff.api.errors import Problem, explained, several
from yardcliff.api.reading import unreadable
from yardcliff.api.scene_wire import Wire
from yardcliff.api.views import signed, view_design
from yardcliff.api.wire import BriefJson, DesignView, WayView
from yardcliff.core.amend import BriefError, amend, read_brief
from yardcliff.core.begin import Begun, begin_on
from yardcliff.core.check_marks import check_marks, read_marks
from yardcliff.core.design import design
from yardcliff.core.errors import YardcliffError
from yardcliff.core.families import FAMILIES, Brief, ranked, solve_row
from yardcliff.core.families import starting as starting_rack
from yardcliff.core.findings import Patch
from yardcliff.core.length import Tape, TapeName, exact_text, read
from yardcliff.core.listing import Listed
from yardcliff.core.model import MAX_COUNT, Count
from yardcliff.core.most import most_on
from yardcliff.core.order import Aim, reorder

router = APIRouter(prefix="/api", tags=["solve"])


MANY = 200
"""Things in a row beyond which working it out takes more than some frames of a drag."""


class Try(BaseModel):
    """A brief and a change to try on it; nothing is stored. `rack` says whose it is: its wall has others on it."""

    rack: str | None = None
    brief: BriefJson
    patch: Patch = Field(default_factory=dict)


class Tried(Wire):
    """What a message on the line led to: a design, or what could not be read."""

    design: DesignView | None = None
    problem: Problem | None = None


def _tried(body: Try, sites: Sites) -> DesignView:
    return view_design(sites.design(amend(read_brief(body.brief), body.patch), body.rack))


@router.post("/solve", response_model=DesignView)
async def solve(body: Try, sites: OnSite) -> Response:
    """Work out a brief with a change, without storing it."""
    # The answer is written here instead of being checked and written again by the framework.
    return Response(await _worked(lambda: _tried(body, sites).model_dump_json(), body), media_type="application/json")


async def _worked(work: Callable[[], str], body: Try) -> str:
    """No hop to a worker thread for a few milliseconds of arithmetic: only where everybody else would have to wait."""
    rows = [part.get("row") for part in (body.brief, body.patch)]
    counts = [row.get("count") for row in rows if isinstance(row, dict)]
    many = any(not isinstance(count, int) or count > MANY for count in counts if count is not None)
    return await asyncio.to_thread(work) if many else work()


@router.websocket("/solve")
async def solve_along(line: WebSocket, sites: OnSite) -> None:
    """The same for as long as the line is open: each message a `Try`, each answer a `Tried`, in order.

    What a drag asks on every frame: no request to set up, a third of the way there and back.
    """
    await line.accept()
    try:
        while True:
            text = await line.receive_text()
            try:
                if wrong := unreadable(text):
                    answer = Tried(problem=several(wrong)).model_dump_json()
                else:
                    body = Try.model_validate_json(text)
                    answer = await _worked(lambda: Tried(design=_tried(body, sites)).model_dump_json(), body)  # noqa: B023 (awaited)
            except (YardcliffError, ValidationError) as error:
                answer = Tried(problem=explained(error)).model_dump_json()
            await line.send_text(answer)
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
    row, tape = solve_row(brief), Tape.named(brief.tape)
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
    """The most that can hang on a wall of that width: as many as it takes, in as many rows as reach the floor."""
    brief = read_brief(body.brief)
    tape = Tape.named(brief.tape)
    found = most_on(brief, read(body.width, tape.unit))
    rows = f" in {found.rows} rows" if found.rows > 1 else " in one row"
    return MostView(says=f"{found.things} would hang there{rows}.", patch=found.patch)


class MarksText(BaseModel):
    """Marks to hold against a brief's own, as text: from the datum, bare numbers in the tape's unit."""

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
    """What the marks look like, mark by mark; `adopt` is the patch that pins the holders where they are."""

    code: str
    title: str
    says: str
    marks: list[CheckedMarkView]
    missing: list[str]
    air: str | None = Field(description="The least between the things if the marks are used as they are.")
    touches: bool
    adopt: Patch | None


@router.post("/check")
def check(body: MarksText) -> CheckView:
    """Hold marks against the plan: the scheme they follow, which are off, and which classic slip it looks like."""
    brief = read_brief(body.brief)
    row, tape = solve_row(brief), Tape.named(brief.tape)
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


class Hang(BaseModel):
    """So many of one thing of the list."""

    item: str = Field(description="Key of a thing in the list.", examples=["waxed-jacket"])
    count: Count = 5


Hangs = Annotated[list[Hang], Field(min_length=1, max_length=20, description="What hangs; the first is the main kind.")]


class Start(BaseModel):
    """What a new rack is asked for."""

    hangs: Hangs
    tape: TapeName = "1 mm"
    wall: str | None = Field(None, max_length=40, description="The wall that it is for.")


@router.post("/start")
def start(body: Start, own: Own, sites: OnSite) -> list[WayView]:
    """What a new rack for these things would be by each way that could hold them, the most fitting first."""
    hangs = _listed(body.hangs, own)
    rated = ranked(tuple(listed.item for listed, _ in hangs))
    offered = [one for one in rated if one[1].score] or rated[:1]
    begun = [(way, fitness, _on_wall(way.start(hangs, body.tape), body.wall, sites)) for way, fitness in offered]
    return [
        WayView(
            family=way.key,
            name=way.name,
            says=way.says,
            fits=fitness.word,
            why=fitness.why,
            on_wall=there.says,
            design=view_design(design(there.brief)),
        )
        for way, fitness, there in begun
    ]


def _on_wall(brief: Brief, wall: str | None, sites: Sites) -> Begun:
    """A brief on the wall that it is for. Raises `BriefError` for one that is gone."""
    if wall is None:
        return Begun(brief, "")
    site = sites.of(amend(brief, {"place": {"wall": wall}}))
    if site is None:
        raise BriefError([("wall", "That wall is gone: choose another one, or none.")])
    return begin_on(brief, wall, site)


def starting(
    hangs: list[Hang], tape: TapeName, family: str | None, wall: str | None, own: OwnItems, sites: Sites
) -> Brief:
    """A new rack's brief, by the way asked for or the most fitting one, on its wall. Raises `BriefError` as `_listed` does."""
    if family is not None and family not in FAMILIES:
        raise BriefError([("family", f"“{family[:40]}” is none of: {', '.join(FAMILIES)}.")])
    return _on_wall(starting_rack(_listed(hangs, own), tape, family), wall, sites).brief


def _listed(hangs: list[Hang], own: OwnItems) -> list[tuple[Listed, int]]:
    """Raises `BriefError` for a thing that is not in the list, or more than a rack holds."""
    many = sum(hang.count for hang in hangs)
    if many > MAX_COUNT:
        raise BriefError([("count", f"{many} things are too many: {MAX_COUNT} fit on a rack.")])
    counts: dict[str, int] = {}
    for hang in hangs:
        counts[hang.item] = counts.get(hang.item, 0) + hang.count
    return [(own.find(key), count) for key, count in counts.items()]
