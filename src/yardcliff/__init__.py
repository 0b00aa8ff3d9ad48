"""Yardcliff: hanging racks, from what hangs to the pencil mark."""

__version__ = "0.2.0"
