"""The workshop of all racks: its tools, hours and hands, how each class of work is done with them,
and what to mind.

Begin at `shop.Shop`. Imports `units` and below.
"""
