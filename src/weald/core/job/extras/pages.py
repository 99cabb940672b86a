"""The pages of the text arranged, repeated, numbered; a booklet that is its own cover."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.entries import Entries, Length, PageList
from weald.core.job.entry import Entry


class ArrangedPages(Entries):
    """Where pages of the text come to stand.

    :param rectos: pages that begin on a right-hand page, a blank put in before them where it takes one: half
        titles, parts, maps that face nothing.
    :param blank_versos: pages whose back stays blank.
    :param versos: pages that stand on the left, to face the page after them: maps, plates.
    :param repeat: pages brought that are repeated in turn through the book, once ``keep`` pages have gone
    before.
    """

    rectos: Annotated[PageList, Field(title="Begin on the right: pages")] = ""
    versos: Annotated[PageList, Field(title="Stand on the left: pages")] = ""
    blank_versos: Annotated[PageList, Field(title="Back stays blank: pages")] = ""
    repeat: Annotated[PageList, Field(title="Repeated in turn: pages")] = ""
    keep: Annotated[int, Field(ge=0, le=20000, title="First pages as they are")] = 0


class PageNumbers(Entries):
    """Numbers printed when the text is imposed, for pages that have none.

    :param first: the page of the text that is numbered 1; those before it take roman numbers, or none.
    :param without: pages of the text that carry no number. Blanks never do.
    :param edge: from the trimmed edge to the number's middle; ``side`` from the fore-edge or the spine.
    """

    where: Annotated[
        Literal["foot", "head"], Field(title="At the"), Entry(options={"foot": "foot", "head": "head"})
    ] = "foot"
    side: Annotated[
        Literal["outside", "inside", "middle"],
        Field(title="Stands"),
        Entry(options={"outside": "outside", "inside": "inside", "middle": "in the middle"}),
    ] = "outside"
    capital: Annotated[Length, Field(ge=1, le=20, title="Figures high")] = 2.2
    edge: Annotated[Length, Field(ge=1, le=100, title="From the edge")] = 10.0
    aside: Annotated[Length, Field(ge=1, le=200, title="From the side")] = 15.0
    first: Annotated[int, Field(ge=1, le=20000, title="Page that is 1")] = 1
    before: Annotated[
        Literal["roman", "none"],
        Field(title="Before it"),
        Entry(options={"roman": "roman numbers", "none": "none"}),
    ] = "roman"
    without: Annotated[PageList, Field(title="Without a number: pages")] = ""


class SelfCover(Entries):
    """A booklet whose outermost leaf is its cover."""
