"""What a holder needs of the board it is fitted to: the answer every kind of holder gives."""

from dataclasses import dataclass

from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding
from yardcliff.core.rack import Bore, Glyph, Operation, Wood
from yardcliff.core.things import Reach
from yardcliff.core.working import Figure


@dataclass(frozen=True, slots=True)
class Ground:
    """The board under a holder: its thickness, its width, the axis line above its lower edge, its name."""

    thickness: Fraction
    height: Fraction
    line: Fraction
    wood: Wood
    part: str = "Board"


@dataclass(frozen=True, slots=True)
class Fitting:
    """A holder on its ground; things hang `how` it: on hooks, in holes. `end_distance` is the least from its axis to the board's end."""

    name: str
    reach: Reach
    glyph: Glyph
    bores: tuple[Bore, ...]
    end_distance: Fraction
    end_why: str
    hang_drop: Fraction
    figures: tuple[Figure, ...]
    findings: tuple[Finding, ...]
    machining: tuple[Operation, ...]
    cautions: tuple[str, ...]
    how: str = "on"


def half(width: Fraction) -> Reach:
    """The reach of something symmetric."""
    return Reach(width / 2, width / 2)


def rounded(mm: float) -> Fraction:
    """A figure that passed through a sine, to the nanometre: trigonometry is not exact anyway."""
    return Fraction(round(mm * 1_000_000), 1_000_000)
