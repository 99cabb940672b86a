"""From a number of pages to sections of folded sheets.

Vocabulary: *blanks* are the pages over once the text stands on whole sheets; a *make-up*
says how the sheets are shared out among sections.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from weald.core.errors import FoldError
from weald.core.folding.packet import MAX_SHEETS
from weald.core.notation import MILLIMETRES, Notation

MakeUpRule = Literal["even", "short_last", "full", "one_section", "mix"]
BlankPlace = Literal["end", "front", "both"]


@dataclass(frozen=True, slots=True)
class MakeUp:
    """How a text is made up.

    :param sheets: sheets in each section, first to last.
    :param blanks_front: blank pages before the text; ``blanks_end``: after it.
    """

    pages_a_sheet: int
    sheets: tuple[int, ...]
    blanks_front: int
    blanks_end: int

    @property
    def sheet_count(self) -> int:
        """Folded sheets in one copy."""
        return sum(self.sheets)

    @property
    def pages(self) -> int:
        """Pages in one copy, blanks included."""
        return self.sheet_count * self.pages_a_sheet

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
) -> MakeUp:
    """Make ``pages`` up into sections.

    Only whole leaves go to the front: a blank leaf is two pages, so that the text still begins on
    a right-hand page.
    """
    sheets = share_out(-(-pages // pages_a_sheet), sheets_a_section, rule, mix)
    blanks = sum(sheets) * pages_a_sheet - pages
    front_by_place = {"end": 0, "front": blanks // 2 * 2, "both": blanks // 4 * 2}
    front = front_by_place[place]
    return MakeUp(pages_a_sheet, sheets, blanks_front=front, blanks_end=blanks - front)
