"""How things are seen as a rack holds them: hanging down, lying across, standing on something."""

from dataclasses import dataclass
from functools import lru_cache
from math import cos, radians, sin, tan
from typing import Literal

from yardcliff.core.shapes.geometry import (
    Path,
    line,
    moved,
    parse,
    rectangle,
    rounded,
    swapped,
    turned,
)
from yardcliff.core.things.item import Item
from yardcliff.core.units.exact import Fraction
from yardcliff.data import table

ZERO = Fraction(0)
Beside = tuple[Literal["item", "spare"], Path]


@dataclass(frozen=True, slots=True, eq=False)
class Look:
    """A thing from the front, about the point that it hangs at: how far it reaches from there (mm),
    the outlines that are filled and the lines that are only drawn.

    `beside` are its outlines from the side, in (out of the face, up), where it does not hang down
    from a holder; what sticks out of it is only outlined.
    """

    left: Fraction
    right: Fraction
    above: Fraction
    below: Fraction
    body: tuple[Path, ...]
    lines: tuple[Path, ...]
    beside: tuple[Beside, ...] = ()


@lru_cache(maxsize=64)
def silhouette(
    shape: str, left: float, right: float, above: float, below: float
) -> tuple[tuple[Path, ...], tuple[Path, ...]]:
    """Filled outlines and drawn lines of `shape` at its measures in mm, about the axis (0, 0)."""
    row = next(row for row in table("silhouettes") if row["key"] == shape)

    def scaled(text: str) -> Path:
        return tuple(
            (
                c,
                tuple(
                    n * (above if n > 0 else below) if i % 2 else n * (right if n > 0 else left)
                    for i, n in enumerate(numbers)
                ),
            )
            for c, numbers in parse(text)
        )

    return tuple(map(scaled, row["body"])), tuple(map(scaled, row["line"]))


def beside(shape: str) -> str:
    """The key of a shape's outline from the side: its front's, where it looks alike."""
    side = f"{shape}-side"
    return side if any(row["key"] == side for row in table("silhouettes")) else shape


@lru_cache(maxsize=256)
def hanging(item: Item) -> Look:
    """As it was measured: down from its holder."""
    return Look(item.left, item.right, item.above, item.below, *_front(item))


def laid(item: Item) -> tuple[Fraction, Fraction, Fraction]:
    """A thing laid down flat, its length along the wall: its length, how high it is and how deep,
    mm.
    """
    return item.above + item.below, min(item.across, item.front), max(item.across, item.front)


ROLL = Fraction(13, 10)
"""What is hardly deeper than it is high rolls; what is deeper lies flat."""


def resting(item: Item, tilt: float) -> tuple[Fraction, Fraction]:
    """How high the underside and the top of a laid thing are above the point where a rest, tilted
    up so many degrees, meets the face, mm.

    A roll of radius r touches the face and the rest: its middle is at r tan t + r / cos t. What is
    flat lies along the rest: its top is at D sin t + h cos t, for its depth D and height h.
    """
    _, tall, deep = laid(item)
    t = radians(tilt)
    if deep <= tall * ROLL:
        low = rounded(float(tall) / 2 * (tan(t) + 1 / cos(t) - 1))
        return low, low + tall
    return ZERO, rounded(float(deep) * sin(t) + float(tall) * cos(t))


@lru_cache(maxsize=256)
def lying(item: Item, tilt: float) -> Look:
    """Laid down along the wall on rests that are tilted so many degrees: about where these meet the
    face.
    """
    long, tall, deep = laid(item)
    low, high = resting(item, tilt)
    half, middle = long / 2, float(low + high) / 2
    seen = float(high - low) / 2
    upright = silhouette(item.shape, seen, seen, float(item.above), float(item.below))
    body, lines = (
        tuple(moved(swapped(path), float(item.below - item.above) / 2, middle) for path in paths)
        for paths in upright
    )
    if low or not tilt:
        seen_beside = rectangle(0, float(low), float(deep), float(tall), float(tall) / 2)
    else:
        # Its upper back edge touches the face.
        flat = turned(rectangle(0, 0, float(deep), float(tall), float(tall) / 4), radians(tilt))
        seen_beside = moved(flat, float(tall) * sin(radians(tilt)), 0)
    return Look(half, half, high, ZERO, body, lines, (("item", seen_beside),))


@lru_cache(maxsize=256)
def slid(item: Item, tilt: float, deep: Fraction) -> Look:
    """Laid flat in slots that rise so many degrees, `deep` in them: about the middle of the slot's
    mouth.
    """
    long, thick, across = item.above + item.below, float(item.front), float(item.across)
    t, half = radians(tilt), float(long) / 2
    edge, over = (across - float(deep)) * sin(t), thick / 2 * cos(t)
    low, high = min(-thick / 2, edge - over), max(edge + over, thick / 2)
    body = rectangle(-half, low, 2 * half, high - low, min(half, (high - low) / 3))
    front = line((-half + thick / 2, edge - over), (half - thick / 2, edge - over))
    held = float(item.held or item.front)
    slab = turned(rectangle(-float(deep), -held / 2, across, held, held / 2), t)
    out = max(across - float(deep), 0)
    whole = turned(rectangle(out * 0.1, -thick / 2, out * 0.8, thick, thick / 4), t)
    both: tuple[Beside, ...] = (("spare", whole), ("item", slab))
    return Look(
        long / 2,
        long / 2,
        rounded(high),
        rounded(-low),
        (body,),
        (front,),
        both if thick > held else both[1:],
    )


@lru_cache(maxsize=256)
def standing(item: Item) -> Look:
    """Upright on its foot, its back against the face: about the middle of its foot."""
    body, lines = (
        tuple(moved(path, 0, float(item.below)) for path in paths) for paths in _front(item)
    )
    middle = float(item.front) / 2
    outline, _ = silhouette(
        beside(item.shape), middle, middle, float(item.above), float(item.below)
    )
    from_the_side: tuple[Beside, ...] = tuple(
        ("item", moved(path, middle, float(item.below))) for path in outline
    )
    return Look(item.left, item.right, item.above + item.below, ZERO, body, lines, from_the_side)


def _front(item: Item) -> tuple[tuple[Path, ...], tuple[Path, ...]]:
    measures = (float(reach) for reach in (item.left, item.right, item.above, item.below))
    return silhouette(item.shape, *measures)
