"""What a new rack begins as: for what hangs there, by a way of building, on the wall that it is
for.
"""

from collections import Counter
from collections.abc import Iterable, Sequence

from yardcliff.app.designs import Designs
from yardcliff.app.known_items import KnownItems
from yardcliff.app.settings import KeptSettings
from yardcliff.core.base.model import MAX_COUNT
from yardcliff.core.design.begin import Begun, begin_on
from yardcliff.core.design.change import amend
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.things.listing import Listed
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


def begun(brief: Brief, wall: str | None, designs: Designs, settings: KeptSettings) -> Begun:
    """A brief cut with the user's saw, on the wall that it is for. Raises `BriefError` for one that
    is gone.
    """
    brief = amend(brief, settings.cutting())
    if wall is None:
        return Begun(brief, "")
    site = designs.site(amend(brief, {"place": {"wall": wall}}))
    if site is None:
        raise BriefError([("wall", tr("app.wall-gone-choose-another-one-or"))])
    return begin_on(brief, wall, site)


def new_brief(
    hangs: Hangs,
    tape: Tape,
    family: str | None,
    wall: str | None,
    designs: Designs,
    settings: KeptSettings,
) -> Brief:
    """A new rack's brief, by the way asked for or the most fitting one, as `begun`. Raises
    `BriefError`.
    """
    if family is not None and family not in FAMILIES:
        raise BriefError(
            [("family", tr("app.is-none-of", family=family[:40], families=", ".join(FAMILIES)))]
        )
    return begun(starting(hangs, tape, family), wall, designs, settings).brief
