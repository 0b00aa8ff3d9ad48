"""Everything that is made is at a place: screws meet, wood and wall have the same holes, nothing is
done too early.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from itertools import combinations, cycle
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.metric import shipped_item, starting
from tests.strategies import VARIANTS, briefs, lengths
from tests.test_paper_of_families import of
from yardcliff.core.brief.building import Making
from yardcliff.core.design.change import amend
from yardcliff.core.design.machining import hole_tables
from yardcliff.core.design.rack_design import Design, design
from yardcliff.core.findings.finding import Severity
from yardcliff.core.making.sawing import MISSING
from yardcliff.core.making.sequence import edges, natural
from yardcliff.core.making.task import Task
from yardcliff.core.making.task_list import tasks
from yardcliff.core.materials.goods import Ware
from yardcliff.core.rack import HOLDER, Face, Hold, Hole, Kind, Part, Point
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wall.survey import Site
from yardcliff.core.wall.wall import Wall
from yardcliff.core.ways import FAMILIES, Brief
from yardcliff.core.wood.rack_timber import priced
from yardcliff.core.wood.stock import Stick, Supply
from yardcliff.core.wood.taking_off import takeoff
from yardcliff.core.workshop.shop import Shop
from yardcliff.exports.template_view import View

pytestmark = pytest.mark.slow

BYS = (
    "auto",
    "through",
    "plates",
    "items",
    "plugged",
    "keyholes",
    "hangers",
    "mirrors",
    "cleat",
    "batten",
)
SITE = Site("Wall", Wall(width=Fraction(30_000), height=Fraction(6000)))
WITHIN = {
    *(Kind.SCREW_HOLE, Kind.JOINT_PILOT, Kind.DOWEL_HOLE, Kind.DOWEL_ANSWER),
    *(Kind.WALL_HOLE, Kind.STRIP_HOLE, Kind.STRIP_PILOT),
}
"""What lies on its part whatever is asked: nobody types where it is."""
faces = st.sampled_from(Face)
n = Fraction


@st.composite
def boards(draw: st.DrawFn) -> Part:
    """A board that lies or stands, on edge or flat."""
    x, y, z = (draw(lengths(0, 900)) for _ in range(3))
    long, tall, deep = (draw(lengths(5, 900)) for _ in range(3))
    up = draw(st.booleans())
    return Part("a", "A", x, y, z, long, tall, deep, "softwood", upright=up, up=up)


@given(boards(), faces, lengths(0, 400), lengths(0, 400))
def test_a_place_on_a_face_is_a_point_of_the_wall_and_back(
    part: Part, face: Face, along: Fraction, across: Fraction
) -> None:
    point = part.at(face, along, across)
    assert part.on(face, point) == (along, across)
    # It lies in that face's plane, and the opposite face reads it from the same end and edge.
    low, size = part.low[face.axis], part.size[face.axis]
    assert point[face.axis] == (low + size if face in (Face.RIGHT, Face.TOP, Face.FRONT) else low)
    assert part.frame(face) == part.frame(face.opposite)
    assert part.on(face.opposite, point) == (along, across)


def test_a_face_is_read_as_it_lies_on_the_bench() -> None:
    rail = Part("r", "Rail", n(0), n(1400), n(0), n(900), n(100), n(21), "softwood")
    # 200 from the left end, 30 above the lower edge, on the front and through it on the back.
    assert rail.on(Face.FRONT, (n(200), n(1430), n(21))) == (200, 30)
    assert rail.on(Face.BACK, (n(200), n(1430), n(0))) == (200, 30)
    assert rail.on(Face.LEFT, (n(0), n(1430), n(5))) == (30, 5)
    assert [rail.called(face) for face in Face] == [
        "front",
        "back",
        "top edge",
        "bottom edge",
        "left end",
        "right end",
    ]
    side = Part(
        "s", "Side", n(0), n(100), n(0), n(18), n(700), n(120), "softwood", upright=True, up=True
    )
    # A side lies with its foot at the left and its front edge below.
    assert side.on(Face.RIGHT, (n(18), n(350), n(20))) == (250, 100)
    assert [side.called(face) for face in Face] == [
        "front edge",
        "back edge",
        "top end",
        "foot",
        "left face",
        "right face",
    ]
    # On the bench a post lies with its foot at the left, so that its right edge is below.
    post = Part(
        "p", "Post", n(100), n(100), n(0), n(70), n(900), n(45), "softwood", upright=True, up=True
    )
    assert post.on(Face.FRONT, (n(110), n(350), n(45))) == (250, 60)
    # Seen from behind, a rail has its datum end at the right and the same edge below.
    assert (View(rail, Face.FRONT).at(200, 30), View(rail, Face.BACK).at(200, 30)) == (
        (200, 30),
        (700, 30),
    )
    assert View(rail, Face.BACK).upper == "TOP"
    # Of a side's two faces one has its front edge below and one above: the foot is at the left of
    # both.
    assert {View(side, face).at(250, 100) for face in (Face.LEFT, Face.RIGHT)} == {
        (250, 100),
        (250, 20),
    }


NEEDS = {
    Hold.SCREWS: Kind.SCREW_HOLE,
    Hold.DOWELS: Kind.DOWEL_HOLE,
    Hold.NOTCH: Kind.LEDGE_DOWEL,
    Hold.GROOVE: Kind.DADO,
}
"""What is made where a joint is held so."""


def placed(brief: Brief, by: str) -> Design:
    return design(amend(brief, {"place": {"wall": "ab", "x": "4 m"}, "mount": {"by": by}}), SITE)


def world(done: Design, kind: Kind) -> list[Point]:
    """Where on the wall, in the rack's frame, what a kind of operation makes lies."""
    return [
        done.part(place.part).at(place.face, place.along, place.across)
        for one in done.machining
        if one.kind is kind
        for place in one.places
    ]


@given(briefs, st.sampled_from(BYS), st.sampled_from(["auto", "lags"]))
@cases(6)
def test_parts_have_names_of_their_own_and_a_bolt_s_head_is_never_countersunk(
    brief: Brief, by: str, into: str
) -> None:
    done = design(amend(placed(brief, by).brief, {"mount": {"into": into}}), SITE)
    assert len({part.name for part in done.parts}) == len(done.parts)
    strips = {part.key for part in done.on_wall.parts}
    for one in done.machining:
        if one.kind is Kind.WALL_HOLE and any(
            isinstance(take, Ware) and take.kind == "lag" for take in one.takes
        ):
            # On the board the head stands proud; in a strip that the board lies on it is sunk.
            assert one.head == ("counterbored" if set(one.parts) & strips else "washer")
            seats = [
                each
                for each in done.machining
                if each.kind is Kind.HEAD_SEAT and each.places == one.places
            ]
            assert bool(seats) == (one.head == "counterbored")
    if done.rack.seats:  # plumb only where clip and foot are as far off the wall
        assert len({each.strip is None for each in done.on_wall.fixed if each.screws}) <= 1


@given(briefs, st.sampled_from(BYS))
@cases(13)
def test_a_screw_is_one_line_through_both_parts_and_into_the_wall(brief: Brief, by: str) -> None:
    done = placed(brief, by)
    check_lines(done)
    check_clear(done)


@pytest.mark.parametrize(
    "variant", VARIANTS, ids=[f"{k} {one.get('family', 'rail')}" for k, one in enumerate(VARIANTS)]
)
def test_every_way_of_building_is_hung_in_every_way(variant: dict[str, Any]) -> None:
    hangs = [("waxed-jacket", 4), ("tin-cup", 7)]
    briefs = [
        amend(starting([(shipped_item(item), count)], "1 mm", variant.get("family")), variant)
        for item, count in hangs
    ]
    for brief, by in zip(cycle(briefs), BYS, strict=False):
        done = placed(brief, by)
        check_lines(done)
        check_clear(done)


def check_lines(done: Design) -> None:
    """Holes are on their parts, meet where two parts do, and are those of the wall."""
    keys = {part.key for part in done.parts}
    pilots = {
        (place.joins, place.part, done.part(place.part).at(place.face, place.along, place.across))
        for one in done.machining
        if one.kind in (Kind.JOINT_PILOT, Kind.DOWEL_ANSWER)
        for place in one.places
    }
    for one in done.machining:
        assert one.count > 0
        if "screws of" in one.note:  # as long as the list has them
            assert [
                f"screws of {take.sizes[1]}" in one.note
                for take in one.takes
                if isinstance(take, Ware)
            ] == [True]
        assert keys >= set(one.parts) - {HOLDER}
        # What is made on a part has a place on it; but for a dry fit, where one bit goes through
        # two.
        if one.parts != (HOLDER,) and not {"cut", "halves"} & one.kind.row.keys():
            on = {place.part for place in one.places}
            assert on == set(one.parts) or (one.kind.row.get("dry") and on < set(one.parts))
        for place in one.places:
            assert place.part in one.parts
            part = done.part(place.part)
            if one.kind in (Kind.SCREW_HOLE, Kind.DOWEL_HOLE) and not (
                part.profile or done.part(place.joins).profile or one.tilt
            ):
                # Straight on from where it goes in, its pilot hole is in the part that it joins.
                point = part.at(place.face, place.along, place.across)
                axis = place.face.axis
                assert any(
                    (other, to) == (place.part, place.joins)
                    and all(
                        a == b for k, (a, b) in enumerate(zip(point, at, strict=True)) if k != axis
                    )
                    for other, to, at in pilots
                )
            if one.kind is Kind.WALL_HOLE and part.profile and part.seen == "from the side":
                # Where it lies on the wall: above, a bevel leaves a tip that holds no screw.
                back = [y for z, y in part.profile if z == part.z]
                assert min(back) < part.at(place.face, place.along, place.across)[1] < max(back)
            if one.kind in WITHIN and not part.profile:
                low, size = part.low, part.size
                point = part.at(place.face, place.along, place.across)
                assert all(
                    a <= at <= a + long for a, at, long in zip(low, point, size, strict=True)
                )
    # What is said to hold a joint is there to be bought.
    holes = {(one.kind, place.part, place.joins) for one in done.machining for place in one.places}
    for joint in done.rack.joints:
        if need := NEEDS.get(joint.hold):
            assert (need, joint.part, joint.other) in holes or (
                need,
                joint.other,
                joint.part,
            ) in holes
        assert bool(joint.takes) == (joint.hold is Hold.PINS)
    # The wood and the wall have the same holes: exactly, whatever hangs it.
    held = [each for each in done.on_wall.fixed if each.screws]
    screws = {(screw.x, screw.y) for each in held for screw in each.screws}
    made = {(x, y) for kind in (Kind.WALL_HOLE, Kind.KEYHOLE) for x, y, _ in world(done, kind)}
    if any(each.by in ("hangers", "mirrors") for each in held):
        plates = {(x, y) for x, y, _ in world(done, Kind.HANGER_PILOT)}
        made |= {
            screw
            for screw in screws
            if any(y == screw[1] and abs(x - screw[0]) <= 45 for x, y in plates)
        }
    assert made == screws
    joined = {at for each in held if each.joined for at in each.joined.at}
    assert {(x, y) for x, y, _ in world(done, Kind.STRIP_HOLE)} == joined


def bores(done: Design, part: Part) -> Iterator[tuple[Hole, Face, list[Fraction], list[Fraction]]]:
    """The holes of a part as boxes in the wall's frame, from low to high corner."""
    for hole in done.holes.get(part.key, ()):
        face, half = hole.place.face, hole.made.size / 2
        deep = (
            part.thick(face) if hole.made.depth is None else min(hole.made.depth, part.thick(face))
        )
        at = part.at(face, hole.place.along, hole.place.across)
        low, high = [one - half for one in at], [one + half for one in at]
        start = at[face.axis]
        low[face.axis], high[face.axis] = (
            (start, start + deep) if start == part.low[face.axis] else (start - deep, start)
        )
        yield hole, face, low, high


def check_clear(done: Design) -> None:
    """No hole runs into another."""
    # What cannot be built is said, and drawn as it was asked for.
    if any(one.severity is Severity.STOP or one.code == "mount.plates" for one in done.findings):
        return
    for part in done.parts:
        if part.profile:
            continue
        for (one, face, low, high), (other, its, lows, highs) in combinations(bores(done, part), 2):
            middles = [
                [(a + b) / 2 for a, b in zip(*box, strict=True)]
                for box in ((low, high), (lows, highs))
            ]
            if face.axis == its.axis:
                middles = [[*at[: face.axis], *at[face.axis + 1 :]] for at in middles]
            if (face.axis == its.axis and middles[0] == middles[1]) or (
                one.place.holder >= 0 and other.place.holder >= 0
            ):
                continue
            if not all(a < d and c < b for a, b, c, d in zip(low, high, lows, highs, strict=True)):
                continue
            round_about = (
                face.axis == its.axis
                and sum(
                    ((a + b) / 2 - (c + d) / 2) ** 2
                    for axis, (a, b, c, d) in enumerate(zip(low, high, lows, highs, strict=True))
                    if axis != face.axis
                )
                >= ((one.made.size + other.made.size) / 2) ** 2
            )
            assert round_about, (part.key, one.made.kind, other.made.kind)


makings = st.builds(
    lambda finish, pegs, conditioner: Making(finish=finish, pegs=pegs, conditioner=conditioner),
    st.sampled_from(("after glue", "before glue")),
    st.sampled_from(("after finish", "before finish")),
    st.sampled_from(("as the wood needs", "always", "never")),
)


@st.composite
def supplies(draw: st.DrawFn, done: Design) -> Supply:
    """What is on hand: nothing, some of the blanks, all of them."""
    blanks = takeoff(done).blanks
    some = draw(st.sampled_from(["none", "some", "all"]))
    there = [one for k, one in enumerate(blanks) if some == "all" or (some == "some" and k % 2)]
    sticks = tuple(
        Stick(
            form=one.form,
            stuff=one.stuff,
            wide=one.wide,
            thick=one.thick,
            long=one.long + 60,
            thread=one.thread,
        )
        for one in there
        if one.long <= 29_000
    )
    return Supply(sticks=tuple((str(k), stick) for k, stick in enumerate(sticks)))


@pytest.mark.parametrize("by", BYS)
@given(brief=briefs, asked=makings, data=st.data())
@cases(6)
def test_nothing_is_done_before_what_it_needs(
    by: str, brief: Brief, asked: Making, data: st.DataObject
) -> None:
    done = placed(brief, by)
    found = priced(done, data.draw(supplies(done)))
    every = tasks(done, found, asked, Shop())
    among = edges(every)
    # As it is offered, and with everything as early as its needs let it be: no phase holds it back
    # then.
    early = [replace(task, phase=-task.phase) for task in reversed(every)]
    for order in (natural(every, among), natural(early, among)):
        at = {task.key: k for k, task in enumerate(order)}
        for part in done.parts:
            check_part(done, part, every, at)
        check_joints(done, every, at)
        check_finish(every, at)
        if (
            any(each.by == "plates" for each in done.on_wall.fixed)
            and done.rack.glyph.called == "hook"
        ):
            assert at["mount"] < at["holders"] < at["hang"]
        for task in every:
            if task.work is Kind.HALVES:
                others = [other for other in every if other.work and other.work is not Kind.HALVES]
                assert all(
                    at[task.key] < at[other.key] for other in others if other.parts & task.parts
                )


def when(gives: str, part: str, every: Sequence[Task], at: Mapping[str, int]) -> list[int]:
    return [at[task.key] for task in every if gives in task.gives and part in task.parts]


def check_part(done: Design, part: Part, every: Sequence[Task], at: Mapping[str, int]) -> None:
    """On hand, cut, marked, made, covered: in this order, for everything that is made on a part."""
    cut = when("cut", part.key, every, at)
    assert cut, f"nothing gives {part.name}"
    assert min(cut) > at["measure"]
    assert all(k > at.get("buy", -1) or k == at.get(MISSING) for k in cut)
    joint = [
        one for one in done.rack.joints if not one.hooked and part.key in (one.part, one.other)
    ]
    covers = [k for key, k in at.items() if key.startswith("coat:") or key == "mount"]
    covers += [
        at[task.key] for task in every if task.key.startswith("join:") and part.key in task.parts
    ]
    for one in done.machining:
        if part.key not in one.parts or one.kind.row.get("cut"):
            continue
        mine = [at[task.key] for task in every if task.work is one.kind and part.key in task.parts]
        assert mine, (one.kind, part.name)
        assert max(cut) < min(mine)
        assert max(mine) < min(covers)
        if joint and not one.kind.row.get("dry"):
            assert max(mine) < at["dry"]
        if any(place.part == part.key for place in one.places) and one.kind.marked:
            marked = when("marked", part.key, every, at)
            assert max(cut) < min(marked)
            assert max(marked) < min(mine)


def check_joints(done: Design, every: Sequence[Task], at: Mapping[str, int]) -> None:
    """What joins is bought, its parts are cut and were together dry; joined they go up."""
    for joint in done.rack.joints:
        if joint.hold is not Hold.HOOKED:
            (join,) = [
                one
                for one in every
                if one.key.startswith("join:") and {joint.part, joint.other} <= one.parts
            ]
            cut = [k for key in (joint.part, joint.other) for k in when("cut", key, every, at)]
            assert max(at.get("buy", -1), at["dry"], *cut) < at[join.key] < at["mount"]


def check_finish(every: Sequence[Task], at: Mapping[str, int]) -> None:
    """A conditioner is under every coat of its face."""
    coats = [k for key, k in at.items() if key.startswith("coat:")]
    if "conditioner" in at:
        assert at["conditioner"] < min(coats)
        primed = {task.parts: at[task.key] for task in every if task.key.startswith("primed:")}
        assert all(
            primed[task.parts] < at[task.key] for task in every if task.key.startswith("inside:")
        )


@pytest.mark.parametrize("family", FAMILIES)
def test_the_lines_of_a_hole_table_are_numbered_through_its_faces(family: str) -> None:
    for table in hole_tables(of(family)):
        numbers = [line.number for face in table.faces for line in face.lines]
        assert numbers == list(range(1, len(numbers) + 1))
