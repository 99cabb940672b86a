"""Endpapers composed, plates on guards, and leaves and paper from what there is; by hand."""

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import codes, job_in, planned, value
from tests.core.extras.made_up import EXTRAS
from tests.core.test_drawings import drawing
from weald.core.block.plates import map_folds, stubs_in
from weald.core.pieces import Piece
from weald.core.planning.plan import Plan


def pieces(made: Plan) -> dict[str, Piece]:
    return {each.id: each for each in made.pieces}


def ends(*elements: dict[str, Any], **more: Any) -> dict[str, Any]:
    return {"text": {"pages": 96}, "extras": {"ends": {"elements": list(elements), **more}}}


def test_endpapers_composed_by_hand() -> None:
    # a folio of 120 g × 1.3 sewn, a joint with a second strip of 0.25, and a hooked pair
    made = planned(EXTRAS["ends"])
    leaf = 120 * 1.3 / 1000
    assert value(made, "endpapers.thickness") == pytest.approx(2 * (2 + 2) * leaf)
    # at the spine of one end: two strips, the hook of the pair, the lining strip
    assert value(made, "endpapers.at_spine") == pytest.approx(2 * (2 * 0.25 + leaf + 0.25))
    plain = planned({"text": {"pages": 96}})
    assert value(made, "joint.gap") == pytest.approx(value(plain, "joint.gap") + 2 * 0.25)
    # one folio at either end is sewn as a section of its own
    sections = value(plain, "sections.count")
    thread = (sections + 2) * 0.2 * 0.5
    assert value(made, "spine.swell") == pytest.approx(thread + value(made, "endpapers.at_spine"))
    cut = pieces(made)
    assert cut["endpaper"].width == pytest.approx(2 * 144)
    assert cut["endpaper_2"].width == pytest.approx(30 + value(made, "joint.gap"))
    assert cut["endpaper_2_second"].width == pytest.approx(cut["endpaper_2"].width - 6)
    assert (cut["endpaper_3"].width, cut["endpaper_3"].count) == (pytest.approx(144 + 6), 4)
    labels = {each.about for each in drawing(made, "block.ends").elements}
    assert "extras.ends.elements" in labels


def test_the_two_ends_may_differ() -> None:
    # in front a sewn folio and a joint of 0.25; behind two tipped folios: 2 + 4 leaves, one section more
    front = [{"at": "front", "attached": "sewn"}, {"at": "front", "what": "cloth_joint", "attached": "sewn"}]
    back = [{"at": "back"}, {"at": "back", "name": "marbled"}]
    made, plain = planned(ends(*front, *back)), planned({"text": {"pages": 96}})
    assert value(made, "endpapers.thickness") == pytest.approx(6 * 120 * 1.3 / 1000)
    assert value(made, "endpapers.at_spine") == pytest.approx(0.25)
    assert value(made, "joint.gap") == pytest.approx(value(plain, "joint.gap") + 0.25)
    sections = value(plain, "sections.count")
    assert value(made, "spine.swell") == pytest.approx((sections + 1) * 0.2 * 0.5 + 0.25)
    assert [each.count for each in made.pieces if each.id.startswith("endpaper")] == [1, 1, 1, 1]
    assert "marbled" in drawing(made, "block.ends_back").text
    assert "marbled" not in drawing(made, "block.ends").text
    bare = next(each for each in planned(ends(*back)).findings if each.code == "ends.no_leaf")
    assert "at the front" in bare.message
    (action,) = bare.actions
    mended: Any = action.patch["extras.ends.elements"]
    assert "ends.no_leaf" not in codes(planned(ends(*mended)))


@given(st.lists(st.sampled_from(["both", "front", "back"]), min_size=1, max_size=8))
def test_parts_of_both_ends_count_twice(at: list[str]) -> None:
    made = planned(ends(*({"at": each, "what": "single"} for each in at)))
    leaves = sum(2 if each == "both" else 1 for each in at)
    assert value(made, "endpapers.thickness") == pytest.approx(leaves * 120 * 1.3 / 1000)
    assert sum(each.count for each in made.pieces if each.id.startswith("endpaper")) == leaves


def test_in_a_single_section_what_is_sewn_goes_with_it() -> None:
    job = job_in("pamphlet_case")
    job["extras"] = {"ends": {"elements": [{"attached": "through_fold"}]}}
    made = planned(job)
    assert "ends.not_sewn" not in codes(made)
    assert value(made, "spine.swell") == pytest.approx(value(planned(job_in("pamphlet_case")), "spine.swell"))


def test_endpapers_that_do_not_hold_are_said() -> None:
    assert "ends.no_leaf" in codes(planned(ends({"what": "cloth_joint"})))
    assert "ends.no_fold" in codes(planned(ends({"what": "single", "attached": "sewn"})))
    assert "ends.joints" in codes(planned(ends({}, {"what": "cloth_joint"}, {"what": "cloth_joint"})))
    loose = {**job_in("single_leaves"), "extras": {"ends": {"elements": [{"attached": "hooked"}]}}}
    assert "ends.not_sewn" in codes(planned(loose))


def plates(*rows: dict[str, Any], **more: Any) -> dict[str, Any]:
    return {"text": {"pages": 96}, "extras": {"plates": {"plates": list(rows), **more}}}


def test_plates_by_hand() -> None:
    # 12 plates of 0.3 on guards of 0.08 folded: 3.6 in front, 12 × 0.16 = 1.92 behind; 1.68 / 0.16 = 10.5
    made = planned(plates({"count": 12, "after": 17, "thickness": 0.3}))
    assert value(made, "plates.fore_edge") == pytest.approx(3.6)
    assert value(made, "plates.gape") == pytest.approx(1.68)
    assert value(made, "plates.guards") == 11
    assert value(made, "plates.spine") == pytest.approx(0.16 * 23)
    plain = planned({"text": {"pages": 96}})
    assert value(made, "block.thickness") == pytest.approx(value(plain, "block.thickness") + 3.6)
    assert value(made, "spine.swell") == pytest.approx(value(plain, "spine.swell") + 0.16 * 23 - 3.6)
    cut = pieces(made)
    assert (cut["plate_guard"].count, cut["stub"].count) == (12, 11)
    two = planned(plates({"count": 12, "after": 17, "how": "folio"}))
    assert pieces(two)["plate_guard"].count == 6


@given(st.integers(1, 60), st.floats(0.05, 1), st.floats(0.04, 0.3))
def test_stubs_make_good_what_plates_are_thicker(count: int, thickness: float, guard: float) -> None:
    made = planned(
        plates({"count": count, "thickness": round(thickness, 3)}, guard_thickness=round(guard, 3))
    )
    over = value(made, "plates.spine") - value(made, "plates.fore_edge")
    assert over >= -1e-6
    if value(made, "plates.guards"):
        assert over < 2 * guard + 1e-6


def test_a_leaf_that_stands_out_is_cut_or_the_boards_follow() -> None:
    cut_back = planned(plates({"width": 140, "free": 3}))
    assert "plates.stand_out" in codes(cut_back)
    assert value(cut_back, "plates.stand_out") == pytest.approx(3)
    wider = planned(plates({"width": 140, "free": 3}, cut_back=False))
    assert "plates.wider" in codes(wider)
    assert value(wider, "board.width") == pytest.approx(value(cut_back, "board.width") + 3)
    remedy = next(each for each in cut_back.findings if each.code == "plates.stand_out").actions[0]
    rows: Any = remedy.patch["extras.plates.plates"]
    assert "plates.stand_out" not in codes(planned(plates(*rows)))


@given(st.floats(100, 3000), st.floats(60, 400))
def test_a_map_folds_inside_the_trimmed_edge(width: float, page: float) -> None:
    panels, wide = map_folds(width, page)
    assert panels * wide == pytest.approx(width)
    assert wide <= page - 5 + 1e-6
    assert panels == 1 or width / (panels - 1) > page - 5 - 1e-6


def test_a_map_thrown_clear_has_a_guard_as_wide_as_the_page() -> None:
    made = planned(plates({"how": "thrown_clear", "width": 420}))
    assert pieces(made)["map_guard"].width == pytest.approx(140 + 14)
    assert "plates.stand_out" not in codes(made)


def test_plates_that_cannot_stand_are_said() -> None:
    assert "plates.no_page" in codes(planned(plates({"after": 500})))
    assert "plates.tall" in codes(planned(plates({"height": 230})))
    assert "plates.odd" in codes(planned(plates({"count": 3, "how": "folio"})))
    assert "plates.gape" in codes(planned(plates({"count": 20}, compensated=False)))


def test_a_leaf_from_boards_by_hand() -> None:
    # boards 150 × 222, squares 3, 3 and 4, boards beginning as far in as the joint asks
    made = planned({"extras": {"from_boards": {"width": 150, "height": 222}}})
    inset = value(made, "joint.inset")
    assert value(made, "taken.width") == pytest.approx(150 - 4 + inset)
    assert value(made, "taken.height") == pytest.approx(222 - 6)
    take = next(each for each in made.findings if each.code == "taken.boards").actions[0]
    after = planned(
        {
            "leaf": {"width": take.patch["leaf.width"], "height": take.patch["leaf.height"]},
            "extras": {"from_boards": {"width": 150, "height": 222}},
        }
    )
    assert value(after, "board.width") == pytest.approx(150, abs=1e-3)
    assert value(after, "board.height") == pytest.approx(222, abs=1e-3)


def test_boards_are_judged_both_ways_round() -> None:
    made = planned({"extras": {"from_boards": {"width": 216, "height": 141}}})
    said = next(each.message for each in made.findings if each.code == "taken.squares")
    assert "turned" in said
    assert "3 mm at head and tail" in said
    assert "taken.too_small" in codes(planned({"extras": {"from_boards": {"width": 120, "height": 180}}}))


def test_a_torn_sheet_by_hand() -> None:
    # 760 × 560 in four and two: 190 × 280, 2 off each way; grain along 760 runs across the leaf
    made = planned({"extras": {"torn": {}}})
    assert (value(made, "taken.width"), value(made, "taken.height")) == (
        pytest.approx(188),
        pytest.approx(278),
    )
    assert "taken.torn_across" in codes(made)
    along = planned({"extras": {"torn": {"grain": "height"}}})
    assert "taken.torn" in codes(along)


@given(st.integers(1, 500), st.floats(50, 1000), st.floats(50, 1000), st.floats(20, 400))
def test_paper_weighed_gives_its_grammage_back(sheets: int, width: float, height: float, gsm: float) -> None:
    width, height = round(width, 2), round(height, 2)
    grams = sheets * width * height / 1e6 * gsm
    entries = {"sheets": sheets, "width": width, "height": height, "grams": grams}
    made = planned({"paper": {"grammage": 1000}, "extras": {"weighed": entries}})
    assert value(made, "weighed.grammage") == pytest.approx(gsm)


def test_what_is_weighed_can_be_taken() -> None:
    # ten sheets of A4, 0.06237 m² each, 53.2 g: 85.3 g/m²
    made = planned(EXTRAS["weighed"])
    assert math.isclose(value(made, "weighed.grammage"), 53.2 / 10 / 0.062370, rel_tol=1e-3)
    assert "weighed.differs" in codes(made)
    assert "weighed.odd" in codes(planned({"extras": {"weighed": {"grams": 90000}}}))


def test_a_folded_map_by_hand() -> None:
    # 420 × 380 on a page of 140 × 210: panels within 135 and 205, so 4 × 2 of 0.1, and a guard of 0.08 across
    made = planned(plates({"how": "thrown_clear", "width": 420, "height": 380, "thickness": 0.1}))
    assert value(made, "plates.fore_edge") == pytest.approx(0.88)
    assert "plates.folded_up" in codes(made)
    assert "plates.tall" not in codes(made)
    low = planned(plates({"how": "thrown_clear", "width": 420, "height": 205, "thickness": 0.1}))
    assert value(low, "plates.fore_edge") == pytest.approx(0.48)


def test_a_map_thrown_clear_makes_no_board_wider() -> None:
    row = {"how": "thrown_clear", "width": 420}
    assert value(planned(plates(row, cut_back=False)), "block.width") == 140


@given(st.integers(1, 80), st.integers(1, 200))
def test_stubs_are_spread_evenly(sections: int, stubs: int) -> None:
    spread = stubs_in(sections, stubs)
    assert sum(spread.values()) == stubs
    counts = [spread.get(place, 0) for place in range(1, sections + 1)]
    assert max(counts) - min(counts) <= 1
    assert sum(counts) == stubs
