"""Figures of how a row came out: its span and air, how uneven it is, what stepping off costs."""

from dataclasses import replace

from yardcliff.core.findings.working import Figure, Input, Value, figure
from yardcliff.core.row.marking import drift
from yardcliff.core.row.row import Row
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.messages import tr


def span(row: Row) -> Figure:
    """The things between the outermost axes, their air, and what the fixtures ask beyond that."""
    bare = sum((thing.reach.across for thing in row.things), Fraction(0)) - sum(
        row.rule.reach_out()
    )
    air = (row.count - 1) * row.t
    return figure(
        "row.span",
        row.rule.span(row.t),
        "u + (m − 1) · c + e",
        (
            Input("u", tr("input.widths-between-them"), bare),
            Input("m", tr("input.things"), str(row.count)),
            Input("c", tr("input.air"), row.t),
            Input("e", tr("input.more-where-fixtures-need-it"), row.rule.span(row.t) - bare - air),
        ),
    )


def air(row: Row) -> Figure:
    """The least clear gap between things, or how far they overlap."""
    k = min(range(row.count - 1), key=lambda k: row.clear[k], default=0)
    one, other = row.things[k], row.things[min(k + 1, row.count - 1)]
    apart = row.centres[k + 1] - row.centres[k] if row.count > 1 else row.t
    inputs = (
        Input(
            "p",
            tr("input.tightest-distance")
            if row.uneven or not row.rule.alike
            else tr("input.pitch"),
            apart,
        ),
        Input("r", tr("input.reach-of-one", onward=row.run.onward), one.reach.right),
        Input("l", tr("input.reach-of-the-next", back=row.run.back), other.reach.left),
    )
    if row.air >= 0:
        return figure("row.air", row.air, "p − (r + l)", inputs)
    return replace(figure("row.overlap", -row.air, "r + l − p", inputs), key="row.air")


def unevenness(row: Row) -> Figure:
    """How far the widest space is from the narrowest, where they differ."""
    return figure(
        "row.uneven",
        row.unevenness,
        "max |gap − p|",
        (
            Input("p", tr("input.even-air") if row.airy else tr("input.even-pitch"), row.t),
            Input("k", tr("input.pins"), str(len(row.pins))),
            Input("m", tr("input.moved-clear-of-a-keep-out"), str(len(row.given.nudges))),
        ),
        fine=True,
    )


def drift_figure(row: Row, tape: Tape) -> Figure:
    """How far off the last mark would be, stepped off with a rounded pitch."""
    return figure(
        "row.drift",
        drift(row, tape, row.holders - 1),
        "(a′ − a) + (n − 1) · (p′ − p)",
        (
            Input("a", row.run.start, row.left),
            Input("a′", tr("input.on-the-tape"), tape.round(row.left)),
            Input("p", tr("input.pitch"), row.pitch),
            Input("p′", tr("input.on-the-tape"), tape.round(row.pitch)),
            Input("n", tr("input.holders"), str(row.holders)),
        ),
        fine=True,
    )


def dividers(row: Row, tape: Tape) -> Figure:
    """What dividers are set to."""
    value: Value = tape.write_fine(row.pitch) if row.holders > 1 else Fraction(0)
    return figure(
        "row.dividers",
        value,
        tr("row.dividers.formula"),
        (
            Input("a", tr("input.first-mark"), tape.write_fine(row.left)),
            Input("p", tr("input.pitch"), tape.write_fine(row.pitch)),
        ),
        fine=True,
    )
