"""How timber is put into the wire models; money is written as the user's language writes it."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from yardcliff.api.scene_wire import BoxView
from yardcliff.api.timber_wire import (
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
from yardcliff.api.tongue import Tongue
from yardcliff.api.views import view_finding
from yardcliff.core.exact import Fraction
from yardcliff.core.length import Tape, exact_text
from yardcliff.core.making.asked import spoken
from yardcliff.core.timber.asked import Cutting
from yardcliff.core.timber.cost import Line, amount
from yardcliff.core.timber.cut_order import at_the_saw, order
from yardcliff.core.timber.layout import Group, Laid, Offcut, Sawn, marks, pieces, plain, stops
from yardcliff.core.timber.means import Means
from yardcliff.core.timber.stock import PriceList, Stick, Supply
from yardcliff.core.timber.timber import Timber
from yardcliff.store.timber import Sawing

NO_PRICE = "—"


def view_stick(stick_id: str, stick: Stick) -> StickView:
    data = stick.model_dump(mode="json")
    return StickView(
        id=stick_id,
        says=stick.says,
        **{key: data[key] for key in ("form", "stuff", "species", "wide", "thick", "long", "reclaimed", "note")},
        thread=stick.threaded or "",
        flaws=[
            FlawView(what=flaw.what, at=exact_text(flaw.at), width=exact_text(flaw.width), back=flaw.back, x0=float(flaw.at),
                     x1=float(flaw.end))
            for flaw in stick.flaws
        ],
        long_mm=float(stick.long),
        wide_mm=float(stick.wide),
    )  # fmt: skip


def view_prices(one: PriceList, tongue: Tongue) -> PriceListView:
    return PriceListView(
        supplier=one.supplier, currency=one.currency, taken=tongue.day(one.taken), timber=len(one.offers), wares=len(one.wares)
    )  # fmt: skip


@dataclass(frozen=True, slots=True)
class SoFar:
    """What was sawn for a rack, what was spent on it in all, hundredths of its currency, and how many pieces are cut."""

    sawings: Sequence[Sawing] = ()
    spent: int = 0
    currency: str = ""
    cut: int = 0


def view_timber(
    found: Timber, cutting: Cutting, tape: Tape, supply: Supply, so_far: SoFar, tongue: Tongue
) -> TimberView:
    cost = found.cost
    return TimberView(
        groups=[_group(group, found.plan.means, tape, supply.currency, tongue) for group in found.plan.groups],
        stops=[
            StopView(long=tape.write_given(long), names=[piece.name for piece in them])
            for long, them in stops(found.plan)
        ],
        lines=[_line(line, supply.currency, tongue) for line in found.lines],
        total=tongue.money(cost.total, supply.currency),
        per_holder=tongue.money(round((cost.total + so_far.spent) / max(found.holders, 1)), supply.currency),
        spent=tongue.money(so_far.spent, so_far.currency) if so_far.spent else "",
        cut=so_far.cut,
        unknown=cost.unknown,
        cost=cost.total,
        currency=supply.currency,
        priced=", ".join(f"{one.supplier}, {tongue.day(one.taken)}" for one in supply.lists) or "no prices yet",
        kerf=tape.write_fine(found.plan.kerf) if found.plan.kerf else "nothing",
        findings=[view_finding(finding, tape) for finding in found.findings],
        forbidden=[
            ForbiddenView(says=_stick(key, supply, tape), patch={"cutting": {"forbid": [one for one in cutting.forbid if one != key]}})
            for key in cutting.forbid
        ],
        sawings=[view_sawing(one, tongue) for one in so_far.sawings],
        parts=_parts(found, cutting, found.plan.sawn),
        on_sheets=_parts(found, cutting, (one for one in found.plan.sawn if one.source.section.form == "sheet")),
        cautions=list(at_the_saw(found.plan.sawn)),
        work=_work(found, supply.currency, tongue),
        unused=[
            UnusedView(says=one.stick.note or one.stick.says, long=tape.write(one.stick.long), why=one.why)
            for one in found.unused
        ],
    )  # fmt: skip


def _work(found: Timber, currency: str, tongue: Tongue) -> str:
    """`Ripping takes 40 min with a jigsaw: that saves 1.70.`"""
    plan, plain = found.plan, found.as_sold
    does = [("Ripping", plan.means.rip, plan.work("strip")), ("Planing", plan.means.thin, plan.work("thin"))]
    takes = " ".join(f"{name} takes {spoken(minutes)} {way.by}." for name, way, minutes in does if way and minutes)
    if not takes or plain is None:
        return takes
    more = len(plain.missing) - len(plan.missing)
    if more > 0:
        return f"{takes} Without it there is nothing for {more} part{'s' * (more > 1)}."
    if plan.cost is None or plain.cost is None or plain.cost == plan.cost:
        return f"{takes} It saves wood, and no money that is known."
    rate = plan.means.shop.rate
    counted = f"an hour counted at {tongue.money(rate, currency)}" if rate else "your time is not counted"
    return f"{takes} That saves {tongue.money(plain.cost - plan.cost, currency)}; {counted}."


def _parts(found: Timber, cutting: Cutting, sticks: Iterable[Sawn]) -> list[str]:
    """The parts that are cut from these sticks, in the rack's own order."""
    cut = {one.piece.name for sawn in sticks for one in sawn.laid if one.piece.blank.part}
    return [piece.name for piece in pieces(found.taken.blanks, cutting) if piece.name in cut]


def _stick(key: str, supply: Supply, tape: Tape) -> str:
    """A stick that is left alone, as its owner knows it."""
    on_hand = {f"stick {one}": stick for one, stick in supply.sticks}
    if key not in on_hand:
        return key
    stick = on_hand[key]
    return ", ".join(filter(None, (stick.note, stick.says, tape.write(stick.long))))


def view_sawing(one: Sawing, tongue: Tongue) -> SawingView:
    over = one.spent - one.planned
    said = "as planned" if not over else f"{tongue.money(abs(over), one.currency)} {'more' if over > 0 else 'less'}"
    return SawingView(
        id=one.id, made_at=tongue.day(one.made_at), planned=tongue.money(one.planned, one.currency),
        spent=tongue.money(one.spent, one.currency), over=said,
    )  # fmt: skip


def _group(group: Group, means: Means, tape: Tape, currency: str, tongue: Tongue) -> GroupView:
    return GroupView(
        says=group.says,
        verdict=_verdict(group, currency, tongue),
        proved=group.proved,
        missing=[piece.name for piece in group.missing],
        sawn=[_sawn(one, means, tape, currency, tongue) for one in group.sawn],
    )


def _verdict(group: Group, currency: str, tongue: Tongue) -> str:
    """How good a plan is, no better than it is known to be."""
    if not group.sawn:
        return "nothing to cut it from"
    if group.missing:
        many = len(group.missing)
        return f"{many} part{'s' * (many != 1)} of it from nothing yet"
    if group.cost is None or group.gap is None:
        return "prices not known: least wood"
    if not group.cost:
        return "all from what is on hand"
    if group.proved:
        return f"{tongue.money(group.cost, currency)}, proved cheapest"
    return f"{tongue.money(group.cost, currency)}, within {tongue.money(group.gap, currency)} of the cheapest"


def _box(one: Laid | Offcut) -> BoxView:
    return BoxView(x0=float(one.start), x1=float(one.end), y0=float(one.low), y1=float(one.high))


def view_cuts(one: Sawn, steps: Iterable[str], takes: Fraction, tape: Tape) -> CutStickView:
    """A stick with its cuts, by the `steps` that it takes and what each cut `takes`."""
    source = one.source
    return CutStickView(
        key=one.key,
        name=source.name,
        long=tape.write(source.long),
        long_mm=float(source.long),
        wide_mm=float(source.section.wide),
        pieces=[
            PieceView(name=each.piece.name, long=tape.write_given(each.long), turned=each.turned, at=tape.write_given(mark), box=_box(each),
                      plain=(float(plain(one, each)[0]), float(plain(one, each)[1])))
            for each, mark in marks(one, takes)
        ],
        offcuts=[OffcutView(long=tape.write(each.end - each.start), keeps=each.keeps, box=_box(each)) for each in one.offcuts],
        flaws=[
            SawnFlawView(x0=float(flaw.at), x1=float(flaw.end), back=flaw.back)
            for flaw in source.flaws
        ],
        order=list(steps),
    )  # fmt: skip


def _sawn(one: Sawn, means: Means, tape: Tape, currency: str, tongue: Tongue) -> SawnView:
    source = one.source
    return SawnView(
        **dict(view_cuts(one, order(one, means, tape), means.cutting.takes, tape)),
        on_hand=source.on_hand,
        price="on hand" if source.on_hand else NO_PRICE if source.price is None else tongue.money(source.price, currency),
        was="" if source.was is None else tongue.money(source.was, currency),
        note=source.note,
        used=f"{round(one.used * 100)} %",
        locked=one.locked,
    )  # fmt: skip


def _line(line: Line, currency: str, tongue: Tongue) -> LineView:
    said = [line.supplier] if line.supplier else []
    if line.was is not None:
        said.append(f"was {tongue.money(line.was, currency)}")
    if line.stock is not None and line.stock < line.packs:
        said.append(f"only {line.stock} there" if line.stock else "out of stock")
    return LineView(
        kind=line.kind,
        name=line.name,
        need=amount(line.need, line.unit),
        buy=line.bought if line.packs else "on hand",
        each=NO_PRICE if line.each is None else tongue.money(line.each, currency),
        total=NO_PRICE if line.total is None else tongue.money(line.total, currency),
        left=amount(line.left, line.unit) if line.left else "",
        timber=line.timber,
        says=", ".join(said),
        known=line.total is not None,
        unit=line.unit,
        noted=f"{amount(line.pack, line.unit)} for {tongue.money(line.each or 0, currency)}" if line.noted else "",
    )
