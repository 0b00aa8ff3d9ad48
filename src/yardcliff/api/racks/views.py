"""How core values are put into the wire models.

Texts are written here once, in the rack's own tape, so that no client formats a length.
"""

from collections.abc import Iterator

from yardcliff.api.racks.item_views import view_measures
from yardcliff.api.racks.wire import (
    ChoiceField,
    ChoiceSection,
    DesignView,
    FaceTableView,
    FigureView,
    FindingView,
    FixView,
    HoleTableView,
    HoleView,
    InputView,
    KeepOutView,
    MarksView,
    OperationView,
    OptionView,
    RackView,
    RowView,
    RungView,
    ThingsView,
)
from yardcliff.api.scenes import view_scene
from yardcliff.api.walls.views import view_chain, view_on_wall
from yardcliff.api.wire import NamedScene, TapeView
from yardcliff.core.base.model import leaves
from yardcliff.core.brief.choices import Section
from yardcliff.core.design import machining
from yardcliff.core.design.comparison import percent
from yardcliff.core.design.fixes import tried
from yardcliff.core.design.rack_design import Design
from yardcliff.core.findings.finding import Finding
from yardcliff.core.findings.working import Value
from yardcliff.core.row.count_ladder import Rung, ladder
from yardcliff.core.shapes.geometry import in_mm
from yardcliff.core.things.item import WEIGHED
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape
from yardcliff.core.units.weights import load_given, weight_given
from yardcliff.core.wall.position import longest_row
from yardcliff.core.ways import FAMILIES, Brief, ranked
from yardcliff.messages import tr
from yardcliff.store.sheets import Record


def view_holes(design: Design) -> list[HoleTableView]:
    return [
        HoleTableView(
            name=table.name,
            faces=[
                FaceTableView(
                    face=face.face,
                    along=face.along,
                    across=face.across,
                    rest=face.rest,
                    lines=[HoleView(**line._asdict()) for line in face.lines],
                )
                for face in table.faces
            ],
        )
        for table in machining.hole_tables(design)
    ]


def view_design(design: Design, *, tries: bool = False) -> DesignView:
    """The whole design as the interface shows it; `tries` whether each way out of a finding is
    tried first.
    """
    row, tape, rack = design.rack.row, design.tape, design.rack
    family = FAMILIES[design.brief.family]
    return DesignView(
        brief=design.brief,
        fields=_fields(design.brief, tape, design),
        follows=row.brief.follows,
        count=row.count,
        holder_count=row.holders,
        length_mm=float(row.length),
        up=rack.up,
        ends=(row.run.start, row.run.end),
        origin=tuple(map(in_mm, rack.rows[0].at(Fraction(0)))),
        holders=rack.holder_name,
        holder=rack.holder_noun,
        tape=TapeView(name=tape.name, unit=tape.unit, step_mm=float(tape.step)),
        kinds={kind: view_measures(item) for kind, item in design.brief.kinds.items()},
        things=ThingsView(
            kind=[thing.kind for thing in row.things],
            x=[in_mm(centre) for centre in row.centres],
            holder=list(row.rule.first_holder),
            spare=[thing.spare for thing in row.things],
        ),
        marks=_marks(design, 0),
        keepouts=[
            KeepOutView(flaw=k.flaw, x=in_mm(k.at), width=in_mm(k.width), at=tape.write(k.at))
            for k in row.brief.keepouts
        ],
        rows=_rows(design),
        figures={
            f.key: FigureView(
                key=f.key,
                label=f.label,
                text=_fine(f.value, tape),
                tape=None if f.fine else _on_tape(f.value, tape),
                formula=f.formula,
                why=f.why,
                inputs=[
                    InputView(symbol=i.symbol, name=i.name, text=_fine(i.value, tape))
                    for i in f.inputs
                ],
            )
            for f in design.figures
        },
        findings=[view_finding(f, tape) for f in (_ways_out(design) if tries else design.findings)],
        machining=[
            OperationView(
                what=machining.what(step),
                count=step.count,
                where=machining.where(step, design),
                tool=machining.tool(step, tape),
                depth=machining.depth(step, tape),
                setting=machining.setting(step),
                web=machining.left(step, tape),
                stop=machining.stop(step),
                note=step.note,
            )
            for step in design.machining
        ],
        cautions=list(design.cautions),
        chain=view_chain(design.chain),
        scene=view_scene(design.scene),
        views=[
            NamedScene(key=key, name=name, scene=view_scene(seen))
            for key, name, seen in (
                ("section", tr("api.section"), design.section),
                ("plan", tr("api.plan"), design.plan),
            )
            if seen is not None
        ],
        on_wall=view_on_wall(design) if design.on_wall.site else None,
        family=family.key,
        several=family.rows,
        ways=[
            OptionView(value=way.key, name=tr(way.name), why=fitness.why)
            for way, fitness in ranked(tuple(design.brief.kinds.values()))
        ],
        choices=[_section(section) for section in family.choices(design.brief)],
    )


def _ways_out(design: Design) -> Iterator[Finding]:
    """Its findings with the fixes that do settle them; what is said of its wall was tried on it
    already.
    """
    yield from tried(design)
    yield from design.on_wall.findings


def _section(section: Section) -> ChoiceSection:
    return ChoiceSection(
        title=section.title,
        fields=[
            ChoiceField(
                path=field.path,
                label=field.label,
                options=[OptionView(value=o.value, name=o.name, why=o.why) for o in field.options],
                figure=field.figure,
            )
            for field in section.fields
        ],
        figures=list(section.figures),
    )


def view_rack(record: Record, design: Design) -> RackView:
    return RackView(
        id=record.id,
        name=record.name,
        version=record.version,
        undo=record.undo,
        redo=record.redo,
        updated_at=record.updated_at,
        deleted=record.deleted_at is not None,
        design=view_design(design, tries=True),
        ladder=[
            _rung(r, design.tape)
            for r in ladder(
                design.rack.row, design.brief.rows, _longest(design), design.rack.fixtures
            )
        ],
        site=design.on_wall.site.state if design.on_wall.site else "",
    )


def _fine(value: Value, tape: Tape) -> str:
    return value if isinstance(value, str) else tape.write_fine(value)


def _on_tape(value: Value, tape: Tape) -> str | None:
    if isinstance(value, str) or tape.write(value) == tape.write_fine(value):
        return None
    return tape.write(value)


def view_finding(finding: Finding, tape: Tape) -> FindingView:
    return FindingView(
        code=finding.code,
        severity=finding.severity.value,
        title=finding.title,
        part=finding.part,
        message=finding.message,
        figure=finding.figure,
        value=_fine(finding.value, tape),
        limit=_fine(finding.limit, tape),
        x=finding.at[0],
        y=finding.at[1],
        fixes=[FixView(label=fix.label, patch=fix.patch) for fix in finding.fixes],
    )


def _longest(design: Design) -> Fraction | None:
    on = design.on_wall
    return longest_row(design.rack, on.site, on.spot.x) if on.site else None


def _rung(rung: Rung, tape: Tape) -> RungView:
    row = rung.row
    ends = tape.write(row.left)
    if tape.round(row.left) != tape.round(row.right):
        ends += f" / {tape.write(row.right)}"
    return RungView(
        count=row.count,
        hang=rung.hang,
        chosen=rung.chosen,
        verdict=rung.verdict,
        length=tape.write(row.length),
        pitch=tape.write(row.pitch) if row.holders > 1 else "—",
        air=tape.write(row.air) if row.count > 1 else "—",
        ends=ends,
        full=percent(row.fullness),
        axes=[in_mm(axis) for axis in row.axes],
        length_mm=float(row.length),
        patch=rung.patch,
    )


def _marks(design: Design, row: int) -> MarksView:
    tape, found = design.tape, design.marks_by_row[row]
    exact, step = [float(mark.exact) for mark in found], float(tape.step)
    drifts = [mark.drift for mark in found if mark.drift is not None]
    return MarksView(
        x=[round(at, 3) for at in exact],
        text=[mark.text for mark in found],
        from_end=[mark.end_text for mark in found],
        exact=[tape.write_fine(mark.exact) for mark in found],
        error=[
            _signed(mark.steps * step - at, tape) for mark, at in zip(found, exact, strict=True)
        ],
        drift=[_signed(drift, tape) for drift in drifts] if drifts else None,
        pinned=[] if row else [pin.index for pin in design.rack.row.pins],
    )


def _rows(design: Design) -> list[RowView]:
    rack = design.rack
    groups = {k: group for group in rack.alike for k in group}
    # Uprights that carry the same row are told of once.
    rows = [(k, row) for k, row in enumerate(rack.rows) if not rack.up or groups[k][0] == k]
    return [
        RowView(
            y=float(row.y),
            kind=row.kind,
            count=row.row.count,
            alike=groups[k][0],
            names=rack.named(groups[k]).lower(),
            marks=_marks(design, k) if 0 < k == groups[k][0] else None,
        )
        for k, row in rows
    ]


def signed(value: Fraction, tape: Tape) -> str:
    """A deviation as it is said: `+3 mm`, `−1/8 in`, `0 mm`."""
    text = tape.write(abs(value))
    return text if not tape.round(value) else f"{'−' if value < 0 else '+'}{text}"


def _signed(value: Fraction | float, tape: Tape) -> str:
    """How far a mark is off, to the tenth of a mm or the 64th of an inch."""
    text = tape.near(abs(Fraction(str(round(float(value), 6)))))
    off = text != tape.near(Fraction(0))
    return f"{'−' if value < 0 else '+'}{text}" if off else text


def _fields(brief: Brief, tape: Tape, design: Design) -> dict[str, str]:
    """Dotted path -> text of every length in the brief; a figure that follows shows its result."""
    texts: dict[str, str] = {}

    for path, value in leaves(brief):
        if isinstance(value, Fraction):
            bought = path[0] in ("holder", "holders", "board", "back")
            texts[".".join(path)] = tape.write_fine(value) if bought else tape.write_given(value)
        elif isinstance(value, int) and path[-1] in WEIGHED:
            texts[".".join(path)] = weight_given(value, brief.trade)
        elif isinstance(value, int) and path[-1] == "tug_n":
            texts[".".join(path)] = load_given(value, brief.trade)
    row = design.rack.row
    texts["item.width"] = tape.write_given(brief.item.across)
    for key, item in brief.others.items():
        texts[f"others.{key}.width"] = tape.write_given(item.across)
    for k, keepout in enumerate(brief.row.keepouts):
        texts[f"row.keepouts.{k}.at"] = tape.write_given(keepout.at)
        texts[f"row.keepouts.{k}.width"] = tape.write_given(keepout.width)
    if "rows.drop" not in texts and design.rack.several:
        texts["rows.drop"] = tape.write_given(design.rack.rows[0].y - design.rack.rows[1].y)
    texts["row.pitch"] = tape.write_given(row.pitch)
    if row.airy:
        texts["row.air"] = tape.write_given(row.air)
    texts["row.length"] = tape.write_given(row.length)
    texts["row.count"] = str(row.count)
    for side, end in (("left", row.left), ("right", row.right)):
        texts[f"row.ends.{side}"] = tape.write_given(end)
    return texts
