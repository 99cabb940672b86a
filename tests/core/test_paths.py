"""What goes round the spine is as long as its way: supports, mull, linings, end bands, the paste-down."""

import math
from typing import Any

import pytest

from tests.conftest import STRUCTURES, codes, job_in, planned, quantity, value
from weald.core.bindings.catalogue import STRUCTURES as CATALOGUE
from weald.core.block.holes import SUPPORTED
from weald.core.job.patching import with_entry
from weald.core.pieces import Piece
from weald.core.planning.plan import Plan


def piece(made: Plan, piece_id: str) -> Piece:
    return next(each for each in made.pieces if each.id == piece_id)


def on_supports(name: str, reach: float = 20, **binding: Any) -> Plan:
    job = job_in(name)
    method = next(each for each in CATALOGUE[name].methods if each in SUPPORTED)  # type: ignore[index]
    job["sewing"]["method"] = method
    return planned({**job, "binding": job["binding"] | {"tape_reach": reach} | binding})


def test_supports_of_a_case_go_over_the_joint_and_on_to_the_board() -> None:
    made = on_supports("flat_case", reach=30)
    each = value(made, "joint.inset") + 30
    assert value(made, "sewing.support_length") == pytest.approx(value(made, "spine.thickness") + 2 * each)


def test_supports_laced_go_through_the_board_twice() -> None:
    made = on_supports("laced_boards", reach=18, french_joint=0)
    # down the shoulder, a board's thickness at 90°; 11 in, through 2; 11 on and 7 along; through 2; and 18
    each = 2 + 11 + 2 + math.hypot(11, 7) + 2 + 18
    assert value(made, "sewing.support_length") == pytest.approx(value(made, "spine.arc") + 2 * each)


def test_supports_of_split_frayed_and_card_bindings_follow_theirs() -> None:
    split = on_supports("split_boards", reach=28, french_joint=4)
    assert value(split, "sewing.support_length") == pytest.approx(
        value(split, "spine.arc") + 2 * (4 + (28 + 5) + 5)
    )
    frayed = on_supports("lapped_cords", reach=40, french_joint=3)
    assert value(frayed, "sewing.support_length") == pytest.approx(value(frayed, "spine.arc") + 2 * (3 + 40))
    card = on_supports("laced_card_case", reach=40, cover_thickness=0.5, slit_step=6)
    assert value(card, "sewing.support_length") == pytest.approx(
        value(card, "spine.thickness") + 2 * (0.5 + 6 + 0.5 + 40)
    )
    bare = on_supports("coverless_tapes", reach=33)
    assert value(bare, "sewing.support_length") == pytest.approx(value(bare, "spine.thickness") + 66)


@pytest.mark.parametrize("name", STRUCTURES)
def test_wherever_supports_are_cut_their_reach_is_an_entry(name: str) -> None:
    structure = CATALOGUE[name]  # type: ignore[index]
    if not set(structure.methods) & set(SUPPORTED):
        return
    assert "binding.tape_reach" in structure.entries
    short, long = on_supports(name, reach=20), on_supports(name, reach=30)
    assert value(long, "sewing.support_length") == pytest.approx(value(short, "sewing.support_length") + 20)
    assert piece(long, "support").height == pytest.approx(value(long, "sewing.support_length"))


def test_mull_counts_from_the_edge_of_the_boards() -> None:
    made = planned({"measured": {"block.thickness": 20}, "block": {"mull_overlap": 25}})
    assert value(made, "joint.inset") == pytest.approx(3)
    assert piece(made, "mull").width == pytest.approx(20 + 2 * (3 + 25))


def test_on_raised_cords_linings_and_mull_are_pieces_between_them() -> None:
    job = job_in("laced_boards")
    job["sewing"] |= {"method": "raised_cords", "supports": 5, "support_width": 3}
    job["block"] |= {"linings": 2}
    made = planned(job)
    # five cords under five bands of 4 mm: panels of (216 − 4 − 20) / 6 = 32, so cords stand 36 apart
    assert piece(made, "spine_lining_between").height == pytest.approx(36 - 3 - 1)
    assert piece(made, "spine_lining_between").count == 2 * 4
    first = 32 + 2 - 3  # middle of the first cord, from the head of the block
    assert piece(made, "spine_lining_head").height == pytest.approx(first - 1.5 - 1)
    assert piece(made, "spine_lining_tail").height == pytest.approx(210 - (first + 4 * 36) - 1.5 - 1)
    assert piece(made, "mull_head").height == pytest.approx(first - 1.5 - 1 - 10)
    assert piece(made, "mull_between").count == 4
    ids = {each.id for each in made.pieces}
    assert not {"mull", "spine_lining"} & ids
    heights = sum(each.count / 2 * each.height for each in made.pieces if each.id.startswith("spine_lining"))
    assert heights == pytest.approx(210 - 5 * 3 - 6 * 1)


def test_stuck_on_bands_have_two_schools_and_none_is_of_no_length() -> None:
    job = {"block": {"end_bands": "stuck_on"}, "measured": {"block.thickness": 24}}
    made = planned(job)
    sections = value(made, "sections.count")
    assert value(made, "end_band.length") == pytest.approx(24)
    schools = {each.rule: each for each in quantity(made, "end_band.length").schools}
    assert schools["spine"].chosen
    assert schools["sections"].value == pytest.approx(24 - 24 / sections)
    other = planned(job | {"block": {"end_bands": "stuck_on", "end_band_ends": "sections"}})
    assert value(other, "end_band.length") == pytest.approx(24 - 24 / sections)
    sewn = planned(job | {"block": {"end_bands": "sewn"}})
    assert value(sewn, "end_band.length") == pytest.approx(24 - 24 / sections)
    one = planned(
        job | {"block": {"end_bands": "sewn"}, "folding": {"make_up": "one_section"}, "text": {"pages": 32}}
    )
    assert value(one, "end_band.length") > 0


def test_the_paste_down_is_cut_by_what_it_grows_and_its_margin() -> None:
    made = planned({})
    growth = (140 - 4) * 1.75 / 100 * 0.75
    assert value(made, "pastedown.growth") == pytest.approx(growth)
    # an even margin of 3 with a square of 4: trimmed by 3 + 1.785 − 4
    assert value(made, "pastedown.trim") == pytest.approx(3 + growth - 4)
    assert value(made, "pastedown.width") == pytest.approx(140 - (3 + growth - 4))
    assert value(made, "pastedown.margin") == pytest.approx(3)
    assert not {"pastedown.grows", "pastedown.over"} & codes(made)
    fixed = planned({"endpapers": {"margin": 2}})
    assert value(fixed, "pastedown.trim") == 0
    assert value(fixed, "pastedown.margin") == pytest.approx(4 - growth)


def test_growth_that_eats_the_margin_is_said() -> None:
    wide = {"leaf": {"width": 240}, "binding": {"squares": {"fore_edge": 3}}}
    assert (240 - 4) * 1.75 / 100 * 0.75 > 3 - 1
    assert "pastedown.over" in codes(planned(wide))
    grows = {"leaf": {"width": 180}, "binding": {"squares": {"fore_edge": 3}}}
    assert "pastedown.grows" in codes(planned(grows))
    tested = planned(wide | {"measured": {"pastedown.growth": 0.8}})
    assert not {"pastedown.over", "pastedown.grows"} & codes(tested)


def test_boards_ploughed_with_the_block_are_cut_high_by_the_waste() -> None:
    job = with_entry(job_in("laced_boards"), ["block", "trimming"], "in_boards")
    made = planned(job)
    board = piece(made, "board")
    assert (board.height, board.cut_height) == pytest.approx((216, 216 + 6))
    assert "trim.in_boards" not in codes(made)
    marks = next(each for each in made.drawings if each.id == "block.front")
    assert any(element.layer == "trim" for element in marks.elements if hasattr(element, "layer"))
    for name in ("flat_case", "rounded_case", "split_boards", "lapped_cords"):
        other = planned(with_entry(job_in(name), ["block", "trimming"], "in_boards"))
        assert "trim.in_boards" in codes(other), name
        assert piece(other, "board").cut_height == piece(other, "board").height


def test_pieces_laminated_before_they_are_cut_to_size_are_all_cut_wide() -> None:
    linings = [{"side": "inside"}, {"side": "core", "thickness": 1}]
    made = planned({"binding": {"cut_in_case": 10, "linings": linings}})
    for id in ("board", "board_lining_1", "board_lining_2"):
        assert piece(made, id).cut_width == pytest.approx(value(made, "board.width") + 10), id
    job = with_entry(job_in("split_boards"), ["binding", "cut_in_case"], 8)
    assert piece(planned(job), "thin_board").allowance == 8


def test_a_card_case_is_sized_on_the_spine_as_sewn_and_takes_stiffeners() -> None:
    job = job_in("laced_card_case")
    made = planned(job | {"measured": {"spine.thickness": 21}})
    schools = {each.rule: each.value for each in quantity(made, "spine_board.width").schools}
    assert schools["block"] == 21
    stiff = planned(with_entry(job, ["binding", "stiffener"], 0.4))
    card = piece(stiff, "stiffener")
    assert (card.count, card.thickness) == (2, 0.4)
    assert card.width < value(stiff, "cover.leaf") - value(stiff, "slit.step")
    assert "stiffener" not in {each.id for each in made.pieces}


def test_made_endpapers_count_every_leaf() -> None:
    plain = planned({"endpapers": {"kind": "tipped"}})
    made = planned({"endpapers": {"kind": "made"}})
    # two more leaves at each end, of 120 g/m² × 1.3
    assert value(made, "endpapers.thickness") == pytest.approx(
        value(plain, "endpapers.thickness") + 4 * 120 * 1.3 / 1000
    )
    grams = 4 * 120 * 140 * 210 / 1e6
    boards = 0.02 * value(plain, "book.weight")  # cover and spine grow a little with the block
    assert grams <= value(made, "book.weight") - value(plain, "book.weight") < grams + boards
    decorated = piece(made, "endpaper_decorated")
    assert decorated.count == 2


def test_second_boards_and_the_spine_board_weigh_what_they_weigh() -> None:
    one = planned(with_entry(job_in("lapped_cords"), ["binding", "thin_board"], 1))
    two = planned(with_entry(job_in("lapped_cords"), ["binding", "thin_board"], 2))
    area = 2 * value(two, "board.width") * value(two, "board.height") / 1e6
    assert value(two, "book.weight") - value(one, "book.weight") == pytest.approx(area * 640, rel=0.15)
    thin, thick = planned({"binding": {"spine_board": 1}}), planned({"binding": {"spine_board": 3}})
    strip = value(thin, "spine_board.width") * value(thin, "board.height") / 1e6
    gap = value(thick, "joint.inset") - value(thin, "joint.inset")
    heavier = value(thick, "book.weight") - value(thin, "book.weight")
    assert heavier == pytest.approx(strip * 640 * 2 - gap * 2 * 216 / 1e6 * (640 * 2 + 180), rel=0.02)


def test_leather_grows_and_pulls_as_leather() -> None:
    cloth = planned({"binding": {"cover_thickness": 0.5}})
    leather = planned({"binding": {"cover_thickness": 0.5, "material": "leather"}})
    assert value(cloth, "pull.outside") == pytest.approx(0.5 * 600 * 0.8)
    assert value(leather, "pull.outside") == pytest.approx(0.5 * 870 * 1.5)


@pytest.mark.parametrize(("height", "kettle"), [(100, 8), (148, 9), (210, 13), (250, 15), (500, 15)])
def test_kettles_stand_further_in_the_taller_the_book(height: float, kettle: float) -> None:
    made = planned({"leaf": {"height": height}, "paper": {"sheet": {"width": 1400, "height": 1400}}})
    assert value(made, "sewing.kettle") == kettle
    assert "sewing.near_edge" not in codes(made)


def test_compensation_guards_count_their_two_plies() -> None:
    made = planned({"paper": {"calliper": 0.1}, "block": {"inserted": 0.5, "guard_width": 20}})
    # 0.5 / (2 × 0.1) = 2.5, so three folded guards a section, cut 40 wide
    assert value(made, "guards.count") == 3
    guard = piece(made, "guard")
    assert guard.width == 40
    assert guard.count == 3 * value(made, "sections.count")
