"""A ledge: a small shelf, notched at its back to straddle a post, and pinned through both horns by
a dowel.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from yardcliff.core.base.model import Frozen
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure, Input, figure
from yardcliff.core.holders.fitting import Fitting, Ground, half
from yardcliff.core.materials.goods import Blank
from yardcliff.core.materials.sold import across
from yardcliff.core.rack import Bore, Glyph, Kind, Operation, Outline
from yardcliff.core.shapes.geometry import Path, circle, cross, line
from yardcliff.core.shapes.scene import Stroke
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size, exact_text
from yardcliff.core.units.trade import Trade, either, usual
from yardcliff.messages import tr

HORN = either("25 mm", "1 in")
"""Least wood of a ledge beside its notch, mm: rule of thumb."""
INTO = either("25 mm", "1 in")
"""How far a ledge's dowel goes into its second horn, mm; a horn that is thin keeps a fifth of its
wood behind it.
"""
SHARE = Fraction(2, 5)
"""How far two dowels from both ends go into the post, as a share of it."""
LONGEST_BIT = either("150 mm", "6 in")
"""What an ordinary long bit bores from one end, mm: rule of thumb."""
STANDS = Fraction(3, 4)
"""How much of a thing's depth stands on its ledge at least: rule of thumb."""
SHOWN = 45.0
"""How much of the back edge is drawn on each side of the notch, mm."""
ZERO = Fraction(0)


class Ledge(Frozen):
    """`width` along the wall and `depth` in front of the post follow from the things (None);
    `notch` is how far the horns reach back beside the post, `play` what the notch is wider than it.
    """

    width: Size | None = None
    depth: Size | None = None
    thickness: Size = usual("21 mm", "3/4 in")
    notch: Size = usual("25 mm", "1 in")
    play: Gap = usual("0.5 mm", "1/64 in")
    dowel: Size = usual("10 mm", "3/8 in")


def width(ledge: Ledge, post: Fraction, items: tuple[Item, ...], trade: Trade) -> Fraction:
    """Along the wall, mm: as given, or as wide as the widest thing, and the notch with
    its horns.
    """
    horns = 2 * HORN.of(trade)
    return ledge.width or max(*(item.across for item in items), post + ledge.play + horns)


def dowelled(post: Fraction, wide: Fraction, trade: Trade) -> tuple[int, Fraction]:
    """How many dowels hold a ledge, and how deep each is bored, mm: one through a horn and the post
    into the other horn, or where no bit is so long one from each end, through its horn and into the
    post.
    """
    horn = (wide - post) / 2
    through = horn + post + min(INTO.of(trade), max(horn, ZERO) * 4 / 5)
    return (1, through) if through <= LONGEST_BIT.of(trade) else (2, horn + post * SHARE)


def depth(ledge: Ledge, items: tuple[Item, ...]) -> Fraction:
    """In front of the post, mm: as given, or as deep as the deepest thing."""
    return ledge.depth or max(item.front for item in items)


@dataclass(frozen=True, slots=True)
class LedgeGlyph(Glyph):
    """A ledge, which is a part and drawn as one: its mark, and its dowel on end."""

    called = "ledge"
    solid = False

    def front(self, bores: Sequence[Bore]) -> tuple[Stroke, ...]:
        return (Stroke("mark", cross(0, 0, float(self.height) * 0.3)),)

    def beside(self, bores: Sequence[Bore], outline: Path | None) -> Iterator[Stroke]:
        yield Stroke("holder", circle(float(self.out), 0, float(self.width) / 2))


def fit(ledge: Ledge, ground: Ground, items: tuple[Item, ...]) -> Fitting:
    """Fit ledges to a post: the ground's `height` is how wide it is, its `thickness` how deep."""
    wide, notch = width(ledge, ground.height, items, ground.sizes), ground.height + ledge.play
    many, hole = dowelled(ground.height, wide, ground.sizes)
    return Fitting(
        name=tr("holders.ledges", n=2),
        noun=tr("holders.ledges", n=1),
        reach=half(ledge.thickness),
        glyph=LedgeGlyph(ledge.dowel, ledge.thickness, out=-ledge.notch / 2),
        bores=(Bore("ledge", ZERO, ledge.thickness, ZERO, 0),),
        end_distance=ledge.thickness,
        end_why=tr("holders.so-dowel-does-not-split-posts"),
        hang_drop=-ledge.thickness / 2,
        figures=tuple(_figures(ledge, ground, items)),
        findings=tuple(_findings(ledge, ground, items)),
        machining=(
            Operation(
                Kind.NOTCH,
                (),
                tr("tool.wide-sawn-and-chiselled"),
                notch,
                ledge.notch,
                0,
                None,
                tr("stop.a-knife-line-all-round"),
                tr("holders.all-ledges-clamped-together-saw-cheeks"),
                how=tr("holders.in-from-back-in-middle", notch=ground.text(ledge.notch)),
                offsets=((ZERO, ZERO),),
                cut=(-notch / 2, notch / 2, ZERO, ledge.thickness),
            ),
            Operation(
                Kind.LEDGE_DOWEL,
                (),
                tr("tool.bit"),
                ledge.dowel,
                hole,
                0,
                wide - hole if many == 1 else ground.height * (1 - 2 * SHARE),
                tr("stop.tape-on-the-bit"),
                (
                    tr("holders.with-ledge-on-post-square-through")
                    if many == 1
                    else tr("holders.with-ledge-on-post-square-from")
                ),
                takes=(
                    Blank(
                        tr("piece.ledge-dowel"),
                        "dowel",
                        "hardwood",
                        ledge.dowel,
                        ledge.dowel,
                        hole,
                        many,
                    ),
                ),
                offsets=((ZERO, ZERO),) * many,
            ),
        ),
        cautions=(tr("caution.chiselling-both-hands-behind-edge-work"),),
        outline=Outline(
            tr("holders.the-notch-of-a-ledge"),
            line(
                *((x, 0.0) for x in (-float(notch) / 2 - SHOWN, -float(notch) / 2)),
                *((x, float(ledge.notch)) for x in (-float(notch) / 2, float(notch) / 2)),
                *((x, 0.0) for x in (float(notch) / 2, float(notch) / 2 + SHOWN)),
            ),
            tr("holders.the-middle-of-the-ledge"),
            tr("holders.lay-on-ledge-line-on-its"),
            "from above",
        ),
    )


def _figures(ledge: Ledge, ground: Ground, items: tuple[Item, ...]) -> Iterator[Figure]:
    wide, deep = width(ledge, ground.height, items, ground.sizes), depth(ledge, items)
    w, y = Input("w", tr("input.post"), ground.height), Input("y", tr("input.play"), ledge.play)
    n = Input("n", tr("input.notch"), ledge.notch)
    yield figure(
        "ledge.width",
        wide,
        tr("ledge.width.formula") if ledge.width else "max(m, w + y + 2 · h)",
        (
            Input("m", tr("input.widest-thing"), max(item.across for item in items)),
            w,
            y,
            Input("h", tr("input.a-horn"), HORN.of(ground.sizes)),
        ),
    )
    yield figure(
        "ledge.depth",
        deep,
        tr("ledge.depth.formula") if ledge.depth else "m",
        (Input("m", tr("input.deepest-thing"), max(item.front for item in items)),),
    )
    yield figure(
        "ledge.cut", deep + ledge.notch, "v + n", (Input("v", tr("input.in-front"), deep), n)
    )
    yield figure("ledge.notch", ground.height + ledge.play, "w + y", (w, y), fine=True)
    yield figure(
        "ledge.horn",
        (wide - ground.height - ledge.play) / 2,
        "(l − w − y) / 2",
        (Input("l", tr("input.ledge-long"), wide), w, y),
    )
    many, hole = dowelled(ground.height, wide, ground.sizes)
    beside = Input("l", tr("input.ledge-long"), wide)
    if many == 1:
        into = Input("i", tr("input.into-the-other-horn"), hole - (wide + ground.height) / 2)
        yield figure("ledge.bore", hole, "(l + w) / 2 + i", (beside, w, into))
    else:
        share = Input("s", tr("input.share-of-the-post"), f"{float(SHARE):g}")
        yield Figure(
            "ledge.bore",
            tr("ledge.bore.label.dowels-and-their-holes"),
            hole,
            "(l − w) / 2 + w · s",
            (beside, w, share),
            tr("ledge.bore.why.from-each-end-no-bit-as"),
        )


def _findings(ledge: Ledge, ground: Ground, items: tuple[Item, ...]) -> Iterator[Finding]:
    wide = width(ledge, ground.height, items, ground.sizes)
    horn = (wide - ground.height - ledge.play) / 2
    horn_least, longest = HORN.of(ground.sizes), LONGEST_BIT.of(ground.sizes)
    if horn < horn_least:
        least = ground.up(ground.height + ledge.play + 2 * horn_least)
        yield Finding(
            "ledge.horn",
            tr("part.ledge"),
            tr("ledge.horn"),
            tr("quantity.a-horn"),
            horn,
            horn_least,
            fixes=(_long(least, ground),),
        )
    _, hole = dowelled(ground.height, wide, ground.sizes)
    if hole > longest:
        short = ground.down(2 * (longest - ground.height * SHARE) + ground.height)
        yield Finding(
            "ledge.bore",
            tr("part.ledge"),
            tr("ledge.bore"),
            tr("quantity.hole"),
            hole,
            longest,
            fixes=(_long(short, ground),),
        )
    if ledge.notch > ground.thickness:
        yield Finding(
            "ledge.notch",
            tr("part.ledge"),
            tr("ledge.notch"),
            tr("quantity.notch"),
            ledge.notch,
            ground.thickness,
            fixes=(
                Fix(
                    tr("fix.notches-deep", most=ground.text(ground.thickness)),
                    {"ledge": {"notch": exact_text(ground.thickness)}},
                ),
            ),
        )
    if ledge.dowel * 2 > min(ledge.notch, ledge.thickness):
        room = min(ledge.notch, ledge.thickness) / 2
        thin = max((one for one in across("dowel", ground.sizes) if one <= room), default=room)
        yield Finding(
            "ledge.dowel",
            tr("part.dowel"),
            tr("ledge.dowel"),
            tr("quantity.dowel"),
            ledge.dowel,
            min(ledge.notch, ledge.thickness) / 2,
            fixes=(
                Fix(
                    tr("fix.dowels", thin=ground.text(thin)), {"ledge": {"dowel": exact_text(thin)}}
                ),
            ),
            left=ledge.dowel < min(ledge.notch, ledge.thickness),
        )
    deepest = max(items, key=lambda item: item.front)
    if (deep := depth(ledge, items)) < deepest.front * STANDS:
        more = ground.up(deepest.front)
        yield Finding(
            "ledge.depth",
            deepest.name.capitalize(),
            tr("ledge.depth", plural=deepest.plural),
            tr("quantity.in-front"),
            deep,
            deepest.front * STANDS,
            fixes=(
                Fix(
                    tr("fix.ledges-deep", more=ground.text(more)),
                    {"ledge": {"depth": exact_text(more)}},
                ),
            ),
        )


def _long(long: Fraction, ground: Ground) -> Fix:
    return Fix(
        tr("fix.ledges-long", least=ground.text(long)), {"ledge": {"width": exact_text(long)}}
    )
