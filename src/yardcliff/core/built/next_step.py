"""What is to be done next with a rack, as far as it is."""

from collections.abc import Iterable

from yardcliff.core.built.facts import Fact, Kind
from yardcliff.core.design.rack_design import Design
from yardcliff.core.findings.finding import Severity
from yardcliff.messages import tr


def next_step(design: Design, facts: Iterable[Fact]) -> str:
    """First what is wrong, the worst of it; then the steps that are done, if any; then its wall;
    then the building.
    """
    wrong = [finding for finding in design.findings if finding.severity is not Severity.NOTE]
    if wrong:
        worst = next((one for one in wrong if one.severity is Severity.STOP), wrong[0])
        grade = "must-fix" if worst.severity is Severity.STOP else "check"
        title = tr(f"built.next-{grade}", title=worst.title)
        return tr("built.and-more", title=title, n=len(wrong) - 1) if wrong[1:] else title
    # What is told of a line of a card has it behind a bar: the card is a step of its own.
    if done := sum(fact.kind is Kind.DONE and "|" not in fact.what for fact in facts):
        return tr("built.steps-done", n=done)
    return tr("built.next-its-wall" if design.on_wall.site is None else "built.next-build-it")
