"""The machining schedule in words: the same on the page and on the shop sheet."""

from yardcliff.core.angles import both_ways
from yardcliff.core.length import Tape
from yardcliff.core.rack import Operation


def tool(operation: Operation, tape: Tape) -> str:
    """`20 mm bit`."""
    return f"{tape.write_fine(operation.size)} {operation.tool}"


def depth(operation: Operation, tape: Tape) -> str:
    """How deep, along the tool, or how else it is done."""
    if operation.how:
        return operation.how
    return "right through" if operation.depth is None else f"{tape.write_fine(operation.depth)} deep"


def setting(operation: Operation) -> str:
    """The tilt by both conventions; empty where it is not drilled or cut to a depth."""
    if operation.how:
        return ""
    return both_ways(operation.tilt) if operation.tilt else "square to the face"


def left(operation: Operation, tape: Tape) -> str:
    """The wood that stays behind it, or nothing where none does."""
    return "" if operation.web is None else tape.write_fine(operation.web)
