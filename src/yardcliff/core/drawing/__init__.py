"""The views of a rack, each a scene: from the front, from the side, from above. They read looks and
never ask the way of building.

Begin at `front`. Imports `rack` and below.
"""
