"""A printer that prints both sides, and the mishaps of a printed pile.

It takes an imposed file two pages at a time, front and back, and turns each sheet on the edge it
was set to, whatever the file was made for.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from weald.core.errors import WealdError
from weald.core.forme import Flip, natural_flip
from weald.core.reading import PrintedSheet, Stamp, half_turned
from weald.core.units import Mm

Mishap = Literal["none", "lost_sheet", "turned_section", "swapped_sheets"]


class PrinterError(WealdError):
    """Something this printer cannot do."""


@dataclass(frozen=True, slots=True)
class Run:
    """One go at printing.

    :param flip: the edge the dialog was set to.
    :param first: the sheet lost, the section turned round, or one of two sheets swapped; from 1.
    :param second: the other of two sheets swapped.
    """

    flip: Flip
    mishap: Mishap = "none"
    first: int = 1
    second: int = 2


def back_half_turned(width: Mm, height: Mm, flip: Flip) -> bool:
    """Whether backs, seen after turning a sheet over sideways, stand the other way up than in the file."""
    return flip != natural_flip(width, height)


def print_pile(sides: Sequence[Sequence[Stamp]], size: tuple[Mm, Mm], run: Run) -> list[PrintedSheet]:
    """Print a file and hand over the pile, with whatever mishap befell it.

    :param sides: the file's pages, front and back in turn; ``size``: width and height of a sheet.
    :raises PrinterError: when a sheet is named that is not in the pile.
    """
    turned = back_half_turned(*size, run.flip)
    pile = [
        PrintedSheet(
            number,
            tuple(front),
            tuple(half_turned(stamp, *size) for stamp in back) if turned else tuple(back),
        )
        for number, (front, back) in enumerate(zip(sides[::2], sides[1::2], strict=True), start=1)
    ]
    if run.mishap == "lost_sheet":
        _check(run.first, len(pile))
        del pile[run.first - 1]
    elif run.mishap == "swapped_sheets":
        _check(run.first, len(pile))
        _check(run.second, len(pile))
        one, two = run.first - 1, run.second - 1
        pile[one], pile[two] = pile[two], pile[one]
    return pile


def turned_sections(run: Run) -> frozenset[int]:
    """The sections that were turned round on the bench."""
    return frozenset({run.first}) if run.mishap == "turned_section" else frozenset()


def _check(sheet: int, sheets: int) -> None:
    if not 1 <= sheet <= sheets:
        raise PrinterError(f"There is no sheet {sheet} in this pile; it has {sheets}.")
