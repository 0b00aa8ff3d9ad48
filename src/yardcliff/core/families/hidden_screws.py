"""Screws that hold a rail to its wall, hidden under hook plates: at the hooks' own marks, where the plates cover them."""

from collections.abc import Iterator, Sequence
from itertools import pairwise
from typing import Literal

from yardcliff.core.choices import Field, Option, Section
from yardcliff.core.exact import Fraction
from yardcliff.core.families.shared import Extra
from yardcliff.core.findings import Finding, Fix
from yardcliff.core.holders.hook import Hook
from yardcliff.core.holders.kit import AnyHolder
from yardcliff.core.length import exact_text
from yardcliff.core.rack import Operation
from yardcliff.core.row import Row
from yardcliff.core.working import Figure
from yardcliff.data import values

Mount = Literal["open", "plates"]
HOLE, HEAD, RIM = Fraction(5), Fraction(10), Fraction(2)
"""What a 5 mm screw passes, its countersunk head, and what a plate reaches past that all round, mm."""
APART = Fraction(600)
"""From screw to screw at most, mm: rule of thumb; studs decide where they are known."""
ZERO = Fraction(0)


def fit(mount: Mount, holder: AnyHolder, rows: Sequence[Row]) -> Extra:
    """The screws of boards, each by the row that it is hung by; nothing where they are not hidden."""
    if mount == "open":
        return Extra()
    behind = [_behind(row) for row in rows]
    marks = [", ".join(str(k + 1) for k in chosen) for chosen in behind]
    says = marks[0] if len(set(marks)) == 1 else "; ".join(f"row {k}: {one}" for k, one in enumerate(marks, 1))
    gaps = (row.axes[b] - row.axes[a] for row, chosen in zip(rows, behind, strict=True) for a, b in pairwise(chosen))
    return Extra(
        machining=(
            Operation(
                "Mounting hole", sum(map(len, behind)), "Board", "front", "bit", HOLE, None, 0, None, "through",
                f"At the marks of holders {says}, between their plates' own screws; countersink until the head lies below the face.",
            ),
        ),
        figures=(
            Figure("mount.behind", "Screws behind holders", says, "the outermost, and between", (),
                   "The plates go on last, over the screws."),
            Figure("mount.apart", "Furthest apart", max(gaps, default=ZERO), "given", (),
                   f"More than {exact_text(APART)} only where holders stand further apart than that."),
        ),
        findings=tuple(_findings(holder)),
        cautions=("Hidden is not stronger: into studs or plugs that are rated for the load, and the rail tried before the hooks go on.",),
    )  # fmt: skip


def _behind(row: Row) -> list[int]:
    """The holders with a screw behind them: the outermost, and as few between as keep screws near enough."""
    chosen = [0]
    for k in range(1, row.holders):
        if k == row.holders - 1 or row.axes[k + 1] - row.axes[chosen[-1]] > APART:
            chosen.append(k)
    return chosen


def _findings(holder: AnyHolder) -> Iterator[Finding]:
    fixes = (
        Fix("Coat hooks on plates", {"holder": values("holders", "coat-hook")}),
        Fix("Screws that are seen", {"mount": "open"}),
    )
    need = HEAD + 2 * RIM
    if not isinstance(holder, Hook):
        yield Finding(
            "mount.plates", "Mounting screws", "Only a hook's plate hides a screw.", "plate", ZERO, need, fixes=fixes
        )
        return
    between = holder.screw_spacing / (holder.screws - 1) - HEAD if holder.screws > 1 else ZERO
    room = min(holder.plate_width, between)
    # With three screws one stands in the middle, where the hidden one would be.
    if holder.screws != 2 or room < need:
        yield Finding(
            "mount.plates", "Mounting screws", "Between a plate's own screws there is no room to hide another.", "room",
            room if holder.screws == 2 else ZERO, need, fixes=fixes,
        )  # fmt: skip


def choices(mount: Mount) -> Section:
    """How the mounting screws are asked for."""
    field = Field(
        "mount",
        "screws",
        (
            Option("open", "where the wall asks", "Seen, plugged, or on a cleat: as the wall and its studs decide."),
            Option(
                "plates",
                "hidden under plates",
                "At the hooks' own marks: nothing is seen, and nothing extra is measured.",
            ),
        ),
    )
    return Section("Mounting", (field,), ("mount.behind", "mount.apart") if mount == "plates" else ())
