"""A board as it sits on the wall, and its six faces as they are read on the bench."""

from dataclasses import dataclass
from enum import StrEnum
from typing import Literal, NamedTuple

from yardcliff.core.materials.goods import Wood
from yardcliff.core.units.exact import Fraction
from yardcliff.messages import tr

Seen = Literal["from the side", "from above"]
ZERO = Fraction(0)
Point = tuple[Fraction, Fraction, Fraction]
"""On the wall: x to the right, y up, z off it, mm."""


class Face(StrEnum):
    """A face by where it looks as the part hangs on the wall."""

    FRONT = "front"
    BACK = "back"
    TOP = "top"
    BOTTOM = "bottom"
    LEFT = "left"
    RIGHT = "right"

    @property
    def opposite(self) -> "Face":
        return _OPPOSITE[self]

    @property
    def axis(self) -> int:
        """Along which of x, y, z it looks."""
        return _AXIS[self]


_OPPOSITE = {
    Face.FRONT: Face.BACK,
    Face.BACK: Face.FRONT,
    Face.TOP: Face.BOTTOM,
    Face.BOTTOM: Face.TOP,
    Face.LEFT: Face.RIGHT,
    Face.RIGHT: Face.LEFT,
}
_AXIS = {Face.LEFT: 0, Face.RIGHT: 0, Face.TOP: 1, Face.BOTTOM: 1, Face.FRONT: 2, Face.BACK: 2}
_MOST = frozenset({Face.RIGHT, Face.TOP, Face.FRONT})
"""Faces at the far end of their axis."""


class Frame(NamedTuple):
    """How places on a face are read: *along* a part from one end and *across* it from an edge.

    Each is an axis of the wall (0, 1, 2 for x, y, z), whether it is read backwards from the part's
    far end, and the face where it begins.
    """

    along: int
    along_back: bool
    across: int
    across_back: bool

    @property
    def starts(self) -> Face:
        """The end that along is measured from."""
        return _ENDS[self.along][self.along_back]

    @property
    def edge(self) -> Face:
        """The edge that across is measured from."""
        return _ENDS[self.across][self.across_back]


_ENDS = {0: (Face.LEFT, Face.RIGHT), 1: (Face.BOTTOM, Face.TOP), 2: (Face.BACK, Face.FRONT)}


@dataclass(frozen=True, slots=True)
class Part:
    """A board as it sits on the wall: its lower left back corner (x, y, z), z off the wall, and its
    size along these.

    The `key` finds it and is never shown; the `name` is shown and never compared. `marked` is the
    face that the row is marked on: the front as it is seen, or the top with the front edge below.
    It runs along the wall, or `up`: then that face is read with the foot at the left, as the board
    lies on the bench. `seams` are where it is pieced together from planks, from its left end; the
    grain of an `upright` one runs up. One that is no box has a `profile` from its end, convex
    corners in order: (z, y) `seen` from the side, (x, z) from above; position and size are then
    those of the box around it, and `sawn` is how wide and thick its blank is; what comes out of
    another part's blank is `of` that one. The marked face of one that leans is turned from the wall
    by `lean` degrees, to the right where positive. What stands on it, beside the things that hang,
    weighs `bears_g`.
    """

    key: str
    name: str
    x: Fraction
    y: Fraction
    z: Fraction
    length: Fraction
    height: Fraction
    depth: Fraction
    wood: Wood
    marked: Literal["front", "top"] = "front"
    seams: tuple[Fraction, ...] = ()
    upright: bool = False
    up: bool = False
    profile: tuple[tuple[Fraction, Fraction], ...] = ()
    seen: Seen = "from the side"
    sawn: tuple[Fraction, Fraction] | None = None
    lean: float = 0
    bears_g: int = 0
    of: str = ""

    @property
    def along(self) -> Fraction:
        """The board's own length."""
        return self.height if self.up else self.length

    @property
    def face_width(self) -> Fraction:
        """Across the marked face."""
        if self.sawn:
            return self.sawn[0]
        if self.up:
            return self.length
        return self.height if self.marked == "front" else self.depth

    @property
    def thickness(self) -> Fraction:
        """Through the marked face."""
        if self.sawn:
            return self.sawn[1]
        return self.depth if self.marked == "front" else self.height

    @property
    def face(self) -> Face:
        """The face that the row is marked on."""
        return Face(self.marked)

    @property
    def stands(self) -> bool:
        """Whether it is read from its foot up, and not from its left end."""
        return self.up or (self.upright and not self.seams)

    @property
    def low(self) -> Point:
        return self.x, self.y, self.z

    @property
    def size(self) -> Point:
        """Of the box around it."""
        return self.length, self.height, self.depth

    def thick(self, face: Face) -> Fraction:
        """How much wood is behind a face, as far as the box around the part says."""
        return self.size[face.axis]

    def frame(self, face: Face) -> Frame:
        """How places on a face are read. A long face from the datum end (the foot of one that
        stands), across from its lower edge, or from the front where it lies flat; an end from its
        lower or left edge, across from its back.
        """
        long = 1 if self.stands else 0
        if face.axis == long:
            return Frame(1 - long, False, 2, False)
        across = next(axis for axis in (0, 1, 2) if axis not in (long, face.axis))
        # One that stands lies on the bench with its foot at the left: its right edge is below.
        return Frame(long, False, across, across == 2 or across == 0)

    def on(self, face: Face, at: Point) -> tuple[Fraction, Fraction]:
        """Where on a face a point of the wall lies: along and across."""
        frame = self.frame(face)
        return self._read(frame.along, frame.along_back, at), self._read(
            frame.across, frame.across_back, at
        )

    def _read(self, axis: int, back: bool, at: Point) -> Fraction:
        low, size = self.low[axis], self.size[axis]
        return low + size - at[axis] if back else at[axis] - low

    def at(self, face: Face, along: Fraction, across: Fraction) -> Point:
        """The point of the wall at a place on a face of the box around it."""
        frame = self.frame(face)
        found = [ZERO, ZERO, ZERO]
        for axis, back, value in (
            (frame.along, frame.along_back, along),
            (frame.across, frame.across_back, across),
        ):
            found[axis] = (
                self.low[axis] + self.size[axis] - value if back else self.low[axis] + value
            )
        axis = face.axis
        found[axis] = self.low[axis] + (self.size[axis] if face in _MOST else ZERO)
        return found[0], found[1], found[2]

    def across_in_all(self, face: Face) -> Fraction:
        """How wide a face is across."""
        shaped = self.profile and face is self.face
        return self.face_width if shaped else self.size[self.frame(face).across]

    def called(self, face: Face) -> str:
        """What a face is called on the bench: `front`, `top edge`, `left end`, `left face`."""
        side = self.side(face)
        return tr(f"face.{face}") if side == "face" else tr(f"face.{face}.{side}")

    def side(self, face: Face) -> Literal["face", "edge", "end"]:
        """What a face is of a board."""
        long = 1 if self.stands else 0
        if face.axis == long:
            return "end"
        others = [axis for axis in (0, 1, 2) if axis not in (long, face.axis)]
        broad = self.size[others[0]] >= self.size[face.axis]
        # The box around a board that leans says nothing of its faces.
        if not broad or (self.lean and face.axis != self.face.axis):
            return "edge"
        return "face"
