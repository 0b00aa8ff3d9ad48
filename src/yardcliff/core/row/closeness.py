"""Things of a row that hang too close, or overlap as they are asked to, and what settles it."""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from itertools import pairwise

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.row.fixes import (
    down,
    even_air,
    let_go_or_all,
    longer,
    room_for_one,
    row_patch,
    up,
)
from yardcliff.core.row.length_findings import NONE
from yardcliff.core.row.row import Row
from yardcliff.core.row.spacing import counts_that_fit, length_for, solve
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.messages import listed, tr


@dataclass(frozen=True, slots=True)
class Words:
    """How findings speak of what hangs: `5 -> "5 enamel mugs"`, and the name of each kind; and of
    what it hangs on: `hook`.
    """

    noun: Callable[[int], str]
    names: Mapping[str, str]
    holder: str

    def at(self, index: int) -> str:
        """`Hook 3`."""
        return tr("part.holder", holder=self.holder.capitalize(), number=index + 1)


def too_close(row: Row, tape: Tape, words: Words) -> Iterator[Finding]:
    if row.holders < 2:
        return
    noun, apart = words.noun, row.rule.apart
    k = row.gaps.index(min(row.gaps)) if row.uneven or row.airy else row.holders - 2
    if row.gaps[k] < apart:
        who = (
            listed((str(k + 1), str(k + 2)))
            if row.uneven or row.airy
            else tr("row.all", noun=noun(row.count))
        )
        yield Finding(
            "row.fixtures",
            tr("part.row"),
            tr("row.fixtures", who=who, apart=tape.write(apart), got=tape.write(row.gaps[k])),
            tr("quantity.pitch"),
            row.gaps[k],
            apart,
            at=(float(row.axes[k] + row.axes[k + 1]) / 2, 0.0),
            fixes=_closeness_fixes(row, tape, words, (k, k + 1), counts_that_fit(row)),
        )
        return
    if row.count < 2:
        return
    if row.air >= row.brief.air:
        yield from _overlapping(row, tape, words)
        return
    alike = row.rule.alike
    k = row.count - 2 if alike and not row.uneven else row.clear.index(row.air)
    edge = row.centres[k] + row.things[k].reach.right
    pair = (row.rule.first_holder[k] + row.things[k].holders - 1, row.rule.first_holder[k + 1])
    needed, fit = up(length_for(row, row.count), tape), counts_that_fit(row)
    if row.brief.follows == "pitch" and not row.uneven:
        message = tr(
            "row.need-the-board-is-fit-or",
            noun=noun(row.count),
            needed=tape.write(needed),
            length=tape.write(row.length),
            fit=fit or "none",
            loss=_loss(row, tape),
        )
    elif row.uneven or not alike:
        names = listed(f"{words.names[row.things[i].kind]} {i + 1}" for i in (k, k + 1))
        message = tr("row.between", names=names, loss=_loss(row, tape))
    else:
        message = tr("row.at-from-axis-to-axis", pitch=tape.write(row.t), loss=_loss(row, tape))
    yield Finding(
        "row.bump" if row.air < 0 else "row.crowded",
        tr("part.row"),
        message,
        *_apart(row.air, row.brief.air),
        at=(float(edge + row.air / 2), 0.0),
        fixes=_closeness_fixes(row, tape, words, pair, fit),
    )


def _overlapping(row: Row, tape: Tape, words: Words) -> Iterator[Finding]:
    """Things that overlap as they are asked to: soft ones may, up to a share of their width."""
    if row.air >= 0:
        return
    give = pair_gives(row)
    k = min(range(row.count - 1), key=lambda i: row.clear[i] + give[i])
    hard = -row.clear[k] > give[k]
    if not hard:
        k = row.clear.index(row.air)
    edge = row.centres[k] + row.things[k].reach.right
    names = listed(f"{words.names[row.things[i].kind]} {i + 1}" for i in (k, k + 1))
    least = -down(give[k], tape)
    yield Finding(
        "row.hard" if hard else "row.overlap",
        tr("part.row"),
        tr("row.hard", names=names, by=tape.write(-row.clear[k]), most=tape.write(-least))
        if hard
        else tr("row.overlap", noun=words.noun(row.count), by=tape.write(-row.air)),
        *_apart(row.clear[k], least),
        at=(float(edge + row.clear[k] / 2), 0.0),
        fixes=(_gap(tape, least) if hard else _gap(tape, NONE),),
    )


def pair_gives(row: Row) -> list[Fraction]:
    """How far each thing and the next may overlap, mm: as far as the one that gives less."""
    return [min(one.gives, other.gives) for one, other in pairwise(row.things)]


def _apart(gap: Fraction, least: Fraction) -> tuple[str, Fraction, Fraction]:
    """What a gap is called, what it is, and what it may be at least; an overlap at most."""
    if gap >= 0:
        return tr("quantity.gap-left"), gap, least
    return tr("quantity.overlap"), -gap, max(-least, NONE)


def _gap(tape: Tape, air: Fraction, **changes: str) -> Fix:
    """A least gap, or how far they may overlap."""
    label = (
        tr("fix.air", air=tape.write(air))
        if air >= 0
        else tr("fix.may-overlap", by=tape.write(-air))
    )
    return Fix(label, row_patch(air=air, **changes))


def _loss(row: Row, tape: Tape) -> str:
    if row.air < 0:
        return tr("row.they-overlap-by", air=tape.write(-row.air))
    return tr(
        "row.the-air-drops-from-to", asked=tape.write(row.brief.air), left=tape.write(row.air)
    )


def _closeness_fixes(
    row: Row, tape: Tape, words: Words, holders: tuple[int, int], fit: int
) -> tuple[Fix, ...]:
    if any(index in holders for index, _ in row.given.nudges):
        # The nudge took the air, or some of it: what else helps has to do without it too.
        still = solve(row.brief.changed({"nudge": NONE}), row.things_of, row.fixture)
        rest = (
            ()
            if still.air >= still.brief.air
            else _closeness_fixes(still, tape, words, holders, fit)
        )
        off = row_patch(nudge=NONE)["row"]
        return (
            Fix(tr("fix.let-no-holder-move-by-itself", holder=words.holder), {"row": off}),
            *(Fix(fix.label, {"row": fix.patch["row"] | off}) for fix in rest),
        )
    held = [pin for pin in row.pins if pin.index in holders] or list(row.pins)
    if held:
        return let_go_or_all(row, held[-1])
    fixes: list[Fix] = []
    if row.brief.pitch and row.brief.follows != "pitch":
        fixes.append(
            Fix(tr("fix.pitch-as-they-need", need=tape.write(row.need)), row_patch(pitch=None))
        )
    elif row.brief.spacing == "tidy" and row.tightest + row.brief.tidy > row.need:
        fixes.append(Fix(tr("fix.even-pitch-instead-of-tidy"), row_patch(spacing="even")))
    if row.brief.follows == "pitch":
        fixes += even_air(row)
        fixes += longer(row, tape, length_for(row, row.count))
        if 0 < fit < row.count:
            fixes.append(Fix(words.noun(fit), row_patch(count=fit)))
    air = down(row.air, tape)
    if air >= -min(pair_gives(row), default=NONE) and row.tightest >= row.rule.apart:
        # With even air the figure that followed is asked for: it goes on following.
        fixes.append(_gap(tape, air, follows=row.brief.follows))
    return room_for_one(row, tape) or tuple(fixes) or (Fix(words.noun(1), row_patch(count=1)),)
