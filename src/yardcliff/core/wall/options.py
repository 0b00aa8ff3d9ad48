"""Every way of fixing with what it would mean on this wall: what the rack hangs by, and what that
goes into.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.brief.mounting import By, Into, Mount, Spot
from yardcliff.core.rack import Rack
from yardcliff.core.strength.link import percent, told
from yardcliff.core.units.length import Tape
from yardcliff.core.wall.anchors import Anchor, anchors
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.fixing import Fixer
from yardcliff.core.wall.grounds import plates_hide
from yardcliff.core.wall.survey import Site
from yardcliff.messages import tr

BYS: dict[By, tuple[str, str]] = {
    "auto": ("wall.what-holds", "wall.screws-through-where-studs-else-through"),
    "through": ("wall.screws-through-it-label", "wall.simplest-strongest-their-heads-seen"),
    "plugged": ("wall.screws-under-plugs", "wall.each-head-under-wooden-plug-grain"),
    "plates": ("wall.screws-under-hook-plates", "wall.at-hooks-own-marks-nothing-seen"),
    "items": ("wall.screws-behind-what-hangs", "wall.where-things-hang-before-them-none"),
    "keyholes": ("wall.keyhole-plates", "wall.let-in-flush-at-back-lifts"),
    "hangers": ("wall.flush-hangers", "wall.two-halves-slide-together-nothing-rout"),
    "mirrors": ("wall.mirror-plates", "wall.one-at-each-end-their-screws"),
    "cleat": ("wall.bevelled-cleat", "wall.strip-ripped-in-two-at-45"),
    "batten": ("wall.batten-first", "wall.fixed-wall-where-holds-past-rack"),
}


@dataclass(frozen=True, slots=True)
class Way:
    """One choice, why one would, and what it would mean here."""

    value: By | Into
    name: str
    why: str
    verdict: str
    good: bool
    share: float = 0.0
    """Of what the weakest link may bear."""


def ways_by(rack: Rack, site: Site, spot: Spot, mount: Mount, tape: Tape) -> Iterator[Way]:
    """What it may hang by."""
    fixer = Fixer(rack, site, spot, tape)
    for by, texts in BYS.items():
        name, why = map(tr, texts)
        if by == "plates" and not plates_hide(rack):
            yield Way(by, name, why, tr("wall.no-plate-that-hides-a-head"), good=False)
            continue
        yield _way(by, name, why, fixer.fixed(mount.changed({"by": by})))


def ways_into(rack: Rack, site: Site, spot: Spot, mount: Mount, tape: Tape) -> Iterator[Way]:
    """What that may go into in such a wall."""
    fixer = Fixer(rack, site, spot, tape)
    yield _way(
        "auto",
        tr("wall.what-suits-the-wall-label"),
        tr("wall.the-surest-that-holds-here"),
        fixer.fixed(mount.changed({"into": "auto"})),
    )
    for key, anchor in anchors(tape.sizes).items():
        if site.wall.makeup not in anchor.walls:
            if key == mount.into:
                yield Way(key, anchor.name, anchor.why, tr("wall.not-for-this-wall"), good=False)
            continue
        why = f"{anchor.why} {_hole(anchor, tape)}"
        yield _way(key, anchor.name, why, fixer.fixed(mount.changed({"into": key})))


def _hole(anchor: Anchor, tape: Tape) -> str:
    """The hole that it wants, and the lining that it grips."""
    hole = (
        tr("wall.no-hole-first")
        if anchor.bit is None
        else tr("wall.hole", bit=tape.write_fine(anchor.bit))
    )
    if anchor.in_studs or anchor.key == "plugs":
        return f"{hole}."
    return tr(
        "wall.for-linings-of-to",
        hole=hole,
        least=tape.write_fine(anchor.least),
        most=tape.write_fine(anchor.most),
    )


def _way(value: By | Into, name: str, why: str, fixed: Sequence[Fixed]) -> Way:
    share = max((fixing.share for fixing in fixed), default=0.0)
    return Way(value, name, why, verdict(fixed), all(fixing.good for fixing in fixed), share)


def verdict(fixed: Sequence[Fixed]) -> str:
    """What holds, in a few words."""
    if any(fixing.blocked for fixing in fixed):
        return tr("wall.no-room-for-it")
    if any(not fixing.screws or fixing.loose for fixing in fixed):
        met = min(
            (len({screw.stud for screw in fixing.screws}) for fixing in fixed if fixing.loose),
            default=0,
        )
        studs = any(fixing.anchor.in_studs for fixing in fixed if fixing.loose)
        return tr("wall.too-few-studs", met=met) if studs else tr("wall.no-place-for-two")
    if any(not fixing.grips for fixing in fixed):
        return tr("wall.does-not-grip-this-lining")
    share = max((fixing.share for fixing in fixed), default=0.0)
    count = sum(len(fixing.screws) for fixing in fixed)
    if share > 1:
        return tr("wall.too-weak", weak=percent(share)) if told(share) else percent(share)
    return tr("wall.holds-at", count=count, percent=percent(share))
