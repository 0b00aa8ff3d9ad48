"""The one root of every error that Yardcliff raises on purpose."""


class YardcliffError(Exception):
    """Something the user can mend. `str()` names the value and the way out."""
