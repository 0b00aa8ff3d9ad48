"""Findings of what fixes a rack: too weak, into nothing, or not joined."""

from collections.abc import Iterator, Sequence
from itertools import islice

from yardcliff.core.brief.mounting import Mount, Spot
from yardcliff.core.findings.finding import Finding, Fix, Patch
from yardcliff.core.rack import Rack
from yardcliff.core.strength.link import percent, weakest
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.wall.anchors import HOLLOW, anchors
from yardcliff.core.wall.boring import HEAD
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.fixing import Fixer
from yardcliff.core.wall.grounds import END, RIM, plate_room, plates_hide
from yardcliff.core.wall.position import aim_at
from yardcliff.core.wall.room_check import leave, place_fix
from yardcliff.core.wall.survey import Site, no_hole
from yardcliff.core.wall.wall import makeup_name
from yardcliff.messages import tr

MOST_FIXES = 3
"""Ways out of one finding that are offered; no more are tried."""


def fixing_findings(
    here: Fixer, spot: Spot, mount: Mount, fixed: Sequence[Fixed], *, ways: bool = True
) -> Iterator[Finding]:
    """Whether what holds it does; with the ways out, which take far longer to find."""
    rack, site = here.rack, here.site

    def holding(bad: Sequence[Fixed]) -> tuple[Fix, ...]:
        return _holding(here, spot, mount, bad) if ways else (leave(),)

    if mount.by == "plates":
        yield from plates_findings(rack)
    asked = anchors(here.tape.sizes).get(mount.into) if mount.into != "auto" else None
    if asked and site.wall.makeup not in asked.walls:
        yield Finding(
            "fix.wall",
            tr("part.fixing"),
            tr("fix.wall", name=asked.name.capitalize(), makeup=makeup_name(site.wall.makeup)),
            tr("quantity.wall"),
            makeup_name(site.wall.makeup),
            ", ".join(asked.walls),
            fixes=(Fix(tr("fix.what-suits-the-wall"), {"mount": {"into": "auto"}}),),
        )
        return
    for one in fixed:
        at = (
            float(one.body.grounds[0].x + one.body.grounds[0].length / 2),
            float(one.body.grounds[0].y),
        )
        if not one.grips:
            yield Finding(
                "fix.grip",
                one.body.name,
                tr("fix.grip", name=one.anchor.name.capitalize()),
                "lining",
                site.wall.lining,
                one.anchor.least if site.wall.lining < one.anchor.least else one.anchor.most,
                at=at,
                fixes=(Fix(tr("fix.what-suits-the-wall"), {"mount": {"into": "auto"}}),),
            )
            continue
        if one.blocked:
            yield Finding(
                "fix.loose",
                one.body.name,
                tr("fix.loose", by=one.strip_name),
                one.strip_name,
                tr("quantity.in-the-way"),
                tr("quantity.clear"),
                at=at,
                fixes=holding([one]),
            )
        elif one.loose:
            met = (
                len({screw.stud for screw in one.screws})
                if one.anchor.in_studs
                else len({screw.x for screw in one.screws})
            )
            need = 2 if any(part.length >= part.height for part in one.body.grounds) else 1
            what = tr("wall.studs") if one.anchor.in_studs else tr("wall.places-for-a-fixing")
            said = tr("wall.behind-there-too-few-one-alone", holds=what)
            if one.strip and not one.joined:
                said, what, met, need = (
                    tr("wall.what-on-its-board-leaves-no", by=one.strip_name),
                    tr("wall.places"),
                    0,
                    2,
                )
            yield Finding(
                "fix.loose",
                one.body.name,
                said,
                what,
                str(met),
                str(need),
                at=at,
                fixes=holding([one]),
            )
        elif one.share > 1:
            yield _overloaded(one, at, holding([one]))
    hollow = [fixing for fixing in fixed if fixing.anchor.key in HOLLOW and mount.into == "auto"]
    if hollow and all(fixing.good for fixing in hollow):
        one = hollow[0]
        toggles = {"mount": {"into": "toggles"}}
        fixes = [
            fix for fix in holding(hollow) if fix.patch.get("mount", {}).get("into") != "toggles"
        ]
        yield Finding(
            "fix.hollow",
            one.body.name,
            tr("fix.hollow", count=len(one.screws), name=one.anchor.name),
            tr("quantity.of-what-they-may"),
            percent(one.share),
            "100%",
            at=(float(one.body.grounds[0].x), float(one.body.grounds[0].y)),
            fixes=(*fixes, Fix(tr("fix.toggles-it-is"), toggles)),
        )


_TOO_MUCH = {
    "fix.share": ("fix.load", "wall.with-hand-pulls-at-what-hangs"),
    "fix.board": ("fix.board", "wall.with-hand-pulls-in-middle-its"),
    "fix.joined": ("fix.joined", "wall.with-hand-pulls-at-what-hangs-2"),
    "fix.lip": ("fix.joined", "wall.with-hand-pulls-at-what-hangs-3"),
}
"""What is said of the weakest link, by the figure that shows its working."""


def _overloaded(fixing: Fixed, at: tuple[float, float], fixes: tuple[Fix, ...]) -> Finding:
    link = weakest(fixing.links)
    assert link
    code, message = _TOO_MUCH[link.figure]
    return Finding(
        code,
        fixing.body.name,
        tr(message),
        tr("wall.of-what-it-may"),
        percent(link.share),
        "100%",
        at=at,
        fixes=fixes,
    )


def _holding(here: Fixer, spot: Spot, mount: Mount, bad: Sequence[Fixed]) -> tuple[Fix, ...]:
    """Changes that hold these bodies, tried: another place, evenness let go, a spacer, a batten,
    other fixings.
    """
    bodies, rack, site, tape = {fixing.body for fixing in bad}, here.rack, here.site, here.tape

    def holds(x: Fraction, asked: Mount) -> bool:
        found = [fixing for fixing in here.at(x).fixed(asked) if fixing.body in bodies]
        return all(
            fixing.good and (asked.into != "auto" or fixing.anchor.key not in HOLLOW)
            for fixing in found
        )

    found: list[Fix] = []
    # As near as it can be, else by as many studs as can be.
    near = place = aim_at(rack, site, spot, mount, "near", tape)
    if near == spot.x or not holds(near, mount):
        place = aim_at(rack, site, spot, mount, "studs", tape)
    if place != spot.x and holds(place, mount):
        found.append(place_fix(place, tape))
    if mount.by == "plates" and any(fixing.loose for fixing in bad):
        found += _onto_studs(rack, site, spot)
    lag = anchors(here.tape.sizes)["lags"].size
    own = {"pull": None, "shear": None}  # another fixing has another packet
    tries: list[tuple[str, Patch]] = [
        (tr("wall.a-spacer-at-the-foot"), {"foot": "spacer"}),
        (tr("wall.screws-where-studs-are"), {"screws": "free"}),
        (tr("wall.screws-through-it"), {"by": "through"}),
        (
            tr("wall.a-batten-onto-the-studs"),
            {"by": "batten", "into": "auto", "foot": "spacer", **own},
        ),
        (tr("wall.lag-screws", size=lag), {"into": "lags", **own}),
        (
            tr("wall.lag-screws-through-it", size=lag),
            {"by": "through", "into": "lags", "screws": "free", **own},
        ),
        (tr("wall.spring-toggles"), {"into": "toggles", **own}),
        (
            tr("wall.a-batten-on-lag-screws"),
            {"by": "batten", "into": "lags", "foot": "spacer", "screws": "free", **own},
        ),
        (
            tr("wall.what-suits-the-wall"),
            {"by": "auto", "into": "auto", "screws": "free", "foot": "spacer", **own},
        ),
    ]
    for label, patch in tries:
        asked = mount.changed(patch)
        if len(found) < MOST_FIXES and asked != mount and holds(spot.x, asked):
            found.append(Fix(label, {"mount": patch}))
    if not found and near != spot.x:  # both: there, and held better
        to = place_fix(near, tape)
        both = (
            Fix(f"{to.label}: {label[0].lower()}{label[1:]}", {**to.patch, "mount": patch})
            for label, patch in tries
            if holds(near, mount.changed(patch))
        )
        found += islice(both, 1)
    return tuple(found[:MOST_FIXES]) or (leave(),)


def _onto_studs(rack: Rack, site: Site, spot: Spot) -> Iterator[Fix]:
    """Hooks that come to stand on the outermost studs behind the board, so that screws under their
    plates do; the rest spaces between them.
    """
    row, y = rack.row, rack.rows[0].y
    if rack.up or len(rack.alike) > 1 or row.pins:
        return
    shut = list(no_hole(site.wall, y))
    studs = [s - spot.x for s in site.wall.stud_middles if not any(a < s < b for a, b in shut)]
    end = END.of(rack.sizes)
    behind = [at for at in studs if end <= at <= row.length - end]
    if len(behind) < 2:
        return
    first, last = (
        min(range(row.holders), key=lambda k: abs(row.axes[k] - at))
        for at in (behind[0], behind[-1])
    )
    if first < last:
        pins = [
            {"index": k, "at": exact_text(at)} for k, at in ((first, behind[0]), (last, behind[-1]))
        ]
        yield Fix(
            tr("fix.hooks-and-onto-studs", first=first + 1, last=last + 1), {"row": {"pins": pins}}
        )


def plates_findings(rack: Rack) -> Iterator[Finding]:
    """Whether hook plates hide screws."""
    if plates_hide(rack):
        return
    yield Finding(
        "mount.plates",
        tr("part.mounting-screws"),
        (
            tr("mount.plates")
            if rack.glyph.plate
            else tr("mount.plates.only-hooks-plate-hides-screw")
        ),
        tr("quantity.room"),
        plate_room(rack),
        HEAD + 2 * RIM,
        fixes=(Fix(tr("fix.screws-that-are-seen"), {"mount": {"by": "auto"}}),),
    )
