"""Opening a rack file."""

import json
from typing import Any

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.design.change import read_brief
from yardcliff.core.ways import Brief
from yardcliff.exports.rackfile import FORMAT, VERSION
from yardcliff.messages import tr


class RackFileError(YardcliffError, ValueError):
    """A file that is no rack file, or one from a newer Yardcliff."""


def read_rackfile(text: str | bytes) -> tuple[str, Brief]:
    """The name and the brief in a rack file. Raises `RackFileError` or `BriefError`."""
    try:
        data: Any = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise RackFileError(tr("imports.this-no-rack-file-not-readable", error=error)) from None
    if not isinstance(data, dict) or data.get("format") != FORMAT:
        raise RackFileError(tr("imports.this-no-rack-file-does-not", format=FORMAT))
    if data.get("version") != VERSION:
        raise RackFileError(
            tr(
                "imports.this-rack-file-version-this-yardcliff",
                found=f"{data.get('version')!r}",
                version=VERSION,
            )
        )
    name = data.get("name")
    if not isinstance(name, str) or not 1 <= len(name.strip()) <= 80:
        raise RackFileError(tr("imports.rack-files-name-must-be-1"))
    return name.strip(), read_brief(data.get("brief"))
