"""Why a stick on hand is not in a plan."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.wood.layout import ALIKE, CutPlan, Piece
from yardcliff.core.wood.means import Means
from yardcliff.core.wood.plan import on_hand
from yardcliff.core.wood.solving import PLANED, gives
from yardcliff.core.wood.stock import ROUND, Stick, Supply

ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class Unused:
    """A stick that lies there and is left, and why."""

    stick: Stick
    why: str


def unused(plan: CutPlan, wanted: Sequence[Piece], supply: Supply, tape: Tape) -> Iterator[Unused]:
    """Of the sticks that are of a form that is wanted at all, those that the plan leaves, each by
    the first thing against it.
    """
    used = {sawn.source.key for sawn in plan.sawn}
    pieces = list({piece.blank: piece for piece in wanted}.values())
    for key, stick in supply.sticks:
        source = on_hand(key, stick)
        alike = [piece for piece in pieces if _form(piece.blank.form) == _form(stick.form)]
        if alike and source.key not in used:
            if source.key in plan.means.cutting.forbid:
                why = "left alone, as you asked"
            elif any(gives(source, piece, plan.means) for piece in alike):
                why = "it would do too: what the plan takes is cheaper, smaller or less work"
            else:
                why = _against(stick, alike, plan.means, tape)
            yield Unused(stick, why)


def _form(form: str) -> str:
    return form if form in ROUND else "board"


def _against(stick: Stick, pieces: Sequence[Piece], means: Means, tape: Tape) -> str:
    """What rules a stick out for all pieces, of what rules it out for the last of them."""
    write, cutting = tape.write, means.cutting
    left = [piece for piece in pieces if piece.blank.stuff == stick.stuff]
    if not left:
        return f"of {stick.stuff}: {pieces[0].blank.stuff} is wanted"
    if stick.form in ROUND:
        near = [
            piece
            for piece in left
            if piece.blank.thread or abs(piece.blank.wide - stick.wide) <= ALIKE / 5
        ]
        near = [piece for piece in near if piece.blank.thread == (stick.threaded or "")]
        if not near:
            return f"{write(left[0].blank.wide)} is wanted"
        return _too_short(stick, near, means, tape)
    if (
        cutting.species
        and stick.species != cutting.species
        and any(piece.blank.part for piece in left)
    ):
        return f"not of {cutting.species}"
    same = [piece for piece in left if abs(piece.blank.thick - stick.thick) <= ALIKE]
    thinner = [piece for piece in left if 0 < stick.thick - piece.blank.thick <= PLANED]
    if not same and not (thinner and means.thin):
        thicks = " or ".join(dict.fromkeys(write(piece.blank.thick) for piece in left))
        return (
            f"{write(stick.thick)} thick: {thicks} is"
            f" wanted{', and nothing here planes it' if thinner else ''}"
        )
    left = [*same, *(thinner if means.thin else ())]
    wide = [piece for piece in left if piece.blank.wide <= stick.wide + ALIKE]
    if not wide:
        return (
            f"{write(stick.wide)} wide: {write(min(piece.blank.wide for piece in left))} is wanted"
            " at least"
        )
    just = [piece for piece in wide if abs(piece.blank.wide - stick.wide) <= ALIKE]
    if not just and not means.rip:
        return (
            f"{write(stick.wide)} wide: it would have to be"
            f" ripped{'' if cutting.rip == 'never' else ', and no saw here rips'}"
        )
    return _too_short(stick, wide if means.rip else just, means, tape)


def _too_short(stick: Stick, pieces: Sequence[Piece], means: Means, tape: Tape) -> str:
    least = min(piece.blank.long for piece in pieces)
    squared = stick.long - 2 * means.cutting.trim
    if squared < least:
        return (
            f"squared, it gives {tape.write(max(squared, ZERO))}: the shortest part that it suits"
            f" is {tape.write(least)}"
        )
    return "between its flaws, or across it, nothing that is wanted has room"
