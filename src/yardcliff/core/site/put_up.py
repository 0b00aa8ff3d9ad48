"""Putting a rack up: the order of hands, the holes from a corner and from the floor, tools and bits, and what to look
out for.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.cautions import cautions
from yardcliff.core.exact import Fraction
from yardcliff.core.length import Tape
from yardcliff.core.rack import Rack
from yardcliff.core.site.anchors import BACKS, HOLLOW
from yardcliff.core.site.fixing import Fixed
from yardcliff.core.site.on_wall import OnWall
from yardcliff.core.site.options import BYS
from yardcliff.core.site.strips import BATTEN, CLEAR, PILOT
from yardcliff.core.site.survey import Area, around
from yardcliff.core.strength.force import GRAVITY

TWO_PEOPLE = 12.0
"""What one person holds against a wall with one hand and a level in the other, kg: rule of thumb."""
LONG, STEP = Fraction(1500), Fraction(1700)
"""From these on it wants two people, or something to stand on, mm."""
DUST = Fraction(10)
"""A hole in masonry is so much deeper than its screw, mm: dust stays in it."""
OVERHEAD, HEAVY_G = Fraction(1700), 5000
"""What hangs or stands so high, mm, and is so heavy, g, falls on heads."""
PROFESSIONAL = 60.0
"""From this weight on somebody who knows the building should look at it, kg."""


@dataclass(frozen=True, slots=True)
class WallHole:
    """A hole in the wall: how far from the left corner and from the floor, and what it meets."""

    number: int
    body: str
    x: Fraction
    y: Fraction
    into: str


@dataclass(frozen=True, slots=True)
class Step:
    """One thing to do, and why it comes here."""

    do: str
    why: str = ""


@dataclass(frozen=True, slots=True)
class PutUp:
    holes: tuple[WallHole, ...]
    steps: tuple[Step, ...]
    tools: tuple[str, ...]
    cautions: tuple[str, ...]


def put_up(rack: Rack, on: OnWall, tape: Tape) -> PutUp:
    """How to put it up; nothing where no wall is known."""
    if on.site is None:
        return PutUp((), (), (), ())
    holes = tuple(_holes(on))
    return PutUp(holes, tuple(_steps(rack, on, holes, tape)), tuple(_tools(rack, on, tape)), tuple(_cautions(rack, on)))


def clearing(on: OnWall) -> Step | None:
    """What has to come off the wall behind it first, if anything."""
    if on.site is None:
        return None
    box = around(one.moved(on.spot.x) for one in on.areas)
    old = [one for one in on.site.wall.old if Area(one.x, one.y, one.x + 1, one.y + 1).meets(box)]
    if not old:
        return None
    return Step(
        f"Take out {len(old)} old fixing{'s' * (len(old) != 1)} behind it, fill and let dry.",
        "The rack covers the place, and a new hole near an old one breaks into it.",
    )


def _holes(on: OnWall) -> Iterator[WallHole]:
    number = 0
    for one in on.fixed:
        for screw in sorted(one.screws, key=lambda s: (-s.y, s.x)):
            number += 1
            into = _lining(on) if screw.stud is None else f"stud {screw.stud + 1}"
            yield WallHole(number, one.body.name, on.spot.x + screw.x, screw.y, into)


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
        "Sweep the wall with a detector where the holes come.", "Cables and pipes are not always where they should be."
    )
    for k, one in enumerate(on.fixed):
        mine = [hole for hole in holes if hole.body == one.body.name]
        if mine:
            yield from _of_one(one, mine, tape, again=k > 0)
    if any(one.by == "plates" for one in on.fixed):
        yield Step("Hang your weight on the board with both hands, then screw the hooks on over the screws.",
                   "Under a plate nobody sees again whether it holds.")  # fmt: skip
    elif any(one.by == "plugged" for one in on.fixed):
        yield Step(
            "Pull at it, then glue the plugs in, grain with the board's, and pare them flush.",
            "A plug is drilled out only once.",
        )
    else:
        yield Step("Pull at it with both hands before anything hangs on it.", "Better it gives now.")
    top = max(one.y for one in holes) if holes else rack.rows[0].y
    yield Step(f"Hang the heaviest things where the screws are, and look again after a week; the top screw is {write(top)} up.",
               "Wood and lining settle under a load.")  # fmt: skip


def _of_one(one: Fixed, holes: Sequence[WallHole], tape: Tape, *, again: bool) -> Iterator[Step]:
    """A body in place: with one screw first, level or plumb, and the rest."""
    write = tape.write
    first, last = holes[0], max(holes, key=lambda hole: (hole.x, hole.y))
    name = one.body.name.lower()
    drill = _drill(one, tape)
    on_wall = {"batten": "batten", "cleat": "cleat's lower half"}.get(one.by, name)
    if one.by == "cleat" and one.joined:
        yield Step(
            f"Screw the cleat's upper half to the back of the {name}, its bevel down: {one.joined.count} screws of 5 mm, {tape.write_fine(one.joined.length)} long."
        )
    if one.spacer:
        yield Step(
            f"Glue and pin the spacer to the back of the {name}, along its lower edge.",
            "Without it the rack turns about the strip, and pulls far harder at its screws.",
        )
    if one.by in BACKS:
        yield Step(f"Set the {BYS[one.by][0]} on the back of the {name}.")
    upright = all(part.height > part.length for part in one.body.grounds)
    if one.by in ("keyholes", "hangers"):
        yield Step(f"Mark hole {first.number}: {write(first.x)} from the left corner, {write(first.y)} up; then the others along a level.",
                   "All plates have to bear at once.")  # fmt: skip
        yield Step(f"{drill} Leave the heads standing out by the plate's thickness, and slide the {name} on.")
        return
    yield Step(
        f"Screw {first.number} first: {write(first.x)} from the left corner, {write(first.y)} from the floor. {drill}",
        f"One screw, not tight: the {on_wall} can still turn on it." if not again else "",
    )
    if upright:
        yield Step(
            f"Plumb the {name} with a level along its edge, mark through the lowest hole.",
            "What stands out of plumb shows from the door.",
        )
    elif len(holes) > 1:
        yield Step(f"Lay a level on the {on_wall}, bring it true, and mark through hole {last.number}, at {write(last.x)} and {write(last.y)}.",
                   "Level by the bubble, not by the floor: floors are seldom level.")  # fmt: skip
    if not one.anchor.in_studs and one.anchor.key != "sheet":
        yield Step(
            f"Take the {on_wall} down; set the {one.anchor.name.split(',')[0]} in every hole.",
            "They do not go in through the wood.",
        )
    yield Step(
        f"Drive the last screw, {last.number}; check the level; then those between."
        if len(holes) > 1
        else "Check it, and drive it home."
    )
    if one.by == "cleat":
        yield Step(f"Hook the {name} onto the cleat and let it settle.")
    if one.by == "batten" and one.joined:
        yield Step(
            f"Screw the {name} to the batten through its {one.joined.count} holes: 5 mm screws, {tape.write_fine(one.joined.length)} long, a {tape.write_fine(PILOT)} pilot first.",
            f"The batten, {tape.write_fine(BATTEN[0])} thick, carries it to the wall.",
        )


def _drill(one: Fixed, tape: Tape) -> str:
    if one.anchor.bit is None:
        return "No hole first: it cuts its own."
    bit = tape.write_fine(one.anchor.bit)
    if one.anchor.key in HOLLOW:
        return f"Drill {bit}, through the lining."
    room = DUST if one.anchor.key == "plugs" else 0
    return f"Drill {bit}, {tape.write_fine(one.length - one.wood + room)} deep."


def _tools(rack: Rack, on: OnWall, tape: Tape) -> Iterator[str]:
    yield "tape, pencil, level" + (" and plumb line" if rack.up else "")
    yield "cable and pipe detector"
    seen = dict.fromkeys(one.anchor for one in on.fixed)
    yield from dict.fromkeys(tool for anchor in seen for tool in anchor.tools)
    for one in {each.anchor.key: each for each in on.fixed}.values():
        count = sum(len(each.screws) for each in on.fixed if each.anchor.key == one.anchor.key)
        yield f"{count} × {one.anchor.name}, {tape.write_fine(one.length)} long"
        if one.anchor.bit is not None:
            yield f"{tape.write_fine(one.anchor.bit)} bit for the wall"
        if one.by in ("through", "plates", "items", "plugged"):
            yield f"{tape.write_fine(one.anchor.clear)} bit for the wood, countersink"
    for joined in (one.joined for one in on.fixed if one.joined):
        yield f"{joined.count} × 5 mm wood screws, {tape.write_fine(joined.length)} long"
        yield f"{tape.write_fine(CLEAR)} and {tape.write_fine(PILOT)} bits for these"


def overhead(rack: Rack) -> bool:
    """Whether something heavy hangs over heads, or is lifted up there."""
    return any(
        hung.y > OVERHEAD and rack.kinds[hung.kind].heaviest_g >= HEAVY_G for hung in rack.hung if not hung.spare
    ) or any(part.bears_g >= HEAVY_G and part.y > OVERHEAD for part in rack.parts)


def _cautions(rack: Rack, on: OnWall) -> Iterator[str]:
    assert on.site
    yield from cautions("wall", (on.site.wall.makeup,))
    weight = sum(load.weight for one in on.fixed for load in one.on) / GRAVITY
    boards = sum(load.weight for one in on.fixed for load in one.on if not load.thing) / GRAVITY
    longest = max(max(part.length, part.height) for part in rack.parts)
    top = max((screw.y for one in on.fixed for screw in one.screws), default=Fraction(0))
    if top > STEP:
        yield from cautions("high")
    if boards > TWO_PEOPLE or longest > LONG:
        yield "Two people: one holds it level, the other drills."
    yield from cautions("children")
    if overhead(rack):
        yield from cautions("overhead")
    if weight > PROFESSIONAL:
        yield f"{weight:.0f} kg: a rule of thumb does not do for that. Let a building professional look at the wall."
    elif on.site.wall.makeup == "masonry":
        yield "Hollow blocks and crumbling joints hold less than sound stone: if the bit falls through, ask a building professional."
