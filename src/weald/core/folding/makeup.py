"""From a number of pages to sections of folded sheets.

Vocabulary: *blanks* are the pages over once the text stands on whole sheets; a *make-up*
says how the sheets are shared out among sections.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

from weald.core.errors import FoldError
from weald.core.folding.packet import MAX_SHEETS
from weald.core.notation import MILLIMETRES, Notation
from weald.core.units import Mm

MakeUpRule = Literal["even", "short_last", "full", "one_section", "mix"]
BlankPlace = Literal["end", "front", "both"]


@dataclass(frozen=True, slots=True)
class OwnSheets:
    """A section folded of other sheets than the rest.

    :param place: its place among all sections, from 1. ``row``: which entry asks for it, from 0; none for a
        half sheet that takes the remainder.
    :param thickness: of a leaf of it; none where it is of the text's own paper.
    """

    place: int
    programme: str
    sheets: int
    pages_a_sheet: int
    row: int | None
    thickness: Mm | None = None


@dataclass(frozen=True, slots=True)
class MakeUp:
    """How a text is made up.

    :param sheets: sheets in each section, first to last.
    :param own: of each section, the sheets of its own it is folded of; empty where all are of the main sheet.
    :param blanks_front: blank pages before the text; ``blanks_end``: after it.
    """

    pages_a_sheet: int
    sheets: tuple[int, ...]
    blanks_front: int
    blanks_end: int
    own: tuple[OwnSheets | None, ...] = ()

    @property
    def sheet_count(self) -> int:
        """Folded sheets in one copy."""
        return sum(self.sheets)

    @property
    def main_sheets(self) -> int:
        """Folded sheets in one copy that are of the main sheet."""
        if not self.own:
            return self.sheet_count
        return sum(count for count, own in zip(self.sheets, self.own, strict=True) if own is None)

    @property
    def section_pages(self) -> tuple[int, ...]:
        """Pages of each section."""
        each = self.own or (None,) * len(self.sheets)
        return tuple(
            count * (self.pages_a_sheet if own is None else own.pages_a_sheet)
            for count, own in zip(self.sheets, each, strict=True)
        )

    @property
    def other_leaves(self) -> dict[int, Mm]:
        """Of each section of leaves of another thickness, by its number from 1: how thick they are."""
        return {
            number: own.thickness
            for number, own in enumerate(self.own, start=1)
            if own is not None and own.thickness is not None
        }

    @property
    def pages(self) -> int:
        """Pages in one copy, blanks included."""
        if not self.own:
            return self.sheet_count * self.pages_a_sheet
        return sum(self.section_pages)

    @property
    def blanks(self) -> int:
        """Pages over."""
        return self.blanks_front + self.blanks_end


_MIX_TERM = re.compile(r"\s*(?:(\d{1,4})\s*[x×*]\s*)?(\d{1,3})\s*")


def read_mix(text: str, notation: Notation = MILLIMETRES) -> tuple[int, ...]:
    """Read sheets a section written as a sum: ``5+4+4``, or ``5 + 6x4`` for one of five and six of four.

    :raises FoldError: when it is no such sum.
    """
    sheets: list[int] = []
    for term in text.split("+"):
        match = _MIX_TERM.fullmatch(term)
        if match is None or not 1 <= int(match[2]) <= MAX_SHEETS or not 1 <= int(match[1] or 1) <= 5000:
            raise FoldError(
                notation.say(
                    "“{text}” is no mix of {signatures}; write sheets a {signature}, 1 to {most} each, as "
                    "5+4+4 or 5+6x4.",
                    text=text,
                    most=MAX_SHEETS,
                )
            )
        sheets += [int(match[2])] * int(match[1] or 1)
    return tuple(sheets)


def share_out(sheet_count: int, most: int, rule: MakeUpRule, mix: Sequence[int] = ()) -> tuple[int, ...]:
    """Sheets in each section, none with more than ``most``.

    ``even`` makes the sections differ by one sheet at most, the thicker first; ``short_last``
    fills all but the last; ``full`` fills every one and leaves more blanks; ``one_section`` nests
    all sheets in one; ``mix`` takes the sections as listed in ``mix``, the last of them as often
    as it takes.
    """
    if rule == "one_section":
        return (sheet_count,)
    if rule == "mix" and mix:
        sections = list(mix)
        while sum(sections) < sheet_count:
            sections.append(sections[-1])
        while len(sections) > 1 and sum(sections[:-1]) >= sheet_count:
            sections.pop()
        return tuple(sections)
    sections_needed = -(-sheet_count // most)
    if rule == "full":
        return (most,) * sections_needed
    if rule == "short_last":
        last = sheet_count - most * (sections_needed - 1)
        return (most,) * (sections_needed - 1) + (last,)
    fewest, thicker = divmod(sheet_count, sections_needed)
    return (fewest + 1,) * thicker + (fewest,) * (sections_needed - thicker)


def make_up(
    pages: int,
    pages_a_sheet: int,
    sheets_a_section: int,
    rule: MakeUpRule,
    place: BlankPlace,
    mix: Sequence[int] = (),
    own: Sequence[OwnSheets] = (),
    half: OwnSheets | None = None,
) -> MakeUp:
    """Make ``pages`` up into sections.

    :param own: sections of other sheets, put in at their places among those of the main sheet.
    :param half: takes what is left over at the end, where that goes on half a sheet.

    Only whole leaves go to the front: a blank leaf is two pages, so that the text still begins on
    a right-hand page.
    """
    if own or half:
        return _mixed(pages, (pages_a_sheet, sheets_a_section, rule, mix), place, (own, half))
    sheets = share_out(-(-pages // pages_a_sheet), sheets_a_section, rule, mix)
    return _with_blanks(MakeUp(pages_a_sheet, sheets, 0, 0), pages, place)


def _mixed(
    pages: int,
    main: tuple[int, int, MakeUpRule, Sequence[int]],
    place: BlankPlace,
    others: tuple[Sequence[OwnSheets], OwnSheets | None],
) -> MakeUp:
    """Sections of the main sheet for whatever those of other sheets leave, and all of them in their order."""
    pages_a_sheet, most, rule, mix = main
    own, half = others
    rest = max(0, pages - sum(each.sheets * each.pages_a_sheet for each in own))
    over = rest % pages_a_sheet
    put_at_end = half if half is not None and 0 < over <= half.pages_a_sheet else None
    count = rest // pages_a_sheet if put_at_end else -(-rest // pages_a_sheet)
    shared = share_out(count, most, rule, mix) if count else ()
    row: list[tuple[int, OwnSheets | None]] = [(sheets, None) for sheets in shared]
    for each in sorted(own, key=lambda each: each.place):
        row.insert(each.place - 1, (each.sheets, each))
    if put_at_end:
        row.append((put_at_end.sheets, put_at_end))
    made = MakeUp(pages_a_sheet, tuple(sheets for sheets, _ in row), 0, 0, tuple(each for _, each in row))
    return _with_blanks(made, pages, place)


def _with_blanks(made: MakeUp, pages: int, place: BlankPlace) -> MakeUp:
    """A make-up with its blanks where they are wanted."""
    blanks = made.pages - pages
    front_by_place = {"end": 0, "front": blanks // 2 * 2, "both": blanks // 4 * 2}
    front = front_by_place[place]
    return replace(made, blanks_front=front, blanks_end=blanks - front)
