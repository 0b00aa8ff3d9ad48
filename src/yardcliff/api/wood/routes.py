"""A rack's timber: its cut plan, its shopping list, what a change of them would cost, and carrying
it out.
"""

from typing import Literal

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.files import attached
from yardcliff.api.wood.views import SoFar, view_timber
from yardcliff.api.wood.wire import CostView, TimberView, TriedView
from yardcliff.app.application import Application
from yardcliff.app.locale import UserLocale
from yardcliff.core.base.model import Count
from yardcliff.core.design.change import amend, read_brief
from yardcliff.core.findings.finding import Patch
from yardcliff.core.row.count_ladder import ladder
from yardcliff.core.units.length import Tape
from yardcliff.core.ways import Brief
from yardcliff.core.wood.rack_timber import Timber, priced, timber
from yardcliff.exports.paper import Paper
from yardcliff.exports.timber_csv import write_plan, write_shopping
from yardcliff.messages import tr

FileKind = Literal["cut-plan.pdf", "cut-plan.csv", "shopping.csv"]
router = APIRouter(prefix="/api/racks/{rack_id}/timber", tags=["timber"])


class Try(BaseModel):
    """A change of the brief that is tried, and not kept."""

    patch: Patch = Field(default_factory=dict)


def _view(rack_id: str, brief: Brief, app: Application, locale: UserLocale) -> TimberView:
    done, supply = app.designs.design(brief, rack_id), app.supplies.supply()
    found = timber(done, supply, done.on_wall.site)
    spent, _, currency = app.supplies.stock.spent(rack_id)
    so_far = SoFar(
        app.supplies.stock.sawings(rack_id), spent, currency, sum(done.there.pieces.values())
    )
    return view_timber(found, brief.cutting, done.tape, supply, so_far, locale)


@router.get("")
def get_timber(rack_id: str, app: App, locale: AskedLocale) -> TimberView:
    """Where a rack is sawn from, and what it costs."""
    return _view(rack_id, read_brief(app.racks.get(rack_id).brief), app, locale)


@router.post("/try")
def try_timber(rack_id: str, body: Try, app: App, locale: AskedLocale) -> TriedView:
    """What a change would cost: a stick locked or forbidden, a part moved, another saw."""
    brief = read_brief(app.racks.get(rack_id).brief)
    before = _priced(rack_id, brief, app)
    after = _view(rack_id, amend(brief, body.patch), app, locale)
    dearer = after.cost - before.cost.total
    sticks = sum(len(group.sawn) for group in after.groups) - sum(1 for _ in before.plan.sawn)
    said = (
        [
            tr(
                "api.costs-more" if dearer > 0 else "api.costs-less",
                money=locale.money(abs(dearer), after.currency),
            )
        ]
        if dearer
        else []
    )
    if sticks:
        said.append(tr("api.sticks-more" if sticks > 0 else "api.sticks-less", n=abs(sticks)))
    return TriedView(timber=after, says=", ".join(said) or tr("api.costs-the-same"), dearer=dearer)


def _priced(rack_id: str, brief: Brief, app: Application) -> Timber:
    return priced(app.designs.design(brief, rack_id), app.supplies.supply())


@router.get("/ladder")
def get_costs(
    rack_id: str, app: App, locale: AskedLocale, count: Count | None = None
) -> list[CostView]:
    """What each count of the ladder costs, or one of them."""
    brief, supply = read_brief(app.racks.get(rack_id).brief), app.supplies.supply()
    found = []
    for rung in ladder(app.designs.design(brief, rack_id).rack.row, brief.rows):
        if count not in (None, rung.row.count):
            continue
        one = priced(app.designs.design(amend(brief, rung.patch), rack_id), supply)
        total = one.cost.total
        found.append(
            CostView(
                count=rung.row.count,
                total=locale.money(total, supply.currency) if supply.lists else "",
                per_holder=(
                    locale.money(round(total / max(one.holders, 1)), supply.currency)
                    if supply.lists
                    else ""
                ),
            )
        )
    return found


@router.get("/files/{kind}", tags=["files"], response_class=Response)
def export_timber(
    rack_id: str, kind: FileKind, app: App, locale: AskedLocale, paper: Paper = "a4"
) -> Response:
    """The cut plan on paper, or it and the shopping list as files."""
    record, supply = app.racks.get(rack_id), app.supplies.supply()
    done = app.designs.stored(record)
    found = priced(done, supply)
    return timber_file(kind, record.name, found, done.tape, supply.currency, locale, paper)


def timber_file(
    kind: FileKind,
    name: str,
    found: Timber,
    tape: Tape,
    currency: str,
    locale: UserLocale,
    paper: Paper,
) -> Response:
    """A plan or its list as a file, by `name`."""
    if kind == "cut-plan.pdf":
        from yardcliff.exports.cutsheet import write_cutsheet  # reportlab is slow to import

        sheet = write_cutsheet(
            name, found, tape, paper, lambda cents: locale.money(cents, currency)
        )
        return attached(sheet, "application/pdf", name, kind)
    text = (
        write_plan(found.plan, tape)
        if kind == "cut-plan.csv"
        else write_shopping(found.lines, currency)
    )
    return attached(text, "text/csv", name, kind)
