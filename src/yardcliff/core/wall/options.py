"""Every way of fixing with what it would mean on this wall: what the rack hangs by, and what that
goes into.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.brief.mounting import By, Into, Mount, Spot
from yardcliff.core.rack import Rack
from yardcliff.core.strength.link import percent
from yardcliff.core.units.length import Tape
from yardcliff.core.wall.anchors import ANCHORS, Anchor
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.fixing import Fixer
from yardcliff.core.wall.grounds import plates_hide
from yardcliff.core.wall.survey import Site

BYS: dict[By, tuple[str, str]] = {
    "auto": (
        "what holds",
        "Screws through it where studs are; else through the lining, or a batten.",
    ),
    "through": ("screws through it", "The simplest and the strongest; their heads are seen."),
    "plugged": (
        "screws under plugs",
        (
            "Each head under a wooden plug, grain with the board's: nearly unseen, and hardly taken"
            " down again."
        ),
    ),
    "plates": (
        "screws under hook plates",
        "At the hooks' own marks: nothing is seen, and nothing extra is measured.",
    ),
    "items": (
        "screws behind what hangs",
        "Where things hang before them, none is seen while the rack is full.",
    ),
    "keyholes": (
        "keyhole plates",
        (
            "Let in flush at the back: lifts off, and nothing is seen. Set to the studs' spacing"
            " exactly."
        ),
    ),
    "hangers": (
        "flush hangers",
        "Two halves that slide together: nothing to rout, 5 mm off the wall.",
    ),
    "mirrors": ("mirror plates", "One at each end, their screws beside the rack: easy, and seen."),
    "cleat": (
        "bevelled cleat",
        (
            "A strip ripped in two at 45°: the wall's half holds anywhere along it, and the rack"
            " lifts off."
        ),
    ),
    "batten": (
        "batten first",
        (
            "Fixed to the wall where that holds, past the rack if need be; then the rack is screwed"
            " to it."
        ),
    ),
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
    for by, (name, why) in BYS.items():
        if by == "plates" and not plates_hide(rack):
            yield Way(by, name, why, "no plate that hides a head", good=False)
            continue
        yield _way(by, name, why, fixer.fixed(mount.changed({"by": by})))


def ways_into(rack: Rack, site: Site, spot: Spot, mount: Mount, tape: Tape) -> Iterator[Way]:
    """What that may go into in such a wall."""
    fixer = Fixer(rack, site, spot, tape)
    yield _way(
        "auto",
        "what suits the wall",
        "The surest that holds here.",
        fixer.fixed(mount.changed({"into": "auto"})),
    )
    for key, anchor in ANCHORS.items():
        if site.wall.makeup not in anchor.walls:
            if key == mount.into:
                yield Way(key, anchor.name, anchor.why, "not for this wall", good=False)
            continue
        why = f"{anchor.why} {_hole(anchor, tape)}"
        yield _way(key, anchor.name, why, fixer.fixed(mount.changed({"into": key})))


def _hole(anchor: Anchor, tape: Tape) -> str:
    """The hole that it wants, and the lining that it grips."""
    hole = "No hole first" if anchor.bit is None else f"Hole {tape.write_fine(anchor.bit)}"
    if anchor.in_studs or anchor.key == "plugs":
        return f"{hole}."
    return (
        f"{hole}; for linings of {tape.write_fine(anchor.least)} to {tape.write_fine(anchor.most)}."
    )


def _way(value: By | Into, name: str, why: str, fixed: Sequence[Fixed]) -> Way:
    share = max((fixing.share for fixing in fixed), default=0.0)
    return Way(value, name, why, verdict(fixed), all(fixing.good for fixing in fixed), share)


def verdict(fixed: Sequence[Fixed]) -> str:
    """What holds, in a few words."""
    if any(fixing.blocked for fixing in fixed):
        return "no room for it"
    if any(not fixing.screws or fixing.loose for fixing in fixed):
        met = min(
            (len({screw.stud for screw in fixing.screws}) for fixing in fixed if fixing.loose),
            default=0,
        )
        studs = any(fixing.anchor.in_studs for fixing in fixed if fixing.loose)
        return f"too few studs: {met}" if studs else "no place for two"
    if any(not fixing.grips for fixing in fixed):
        return "does not grip this lining"
    share = max((fixing.share for fixing in fixed), default=0.0)
    count = sum(len(fixing.screws) for fixing in fixed)
    if share > 1:
        weak = percent(share)
        return weak if weak.endswith("weak") else f"too weak, {weak}"
    return f"holds: {count} at {percent(share)}"
