"""Timber as CSV: sticks on hand and prices as `imports.timber_csv` reads them back, a cut plan, a shopping list."""

from collections.abc import Iterable

from yardcliff.core.length import Tape, exact_text
from yardcliff.core.timber.cost import Line
from yardcliff.core.timber.layout import CutPlan, marks
from yardcliff.core.timber.stock import PriceList, Stick
from yardcliff.exports.rows import write_rows

STICK_COLUMNS = ("form", "stuff", "species", "wide", "thick", "thread", "long", "flaws", "reclaimed", "note")
PRICE_COLUMNS = (
    "supplier", "currency", "form", "stuff", "species", "name", "wide", "thick", "thread", "long", "pack", "price", "was", "stock",
)  # fmt: skip


def write_sticks(sticks: Iterable[Stick]) -> str:
    """One row a stick; its flaws as `knot at 900 mm over 50 mm; stain at 0 mm over 80 mm on the back`."""
    return write_rows(
        STICK_COLUMNS,
        (
            {
                **{key: value for key, value in stick.model_dump(mode="json").items() if key in STICK_COLUMNS},
                "flaws": "; ".join(
                    f"{flaw.what} at {exact_text(flaw.at)} over {exact_text(flaw.width)}{' on the back' * flaw.back}"
                    for flaw in stick.flaws
                ),
                "reclaimed": "yes" if stick.reclaimed else "",
            }
            for stick in sticks
        ),
    )


def money(hundredths: int) -> str:
    return f"{hundredths // 100}.{hundredths % 100:02d}"


def write_prices(lists: Iterable[PriceList]) -> str:
    """One row an article; wares have their kind as form, and a pack."""
    rows: list[dict[str, object]] = []
    for one in lists:
        head = {"supplier": one.supplier, "currency": one.currency}
        for offer in one.offers:
            was = None if offer.was is None else money(offer.was)
            rows.append({**offer.model_dump(mode="json"), **head, "price": money(offer.price), "was": was})
        for ware in one.wares:
            row = ware.model_dump(mode="json")
            rows.append({**row, **head, "form": row.pop("kind"), "price": money(ware.price)} | {"form": ware.kind})
    return write_rows(
        PRICE_COLUMNS, ({key: value for key, value in row.items() if key in PRICE_COLUMNS} for row in rows)
    )


def write_plan(plan: CutPlan, tape: Tape) -> str:
    """One row a piece in the order of cutting: its stick, its length, and the running mark from the squared end."""
    rows = []
    for sawn in plan.sawn:
        for one, mark in marks(sawn, plan.kerf):
            rows.append(
                {"stick": sawn.key, "piece": one.piece.name, "long": tape.write_given(one.long),
                 "wide": tape.write_given(one.wide), "thick": tape.write_given(one.piece.blank.thick),
                 "mark": tape.write_given(mark)}
            )  # fmt: skip
    return write_rows(("stick", "piece", "long", "wide", "thick", "mark"), rows)


def write_shopping(lines: Iterable[Line], currency: str) -> str:
    """One row a line; prices in `currency`, nothing where none is known."""
    return write_rows(
        ("kind", "name", "need", "unit", "on hand", "buy", "pack", "each", "total", "currency", "supplier"),
        (
            {"kind": one.kind, "name": one.name, "need": one.need, "unit": one.unit, "on hand": one.on_hand, "buy": one.packs,
             "pack": one.pack, "each": None if one.each is None else money(one.each),
             "total": None if one.total is None else money(one.total), "currency": currency, "supplier": one.supplier}
            for one in lines
        ),
    )  # fmt: skip
