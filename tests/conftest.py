"""Properties are tried on the same cases every time; `YARDCLIFF_EXPLORE=1 pytest` looks for new ones."""

import os

from hypothesis import settings

settings.register_profile("repeatable", derandomize=True, deadline=None)
settings.register_profile("explore", deadline=None, max_examples=2000)
settings.load_profile("explore" if os.environ.get("YARDCLIFF_EXPLORE") else "repeatable")
