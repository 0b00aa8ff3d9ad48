"""Putting a rack up: the order of hands, the holes from a corner and from the floor, tools and
bits, and what to look out for.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.materials.goods import Ware
from yardcliff.core.materials.sold import HOLDS, gauge_text
from yardcliff.core.rack import Rack
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.weights import GRAVITY, weight_text
from yardcliff.core.wall.anchors import BACKS
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.fixing_steps import Step, WallHole, called, hung, screwed
from yardcliff.core.wall.hanging import OnWall
from yardcliff.core.wall.mount_work import spacer_brads
from yardcliff.core.wall.options import BYS
from yardcliff.core.wall.strips import strip_screw, strip_size
from yardcliff.core.wall.survey import Area, around
from yardcliff.core.workshop.caution import cautions
from yardcliff.core.workshop.shop import tool_name
from yardcliff.messages import tr

TWO_PEOPLE = 12.0
"""What one person holds against a wall with one hand and a level in the other, kg: rule of thumb.
"""
LONG, STEP = Fraction(1500), Fraction(1700)
"""From these on it wants two people, or something to stand on, mm."""
OVERHEAD, HEAVY_G = Fraction(1700), 5000
"""What hangs or stands so high, mm, and is so heavy, g, falls on heads."""
PROFESSIONAL = 60.0
"""From this weight on somebody who knows the building should look at it, kg."""


@dataclass(frozen=True, slots=True)
class PutUp:
    holes: tuple[WallHole, ...]
    steps: tuple[Step, ...]
    tools: tuple[str, ...]
    hardware: tuple[str, ...]
    cautions: tuple[str, ...]

    @property
    def at_hand(self) -> tuple[str, ...]:
        """All that has to lie ready."""
        return (*self.tools, *self.hardware)


def put_up(rack: Rack, on: OnWall, tape: Tape) -> PutUp:
    """How to put it up; nothing where no wall is known."""
    if on.site is None:
        return PutUp((), (), (), (), ())
    holes = tuple(_holes(on))
    return PutUp(
        holes,
        tuple(_steps(rack, on, holes, tape)),
        tuple(_tools(rack, on, tape)),
        tuple(_hardware(on)),
        tuple(_cautions(rack, on, tape)),
    )


def clearing(on: OnWall) -> Step | None:
    """What has to come off the wall behind it first, if anything."""
    if on.site is None:
        return None
    box = around(area.moved(on.spot.x) for area in on.areas)
    old = [
        old_fixing
        for old_fixing in on.site.wall.old
        if Area(old_fixing.x, old_fixing.y, old_fixing.x + 1, old_fixing.y + 1).meets(box)
    ]
    if not old:
        return None
    return Step(
        tr("wall.take-out-old-fixing-behind-fill", n=len(old)),
        tr("wall.rack-covers-place-new-hole-near"),
    )


def _holes(on: OnWall) -> Iterator[WallHole]:
    number = 0
    for fixing in on.fixed:
        for screw in sorted(fixing.screws, key=lambda s: (-s.y, s.x)):
            number += 1
            into = _lining(on) if screw.stud is None else tr("wall.stud", stud=screw.stud + 1)
            yield WallHole(number, fixing.body.name, on.spot.x + screw.x, screw.y, into)


def _lining(on: OnWall) -> str:
    assert on.site
    return tr(
        {"masonry": "wall.masonry", "planked": "wall.planks"}.get(
            on.site.wall.makeup, "wall.lining"
        )
    )


def _steps(rack: Rack, on: OnWall, holes: Sequence[WallHole], tape: Tape) -> Iterator[Step]:
    assert on.site
    write = tape.write
    first = clearing(on)
    if first:
        yield first
    yield Step(
        tr("wall.sweep-wall-with-detector-where-holes"),
        tr("wall.cables-pipes-not-always-where-they"),
    )
    if on.site.wall.assumed and any(
        screw.stud is not None for one in on.fixed for screw in one.screws
    ):
        yield Step(on.site.wall.assumed, tr("wall.with-magnet-knock-or-thin-drill"))
    at, before = 0, None
    for fixing in on.fixed:
        mine = holes[at : at + len(fixing.screws)]
        at += len(mine)
        if mine:
            yield from _of_one(fixing, mine, tape, before)
            before = mine[0]
    if any(fixing.by == "plates" for fixing in on.fixed):
        yield Step(
            tr("wall.hang-your-weight-on-board-with"),
            tr("wall.under-plate-nobody-sees-again-whether"),
        )
    elif any(fixing.by == "plugged" for fixing in on.fixed):
        yield Step(tr("wall.pull-at-then-glue-plugs-in"), tr("wall.plug-drilled-out-only-once"))
    else:
        yield Step(tr("wall.pull-at-with-both-hands-before"), tr("wall.better-it-gives-now"))
    top = max(wall_hole.y for wall_hole in holes) if holes else rack.rows[0].y
    yield Step(
        tr("wall.hang-heaviest-things-where-screws-look", top=write(top)),
        tr("wall.wood-lining-settle-under-load"),
    )


def _of_one(
    fixing: Fixed, holes: Sequence[WallHole], tape: Tape, before: WallHole | None
) -> Iterator[Step]:
    """A body in place: what goes on its back, then what goes on the wall, then what is hooked or
    screwed to that. `before` is the first hole of the body that hangs already.
    """
    name = called(fixing)
    if fixing.by == "cleat" and fixing.joined:
        yield Step(
            tr(
                "wall.screw-cleats-upper-half-back-its",
                name=name,
                count=fixing.joined.count,
                gauge=gauge_text(HOLDS.of(fixing.sizes)),
                length=tape.write_fine(fixing.joined.length),
            )
        )
    if fixing.spacer:
        pins = spacer_brads(fixing)
        yield Step(
            tr("wall.glue-pin-spacer-back-along-its", name=name, count=pins.count, ware=pins.name),
            tr("wall.without-rack-turns-about-strip-pulls"),
        )
    if fixing.by in BACKS:
        yield Step(tr("wall.set-on-back", bys=tr(BYS[fixing.by][0]), name=name), at_the_bench=True)
    if fixing.by in ("keyholes", "hangers"):
        yield from hung(fixing, holes, tape, before)
        return
    yield from screwed(fixing, holes, tape, before)
    if fixing.by == "cleat":
        yield Step(tr("wall.hook-onto-cleat-let-settle", name=name))
    if fixing.by == "batten" and fixing.joined:
        yield Step(
            tr(
                "wall.screw-wall-batten-through-its-hole",
                name=name,
                n=fixing.joined.count,
                gauge=gauge_text(HOLDS.of(fixing.sizes)),
                length=tape.write_fine(fixing.joined.length),
                pilot=tape.write_fine(strip_screw(fixing.sizes)["softwood"]),
            ),
            tr(
                "wall.batten-thick-carries-wall",
                batten=tape.write_fine(strip_size("batten", fixing.sizes)[0]),
            ),
        )


def _tools(rack: Rack, on: OnWall, tape: Tape) -> Iterator[str]:
    yield tr("wall.tape-pencil-level") + (tr("wall.and-plumb-line") if rack.up else "")
    yield tr("wall.cable-and-pipe-detector")
    seen = dict.fromkeys(fixing.anchor for fixing in on.fixed)
    yield from dict.fromkeys(tool_name(tool) for anchor in seen for tool in anchor.tools)
    for fixing in {fixing.anchor.key: fixing for fixing in on.fixed}.values():
        if fixing.anchor.bit is not None:
            yield tr("wall.bit-for-the-wall", bit=tape.write_fine(fixing.anchor.bit))
        if fixing.by in ("through", "plates", "items", "plugged"):
            yield tr(
                "wall.bit-for-the-wood-countersink", clear=tape.write_fine(fixing.anchor.clear)
            )
    if any(fixing.joined for fixing in on.fixed):
        screw = strip_screw(tape.sizes)
        yield tr(
            "wall.bits-for-screws-through-wood",
            clear=tape.write_fine(screw["clear"]),
            pilot=tape.write_fine(screw["softwood"]),
        )


def _hardware(on: OnWall) -> Iterator[str]:
    """What holds it, called as on the shopping list."""
    many = Counter[str]()
    for operation in on.machining:
        for take in operation.takes:
            if isinstance(take, Ware):
                many[take.name] += take.count
    for name, count in many.items():
        yield tr("wall.so-many", count=count, name=name)


def overhead(rack: Rack) -> bool:
    """Whether something heavy hangs over heads, or is lifted up there."""
    return any(
        hung.y > OVERHEAD and rack.kinds[hung.kind].heaviest_g >= HEAVY_G
        for hung in rack.hung
        if not hung.spare
    ) or any(part.bears_g >= HEAVY_G and part.y > OVERHEAD for part in rack.parts)


def _cautions(rack: Rack, on: OnWall, tape: Tape) -> Iterator[str]:
    assert on.site
    yield from cautions("wall", (on.site.wall.makeup,))
    weight = sum(load.weight for fixing in on.fixed for load in fixing.on) / GRAVITY
    boards = (
        sum(load.weight for fixing in on.fixed for load in fixing.on if not load.thing) / GRAVITY
    )
    longest = max(max(part.length, part.height) for part in rack.parts)
    top = max((screw.y for fixing in on.fixed for screw in fixing.screws), default=Fraction(0))
    if top > STEP:
        yield from cautions("high")
    if boards > TWO_PEOPLE or longest > LONG:
        yield tr("wall.two-people-one-holds-level-other")
    yield from cautions("children")
    if overhead(rack):
        yield from cautions("overhead")
    if weight > PROFESSIONAL:
        yield tr("wall.kg-rule-thumb-does-not-do", weight=weight_text(weight * 1000, tape.trade))
    elif on.site.wall.makeup == "masonry":
        yield tr("wall.hollow-blocks-crumbling-joints-hold-less")
