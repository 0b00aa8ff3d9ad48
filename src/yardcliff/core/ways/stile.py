"""The stile pair: two matched uprights with tilted pegs, and long rolled or flat things lie across
both; or one post.

To come off, a thing has to rise over the tips of its pegs: showing · sin t, with the tilt t from
square.
"""

from collections.abc import Iterator
from dataclasses import replace
from math import cos, radians, sin
from typing import ClassVar, Literal

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.brief.rack_brief import Board, RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders import kit
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting, half
from yardcliff.core.materials.sold import across
from yardcliff.core.rack import Rack
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import Standing
from yardcliff.core.shapes.geometry import rounded
from yardcliff.core.strength.force import hardest
from yardcliff.core.strength.stick import breaks
from yardcliff.core.things.item import Item, Shape
from yardcliff.core.things.look import ROLL, laid, lying, resting
from yardcliff.core.things.thing import Reach, Run, Thing
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, Tape, exact_text
from yardcliff.core.units.trade import EASY, Trade, either, up, usual
from yardcliff.core.ways import uprights
from yardcliff.core.ways.family import Family, Fitness, Hangs, held_by, read_start, row_for
from yardcliff.core.ways.shared import Body, assemble, first_row, ground
from yardcliff.messages import tr

SHOWING = Fraction(2, 3)
"""A peg reaches under at least this share of how deep a thing is: rule of thumb."""
STIFF: frozenset[Shape] = frozenset(
    {"mat", "poles", "pole", "board", "sledge", "umbrella", "spade", "rake", "broom"}
)
"""What keeps its shape when it lies on two pegs."""
FOOT, HEAD, GAP = either("60 mm", "2 1/2 in"), either("100 mm", "4 in"), either("20 mm", "3/4 in")
"""From the foot to the first peg, from the last to the top, and between pegs, at first."""
THIN, SHORT, ROUND = either("16 mm", "5/8 in"), either("80 mm", "3 in"), either("10 mm", "1/2 in")
"""A peg at first is no thinner and no shorter, and its length is rounded to such steps."""
DEEPEST = Fraction(250)
DEEP = either("25 mm", "1 in")
"""How deep a peg goes into a stile at least, mm."""
ZERO = Fraction(0)


class StileBrief(RackBrief):
    """`board` gives a stile: its width, thickness and wood; `between` two of them, None: by the
    shortest thing.

    On a pair things lie across; on a `post` they hang, one above the other.
    """

    run: ClassVar[Run] = Run.UP

    family: Literal["stile-pair"] = "stile-pair"
    stands: Literal["pair", "post"] = "pair"
    holder: kit.Holder = pegs.Peg()
    between: Size | None = None
    board: Board = usual(
        Board(height=Fraction(60), thickness=Fraction(35)),
        {"height": "2 1/2 in", "thickness": "1 1/2 in"},
    )

    def thing(self, item: Item) -> Thing:
        """How far a thing reaches below and above its holder."""
        drop = fitting(self).hang_drop
        if self.stands == "post":
            return Thing(Reach(item.below + drop, max(item.above - drop, ZERO)))
        return Thing(Reach(max(drop, ZERO), max(resting(item, _tilt(self))[1] - drop, ZERO)))


def fitting(brief: StileBrief) -> Fitting:
    """The brief's holder on a stile; of a pair, each carries half, and things lie on the pegs."""
    pair = brief.stands == "pair"
    stile = ground(brief)
    fitted = kit.fit(brief.holder, replace(stile, pulled=stile.pulled.shared(2)) if pair else stile)
    on_top = pair and isinstance(brief.holder, pegs.Peg)
    return replace(
        fitted,
        name=tr("ways.pairs-of", name=fitted.name) if pair else fitted.name,
        reach=half(fitted.glyph.height),
        hang_drop=-fitted.glyph.height / 2 if on_top else fitted.hang_drop,
    )


def _tilt(brief: StileBrief) -> float:
    return brief.holder.tilt if isinstance(brief.holder, pegs.Peg) else 0


def build(brief: StileBrief, fitted: Fitting, row: Row) -> Rack:
    """Two stiles with a peg each for every thing, or one post."""
    board, pair = brief.board, brief.stands == "pair"
    items = tuple(brief.kinds.values())
    between = uprights.gap(brief.between, items, board.height) if pair else ZERO
    keys = ("left-stile", "right-stile") if pair else ("post",)
    stood = uprights.stand(
        keys, brief.hung, row, board.height, board.thickness, board.wood, between
    )
    body = Body(
        "stile-pair",
        stood.parts,
        stood.marked,
        figures=(
            (*uprights.figures(brief.between, items, board.height), *_lift_figure(brief))
            if pair
            else ()
        ),
        findings=(
            (
                *uprights.falls(
                    items,
                    between,
                    board.height,
                    Fix(tr("fix.one-post"), {"stands": "post"}),
                    brief.in_hand,
                ),
                *_findings(brief),
            )
            if pair
            else ()
        ),
        cautions=((tr("caution.clamp-both-stiles-face-up-with"),) if pair else ()),
        up_at=(stood.middle,),
        looks=(
            {kind: lying(item, _tilt(brief)) for kind, item in brief.kinds.items()}
            if pair
            else None
        ),
    )
    return assemble(brief, fitted, (Standing(row, ZERO, ZERO),), ZERO, body)


def _rise(peg: pegs.Peg) -> Fraction:
    return rounded(float(peg.showing) * sin(radians(peg.tilt)))


def _lift_figure(brief: StileBrief) -> Iterator[Figure]:
    peg = brief.holder
    if isinstance(peg, pegs.Peg):
        inputs = (
            Input("o", tr("input.showing"), peg.showing),
            Input("t", tr("input.tilt-from-square"), f"{peg.tilt:g}°"),
        )
        yield figure("stile.lift", _rise(peg), "o · sin t", inputs)


def _findings(brief: StileBrief) -> Iterator[Finding]:
    peg = brief.holder
    if not isinstance(peg, pegs.Peg):
        return
    deep = max(brief.kinds.values(), key=lambda item: laid(item)[2])
    under, least = rounded(float(peg.showing) * cos(radians(peg.tilt))), laid(deep)[2] * SHOWING
    if under < least:
        longer = up(least / rounded(cos(radians(peg.tilt))), brief.sizes, EASY)
        yield Finding(
            "stile.showing",
            deep.name.capitalize(),
            tr("stile.showing", plural=deep.plural),
            tr("quantity.pegs-reach"),
            under,
            least,
            fixes=(
                Fix(
                    tr("fix.showing", short=brief.in_hand.write_fine(longer)),
                    {"holder": {"showing": exact_text(longer)}},
                ),
            ),
        )
    air, rise = brief.row.air, _rise(peg)
    if air < rise:
        more = up(rise, brief.sizes)
        yield Finding(
            "stile.lift",
            tr("part.air"),
            tr("stile.lift"),
            tr("quantity.air"),
            air,
            rise,
            fixes=(
                Fix(
                    tr("fix.of-air", more=brief.in_hand.write_fine(more)),
                    {"row": {"air": exact_text(more)}},
                ),
            ),
        )


def start(hangs: Hangs, tape: Tape) -> StileBrief:
    """Pegs that reach under the deepest thing and carry the heaviest; for what does not lie, a
    post.
    """
    shared = row_for(hangs, tape) | held_by(hangs, tape)
    del shared["board"]
    stiff = all(listed.item.shape in STIFF for listed, _ in hangs)
    trade = tape.sizes
    shared["row"] |= {
        "ends": {"rule": "margin", "left": FOOT.of(trade), "right": HEAD.of(trade)},
        "fixture_gap": GAP.of(trade),
        "tidy": EASY.of(trade),
    }
    if shared["row"]["spacing"] == "even":
        shared["row"]["spacing"] = "tidy"
    shared |= {"stands": "pair" if stiff else "post"}
    if stiff:
        shared["holder"] = _pegs_for(hangs, trade)
        rise = up(_rise(shared["holder"]), trade, EASY)
        shared["row"]["air"] = max(shared["row"]["air"], rise)
    first = read_start(StileBrief, shared)
    row = first_row(first, fitting(first))
    drop = row.things[0].reach.left
    return first.changed({"hung": uprights.foot_for(row, max(drop - row.axes[0], ZERO), trade)})


def _pegs_for(hangs: Hangs, trade: Trade) -> pegs.Peg:
    """Dowels as thick as the load on half of them asks for."""
    deepest = max(laid(listed.item)[2] for listed, _ in hangs)
    showing = max(SHORT.of(trade), up(deepest * 9 / 10, trade, ROUND))
    half = hardest(listed.item.pulled() for listed, _ in hangs).shared(2).force
    dowels = [d for d in across("dowel", trade) if d >= THIN.of(trade)]
    thick = next((d for d in dowels if breaks(float(d), float(showing), half) <= 1), dowels[-1])
    deep = max(DEEP.of(trade), thick)
    return pegs.Peg.usual(trade, diameter=thick, showing=showing, depth=deep, tilt=10)


def suits(items: tuple[Item, ...]) -> Fitness:
    """Long stiff things, the better the rounder; what hangs goes on a post."""
    if any(item.shape not in STIFF for item in items):
        return Fitness(1, tr("ways.only-long-stiff-things-lie-across"))
    if any(laid(item)[0] < 400 or laid(item)[2] > DEEPEST for item in items):
        return Fitness(1, tr("ways.too-short-or-too-deep-lie"))
    if all(laid(item)[2] <= laid(item)[1] * ROLL for item in items):
        return Fitness(3, tr("ways.rolls-lie-across-two-pegs-settle"))
    return Fitness(2, tr("ways.long-things-lie-across-two-pegs"))


def choices(brief: StileBrief) -> tuple[Section, ...]:
    """What stiles alone are asked."""
    stands = Field(
        "stands",
        tr("ways.stands-as"),
        (
            Option("pair", tr("ways.a-pair"), tr("ways.long-things-lie-across-both")),
            Option("post", tr("ways.one-post"), tr("ways.things-hang-from-one-above-other")),
        ),
    )
    if brief.stands == "post":
        return (*kit.choices(brief.holder, brief.sizes), Section(tr("section.post"), (stands,)))
    keys = (
        "up.between",
        "overall",
        "up.past",
        *(("stile.lift",) if isinstance(brief.holder, pegs.Peg) else ()),
    )
    return (
        *kit.choices(brief.holder, brief.sizes),
        Section(
            tr("section.stiles"),
            (stands, Field("between", tr("ways.between"), figure="up.between")),
            keys[1:],
        ),
    )


FAMILY = Family(
    "stile-pair",
    "ways.stile-pair",
    "ways.two-uprights-with-pegs-long-things",
    StileBrief,
    start,
    fitting,
    build,
    suits,
    choices,
    rows="one",
)
