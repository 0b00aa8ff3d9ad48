"""How timber is put into the wire models; money is written as the user's language writes it."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from yardcliff.api.racks.views import view_finding
from yardcliff.api.wire import BoxView
from yardcliff.api.wood.wire import (
    CutStickView,
    FlawView,
    ForbiddenView,
    GroupView,
    LineView,
    OffcutView,
    PieceView,
    PriceListView,
    SawingView,
    SawnFlawView,
    SawnView,
    StickView,
    StopView,
    TimberView,
    UnusedView,
)
from yardcliff.app.locale import UserLocale
from yardcliff.core.brief.building import spoken
from yardcliff.core.brief.cutting import Cutting
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, given_text
from yardcliff.core.units.trade import Trade
from yardcliff.core.wood.cost import Line
from yardcliff.core.wood.cut_order import at_the_saw, order
from yardcliff.core.wood.layout import Group, Laid, Offcut, Sawn, marks, pieces, plain, stops
from yardcliff.core.wood.means import Means
from yardcliff.core.wood.rack_timber import Timber
from yardcliff.core.wood.stock import STICK, PriceList, Stick, Supply
from yardcliff.messages import tr
from yardcliff.store.timber import Sawing

NO_PRICE = "—"


def view_stick(stick_id: str, stick: Stick, trade: Trade) -> StickView:
    data = stick.model_dump(mode="json")
    return StickView(
        id=stick_id,
        says=stick.says(trade),
        **{key: data[key] for key in ("form", "stuff", "species", "reclaimed", "note")},
        **{key: given_text(getattr(stick, key), trade) for key in ("wide", "thick", "long")},
        thread=stick.threaded or "",
        flaws=[
            FlawView(
                what=flaw.what,
                at=given_text(flaw.at, trade),
                width=given_text(flaw.width, trade),
                back=flaw.back,
                x0=float(flaw.at),
                x1=float(flaw.end),
            )
            for flaw in stick.flaws
        ],
        long_mm=float(stick.long),
        wide_mm=float(stick.wide),
    )


def view_prices(prices: PriceList, locale: UserLocale) -> PriceListView:
    return PriceListView(
        supplier=prices.supplier,
        currency=prices.currency,
        taken=locale.day(prices.taken),
        timber=len(prices.offers),
        wares=len(prices.wares),
    )


@dataclass(frozen=True, slots=True)
class SoFar:
    """What was sawn for a rack, what was spent on it in all, hundredths of its currency, and how
    many pieces are cut.
    """

    sawings: Sequence[Sawing] = ()
    spent: int = 0
    currency: str = ""
    cut: int = 0


def view_timber(
    found: Timber, cutting: Cutting, tape: Tape, supply: Supply, so_far: SoFar, locale: UserLocale
) -> TimberView:
    cost = found.cost
    return TimberView(
        groups=[
            _group(group, found.plan.means, tape, supply.currency, locale)
            for group in found.plan.groups
        ],
        stops=[
            StopView(long=tape.write_given(long), names=[piece.name for piece in them])
            for long, them in stops(found.plan)
        ],
        lines=[_line(line, supply.currency, locale) for line in found.lines],
        total=locale.money(cost.total, supply.currency),
        spent=locale.money(so_far.spent, so_far.currency) if so_far.spent else "",
        cut=so_far.cut,
        unknown=cost.unknown,
        cost=cost.total,
        currency=supply.currency,
        priced=", ".join(
            f"{prices.supplier}, {locale.day(prices.taken)}" for prices in supply.lists
        )
        or tr("api.no-prices-yet"),
        kerf=tape.write_fine(found.plan.kerf) if found.plan.kerf else "nothing",
        findings=[view_finding(finding, tape) for finding in found.findings],
        forbidden=[
            ForbiddenView(
                says=_stick(key, supply, tape),
                patch={"cutting": {"forbid": [one for one in cutting.forbid if one != key]}},
            )
            for key in cutting.forbid
        ],
        sawings=[view_sawing(sawing, locale) for sawing in so_far.sawings],
        parts=_parts(found, cutting, found.plan.sawn),
        on_sheets=_parts(
            found,
            cutting,
            (sawn for sawn in found.plan.sawn if sawn.source.section.form == "sheet"),
        ),
        cautions=list(at_the_saw(found.plan.sawn)),
        work=_work(found, supply.currency, locale),
        unused=[
            UnusedView(
                says=unused.stick.note or unused.stick.says(tape.trade),
                long=tape.write(unused.stick.long),
                why=unused.why,
            )
            for unused in found.unused
        ],
    )


def _work(found: Timber, currency: str, locale: UserLocale) -> str:
    """`Ripping takes 40 min with a jigsaw: that saves 1.70.`"""
    plan, plain = found.plan, found.as_sold
    does = [
        (tr("api.ripping"), plan.means.rip, plan.work("strip")),
        (tr("api.planing"), plan.means.thin, plan.work("thin")),
    ]
    takes = " ".join(
        tr("api.takes-with", name=name, spoken=spoken(minutes), by=way.by)
        for name, way, minutes in does
        if way and minutes
    )
    if not takes or plain is None:
        return takes
    more = len(plain.missing) - len(plan.missing)
    if more > 0:
        return tr("api.without-there-nothing-for-part", takes=takes, n=more)
    if plan.cost is None or plain.cost is None or plain.cost == plan.cost:
        return tr("api.saves-wood-no-money-known", takes=takes)
    rate = plan.means.shop.rate
    counted = (
        tr("api.an-hour-counted-at", money=locale.money(rate, currency))
        if rate
        else tr("api.your-time-is-not-counted")
    )
    return tr(
        "api.that-saves",
        takes=takes,
        money=locale.money(plain.cost - plan.cost, currency),
        counted=counted,
    )


def _parts(found: Timber, cutting: Cutting, sticks: Iterable[Sawn]) -> list[str]:
    """The parts that are cut from these sticks, in the rack's own order."""
    cut = {laid.piece.name for sawn in sticks for laid in sawn.laid if laid.piece.blank.part}
    return [piece.name for piece in pieces(found.taken.blanks, cutting) if piece.name in cut]


def _stick(key: str, supply: Supply, tape: Tape) -> str:
    """A stick that is left alone, as its owner knows it."""
    on_hand = {STICK + one: stick for one, stick in supply.sticks}
    if key not in on_hand:
        return key
    stick = on_hand[key]
    return ", ".join(filter(None, (stick.note, stick.says(tape.trade), tape.write(stick.long))))


def view_sawing(sawing: Sawing, locale: UserLocale) -> SawingView:
    over = sawing.spent - sawing.planned
    said = (
        tr("api.as-planned-2")
        if not over
        else tr(
            "api.costs-more" if over > 0 else "api.costs-less",
            money=locale.money(abs(over), sawing.currency),
        )
    )
    return SawingView(
        id=sawing.id,
        made_at=locale.day(sawing.made_at),
        planned=locale.money(sawing.planned, sawing.currency),
        spent=locale.money(sawing.spent, sawing.currency),
        over=said,
    )


def _group(group: Group, means: Means, tape: Tape, currency: str, locale: UserLocale) -> GroupView:
    return GroupView(
        says=group.says,
        verdict=_verdict(group, currency, locale),
        proved=group.proved,
        missing=[piece.name for piece in group.missing],
        sawn=[_sawn(sawn, means, tape, currency, locale) for sawn in group.sawn],
    )


def _verdict(group: Group, currency: str, locale: UserLocale) -> str:
    """How good a plan is, no better than it is known to be."""
    if not group.sawn:
        return tr("api.nothing-to-cut-it-from")
    if group.missing:
        return tr("api.part-of-it-from-nothing-yet", n=len(group.missing))
    if group.cost is None or group.gap is None:
        return tr("api.prices-not-known-least-wood")
    if not group.cost:
        return tr("api.all-from-what-is-on-hand")
    if group.proved:
        return tr("api.proved-cheapest", money=locale.money(group.cost, currency))
    return tr(
        "api.within-of-the-cheapest",
        cost=locale.money(group.cost, currency),
        more=locale.money(group.gap, currency),
    )


def _box(one: Laid | Offcut) -> BoxView:
    return BoxView(x0=float(one.start), x1=float(one.end), y0=float(one.low), y1=float(one.high))


def view_cuts(sawn: Sawn, steps: Iterable[str], takes: Fraction, tape: Tape) -> CutStickView:
    """A stick with its cuts, by the `steps` that it takes and what each cut `takes`."""
    source = sawn.source
    return CutStickView(
        key=sawn.key,
        name=source.name,
        long=tape.write(source.long),
        long_mm=float(source.long),
        wide_mm=float(source.section.wide),
        pieces=[
            PieceView(
                name=laid.piece.name,
                long=tape.write_given(laid.long),
                turned=laid.turned,
                at=tape.write_given(mark),
                box=_box(laid),
                plain=(float(plain(sawn, laid)[0]), float(plain(sawn, laid)[1])),
            )
            for laid, mark in marks(sawn, takes)
        ],
        offcuts=[
            OffcutView(
                long=tape.write(offcut.end - offcut.start), keeps=offcut.keeps, box=_box(offcut)
            )
            for offcut in sawn.offcuts
        ],
        flaws=[
            SawnFlawView(x0=float(flaw.at), x1=float(flaw.end), back=flaw.back)
            for flaw in source.flaws
        ],
        order=list(steps),
    )


def _sawn(sawn: Sawn, means: Means, tape: Tape, currency: str, locale: UserLocale) -> SawnView:
    source = sawn.source
    return SawnView(
        **dict(view_cuts(sawn, order(sawn, means, tape), means.takes, tape)),
        on_hand=source.on_hand,
        price=(
            tr("api.on-hand")
            if source.on_hand
            else NO_PRICE
            if source.price is None
            else locale.money(source.price, currency)
        ),
        was="" if source.was is None else locale.money(source.was, currency),
        note=source.note,
        used=f"{round(sawn.used * 100)} %",
        locked=sawn.locked,
    )


def _line(line: Line, currency: str, locale: UserLocale) -> LineView:
    said = [line.supplier] if line.supplier else []
    if line.was is not None:
        said.append(tr("api.was", money=locale.money(line.was, currency)))
    if line.stock is not None and line.stock < line.packs:
        said.append(
            tr("api.only-there", stock=line.stock) if line.stock else tr("api.out-of-stock")
        )
    return LineView(
        kind=line.kind,
        name=line.name,
        need=line.said(line.need),
        buy=line.bought if line.packs else tr("api.on-hand"),
        each=NO_PRICE if line.each is None else locale.money(line.each, currency),
        total=NO_PRICE if line.total is None else locale.money(line.total, currency),
        left=line.said(line.left) if line.left else "",
        timber=line.timber,
        says=", ".join(said),
        known=line.total is not None,
        unit=line.unit,
        noted=(
            tr("api.for", amount=line.said(line.pack), money=locale.money(line.each or 0, currency))
            if line.noted
            else ""
        ),
    )
