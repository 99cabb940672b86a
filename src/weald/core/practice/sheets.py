"""A sheet to be numbered so that it reads when it is folded, and a numbered one whose fold is to be found.

An answer is right when the sheet, folded by the engine that imposes books, reads from its first page to its
last; held the other way up it reads from the last to the first, which is as right.
"""

import random
from collections.abc import Sequence
from functools import lru_cache
from itertools import permutations

from weald.core.errors import SpecError
from weald.core.folding.imposition import folded_section
from weald.core.folding.packet import Side
from weald.core.folding.programme import parse_programme
from weald.core.folding.steps import fold_words
from weald.core.records import record

Numbers = tuple[int | None, ...]
"""The numbers of one side, row by row as one looks at it; none in a cell that is empty."""

_NUMBERED: tuple[tuple[str, ...], ...] = (
    ("upright",),
    ("level, upright", "upright, upright"),
    ("upright, level, upright", "level, upright, upright"),
    ("level in three, upright", "level, upright, level, upright"),
)
"""The folds of each level, from the first."""
_FOUND: tuple[tuple[str, ...], ...] = (
    ("level", "upright"),
    ("level", "upright", "upright"),
    ("level", "upright", "level", "upright"),
)
"""The folds of each level that are done in one order or another."""
_MOST_CHOICES = 4
_SIGNATURES = 6
"""A sheet is one of the first so many of a book."""


@record(frozen=True, slots=True)
class SheetToNumber:
    """A blank sheet.

    :param folds: what to do with it, one after another, its inner side up.
    :param columns, rows: of cells on each side. ``first``, ``last``: the pages it is to read.
    """

    level: int
    seed: int
    folds: tuple[str, ...]
    columns: int
    rows: int
    first: int
    last: int


@record(frozen=True, slots=True)
class FoldToFind:
    """A numbered sheet.

    :param choices: programmes of folds, one of which at the least makes it read.
    """

    level: int
    seed: int
    columns: int
    rows: int
    first: int
    last: int
    outer: Numbers
    inner: Numbers
    choices: tuple[str, ...]


@record(frozen=True, slots=True)
class Verdict:
    """How an answer turns out.

    :param read: the pages in the order they are read once the sheet is folded.
    :param words: what that is, and where it goes wrong.
    """

    right: bool
    read: Numbers
    words: str


def levels(of: str) -> int:
    """How many levels there are: of "number" or "find"."""
    return len(_NUMBERED if of == "number" else _FOUND)


def sheet_to_number(level: int, seed: int) -> SheetToNumber:
    """The exercise of a level, from 1, and a seed.

    :raises SpecError: where there is no such level.
    """
    programme, first = _drawn(_programmes(_NUMBERED, level), level, seed)
    grid = parse_programme(programme)
    folds = tuple(f"{fold_words(fold, 'edges')}." for fold in grid.folds)
    pages = 2 * grid.columns * grid.rows
    return SheetToNumber(level, seed, folds, grid.columns, grid.rows, first, first + pages - 1)


def fold_to_find(level: int, seed: int) -> FoldToFind:
    """The exercise of a level, from 1, and a seed.

    :raises SpecError: where there is no such level.
    """
    orders = _orders(_programmes(_FOUND, level))
    programme, first = _drawn(orders, level, seed)
    chance = random.Random(f"choices {level} {seed}")
    others = [each for each in orders if each != programme]
    choices = [programme, *chance.sample(others, min(_MOST_CHOICES - 1, len(others)))]
    chance.shuffle(choices)
    grid = parse_programme(programme)
    outer, inner = right_numbers(programme, first)
    last = first + 2 * grid.columns * grid.rows - 1
    return FoldToFind(level, seed, grid.columns, grid.rows, first, last, outer, inner, tuple(choices))


def judge_numbers(level: int, seed: int, outer: Sequence[int | None], inner: Sequence[int | None]) -> Verdict:
    """Fold a sheet as it was numbered.

    :raises SpecError: where there is no such level, or not a number for each cell.
    """
    asked = sheet_to_number(level, seed)
    programme, _ = _drawn(_programmes(_NUMBERED, level), level, seed)
    for name, side in (("outer", outer), ("inner", inner)):
        if len(side) != asked.columns * asked.rows:
            raise SpecError({name: f"There are {asked.columns * asked.rows} cells on each side."})
    read = read_folded(programme, outer, inner)
    wanted = tuple(range(asked.first, asked.last + 1))
    if _reads(read, wanted):
        return Verdict(True, read, f"Folded, it reads from {asked.first} to {asked.last}.")
    return Verdict(False, read, _what_is_wrong(programme, read, wanted, (tuple(outer), tuple(inner))))


def judge_fold(level: int, seed: int, chosen: str) -> Verdict:
    """Fold the sheet by one of the choices.

    :raises SpecError: where there is no such level, or it is none of the choices.
    """
    asked = fold_to_find(level, seed)
    if chosen not in asked.choices:
        raise SpecError({"chosen": "Choose one of the folds that are offered."})
    read = read_folded(chosen, asked.outer, asked.inner)
    wanted = tuple(range(asked.first, asked.last + 1))
    if _reads(read, wanted):
        return Verdict(True, read, f"Folded so, it reads from {asked.first} to {asked.last}.")
    return Verdict(False, read, f"Folded so, {_breaks(read, wanted)}")


def read_folded(programme: str, outer: Sequence[int | None], inner: Sequence[int | None]) -> Numbers:
    """The pages of a sheet in the order they are read once it is folded; both sides row by row."""
    packet = folded_section(programme, 1, "inset")
    columns = parse_programme(programme).columns
    sides: dict[Side, Sequence[int | None]] = {"outer": outer, "inner": inner}
    return tuple(sides[page.side][page.row * columns + page.column] for page in packet.pages)


@lru_cache(maxsize=64)
def right_numbers(programme: str, first: int) -> tuple[Numbers, Numbers]:
    """The outer and the inner side of a sheet that reads from ``first`` on."""
    packet = folded_section(programme, 1, "inset")
    grid = parse_programme(programme)
    cells = grid.columns * grid.rows
    sides: dict[Side, list[int | None]] = {"outer": [None] * cells, "inner": [None] * cells}
    for number, page in enumerate(packet.pages, first):
        sides[page.side][page.row * grid.columns + page.column] = number
    return tuple(sides["outer"]), tuple(sides["inner"])


def turned_over(side: Sequence[int | None], columns: int) -> Numbers:
    """A side as it is numbered by whoever turned the sheet the wrong way: each row from its other end."""
    rows = [side[at : at + columns] for at in range(0, len(side), columns)]
    return tuple(number for row in rows for number in reversed(row))


def _programmes(of: tuple[tuple[str, ...], ...], level: int) -> tuple[str, ...]:
    if not 1 <= level <= len(of):
        raise SpecError({"level": f"There are levels from 1 to {len(of)}."})
    return of[level - 1]


@lru_cache(maxsize=8)
def _orders(folds: tuple[str, ...]) -> tuple[str, ...]:
    """Every order of these folds that ends at a spine, but one for each that is numbered alike."""
    found: dict[tuple[Numbers, Numbers], str] = {}
    for order in sorted(set(permutations(folds))):
        programme = ", ".join(order)
        found.setdefault(right_numbers(programme, 1), programme)
    return tuple(found.values())


def _drawn(programmes: Sequence[str], level: int, seed: int) -> tuple[str, int]:
    """Which programme, and the first page of the sheet: that of one of a book's first signatures."""
    chance = random.Random(f"{level} {seed} {len(programmes)}")
    programme = chance.choice(programmes)
    grid = parse_programme(programme)
    return programme, 1 + 2 * grid.columns * grid.rows * chance.randrange(_SIGNATURES)


def _reads(read: Numbers, wanted: Numbers) -> bool:
    return read in (wanted, wanted[::-1])


def _what_is_wrong(programme: str, read: Numbers, wanted: Numbers, sides: tuple[Numbers, Numbers]) -> str:
    """The mistake, where it is one that is often made; else where the reading breaks off."""
    missing = [number for number in wanted if number not in read]
    if missing:
        return f"Page {missing[0]} stands nowhere."
    columns = parse_programme(programme).columns
    outer, inner = sides
    if _reads(read_folded(programme, outer, turned_over(inner, columns)), wanted):
        return (
            f"The inner side is numbered from the wrong end: {_breaks(read, wanted)} Turn the sheet over "
            "sideways, as a leaf is turned."
        )
    if _reads(read_folded(programme, inner, outer), wanted):
        return f"The sides are changed over: {_breaks(read, wanted)}"
    return f"Folded, {_breaks(read, wanted)}"


def _breaks(read: Numbers, wanted: Numbers) -> str:
    """Where the reading goes wrong."""
    at = next(place for place, (one, other) in enumerate(zip(read, wanted, strict=True)) if one != other)
    if at == 0:
        return f"it begins with {read[0]} where {wanted[0]} belongs."
    return f"after {wanted[at - 1]} comes {read[at]} where {wanted[at]} belongs."
