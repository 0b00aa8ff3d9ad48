"""What would have hooks hold more: thicker screws, longer ones, more of them."""

from collections.abc import Iterator
from dataclasses import replace

from yardcliff.core.findings.finding import Fix
from yardcliff.core.holders.fitting import Ground, shipped
from yardcliff.core.holders.hook import BACK, EDGE, Hook, in_wood, links
from yardcliff.core.materials.sold import THICKER, gauges, next_length, thick
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.units.trade import Trade
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
        for screwed in _screwed(hook, ground.thickness, ground.sizes):
            if strongest(screwed, ground) <= 1:
                yield Fix(
                    tr(
                        "fix.screws-of",
                        gauge=screwed.gauge,
                        screw_length=ground.text(screwed.screw_length),
                    ),
                    {"holder": _screws(screwed)},
                )
                break
    hard = replace(ground, wood="hardwood")
    if ground.wood != "hardwood" and strongest(hook, hard) <= 1:
        yield Fix(tr("fix.a-hardwood-board-2"), {"board": {"wood": "hardwood"}})
    for row in table("holders", ground.sizes):
        if row["kind"] != "hook":
            continue
        sizes = shipped(row["key"], ground.sizes)
        other = Hook.model_validate(sizes, context={"exact": True})
        if (
            other.plate_height >= hook.plate_height
            and _fits(other, ground)
            and strongest(other, ground) <= 1
        ):
            yield Fix(row["name"], {"holder": sizes | {"carries": None}})
            break
    for board in THICKER.of(ground.sizes):
        held = [
            each
            for each in _screwed(hook, board, ground.sizes)
            if board > ground.thickness and strongest(each, ground) <= 1
        ]
        if hook.fastening == "screws" and held:
            change = {"holder": _screws(held[0]), "board": {"thickness": exact_text(board)}}
            yield Fix(
                tr(
                    "fix.board-thick-screws",
                    thick=ground.text(board),
                    gauge=held[0].gauge,
                    screw_length=ground.text(held[0].screw_length),
                ),
                change,
            )
            break


def _screws(hook: Hook) -> dict[str, str]:
    return {"gauge": hook.gauge, "screw_length": exact_text(hook.screw_length)}


def _screwed(hook: Hook, board: Fraction, trade: Trade) -> Iterator[Hook]:
    """The hook on the longest screws that a board so thick takes, thicker and thicker."""
    room = board - BACK.of(trade) + hook.plate_thickness
    longest = next_length(room, trade)
    for gauge in gauges(trade):
        if thick(gauge) >= thick(hook.gauge) and room >= longest >= hook.screw_length:
            yield hook.changed({"gauge": gauge, "screw_length": longest})


def _fits(hook: Hook, ground: Ground) -> bool:
    return min(ground.line, ground.height - ground.line) - hook.plate_height / 2 >= EDGE.of(
        ground.sizes
    ) and ground.thickness - in_wood(hook) >= BACK.of(ground.sizes)
