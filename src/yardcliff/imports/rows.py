"""CSV files with a head line, as people have them: commas, semicolons or tabs between, any order of columns."""

import csv
from collections.abc import Callable, Iterable, Iterator, Sequence

from yardcliff.core.errors import YardcliffError

MOST = 5000


class CsvFileError(YardcliffError, ValueError):
    """A file that is no such list at all."""


def read_csv(
    text: str, needed: Sequence[str], known: Iterable[str], column: Callable[[str], str] = lambda name: name
) -> Iterator[tuple[int, dict[str, str]]]:
    """(line, row) of each. Raises `CsvFileError` for a file whose head line has not what is `needed`."""
    lines = text.removeprefix("\ufeff").splitlines()
    head = lines[0] if lines else ""
    reader = csv.DictReader(lines, delimiter=max(",;\t", key=head.count), skipinitialspace=True)
    fields = [column(name.strip().lower()) for name in reader.fieldnames or ()]
    missing = [name for name in needed if name not in fields]
    if missing:
        raise CsvFileError(
            f"The first line must name the columns; there is no “{missing[0]}” in it. "
            f"Needed are {', '.join(needed)}; known are {', '.join(known)}."
        )
    reader.fieldnames = fields
    for row in reader:
        yield reader.line_num, row
