"""The finish of a rack as its maker wants it: how many coats, on what, when, and how long each thing waits for it."""

from dataclasses import dataclass
from typing import Any

from yardcliff.core.cautions import cautions
from yardcliff.core.design import Design
from yardcliff.core.making.asked import Making, WaitKind
from yardcliff.core.timber.timber import Timber
from yardcliff.data import table, values

TYPICAL: dict[WaitKind, int] = {"glue": 720, "clamps": 60, "conditioner": 120, "filler": 240}
"""Minutes as most tins and bottles say; a finish has its own."""


def wait(making: Making, finish: str, kind: WaitKind) -> int:
    """How long something takes to set or dry, minutes: as the user's tin says, else as is typical."""
    if kind in making.waits:
        return making.waits[kind]
    own = values("finishes", finish)
    return int({"coat": own["dries"], "cure": own["cures"], **TYPICAL}[kind])


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
        """Whether it goes on before the glue: asked for, or fingers on a rod cannot be reached after."""
        return self.making.finish == "before glue" or self.done.rack.glyph.kind == "finger"

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

    @property
    def wet(self) -> bool:
        """Whether anything hangs there wet."""
        return any(item.full_g and item.full_g > item.weight_g for item in self.done.rack.kinds.values())

    def wait(self, kind: WaitKind) -> int:
        return wait(self.making, self.key, kind)

    @property
    def until_hard(self) -> int:
        """Minutes from the last coat until things may hang there, longer where they hang wet; as the user's tin says, if it does."""
        if not self.coats or self.natural:
            return 0
        wet = int(self.row["wet"]) if self.wet and "cure" not in self.making.waits else 0
        return max(self.wait("cure"), wet)

    @property
    def cautions(self) -> tuple[str, ...]:
        return (*(cautions("oily") if self.oily else ()), *cautions("finish"))

    @property
    def spoilt(self) -> tuple[str, ...]:
        """What is said of a finish that water spoils, under things that hang wet."""
        spoils = self.coats and self.wet and not self.row["wet"]
        return (f"Wet things leave marks in {self.name}: another finish for these.",) if spoils else ()
