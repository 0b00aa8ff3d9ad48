"""The ground: how an input is frozen and changed, what an error is, and how long work ends when
nobody waits.

Begin at `model.Frozen`. Imports nothing of the house.
"""
