"""Where along the wall, and how high: the best places by each aim with what each costs, and what a
dragged rack snaps to.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.brief.mounting import Mount, Spot, Who
from yardcliff.core.findings.finding import Patch
from yardcliff.core.rack import Rack
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text
from yardcliff.core.units.spans import cut
from yardcliff.core.units.trade import Either, Trade, either
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.fixing import Fixer
from yardcliff.core.wall.placing import Aim, best
from yardcliff.core.wall.survey import (
    Area,
    Site,
    area,
    areas,
    around,
    free_places,
    open_places,
    stretch,
    taken,
    wider,
)
from yardcliff.core.wall.wall import Wall, obstacle_name
from yardcliff.messages import tr

REACH: dict[Who, Either[Fraction]] = {
    "adult": either("1950 mm", "77 in"),
    "child": either("1250 mm", "49 in"),
    "seated": either("1200 mm", "48 in"),
}
"""What hands reach with ease above the floor, mm: typical figures of ours; a child of about seven,
somebody in a chair.
"""
AIMS: dict[Aim, tuple[str, str]] = {
    "centre": ("wall.middle-of-the-wall", "wall.as-far-from-one-end-wall"),
    "between": ("wall.middle-of-the-gap", "wall.centred-between-what-stands-its-left"),
    "studs": ("wall.most-studs", "wall.as-many-screws-in-studs-as"),
    "holes": ("wall.fewest-holes", "wall.as-few-screws-as-hold-then"),
}
ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class Aimed:
    """A place by one aim, and how the rack would be held there."""

    aim: Aim
    x: Fraction
    off: Fraction
    """How far right of the gap's middle."""
    fixed: tuple[Fixed, ...]
    here: bool
    beside: Fraction = ZERO
    """How far right of where the aim would have it, mm."""
    blocked: tuple[str, ...] = ()
    """What stands there, by name."""

    @property
    def screws(self) -> int:
        return sum(len(fixing.screws) for fixing in self.fixed)

    @property
    def studs(self) -> int:
        return len(
            {
                screw.stud
                for fixing in self.fixed
                for screw in fixing.screws
                if screw.stud is not None
            }
        )

    @property
    def patch(self) -> Patch:
        return {"place": {"x": exact_text(self.x)}}


@dataclass(frozen=True, slots=True)
class Snap:
    """Where a dragged rack catches: a place of its datum along the wall, or a height that it is
    hung at.
    """

    at: Fraction
    why: str


def reach(spot: Spot, trade: Trade) -> Fraction:
    """How high may be hung for those who use it."""
    return spot.reach or REACH[spot.who].of(trade)


def moved(spot: Spot, x: Fraction) -> Spot:
    """The spot with its datum so far from the wall's left corner."""
    return spot.changed({"x": x})


def middle_of_wall(rack: Rack, site: Site) -> Fraction:
    """The place that has a rack's boards as far from the one end of its wall as from the other."""
    left, right = _ends(rack)
    return (site.wall.width - left - right) / 2


def _ends(rack: Rack) -> tuple[Fraction, Fraction]:
    """From where to where the boards reach, from the datum."""
    return min(part.x for part in rack.parts), max(part.x + part.length for part in rack.parts)


def middle_of_gap(site: Site, own: Sequence[Area], x: Fraction) -> Fraction:
    """The place that centres a rack in the gap it stands in."""
    low, high = stretch(site, own, x)
    box = around(own)
    return (low + high - box.x0 - box.x1) / 2


def aim_at(rack: Rack, site: Site, spot: Spot, mount: Mount, aim: Aim, tape: Tape) -> Fraction:
    """The best place by an aim, to a step of the tape, for a rack that stands in a spot."""
    own = areas(rack)
    box = around(own)
    # Where nothing is free it is over another rack, sooner than over a door.
    x = spot.x
    places = free_places(site, own, spot.hand) or open_places(
        site, own, [area(there) for there in site.wall.obstacles]
    )
    if not places:
        last = max(site.wall.width - box.x1, ZERO)
        places = [(max(min(-box.x0, last), ZERO), last)]
    wanted = x
    if aim != "near":
        wanted = middle_of_wall(rack, site) if aim == "centre" else middle_of_gap(site, own, x)
    question = Fixer(rack, site, spot, tape).question(mount, max(wanted, ZERO), places)
    return Fraction(best(question, aim).x) / (question.step / tape.step)


def longest_row(rack: Rack, site: Site, x: Fraction) -> Fraction:
    """How long the first row may be so that the rack has room where it stands: along the wall, or
    as high as that is.
    """
    own = areas(rack)
    if rack.up:
        return _as_high(own, rack, site)
    low, high = stretch(site, own, x)
    return high - low - _beyond(own, rack)


def widest_row(rack: Rack, site: Site, hand: Fraction) -> Fraction:
    """How long the first row may be in the widest stretch that is free at a rack's heights, with a
    hand's room to both sides.
    """
    own = areas(rack)
    if rack.up:
        return _as_high(own, rack, site)
    edges = [(one.x0, one.x1) for _, one in taken(site) if any(here.beside(one) for here in own)]
    widest = max((high - low for low, high in cut([(ZERO, site.wall.width)], edges)), default=ZERO)
    return widest - 2 * hand - _beyond(own, rack)


def row_within(rack: Rack, width: Fraction) -> Fraction:
    """How long the first row may be so that a rack and what hangs on it is no wider than this; of
    one that runs up, as high as a wall usually is; 0 where it is too wide.
    """
    own = areas(rack)
    if not rack.up:
        return width - _beyond(own, rack)
    box = around(own)
    usual = Site("", Wall.usual(rack.sizes))
    return _as_high(own, rack, usual) if box.x1 - box.x0 <= width else ZERO


def _beyond(own: Sequence[Area], rack: Rack) -> Fraction:
    """How much wider a rack is than its first row's board is long."""
    box = around(own)
    return box.x1 - box.x0 - rack.row.length


def _as_high(own: Sequence[Area], rack: Rack, site: Site) -> Fraction:
    return site.wall.height - around(own).y1 + rack.row.length


def first_place(rack: Rack, site: Site, spot: Spot, mount: Mount, tape: Tape) -> Fraction:
    """Where a rack begins on a wall: in the middle of the widest stretch that is free for it, or of
    the wall.
    """
    places = free_places(site, areas(rack), spot.hand)
    if not places:
        return aim_at(rack, site, spot, mount, "centre", tape)
    low, high = max(places, key=lambda place: place[1] - place[0])
    return aim_at(rack, site, moved(spot, (low + high) / 2), mount, "between", tape)


def aims(rack: Rack, site: Site, spot: Spot, mount: Mount, tape: Tape) -> list[Aimed]:
    """Every aim's best place, with what it means for studs and screws."""
    own = areas(rack)
    gap, middle = middle_of_gap(site, own, spot.x), middle_of_wall(rack, site)
    found = []
    for aim in AIMS:
        at = aim_at(rack, site, spot, mount, aim, tape)
        fixed = Fixer(rack, site, moved(spot, at), tape).fixed(mount)
        found.append(
            Aimed(
                aim,
                at,
                at - gap,
                fixed,
                at == spot.x,
                *(_beside(site, own, spot, at, middle) if aim == "centre" else ()),
            )
        )
    return found


def _beside(
    site: Site, own: Sequence[Area], spot: Spot, at: Fraction, wanted: Fraction
) -> tuple[Fraction, tuple[str, ...]]:
    """How far from the wanted place another one is, and what is there or nearer to it
    than a hand.
    """
    here = [wider(one.moved(wanted), spot.hand) for one in own]
    met = dict.fromkeys(
        name for name, there in taken(site) if any(one.meets(there) for one in here)
    )
    return at - wanted, tuple(met)


def snaps(rack: Rack, own: Sequence[Area], site: Site, spot: Spot) -> tuple[list[Snap], list[Snap]]:
    """What a rack catches at along the wall, and up it; `own` is what it takes up."""
    box = around(own)
    return list(_along(site, rack, own, box, spot.x)), list(_up(site, rack, box, spot))


def _along(site: Site, rack: Rack, own: Sequence[Area], box: Area, x: Fraction) -> Iterator[Snap]:
    yield Snap(middle_of_wall(rack, site), tr("wall.middle-of-the-wall"))
    yield Snap(middle_of_gap(site, own, x), tr("wall.middle-of-the-gap"))
    left, right = _ends(rack)
    for k, stud in enumerate(site.wall.stud_middles, 1):
        yield Snap(stud - (left + right) / 2, tr("wall.middle-on-stud", number=k))
    for neighbour in site.neighbours:
        there = around(neighbour.areas)
        yield Snap(there.x0 - left, tr("wall.in-line-with", name=neighbour.name))
        yield Snap(there.x1 - right, tr("wall.in-line-with", name=neighbour.name))


def _up(site: Site, rack: Rack, box: Area, spot: Spot) -> Iterator[Snap]:
    hung = rack.rows[0].y
    yield Snap(reach(spot, rack.sizes), tr("wall.reach-label"))
    for neighbour in site.neighbours:
        yield Snap(neighbour.hung, tr("wall.as-high-as", name=neighbour.name))
    top = max(part.y + part.height for part in rack.parts) - hung
    for obstacle in site.wall.obstacles:
        if obstacle.kind in ("door", "window", "hatch"):
            yield Snap(
                obstacle.y + obstacle.height - top,
                tr("wall.top-of-the", kind=obstacle_name(obstacle.kind)),
            )
