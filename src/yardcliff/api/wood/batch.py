"""Racks that are cut together: one plan, told along an open line as it gets better, to be ended at
any time.
"""

import asyncio
from collections.abc import Callable
from contextlib import suppress
from threading import Event
from typing import Annotated

from fastapi import APIRouter, Response, WebSocket, WebSocketDisconnect
from pydantic import BaseModel, Field, ValidationError

from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.errors import Problem, explained, several
from yardcliff.api.reading import unreadable
from yardcliff.api.wire import Wire
from yardcliff.api.wood.routes import FileKind, timber_file
from yardcliff.api.wood.views import SoFar, view_timber
from yardcliff.api.wood.wire import TimberView
from yardcliff.app.application import Application
from yardcliff.app.locale import UserLocale
from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.design.change import amend, read_brief
from yardcliff.core.design.rack_design import design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.findings.patch import BriefError, problems
from yardcliff.core.units.text import shortened
from yardcliff.core.wood.batching import Member, batch
from yardcliff.exports.paper import Paper
from yardcliff.messages import listed, tr

router = APIRouter(prefix="/api/timber", tags=["timber"])
MOST = 60
"""Racks and lengths in one batch."""


class Part(BaseModel):
    """A rack of the batch: so many of it, with `patch` at another length."""

    rack: str
    copies: int = Field(1, ge=1, le=50)
    patch: Patch = Field(default_factory=dict)


class Asked(BaseModel):
    """What is cut together, and what with."""

    racks: Annotated[list[Part], Field(min_length=1, max_length=MOST)]
    cutting: Cutting = Cutting()


class BatchView(Wire):
    """A batch: how far it is while it is solved, then the whole plan and what going one by one
    would have cost.
    """

    within: str
    timber: TimberView | None
    apart: str
    saves: str
    problem: Problem | None = None


def solved(
    asked: Asked,
    app: Application,
    locale: UserLocale,
    told: Callable[[int, int], bool] | None = None,
) -> BatchView:
    """The batch worked out."""
    supply, members = app.supplies.supply(), _members(asked, app)
    found = batch(members, supply, asked.cutting, told)
    seen = view_timber(found.together, asked.cutting, members[0].done.tape, supply, SoFar(), locale)
    less = found.apart - found.together.cost.total
    return BatchView(
        within="",
        timber=seen,
        apart=locale.money(found.apart, supply.currency),
        saves=locale.money(less, supply.currency) if less > 0 else "",
    )


def _members(asked: Asked, app: Application) -> list[Member]:
    """The racks at the lengths that are asked for; the first one's tape writes all lengths."""
    members = []
    for part in asked.racks:
        record = app.racks.get(part.rack)
        brief = amend(read_brief(record.brief), part.patch)
        # At another length it is another one, whatever is built of the first.
        done = (
            design(brief, app.designs.site(brief, part.rack))
            if part.patch
            else app.designs.design(brief, part.rack)
        )
        size = f", {done.tape.write(done.rack.row.length)}" if part.patch else ""
        members.append(Member(record.name + size, done, part.copies))
    return members


@router.get("/batch/files/{kind}", tags=["files"], response_class=Response)
def export_batch(
    kind: FileKind, asked: str, app: App, locale: AskedLocale, paper: Paper = "a4"
) -> Response:
    """The plan or the list of a batch as a file; `asked` is what the line is sent."""
    try:
        what = Asked.model_validate_json(asked)
    except ValidationError as error:
        raise BriefError(problems(error)) from None
    supply, members = app.supplies.supply(), _members(what, app)
    found = batch(members, supply, what.cutting).together
    name = shortened(listed(dict.fromkeys(member.name for member in members)), 80)
    tape = members[0].done.tape
    return timber_file(kind, name, found, tape, supply.currency, locale, paper)


@router.websocket("/batch")
async def line(socket: WebSocket, app: App, locale: AskedLocale) -> None:
    """One batch a message: answers how near the best its plan is as often as that changes, then all
    of it. Any further message ends the search with what was found so far.
    """
    await socket.accept()
    loop = asyncio.get_running_loop()
    with suppress(WebSocketDisconnect):
        while True:
            text = await socket.receive_text()
            news: asyncio.Queue[str] = asyncio.Queue()
            stop = Event()

            def told(
                total: int, bound: int, news: asyncio.Queue[str] = news, stop: Event = stop
            ) -> bool:
                share = 100 * (total - bound) / max(bound, 1)
                within = (
                    tr("api.nothing-found-yet")
                    if total >> 61
                    else tr("api.within-of-the-best", share=f"{share:.1f}")
                )
                loop.call_soon_threadsafe(news.put_nowait, within)
                return not stop.is_set()

            work = asyncio.create_task(asyncio.to_thread(_worked, text, app, locale, told))
            await _follow(socket, work, news, stop)


def _worked(
    text: str, app: Application, locale: UserLocale, told: Callable[[int, int], bool]
) -> BatchView:
    try:
        if wrong := unreadable(text):
            return BatchView(within="", timber=None, apart="", saves="", problem=several(wrong))
        return solved(Asked.model_validate_json(text), app, locale, told)
    except (YardcliffError, ValidationError) as error:
        return BatchView(within="", timber=None, apart="", saves="", problem=explained(error))


async def _follow(
    socket: WebSocket, work: "asyncio.Task[BatchView]", news: "asyncio.Queue[str]", stop: Event
) -> None:
    """Send the news until the work is done; whoever writes or goes away meanwhile ends it."""
    hears = asyncio.create_task(socket.receive_text())
    try:
        while not work.done():
            getter = asyncio.create_task(news.get())
            done, _ = await asyncio.wait({work, getter, hears}, return_when=asyncio.FIRST_COMPLETED)
            if getter in done:
                await socket.send_text(
                    BatchView(
                        within=getter.result(), timber=None, apart="", saves=""
                    ).model_dump_json()
                )
            else:
                getter.cancel()
            if hears in done:
                stop.set()
                hears.result()  # a line that was closed says so here
                hears = asyncio.create_task(asyncio.Event().wait())  # type: ignore[arg-type]
        await socket.send_text(work.result().model_dump_json())
    finally:
        stop.set()
        hears.cancel()
