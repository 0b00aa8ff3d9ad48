"""What of a rack lies on the wall, and where a screw may pass it: read off any rack."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from yardcliff.core.brief.mounting import By
from yardcliff.core.rack import Part, Rack
from yardcliff.core.shapes.geometry import across, mirrored, rounded, swapped
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.spans import cut, joined, meet, nearest
from yardcliff.core.units.trade import either
from yardcliff.core.wall.bodies import Body
from yardcliff.core.wall.boring import HEAD, bored, bored_at

RIM = Fraction(2)
"""What a plate reaches past a head that it hides, and what a head keeps from what stands beside it,
mm.
"""
CLEAR = HEAD / 2 + RIM
"""From a screw's middle to what its head keeps off, mm."""
RIM_OF_STUD = Fraction(10)
"""A screw keeps so far from a stud's edges, mm: two diameters."""
END, EDGE = either("30 mm", "1 1/4 in"), either("15 mm", "5/8 in")
"""From a screw to its board's end and to its long edge: 6 and 3 of its diameters, pre-drilled."""
COVER = Fraction(40)
"""A board flat upon another that a screw still goes through with it, mm thick."""
TWO_LINES = Fraction(100)
"""From this height on a board takes two lines of screws, which keep it flat, mm."""
BETWEEN = Fraction(600)
"""Up a board at most from screw to screw, mm: rule of thumb."""
MIRROR = either("12 mm", "1/2 in")
"""From a board's end to the hole of a mirror plate beside it."""
PLATE = Fraction(20)
"""Half of what a plate takes along a board with its own screws, and a little more, mm."""
MIRROR_LONG = Fraction(40)
"""What a mirror plate takes of its board's end, with its own screws, mm."""
STRIP_DOWN = either("40 mm", "1 1/2 in")
"""From a board's top to the middle of the strip that it hangs on: its top hides the strip."""
ZERO = Fraction(0)
Span = tuple[Fraction, Fraction]


@dataclass(frozen=True, slots=True)
class ScrewLine:
    """Screws through one part: at each stud that it meets, one at every height of `ys`.

    `free` is where they may pass, from the rack's datum; `wood` what they go through.
    """

    part: Part
    ys: tuple[Fraction, ...]
    free: tuple[Span, ...]
    wood: Fraction

    @property
    def wide(self) -> bool:
        """Whether it runs along the wall."""
        return self.part.height <= self.part.length

    @property
    def least(self) -> int:
        """On how many studs it is held: one that stands is held up its height."""
        return 2 if self.wide else 1

    def mirrored(self, spans: Sequence[Span]) -> list[Span]:
        """Stretches as they lie about the part's middle in a mirror."""
        whole = 2 * self.part.x + self.part.length
        return [(whole - b, whole - a) for a, b in reversed(spans)]


@dataclass(frozen=True, slots=True)
class Screw:
    """One fixing in the wall: (x, y) in the rack's frame, and the stud it is in, if it
    is in one.
    """

    part: str
    x: Fraction
    y: Fraction
    stud: int | None


def lines(rack: Rack, body: Body, by: By) -> tuple[ScrewLine, ...]:
    """The lines of screws of a body, by the way that it hangs; none where a part has no place for
    one. Where boards run along the wall, what stands between them is held by what joins it to them.
    """
    every = tuple(line for part in body.grounds for line in _lines(rack, part, by) if line.free)
    found = tuple(line for line in every if line.wide) or every
    return _behind_strips(found, by) if by in ("cleat", "batten") else found


def _behind_strips(found: tuple[ScrewLine, ...], by: By) -> tuple[ScrewLine, ...]:
    """Those that strips lie behind: at the top of each board. A rack hooks over one cleat, its
    highest; what is below stands off as far.
    """
    tops = [replace(line, ys=line.ys[:1]) for line in found]
    highest = max((line.ys[0] for line in tops), default=ZERO)
    return tuple(line for line in tops if by == "batten" or line.ys[0] == highest or not line.wide)


def _lines(rack: Rack, part: Part, by: By) -> Iterator[ScrewLine]:
    if by == "plates":
        one = next((row for row in rack.rows if row.part == part.key and not row.up), None)
        if one:  # the first row's hooks hide them all
            room = max((plate_room(rack) - HEAD) / 2 - RIM, ZERO)
            left, right = part.x, part.x + part.length
            on = sorted((max(x - room, left), min(x + room, right)) for x, _ in one.places)
            yield ScrewLine(part, (one.y,), tuple((a, b) for a, b in on if a <= b), part.depth)
        return
    if part.height > part.length:
        yield _upright(rack, part, by)
        return
    low, high = _lies(part)
    tall = high - low
    end, edge = min(END.of(rack.sizes), part.length / 3), EDGE.of(rack.sizes)
    ends = (part.x + end, part.x + part.length - end)
    if by in ("keyholes", "hangers", "cleat", "batten"):
        down = STRIP_DOWN.of(rack.sizes) if by in ("cleat", "batten") else _in(tall, edge)
        y = high - min(down, tall / 2)
        free: tuple[Span, ...] = (ends,)
        if by in ("keyholes", "hangers"):
            free = cut(free, bored_at(rack, part, y, PLATE, HEAD))
        yield ScrewLine(part, (y,), free, ZERO)
        return
    if by == "mirrors":
        yield from _beside(rack, part)
        return
    two = tall >= TWO_LINES
    heights = [high - _in(tall, edge), low + _in(tall, edge)][: 2 if two or by == "items" else 1]
    found = [(y, *_passable(rack, part, y, ends)) for y in heights]
    if by == "items":  # things hang before a board's lower half
        found = [(y, _behind(rack, free, y), wood) for y, free, wood in found]
    shared = meet(found[0][1], found[1][1]) if two else ()
    if shared and found[0][2] == found[1][2]:
        yield ScrewLine(part, tuple(heights), shared, found[0][2])
        return
    y, free, wood = max(found, key=lambda one: (sum((b - a for a, b in one[1]), ZERO), one[0]))
    yield ScrewLine(part, (y,), free, wood)


def _beside(rack: Rack, part: Part) -> Iterator[ScrewLine]:
    """Where mirror plates stand out at a part's ends, half-way up if nothing is bored there; not
    behind another part.
    """
    middle = part.y + part.height / 2
    off = MIRROR.of(rack.sizes)
    ends = part.x - off, part.x + part.length + off
    if any(
        other.x < end < other.x + other.length and other.y < middle < other.y + other.height
        for other in rack.parts
        for end in ends
    ):
        return
    heights = [
        middle,
        *(
            middle + step
            for step in (HEAD, -HEAD, 2 * HEAD, -2 * HEAD)
            if part.height / 2 >= abs(step) + HEAD
        ),
    ]
    right = part.x + part.length
    plates = (part.x, part.x + MIRROR_LONG), (right - MIRROR_LONG, right)
    free = [y for y in heights if not meet(plates, tuple(bored_at(rack, part, y, ZERO, RIM)))]
    if free:
        yield ScrewLine(part, (free[0],), tuple((end, end) for end in ends), ZERO)


def clear_at(rack: Rack, part: Part, y: Fraction, *, behind: bool = False) -> tuple[Span, ...]:
    """Where along a level line of a part nothing is in the way of a screw, from the rack's datum;
    or of one from `behind` that ends in it.
    """
    end = min(END.of(rack.sizes), part.length / 3)
    ends = part.x + end, part.x + part.length - end
    return (
        cut((ends,), bored_at(rack, part, y, CLEAR, CLEAR))
        if behind
        else _passable(rack, part, y, ends)[0]
    )


def _in(tall: Fraction, edge: Fraction) -> Fraction:
    """How far in from its long edge a line of screws runs."""
    return max(min(edge, tall / 2), tall / 8)


def _lies(part: Part) -> Span:
    """From where to where up the wall a part lies on it: a bevelled one has less of a back than of
    a front.
    """
    heights = [y for z, y in part.profile if z == part.z] if part.seen == "from the side" else []
    return (min(heights), max(heights)) if heights else (part.y, part.y + part.height)


def _behind(
    rack: Rack, free: tuple[Span, ...], line: Fraction, *, up: bool = False
) -> tuple[Span, ...]:
    """The stretches of a line, level or `up` the wall, where what hangs hides a whole head."""
    for at in (line - HEAD / 2, line, line + HEAD / 2):
        free = meet(free, _hidden(rack, at, up=up))
    return free


def _hidden(rack: Rack, at: Fraction, *, up: bool) -> tuple[Span, ...]:
    """Where along a line a screw's head is behind the outlines of what hangs."""
    found: list[Span] = []
    for one in rack.hung:
        if one.spare:
            continue
        line, along = (at - one.x, one.y) if up else (at - one.y, one.x)
        for path in rack.looks[one.kind].body:
            seen = mirrored(path) if one.turned else path
            for a, b in across(swapped(seen) if up else seen, float(line)):
                found.append((along + rounded(a) + HEAD / 2, along + rounded(b) - HEAD / 2))
    return tuple(joined((a, b) for a, b in found if a <= b))


def _passable(rack: Rack, part: Part, y: Fraction, ends: Span) -> tuple[tuple[Span, ...], Fraction]:
    """Where along a level line nothing is in a screw's way, and the wood that it passes there."""
    shut = [(x - half - CLEAR, x + half + CLEAR) for x, half in _holders_at(rack, part, y)]
    shut += [
        (part.x + flaw.at - CLEAR, part.x + flaw.at + flaw.width + CLEAR)
        for flaw in rack.row.brief.keepouts
        if part.key in {row.part for row in rack.rows}
    ]
    shut += bored_at(rack, part, y, CLEAR, CLEAR)
    covers: list[Part] = []
    for other in rack.parts:
        if other is part or not (other.y - CLEAR < y < other.y + other.height + CLEAR):
            continue
        if not (other.x < ends[1] and other.x + other.length > ends[0]) or other.z < part.depth:
            continue
        if (
            other.z == part.depth
            and other.depth <= COVER
            and other.y + CLEAR <= y <= other.y + other.height - CLEAR
        ):
            covers.append(other)
            shut += [(other.x + seam - CLEAR, other.x + seam + CLEAR) for seam in other.seams]
            shut += bored_at(rack, other, y, CLEAR, CLEAR)
        else:
            shut.append((other.x - CLEAR, other.x + other.length + CLEAR))
    bare: tuple[Span, ...] = (ends,)
    wood = part.depth
    over = [(cover.x + CLEAR, cover.x + cover.length - CLEAR) for cover in covers]
    if sum((b - a for a, b in over), ZERO) * 2 > ends[1] - ends[0]:  # through both
        bare, wood = meet(bare, tuple(sorted(over))), part.depth + covers[0].depth
    else:
        shut += [(a - 2 * CLEAR, b + 2 * CLEAR) for a, b in over]
    return cut(bare, shut), wood


def _holders_at(rack: Rack, part: Part, y: Fraction) -> Iterator[tuple[Fraction, Fraction]]:
    """Holders on a part that reach to a height: where they are and half how wide."""
    wide: dict[int, Fraction] = {}
    for k, row in enumerate(rack.rows):
        glyph = rack.glyph_of(k)
        low = min(-glyph.height / 2, glyph.tip) - CLEAR
        high = max(glyph.height / 2, glyph.tip) + CLEAR
        if glyph.solid and row.part == part.key and not row.up and low < y - row.y < high:
            wide[k] = glyph.width / 2 + max(
                (abs(bore.aside) for bore in rack.bores_of(k)), default=ZERO
            )
    if wide:
        yield from ((holder.x, wide[holder.row]) for holder in rack.holders if holder.row in wide)


def _upright(rack: Rack, part: Part, by: By) -> ScrewLine:
    """The screws of a board that stands, in its middle: near its ends and between, clear of what is
    on it.
    """
    shut = [
        (holder.y - half, holder.y + half)
        for holder in rack.holders
        for glyph in (rack.glyph_of(holder.row),)
        for half in (max(glyph.height / 2, glyph.tip) + CLEAR,)
        if rack.rows[holder.row].part == part.key and glyph.solid
    ]
    shut += [(area.y0 - CLEAR, area.y1 + CLEAR) for area in bored(rack, part)]
    wood = part.depth
    for other in rack.parts:
        if other is part or not (
            other.x < part.x + part.length and other.x + other.length > part.x
        ):
            continue
        if other.z > ZERO and other.z + other.depth > part.depth:  # before it, or let over it
            if other.z == part.depth and other.depth <= COVER:
                wood = part.depth + other.depth
                shut += [(at - CLEAR, at + CLEAR) for at in (other.y, other.y + other.height)]
            else:
                shut.append((other.y - CLEAR, other.y + other.height + CLEAR))
    low, high = _lies(part)
    end = min(END.of(rack.sizes), (high - low) / 4)
    free = cut(((low + end, high - end),), shut)
    if by == "items":
        free = _behind(rack, free, part.x + part.length / 2, up=True)
    ys: tuple[Fraction, ...] = ()
    if free:
        low, high = free[0][0], free[-1][1]
        count = max(2, -(-(high - low) // BETWEEN) + 1) if high - low >= 2 * HEAD else 1
        wanted = (
            [high - (high - low) * k / (count - 1) for k in range(int(count))]
            if count > 1
            else [high]
        )
        ys = tuple(dict.fromkeys(nearest(free, y) for y in wanted))
    side = min(EDGE.of(rack.sizes), part.length / 2)
    return ScrewLine(part, ys, ((part.x + side, part.x + part.length - side),) if ys else (), wood)


def plate_room(rack: Rack) -> Fraction:
    """The room between a plate's own screws that could hide a head; none where holders of a row
    have no plate.
    """
    glyphs = [rack.glyph_of(k) for k in range(len(rack.rows))]
    if any(
        len(glyph.screws) != 2 for glyph in glyphs
    ):  # with three screws one stands in the middle
        return ZERO
    return min(min(glyph.width, abs(glyph.screws[0] - glyph.screws[1]) - HEAD) for glyph in glyphs)


def plates_hide(rack: Rack) -> bool:
    """Whether hook plates have room for a screw's head between their own screws."""
    return plate_room(rack) >= HEAD + 2 * RIM
