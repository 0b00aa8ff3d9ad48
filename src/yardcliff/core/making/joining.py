"""Tasks that put a rack together: dry, then glued or screwed, body by body."""

from collections import Counter
from collections.abc import Iterable, Iterator
from itertools import chain

from yardcliff.core.design.machining import named
from yardcliff.core.making.asked import Asked
from yardcliff.core.making.task import Task
from yardcliff.core.materials.goods import Ware
from yardcliff.core.rack import HOLDER, Hold, Joint, Kind, Rack
from yardcliff.core.workshop.caution import cautions

NAILED = (
    "In hardwood, and near an end, a hole for each brad first: one with its head nipped off is the"
    " bit."
)


def _bodies(joints: Iterable[Joint]) -> list[list[Joint]]:
    """Joints by what they make one."""
    found: list[list[Joint]] = []
    for joint in joints:
        mine = [
            body
            for body in found
            if any({joint.part, joint.other} & {one.part, one.other} for one in body)
        ]
        found = [body for body in found if body not in mine]
        found.append([*chain.from_iterable(mine), joint])
    return found


def _to_join(joints: Iterable[Joint], clamps: int) -> tuple[str, ...]:
    """The tools that a body is put together with."""
    holds = {
        "hammer" if joint.hold is Hold.PINS else "" if joint.glued else "screwdriver"
        for joint in joints
    }
    return (*((f"{clamps} clamps",) if clamps else ()), *sorted(holds - {""}))


def _nails(joints: Iterable[Joint]) -> Iterator[tuple[str, str]]:
    """The brads of a body: `8 of 1.4 × 30 mm`."""
    many = Counter[tuple[str, ...]]()
    for take in (take for joint in joints for take in joint.takes if isinstance(take, Ware)):
        many[take.sizes] += take.count
    for (thick, long), each in many.items():
        yield "brads", f"{each} of {thick} × {long} mm"


def _pairs(rack: Rack, joints: list[Joint]) -> str:
    """`Shelf 1 to Left side and Right side; Shelf 2 to …`."""
    to: dict[str, list[str]] = {}
    for joint in joints:
        to.setdefault(rack.part(joint.part).name, []).append(rack.part(joint.other).name)
    return "; ".join(f"{name} to {' and '.join(others)}" for name, others in to.items())


def joined(asked: Asked) -> Iterator[Task]:
    """The dry fit, then body by body."""
    rack = asked.rack
    joints = [joint for joint in rack.joints if not joint.hooked]
    if rack.glyph.threaded:
        yield Task(
            "thread",
            10,
            "Thread fingers and spacers on the rod",
            20,
            frozenset(
                {
                    HOLDER,
                    *(
                        key
                        for operation in rack.machining
                        if operation.kind is Kind.ROD_HOLE
                        for key in operation.parts
                    ),
                }
            ),
            checks=(
                ("Every finger falls open by its own weight; a washer more or less sets the play."),
                *rack.cautions[-1:],
            ),
            needs=frozenset({"machined", "sanded", "inside"}),
            gives=frozenset({"threaded"}),
            spoils=frozenset({"loose"}),
            tools=("spanners",),
        )
    if joints:
        yield Task(
            "dry",
            10,
            "Put it together dry",
            5 + 3 * len(joints),
            checks=(
                (
                    "Square by both diagonals, tight by hand, and the clamps set to width and"
                    " lying ready."
                ),
            ),
            needs=frozenset({"machined"}),
            gives=frozenset({"fits"}),
        )
    for body in _bodies(joints):
        yield from _body(asked, body)


def _body(asked: Asked, joints: list[Joint]) -> Iterator[Task]:
    rack = asked.rack
    keys = dict.fromkeys(key for joint in joints for key in (joint.part, joint.other))
    parts, first = frozenset(keys), next(iter(keys))
    glued = [joint for joint in joints if joint.glued]
    names = named(map(rack.part, keys))
    inside = frozenset({"sanded", "tested", "loose", "fits"})
    if asked.finish.coats and not asked.finish.early and any(joint.let_in for joint in joints):
        yield Task(
            f"inside:{first}",
            11,
            f"Finish the inner faces: {names}",
            15,
            parts,
            lines=(
                (
                    "One coat where no brush gets later; a pencil line from the dry fit shows"
                    " where the glue goes: stay off it."
                ),
            ),
            needs=inside | {"primed"},
            gives=frozenset({"inside"}),
            tools=("brush",),
            wait=asked.finish.wait("coat"),
            waits_for="coat",
            dries=True,
            splits=False,
            cautions=asked.finish.cautions,
        )
        if asked.finish.conditioner:
            yield Task(
                f"primed:{first}",
                11,
                f"Brush a conditioner on the inner faces: {names}",
                10,
                parts,
                lines=(
                    (
                        "Within the same pencil line: this wood drinks unevenly, and under the"
                        " finish it is too late."
                    ),
                ),
                needs=inside,
                gives=frozenset({"primed"}),
                wait=asked.finish.wait("conditioner"),
                waits_for="conditioner",
                dries=True,
                splits=False,
                cautions=asked.finish.cautions,
            )
    clamps = 2 + len(parts) // 2 if glued else 0
    by = dict.fromkeys(joint.says for joint in joints)
    yield Task(
        f"join:{first}",
        12,
        f"{'Glue' if glued else 'Screw'} together: {names}",
        10 + 4 * len(joints),
        parts,
        lines=tuple(
            f"{_pairs(rack, [joint for joint in joints if joint.says == way])}: {way}."
            for way in by
        ),
        settings=(
            *_nails(joints),
            *((("clamps", str(clamps)), ("in clamps", "as the bottle says")) if glued else ()),
        ),
        checks=(
            (
                *([NAILED] if any(joint.hold is Hold.PINS for joint in joints) else []),
                "Both diagonals again once the clamps are on.",
                (
                    "What squeezes out is lifted off when it is like rubber: wiped wet, it"
                    " shows under the finish."
                ),
            )
            if glued
            else ("Every screw to the same depth, the last turn by hand.",)
        ),
        needs=frozenset({"bought", "fits", "pinned", "bare", "sanded", "inside", "threaded"}),
        gives=frozenset({"joined"}),
        spoils=frozenset({"loose"}),
        wait=asked.finish.wait("glue") if glued else 0,
        waits_for="glue" if glued else None,
        picture="rack",
        clamps=clamps,
        clamped=asked.finish.wait("clamps") if glued else 0,
        dries=bool(glued),
        splits=not glued,
        tools=_to_join(joints, clamps),
        cautions=cautions("glue") if glued else (),
    )
