"""The words of every finding, by the room they belong to; the codes are a closed type.

A finding is made by :func:`weald.core.findings.finding`, so that screen, paper and command line say the same.
"""

from weald.core.finding_words.added import ADDED, AddedCode
from weald.core.finding_words.bound import BOUND, BoundCode
from weald.core.finding_words.cut import CUT, CutCode
from weald.core.finding_words.entry import FindingWords, Severity
from weald.core.finding_words.finished import FINISHED, FinishedCode
from weald.core.finding_words.sewn import SEWN, SewnCode
from weald.core.finding_words.sheets import SHEETS, SheetCode

FindingCode = SheetCode | SewnCode | BoundCode | FinishedCode | CutCode | AddedCode

CATALOGUE: dict[FindingCode, FindingWords] = dict(
    entry for room in (SHEETS, SEWN, BOUND, FINISHED, CUT, ADDED) for entry in room.items()
)
CODES: tuple[FindingCode, ...] = tuple(CATALOGUE)

__all__ = ["CATALOGUE", "CODES", "FindingCode", "FindingWords", "Severity"]
