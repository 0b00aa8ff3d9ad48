"""Rows that are each held by a kind of holder of their own: keys on small hooks below coats on
large ones.
"""

from dataclasses import replace
from typing import Annotated, Any

from pydantic import BeforeValidator, Field

from yardcliff.core.base.errors import cannot_read
from yardcliff.core.brief.rack_brief import RackBrief
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import kit
from yardcliff.core.holders.fitting import Fitting, Ground
from yardcliff.core.row.rows import MOST_ROWS
from yardcliff.core.strength.force import hardest


def _number(value: Any) -> str:
    text = str(value)
    if text not in map(str, range(2, MOST_ROWS + 1)):
        raise cannot_read("row", "ways.no-row-below-first-2", text=text[:40], most=MOST_ROWS)
    return text


RowNumber = Annotated[str, BeforeValidator(_number)]
"""A row's number from the top, 1 being the first; it follows `holder`."""


class HeldRows(RackBrief):
    """`holders` are those of rows that have another kind than the first, by their number."""

    holder: kit.Holder = hooks.Hook()
    holders: Annotated[
        dict[RowNumber, kit.Holder], Field(default_factory=dict, max_length=MOST_ROWS)
    ]


def fit_rows(brief: HeldRows, ground: Ground) -> Fitting:
    """The brief's holder on its board, and those of the rows that have their own, for what hangs
    there.
    """
    rows = {}
    for number, holder in brief.holders.items():
        k = int(number) - 1
        if k < brief.rows.count:
            own = brief.rows.own_of(k)
            kinds = set(brief.kinds) if own.alike else {*own.order} or {own.kind}
            pulled = hardest(
                item.pulled(children=brief.children)
                for key, item in brief.kinds.items()
                if key in kinds
            )
            rows[k] = kit.fit(holder, replace(ground, pulled=pulled))
    return replace(kit.fit(brief.holder, ground), rows=rows)
