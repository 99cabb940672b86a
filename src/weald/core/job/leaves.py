"""The text and the leaves it is printed or written on, as a job says them."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from weald.core.folding.makeup import BlankPlace
from weald.core.forme.page import Anchor, Filler, Placing
from weald.core.job.entries import Allowance, Entries, Length, Name, PageList, Size, Thin
from weald.core.job.entry import Entry, Usual
from weald.core.paper import GRADE_WORDS, Grade, SheetGrain

PaperKnownBy = Literal["grammage", "basis", "leaf", "stack"]


class RulingMargins(Entries):
    """What stays free of a ruling at each edge of the trimmed page."""

    head: Annotated[
        Allowance, Field(title="Ruling’s margin at the head"), Entry("ruling", "Free at the head")
    ] = 15.0
    tail: Annotated[Allowance, Field(title="Ruling’s margin at the tail"), Entry("ruling", "At the tail")] = (
        15.0
    )
    spine: Annotated[
        Allowance, Field(title="Ruling’s margin at the spine"), Entry("ruling", "At the spine")
    ] = 15.0
    fore_edge: Annotated[
        Allowance, Field(title="Ruling’s margin at the fore-edge"), Entry("ruling", "At the fore-edge")
    ] = 10.0


class Ruling(Entries):
    """How a ruled page is ruled. ``pitch`` is from line to line; of staves, from stave line to stave line."""

    pitch: Annotated[
        Length, Field(ge=1, le=100, title="Ruled every"), Entry("ruling", "From line to line")
    ] = 5.0
    line: Annotated[
        Length, Field(ge=0.02, le=2, title="Thickness of ruled lines"), Entry("ruling", "Line, thick")
    ] = 0.15
    colour: Annotated[
        str, Field(pattern="^#[0-9a-fA-F]{6}$", title="Colour of ruled lines"), Entry("ruling", "Colour")
    ] = "#8a8f98"
    margins: RulingMargins = RulingMargins()


class PageSize(Entries):
    """The size most pages of the uploaded text have."""

    width: Annotated[Size, Field(title="Width of the text’s pages")]
    height: Annotated[Size, Field(title="Height of the text’s pages")]


class Text(Entries):
    """The pages to be bound. A blank book has leaves to write on instead of printed pages.

    ``filler`` is what stands on those leaves, or on the pages left over after a printed text.
    ``spreads`` lists the left-hand pages of pictures across two pages: ``24, 60``. ``file`` names the
    uploaded text by the digest of its content; ``file_pages`` and ``page`` are how many pages it has,
    and how large most of them are.
    """

    blank_book: Annotated[bool, Field(title="Blank book"), Entry("text")] = False
    pages: Annotated[int, Field(ge=1, le=20000, title="Pages"), Entry("text", part="text.pages")] = 128
    blanks: Annotated[
        BlankPlace,
        Field(title="Blank pages at"),
        Entry(
            "text",
            "Blanks",
            options={"end": "at the end", "front": "at the front", "both": "at both ends"},
            asked=lambda asking: not asking.spec.text.blank_book,
            part="text.blanks",
        ),
    ] = "end"
    filler: Annotated[
        Filler,
        Field(title="Leaves to write on"),
        Entry(
            "text",
            lambda asking: "On the leaves" if asking.spec.text.blank_book else "On the blanks",
            options={
                "plain": "nothing",
                "ruled": "lines",
                "dots": "dots",
                "squares": "squares",
                "staves": "staves",
            },
        ),
    ] = "plain"
    ruling: Ruling = Ruling()
    spreads: Annotated[
        PageList,
        Field(title="Pictures across two pages"),
        Entry("spreads", "Pictures across pages, as 24, 60"),
    ] = ""
    file: Annotated[
        Annotated[str, Field(pattern="^[0-9a-f]{64}$")] | None,
        Field(title="Text"),
        Entry(said="brought as a PDF"),
    ] = None
    file_pages: Annotated[Annotated[int, Field(ge=1, le=20000)] | None, Field(title="Pages of the file")] = (
        None
    )
    page: Annotated[PageSize | None, Field(title="Page size of the file")] = None
    placing: Annotated[
        Placing,
        Field(title="Pages placed"),
        Entry(
            "file_pages",
            "Printed",
            options={"as_is": "as they are", "fit": "scaled to fit", "fill": "scaled to fill"},
            asked=lambda asking: asking.spec.text.file is not None and not asking.spec.text.blank_book,
            part="text.scale",
        ),
    ] = "as_is"
    anchor: Annotated[
        Anchor,
        Field(title="Pages placed from"),
        Entry(
            "file_pages",
            "Lined up on",
            options={
                "middle": "the middle",
                "head": "head",
                "tail": "tail",
                "spine": "spine",
                "fore_edge": "fore-edge",
                "head_spine": "head and spine",
                "head_fore_edge": "head and fore-edge",
                "tail_spine": "tail and spine",
                "tail_fore_edge": "tail and fore-edge",
            },
            asked=lambda asking: asking.spec.text.file is not None and not asking.spec.text.blank_book,
        ),
    ] = "middle"


class Trim(Entries):
    """What is cut off the folded section at each edge."""

    by_thumb: ClassVar[bool] = True

    head: Annotated[
        Allowance,
        Field(title="Trim at the head"),
        Entry("trim", "Head", usual=Usual("A trim at the head", 0, 25)),
    ] = 3.0
    tail: Annotated[
        Allowance,
        Field(title="Trim at the tail"),
        Entry("trim", "Tail", usual=Usual("A trim at the tail", 0, 25)),
    ] = 3.0
    fore_edge: Annotated[
        Allowance,
        Field(title="Trim at the fore-edge"),
        Entry("trim", "Fore-edge", usual=Usual("A trim at the fore-edge", 0, 25)),
    ] = 4.0


class Leaf(Entries):
    """The finished page, after trimming."""

    width: Annotated[
        Size,
        Field(title="Page width"),
        Entry("leaf", "Width", part="block.width", usual=Usual("A leaf", 40, 1000)),
    ] = 140.0
    height: Annotated[
        Size,
        Field(title="Page height"),
        Entry("leaf", "Height", part="block.height", usual=Usual("A leaf", 40, 1000)),
    ] = 210.0
    trim: Trim = Trim()


class BasisWeight(Entries):
    """Pounds per 500 sheets of the basic size of one grade."""

    pounds: Annotated[
        float,
        Field(gt=0, le=1000, title="Paper, pounds"),
        Entry(
            "paper",
            "Pounds",
            step=0.5,
            part="paper.grammage",
            asked=lambda asking: asking.spec.paper.basis is not None,
        ),
    ]
    grade: Annotated[
        Grade,
        Field(title="Paper’s grade"),
        Entry(
            "paper",
            "of the grade",
            options=GRADE_WORDS,
            asked=lambda asking: asking.spec.paper.basis is not None,
        ),
    ]


class Stack(Entries):
    """So many leaves, pressed and measured together."""

    leaves: Annotated[
        int,
        Field(ge=1, le=10000, title="Leaves in the stack measured"),
        Entry("paper", "Leaves", asked=lambda asking: asking.spec.paper.known_by == "stack"),
    ]
    thickness: Annotated[
        Length,
        Field(gt=0, le=1000, title="Thickness of the stack measured"),
        Entry(
            "paper",
            "Thickness",
            part="paper.calliper",
            asked=lambda asking: asking.spec.paper.known_by == "stack",
        ),
    ]


class StockSheet(Entries):
    """A sheet as it lies: the grain runs along its width or its height."""

    width: Annotated[
        Size, Field(title="Sheet width"), Entry("stock_sheet", "Width", part="stock.per_sheet")
    ] = 450.0
    height: Annotated[
        Size, Field(title="Sheet height"), Entry("stock_sheet", "Height", part="stock.per_sheet")
    ] = 320.0
    grain: Annotated[
        SheetGrain,
        Field(title="Grain of the sheet along its"),
        Entry("stock_sheet", "Grain", options={"width": "width", "height": "height"}),
    ] = "width"


class Paper(Entries):
    """The paper of the text.

    Grammage comes from ``basis`` where that is given. Thickness of a leaf comes from
    ``calliper``, else from ``stack``, else from grammage × bulk. A ``deckle`` edge is not trimmed at
    the fore-edge.
    """

    name: Annotated[Name, Field(title="Paper"), Entry("paper", "Name", told=True)] = ""
    deckle: Annotated[bool, Field(title="Deckle edge"), Entry("paper", "deckle edge")] = False
    basis: Annotated[BasisWeight | None, Field(title="Paper’s weight in pounds")] = None
    grammage: Annotated[
        float,
        Field(gt=0, le=1000, title="Paper, g/m²"),
        Entry("paper", "g/m²", part="paper.grammage", asked=lambda asking: asking.spec.paper.basis is None),
    ] = 90.0
    bulk: Annotated[
        float,
        Field(gt=0.3, le=4, title="Paper’s bulk"),
        Entry(
            "paper",
            "Bulk, cm³/g",
            step=0.05,
            part="paper.calliper",
            asked=lambda asking: asking.spec.paper.known_by in ("grammage", "basis"),
            usual=Usual("A bulk", 0.7, 2.5),
        ),
    ] = 1.3
    calliper: Annotated[
        Thin | None,
        Field(title="A leaf’s thickness"),
        Entry(
            "paper",
            "One leaf",
            part="paper.calliper",
            asked=lambda asking: asking.spec.paper.known_by == "leaf",
            given=True,
        ),
    ] = None
    stack: Annotated[Stack | None, Field(title="Stack measured")] = None
    sheet: StockSheet = StockSheet()
    spoilage: Annotated[
        float,
        Field(ge=0, le=100, title="Spoilage, %"),
        Entry("stock_sheet", "Spoilage %", part="stock.sheets", usual=Usual("Spoilage", 0, 30, "%")),
    ] = 5.0

    @property
    def known_by(self) -> PaperKnownBy:
        """What its thickness is known by."""
        if self.calliper is not None:
            return "leaf"
        if self.stack is not None:
            return "stack"
        return "grammage" if self.basis is None else "basis"
