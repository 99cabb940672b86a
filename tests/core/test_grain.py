"""Stock for pieces: which way their grain comes out, what that does, what follows from the choice."""

from typing import Any

import pytest

from tests.conftest import codes, planned, value
from weald.core.cutting.order import SQUARED
from weald.core.drawing import Area, Hatch
from weald.core.findings import Action
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES
from weald.core.pieces import Piece
from weald.core.planning.plan import Plan, plan
from weald.core.planning.stock_choice import Choice, choose_stock
from weald.core.shelf.grain_tests import guides
from weald.core.shelf.stock import OnShelf, read_stock

BOARD = {"name": "Greyboard", "width": 1000, "height": 700, "grain": "width", "thickness": 2.0}


def piece(made: Plan, piece_id: str) -> Piece:
    return next(each for each in made.pieces if each.id == piece_id)


def with_stock(**stock: dict[str, Any]) -> Plan:
    return planned({"stock": stock})


def test_a_piece_says_what_it_needs_and_has() -> None:
    board = piece(with_stock(board=BOARD), "board")
    assert (board.needs, board.has) == ("along height", "along height, turned on long grain")
    assert board.width > 140, "five of them do not go above one another on 700"
    assert (board.grain_right, board.per_sheet) == (True, 4 * 4)
    assert piece(with_stock(), "board").has == ""


def test_a_crosswise_piece_says_what_would_happen_unless_it_is_meant() -> None:
    narrow = BOARD | {"width": 180, "height": 230}
    made = with_stock(board=narrow)
    found = next(each for each in made.findings if each.code == "piece.across")
    assert "bow from head to tail" in found.message
    assert found.actions == (Action("It is meant so", {"stock.board.across": True}),)
    meant = with_stock(board=narrow | {"across": True})
    assert {"piece.across_meant"} == {code for code in codes(meant) if code.startswith("piece.")}


def test_a_piece_is_drawn_with_the_grain_it_has() -> None:
    def board_grain(made: Plan) -> float:
        drawing = next(each for each in made.drawings if each.id == "pieces.all")
        board = next(each for each in made.pieces if each.id == "board")
        areas = [each for each in drawing.elements if isinstance(each, Area)]
        shape = areas[made.pieces.index(board)].points
        (found,) = {
            each.angle for each in drawing.elements if isinstance(each, Hatch) and each.points == shape
        }
        return found

    assert board_grain(with_stock()) == 90
    assert board_grain(with_stock(board=BOARD)) == 90
    assert board_grain(with_stock(board=BOARD | {"width": 180, "height": 230})) == 0


def test_stock_has_to_be_large_enough_for_what_is_cut_off_later_too() -> None:
    def said(in_case: float, wide: float) -> set[str]:
        stock = BOARD | {"width": wide, "height": 500, "grain": "height"}
        return codes(planned({"binding": {"cut_in_case": in_case}, "stock": {"board": stock}}))

    just_enough = piece(with_stock(), "board").width + SQUARED
    assert "piece.too_large" not in said(0, just_enough)
    assert "piece.too_large" in said(5, just_enough)
    assert "piece.too_large" not in said(5, just_enough + 5)


def test_stock_too_small_untested_or_of_another_thickness_is_minded() -> None:
    assert "piece.too_large" in codes(with_stock(board=BOARD | {"height": 100, "width": 90}))
    assert "piece.untested" in codes(with_stock(board=BOARD | {"grain": None}))
    assert "piece.thickness" in codes(with_stock(board=BOARD | {"thickness": 2.5}))
    assert "stock.unused" in codes(with_stock(ribbon=BOARD))
    assert not {code for code in codes(with_stock(board=BOARD)) if code.startswith(("piece", "stock"))}


def test_paper_that_is_not_as_on_the_shelf_is_noticed() -> None:
    sheet = {"name": "Gull laid", "width": 450, "height": 320, "grain": "width"}
    assert "stock.departs" not in codes(with_stock(text_sheet=sheet))
    assert "stock.departs" in codes(with_stock(text_sheet=sheet | {"grain": "height"}))
    assert "stock.departs" in codes(with_stock(text_sheet=sheet | {"width": 500}))


def test_paper_may_be_meant_to_lie_across() -> None:
    sheet = {"name": "Gull laid", "width": 320, "height": 230, "grain": "width"}
    job: dict[str, Any] = {"paper": {"sheet": {"width": 320, "height": 230, "grain": "width"}}}
    made = planned({**job, "stock": {"text_sheet": sheet}})
    found = next(each for each in made.findings if each.code == "grain.across")
    assert Action("It is meant so", {"stock.text_sheet.across": True}) in found.actions
    meant = planned({**job, "stock": {"text_sheet": sheet | {"across": True}}})
    assert "grain.across" not in codes(meant)
    assert next(each for each in meant.findings if each.code == "piece.across_meant").severity == "note"
    assert piece(meant, "text_sheet").across


def test_folds_that_bring_the_grain_right_are_offered() -> None:
    """A quarto of 300 × 432 needs its grain along 432; this sheet of 440 × 310 has it along 310."""
    job = {
        "leaf": {"width": 146, "height": 210},
        "paper": {"sheet": {"width": 440, "height": 310, "grain": "height"}},
        "folding": {"programme": "quarto"},
    }
    made = planned(job)
    found = next(each for each in made.findings if each.code == "grain.across")
    offered = [action for action in found.actions if "folding.programme" in action.patch]
    assert offered
    for action in offered:
        again = planned({**job, "folding": {"programme": action.patch["folding.programme"]}})
        assert not codes(again) & {"grain.across", "sheet.too_small"}


def test_board_and_linings_add_up() -> None:
    made = planned(
        {
            "binding": {
                "board": 1.5,
                "linings": [
                    {"side": "core", "thickness": 1.5},
                    {"side": "inside", "grammage": 100},
                ],
            }
        }
    )
    assert value(made, "board.thickness") == pytest.approx(1.5 + 1.5 + 0.12)
    assert value(made, "turn_in.inside") == pytest.approx(18 - 3.12)
    assert [each.id for each in made.pieces if each.id.startswith("board_")] == [
        "board_lining_1",
        "board_lining_2",
    ]
    plain = planned({"binding": {"board": 1.5, "joint_rule": "fixed", "joint": 7, "groove": 0}})
    lined = planned(
        {
            "binding": {
                "board": 1.5,
                "joint_rule": "fixed",
                "joint": 7,
                "groove": 0,
                "linings": [{"grammage": 100}],
                "spine_rule": "block",
            }
        }
    )
    boards = 2e-6 * value(lined, "board.height") * value(lined, "board.width")
    spine = value(plain, "spine_board.width") - value(lined, "spine_board.width")
    less = 1e-6 * spine * (value(lined, "board.height") * 1.5 * 640 + value(lined, "cover.height") * 180)
    assert value(lined, "book.weight") - value(plain, "book.weight") == pytest.approx(100 * boards - less)
    measured = planned({"measured": {"board.thickness": 2.3}})
    assert value(measured, "turn_in.inside") == pytest.approx(18 - 2.3)


def test_boards_cut_in_the_case_stay_wide() -> None:
    made = planned({"binding": {"cut_in_case": 10}, "stock": {"board": BOARD}})
    board = piece(made, "board")
    assert board.cut_width == pytest.approx(board.width + 10)
    assert board.finished == "trimmed to 141 mm × 216 mm in the case"


def test_the_pull_of_cover_against_paste_down_by_hand() -> None:
    """Cloth of 0.5 mm weighs 300 g/m² and pulls 300 × 0.8 = 240; a 90 g/m² paste-down 90 × 1.75 = 157.5.

    (240 − 157.5) / 1.75 = 47 g/m² of lining inside would balance it.
    """
    job = {"binding": {"cover_thickness": 0.5}, "endpapers": {"grammage": 90}}
    made = planned(job)
    assert value(made, "pull.outside") == pytest.approx(240)
    assert value(made, "pull.inside") == pytest.approx(157.5)
    assert value(made, "pull.lining") == pytest.approx(47.14, abs=0.01)
    found = next(each for each in made.findings if each.code == "bow.outward")
    (action,) = found.actions
    linings = action.patch["binding.linings"]
    balanced = planned({**job, "binding": {"cover_thickness": 0.5, "linings": linings}})
    assert not codes(balanced) & {"bow.outward", "bow.inward"}


def on_shelf(number: int, count: int, **entries: Any) -> OnShelf:
    return OnShelf(number, read_stock({"name": f"item {number}", **entries}), count)


def chosen(piece_id: str, shelf: list[OnShelf], job: dict[str, Any] | None = None) -> Choice:
    made = plan(read_spec(job or {}), drawn=())
    return choose_stock(piece(made, piece_id), shelf, MILLIMETRES)


SHELF = [
    on_shelf(1, 5, kind="board", width=1000, height=700, grain="width", calliper=2, price=4.2),
    on_shelf(2, 5, kind="board", width=300, height=230, grain="width", calliper=2),
    on_shelf(3, 0, kind="board", width=700, height=1000, grain="height", calliper=2),
    on_shelf(4, 5, kind="board", width=1000, height=700, grain="width", calliper=3),
    on_shelf(5, 5, kind="board", width=100, height=100, grain="width", calliper=2),
    on_shelf(6, 5, kind="board", width=1000, height=700, calliper=2),
    on_shelf(7, 5, kind="paper", width=1000, height=700, grain="width"),
    on_shelf(8, 9000, kind="cloth", form="roll", width=1380, calliper=0.3, price=14),
]


def test_the_shelf_as_it_looks_for_a_board() -> None:
    """Two boards 139.1 × 216, grain along 216."""
    found = chosen("board", SHELF)
    assert [each.number for each in found.candidates] == [2, 1, 3, 4, 6, 5]
    best, whole, none_left, thicker, untested, small = found.candidates
    assert (best.per_sheet, best.takes, best.grain_right, best.lie) == (1, 2, True, "1 × 1, turned")
    assert (whole.per_sheet, whole.takes, whole.price) == (16, 1, 4.2)
    assert whole.waste == pytest.approx(100 * (1 - 2 * 139.1 * 216 / 700_000), abs=0.2)
    assert not none_left.enough
    assert "sizes change with it" in thicker.notes[0]
    assert untested.grain_right is None
    assert not small.fits
    assert found.to_buy == ""


def test_nothing_fits_says_what_to_look_for() -> None:
    found = chosen("board", [SHELF[4]])
    assert "Look for board of at least" in found.to_buy
    assert "216 mm (long grain at that size), 2 mm thick" in found.to_buy
    assert chosen("board", []).candidates == ()


def test_a_roll_is_counted_by_its_length() -> None:
    (cloth,) = chosen("cover", SHELF).candidates
    assert cloth.takes == 252
    assert cloth.price == pytest.approx(14 * 0.252)
    assert (cloth.takes_words, cloth.has_words) == ("0.252 m", "9 m")


def test_choosing_stock_feeds_the_job() -> None:
    paper = on_shelf(9, 99, grammage=120, bulk=1.6, width=450, height=320, grain="width")
    board = on_shelf(4, 5, kind="board", width=1000, height=700, grain="width", calliper=3)

    def patch(piece_id: str, entry: OnShelf) -> dict[str, Any]:
        return dict(chosen(piece_id, [entry]).candidates[0].patch)

    assert patch("text_sheet", paper) == {
        "stock.text_sheet": {
            "item": 9,
            "name": "item 9",
            "width": 450.0,
            "height": 320.0,
            "grain": "width",
            "thickness": pytest.approx(0.192),
            "grammage": 120.0,
        },
        "paper.name": "item 9",
        "paper.basis": None,
        "paper.calliper": None,
        "paper.stack": None,
        "paper.grammage": 120.0,
        "paper.bulk": 1.6,
        "paper.sheet.width": 450.0,
        "paper.sheet.height": 320.0,
        "paper.sheet.grain": "width",
    }
    assert patch("board", board)["binding.board"] == 3.0
    assert patch("spine_board", board)["binding.spine_board"] == 3.0


def test_every_flat_kind_can_be_tested() -> None:
    assert [guide.method for guide in guides("board")] == ["flex"]
    assert [guide.method for guide in guides("paper")] == ["bend", "droop", "tear", "damp"]
    for guide in guides("paper"):
        assert guide.steps
        assert guide.drawing.elements
