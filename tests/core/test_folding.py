import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.paper_dummy import fold
from weald.core.errors import FoldError
from weald.core.folding import NAMED_PROGRAMMES, FoldedPacket, fold_inset, fold_packet, parse_programme


def side_as_text(packet: FoldedPacket, side: str, sheet: int = 0) -> str:
    """One side of a sheet as a small picture: page numbers, ' for upside down."""
    grid = [["?"] * packet.columns for _ in range(packet.rows)]
    for index, leaf in enumerate(packet.leaves):
        for number, cell in ((2 * index + 1, leaf.recto), (2 * index + 2, leaf.verso)):
            if cell.side == side and cell.sheet == sheet:
                mark = {(0, 1): "", (0, -1): "'", (1, 0): ">", (-1, 0): "<"}[cell.up]
                grid[cell.row][cell.column] = f"{number}{mark}"
    return " / ".join(" ".join(row) for row in grid)


def test_a_folio_carries_its_first_and_last_page_outside() -> None:
    folio = fold_packet("folio")
    assert side_as_text(folio, "outer") == "4 1"
    assert side_as_text(folio, "inner") == "2 3"


def test_a_quarto_has_its_upper_pages_upside_down() -> None:
    quarto = fold_packet("quarto")
    assert side_as_text(quarto, "outer") == "5' 4' / 8 1"
    assert side_as_text(quarto, "inner") == "3' 6' / 2 7"


def test_an_octavo_comes_out_as_the_trade_knows_it() -> None:
    octavo = fold_packet("octavo")
    assert side_as_text(octavo, "outer") == "9' 8' 5' 12' / 16 1 4 13"
    assert side_as_text(octavo, "inner") == "11' 6' 7' 10' / 14 3 2 15"


@pytest.mark.parametrize(
    ("programme", "grain", "bolts"),
    [
        ("v", "height", ()),
        ("h v", "height", ("head",)),
        ("v h v", "height", ("head", "fore_edge")),
        ("v v", "height", ("fore_edge",)),
        ("h", "width", ()),
        ("v h", "width", ("tail",)),
    ],
)
def test_grain_and_bolts_follow_from_the_folds(programme: str, grain: str, bolts: tuple[str, ...]) -> None:
    packet = fold_packet(programme)
    assert packet.grain == grain
    assert set(packet.bolts) == set(bolts)


@pytest.mark.parametrize(
    ("name", "columns", "rows"),
    [
        ("folio", 2, 1),
        ("quarto", 2, 2),
        ("octavo", 4, 2),
        ("sixteenmo", 4, 4),
        ("twelvemo", 4, 3),
        ("long quarto", 4, 1),
    ],
)
def test_named_programmes_have_the_grid_of_their_name(name: str, columns: int, rows: int) -> None:
    packet = fold_packet(name)
    assert (packet.columns, packet.rows) == (columns, rows)


def pages_of(packet: FoldedPacket) -> list[tuple[int, str, int, int]]:
    return [
        (cell.sheet, cell.side, cell.column, cell.row)
        for leaf in packet.leaves
        for cell in (leaf.recto, leaf.verso)
    ]


@pytest.mark.parametrize("name", NAMED_PROGRAMMES)
@pytest.mark.parametrize("sheets", [1, 2, 3])
def test_every_page_has_a_place_of_its_own(name: str, sheets: int) -> None:
    for packet in (fold_packet(name, sheets), fold_inset(name, sheets)):
        places = pages_of(packet)
        assert len(places) == len(set(places)) == 2 * packet.columns * packet.rows * sheets
        for leaf in packet.leaves:
            # a leaf's two pages are back to back: same cell, seen from either side
            assert leaf.recto.sheet == leaf.verso.sheet
            assert leaf.recto.row == leaf.verso.row
            assert leaf.recto.column == packet.columns - 1 - leaf.verso.column


halves = st.lists(st.sampled_from(["v", "h"]), min_size=1, max_size=5).map(" ".join)


@given(halves, st.integers(1, 3))
def test_the_engine_agrees_with_paper_carried_over_its_creases(programme: str, sheets: int) -> None:
    packet = fold_packet(programme, sheets)
    dummy = fold(programme, packet.columns, packet.rows, sheets)
    last = programme[-1]
    for leaf, square in zip(packet.leaves, dummy, strict=True):
        side = "inner" if square.inner_up else "outer"
        column = square.column if square.inner_up else packet.columns - 1 - square.column
        assert (leaf.recto.sheet, leaf.recto.side) == (square.sheet, side)
        assert (leaf.recto.column, leaf.recto.row) == (column, square.row)
        # the head of the page: the packet's top, or its right when the spine lies at the top
        want = (0, 1) if last == "v" else (1, 0)
        right = square.right[0] * want[0] + square.right[1] * want[1]
        top = square.top[0] * want[0] + square.top[1] * want[1]
        assert leaf.recto.up == ((right, top) if square.inner_up else (-right, top))


@given(st.integers(1, 12))
def test_folios_nested_and_folded_together_are_the_same(sheets: int) -> None:
    assert fold_inset("v", sheets).leaves == fold_packet("v", sheets).leaves


def test_quartos_nested_and_folded_together_differ() -> None:
    assert fold_inset("h v", 2).leaves != fold_packet("h v", 2).leaves


@pytest.mark.parametrize(
    ("programme", "reason"),
    [
        ("", "empty"),
        ("v x", "“x” is no fold"),
        ("v h3", "no spine"),
        ("z5", "no spine"),
        ("v4", "cannot be folded"),
        ("v " * 9, "more than paper takes"),
    ],
)
def test_a_programme_that_makes_no_section_is_refused_with_the_reason(programme: str, reason: str) -> None:
    with pytest.raises(FoldError, match=reason):
        fold_packet(programme)


@pytest.mark.parametrize("sheets", [0, 41])
def test_an_impossible_number_of_sheets_is_refused(sheets: int) -> None:
    with pytest.raises(FoldError, match="1 to 40"):
        fold_inset("v", sheets)


def test_letter_folds_and_zigzags_are_read() -> None:
    assert [fold.word for fold in parse_programme("h3 zv4 V")] == ["h3", "zv4", "v"]
    assert fold_packet("z3 v").leaves_a_sheet == 6
