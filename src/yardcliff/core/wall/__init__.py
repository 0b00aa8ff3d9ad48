"""The wall it hangs on: survey, place, fixing, loads, putting it up. Reads any rack; asks no way of
building.

Begin at `wall.Wall` (what is surveyed) and `on_wall` (all of it). Imports `drawing`, `rack`,
`brief` and below.
"""
