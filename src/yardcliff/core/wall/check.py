"""What is wrong with a rack's place on its wall and with how it is fixed, and the ways out. Each is
tried before it is offered.
"""

from collections.abc import Iterator, Sequence

from yardcliff.core.brief.mounting import Mount, Spot
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.rack import Rack
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import LONGEST, Tape, exact_text
from yardcliff.core.units.trade import EASY, up
from yardcliff.core.wall.position import reach
from yardcliff.core.wall.room_check import ZERO, leave, nearest, room
from yardcliff.core.wall.survey import Area, Site, around, free_places, open_places, taken
from yardcliff.messages import tr

LIFT = Fraction(60)
"""Room over a thing to lift it off under the ceiling, mm; a deeper throat wants more."""
NEAR = Fraction(400)
"""A rack that is moved further up or down than this is another rack, mm."""


def lost_wall(rack: Rack, spot: Spot, mount: Mount, tape: Tape) -> Finding:
    """The brief names a wall that nobody knows here: a rack file carries its rack's place, and not
    the wall.
    """
    asked = [
        f"{word} {value}"
        for word, value in (("by", mount.by), ("into", mount.into))
        if value != "auto"
    ]
    fixed = tr("wall.how-was-be-fixed-there", asked=", ".join(asked)) if asked else ""
    return Finding(
        "wall.lost",
        tr("part.rack"),
        tr("wall.lost", x=tape.write(spot.x), fixed=fixed),
        tr("quantity.its-wall"),
        tr("quantity.not-here"),
        tr("quantity.a-surveyed-one"),
        at=(float(rack.row.length) / 2, float(rack.rows[0].y)),
        fixes=(Fix(tr("fix.on-no-wall-for-now"), {"place": {"wall": None}, "mount": None}),),
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
    yield from room(rack, site, spot, own, box, at, tape)


def _past(
    rack: Rack, site: Site, spot: Spot, own: Sequence[Area], box: Area, tape: Tape
) -> Iterator[Finding]:
    over = max(-box.x0, box.x1 - site.wall.width)
    if over <= 0:
        return
    mine = around(own)
    fits = mine.x1 - mine.x0 <= site.wall.width
    inside = open_places(site, own, ())
    fixes = nearest(free_places(site, own, spot.hand) or inside, spot.x, tape) or (leave(),)
    yield Finding(
        "wall.past",
        tr("part.rack"),
        tr("wall.past") if fits else tr("wall.past.it-is-wider-than", name=site.name),
        tr("quantity.past-the-wall"),
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
    obstacles = len(site.wall.obstacles)
    for k, (name, there) in enumerate(taken(site)):
        code = "wall.covers" if k < obstacles else "wall.neighbour"
        met = next((one for one in here if one.meets(there)), None)
        if code in said or not met:
            continue
        said.add(code)
        fixes = (
            *nearest(free_places(site, own, spot.hand), spot.x, tape),
            *_over_or_under(rack, site, here, tape),
        )
        overlap = min(met.x1, there.x1) - max(met.x0, there.x0)
        yield Finding(
            code,
            tr("part.rack"),
            (
                tr("wall.it-hangs-where-is", name=name)
                if code == "wall.covers"
                else tr("wall.it-hangs-where-hangs", name=name)
            ),
            tr("wall.over-it"),
            tape.write(overlap),
            tape.write(ZERO),
            at=(float(max(met.x0, there.x0) + overlap / 2 - spot.x), float(max(met.y0, there.y0))),
            fixes=(*fixes, leave()),
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


def _hand(
    site: Site, spot: Spot, own: Sequence[Area], here: Sequence[Area], tape: Tape
) -> Iterator[Finding]:
    """Whether a hand gets between what hangs and what stands beside it at the same height."""
    if any(one.meets(there) for one in here for _, there in taken(site)):
        return
    ends = [Area(at, ZERO, at + 1, site.wall.height) for at in (Fraction(-1), site.wall.width)]
    edges = [*((tr("wall.the-end-of-the-wall"), end) for end in ends), *taken(site)]
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
    fixes = nearest(open_places(site, own, [e for _, e in taken(site)], spot.hand), spot.x, tape)
    enough = exact_text(least)
    yield Finding(
        "wall.hand",
        tr("part.room-for-a-hand"),
        tr("wall.hand", name=name),
        tr("quantity.beside-it"),
        tape.write(least),
        tape.write(spot.hand),
        at=(
            float((one.x1 if there.x0 >= one.x1 else one.x0) - spot.x),
            float((one.y0 + one.y1) / 2),
        ),
        fixes=(
            *fixes,
            Fix(tr("fix.is-enough", least=tape.write_fine(least)), {"place": {"hand": enough}}),
        ),
    )


def _heights(
    rack: Rack, site: Site, spot: Spot, box: Area, at: tuple[float, float], tape: Tape
) -> Iterator[Finding]:
    wall, hung = site.wall, rack.rows[0].y
    top = max(y for row in rack.rows for _, y in row.places) if rack.up else hung
    most = reach(spot, rack.sizes)
    if top > most:
        down, high = hung - (top - most), up(top, rack.sizes, EASY)
        higher = (
            [
                Fix(
                    tr("fix.reach-up-to", high=tape.write(high)),
                    {"place": {"reach": exact_text(high)}},
                )
            ]
            if high <= LONGEST
            else []
        )
        yield Finding(
            "wall.reach",
            tr("part.rack"),
            tr("wall.reach", who=_who(spot)),
            tr("quantity.hung"),
            tape.write(top),
            tape.write(most),
            at=at,
            fixes=(*_hang(down, tape), *higher) or (leave(),),
        )
    lift = max(LIFT, -rack.glyph.tip) if not rack.up else ZERO
    room = wall.height - box.y1
    if room < lift:
        down = (hung - (lift - room)) // tape.step * tape.step
        yield Finding(
            "wall.ceiling",
            tr("part.rack"),
            (tr("wall.ceiling") if room >= 0 else tr("wall.ceiling.it-reaches-into-the-ceiling")),
            tr("quantity.to-the-ceiling"),
            tape.write(room),
            tape.write(lift),
            at=(at[0], float(box.y1)),
            fixes=_hang(down, tape) or (leave(),),
        )
    laid = [part for part in rack.parts if part.z < wall.skirting_thick and part.y < wall.skirting]
    if laid and wall.skirting_thick:
        clear = hung + wall.skirting - min(part.y for part in laid)
        yield Finding(
            "wall.skirting",
            laid[0].name,
            tr("wall.skirting"),
            tr("quantity.above-the-floor"),
            tape.write(min(part.y for part in laid)),
            tape.write(wall.skirting),
            at=(at[0], float(laid[0].y)),
            fixes=(leave(),) if rack.seats else (*_hang(-(-clear // tape.step) * tape.step, tape),),
        )


def _hang(height: Fraction, tape: Tape) -> tuple[Fix, ...]:
    return (
        (Fix(tr("fix.hang-at", height=tape.write(height)), {"hung": exact_text(height)}),)
        if 0 < height <= LONGEST
        else ()
    )


def _who(spot: Spot) -> str:
    return {
        "adult": tr("wall.a-grown-person"),
        "child": tr("wall.a-child"),
        "seated": tr("wall.somebody-in-a-chair"),
    }[spot.who]
