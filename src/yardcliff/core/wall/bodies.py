"""The bodies of a rack that are screwed to the wall, each by itself."""

from dataclasses import dataclass

from yardcliff.core.rack import Part, Rack
from yardcliff.core.units.exact import Fraction

DEEPEST = Fraction(100)
"""What is deeper off the wall than this no screw goes through, mm: it is held by what joins it."""


@dataclass(frozen=True, slots=True)
class Body:
    """What is joined and so hangs as one: its parts, those that lie on the wall, and the lowest
    edge of these.
    """

    parts: tuple[Part, ...]
    grounds: tuple[Part, ...]

    @property
    def name(self) -> str:
        return self.grounds[0].name if self.grounds else self.parts[0].name

    @property
    def foot(self) -> Part:
        """The lowest of what lies on the wall: there a spacer stands."""
        return min(self.grounds, key=lambda part: part.y)

    @property
    def low(self) -> Fraction:
        return self.foot.y


def bodies(rack: Rack) -> tuple[Body, ...]:
    """The rack's bodies, in the order of their parts. What hooks onto another hangs by that one."""
    group = {part.key: part.key for part in rack.parts}
    for joint in rack.joints:
        old, new = group[joint.other], group[joint.part]
        group = {key: new if one == old else one for key, one in group.items()}
    hooked = {joint.part for joint in rack.joints if joint.hooked}
    held = {joint.other for joint in rack.joints if joint.hooked}
    found = []
    for one in dict.fromkeys(group.values()):
        parts = tuple(part for part in rack.parts if group[part.key] == one)
        on = tuple(
            part
            for part in parts
            if part.z == 0 and part.depth <= DEEPEST and part.key not in hooked
        )
        if any(part.key in held for part in on):
            on = tuple(part for part in on if part.key in held)
        # No screw goes through a board on edge where the body has one that lies flat on the wall.
        on = tuple(part for part in on if part.depth <= min(part.length, part.height)) or on
        if on:
            found.append(Body(parts, on))
    return tuple(found)
