"""What would have hooks hold more: thicker screws, longer ones, more of them."""

from collections.abc import Iterator
from dataclasses import replace
from typing import get_args

from yardcliff.core.findings.finding import Fix
from yardcliff.core.holders.fitting import Ground
from yardcliff.core.holders.hook import BACK, EDGE, THICKER, Gauge, Hook, in_wood, links, sizes
from yardcliff.core.materials.goods import SOLD
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.data import table
from yardcliff.messages import tr


def strongest(hook: Hook, ground: Ground) -> float:
    """The share of its weakest link on that ground."""
    return max(link.share for link in links(hook, ground))


def stronger(hook: Hook, ground: Ground) -> Iterator[Fix]:
    """Changes that hold, tried: longer or thicker screws, a harder or a thicker board, a stronger
    hook; the last on the strongest board.
    """
    if hook.fastening == "screws":
        for screwed in _screwed(hook, ground.thickness):
            if strongest(screwed, ground) <= 1:
                yield Fix(
                    tr(
                        "fix.screws-of",
                        gauge=screwed.gauge,
                        screw_length=exact_text(screwed.screw_length),
                    ),
                    {"holder": _screws(screwed)},
                )
                break
    hard = replace(ground, wood="hardwood")
    if ground.wood != "hardwood" and strongest(hook, hard) <= 1:
        yield Fix(tr("fix.a-hardwood-board-2"), {"board": {"wood": "hardwood"}})
    for key in (row["key"] for row in table("holders") if row["kind"] == "hook"):
        other = Hook.model_validate(sizes(key), context={"exact": True})
        if (
            other.plate_height >= hook.plate_height
            and _fits(other, ground)
            and strongest(other, ground) <= 1
        ):
            yield Fix(
                next(row["name"] for row in table("holders") if row["key"] == key),
                {"holder": sizes(key) | {"carries": None}},
            )
            break
    for thick in THICKER:
        held = [
            each
            for each in _screwed(hook, thick)
            if thick > ground.thickness and strongest(each, ground) <= 1
        ]
        if hook.fastening == "screws" and held:
            change = {"holder": _screws(held[0]), "board": {"thickness": exact_text(thick)}}
            yield Fix(
                tr(
                    "fix.board-thick-screws",
                    thick=exact_text(thick),
                    gauge=held[0].gauge,
                    screw_length=exact_text(held[0].screw_length),
                ),
                change,
            )
            break


def _screws(hook: Hook) -> dict[str, str]:
    return {"gauge": hook.gauge, "screw_length": exact_text(hook.screw_length)}


def _screwed(hook: Hook, thick: Fraction) -> Iterator[Hook]:
    """The hook on the longest screws that such a board takes, thicker and thicker."""
    longest = max(
        (Fraction(each) for each in SOLD if each <= thick - BACK + hook.plate_thickness),
        default=Fraction(0),
    )
    for gauge in get_args(Gauge):
        if Fraction(gauge) >= Fraction(hook.gauge) and longest >= hook.screw_length:
            yield hook.changed({"gauge": gauge, "screw_length": longest})


def _fits(hook: Hook, ground: Ground) -> bool:
    return (
        min(ground.line, ground.height - ground.line) - hook.plate_height / 2 >= EDGE
        and ground.thickness - in_wood(hook) >= BACK
    )
