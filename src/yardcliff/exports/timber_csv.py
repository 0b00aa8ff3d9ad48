"""Timber as CSV: sticks on hand and prices as `imports.timber_csv` reads them back, a cut plan, a
shopping list.
"""

from collections.abc import Iterable

from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.wood.cost import Line
from yardcliff.core.wood.layout import CutPlan, marks
from yardcliff.core.wood.stock import PriceList, Stick
from yardcliff.exports.rows import write_rows

STICK_COLUMNS = (
    "form",
    "stuff",
    "species",
    "wide",
    "thick",
    "thread",
    "long",
    "flaws",
    "reclaimed",
    "note",
)
PRICE_COLUMNS = (
    "supplier",
    "currency",
    "form",
    "stuff",
    "species",
    "name",
    "wide",
    "thick",
    "thread",
    "long",
    "pack",
    "price",
    "was",
    "stock",
)


def write_sticks(sticks: Iterable[Stick]) -> str:
    """One row a stick; its flaws as `knot at 900 mm over 50 mm; stain at 0 mm over 80 mm on the
    back`.
    """
    return write_rows(
        STICK_COLUMNS,
        (
            {
                **{
                    key: value
                    for key, value in stick.model_dump(mode="json").items()
                    if key in STICK_COLUMNS
                },
                "flaws": "; ".join(
                    # Read back in any language.
                    f"{flaw.what} at {exact_text(flaw.at)} over {exact_text(flaw.width)}"
                    f"{' on the back' * flaw.back}"
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
    for prices in lists:
        head = {"supplier": prices.supplier, "currency": prices.currency}
        for offer in prices.offers:
            was = None if offer.was is None else money(offer.was)
            rows.append(
                {**offer.model_dump(mode="json"), **head, "price": money(offer.price), "was": was}
            )
        for ware in prices.wares:
            row = ware.model_dump(mode="json")
            rows.append(
                {**row, **head, "form": row.pop("kind"), "price": money(ware.price)}
                | {"form": ware.kind}
            )
    return write_rows(
        PRICE_COLUMNS,
        ({key: value for key, value in row.items() if key in PRICE_COLUMNS} for row in rows),
    )


def write_plan(plan: CutPlan, tape: Tape) -> str:
    """One row a piece in the order of cutting: its stick, its length, and the running mark from the
    squared end.
    """
    rows = []
    for sawn in plan.sawn:
        for laid, mark in marks(sawn, plan.kerf):
            rows.append(
                {
                    "stick": sawn.key,
                    "piece": laid.piece.name,
                    "long": tape.write_given(laid.long),
                    "wide": tape.write_given(laid.wide),
                    "thick": tape.write_given(laid.piece.blank.thick),
                    "mark": tape.write_given(mark),
                }
            )
    return write_rows(("stick", "piece", "long", "wide", "thick", "mark"), rows)


def write_shopping(lines: Iterable[Line], currency: str) -> str:
    """One row a line; prices in `currency`, nothing where none is known."""
    return write_rows(
        (
            "kind",
            "name",
            "need",
            "unit",
            "on hand",
            "buy",
            "pack",
            "each",
            "total",
            "currency",
            "supplier",
        ),
        (
            {
                "kind": line.kind,
                "name": line.name,
                "need": line.need,
                "unit": line.unit,
                "on hand": line.on_hand,
                "buy": line.packs,
                "pack": line.pack,
                "each": None if line.each is None else money(line.each),
                "total": None if line.total is None else money(line.total),
                "currency": currency,
                "supplier": line.supplier,
            }
            for line in lines
        ),
    )
