"""Lengths, angles and money as they are typed, kept exactly and written on a tape.

Begin at `length`. Imports `base`.
"""
