"""One row of holders, and several under one another: spacing, ends, keep-outs, and the marks that
come of it.

Begin at `row.solve`, then `spacing_rule` (even spacing or equal gaps), `spacing` (the equation),
`keepouts`, `rows`. Knows no board beyond its length and no holder beyond its place. Imports
`things` and below.
"""
