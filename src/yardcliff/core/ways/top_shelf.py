"""A shelf above a rail: on its top edge or let into its face, on brackets where nothing hangs, with
a lip that nothing slides over.
"""

from collections.abc import Iterator, Sequence
from math import ceil

from yardcliff.core.brief.choices import Field, Option, Section
from yardcliff.core.rack import Face, Hold, Joint, Kind, Operation, Part, Place
from yardcliff.core.strength.link import Link
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
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

LIP = Fraction(12)
"""How thick a lip is, mm."""


def fit(shelf: TopShelf, above: Above) -> Extra:
    """The shelf on its rail; nothing where there is none."""
    if shelf.joint == "none":
        return Extra()
    rail, under = above.rail, underside(shelf, above.rail)
    face = rail.z + rail.depth
    deep = let_in(shelf, rail)
    back = face - deep if deep else rail.z
    long = rail.length + 2 * shelf.past
    board = Part(
        "shelf",
        "Shelf",
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
            f"Bracket {k + 1}",
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
            "Lip",
            board.x,
            under,
            face + shelf.depth,
            long,
            shelf.thickness + shelf.lip,
            LIP,
            rail.wood,
        )
        parts.append(lip)
        joints.append(pinned(lip, board))
    return Extra(
        tuple(parts),
        tuple(joints),
        tuple(_machining(shelf, above, parts)),
        tuple(figures(shelf, above, parts)),
        tuple(findings(shelf, above)),
        (
            (
                "What stands on a shelf overhead falls: a lip, and nothing heavy over a door or a"
                " bench."
            ),
        ),
        (Link("board", "shelf between its brackets", loaded(shelf, above).share, "shelf.bends"),),
    )


def _machining(shelf: TopShelf, above: Above, parts: Sequence[Part]) -> Iterator[Operation]:
    rail, board = above.rail, parts[0]
    brackets = [part for part in parts if part.profile]
    screws = max(2, ceil(rail.length / 250) + 1)
    deep = let_in(shelf, rail)
    if deep:
        yield Operation(
            Kind.DADO,
            (rail.key,),
            "wide, routed or sawn",
            shelf.thickness,
            deep,
            0,
            rail.depth - deep,
            "the fence",
            f"All along, its upper side {exact_text(UPSTAND)} below the top edge; try the shelf's"
            " own edge in scrap.",
            cut=(ZERO, rail.length, ZERO, shelf.thickness),
            places=(Place(rail.key, Face.FRONT, ZERO, board.y - rail.y, joins=board.key),),
        )
    else:
        bite, top = min(BITE, rail.height / 2), rail.y + rail.height - above.axis
        yield from screwed(
            [meet(board, rail, screws, shut=beside(above.fitted, above.row, top - bite, top))],
            bite,
            (
                "In the middle of the rail's thickness; countersink them.",
                "Into the edge: pilot it, or it splits.",
            ),
        )
    if brackets:
        yield Operation(
            Kind.BRACKET,
            tuple(part.key for part in brackets),
            "square corner",
            shelf.bracket,
            None,
            45,
            None,
            "a stop block",
            "All from one strip, the grain along the long side.",
            how="two legs, square to one another",
            places=tuple(Place(part.key, Face.LEFT, ZERO, ZERO) for part in brackets),
            cut=(ZERO, brackets[0].height, ZERO, brackets[0].depth),
            spot="corner",
        )
        yield from screwed(
            [meet(rail, part, 1) for part in brackets],
            BRACKET_BITE,
            ("One behind each bracket's leg.", "Into the leg, half-way down."),
        )
        yield from screwed(
            [meet(board, part, 1) for part in brackets],
            BRACKET_BITE,
            ("One above each bracket, half-way out.", "Into the bracket under the shelf."),
        )


def choices(shelf: TopShelf) -> Section:
    """What a shelf above is asked."""
    joint = Field(
        "top.joint",
        "shelf",
        (
            Option("none", "none", "The plain rail."),
            Option(
                "on top",
                "on the top edge",
                "Screwed down: the quickest, and it hides the rail's edge.",
            ),
            Option(
                "let in",
                "let into the face",
                "In a groove, with the rail standing above it: stiffer, and nothing falls behind.",
            ),
        ),
    )
    if shelf.joint == "none":
        return Section("Shelf above", (joint,))
    fields = (
        Field("top.depth", "stands out"),
        Field("top.thickness", "thick"),
        Field("top.past", "past ends"),
        Field("top.bracket", "brackets"),
        Field("top.lip", "lip"),
        Field("top.load", "load g"),
    )
    return Section(
        "Shelf above",
        (joint, *fields),
        ("overall", "top.wide", "tall", "top.room", "top.brackets", "shelf.bends"),
    )
