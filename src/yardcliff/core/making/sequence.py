"""The order of the tasks, from what each needs and ends; and what a user's own order breaks."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from heapq import heapify, heappop, heappush

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.making.task import Task
from yardcliff.messages import tr


@dataclass(frozen=True, slots=True)
class Edge:
    """The `first` task comes before the `then`, by their keys, and why; so many minutes and its
    wait before.
    """

    first: str
    then: str
    why: str
    lag: int = 0


def edges(tasks: Sequence[Task]) -> tuple[Edge, ...]:
    """What comes before what, each pair once, by the first reason: named, brought about, ended."""
    found: dict[tuple[str, str], Edge] = {}
    for then in tasks:
        for first in tasks:
            if first is not then and (edge := _edge(first, then)):
                found.setdefault((first.key, then.key), edge)
    return tuple(found.values())


def _edge(first: Task, then: Task) -> Edge | None:
    if first.key in then.after:
        why, lag = then.after[first.key]
        return Edge(first.key, then.key, why, lag)
    if first.work and first.work in then.follows:
        return Edge(first.key, then.key, then.follows[first.work])
    if not first.meets(then):
        return None
    for state in sorted(first.gives & then.needs):
        return Edge(first.key, then.key, tr(f"state.{state}.made"))
    for state in sorted(first.needs & (then.spoils - first.spoils)):
        return Edge(first.key, then.key, tr(f"state.{state}.ended"))
    return None


def natural(tasks: Sequence[Task], among: Sequence[Edge]) -> tuple[Task, ...]:
    """The tasks so that nothing comes too early; of those that may come next, by their phase and as
    they came.

    Kahn, "Topological sorting of large networks" (1962). Raises `ValueError` where they go round in
    a circle.
    """
    by_key = {task.key: task for task in tasks}
    at = {task.key: (task.phase, k, task.key) for k, task in enumerate(tasks)}
    waits = dict.fromkeys(by_key, 0)
    then: dict[str, list[str]] = {key: [] for key in by_key}
    for edge in among:
        waits[edge.then] += 1
        then[edge.first].append(edge.then)
    ready = [at[key] for key, many in waits.items() if not many]
    heapify(ready)
    found = []
    while ready:
        key = heappop(ready)[2]
        found.append(by_key[key])
        for other in then[key]:
            waits[other] -= 1
            if not waits[other]:
                heappush(ready, at[other])
    if len(found) != len(tasks):
        raise ValueError(
            tr(
                "making.these-wait-for-one-another",
                tasks=sorted((key for key, many in waits.items() if many)),
            )
        )
    return tuple(found)


def own(tasks: Sequence[Task], order: Sequence[str], among: Sequence[Edge]) -> tuple[Task, ...]:
    """The tasks in the user's own order; those it does not know come as soon as what they need is
    done.
    """
    known = {key: k for k, key in enumerate(order)}
    rank: dict[str, float] = {}
    for task in tasks:
        before = (
            rank[edge.first] for edge in among if edge.then == task.key and edge.first in rank
        )
        rank[task.key] = known[task.key] if task.key in known else max(before, default=-1.0) + 1e-3
    return tuple(sorted(tasks, key=lambda task: rank[task.key]))


def broken(tasks: Sequence[Task], among: Sequence[Edge]) -> Iterator[Finding]:
    """What comes too early, and why that is."""
    at = {task.key: k for k, task in enumerate(tasks)}
    for edge in among:
        if at[edge.first] > at[edge.then]:
            first, then = tasks[at[edge.first]], tasks[at[edge.then]]
            yield Finding(
                "work.order",
                then.title,
                tr("work.order", then=then.title, first=first.title, why=edge.why),
                tr("quantity.place"),
                str(at[edge.then] + 1),
                tr("quantity.after", at=at[edge.first] + 1),
                fixes=(
                    Fix(
                        tr("fix.after", title=first.title),
                        {"making": {"order": _moved(tasks, edge)}},
                    ),
                    Fix(tr("fix.back-order-work"), {"making": {"order": []}}),
                ),
            )


def _moved(tasks: Sequence[Task], edge: Edge) -> list[str]:
    keys = [task.key for task in tasks if task.key != edge.then]
    keys.insert(keys.index(edge.first) + 1, edge.then)
    return keys


def direct(among: Sequence[Edge]) -> tuple[Edge, ...]:
    """The edges that no longer way around says as well (transitive reduction)."""
    then: dict[str, set[str]] = {}
    for edge in among:
        then.setdefault(edge.first, set()).add(edge.then)
    reach: dict[str, set[str]] = {}

    def beyond(key: str) -> set[str]:
        if key not in reach:
            reach[key] = set()
            for other in then.get(key, ()):
                reach[key] |= {other} | beyond(other)
        return reach[key]

    return tuple(
        edge
        for edge in among
        if edge.lag
        or not any(edge.then in beyond(other) for other in then[edge.first] if other != edge.then)
    )
