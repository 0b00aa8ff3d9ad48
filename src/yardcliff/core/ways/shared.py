"""What every family that hangs things in rows does alike: stand the rows, place what hangs, say
what is wrong.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace

from yardcliff.core.brief.rack_brief import RackBrief
from yardcliff.core.findings.finding import Finding, Fix
from yardcliff.core.findings.working import Figure
from yardcliff.core.holders.fitting import Fitting, Ground
from yardcliff.core.materials.goods import times
from yardcliff.core.rack import (
    HOLDER,
    Bore,
    Glyph,
    Joint,
    Kept,
    Operation,
    Outline,
    Part,
    Place,
    Placed,
    Rack,
    RackRow,
    Seat,
)
from yardcliff.core.row.figures import row_figures
from yardcliff.core.row.row import Row
from yardcliff.core.row.rows import Fixture, Standing, solve_rows, stand
from yardcliff.core.row.rows_findings import rows_figures
from yardcliff.core.row.spacing import solve
from yardcliff.core.strength.link import Link
from yardcliff.core.things.look import Look, hanging
from yardcliff.core.units.exact import Fraction
from yardcliff.core.ways.hanging_pictures import hang, hang_up
from yardcliff.core.ways.nominal import nominal
from yardcliff.core.ways.row_words import described, floor, of_row, of_the_rows, says
from yardcliff.core.ways.unsold import unsold
from yardcliff.messages import listed, tr

ZERO = Fraction(0)


@dataclass(frozen=True, slots=True)
class Body:
    """What a family adds to its rows: the boards, where each row is marked on them, and what is
    made of them.

    `marked` holds, for each row, the key of its part and how far across the marked face its axis
    lies. Things hang from the row, or stand with their feet at the height `standing_at`.

    Where the parts stand `up`, they all carry the one row, or each its own of `sides`; things hang
    at the x of the wall `up_at`, once or on each. Rows along the wall start at the wall's datum, or
    at `shifts` to the right of it. `looks` tell how things are seen that do not hang down,
    `outlines` how parts are that are shaped, `kept` what shelves have room for, `row_fixes` what
    settles whatever is wrong with a row, by its index.
    """

    family: str
    parts: tuple[Part, ...]
    marked: Sequence[tuple[str, Fraction]]
    joints: tuple[Joint, ...] = ()
    machining: tuple[Operation, ...] = ()
    figures: tuple[Figure, ...] = ()
    findings: tuple[Finding, ...] = ()
    cautions: tuple[str, ...] = ()
    seats: tuple[Seat, ...] = ()
    standing_at: Fraction | None = None
    up_at: tuple[Fraction, ...] = ()
    sides: tuple[Row, ...] = ()
    looks: Mapping[str, Look] | None = None
    shifts: tuple[Fraction, ...] = ()
    outlines: tuple[Outline, ...] = ()
    kept: tuple[Kept, ...] = ()
    links: tuple[Link, ...] = ()
    row_fixes: Mapping[int, tuple[Fix, ...]] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Extra:
    """What is built onto a rack, or beside it: what it adds to a body."""

    parts: tuple[Part, ...] = ()
    joints: tuple[Joint, ...] = ()
    machining: tuple[Operation, ...] = ()
    figures: tuple[Figure, ...] = ()
    findings: tuple[Finding, ...] = ()
    cautions: tuple[str, ...] = ()
    links: tuple[Link, ...] = ()


def first_row(brief: RackBrief, fitted: Fitting) -> Row:
    """The first row, spaced by what hangs on it, the holders' own reach and how far apart they have
    to be.
    """
    gap = Fixture(fitted.reach, fitted.apart).gap(brief.row.fixture_gap)
    return solve(brief.row.changed({"fixture_gap": gap}), brief.things, fitted.reach)


def ground(brief: RackBrief, line: Fraction | None = None) -> Ground:
    """The brief's board under a holder; the axis `line` in its middle, if it is not given."""
    board = brief.board
    line = board.height / 2 if line is None else line
    return Ground(board.thickness, board.height, line, board.wood, brief.in_hand, brief.pulled)


def stand_rows(
    brief: RackBrief, fitted: Fitting, first: Row, least: Fraction
) -> tuple[Standing, ...]:
    """The rows in their places; fixtures of one row and the next keep at least `least` from axis to
    axis.
    """
    drops = {k: fitting.hang_drop - fitted.hang_drop for k, fitting in fitted.rows.items()}
    return stand(
        brief.rows, solve_rows(brief.rows, first, fitted.fixtures), brief.kinds, least, drops
    )


def boards(
    brief: RackBrief, standing: Sequence[Standing], length: Fraction, line: Fraction, key: str
) -> tuple[tuple[Part, ...], list[tuple[str, Fraction]]]:
    """One board for all rows, as much taller as they hang down, or a board for each; and where each
    row is marked.

    `line` is the axis above the lower edge of a board; `key` is that of the part, and of its name
    among the messages, `part.*`.
    """
    board, bottom, name = brief.board, brief.hung - line, tr(f"part.{key}")
    downs = [one.down for one in standing]
    if brief.rows.boards == "each" and len(standing) > 1:
        named = [
            (f"{key}-{k + 1}", f"{name} {k + 1}", bottom - down, board.height)
            for k, down in enumerate(downs)
        ]
    else:
        named = [(key, name, bottom - max(downs), board.height + max(downs))]
    parts = tuple(
        Part(key, name, ZERO, y, ZERO, length, tall, board.thickness, board.wood)
        for key, name, y, tall in named
    )
    on = [parts[min(k, len(parts) - 1)] for k in range(len(standing))]
    return parts, [
        (part.key, brief.hung - down - part.y) for part, down in zip(on, downs, strict=True)
    ]


def assemble(
    brief: RackBrief, fitted: Fitting, standing: tuple[Standing, ...], least: Fraction, body: Body
) -> Rack:
    """The rack: rows, holders, what hangs, and every figure and finding that does not depend on the
    family.
    """
    tape, first = brief.in_hand, standing[0].row
    up = bool(body.up_at)
    looks = list(dict.fromkeys(map(_look, fitted.every)))
    rows = (
        tuple(_up(body, first))
        if up
        else tuple(
            [
                RackRow(
                    key,
                    brief.hung - one.down,
                    across,
                    one.row,
                    brief.rows.own_of(k).kind,
                    body.shifts[k] if body.shifts else ZERO,
                    glyph=looks.index(_look(fitted.of(k))),
                )
                for k, ((key, across), one) in enumerate(zip(body.marked, standing, strict=True))
            ]
        )
    )
    # A thing that stands has its own axis where its foot puts it.
    foot = body.standing_at
    feet = {} if foot is None else {kind: foot + item.below for kind, item in brief.kinds.items()}
    pinned = {pin.index for pin in first.pins}
    placed = tuple(
        [
            Placed(k, i, x, y, k == 0 and i in pinned, row.glyph)
            for k, row in enumerate(rows)
            for i, (x, y) in enumerate(row.places)
        ]
    )
    if fitted.own:
        kinds = [_holders_for(row.row) for row in rows]
        placed = tuple(
            one._replace(glyph=looks.index(_look(fitted.of(one.row, kinds[one.row][one.place]))))
            for one in placed
        )
    hung = tuple(
        [
            thing
            for k, (row, x) in enumerate(zip(rows, body.up_at, strict=False))
            for thing in hang_up(k, row, fitted.hang_drop, x)
        ]
        if up
        else [
            thing
            for k, row in enumerate(rows)
            for thing in hang(k, row, fitted.of(k).hang_drop, feet)
        ]
    )
    used = {kind: brief.kinds[kind] for kind in dict.fromkeys(thing.kind for thing in hung)}
    seen = body.looks or {kind: hanging(item) for kind, item in used.items()}
    x, y = rows[0].at(first.axes[0])
    at = (float(x), float(y))
    on = {part.key: part for part in body.parts}
    holding = tuple([_made(step, those, rows, on) for step, those in _steps(fitted, looks, placed)])
    names = listed(dict.fromkeys(fitting.name for fitting in (fitted, *fitted.rows.values())))
    others = [(tr("ways.in-row", number=k + 1), fitting) for k, fitting in fitted.rows.items()]
    rack = Rack(
        body.family,
        brief.sizes,
        body.parts,
        placed,
        tuple(bores for _, bores in looks),
        tuple(glyph for glyph, _ in looks),
        fitted.name,
        fitted.noun,
        used,
        seen,
        hung,
        described(says(used, hung), fitted.how, names, 1 if up else len(rows)),
        rows,
        (
            *row_figures(first, tape),
            *rows_figures(brief.rows, standing, brief.kinds, least),
            *fitted.figures,
            *(
                replace(figure, key=_numbered(figure.key, k), label=f"{figure.label}, {k}")
                for k, fitting in others
                for figure in fitting.figures
            ),
            *body.figures,
        ),
        (
            *of_the_rows(
                brief, rows[:1] if up else rows, standing, used, fitted, body.row_fixes, tape
            ),
            *(replace(finding, at=at) for finding in (*fitted.findings, *body.findings)),
            *(
                of_row(finding, k, rows)
                for k, fitting in fitted.rows.items()
                for finding in fitting.findings
            ),
            *(() if feet else floor(brief, used, seen, hung, tape)),
        ),
        (*holding, *body.machining),
        tuple(
            dict.fromkeys(
                (
                    *fitted.cautions,
                    *(one for _, fitting in others for one in fitting.cautions),
                    *body.cautions,
                )
            )
        ),
        body.joints,
        body.seats,
        fitted.outline,
        (*body.outlines, *(fitting.outline for _, fitting in others if fitting.outline)),
        body.kept,
        (
            *fitted.links,
            *(
                replace(link, name=f"{link.name}, {k}", figure=_numbered(link.figure, k))
                for k, fitting in others
                for link in fitting.links
            ),
            *body.links,
        ),
    )
    return replace(rack, findings=(*rack.findings, *unsold(brief, rack), *nominal(brief, rack)))


def _look(fitted: Fitting) -> tuple[Glyph, tuple[Bore, ...]]:
    return fitted.glyph, fitted.bores


def _numbered(key: str, row: str) -> str:
    """The key of a figure that another row has as well."""
    return f"{key}.{row.replace(' ', '')}" if key else ""


def _holders_for(row: Row) -> list[str]:
    """The kind of thing that each holder of a row is for."""
    return [thing.kind for thing in row.things for _ in range(thing.holders)]


def _steps(
    fitted: Fitting, looks: Sequence[tuple[Glyph, tuple[Bore, ...]]], placed: Sequence[Placed]
) -> Iterator[tuple[Operation, Sequence[Placed]]]:
    """Each operation with the holders that it makes: what is alike for several of them is one."""
    if len(fitted.every) == 1:
        yield from ((step, placed) for step in fitted.machining)
        return
    those: dict[Operation, list[Placed]] = {}
    for k, look in enumerate(looks):
        fits = next(fitting for fitting in fitted.every if _look(fitting) == look)
        for step in fits.machining:
            those.setdefault(step, []).extend(one for one in placed if one.glyph == k)
    yield from ((step, found) for step, found in those.items() if found)


def _made(
    step: Operation, placed: Sequence[Placed], rows: Sequence[RackRow], on: Mapping[str, Part]
) -> Operation:
    """An operation of one holder at all of them: on the marked face of their parts, or on what they
    are made of.
    """
    takes = times(step.takes, len(placed))
    if not step.offsets:
        return replace(step, parts=(HOLDER,), many=step.many * len(placed), takes=takes)
    places = []
    for one in placed:
        row = rows[one.row]
        along, across, face = (
            one.y - row.y if row.up else one.x - row.x,
            row.across,
            on[row.part].face,
        )
        for aside, up in step.offsets:
            # Where the row runs up, what is up the wall is along the part, and what is right of it
            # is below.
            at = (along + up, across - aside) if row.up else (along + aside, across + up)
            places.append(Place(row.part, face, *at, one.row, one.place))
    cut = step.cut
    if cut and rows[0].up:
        cut = (cut[2], cut[3], -cut[1], -cut[0])
    keys = tuple(dict.fromkeys(place.part for place in places))
    return replace(step, parts=keys, places=tuple(places), offsets=(), takes=takes, cut=cut)


def _up(body: Body, row: Row) -> Iterator[RackRow]:
    """The one row, or each its own, on the parts that stand up."""
    parts = {part.key: part for part in body.parts}
    for k, (key, across) in enumerate(body.marked):
        part = parts[key]
        x = part.x + part.length * (
            1 - across / part.face_width
        )  # as seen from the front, where a face may lean
        yield RackRow(key, part.y, across, body.sides[k] if body.sides else row, x=x, up=True)
