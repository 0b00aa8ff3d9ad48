"""Angles as they are written: “20 degrees” is a tilt to one table and a setting to another."""

from yardcliff.messages import tr


def degrees(tilt: float) -> str:
    return f"{tilt:g}°"


def both_ways(tilt: float) -> str:
    """The tilt as the two kinds of machine table show it."""
    return tr("units.from-square-from-the-face", square=degrees(tilt), face=degrees(90 - tilt))
