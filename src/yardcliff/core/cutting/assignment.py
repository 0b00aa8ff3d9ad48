"""Whether so many of each bar take all the parts: each part is assigned to one of them."""

from collections.abc import Sequence
from dataclasses import dataclass

import highspy

from yardcliff.core.cutting.master import integral, silent
from yardcliff.core.cutting.problem import Cut, Lane, Problem

MOST, NODES = 200, 1000
"""Whole numbers in the program, and nodes, beyond which it is not tried, or given up."""


@dataclass(frozen=True, slots=True)
class Answer:
    """The cuts, if there are any; without, whether that is `sure`."""

    cuts: tuple[Cut, ...] | None
    sure: bool


def assign(problem: Problem, bars: Sequence[int]) -> Answer:
    """Assign the parts to the stretches of so many of each bar; where none is ripped or turned."""
    wants = problem.wants
    bins = [
        (b, copy, k, room)
        for b, many in enumerate(bars)
        for copy in range(many)
        for k, room in enumerate(problem.bars[b].rooms)
    ]
    one_lane = all(
        want.wide == problem.bars[b].wide and len(problem.lies(b, k)) == 1
        for k, want in enumerate(wants)
        for b, many in enumerate(bars)
        if many
    )
    if not one_lane or len(bins) * len(wants) > MOST:
        return Answer(None, sure=False)
    model = silent()
    for want in wants:
        model.addRow(float(want.many), float(want.many), 0, [], [])
    for _, _, _, room in bins:
        model.addRow(-highspy.kHighsInf, float(room + problem.kerf), 0, [], [])
    for j, (_, _, _, room) in enumerate(bins):
        for k, want in enumerate(wants):
            most = min(want.many, (room + problem.kerf) // (want.long + problem.kerf))
            model.addCol(
                0.0,
                0.0,
                float(most),
                2,
                [k, len(wants) + j],
                [1.0, float(want.long + problem.kerf)],
            )
    integral(model)
    model.setOptionValue("mip_max_nodes", NODES)
    model.run()
    if not model.getInfo().primal_solution_status:
        return Answer(None, sure=model.getModelStatus() == highspy.HighsModelStatus.kInfeasible)
    values = [round(value) for value in model.getSolution().col_value]
    runs: dict[tuple[int, int], list[tuple[int, ...]]] = {}
    for j, (b, copy, _, _) in enumerate(bins):
        run = tuple(k for k in range(len(wants)) for _ in range(values[j * len(wants) + k]))
        runs.setdefault((b, copy), []).append(run)
    wide = wants[0].wide
    return Answer(
        tuple(Cut(b, (Lane(wide, tuple(them)),)) for (b, _), them in runs.items() if any(them)),
        sure=True,
    )
