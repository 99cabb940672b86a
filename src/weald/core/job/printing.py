"""What is printed, on which printer, and by whose rules: sheets of the text, and covers."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.forme.layout import Flip, PileFace, Work
from weald.core.forme.page import Placing
from weald.core.job.asking import Asking
from weald.core.job.entries import Allowance, Entries, Length, Name, OneLine, Shift, Size, Thin
from weald.core.job.entry import Entry

FACE_WORDS: dict[PileFace, str] = {"face_down": "face down", "face_up": "face up"}
SignatureMarks = Literal["letters", "numbers", "none"]


class PrintedSheet(Entries):
    """The sheet as it goes into the printer."""

    width: Annotated[Size, Field(title="Width of the sheet")]
    height: Annotated[Size, Field(title="Height of the sheet")]


class Repeat(Entries):
    """How often the unfolded sheet stands on the printed one, to be cut apart."""

    columns: Annotated[
        int, Field(ge=1, le=12, title="Copies side by side on a sheet"), Entry("printed_sheet", "Across")
    ] = 1
    rows: Annotated[
        int, Field(ge=1, le=12, title="Copies above one another on a sheet"), Entry("printed_sheet", "Down")
    ] = 1


class Printer(Entries):
    """What a printer can do.

    :param largest: the largest sheet it takes, lying either way; no limit when not given.
    :param flips: the edges it turns sheets on by itself; ``none`` is turned by hand.
    :param stacks: how printed sheets come to lie; ``feeds``: which side of a sheet in its tray it
        prints.
    :param back_right: how far its backs were found to stand too far to the right, ``back_down`` too low.
    """

    name: Annotated[Name, Field(title="Printer")] = ""
    largest: Annotated[PrintedSheet | None, Field(title="Largest sheet the printer takes")] = None
    unprintable: Annotated[Allowance, Field(title="Printer leaves free")] = 0.0
    flips: Annotated[
        Literal["both", "long", "short", "none"],
        Field(title="Printer turns sheets on"),
        Entry(
            options={
                "both": "either edge",
                "long": "the long edge only",
                "short": "the short edge only",
                "none": "no edge: by hand",
            }
        ),
    ] = "both"
    stacks: Annotated[PileFace, Field(title="Printer stacks sheets"), Entry(options=FACE_WORDS)] = "face_down"
    feeds: Annotated[PileFace, Field(title="Printer prints the side"), Entry(options=FACE_WORDS)] = (
        "face_down"
    )
    back_right: Annotated[Shift, Field(title="Backs stand to the right by")] = 0.0
    back_down: Annotated[Shift, Field(title="Backs stand lower by")] = 0.0


class Printing(Entries):
    """How both sides of a sheet are printed.

    Without ``sheet`` the printed sheet is the unfolded one, as often as ``repeat`` says. ``flip`` is
    the edge the printer turns the sheet on.
    """

    flip: Annotated[
        Flip,
        Field(title="Sheets turned on the edge that is"),
        Entry(
            "printer",
            "Turns on the",
            options={"short": "short edge", "long": "long edge"},
            asked=lambda asking: asking.spec.printing.printer.flips != "none",
            told=True,
        ),
    ] = "short"
    work: Annotated[
        Work,
        Field(title="Printed"),
        Entry(
            "printed_sheet",
            options={"sheetwise": "sheetwise", "turn": "work-and-turn", "tumble": "work-and-tumble"},
            told=True,
        ),
    ] = "sheetwise"
    sheet: Annotated[PrintedSheet | None, Field(title="Printed sheet")] = None
    repeat: Repeat = Repeat()
    printer: Printer = Printer()
    bleed: Annotated[
        Length, Field(ge=0, le=20, title="Bleed of the pages"), Entry("marks", "Bleed", part="printed.width")
    ] = 0.0
    signature_marks: Annotated[
        SignatureMarks,
        Field(title="{Signature} marks"),
        Entry(
            "marks",
            "Signature marks",
            options={"letters": "letters", "numbers": "numbers", "none": "none"},
            part="collation",
            told=True,
        ),
    ] = "letters"
    marks: Annotated[bool, Field(title="Marks"), Entry("marks", "Print marks")] = True
    creep_shift: Annotated[
        bool, Field(title="Creep made up for"), Entry("marks", "Shift for creep", part="sections.creep")
    ] = True


class CoverRules(Entries):
    """What whoever prints a cover asks for: their own sheet of rules, kept as a profile.

    :param leaf: thickness they reckon a leaf of their paper with.
    :param least_spine: the narrowest spine they letter; ``barcode`` whether one has to stand on the back.
    """

    name: Annotated[Name, Field(title="Whose rules"), Entry("cover_rules")] = ""
    least_pages: Annotated[int, Field(ge=1, le=20000, title="Pages from"), Entry("cover_rules")] = 1
    most_pages: Annotated[int, Field(ge=1, le=20000, title="Pages to"), Entry("cover_rules", "to")] = 20000
    leaf: Annotated[Thin | None, Field(title="Thickness of a leaf"), Entry("cover_rules")] = None
    wrap: Annotated[Allowance | None, Field(title="Wrap"), Entry("cover_rules")] = None
    bleed: Annotated[
        Annotated[Length, Field(ge=0, le=30)] | None, Field(title="Bleed"), Entry("cover_rules")
    ] = None
    least_spine: Annotated[Allowance, Field(title="Lettered spine from"), Entry("cover_rules")] = 6.0
    barcode: Annotated[bool, Field(title="Barcode asked for"), Entry("cover_rules", "barcode asked for")] = (
        False
    )


def _printed(asking: Asking) -> bool:
    return asking.printed


class Artwork(Entries):
    """What is printed on the cover.

    ``file`` names the uploaded artwork by the digest of its content; ``width`` and ``height`` are its size,
    ``pixels`` how many a picture is across.

    :param safe: what lettering keeps clear of every edge; ``spine_safe`` of the spine's.
    :param lettering: whether what stands on the spine is printed too; not where the artwork has its own.
    :param sheet: what it is printed on.
    """

    file: Annotated[Annotated[str, Field(pattern="^[0-9a-f]{64}$")] | None, Field(title="Artwork")] = None
    width: Annotated[Size | None, Field(title="Artwork’s width")] = None
    height: Annotated[Size | None, Field(title="Artwork’s height")] = None
    pixels: Annotated[Annotated[int, Field(ge=1, le=200000)] | None, Field(title="Artwork’s pixels")] = None
    placing: Annotated[
        Placing,
        Field(title="Artwork placed"),
        Entry(
            "artwork",
            "Placed",
            options={"as_is": "as it is", "fit": "fitted in", "fill": "filling the document"},
            asked=lambda asking: asking.printed and asking.spec.artwork.file is not None,
        ),
    ] = "as_is"
    bleed: Annotated[
        Length,
        Field(ge=0, le=30, title="Bleed"),
        Entry("document", asked=_printed, part="art.width art.height", rule="Printed covers"),
    ] = 3.0
    safe: Annotated[
        Length,
        Field(ge=0, le=50, title="Keep clear of edges"),
        Entry("document", "Keep clear", asked=_printed, rule="Printed covers"),
    ] = 3.0
    spine_safe: Annotated[
        Length,
        Field(ge=0, le=20, title="Keep clear of the spine’s edges"),
        Entry("document", "of the spine's", asked=_printed),
    ] = 1.5
    barcode: Annotated[
        str, Field(max_length=30, title="Barcode"), OneLine, Entry("document", asked=_printed)
    ] = ""
    lettering: Annotated[
        bool,
        Field(title="Lettering printed"),
        Entry("document", "Print the spine's lettering", asked=_printed),
    ] = True
    sheet: Annotated[PrintedSheet | None, Field(title="Sheet the cover is printed on")] = None
    rules: Annotated[CoverRules | None, Field(title="Printer’s rules for covers")] = None
