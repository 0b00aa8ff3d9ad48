"""A stick in the order of its cuts, in words: what is set, what is cut, what goes back
on the rack.
"""

from collections import Counter
from collections.abc import Iterable, Iterator
from itertools import groupby

from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.wood.layout import Laid, Sawn, behind, runs
from yardcliff.core.wood.means import Means
from yardcliff.core.workshop.caution import cautions


def order(sawn: Sawn, means: Means, tape: Tape) -> tuple[str, ...]:
    """What is done with one stick, in turn: planed and ripped first, then equal parts against one
    stop, the longest first.
    """
    return (
        *looked_over(sawn),
        *thinning(sawn, tape, f": {means.thin.says}" if means.thin else ""),
        *ripping(sawn, tape, f": {means.rip.says}" if means.rip else ""),
        *cross_cuts(sawn, means, tape),
    )


def looked_over(sawn: Sawn) -> Iterator[str]:
    """What is done before a blade touches it."""
    if sawn.source.reclaimed or any(flaw.what == "nail hole" for flaw in sawn.source.flaws):
        yield "Go over it with a magnet first: a nail ruins the blade, and may throw it."


def thinning(sawn: Sawn, tape: Tape, how: str = "") -> Iterator[str]:
    """To what a stick is planed, if it is thinner then."""
    if sawn.thinned:
        yield f"Plane it to {tape.write_given(sawn.thinned)} thick{how}."


def ripping(sawn: Sawn, tape: Tape, how: str = "") -> Iterator[str]:
    """Into what strips a stick is ripped, if it is."""
    if sawn.strips:
        yield f"Rip {_strips(sawn, tape)}{how}."


def cross_cuts(sawn: Sawn, means: Means, tape: Tape) -> Iterator[str]:
    """How a stick, or each of its strips, is cut to length."""
    takes = means.cutting.takes
    for lane in _lanes(sawn, takes):
        for run in lane:
            yield _squared(sawn, run, means.cutting.trim, tape)
            for long, same in groupby(run, key=lambda one: one.long):
                names = [laid.piece.name for laid in same]
                if len(names) > 1:
                    yield (
                        f"Stop at {tape.write_given(long)}, {len(names)} times: {', '.join(names)}."
                    )
                else:
                    yield f"Cut at {tape.write_given(long)}: {names[0]}."
        cut = [laid for run in lane for laid in run]
        widest = max(laid.wide for laid in cut)
        narrow = [
            f"{laid.piece.name} {tape.write_given(laid.wide)}" for laid in cut if laid.wide < widest
        ]
        if narrow:
            yield f"Then rip to width: {', '.join(narrow)}."
    for laid in sawn.laid:
        for flaw in behind(sawn, laid):
            yield f"Mark the side with the {flaw.what} as the back of {laid.piece.name}."
    kept = [tape.write(offcut.end - offcut.start) for offcut in sawn.offcuts if offcut.keeps]
    if kept:
        yield f"Back to the rack: {', '.join(kept)}."


def _squared(sawn: Sawn, run: list[Laid], trim: Fraction, tape: Tape) -> str:
    """How the end is made that a run is measured from: the stick's own, or a fresh one beyond a
    flaw.
    """
    start = run[0].start
    before = [flaw for flaw in sawn.source.flaws if flaw.end <= start]
    if start <= trim or not before:
        return f"Square the left end: {tape.write_given(start)} off it."
    flaw = max(before, key=lambda one: one.end)
    return (
        f"Leave out the {flaw.what}: cut square at {tape.write_given(start)} from the stick's own"
        " left end."
    )


def _lanes(sawn: Sawn, kerf: Fraction) -> list[list[list[Laid]]]:
    """The runs of a stick by their lanes."""
    return [list(lane) for _, lane in groupby(runs(sawn, kerf), key=lambda run: run[0].low)]


def _strips(sawn: Sawn, tape: Tape) -> str:
    """`2 strips of 72 mm, planed to 70 mm`, by width."""
    said = []
    for (rough, wide), many in Counter(
        (one.high - one.low, one.wide) for one in sawn.strips
    ).items():
        planed = f", planed to {tape.write_given(wide)}" if rough > wide else ""
        said.append(f"{many} strip{'s' * (many > 1)} of {tape.write_given(rough)}{planed}")
    return " and ".join(said)


def at_the_saw(sawn: Iterable[Sawn]) -> tuple[str, ...]:
    """What to look out for before these sticks are cut: old wood is looked at before it meets a
    saw.
    """
    old = any(stick.source.reclaimed for stick in sawn)
    return (*(cautions("old wood") if old else ()), *cautions("cut", ("mitre saw", "table saw")))
