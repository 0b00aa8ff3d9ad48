"""A rack on its wall, worked out: where it is, how it is fixed, what that bears, what is wrong, and how it is put up."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import lcm

from yardcliff.core.exact import Fraction
from yardcliff.core.findings import Finding
from yardcliff.core.length import Tape, exact_text
from yardcliff.core.materials import Blank, Take, Ware, screws
from yardcliff.core.rack import Operation, Rack
from yardcliff.core.site.asked import Mount, Spot
from yardcliff.core.site.check import fixing_findings, lost_wall, place_findings, plates_findings
from yardcliff.core.site.fixing import BATTEN, CLEAT, Fixed, Fixer
from yardcliff.core.site.grounds import bodies, lines
from yardcliff.core.site.loads import LASTING, SAFETY
from yardcliff.core.site.placing import fewest
from yardcliff.core.site.survey import Area, Site, areas
from yardcliff.core.strength import GRAVITY, TUG, sag
from yardcliff.core.working import Figure, Input

CLEARANCE = Fraction(1, 2)
"""A screw passes the board through a hole so much wider than itself, mm: it draws the board to the wall."""
PLATES_APART = Fraction(600)
"""From screw to screw under plates at most, mm, where no studs are known: rule of thumb."""
SCREW = Fraction(11, 2)
"""What a 5 mm screw passes, mm."""
SLOT, SLOT_DEEP = Fraction(10), Fraction(8)
"""A keyhole plate's bed: the bit that its slot is cut with, and how deep it is let in, mm."""
PLUG = Fraction(10)
"""A wooden plug over a screw's head, mm."""
LIP = 1.0
"""What softwood may bear in shear along its grain, MPa."""
SPAN_SHARE = 300
"""A board may sag a 300th of what it spans."""
UNDER_PLATES = (
    "At the marks of holders {}, between their plates' own screws; countersink until the head lies below the face."
)
HIDDEN = "Hidden is not stronger: into studs or plugs that are rated for the load, and the rail tried before the hooks go on."
ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class OnWall:
    """What a wall adds to a design; on none that is known it may still say where screws hide. `worst` is the body that is
    nearest to its limit; `areas` are what the rack takes up, from its datum.
    """

    site: Site | None
    spot: Spot
    areas: tuple[Area, ...] = ()
    fixed: tuple[Fixed, ...] = ()
    figures: tuple[Figure, ...] = ()
    findings: tuple[Finding, ...] = ()
    machining: tuple[Operation, ...] = ()
    cautions: tuple[str, ...] = ()

    @property
    def worst(self) -> Fixed | None:
        return max(self.fixed, key=lambda one: (one.loose, one.share), default=None)


def on_wall(rack: Rack, spot: Spot, mount: Mount, site: Site | None, tape: Tape) -> OnWall:
    """A rack where its brief puts it."""
    by_plates = mount.by == "plates"
    if site is None:
        lost = (lost_wall(rack, spot, mount, tape),) if spot.wall else ()
        if not by_plates:
            return OnWall(None, spot, findings=lost)
        hidden = list(_under_plates(rack))
        hole = _hole(sum(map(len, hidden)), "Board", SCREW, UNDER_PLATES.format(_behind(rack, hidden)), ())
        figures = tuple(_hidden_figures(rack, hidden))
        return OnWall(
            None, spot, (), (), figures, (*lost, *plates_findings(rack)), (hole,) if hidden else (), (HIDDEN,)
        )
    own = areas(rack)
    fixed = Fixer(rack, site, spot.x, tape).fixed(mount)
    findings = (
        *place_findings(rack, own, site, spot, tape),
        *fixing_findings(rack, site, spot, mount, fixed, tape),
    )
    hidden = [marks for one in fixed for part in one.body.grounds if (marks := _marks(one, part.key))]
    figures = (
        *(_hidden_figures(rack, hidden) if by_plates and hidden else ()),
        *_figures(fixed, by_packet=mount.carries is not None),
    )
    machining = tuple(_machining(rack, fixed, hidden))
    return OnWall(site, spot, own, fixed, figures, findings, machining, (HIDDEN,) if by_plates else ())


def _marks(one: Fixed, part: str) -> list[Fraction]:
    return sorted({screw.x for screw in one.screws if screw.part == part})


def _under_plates(rack: Rack) -> Iterator[list[Fraction]]:
    """Where no wall is known: the outermost holders of each board, and as few between as keep screws near enough."""
    for line in (line for body in bodies(rack) for line in lines(rack, body, "plates")):
        marks = sorted(x for x, _ in next(row for row in rack.rows if row.part == line.part.key).places)
        unit = lcm(*(mark.denominator for mark in marks))
        yield [marks[k] for k in fewest([int(mark * unit) for mark in marks], int(PLATES_APART * unit))]


def _behind(rack: Rack, hidden: Sequence[Sequence[Fraction]]) -> str:
    """The holders that hide screws: `1, 3, 6`, by rows where they differ."""
    rows = list({row.part: [x for x, _ in row.places] for row in reversed(rack.rows)}.values())[::-1]
    marks = [
        ", ".join(str(min(range(len(row)), key=lambda k: abs(row[k] - x)) + 1) for x in chosen)
        for row, chosen in zip(rows, hidden, strict=False)
    ]
    return marks[0] if len(set(marks)) == 1 else "; ".join(f"row {k}: {one}" for k, one in enumerate(marks, 1))


def _hidden_figures(rack: Rack, hidden: Sequence[Sequence[Fraction]]) -> Iterator[Figure]:
    gaps = (b - a for chosen in hidden for a, b in pairwise(chosen))
    yield Figure("mount.behind", "Screws behind holders", _behind(rack, hidden), "the outermost, and between", (),
                 "The plates go on last, over the screws.")  # fmt: skip
    yield Figure("mount.apart", "Furthest apart", max(gaps, default=ZERO), "given", (),
                 f"More than {exact_text(PLATES_APART)} only where holders or studs stand further apart than that.")  # fmt: skip


def _hole(count: int, part: str, width: Fraction, note: str, takes: tuple[Take, ...]) -> Operation:
    return Operation("Mounting hole", count, part, "front", "bit", width, None, 0, None, "through", note, takes=takes)


def _machining(rack: Rack, fixed: Sequence[Fixed], hidden: Sequence[Sequence[Fraction]]) -> Iterator[Operation]:
    """What the way it is fixed asks of its boards, at the bench."""
    for one in fixed:
        part, count, by = one.body.grounds[0], len(one.screws), one.by
        if not count:
            continue
        width, takes = one.anchor.diameter + CLEARANCE, _takes(one)
        if by in ("through", "plates", "items", "plugged"):
            note = {
                "plates": UNDER_PLATES.format(_behind(rack, hidden)),
                "plugged": f"First {exact_text(PLUG)} wide and {exact_text(SLOT_DEEP)} deep for a plug, then through; plugs go in last, grain with the board's.",
            }.get(by, "Where the hole list says; countersink until the head lies flush.")
            yield _hole(count, part.name, width, note, takes)
        elif by == "keyholes":
            yield Operation("Keyhole bed", count, part.name, "back", "bit", SLOT, SLOT_DEEP, 0, max(part.depth - SLOT_DEEP, ZERO), "depth collar",
                            "Let the plate in flush, its slot upward: as far apart as the screws in the wall.", takes=takes)  # fmt: skip
        elif by in ("hangers", "mirrors"):
            what = "Hanger" if by == "hangers" else "Mirror plate"
            yield Operation(f"{what} screw", 2 * count, part.name, "back", "bit", Fraction(2), min(Fraction(12), part.depth - 3), 0,
                            max(part.depth - 12, Fraction(3)), "depth collar", "Two screws a piece, shorter than the board is thick.", takes=takes)  # fmt: skip
        elif by == "cleat" and one.strip:
            long = one.strip[1] - one.strip[0]
            yield Operation("Cleat bevel", 1, "Cleat strip", "edge", "saw", long, None, 45, None, "fence",
                            f"One strip {exact_text(long)} × {exact_text(2 * CLEAT[1])} × {exact_text(CLEAT[0])}, ripped lengthwise at 45°: "
                            "one half on the wall, its point up and out, the other on the rack.", "ripped in two", takes)  # fmt: skip
            yield Operation("Spacer", 1, part.name, "back", "saw", one.body.grounds[0].length, None, 0, None, "square",
                            f"A strip {exact_text(CLEAT[0])} thick at its lower edge keeps the rack plumb.", "cut to length",
                            (Blank("Spacer", "board", "softwood", CLEAT[1], CLEAT[0], one.body.grounds[0].length),))  # fmt: skip
        elif by == "batten" and one.strip:
            long = one.strip[1] - one.strip[0]
            yield Operation("Batten", 1, "Batten", "end", "saw", long, None, 0, None, "square",
                            f"{exact_text(long)} × {exact_text(BATTEN[1])} × {exact_text(BATTEN[0])}, onto the studs first; the rack is screwed to it wherever it likes.",
                            "cut to length", takes)  # fmt: skip


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


def _figures(fixed: Sequence[Fixed], *, by_packet: bool) -> Iterator[Figure]:
    """The working of the body that is nearest to its limit."""
    if not fixed:
        return
    one = max(fixed, key=lambda each: (each.loose, each.share))
    total = sum(load.weight for each in fixed for load in each.on)
    yield Figure("fix.weight", "Weighs, all told", f"{total / GRAVITY:.1f} kg", "things, wet or full, and wood", (),
                 "All that hangs there, wet or full, and the boards by their wood; spare places are empty.")  # fmt: skip
    if not one.screws:
        return
    worst = max(one.pulls, key=lambda pull: pull.share)
    height = Fraction(max(s.y for s in one.screws)) - one.body.low
    heavy = max((load.weight for load in one.on if load.one), default=0.0)
    body = sum(load.weight for load in one.on)
    turning = sum(load.weight * load.lever for load in one.on) / 1000
    yield Figure(
        "fix.shear", "Down, the worst", f"{worst.shear:.0f} N", "W/n + W · e · (x − m) / Σ(x − m)², with a tug", (
            Input("W", "weight", f"{body:.0f} N"), Input("n", "fixings", str(len(one.screws))),
            Input("Z", "the heaviest thing", f"{heavy:.0f} N"), Input("g", "tug", f"{TUG} times"),
        ), "Shared as by a group of rivets about their middle; somebody pulls the heaviest thing at the worse end.",
    )  # fmt: skip
    yield Figure(
        "fix.pull", "Out of the wall, the worst", f"{worst.pull:.0f} N", "Σ W · a / h, shared by the top fixings, with a tug", (
            Input("Wa", "turning", f"{turning:.1f} Nm"), Input("h", "top fixings above the lower edge", height),
        ), "What stands off the wall turns the rack about its lower edge, and the top fixings hold that.",
    )  # fmt: skip
    yield Figure(
        "fix.share", "Of what it may bear", f"{one.share:.2f}", "T / P + V / Q", (
            Input("T", "out", f"{worst.pull:.1f}"), Input("P", "may be pulled, N", f"{one.may_pull:.1f}"),
            Input("V", "down", f"{worst.shear:.1f}"), Input("Q", "may bear across, N", f"{one.may_shear:.1f}"),
        ), f"{'By the packet.' if by_packet else _rated(one)} A rule of thumb for hand-sized racks: where more than a few hands hang, or people could be hurt, ask a building professional.",
    )  # fmt: skip
    if one.anchor.in_studs:
        yield Figure(
            "fix.length", f"{'Lag screw' if one.anchor.key == 'lags' else 'Screw'} length", one.length, "b + l + e",
            (Input("b", "wood", one.wood), Input("l", "lining", one.length - one.wood - one.hold), Input("e", "in the stud", one.hold)),
            "Through the wood and the lining, and far enough into the stud: the next length that is sold.", fine=True,
        )  # fmt: skip
    else:
        yield Figure(
            "fix.length",
            "Screw length",
            one.length,
            "given",
            (),
            "Through the wood, and as the packet asks.",
            fine=True,
        )
    yield from _between(one)
    if one.strip:
        name = "Cleat" if one.by == "cleat" else "Batten"
        if one.by == "cleat":
            yield _lip(one)
        yield Figure("fix.strip", f"{name} long", one.strip[1] - one.strip[0], "given", (),
                     "To the outermost screws and a thumb's width past them.")  # fmt: skip


def _lip(one: Fixed) -> Figure:
    """Whether the lip of a cleat carries: as a beam's shear along the grain, 3 W / (2 L t)."""
    assert one.strip
    long, thick = one.strip[1] - one.strip[0], CLEAT[0]
    weight = sum(load.weight for load in one.on)
    return Figure(
        "fix.lip", "Cleat's lip bears", f"{1.5 * weight / float(long * thick):.3f} MPa", "3 · W / (2 · L · t)",
        (Input("W", "weight", f"{weight:.0f} N"), Input("L", "cleat", long), Input("t", "thick", thick)),
        f"Softwood bears {LIP:g} MPa along its grain with a wide margin (Wood Handbook, table 5-3, over {SAFETY}).",
    )  # fmt: skip


def _between(one: Fixed) -> Iterator[Figure]:
    """The widest span between fixings, and how far the board sags in it."""
    xs = sorted({s.x for s in one.screws})
    if len(xs) < 2:
        return
    span = max(b - a for a, b in pairwise(xs))
    yield Figure(
        "fix.apart",
        "Screws apart",
        span,
        "given",
        (),
        "The widest, from middle to middle: what keyhole plates and hangers are set to.",
    )
    part = one.body.grounds[0]
    share = sum(load.weight for load in one.on) * float(span / max(part.length, span))
    down = sag(span, part.depth, part.height, share / GRAVITY * 1000, part.wood)
    yield Figure(
        "fix.sag", "Sags between them", f"{down:.2f} mm", "5 · F · L³ / (384 · E · I)",
        (Input("F", "load between", f"{share:.0f} N"), Input("L", "span", span), Input("I", "from", f"{float(part.depth):g} × {float(part.height):g} mm")),
        f"A {SPAN_SHARE}th of the span, {float(span) / SPAN_SHARE:.1f} mm, is as much as one sees.",
    )  # fmt: skip


def _rated(one: Fixed) -> str:
    """Where its ratings come from."""
    if one.anchor.pull is None:
        return f"A {SAFETY}th of what draws such a screw from light softwood, and what it bears sideways over {LASTING} (Wood Handbook)."
    return "Cautious figures of ours: put in what the packet says."
