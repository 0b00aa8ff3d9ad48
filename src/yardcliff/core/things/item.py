"""What hangs, described as it hangs, about the axis of its holder, looking at the wall."""

import re
from typing import Annotated, Any, Literal, Self

from pydantic import BeforeValidator, Field, ValidationInfo, model_validator

from yardcliff.core.base.errors import cannot_read
from yardcliff.core.base.model import Frozen
from yardcliff.core.strength.force import Pulled, least_tug, newtons
from yardcliff.core.things.thing import Reach, Takes, Thing
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap, Size
from yardcliff.core.units.length_text import ambiguous
from yardcliff.core.units.weights import GRAMS, NEWTONS

Grip = Literal["loop", "rim", "handle", "hole", "neck", "edge", "shaft", "pair"]
Shape = Literal[
    "coat",
    "hat",
    "mug",
    "towel",
    "key",
    "flask",
    "lantern",
    "poles",
    "mat",
    "sledge",
    "bag",
    "ladle",
    "boot",
    "shoes",
    "board",
    "glass",
    "wheel",
    "cycle",
    "fiddle",
    "headphones",
    "helmet",
    "chain",
    "spade",
    "rake",
    "saw",
    "hammer",
    "broom",
    "umbrella",
    "pan",
    "cap",
    "scarf",
    "coil",
    "apron",
    "gloves",
    "basket",
    "beanie",
    "lock",
    "pole",
]
SOFT: frozenset[Shape] = frozenset({"apron", "bag", "coat", "gloves", "scarf", "towel"})
"""What gives way to its neighbour."""
GIVES = Fraction(2, 5)
"""Of its width: as far as soft things may overlap and still come off one by one. Ours."""
_NUMBER = r"(?:\d{1,6}\s+)?\d{1,6}/[1-9]\d{0,2}|\d{1,9}(?:[.,]\d{1,9})?"


def _number(text: str) -> float:
    """`3 1/2`, `3.5`, `3,5`."""
    return float(sum(Fraction(part.replace(",", ".")) for part in text.split()))


def _typed(value: Any, info: ValidationInfo, unit: str) -> str:
    """The unit of a number without one: what is typed in the US trade is pounds."""
    told = info.context or {}
    typed = isinstance(value, str) and told.get("trade") == "us" and not told.get("exact")
    return unit if typed else ""


SMALLEST_BARE = 50
"""A typed number without a unit below this could as well be kilograms."""


def _asked_about(value: Any, info: ValidationInfo, number: str, small: str) -> None:
    """A bare number that was typed: kilograms are shown, and grams or newtons are kept."""
    told = info.context or {}
    typed = isinstance(value, str) and "trade" in told and not told.get("exact")
    if typed and told.get("trade") != "us" and 0 < _number(number) < SMALLEST_BARE:
        raise cannot_read(
            "weight",
            "things.could-be-or-write-one-these",
            text=number,
            thousand=f"{number} {small}",
            decimal=f"{number} kg",
        )


def _grams(value: Any, info: ValidationInfo) -> int:
    found = re.fullmatch(rf"({_NUMBER})\s*(g|kg|lb|oz|)", str(value).strip().lower())
    if found and (either := ambiguous(found[1], found[2] in ("", "g"))):
        raise cannot_read(
            "weight",
            "things.could-be-or-write-one-these",
            text=found[0],
            thousand=either[0],
            decimal=either[1],
        )
    if found and not found[2]:
        _asked_about(value, info, found[1], "g")
    grams = (
        round(_number(found[1]) * GRAMS[found[2] or _typed(value, info, "lb") or "g"])
        if found and value is not True
        else -1
    )
    if not 0 <= grams <= 100_000:
        raise cannot_read("weight", "things.no-weight-up-100-kg-write", text=str(value)[:40])
    return grams


HARDEST = 2000
"""More than this, N, nobody pulls with."""


def _newtons(value: Any, info: ValidationInfo) -> int:
    found = re.fullmatch(
        rf"({_NUMBER})\s*(N|kg|lb|)f?", str(value).strip().lower().replace("n", "N")
    )
    if found and (either := ambiguous(found[1], found[2] in ("", "N"))):
        raise cannot_read(
            "force",
            "things.could-be-or-write-one-these",
            text=found[0],
            thousand=either[0],
            decimal=either[1],
        )
    if found and not found[2]:
        _asked_about(value, info, found[1], "N")
    force = (
        round(_number(found[1]) * NEWTONS[found[2] or _typed(value, info, "lb") or "N"])
        if found and value is not True
        else -1
    )
    if not 0 <= force <= HARDEST:
        raise cannot_read(
            "force", "things.no-pull-up-n-write-like", text=str(value)[:40], most=HARDEST
        )
    return force


Name = Annotated[str, Field(min_length=1, max_length=60)]
Weight = Annotated[int, BeforeValidator(_grams)]
"""Grams, 0 to 100 000; `1.6 kg` and `3 lb` are read too."""
WEIGHED = frozenset({"weight_g", "full_g", "load", "carries", "pull", "shear"})
"""Fields of briefs that are weights, wherever they stand."""
Force = Annotated[int, BeforeValidator(_newtons)]
"""Newtons, 0 to 2000; `15 kg` and `35 lbf` are read too."""
Key = Annotated[str, Field(pattern="^[a-z0-9][a-z0-9-]{0,39}$")]
"""A short name in lower case, like `felt-hat`."""


class Item(Frozen):
    """One kind of thing. All reaches in mm from the holder's axis; weight in grams.

    `width` may be given instead of `left` and `right`: it is shared as the two were. `takes` says
    how many holders it needs: "one", the first of "two", or a "bridge" that hangs between two; a
    rigid bridge has its two holders `span` apart. `held` is how thick it is where it is held: at
    the neck, the shaft, the edge; `full_g` what it weighs wet or full, where that is more; `tug_n`
    with what a hand pulls at it at least (None: by its size and weight). A `round` thing nests
    between its neighbours in the next row. `listed` is the entry of the list that it was taken
    from.
    """

    name: Name
    plural: Name
    shape: Shape
    grip: Grip
    left: Size
    right: Size
    above: Gap
    below: Size
    front: Size
    held: Size | None = None
    weight_g: Weight
    full_g: Weight | None = None
    tug_n: Force | None = None
    takes: Takes = "one"
    span: Size | None = None
    round: bool = False
    listed: Key | None = None

    width: Annotated[Size | None, Field(exclude=True)] = None

    @property
    def across(self) -> Fraction:
        """The whole width as it hangs, mm."""
        return self.left + self.right

    @property
    def heaviest_g(self) -> int:
        """What it weighs at most."""
        return max(self.weight_g, self.full_g or 0)

    def pulled(self, *, children: bool = False) -> Pulled:
        """What its holder has to bear; more where `children` reach what they can hang on."""
        least = least_tug(self.heaviest_g, float(self.below), self.tug_n, children=children)
        return Pulled(newtons(self.heaviest_g), least)

    @property
    def thing(self) -> Thing:
        """The item as a row's solver sees it."""
        return Thing(
            Reach(self.left, self.right), takes=self.takes, span=self.span, gives=self.gives
        )

    @property
    def gives(self) -> Fraction:
        """How far it and a neighbour may overlap, mm: hard things do not, nor what hangs on two."""
        soft = self.shape in SOFT and self.takes == "one"
        return self.across * GIVES if soft else Fraction(0)

    @model_validator(mode="after")
    def _share_width(self) -> Self:
        if self.width is None:
            return self
        scale = self.width / self.across
        sides = {"left": self.left * scale, "right": self.right * scale, "width": None}
        return self.changed(sides)

    def counted(self, count: int) -> str:
        """`1 enamel mug`, `7 enamel mugs`."""
        return f"{count} {self.name if count == 1 else self.plural}"
