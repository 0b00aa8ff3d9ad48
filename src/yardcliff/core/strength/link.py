"""The links of the chain from a thing to the wall, each with how much of what it may
bear it bears.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from yardcliff.messages import tr

Kind = Literal["hook", "peg", "board", "screw", "anchor", "wall"]


@dataclass(frozen=True, slots=True)
class Link:
    """One link: its kind, what it is called, and its share: 1 is all that it may bear. `figure` is
    the key of its working.
    """

    kind: Kind
    name: str
    share: float
    figure: str


def weakest(links: Iterable[Link]) -> Link | None:
    """The one with the largest share; None where there is none."""
    return max(links, key=lambda link: link.share, default=None)


def told(share: float) -> bool:
    """Whether a share of what something may bear still says how much too weak it is."""
    return share < 9.995


def percent(share: float) -> str:
    """A share of what something may bear; beyond 999 % the figure says nothing more."""
    return f"{share:.0%}" if told(share) else tr("strength.far-too-weak")
