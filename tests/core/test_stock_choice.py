"""Stock for a piece: what suits, what follows from taking it, and what there is to look for."""

from typing import Any

import pytest

from tests.conftest import job_in, planned, value
from weald.core.job.patching import patched
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.pieces import Piece
from weald.core.planning.plan import Plan, plan
from weald.core.planning.stock_choice import Candidate, choose_patch, choose_stock
from weald.core.shelf.stock import OnShelf, read_stock

BOARD = {"kind": "board", "width": 1000, "height": 700, "grain": "width"}


def entry(number: int = 1, count: int = 5, **entries: Any) -> OnShelf:
    return OnShelf(number, read_stock({"name": "thing", **entries}), count)


def piece_of(made: Plan, piece_id: str) -> Piece:
    return next(each for each in made.pieces if each.id == piece_id)


def candidate(piece: Piece, found: OnShelf) -> Candidate:
    (only,) = choose_stock(piece, [found], MILLIMETRES).candidates
    return only


@pytest.fixture
def board() -> Piece:
    return piece_of(planned({"binding": {"board": 2}}), "board")


def test_cloth_off_a_roll_by_hand(contract_job: dict[str, Any]) -> None:
    cover = piece_of(planned(contract_job), "cover")
    found = candidate(cover, entry(count=9000, kind="cloth", form="roll", width=1000, price=20, calliper=0.3))
    # 349.5 × 252: two beside one another on a metre
    assert (cover.width, cover.height) == (349.5, 252)
    assert (found.fits, found.grain_right) == (True, True)
    assert found.lie == "2 side by side, upright; cut 252 mm off the roll"
    # off a roll as much is taken as the piece is high, at 20 a metre
    assert found.takes == pytest.approx(cover.height, abs=1)
    assert found.price == pytest.approx(20 * cover.height / 1000, abs=0.02)
    assert found.per_sheet == 2 * (1000 // 252)
    assert found.waste == pytest.approx(100 * (1 - cover.width / 1000), abs=1)


def test_a_skin_that_is_too_short_takes_a_piece_askew() -> None:
    job = job_in("laced_boards")
    job["binding"] |= {"covering": "full", "paring": 0, "turn_in": 15}
    job["leaf"] = {"width": 200, "height": 80}
    cover = piece_of(planned(job), "cover")
    found = candidate(cover, entry(kind="leather", form="skin", width=440, height=400))
    assert found.fits
    assert found.lie.startswith("askew, turned by ")
    assert (found.per_sheet, found.takes, found.grain_right) == (1, cover.count, True)
    small = candidate(cover, entry(kind="leather", form="skin", width=300, height=300))
    assert (small.fits, small.lie, small.takes_words) == (False, "", "")


def test_taking_a_cover_brings_its_name_and_thickness() -> None:
    spec = read_spec({})
    cloth = entry(kind="cloth", form="roll", width=1200, calliper=0.45)
    after = patched(spec, choose_patch(piece_of(plan(spec), "cover"), cloth))
    assert (after.binding.cover_name, after.binding.cover_thickness) == ("thing", 0.45)
    assert after.stock["cover"].item == 1


def test_taking_endpapers_makes_the_block_as_thick_as_they_are() -> None:
    spec = read_spec({})
    endpaper = piece_of(plan(spec), "endpaper")
    sheet = {"kind": "endpaper", "width": 700, "height": 500, "grain": "width", "grammage": 100}
    thin, thick = (
        plan(patched(spec, choose_patch(endpaper, entry(calliper=calliper, **sheet))))  # type: ignore[arg-type]
        for calliper in (0.1, 0.3)
    )
    more = value(thick, "block.thickness") - value(thin, "block.thickness")
    assert more == pytest.approx(2 * spec.endpapers.leaves * 0.2)


def test_taking_paper_brings_all_that_is_known_of_it() -> None:
    spec = read_spec({})
    paper = entry(kind="paper", width=640, height=450, grain="height", grammage=110, calliper=0.14)
    after = patched(spec, choose_patch(piece_of(plan(spec), "text_sheet"), paper))
    assert (after.paper.name, after.paper.grammage, after.paper.calliper) == ("thing", 110, 0.14)
    sheet = after.paper.sheet
    assert (sheet.width, sheet.height, sheet.grain) == (640, 450, "height")
    assert value(plan(after), "paper.calliper") == 0.14


def test_board_of_another_thickness_says_that_sizes_change(board: Piece) -> None:
    assert "sizes change with it" in candidate(board, entry(calliper=3, **BOARD)).notes[0]  # type: ignore[arg-type]
    assert candidate(board, entry(**BOARD)).notes == ("its thickness is not known; measure it",)  # type: ignore[arg-type]
    assert candidate(board, entry(calliper=2, **BOARD)).notes == ()  # type: ignore[arg-type]


def test_what_to_look_for_is_said_in_the_units_one_reads_in(board: Piece) -> None:
    wanted = choose_stock(board, [], MILLIMETRES).to_buy
    assert wanted.startswith(f"Look for board of at least {board.cut_width:g} × {board.height:g} mm")
    assert "2 mm thick" in wanted
    assert "(long grain at that size)" in wanted
    assert f"{board.count} pieces are" in wanted
    assert "″" in choose_stock(board, [], Notation("inch")).to_buy


def test_what_suits_comes_before_what_does_not(board: Piece) -> None:
    shelf = [
        entry(1, calliper=2, **BOARD | {"width": 100, "height": 100}),  # type: ignore[arg-type]
        entry(2, calliper=2, **BOARD | {"grain": None}),  # type: ignore[arg-type]
        entry(3, calliper=3, **BOARD),  # type: ignore[arg-type]
        entry(4, count=0, calliper=2, **BOARD),
        entry(5, calliper=2, **BOARD),  # type: ignore[arg-type]
        entry(6, calliper=0.2, **BOARD | {"kind": "paper"}),  # type: ignore[arg-type]
    ]
    listed = choose_stock(board, shelf, MILLIMETRES)
    assert [each.number for each in listed.candidates] == [5, 4, 3, 2, 1]
    assert listed.to_buy == ""
    assert 6 in [each.number for each in choose_stock(board, shelf, MILLIMETRES, others=True).candidates]
