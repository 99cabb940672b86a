"""Orders made out of planned jobs and the shelf, and the shortest ways checked by trying every cut."""

from typing import Any

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.conftest import job_in
from tests.core.cutting.exhaustive import comes_out
from weald.core.cutting.cuts import cut_list, part_names
from weald.core.cutting.grouping import CuttingOptions, JobPieces, cutting_groups
from weald.core.cutting.order import Blank, CuttingOrder, Shears, Stock
from weald.core.cutting.sheet_drawing import draw_sheet
from weald.core.cutting.solve import lay_out, lay_out_groups
from weald.core.drawing import Label
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.pieces import Piece
from weald.core.planning.plan import plan
from weald.core.shelf.stock import OnShelf, read_stock

UNIT = 10.0
"""Millimetres to one unit of the sheets that are tried out whole."""


@given(
    st.integers(6, 14),
    st.integers(6, 14),
    st.lists(st.tuples(st.integers(1, 9), st.integers(1, 9)), min_size=1, max_size=5),
)
@settings(max_examples=150)
def test_one_sheet_is_never_said_to_be_too_few_when_it_does(
    width: int, height: int, sizes: list[tuple[int, int]]
) -> None:
    """The bound against every cut there is; and what takes one sheet can truly be cut from one."""
    fitting = [(across, down) for across, down in sizes if across <= width and down <= height]
    if not fitting:
        return
    sheet = Stock("1", "sheet", width * UNIT, height * UNIT, "height", square=True)
    blanks = tuple(
        Blank(str(number), f"piece {number}", across * UNIT, down * UNIT, 1, "height")
        for number, (across, down) in enumerate(fitting)
    )
    layout = lay_out(CuttingOrder(blanks, (sheet,), Shears()))
    sheets, one = layout.usage[0].sheets, width * height * UNIT * UNIT / 100
    if comes_out(width, height, tuple(sorted(fitting))):
        assert layout.bound <= one * (1 + 1e-9)
    else:
        assert sheets > 1


def shelf_item(number: int, offcut_of: int | None = None, **entries: Any) -> OnShelf:
    data = {"name": "Greyboard", "kind": "board", "width": 1000, "height": 700, "grain": "width", **entries}
    return OnShelf(number, read_stock(data), 3, offcut_of)


WHOLE, SPARE = shelf_item(1), shelf_item(2, 1, width=420, height=330)
PAPER = shelf_item(3, name="Gull laid", kind="paper", width=450, height=320)
SHELF = {1: [WHOLE, SPARE], 3: [PAPER]}


def pieces_of(**job: Any) -> tuple[Piece, ...]:
    board = {"item": 1, "name": "Greyboard", "width": 1000, "height": 700, "grain": "width"}
    paper = {"item": 3, "name": "Gull laid", "width": 450, "height": 320, "grain": "width"}
    stock = {"board": board, "spine_board": board, "text_sheet": paper}
    return plan(read_spec({"stock": stock, **job})).pieces


def test_pieces_go_to_the_stock_chosen_for_them() -> None:
    jobs = [JobPieces(7, "Tide tables", pieces_of(copies=2)), JobPieces(8, "Log", pieces_of())]
    groups, without = cutting_groups(jobs, SHELF, CuttingOptions())
    by_item = {group.item: group for group in groups}
    assert set(by_item) == {1, 3}
    boards = {blank.id: blank for blank in by_item[1].order.blanks}
    assert {name: blank.count for name, blank in boards.items()} == {
        "7:board": 4,
        "7:spine_board": 2,
        "8:board": 2,
        "8:spine_board": 1,
    }
    assert boards["8:board"].label == "Board, Log"
    assert [(stock.id, stock.offcut, stock.square, stock.count) for stock in by_item[1].order.stock] == [
        ("1", False, False, None),
        ("2", True, True, 3),
    ]
    (sheets,) = by_item[3].order.blanks[:1]
    assert sheets.count == 64 + 4, "with 5 % to spoil, rounded up"
    assert by_item[3].order.stock[0].square, "paper is square from the mill"
    assert "Cover, Tide tables: no stock is chosen for it." in without


def test_one_job_needs_no_title_on_its_pieces() -> None:
    groups, _ = cutting_groups([JobPieces(7, "Tide tables", pieces_of())], SHELF, CuttingOptions())
    assert {blank.label for group in groups for blank in group.order.blanks} == {
        "Board",
        "Spine board",
        "Text sheet",
    }


def test_allowances_pins_and_what_is_left_alone() -> None:
    jobs = [JobPieces(7, "Tide tables", pieces_of(binding={"cut_in_case": 10}))]
    options = CuttingOptions(pins={"7:board": 1}, forbidden=frozenset({2}))
    groups, _ = cutting_groups(jobs, SHELF, options)
    board = next(blank for group in groups for blank in group.order.blanks if blank.id == "7:board")
    plain = next(piece for piece in pieces_of() if piece.id == "board")
    assert (board.width - plain.width, board.pinned) == (10, "1")
    assert [stock.id for group in groups for stock in group.order.stock] == ["3", "1"]


def test_a_piece_meant_to_lie_across_is_cut_so() -> None:
    board = {"item": 1, "name": "Greyboard", "width": 1000, "height": 700, "grain": "width", "across": True}
    jobs = [JobPieces(7, "Tide tables", pieces_of(stock={"board": board}))]
    (group,) = cutting_groups(jobs, SHELF, CuttingOptions())[0]
    assert group.order.blanks[0].grain == "width"


def test_what_fits_nowhere_holds_up_nothing_else() -> None:
    small = [shelf_item(1, width=200, height=230)]
    told: list[int] = []
    groups, without = cutting_groups(
        [JobPieces(7, "Tide", pieces_of())], {**SHELF, 1: small}, CuttingOptions()
    )
    result = lay_out_groups(groups, without, told.append)
    assert any("the wrong way" in text or "larger than any" in text for text in result.without)
    assert [group.label for group in result.groups] == ["Gull laid"] or len(result.groups) == 2
    assert told == sorted(told)
    assert told[-1] >= 95


def test_a_sheet_is_drawn_with_its_pieces_named_and_its_cuts_numbered() -> None:
    groups, _ = cutting_groups([JobPieces(7, "Tide", pieces_of())], SHELF, CuttingOptions())
    boards = next(group for group in groups if group.item == 1)
    layout = lay_out(boards.order)
    blanks = {blank.id: blank for blank in boards.order.blanks}
    sheet = layout.sheets[0]
    for notation in (MILLIMETRES, Notation("inch")):
        drawing = draw_sheet(sheet, 1, blanks, "board", notation)
        words = [each.text for each in drawing.elements if isinstance(each, Label)]
        assert words.count("Board") == 2
        assert {"1", "2", "Spine board"} <= set(words)
        assert any(word.startswith("offcut ") for word in words)
        for each in drawing.elements:
            if isinstance(each, Label):
                assert each.height > 0, "names are drawn to scale, so that they stay inside their pieces"
    cuts = cut_list(sheet.region)
    names = part_names(cuts, {name: blank.label for name, blank in blanks.items()})
    assert names[0] == "the sheet"
    assert sorted(names.values()).count("Board") == 2
    assert all(names[step.part] for step in cuts.steps)


def test_a_piece_that_lies_askew_is_named_and_left_to_the_knife() -> None:
    job = job_in("laced_boards")
    job["binding"] |= {"covering": "full", "paring": 0, "turn_in": 15}
    job["leaf"] = {"width": 200, "height": 80}
    job["stock"] = {"cover": {"item": 7, "name": "calf", "form": "skin", "width": 440, "height": 400}}
    skin = shelf_item(7, name="calf", kind="leather", form="skin", width=440, height=400, grain=None)
    pieces = plan(read_spec(job)).pieces
    groups, without = cutting_groups([JobPieces(1, "Log", pieces)], {7: [skin]}, CuttingOptions())
    assert groups == []
    said = next(words for words in without if words.startswith("Cover lies askew on calf"))
    assert "cut it by the drawing" in said
