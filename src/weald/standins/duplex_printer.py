"""A printer that prints both sides, and the mishaps of a printed pile.

It takes an imposed file two pages at a time, front and back, and turns each sheet on the edge it
was set to, whatever the file was made for.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from weald.core.errors import WealdError
from weald.core.forme.layout import Flip, natural_flip
from weald.core.job.printing import Printer
from weald.core.press.reading import PrintedSheet, Stamp, half_turned
from weald.core.units import Mm

Mishap = Literal["none", "lost_sheet", "turned_section", "swapped_sheets", "pile_other_way"]


class PrinterError(WealdError):
    """Something this printer cannot do."""


@dataclass(frozen=True, slots=True)
class Run:
    """One go at printing.

    :param printer: what the printer can do, and how far its backs stand off.
    :param flip: the edge the dialog was set to; of no account where sheets are turned by hand.
    :param first: the sheet lost, the section turned round, or one of two sheets swapped; from 1.
    :param second: the other of two sheets swapped.
    """

    printer: Printer
    flip: Flip
    mishap: Mishap = "none"
    first: int = 1
    second: int = 2


def back_half_turned(width: Mm, height: Mm, run: Run) -> bool:
    """Whether backs, seen after turning a sheet over sideways, stand the other way up than in the file."""
    return run.printer.flips != "none" and run.flip != natural_flip(width, height)


def print_pile(
    sides: Sequence[Sequence[Stamp]], sizes: Sequence[tuple[Mm, Mm]], run: Run
) -> list[PrintedSheet]:
    """Print a file and hand over the pile, with whatever mishap befell it.

    :param sides: the file's pages, front and back in turn; ``sizes``: width and height of each sheet.
    :raises PrinterError: when it cannot turn sheets so, or a sheet is named that is not in the pile.
    """
    if run.printer.flips in ("long", "short") and run.flip != run.printer.flips:
        raise PrinterError(f"This printer turns sheets on the {run.printer.flips} edge only.")
    backs = [
        tuple(_printed_back(stamp, size, run) for stamp in back)
        for back, size in zip(sides[1::2], sizes, strict=True)
    ]
    if run.mishap == "pile_other_way":
        backs.reverse()
    pile = [
        PrintedSheet(number, tuple(front), back)
        for number, (front, back) in enumerate(zip(sides[::2], backs, strict=True), start=1)
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


def _printed_back(stamp: Stamp, size: tuple[Mm, Mm], run: Run) -> Stamp:
    """A page of a back as it lands on the paper."""
    if back_half_turned(*size, run):
        stamp = half_turned(stamp, *size)
    return Stamp(stamp.page, stamp.x + run.printer.back_right, stamp.y + run.printer.back_down, stamp.up)


def turned_sections(run: Run) -> frozenset[int]:
    """The sections that were turned round on the bench."""
    return frozenset({run.first}) if run.mishap == "turned_section" else frozenset()


def _check(sheet: int, sheets: int) -> None:
    if not 1 <= sheet <= sheets:
        raise PrinterError(f"There is no sheet {sheet} in this pile; it has {sheets}.")
