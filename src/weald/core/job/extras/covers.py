"""Covers put together otherwise.

Joined by a strip, with old panels, bevelled, out of a skin by its outline.
"""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.entries import Entries, Length, Size
from weald.core.job.entry import Entry


class JoinedByStrip(Entries):
    """Boards and spine joined by a strip before they are covered.

    :param counted: whether the overlap is counted from the spine board, joint and all, or on the board alone.
    """

    overlap: Annotated[Length, Field(ge=5, le=200, title="Overlap")] = 30.0
    counted: Annotated[
        Literal["board", "spine"],
        Field(title="Counted from"),
        Entry(options={"board": "the board's edge", "spine": "the spine board"}),
    ] = "board"


class OldPanel(Entries):
    """An old cover, or any panel, let into a board.

    :param head: from the board's head to it, ``fore_edge`` from its fore-edge; in the middle where not given.
    """

    side: Annotated[
        Literal["front", "back"], Field(title="Board"), Entry(options={"front": "front", "back": "back"})
    ] = "front"
    width: Annotated[Size, Field(title="Wide")] = 100.0
    height: Annotated[Size, Field(title="High")] = 150.0
    thickness: Annotated[Length, Field(gt=0, le=12, title="Thick")] = 1.0
    head: Annotated[Length | None, Field(ge=0, le=2000, title="From the head")] = None
    fore_edge: Annotated[Length | None, Field(ge=0, le=2000, title="From the fore-edge")] = None


class OldPanels(Entries):
    """Old panels in a recess: a layer of card of their thickness round them, on both boards.

    :param ease: so much larger the window is on every side, for the covering turned into it.
    """

    panels: Annotated[tuple[OldPanel, ...], Field(max_length=2, title="Panels")] = ()
    ease: Annotated[Length, Field(ge=0, le=10, title="Ease round each")] = 0.5


class Bevels(Entries):
    """Boards with bevelled edges, outside.

    :param wide: how far in from the edge the slope begins; ``deep`` how much of the board's edge it takes
    off.
    """

    wide: Annotated[Length, Field(gt=0, le=60, title="In from the edge")] = 6.0
    deep: Annotated[Length, Field(gt=0, le=12, title="Off the edge")] = 1.0
    edges: Annotated[
        Literal["three", "four"],
        Field(title="Edges"),
        Entry(options={"three": "head, tail, fore-edge", "four": "all four"}),
    ] = "three"


class SkinPoint(Entries):
    """One point of a skin's outline, from a corner of the bench: along it, and away from it."""

    along: Annotated[Length, Field(ge=0, le=3000, title="Along")] = 0.0
    away: Annotated[Length, Field(ge=0, le=3000, title="Away")] = 0.0


class SkinOutline(Entries):
    """A skin by its outline: points measured one after the other, right round.

    :param pieced: pieces too large for it may be made of two, pared where they overlap by ``overlap``.
    """

    points: Annotated[tuple[SkinPoint, ...], Field(max_length=60, title="Points, right round")] = ()
    apart: Annotated[Length, Field(ge=0, le=30, title="Between pieces")] = 3.0
    pieced: Annotated[bool, Field(title="may be pieced")] = False
    overlap: Annotated[Length, Field(ge=3, le=60, title="Pared overlap")] = 12.0
