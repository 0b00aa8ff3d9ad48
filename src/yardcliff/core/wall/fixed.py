"""A rack fixed to its wall: its screws, and what each bears."""

from dataclasses import dataclass
from functools import cached_property

from yardcliff.core.brief.mounting import By
from yardcliff.core.strength.beam import Beam
from yardcliff.core.strength.link import Kind, Link
from yardcliff.core.strength.wood import SAFETY
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.trade import Trade
from yardcliff.core.wall.anchors import HOLLOW, Anchor
from yardcliff.core.wall.bodies import Body
from yardcliff.core.wall.grounds import Screw
from yardcliff.core.wall.loading import Bearing, Load, Pull
from yardcliff.core.wall.strips import CLEAT, Joined
from yardcliff.data import values
from yardcliff.messages import tr

ZERO = Fraction(0)


@dataclass(frozen=True)
class Fixed:
    """A body on its wall by one way. `loose` tells of a line on fewer than two studs; `length` is a
    screw's, `wood` what it passes before the wall, `hold` what of it holds. `strip` is what is
    fixed to the wall first: from, to, in the rack's frame; `joined` is how the rack is screwed to
    it, with room for a `spacer` below it or none, `blocked` where something is in its way. It
    `bears` on the wall at its edges; `beam` is the board between its screws.
    """

    body: Body
    by: By
    anchor: Anchor
    screws: tuple[Screw, ...]
    pulls: tuple[Pull, ...]
    on: tuple[Load, ...]
    wood: Fraction
    length: Fraction
    hold: Fraction
    may_pull: float
    may_shear: float
    loose: bool
    bears: Bearing
    beam: Beam
    strip: tuple[Fraction, Fraction] | None = None
    blocked: bool = False
    joined: Joined | None = None
    spacer: Fraction = ZERO

    @property
    def sizes(self) -> Trade:
        """Whose fixings and strips it takes."""
        return self.anchor.trade

    @cached_property
    def force(self) -> float:
        """The hardest that a hand pulls at anything on it, N."""
        return max((max(load.down, load.out) for load in self.on), default=0.0)

    @cached_property
    def links(self) -> tuple[Link, ...]:
        """What may give way between the rack and the wall, as the words of the page have it."""
        where = self.anchor
        kind: Kind = (
            "anchor"
            if where.key in HOLLOW or where.blocks
            else "wall"
            if where.key == "sheet"
            else "screw"
        )
        found = [
            Link(
                kind, where.name, max((pull.share for pull in self.pulls), default=0.0), "fix.share"
            )
        ]
        found.append(
            Link(
                "board",
                tr("link.between-its-screws", name=self.body.name.lower()),
                self.beam.share(self.force),
                "fix.board",
            )
        )
        if self.joined:
            found.append(
                Link(
                    "screw",
                    tr(
                        "link.screws-from-the-to-the",
                        name=self.body.name.lower(),
                        by=self.strip_name,
                    ),
                    self.joined.share,
                    "fix.joined",
                )
            )
        if self.by == "cleat":
            found.append(Link("board", tr("link.cleats-lip"), self.lip / self.lip_may, "fix.lip"))
        return tuple(found)

    @property
    def strip_name(self) -> str:
        """The strip that it hangs by, in words: a batten or a cleat."""
        return tr(f"strip.{self.by}")

    @property
    def lip(self) -> float:
        """What a cleat's lip bears in shear along its grain as a beam would, MPa: 3 W / (2 L t)."""
        weight = sum(load.weight for load in self.on) + self.force
        if self.strip is None:
            return 0.0
        return 1.5 * weight / float((self.strip[1] - self.strip[0]) * CLEAT.of(self.sizes)[0])

    @property
    def lip_may(self) -> float:
        return float(values("species", "softwood")["shear_mpa"]) / SAFETY

    @cached_property
    def share(self) -> float:
        """How much of what it may bear the weakest link bears: 1 is all."""
        return max((link.share for link in self.links), default=0.0)

    @property
    def grips(self) -> bool:
        long_enough = self.length >= self.wood + self.hold + self.anchor.behind
        return self.anchor.in_studs or (
            self.anchor.least <= self.hold <= self.anchor.most
            and (long_enough or not self.anchor.behind)
        )

    @property
    def good(self) -> bool:
        return (
            not self.loose
            and not self.blocked
            and bool(self.screws)
            and self.share <= 1
            and self.grips
        )
