"""Designs side by side: how each does in what matters, which is better, and what was decided
differently.
"""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.base.model import leaves
from yardcliff.core.design.in_words import field_name, value_text
from yardcliff.core.design.rack_design import Design
from yardcliff.core.findings.finding import Severity
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.messages import tr

Better = Callable[[list[Fraction]], Fraction]


@dataclass(frozen=True, slots=True)
class Trait:
    """One line of the table: a text for each design, and which of them are the best in it (none
    where alike).
    """

    label: str
    texts: tuple[str, ...]
    best: tuple[int, ...] = ()


def compare(designs: Sequence[Design]) -> tuple[tuple[Trait, ...], tuple[Trait, ...]]:
    """How the designs do, and what was decided differently, both written in the first
    one's tape.
    """
    tape = designs[0].tape
    return tuple(_results(designs, tape)), tuple(_decisions(designs))


def _results(designs: Sequence[Design], tape: Tape) -> Iterator[Trait]:
    rows = [design.rack.row for design in designs]

    def trait(
        label: str, values: list[Fraction], write: Callable[[Fraction], str], better: Better | None
    ) -> Trait:
        best: tuple[int, ...] = ()
        if better and len(set(values)) > 1:
            best = tuple(i for i, value in enumerate(values) if value == better(values))
        return Trait(label, tuple(map(write, values)), best)

    yield trait(
        tr("design.things"), [Fraction(len(design.rack.hung)) for design in designs], str, max
    )
    yield trait(tr("design.board"), [row.length for row in rows], tape.write, min)
    yield trait(
        tr("design.least-air"),
        [row.air for row in rows],
        lambda gap: tape.write(gap) if gap >= 0 else tr("design.overlap-by", by=tape.write(-gap)),
        max,
    )
    yield trait(
        tr("design.board-a-thing"),
        [design.rack.row.length / len(design.rack.hung) for design in designs],
        tape.write,
        min,
    )
    yield trait(tr("design.taken-by-things"), [row.fullness for row in rows], percent, None)
    yield trait(tr("design.mean-pitch"), [row.pitch for row in rows], tape.write, None)
    yield trait(rows[0].run.start, [row.axes[0] for row in rows], tape.write, None)
    yield trait(rows[0].run.end, [row.length - row.axes[-1] for row in rows], tape.write, None)
    yield trait(tr("design.out-of-even"), [row.unevenness for row in rows], tape.write, min)
    to_settle = [
        sum(f.severity is not Severity.NOTE for f in design.findings) for design in designs
    ]
    yield trait(tr("design.to-settle"), [Fraction(count) for count in to_settle], str, min)


def percent(share: Fraction) -> str:
    return f"{round(share * 100)} %"


def _decisions(designs: Sequence[Design]) -> Iterator[Trait]:
    """Every field of the briefs that is not the same in all of them."""
    decided = [dict(leaves(design.brief)) for design in designs]
    for path in dict.fromkeys(path for fields in decided for path in fields):
        values = [fields.get(path) for fields in decided]
        if any(value != values[0] for value in values):
            texts = (
                value_text(path, value, design.brief)
                for value, design in zip(values, designs, strict=True)
            )
            yield Trait(field_name(path, *(one.brief for one in designs)), tuple(texts))
