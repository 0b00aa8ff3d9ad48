"""The one root of every error that Yardcliff raises on purpose, and what a field refuses with."""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import LiteralString

from pydantic_core import PydanticCustomError

from yardcliff.messages import tr


class YardcliffError(Exception):
    """Something the user can mend. `str()` names the value and the way out."""


def cannot_read(kind: LiteralString, key: str, /, **given: object) -> PydanticCustomError:
    """Why a field does not take a value: the message of a key. Braces in what a user typed are not
    read as fields.
    """
    return PydanticCustomError(kind, "{said}", {"said": tr(key, **given)})


@contextmanager
def named(of: str) -> Iterator[None]:
    """What cannot be done says `of` which of several things."""
    try:
        yield
    except YardcliffError as error:
        error.args = (f"{of}: {error}",)
        raise
