"""What the way that a rack is fixed asks of its boards at the bench, and what it takes."""

from collections.abc import Iterator, Sequence

from yardcliff.core.exact import Fraction
from yardcliff.core.length import Tape, exact_text
from yardcliff.core.materials import Blank, Take, Ware, screws
from yardcliff.core.rack import Operation
from yardcliff.core.site.fixing import Fixed
from yardcliff.core.site.strips import BATTEN, CLEAR, CLEAT, GAUGE

SLOT, SLOT_DEEP = Fraction(10), Fraction(8)
"""A keyhole plate's bed: the bit that its slot is cut with, and how deep it is let in, mm."""
PLUG = Fraction(10)
"""A wooden plug over a screw's head, mm."""
ZERO = Fraction(0)


def hole(count: int, part: str, width: Fraction, note: str, takes: tuple[Take, ...]) -> Operation:
    return Operation("Mounting hole", count, part, "front", "bit", width, None, 0, None, "through", note, takes=takes)


def machining(fixed: Sequence[Fixed], under_plates: str, tape: Tape) -> Iterator[Operation]:
    """What the way it is fixed asks of its boards; `under_plates` is what is said of holes that plates hide."""
    for one in fixed:
        part, count, by = one.body.grounds[0], len(one.screws), one.by
        if not count:
            continue
        width, takes = one.anchor.clear, _takes(one)
        if by in ("through", "plates", "items", "plugged"):
            note = {
                "plates": under_plates,
                "plugged": f"First {exact_text(PLUG)} wide and {exact_text(SLOT_DEEP)} deep for a plug, then through; plugs go in last, grain with the board's.",
            }.get(by, "Where the hole list says; countersink until the head lies flush.")
            yield hole(count, part.name, width, note, takes)
        elif by == "keyholes":
            yield Operation(
                "Keyhole bed",
                count,
                part.name,
                "back",
                "bit",
                SLOT,
                SLOT_DEEP,
                0,
                max(part.depth - SLOT_DEEP, ZERO),
                "depth collar",
                "Let the plate in flush, its slot upward: as far apart as the screws in the wall.",
                takes=takes,
            )
        elif by in ("hangers", "mirrors"):
            what = "Hanger" if by == "hangers" else "Mirror plate"
            yield Operation(
                f"{what} screw",
                2 * count,
                part.name,
                "back",
                "bit",
                Fraction(2),
                min(Fraction(12), part.depth - 3),
                0,
                max(part.depth - 12, Fraction(3)),
                "depth collar",
                "Two screws a piece, shorter than the board is thick.",
                takes=takes,
            )
        elif by == "cleat" and one.strip:
            long = one.strip[1] - one.strip[0]
            yield Operation(
                "Cleat bevel",
                1,
                "Cleat strip",
                "edge",
                "saw",
                long,
                None,
                45,
                None,
                "fence",
                f"One strip {exact_text(long)} × {exact_text(2 * CLEAT[1])} × {exact_text(CLEAT[0])}, ripped lengthwise at 45°: "
                "one half on the wall, its point up and out, the other on the rack.",
                "ripped in two",
                takes,
            )
        elif by == "batten" and one.strip:
            long = one.strip[1] - one.strip[0]
            yield Operation(
                "Batten",
                1,
                "Batten",
                "end",
                "saw",
                long,
                None,
                0,
                None,
                "square",
                f"{exact_text(long)} × {exact_text(BATTEN[1])} × {exact_text(BATTEN[0])}, onto the wall first; the rack is screwed to it.",
                "cut to length",
                takes,
            )
        yield from _onto_strip(one, tape)


def _onto_strip(one: Fixed, tape: Tape) -> Iterator[Operation]:
    """The screws from the rack to its strip, and the spacer at its foot."""
    held, part = one.joined, one.body.grounds[0]
    if held:
        at = ", ".join(dict.fromkeys(tape.write(x - part.x) for x, _ in held.at))
        up = ", ".join(dict.fromkeys(tape.write(y - part.y) for _, y in held.at))
        through = (part.name, "front") if one.by == "batten" else ("Cleat strip", "back")
        way = (
            "countersink, and clear of the wall's screws"
            if one.by == "batten"
            else "through the rack's half into its back"
        )
        yield Operation(
            "Screw hole",
            held.count,
            *through,
            "bit",
            CLEAR,
            None,
            0,
            None,
            "through",
            f"{at} from the left end, {up} above the lower edge; {way}.",
            takes=(screws(GAUGE, held.length, held.count),),
        )
    if one.spacer:
        thick = (BATTEN if one.by == "batten" else CLEAT)[0]
        wide = min(CLEAT[1], Fraction(int(one.spacer)))
        yield Operation(
            "Spacer",
            1,
            part.name,
            "back",
            "saw",
            part.length,
            None,
            0,
            None,
            "square",
            f"A strip {exact_text(thick)} thick, glued and pinned to the back along its lower edge: the rack stands plumb, and turns about its own foot.",
            "cut to length",
            (Blank("Spacer", "board", "softwood", wide, thick, part.length),),
        )


def _takes(one: Fixed) -> tuple[Take, ...]:
    """What hangs a body on the wall: its fixings, what they hold it by, and a strip that goes up first."""
    count, long, kind = len(one.screws), exact_text(one.length), one.anchor.key
    takes: list[Take] = []
    match kind:
        case "screws" | "sheet":
            takes.append(screws("5.0", one.length, count))
        case "lags":
            takes.append(Ware("lag", f"8 mm × {long} lag screw", count))
        case _:
            takes.append(Ware("fixing", f"{one.anchor.ware}, {long}", count))
    strip = one.strip[1] - one.strip[0] if one.strip else ZERO
    match one.by:
        case "keyholes" | "hangers" | "mirrors":
            plate = {"keyholes": "keyhole plate", "hangers": "surface hanger", "mirrors": "mirror plate"}[one.by]
            takes += [Ware("hanger", plate, count), screws("3.0", Fraction(12), 2 * count)]
        case "cleat":
            takes.append(Blank("Cleat strip", "board", "softwood", 2 * CLEAT[1], CLEAT[0], strip))
        case "batten":
            takes.append(Blank("Batten", "board", "softwood", BATTEN[1], BATTEN[0], strip))
        case "plugged":
            takes.append(Ware("pin", f"wooden plug, {exact_text(PLUG)}", count))
    return tuple(takes)
