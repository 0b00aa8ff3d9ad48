"""The upright rail: a clip rail above a foot board with holes, in which shafts stand plumb; the foot board is screwed up
under a rail of its own, and that to the wall.

A shaft is plumb when its foot and its clip are the same distance from the wall:
foot offset = rail thickness + half a ring - whatever the foot board stands off.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from math import ceil
from typing import Literal

from yardcliff.core.brief import RackBrief
from yardcliff.core.choices import Field, Option, Section
from yardcliff.core.exact import Fraction
from yardcliff.core.families.family import Family, Fitness, Hangs, of_grips, row_for
from yardcliff.core.families.joinery import BITE, meet, screwed
from yardcliff.core.families.shared import Body, assemble, ground
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.geometry import across
from yardcliff.core.holders import clip as clips
from yardcliff.core.holders.fitting import Fitting, held_at
from yardcliff.core.holders.hole import LEAST_WOOD, bored
from yardcliff.core.holders.hook import pilot_bit
from yardcliff.core.item import Item
from yardcliff.core.length import Gap, Size, TapeName, exact_text
from yardcliff.core.look import hanging
from yardcliff.core.materials import Ware, screws
from yardcliff.core.model import Frozen
from yardcliff.core.rack import Face, Hold, Joint, Kind, Operation, Part, Place, Rack, Seat, drill
from yardcliff.core.row import Row
from yardcliff.core.rows import Standing
from yardcliff.core.things import Thing
from yardcliff.core.working import Figure, Input

CATCH = Fraction(30)
"""How far the shortest shaft stands above the rail at least, mm: rule of thumb."""
STEADY = Fraction(1, 2)
"""A shaft that is clipped below this share of its length leans out: rule of thumb."""
OVER = Fraction(10)
"""Between a foot and the board that it is lifted over, and between a top and what is overhead, mm."""
STRAP = Fraction(35)
"""Beyond a ring for a strap's screw, between it and the rail's end, mm."""
LOOP = Fraction(120)
"""Of a strap beyond the outer rings, for a buckle and both screws, mm."""
FLOOR = Fraction(5)
"""Least wood under a foot hole, so that a shaft set down hard does not go through: rule of thumb."""
OF_EACH = ("clip.bore", "clip.mouth", "seat.plumb", "seat.offset")
"""Figures that each shaft with a ring of its own has."""
FOOT = 60.0
"""So far above its lowest point a thing is measured as the foot that stands in a hole, mm."""
LAP = Fraction(15)
"""The foot rail reaches over the foot board by this at least, mm: what takes a screw."""
UNDER = Fraction(400)
"""From screw to screw under the foot rail, mm: rule of thumb."""
ZERO = Fraction(0)


class Foot(Frozen):
    """The foot board: `top` above the floor, `off` the wall (by a skirting, say), with holes `deep` into its top."""

    top: Size = Fraction(120)
    depth: Size = Fraction(90)
    thickness: Size = Fraction(35)
    off: Gap = ZERO
    deep: Size = Fraction(20)
    play: Gap = Fraction(4)


class Clear(Frozen):
    """The room around: what is overhead at `above` the floor (a ceiling, a hatch), and what is free in `front`; whether
    a `strap` runs across.
    """

    above: Size = Fraction(2400)
    front: Size = Fraction(900)
    strap: Literal["none", "across"] = "none"


class UprightBrief(RackBrief):
    """`board` is the clip rail, `hung` the height of its middle."""

    family: Literal["upright"] = "upright"
    clip: clips.Clip = clips.Clip()
    foot: Foot = Foot()
    clear: Clear = Clear()

    def thing(self, item: Item) -> Thing:
        """A shaft stands in one clip, whatever else hangs from two hooks."""
        return replace(item.thing, takes="one", span=None)


def fitting(brief: UprightBrief) -> Fitting:
    """The clip for the thickest shaft on the brief's rail, and each other shaft's own, unless all are held alike; a
    strap takes its screws beyond the outer rings.
    """
    fitted = clips.fit(brief.clip, ground(brief), tuple(brief.kinds.values()))
    own = {
        kind: clips.fit(brief.clip, ground(brief), (item,))
        for kind, item in brief.kinds.items()
        if brief.clip.held is None and _shaft(brief, item) < _shaft(brief)
    }
    if own:
        through = [one for each in (fitted, *own.values()) for one in each.findings if one.code == "hook.through"]
        said = [one for one in fitted.findings if one.code != "hook.through"]
        worst = sorted(through, key=lambda one: Fraction(str(one.value)))[:1]
        held, *rest = fitted.figures
        held = replace(held, why="The thickest shaft: each has a ring of its own. Typed, all are held by one ring.")
        fitted = replace(fitted, own=own, figures=(held, *rest), findings=(*said, *worst))
    if brief.clear.strap == "none":
        return fitted
    return replace(
        fitted,
        end_distance=fitted.reach.right + STRAP,
        end_why="so that the strap's screws have wood beyond the outer rings",
    )


def build(brief: UprightBrief, fitted: Fitting, row: Row) -> Rack:
    """One clip rail, and the foot board below it under its own rail."""
    foot, board = brief.foot, brief.board
    rail = Part(
        "clip-rail", "Clip rail", ZERO, brief.hung - board.height / 2, ZERO, row.length, board.height,
        board.thickness, board.wood,
    )  # fmt: skip
    base = Part(
        "foot-board", "Foot board", ZERO, foot.top - foot.thickness, foot.off, row.length, foot.thickness, foot.depth,
        board.wood, "top",
    )  # fmt: skip
    feet = {kind: _foot(brief, fitted, kind) for kind in brief.kinds}
    back = Part(
        "foot-rail", "Foot rail", ZERO, foot.top, ZERO, row.length, board.height, max(board.thickness, foot.off + LAP),
        board.wood,
    )  # fmt: skip
    seats = tuple(
        Seat(base.key, 0, i, x, foot.depth - feet[thing.kind].offset, feet[thing.kind].bit, foot.deep)
        for i, (x, thing) in enumerate(zip(row.axes, row.things, strict=True))
    )
    boring = (
        drill(
            Kind.FOOT_HOLE,
            (Place(base.key, Face.TOP, one.along, one.across, one.row, one.holder) for one in seats if one.bit == bit),
            bit,
            "Clamp it to the clip rail, ends flush, and mark both boards across in one go.",
            deep=foot.deep,
            left=foot.thickness - foot.deep,
            stop="depth stop",
            tool=tool,
        )
        for bit, tool in dict.fromkeys((feet[thing.kind].bit, feet[thing.kind].tool) for thing in row.things)
    )
    body = Body(
        "upright",
        (rail, base, back),
        ((rail.key, board.height / 2),),
        (Joint(base.key, back.key, Hold.SCREWS),),
        machining=(*boring, *_under(base, back), *_strap(brief, fitted, rail, row)),
        figures=(*_figures(brief, fitted, feet), *_own_figures(brief, fitted, feet), *_room(brief, fitted, row)),
        findings=(*_findings(brief, tuple(feet.values())), *_in_the_way(brief, fitted)),
        cautions=()
        if brief.clear.strap == "across"
        else ("Long shafts topple where children reach or the floor shakes: add a strap across the clips.",),
        seats=seats,
        standing_at=foot.top - foot.deep,
    )
    return assemble(brief, fitted, (Standing(row, ZERO, ZERO),), ZERO, body)


def _under(base: Part, back: Part) -> tuple[Operation, ...]:
    """The screws that hold the foot board under its rail: no screw goes to the wall through the depth of a board."""
    many = max(2, ceil(base.length / UNDER) + 1)
    backs = f"its back {exact_text(base.z)} in front of the rail's" if base.z else "both backs flush"
    notes = "From below, clear of the foot holes; countersink.", f"Up into the rail, glued, with {backs}."
    return screwed([meet(base, back, many)], BITE, notes)


def _shaft(brief: UprightBrief, *items: Item) -> Fraction:
    """How thick the thickest shaft, of all or of these, is where it is clipped; its foot is taken to be as thick."""
    return held_at(brief.clip.held, items or brief.kinds.values())


@dataclass(frozen=True, slots=True)
class Stands:
    """How a shaft's foot stands: how far it is off the wall and off the foot board's back edge, and what bores its hole."""

    plumb: Fraction
    offset: Fraction
    bit: Fraction
    tool: str


def _foot(brief: UprightBrief, fitted: Fitting, kind: str) -> Stands:
    """The foot of a kind of shaft, as far off the wall as its ring holds it; its hole is the shaft and play."""
    clip = fitted.own.get(kind, fitted)
    plumb = brief.board.thickness + clip.glyph.out / 2
    shaft = _shaft(brief, brief.kinds[kind]) if kind in fitted.own else _shaft(brief)
    return Stands(plumb, plumb - brief.foot.off, *bored(shaft + brief.foot.play))


def _lengths(brief: UprightBrief) -> tuple[Item, Item]:
    """The shortest and the longest thing, foot to top."""
    items = list(brief.kinds.values())
    return min(items, key=_length), max(items, key=_length)


def _length(item: Item) -> Fraction:
    return item.above + item.below


def _least(brief: UprightBrief) -> Fraction:
    """The least height of the rail: where it holds the longest, and clears the foot board."""
    _, long = _lengths(brief)
    foot = brief.foot
    return max(foot.top - foot.deep + _length(long) * STEADY, foot.top + brief.board.height * 3 / 2)


def _own_figures(brief: UprightBrief, fitted: Fitting, feet: Mapping[str, Stands]) -> Iterator[Figure]:
    """Ring and foot hole of each shaft that has its own."""
    for k, (kind, clip) in enumerate(fitted.own.items(), 2):
        name = brief.kinds[kind].name
        for figure in (*clip.figures, *_of_a_foot(brief, clip, feet[kind])):
            if figure.key in OF_EACH:
                yield replace(figure, key=f"{figure.key}.{k}", label=f"{figure.label}: {name}")


def _of_a_foot(brief: UprightBrief, clip: Fitting, foot: Stands) -> tuple[Figure, ...]:
    return (
        Figure(
            "seat.plumb",
            "Shaft off the wall",
            foot.plumb,
            "t + r",
            (Input("t", "rail", brief.board.thickness), Input("r", "half a ring", clip.glyph.out / 2)),
            "At the clip; the foot has to stand off as far, or the shaft leans.",
        ),
        Figure(
            "seat.offset",
            "Foot hole from the back edge",
            foot.offset,
            "q − o",
            (Input("q", "shaft off the wall", foot.plumb), Input("o", "foot board off the wall", brief.foot.off)),
            "A skirting that pushes the foot board out comes off this.",
        ),
    )


def _figures(brief: UprightBrief, fitted: Fitting, feet: Mapping[str, Stands]) -> tuple[Figure, ...]:
    foot = brief.foot
    short, long = _lengths(brief)
    stands = Input("f", "foot stands at", foot.top - foot.deep)
    main = next(one for kind, one in feet.items() if kind not in fitted.own)
    return (
        *_of_a_foot(brief, fitted, main),
        Figure(
            "upright.most",
            "Rail at most",
            foot.top - foot.deep + _length(short) - CATCH,
            "f + l − g",
            (stands, Input("l", f"shortest: {short.name}", _length(short)), Input("g", "to spare", CATCH)),
            "Higher, and the shortest is not caught.",
        ),
        Figure(
            "upright.least",
            "Rail at least",
            _least(brief),
            "max(f + l · s, u + 3 · w / 2)",
            (
                stands,
                Input("l", f"longest: {long.name}", _length(long)),
                Input("s", "share", f"{float(STEADY):g}"),
                Input("u", "foot board's top", foot.top),
                Input("w", "each rail", brief.board.height),
            ),
            "Lower, and the longest leans out.",
        ),
    )


def _strap(brief: UprightBrief, fitted: Fitting, rail: Part, row: Row) -> Iterator[Operation]:
    """What holds a strap across the clips."""
    if brief.clear.strap == "across":
        left = brief.board.thickness * 2 / 5
        deep = brief.board.thickness - left
        yield drill(
            Kind.PILOT,
            (
                Place(rail.key, Face.FRONT, x, rail.height / 2)
                for x in (row.axes[0] - fitted.reach.left - STRAP / 2, row.axes[-1] + fitted.reach.right + STRAP / 2)
            ),
            pilot_bit("4.0", brief.board.wood),
            "One beyond each outer ring, half-way up, for the strap's screws and washers.",
            deep=deep,
            left=left,
            takes=(Ware("strap", "webbing strap with buckle", 1), screws("4.0", deep, 2)),
        )


def _swing(brief: UprightBrief, fitted: Fitting) -> Fraction:
    """How far the longest shaft's top leans out once it is free of its clip, its foot still in its hole, mm."""
    _, long = _lengths(brief)
    high = brief.hung - (brief.foot.top - brief.foot.deep)
    return _length(long) * fitted.glyph.out / max(high, fitted.glyph.out)


def _overhead(brief: UprightBrief) -> Fraction:
    """How high the longest reaches as it is lifted over its foot board, mm."""
    return brief.foot.top + _length(_lengths(brief)[1]) + OVER


def _room(brief: UprightBrief, fitted: Fitting, row: Row) -> Iterator[Figure]:
    _, long = _lengths(brief)
    longest, ring = Input("l", f"longest: {long.name}", _length(long)), Input("r", "ring", fitted.glyph.out)
    stands = Input("f", "foot stands at", brief.foot.top - brief.foot.deep)
    yield Figure("upright.over", "Lifted out, reaches to", _overhead(brief), "u + l + v",
                 (Input("u", "foot board's top", brief.foot.top), longest, Input("v", "to spare", OVER)),
                 "A ceiling or a hatch lower than this, and the longest does not come out.")  # fmt: skip
    yield Figure("upright.swing", "Swings out", _swing(brief, fitted), "l · r / max(h − f, r)",
                 (longest, ring, Input("h", "clips", brief.hung), stands),
                 "Its top, when it is pulled just free of its clip.")  # fmt: skip
    if brief.clear.strap == "across":
        span = row.axes[-1] - row.axes[0]
        yield Figure("upright.strap", "Cut the strap", span + fitted.glyph.width + 2 * LOOP, "s + r + 2 · e",
                     (Input("s", "first to last clip", span), Input("r", "ring", fitted.glyph.width), Input("e", "each end", LOOP)),
                     "Flat across the rings, a buckle at one end.")  # fmt: skip


def _in_the_way(brief: UprightBrief, fitted: Fitting) -> Iterator[Finding]:
    _, long = _lengths(brief)
    over = _overhead(brief)
    if over > brief.clear.above:
        higher = exact_text(over)
        least = brief.foot.thickness
        lower = brief.foot.top - (over - brief.clear.above)
        low = (
            (Fix(f"Foot board at {exact_text(lower)}", {"foot": {"top": exact_text(lower)}}),) if lower >= least else ()
        )
        yield Finding(
            "upright.over", long.name.capitalize(), f"The {long.plural} do not come out of their holes under what is overhead.",
            "lifted out, reaches to", over, brief.clear.above,
            fixes=(*low, Fix(f"Overhead at {higher}", {"clear": {"above": higher}})),
        )  # fmt: skip
    swing = _swing(brief, fitted) + brief.board.thickness
    if swing > brief.clear.front:
        more = exact_text(Fraction(ceil(swing)))
        yield Finding(
            "upright.swing", long.name.capitalize(), f"The {long.plural} swing out further than there is room in front.",
            "swings out", swing, brief.clear.front, fixes=(Fix(f"{more} are free", {"clear": {"front": more}}),),
        )  # fmt: skip


def _findings(brief: UprightBrief, feet: Sequence[Stands]) -> Iterator[Finding]:
    foot, bit = brief.foot, max(one.bit for one in feet)
    short, long = _lengths(brief)
    stands = foot.top - foot.deep
    most, least = stands + _length(short) - CATCH, _least(brief)
    if brief.hung > most > 0:
        yield Finding(
            "upright.short",
            short.name.capitalize(),
            f"The {short.plural} end below the clips, or hardly above them.",
            "rail's height",
            brief.hung,
            most,
            fixes=(Fix(f"Hang at {exact_text(most)}", {"hung": exact_text(most)}),),
        )
    if brief.hung < least:
        yield Finding(
            "upright.low",
            long.name.capitalize(),
            f"The {long.plural} are held below the middle and lean out, or the boards meet.",
            "rail's height",
            brief.hung,
            least,
            fixes=(Fix(f"Hang at {exact_text(least)}", {"hung": exact_text(least)}),),
        )
    if brief.place.who == "child" and brief.clear.strap == "none":
        yield Finding(
            "upright.child", long.name.capitalize(), "Where children pull at it, what stands loose in clips comes down on them.",
            "strap", "none", "across", fixes=(Fix("A strap across", {"clear": {"strap": "across"}}),),
        )  # fmt: skip
    asked = _shaft(brief) + foot.play
    if bit < asked:
        yield Finding(
            "hole.size",
            "Foot board",
            "No bit or hole saw of the table makes a hole that the foot goes into.",
            "foot hole",
            asked,
            bit,
            fixes=(Fix(f"Shafts of {exact_text(bit)}", {"clip": {"held": exact_text(bit)}, "foot": {"play": "0 mm"}}),),
        )
    left = foot.thickness - foot.deep
    if left < FLOOR:
        shallow, thick_enough = exact_text(foot.thickness - FLOOR), exact_text(foot.deep + FLOOR)
        shallower = Fix(f"Holes {shallow} deep", {"foot": {"deep": shallow}})
        thicker = Fix(f"Foot board {thick_enough} thick", {"foot": {"thickness": thick_enough}})
        yield Finding(
            "upright.through",
            "Foot board",
            "The foot holes leave too little under the shafts.",
            "wood under the hole",
            left,
            FLOOR,
            fixes=(shallower, thicker) if foot.thickness > FLOOR else (thicker,),
        )
    if foot.top < foot.thickness:
        up = exact_text(foot.thickness)
        yield Finding(
            "upright.floor",
            "Foot board",
            "The foot board reaches below the floor.",
            "its top above the floor",
            foot.top,
            foot.thickness,
            fixes=(Fix(f"Its top at {up}", {"foot": {"top": up}}),),
        )
    behind = min(one.offset - one.bit / 2 for one in feet)
    before = min(foot.depth - one.offset - one.bit / 2 for one in feet)
    if min(behind, before) < LEAST_WOOD:
        # A thicker rail brings the shaft, and so the hole, further from the wall.
        more = max(ZERO, LEAST_WOOD - behind)
        thick = brief.board.thickness + more
        deep = max(foot.depth, *(one.offset + more + one.bit / 2 + LEAST_WOOD for one in feet))
        changes = [("clip rail", "thick", "board", "thickness", thick)] if more else []
        changes += [("foot board", "wide", "foot", "depth", deep)] if deep > foot.depth else []
        yield Finding(
            "upright.foot",
            "Foot board",
            "Too little wood is left beside the foot holes.",
            "wood beside the hole",
            min(behind, before),
            LEAST_WOOD,
            fixes=(
                Fix(
                    " and ".join(f"{name} {exact_text(to)} {way}" for name, way, _, _, to in changes).capitalize(),
                    {part: {field: exact_text(to)} for _, _, part, field, to in changes},
                ),
            ),
        )


def start(hangs: Hangs, tape: TapeName) -> UprightBrief:
    """A rail at two thirds of the longest, or as high as the shortest allows."""
    first = UprightBrief.model_validate(
        row_for(hangs, tape) | {"board": {"height": Fraction(70), "thickness": Fraction(35)}}
    )
    short, long = _lengths(first)
    stands = first.foot.top - first.foot.deep
    height = min(_length(short) - CATCH, _length(long) * 2 / 3)
    fitted = fitting(first)
    feet = [_foot(first, fitted, kind) for kind in first.kinds]
    deep = -(-max(one.offset + one.bit / 2 + LEAST_WOOD for one in feet) // 10) * 10
    foot = first.foot.changed({"depth": max(first.foot.depth, deep)})
    return first.changed({"hung": stands + height // 10 * 10, "foot": foot})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Shafts, measured where the clip takes them."""
    if any(item.held is None for item in items):
        return Fitness(0, "No shaft to clip.")
    if any(item.below < 600 for item in items):
        return Fitness(0, "Too short to stand.")
    if any(_foot_wide(item) > 2.5 * float(item.held or 0) for item in items):
        return Fitness(0, "It widens at its foot: no foot hole takes that.")
    return of_grips(
        items,
        ("shaft",),
        "They stand plumb in a foot board and snap into clips: nothing carries their weight.",
        "Whatever has a long, straight shaft can stand in clips.",
    )


def _foot_wide(item: Item) -> float:
    """How wide an item's outline is where it would stand in its hole, mm."""
    body = (across(path, FOOT - float(item.below)) for path in hanging(item).body)
    return max((b - a for spans in body for a, b in spans), default=0.0)


def choices(brief: UprightBrief) -> tuple[Section, ...]:
    """What an upright rail alone is asked."""
    ways = range(2, len(fitting(brief).own) + 2)
    rings, holes = ([f"{key}.{k}" for k in ways for key in OF_EACH if key.startswith(of)] for of in ("clip", "seat"))
    return (
        Section(
            "Clips",
            (
                Field("clip.held", "shaft", figure="held"),
                Field("clip.play", "play"),
                Field("clip.screw", "screw"),
            ),
            ("clip.bore", "clip.mouth", *rings, "clip.length", "upright.most", "upright.least"),
        ),
        Section(
            "Foot board",
            (
                Field("foot.top", "top at"),
                Field("foot.off", "off wall"),
                Field("foot.depth", "wide"),
                Field("foot.thickness", "thick"),
                Field("foot.deep", "holes"),
                Field("foot.play", "play"),
            ),
            ("seat.offset", "seat.plumb", *holes),
        ),
        Section(
            "Room around",
            (
                Field("clear.above", "overhead at"),
                Field("clear.front", "in front"),
                Field(
                    "clear.strap",
                    "strap",
                    (
                        Option("none", "none", "The clips alone hold: for light shafts out of children's reach."),
                        Option(
                            "across", "across the clips", "A strap with a buckle: nothing topples when it is brushed."
                        ),
                    ),
                ),
            ),
            ("upright.over", "upright.swing", *(("upright.strap",) if brief.clear.strap == "across" else ())),
        ),
    )


FAMILY = Family(
    "upright",
    "Upright rail",
    "Clips above a foot board with holes, for long shafts.",
    UprightBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
