"""Putting a rack up: the order of hands, the holes from a corner and from the floor, tools and
bits, and what to look out for.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.rack import Rack
from yardcliff.core.strength.force import GRAVITY
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.wall.anchors import BACKS
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.fixing_steps import Step, WallHole, called, hung, screwed
from yardcliff.core.wall.hanging import OnWall
from yardcliff.core.wall.mount_work import spacer_brads
from yardcliff.core.wall.options import BYS
from yardcliff.core.wall.strips import BATTEN, CLEAR, PILOT
from yardcliff.core.wall.survey import Area, around
from yardcliff.core.workshop.caution import cautions

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
        tuple(_hardware(on, tape)),
        tuple(_cautions(rack, on)),
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
        f"Take out {len(old)} old fixing{'s' * (len(old) != 1)} behind it, fill and let dry.",
        "The rack covers the place, and a new hole near an old one breaks into it.",
    )


def _holes(on: OnWall) -> Iterator[WallHole]:
    number = 0
    for fixing in on.fixed:
        for screw in sorted(fixing.screws, key=lambda s: (-s.y, s.x)):
            number += 1
            into = _lining(on) if screw.stud is None else f"stud {screw.stud + 1}"
            yield WallHole(number, fixing.body.name, on.spot.x + screw.x, screw.y, into)


def _lining(on: OnWall) -> str:
    assert on.site
    return {"masonry": "masonry", "planked": "planks"}.get(on.site.wall.makeup, "lining")


def _steps(rack: Rack, on: OnWall, holes: Sequence[WallHole], tape: Tape) -> Iterator[Step]:
    assert on.site
    write = tape.write
    first = clearing(on)
    if first:
        yield first
    yield Step(
        "Sweep the wall with a detector where the holes come.",
        "Cables and pipes are not always where they should be.",
    )
    at, before = 0, None
    for fixing in on.fixed:
        mine = holes[at : at + len(fixing.screws)]
        at += len(mine)
        if mine:
            yield from _of_one(fixing, mine, tape, before)
            before = mine[0]
    if any(fixing.by == "plates" for fixing in on.fixed):
        yield Step(
            "Hang your weight on the board with both hands, then screw the hooks on over the"
            " screws.",
            "Under a plate nobody sees again whether it holds.",
        )
    elif any(fixing.by == "plugged" for fixing in on.fixed):
        yield Step(
            "Pull at it, then glue the plugs in, grain with the board's, and pare them flush.",
            "A plug is drilled out only once.",
        )
    else:
        yield Step(
            "Pull at it with both hands before anything hangs on it.", "Better it gives now."
        )
    top = max(wall_hole.y for wall_hole in holes) if holes else rack.rows[0].y
    yield Step(
        "Hang the heaviest things where the screws are, and look again after a week; the top screw"
        f" is {write(top)} up.",
        "Wood and lining settle under a load.",
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
            f"Screw the cleat's upper half to the back of the {name}, its bevel down:"
            f" {fixing.joined.count} screws of 5 mm, {tape.write_fine(fixing.joined.length)} long."
        )
    if fixing.spacer:
        pins = spacer_brads(fixing)
        yield Step(
            f"Glue and pin the spacer to the back of the {name}, along its lower edge: {pins.count}"
            f" × {pins.name}.",
            "Without it the rack turns about the strip, and pulls far harder at its screws.",
        )
    if fixing.by in BACKS:
        yield Step(f"Set the {BYS[fixing.by][0]} on the back of the {name}.", at_the_bench=True)
    if fixing.by in ("keyholes", "hangers"):
        yield from hung(fixing, holes, tape, before)
        return
    yield from screwed(fixing, holes, tape, before)
    if fixing.by == "cleat":
        yield Step(f"Hook the {name} onto the cleat and let it settle.")
    if fixing.by == "batten" and fixing.joined:
        yield Step(
            f"Screw the {name} to the wall batten through its {fixing.joined.count} "
            f"hole{'s' * (fixing.joined.count != 1)}: 5 mm screws, "
            f"{tape.write_fine(fixing.joined.length)} long, a {tape.write_fine(PILOT)} pilot"
            " first.",
            f"The batten, {tape.write_fine(BATTEN[0])} thick, carries it to the wall.",
        )


def _tools(rack: Rack, on: OnWall, tape: Tape) -> Iterator[str]:
    yield "tape, pencil, level" + (" and plumb line" if rack.up else "")
    yield "cable and pipe detector"
    seen = dict.fromkeys(fixing.anchor for fixing in on.fixed)
    yield from dict.fromkeys(tool for anchor in seen for tool in anchor.tools)
    for fixing in {fixing.anchor.key: fixing for fixing in on.fixed}.values():
        if fixing.anchor.bit is not None:
            yield f"{tape.write_fine(fixing.anchor.bit)} bit for the wall"
        if fixing.by in ("through", "plates", "items", "plugged"):
            yield f"{tape.write_fine(fixing.anchor.clear)} bit for the wood, countersink"
    if any(fixing.joined for fixing in on.fixed):
        yield (
            f"{tape.write_fine(CLEAR)} and {tape.write_fine(PILOT)} bits for the screws through the"
            " wood"
        )


def _hardware(on: OnWall, tape: Tape) -> Iterator[str]:
    for fixing in {fixing.anchor.key: fixing for fixing in on.fixed}.values():
        alike = [other for other in on.fixed if other.anchor.key == fixing.anchor.key]
        count = sum(len(other.screws) for other in alike)
        yield f"{count} × {fixing.anchor.name}, {tape.write_fine(fixing.length)} long"
    for joined in (fixing.joined for fixing in on.fixed if fixing.joined):
        yield f"{joined.count} × 5 mm wood screws, {tape.write_fine(joined.length)} long"


def overhead(rack: Rack) -> bool:
    """Whether something heavy hangs over heads, or is lifted up there."""
    return any(
        hung.y > OVERHEAD and rack.kinds[hung.kind].heaviest_g >= HEAVY_G
        for hung in rack.hung
        if not hung.spare
    ) or any(part.bears_g >= HEAVY_G and part.y > OVERHEAD for part in rack.parts)


def _cautions(rack: Rack, on: OnWall) -> Iterator[str]:
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
        yield "Two people: one holds it level, the other drills."
    yield from cautions("children")
    if overhead(rack):
        yield from cautions("overhead")
    if weight > PROFESSIONAL:
        yield (
            f"{weight:.0f} kg: a rule of thumb does not do for that. Let a building professional"
            " look at the wall."
        )
    elif on.site.wall.makeup == "masonry":
        yield (
            "Hollow blocks and crumbling joints hold less than sound stone: if the bit falls"
            " through, ask a building professional."
        )
