"""Pieces laid out on board, against plain shelf packing in the same run."""

import random
import time
from dataclasses import dataclass, field

from benchmarks.yardstick import of_size, slowness, within
from tests.core.cutting.checker import faults
from weald.core.cutting.layout import Layout
from weald.core.cutting.order import Blank, CuttingOrder, Shears, Stock, usable
from weald.core.cutting.solve import lay_out

LEAVES = ((105, 148), (125, 176), (140, 210), (148, 210), (152, 229), (176, 250), (200, 280), (210, 297))
SEEDS, MANY = of_size(10, 1), of_size(3, 0)
SHEET = Stock("1", "Greyboard", 1000, 700, "width")


def boards_of(books: int, seed: int) -> CuttingOrder:
    """Two boards and a spine board for each of so many books of all sizes, grain along the spine."""
    chance, blanks = random.Random(seed), []
    for book in range(books):
        width, height = chance.choice(LEAVES)
        board, spine = width + chance.randrange(-2, 5) / 2, chance.randrange(24, 88) / 2
        blanks.append(Blank(f"{book}:board", f"Board {book}", board, height + 6, 2, "height"))
        blanks.append(Blank(f"{book}:spine", f"Spine {book}", spine, height + 6, 1, "height"))
    return CuttingOrder(tuple(blanks), (SHEET,))


@dataclass
class Shelf:
    """A row of pieces; the first, the tallest, says how high it is."""

    height: float
    left: float


@dataclass
class Packed:
    """A sheet packed shelf by shelf."""

    left: float
    shelves: list[Shelf] = field(default_factory=list)


def shelf_packing(order: CuttingOrder) -> int:
    """Sheets that plain packing takes: tallest first, each on the first shelf with room for it."""
    width, height = usable(SHEET, Shears())
    pieces = sorted((blank.width, blank.height) for blank in order.blanks for _ in range(blank.count))
    sheets: list[Packed] = []
    # they lie turned, so that the grain along 1000 runs along their height
    for down, across in sorted(pieces, reverse=True):
        shelf = next(
            (
                each
                for sheet in sheets
                for each in sheet.shelves
                if each.left >= across and each.height >= down
            ),
            None,
        )
        if shelf is None:
            sheet = next((each for each in sheets if each.left >= down), None)
            if sheet is None:
                sheet = Packed(height)
                sheets.append(sheet)
            shelf = Shelf(down, width)
            sheet.shelves.append(shelf)
            sheet.left -= down
        shelf.left -= across
    return len(sheets)


def timed(order: CuttingOrder) -> tuple[Layout, float]:
    began = time.perf_counter()
    layout = lay_out(order)
    taken = (time.perf_counter() - began) / slowness()
    assert faults(order, layout) == []
    return layout, taken


def used_up(layout: Layout) -> float:
    """Part of the stock used up, offcuts kept not counted, that did not become pieces."""
    return layout.waste_area / (layout.piece_area + layout.waste_area)


def test_thirty_pieces_in_two_seconds() -> None:
    proven, slowest, lines = 0, 0.0, []
    for seed in range(SEEDS):
        order = boards_of(10, seed)
        layout, taken = timed(order)
        slowest = max(slowest, taken)
        proven += layout.proven
        plain, ours = shelf_packing(order), layout.usage[0].sheets
        assert ours <= plain
        lines.append(f"{ours}{'' if layout.proven else '?'} of {plain}, waste {100 * used_up(layout):.0f} %")
    print(
        f"\n30 pieces, ten times: {proven} proven best (9), slowest {slowest:.2f} s (2); {'; '.join(lines)}"
    )
    within(SEEDS - proven, 2)
    within(slowest, 2)


def test_two_hundred_pieces_in_ten_seconds() -> None:
    """Within 5 % of the least number of sheets, or of the stock that is used up for good."""
    lines = []
    for seed in range(MANY):
        order = boards_of(67, seed)
        layout, taken = timed(order)
        plain, ours = shelf_packing(order), layout.usage[0].sheets
        off = 0.0 if layout.proven else min(layout.gap, used_up(layout))
        lines.append(f"{ours} sheets of {plain}, {100 * off:.1f} % off at most (5), {taken:.1f} s (10)")
        assert ours <= plain
        within(off, 0.0501)
        within(taken, 10)
    print(f"\n200 pieces: {'; '.join(lines)}")
