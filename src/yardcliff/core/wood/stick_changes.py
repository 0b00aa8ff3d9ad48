"""What a cut plan makes of the sticks on hand: used, left over, thinned, bought."""

from collections.abc import Iterable

from yardcliff.core.materials.goods import Form
from yardcliff.core.units.exact import Fraction
from yardcliff.core.wood.layout import SHEET_WIDE, Offcut, Sawn
from yardcliff.core.wood.stock import ROUND, STICK, Flaw, Section, Stick
from yardcliff.messages import tr


def used_sticks(sticks: Iterable[Sawn]) -> list[str]:
    """The ids of those on hand that are cut up."""
    return [sawn.source.key.removeprefix(STICK) for sawn in sticks if sawn.source.on_hand]


def offcut_sticks(sticks: Iterable[Sawn]) -> list[Stick]:
    """What goes back on the rack when they are sawn."""
    return [
        Stick(
            form=_form(sawn.source.section, offcut),
            stuff=sawn.source.section.stuff,
            species=sawn.source.section.species,
            wide=(
                sawn.source.section.wide
                if sawn.source.section.form in ROUND
                else offcut.high - offcut.low
            ),
            thick=sawn.source.section.thick,
            thread=sawn.source.section.thread,
            long=offcut.end - offcut.start,
            flaws=_left_on(offcut, sawn.source.flaws),
            reclaimed=sawn.source.reclaimed,
            note=tr("wood.offcut-of", name=sawn.source.name)[:120],
        )
        for sawn in sticks
        for offcut in sawn.offcuts
        if offcut.keeps
    ]


def whole_sticks(sticks: Iterable[Sawn]) -> list[Stick]:
    """Each as a stick before anything is done to it."""
    return [
        Stick(
            **{name: getattr(sawn.source.section, name) for name in Section.model_fields},
            long=sawn.source.long,
            flaws=sawn.source.flaws,
            reclaimed=sawn.source.reclaimed,
            note=sawn.source.note,
        )
        for sawn in sticks
    ]


def thinned_sticks(sticks: Iterable[Sawn]) -> list[Stick]:
    """What they are once they are planed."""
    return [
        whole.changed({"thick": sawn.thinned})
        for sawn in sticks
        for whole in whole_sticks([sawn])
        if sawn.thinned
    ]


def strip_sticks(sticks: Iterable[Sawn], takes: Fraction) -> list[Stick]:
    """Their strips, and what is left beside these by a saw that `takes` so much, where it is worth
    keeping.
    """
    found = []
    for sawn in sticks:
        (whole,) = whole_sticks([sawn])
        note = tr("wood.strip-of", name=sawn.source.name)[:120]
        found += [whole.changed({"wide": strip.wide, "note": note}) for strip in sawn.strips]
        rest = Offcut(Fraction(0), whole.long, sawn.strips[-1].high + takes, whole.wide)
        if rest.keeps:
            found.append(
                whole.changed(
                    {"wide": rest.high - rest.low, "form": _form(whole, rest), "note": note}
                )
            )
    return found


def bought_sticks(sticks: Iterable[Sawn]) -> list[Stick]:
    """What has to be bought, as it stands on the rack then."""
    return whole_sticks(sawn for sawn in sticks if not sawn.source.on_hand)


def _form(section: Section, left: Offcut) -> Form:
    """A narrow piece of a sheet is a board."""
    return (
        "board" if section.form == "sheet" and left.high - left.low < SHEET_WIDE else section.form
    )


def _left_on(offcut: Offcut, flaws: Iterable[Flaw]) -> tuple[Flaw, ...]:
    """The flaws that are on an offcut, from its own left end."""
    met = ((flaw, max(flaw.at, offcut.start), min(flaw.end, offcut.end)) for flaw in flaws)
    return tuple(
        flaw.changed({"at": start - offcut.start, "width": end - start})
        for flaw, start, end in met
        if start < end
    )
