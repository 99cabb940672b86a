"""The folded dummy: a section as steps of folding, and as a book to page through."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from weald.core.folding.imposition import Placement, Sheet, one_piece
from weald.core.folding.packet import Cell, Pose, Side, Towards, Up, fold_motions
from weald.core.folding.programme import Axis, parse_programme
from weald.core.folding.steps import FoldStep, Symbol
from weald.core.press.press import Press
from weald.core.units import Mm

Border = Literal["left", "right", "top", "bottom"]
Join = Literal["one_piece", "two_pieces", "none"]


@dataclass(frozen=True, slots=True)
class FilmCell:
    """One leaf's place on the flat sheet seen from its inner side, and the pages on it.

    Head directions are those on the flat sheet, each as seen from its own side.
    """

    column: int
    row: int
    inner_page: int | None
    inner_up: Up
    outer_page: int | None
    outer_up: Up


@dataclass(frozen=True, slots=True)
class FilmSymbol:
    """A matching symbol in the corner of a cell, on the side it is seen from: right and down are 0 or 1."""

    cell: int
    side: Side
    right: int
    down: int


@dataclass(frozen=True, slots=True)
class FilmStep:
    """Part of the packet carried over a crease.

    :param crease: its place in the packet in cells; ``moved``: places of the cells in ``poses``.
    :param slit: borders of cells, as seen from the inner side, slit before it.
    """

    fold: int
    words: str
    slit_words: str
    axis: Axis
    crease: int
    towards: Towards
    poses: tuple[Pose, ...]
    moved: tuple[int, ...]
    slit: tuple[tuple[int, Border], ...]
    symbol: Symbol
    symbols: tuple[FilmSymbol, ...]


@dataclass(frozen=True, slots=True)
class Film:
    """One sheet folded step by step.

    :param end: how its cells lie in the finished packet.
    :param afterwards: what is done with the folded sheets, in words.
    """

    cell_width: Mm
    cell_height: Mm
    columns: int
    rows: int
    cells: tuple[FilmCell, ...]
    steps: tuple[FilmStep, ...]
    end: tuple[Pose, ...]
    afterwards: str


def fold_film(press: Press, section: int, sheet: int) -> Film:
    """A sheet of a section folded step by step.

    :param section: from 1, ``sheet``: its place in the section, from 1; the last of each where there
        are fewer.
    """
    section = min(section, len(press.sections))
    mine = [each for each in press.sheets if each.section == section]
    shown = mine[min(sheet, len(mine)) - 1]
    press = press.of(shown)
    programme = parse_programme(press.packet.programme)
    motions, end = fold_motions(programme)
    steps = {step.number: step for step in press.steps}
    order = {pose.cell: number for number, pose in enumerate(end)}
    made = []
    for number, motion in enumerate(motions):
        first = number == 0 or motions[number - 1].fold != motion.fold
        step = steps[motion.fold]
        made.append(
            FilmStep(
                motion.fold,
                step.words,
                step.slit_words if first else "",
                motion.axis,
                motion.crease,
                motion.towards,
                motion.before,
                tuple(sorted(order[cell] for cell in motion.moved)),
                tuple(_slit_borders(step, order)) if first else (),
                step.symbol,
                tuple(_film_symbols(step, order, programme.columns)),
            )
        )
    layout = press.layout
    return Film(
        layout.unfolded_width / layout.columns,
        layout.unfolded_height / layout.rows,
        programme.columns,
        programme.rows,
        tuple(_film_cell(shown, pose, programme.columns) for pose in end),
        tuple(made),
        end,
        press.notation.say(_afterwards(press, len(mine))),
    )


def _film_symbols(step: FoldStep, order: dict[Cell, int], columns: int) -> Iterator[FilmSymbol]:
    """The two symbols that meet in a fold."""
    for corner in step.corners:
        column = corner.column if corner.side == "inner" else columns - 1 - corner.column
        yield FilmSymbol(order[column, corner.row], corner.side, corner.right, corner.down)


def _slit_borders(step: FoldStep, order: dict[Cell, int]) -> Iterator[tuple[int, Border]]:
    """Both sides of every slit before a fold."""
    for slit in step.slits:
        (x1, y1), (x2, y2) = sorted((slit.start, slit.end))
        if x1 == x2:
            for row in range(y1, y2):
                yield order[x1 - 1, row], "right"
                yield order[x1, row], "left"
        else:
            for column in range(x1, x2):
                yield order[column, y1 - 1], "bottom"
                yield order[column, y1], "top"


def _film_cell(sheet: Sheet, pose: Pose, columns: int) -> FilmCell:
    inner = next(each for each in sheet.inner if (each.column, each.row) == pose.cell)
    outer = next(each for each in sheet.outer if (columns - 1 - each.column, each.row) == pose.cell)
    return FilmCell(pose.column, pose.row, inner.page, inner.up, outer.page, outer.up)


def _afterwards(press: Press, sheets: int) -> str:
    if not press.packet.sewn:
        if press.packet.kind == "concertina":
            return "The strip stands in zig-zag; join the next one to its end."
        return "Cut the leaves apart and pile them in order."
    if sheets == 1:
        return "This sheet is a {signature} by itself."
    if press.spec.folding.gather == "together":
        return f"All {sheets} sheets of the {{signature}} lie on one another and are folded as one."
    return f"Slip the {sheets} folded sheets of the {{signature}} into one another, sheet 1 outermost."


@dataclass(frozen=True, slots=True)
class DummyPage:
    """One page of the folded book, and where it was printed: sheet, side, and cell counted from 1."""

    page: int | None
    section: int
    leaf: int
    sheet: int
    side: Side
    column: int
    row: int


@dataclass(frozen=True, slots=True)
class Opening:
    """Two facing pages. A picture across them is whole only where both are one piece of paper."""

    left: DummyPage | None
    right: DummyPage | None
    join: Join


def openings(press: Press, section: int) -> tuple[Opening, ...]:
    """The openings of one section of a sewn book, or of a pile of leaves, front to back."""
    section = min(section, len(press.sections))
    placed: list[tuple[Placement, DummyPage]] = []
    for sheet in press.sheets:
        if sheet.section != section:
            continue
        sides: tuple[tuple[Side, tuple[Placement, ...]], ...] = (
            ("outer", sheet.outer),
            ("inner", sheet.inner),
        )
        for side, places in sides:
            for place in places:
                page = DummyPage(
                    place.page, section, place.leaf, sheet.sheet, side, place.column + 1, place.row + 1
                )
                placed.append((place, page))
    placed.sort(key=lambda each: (each[0].leaf, each[0].spine != "left"))
    pages: list[tuple[Placement, DummyPage] | None] = [None, *placed, None]
    made = []
    for left, right in zip(pages[::2], pages[1::2], strict=True):
        join: Join = "none" if left is None or right is None else _join(left[0], left[1], right[0], right[1])
        made.append(Opening(left and left[1], right and right[1], join))
    return tuple(made)


def _join(left: Placement, on_left: DummyPage, right: Placement, on_right: DummyPage) -> Join:
    """Whether two facing pages are one piece of paper."""
    same_side = (on_left.sheet, on_left.side) == (on_right.sheet, on_right.side)
    return "one_piece" if same_side and one_piece(left, right) else "two_pieces"


def true_spreads(press: Press) -> tuple[tuple[int, int], ...]:
    """Every pair of facing printed pages that is one piece of paper: the middle of each section."""
    if not press.packet.sewn:
        return ()
    spreads = []
    for section in range(1, len(press.sections) + 1):
        for opening in openings(press, section):
            left, right = opening.left, opening.right
            if opening.join == "one_piece" and left and right and left.page and right.page:
                spreads.append((left.page, right.page))
    return tuple(spreads)
