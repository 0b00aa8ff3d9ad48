"""Which patterns to cut how often: the linear program whose columns are made as they are needed,
and the whole-number program over them.

Bars are counted by columns of their own: branching acts on how many of each are used, and on
nothing else.
"""

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass

import highspy

from yardcliff.core.cutting.patterns import Patterns, counts, honest
from yardcliff.core.cutting.problem import Cut, Lane, Problem, want_of

ROUNDS, MOST_COLUMNS, MOST_NODES = 400, 3000, 300
SMALL = 1e-6
MISSING = 1000.0
"""What a part that is not cut costs, in bars of the dearest kind, ripped."""
Range = tuple[int, int]


@dataclass(frozen=True, slots=True)
class Relaxed:
    """The linear program's end: its total, how many of each bar; no total where the bars do not
    suffice.
    """

    total: float | None
    bars: tuple[float, ...]


def silent() -> highspy.Highs:
    """A solver that says nothing and does the same each time."""
    model = highspy.Highs()  # type: ignore[no-untyped-call]
    for name, value in (("output_flag", False), ("threads", 1), ("random_seed", 1)):
        model.setOptionValue(name, value)
    return model


def integral(model: highspy.Highs) -> None:
    """Ask for whole numbers only."""
    for column in range(model.numVariables):
        model.changeColIntegrality(column, highspy.HighsVarType.kInteger)


class Master:
    """Its columns grow over all nodes of a search: a pattern is true everywhere."""

    def __init__(self, problem: Problem, start: Iterable[Cut]) -> None:
        self.problem = problem
        self.unit = float(
            max(problem.price(b) + problem.lane_price(b, 0) for b in range(len(problem.bars)))
        )
        self.patterns = Patterns(problem, self.unit)
        self.columns: list[Cut] = []
        self._known: set[tuple[int, int, tuple[tuple[int, int], ...]]] = set()
        for cut in start:
            self.add(cut)

    def add(self, cut: Cut) -> bool:
        """Take a pattern in, if it is a new one."""
        key = cut.bar, self.problem.lanes_price(cut), counts(cut)
        if not key[2] or key in self._known:
            return False
        self._known.add(key)
        self.columns.append(cut)
        return True

    def relax(self, within: Sequence[Range]) -> Relaxed:
        """The linear program with so many of each bar, to its end: new patterns as long as one
        lowers the total.
        """
        wants, bars = len(self.problem.wants), len(self.problem.bars)
        model, put = self._model(within), 0
        for _ in range(ROUNDS):
            self._append(model, put)
            put = len(self.columns)
            model.run()
            duals = list(model.getSolution().row_dual)
            values = [max(one, 0.0) for one in duals[:wants]]
            fresh = [
                cut
                for b, (worth, cut) in enumerate(self.patterns.best(values))
                if within[b][1] and worth > duals[wants + b] + SMALL
            ]
            if put >= MOST_COLUMNS or not sum([self.add(cut) for cut in fresh]):
                break
            for cut in fresh:
                self.add(honest(self.problem, cut, values))
        used = list(model.getSolution().col_value)
        if sum(used[bars : bars + wants]) > SMALL:
            return Relaxed(None, ())
        return Relaxed(model.getInfo().objective_function_value * self.unit, tuple(used[:bars]))

    def whole(self, within: Sequence[Range], least: int, most: int) -> tuple[Cut, ...] | None:
        """The best plan in whole patterns among the columns, its total from `least` to `most`; None
        where they give none.
        """
        wants, bars = self.problem.wants, self.problem.bars
        model = self._model(within, missing=False)
        self._append(model, 0)
        integral(model)
        prices = [self.problem.price(b) / self.unit for b in range(len(bars))]
        prices += [self.problem.lanes_price(cut) / self.unit for cut in self.columns]
        low, high = ((total / self.unit) for total in (least - 0.1, most + 0.1))
        model.addRow(low, high, len(prices), list(range(len(prices))), prices)
        for name, value in (
            ("mip_rel_gap", 1e-9),
            ("mip_abs_gap", 0.5 / self.unit),
            ("mip_max_nodes", MOST_NODES),
        ):
            model.setOptionValue(name, value)
        model.run()
        if not model.getInfo().primal_solution_status:
            return None
        values = list(model.getSolution().col_value)[len(bars) :]
        chosen = [
            cut for cut, many in zip(self.columns, values, strict=True) for _ in range(round(many))
        ]
        left = Counter({k: want.many for k, want in enumerate(wants)})
        cuts = tuple(cut for cut in (_without_extras(cut, left) for cut in chosen) if cut.lanes)
        return None if any(left.values()) else cuts

    def _model(self, within: Sequence[Range], *, missing: bool = True) -> highspy.Highs:
        """Rows: each want met; as many bars as patterns on them. Columns: bars, then what is
        missing.
        """
        model = silent()
        for want in self.problem.wants:
            model.addRow(float(want.many), highspy.kHighsInf, 0, [], [])
        for _ in self.problem.bars:
            model.addRow(0.0, highspy.kHighsInf, 0, [], [])
        wants = len(self.problem.wants)
        for b, (low, high) in enumerate(within):
            model.addCol(
                self.problem.price(b) / self.unit, float(low), float(high), 1, [wants + b], [1.0]
            )
        if missing:
            for k in range(wants):
                model.addCol(MISSING, 0.0, highspy.kHighsInf, 1, [k], [1.0])
        return model

    def _append(self, model: highspy.Highs, start: int) -> None:
        wants = len(self.problem.wants)
        for cut in self.columns[start:]:
            rows = counts(cut)
            at, many = (
                [*(k for k, _ in rows), wants + cut.bar],
                [*(float(n) for _, n in rows), -1.0],
            )
            costs = self.problem.lanes_price(cut) / self.unit
            model.addCol(costs, 0.0, highspy.kHighsInf, len(at), at, many)


def _without_extras(cut: Cut, left: Counter[int]) -> Cut:
    """The cut with only what is still wanted, which it takes off `left`."""

    def keep(run: tuple[int, ...]) -> tuple[int, ...]:
        kept = []
        for k in run:
            if left[want_of(k)]:
                left[want_of(k)] -= 1
                kept.append(k)
        return tuple(kept)

    lanes = (Lane(lane.wide, tuple(map(keep, lane.runs))) for lane in cut.lanes)
    return Cut(cut.bar, tuple(lane for lane in lanes if any(lane.runs)))
