"""A board by what it is called: whoever measures it finds less."""

from collections.abc import Iterator

from yardcliff.core.brief.rack_brief import RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.materials.sold import is_sold
from yardcliff.core.rack import Rack
from yardcliff.core.units.called import boards, inches
from yardcliff.core.units.length import given_text
from yardcliff.messages import tr


def nominal(brief: RackBrief, rack: Rack) -> Iterator[Finding]:
    """Asks whether a board that nobody sells, and that is as wide or as thick as one is called, is
    that one: a board 4 in wide and 3/4 in thick is ripped from a 1 × 6, or a 1 × 4 is meant.
    """
    board = brief.board
    if brief.sizes != "us" or is_sold(board.thickness, board.height, board.wood):
        return
    for name, (thick, wide) in boards().items():
        thick_called, wide_called = inches(name)
        if board.height in (wide, wide_called) and board.thickness in (thick, thick_called):
            write, shown = brief.in_hand.write_fine, rack.parts[0]
            yield Finding(
                "board.nominal",
                tr("part.board"),
                tr("board.nominal", name=name, thick=write(thick), wide=write(wide)),
                tr("quantity.as-it-is-called"),
                f"{write(board.thickness)} × {write(board.height)}",
                f"{write(thick)} × {write(wide)}",
                at=(float(shown.x + shown.length / 2), float(shown.y + shown.height / 2)),
                fixes=(
                    Fix(
                        tr("fix.take-a", name=name),
                        {
                            "board": {
                                "height": given_text(wide, "us"),
                                "thickness": given_text(thick, "us"),
                            }
                        },
                    ),
                ),
            )
            return
