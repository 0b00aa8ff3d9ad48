"""What somebody says that hangs, as it is written: "7 coats and 2 hats on 1.2 m"; and what is found
of the list by a word.
"""

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import cache, lru_cache

from yardcliff.core.base.model import MAX_COUNT
from yardcliff.core.things.listing import Listed
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length_text import LengthError, Unit, read
from yardcliff.data import table

MOST_TEXT = 200
_NUMBERS = ("one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")
_COUNTS = {word: k for k, word in enumerate(_NUMBERS, 1)} | {"dozen": 12, "a": 1, "an": 1}
_FILLING = frozenset(("of", "the", "my", "some", "our", "pair", "pairs", "x", "and", "with", "for"))
_NUMBER = r"(?:\d+(?:[ -]\d+/\d+|[.,]\d+|/\d+)?|[½¼¾])\s*"
_UNIT = r"(?:mm|cm|m(?:et(?:re|er)s?)?|in(?:ch(?:es)?)?|f(?:ee|oo)?t)\b|[\"″”'′’]"
_WIDTH = re.compile(
    rf"(?:\b(?:on|in|over|within|for|by)\s+)?\b(?:a\s+)?({_NUMBER}(?:{_UNIT})(?:\s*{_NUMBER}(?:{_UNIT}))?)"
    r"(?:\s*(?:wide|long|of wall|wall|board|place|space))*",
    re.IGNORECASE,
)
_BARE = re.compile(r"\b(?:on|over|within)\s+(?:a\s+)?(\d[\d.,/ ]*)(?:\s*(?:wide|long))?\s*$", re.I)
_APART = re.compile(r"\s*(?:[,;+&]|\band\b|\bplus\b)\s*", re.IGNORECASE)
_COUNTED = re.compile(r"(?:(\d{1,6})\s*[x×]?|([a-z]+))\s+(.*)", re.IGNORECASE)
SMALLEST_BARE = 20
"""A width without a unit below this was not meant in the tape's."""


@dataclass(frozen=True, slots=True)
class Answer:
    """What was read: things of the list with how many (None: not said), how wide the place is in
    mm, what is in no list, with its number, and what cannot be read. `found` is all that may be
    meant, the nearest first.
    """

    hangs: tuple[tuple[Listed, int | None], ...]
    width: Fraction | None
    unknown: tuple[tuple[str, int | None], ...]
    unread: tuple[str, ...]
    found: tuple[Listed, ...]


def read_answer(text: str, listed: Sequence[Listed], unit: Unit) -> Answer:
    """What is said to hang and how wide its place is; bare widths take `unit`."""
    rest, width = text, None
    unknown, unread = list[tuple[str, int | None]](), list[str]()
    if said := _WIDTH.search(rest) or _BARE.search(rest):
        width = _length(said[1], unit)
        if width is None:
            unread.append(said[1].strip())
        rest = f"{rest[: said.start()]},{rest[said.end() :]}"
    hangs: dict[str, tuple[Listed, int | None]] = {}
    found: dict[str, Listed] = {}
    for part in filter(None, _APART.split(rest)):
        count, words = _counted(part)
        if count is not None and not 0 < count <= MAX_COUNT:
            unread.append(part)
            continue
        meant = find(words, listed) if _words(words) else []
        found |= {entry.key: entry for entry in meant}
        if meant:
            best = meant[0]
            before = hangs.get(best.key, (best, None))[1]
            hangs[best.key] = (best, (before or 0) + count if count else before)
        elif any(letter.isdigit() for letter in words):
            unread.append(part.strip())
        else:
            unknown.append((words.strip() or part, count))
    every = tuple(found.values()) if text.strip() else tuple(listed)
    return Answer(tuple(hangs.values()), width, tuple(unknown), tuple(unread), every)


def find(text: str, listed: Iterable[Listed]) -> list[Listed]:
    """What a list has by that name or another one, the nearest first: each word begins one of
    its own.
    """
    words = _words(text)
    rated = [(rank, entry) for entry in listed if (rank := _rank(words, entry)) is not None]
    return [entry for _, entry in sorted(rated, key=lambda one: one[0])]


def _rank(words: tuple[str, ...], entry: Listed) -> int | None:
    """How near an entry is: 0 called just so, 1 by its own name, 2 by another one, 3 by its group;
    None: not.
    """
    own = [_words(entry.item.name), _words(entry.item.plural)]
    other = [_words(name) for name in other_names(entry.key)]
    if words in own or words in other:
        return 0
    for rank, names in enumerate((own, other), 1):
        if any(_begin(words, name) for name in names):
            return rank
    return 3 if _begin(words, (*_words(entry.group), *sum(own, ()))) else None


def _begin(words: tuple[str, ...], name: tuple[str, ...]) -> bool:
    return all(any(one.startswith(word) for one in name) for word in words)


@cache
def other_names(key: str) -> tuple[str, ...]:
    """What else a typical thing is called, in either trade."""
    names = [name for row in table("other_names") if row["key"] == key for name in row["names"]]
    return (*names, *(row["name"] for row in table("items") if row["key"] == key))


@lru_cache(maxsize=2048)
def _words(text: str) -> tuple[str, ...]:
    """Its words as they are compared: small, one of each, without what only fills."""
    found = re.findall(r"[^\W_]+", text.lower().replace("'s", "").replace("’s", ""))
    return tuple(_single(word) for word in found if word not in _FILLING)


def _single(word: str) -> str:
    """`mugs` -> `mug`, `scarves` -> `scarf`, `brushes` -> `brush`."""
    for ending, one in (
        ("ies", "y"),
        ("arves", "arf"),
        ("ches", "ch"),
        ("shes", "sh"),
        ("sses", "ss"),
    ):
        if word.endswith(ending) and len(word) > len(ending) + 1:
            return word.removesuffix(ending) + one
    return word[:-1] if word.endswith("s") and not word.endswith("ss") and len(word) > 2 else word


def _counted(part: str) -> tuple[int | None, str]:
    """`7 coats` -> 7 and the words; `coats` -> None."""
    found = _COUNTED.fullmatch(part.strip())
    if not found:
        return None, part
    if found[1]:
        return int(found[1]), found[3]
    number = _COUNTS.get(found[2].lower())
    if number == 1 and found[3].lower().startswith("dozen "):
        return 12, found[3][len("dozen ") :]
    return (number, found[3]) if number else (None, part)


def _length(text: str, unit: Unit) -> Fraction | None:
    plain = re.sub(r"(?i)met(?:re|er)s?\b", "m", text.strip())
    try:
        length = read(plain, unit)
    except LengthError:
        return None
    bare = not re.search(_UNIT, plain, re.IGNORECASE)
    return (
        None
        if length <= 0 or (bare and float(plain.split()[0].replace(",", ".")) < SMALLEST_BARE)
        else length
    )
