"""Where the two boards of a ridge stand, and the outline of each."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from math import cos, radians, sin, tan
from typing import Annotated, Literal

from yardcliff.core.base.model import Frozen, angle
from yardcliff.core.brief.rack_brief import Board
from yardcliff.core.materials.sold import thicknesses
from yardcliff.core.rack import Outline, Part
from yardcliff.core.shapes.geometry import line, rounded
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Size, Tape
from yardcliff.core.units.trade import Trade, usual
from yardcliff.core.ways.prisms import Corners, column
from yardcliff.messages import tr

Between = Annotated[float, angle(60, 150, "ways.angle-between-the-boards", "ways.at-their-backs")]


class Ridge(Frozen):
    """`angle` between the boards, at their backs; caps so thick; each half of the `bracket` is so
    long, and so thick where the hollow has room for both.
    """

    angle: Between = 90
    caps: Literal["over", "inside", "none"] = "over"
    cap: Size = usual("9 mm", "1/4 in")
    bracket: Size = usual("60 mm", "2 1/2 in")
    bracket_thick: Size = usual("18 mm", "3/4 in")


@dataclass(frozen=True, slots=True)
class Shape:
    """A ridge of two boards from above, mm: half its angle `t` in radians, how far it stands `off`
    the wall, `half` its width, and how deep the `hollow` behind it is.
    """

    ridge: Ridge
    board: Board
    t: float
    off: float
    half: float
    hollow: float
    tape: Tape

    @property
    def sizes(self) -> Trade:
        return self.tape.sizes

    @classmethod
    def of(cls, ridge: Ridge, board: Board, tape: Tape) -> "Shape":
        """The shape of two such boards."""
        t, wide = radians(ridge.angle / 2), float(board.height)
        off = wide * cos(t)
        hollow = max(off - float(board.thickness) / sin(t), 0)
        return cls(ridge, board, t, off, wide * sin(t), hollow, tape)

    @property
    def degrees(self) -> float:
        """Half the angle between the boards."""
        return self.ridge.angle / 2

    @property
    def inner(self) -> Fraction:
        """What both bevels leave of a board's back, mm."""
        return rounded(self.hollow / cos(self.t))

    @property
    def bracket(self) -> tuple[float, float]:
        """The bracket's width, and its depth, mm: up to half the hollow, and so wide that its front
        edges just touch both boards.
        """
        deep = min(float(self.ridge.bracket_thick), self.hollow / 2)
        return 2 * (self.hollow - deep) * tan(self.t), deep

    @property
    def bracket_sold(self) -> Fraction:
        """The thickest hardwood that both halves of a bracket have room for, mm."""
        sold = thicknesses("hardwood", self.sizes)
        return max((one for one in sold if 2 * one <= self.hollow), default=sold[0])

    @property
    def long(self) -> Fraction:
        """Each half of the bracket, mm: as asked, and at least twice as long as it is deep."""
        return max(self.ridge.bracket, rounded(2 * self.bracket[1]))

    def cap(self, length: Fraction) -> Fraction:
        """How thick the caps of a rail so long are, mm."""
        return min(self.ridge.cap, length / 4)

    def inside(self, length: Fraction) -> Fraction:
        """The hollow's height between the caps, mm."""
        return length - (2 * self.cap(length) if self.ridge.caps == "inside" else 0)

    @property
    def corners(self) -> Corners:
        """A cap's corners, (x, z); none where there is none."""
        caps = self.ridge.caps
        if caps == "none" or (caps == "inside" and not self.hollow):
            return ()
        deep = self.off if caps == "over" else self.hollow
        wide = deep * tan(self.t)
        return (self.half - wide, 0.0), (self.half + wide, 0.0), (self.half, deep)


def ridge_boards(shape: Shape, foot: Fraction, length: Fraction) -> tuple[Part, Part]:
    """Both boards, mitred at the ridge and bevelled where they lie on the wall."""
    board, half, inner = shape.board, shape.half, shape.hollow * tan(shape.t)
    ahead, behind = (half, shape.off), (half, shape.hollow)

    def one(key: str, name: str, side: int) -> Part:
        wall = (half + side * inner, 0.0), (half + side * half, 0.0)
        # Without a hollow the back has no face: it comes to an edge on the wall.
        part = column(
            key, name, foot, length, (ahead, behind, *wall) if inner else (ahead, *wall), board.wood
        )
        sawn = board.height, board.thickness
        return replace(part, upright=True, up=True, sawn=sawn, lean=side * (90 - shape.degrees))

    return one("left-board", tr("part.left-board"), -1), one(
        "right-board", tr("part.right-board"), 1
    )


def ridge_caps(shape: Shape, foot: Fraction, length: Fraction) -> tuple[Part, ...]:
    """What closes the ends: over them, or let in flush between the boards."""
    corners, thick = shape.corners, shape.cap(length)
    if not corners:
        return ()
    low, high = (
        (foot - thick, foot + length)
        if shape.ridge.caps == "over"
        else (foot, foot + length - thick)
    )
    return tuple(
        column(f"cap-{k}", tr("ways.cap", number=k), y, thick, corners, shape.board.wood)
        for k, y in ((1, low), (2, high))
    )


def ridge_outlines(shape: Shape, boards: tuple[Part, Part]) -> Iterator[Outline]:
    """From above, about the ridge: both boards, to set the saw by, and a cap."""

    def about(corners: Corners) -> Corners:
        return tuple((x - shape.half, z) for x, z in corners)

    both = [
        command
        for board in boards
        for command in (
            *line(*about(tuple((float(x), float(z)) for x, z in board.profile))),
            ("Z", ()),
        )
    ]
    yield Outline(
        tr("ways.both-boards"),
        tuple(both),
        tr("ways.the-ridge"),
        tr("ways.set-saw-by-mitres-at-ridge"),
        "from above",
    )
    if shape.corners:
        yield Outline(
            tr("ways.an-end-cap"),
            (*line(*about(shape.corners)), ("Z", ())),
            tr("ways.the-ridge"),
            tr("ways.saw-both-from-one-strip-grain"),
            "from above",
        )
