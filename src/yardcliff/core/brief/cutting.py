"""What a brief asks of its cutting: the saw, what is squared and planed off, sticks kept or left
alone, the finish.
"""

from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field, StringConstraints

from yardcliff.core.base.model import Frozen
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Gap
from yardcliff.core.units.length_text import read
from yardcliff.core.units.trade import Trade, usual
from yardcliff.data import values

Saw = Literal["hand saw", "pull saw", "jigsaw", "mitre saw", "table saw", "thin blade", "shears"]
FinishKey = Literal[
    "none", "hard wax oil", "linseed oil", "water varnish", "paint", "alkyd paint", "shellac"
]
Name = Annotated[str, StringConstraints(min_length=1, max_length=120)]
ToSize = Literal["with a tool", "by hand too", "never"]
"""Whether stock is brought to size: where the workshop has a tool for it, with hand tools as well,
or not at all.
"""


def _yes(said: ToSize) -> BeforeValidator:
    """Files of before say yes or no: no planing was what nobody had asked for."""

    def read_yes(value: Any) -> Any:
        if isinstance(value, bool) or value in ("true", "false"):
            return (
                said
                if value in (True, "true")
                else "with a tool"
                if said == "by hand too"
                else "never"
            )
        return value

    return BeforeValidator(read_yes)


class Cutting(Frozen):
    """`kerf` is as measured (None: typical of the `saw`), `trim` squares both ends of every stick,
    `plane` is left on an edge that is ripped. Wider and thicker stock is brought to size as `rip`
    and `thin` say.

    Boards are of any `species` where none is said. `matched` parts come from one stick, one after
    another. A stick that is in `forbid` is left alone, one in `locked` is cut into just these
    pieces. Parts in `turned` may lie across a sheet's grain, and those in `backs` have a back that
    nobody sees: it may carry a flaw that does not go through. `coats` as on the tin (None: as
    usual).
    """

    saw: Saw = "mitre saw"
    kerf: Gap | None = None
    trim: Gap = usual("10 mm", "3/8 in")
    rip: Annotated[ToSize, _yes("with a tool")] = "with a tool"
    plane: Gap = usual("2 mm", "1/16 in")
    thin: Annotated[ToSize, _yes("by hand too")] = "with a tool"
    species: Annotated[str, StringConstraints(max_length=40)] = ""
    matched: Annotated[tuple[Name, ...], Field(max_length=200)] = ()
    turned: Annotated[tuple[Name, ...], Field(max_length=200)] = ()
    backs: Annotated[tuple[Name, ...], Field(max_length=200)] = ()
    forbid: Annotated[tuple[Name, ...], Field(max_length=200)] = ()
    locked: dict[Name, tuple[Name, ...]] = Field(default_factory=dict, max_length=100)
    finish: FinishKey = "hard wax oil"
    coats: Annotated[int, Field(ge=0, le=12)] | None = None

    def takes(self, trade: Trade) -> Fraction:
        """What each cut takes, mm: as measured, or as is usual of such a saw in a trade."""
        return read(values("saws", self.saw, trade)["kerf"]) if self.kerf is None else self.kerf
