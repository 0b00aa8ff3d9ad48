"""High rails: two equal heavy rails, the lower one half a pitch over, with big hooks for long
things, hung by one end.

What is wide hangs at two heights, so that wide parts pass above and below one another and only a
wide part and a narrow one have to stand side by side: p / 2 >= (W + n) / 2 + c, for the width W,
the narrow width n and the air c.
"""

from collections.abc import Iterator, Sequence
from dataclasses import replace

from yardcliff.core.base.model import MAX_COUNT
from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.brief.rack_brief import MAIN
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting, shipped
from yardcliff.core.rack import Part, Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.row_brief import Pin
from yardcliff.core.row.rows import OwnRow, Standing, held, margins
from yardcliff.core.row.spacing import solve
from yardcliff.core.things.item import Item, Shape
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import either, up
from yardcliff.core.ways import accessory_box
from yardcliff.core.ways.family import Family, Fitness, Hangs, read_start, row_for
from yardcliff.core.ways.high_rails_figures import ZERO, HighRailsBrief, beside, figures, findings
from yardcliff.core.ways.row_words import FLOOR_CLEAR
from yardcliff.core.ways.shared import Body, assemble, ground
from yardcliff.messages import tr

FOOT_ROOM = either("100 mm", "4 in")
"""Under the lowest thing at first, so that a wheel rolls up to its hook, mm."""
TIDY = either("10 mm", "1/2 in")
"""What spacing and height are rounded to at first."""
MORE = {"as many": 0, "one fewer": -1, "one more": 1}
"""How many more holders the lower rail has than the upper one."""
LONG, HEAVY = Fraction(600), 1500
"""What is worth a high rail: at least so long, mm, and so heavy, g."""
BY_ONE_END: frozenset[Shape] = frozenset({"cycle", "wheel", "sledge"})


def fitting(brief: HighRailsBrief) -> Fitting:
    """The brief's hook on a rail. Beside it, half a pitch away, a thing of the other rail has to
    pass.
    """
    fitted = kit.fit(brief.holder, ground(brief))
    return fitted if brief.high.lower == "none" else replace(fitted, apart=2 * beside(brief))


def build(brief: HighRailsBrief, fitted: Fitting, row: Row) -> Rack:
    """Both rails; on the lower one everything is marked as on the upper, and it hangs half a pitch
    to the right.
    """
    board, high = brief.board, brief.high
    lower = _lower(brief, row)
    shift = row.pitch / 2
    if lower and lower.count > row.count:
        shift = -shift
    bottom = brief.hung - board.height / 2
    rails = [
        Part(
            "rail-1",
            tr("part.rail-1"),
            ZERO,
            bottom,
            ZERO,
            row.length,
            board.height,
            board.thickness,
            board.wood,
        )
    ]
    standing = [Standing(row, ZERO, ZERO)]
    if lower:
        rails.append(
            replace(
                rails[0],
                key="rail-2",
                name=tr("ways.second-rail"),
                x=shift,
                y=bottom - high.drop,
                length=lower.length,
            )
        )
        standing.append(Standing(lower, high.drop, ZERO))
    past = max(rail.x + rail.length for rail in rails)
    over = past - min(rail.x for rail in rails) - row.length
    things = max(
        rail.x + rail.length + one.row.sides[1] for rail, one in zip(rails, standing, strict=True)
    )
    box = accessory_box.fit(
        brief.aside, past, bottom + board.height, board.wood, things, brief.in_hand
    )
    body = Body(
        "high-rails",
        (*rails, *box.parts),
        tuple((rail.key, board.height / 2) for rail in rails),
        box.joints,
        box.machining,
        (*figures(brief, row, lower, over), *box.figures),
        (*findings(brief, lower), *_longer_up(brief, fitted, row, lower), *box.findings),
        cautions=(
            tr("caution.heavy-things-overhead-every-rail-into"),
            tr("caution.lift-with-legs-keep-path-clear"),
            *box.cautions,
        ),
        shifts=(ZERO, shift)[: len(rails)],
        links=box.links,
        row_fixes={1: (Fix(tr("fix.no-lower-rail"), {"high": {"lower": "none"}}),)},
    )
    return assemble(brief, fitted, tuple(standing), ZERO, body)


def _lower(brief: HighRailsBrief, row: Row) -> Row | None:
    """The lower rail's row: marked as the upper one, without its last holder or with one more, on a
    rail that is longer by its pitch.
    """
    own, more = brief.rows.own_of(1), MORE.get(brief.high.lower)
    if more is None or row.count + more < 1:
        return None
    if more == 0 and own.alike:
        return held(row, own)
    axes = (*row.axes, row.axes[-1] + row.pitch)[: row.holders + more]
    length = row.length + max(more, 0) * row.pitch
    order = (
        own.order
        if not own.alike
        else (*brief.row.order, *brief.row.order[-1:])[: min(row.count + more, MAX_COUNT)]
    )
    asked = {
        "follows": "nothing",
        "spacing": "set",
        "pitch": row.pitch,
        "length": length,
        "count": row.count + more,
        "ends": margins(max(axes[0], ZERO), max(length - axes[-1], ZERO)),
        "keepouts": (),
        "order": order,
        # What pins and keep-outs did to the upper rail, the lower one is marked with too.
        "pins": (
            tuple(Pin(index=i, at=ZERO).changed({"at": axis}) for i, axis in enumerate(axes))
            if row.uneven
            else ()
        ),
    }
    things = row.things_of if own.alike else own.things(row.things_of)
    return held(solve(row.brief.changed(asked), things, row.fixture), own)


def _longer_up(
    brief: HighRailsBrief, fitted: Fitting, row: Row, lower: Row | None
) -> Iterator[Finding]:
    """Whether things reach the floor from the lower rail only because longer ones do not hang on
    the upper.
    """
    if lower is None:
        return
    kinds = [[thing.kind for thing in one.things] for one in (row, lower)]
    every = sorted(
        (kind for each in kinds for kind in each), key=lambda kind: -brief.kinds[kind].below
    )
    above, under = every[: row.count], every[row.count :]

    def low(kinds: Sequence[str], down: Fraction) -> Fraction:
        return brief.hung - down - fitted.hang_drop - max(brief.kinds[kind].below for kind in kinds)

    drop, now = brief.high.drop, low(kinds[1], brief.high.drop)
    if now < FLOOR_CLEAR.of(brief.sizes) <= min(low(above, ZERO), low(under, drop)):
        patch = {"row": {"order": above}, "rows": {"own": [{}, {"order": under[:MAX_COUNT]}]}}
        yield Finding(
            "high.order",
            tr("part.lower-rail"),
            tr("high.order"),
            tr("quantity.above-the-floor"),
            now,
            FLOOR_CLEAR.of(brief.sizes),
            fixes=(Fix(tr("fix.longer-things-on-upper-rail"), patch),),
        )


def start(hangs: Hangs, tape: Tape) -> HighRailsBrief:
    """Things shared between both rails, the longer ones on the upper, the lower ones clear of the
    floor.
    """
    shared = row_for(hangs, tape) | {"holder": shipped("big-hook", tape.sizes)}
    count = shared["row"]["count"]
    upper = -(-count // 2)
    lower = "none" if count == 1 else "one fewer" if count % 2 else "as many"
    below = {MAIN: hangs[0][0].item.below} | {
        listed.key: listed.item.below for listed, _ in hangs[1:]
    }
    every = sorted(shared["row"]["order"], key=lambda kind: -below[kind])
    shared["row"] |= {
        "count": upper,
        "order": every[:upper],
        "spacing": "tidy",
        "tidy": TIDY.of(tape.sizes),
    }
    own = {"rows": {"own": [OwnRow(), OwnRow(order=tuple(every[upper:]))]}} if every else {}
    first = read_start(HighRailsBrief, shared | own | {"high": {"lower": lower}})
    ways = [(below[kind], ZERO) for kind in every[:upper] or [MAIN]]
    ways += [(below[kind], first.high.drop) for kind in every[upper:] or [MAIN] if lower != "none"]
    room = fitting(first).hang_drop + FOOT_ROOM.of(tape.sizes)
    hung = up(max(reach + drop + room for reach, drop in ways), tape.sizes, TIDY)
    return first.changed({"hung": max(first.hung, hung)})


def suits(items: tuple[Item, ...]) -> Fitness:
    """Long and heavy things with a loop or a wheel at one end."""
    if any(item.shape not in BY_ONE_END or item.below < LONG for item in items):
        return Fitness(0, tr("ways.neither-so-long-nor-so-heavy"))
    if any(item.weight_g < HEAVY for item in items):
        return Fitness(1, tr("ways.so-light-that-one-rail-does"))
    return Fitness(3, tr("ways.hung-by-one-end-at-two"))


def choices(brief: HighRailsBrief) -> tuple[Section, ...]:
    """What high rails alone are asked."""
    lower = Field(
        "high.lower",
        tr("ways.lower-rail"),
        (
            Option("as many", tr("ways.as-many"), tr("ways.two-equal-rails-with-same-marks")),
            Option("one fewer", tr("ways.one-fewer"), tr("ways.odd-number-odd-one-on-upper")),
            Option("one more", tr("ways.one-more"), tr("ways.odd-number-odd-one-on-lower")),
            Option("none", tr("ways.none"), tr("ways.one-rail-every-neighbour-needs-its")),
        ),
    )
    fields = (
        lower,
        Field("high.drop", tr("ways.lower-by")),
        Field("high.wide", tr("ways.wide-part")),
        Field("high.narrow", tr("ways.else-wide")),
        Field("high.ceiling", tr("ways.ceiling")),
        Field("high.lift", tr("ways.to-lift-off")),
    )
    lower_too = brief.high.lower != "none" and (
        brief.row.count > 1 or brief.high.lower == "as many"
    )
    both = ("high.beside", "high.least") if lower_too else ()
    wall = ("overall",) if lower_too or brief.aside.stands != "none" else ()
    heights = Section(tr("section.two-heights"), fields, (*wall, *both, "high.rule", "high.head"))
    return (*kit.choices(brief.holder, brief.sizes), heights, accessory_box.choices(brief.aside))


FAMILY = Family(
    "high-rails",
    "ways.high-rails",
    "ways.two-heavy-rails-with-big-hooks",
    HighRailsBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="two",
)
