import pytest

from weald.core import paper
from weald.core.paper import Grade


@pytest.mark.parametrize(
    ("pounds", "grade", "gsm"),
    [(20, Grade.BOND, 75), (100, Grade.TEXT, 148), (80, Grade.COVER, 216), (110, Grade.INDEX, 199)],
)
def test_the_same_pound_means_something_else_in_every_grade(pounds: float, grade: Grade, gsm: float) -> None:
    assert paper.gsm_from_pounds(pounds, grade) == pytest.approx(gsm, abs=0.6)


def test_pounds_agree_with_weighing_a_ream() -> None:
    # 500 sheets of 25 × 38 in at 100 lb, weighed and measured in metric
    area = 500 * (25 * 0.0254) * (38 * 0.0254)
    assert paper.gsm_from_pounds(100, Grade.TEXT) == pytest.approx(100 * 453.592 / area, rel=1e-3)


def test_halving_a_sheet_swaps_the_word_for_its_grain() -> None:
    assert paper.grain_word(297, 420, "height") == "long"
    assert paper.grain_word(297, 210, "height") == "short"


def test_the_grain_comes_right_by_turning_the_piece() -> None:
    best = paper.lays_on_sheet((288, 216), "height", (450, 320), "width")[0]
    assert (best.turned, best.columns, best.rows, best.grain_right) == (True, 2, 1, True)


def test_right_grain_comes_before_more_pieces() -> None:
    # upright gives one with the grain right, turned two with the grain across
    best = paper.lays_on_sheet((288, 216), "height", (450, 320), "height")[0]
    assert (best.turned, best.count, best.grain_right) == (False, 1, True)


def test_a_piece_larger_than_its_sheet_has_no_lay() -> None:
    assert paper.lays_on_sheet((500, 400), "height", (450, 320), "height") == []


def test_a_sheet_exactly_as_large_as_the_piece_gives_one() -> None:
    assert paper.lays_on_sheet((297, 210), "height", (297, 210), "height")[0].count == 1


@pytest.mark.parametrize(
    ("height", "board"), [(148, 1.5), (150, 2), (210, 2), (220, 2), (250, 2.5), (300, 2.5), (310, 3)]
)
def test_taller_books_take_thicker_board(height: float, board: float) -> None:
    assert paper.board_for_height(height) == board


def test_named_sizes_are_known_either_way_round() -> None:
    assert paper.size_name(297, 210) == paper.size_name(210, 297) == "A4"
    assert paper.size_name(100, 100) is None
