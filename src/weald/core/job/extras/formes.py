"""Sections folded of sheets of their own: half sheets, plates on other paper."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.folding.programme import LONGEST
from weald.core.job.entries import Entries, Name, OneLine, Thin
from weald.core.job.entry import Entry


class OwnSection(Entries):
    """One section on sheets of its own.

    :param section: its place in the book, from 1; the last where there are not so many.
    :param programme: how its sheets are folded; half of the main sheet where not given.
    :param paper: what it is called, ``thickness`` of a leaf of it; as the text's own where not given.
    :param grain: the side of its unfolded sheets the grain runs along.
    """

    section: Annotated[int, Field(ge=1, le=2000, title="{Signature}")] = 1
    programme: Annotated[str, Field(max_length=LONGEST, title="Folds"), OneLine] = ""
    sheets: Annotated[int, Field(ge=1, le=40, title="Sheets")] = 1
    paper: Annotated[Name, Field(title="Its paper")] = ""
    thickness: Annotated[Thin | None, Field(title="A leaf, thick")] = None
    grain: Annotated[
        Literal["unsaid", "width", "height"],
        Field(title="Grain along the sheet's"),
        Entry(options={"unsaid": "not looked at", "width": "width", "height": "height"}),
    ] = "unsaid"


class OwnSections(Entries):
    """Sections that are not of the main sheet.

    :param remainder: what is left over at the end stands on a half sheet, where it goes on one.
    """

    sections: Annotated[tuple[OwnSection, ...], Field(max_length=60, title="{Signatures} of their own")] = ()
    remainder: Annotated[bool, Field(title="half sheet for the remainder")] = True
