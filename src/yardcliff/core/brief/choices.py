"""The choices that a family alone has, as data: what an interface needs to ask for them."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Option:
    """One of several schools or kinds: its value in the brief, its name, and when to prefer it."""

    value: str
    name: str
    why: str = ""


@dataclass(frozen=True, slots=True)
class Field:
    """A field of the brief by its dotted path: a figure to type, or `options` to pick from.

    One that is left out follows from the rest: `figure` is the key of what it then is.
    """

    path: str
    label: str
    options: tuple[Option, ...] = ()
    figure: str = ""


@dataclass(frozen=True, slots=True)
class Section:
    """Fields that are thought of together, and the keys of the figures that follow from them."""

    title: str
    fields: tuple[Field, ...]
    figures: tuple[str, ...] = ()
