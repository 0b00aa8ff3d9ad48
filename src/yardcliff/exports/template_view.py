"""A part of the board as a template shows it: what is in it, and where."""

from dataclasses import dataclass
from functools import cached_property

from yardcliff.core.rack import Face, Part
from yardcliff.messages import tr


@dataclass(frozen=True)
class View:
    """A face of a part as one looks at it: along it to the right and across it upward, or turned
    over so that its datum end is at the right, or its near edge above.
    """

    part: Part
    face: Face

    @cached_property
    def mirrored(self) -> bool:
        """Whether along and across are left-handed as seen from outside."""
        along, across = ([0, 0, 0], [0, 0, 0])
        frame = self.part.frame(self.face)
        along[frame.along] = -1 if frame.along_back else 1
        across[frame.across] = -1 if frame.across_back else 1
        normal = (
            along[1] * across[2] - along[2] * across[1],
            along[2] * across[0] - along[0] * across[2],
            along[0] * across[1] - along[1] * across[0],
        )
        return (normal[self.face.axis] > 0) != (self.face in (Face.RIGHT, Face.TOP, Face.FRONT))

    @cached_property
    def turned(self) -> bool:
        """Whether the datum end is at the right: a board that lies along the wall, seen from
        behind.
        """
        return self.mirrored and not self.part.stands

    @cached_property
    def long(self) -> float:
        part = self.part
        return float(
            part.along if self.face is part.face else part.size[part.frame(self.face).along]
        )

    @cached_property
    def wide(self) -> float:
        return float(self.part.across_in_all(self.face))

    def at(self, along: float, across: float) -> tuple[float, float]:
        """Where a place on the face is in the drawing: from its left and lower edge."""
        if self.turned:
            return self.long - along, across
        return along, self.wide - across if self.mirrored else across

    @property
    def upper(self) -> str:
        """What the upper edge of the drawing is."""
        near = self.part.frame(self.face).edge
        upper = near if self.mirrored and not self.turned else near.opposite
        short = {Face.TOP: tr("exports.top"), Face.BACK: tr("exports.wall-edge")}
        name = short.get(upper) if self.part.side(upper) == "edge" else None
        return name or self.part.called(upper).upper()

    @property
    def looking(self) -> str:
        if self.face is Face.TOP and self.part.marked == "top":
            return tr("exports.looking-down-on-top-front-edge")
        name = (
            tr("exports.the-back-from-behind")
            if self.face is Face.BACK
            else tr("exports.the-face")
            if self.face is self.part.face
            else tr("exports.the", called=self.part.called(self.face))
        )
        foot = (
            tr("exports.its-foot-at-the-left") if self.part.stands and self.face.axis != 1 else ""
        )
        return tr("exports.looking-at", name=name, foot=foot)
