"""Parts onto sticks and sheets: what to cut from what, at the least cost.

Whole numbers throughout: lengths in tenths of a millimetre, costs as the caller counts them.
Cutting is by guillotine in two stages, as with a bench saw: a wide bar is ripped into lanes along
its length, each lane is cross-cut into parts.

Begin at `problem`, then `search`. Knows neither wood nor rack. Imports `base`.
"""
