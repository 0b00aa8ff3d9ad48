"""Angles as they are written: “20 degrees” is a tilt to one table and a setting to another."""


def degrees(tilt: float) -> str:
    return f"{tilt:g}°"


def both_ways(tilt: float) -> str:
    """The tilt as the two kinds of machine table show it."""
    return f"{degrees(tilt)} from square, {degrees(90 - tilt)} from the face"
