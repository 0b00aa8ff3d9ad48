"""What is wrong with a rack's place on its wall and with how it is fixed, and the ways out. Each is
tried before it is offered.
"""

from collections.abc import Iterator, Sequence
from itertools import islice
from math import atan2, degrees, radians, tan

from yardcliff.core.brief.mounting import Mount, Spot
from yardcliff.core.findings.finding import Finding, Fix, Patch
from yardcliff.core.rack import Rack
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.link import percent, weakest
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST, Tape, exact_text
from yardcliff.core.wall.anchors import ANCHORS, HOLLOW
from yardcliff.core.wall.boring import HEAD
from yardcliff.core.wall.fixing import Fixed, Fixer
from yardcliff.core.wall.grounds import END, RIM, plate_room, plates_hide
from yardcliff.core.wall.position import aim_at, reach
from yardcliff.core.wall.survey import (
    Area,
    Site,
    area,
    around,
    free_places,
    no_hole,
    open_places,
    taken,
    wider,
)
from yardcliff.core.wall.wall import Obstacle

LIFT = Fraction(60)
"""Room over a thing to lift it off under the ceiling, mm; a deeper throat wants more."""
OPENS = 110
"""How far a door has to open, degrees: a right angle, and a bit for the hand at its edge."""
NEAR = Fraction(400)
"""A rack that is moved further up or down than this is another rack, mm."""
LEAVE = Fix("Not on this wall", {"place": {"wall": None}})
MOST_FIXES = 3
"""Ways out of one finding that are offered; no more are tried."""
ZERO = Fraction(0)


def depths(rack: Rack) -> list[Fraction]:
    """How far each of a rack's areas stands off the wall, mm: its boards, and what hangs on each
    row.
    """
    found = [part.z + part.depth for part in rack.parts]
    for row in dict.fromkeys(hung.row for hung in rack.hung):
        part = rack.part(rack.rows[row].part)
        kinds = dict.fromkeys(hung.kind for hung in rack.hung if hung.row == row)
        # What hangs has its middle under its holder; what lies or stands begins at the face.
        found.append(
            part.z
            + part.depth
            + max(
                (
                    rack.kinds[kind].front
                    if rack.looks[kind].beside
                    else rack.kinds[kind].front / 2 + rack.glyph_of(row).rests
                )
                for kind in kinds
            )
        )
    return found


def lost_wall(rack: Rack, spot: Spot, mount: Mount, tape: Tape) -> Finding:
    """The brief names a wall that nobody knows here: a rack file carries its rack's place, and not
    the wall.
    """
    asked = [
        f"{word} {value}"
        for word, value in (("by", mount.by), ("into", mount.into))
        if value != "auto"
    ]
    fixed = f", and how it was to be fixed there ({', '.join(asked)})" if asked else ""
    return Finding(
        "wall.lost",
        "Rack",
        f"It stood {tape.write(spot.x)} from the left corner of a wall that is not in this data"
        f" file. That place{fixed} waits unused: survey the wall here, or choose one.",
        "its wall",
        "not here",
        "a surveyed one",
        at=(float(rack.row.length) / 2, float(rack.rows[0].y)),
        fixes=(Fix("On no wall for now", {"place": {"wall": None}, "mount": None}),),
    )


def place_findings(
    rack: Rack, own: Sequence[Area], site: Site, spot: Spot, tape: Tape
) -> Iterator[Finding]:
    """Whether it is where it can be, be reached and be used."""
    here = [one.moved(spot.x) for one in own]
    box = around(here)
    at = (float(box.x0 - spot.x + box.x1 - spot.x) / 2, float(rack.rows[0].y))
    yield from _past(rack, site, spot, own, box, tape)
    yield from _covers(rack, site, spot, own, here, tape)
    yield from _hand(site, spot, own, here, tape)
    yield from _heights(rack, site, spot, box, at, tape)
    yield from _room(rack, site, spot, own, box, at, tape)


def _to(x: Fraction, tape: Tape) -> Fix:
    return Fix(f"Move to {tape.write(x)}", {"place": {"x": exact_text(x)}})


def _past(
    rack: Rack, site: Site, spot: Spot, own: Sequence[Area], box: Area, tape: Tape
) -> Iterator[Finding]:
    over = max(-box.x0, box.x1 - site.wall.width)
    if over <= 0:
        return
    mine = around(own)
    fits = mine.x1 - mine.x0 <= site.wall.width
    inside = open_places(site, own, ())
    fixes = _nearest(free_places(site, own, spot.hand) or inside, spot.x, tape) or (LEAVE,)
    yield Finding(
        "wall.past",
        "Rack",
        "It reaches past the end of the wall." if fits else f"It is wider than {site.name}.",
        "past the wall",
        tape.write(over),
        tape.write(ZERO),
        at=(float(mine.x0 if box.x0 < 0 else mine.x1), float(rack.rows[0].y)),
        fixes=fixes,
    )


def _covers(
    rack: Rack, site: Site, spot: Spot, own: Sequence[Area], here: Sequence[Area], tape: Tape
) -> Iterator[Finding]:
    """Obstacles and other racks where this one is; one note for each kind of trouble."""
    said = set[str]()
    for name, there in taken(site):
        code = "wall.neighbour" if name.startswith("“") else "wall.covers"
        met = next((one for one in here if one.meets(there)), None)
        if code in said or not met:
            continue
        said.add(code)
        fixes = (
            *_nearest(free_places(site, own, spot.hand), spot.x, tape),
            *_over_or_under(rack, site, here, tape),
        )
        overlap = min(met.x1, there.x1) - max(met.x0, there.x0)
        yield Finding(
            code,
            "Rack",
            (
                f"It hangs where {name} is."
                if code == "wall.covers"
                else f"It hangs where {name} hangs."
            ),
            "over it",
            tape.write(overlap),
            tape.write(ZERO),
            at=(float(max(met.x0, there.x0) + overlap / 2 - spot.x), float(max(met.y0, there.y0))),
            fixes=(*fixes, LEAVE),
        )


def _over_or_under(rack: Rack, site: Site, here: Sequence[Area], tape: Tape) -> tuple[Fix, ...]:
    """The least that it could hang higher or lower to be clear of all on the wall where it is."""
    there = [one for _, one in taken(site)]
    met = [
        (one, other) for one in here for other in there if one.x0 < other.x1 and other.x0 < one.x1
    ]
    clear = {by for one, other in met for by in (other.y0 - one.y1, other.y1 - one.y0)}
    box = around(here)
    for by in sorted((by for by in clear if abs(by) <= NEAR), key=abs):
        # On a step of the tape, away from what is there.
        by = (by // tape.step if by < 0 else -(-by // tape.step)) * tape.step
        moves = [Area(one.x0, one.y0 + by, one.x1, one.y1 + by) for one in here]
        if box.y0 + by < 0 or box.y1 + by > site.wall.height - LIFT:
            continue
        if not any(one.meets(other) for one in moves for other in there):
            return _hang(rack.rows[0].y + by, tape)
    return ()


def _nearest(
    places: Sequence[tuple[Fraction, Fraction]], x: Fraction, tape: Tape
) -> tuple[Fix, ...]:
    """The move to the nearest of these places, if there is one."""
    found = [_on_step(low, high, x, tape) for low, high in places]
    return (_to(min(found, key=lambda at: abs(at - x)), tape),) if found else ()


def _on_step(low: Fraction, high: Fraction, x: Fraction, tape: Tape) -> Fraction:
    """The place nearest to x from low to high, on a step of the tape where one is there."""
    near = max(min(x, high), low)
    step = tape.step
    inside = [at for at in (near // step * step, -(-near // step) * step) if low <= at <= high]
    return min(inside, key=lambda at: abs(at - x), default=near)


def _hand(
    site: Site, spot: Spot, own: Sequence[Area], here: Sequence[Area], tape: Tape
) -> Iterator[Finding]:
    """Whether a hand gets between what hangs and what stands beside it at the same height."""
    if any(one.meets(there) for one in here for _, there in taken(site)):
        return
    ends = [Area(at, ZERO, at + 1, site.wall.height) for at in (Fraction(-1), site.wall.width)]
    edges = [*(("the end of the wall", end) for end in ends), *taken(site)]
    gaps = [
        (max(there.x0 - one.x1, one.x0 - there.x1), name, one, there)
        for name, there in edges
        for one in here
        if one.beside(there)
    ]
    if not gaps:
        return
    least, name, one, there = min(gaps, key=lambda gap: gap[0])
    if not ZERO <= least < spot.hand:
        return
    fixes = _nearest(open_places(site, own, [e for _, e in taken(site)], spot.hand), spot.x, tape)
    enough = exact_text(least)
    yield Finding(
        "wall.hand",
        "Room for a hand",
        f"Between it and {name} there is hardly room for fingers to take things off.",
        "beside it",
        tape.write(least),
        tape.write(spot.hand),
        at=(
            float((one.x1 if there.x0 >= one.x1 else one.x0) - spot.x),
            float((one.y0 + one.y1) / 2),
        ),
        fixes=(*fixes, Fix(f"{tape.write_fine(least)} is enough", {"place": {"hand": enough}})),
    )


def _heights(
    rack: Rack, site: Site, spot: Spot, box: Area, at: tuple[float, float], tape: Tape
) -> Iterator[Finding]:
    wall, hung = site.wall, rack.rows[0].y
    top = max(y for row in rack.rows for _, y in row.places) if rack.up else hung
    most = reach(spot)
    if top > most:
        down, ten = hung - (top - most), Fraction(-(-top // 10) * 10)
        higher = (
            [Fix(f"Reach up to {tape.write(ten)}", {"place": {"reach": exact_text(ten)}})]
            if ten <= LONGEST
            else []
        )
        yield Finding(
            "wall.reach",
            "Rack",
            f"Higher than {_who(spot)} can reach with ease.",
            "hung",
            tape.write(top),
            tape.write(most),
            at=at,
            fixes=(*_hang(down, tape), *higher) or (LEAVE,),
        )
    lift = max(LIFT, -rack.glyph.tip) if not rack.up else ZERO
    room = wall.height - box.y1
    if room < lift:
        down = (hung - (lift - room)) // tape.step * tape.step
        yield Finding(
            "wall.ceiling",
            "Rack",
            (
                "Nothing can be lifted off under the ceiling."
                if room >= 0
                else "It reaches into the ceiling."
            ),
            "to the ceiling",
            tape.write(room),
            tape.write(lift),
            at=(at[0], float(box.y1)),
            fixes=_hang(down, tape) or (LEAVE,),
        )
    laid = [part for part in rack.parts if part.z < wall.skirting_thick and part.y < wall.skirting]
    if laid and wall.skirting_thick:
        up = hung + wall.skirting - min(part.y for part in laid)
        yield Finding(
            "wall.skirting",
            laid[0].name,
            "It lies on the skirting board and not on the wall.",
            "above the floor",
            tape.write(min(part.y for part in laid)),
            tape.write(wall.skirting),
            at=(at[0], float(laid[0].y)),
            fixes=(LEAVE,) if rack.seats else (*_hang(-(-up // tape.step) * tape.step, tape),),
        )


def _hang(height: Fraction, tape: Tape) -> tuple[Fix, ...]:
    return (
        (Fix(f"Hang at {tape.write(height)}", {"hung": exact_text(height)}),)
        if 0 < height <= LONGEST
        else ()
    )


def _who(spot: Spot) -> str:
    return {"adult": "a grown person", "child": "a child", "seated": "somebody in a chair"}[
        spot.who
    ]


def _room(
    rack: Rack,
    site: Site,
    spot: Spot,
    own: Sequence[Area],
    box: Area,
    at: tuple[float, float],
    tape: Tape,
) -> Iterator[Finding]:
    """Doors that open against it, and the way past it."""
    deep = depths(rack)
    for obstacle in site.wall.obstacles:
        swings = swing_side(obstacle)
        here = [(each.moved(spot.x), out) for each, out in zip(own, deep, strict=True)]
        met = [(each, out) for each, out in here if swings and each.meets(swings)]
        if not swings or not met:
            continue
        opens = min(
            180 - degrees(atan2(float(out), float(_from_hinges(obstacle, each))))
            for each, out in met
        )
        if opens >= OPENS:
            continue
        clear = rounded(float(max(out for _, out in met)) / tan(radians(180 - OPENS))) + 1
        fixes = _nearest(
            free_places(site, own, spot.hand, [wider(area(obstacle), clear)]), spot.x, tape
        )
        yield Finding(
            "wall.swing",
            "Door" if obstacle.kind == "door" else obstacle.kind.capitalize(),
            "Opened wide it hits what hangs beside its hinges.",
            "opens to",
            f"{opens:.0f}°",
            f"{OPENS}°",
            at=at,
            fixes=(*fixes, LEAVE),
        )
        break
    out = max(deep)
    if site.wall.way is not None and site.wall.way - out < spot.way:
        left = max(site.wall.way - out, ZERO)
        floor = Fraction(left // 10 * 10)
        yield Finding(
            "wall.way",
            "Way past it",
            "With things on it, it narrows the way: people brush past, and in the dark they catch.",
            "left free",
            tape.write(left),
            tape.write(spot.way),
            at=at,
            fixes=(
                (Fix(f"{tape.write(floor)} is enough", {"place": {"way": exact_text(floor)}}),)
                if floor > 0
                else (LEAVE,)
            ),
        )


def _from_hinges(door: Obstacle, here: Area) -> Fraction:
    """How far beside a door's hinges something begins."""
    return max(here.x0 - door.x - door.width if door.hinge == "right" else door.x - here.x1, ZERO)


def swing_side(door: Obstacle) -> Area | None:
    """The wall beside the hinges that an open leaf comes to lie against; none where it
    has no leaf.
    """
    here = area(door)
    if door.hinge == "left":
        return Area(here.x0 - door.width, here.y0, here.x0, here.y1)
    return Area(here.x1, here.y0, here.x1 + door.width, here.y1) if door.hinge == "right" else None


def fixing_findings(
    here: Fixer, spot: Spot, mount: Mount, fixed: Sequence[Fixed], *, ways: bool = True
) -> Iterator[Finding]:
    """Whether what holds it does; with the ways out, which take far longer to find."""
    rack, site = here.rack, here.site

    def holding(bad: Sequence[Fixed]) -> tuple[Fix, ...]:
        return _holding(here, spot, mount, bad) if ways else (LEAVE,)

    if mount.by == "plates":
        yield from plates_findings(rack)
    if mount.into != "auto" and site.wall.makeup not in ANCHORS[mount.into].walls:
        yield Finding(
            "fix.wall",
            "Fixing",
            f"{ANCHORS[mount.into].name.capitalize()} are not for a wall of {site.wall.makeup}.",
            "wall",
            site.wall.makeup,
            ", ".join(ANCHORS[mount.into].walls),
            fixes=(Fix("What suits the wall", {"mount": {"into": "auto"}}),),
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
                f"{one.anchor.name.capitalize()} do not grip a lining so thick.",
                "lining",
                site.wall.lining,
                one.anchor.least if site.wall.lining < one.anchor.least else one.anchor.most,
                at=at,
                fixes=(Fix("What suits the wall", {"mount": {"into": "auto"}}),),
            )
            continue
        if one.blocked:
            yield Finding(
                "fix.loose",
                one.body.name,
                f"The {one.by} would lie on what is on the wall, or past its end.",
                one.by,
                "in the way",
                "clear",
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
            what = "studs" if one.anchor.in_studs else "places for a fixing"
            said = f"Behind it there are too few {what}: one alone lets it turn, none lets it fall."
            if one.strip and not one.joined:
                said, what, met, need = (
                    f"What is on its board leaves no place for the screws into the {one.by}.",
                    "places",
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
            f"Screws into studs do not hold it here; {len(one.screws)} {one.anchor.name} do.",
            "of what they may",
            percent(one.share),
            "100%",
            at=(float(one.body.grounds[0].x), float(one.body.grounds[0].y)),
            fixes=(*fixes, Fix("Toggles it is", toggles)),
        )


_TOO_MUCH = {
    "fix.share": (
        "fix.load",
        "With a hand that pulls at what hangs there the worst fixing bears more than it may.",
    ),
    "fix.board": (
        "fix.board",
        (
            "With a hand that pulls in the middle of its widest span, or at its end, the board may"
            " break."
        ),
    ),
    "fix.joined": (
        "fix.joined",
        (
            "With a hand that pulls at what hangs there the screws that hold it to its strip bear"
            " more than they may."
        ),
    ),
    "fix.lip": (
        "fix.joined",
        "With a hand that pulls at what hangs there the cleat's lip may split off.",
    ),
}
"""What is said of the weakest link, by the figure that shows its working."""


def _overloaded(fixing: Fixed, at: tuple[float, float], fixes: tuple[Fix, ...]) -> Finding:
    link = weakest(fixing.links)
    assert link
    code, message = _TOO_MUCH[link.figure]
    return Finding(
        code,
        fixing.body.name,
        message,
        "of what it may",
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
        found.append(_to(place, tape))
    if mount.by == "plates" and any(fixing.loose for fixing in bad):
        found += _onto_studs(rack, site, spot)
    own = {"pull": None, "shear": None}  # another fixing has another packet
    tries: list[tuple[str, Patch]] = [
        ("A spacer at the foot", {"foot": "spacer"}),
        ("Screws where studs are", {"screws": "free"}),
        ("Screws through it", {"by": "through"}),
        ("A batten onto the studs", {"by": "batten", "into": "auto", "foot": "spacer", **own}),
        ("8 mm lag screws", {"into": "lags", **own}),
        ("8 mm lag screws through it", {"by": "through", "into": "lags", "screws": "free", **own}),
        ("Spring toggles", {"into": "toggles", **own}),
        (
            "A batten on lag screws",
            {"by": "batten", "into": "lags", "foot": "spacer", "screws": "free", **own},
        ),
        (
            "What suits the wall",
            {"by": "auto", "into": "auto", "screws": "free", "foot": "spacer", **own},
        ),
    ]
    for label, patch in tries:
        asked = mount.changed(patch)
        if len(found) < MOST_FIXES and asked != mount and holds(spot.x, asked):
            found.append(Fix(label, {"mount": patch}))
    if not found and near != spot.x:  # both: there, and held better
        to = _to(near, tape)
        both = (
            Fix(f"{to.label}: {label[0].lower()}{label[1:]}", {**to.patch, "mount": patch})
            for label, patch in tries
            if holds(near, mount.changed(patch))
        )
        found += islice(both, 1)
    return tuple(found[:MOST_FIXES]) or (LEAVE,)


def _onto_studs(rack: Rack, site: Site, spot: Spot) -> Iterator[Fix]:
    """Hooks that come to stand on the outermost studs behind the board, so that screws under their
    plates do; the rest spaces between them.
    """
    row, y = rack.row, rack.rows[0].y
    if rack.up or len(rack.alike) > 1 or row.pins:
        return
    shut = list(no_hole(site.wall, y))
    studs = [s - spot.x for s in site.wall.stud_middles if not any(a < s < b for a, b in shut)]
    behind = [at for at in studs if END <= at <= row.length - END]
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
        yield Fix(f"Hooks {first + 1} and {last + 1} onto studs", {"row": {"pins": pins}})


def plates_findings(rack: Rack) -> Iterator[Finding]:
    """Whether hook plates hide screws."""
    if plates_hide(rack):
        return
    yield Finding(
        "mount.plates",
        "Mounting screws",
        (
            "Between a plate's own screws there is no room to hide another."
            if rack.glyph.plate
            else "Only a hook's plate hides a screw."
        ),
        "room",
        plate_room(rack),
        HEAD + 2 * RIM,
        fixes=(Fix("Screws that are seen", {"mount": {"by": "auto"}}),),
    )
