"""Outlines for drawings: paths in mm as floats, y up. Nothing here is measured from."""

from collections.abc import Iterator
from functools import cache, lru_cache
from math import cos, sin

from yardcliff.core.units.exact import Fraction

Command = tuple[str, tuple[float, ...]]
Path = tuple[Command, ...]
"""M and L with (x, y), C with (x1, y1, x2, y2, x, y), Z with ()."""


def in_mm(value: Fraction) -> float:
    """A place on a drawing, to a thousandth of a mm: what more there is would only travel."""
    return round(float(value), 3)


def rounded(mm: float) -> Fraction:
    """A figure that passed through a sine, to the nanometre: trigonometry is not exact anyway."""
    return Fraction(round(mm * 1_000_000), 1_000_000)


ROUND = 0.5523
"""How far a cubic's handles reach along a quarter circle, in radii."""
_ARITY = {"M": 2, "L": 2, "C": 6, "Z": 0}


@cache
def parse(text: str) -> Path:
    """Read absolute M, L, C, Z commands as SVG writes them."""
    tokens, commands = text.split(), []
    while tokens:
        letter = tokens.pop(0)
        numbers = tuple(float(tokens.pop(0)) for _ in range(_ARITY[letter]))
        commands.append((letter, numbers))
    return tuple(commands)


@lru_cache(maxsize=512)
def svg(path: Path) -> str:
    """The path as SVG path data, to a hundredth of a mm."""
    return " ".join(
        letter + " ".join(f"{n:.2f}".rstrip("0").rstrip(".") for n in ns) for letter, ns in path
    )


def moved(path: Path, dx: float, dy: float) -> Path:
    return tuple((c, tuple(n + (dy if i % 2 else dx) for i, n in enumerate(ns))) for c, ns in path)


def mirrored(path: Path) -> Path:
    """The path seen in a mirror on x = 0."""
    return tuple((c, tuple(n if i % 2 else -n for i, n in enumerate(ns))) for c, ns in path)


def turned(path: Path, angle: float) -> Path:
    """The path turned about (0, 0) by so many radians, from x towards y."""
    c, s = cos(angle), sin(angle)
    return tuple(
        (
            k,
            tuple(
                n
                for x, y in zip(ns[::2], ns[1::2], strict=True)
                for n in (x * c - y * s, x * s + y * c)
            ),
        )
        for k, ns in path
    )


def swapped(path: Path) -> Path:
    """The path with x for y and y for x: seen in a mirror on the diagonal."""
    return tuple(
        (c, tuple(n for x, y in zip(ns[::2], ns[1::2], strict=True) for n in (y, x)))
        for c, ns in path
    )


def points(path: Path) -> Iterator[tuple[float, float]]:
    """Every point of a path, handles included."""
    for _, numbers in path:
        yield from zip(numbers[::2], numbers[1::2], strict=True)


STEPS = 16
"""Straight pieces that a curve is taken for where it is cut across."""


def across(path: Path, y: float) -> list[tuple[float, float]]:
    """What of a filled outline is at the height y: from, to, in order (even-odd)."""
    met = sorted(
        a[0] + (b[0] - a[0]) * (y - a[1]) / (b[1] - a[1])
        for a, b in _polygon(path)
        if (a[1] <= y) != (b[1] <= y)
    )
    return list(zip(met[::2], met[1::2], strict=True))


@lru_cache(maxsize=512)
def _polygon(path: Path) -> tuple[tuple[tuple[float, float], tuple[float, float]], ...]:
    """Its edges, kept: one outline is cut at many heights."""
    return tuple(_edges(path))


def _edges(path: Path) -> Iterator[tuple[tuple[float, float], tuple[float, float]]]:
    """The outline as straight edges, each subpath closed."""
    start = at = (0.0, 0.0)
    for command, ns in path:
        corners = [(ns[-2], ns[-1])] if ns else [start]
        if command == "M":
            if at != start:
                yield at, start
            start = at = corners[0]
            continue
        if command == "C":
            corners = [_on_curve(at, ns, k / STEPS) for k in range(1, STEPS + 1)]
        for corner in corners:
            yield at, corner
            at = corner
    if at != start:
        yield at, start


def _on_curve(at: tuple[float, float], ns: tuple[float, ...], t: float) -> tuple[float, float]:
    u = 1 - t
    weights = (u**3, 3 * u * u * t, 3 * u * t * t, t**3)
    xs, ys = (at[0], *ns[::2]), (at[1], *ns[1::2])
    return sum(w * x for w, x in zip(weights, xs, strict=True)), sum(
        w * y for w, y in zip(weights, ys, strict=True)
    )


def line(*corners: tuple[float, float]) -> Path:
    return (("M", corners[0]), *(("L", corner) for corner in corners[1:]))


def rectangle(x: float, y: float, width: float, height: float, radius: float = 0) -> Path:
    """A rectangle from its lower left corner, its corners rounded by `radius`."""
    r = min(radius, width / 2, height / 2)
    if not r:
        return (*line((x, y), (x + width, y), (x + width, y + height), (x, y + height)), ("Z", ()))
    k, right, top = r * (1 - ROUND), x + width, y + height
    return (
        ("M", (x + r, y)),
        ("L", (right - r, y)),
        ("C", (right - k, y, right, y + k, right, y + r)),
        ("L", (right, top - r)),
        ("C", (right, top - k, right - k, top, right - r, top)),
        ("L", (x + r, top)),
        ("C", (x + k, top, x, top - k, x, top - r)),
        ("L", (x, y + r)),
        ("C", (x, y + k, x + k, y, x + r, y)),
        ("Z", ()),
    )


def ellipse(x: float, y: float, rx: float, ry: float) -> Path:
    kx, ky = rx * ROUND, ry * ROUND
    return (
        ("M", (x + rx, y)),
        ("C", (x + rx, y + ky, x + kx, y + ry, x, y + ry)),
        ("C", (x - kx, y + ry, x - rx, y + ky, x - rx, y)),
        ("C", (x - rx, y - ky, x - kx, y - ry, x, y - ry)),
        ("C", (x + kx, y - ry, x + rx, y - ky, x + rx, y)),
        ("Z", ()),
    )


def circle(x: float, y: float, radius: float) -> Path:
    return rectangle(x - radius, y - radius, 2 * radius, 2 * radius, radius)


def cross(x: float, y: float, reach: float) -> Path:
    return (*line((x - reach, y), (x + reach, y)), *line((x, y - reach), (x, y + reach)))
