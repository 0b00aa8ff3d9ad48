"""Figures of how a row came out: its span and air, how uneven it is, what stepping off costs."""

from yardcliff.core.findings.working import Figure, Input, Value
from yardcliff.core.row.marking import drift
from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape


def span(row: Row) -> Figure:
    """The things between the outermost axes, their air, and what the fixtures ask beyond that."""
    bare = sum((thing.reach.across for thing in row.things), Fraction(0)) - sum(
        row.rule.reach_out()
    )
    air = (row.count - 1) * row.t
    return Figure(
        "row.span",
        "First axis to last",
        row.rule.span(row.t),
        "u + (m − 1) · c + e",
        (
            Input("u", "widths between them", bare),
            Input("m", "things", str(row.count)),
            Input("c", "air", row.t),
            Input("e", "more where fixtures need it", row.rule.span(row.t) - bare - air),
        ),
        "Each thing takes its own width, and the same air lies between all of them.",
    )


def air(row: Row) -> Figure:
    """The least clear gap between things."""
    k = min(range(row.count - 1), key=lambda k: row.clear[k], default=0)
    one, other = row.things[k], row.things[min(k + 1, row.count - 1)]
    apart = row.centres[k + 1] - row.centres[k] if row.count > 1 else row.t
    return Figure(
        "row.air",
        "Air",
        row.air,
        "p − (r + l)",
        (
            Input("p", "tightest distance" if row.uneven or not row.rule.alike else "pitch", apart),
            Input("r", f"reach {row.run.onward}, of one", one.reach.right),
            Input("l", f"reach {row.run.back}, of the next", other.reach.left),
        ),
        "The clear gap between neighbours as they hang, where it is least.",
    )


def unevenness(row: Row) -> Figure:
    """How far the widest space is from the narrowest, where they differ."""
    return Figure(
        "row.uneven",
        "Out of even",
        row.unevenness,
        "max |gap − p|",
        (
            Input("p", "even air" if row.airy else "even pitch", row.t),
            Input("k", "pins", str(len(row.pins))),
            Input("m", "moved clear of a keep-out", str(len(row.given.nudges))),
        ),
        "How far pins and keep-outs pull the widest or the tightest space from even.",
        fine=True,
    )


def drift_figure(row: Row, tape: Tape) -> Figure:
    """How far off the last mark would be, stepped off with a rounded pitch."""
    return Figure(
        "row.drift",
        "Stepped off",
        drift(row, tape, row.holders - 1),
        "(a′ − a) + (n − 1) · (p′ − p)",
        (
            Input("a", row.run.start, row.left),
            Input("a′", "on the tape", tape.round(row.left)),
            Input("p", "pitch", row.pitch),
            Input("p′", "on the tape", tape.round(row.pitch)),
            Input("n", "holders", str(row.holders)),
        ),
        "How far off the last mark would be if the rounded pitch were stepped along. Measured from"
        " one end, no mark is.",
        fine=True,
    )


def dividers(row: Row, tape: Tape) -> Figure:
    """What dividers are set to."""
    value: Value = tape.write_fine(row.pitch) if row.holders > 1 else Fraction(0)
    return Figure(
        "row.dividers",
        "Dividers",
        value,
        "first mark, then p",
        (
            Input("a", "first mark", tape.write_fine(row.left)),
            Input("p", "pitch", tape.write_fine(row.pitch)),
        ),
        "For those who walk the row with dividers: set them to the exact pitch and start from the"
        " first mark.",
        fine=True,
    )
