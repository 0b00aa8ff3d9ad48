"""What is ticked off at the bench; the whole cut plan is so too."""

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Depends
from pydantic import TypeAdapter, ValidationError

from yardcliff.api.deps import App, AskedLocale, ThisLog
from yardcliff.api.making.views import view_card
from yardcliff.api.making.wire import TickedOff
from yardcliff.api.wood.routes import get_timber
from yardcliff.api.wood.wire import Spent, TimberView
from yardcliff.app.ticks import Tick, Ticks
from yardcliff.core.built.facts import Json
from yardcliff.core.design.rack_design import Design
from yardcliff.core.findings.patch import BriefError, problems
from yardcliff.core.making.task import Task
from yardcliff.core.units.money import Money

router = APIRouter(prefix="/api/racks/{rack_id}", tags=["making"])


def _as_kept(task: Task, design: Design) -> Json:
    return view_card(task, design).model_dump(mode="json")


def _ticks(log: ThisLog, locale: AskedLocale) -> Ticks:
    return Ticks(log, locale, _as_kept)


TheseTicks = Annotated[Ticks, Depends(_ticks)]


@router.post("/making/ticks", status_code=204)
def tick(body: TickedOff, ticks: TheseTicks) -> None:
    """Tick items off, or take that back: tasks by their key, lines by their `item`. `clock` is a
    coming to the bench, `clock|START` a stint from then on until `at`: it goes into the log. Sent
    twice, each counts once.
    """
    with ticks.log.app.facts.changing():
        ticks.take((Tick(each.id, each.item, each.at) for each in body.said), body.device)


@router.post("/timber/done", status_code=201, tags=["timber"])
def carry_out(body: Spent, ticks: TheseTicks, app: App, locale: AskedLocale) -> TimberView:
    """All of the plan was carried out, like every cut card being done: what it cut up leaves the
    rack of timber, its offcuts come onto it, screws and tins are used up or left over, what was
    spent is kept.
    """
    try:
        spent = None if body.spent is None else TypeAdapter(Money).validate_python(body.spent)
    except ValidationError as error:
        raise BriefError([("spent", message) for _, message in problems(error)]) from None
    ticks.saw_all(spent, body.after, body.now or datetime.now())
    return get_timber(ticks.log.rack_id, app, locale)


@router.delete("/timber/done/{sawing_id}", tags=["timber"])
def take_back_sawing(
    sawing_id: str, ticks: TheseTicks, app: App, locale: AskedLocale
) -> TimberView:
    """As if it had not been carried out: the sticks come back, the offcuts go, the cards are open
    again.
    """
    ticks.take_back_sawing(sawing_id)
    return get_timber(ticks.log.rack_id, app, locale)
