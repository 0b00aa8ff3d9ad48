"""What a holder needs of the board it is fitted to: the answer every kind of holder gives."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, figure
from yardcliff.core.materials.goods import Take, Wood
from yardcliff.core.materials.sold import lag_lengths, next_length, next_thickness
from yardcliff.core.rack import Bore, Glyph, Kind, Operation, Outline
from yardcliff.core.row.rows import Fixture, Fixtures
from yardcliff.core.strength.force import Pulled
from yardcliff.core.strength.link import Link
from yardcliff.core.things.item import Item
from yardcliff.core.things.thing import Reach
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.units.trade import EASY, FINE, Either, Trade, down, steps, up
from yardcliff.data import Row, values
from yardcliff.messages import tr

ZERO = Fraction(0)
NOTHING = Pulled(0.0, 0.0)
SHORTEST = Fraction(25)
"""Nothing that sticks out is proposed shorter, mm."""
HELD_SHARE = Fraction(1, 2)
"""What is held, as a share of the whole width, where nobody measured it."""


@dataclass(frozen=True, slots=True)
class Ground:
    """The board under a holder: its thickness, its width, the axis line above its lower edge.

    Sizes are said and chosen by its `tape` and the trade of that; `pulled` is what asks most of one
    of its holders.
    """

    thickness: Fraction
    height: Fraction
    line: Fraction
    wood: Wood
    tape: Tape
    pulled: Pulled = NOTHING

    @property
    def sizes(self) -> Trade:
        return self.tape.sizes

    def text(self, size: Fraction) -> str:
        """A size as it is said."""
        return self.tape.write_fine(size)

    def up(self, size: Fraction, step: Either[Fraction] = FINE) -> Fraction:
        return up(size, self.sizes, step)

    def down(self, size: Fraction, step: Either[Fraction] = FINE) -> Fraction:
        return down(size, self.sizes, step)

    def shorter(self, than: Fraction) -> Iterator[Fraction]:
        """Easy lengths below one, the longest first, mm."""
        return steps(than, SHORTEST, self.sizes, EASY)

    def screw(self, most: Fraction) -> Fraction:
        """The longest wood screw that is sold and no longer, mm."""
        return next_length(most, self.sizes)

    def lag(self, least: Fraction) -> Fraction:
        """The next lag screw that is sold and no shorter, mm."""
        sold = lag_lengths(self.sizes)
        return next((one for one in sold if one >= least), sold[-1])

    def board(self, least: Fraction) -> Fraction:
        """The next thickness that its wood is sold in, mm."""
        return next_thickness(least, self.wood, self.sizes)

    def thicker(self, least: Fraction) -> Fix:
        """A board that is thick enough."""
        thick = self.board(least)
        return Fix(
            tr("fix.board-thick", thick=self.text(thick)),
            {"board": {"thickness": exact_text(thick)}},
        )

    def wider(self, least: Fraction, **also: object) -> Fix:
        """A board that is wide enough."""
        wide = self.up(least)
        return Fix(
            tr("fix.board-wide", wide=self.text(wide)),
            {"board": {"height": exact_text(wide)}, **also},
        )


@dataclass(frozen=True, slots=True)
class Fitting:
    """A holder on its ground; things hang `how` it: on hooks, in holes. Many are called by their
    `name`, one by its `noun`.

    `end_distance` is the least from its axis to the board's end, `apart` from one axis to the next,
    whatever hangs; `outline` is of one that is shaped in the shop; `links` are what may give way in
    it and in its ground; `own` are smaller ones for kinds of things that it would be too large for,
    `rows` those of rows that have another kind of holder, by their index.
    """

    name: str
    noun: str
    reach: Reach
    glyph: Glyph
    bores: tuple[Bore, ...]
    end_distance: Fraction
    end_why: str
    hang_drop: Fraction
    figures: tuple[Figure, ...]
    findings: tuple[Finding, ...]
    machining: tuple[Operation, ...]
    cautions: tuple[str, ...]
    how: str = "on"
    outline: Outline | None = None
    apart: Fraction = ZERO
    links: tuple[Link, ...] = ()
    own: Mapping[str, "Fitting"] = field(default_factory=dict)
    rows: Mapping[int, "Fitting"] = field(default_factory=dict)

    def of(self, row: int, kind: str = "") -> "Fitting":
        """What a row has for a kind of thing."""
        return self.rows.get(row) or self.own.get(kind, self)

    @property
    def every(self) -> tuple["Fitting", ...]:
        """This one and all others of the rack."""
        return (self, *self.own.values(), *self.rows.values())

    @property
    def tall(self) -> Fraction:
        """How tall on the face the tallest is."""
        return max(fitting.glyph.height for fitting in (self, *self.rows.values()))

    @property
    def fixtures(self) -> "Fixtures":
        """What rows with another kind of holder are spaced by."""
        return {k: Fixture(fitting.reach, fitting.apart) for k, fitting in self.rows.items()}

    @property
    def bored(self) -> Fraction:
        """How far from its axis along the row its holes reach."""
        bores = [abs(bore.aside) + bore.bit / 2 for bore in self.bores]
        beside = [
            abs(x) + operation.size / 2
            for operation in self.machining
            if operation.kind.drilled
            for x, _ in operation.offsets
        ]
        return max((*bores, *beside), default=ZERO)


Offsets = tuple[tuple[Fraction, Fraction], ...]
"""From a holder's axis, to the right and up, mm."""
AXIS: Offsets = ((ZERO, ZERO),)


def upright(heights: Iterable[Fraction]) -> Offsets:
    """Places one above the other on a holder's axis."""
    return tuple((ZERO, up) for up in heights)


def pilots(
    ground: Ground,
    offsets: Offsets,
    bit: Fraction,
    deep: Fraction,
    note: str,
    takes: tuple[Take, ...] = (),
) -> Operation:
    """The pilot holes of one holder's screws, from the face of its ground, and what is fastened
    there.
    """
    return Operation(
        Kind.PILOT,
        (),
        tr("tool.bit"),
        bit,
        deep,
        0,
        ground.thickness - deep,
        tr("stop.tape-on-the-bit"),
        note,
        takes=takes,
        offsets=offsets,
    )


def shipped(key: str, trade: Trade) -> Row:
    """What a holder of the trade's table is, as a brief says it. Raises `LookupError`."""
    return values("holders", key, trade)


def half(width: Fraction) -> Reach:
    """The reach of something symmetric."""
    return Reach(width / 2, width / 2)


def held_at(given: Fraction | None, items: Iterable[Item]) -> Fraction:
    """How thick the thickest is where it is held, mm: as given, as measured, or half its width."""
    return given or max(item.held or item.across * HELD_SHARE for item in items)


def held_figure(given: Fraction | None, thick: Fraction) -> Figure:
    """What `held_at` found."""
    formula = "given" if given else tr("holders.the-thickest")
    return figure("held", thick, formula, ())


def check_held(
    given: Fraction | None, items: Iterable[Item], thick: Fraction, path: str, ground: Ground
) -> Iterator[Finding]:
    """Whether it was measured; `path` is where the brief keeps what was `given`."""
    unknown = next((item for item in items if item.held is None), None)
    if unknown and given is None:
        yield Finding(
            "held.unknown",
            unknown.name.capitalize(),
            tr("held.unknown", plural=unknown.plural),
            tr("quantity.held-at"),
            thick,
            tr("quantity.as-measured"),
            fixes=(
                Fix(tr("fix.it-is", thick=ground.text(thick)), {path: {"held": exact_text(thick)}}),
            ),
        )
