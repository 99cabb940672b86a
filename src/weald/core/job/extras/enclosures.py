"""Round the finished book: jacket, slipcase, box."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.entries import Allowance, Entries, Length, Size, Thin
from weald.core.job.entry import Entry

Beside = Annotated[Length, Field(ge=0, le=2000)]


class Jacket(Entries):
    """A paper jacket round the closed book.

    :param flap: part of the board's width a flap reaches; ``flap_width`` where a width is wanted instead.
    :param lower: how much lower than the boards it is.
    :param safe: what lettering keeps clear of every fold and edge.
    """

    flap: Annotated[float, Field(ge=0.2, le=1, title="Flap, of the board")] = 0.6
    flap_width: Annotated[Size | None, Field(title="Flap, own width")] = None
    lower: Annotated[Length, Field(ge=0, le=20, title="Lower by")] = 1.0
    thickness: Annotated[Thin, Field(title="Its paper")] = 0.15
    bleed: Annotated[Length, Field(ge=0, le=30, title="Bleed")] = 3.0
    safe: Annotated[Allowance, Field(title="Safe margin")] = 5.0


class Slipcase(Entries):
    """A case open at one side, into which the book is pushed fore-edge first.

    :param ease: free on every side of the book; one and a half times the covering where not given.
    :param beside: other volumes in the same case, as thick as they are together.
    :param thumb: radius of the half circles cut out at the opening; none at 0.
    """

    board: Annotated[Length, Field(ge=0.5, le=12, title="Board")] = 2.0
    ease: Annotated[Length | None, Field(ge=0, le=20, title="Ease on every side")] = None
    beside: Annotated[Beside, Field(title="Other volumes, thick")] = 0.0
    cover: Annotated[Length, Field(ge=0.05, le=3, title="Its covering")] = 0.3
    lining: Annotated[Length, Field(ge=0, le=3, title="Lining inside")] = 0.0
    turn_in: Annotated[Length, Field(ge=5, le=60, title="Turn-in at the opening")] = 15.0
    thumb: Annotated[Length, Field(ge=0, le=40, title="Thumb cut, radius")] = 0.0


class Box(Entries):
    """A box of boards: a tray with a lid over it, or two trays in a case that falls open.

    :param beside: other volumes in the same box, as thick as they are together.
    :param lid: how far the lid comes down the tray; all the way where not given.
    :param square: how far the case of two trays stands out beyond them.
    :param thumb: radius of the half circles to take hold of the book, or of the tray in its lid; none at 0.
    """

    kind: Annotated[
        Literal["lid", "two_trays"],
        Field(title="Kind"),
        Entry(options={"two_trays": "two trays in a case", "lid": "a tray with a lid"}),
    ] = "two_trays"
    board: Annotated[Length, Field(ge=0.5, le=12, title="Board")] = 2.0
    ease: Annotated[Length | None, Field(ge=0, le=20, title="Ease on every side")] = None
    beside: Annotated[Beside, Field(title="Other volumes, thick")] = 0.0
    cover: Annotated[Length, Field(ge=0.05, le=3, title="Its covering")] = 0.3
    lining: Annotated[Length, Field(ge=0, le=3, title="Lining inside")] = 0.0
    lid: Annotated[Size | None, Field(title="Lid comes down")] = None
    square: Annotated[Length, Field(ge=0, le=20, title="Case beyond the trays")] = 3.0
    turn_in: Annotated[Length, Field(ge=5, le=60, title="Turn-in")] = 15.0
    thumb: Annotated[Length, Field(ge=0, le=40, title="Thumb cut, radius")] = 0.0
