"""A finished or an old book, measured: to be judged, and to be copied."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.block import MOST_SUPPORTS
from weald.core.job.entries import Entries, Length, Size
from weald.core.job.entry import Entry
from weald.core.job.extras.backs import BandMeasured
from weald.core.job.extras.lettering import FinishingText, Wide
from weald.core.job.extras.sewn import SupportPlace
from weald.core.job.finish import DIRECTION_WORDS, Direction

Seen = Annotated[Length | None, Field(ge=0, le=200)]
Sound = Literal["unlooked", "sound", "worn", "broken"]
SOUND_WORDS: dict[Sound, str] = {
    "unlooked": "not looked at",
    "sound": "sound",
    "worn": "worn",
    "broken": "broken",
}


class Judged(Entries):
    """A finished book as it was measured and looked at; what is left open is not judged.

    :param lean: how far the fore-edge stands off upright at the head, the book standing on its tail.
    :param warp: the most a board stands off a straight edge laid across it.
    :param thick_spine, thick_fore_edge: of the closed book beside the joint and at the fore-edge.
    """

    head_front: Annotated[Seen, Field(title="Square, head, front")] = None
    head_back: Annotated[Seen, Field(title="Square, head, back")] = None
    tail_front: Annotated[Seen, Field(title="Square, tail, front")] = None
    tail_back: Annotated[Seen, Field(title="Square, tail, back")] = None
    fore_edge_head: Annotated[Seen, Field(title="Fore-edge square, at the head")] = None
    fore_edge_tail: Annotated[Seen, Field(title="Fore-edge square, at the tail")] = None
    pastedown_least: Annotated[Seen, Field(title="Paste-down margin, least")] = None
    pastedown_most: Annotated[Seen, Field(title="Paste-down margin, most")] = None
    thick_spine: Annotated[Seen, Field(title="Thick, beside the joint")] = None
    thick_fore_edge: Annotated[Seen, Field(title="Thick, at the fore-edge")] = None
    warp: Annotated[Seen, Field(title="Warp of a board")] = None
    lean: Annotated[Seen, Field(title="Leans, standing")] = None
    lettering_off: Annotated[Seen, Field(title="Lettering off the middle")] = None
    joints: Annotated[Sound, Field(title="Joints"), Entry(options=SOUND_WORDS)] = "unlooked"
    sewing: Annotated[Sound, Field(title="Sewing"), Entry(options=SOUND_WORDS)] = "unlooked"
    covering: Annotated[Sound, Field(title="Covering"), Entry(options=SOUND_WORDS)] = "unlooked"
    paper: Annotated[Sound, Field(title="Paper, a corner bent twice"), Entry(options=SOUND_WORDS)] = (
        "unlooked"
    )


class OldLine(Entries):
    """A line of lettering on the old spine.

    :param place: of its middle, from the head of the boards; ``high`` its capitals, ``long`` from the first
        letter to the last.
    """

    text: Annotated[FinishingText, Field(title="Words")] = ""
    place: Annotated[Size, Field(title="Middle, from the head")] = 40.0
    high: Annotated[Wide, Field(title="Capitals high")] = 4.0
    long: Annotated[Size | None, Field(title="Line, long")] = None
    runs: Annotated[Direction, Field(title="Runs"), Entry(options=DIRECTION_WORDS)] = "across"


class CopiedBook(Entries):
    """An old book as measured, for a job that copies it.

    :param thickness: of the text block alone, pressed; ``bands_high`` how far its bands stand out.
    :param head: how far the boards stand out at the head, where head and tail are not alike.
    :param back_height: of the back board, where it is not like the front one; ``back_width`` likewise.
    :param inset: from the spine's edge, or the shoulder, to the board.
    """

    height: Annotated[Size, Field(title="Leaf, high")] = 210.0
    width: Annotated[Size, Field(title="Leaf, wide")] = 140.0
    thickness: Annotated[Size, Field(title="Block, thick")] = 25.0
    leaves: Annotated[int, Field(ge=1, le=10000, title="Leaves")] = 160
    sections: Annotated[int | None, Field(ge=1, le=2000, title="{Signatures}")] = None
    board_height: Annotated[Size, Field(title="Board, high")] = 216.0
    board_width: Annotated[Size, Field(title="Board, wide")] = 141.0
    head: Annotated[Length | None, Field(ge=0, le=60, title="Square at the head")] = None
    back_height: Annotated[Size | None, Field(title="Back board, high")] = None
    back_width: Annotated[Size | None, Field(title="Back board, wide")] = None
    board: Annotated[Length, Field(ge=0.3, le=12, title="Board, thick")] = 2.0
    inset: Annotated[Length | None, Field(ge=0, le=60, title="Board from the spine")] = None
    cover: Annotated[Length, Field(gt=0, le=4, title="Covering, thick")] = 0.3
    spine: Annotated[Size | None, Field(title="Spine, across")] = None
    kettle_head: Annotated[Size | None, Field(title="Kettle at the head")] = None
    kettle_tail: Annotated[Size | None, Field(title="Kettle at the tail")] = None
    supports: Annotated[tuple[SupportPlace, ...], Field(max_length=MOST_SUPPORTS, title="Supports")] = ()
    bands_high: Annotated[Length | None, Field(ge=0, le=20, title="Bands stand out")] = None
    bands: Annotated[tuple[BandMeasured, ...], Field(max_length=12, title="Bands")] = ()
    lettering: Annotated[tuple[OldLine, ...], Field(max_length=20, title="Lettering")] = ()
