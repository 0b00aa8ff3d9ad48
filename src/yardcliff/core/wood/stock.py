"""What there is to cut from: sticks and sheets on hand, what suppliers offer, and what
wares cost.
"""

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import cache
from typing import Annotated, Any, Literal, Self

from pydantic import (
    BeforeValidator,
    Field,
    StringConstraints,
    ValidationError,
    ValidationInfo,
    model_validator,
)

from yardcliff.core.base.errors import cannot_read
from yardcliff.core.base.model import Frozen
from yardcliff.core.findings.patch import BriefError, problems
from yardcliff.core.materials.goods import Form, RodThread, Stuff, WareKind
from yardcliff.core.units.called import board_fields
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, Tape, exact_text, size_text
from yardcliff.core.units.length_text import read
from yardcliff.core.units.money import Money
from yardcliff.core.units.trade import Trade, usual
from yardcliff.core.workshop.shop import Shop
from yardcliff.data import table
from yardcliff.messages import tr

Note = Annotated[str, StringConstraints(strip_whitespace=True, max_length=120)]
Text = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80)]
ROUND: frozenset[Form] = frozenset({"dowel", "pipe", "bar", "threaded rod"})
"""What has a diameter instead of a section."""
STICK = "stick "
"""What the key of what is cut begins with where that is on hand; its own id follows."""


class Flaw(Frozen):
    """What is cut around: from `at`, `width` along the stick, measured from its left end; one that
    is only on the `back` of the stick may be on the back of a part that hides it.
    """

    what: Literal["knot", "check", "nail hole", "wane", "stain", "other"] = "knot"
    at: Gap
    width: Size = usual("30 mm", "1 1/4 in")
    back: bool = False

    @property
    def end(self) -> Fraction:
        return self.at + self.width


class Section(Frozen):
    """What a stick is of, and its actual size across: `wide` and `thick` are both the diameter of
    what is round.

    A threaded rod is known by its `thread`: an 8 mm one is no 5/16 in one, and a measured diameter
    does not tell them apart.
    """

    form: Form = "board"
    stuff: Stuff = "softwood"
    species: Note = ""
    wide: Size
    thick: Size
    thread: Annotated[RodThread | None, BeforeValidator(lambda text: text or None)] = None

    @model_validator(mode="before")
    @classmethod
    def _by_name(cls, data: Any, info: ValidationInfo) -> Any:
        """`1x4` in either field is what such a board is, in both."""
        return board_fields(data, info.context, "wide", "thick")

    @model_validator(mode="after")
    def _is_round(self) -> Self:
        if self.form in ROUND and self.wide != self.thick:
            raise cannot_read(
                "round",
                "wood.what-round-has-one-diameter-differ",
                wide=exact_text(self.wide),
                thick=exact_text(self.thick),
            )
        return self

    @property
    def threaded(self) -> str | None:
        """The thread of a rod: as told, or the one whose nominal diameter it has exactly."""
        if self.form != "threaded rod":
            return None
        return self.thread or next(
            (thread for thread, across in diameters().items() if across == self.wide), None
        )

    def says(self, trade: Trade) -> str:
        """`spruce board 120 mm × 21 mm`, `threaded rod M8`; as it is measured in a trade."""
        if self.threaded:
            return f"{self.form} {self.threaded}"
        kind = (
            self.form
            if self.form in ("pipe", "bar", "threaded rod")
            else f"{self.species or self.stuff} {self.form}"
        )
        across = size_text(self.wide, trade)
        return (
            f"{kind} {across}"
            if self.form in ROUND
            else f"{kind} {across} × {size_text(self.thick, trade)}"
        )


class Stick(Section):
    """One piece on hand; `reclaimed` wood may hide nails."""

    long: Size
    flaws: tuple[Flaw, ...] = Field(default=(), max_length=40)
    reclaimed: bool = False
    note: Note = ""

    @model_validator(mode="after")
    def _flaws_are_on_it(self) -> Self:
        for flaw in self.flaws:
            if flaw.at > self.long:
                raise cannot_read(
                    "flaw",
                    "wood.at-not-on-stick",
                    flaw=flaw.what,
                    at=exact_text(flaw.at),
                    long=exact_text(self.long),
                )
        return self


class Offer(Section):
    """What a supplier sells by the piece: `was` is its price before it was marked down, `stock` how
    many there are.
    """

    name: Text
    long: Size
    price: Money
    was: Money | None = None
    stock: Annotated[int, Field(ge=0, le=100_000)] | None = None


class WarePrice(Frozen):
    """A packet of a ware: how many are in it (grams and millilitres of glue and finish), and what
    it costs.
    """

    kind: WareKind
    name: Text
    pack: Annotated[int, Field(ge=1, le=100_000)] = 1
    price: Money
    stock: Annotated[int, Field(ge=0, le=100_000)] | None = None


class PriceList(Frozen):
    """A supplier's prices as they were on a day; `currency` by ISO 4217."""

    supplier: Text
    currency: Annotated[str, StringConstraints(pattern="^[A-Z]{3}$")]
    taken: str
    offers: tuple[Offer, ...] = Field(default=(), max_length=5000)
    wares: tuple[WarePrice, ...] = Field(default=(), max_length=5000)


class WareOnHand(Frozen):
    kind: WareKind
    name: Text
    amount: Annotated[int, Field(ge=1, le=1_000_000)]


@dataclass(frozen=True, slots=True)
class Supply:
    """All that a plan may take from, sticks by their ids, price lists in one currency, wares on
    hand, and the `shop` that it is cut in.
    """

    sticks: tuple[tuple[str, Stick], ...] = ()
    lists: tuple[PriceList, ...] = ()
    wares: tuple[WareOnHand, ...] = ()
    shop: Shop = field(default_factory=Shop)

    @property
    def currency(self) -> str:
        return self.lists[0].currency if self.lists else ""


@cache
def diameters() -> dict[str, Fraction]:
    """The nominal diameter of each thread, mm."""
    return {row["key"]: read(row["diameter"]) for row in table("rods")}


def read_stick(data: dict[str, Any], tape: Tape | None = None) -> Stick:
    """Validate a stick, as it was kept or, where a `tape` reads it, as it is typed; a threaded rod
    is as thick as its thread says. Raises `BriefError`.
    """
    if data.get("form") == "threaded rod":
        across = diameters().get(data.get("thread") or "")
        if across is None:
            raise BriefError(
                [("thread", tr("wood.which-thread-has-rod-one", diameters=", ".join(diameters())))]
            )
        data = data | {"wide": exact_text(across), "thick": exact_text(across)}
    try:
        return Stick.model_validate(data, context=tape.reads if tape else {"exact": True})
    except ValidationError as error:
        raise BriefError(problems(error)) from None


@dataclass(frozen=True, slots=True)
class Sold:
    """A row of the table of what is sold (timber.csv): its name, its section, its lengths in
    mm.
    """

    name: str
    section: Section
    longs: tuple[Fraction, ...]


@cache
def sold(trade: Trade) -> tuple[Sold, ...]:
    """What timber and rods are sold as in a trade, by their actual sizes."""
    return tuple(
        Sold(
            row["name"],
            Section.model_validate(
                {key: row[key] for key in ("form", "stuff", "species", "wide", "thick", "thread")}
            ),
            tuple(map(read, row["longs"].split(";"))),
        )
        for row in table("timber", trade)
    )


def clear(long: Fraction, flaws: Sequence[Flaw], trim: Fraction) -> list[tuple[Fraction, Fraction]]:
    """The stretches between the flaws of a stick so `long`, both ends squared by `trim`, mm."""
    edge, end, found = trim, long - trim, []
    for flaw in sorted(flaws, key=lambda one: one.at):
        found.append((edge, min(flaw.at, end)))
        edge = max(edge, flaw.end)
    found.append((edge, end))
    return [(a, b) for a, b in found if b > a]
