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
from yardcliff.messages import listed, tr

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
        source = on_hand(key, stick, tape.trade)
        alike = [piece for piece in pieces if _form(piece.blank.form) == _form(stick.form)]
        if alike and source.key not in used:
            if source.key in plan.means.cutting.forbid:
                why = tr("wood.left-alone-as-you-asked")
            elif any(gives(source, piece, plan.means) for piece in alike):
                why = tr("wood.would-do-too-what-plan-takes")
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
        return tr("wood.of-is-wanted", found=stick.stuff, wanted=pieces[0].blank.stuff)
    if stick.form in ROUND:
        near = [
            piece
            for piece in left
            if piece.blank.thread or abs(piece.blank.wide - stick.wide) <= ALIKE / 5
        ]
        near = [piece for piece in near if piece.blank.thread == (stick.threaded or "")]
        if not near:
            return tr("wood.is-wanted", wide=write(left[0].blank.wide))
        return _too_short(stick, near, means, tape)
    if (
        cutting.species
        and stick.species != cutting.species
        and any(piece.blank.part for piece in left)
    ):
        return tr("wood.not-of", species=cutting.species)
    same = [piece for piece in left if abs(piece.blank.thick - stick.thick) <= ALIKE]
    thinner = [piece for piece in left if 0 < stick.thick - piece.blank.thick <= PLANED]
    if not same and not (thinner and means.thin):
        thicks = listed(dict.fromkeys(write(piece.blank.thick) for piece in left), "or")
        return tr(
            "wood.thick-is-wanted",
            thick=write(stick.thick),
            thicks=thicks,
            more=tr("wood.and-nothing-here-planes-it") if thinner else "",
        )
    left = [*same, *(thinner if means.thin else ())]
    wide = [piece for piece in left if piece.blank.wide <= stick.wide + ALIKE]
    if not wide:
        return tr(
            "wood.wide-is-wanted-at-least",
            wide=write(stick.wide),
            left=write(min(piece.blank.wide for piece in left)),
        )
    just = [piece for piece in wide if abs(piece.blank.wide - stick.wide) <= ALIKE]
    if not just and not means.rip:
        return tr(
            "wood.wide-would-have-be-ripped",
            wide=write(stick.wide),
            more="" if cutting.rip == "never" else tr("wood.and-no-saw-here-rips"),
        )
    return _too_short(stick, wide if means.rip else just, means, tape)


def _too_short(stick: Stick, pieces: Sequence[Piece], means: Means, tape: Tape) -> str:
    least = min(piece.blank.long for piece in pieces)
    squared = stick.long - 2 * means.cutting.trim
    if squared < least:
        return tr(
            "wood.squared-gives-shortest-part-suits",
            squared=tape.write(max(squared, ZERO)),
            least=tape.write(least),
        )
    return tr("wood.between-its-flaws-or-across-nothing")
