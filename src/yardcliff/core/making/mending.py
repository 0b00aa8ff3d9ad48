"""What puts right what went wrong: the steps of each way out that was taken, as tasks."""

from collections.abc import Iterator

from yardcliff.core.design.machining import once, tool
from yardcliff.core.design.measuring import NO_ROW
from yardcliff.core.design.rack_design import Design
from yardcliff.core.design.there import Mend, key_of, part_of
from yardcliff.core.making.task import Task
from yardcliff.messages import tr

PHASE = 6
HOLDS = "making.plug-has-hold-before-bit-goes"


def mended(done: Design) -> Iterator[Task]:
    """The steps of all that is mended, each after the one before it; what it is of may be no part
    of the plan any more.
    """
    parts = {part.key for part in done.parts}
    for mend in done.there.mends:
        row, place = key_of(mend.what) or (NO_ROW, None)
        part = (
            part_of(mend.what)
            if row == NO_ROW
            else done.rack.rows[row].part
            if row < len(done.rack.rows)
            else ""
        )
        if part in parts:
            yield from _steps(mend, part, row, place, done)


def _steps(mend: Mend, part: str, row: int, place: int | None, done: Design) -> Iterator[Task]:
    made = [
        operation
        for operation in done.machining
        if any((each.row, each.holder) == (row, place) for each in operation.places)
    ]
    here = tuple(
        each
        for operation in made
        for each in operation.places
        if (each.row, each.holder) == (row, place)
    )
    bits = once(tool(operation, done.tape) for operation in made if operation.kind.drilled)
    for k, step in enumerate(mend.steps):
        if step.gone:
            continue
        yield Task(
            f"mend:{mend.key}:{k}",
            PHASE,
            step.title,
            step.minutes,
            frozenset({step.part or part}),
            lines=(step.line,) if step.line else (),
            needs=frozenset({"rough"}),
            gives=frozenset({"machined"}) if step.again else frozenset(),
            after={f"mend:{mend.key}:{k - 1}": (tr(HOLDS), 0)} if k else {},
            wait=step.wait,
            waits_for=step.waits_for,
            places=here if step.again else (),
            tools=bits if step.again else (),
        )
