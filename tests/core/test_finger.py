"""Flip rails on a threaded rod: fingers and spacers that fill it, and a heel that turns clear and
stops.
"""

from math import cos, radians, sin
from typing import get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.cases import cases
from tests.core.test_uprights import codes, figures
from tests.features import step
from tests.metric import shipped_item, starting
from tests.strategies import lengths
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import design
from yardcliff.core.findings.finding import Patch
from yardcliff.core.holders.finger import Rod, hardware, heel, spacer
from yardcliff.core.holders.flip import Flip, stress
from yardcliff.core.materials.goods import Thread
from yardcliff.core.rack import Face, Kind
from yardcliff.core.shapes.geometry import points
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length_text import INCH
from yardcliff.core.ways import build
from yardcliff.data import table

CAPS = amend(
    starting([(shipped_item("peaked-cap"), 3)], "1 mm", "flip-rail"),
    {"turns": "rod", "board": {"height": "110 mm"}},
)


def test_fingers_and_spacers_fill_a_rod() -> None:
    rack = build(CAPS)
    assert not rack.findings
    known = figures(CAPS)
    # 225 from cap to cap: fingers of 24, two washers of 1.6 each, and what is left for the spacers
    # between.
    row = rack.row
    spacers = [part for part in rack.parts if part.key.startswith("spacer")]
    assert len(spacers) == 4
    assert spacers[0].length == row.axes[0] - 12 - Fraction("1.6")
    assert all(part.length == row.gaps[0] - 24 - Fraction("3.2") for part in spacers[1:-1])
    assert (
        sum(part.length for part in spacers) + 3 * (24 + Fraction("3.2"))
        == row.length
        == known["finger.stack"]
    )
    # Washer 1.6, nut 6.8, 3 of thread and 2 sunk; the rod ends 2 below the wood at both ends.
    assert (known["finger.recess"], known["finger.rod"]) == (Fraction("13.4"), row.length - 4)
    assert {(part.depth, part.z) for part in spacers} == {(29, CAPS.board.thickness)}
    assert "20 mm" in [f"{one.size} mm" for one in rack.machining if one.kind is Kind.NUT_RECESS]


@given(thick=lengths(12, 40), gap=lengths(0, 5), tilt=st.integers(0, 30))
def test_a_heel_turns_clear_of_the_backer_and_stops_flat_on_it(
    thick: Fraction, gap: Fraction, tilt: int
) -> None:
    flip, rod = Flip(thickness=thick, tilt=tilt), Rod(gap=gap)
    ends = heel(flip, rod)
    corners = [ends.back, ends.stop, ends.front]
    # As the finger opens its corners turn about the rod: none comes through the backer before the
    # flat lies on it.
    opened = 90 - tilt
    for degree in range(opened + 1):
        turn = radians(-degree)
        assert all(x * cos(turn) - y * sin(turn) >= -ends.off - 1e-6 for x, y in corners)
    turn = radians(-opened)
    for x, y in corners[1:]:
        assert x * cos(turn) - y * sin(turn) == pytest.approx(-ends.off, abs=1e-6)
    # The bevel begins on the back face, and folded the finger stands the gap off the backer.
    assert ends.back[0] == -float(thick) / 2
    assert ends.off == pytest.approx(float(thick / 2 + gap))
    assert spacer(flip, rod)[1] == thick + gap


def test_every_rod_of_the_table_has_its_hardware() -> None:
    assert [row["key"] for row in table("rods")] == list(get_args(Thread))
    for size in get_args(Thread):
        rack = build(amend(CAPS, {"rod": {"size": size, "thickness": "40 mm"}}))
        bits = hardware(size)
        beyond = Fraction(5) if size.startswith("M") else INCH * 3 / 16
        assert bits.recess_bit[0] >= max(bits.corners, bits.outside)
        assert not [finding for finding in rack.findings if finding.code == "flip.pin"]
        nut = step(rack.machining, Kind.NUT_RECESS)
        assert (nut.count, nut.depth) == (2, bits.washer + bits.nut + beyond)


@given(
    thick=st.integers(14, 40),
    gap=st.integers(0, 4),
    tilt=st.integers(0, 25),
    length=st.integers(60, 180),
)
@cases(60)
def test_a_finger_is_drawn_folded_flush_and_open_on_its_backer(
    thick: int, gap: int, tilt: int, length: int
) -> None:
    asked: Patch = {
        "rod": {"thickness": f"{thick} mm", "gap": f"{gap} mm"},
        "flip": {"tilt": tilt, "length": f"{length} mm"},
    }
    done = design(amend(CAPS, asked))
    backer, rack = done.rack.part("backer"), done.rack
    face, axis = float(backer.z + backer.depth), float(rack.rows[0].y)
    opened, folded = (
        [list(points(stroke.path)) for stroke in done.section.strokes if stroke.role == role][-1]
        for role in ("holder", "holder-line")
    )
    # Folded up it stands the gap off the backer, flush with the spacers and a grip above them.
    assert min(z for z, _ in folded) == pytest.approx(face + gap)
    spacers = [part for part in rack.parts if part.key.startswith("spacer")]
    assert max(z for z, _ in folded) == pytest.approx(float(spacers[0].z + spacers[0].depth))
    assert max(y for _, y in folded) == pytest.approx(float(spacers[0].y + spacers[0].height) + 12)
    # Open, the heel lies on the backer, within its height, and the tip has risen by the tilt.
    assert min(z for z, _ in opened) == pytest.approx(face)
    touching = [y for z, y in opened if z == pytest.approx(face)]
    assert len(touching) >= 2
    assert float(backer.y) - 1e-6 <= min(touching) <= max(touching) <= axis + 1e-6
    tip = max(y for _, y in opened)
    assert tip == pytest.approx(axis + length * sin(radians(tilt)) + thick / 2 * cos(radians(tilt)))


def test_every_row_has_a_rod_of_its_own() -> None:
    two = build(amend(CAPS, {"rows": {"count": 2, "boards": "each"}}))
    one = build(CAPS)
    counts = [
        {
            made.kind: made.count
            for made in rack.machining
            if any(key.startswith("spacer") for key in made.parts)
        }
        for rack in (one, two)
    ]
    assert {what: 2 * count for what, count in counts[0].items()} == counts[1]
    assert counts[0][Kind.NUT_RECESS] == 2
    spacers = [part for part in two.parts if part.key.startswith("spacer")]
    assert len({part.key for part in spacers}) == len({part.name for part in spacers}) == 8
    # Rows stand on backers of their own, each spacer before its own one.
    joined = {joint.part: joint.other for joint in two.joints}
    assert {joined[part.key] for part in spacers} == {"backer-1", "backer-2"}
    assert all(
        place.face is Face.BACK
        for made in two.machining
        for place in made.places
        if "backer" in place.part
    )


def test_the_rods_hole_weakens_a_finger() -> None:
    flip = Flip(width=Fraction(20), thickness=Fraction(20), length=Fraction(100))
    # F = 29.43 N; 6 F l h / (b (h³ - d³)) with d = 10 is 8/7 of what it is without.
    whole, bored = stress(flip, 29.43, Fraction(0)), stress(flip, 29.43, Fraction(10))
    assert whole == pytest.approx(6 * 29.43 * 100 / (20 * 20**2))
    assert bored == pytest.approx(whole * 8 / 7)


@pytest.mark.parametrize(
    ("patch", "code"),
    [
        ({"board": {"height": "140 mm"}}, "flip.backer"),
        ({"board": {"height": "60 mm"}}, "flip.backer"),
        ({"rod": {"thickness": "16 mm"}}, "flip.pin"),
        ({"item": {"weight_g": "60 kg"}}, "flip.strength"),
        (
            {"row": {"ends": {"rule": "margin", "left": "20 mm", "right": "120 mm"}}},
            "row.end-grain",
        ),
        ({"row": {"spacing": "set", "pitch": "30 mm"}, "item": {"width": "10 mm"}}, "row.fixtures"),
    ],
)
def test_what_a_rod_asks_for_is_said(patch: Patch, code: str) -> None:
    assert code in codes(amend(CAPS, patch))
