"""What hangs, described as it hangs, about the axis of its holder, looking at the wall."""

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from yardcliff.core.exact import Fraction
from yardcliff.core.length import Gap, Size
from yardcliff.core.model import Frozen
from yardcliff.core.things import Reach, Takes, Thing

Grip = Literal["loop", "rim", "handle", "hole", "neck", "edge", "shaft", "pair"]
Shape = Literal["coat", "hat", "mug", "towel", "key", "flask", "lantern", "poles", "mat", "sledge", "bag", "ladle"]
Name = Annotated[str, Field(min_length=1, max_length=60)]
Key = Annotated[str, Field(pattern="^[a-z0-9][a-z0-9-]{0,39}$")]
"""A short name in lower case, like `felt-hat`."""


class Item(Frozen):
    """One kind of thing. All reaches in mm from the holder's axis; weight in grams.

    `width` may be given instead of `left` and `right`: it is shared as the two were. `takes` says how many
    holders it needs: "one", the first of "two", or a "bridge" that hangs between two; a rigid bridge has
    its two holders `span` apart.
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
    weight_g: Annotated[int, Field(ge=0, le=100_000)]
    takes: Takes = "one"
    span: Size | None = None

    width: Annotated[Size | None, Field(exclude=True)] = None

    @property
    def across(self) -> Fraction:
        """The whole width as it hangs, mm."""
        return self.left + self.right

    @property
    def thing(self) -> Thing:
        """The item as a row's solver sees it."""
        return Thing(Reach(self.left, self.right), takes=self.takes, span=self.span)

    @model_validator(mode="after")
    def _share_width(self) -> Self:
        if self.width is None:
            return self
        scale = self.width / self.across
        sides = {"left": self.left * scale, "right": self.right * scale, "width": None}
        return self.model_copy(update=sides)

    def counted(self, count: int) -> str:
        """`1 enamel mug`, `7 enamel mugs`."""
        return f"{count} {self.name if count == 1 else self.plural}"
