"""The angled rail: two boards joined to a ridge that stands up the wall, pegs square to both, so that neighbours fan out.

With 2t between the boards, each w wide and T thick, the ridge stands w cos t off the wall and the rail is 2 w sin t wide.
The mitre at the ridge is sawn at t to the face, the edge on the wall at 90 - t. What is left behind the ridge is
w cos t - T / sin t deep: there a bracket interlocks, one half on the wall and one in the rail.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from math import ceil, cos, radians, sin, tan
from typing import Annotated, ClassVar, Literal

from yardcliff.core.angles import both_ways, degrees
from yardcliff.core.brief import Board, RackBrief
from yardcliff.core.choices import Field, Option, Section
from yardcliff.core.exact import Fraction
from yardcliff.core.families import uprights
from yardcliff.core.families.family import Family, Fitness, Hangs, on_hooks, row_for
from yardcliff.core.families.joinery import CLEARANCE
from yardcliff.core.families.prisms import Corners, column, prism
from yardcliff.core.families.shared import Body, assemble, first_row, ground
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.geometry import line, rounded
from yardcliff.core.holders import kit
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting, half
from yardcliff.core.item import Item
from yardcliff.core.length import Size, TapeName, exact_text
from yardcliff.core.model import Frozen, angle
from yardcliff.core.rack import RESTS, Joint, Operation, Outline, Part, Rack
from yardcliff.core.row import HALF, Row
from yardcliff.core.row_brief import Ends
from yardcliff.core.rows import Standing, beside, can_stagger
from yardcliff.core.things import UP, Reach, Run, Thing
from yardcliff.core.working import Figure, Input

HOLLOW = Fraction(24)
"""Behind the ridge at least, so that there is a bracket to hang on, mm: rule of thumb."""
SKIN = Fraction(2)
"""Of wood before a magnet: thicker, and it does not pull; thinner, and it breaks through, mm."""
AROUND = Fraction(6)
"""Wood around a magnet's recess, mm."""
TALLEST = Fraction(260)
"""Of a thing that hangs one above the other within reach, mm."""
WIDEST = Fraction(180)
"""Of a thing that passes its neighbour before the ridge on pegs as they are at first, mm."""
ZERO = Fraction(0)
Between = Annotated[float, angle(60, 150, "angle between the boards", "at their backs")]


class Angled(Frozen):
    """`angle` between the boards, at their backs; each half of the `bracket` is so long; a `magnet` is so wide."""

    angle: Between = 90
    right: Literal["one fewer", "as many", "opposite", "none"] = "one fewer"
    caps: Literal["over", "inside", "none"] = "over"
    cap: Size = Fraction(9)
    bracket: Size = Fraction(60)
    magnet: Size | None = None


class AngledRailBrief(RackBrief):
    """`board` gives one of the two: its outer face's width, its thickness and its wood. `hung` is the height of its foot."""

    run: ClassVar[Run] = UP

    family: Literal["angled-rail"] = "angled-rail"
    holder: kit.Holder = pegs.Peg(showing=Fraction(80))
    angled: Angled = Angled()
    board: Board = Board(height=Fraction(90))

    def thing(self, item: Item) -> Thing:
        """How far a thing reaches below and above its holder."""
        drop = fitting(self).hang_drop
        return Thing(Reach(item.below + drop, max(item.above - drop, ZERO)))


@dataclass(frozen=True, slots=True)
class _Ridge:
    """The rail from above, mm: half its `angle` in radians, how far the ridge stands `off` the wall, `half` its width,
    how deep the `hollow` behind it is, and the `bracket` in it: (width, depth).
    """

    angle: float
    off: float
    half: float
    hollow: float

    @property
    def bracket(self) -> tuple[float, float]:
        """As deep as half the hollow: so its front edges just touch both boards."""
        return self.hollow * tan(self.angle), self.hollow / 2


def _ridge(angled: Angled, board: Board) -> _Ridge:
    t, wide = radians(angled.angle / 2), float(board.height)
    off = wide * cos(t)
    return _Ridge(t, off, wide * sin(t), max(off - float(board.thickness) / sin(t), 0))


def fitting(brief: AngledRailBrief) -> Fitting:
    """The brief's holder in the middle of a board."""
    fitted = kit.fit(brief.holder, ground(brief, "Board"))
    return replace(fitted, reach=half(fitted.glyph.height))


def build(brief: AngledRailBrief, fitted: Fitting, row: Row) -> Rack:
    """Two boards, each with its own row, what closes their ends, and the bracket behind them."""
    ridge, other = _ridge(brief.angled, brief.board), _right(brief, row)
    sides = (row, other) if other else (row,)
    boards = _boards(brief, ridge, row.length)
    left, right = boards
    caps, bracket = _caps(brief, ridge, row.length), _bracket(brief, ridge, row.length)
    joints = [Joint(left.key, right.key, "glued on the mitre")]
    joints += [Joint(cap.key, board.key, "glued and pinned") for cap in caps for board in boards]
    if bracket:
        joints += [Joint(bracket[0].key, board.key, "glued along its front edges") for board in boards]
        joints.append(Joint(bracket[0].key, bracket[1].key, "hooked on the slant"))
    out = float(fitted.glyph.rests) * cos(radians(_tilt(brief)))
    aside = rounded(ridge.half / 2 + out * cos(ridge.angle))
    middle = rounded(ridge.half)
    body = Body(
        "angled-rail",
        (*bracket, *boards, *caps),
        tuple((board.key, brief.board.height / 2) for board in boards[: len(sides)]),
        tuple(joints),
        tuple(_machining(brief, ridge, bool(bracket))),
        tuple(_figures(brief, ridge, out, sides)),
        tuple(_findings(brief, fitted, ridge, sides, aside)),
        (
            "Bevels: the guard stays on the saw; rip both boards before they are cut to length, the offcut free to fall.",
            "Mark TOP on both boards before you drill: they are a pair, and pegs that are drilled alike from either end point down.",
        ),
        up_at=(middle - aside, middle + aside)[: len(sides)],
        sides=sides,
        outlines=tuple(_outlines(brief, ridge, boards, caps)),
    )
    return assemble(brief, fitted, (Standing(row, ZERO, ZERO),), ZERO, body)


def _tilt(brief: AngledRailBrief) -> float:
    return brief.holder.tilt if isinstance(brief.holder, pegs.Peg) else 0


def _right(brief: AngledRailBrief, row: Row) -> Row | None:
    """The right board's row: the left one's, or half a pitch higher where it has one pitch; None where none is left."""
    way = brief.angled.right
    fewer = way == "one fewer"
    if way == "none" or (fewer and row.count < 2):
        return None
    if way == "opposite" or not can_stagger(row):
        return row
    step = row.t * HALF
    return beside(row, row.left + step, row.right + (step if fewer else -step), row.count - fewer)


def _boards(brief: AngledRailBrief, ridge: _Ridge, length: Fraction) -> tuple[Part, Part]:
    """Both boards, mitred at the ridge and bevelled where they lie on the wall."""
    board, lean = brief.board, 90 - brief.angled.angle / 2
    half, inner = ridge.half, ridge.hollow * tan(ridge.angle)
    ahead, behind = (half, ridge.off), (half, ridge.hollow)

    def one(key: str, name: str, side: int) -> Part:
        corners = (ahead, behind, (half + side * inner, 0.0), (half + side * half, 0.0))
        part = column(key, name, brief.hung, length, corners if inner else corners[::2] + corners[3:], board.wood)
        return replace(part, upright=True, up=True, sawn=(board.height, board.thickness), lean=side * lean)

    return one("left-board", "Left board", -1), one("right-board", "Right board", 1)


def _caps(brief: AngledRailBrief, ridge: _Ridge, length: Fraction) -> tuple[Part, ...]:
    """What closes the ends: over them, or let in flush between the boards."""
    angled, foot = brief.angled, brief.hung
    corners = _cap(brief, ridge)
    if not corners:
        return ()
    thick = min(angled.cap, length / 4)
    low, high = (foot - thick, foot + length) if angled.caps == "over" else (foot, foot + length - thick)
    return tuple(column(f"cap-{k}", f"Cap {k}", y, thick, corners, brief.board.wood) for k, y in ((1, low), (2, high)))


def _cap(brief: AngledRailBrief, ridge: _Ridge) -> Corners:
    """A cap's corners, (x, z); none where there is none."""
    if brief.angled.caps == "none" or (brief.angled.caps == "inside" and not ridge.hollow):
        return ()
    deep = ridge.off if brief.angled.caps == "over" else ridge.hollow
    wide = deep * tan(ridge.angle)
    return (ridge.half - wide, 0.0), (ridge.half + wide, 0.0), (ridge.half, deep)


def _long(brief: AngledRailBrief, ridge: _Ridge) -> Fraction:
    """Each half of the bracket, mm: as asked, and at least twice as long as it is deep."""
    return max(brief.angled.bracket, rounded(2 * ridge.bracket[1]))


def _inside(brief: AngledRailBrief, length: Fraction) -> Fraction:
    """The hollow's height between the caps, mm."""
    return length - (2 * min(brief.angled.cap, length / 4) if brief.angled.caps == "inside" else 0)


def _bracket(brief: AngledRailBrief, ridge: _Ridge, length: Fraction) -> tuple[Part, ...]:
    """The half that is glued into the rail, under its top, and the one on the wall that it hooks over."""
    if not ridge.hollow:
        return ()
    wide, deep = ridge.bracket
    long = float(_long(brief, ridge))
    top = float(brief.hung + (length + _inside(brief, length)) / 2)
    slant = (0.0, top - long), (deep, top - long + deep)
    foot = top - 2 * long + deep
    x, across = rounded(ridge.half - wide / 2), rounded(wide)
    return (
        prism("rail-bracket", "Bracket in the rail", x, across, (*slant, (deep, top), (0.0, top)), brief.board.wood),
        prism("wall-bracket", "Bracket on the wall", x, across, (*slant[::-1], (0.0, foot), (deep, foot)), "hardwood"),
    )


def _outlines(
    brief: AngledRailBrief, ridge: _Ridge, boards: tuple[Part, ...], caps: tuple[Part, ...]
) -> Iterator[Outline]:
    """From above, about the ridge: both boards, to set the saw by, and a cap."""

    def about(corners: Corners) -> Corners:
        return tuple((x - ridge.half, z) for x, z in corners)

    both = [
        command
        for board in boards
        for command in (*line(*about(tuple((float(x), float(z)) for x, z in board.profile))), ("Z", ()))
    ]
    yield Outline("both boards", tuple(both), "the ridge", "Set the saw by it: mitres at the ridge, bevels on the wall.",
                  "from above")  # fmt: skip
    if caps:
        yield Outline("an end cap", (*line(*about(_cap(brief, ridge))), ("Z", ())), "the ridge",
                      "Saw both from one strip; the grain runs along the wall.", "from above")  # fmt: skip


def _machining(brief: AngledRailBrief, ridge: _Ridge, bracket: bool) -> Iterator[Operation]:
    board, t = brief.board, brief.angled.angle / 2
    yield Operation(
        "Mitre", 2, "Boards", "ridge edge", "edge, ripped on the bevel", board.thickness, None, 90 - t, None, "the fence",
        "The outer face is the wide one. Glue with tape across the outside: the mitre closes as it folds.",
        how=both_ways(90 - t),
    )  # fmt: skip
    yield Operation(
        "Bevel", 2, "Boards", "edge on the wall", "edge, ripped on the bevel", board.thickness, None, t, None, "the fence",
        "Towards the inner face, so that it lies flat on the wall.", how=both_ways(t),
    )  # fmt: skip
    if bracket:
        wide, deep = (rounded(n) for n in ridge.bracket)
        yield Operation(
            "Slant", 1, "Bracket", "middle", "strip, sawn through", deep, None, 45, None, "a stop block",
            f"One strip {exact_text(Fraction(round(wide * 10), 10))} wide, its front edges planed to lie on the boards; sawn through, it gives both halves.",
            how=both_ways(45),
        )  # fmt: skip
        yield Operation(
            "Screw hole", 2, "Bracket on the wall", "front", "bit", CLEARANCE, None, 0, None, "through",
            "One above the other, into a stud; the slant rises towards you.",
        )  # fmt: skip
    if brief.angled.magnet:
        deep = max(board.thickness - SKIN, ZERO)
        yield Operation(
            "Magnet recess", 1, "Right board", "back", "flat-bottomed bit", brief.angled.magnet, deep, 0, SKIN,
            "depth stop on the press", "Before the boards are joined; glue the magnet to the bottom, not to the rim.",
        )  # fmt: skip


def _figures(brief: AngledRailBrief, ridge: _Ridge, out: float, sides: tuple[Row, ...]) -> Iterator[Figure]:
    board, t = brief.board, brief.angled.angle / 2
    w, thick = Input("w", "outer face", board.height), Input("T", "thick", board.thickness)
    half_angle = Input("t", "half the angle between them", degrees(t))
    yield Figure("overall", "Over all", rounded(2 * ridge.half), "2 · w · sin t", (w, half_angle),
                 "As wide as the rail is seen on the wall.")  # fmt: skip
    yield Figure("angled.off", "Ridge off the wall", rounded(ridge.off), "w · cos t", (w, half_angle),
                 "How far the boards stand out.")  # fmt: skip
    yield Figure("angled.mitre", "Mitre", both_ways(90 - t), "90° − t", (half_angle,),
                 "At the ridge of each board: what stands between the mitre and the outer face is half the angle.")  # fmt: skip
    yield Figure("angled.bevel", "On the wall", both_ways(t), "half the angle", (half_angle,),
                 "The back edge of each board, so that it lies flat.")  # fmt: skip
    inner = rounded(ridge.hollow / cos(ridge.angle))
    yield Figure("angled.inner", "Inner face", inner, "max(w − T / (sin t · cos t), 0)", (w, thick, half_angle),
                 "What both bevels leave of the back.")  # fmt: skip
    hollow = rounded(ridge.hollow)
    yield Figure("angled.hollow", "Behind the ridge", hollow, "max(w · cos t − T / sin t, 0)", (w, thick, half_angle),
                 "Where the bracket is; its depth is half of it, so that its front edges touch both boards.")  # fmt: skip
    deep = rounded(ridge.bracket[1])
    yield Figure("angled.bracket", "Each half of the bracket", _long(brief, ridge), "max(b, 2 · d)",
                 (Input("b", "asked for", brief.angled.bracket), Input("d", "deep", deep)),
                 "Along its long side. The rail is lifted by the depth of the slant to go on and to come off.")  # fmt: skip
    yield Figure("angled.peg", "Pegs point", degrees(90 - t), "90° − t", (half_angle,),
                 "So far to either side of straight out: square to the boards.")  # fmt: skip
    rest = Input("r", "at rest, off the face", rounded(out))
    yield Figure("angled.apart", "Side to side", rounded(ridge.half + 2 * out * cos(ridge.angle)), "w · sin t + 2 · r · cos t", (w, rest, half_angle),
                 "Between what hangs on the left and what hangs on the right, from middle to middle.")  # fmt: skip
    if magnet := brief.angled.magnet:
        yield Figure("angled.magnet", "Magnet", magnet, "given", (), "What clings to it hangs below the pegs.")
        low = sides[-1].axes[0]
        yield Figure("angled.magnet.up", "Magnet up", low / 2, "a / 2", (Input("a", "lowest peg", low),),
                     f"In the {'right' if len(sides) > 1 else 'left'} board, half-way from the foot to its lowest peg.")  # fmt: skip
    else:
        yield Figure("angled.magnet", "Magnet", "none", "given", (), "One let in from behind holds small steel things.")


def _findings(
    brief: AngledRailBrief, fitted: Fitting, ridge: _Ridge, sides: tuple[Row, ...], aside: Fraction
) -> Iterator[Finding]:
    row, other = sides[0], sides[-1]
    if ridge.hollow < HOLLOW:
        need = (brief.board.thickness / rounded(sin(ridge.angle)) + HOLLOW) / rounded(cos(ridge.angle))
        wide = exact_text(Fraction(ceil(need) + 1))
        yield Finding(
            "angled.hollow", "Boards", "Behind the ridge there is no room for a bracket.", "behind the ridge",
            rounded(ridge.hollow), HOLLOW, fixes=(Fix(f"Boards {wide} wide", {"board": {"height": wide}}),),
        )  # fmt: skip
    yield from _hangs(brief, ridge, row)
    if other is not row and other.count and other.length - other.axes[-1] < fitted.end_distance:
        top = exact_text(row.t * HALF + fitted.end_distance)
        ends = {"rule": "margin", "left": exact_text(max(row.left, ZERO)), "right": top}
        yield Finding(
            "angled.half", "Right board", "Half a pitch higher, the topmost peg on the right runs off the board or splits its end.",
            "to the top", other.length - other.axes[-1], fitted.end_distance, at=(float(other.length), 0),
            fixes=(
                *((Fix("One fewer on the right", {"angled": {"right": "one fewer"}}),) if row.count > 1 else ()),
                Fix(f"{top} at the top", {"row": {"follows": "length", "ends": ends}}),
            ),
        )  # fmt: skip
    yield from _meet(brief, sides, aside)
    yield from _magnet(brief, fitted, ridge, other)


def _hangs(brief: AngledRailBrief, ridge: _Ridge, row: Row) -> Iterator[Finding]:
    """Whether both halves of the bracket have room one above the other, and to be lifted off."""
    room, need = _inside(brief, row.length), 2 * _long(brief, ridge)
    if room >= need or not ridge.hollow:
        return
    short, deep = room // 2, rounded(2 * ridge.bracket[1])
    long = exact_text(Fraction(ceil(need + row.length - room)))
    yield Finding(
        "angled.bracket", "Bracket", "The rail is too short for both halves, and to be lifted off.", "between the ends",
        room, need,
        fixes=(
            *((Fix(f"{short} mm each", {"angled": {"bracket": f"{short} mm"}}),) if short >= deep and short > 0 else ()),
            Fix(f"A rail {long} long", {"row": {"length": long, "follows": "ends"}}),
        ),
    )  # fmt: skip


def _meet(brief: AngledRailBrief, sides: tuple[Row, ...], aside: Fraction) -> Iterator[Finding]:
    """Whether what hangs on the left and what hangs on the right are in one another's way before the ridge."""
    items = brief.kinds.values()
    need = max(item.right for item in items) + max(item.left for item in items) + brief.row.air
    if 2 * aside >= need or not _level(sides, brief.row.air):
        return
    showing = exact_text(_showing(_ridge(brief.angled, brief.board), need, _tilt(brief) or pegs.Peg().tilt))
    change = {"showing": showing} if isinstance(brief.holder, pegs.Peg) else {"kind": "peg", "showing": showing}
    yield Finding(
        "angled.meet", "Both sides", "What hangs on the left and what hangs on the right meet before the ridge.",
        "side to side", 2 * aside, need, fixes=(Fix(f"Pegs {showing} long", {"holder": change}),),
    )  # fmt: skip


def _showing(ridge: _Ridge, apart: Fraction, tilt: float) -> Fraction:
    """How far a peg shows so that what hangs on both sides is so far `apart`, mm, to the next 5."""
    each = 2 * cos(radians(tilt)) * cos(ridge.angle) * float(RESTS["peg"])
    return Fraction(max(ceil((float(apart) - ridge.half) / each / 5) * 5, 5))


def _level(sides: tuple[Row, ...], air: Fraction) -> bool:
    """Whether anything on one side hangs, in part, at the height of something on the other, or closer than the air."""
    spans = sorted(
        (centre - thing.reach.left, centre + thing.reach.right, side)
        for side, row in enumerate(sides)
        for thing, centre in zip(row.things, row.centres, strict=True)
    )
    reached = [-air, -air]
    for low, high, side in spans:
        if low < reached[1 - side] + air:
            return True
        reached[side] = max(reached[side], high)
    return False


def _magnet(brief: AngledRailBrief, fitted: Fitting, ridge: _Ridge, other: Row) -> Iterator[Finding]:
    magnet = brief.angled.magnet
    if magnet is None:
        return
    up = other.axes[0] / 2
    inner = rounded(ridge.hollow / cos(ridge.angle))
    beside = min(up, up - fitted.glyph.height / 2, inner / 2) - magnet / 2
    if beside >= AROUND and brief.board.thickness > 2 * SKIN:
        return
    small = (magnet - 2 * (AROUND - beside)) // 1
    smaller = (Fix(f"A magnet of {small} mm", {"angled": {"magnet": f"{small} mm"}}),) if small >= 5 else ()
    yield Finding(
        "angled.magnet", "Magnet", "Its recess runs too near a peg, the foot or an edge.", "wood around it", beside, AROUND,
        fixes=(*smaller, Fix("No magnet", {"angled": {"magnet": None}})),
    )  # fmt: skip


def start(hangs: Hangs, tape: TapeName) -> AngledRailBrief:
    """Pegs that keep both sides apart; an odd number takes turns, an even one starts half a pitch higher on the right."""
    shared = row_for(hangs, tape)
    count, mixed = shared["row"]["count"], bool(shared["row"]["order"])
    right = "none" if mixed else "one fewer" if count % 2 else "as many"
    ends = Ends(rule="margin", left=Fraction(60), right=Fraction(60))
    shared["row"] |= {"ends": ends.model_dump(), "tidy": Fraction(10)}
    if not mixed:
        shared["row"] |= {"count": -(-count // 2), "spacing": "tidy"}
    first = AngledRailBrief.model_validate(shared | {"angled": {"right": right}, "holder": _pegs_for(hangs)})
    row = first_row(first, fitting(first))
    if right == "as many":  # the right row has its half pitch more at the top
        longer = ends.model_copy(update={"right": ends.right + row.pitch / 2})
        first = first.model_copy(update={"row": first.row.model_copy(update={"ends": longer})})
    return first.model_copy(update={"hung": uprights.foot_for(row, max(row.things[0].reach.left - row.axes[0], ZERO))})


def _pegs_for(hangs: Hangs) -> pegs.Peg:
    """Dowels so long that neighbours pass one another before the ridge of boards as they are at first."""
    fields = AngledRailBrief.model_fields
    ridge = _ridge(fields["angled"].default, fields["board"].default)
    apart = max(2 * max(listed.item.left, listed.item.right) + listed.air for listed, _ in hangs)
    peg = pegs.Peg(diameter=Fraction(16), showing=Fraction(60))
    showing = min(max(_showing(ridge, apart, peg.tilt), peg.showing), Fraction(140))
    return peg.model_copy(update={"showing": showing})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Short things with a handle, one above the other to both sides."""
    if any(item.across > WIDEST for item in items):
        return Fitness(1, "So wide that what hangs on both sides meets before the ridge.")
    tallest = max(item.above + item.below for item in items)
    if tallest > TALLEST:
        return Fitness(int(tallest <= 2 * TALLEST), "So long, few of them hang one above the other.")
    return on_hooks(
        items, 2, "Short things fan out to both sides of a ridge: many of them on a strip of wall as wide as a hand."
    )


def choices(brief: AngledRailBrief) -> tuple[Section, ...]:
    """What an angled rail alone is asked."""
    right = Field(
        "angled.right",
        "on the right",
        (
            Option(
                "one fewer", "one fewer, between", "Each peg between two on the left: nothing hangs beside anything."
            ),
            Option(
                "as many", "as many, half higher", "The same count, half a pitch up: the top end is that much longer."
            ),
            Option("opposite", "opposite", "Both boards marked alike: the quickest, with things side by side."),
            Option(
                "none", "none", "Beside a door frame or a corner, where only one side is free; for things that differ."
            ),
        ),
    )
    caps = Field(
        "angled.caps",
        "ends",
        (
            Option(
                "over", "caps over the ends", "They hide the mitre and the hollow; sawn a little large and trimmed."
            ),
            Option("inside", "caps let in", "Flush between the boards: the boards' ends are seen."),
            Option("none", "open", "The least work; the hollow shows from below."),
        ),
    )
    fields = (
        Field("angled.angle", "angle °"),
        right,
        caps,
        *((Field("angled.cap", "cap thick"),) if brief.angled.caps != "none" else ()),
        Field("angled.bracket", "bracket"),
        Field("angled.magnet", "magnet", figure="angled.magnet"),
    )
    figures = (
        "overall", "angled.off", "angled.mitre", "angled.bevel", "angled.inner", "angled.hollow", "angled.bracket",
        "angled.peg", "angled.apart", *(("angled.magnet.up",) if brief.angled.magnet else ()),
    )  # fmt: skip
    return (*kit.choices(brief.holder), Section("Ridge", fields, figures))


FAMILY = Family(
    "angled-rail",
    "Angled rail",
    "Two boards joined to a ridge up the wall: pegs fan out to both sides.",
    AngledRailBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
