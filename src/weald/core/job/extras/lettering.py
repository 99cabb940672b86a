"""What is tooled or lettered on the finished book, with the tools and type there are."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.entries import Allowance, Entries, Length, Name, OneLine, Size
from weald.core.job.entry import Entry
from weald.core.job.finish import DIRECTION_WORDS, Direction

Wide = Annotated[Length, Field(ge=0.2, le=80)]
FinishingText = Annotated[str, Field(max_length=80), OneLine]


class FinishingTool(Entries):
    """A hand tool, roll or fillet as its impression measures.

    :param line: it is drawn along and makes a line; its width is then of no account.
    """

    name: Annotated[Name, Field(title="Tool")] = "flower"
    width: Annotated[Wide, Field(title="Wide")] = 6.0
    height: Annotated[Wide, Field(title="High")] = 6.0
    line: Annotated[bool, Field(title="Line")] = False


class FinishingType(Entries):
    """An alphabet of handle letters or type, by the widths of its letters as set.

    :param narrow: I, J, 1, full stops and the like; ``wide`` M, W and the like; ``usual`` all others.
    :param gap: between letters; ``space`` between words.
    """

    name: Annotated[Name, Field(title="Type")] = "capitals"
    capital: Annotated[Wide, Field(title="Capitals high")] = 4.0
    usual: Annotated[Wide, Field(title="Usual letter")] = 3.2
    narrow: Annotated[Wide, Field(title="I, J, 1")] = 1.6
    wide: Annotated[Wide, Field(title="M, W")] = 4.4
    gap: Annotated[Length, Field(ge=0, le=20, title="Between letters")] = 0.5
    space: Annotated[Length, Field(ge=0, le=40, title="Between words")] = 2.4


class PanelLine(Entries):
    """One line of what stands in a panel, from the top; or on the spine, where it was measured.

    :param panel: counted from the head, from 1.
    :param place: of its middle, from the head of the boards; without one, all lines of a panel stand in its
        middle.
    :param runs: across the spine; or along it, from head to tail or from tail to head.
    :param what: lettering, its words in ``text``; or a tool, so many times.
    :param by: the type or the tool, by its name; the first there is where not given.
    :param repeats: of a tool; as many as go where not given. ``gap`` between them.
    """

    panel: Annotated[int, Field(ge=1, le=12, title="Panel")] = 2
    place: Annotated[Size | None, Field(title="Middle, from the head")] = None
    what: Annotated[
        Literal["title", "author", "volume", "words", "tool", "line"],
        Field(title="What"),
        Entry(
            options={
                "title": "the title",
                "author": "the author",
                "volume": "the volume",
                "words": "other words",
                "tool": "a tool, repeated",
                "line": "a line across",
            }
        ),
    ] = "title"
    text: Annotated[FinishingText, Field(title="Words")] = ""
    by: Annotated[Name, Field(title="Type or tool")] = ""
    runs: Annotated[Direction, Field(title="Runs"), Entry(options=DIRECTION_WORDS)] = "across"
    repeats: Annotated[int | None, Field(ge=1, le=200, title="Repeats")] = None
    gap: Annotated[Length, Field(ge=0, le=60, title="Gap")] = 1.0


class BoardFrame(Entries):
    """A frame tooled on a board, at one distance from its edges and another from the joint."""

    side: Annotated[
        Literal["front", "back", "both"],
        Field(title="Board"),
        Entry(options={"both": "both boards", "front": "front", "back": "back"}),
    ] = "both"
    edges: Annotated[Allowance, Field(title="From the edges")] = 10.0
    joint: Annotated[Allowance, Field(title="From the joint")] = 12.0
    by: Annotated[Name, Field(title="Tool")] = ""
    gap: Annotated[Length, Field(ge=0, le=60, title="Least gap")] = 1.0


class PanelLabel(Entries):
    """A label pasted into a panel, and lettered there or before.

    :param less: how much smaller than its panel it is cut, in each direction.
    :param width: its own size, where it was measured; ``place`` its middle, from the head of the boards.
    """

    panel: Annotated[int, Field(ge=1, le=12, title="Panel")] = 2
    material: Annotated[
        Literal["leather", "paper"],
        Field(title="Of"),
        Entry(options={"leather": "leather", "paper": "paper"}),
    ] = "leather"
    less: Annotated[Length, Field(ge=0, le=20, title="Smaller than the panel")] = 1.5
    width: Annotated[Size | None, Field(title="Wide, as measured")] = None
    height: Annotated[Size | None, Field(title="High, as measured")] = None
    place: Annotated[Size | None, Field(title="Middle, from the head")] = None


class FrontLabel(Entries):
    """A label or a stamped design on the front board, by its size and place.

    :param joint: from the board's spine edge to it; in the middle where not given.
    """

    width: Annotated[Size, Field(title="Wide")] = 60.0
    height: Annotated[Size, Field(title="High")] = 40.0
    head: Annotated[Length, Field(ge=0, le=2000, title="From the head")] = 40.0
    joint: Annotated[Length | None, Field(ge=0, le=2000, title="From the spine edge")] = None
    material: Annotated[
        Literal["leather", "paper", "stamped"],
        Field(title="Of"),
        Entry(options={"paper": "paper", "leather": "leather", "stamped": "stamped"}),
    ] = "paper"


class Finishing(Entries):
    """The finishing template of a book.

    :param leading: between the lines of a panel. ``margin``: kept free at either edge of the spine.
    :param heat: heat and dwell as a trial found them, in words.
    """

    lines: Annotated[tuple[PanelLine, ...], Field(max_length=60, title="In the panels")] = ()
    labels: Annotated[tuple[PanelLabel, ...], Field(max_length=12, title="Labels on the spine")] = ()
    front: Annotated[tuple[FrontLabel, ...], Field(max_length=6, title="On the front board")] = ()
    frames: Annotated[tuple[BoardFrame, ...], Field(max_length=6, title="Frames on the boards")] = ()
    leading: Annotated[Length, Field(ge=0, le=60, title="Between lines")] = 2.0
    margin: Annotated[Length, Field(ge=0, le=30, title="Free at the spine's edges")] = 1.5
    heat: Annotated[str, Field(max_length=300, title="Heat and dwell, after a trial")] = ""
    tools: Annotated[tuple[FinishingTool, ...], Field(max_length=40, title="Tools owned")] = ()
    types: Annotated[tuple[FinishingType, ...], Field(max_length=20, title="Type owned")] = ()
