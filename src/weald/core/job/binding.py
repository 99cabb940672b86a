"""What was decided about the binding: boards, squares, joints, linings, bands, coverings."""

from typing import Annotated, ClassVar, Literal, get_args

from pydantic import Field

from weald.core.job.asking import Asking
from weald.core.job.entries import Entries, Length, Name, Size
from weald.core.job.entry import Asked, Entry, Gauged, Usual
from weald.core.materials import COVERS, CoverMaterial
from weald.core.paper import calliper_from_bulk
from weald.core.units import Mm

LINING_BULK = 1.2
"""cm³/g of the smooth papers boards are lined with."""


def _lists(path: str) -> Asked:
    """That the binding asks for an entry by its path, or by its group's."""
    return lambda asking: asking.lists(path)


def _covered(asking: Asking) -> bool:
    """Whether there is stuff to cover it with."""
    return asking.lists("binding.cover_name")


def _in_pieces(asking: Asking) -> bool:
    """Whether it is covered in several pieces."""
    return asking.covering in ("quarter", "half", "fore_edge")


class Squares(Entries):
    """How far the boards stand out beyond the block."""

    head: Annotated[
        Length,
        Field(ge=0, le=50, title="Square at the head"),
        Entry(
            "squares",
            "Head",
            asked=_lists("binding.squares"),
            part="squares.head closed.head",
            decides=("squares.head", "closed.head", "closed_back.head"),
            usual=Usual("A square at the head", 0, 12),
        ),
    ] = 3.0
    tail: Annotated[
        Length,
        Field(ge=0, le=50, title="Square at the tail"),
        Entry(
            "squares",
            "Tail",
            asked=_lists("binding.squares"),
            part="squares.tail closed.tail",
            decides=("squares.tail", "closed.tail", "closed_back.tail"),
            usual=Usual("A square at the tail", 0, 12),
        ),
    ] = 3.0
    fore_edge: Annotated[
        Length,
        Field(ge=0, le=50, title="Square at the fore-edge"),
        Entry(
            "squares",
            "Fore-edge",
            asked=_lists("binding.squares"),
            part="squares.fore_edge closed.fore_edge",
            decides=("squares.fore_edge", "closed.fore_edge", "closed_back.fore_edge"),
            usual=Usual("A square at the fore-edge", 0, 15),
        ),
    ] = 4.0


class BoardLining(Entries):
    """What is glued on a board: on its inside or outside, or another board (``core``).

    Without ``thickness`` it is grammage × 1.2 / 1000, that of a smooth lining paper.
    """

    side: Annotated[
        Literal["inside", "outside", "core"],
        Field(title="Side"),
        Entry(options={"inside": "lined inside", "outside": "lined outside", "core": "second board"}),
    ] = "inside"
    name: Annotated[Name, Field(title="Name")] = ""
    grammage: Annotated[float, Field(gt=0, le=3000, title="g/m²")] = 90.0
    thickness: Annotated[Annotated[Length, Field(gt=0, le=12)] | None, Field(title="Thickness")] = None

    @property
    def effective(self) -> Mm:
        """What it adds to the board."""
        if self.thickness is not None:
            return self.thickness
        return calliper_from_bulk(self.grammage, LINING_BULK)


SpineRule = Literal["block", "flush", "flush_less_1", "block_plus_1_5"]
SPINE_RULE_WORDS: dict[SpineRule, str] = {
    "block": "block",
    "block_plus_1_5": "block + 1½ boards",
    "flush_less_1": "block + 2 boards − {mm:1}",
    "flush": "block + 2 boards",
}
JointRule = Literal["by_board", "board_plus_6", "inset", "fixed"]
JOINT_RULE_WORDS: dict[JointRule, str] = {
    "by_board": "fixed by the board",
    "board_plus_6": "board + {mm:6}",
    "inset": "from the inset wanted",
    "fixed": "a width of one's own",
}
Covering = Literal["full", "quarter", "half", "fore_edge", "three_piece"]
COVERING_WORDS: dict[Covering, str] = {
    "full": "full",
    "quarter": "quarter",
    "half": "half, with corners",
    "fore_edge": "half, with fore-edge strips",
    "three_piece": "full, over boards joined by a strip",
}
SideMaterial = Literal["paper", "cloth"]
MATERIAL_WORDS = {material: record.title for material, record in COVERS.items()}
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

    count: Annotated[
        int,
        Field(ge=0, le=8, title="Bands"),
        Entry("bands", "How many", asked=_lists("binding.bands"), part="panel.each"),
    ] = 5
    width: Annotated[
        Length,
        Field(gt=0, le=20, title="Bands’ width"),
        Entry("bands", "Width", asked=_lists("binding.bands"), part="bands.take_up"),
    ] = 4.0
    tail_more: Annotated[
        Length,
        Field(ge=0, le=40, title="Tail panel taller by"),
        Entry("bands", "Tail panel more", asked=_lists("binding.bands"), part="panel.each"),
    ] = 4.0


class OldCover(Entries):
    """The covers of a paperback that are kept: as they come off, before trimming."""

    width: Annotated[
        Size | None,
        Field(title="Old cover’s width"),
        Entry("old_cover", "Width", asked=_lists("binding.old_cover"), part="panel.width"),
    ] = None
    height: Annotated[
        Size | None,
        Field(title="Old cover’s height"),
        Entry("old_cover", "Height", asked=_lists("binding.old_cover"), part="panel.height"),
    ] = None
    spine: Annotated[
        Size | None,
        Field(title="Old spine’s width"),
        Entry("old_cover", "Spine", asked=_lists("binding.old_cover"), part="panel.spine"),
    ] = None


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

    by_thumb: ClassVar[bool] = True

    structure: Annotated[StructureName, Field(title="Binding")] = "flat_case"
    board_name: Annotated[
        Name,
        Field(title="Board"),
        Entry("board", "Name", asked=_lists("binding.board"), part="board", told=True),
    ] = ""
    board: Annotated[
        Length,
        Field(ge=0.3, le=12, title="Board"),
        Entry("board", "Thickness", asked=_lists("binding.board"), part="board.thickness"),
    ] = 2.0
    spine_board: Annotated[
        Annotated[Length, Field(ge=0.3, le=12)] | None,
        Field(title="Spine board"),
        Entry(
            "board",
            asked=_lists("binding.spine_board"),
            left_open="as board",
            part="spine_board.thickness",
        ),
    ] = None
    thin_board: Annotated[
        Length,
        Field(ge=0.3, le=6, title="Thin board"),
        Entry("board", asked=_lists("binding.thin_board"), part="thin_board"),
    ] = 1.0
    cut_in_case: Annotated[
        Length,
        Field(ge=0, le=50, title="Boards cut wider by"),
        Entry(
            "board",
            "Cut wider by",
            asked=_lists("binding.cut_in_case"),
            part="board.width",
            usual=Usual("Boards cut wider by", 0, 20),
        ),
    ] = 0.0
    linings: Annotated[tuple[BoardLining, ...], Field(max_length=6, title="Board linings")] = ()
    squares: Squares = Squares()
    spine_rule: Annotated[
        SpineRule,
        Field(title="Spine board width"),
        Entry(
            "joint",
            "Spine width",
            options=SPINE_RULE_WORDS,
            asked=_lists("binding.spine_rule"),
            part="spine_board.width",
            rule="Boards",
        ),
    ] = "flush"
    joint_rule: Annotated[
        JointRule,
        Field(title="Joint"),
        Entry(
            "joint",
            options=JOINT_RULE_WORDS,
            asked=_lists("binding.joint_rule"),
            part="joint.gap",
            rule="Boards",
            told=True,
        ),
    ] = "by_board"
    inset: Annotated[
        Annotated[Length, Field(ge=0, le=60)] | None,
        Field(title="Inset wanted"),
        Entry(
            "joint",
            "Inset",
            asked=lambda asking: (
                asking.lists("binding.inset")
                or (asking.lists("binding.joint_rule") and asking.spec.binding.joint_rule == "inset")
            ),
            left_open="joint.inset",
            part="joint.inset",
            decides=("joint.inset", "closed.inset"),
            rule="Boards",
        ),
    ] = None
    joint: Annotated[
        Annotated[Length, Field(gt=0, le=60)] | None,
        Field(title="Joint, a width of one’s own"),
        Entry(
            "joint",
            "Gap",
            asked=lambda asking: (
                asking.lists("binding.joint_rule") and asking.spec.binding.joint_rule == "fixed"
            ),
            left_open="joint.gap",
            part="joint.gap",
            decides=("joint.gap",),
            usual=Usual("A joint", 4, 20),
            rule="Boards",
            gauged=Gauged(
                "joint.gap", "joint gap", {"binding.joint_rule": "fixed"}, _lists("binding.joint_rule")
            ),
        ),
    ] = None
    french_joint: Annotated[
        Length,
        Field(ge=0, le=12, title="French joint"),
        Entry("joint", "Off the shoulder", asked=_lists("binding.french_joint"), part="joint.inset"),
    ] = 0.0
    groove: Annotated[
        float,
        Field(ge=0, le=1, title="Groove, 0 to 1"),
        Entry("joint", step=0.1, asked=_lists("binding.groove"), part="joint.groove", rule="Boards"),
    ] = 1.0
    covering: Annotated[
        Covering,
        Field(title="Covered"),
        Entry(
            "cover",
            "Covering",
            options=COVERING_WORDS,
            values=lambda asking: asking.coverings,
            asked=lambda asking: asking.lists("binding.covering") and len(asking.coverings) > 1,
            told=True,
        ),
    ] = "full"
    material: Annotated[
        CoverMaterial,
        Field(title="Covered in"),
        Entry("cover", "Of", options=MATERIAL_WORDS, asked=_covered, told=True),
    ] = "cloth"
    cover_name: Annotated[Name, Field(title="Cover stuff"), Entry("cover", "Name", asked=_covered)] = ""
    cover_thickness: Annotated[
        Length,
        Field(gt=0, le=4, title="Cover stuff’s thickness"),
        Entry("cover", "Thickness", asked=_covered, part="cover"),
    ] = 0.3
    turn_in: Annotated[
        Length,
        Field(gt=0, le=80, title="Turn-in"),
        Entry(
            "cover",
            asked=_lists("binding.turn_in"),
            part="turn_in.inside corner.cut",
            usual=Usual("A turn-in", 8, 40),
            rule="Covering",
            gauged=Gauged("turn_in.inside", "turn-in"),
        ),
    ] = 18.0
    corner_factor: Annotated[
        float,
        Field(ge=1, le=1.5, title="Corners, in boards"),
        Entry(
            "cover", "Corners", step=0.1, asked=_lists("binding.turn_in"), part="corner.cut", rule="Covering"
        ),
    ] = 1.5
    paring: Annotated[
        Length,
        Field(ge=0, le=60, title="Leather for paring"),
        Entry(
            "cover",
            "For paring",
            asked=lambda asking: _covered(asking) and COVERS[asking.spec.binding.material].record.pared,
            part="cover",
            rule="Covering",
        ),
    ] = 15.0
    overlap: Annotated[
        Length,
        Field(ge=0, le=200, title="Overlap on the boards"),
        Entry(
            "cover_pieces",
            "On each board",
            asked=lambda asking: (
                _in_pieces(asking) or asking.lists("binding.overlap") or asking.covering == "three_piece"
            ),
            part="spine_piece.width strip.width",
            rule="Covering",
        ),
    ] = 30.0
    sides: Annotated[
        SideMaterial,
        Field(title="Sides covered in"),
        Entry(
            "cover_pieces",
            "Sides of",
            options={side: MATERIAL_WORDS[side] for side in get_args(SideMaterial)},
            asked=_in_pieces,
            part="side",
        ),
    ] = "paper"
    sides_over: Annotated[
        Length,
        Field(ge=0, le=10, title="Sides lie over by"),
        Entry("cover_pieces", "Sides over", asked=_in_pieces, part="side.width", rule="Covering"),
    ] = 2.0
    corner_leg: Annotated[
        Annotated[Length, Field(gt=0, le=400)] | None,
        Field(title="Corners’ leg"),
        Entry(
            "cover_pieces",
            "Corner's leg",
            asked=lambda asking: asking.covering == "half",
            left_open="corner.leg",
            part="corner.leg",
            decides=("corner.leg",),
        ),
    ] = None
    fore_edge_strip: Annotated[
        Length,
        Field(gt=0, le=200, title="Fore-edge strips’ width"),
        Entry("cover_pieces", "Fore-edge strip", asked=lambda asking: asking.covering == "fore_edge"),
    ] = 25.0
    stiffener: Annotated[
        Annotated[Length, Field(ge=0.1, le=3)] | None,
        Field(title="Stiffener"),
        Entry(
            "stiffener",
            "Inside each side",
            asked=_lists("binding.stiffener"),
            left_open="none",
            part="stiffener",
        ),
    ] = None
    leaves: Annotated[
        Literal["glued", "drum"],
        Field(title="Leaves held by"),
        Entry(
            "leaves",
            "Held",
            options={"glued": "fanned and glued", "drum": "drum: spreads back to back"},
            asked=_lists("binding.leaves"),
        ),
    ] = "glued"
    bands: Bands = Bands()
    tape_reach: Annotated[
        Length,
        Field(ge=5, le=100, title="Supports reach on the boards"),
        Entry(
            "supports",
            "Reach on each side",
            asked=_lists("binding.tape_reach"),
            part="sewing.support_length",
        ),
    ] = 30.0
    slit_step: Annotated[
        Length,
        Field(ge=1, le=30, title="From slit to slit"),
        Entry("slits", asked=_lists("binding.slit_step"), part="slit.step"),
    ] = 5.0
    slit_play: Annotated[
        Length,
        Field(ge=0, le=5, title="Slits longer than the support by"),
        Entry("slits", "Longer by", asked=_lists("binding.slit_play"), part="slit.length"),
    ] = 1.0
    flaps: Annotated[
        Length,
        Field(ge=0, le=300, title="Flaps"),
        Entry("flaps", "Width; 0 for none", asked=_lists("binding.flaps")),
    ] = 0.0
    old_cover: OldCover = OldCover()
