"""From a rack to what to buy and where to saw: what it takes, what there is, the cut plan, what it
costs.

Begin at `timber`. Imports `cutting`, `design`, `workshop` and below.
"""
