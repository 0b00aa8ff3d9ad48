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
from yardcliff.messages import listed, tr


def order(sawn: Sawn, means: Means, tape: Tape) -> tuple[str, ...]:
    """What is done with one stick, in turn: planed and ripped first, then equal parts against one
    stop, the longest first.
    """
    return (
        *looked_over(sawn),
        *thinning(sawn, tape, f": {tr(means.thin.says)}" if means.thin else ""),
        *ripping(sawn, tape, f": {tr(means.rip.says)}" if means.rip else ""),
        *cross_cuts(sawn, means, tape),
    )


def looked_over(sawn: Sawn) -> Iterator[str]:
    """What is done before a blade touches it."""
    if sawn.source.reclaimed or any(flaw.what == "nail hole" for flaw in sawn.source.flaws):
        yield tr("wood.go-over-with-magnet-first-nail")


def thinning(sawn: Sawn, tape: Tape, how: str = "") -> Iterator[str]:
    """To what a stick is planed, if it is thinner then."""
    if sawn.thinned:
        yield tr("wood.plane-it-to-thick", thick=tape.write_given(sawn.thinned), how=how)


def ripping(sawn: Sawn, tape: Tape, how: str = "") -> Iterator[str]:
    """Into what strips a stick is ripped, if it is."""
    if sawn.strips:
        yield tr("wood.rip", strips=_strips(sawn, tape), how=how)


def cross_cuts(sawn: Sawn, means: Means, tape: Tape) -> Iterator[str]:
    """How a stick, or each of its strips, is cut to length."""
    takes = means.takes
    for lane in _lanes(sawn, takes):
        for run in lane:
            yield _squared(sawn, run, means.cutting.trim, tape)
            for long, same in groupby(run, key=lambda one: one.long):
                names = [laid.piece.name for laid in same]
                if len(names) > 1:
                    yield tr(
                        "wood.stop-at-times",
                        at=tape.write_given(long),
                        count=len(names),
                        names=", ".join(names),
                    )
                else:
                    yield tr("wood.cut-at", at=tape.write_given(long), names=names[0])
        cut = [laid for run in lane for laid in run]
        widest = max(laid.wide for laid in cut)
        narrow = [
            f"{laid.piece.name} {tape.write_given(laid.wide)}" for laid in cut if laid.wide < widest
        ]
        if narrow:
            yield tr("wood.then-rip-to-width", narrow=", ".join(narrow))
    for laid in sawn.laid:
        for flaw in behind(sawn, laid):
            yield tr("wood.mark-side-with-as-back", flaw=flaw.what, name=laid.piece.name)
    kept = [tape.write(offcut.end - offcut.start) for offcut in sawn.offcuts if offcut.keeps]
    if kept:
        yield tr("wood.back-to-the-rack", kept=", ".join(kept))


def _squared(sawn: Sawn, run: list[Laid], trim: Fraction, tape: Tape) -> str:
    """How the end is made that a run is measured from: the stick's own, or a fresh one beyond a
    flaw.
    """
    start = run[0].start
    before = [flaw for flaw in sawn.source.flaws if flaw.end <= start]
    if start <= trim or not before:
        return tr("wood.square-the-left-end-off-it", off=tape.write_given(start))
    flaw = max(before, key=lambda one: one.end)
    return tr("wood.leave-out-cut-square-at-from", flaw=flaw.what, at=tape.write_given(start))


def _lanes(sawn: Sawn, kerf: Fraction) -> list[list[list[Laid]]]:
    """The runs of a stick by their lanes."""
    return [list(lane) for _, lane in groupby(runs(sawn, kerf), key=lambda run: run[0].low)]


def _strips(sawn: Sawn, tape: Tape) -> str:
    """`2 strips of 72 mm, planed to 70 mm`, by width."""
    said = []
    for (rough, wide), many in Counter(
        (one.high - one.low, one.wide) for one in sawn.strips
    ).items():
        sizes = {"n": many, "rough": tape.write_given(rough), "wide": tape.write_given(wide)}
        said.append(tr("wood.strips-planed" if rough > wide else "wood.strips", **sizes))
    return listed(said)


def at_the_saw(sawn: Iterable[Sawn]) -> tuple[str, ...]:
    """What to look out for before these sticks are cut: old wood is looked at before it meets a
    saw.
    """
    old = any(stick.source.reclaimed for stick in sawn)
    return (*(cautions("old wood") if old else ()), *cautions("cut", ("mitre saw", "table saw")))
