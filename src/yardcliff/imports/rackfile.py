"""Opening a rack file, or several in one ZIP."""

import io
import json
import zlib
from typing import Any
from zipfile import BadZipFile, ZipFile

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.design.change import read_brief
from yardcliff.core.ways import Brief
from yardcliff.exports.rackfile import FORMAT, VERSION
from yardcliff.messages import tr

DAMAGED = (BadZipFile, zlib.error, EOFError, RuntimeError, NotImplementedError)
"""What a ZIP raises that is broken, locked, or packed in some other way."""
MOST_FILES = 1000
MOST_BYTES = 50_000_000
"""Of all rack files of a ZIP, unpacked: more is none of ours."""


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


def unpacked(packed: bytes) -> dict[str, bytes]:
    """The rack files in a ZIP, by their names, unread. Raises `RackFileError`."""
    try:
        with ZipFile(io.BytesIO(packed)) as archive:
            files = [file for file in archive.infolist() if file.filename.endswith(".json")]
            if not files:
                raise RackFileError(tr("imports.no-rack-files-in-this-zip"))
            if len(files) > MOST_FILES or sum(file.file_size for file in files) > MOST_BYTES:
                raise RackFileError(
                    tr("imports.too-much-in-this-zip", files=len(files), most=MOST_FILES)
                )
            return {file.filename: archive.read(file) for file in files}
    except DAMAGED as error:
        raise RackFileError(tr("imports.this-zip-cannot-be-read", error=error)) from None
