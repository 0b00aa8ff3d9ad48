"""Opening a rack file."""

import json
from typing import Any

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.design.change import read_brief
from yardcliff.core.ways import Brief
from yardcliff.exports.rackfile import FORMAT, VERSION


class RackFileError(YardcliffError, ValueError):
    """A file that is no rack file, or one from a newer Yardcliff."""


def read_rackfile(text: str | bytes) -> tuple[str, Brief]:
    """The name and the brief in a rack file. Raises `RackFileError` or `BriefError`."""
    try:
        data: Any = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise RackFileError(f"This is no rack file: it is not readable JSON ({error}).") from None
    if not isinstance(data, dict) or data.get("format") != FORMAT:
        raise RackFileError(f"This is no rack file: it does not say “format”: “{FORMAT}”.")
    if data.get("version") != VERSION:
        raise RackFileError(
            f"This rack file is version {data.get('version')!r}; this Yardcliff reads version"
            f" {VERSION}. Update it."
        )
    name = data.get("name")
    if not isinstance(name, str) or not 1 <= len(name.strip()) <= 80:
        raise RackFileError("The rack file's “name” must be 1 to 80 characters long.")
    return name.strip(), read_brief(data.get("brief"))
