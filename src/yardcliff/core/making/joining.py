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
from yardcliff.messages import listed, tr

NAILED = "making.in-hardwood-near-end-hole-for"


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
        tr("tool.hammer")
        if joint.hold is Hold.PINS
        else ""
        if joint.glued
        else tr("tool.screwdriver")
        for joint in joints
    }
    return (*((tr("making.clamps", clamps=clamps),) if clamps else ()), *sorted(holds - {""}))


def _nails(joints: Iterable[Joint]) -> Iterator[tuple[str, str]]:
    """The brads of a body: `8 of 1.4 × 30 mm`."""
    many = Counter[tuple[str, ...]]()
    for take in (take for joint in joints for take in joint.takes if isinstance(take, Ware)):
        many[take.sizes] += take.count
    for (thick, long), each in many.items():
        yield tr("setting.brads"), tr("making.brads", count=each, thick=thick, long=long)


def _pairs(rack: Rack, joints: list[Joint]) -> str:
    """`Shelf 1 to Left side and Right side; Shelf 2 to …`."""
    to: dict[str, list[str]] = {}
    for joint in joints:
        to.setdefault(rack.part(joint.part).name, []).append(rack.part(joint.other).name)
    return "; ".join(
        tr("making.part-to", name=name, others=listed(others)) for name, others in to.items()
    )


def joined(asked: Asked) -> Iterator[Task]:
    """The dry fit, then body by body."""
    rack = asked.rack
    joints = [joint for joint in rack.joints if not joint.hooked]
    if rack.glyph.threaded:
        yield Task(
            "thread",
            10,
            tr("task.thread"),
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
            checks=(tr("making.every-finger-falls-open-by-its"), *rack.cautions[-1:]),
            needs=frozenset({"machined", "sanded", "inside"}),
            gives=frozenset({"threaded"}),
            spoils=frozenset({"loose"}),
            tools=(tr("tool.spanners"),),
        )
    if joints:
        yield Task(
            "dry",
            10,
            tr("task.dry"),
            5 + 3 * len(joints),
            checks=(tr("making.square-by-both-diagonals-tight-by"),),
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
            tr("making.finish-the-inner-faces", names=names),
            15,
            parts,
            lines=(tr("making.one-coat-where-no-brush-gets"),),
            needs=inside | {"primed"},
            gives=frozenset({"inside"}),
            tools=(tr("tool.brush"),),
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
                tr("making.brush-conditioner-on-inner-faces", names=names),
                10,
                parts,
                lines=(tr("making.within-same-pencil-line-this-wood"),),
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
        tr("making.together", how=tr("making.glue") if glued else tr("making.screw"), names=names),
        10 + 4 * len(joints),
        parts,
        lines=tuple(
            f"{_pairs(rack, [joint for joint in joints if joint.says == way])}: {way}."
            for way in by
        ),
        settings=(
            *_nails(joints),
            *(
                (
                    (tr("setting.clamps"), str(clamps)),
                    (tr("setting.in-clamps"), tr("setting.as-the-bottle-says")),
                )
                if glued
                else ()
            ),
        ),
        checks=(
            (
                *([tr(NAILED)] if any(joint.hold is Hold.PINS for joint in joints) else []),
                tr("making.both-diagonals-again-once-clamps-on"),
                tr("making.what-squeezes-out-lifted-off-when"),
            )
            if glued
            else (tr("making.every-screw-same-depth-last-turn"),)
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
