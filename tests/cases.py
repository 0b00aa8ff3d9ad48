"""How many cases a property is tried on: the same ones every time, or new ones and twenty times as
many with `YARDCLIFF_EXPLORE=1`.
"""

import os

from hypothesis import settings

EXPLORE = bool(os.environ.get("YARDCLIFF_EXPLORE"))


def cases(count: int) -> settings:
    """A property's cases; few where one takes long, as `make test-fast` takes under 90 s."""
    return settings(max_examples=20 * count if EXPLORE else count, deadline=None)
