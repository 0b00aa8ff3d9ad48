"""The finish of a rack as its maker wants it: how many coats, on what, when, and how long each
thing waits for it.
"""

from dataclasses import dataclass
from typing import Any

from yardcliff.core.brief.building import Making, WaitKind
from yardcliff.core.design.rack_design import Design
from yardcliff.core.wood.rack_timber import Timber
from yardcliff.core.workshop.caution import cautions
from yardcliff.data import table, values
from yardcliff.messages import tr

TYPICAL: dict[WaitKind, int] = {"glue": 720, "clamps": 60, "conditioner": 120, "filler": 240}
"""Minutes as most tins and bottles say; a finish has its own."""


def hangs_wet(done: Design) -> bool:
    """Whether anything hangs there wet."""
    return any(item.full_g and item.full_g > item.weight_g for item in done.rack.kinds.values())


def wait(done: Design, making: Making, kind: WaitKind) -> int:
    """How long something takes to set or dry, minutes: as the user's tin says, else as is typical;
    a finish is hard for wet things later than for dry ones.
    """
    if kind in making.waits:
        return making.waits[kind]
    own = values("finishes", done.brief.cutting.finish)
    cure = max(own["cures"], own["wet"]) if hangs_wet(done) else own["cures"]
    return int({"coat": own["dries"], "cure": cure, **TYPICAL}[kind])


@dataclass(frozen=True, slots=True)
class Finish:
    """The finish that a design asks for, on the wood that it is cut from."""

    done: Design
    found: Timber
    making: Making

    @property
    def key(self) -> str:
        return self.done.brief.cutting.finish

    @property
    def name(self) -> str:
        """What it is called on its tin."""
        return str(next(row for row in table("finishes") if row["key"] == self.key)["name"])

    @property
    def row(self) -> dict[str, Any]:
        return values("finishes", self.key)

    @property
    def coats(self) -> int:
        asked = self.done.brief.cutting.coats
        return 0 if self.key == "none" else int(self.row["coats"]) if asked is None else asked

    @property
    def early(self) -> bool:
        """Whether it goes on before the glue: asked for, or fingers on a rod cannot be reached
        after.
        """
        return self.making.finish == "before glue" or self.done.rack.glyph.threaded

    @property
    def natural(self) -> bool:
        """Whether what things touch is left bare."""
        return self.making.touched == "left natural"

    @property
    def oily(self) -> bool:
        return bool(self.row["heats"])

    @property
    def conditioner(self) -> bool:
        """Whether the wood is made to drink evenly first."""
        choice = self.making.conditioner
        if choice != "as the wood needs":
            return choice == "always"
        used = {sawn.source.section.species for sawn in self.found.plan.sawn}
        blotchy = {row["name"] for row in table("woods") if row["blotches"]}
        return bool(self.row["blotches"]) and bool(used & blotchy)

    def wait(self, kind: WaitKind) -> int:
        return wait(self.done, self.making, kind)

    @property
    def until_hard(self) -> int:
        """Minutes from the last coat until things may hang there."""
        return self.wait("cure") if self.coats and not self.natural else 0

    @property
    def cautions(self) -> tuple[str, ...]:
        return (*(cautions("oily") if self.oily else ()), *cautions("finish"))

    @property
    def spoilt(self) -> tuple[str, ...]:
        """What is said of a finish that water spoils, under things that hang wet."""
        spoils = self.coats and hangs_wet(self.done) and not self.row["wet"]
        return (tr("making.wet-things-leave-marks-in-another", name=self.name),) if spoils else ()
