"""Layouts on stock: each one taken apart by an independent checker, and good enough."""

import math
import random
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.cutting.checker import faults, pieces
from weald.core.cutting.bounds import SHARES
from weald.core.cutting.cuts import cut_list
from weald.core.cutting.layout import Layout, verdict
from weald.core.cutting.order import Blank, CuttingOrder, Shears, Stock, check_order
from weald.core.cutting.solve import lay_out
from weald.core.errors import SpecError

BOARD = Stock("1", "Greyboard", 1000, 700, "width", price=4.0)
OFFCUT = Stock("2", "Offcut of greyboard", 420, 330, "width", 2, price=0.8, offcut=True, square=True)
CLOTH = Stock("3", "Cloth", 1380, 50_000, "height", price=14.0, roll=True)


def blank(number: int, width: float, height: float, count: int = 1, grain: str = "height") -> Blank:
    return Blank(f"1:{number}", f"piece {number}", width, height, count, grain)  # type: ignore[arg-type]


def laid(*blanks: Blank, stock: tuple[Stock, ...] = (BOARD,), shears: Shears | None = None) -> Layout:
    order = CuttingOrder(blanks, stock, shears or Shears())
    layout = lay_out(order)
    assert faults(order, layout) == []
    return layout


def test_two_boards_and_a_spine_by_hand() -> None:
    """Boards 139.5 × 216 with grain along 216, on a sheet with grain along 1000: they lie turned.

    Four pieces of 216 go along 996, and 692 / 139.5 gives 4 above one another: all on the first sheet.
    """
    layout = laid(blank(1, 139.5, 216, 2), blank(2, 16, 216))
    assert [(each.stock, each.sheets) for each in layout.usage] == [("1", 1)]
    assert {(part.width, part.height) for part in pieces(layout.sheets[0])} == {(216, 139.5), (216, 16)}
    assert layout.proven
    assert layout.usage[0].price == 4.0
    assert verdict(layout).startswith("Proven best")
    # nearly the whole sheet stays one offcut: 780 wide or 541 high
    assert layout.offcut_area > 0.85 * 1000 * 700


def test_a_sheet_that_is_just_full() -> None:
    # 4 × 5 boards of 216 × 139.2 on 864 × 696 used of 996 × 696
    assert laid(blank(1, 139.2, 216, 20)).usage[0].sheets == 1
    assert laid(blank(1, 139.2, 216, 21)).usage[0].sheets == 2
    # with the corner squared by 5 mm there is only room for four above one another
    assert laid(blank(1, 139.2, 216, 17), shears=Shears(square=5)).usage[0].sheets == 2


def test_the_blade_takes_its_kerf() -> None:
    boards = blank(1, 100, 200, 9)
    sheet = replace(BOARD, width=600, height=300, grain="height")
    no_square = Shears(square=0)
    # three of 200 along 600 need none, six of 100 along 600 just fit, unless a blade takes 2 mm each time
    assert laid(blank(2, 100, 300, 6), stock=(sheet,), shears=no_square).usage[0].sheets == 1
    assert laid(blank(2, 100, 300, 6), stock=(sheet,), shears=replace(no_square, kerf=2)).usage[0].sheets == 2
    laid(boards, stock=(sheet,), shears=replace(no_square, kerf=3.2))


def test_offcuts_go_first_when_they_are_to() -> None:
    wanted = (blank(1, 139.5, 216, 2), blank(2, 16, 216))
    first = laid(*wanted, stock=(BOARD, OFFCUT))
    assert [each.stock for each in first.usage] == ["2"]
    without = laid(*wanted, stock=(BOARD, replace(OFFCUT, count=0)))
    assert [each.stock for each in without.usage] == ["1"]


def test_a_pinned_piece_comes_from_where_it_is_pinned() -> None:
    wanted = (blank(1, 139.5, 216, 2), replace(blank(2, 16, 216), pinned="1"))
    layout = laid(*wanted, stock=(BOARD, OFFCUT))
    assert {each.stock for each in layout.usage} == {"1", "2"} or [e.stock for e in layout.usage] == ["1"]
    on_board = [sheet for sheet in layout.sheets if sheet.stock == "1"]
    assert any(part.blank == "1:2" for sheet in on_board for part in pieces(sheet))


def test_pieces_the_stock_does_not_reach_for_are_missing() -> None:
    layout = laid(blank(1, 139.5, 216, 9), stock=(OFFCUT,))
    assert [(each.blank, each.count) for each in layout.missing] == [("1:1", 5)]
    assert not layout.proven
    assert "does not reach" in verdict(layout)


def test_a_roll_gives_as_little_length_as_it_can() -> None:
    # two covers of 347 and 540.5 wide lie side by side on 1376: one strip as high as the taller
    layout = laid(blank(1, 347, 252), blank(2, 540.5, 212), stock=(CLOTH,))
    assert layout.usage[0].length == pytest.approx(252)
    assert layout.usage[0].price == pytest.approx(14.0 * 0.252)
    assert layout.proven
    many = laid(blank(1, 347, 252, 40), stock=(CLOTH,))
    assert sum(sheet.height for sheet in many.sheets) == pytest.approx(14 * 252)


def test_the_same_order_is_laid_out_the_same_way() -> None:
    order = CuttingOrder((blank(1, 133, 216, 7), blank(2, 97, 180, 9, "any")), (BOARD, OFFCUT))
    assert lay_out(order) == lay_out(order)


def test_ten_thousand_pieces() -> None:
    layout = laid(blank(1, 139.5, 216, 10_000))
    assert (layout.usage[0].sheets, layout.missing) == (625, ())
    assert layout.proven


@st.composite
def orders(draw: st.DrawFn) -> CuttingOrder:
    sizes = st.integers(20, 660).map(lambda half: half / 2)
    blanks = tuple(
        blank(
            number,
            draw(sizes),
            draw(sizes),
            draw(st.integers(1, 6)),
            draw(st.sampled_from(["height", "width", "any"])),
        )
        for number in range(draw(st.integers(1, 7)))
    )
    stock = [replace(BOARD, grain=draw(st.sampled_from(["width", "height"])))]
    if draw(st.booleans()):
        stock.append(replace(OFFCUT, grain=draw(st.sampled_from(["width", "height"]))))
    if draw(st.booleans()):
        stock = [replace(CLOTH, width=draw(st.sampled_from([700, 1380])))]
    shears = Shears(square=draw(st.sampled_from([0, 4.0])), kerf=draw(st.sampled_from([0, 2.5])))
    return CuttingOrder(blanks, tuple(stock), shears)


@given(orders())
@settings(max_examples=50)
def test_whatever_is_asked_for_can_be_cut(order: CuttingOrder) -> None:
    layout = lay_out(order)
    assert faults(order, layout) == []
    assert layout.missing == ()
    assert layout.bound <= layout.taken * (1 + 1e-6)
    area = sum(each.width * each.height * each.count for each in order.blanks)
    assert layout.piece_area == pytest.approx(area)


@given(st.lists(st.floats(0.001, 1), min_size=1, max_size=12), st.sampled_from(SHARES))
def test_shares_of_pieces_side_by_side_stay_within_one(sizes: list[float], share: object) -> None:
    """What makes the bound hold: sizes that fit side by side have shares that add up to one at the most."""
    total, fitting = 0.0, []
    for size in sizes:
        if total + size <= 1:
            total += size
            fitting.append(size)
    assert sum(share(size) for size in fitting) <= 1 + 1e-6  # type: ignore[operator]


def test_the_checker_notices_what_is_wrong() -> None:
    order = CuttingOrder((blank(1, 139.5, 216, 2),), (BOARD,))
    layout = lay_out(order)
    more = CuttingOrder((blank(1, 139.5, 216, 3),), (BOARD,))
    across = CuttingOrder((blank(1, 139.5, 216, 2, "width"),), (BOARD,))
    smaller = CuttingOrder((blank(1, 139.5, 210, 2),), (BOARD,))
    for wrong, word in ((more, "fall"), (across, "across"), (smaller, "size")):
        assert any(word in fault for fault in faults(wrong, layout)), word


def test_the_gauge_moves_seldom_and_settings_are_those_of_the_pieces() -> None:
    layout = laid(blank(1, 139.5, 216, 8))
    steps = cut_list(layout.sheets[0].region).steps
    settings_used = [step.setting for step in steps]
    assert settings_used[:2] == [4.0, 4.0], "the corner is squared first"
    assert set(settings_used[2:]) <= {139.5, 216.0, 558.0, 279.0, 864.0, 432.0}
    assert sum(not step.same_setting for step in steps) <= 6


PAPER = replace(BOARD, width=594, height=420)


@pytest.mark.parametrize(
    ("order", "place", "words"),
    [
        (CuttingOrder((), (BOARD,)), "blanks", "nothing to cut"),
        (CuttingOrder((blank(1, 100, 100),), ()), "stock", "no stock"),
        (CuttingOrder((blank(1, 0, 100),), (BOARD,)), "blanks.1:1", "no size"),
        (CuttingOrder((blank(1, -5, 100),), (BOARD,)), "blanks.1:1", "no size"),
        (CuttingOrder((blank(1, 100, 100, 0),), (BOARD,)), "blanks.1:1", "at least one"),
        (CuttingOrder((blank(1, 100, 100, 10_001),), (BOARD,)), "blanks", "10000 pieces"),
        (CuttingOrder((blank(1, 1001, 100),), (BOARD,)), "blanks.1:1", "larger than any sheet"),
        (CuttingOrder((blank(1, 560, 900),), (PAPER,)), "blanks.1:1", "larger than any sheet"),
        (CuttingOrder((blank(1, 560, 400),), (PAPER,)), "blanks.1:1", "the wrong way"),
        (CuttingOrder((blank(1, 90, 90),), (replace(BOARD, grain=None),)), "blanks.1:1", "test it"),
        (CuttingOrder((replace(blank(1, 90, 90), pinned="9"),), (BOARD,)), "blanks.1:1", "pinned"),
        (CuttingOrder((blank(1, 9, 9),), (BOARD,), Shears(kerf=700)), "shears.kerf", "takes more"),
        (CuttingOrder((blank(1, 9, 9),), (BOARD,), Shears(square=700)), "shears.square", "leaves nothing"),
        (CuttingOrder((blank(1, 9, 9),), (BOARD,), Shears(square=-1)), "shears", "less than nothing"),
        (CuttingOrder((blank(1, 9, 9),), (replace(BOARD, width=0),)), "stock.1", "no size"),
    ],
)
def test_what_cannot_be_cut_is_named(order: CuttingOrder, place: str, words: str) -> None:
    with pytest.raises(SpecError) as caught:
        check_order(order)
    assert words in caught.value.fields[place]


def test_stock_nobody_has_tested_serves_for_pieces_that_may_lie_either_way() -> None:
    laid(blank(1, 90, 120, 3, "any"), stock=(replace(BOARD, grain=None),))


def test_books_of_many_sizes_need_no_more_sheets_than_any_layout() -> None:
    chance = random.Random(3)
    boards = []
    for book in range(10):
        width, height = chance.choice([(105, 148), (140, 210), (148, 210), (176, 250), (210, 297)])
        boards += [
            blank(2 * book, width + chance.randrange(4) / 2, height + 6, 2),
            blank(2 * book + 1, 10 + chance.randrange(60) / 2, height + 6),
        ]
    assert laid(*boards).proven


def plain_strips(sheet: tuple[float, float], sizes: list[tuple[float, float]]) -> int:
    """Sheets that plain strips take: the tallest first, each in the first strip it goes into."""
    width, height = sheet
    sheets: list[list[list[float]]] = []
    for across, down in sorted(sizes, key=lambda size: (-size[1], -size[0])):
        for strips in sheets:
            strip = next((each for each in strips if down <= each[1] and each[0] + across <= width), None)
            if strip is None and sum(each[1] for each in strips) + down <= height:
                strip = [0.0, down]
                strips.append(strip)
            if strip is not None:
                strip[0] += across
                break
        else:
            sheets.append([[across, down]])
    return len(sheets)


@pytest.mark.parametrize("seed", range(12))
def test_no_layout_is_worse_than_plain_strips(seed: int) -> None:
    chance = random.Random(seed)
    width, height = chance.choice([(450, 500), (500, 700), (700, 1000), (640, 900)])
    sheet = Stock("1", "Board", width, height, "height")
    blanks = [
        blank(
            number,
            round(chance.uniform(30, 0.6 * width), chance.choice([0, 1, 2])),
            round(chance.uniform(30, 0.45 * height), chance.choice([0, 1, 2])),
            chance.choice([1, 2, 4, 6, 9, 12]),
        )
        for number in range(chance.randint(2, 5))
    ]
    # a tenth up for each piece, as the layout reckons
    sizes = [
        (math.ceil(each.width * 10) / 10, math.ceil(each.height * 10) / 10)
        for each in blanks
        for _ in range(each.count)
    ]
    usable = (width - Shears().square, height - Shears().square)
    down = plain_strips(usable[::-1], [size[::-1] for size in sizes])
    assert laid(*blanks, stock=(sheet,)).usage[0].sheets <= min(plain_strips(usable, sizes), down)


@pytest.mark.parametrize(
    ("sheet", "blanks", "sheets"),
    [
        ((500, 700), [blank(1, 142.76, 249, 4, "any"), blank(2, 245.3, 245, 2)], 1),
        ((700, 1000), [blank(1, 396, 258, 6), blank(2, 185.63, 232, 4)], 2),
        (
            (450, 500),
            [
                blank(1, 172, 114, 4),
                blank(2, 222.7, 129.8, 9),
                blank(3, 147.31, 136.2),
                blank(4, 41.34, 67.37),
            ],
            3,
        ),
    ],
)
def test_strips_of_mixed_pieces_are_found(
    sheet: tuple[float, float], blanks: list[Blank], sheets: int
) -> None:
    found = laid(*blanks, stock=(Stock("1", "Board", *sheet, "height"),))
    assert found.usage[0].sheets <= sheets
