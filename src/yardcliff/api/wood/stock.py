"""Timber and wares on hand, and suppliers' prices: kept, exchanged as CSV, asked of the timber
yard.
"""

from datetime import UTC, datetime
from typing import Annotated, Any

from fastapi import APIRouter, Body, Response
from pydantic import ValidationError

from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.wood.views import view_prices, view_stick
from yardcliff.api.wood.wire import (
    Chosen,
    PriceText,
    SoldView,
    StickText,
    StockView,
    TimberFile,
    WareText,
    WareView,
)
from yardcliff.app.application import Application
from yardcliff.app.locale import UserLocale
from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.findings.patch import BriefError, problems
from yardcliff.core.units.length import Tape, size_text
from yardcliff.core.units.length_text import Unit
from yardcliff.core.units.weights import amount_text, density_text, spread_text
from yardcliff.core.wood.cost import OWN, read_amount, read_pack, units
from yardcliff.core.wood.stock import ROUND, PriceList, WareOnHand, WarePrice, read_stick, sold
from yardcliff.data import table
from yardcliff.exports.timber_csv import write_prices, write_sticks
from yardcliff.imports.timber_csv import Refused, read_prices, read_sticks
from yardcliff.messages import tr

router = APIRouter(prefix="/api/timber", tags=["timber"])
CsvText = Annotated[str, Body(media_type="text/csv")]


def _view(app: Application, locale: UserLocale) -> StockView:
    trade = app.settings.tape(locale).trade
    return StockView(
        sticks=[view_stick(stick_id, stick, trade) for stick_id, stick in app.supplies.sticks],
        lists=[view_prices(prices, locale) for prices in app.supplies.lists],
        wares=[
            WareView(
                kind=ware["kind"],
                name=ware["name"],
                amount=amount_text(ware["amount"], units(ware["kind"]), trade),
            )
            for ware in app.supplies.stock.wares()
        ],
        sold=[
            SoldView(
                name=one.name,
                section=one.section,
                longs=[size_text(long, trade) for long in one.longs],
            )
            for one in sold(trade)
        ],
        saws=[
            Chosen(
                name=saw["key"],
                says=tr(
                    "api.takes",
                    kerf=saw["kerf"],
                    what="" if saw["rips"] else tr("api.does-not-rip"),
                ),
            )
            for saw in table("saws", trade)
        ],
        woods=[
            Chosen(
                name=wood["name"],
                says=tr(
                    "api.swells-across",
                    stuff=wood["stuff"],
                    density=density_text(float(wood["density"]), trade),
                    swells=wood["swells"],
                    says=tr(f"wood.{wood['name'].replace(' ', '-')}.says"),
                ),
            )
            for wood in table("woods")
        ],
        finishes=[
            Chosen(
                name=one["key"],
                says=(
                    tr(
                        "api.coats-cover",
                        coats=one["coats"],
                        spread=spread_text(float(one["spread"]), trade),
                    )
                    if one["coats"]
                    else one["name"]
                ),
            )
            for one in table("finishes")
        ],
        yard=app.supplies.yard is not None,
    )


@router.get("")
def get_stock(app: App, locale: AskedLocale) -> StockView:
    """Everything on hand, whose prices are known, and what timber is sold as."""
    return _view(app, locale)


def _read(body: StickText, tape: Tape) -> dict[str, Any]:
    """A stick, typed beside a tape, as it is kept; what is round has its diameter in both places.
    Raises `BriefError`.
    """
    data = body.model_dump(exclude={"many"})
    if body.form in ROUND:
        data["thick"] = data["wide"]
    return read_stick(data, tape).model_dump(mode="json")


@router.post("/sticks", status_code=201)
def add_sticks(body: StickText, app: App, locale: AskedLocale) -> StockView:
    """Put a stick on the rack, or several alike. 422 names what cannot be read."""
    app.supplies.stock.add([_read(body, app.settings.tape(locale))] * body.many)
    return _view(app, locale)


@router.put("/sticks/{stick_id}")
def change_stick(stick_id: str, body: StickText, app: App, locale: AskedLocale) -> StockView:
    """A stick as measured now."""
    app.supplies.stock.change(stick_id, _read(body, app.settings.tape(locale)))
    return _view(app, locale)


@router.delete("/sticks/{stick_id}")
def take_stick(stick_id: str, app: App, locale: AskedLocale) -> StockView:
    """Take a stick off the rack; it can be put back."""
    app.supplies.stock.take([stick_id])
    return _view(app, locale)


@router.post("/sticks/{stick_id}/restore")
def put_back(stick_id: str, app: App, locale: AskedLocale) -> StockView:
    """Put a stick back on the rack."""
    app.supplies.stock.take([stick_id], back=True)
    return _view(app, locale)


@router.put("/wares")
def set_ware(body: WareText, app: App, locale: AskedLocale) -> StockView:
    """So much of a ware is on hand; 0 lets it go."""
    amount = 0 if body.amount == "0" else read_amount(body.amount, body.kind)
    if amount:
        _checked(WareOnHand, {**body.model_dump(), "amount": amount})
    app.supplies.stock.set_ware(body.kind, body.name, amount)
    return _view(app, locale)


@router.put("/prices")
def note_price(body: PriceText, app: App, locale: AskedLocale) -> StockView:
    """The price of a packet that the user found somewhere, kept in a list of their own; without a
    price it is taken back.
    """
    named = body.kind, body.name
    fresh = []
    if body.price.strip():
        fresh = [
            _checked(WarePrice, {**body.model_dump(), "pack": read_pack(body.pack, body.kind)})
        ]
    with app.supplies.stock.changing():
        lists = app.supplies.lists
        own = next((prices for prices in lists if prices.supplier == OWN), None)
        currency = lists[0].currency if lists else app.settings.currency(locale)
        wares = (
            [
                *(
                    ware_price
                    for ware_price in own.wares
                    if (ware_price.kind, ware_price.name) != named
                ),
                *fresh,
            ]
            if own
            else fresh
        )
        offers = own.offers if own else ()
        if wares or offers:
            app.supplies.keep(
                PriceList(
                    supplier=OWN, currency=currency, taken="", offers=offers, wares=tuple(wares)
                )
            )
        elif own:
            app.supplies.stock.forget_prices(OWN)
    return _view(app, locale)


def _checked(model: Any, data: dict[str, Any]) -> Any:
    try:
        return model.model_validate(data)
    except ValidationError as error:
        raise BriefError(problems(error)) from None


@router.delete("/prices/{supplier}")
def forget_prices(supplier: str, app: App, locale: AskedLocale) -> StockView:
    """Let a supplier's prices go."""
    app.supplies.stock.forget_prices(supplier)
    return _view(app, locale)


@router.post("/yard")
def ask_yard(app: App, locale: AskedLocale) -> StockView:
    """Ask the timber yard for its prices. Where it does not answer, the ones that are here stay,
    with their day.
    """
    if app.supplies.yard is None:
        raise YardcliffError(tr("api.no-timber-yard-known-start-yardcliff"))
    app.supplies.keep(
        app.supplies.yard.prices(app.settings.currency(locale), app.settings.tape(locale).trade)
    )
    return _view(app, locale)


@router.get("/sticks.csv", response_class=Response)
def export_sticks(app: App) -> Response:
    """Timber on hand as CSV."""
    return _csv(write_sticks(stick for _, stick in app.supplies.sticks), "timber-on-hand")


@router.get("/prices.csv", response_class=Response)
def export_prices(app: App) -> Response:
    """All prices as CSV."""
    return _csv(write_prices(app.supplies.lists), "prices")


def _csv(text: str, name: str) -> Response:
    return Response(
        text,
        media_type="text/csv",
        headers={"content-disposition": f'attachment; filename="{name}.csv"'},
    )


@router.post("/sticks/import")
def import_sticks(text: CsvText, app: App, unit: Unit = "mm") -> TimberFile:
    """Put the sticks of a CSV file on the rack; rows that cannot be read are named, and
    left out.
    """
    found = read_sticks(text, unit)
    app.supplies.stock.add(stick.model_dump(mode="json") for stick in found.sticks)
    return TimberFile(taken=len(found.sticks), refused=_refused(found.refused))


@router.post("/prices/import")
def import_prices(text: CsvText, app: App, unit: Unit = "mm") -> TimberFile:
    """Take the price lists of a CSV file, each in place of what was known of its supplier."""
    found = read_prices(text, datetime.now(UTC).isoformat(timespec="seconds"), unit)
    for prices in found.lists:
        app.supplies.keep(prices)
    taken = sum(len(prices.offers) + len(prices.wares) for prices in found.lists)
    return TimberFile(taken=taken, refused=_refused(found.refused))


def _refused(rows: list[Refused]) -> list[str]:
    return [tr("api.line", line=row.line, why=row.why) for row in rows]
