"""Words of what to mind about what is added to a structure, by where in the book it is."""

from weald.core.finding_words.added.block import BLOCK, BlockCode
from weald.core.finding_words.added.cover import COVER, CoverCode
from weald.core.finding_words.added.finish import FINISH, FinishCode
from weald.core.finding_words.added.pages import PAGES, PagesCode
from weald.core.finding_words.added.whatever import WHATEVER, WhateverCode
from weald.core.finding_words.entry import FindingWords

AddedCode = WhateverCode | PagesCode | BlockCode | CoverCode | FinishCode

ADDED: dict[AddedCode, FindingWords] = dict(
    entry for room in (WHATEVER, PAGES, BLOCK, COVER, FINISH) for entry in room.items()
)

__all__ = ["ADDED", "AddedCode"]
