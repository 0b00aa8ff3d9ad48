"""What the program says: keys and parameters inside, words in gettext catalogues by language.

`en-GB/` holds every message, a file a room, and in `page/` what the page says by itself. Another
folder (`en-US/`) holds what it says otherwise and falls back to that. Which one speaks is a matter
of the context: a request, a command.
"""

from collections.abc import Iterable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from functools import cache
from gettext import GNUTranslations
from importlib.resources import files
from io import BytesIO
from typing import Literal

from babel import Locale, negotiate_locale
from babel.dates import get_day_names
from babel.lists import format_list
from babel.messages.mofile import write_mo
from babel.messages.pofile import read_po

SOURCE = "en-GB"
"""The language that all others fall back to."""

LANGUAGES = tuple(
    sorted(
        folder.name
        for folder in files(__name__).iterdir()
        if folder.is_dir() and not folder.name.startswith("_")
    )
)
_spoken: ContextVar[str] = ContextVar("language", default=SOURCE)


def tr(key: str, /, **given: object) -> str:
    """The message of a key in the language that is spoken, with what is `given` put in.

    A message that is given `n` has plural forms, and `n` chooses. The key itself where no catalogue
    knows it.
    """
    catalogue = _catalogue(_spoken.get())
    n = given.get("n")
    message = catalogue.ngettext(key, key, n) if isinstance(n, int) else catalogue.gettext(key)
    return message.format(**given) if given else message


def language() -> str:
    """The language that is spoken."""
    return _spoken.get()


def listed(texts: Iterable[str], style: Literal["standard", "or"] = "standard") -> str:
    """`pegs, hooks and a shelf`, as the language lists them."""
    return str(format_list(list(texts), style=style, locale=_locale(_spoken.get())))


def day_name(day: int) -> str:
    """A day of the week; 0 is Monday."""
    return str(get_day_names(locale=_locale(_spoken.get()))[day])


@contextmanager
def speaking(language: str) -> Iterator[None]:
    """Speaks one of `LANGUAGES` within."""
    token = _spoken.set(language)
    try:
        yield
    finally:
        _spoken.reset(token)


def language_of(accepted: str) -> str:
    """The language that suits best, of those asked for: `de-CH, en-US;q=0.8`, the dearest first.
    The English of a country that has no catalogue is the source's.
    """
    for asked in accepted.split(","):
        wanted = asked.split(";")[0].strip()
        if found := negotiate_locale([wanted], LANGUAGES, sep="-"):
            return found
        if wanted.split("-")[0] == SOURCE.split("-")[0]:
            break
    return SOURCE


@cache
def _catalogue(language: str) -> GNUTranslations:
    """A language's files as one catalogue, over the source's; what the page says is its own."""
    folder = files(__name__).joinpath(language)
    first, *others = (
        read_po(BytesIO(file.read_bytes()), locale=language.replace("-", "_"))
        for file in sorted(folder.iterdir(), key=lambda file: file.name)
        if file.is_file()
    )
    for catalogue in others:
        for message in catalogue:
            first[message.id] = message
    compiled = BytesIO()
    write_mo(compiled, first)
    compiled.seek(0)
    translations = GNUTranslations(compiled)
    if language != SOURCE:
        translations.add_fallback(_catalogue(SOURCE))
    return translations


@cache
def _locale(language: str) -> Locale:
    return Locale.parse(language, sep="-")
