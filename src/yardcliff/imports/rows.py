"""CSV files with a head line, as people have them: commas, semicolons or tabs between, any order of
columns.
"""

import csv
import io
from collections.abc import Callable, Iterable, Iterator, Sequence

from yardcliff.core.base.errors import YardcliffError
from yardcliff.exports.rows import unescaped
from yardcliff.messages import tr

MOST = 5000


class CsvFileError(YardcliffError, ValueError):
    """A file that is no such list at all."""


def read_csv(
    text: str,
    needed: Sequence[str],
    known: Iterable[str],
    column: Callable[[str], str] = lambda name: name,
) -> Iterator[tuple[int, dict[str, str]]]:
    """(line, row) of each; what `exports.rows` marked as no formula is as it was. Raises
    `CsvFileError` for a file whose head line has not what is `needed`, or that is no CSV from some
    line on.
    """
    text = text.removeprefix("\ufeff")
    head = text.split("\n", 1)[0]
    reader = csv.DictReader(
        io.StringIO(text, newline=""), delimiter=max(",;\t", key=head.count), skipinitialspace=True
    )
    try:
        yield from _rows(reader, needed, known, column)
    except csv.Error as error:
        raise CsvFileError(
            tr(
                "imports.line-cannot-be-read-quotation-mark",
                line_num=reader.line_num + 1,
                error=error,
                field_size_limit=f"{csv.field_size_limit():,}",
            )
        ) from None


def _rows(
    reader: "csv.DictReader[str]",
    needed: Sequence[str],
    known: Iterable[str],
    column: Callable[[str], str],
) -> Iterator[tuple[int, dict[str, str]]]:
    fields = [column(name.strip().lower()) for name in reader.fieldnames or ()]
    missing = [name for name in needed if name not in fields]
    if missing:
        raise CsvFileError(
            tr(
                "imports.first-line-must-name-columns-there",
                missing=missing[0],
                needed=", ".join(needed),
                known=", ".join(known),
            )
        )
    reader.fieldnames = fields
    for row in reader:
        yield (
            reader.line_num,
            {key: unescaped(cell) if isinstance(cell, str) else cell for key, cell in row.items()},
        )
