"""A rack on its wall, worked out: where it is, how it is fixed, what that bears, and
what is wrong.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import groupby, pairwise
from math import lcm

from yardcliff.core.brief.mounting import Mount, Spot
from yardcliff.core.findings.finding import Finding
from yardcliff.core.findings.working import Figure, figure
from yardcliff.core.rack import Operation, Part, Rack
from yardcliff.core.strength.link import Link
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import Trade, either
from yardcliff.core.wall.bodies import bodies
from yardcliff.core.wall.check import lost_wall, place_findings
from yardcliff.core.wall.fixed import Fixed
from yardcliff.core.wall.fixing import Fixer
from yardcliff.core.wall.fixing_check import fixing_findings, plates_findings
from yardcliff.core.wall.grounds import Screw, lines
from yardcliff.core.wall.mount_work import UNDER_PLATES, holes, mounting
from yardcliff.core.wall.placing import fewest
from yardcliff.core.wall.strips import strip_screw
from yardcliff.core.wall.survey import Area, Site, areas
from yardcliff.core.wall.working import figures
from yardcliff.messages import tr

PLATES_APART = either("600 mm", "24 in")
"""From screw to screw under plates at most, where no studs are known: rule of thumb."""
HIDDEN = "wall.hidden-not-stronger-into-studs-or"
ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class OnWall:
    """What a wall adds to a design; on none that is known it may still say where screws hide.
    `worst` is the body that is nearest to its limit; `areas` are what the rack takes up, from its
    datum; `parts` come between it and the wall: strips and spacers.
    """

    site: Site | None
    spot: Spot
    areas: tuple[Area, ...] = ()
    fixed: tuple[Fixed, ...] = ()
    figures: tuple[Figure, ...] = ()
    findings: tuple[Finding, ...] = ()
    parts: tuple[Part, ...] = ()
    machining: tuple[Operation, ...] = ()
    cautions: tuple[str, ...] = ()

    @property
    def links(self) -> tuple[Link, ...]:
        """What may give way between the rack and its wall."""
        return tuple(link for body in self.fixed for link in body.links)

    @property
    def worst(self) -> Fixed | None:
        return max(self.fixed, key=lambda one: (one.loose, one.share), default=None)


def on_wall(
    rack: Rack, spot: Spot, mount: Mount, site: Site | None, tape: Tape, *, ways: bool = True
) -> OnWall:
    """A rack where its brief puts it; without ways out where only what is wrong is asked for."""
    by_plates = mount.by == "plates"
    if site is None:
        lost = (lost_wall(rack, spot, mount, tape),) if spot.wall else ()
        if not by_plates:
            return OnWall(None, spot, findings=lost)
        under = tuple(_under_plates(rack, tape.sizes))
        hidden = [
            [screw.x for screw in of] for _, of in groupby(under, key=lambda screw: screw.part)
        ]
        return OnWall(
            None,
            spot,
            figures=tuple(_hidden_figures(rack, hidden, tape)),
            findings=(*lost, *plates_findings(rack)),
            machining=tuple(
                holes(
                    rack,
                    under,
                    strip_screw(tape.sizes)["clear"],
                    "countersunk",
                    tr(UNDER_PLATES),
                    (),
                )
            ),
            cautions=(tr(HIDDEN),),
        )
    own = areas(rack)
    fixer = Fixer(rack, site, spot, tape)
    fixed = fixer.fixed(mount)
    findings = (
        *place_findings(rack, own, site, spot, tape),
        *fixing_findings(fixer, spot, mount, fixed, ways=ways),
    )
    hidden = [
        marks
        for fixing in fixed
        for part in fixing.body.grounds
        if (marks := _marks(fixing, part.key))
    ]
    shown = (
        *(_hidden_figures(rack, hidden, tape) if by_plates and hidden else ()),
        *figures(fixed, mount, tape),
    )
    made = mounting(rack, fixed)
    return OnWall(
        site,
        spot,
        own,
        fixed,
        shown,
        findings,
        made.parts,
        made.machining,
        (tr(HIDDEN),) if by_plates else (),
    )


def _marks(fixing: Fixed, part: str) -> list[Fraction]:
    return sorted({screw.x for screw in fixing.screws if screw.part == part})


def _under_plates(rack: Rack, trade: Trade) -> Iterator[Screw]:
    """Where no wall is known: the outermost holders of each board, and as few between as keep
    screws near enough.
    """
    for line in (line for body in bodies(rack) for line in lines(rack, body, "plates")):
        marks = sorted(
            x for x, _ in next(row for row in rack.rows if row.part == line.part.key).places
        )
        unit = lcm(*(mark.denominator for mark in marks))
        for k in fewest([int(mark * unit) for mark in marks], int(PLATES_APART.of(trade) * unit)):
            yield Screw(line.part.key, marks[k], line.ys[0], None)


def _behind(rack: Rack, hidden: Sequence[Sequence[Fraction]]) -> str:
    """The holders that hide screws: `1, 3, 6`, by rows where they differ."""
    rows = list({row.part: [x for x, _ in row.places] for row in reversed(rack.rows)}.values())[
        ::-1
    ]
    marks = [
        ", ".join(str(min(range(len(row)), key=lambda k: abs(row[k] - x)) + 1) for x in chosen)
        for row, chosen in zip(rows, hidden, strict=False)
    ]
    return (
        marks[0]
        if len(set(marks)) == 1
        else "; ".join(tr("wall.row", number=k, mark=mark) for k, mark in enumerate(marks, 1))
    )


def _hidden_figures(
    rack: Rack, hidden: Sequence[Sequence[Fraction]], tape: Tape
) -> Iterator[Figure]:
    gaps = (b - a for chosen in hidden for a, b in pairwise(chosen))
    yield figure("mount.behind", _behind(rack, hidden), tr("mount.behind.formula"), ())
    yield figure(
        "mount.apart",
        max(gaps, default=ZERO),
        tr("mount.apart.formula"),
        (),
        plates_apart=tape.write(PLATES_APART.of(tape.sizes)),
    )
