"""Editions printed by somebody else, each by the printer's own rules."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.entries import Allowance, Entries, Length, Name, OneLine, Size
from weald.core.job.entry import Entry


class Edition(Entries):
    """One edition at one printer.

    :param page: what a page of their paper adds to the spine; ``spine_more`` what their cover adds.
    :param spine: the spine as their table or calculator has it, where it is not by the formula.
    :param multiple: page counts are made up to a multiple; ``added`` leaves of their own at the end.
    :param hinge, wrap, beyond: of a hardback: its joint, what goes round the boards, boards beyond the leaf.
    :param document_width: the whole document as they ask for it, where they say; ``document_height``
    likewise.
    :param board: how thick the boards of a hardback are.
    :param base, per_page: their price; ``gsm`` of their paper and ``cover_gsm`` of their cover, for the post.
    """

    name: Annotated[Name, Field(title="Edition")] = "paperback"
    kind: Annotated[
        Literal["paperback", "hardback"],
        Field(title="Kind"),
        Entry(options={"paperback": "paperback", "hardback": "hardback"}),
    ] = "paperback"
    identifier: Annotated[str, Field(max_length=30, title="Identifier"), OneLine] = ""
    page: Annotated[Length, Field(gt=0, le=1, title="A page, thick")] = 0.0635
    spine_more: Annotated[Allowance, Field(title="Spine, more")] = 0.5
    spine: Annotated[Size | None, Field(title="Spine, by table")] = None
    least: Annotated[int, Field(ge=1, le=20000, title="Least pages")] = 24
    most: Annotated[int, Field(ge=1, le=20000, title="Most pages")] = 800
    multiple: Annotated[int, Field(ge=1, le=64, title="Pages in multiples of")] = 2
    added: Annotated[int, Field(ge=0, le=16, title="Leaves they add")] = 1
    bleed: Annotated[Allowance, Field(title="Bleed")] = 3.0
    safe: Annotated[Allowance, Field(title="Safe margin")] = 6.0
    hinge: Annotated[Allowance, Field(title="Hinge")] = 0.0
    wrap: Annotated[Allowance, Field(title="Wrap")] = 0.0
    beyond: Annotated[Allowance, Field(title="Boards beyond")] = 0.0
    board: Annotated[Length, Field(gt=0, le=6, title="Boards, thick")] = 2.5
    wrap_colour: Annotated[Name, Field(title="Colour of the wraps")] = ""
    document_width: Annotated[Size | None, Field(title="Their document, wide")] = None
    document_height: Annotated[Size | None, Field(title="Their document, high")] = None
    barcode_edge: Annotated[Allowance, Field(title="Barcode from the spine")] = 8.0
    barcode_foot: Annotated[Allowance, Field(title="Barcode from the foot")] = 8.0
    base: Annotated[float, Field(ge=0, le=100000, title="Price, once")] = 0.0
    per_page: Annotated[float, Field(ge=0, le=1000, title="Price a page")] = 0.0
    gsm: Annotated[float, Field(gt=0, le=1000, title="Paper, g/m²")] = 90.0
    cover_gsm: Annotated[float, Field(gt=0, le=3000, title="Cover, g/m²")] = 250.0


class Elsewhere(Entries):
    """Editions printed elsewhere, side by side."""

    editions: Annotated[tuple[Edition, ...], Field(max_length=6, title="Editions")] = ()
