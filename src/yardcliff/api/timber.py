"""A rack's timber: its cut plan, its shopping list, what a change of them would cost, and carrying it out."""

from datetime import datetime
from typing import Literal

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field, TypeAdapter, ValidationError

from yardcliff.api.deps import OnSite, Sites, Speaks, Store, Supplies, Timbers
from yardcliff.api.ledger import Ledger, OpenLedger
from yardcliff.api.racks import Paper, attached
from yardcliff.api.timber_views import SoFar, view_timber
from yardcliff.api.timber_wire import CostView, Spent, TimberView, TriedView
from yardcliff.api.tongue import Tongue
from yardcliff.core.amend import BriefError, amend, problems, read_brief
from yardcliff.core.families import Brief
from yardcliff.core.findings import Patch
from yardcliff.core.ladder import ladder
from yardcliff.core.length import Tape
from yardcliff.core.model import Count
from yardcliff.core.money import Money
from yardcliff.core.timber.timber import Timber, priced, timber
from yardcliff.exports.timber_csv import write_plan, write_shopping

FileKind = Literal["cut-plan.pdf", "cut-plan.csv", "shopping.csv"]
router = APIRouter(prefix="/api/racks/{rack_id}/timber", tags=["timber"])


class Try(BaseModel):
    """A change of the brief that is tried, and not kept."""

    patch: Patch = Field(default_factory=dict)


def _view(rack_id: str, brief: Brief, sites: Sites, timbers: Supplies, tongue: Tongue) -> TimberView:
    done, supply = sites.design(brief, rack_id), timbers.supply()
    found = timber(done, supply, done.on_wall.site)
    spent, _, currency = timbers.stock.spent(rack_id)
    so_far = SoFar(timbers.stock.sawings(rack_id), spent, currency, sum(done.there.pieces.values()))
    return view_timber(found, brief.cutting, done.tape, supply, so_far, tongue)


@router.get("")
def get_timber(rack_id: str, store: Store, sites: OnSite, timbers: Timbers, tongue: Speaks) -> TimberView:
    """Where a rack is sawn from, and what it costs."""
    return _view(rack_id, read_brief(store.get(rack_id).brief), sites, timbers, tongue)


@router.post("/try")
def try_timber(rack_id: str, body: Try, store: Store, sites: OnSite, timbers: Timbers, tongue: Speaks) -> TriedView:
    """What a change would cost: a stick locked or forbidden, a part moved, another saw."""
    brief = read_brief(store.get(rack_id).brief)
    before = _priced(rack_id, brief, sites, timbers)
    after = _view(rack_id, amend(brief, body.patch), sites, timbers, tongue)
    dearer = after.cost - before.cost.total
    sticks = sum(len(group.sawn) for group in after.groups) - sum(1 for _ in before.plan.sawn)
    said = [f"{tongue.money(abs(dearer), after.currency)} {'more' if dearer > 0 else 'less'}"] if dearer else []
    said += [f"{abs(sticks)} stick{'s' * (abs(sticks) > 1)} {'more' if sticks > 0 else 'less'}"] if sticks else []
    return TriedView(timber=after, says=", ".join(said) or "costs the same", dearer=dearer)


def _priced(rack_id: str, brief: Brief, sites: Sites, timbers: Supplies) -> Timber:
    return priced(sites.design(brief, rack_id), timbers.supply())


@router.get("/ladder")
def get_costs(
    rack_id: str, store: Store, sites: OnSite, timbers: Timbers, tongue: Speaks, count: Count | None = None
) -> list[CostView]:
    """What each count of the ladder costs, or one of them."""
    brief, supply = read_brief(store.get(rack_id).brief), timbers.supply()
    found = []
    for rung in ladder(sites.design(brief, rack_id).rack.row, brief.rows):
        if count not in (None, rung.row.count):
            continue
        one = priced(sites.design(amend(brief, rung.patch), rack_id), supply)
        total = one.cost.total
        found.append(
            CostView(
                count=rung.row.count,
                total=tongue.money(total, supply.currency) if supply.lists else "",
                per_holder=tongue.money(round(total / max(one.holders, 1)), supply.currency) if supply.lists else "",
            )
        )
    return found


@router.post("/done", status_code=201)
def carry_out(body: Spent, ledger: OpenLedger) -> TimberView:
    """All of the plan was carried out, like every cut card being done: what it cut up leaves the rack of timber, its offcuts come onto it,
    screws and tins are used up or left over, what was spent is kept.
    """
    try:
        spent = None if body.spent is None else TypeAdapter(Money).validate_python(body.spent)
    except ValidationError as error:
        raise BriefError([("spent", message) for _, message in problems(error)]) from None
    ledger.saw_all(spent, body.after, body.now or datetime.now())
    return _seen(ledger)


@router.delete("/done/{sawing_id}")
def take_back(sawing_id: str, ledger: OpenLedger) -> TimberView:
    """As if it had not been carried out: the sticks come back, the offcuts go, the cards are open again."""
    ledger.take_back_sawing(sawing_id)
    return _seen(ledger)


def _seen(ledger: Ledger) -> TimberView:
    return get_timber(ledger.rack_id, ledger.store, ledger.sites, ledger.timbers, ledger.tongue)


@router.get("/files/{kind}", tags=["files"], response_class=Response)
def export_timber(
    rack_id: str,
    kind: FileKind,
    store: Store,
    sites: OnSite,
    timbers: Timbers,
    tongue: Speaks,
    paper: Paper = "a4",
) -> Response:
    """The cut plan on paper, or it and the shopping list as files."""
    record, supply = store.get(rack_id), timbers.supply()
    done = sites.stored(record)
    found = priced(done, supply)
    return timber_file(kind, record.name, found, done.tape, supply.currency, tongue, paper)


def timber_file(
    kind: FileKind,
    name: str,
    found: Timber,
    tape: Tape,
    currency: str,
    tongue: Tongue,
    paper: Paper,
) -> Response:
    """A plan or its list as a file, by `name`."""
    if kind == "cut-plan.pdf":
        from yardcliff.exports.cutsheet import write_cutsheet  # reportlab is slow to import

        sheet = write_cutsheet(name, found, tape, paper, lambda cents: tongue.money(cents, currency))
        return attached(sheet, "application/pdf", name, kind)
    text = write_plan(found.plan, tape) if kind == "cut-plan.csv" else write_shopping(found.lines, currency)
    return attached(text, "text/csv", name, kind)
