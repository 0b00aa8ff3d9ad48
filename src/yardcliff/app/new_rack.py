"""What a new rack begins as: for what hangs there, by a way of building, on the wall that it is
for.
"""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from itertools import chain

from yardcliff.app.designs import Designs
from yardcliff.app.known_items import KnownItems
from yardcliff.app.settings import KeptSettings
from yardcliff.core.base.model import MAX_COUNT
from yardcliff.core.design.begin import Begun, How, begin_on, begin_within
from yardcliff.core.design.change import amend
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.things.listing import Listed
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.trade import Trade
from yardcliff.core.ways import FAMILIES, Brief, starting
from yardcliff.messages import tr

Hangs = Sequence[tuple[Listed, int]]
"""What hangs, and how many of each; the first is the main kind."""


def what_hangs(asked: Iterable[tuple[str, int]], items: KnownItems, trade: Trade) -> Hangs:
    """Things of the list by their keys. Raises `BriefError` for one that is not in it, or more than
    a rack holds.
    """
    counts = Counter[str]()
    for key, count in asked:
        counts[key] += count
    if counts.total() > MAX_COUNT:
        raise BriefError(
            [
                (
                    "count",
                    tr(
                        "app.things-too-many-fit-on-rack", total=counts.total(), max_count=MAX_COUNT
                    ),
                )
            ]
        )
    return [(items.find(key, trade), count) for key, count in counts.items()]


@dataclass(frozen=True, slots=True)
class Where:
    """Where a new rack is for: on which wall, or in a place how wide, mm; or nobody said."""

    wall: str | None = None
    width: Fraction | None = None


def begun(brief: Brief, where: Where, designs: Designs, settings: KeptSettings) -> Iterator[Begun]:
    """A brief cut with the user's saw, by each way that it has room where it is for, the best
    first. Raises `BriefError` for a wall that is gone.
    """
    brief = amend(brief, settings.cutting())
    if where.wall is not None:
        site = designs.site(amend(brief, {"place": {"wall": where.wall}}))
        if site is None:
            raise BriefError([("wall", tr("app.wall-gone-choose-another-one-or"))])
        return begin_on(brief, where.wall, site)
    if where.width is not None:
        return begin_within(brief, where.width)
    return iter((Begun("asked", brief, ""),))


def new_brief(
    hangs: Hangs,
    tape: Tape,
    family: str | None,
    where: Where,
    how: How | None,
    designs: Designs,
    settings: KeptSettings,
) -> Brief:
    """A new rack's brief, by the way of building asked for or the most fitting one, with room where
    it is for by the way asked for or the best. Raises `BriefError`.
    """
    if family is not None and family not in FAMILIES:
        raise BriefError(
            [("family", tr("app.is-none-of", family=family[:40], families=", ".join(FAMILIES)))]
        )
    ways = begun(starting(hangs, tape, family), where, designs, settings)
    best = next(ways)
    asked = (one for one in chain((best,), ways) if how is None or one.how == how)
    return next(asked, best).brief
