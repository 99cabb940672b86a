"""What is cut into the edges of the leaves."""

from typing import Annotated

from pydantic import Field

from weald.core.job.entries import Entries, Length, PageList


class ThumbCuts(Entries):
    """Thumb cuts in the fore-edge: half rounds in steps, each down to the page a part begins on.

    :param pages: pages of the text that parts begin on.
    :param wide: along the edge; ``deep`` into it. ``ends``: what stays whole at head and tail.
    :param column: cuts one below another, before the next begin at the head again; as many as go where not
        given.
    """

    pages: Annotated[PageList, Field(title="Down to pages")] = ""
    wide: Annotated[Length, Field(ge=4, le=60, title="Along the edge")] = 14.0
    deep: Annotated[Length, Field(ge=1, le=40, title="Into the leaf")] = 8.0
    ends: Annotated[Length, Field(ge=0, le=200, title="Whole at the ends")] = 10.0
    column: Annotated[int | None, Field(ge=1, le=40, title="In a column")] = None
