"""Swell, rounds and shoulders, and what is judged of a block."""

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, planned, value
from weald.core.block.textblock import arc_to_chord, out_of_square, rise, round_for_swell


def test_the_schools_of_rounding_take_up_what_they_are_said_to() -> None:
    # a fifth of a circle takes up about 7 %, a third about 21 %
    assert arc_to_chord(1 / 5) == pytest.approx(1.069, abs=1e-3)
    assert arc_to_chord(1 / 3) == pytest.approx(1.209, abs=1e-3)
    assert arc_to_chord(0) == 1


@given(st.floats(0.01, 0.5), st.floats(5, 100))
def test_arc_and_rise_are_those_of_a_circle(part: float, chord: float) -> None:
    # a circle through both ends of the chord and the top of the arc, found without any angle of the product
    high = rise(chord, part)
    radius = (chord**2 / 4 + high**2) / (2 * high)
    steps = 4000
    whole = 2 * math.pi * radius * part
    assert whole == pytest.approx(chord * arc_to_chord(part), rel=1e-6)
    points = [
        (
            radius * math.cos(2 * math.pi * part * step / steps),
            radius * math.sin(2 * math.pi * part * step / steps),
        )
        for step in (0, steps)
    ]
    assert math.dist(*points) == pytest.approx(chord, rel=1e-6)


@given(st.floats(0, 0.5))
def test_the_round_of_a_swell_takes_up_just_that_swell(ratio: float) -> None:
    assert arc_to_chord(round_for_swell(ratio)) - 1 == pytest.approx(ratio, abs=1e-6)


@given(st.floats(50, 300), st.floats(50, 400), st.floats(0, 3))
def test_diagonals_tell_how_far_a_block_has_slid(width: float, height: float, slid: float) -> None:
    one, other = math.hypot(width + slid, height), math.hypot(width - slid, height)
    assert out_of_square(width, one, other) == pytest.approx(slid, abs=1e-6)


def rounded(**entries: Any) -> dict[str, Any]:
    return {
        "back": {"shape": "round", "round": 0.2, "shoulder": "90"} | entries,
        "binding": {"structure": "rounded_case"},
        "sewing": {"thread": 0.45},
        "measured": {"block.thickness": 20, "spine.swell": 3},
    }


def test_leftover_swell_by_hand() -> None:
    made = planned(rounded())
    # 3 − 20·0.06896
    assert value(made, "spine.left_over") == pytest.approx(3 - 20 * 0.068959, abs=1e-3)
    assert value(made, "thread.suits") == pytest.approx(0.068959 * 20 / (8 * 0.5), abs=1e-3)
    own = planned(rounded(round_rule="swell"))
    assert value(own, "spine.left_over") == pytest.approx(0, abs=1e-6)
    assert value(own, "spine.round") == pytest.approx(value(own, "spine.swell_round"))


@pytest.mark.parametrize(
    ("entries", "swell", "code"),
    [
        ({"round": 0.33}, 0.5, "round.forced"),
        ({"round": 0.05, "shoulder": "none"}, 4, "round.left_over"),
        ({"round": 0}, 1, "round.none"),
        ({}, 13, "round.impossible"),
    ],
)
def test_impossible_and_unwise_rounds_are_named(entries: dict[str, Any], swell: float, code: str) -> None:
    job = rounded(**entries)
    job["measured"]["spine.swell"] = swell
    assert code in codes(planned(job))


def test_the_three_schools_of_round_stand_side_by_side() -> None:
    schools = next(each for each in planned(rounded()).quantities if each.id == "spine.round").schools
    assert [each.rule for each in schools] == ["fifth", "third", "swell"]
    assert [each.value for each in schools[:2]] == pytest.approx([0.2, 1 / 3])
    assert [each.chosen for each in schools] == [True, False, False]


@pytest.mark.parametrize(
    ("block", "code"),
    [
        ({"diagonal_1": 252.4, "diagonal_2": 252.6}, "diagonals.equal"),
        ({"diagonal_1": 252, "diagonal_2": 253}, "diagonals.differ"),
        ({"diagonal_1": 200, "diagonal_2": 200}, "diagonals.far"),
        ({"end_bands": "stuck_on", "end_band_height": 3}, "end_band.high"),
        ({"trimming": "untrimmed"}, "trim.meant"),
    ],
)
def test_what_is_judged_of_a_block(block: dict[str, Any], code: str) -> None:
    assert code in codes(planned({"block": block}))


def test_a_deckle_is_not_trimmed() -> None:
    assert "deckle.trimmed" in codes(planned({"paper": {"deckle": True}}))
    trimmed = {"leaf": {"trim": {"fore_edge": 0}}, "paper": {"deckle": True}}
    assert "deckle.trimmed" not in codes(planned(trimmed))


def pieces(job: dict[str, Any]) -> dict[str, tuple[float, float, int]]:
    return {each.id: (each.width, each.height, each.count) for each in planned(job).pieces}


def test_what_is_cut_for_a_block_by_hand() -> None:
    job: dict[str, Any] = {
        "text": {"pages": 128},
        "paper": {"calliper": 0.1},
        "sewing": {"thread": 0.2},
        "block": {"inserted": 0.25, "end_bands": "stuck_on", "linings": 2, "mull_overlap": 20},
        "measured": {"block.thickness": 12},
    }
    found = pieces(job)
    assert found["mull"] == (52 + 2 * 3, 190, 1)  # over the joint, 3 on each side
    assert found["spine_lining"] == (12, 210, 2)
    assert found["end_band"] == (12, 2, 2)
    # 0.25 glued into each of eight sections: two folded guards of 0.2, cut twice as wide
    assert found["guard"] == (40, 216, 16)
    assert "mull" not in pieces(job | {"block": {"mull": False}})


@pytest.mark.parametrize(
    ("kind", "expected"),
    [
        ("tipped", {"endpaper": (288, 216, 4)}),
        ("wrapped", {"endpaper": (294, 216, 4)}),
        ("made", {"endpaper": (288, 216, 4), "endpaper_decorated": (288, 216, 2)}),
        ("cloth_jointed", {"endpaper": (288, 216, 4), "cloth_joint": (37, 216, 2)}),
    ],
)
def test_endpapers_of_every_kind(kind: str, expected: dict[str, tuple[float, float, int]]) -> None:
    found = pieces({"endpapers": {"kind": kind, "leaves": 4}})
    assert {key: found[key] for key in found if key.startswith(("endpaper", "cloth_joint"))} == expected


def test_sewn_endpapers_swell_as_two_more_sections() -> None:
    tipped, sewn = planned({"endpapers": {"kind": "tipped"}}), planned({"endpapers": {"kind": "sewn"}})
    more = value(sewn, "spine.swell") - value(tipped, "spine.swell")
    assert more == pytest.approx(2 * 0.2 * 0.5)


def test_a_hollow_is_three_times_the_arc() -> None:
    made = planned(rounded() | {"block": {"hollow": True}})
    assert value(made, "hollow.width") == pytest.approx(3 * value(made, "spine.arc"))
