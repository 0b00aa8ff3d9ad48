"""What hangs: its measures, the list that it is taken from, how it is seen, and the room that it
takes along a row.

Begin at `item.Item`; a row knows it as a `thing.Thing` only. Imports `strength` (what somebody
pulls on it with) and below.
"""
