"""What is printed, on which printer, and by whose rules: sheets of the text, and covers."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.forme.layout import Flip, PileFace, Work
from weald.core.forme.page import Placing
from weald.core.job.entries import Allowance, Entries, Length, Name, OneLine, Shift, Size, Thin


class PrintedSheet(Entries):
    """The sheet as it goes into the printer."""

    width: Size
    height: Size


class Repeat(Entries):
    """How often the unfolded sheet stands on the printed one, to be cut apart."""

    columns: Annotated[int, Field(ge=1, le=12)] = 1
    rows: Annotated[int, Field(ge=1, le=12)] = 1


class Printer(Entries):
    """What a printer can do.

    :param largest: the largest sheet it takes, lying either way; no limit when not given.
    :param flips: the edges it turns sheets on by itself; ``none`` is turned by hand.
    :param stacks: how printed sheets come to lie; ``feeds``: which side of a sheet in its tray it
        prints.
    :param back_right: how far its backs were found to stand too far to the right, ``back_down`` too low.
    """

    name: Name = ""
    largest: PrintedSheet | None = None
    unprintable: Allowance = 0.0
    flips: Literal["both", "long", "short", "none"] = "both"
    stacks: PileFace = "face_down"
    feeds: PileFace = "face_down"
    back_right: Shift = 0.0
    back_down: Shift = 0.0


class Printing(Entries):
    """How both sides of a sheet are printed.

    Without ``sheet`` the printed sheet is the unfolded one, as often as ``repeat`` says. ``flip`` is
    the edge the printer turns the sheet on.
    """

    flip: Flip = "short"
    work: Work = "sheetwise"
    sheet: PrintedSheet | None = None
    repeat: Repeat = Repeat()
    printer: Printer = Printer()
    bleed: Annotated[Length, Field(ge=0, le=20)] = 0.0
    marks: bool = True
    signature_marks: Literal["letters", "numbers", "none"] = "letters"
    creep_shift: bool = True


class CoverRules(Entries):
    """What whoever prints a cover asks for: their own sheet of rules, kept as a profile.

    :param leaf: thickness they reckon a leaf of their paper with.
    :param least_spine: the narrowest spine they letter; ``barcode`` whether one has to stand on the back.
    """

    name: Name = ""
    least_pages: Annotated[int, Field(ge=1, le=20000)] = 1
    most_pages: Annotated[int, Field(ge=1, le=20000)] = 20000
    leaf: Thin | None = None
    wrap: Allowance | None = None
    bleed: Annotated[Length, Field(ge=0, le=30)] | None = None
    least_spine: Allowance = 6.0
    barcode: bool = False


class Artwork(Entries):
    """What is printed on the cover.

    ``file`` names the uploaded artwork by the digest of its content; ``width`` and ``height`` are its size,
    ``pixels`` how many a picture is across.

    :param safe: what lettering keeps clear of every edge; ``spine_safe`` of the spine's.
    :param lettering: whether what stands on the spine is printed too; not where the artwork has its own.
    :param sheet: what it is printed on.
    """

    bleed: Annotated[Length, Field(ge=0, le=30)] = 3.0
    safe: Annotated[Length, Field(ge=0, le=50)] = 3.0
    spine_safe: Annotated[Length, Field(ge=0, le=20)] = 1.5
    barcode: Annotated[str, Field(max_length=30), OneLine] = ""
    file: Annotated[str, Field(pattern="^[0-9a-f]{64}$")] | None = None
    width: Size | None = None
    height: Size | None = None
    pixels: Annotated[int, Field(ge=1, le=200000)] | None = None
    placing: Placing = "as_is"
    lettering: bool = True
    sheet: PrintedSheet | None = None
    rules: CoverRules | None = None
