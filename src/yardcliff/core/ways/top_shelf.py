"""A shelf above a rail: on its top edge or let into its face, on brackets where nothing hangs, with
a lip that nothing slides over.
"""

from collections.abc import Iterator, Sequence
from math import ceil

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.rack import Face, Hold, Joint, Kind, Operation, Part, Place
from yardcliff.core.strength.link import Link
from yardcliff.core.units.trade import either
from yardcliff.core.ways.joinery import (
    BITE,
    BRACKET_BITE,
    LEG,
    REACH,
    beside,
    meet,
    pinned,
    screwed,
)
from yardcliff.core.ways.prisms import prism
from yardcliff.core.ways.shared import Extra
from yardcliff.core.ways.top_shelf_figures import (
    UPSTAND,
    ZERO,
    Above,
    TopShelf,
    figures,
    findings,
    let_in,
    loaded,
    place_brackets,
    underside,
)
from yardcliff.messages import tr

LIP = either("12 mm", "1/2 in")
"""How thick a lip is, mm."""


def fit(shelf: TopShelf, above: Above) -> Extra:
    """The shelf on its rail; nothing where there is none."""
    if shelf.joint == "none":
        return Extra()
    rail, trade = above.rail, above.tape.sizes
    under = underside(shelf, rail, trade)
    face = rail.z + rail.depth
    deep = let_in(shelf, rail)
    back = face - deep if deep else rail.z
    long = rail.length + 2 * shelf.past
    board = Part(
        "shelf",
        tr("part.shelf"),
        rail.x - shelf.past,
        under,
        back,
        long,
        shelf.thickness,
        face + shelf.depth - back,
        rail.wood,
        bears_g=shelf.load,
    )
    parts, joints = (
        [board],
        [Joint(board.key, rail.key, Hold.GROOVE if deep else Hold.SCREWS, let_in=deep)],
    )
    for k, (x, wide) in enumerate(place_brackets(shelf, above)):
        reach = shelf.depth * REACH
        leg = min(reach * LEG, under - rail.y)
        corners = ((face, under), (face, under - leg), (face + reach, under))
        one = prism(
            f"bracket-{k + 1}",
            tr("part.bracket", number=k + 1),
            x,
            wide,
            tuple((float(z), float(y)) for z, y in corners),
            rail.wood,
        )
        parts.append(one)
        joints += [Joint(one.key, other, Hold.SCREWS) for other in (rail.key, board.key)]
    if shelf.lip:
        lip = Part(
            "lip",
            tr("part.lip"),
            board.x,
            under,
            face + shelf.depth,
            long,
            shelf.thickness + shelf.lip,
            LIP.of(trade),
            rail.wood,
        )
        parts.append(lip)
        joints.append(pinned(trade, lip, board))
    return Extra(
        tuple(parts),
        tuple(joints),
        tuple(_machining(shelf, above, parts)),
        tuple(figures(shelf, above, parts)),
        tuple(findings(shelf, above)),
        (tr("ways.what-stands-on-shelf-overhead-falls"),),
        (
            Link(
                "board",
                tr("link.shelf-between-its-brackets"),
                loaded(shelf, above).share,
                "shelf.bends",
            ),
        ),
    )


def _machining(shelf: TopShelf, above: Above, parts: Sequence[Part]) -> Iterator[Operation]:
    rail, board, trade = above.rail, parts[0], above.tape.sizes
    brackets = [part for part in parts if part.profile]
    screws = max(2, ceil(rail.length / 250) + 1)
    deep = let_in(shelf, rail)
    if deep:
        yield Operation(
            Kind.DADO,
            (rail.key,),
            tr("tool.wide-routed-or-sawn"),
            shelf.thickness,
            deep,
            0,
            rail.depth - deep,
            tr("stop.the-fence"),
            tr(
                "ways.all-along-its-upper-side-below",
                upstand=above.tape.write_fine(UPSTAND.of(trade)),
            ),
            cut=(ZERO, rail.length, ZERO, shelf.thickness),
            places=(Place(rail.key, Face.FRONT, ZERO, board.y - rail.y, joins=board.key),),
        )
    else:
        bite, top = min(BITE.of(trade), rail.height / 2), rail.y + rail.height - above.axis
        yield from screwed(
            trade,
            [
                meet(
                    trade,
                    board,
                    rail,
                    screws,
                    shut=beside(above.fitted, above.row, top - bite, top),
                )
            ],
            bite,
            ("ways.in-middle-rails-thickness-countersink-them", "ways.into-edge-pilot-or-splits"),
        )
    if brackets:
        yield Operation(
            Kind.BRACKET,
            tuple(part.key for part in brackets),
            tr("tool.square-corner"),
            shelf.bracket,
            None,
            45,
            None,
            tr("stop.a-stop-block"),
            tr("ways.all-from-one-strip-grain-along"),
            how=tr("ways.two-legs-square-to-one-another"),
            places=tuple(Place(part.key, Face.LEFT, ZERO, ZERO) for part in brackets),
            cut=(ZERO, brackets[0].height, ZERO, brackets[0].depth),
            spot=tr("spot.corner"),
        )
        yield from screwed(
            trade,
            [meet(trade, rail, part, 1) for part in brackets],
            BRACKET_BITE.of(trade),
            ("ways.one-behind-each-brackets-leg", "ways.into-the-leg-half-way-down"),
        )
        yield from screwed(
            trade,
            [meet(trade, board, part, 1) for part in brackets],
            BRACKET_BITE.of(trade),
            ("ways.one-above-each-bracket-half-way", "ways.into-the-bracket-under-the-shelf"),
        )


def choices(shelf: TopShelf) -> Section:
    """What a shelf above is asked."""
    joint = Field(
        "top.joint",
        tr("ways.shelf"),
        (
            Option("none", tr("ways.none"), tr("ways.the-plain-rail")),
            Option(
                "on top",
                tr("ways.on-the-top-edge"),
                tr("ways.screwed-down-quickest-hides-rails-edge"),
            ),
            Option(
                "let in",
                tr("ways.let-into-the-face"),
                tr("ways.in-groove-with-rail-standing-above"),
            ),
        ),
    )
    if shelf.joint == "none":
        return Section(tr("section.shelf-above"), (joint,))
    fields = (
        Field("top.depth", tr("ways.stands-out")),
        Field("top.thickness", tr("ways.thick-label")),
        Field("top.past", tr("ways.past-ends")),
        Field("top.bracket", tr("ways.brackets")),
        Field("top.lip", tr("ways.lip")),
        Field("top.load", tr("ways.load")),
    )
    return Section(
        tr("section.shelf-above"),
        (joint, *fields),
        ("overall", "top.wide", "tall", "top.room", "top.brackets", "shelf.bends"),
    )
