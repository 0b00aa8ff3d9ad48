"""`yardcliff row`: the row calculator for people in a terminal, and for scripts."""

import json
import re
import sys
from dataclasses import dataclass
from typing import Annotated, Any

import typer
from pydantic import ValidationError

from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.findings.finding import Finding, Severity
from yardcliff.core.row.closeness import Words
from yardcliff.core.row.marking import marks
from yardcliff.core.row.row import Row
from yardcliff.core.row.row_brief import Follows, RowBrief
from yardcliff.core.row.row_findings import check
from yardcliff.core.row.spacing import solve
from yardcliff.core.things.thing import Reach, Thing, Things
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import Tape, TapeName, exact_text
from yardcliff.core.units.length_text import LengthError, Unit, read

SOLVED, IMPOSSIBLE, UNREADABLE = 0, 1, 2
STEPS: dict[str, TapeName] = {
    "1/8": "1/8 in",
    "1/16": "1/16 in",
    "1/32": "1/32 in",
    "1/64": "1/64 in",
    "1": "1 mm",
    "0.5": "0.5 mm",
    "1/2": "0.5 mm",
}
UNITS: tuple[Unit, ...] = ("in", "mm")
WORDS = Words(lambda n: f"{n} holder{'s' * (n != 1)}", {"": "holder"}, "holder")
RULES = ("half", "whole", "gaps", "inside")


class RowError(YardcliffError, ValueError):
    """A row that was not asked for clearly."""


@dataclass(frozen=True, slots=True)
class Asked:
    """The options as typed."""

    length: str | None
    count: str | None
    pitch: str | None
    ends: str | None
    step: str | None
    item_width: str | None
    air: str | None
    fixture_width: str | None
    spacing: str
    tidy: str | None
    unit: str | None


def row(
    length: Annotated[str | None, typer.Option(help="Board length, like “36 in”.")] = None,
    count: Annotated[str | None, typer.Option(help="How many holders.")] = None,
    pitch: Annotated[str | None, typer.Option(help="From axis to axis.")] = None,
    ends: Annotated[
        str | None, typer.Option(help="A length, two (“3 in,2 in”), or half, whole, gaps, inside.")
    ] = None,
    step: Annotated[
        str | None, typer.Option(help="Tape step: 1/8, 1/16, 1/32, 1/64 (in), 1, 0.5 (mm).")
    ] = None,
    item_width: Annotated[str | None, typer.Option(help="Width of what hangs.")] = None,
    air: Annotated[str | None, typer.Option(help="Clear gap between neighbours.")] = None,
    fixture_width: Annotated[
        str | None, typer.Option(help="Width of a hook's plate or a peg.")
    ] = None,
    spacing: Annotated[str, typer.Option(help="even, tidy or set.")] = "even",
    tidy: Annotated[str | None, typer.Option(help="Step that a tidy pitch is rounded to.")] = None,
    unit: Annotated[str | None, typer.Option(help="Unit of bare numbers: in or mm.")] = None,
    as_json: Annotated[bool, typer.Option("--json", help="Print JSON.")] = False,
) -> None:
    """Space one row. Any two of length, count and pitch (or item width + air) give the rest."""
    asked = Asked(
        length, count, pitch, ends, step, item_width, air, fixture_width, spacing, tidy, unit
    )
    try:
        solved, tape = _solve(asked)
    except (LengthError, RowError) as error:
        print(error, file=sys.stderr)
        raise typer.Exit(UNREADABLE) from None
    findings = list(check(solved, tape, WORDS))
    print(
        json.dumps(_as_json(solved, tape, findings), indent=2)
        if as_json
        else _as_text(solved, tape, findings)
    )
    stops = [f for f in findings if f.severity is Severity.STOP or f.code == "row.crowded"]
    for finding in stops:
        ways = "; or ".join(fix.label for fix in finding.fixes)
        print(f"Impossible as asked. {finding.message} Nearest change: {ways}.", file=sys.stderr)
    raise typer.Exit(IMPOSSIBLE if stops else SOLVED)


def _solve(asked: Asked) -> tuple[Row, Tape]:
    step = _step(asked.step)
    unit = _unit(asked)
    tape = Tape.named(step or ("1/16 in" if unit == "in" else "1 mm"))

    def measured(text: str | None, option: str, *, zero: bool = False) -> Fraction | None:
        if text is None:
            return None
        value = read(text, unit)
        if value < 0 or (value == 0 and not zero):
            raise RowError(f"{option} “{text}” must be {'0 or more' if zero else 'more than 0'}.")
        return value

    length = measured(asked.length, "--length")
    pitch = measured(asked.pitch, "--pitch")
    width = measured(asked.item_width, "--item-width")
    air = measured(asked.air, "--air", zero=True)
    fixture = measured(asked.fixture_width, "--fixture-width") or Fraction(0)
    tidy = measured(asked.tidy, "--tidy") or read("1/4 in" if tape.unit == "in" else "5 mm")
    if air is not None and width is None:
        raise RowError(f"--air “{asked.air}” needs --item-width beside it.")
    if asked.spacing not in ("even", "tidy", "set"):
        raise RowError(f"--spacing “{asked.spacing}” is not known: use even, tidy or set.")
    item = Reach((width or Fraction(0)) / 2, (width or Fraction(0)) / 2)
    body = Reach(fixture / 2, fixture / 2)
    known = [length is not None, asked.count is not None, pitch is not None or width is not None]
    if sum(known) < 2:
        raise RowError("Give any two of --length, --count and --pitch (or --item-width and --air).")
    given: dict[str, Any] = {
        "spacing": asked.spacing,
        "tidy": exact_text(tidy),
        "air": exact_text(air or Fraction(0)),
        "follows": _follows(asked),
    }
    if asked.ends is not None:
        given["ends"] = _ends(asked.ends, unit)
    given |= {"count": asked.count} if asked.count is not None else {}
    given |= {"length": exact_text(length)} if length is not None else {}
    given |= {"pitch": exact_text(pitch)} if pitch is not None else {}
    try:
        brief = RowBrief.model_validate(given)
    except ValidationError as error:
        raise RowError("; ".join(f"--{e['loc'][0]}: {e['msg']}" for e in error.errors())) from None
    return solve(brief, Things({"": Thing(item)}), body), tape


def _follows(asked: Asked) -> Follows:
    if asked.length is None:
        return "length"
    if asked.count is None:
        return "count"
    if asked.pitch is None:
        return "pitch"
    return "ends" if asked.ends is None else "nothing"


def _unit(asked: Asked) -> Unit:
    """The unit asked for; else that of the lengths that have one, or of a metric step. Raises
    `RowError` for bare numbers beside a step in inches: its unit is the tape's, and 900 is no
    length in inches.
    """
    if asked.unit is not None:
        for unit in UNITS:
            if asked.unit == unit:
                return unit
        raise RowError(f"--unit “{asked.unit}” is not known: use in or mm.")
    lengths = ("length", "pitch", "ends", "item_width", "air", "fixture_width", "tidy")
    texts = {name: text for name in lengths if (text := getattr(asked, name)) and text not in RULES}
    if any(re.search(r"\d\s*(in|ft|[\"'″′”’])", text) for text in texts.values()):
        return "in"
    if asked.step is None or "mm" in asked.step or asked.step.strip() in ("1", "0.5", "1/2"):
        return "mm"
    for name, text in texts.items():
        if not re.search(r"[a-z]", text):
            raise RowError(
                f"--{name.replace('_', '-')} “{text}” has no unit: write “{text} in”, “{text} mm”,"
                " or --unit in."
            )
    return "in"


def _step(step: str | None) -> TapeName | None:
    if step is None:
        return None
    name = STEPS.get(step.strip().removesuffix("in").removesuffix("mm").strip(' "″'))
    if name is None:
        raise RowError(
            f"--step “{step}” is no tape step: use 1/8, 1/16, 1/32, 1/64, 1 mm or 0.5 mm."
        )
    return name


def _ends(text: str, unit: Unit) -> dict[str, str]:
    """`half`, one length for both ends, or two with a comma between."""
    if text.strip() in RULES:
        return {"rule": text.strip()}
    if re.fullmatch(r"\s*\d+,\d+\s*", text):
        dotted, both = (
            text.strip().replace(",", "."),
            text.strip().replace(",", f" {unit},") + f" {unit}",
        )
        raise RowError(
            f"--ends “{text}” could be {dotted} or two ends: write “{dotted}” or “{both}”."
        )
    try:
        left = right = read(text, unit)
    except LengthError:
        sides = text.split(",")
        if len(sides) != 2:
            raise
        left, right = (read(side, unit) for side in sides)
    if left < 0 or right < 0:
        raise RowError(f"--ends “{text}” must be 0 or more.")
    return {"rule": "margin", "left": exact_text(left), "right": exact_text(right)}


def _as_json(row: Row, tape: Tape, findings: list[Finding]) -> dict[str, Any]:
    return {
        "length_mm": float(row.length),
        "count": row.count,
        "spaces": row.count - 1,
        "pitch_mm": float(row.pitch),
        "ends_mm": [float(row.left), float(row.right)],
        "marks": [
            {"exact_mm": float(m.exact), "text": tape.write(m.exact), "error_mm": float(m.error)}
            for m in marks(row, tape)
        ],
        "findings": [{"code": f.code, "message": f.message} for f in findings],
    }


def _as_text(row: Row, tape: Tape, findings: list[Finding]) -> str:
    lines = [
        f"board   {tape.write(row.length)}",
        f"count   {row.count} ({row.count - 1} spaces)",
        f"pitch   {tape.write_fine(row.pitch)}",
        f"ends    {tape.write(row.left)} and {tape.write(row.right)}",
        "marks from the left end:",
        *(
            f"  {m.place + 1:>3}  {tape.write(m.exact):<14} exact {tape.write_fine(m.exact)}"
            for m in marks(row, tape)
        ),
        *(f"{f.severity.value}: {f.message}" for f in findings),
    ]
    return "\n".join(lines)
