"""Boards screwed or dowelled to one another, and held by brackets: what is alike wherever that is
done.

A screw is one line through both parts: its hole in the one and its pilot hole in the other are read
off that line, so they meet.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.holders.fitting import Fitting
from yardcliff.core.materials.goods import Goods, Ware, Wood
from yardcliff.core.materials.sold import JOINS, brads, screw_sizes, screws
from yardcliff.core.rack import Face, Hold, Joint, Kind, Operation, Part, Place, Point, drill
from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import size_text
from yardcliff.core.units.spans import cut, nearest
from yardcliff.core.units.trade import Trade, either
from yardcliff.messages import tr

BITE = either("32 mm", "1 1/4 in")
"""How far such a screw goes into an edge or an end, mm."""
REACH = Fraction(7, 10)
"""How far a bracket carries a shelf, as a share of its depth: rule of thumb."""
BRACKET_BITE = either("20 mm", "3/4 in")
"""How far a screw goes into a bracket, mm: its corner leaves no more where it is held."""
LEG = Fraction(9, 10)
"""A bracket's leg down the wall, as a share of the one under the shelf."""
APART = either("600 mm", "24 in")
"""From bracket to bracket at most, mm: rule of thumb."""
IN = either("30 mm", "1 1/4 in")
"""From a screw to the end of where two boards meet, mm at most: less, a quarter of it."""
DOWEL, DOWEL_LONG = either("8 mm", "3/8 in"), either("40 mm", "1 1/2 in")
"""A dowel pin in a corner: half of it in each part."""
GLUE_ROOM = either("1 mm", "1/16 in")
"""Of a dowel's hole beyond its half, mm."""
MEASURED = Fraction(100)
"""More wood than this behind a hole is not spoken of, mm."""
KEEP = Fraction(5)
"""From a screw's middle to what is bored beside it at least, mm: half of it and three of wood."""
ZERO = Fraction(0)
_SIDES = {0: (Face.LEFT, Face.RIGHT), 1: (Face.BOTTOM, Face.TOP), 2: (Face.BACK, Face.FRONT)}


@dataclass(frozen=True, slots=True)
class Meet:
    """Where one part is fastened `through` to the one that it goes `into`: the `face` of the first
    that lies on the second, and the points of their joint that a screw or a dowel passes.
    """

    through: Part
    into: Part
    face: Face
    points: tuple[Point, ...]

    @property
    def heads(self) -> Iterable[Place]:
        """Where screws go in: on the far face of the first part."""
        face = self.face.opposite
        for point in self.points:
            yield Place(self.through.key, face, *self.through.on(face, point), joins=self.into.key)

    @property
    def faces(self) -> Iterable[Place]:
        """Where the first part's own face meets the other."""
        for point in self.points:
            yield Place(
                self.through.key, self.face, *self.through.on(self.face, point), joins=self.into.key
            )

    @property
    def answers(self) -> Iterable[Place]:
        """Where they come into the second."""
        face = self.face.opposite
        for point in self.points:
            yield Place(self.into.key, face, *self.into.on(face, point), joins=self.through.key)


def clearance(trade: Trade) -> Fraction:
    """What the screws that hold parts together pass through, mm."""
    return screw_sizes(JOINS.of(trade))["clear"]


def pilot_bit(wood: Wood, trade: Trade) -> Fraction:
    """What their pilot holes in a wood are drilled with, mm."""
    return screw_sizes(JOINS.of(trade))[wood]


def dowel_deep(trade: Trade) -> Fraction:
    """How deep a dowel pin's hole is, mm."""
    return DOWEL_LONG.of(trade) / 2 + GLUE_ROOM.of(trade)


def meet(
    trade: Trade,
    through: Part,
    into: Part,
    count: int,
    within: dict[int, tuple[Fraction, Fraction]] | None = None,
    shut: Iterable[tuple[Fraction, Fraction]] = (),
) -> Meet:
    """So many fastenings where two parts lie face to face, evenly along the longer side of it and
    in its middle across. `within` narrows it along an axis: where a part is no box, or a plank of
    it is meant. Along the longer side they keep off what is `shut`, as far as anything is left.
    """
    shared, touch = _meeting(through, into)
    face = _SIDES[touch][through.low[touch] < into.low[touch]]
    area = {
        axis: _narrowed(span, (within or {}).get(axis, span))
        for axis, span in shared.items()
        if axis != touch
    }
    long, short = sorted(area, key=lambda axis: area[axis][0] - area[axis][1])
    low, high = area[long]
    inset = min((high - low) / 4, IN.of(trade))
    first, last = (low + inset, high - inset) if count > 1 else ((low + high) / 2,) * 2
    wanted = [first + (last - first) * k / (max(count, 2) - 1) for k in range(count)]
    free = cut([(low + inset / 2, high - inset / 2)], shut)
    found = {nearest(free, at) for at in wanted} if free else set()
    points = []
    # Two that would come to one place stay where they are wanted.
    for place in sorted(found) if len(found) == count else wanted:
        at = [ZERO, ZERO, ZERO]
        at[touch] = shared[touch][0]
        at[short] = sum(area[short], ZERO) / 2
        at[long] = place
        points.append((at[0], at[1], at[2]))
    return Meet(through, into, face, tuple(points))


def beside(
    fitted: Fitting, row: Row, low: Fraction, high: Fraction
) -> Iterator[tuple[Fraction, Fraction]]:
    """Where along a row no screw of a joint goes that is so far above its line, from low to high:
    there its holders are bored, or nearly.
    """
    for operation in fitted.machining:
        reach = operation.size / 2 + KEEP
        for aside, up in operation.offsets if operation.kind.drilled else ():
            if low - reach < up < high + reach:
                yield from ((axis + aside - reach, axis + aside + reach) for axis in row.axes)


def _meeting(part: Part, other: Part) -> tuple[dict[int, tuple[Fraction, Fraction]], int]:
    """What the boxes of two parts share along each axis, and the one that they meet along: they
    share least there.
    """
    shared = {
        axis: (max(low, its), min(low + size, its + long))
        for axis, (low, size, its, long) in enumerate(
            zip(part.low, part.size, other.low, other.size, strict=True)
        )
    }
    return shared, min(shared, key=lambda axis: shared[axis][1] - shared[axis][0])


def pinned(trade: Trade, through: Part, into: Part) -> Joint:
    """A part that is nailed to another with brads, and glued: no hole is made for them."""
    shared, touch = _meeting(through, into)
    along = max(high - low for axis, (low, high) in shared.items() if axis != touch)
    return Joint(
        through.key,
        into.key,
        Hold.PINS,
        takes=(brads(through.size[touch], into.size[touch], along, trade),),
    )


def _narrowed(
    span: tuple[Fraction, Fraction], within: tuple[Fraction, Fraction]
) -> tuple[Fraction, Fraction]:
    """What of a stretch lies within another; all of it where none does."""
    low, high = max(span[0], within[0]), min(span[1], within[1])
    return (low, high) if low <= high else span


def _left(wood: Iterable[Fraction]) -> Fraction | None:
    """The least that is left behind holes; nothing that anybody would measure where they are
    drilled into an end.
    """
    least = min(wood)
    return least if least <= MEASURED else None


def screwed(
    trade: Trade,
    meets: Sequence[Meet],
    deep: Fraction,
    notes: tuple[str, str],
    tilt: float = 0,
    **given: str,
) -> tuple[Operation, ...]:
    """Screws `deep` into the second parts of these meetings: the holes that they pass, and the
    pilot holes; the key of a note for each, that of the pilot holes may say what is `given` and how
    `long` the screws are that are sold for it. Along a part that slopes they are drilled at its
    `tilt`.
    """
    heads = [place for one in meets for place in one.heads]
    if not heads:
        return ()
    first = meets[0]
    left = _left(one.into.thick(one.face) - deep for one in meets)
    taken = screws(JOINS.of(trade), first.through.thick(first.face) + deep, len(heads))
    into = tr(notes[1], long=taken.sizes[1], **given)
    answers = [place for one in meets for place in one.answers]
    return (
        drill(
            Kind.SCREW_HOLE, heads, clearance(trade), tr(notes[0]), tilt=tilt, head="countersunk"
        ),
        drill(
            Kind.JOINT_PILOT,
            answers,
            pilot_bit(first.into.wood, trade),
            into,
            deep=deep,
            left=left,
            takes=(taken,),
        ),
    )


def dowelled(trade: Trade, meets: Sequence[Meet], notes: tuple[str, str]) -> tuple[Operation, ...]:
    """Dowel pins between the first parts' ends and the second parts' edges, half in each."""
    deep, dowel = dowel_deep(trade), DOWEL.of(trade)
    pin = tuple(size_text(size.of(trade), trade) for size in (DOWEL, DOWEL_LONG))
    first = [place for one in meets for place in one.faces]
    taken = (Ware(Goods.DOWEL_PIN, len(first), pin),)
    ends = _left(one.through.thick(one.face) - deep for one in meets)
    edges = _left(one.into.thick(one.face) - deep for one in meets)
    return (
        drill(Kind.DOWEL_HOLE, first, dowel, tr(notes[0]), deep=deep, left=ends, takes=taken),
        drill(
            Kind.DOWEL_ANSWER,
            (place for one in meets for place in one.answers),
            dowel,
            tr(notes[1]),
            deep=deep,
            left=edges,
        ),
    )
