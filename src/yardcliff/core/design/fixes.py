"""Ways out of findings, each tried before it is offered: one that only brings other trouble is no
way out.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import islice

from yardcliff.core.design.as_built import bend, miscut, strays
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import Design
from yardcliff.core.design.there import NOTHING
from yardcliff.core.findings.finding import Finding, Fix, Patch, Severity
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.wall.hanging import on_wall
from yardcliff.core.ways import build
from yardcliff.messages import tr

TRIES = 24
"""Changes that are tried for one design: what is left over is offered as it came."""
Whose = tuple[str, str]


def whose(finding: Finding) -> Whose:
    """What a finding is about: its code, and the row below the first that it speaks of."""
    return finding.code, finding.part.split(":")[0] if ":" in finding.part else ""


@dataclass(frozen=True, slots=True)
class Tried:
    """A fix that was tried: whether its finding is settled, and what has to be settled only now."""

    fix: Fix
    settles: bool
    brings: tuple[Finding, ...]

    @property
    def clean(self) -> bool:
        return self.settles and not self.brings


def tried(done: Design) -> tuple[Finding, ...]:
    """A rack's findings with the fixes that settle them and bring nothing else that has to be
    settled, on its wall neither. Where none does, the first that settles it goes on with a way out
    of what it brings; where there is none either, it says what it brings.
    """
    trial = _Trial(
        done, {whose(finding) for finding in done.findings if finding.severity is Severity.STOP}
    )
    return tuple(
        replace(finding, fixes=tuple(trial.offered(finding))) for finding in done.rack.findings
    )


class _Trial:
    """The tries of one design, whose trouble `before` is no fix's doing."""

    def __init__(self, done: Design, before: set[Whose]) -> None:
        self.done, self.before, self.budget = done, before, iter(range(TRIES))

    def offered(self, finding: Finding) -> Iterator[Fix]:
        found = [
            self._try(finding, fix) for fix, _ in zip(finding.fixes, self.budget, strict=False)
        ]
        untried = finding.fixes[len(found) :]
        if clean := [one.fix for one in found if one.clean]:
            yield from clean
        elif further := next(self._further(finding, found), None):
            yield further
        else:
            settles = [one for one in found if one.settles]
            for one in settles:
                yield replace(
                    one.fix,
                    label=tr("design.then", label=one.fix.label, title=one.brings[0].title.lower()),
                )
            # Where something is made, one that does not help is one that cannot move it.
            if not settles and not untried and self.done.there == NOTHING:
                yield from finding.fixes
        yield from untried

    def _further(self, finding: Finding, found: Sequence[Tried]) -> Iterator[Fix]:
        """Two steps in one, where the second leaves nothing to settle that was not there before."""
        for one in found:
            after = self._after(one.fix.patch, ways=True) or ()
            left = [
                other
                for other in after
                if (self._new(other) if one.settles else whose(other) == whose(finding))
            ]
            for second, _ in zip(
                islice(left[0].fixes, 2) if left else (), self.budget, strict=False
            ):
                label = tr(
                    "design.both",
                    first=one.fix.label,
                    second=second.label[0].lower() + second.label[1:],
                )
                both = Fix(label, _both(one.fix.patch, second.patch))
                if self._try(finding, both).clean:
                    yield both

    def _after(self, patch: Patch, *, ways: bool = False) -> tuple[Finding, ...] | None:
        """What is found of the rack so changed; and on its wall, if there is nothing to settle
        before. None where the change is refused, or what is made would have to move. What is found
        on the wall has `ways` out only where these are asked for.
        """
        try:
            brief = bend(amend(self.done.brief, patch), self.done.there)
        except BriefError:
            return None
        rack = build(brief)
        if any(strays(rack, self.done.there)) or any(miscut(rack, self.done.there)):
            return None
        site = self.done.on_wall.site
        if site is None or any(self._new(finding) for finding in rack.findings):
            return rack.findings
        return (
            *rack.findings,
            *on_wall(rack, brief.place, brief.mount, site, self.done.tape, ways=ways).findings,
        )

    def _new(self, finding: Finding) -> bool:
        return finding.severity is Severity.STOP and whose(finding) not in self.before

    def _try(self, finding: Finding, fix: Fix) -> Tried:
        after = self._after(fix.patch)
        if after is None:
            return Tried(fix, settles=False, brings=())
        return Tried(
            fix, whose(finding) not in set(map(whose, after)), tuple(filter(self._new, after))
        )


def _both(first: Patch, second: Patch) -> Patch:
    """One change after another as one."""
    merged = dict(first)
    for key, value in second.items():
        old = merged.get(key)
        merged[key] = (
            _both(old, value) if isinstance(old, dict) and isinstance(value, dict) else value
        )
    return merged
