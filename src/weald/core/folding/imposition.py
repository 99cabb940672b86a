"""Which page stands where on which sheet.

Pages are counted as the binder counts them: page 1 is the first page of the text. A blank is
a placement without a page.
"""

from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from weald.core.folding.makeup import MakeUp
from weald.core.folding.packet import FoldedPacket, Side, Up, fold_inset, fold_packet

Gather = Literal["inset", "together"]
SpineSide = Literal["left", "right"]


@dataclass(frozen=True, slots=True)
class Placement:
    """One page on one side of a sheet.

    :param page: the page's number in the text, or ``None`` for a blank.
    :param column: from the left, ``row``: from the top, of the side as one looks at it.
    :param up: where the page's head points, (right, up).
    :param leaf: the leaf of the section it stands on, from 1.
    :param folio: how many folios lie outside it in the section, which is how often it has crept.
    :param spine: the side of the page, as it is read, on which the spine lies; none in a concertina.
    """

    page: int | None
    column: int
    row: int
    up: Up
    leaf: int
    folio: int
    spine: SpineSide | None


@dataclass(frozen=True, slots=True)
class Sheet:
    """One folded sheet: its section and its place in it, both from 1, outermost first.

    :param programme: how it is folded, where that is not as the main sheet.
    """

    section: int
    sheet: int
    outer: tuple[Placement, ...]
    inner: tuple[Placement, ...]
    programme: str | None = None


@dataclass(frozen=True, slots=True)
class Section:
    """One section: its sheets and the pages of the text it holds."""

    section: int
    sheets: int
    first_page: int | None
    last_page: int | None
    pages: int


def in_reading_order(side: tuple[Placement, ...]) -> list[Placement]:
    """One side's placements row by row, left to right, as one looks at it."""
    return sorted(side, key=lambda place: (place.row, place.column))


def one_piece(left: Placement, right: Placement) -> bool:
    """Whether two facing pages on one side of one sheet are neighbours across the spine."""
    aside, up = left.up
    # where the right page lies from the left one, on a side with y down
    return left.up == right.up and (right.column - left.column, right.row - left.row) == (up, aside)


def folded_section(programme: str, sheets: int, gather: Gather) -> FoldedPacket:
    """One section folded: nested sheet by sheet, or all together.

    :raises weald.core.errors.FoldError: when it cannot be folded.
    """
    return fold_inset(programme, sheets) if gather == "inset" else fold_packet(programme, sheets)


Spot = tuple[int, Side, int, int, Up, int, int, SpineSide | None]
"""Sheet, side, column, row, head direction, leaf, folio and spine side of a page in its packet."""


@lru_cache(maxsize=64)
def _spots(programme: str, sheets: int, gather: Gather) -> tuple[Spot, ...]:
    """Where the pages of a folded section stand, in reading order."""
    packet = folded_section(programme, sheets, gather)
    return tuple(
        (cell.sheet, cell.side, cell.column, cell.row, cell.up, *_on_leaf(packet, index))
        for index, cell in enumerate(packet.pages)
    )


def _on_leaf(packet: FoldedPacket, index: int) -> tuple[int, int, SpineSide | None]:
    """Leaf, folio and spine side of the page at ``index`` of a packet."""
    leaves = len(packet.pages) // 2
    if packet.kind == "concertina":
        return (index + 1 if index < leaves else 2 * leaves - index), 0, None
    leaf = index // 2
    folio = min(leaf, leaves - 1 - leaf) if packet.sewn else 0
    return leaf + 1, folio, "right" if index % 2 else "left"


def _impose_section(
    spots: tuple[Spot, ...],
    section: int,
    sheet_count: int,
    numbers: list[int | None],
    programme: str | None = None,
) -> tuple[Section, list[Sheet]]:
    outer: list[list[Placement]] = [[] for _ in range(sheet_count)]
    inner: list[list[Placement]] = [[] for _ in range(sheet_count)]
    for number, (sheet, side, column, row, up, leaf, folio, spine) in zip(numbers, spots, strict=True):
        place = Placement(number, column, row, up, leaf, folio, spine)
        (outer if side == "outer" else inner)[sheet].append(place)
    sheets = [
        Sheet(section, sheet + 1, tuple(outer[sheet]), tuple(inner[sheet]), programme)
        for sheet in range(sheet_count)
    ]
    printed = [number for number in numbers if number is not None]
    first, last = (printed[0], printed[-1]) if printed else (None, None)
    return Section(section, sheet_count, first, last, len(numbers)), sheets


@lru_cache(maxsize=16)
def impose(
    text_pages: int,
    make_up: MakeUp,
    programme: str,
    gather: Gather,
    order: tuple[int | None, ...] | None = None,
) -> tuple[tuple[Section, ...], tuple[Sheet, ...]]:
    """Place every page of a text made up into sections; kept, since most of what is typed moves no page.

    :param order: the pages as they are bound, blanks among them; as they are numbered where not given.

    :raises weald.core.errors.FoldError: when the programme cannot be folded.
    """
    sections: list[Section] = []
    sheets: list[Sheet] = []
    position = -make_up.blanks_front
    each_own = make_up.own or (None,) * len(make_up.sheets)
    for count, pages, own in zip(make_up.sheets, make_up.section_pages, each_own, strict=True):
        spots = _spots(programme if own is None else own.programme, count, gather)
        numbers = [
            (order[number] if order is not None else number + 1) if 0 <= number < text_pages else None
            for number in range(position, position + pages)
        ]
        position += pages
        folded = None if own is None else own.programme
        section, its_sheets = _impose_section(spots, len(sections) + 1, count, numbers, folded)
        sections.append(section)
        sheets += its_sheets
    return tuple(sections), tuple(sheets)


@lru_cache(maxsize=32)
def sample_sheet(programme: str) -> Sheet:
    """A sheet like all others of a programme, whatever its pages."""
    pages_a_sheet = 2 * fold_packet(programme).leaves_a_sheet
    return impose(pages_a_sheet, MakeUp(pages_a_sheet, (1,), 0, 0), programme, "inset")[1][0]
