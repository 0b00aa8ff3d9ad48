"""Why parts do not fit as one would think, and the nearest changes that make them: findings on a
cut plan.
"""

from collections.abc import Iterator

from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.materials.goods import Blank
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, exact_text, size_text
from yardcliff.core.ways import Brief
from yardcliff.core.wood.layout import ALIKE, CutPlan, Group
from yardcliff.core.wood.means import Means
from yardcliff.core.wood.one_less import Planned, amended, one_less, shorter
from yardcliff.core.wood.plan import sources
from yardcliff.core.wood.solving import PLANED, gives
from yardcliff.core.wood.stock import ROUND, Section, Supply, sold
from yardcliff.messages import tr


def why(
    brief: Brief, plan: CutPlan, supply: Supply, planned: Planned, tape: Tape
) -> Iterator[Finding]:
    """What to say of a plan; every fix has been tried, and makes it better."""
    for group in plan.groups:
        yield from _missing(brief, group, supply, planned, len(plan.missing))
        yield from _short(brief, group, plan.means, planned)
        yield from _kept(brief, group)
    yield from one_less(brief, plan, planned, tape)


def _missing(
    brief: Brief, group: Group, supply: Supply, planned: Planned, missing: int
) -> Iterator[Finding]:
    said, means = set[str](), Means(brief.cutting, supply.shop, brief.in_hand)
    for piece in group.missing:
        blank = piece.blank
        reason, nearest, tries = _nearest(brief, blank, supply)
        if any(gives(source, piece, means) for source in sources(piece, supply, means)):
            reason, nearest, tries = (
                tr("wood.what-could-give-on-hand-used"),
                tr("wood.used-up"),
                _looser(means),
            )
        if reason in said:
            continue
        said.add(reason)
        fixes = tuple(fix for fix in tries if _helps(brief, fix, planned, missing))
        yield Finding(
            "cut.none",
            piece.name,
            reason,
            tr("quantity.asked"),
            " × ".join(
                [
                    size_text(blank.wide, brief.trade),
                    size_text(blank.thick, brief.trade),
                    brief.in_hand.write(blank.long),
                ]
            ),
            nearest,
            fixes=fixes,
        )


def _nearest(brief: Brief, blank: Blank, supply: Supply) -> tuple[str, str, list[Fix]]:
    """Why nothing gives a blank, what comes nearest, and what could be asked instead."""
    stock = [stick for _, stick in supply.sticks]
    offers = [offer for prices in supply.lists for offer in prices.offers]
    longs: list[tuple[Section, Fraction]] = [
        *((stick, stick.long) for stick in stock),
        *((offer, offer.long) for offer in offers),
    ]
    longs += (
        [(one.section, long) for one in sold(brief.trade) for long in one.longs]
        if not offers
        else []
    )
    same = [
        (section, long)
        for section, long in longs
        if section.stuff == blank.stuff and (section.form == blank.form or blank.form not in ROUND)
    ]
    wish = brief.cutting.species
    if wish and blank.part and blank.form not in ROUND:
        any_wood, same = (
            same,
            [(section, long) for section, long in same if section.species == wish],
        )
        if any_wood and not same:
            return (
                tr("wood.no-on-hand-or-on-offer", wish=wish),
                tr("wood.other-woods"),
                [Fix(tr("fix.take-any-wood"), {"cutting": {"species": ""}})],
            )
    if not same:
        return tr("wood.nothing-on-hand-or-on-offer", stuff=blank.stuff), "none", []
    if blank.thread:
        others = sorted(
            {section.threaded for section, _ in same if section.threaded} - {blank.thread}
        )
        same = [(section, long) for section, long in same if section.threaded == blank.thread]
        if not same:
            fixes = [
                Fix(tr("fix.take", thread=thread), {"rod": {"size": thread}}) for thread in others
            ]
            return tr("wood.no-rod-be-had", thread=blank.thread), ", ".join(others), fixes
    if blank.form in ROUND:
        near = min((section.wide for section, _ in same), key=lambda wide: abs(wide - blank.wide))
        if abs(near - blank.wide) > Fraction(1, 10):
            return (
                tr(
                    "wood.no-be-had-nearest",
                    form=blank.form,
                    wide=size_text(blank.wide, brief.trade),
                    near=size_text(near, brief.trade),
                ),
                size_text(near, brief.trade),
                [
                    Fix(
                        tr("fix.take", thread=size_text(near, brief.trade)),
                        {"holder": {"diameter": exact_text(near)}},
                    )
                ],
            )
        most = max(long for section, long in same if section.wide == near)
        return (
            tr(
                "wood.longer-than-any-be-had-longest",
                form=blank.form,
                most=brief.in_hand.write(most),
            ),
            brief.in_hand.write(most),
            [],
        )
    thick = [one for one in same if abs(one[0].thick - blank.thick) <= ALIKE]
    if not thick:
        near = min(
            (section.thick for section, _ in same), key=lambda each: (abs(each - blank.thick), each)
        )
        thicker = [
            section.thick for section, _ in same if 0 < section.thick - blank.thick <= PLANED
        ]
        fixes = (
            [
                Fix(
                    tr("fix.plane-it-down-from", thicker=size_text(min(thicker), brief.trade)),
                    {"cutting": {"thin": "by hand too"}},
                )
            ]
            if thicker
            else []
        )
        if blank.thick == brief.board.thickness:
            fixes.append(
                Fix(
                    tr("fix.build-it-thick", near=size_text(near, brief.trade)),
                    {"board": {"thickness": exact_text(near)}},
                )
            )
        return (
            tr(
                "wood.no-be-had-nearest-thick",
                stuff=blank.stuff,
                thick=size_text(blank.thick, brief.trade),
                near=size_text(near, brief.trade),
            ),
            size_text(near, brief.trade),
            fixes,
        )
    return _too_big(
        brief,
        Means(brief.cutting, supply.shop, brief.in_hand),
        blank,
        [(section, long) for section, long in thick],
    )


def _too_big(
    brief: Brief, means: Means, blank: Blank, same: list[tuple[Section, Fraction]]
) -> tuple[str, str, list[Fix]]:
    """It is thick enough: then it is too wide, or too long."""
    widest = max(section.wide for section, _ in same)
    if widest < blank.wide - ALIKE:
        fixes = []
        if blank.wide == brief.board.height:
            fixes.append(
                Fix(
                    tr("fix.build-it-wide", widest=size_text(widest, brief.trade)),
                    {"board": {"height": exact_text(widest)}},
                )
            )
        if brief.rows.count > 1 and brief.rows.boards == "one":
            fixes.append(Fix(tr("fix.a-board-for-each-row"), {"rows": {"boards": "each"}}))
        return (
            tr("wood.nothing-so-wide-be-had-widest", widest=size_text(widest, brief.trade)),
            size_text(widest, brief.trade),
            fixes,
        )
    enough = [(section, long) for section, long in same if section.wide >= blank.wide - ALIKE]
    most = max(long for _, long in enough) - 2 * brief.cutting.trim
    fixes = (
        [Fix(tr("fix.rip-it-from-a-wider-board"), {"cutting": {"rip": "by hand too"}})]
        if not means.rip
        else []
    )
    if most < blank.long:
        fixes += shorter(brief, blank.long - most)
        return (
            tr("wood.longer-than-any-stick-squared-longest", most=brief.in_hand.write(most)),
            brief.in_hand.write(most),
            fixes,
        )
    if not means.rip:
        why = (
            tr("wood.ripping-is-turned-off")
            if brief.cutting.rip == "never"
            else tr("wood.no-saw-here-rips")
        )
        return tr("wood.no-board-just-so-wide", why=why), size_text(widest, brief.trade), fixes
    near = min(section.wide for section, _ in enough)
    return (
        tr("wood.nearest-board-sawn-planed-width-has", near=size_text(near, brief.trade)),
        size_text(near, brief.trade),
        [Fix(tr("fix.leave-nothing-to-plane-off"), {"cutting": {"plane": "0 mm"}})],
    )


def _helps(brief: Brief, fix: Fix, planned: Planned, missing: int) -> bool:
    """Whether fewer pieces have nothing to come from then."""
    changed = amended(brief, fix.patch)
    return changed is not None and len(planned(changed).missing) < max(missing, 1)


def _looser(means: Means) -> list[Fix]:
    """What else may be cut up, where it was ruled out."""
    cutting = means.cutting
    fixes = (
        [] if means.rip else [Fix(tr("fix.rip-wider-boards"), {"cutting": {"rip": "by hand too"}})]
    )
    fixes += (
        []
        if means.thin
        else [Fix(tr("fix.plane-thicker-boards-down"), {"cutting": {"thin": "by hand too"}})]
    )
    fixes += [Fix(tr("fix.take-any-wood"), {"cutting": {"species": ""}})] if cutting.species else []
    return fixes + (
        [Fix(tr("fix.take-what-was-left-alone"), {"cutting": {"forbid": []}})]
        if cutting.forbid
        else []
    )


def _short(brief: Brief, group: Group, means: Means, planned: Planned) -> Iterator[Finding]:
    if group.short:
        names = sorted({sawn.source.name for sawn in group.sawn if sawn.source.stock is not None})

        def enough(fix: Fix) -> bool:
            changed = amended(brief, fix.patch)
            return changed is not None and not any(
                other.short or other.missing for other in planned(changed).groups
            )

        yield Finding(
            "cut.short",
            group.says,
            tr("cut.short"),
            tr("quantity.in-stock"),
            ", ".join(names) or tr("quantity.too-few"),
            tr("quantity.enough"),
            fixes=tuple(filter(enough, _looser(means))),
        )
    if group.apart:
        yield Finding(
            "cut.apart",
            group.says,
            tr("cut.apart"),
            tr("quantity.matched"),
            tr("quantity.apart"),
            tr("quantity.one-stick"),
            fixes=(Fix(tr("fix.let-them-be-apart"), {"cutting": {"matched": []}}),),
        )


def _kept(brief: Brief, group: Group) -> Iterator[Finding]:
    for key in group.unfit:
        yield Finding(
            "cut.locked",
            key,
            tr("cut.locked"),
            tr("quantity.kept-for"),
            ", ".join(brief.cutting.locked[key]),
            tr("quantity.what-fits"),
            fixes=(Fix(tr("fix.let-it-go"), {"cutting": {"locked": {key: None}}}),),
        )
