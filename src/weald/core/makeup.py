"""From a number of pages to sections of folded sheets.

Vocabulary: *blanks* are the pages over once the text stands on whole sheets; a *make-up*
says how the sheets are shared out among sections.
"""

from dataclasses import dataclass
from typing import Literal

MakeUpRule = Literal["even", "short_last", "full"]
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


def share_out(sheet_count: int, most: int, rule: MakeUpRule) -> tuple[int, ...]:
    """Sheets in each section, none with more than ``most``.

    ``even`` makes the sections differ by one sheet at most, the thicker first; ``short_last``
    fills all but the last; ``full`` fills every one and leaves more blanks.
    """
    sections = -(-sheet_count // most)
    if rule == "full":
        return (most,) * sections
    if rule == "short_last":
        last = sheet_count - most * (sections - 1)
        return (most,) * (sections - 1) + (last,)
    fewest, thicker = divmod(sheet_count, sections)
    return (fewest + 1,) * thicker + (fewest,) * (sections - thicker)


def make_up(
    pages: int, pages_a_sheet: int, sheets_a_section: int, rule: MakeUpRule, place: BlankPlace
) -> MakeUp:
    """Make ``pages`` up into sections.

    With blanks at both ends, whole leaves go to the front first: a blank leaf is two pages,
    so that the text still begins on a right-hand page.
    """
    sheets = share_out(-(-pages // pages_a_sheet), sheets_a_section, rule)
    blanks = sum(sheets) * pages_a_sheet - pages
    front_by_place = {"end": 0, "front": blanks, "both": blanks // 4 * 2}
    front = front_by_place[place]
    return MakeUp(pages_a_sheet, sheets, blanks_front=front, blanks_end=blanks - front)
