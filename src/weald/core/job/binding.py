"""What was decided about the binding: boards, squares, joints, linings, bands, coverings."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.entries import (
    Entries,
    Length,
    Name,
    Size,
)
from weald.core.paper import calliper_from_bulk
from weald.core.units import Mm

LINING_BULK = 1.2
"""cm³/g of the smooth papers boards are lined with."""


class Squares(Entries):
    """How far the boards stand out beyond the block."""

    head: Annotated[Length, Field(ge=0, le=50, title="Square at the head")] = 3.0
    tail: Annotated[Length, Field(ge=0, le=50, title="Square at the tail")] = 3.0
    fore_edge: Annotated[Length, Field(ge=0, le=50, title="Square at the fore-edge")] = 4.0


class BoardLining(Entries):
    """What is glued on a board: on its inside or outside, or another board (``core``).

    Without ``thickness`` it is grammage × 1.2 / 1000, that of a smooth lining paper.
    """

    side: Literal["inside", "outside", "core"] = "inside"
    name: Name = ""
    grammage: Annotated[float, Field(gt=0, le=3000)] = 90.0
    thickness: Annotated[Length, Field(gt=0, le=12)] | None = None

    @property
    def effective(self) -> Mm:
        """What it adds to the board."""
        if self.thickness is not None:
            return self.thickness
        return calliper_from_bulk(self.grammage, LINING_BULK)


SpineRule = Literal["block", "flush", "flush_less_1", "block_plus_1_5"]
JointRule = Literal["by_board", "board_plus_6", "inset", "fixed"]
Covering = Literal["full", "quarter", "half", "fore_edge", "three_piece"]
StructureName = Literal[
    "saddle_stitch",
    "pamphlet_case",
    "flat_case",
    "strip_case",
    "rounded_case",
    "printed_case",
    "laced_card_case",
    "wrapper",
    "coverless_tapes",
    "link_stitch",
    "laced_boards",
    "lapped_cords",
    "split_boards",
    "rebound_paperback",
    "single_leaves",
    "long_stitch",
    "stab_sewn",
]


class Bands(Entries):
    """Bands across the spine of a leather binding; ``tail_more`` is how much taller the tail panel is."""

    count: Annotated[int, Field(ge=0, le=8, title="Bands")] = 5
    width: Annotated[Length, Field(gt=0, le=20, title="Bands’ width")] = 4.0
    tail_more: Annotated[Length, Field(ge=0, le=40, title="Tail panel taller by")] = 4.0


class OldCover(Entries):
    """The covers of a paperback that are kept: as they come off, before trimming."""

    width: Annotated[Size | None, Field(title="Old cover’s width")] = None
    height: Annotated[Size | None, Field(title="Old cover’s height")] = None
    spine: Annotated[Size | None, Field(title="Old spine’s width")] = None


class Binding(Entries):
    """The binding. ``groove`` is its depth as a part of the board: 1 well pressed, 0 not at all.

    :param cut_in_case: how much wider boards are cut, to be cut to size once offered up in the case.
    :param overlap: how far the spine piece of a quarter or half binding, or a joining strip, reaches on
        the boards; ``corner_leg`` and ``fore_edge_strip`` likewise at the corners and the fore-edge.
    :param sides_over: how far the sides lie over the pieces before them.
    :param material: of the cover, or of spine and corners; ``sides`` of the rest.
    :param paring: more leather in each direction, cut off once it is pared.
    :param tape_reach: how far tapes, slips or flanges reach on the boards or the covers.
    :param slit_step: from the slit on the joint to the next one in; ``slit_play`` beyond the tape's width.
    :param flaps: of a paper wrapper, folded in at the fore-edge.
    :param thin_board: of a split board, or laminated over frayed cords.
    :param stiffener: thickness of a card laid inside each side of a laced card case; none where not given.
    :param leaves: how single leaves are held.
    """

    structure: Annotated[StructureName, Field(title="Binding")] = "flat_case"
    board: Annotated[Length, Field(ge=0.3, le=12, title="Board")] = 2.0
    board_name: Annotated[Name, Field(title="Board")] = ""
    linings: Annotated[tuple[BoardLining, ...], Field(max_length=6, title="Board linings")] = ()
    cut_in_case: Annotated[Length, Field(ge=0, le=50, title="Boards cut wider by")] = 0.0
    spine_board: Annotated[Annotated[Length, Field(ge=0.3, le=12)] | None, Field(title="Spine board")] = None
    cover_name: Annotated[Name, Field(title="Cover stuff")] = ""
    cover_thickness: Annotated[Length, Field(gt=0, le=4, title="Cover stuff’s thickness")] = 0.3
    squares: Squares = Squares()
    spine_rule: Annotated[SpineRule, Field(title="Spine board width")] = "flush"
    joint_rule: Annotated[JointRule, Field(title="Joint")] = "by_board"
    joint: Annotated[
        Annotated[Length, Field(gt=0, le=60)] | None, Field(title="Joint, a width of one’s own")
    ] = None
    inset: Annotated[Annotated[Length, Field(ge=0, le=60)] | None, Field(title="Inset wanted")] = None
    groove: Annotated[float, Field(ge=0, le=1, title="Groove, 0 to 1")] = 1.0
    covering: Annotated[Covering, Field(title="Covered")] = "full"
    material: Annotated[Literal["cloth", "leather", "paper"], Field(title="Covered in")] = "cloth"
    sides: Annotated[Literal["cloth", "paper"], Field(title="Sides covered in")] = "paper"
    turn_in: Annotated[Length, Field(gt=0, le=80, title="Turn-in")] = 18.0
    corner_factor: Annotated[float, Field(ge=1, le=1.5, title="Corners, in boards")] = 1.5
    overlap: Annotated[Length, Field(ge=0, le=200, title="Overlap on the boards")] = 30.0
    corner_leg: Annotated[Annotated[Length, Field(gt=0, le=400)] | None, Field(title="Corners’ leg")] = None
    fore_edge_strip: Annotated[Length, Field(gt=0, le=200, title="Fore-edge strips’ width")] = 25.0
    sides_over: Annotated[Length, Field(ge=0, le=10, title="Sides lie over by")] = 2.0
    paring: Annotated[Length, Field(ge=0, le=60, title="Leather for paring")] = 15.0
    bands: Bands = Bands()
    tape_reach: Annotated[Length, Field(ge=5, le=100, title="Supports reach on the boards")] = 30.0
    slit_step: Annotated[Length, Field(ge=1, le=30, title="From slit to slit")] = 5.0
    slit_play: Annotated[Length, Field(ge=0, le=5, title="Slits longer than the support by")] = 1.0
    flaps: Annotated[Length, Field(ge=0, le=300, title="Flaps")] = 0.0
    french_joint: Annotated[Length, Field(ge=0, le=12, title="French joint")] = 0.0
    thin_board: Annotated[Length, Field(ge=0.3, le=6, title="Thin board")] = 1.0
    stiffener: Annotated[Annotated[Length, Field(ge=0.1, le=3)] | None, Field(title="Stiffener")] = None
    old_cover: OldCover = OldCover()
    leaves: Annotated[Literal["glued", "drum"], Field(title="Leaves held by")] = "glued"
