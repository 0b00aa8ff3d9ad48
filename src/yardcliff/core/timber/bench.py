"""A stick in the order of its cuts, in words: what is set, what is cut, what goes back on the rack."""

from collections.abc import Iterator
from itertools import groupby

from yardcliff.core.exact import Fraction
from yardcliff.core.length import Tape
from yardcliff.core.timber.asked import Cutting
from yardcliff.core.timber.layout import Laid, Sawn
from yardcliff.core.timber.stock import ROUND

ALIKE = Fraction(1, 2)


def order(sawn: Sawn, cutting: Cutting, tape: Tape) -> tuple[str, ...]:
    """What is done at the saw with one stick, in turn: ripped first, then equal parts against one stop, the longest first."""
    return tuple(_order(sawn, cutting, tape))


def _order(sawn: Sawn, cutting: Cutting, tape: Tape) -> Iterator[str]:
    section, lanes = sawn.source.section, _lanes(sawn)
    if sawn.source.note and "nail" in sawn.source.note.lower():
        yield "Go over it with a magnet first: a nail ruins the blade, and may throw it."
    for flaw in sawn.source.flaws:
        yield f"Leave out the {flaw.what} from {tape.write_given(flaw.at)} to {tape.write_given(flaw.at + flaw.width)}."
    if section.form not in ROUND and (len(lanes) > 1 or lanes[0][0].high < section.wide - ALIKE):
        yield f"Rip {_strips(lanes, cutting, tape)}: blade guard and riving knife on, the last of it with a push stick."
    if cutting.trim:
        yield f"Square the left end: {tape.write_given(cutting.trim)} off it."
    for lane in lanes:
        ordered = sorted(lane, key=lambda one: one.start)
        for long, same in groupby(ordered, key=lambda one: one.piece.blank.long):
            names = [one.piece.name for one in same]
            if len(names) > 1:
                yield f"Stop at {tape.write_given(long)}, {len(names)} times: {', '.join(names)}."
            else:
                yield f"Cut at {tape.write_given(long)}: {names[0]}."
        wide = {one.piece.blank.wide for one in lane}
        if len(wide) > 1:
            narrow = [one.piece for one in lane if one.piece.blank.wide < max(wide)]
            yield (
                "Then rip to width: "
                + ", ".join(f"{one.name} {tape.write_given(one.blank.wide)}" for one in narrow)
                + "."
            )
    thick = {one.piece.blank.thick for one in sawn.laid}
    if min(thick) < section.thick - ALIKE:
        yield f"Plane to {tape.write_given(min(thick))} thick; nothing shorter than the planer's manual allows goes through it."
    kept = [one for one in sawn.offcuts if one.keeps or (section.form in ROUND and one.end - one.start >= 150)]
    if kept:
        yield f"Back to the rack: {', '.join(tape.write(one.end - one.start) for one in kept)}."


def _lanes(sawn: Sawn) -> list[list[Laid]]:
    ordered = sorted(sawn.laid, key=lambda one: (one.low, one.start))
    return [list(lane) for _, lane in groupby(ordered, key=lambda one: one.low)]


def _strips(lanes: list[list[Laid]], cutting: Cutting, tape: Tape) -> str:
    """`2 strips of 72 mm, planed to 70 mm`, by width."""
    wides = [max(one.piece.blank.wide for one in lane) for lane in lanes]
    said = []
    for wide in dict.fromkeys(wides):
        many = wides.count(wide)
        planed = f", planed to {tape.write_given(wide)}" if cutting.plane else ""
        said.append(f"{many} strip{'s' * (many > 1)} of {tape.write_given(wide + cutting.plane)}{planed}")
    return " and ".join(said)


CAUTIONS = (
    "Eyes, ears, dust: glasses, muffs, a mask; unplug the saw before you touch its blade.",
    "Short pieces are clamped, never held; small parts are shaped on the stick and cut off last.",
    "What the manual of your saw says comes before what stands here.",
)
