import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.paper_dummy import pages_on_sheets
from weald.core.errors import FoldError
from weald.core.folding.imposition import folded_section
from weald.core.folding.packet import FoldedPacket, creases, fold_inset, fold_motions, fold_packet
from weald.core.folding.programme import NAMED_PROGRAMMES, Programme, parse_programme

SEWN = [name for name, text in NAMED_PROGRAMMES.items() if parse_programme(text).kind == "section"]


def side_as_text(packet: FoldedPacket, side: str, sheet: int = 0) -> str:
    """One side of a sheet as a small picture: page numbers, ' for upside down."""
    grid = [["?"] * packet.columns for _ in range(packet.rows)]
    for number, cell in enumerate(packet.pages, start=1):
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
        ("upright", "height", ()),
        ("level, upright", "height", ("head",)),
        ("upright, level, upright", "height", ("head", "fore_edge")),
        ("upright, upright", "height", ("fore_edge",)),
        ("level", "width", ()),
        ("upright, level", "width", ("tail",)),
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


@pytest.mark.parametrize("name", NAMED_PROGRAMMES)
@pytest.mark.parametrize("sheets", [1, 2, 3])
def test_every_page_has_a_place_of_its_own(name: str, sheets: int) -> None:
    for packet in (fold_packet(name, sheets), fold_inset(name, sheets)):
        places = {(cell.sheet, cell.side, cell.column, cell.row) for cell in packet.pages}
        assert len(places) == len(packet.pages) == 2 * packet.columns * packet.rows * sheets


@pytest.mark.parametrize("name", SEWN)
def test_a_leafs_two_pages_are_back_to_back(name: str) -> None:
    packet = fold_inset(name, 2)
    for recto, verso in zip(packet.pages[::2], packet.pages[1::2], strict=True):
        assert recto.sheet == verso.sheet
        assert recto.row == verso.row
        assert recto.column == packet.columns - 1 - verso.column


words = st.sampled_from(
    [
        "upright",
        "level",
        "upright in three",
        "level in three",
        "upright zig-zag in three",
        "level zig-zag in three",
        "upright zig-zag in four",
        "upright off-centre in three",
        "level off-centre in three",
        "level off-centre in five",
    ]
)
programmes = st.builds(
    lambda folds, spine: ", ".join([*folds, spine]),
    st.lists(words, max_size=4),
    st.sampled_from(["upright", "level"]),
).filter(lambda text: parse_or_none(text) is not None and even(text))


def even(text: str) -> bool:
    """Whether the dummy can undo it: parts that are not alike are lifted off at a crease, one at a time."""
    off: set[str] = set()
    for word in text.split(", "):
        axis = word.split()[0]
        if axis in off and "in" in word.split() and "off-centre" not in word:
            return False
        if "off-centre" in word:
            off.add(axis)
    return True


def parse_or_none(text: str) -> Programme | None:
    try:
        return parse_programme(text)
    except FoldError:
        return None


@given(programmes, st.integers(1, 3), st.sampled_from(["inset", "together"]))
def test_the_engine_agrees_with_a_numbered_dummy_unfolded(programme: str, sheets: int, gather: str) -> None:
    packet = folded_section(programme, sheets, gather)  # type: ignore[arg-type]
    dummy = pages_on_sheets(packet.programme, sheets, packet.leaves_a_sheet, gather)
    engine = {
        (cell.sheet, cell.side, cell.column, cell.row): (number, cell.up)
        for number, cell in enumerate(packet.pages, start=1)
    }
    assert engine == dummy


OFF_CENTRE = ["level off-centre, level, upright", "level off-centre in three, upright, level, upright"]


@pytest.mark.parametrize(
    "programme", [*OFF_CENTRE, "level off-centre in five, level, upright, level, upright"]
)
def test_a_fold_off_the_centre_agrees_with_the_dummy(programme: str) -> None:
    packet = folded_section(programme, 2, "together")
    dummy = pages_on_sheets(packet.programme, 2, packet.leaves_a_sheet, "together")
    assert dummy == {
        (cell.sheet, cell.side, cell.column, cell.row): (number, cell.up)
        for number, cell in enumerate(packet.pages, start=1)
    }


def test_a_third_is_carried_over_and_the_rest_folded_on_it() -> None:
    """Six leaves: the upper third comes down on the middle one, both down on the lower, then the spine.

    In the packet the lower third is outermost; the outer side of the upper third lies on its inner side, so
    that 3 faces 2; the middle third is innermost, turned over once and so on its head.
    """
    assert side_as_text(fold_packet(OFF_CENTRE[0]), "outer") == "10 3 / 7' 6' / 12 1"
    assert fold_packet(OFF_CENTRE[0]).bolts == fold_packet("level in three, upright").bolts


@pytest.mark.parametrize(
    ("programme", "words"),
    [
        ("level off-centre in three, upright", "leaves two parts side by side; fold them level"),
        ("upright off-centre in three, level, upright, upright", "would not be held by it"),
        ("level off-centre in two, level, upright", "off-centre in three to twelve"),
    ],
)
def test_what_a_fold_off_the_centre_needs_is_said(programme: str, words: str) -> None:
    with pytest.raises(FoldError, match=words):
        parse_programme(programme)


@given(programmes)
def test_motions_begin_flat_and_end_as_the_packet(programme: str) -> None:
    parsed = parse_programme(programme)
    motions, end = fold_motions(parsed)
    assert all(pose.level == 0 and (pose.x, pose.y) == pose.cell for pose in motions[0].before)
    assert len({(pose.x, pose.y) for pose in end}) == 1
    assert len({pose.level for pose in end}) == parsed.columns * parsed.rows
    # every border between two cells of the sheet is creased exactly once
    lines = [line for motion in motions for line in creases(motion)]
    borders = parsed.rows * (parsed.columns - 1) + parsed.columns * (parsed.rows - 1)
    assert len(lines) == len(set(lines)) == borders


@given(st.integers(1, 12))
def test_folios_nested_and_folded_together_are_the_same(sheets: int) -> None:
    assert fold_inset("upright", sheets).pages == fold_packet("upright", sheets).pages


def test_quartos_nested_and_folded_together_differ() -> None:
    assert fold_inset("level, upright", 2).pages != fold_packet("level, upright", 2).pages


@pytest.mark.parametrize(
    ("programme", "reason"),
    [
        ("", "No fold is written"),
        ("upright, askew", "“askew” is no fold"),
        ("upright, level in three", "no spine"),
        ("level, upright zig-zag in five", "no spine"),
        ("single leaves 0 by 2", "not what a sheet gives"),
        (
            "zig-zag in three, " * 5 + "upright",
            "not what a sheet gives",
        ),
        ("upright in four", "cannot be folded"),
        ("upright " * 9, "more than paper takes"),
    ],
)
def test_a_programme_that_makes_no_section_is_refused_with_the_reason(programme: str, reason: str) -> None:
    with pytest.raises(FoldError, match=reason):
        fold_packet(programme)


@pytest.mark.parametrize("sheets", [0, 41])
def test_an_impossible_number_of_sheets_is_refused(sheets: int) -> None:
    with pytest.raises(FoldError, match="1 to 40"):
        fold_inset("upright", sheets)


def test_letter_folds_and_zigzags_are_read() -> None:
    written = "level in three, upright zig-zag in four, upright"
    for way in (
        written,
        "Level in 3 then upright zigzag in 4; UPRIGHT",
        "level in three upright zig-zag in four upright",
    ):
        assert parse_programme(way).text == written
    assert fold_packet("upright zig-zag in three, upright").leaves_a_sheet == 6


def test_a_twelvemo_comes_out_as_a_scrap_of_paper_does() -> None:
    # folded from a scrap, numbered, unfolded: the lower third up first, the upper one down over it
    twelvemo = fold_packet("twelvemo")
    assert side_as_text(twelvemo, "outer") == "19' 6' 7' 18' / 24 1 12 13 / 21' 4' 9' 16'"
    assert side_as_text(twelvemo, "inner") == "17' 8' 5' 20' / 14 11 2 23 / 15' 10' 3' 22'"


def test_a_concertina_is_read_along_one_side_and_back_along_the_other() -> None:
    strip = fold_packet("upright zig-zag in four", 2)
    assert side_as_text(strip, "outer", 0) == "1 2 3 4"
    assert side_as_text(strip, "outer", 1) == "5 6 7 8"
    # turned over sideways, the second strip lies at the left
    assert side_as_text(strip, "inner", 1) == "9 10 11 12"
    assert side_as_text(strip, "inner", 0) == "13 14 15 16"
    hanging = fold_packet("level zig-zag in three")
    assert side_as_text(hanging, "outer") == "1> / 2> / 3>"
    assert side_as_text(hanging, "inner") == "6< / 5< / 4<"


def test_single_leaves_cut_apart_pile_up_in_order() -> None:
    pile = fold_packet("single leaves 2 by 1", 3)
    assert [side_as_text(pile, "outer", sheet) for sheet in range(3)] == ["1 7", "3 9", "5 11"]
    assert [side_as_text(pile, "inner", sheet) for sheet in range(3)] == ["8 2", "10 4", "12 6"]
