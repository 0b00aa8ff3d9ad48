"""What is made on a rack, as tests ask for it."""

from collections.abc import Iterable

from yardcliff.core.rack import Kind, Operation, Place, Rack


def step(machining: Iterable[Operation], kind: Kind) -> Operation:
    """The first operation of a kind."""
    return next(one for one in machining if one.kind is kind)


def of_holders(rack: Rack) -> list[tuple[Place, Operation]]:
    """What is made for holders on the faces that their rows are marked on."""
    faces = {(row.part, rack.part(row.part).face) for row in rack.rows}
    return [
        (place, one)
        for one in rack.machining
        for place in one.places
        if place.holder >= 0 and place[:2] in faces
    ]
