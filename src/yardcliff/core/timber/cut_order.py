"""A stick in the order of its cuts, in words: what is set, what is cut, what goes back on the rack."""

from collections.abc import Iterable, Iterator
from itertools import groupby

from yardcliff.core.cautions import cautions
from yardcliff.core.exact import Fraction
from yardcliff.core.length import Tape
from yardcliff.core.timber.asked import Cutting
from yardcliff.core.timber.layout import Laid, Sawn, behind, runs
from yardcliff.core.timber.stock import ROUND
from yardcliff.data import values

ALIKE = Fraction(1, 2)
"""Narrower or thinner by more than this, a part is sawn or planed to size, mm."""


def order(sawn: Sawn, cutting: Cutting, tape: Tape) -> tuple[str, ...]:
    """What is done at the saw with one stick, in turn: ripped first, then equal parts against one stop, the longest
    first.
    """
    return tuple(_order(sawn, cutting, tape))


def _order(sawn: Sawn, cutting: Cutting, tape: Tape) -> Iterator[str]:
    source, lanes = sawn.source, _lanes(sawn, cutting.takes)
    section = source.section
    if source.reclaimed or any(flaw.what == "nail hole" for flaw in source.flaws):
        yield "Go over it with a magnet first: a nail ruins the blade, and may throw it."
    if section.form not in ROUND and (len(lanes) > 1 or lanes[0][0][0].high < section.wide - ALIKE):
        yield f"Rip {_strips(lanes, cutting, tape)}: {_ripping(cutting)}."
    for lane in lanes:
        for run in lane:
            yield _squared(sawn, run, cutting, tape)
            for long, same in groupby(run, key=lambda one: one.long):
                names = [one.piece.name for one in same]
                if len(names) > 1:
                    yield f"Stop at {tape.write_given(long)}, {len(names)} times: {', '.join(names)}."
                else:
                    yield f"Cut at {tape.write_given(long)}: {names[0]}."
        cut = [one for run in lane for one in run]
        widest = max(one.wide for one in cut)
        narrow = [f"{one.piece.name} {tape.write_given(one.wide)}" for one in cut if one.wide < widest]
        if narrow:
            yield f"Then rip to width: {', '.join(narrow)}."
    for one in sawn.laid:
        for flaw in behind(sawn, one):
            yield f"Mark the side with the {flaw.what} as the back of {one.piece.name}."
    thick = min(one.piece.blank.thick for one in sawn.laid)
    if thick < section.thick - ALIKE:
        yield f"Plane to {tape.write_given(thick)} thick; nothing shorter than the planer's manual allows goes through it."
    kept = [tape.write(one.end - one.start) for one in sawn.offcuts if one.keeps]
    if kept:
        yield f"Back to the rack: {', '.join(kept)}."


def _squared(sawn: Sawn, run: list[Laid], cutting: Cutting, tape: Tape) -> str:
    """How the end is made that a run is measured from: the stick's own, or a fresh one beyond a flaw."""
    start = run[0].start
    before = [flaw for flaw in sawn.source.flaws if flaw.end <= start]
    if start <= cutting.trim or not before:
        return f"Square the left end: {tape.write_given(start)} off it."
    flaw = max(before, key=lambda one: one.end)
    return f"Leave out the {flaw.what}: cut square at {tape.write_given(start)} from the stick's own left end."


def _ripping(cutting: Cutting) -> str:
    """With what care, or with which other saw, a board is ripped."""
    if values("saws", cutting.saw)["rips"]:
        return "blade guard and riving knife on, the last of it with a push stick"
    return f"not with the {cutting.saw}, but on a table saw or by hand, or have the yard do it"


def _lanes(sawn: Sawn, kerf: Fraction) -> list[list[list[Laid]]]:
    """The runs of a stick by their lanes."""
    return [list(lane) for _, lane in groupby(runs(sawn, kerf), key=lambda run: run[0].low)]


def _strips(lanes: list[list[list[Laid]]], cutting: Cutting, tape: Tape) -> str:
    """`2 strips of 72 mm, planed to 70 mm`, by width."""
    wides = [max(one.wide for run in lane for one in run) for lane in lanes]
    said = []
    for wide in dict.fromkeys(wides):
        many = wides.count(wide)
        planed = f", planed to {tape.write_given(wide)}" if cutting.plane else ""
        said.append(f"{many} strip{'s' * (many > 1)} of {tape.write_given(wide + cutting.plane)}{planed}")
    return " and ".join(said)


def at_the_saw(sawn: Iterable[Sawn]) -> tuple[str, ...]:
    """What to look out for before these sticks are cut: old wood is looked at before it meets a saw."""
    old = any(stick.source.reclaimed for stick in sawn)
    return (*(cautions("old wood") if old else ()), *cautions("cut", ("mitre saw", "table saw")))
