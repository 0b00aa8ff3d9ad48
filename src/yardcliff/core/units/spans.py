"""Stretches of a line: from, to, both in it; in order and apart from one another. Of whole numbers
or of lengths.
"""

from collections.abc import Iterable, Sequence
from typing import TypeVar

from yardcliff.core.units.exact import Fraction

N = TypeVar("N", int, Fraction)


def meet(sequence: Sequence[tuple[N, N]], other: Sequence[tuple[N, N]]) -> tuple[tuple[N, N], ...]:
    """What both have."""
    return tuple(
        (max(a, c), min(b, d)) for a, b in sequence for c, d in other if max(a, c) <= min(b, d)
    )


def cut(spans: Iterable[tuple[N, N]], out: Iterable[tuple[N, N]]) -> tuple[tuple[N, N], ...]:
    """The stretches without what lies strictly inside those that are cut out, which may overlap and
    come in any order.
    """
    merged = joined((a, b) for a, b in out if a < b)
    found: list[tuple[N, N]] = []
    for low, high in spans:
        at = low
        for a, b in merged:
            if b <= at or a >= high:
                continue
            if a >= at:
                found.append((at, a))
            at = b
        if at <= high:
            found.append((at, high))
    return tuple(found)


def joined(spans: Iterable[tuple[N, N]]) -> list[tuple[N, N]]:
    """Stretches that overlap made one; those that only touch leave the point between them."""
    merged: list[tuple[N, N]] = []
    for a, b in sorted(spans):
        if merged and a < merged[-1][1]:
            merged[-1] = (merged[-1][0], max(merged[-1][1], b))
        else:
            merged.append((a, b))
    return merged


def nearest(spans: Iterable[tuple[N, N]], wanted: N) -> N:
    """The point of the stretches that is nearest to one that is wanted."""
    return min((min(max(wanted, a), b) for a, b in spans), key=lambda at: abs(at - wanted))
