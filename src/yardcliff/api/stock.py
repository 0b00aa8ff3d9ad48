"""Timber and wares on hand, and suppliers' prices: kept, exchanged as CSV, asked of the timber yard."""

from datetime import UTC, datetime
from typing import Annotated, Any

from fastapi import APIRouter, Body, Response
from pydantic import ValidationError

from yardcliff.api.deps import Speaks, Supplies, Timbers
from yardcliff.api.timber_views import view_prices, view_stick
from yardcliff.api.timber_wire import Chosen, PriceText, SoldView, StickText, StockView, TimberFile, WareText, WareView
from yardcliff.api.tongue import Tongue
from yardcliff.core.amend import BriefError, problems
from yardcliff.core.errors import YardcliffError
from yardcliff.core.length import Unit, exact_text
from yardcliff.core.timber.cost import OWN, read_pack, units
from yardcliff.core.timber.stock import ROUND, PriceList, WareOnHand, WarePrice, read_stick, sold
from yardcliff.data import table
from yardcliff.exports.timber_csv import write_prices, write_sticks
from yardcliff.imports.timber_csv import Refused, read_prices, read_sticks

router = APIRouter(prefix="/api/timber", tags=["timber"])
CsvText = Annotated[str, Body(media_type="text/csv")]


def _view(timbers: Supplies, tongue: Tongue) -> StockView:
    return StockView(
        sticks=[view_stick(stick_id, stick) for stick_id, stick in timbers.sticks],
        lists=[view_prices(one, tongue) for one in timbers.lists],
        wares=[WareView(**ware, unit=units(ware["kind"])) for ware in timbers.stock.wares()],
        sold=[
            SoldView(
                name=one.name,
                patch={**one.section.model_dump(mode="json")},
                longs=[exact_text(long) for long in one.longs],
            )
            for one in sold()
        ],
        saws=[
            Chosen(name=saw["key"], says=f"takes {saw['kerf']}{'' if saw['rips'] else ', does not rip'}")
            for saw in table("saws")
        ],
        woods=[
            Chosen(
                name=wood["name"],
                says=f"{wood['stuff']}, {wood['density']} kg/m³, swells {wood['swells']} % across: {wood['says']}",
            )
            for wood in table("woods")
        ],
        finishes=[
            Chosen(
                name=one["key"],
                says=f"{one['coats']} coats, {one['spread']} m² a litre" if one["coats"] else one["name"],
            )
            for one in table("finishes")
        ],
        yard=timbers.yard is not None,
    )


@router.get("")
def get_stock(timbers: Timbers, tongue: Speaks) -> StockView:
    """Everything on hand, whose prices are known, and what timber is sold as."""
    return _view(timbers, tongue)


def _read(body: StickText) -> dict[str, Any]:
    """A typed stick as it is kept; what is round has its diameter in both places. Raises `BriefError`."""
    data = body.model_dump(exclude={"many"})
    if body.form in ROUND:
        data["thick"] = data["wide"]
    return read_stick(data).model_dump(mode="json")


@router.post("/sticks", status_code=201)
def add_sticks(body: StickText, timbers: Timbers, tongue: Speaks) -> StockView:
    """Put a stick on the rack, or several alike. 422 names what cannot be read."""
    timbers.stock.add([_read(body)] * body.many)
    return _view(timbers, tongue)


@router.put("/sticks/{stick_id}")
def change_stick(stick_id: str, body: StickText, timbers: Timbers, tongue: Speaks) -> StockView:
    """A stick as measured now."""
    timbers.stock.change(stick_id, _read(body))
    return _view(timbers, tongue)


@router.delete("/sticks/{stick_id}")
def take_stick(stick_id: str, timbers: Timbers, tongue: Speaks) -> StockView:
    """Take a stick off the rack; it can be put back."""
    timbers.stock.take([stick_id])
    return _view(timbers, tongue)


@router.post("/sticks/{stick_id}/restore")
def put_back(stick_id: str, timbers: Timbers, tongue: Speaks) -> StockView:
    """Put a stick back on the rack."""
    timbers.stock.take([stick_id], back=True)
    return _view(timbers, tongue)


@router.put("/wares")
def set_ware(body: WareText, timbers: Timbers, tongue: Speaks) -> StockView:
    """So many of a ware are on hand; 0 lets it go."""
    if body.amount:
        _checked(WareOnHand, body.model_dump())
    timbers.stock.set_ware(body.kind, body.name, body.amount)
    return _view(timbers, tongue)


@router.put("/prices")
def note_price(body: PriceText, timbers: Timbers, tongue: Speaks) -> StockView:
    """The price of a packet that the user found somewhere, kept in a list of their own; without a price it is taken back."""
    named = body.kind, body.name
    fresh = []
    if body.price.strip():
        fresh = [_checked(WarePrice, {**body.model_dump(), "pack": read_pack(body.pack, body.kind)})]
    with timbers.stock.changing():
        lists = timbers.lists
        own = next((one for one in lists if one.supplier == OWN), None)
        currency = lists[0].currency if lists else tongue.currency
        wares = [*(one for one in own.wares if (one.kind, one.name) != named), *fresh] if own else fresh
        offers = own.offers if own else ()
        if wares or offers:
            timbers.keep(PriceList(supplier=OWN, currency=currency, taken="", offers=offers, wares=tuple(wares)))
        elif own:
            timbers.stock.forget_prices(OWN)
    return _view(timbers, tongue)


def _checked(model: Any, data: dict[str, Any]) -> Any:
    try:
        return model.model_validate(data)
    except ValidationError as error:
        raise BriefError(problems(error)) from None


@router.delete("/prices/{supplier}")
def forget_prices(supplier: str, timbers: Timbers, tongue: Speaks) -> StockView:
    """Let a supplier's prices go."""
    timbers.stock.forget_prices(supplier)
    return _view(timbers, tongue)


@router.post("/yard")
def ask_yard(timbers: Timbers, tongue: Speaks) -> StockView:
    """Ask the timber yard for its prices. Where it does not answer, the ones that are here stay, with their day."""
    if timbers.yard is None:
        raise YardcliffError(
            "No timber yard is known: start Yardcliff with --yard and its address, or load prices as CSV."
        )
    timbers.keep(timbers.yard.prices(tongue.currency))
    return _view(timbers, tongue)


@router.get("/sticks.csv", response_class=Response)
def export_sticks(timbers: Timbers) -> Response:
    """Timber on hand as CSV."""
    return _csv(write_sticks(stick for _, stick in timbers.sticks), "timber-on-hand")


@router.get("/prices.csv", response_class=Response)
def export_prices(timbers: Timbers) -> Response:
    """All prices as CSV."""
    return _csv(write_prices(timbers.lists), "prices")


def _csv(text: str, name: str) -> Response:
    return Response(text, media_type="text/csv", headers={"content-disposition": f'attachment; filename="{name}.csv"'})


@router.post("/sticks/import")
def import_sticks(text: CsvText, timbers: Timbers, unit: Unit = "mm") -> TimberFile:
    """Put the sticks of a CSV file on the rack; rows that cannot be read are named, and left out."""
    found = read_sticks(text, unit)
    timbers.stock.add(stick.model_dump(mode="json") for stick in found.sticks)
    return TimberFile(taken=len(found.sticks), refused=_refused(found.refused))


@router.post("/prices/import")
def import_prices(text: CsvText, timbers: Timbers, unit: Unit = "mm") -> TimberFile:
    """Take the price lists of a CSV file, each in place of what was known of its supplier."""
    found = read_prices(text, datetime.now(UTC).isoformat(timespec="seconds"), unit)
    for one in found.lists:
        timbers.keep(one)
    taken = sum(len(one.offers) + len(one.wares) for one in found.lists)
    return TimberFile(taken=taken, refused=_refused(found.refused))


def _refused(rows: list[Refused]) -> list[str]:
    return [f"Line {row.line}: {row.why}" for row in rows]
