"""Ways out of findings, each tried before it is offered: one that only brings other trouble is no way out."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import islice

from yardcliff.core.amend import BriefError, amend
from yardcliff.core.families import Brief, build
from yardcliff.core.findings import Finding, Fix, Patch, Severity

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


def tried(brief: Brief, findings: Sequence[Finding]) -> tuple[Finding, ...]:
    """Findings of a rack with the fixes that settle them and bring nothing else that has to be settled. Where none
    does, the first that settles it goes on with a way out of what it brings; where there is none either, it says what
    it brings.
    """
    budget = iter(range(TRIES))
    before = {whose(one) for one in findings if one.severity is Severity.STOP}
    return tuple(replace(one, fixes=tuple(_offered(brief, one, before, budget))) for one in findings)


def _offered(brief: Brief, finding: Finding, before: set[Whose], budget: Iterator[int]) -> Iterator[Fix]:
    found = [_try(brief, finding, fix, before) for fix, _ in zip(finding.fixes, budget, strict=False)]
    untried = finding.fixes[len(found) :]
    if clean := [one.fix for one in found if one.clean]:
        yield from clean
    elif further := next(_further(brief, finding, found, before, budget), None):
        yield further
    else:
        settles = [one for one in found if one.settles]
        for one in settles:
            yield replace(one.fix, label=f"{one.fix.label} (then: {one.brings[0].title.lower()})")
        if not settles and not untried:
            yield from finding.fixes
    yield from untried


def _further(
    brief: Brief, finding: Finding, found: Sequence[Tried], before: set[Whose], budget: Iterator[int]
) -> Iterator[Fix]:
    """Two steps in one, where the second leaves nothing to settle that was not there before."""
    for one in found:
        left = (
            one.brings
            if one.settles
            else tuple(other for other in _after(brief, one.fix.patch) if whose(other) == whose(finding))
        )
        for second, _ in zip(islice(left[0].fixes, 2) if left else (), budget, strict=False):
            both = Fix(
                f"{one.fix.label}, and {second.label[0].lower()}{second.label[1:]}", _both(one.fix.patch, second.patch)
            )
            if _try(brief, finding, both, before).clean:
                yield both


def _after(brief: Brief, patch: Patch) -> tuple[Finding, ...]:
    try:
        return build(amend(brief, patch)).findings
    except BriefError:
        return ()


def _try(brief: Brief, finding: Finding, fix: Fix, before: set[Whose]) -> Tried:
    try:
        after = build(amend(brief, fix.patch)).findings
    except BriefError:
        return Tried(fix, settles=False, brings=())
    brings = tuple(one for one in after if one.severity is Severity.STOP and whose(one) not in before)
    return Tried(fix, whose(finding) not in {whose(one) for one in after}, brings)


def _both(first: Patch, second: Patch) -> Patch:
    """One change after another as one."""
    merged = dict(first)
    for key, value in second.items():
        old = merged.get(key)
        merged[key] = _both(old, value) if isinstance(old, dict) and isinstance(value, dict) else value
    return merged
