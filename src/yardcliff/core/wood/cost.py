"""What to buy and what it costs: timber from the plan, wares by the packet, glue, finish and
sandpaper by what they cover.
"""

import re
from collections import Counter, defaultdict
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from math import ceil
from typing import get_args

from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.materials.goods import Form, Goods, Ware, WareKind
from yardcliff.core.units.length import size_text
from yardcliff.core.units.trade import Trade
from yardcliff.core.units.weights import FLUID_OUNCE, GLUE, POUND, amount_text
from yardcliff.core.wood.layout import CutPlan
from yardcliff.core.wood.stock import Supply, WarePrice
from yardcliff.core.wood.taking_off import Takeoff
from yardcliff.data import table
from yardcliff.messages import tr

OWN = "Noted by hand"
"""The supplier that the user's own prices are kept under."""
GRITS = (120, 180, 240)
SHEET = 0.6
"""Wood that one sheet of sandpaper sands, m²: rule of thumb."""
LOST = 1.15
"""What stays in brush and tin, as a factor: rule of thumb."""


@dataclass(frozen=True, slots=True)
class Line:
    """One line of the shopping list: `need` so many, of which so many are `on_hand`; `packs` of
    `pack` each at `each` hundredths, or no price. `left` over stays in the packet.
    """

    kind: str
    name: str
    need: int
    unit: str
    trade: Trade
    on_hand: int
    packs: int
    pack: int
    each: int | None
    supplier: str = ""
    was: int | None = None
    stock: int | None = None

    @property
    def noted(self) -> bool:
        """Whether its price is one that the user noted."""
        return self.supplier == OWN

    @property
    def total(self) -> int | None:
        return 0 if not self.packs else None if self.each is None else self.each * self.packs

    @property
    def timber(self) -> bool:
        """Whether it is cut from, by the stick: what is left of those are offcuts."""
        return self.kind in get_args(Form)

    @property
    def bought(self) -> str:
        """So much to buy, as it is asked for in the shop: `3`, `2 × 100`, `1 × 250 ml`; `63 ml`
        where no packet is known.
        """
        if self.pack == 1:
            return self.said(self.packs)
        return f"{self.packs} × {self.said(self.pack)}"

    def said(self, amount: int) -> str:
        """So much of it: `63 ml`, `2 fl oz`, `16`."""
        return amount_text(amount, self.unit, self.trade)

    @property
    def left(self) -> int:
        return self.on_hand + self.packs * self.pack - self.need


_POURED = {"fl oz": 1, "oz": 1, "pt": 16, "qt": 32, "gal": 128}
_MEASURES: dict[str, dict[str, float]] = {
    "ml": {"": 1, "ml": 1, "cl": 10, "l": 1000}
    | {name: size * FLUID_OUNCE for name, size in _POURED.items()},
    "g": {"": 1, "g": 1, "kg": 1000, "lb": POUND}
    | {name: size * FLUID_OUNCE * GLUE for name, size in _POURED.items()},
    "": {"": 1},
}
_PACK = re.compile(r"(\d{1,6}(?:[.,]\d{1,3})?)\s*([a-z]*(?: oz)?)")


def read_pack(text: str, kind: str) -> int:
    """What is in a packet, as its label says it: `750 ml`, `0.75 l`, `1 kg`; so many of what is
    counted, one if nothing is said. Raises `BriefError`: what is poured or weighed is not sold by
    the ml or the gram.
    """
    shown = text.strip()
    if not shown and not units(kind):
        return 1
    amount = _amount(shown, kind)
    if not amount or amount < (2 if units(kind) else 1):
        what = (
            tr("wood.is-no-packet", text=shown) if shown else tr("wood.how-much-is-in-one-packet")
        )
        raise BriefError(
            [("pack", tr("wood.write-what-its-label-says-like", what=what, like=_like(kind)))]
        )
    return amount


def read_amount(text: str, kind: str) -> int:
    """How much of a ware is there: `38`; `8 fl oz`, `190 g`. Raises `BriefError`."""
    amount = _amount(text.strip(), kind)
    if not amount:
        raise BriefError([("amount", tr("wood.is-no-amount", text=text.strip(), like=_like(kind)))])
    return amount


def _amount(text: str, kind: str) -> int | None:
    """So many, g or ml; none where it cannot be read, is no whole number of what is counted, or no
    amount that anybody has.
    """
    found = _PACK.fullmatch(text.lower())
    times = _MEASURES[units(kind)].get(found[2]) if found else None
    amount = float(found[1].replace(",", ".")) * times if found and times else 0.0
    if found and found[2] in (*_POURED, "lb"):
        amount = round(amount)
    return round(amount) if amount == round(amount) and 1 <= amount <= 100_000 else None


def _like(kind: str) -> str:
    return {"ml": tr("wood.millilitres"), "g": tr("wood.grams"), "": "50"}[units(kind)]


def units(kind: str) -> str:
    """What a kind of ware is counted in."""
    return {"glue": "g", "finish": "ml"}.get(kind, "")


def consumables(taken: Takeoff, cutting: Cutting) -> Iterator[Ware]:
    """Glue, finish and sandpaper: by the joints, and by the faces and the coats."""
    if taken.glue > 0:
        yield Ware(Goods.GLUE, ceil(taken.glue))
    finish = next(row for row in table("finishes") if row["key"] == cutting.finish)
    coats = finish["coats"] if cutting.coats is None else cutting.coats
    if coats and cutting.finish != "none" and taken.faces > 0:
        yield Ware(
            Goods.FINISH,
            ceil(taken.faces * coats / finish["spread"] * 1000 * LOST),
            (finish["name"],),
        )
    if taken.faces > 0:
        for grit in GRITS:
            yield Ware(Goods.SANDPAPER, ceil(taken.faces / SHEET), (str(grit),))


def shopping(plan: CutPlan, wares: Iterable[Ware], supply: Supply) -> tuple[Line, ...]:
    """The list in the order of the shop: timber, then wares as they come. What is on hand costs
    nothing.
    """
    trade = plan.means.tape.trade
    return (*_timber(plan, trade), *_wares(wares, supply, trade))


def _timber(plan: CutPlan, trade: Trade) -> Iterator[Line]:
    bought = Counter(sawn.source.key for sawn in plan.sawn if not sawn.source.on_hand)
    by_key = {sawn.source.key: sawn.source for sawn in plan.sawn}
    for key, many in bought.items():
        source = by_key[key]
        name = f"{source.name}, {size_text(source.long, trade)}"
        yield Line(
            source.section.form,
            name,
            many,
            "",
            trade,
            0,
            many,
            1,
            source.price,
            source.supplier,
            source.was,
            source.stock,
        )
    for sawn in plan.sawn:
        if sawn.source.on_hand:
            yield Line(
                sawn.source.section.form,
                f"{sawn.source.name}, {size_text(sawn.source.long, trade)}",
                1,
                "",
                trade,
                1,
                0,
                1,
                None,
            )


def _wares(wares: Iterable[Ware], supply: Supply, trade: Trade) -> Iterator[Line]:
    need: dict[tuple[WareKind, str], int] = defaultdict(int)
    for ware in wares:
        need[ware.kind, ware.name] += ware.count
    here = {(ware.kind, ware.name): ware.amount for ware in supply.wares}
    for (kind, name), many in need.items():
        have = min(here.get((kind, name), 0), many)
        short = many - have
        supplier, best = _cheapest(kind, name, short, supply)
        pack = best.pack if best else 1
        packs = ceil(short / pack)
        yield Line(
            kind,
            name,
            many,
            units(kind),
            trade,
            here.get((kind, name), 0),
            packs,
            pack,
            best.price if best else None,
            supplier,
            stock=best.stock if best else None,
        )


def _cheapest(kind: str, name: str, many: int, supply: Supply) -> tuple[str, WarePrice | None]:
    """The packet that gives so many for the least, of what is in stock if anything is; the smaller
    one of equals.
    """
    found = [
        (prices.supplier, ware)
        for prices in supply.lists
        for ware in prices.wares
        if (ware.kind, ware.name) == (kind, name)
    ]

    def total(entry: tuple[str, WarePrice]) -> tuple[bool, int, int]:
        ware = entry[1]
        packs = ceil(max(many, 1) / ware.pack)
        return ware.stock is not None and ware.stock < packs, packs * ware.price, ware.pack

    return min(found, key=total, default=("", None))


@dataclass(frozen=True, slots=True)
class Cost:
    """What a list adds up to, hundredths: `unknown` are the lines that have no price."""

    total: int
    unknown: int

    @classmethod
    def of(cls, lines: Iterable[Line]) -> "Cost":
        totals = [line.total for line in lines]
        return cls(sum(total or 0 for total in totals), sum(total is None for total in totals))
