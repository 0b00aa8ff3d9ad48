"""What was decided and what a change did, in the words of the screen: for what can be taken back,
and for versions side by side.
"""

from collections.abc import Iterator, Sequence
from typing import Any

from yardcliff.core.brief.rack_brief import MAIN
from yardcliff.core.row.row_brief import Pin
from yardcliff.core.things.item import WEIGHED
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.text import begun
from yardcliff.core.units.weights import load_given, weight_given
from yardcliff.core.wall.options import BYS
from yardcliff.core.ways import FAMILIES, Brief
from yardcliff.messages import tr

Path = tuple[str, ...]
UNTOLD = frozenset({"listed", "plural", "shape", "grip", "width"})
"""What an item's name says already."""


def change_text(before: Brief, after: Brief, changes: Sequence[tuple[Path, Any, Any]]) -> str:
    """What a change did: `Hooks instead of pegs`, `Board length: 1000 mm instead of 1200 mm`."""
    if not changes:
        return tr("design.no-change")
    told = next((found for found in _news(before, after, changes)), None)
    if told:
        return told
    path, old, new = changes[0]
    text = _one(path, old, new, before, after)
    more = [path for path, *_ in changes[1:] if path[-1] not in UNTOLD and path[0] != "place"]
    return tr("design.and-what-follows", text=text) if more else text


def _news(before: Brief, after: Brief, changes: Sequence[tuple[Path, Any, Any]]) -> Iterator[str]:
    """What is told in place of all that came with it."""
    changed = {path for path, *_ in changes}
    for name in ("family", "trade", "tape"):
        if (name,) in changed:
            yield tr(
                "design.instead-of",
                new=begun(value_text((name,), getattr(after, name), after)),
                old=value_text((name,), getattr(before, name), before),
            )
    old, new = before.kinds, after.kinds
    if old[MAIN].name != new[MAIN].name and len(old) == len(new):
        names = {"new": begun(new[MAIN].plural), "old": old[MAIN].plural}
        yield tr("design.instead-of", **names)
    for key in new.keys() - old.keys():
        yield tr("design.hang-there-too", names=begun(new[key].plural))
    if gone := [item.plural for key, item in old.items() if item.plural not in _plurals(after)]:
        yield tr("design.hang-there-no-more", names=begun(gone[0]))
    for path, was, now in changes:
        if path[-1] == "kind" and path[0] in ("holder", "holders") and was and now:
            text = tr("design.instead-of", new=begun(tr(f"kinds.{now}")), old=tr(f"kinds.{was}"))
            yield _of_row(path, text)


def _plurals(brief: Brief) -> set[str]:
    return {item.plural for item in brief.kinds.values()}


def _one(path: Path, old: Any, new: Any, before: Brief, after: Brief) -> str:
    """One field that is another."""
    if path == ("row", "pins"):
        return _pins(old, new, after.in_hand)
    if path == ("place", "wall"):
        key = "off-its-wall" if new is None else "onto-a-wall" if old is None else "another-wall"
        return tr(f"design.{key}")
    name = begun(field_name(path, before, after))
    if isinstance(old, tuple) or isinstance(new, tuple):
        return tr("design.is-another", name=name)
    if new is None:
        return tr("design.as-it-follows", name=name, old=value_text(path, old, before))
    if old is None:
        return tr("design.is-now", name=name, new=value_text(path, new, after))
    words = {"new": value_text(path, new, after), "old": value_text(path, old, before)}
    return tr("design.is-instead-of", name=name, **words)


def _pins(old: Sequence[Pin], new: Sequence[Pin], tape: Tape) -> str:
    before = {pin.index: pin.at for pin in old}
    held = [pin for pin in new if before.get(pin.index) != pin.at]
    if held:
        at = tape.write(held[0].at)
        return tr("design.held-at", number=held[0].index + 1, at=at)
    gone = [index for index in before if index not in {pin.index for pin in new}]
    return tr("design.let-go", number=gone[0] + 1 if gone else 1)


def field_name(path: Path, *briefs: Brief) -> str:
    """What a field is called: as it is asked for where a way of building asks for it alone."""
    dotted = ".".join(path)
    for brief in briefs:
        for section in FAMILIES[brief.family].choices(brief):
            for field in section.fields:
                if field.path == dotted:
                    return tr("design.field-of", section=section.title, field=field.label)
    if path[0] == "others":
        names = {item.plural for brief in briefs if (item := brief.others.get(path[1]))}
        inner = field_name(("item", *path[2:]), *briefs)
        return tr("design.field-of", section=min(names, default=path[1]), field=inner)
    if path[0] == "holders":
        return _of_row(path, field_name(("holder", *path[2:]), *briefs))
    # What may have any name within is called by what it is in.
    for key in ("-".join(path), "-".join(path[:-1]), path[0]):
        if (name := tr(f"field.{key}")) != f"field.{key}":
            return name
    return tr("field.other")


def _of_row(path: Path, text: str) -> str:
    return tr("design.of-row", number=path[1], text=text) if path[0] == "holders" else text


def value_text(path: Path, value: Any, brief: Brief) -> str:
    """A value as the screen has it."""
    tape = brief.in_hand
    if value is None:
        return "—"
    if isinstance(value, Fraction):
        return tape.write_given(value)
    if path[-1] in WEIGHED:
        return weight_given(value, tape.trade)
    if path[-1] == "tug_n":
        return load_given(value, tape.trade)
    if isinstance(value, tuple):
        return str(len(value)) if value else tr("value.nothing")
    if path == ("family",):
        return tr(FAMILIES[value].name).lower()
    if path == ("mount", "by"):
        return tr(BYS[value][0])
    for section in FAMILIES[brief.family].choices(brief):
        for field in section.fields:
            if field.path == ".".join(path):
                return next((one.name for one in field.options if one.value == value), str(value))
    key = f"{path[-1]}-{value}".replace(" ", "-").lower()
    return text if (text := tr(f"value.{key}")) != f"value.{key}" else str(value)
