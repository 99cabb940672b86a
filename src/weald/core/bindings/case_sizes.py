"""A case sized on its block (H high, W wide, T thick), with a spine board, a round spine, or neither.

Vocabulary: the *middle* of a case is what lies between its two boards as it lies flat; the *inset* how
far a board begins from the block's spine, or from the shoulder, once the case is closed.
"""

import math
from dataclasses import dataclass
from typing import Literal

from weald.core.bindings.case_schools import (
    reckon_corner,
    reckon_joint,
    reckon_spine_width,
    reckon_squares,
    wanted_inset,
)
from weald.core.bindings.closing import ClosedCase, CutCase, Hinge, close_case
from weald.core.bindings.joint import backed_gap, backed_inset, gap_for_inset, inset_for_gap, thicker
from weald.core.job.binding import Covering
from weald.core.job.spec import JobSpec
from weald.core.materials import COVERS, GREYBOARD_GSM_PER_MM
from weald.core.quantities import CLOSED, CLOSED_BACK
from weald.core.reckoning import Ledger, Term
from weald.core.stations.block_plan import BlockPlan
from weald.core.stations.bound_sizes import Boards
from weald.core.units import TOLERANCE, Gsm, Mm

INLAY_THICKNESS: Mm = 0.4
"""Thin flexible card, that bends round the spine."""
SpineKind = Literal["board", "inlay", "bare", "none"]


@dataclass(frozen=True, slots=True)
class Case:
    """The case sized on its block.

    :param spine: what stiffens its spine; ``spine_board`` is how thick that is, ``spine_width`` how wide.
        A bare one is the block's own, to which the covering is glued.
    :param gap: from the spine to a board as it lies flat; of a case without a spine, none.
    :param inset: what the boards were sized for; ``closed.inset`` is where they come to begin.
    :param board_width: of the front board, and of the back one too unless that was cut apart, in which case
        ``back`` holds it.
    :param turn_in: at head and tail, round the taller board; ``turn_side`` at the fore-edges. Both are what
        the cover as cut leaves.
    :param hinge: the covering's way over the joint; ``least_gap`` what it needs at least.
    """

    block: BlockPlan
    board: Mm
    board_width: Mm
    board_height: Mm
    spine: SpineKind
    spine_board: Mm
    spine_width: Mm
    gap: Mm
    inset: Mm
    groove: Mm
    cover: Mm
    cover_width: Mm
    cover_height: Mm
    turn_in: Mm
    turn_side: Mm
    corner: Mm
    closed: ClosedCase
    hinge: Hinge
    least_gap: Mm
    back: "BackBoard | None" = None

    @property
    def board_sizes(self) -> tuple[tuple[Mm, Mm], ...]:
        """Width and height of both boards, or of front and back where they were cut apart."""
        front = (self.board_width, self.board_height)
        return (front, (self.back.width, self.back.height)) if self.back else (front,)

    @property
    def back_width(self) -> Mm:
        """Width of the back board."""
        return self.back.width if self.back else self.board_width

    @property
    def back_height(self) -> Mm:
        """Height of the back board."""
        return self.back.height if self.back else self.board_height

    @property
    def tallest(self) -> Mm:
        """Height of the taller board; the other stands in the middle of it."""
        return max(self.board_height, self.back_height)

    @property
    def back_edge(self) -> Mm:
        """Spine edge of the back board, from the left edge of the cover as it lies flat."""
        return self.turn_side + self.back_width

    @property
    def front_edge(self) -> Mm:
        """Spine edge of the front board."""
        return self.back_edge + self.middle

    @property
    def too_tight(self) -> bool:
        """Whether the covering cannot go down into the groove and up to the board."""
        return self.gap < self.least_gap - TOLERANCE

    @property
    def middle(self) -> Mm:
        """Between the two boards as the case lies flat."""
        return self.spine_width + 2 * self.gap


@dataclass(frozen=True, slots=True)
class BackBoard:
    """A back board cut apart from the front one, and what it shows closed."""

    width: Mm
    height: Mm
    closed: ClosedCase


@dataclass(frozen=True, slots=True)
class _Middle:
    """What differs between cases: their spine and joints."""

    spine: SpineKind
    spine_board: Mm
    spine_width: Mm
    gap: Mm
    inset: Mm
    groove: Mm
    hinge: Hinge


def size_flat(spec: JobSpec, block: BlockPlan, covering: Covering, ledger: Ledger) -> Case:
    """Size a case with a spine board, and close it to read off its squares."""
    reckon_heights(spec, ledger)
    binding = spec.binding
    spine_board = ledger.reckon(
        "spine_board.thickness",
        binding.board if binding.spine_board is None else binding.spine_board,
        "as thick as the boards" if binding.spine_board is None else "as decided",
        entry="binding.spine_board",
    )
    groove = _reckon_groove(spec, ledger)
    gap = reckon_joint(
        spec,
        gap_for_inset(wanted_inset(spec), spine_board, groove),
        (
            "{spine} + 2 × √(({inset} / 2)² + {groove}²)",
            {
                "spine": ledger.ref("spine_board.thickness"),
                "inset": ledger.entry("inset wanted", wanted_inset(spec), "binding.inset"),
                "groove": ledger.ref("joint.groove"),
            },
        ),
        ledger,
    )
    found = inset_for_gap(gap, spine_board, groove)
    inset = ledger.reckon(
        "joint.inset",
        0.0 if found is None else found,
        "2 × √((({gap} − {spine}) / 2)² − {groove}²)"
        if found
        else "nothing: {gap} is no more than {spine} + 2 × {groove}",
        {
            "gap": ledger.ref("joint.gap"),
            "spine": ledger.ref("spine_board.thickness"),
            "groove": ledger.ref("joint.groove"),
        },
    )
    spine_width = reckon_spine_width(
        spec, ledger.ref("block.thickness"), ledger.ref("board.thickness"), ledger
    )
    outside = block.thickness / 2 + ledger.value("board.thickness")
    middle = _Middle(
        spine="board",
        spine_board=spine_board,
        spine_width=spine_width,
        gap=gap,
        inset=inset,
        groove=groove,
        hinge=Hinge((-spine_board, spine_width / 2), (0.0, spine_width / 2), outside, outside - groove),
    )
    return _finish(spec, block, middle, covering, ledger)


def size_rounded(spec: JobSpec, block: BlockPlan, covering: Covering, ledger: Ledger) -> Case:
    """Size a case whose spine is a flexible inlay as wide as the arc over the shoulders."""
    reckon_heights(spec, ledger)
    groove = _reckon_groove(spec, ledger)
    board = ledger.value("board.thickness")
    back = block.shoulder_line * math.cos(math.radians(block.shoulder_angle)) if block.shoulder_angle else 0.0
    tip = (back, block.shoulder, board, groove)
    gap = reckon_joint(
        spec,
        backed_gap(wanted_inset(spec), *tip),
        (
            "from the shoulder's tip down into the groove and up to a board {inset} from the shoulder",
            {"inset": ledger.entry("inset wanted", wanted_inset(spec), "binding.inset")},
        ),
        ledger,
    )
    found = backed_inset(gap, *tip)
    inset = ledger.reckon(
        "joint.inset",
        0.0 if found is None else found,
        "what {gap} leaves, measured from the shoulder, once it has dipped {groove} into the joint"
        if found is not None
        else "nothing: {gap} does not reach into a groove of {groove}",
        {"gap": ledger.ref("joint.gap"), "groove": ledger.ref("joint.groove")},
    )
    inlay = ledger.reckon(
        "spine_board.thickness",
        INLAY_THICKNESS,
        "thin card or stout paper that bends round the spine",
        label="Spine inlay thickness",
    )
    spine_width = ledger.reckon(
        "spine_board.width",
        block.arc,
        "{arc}",
        {"arc": ledger.ref("spine.arc")},
        rule="an inlay of flexible card, no board",
        label="Spine inlay width",
    )
    half = block.thickness / 2
    middle = _Middle(
        spine="inlay",
        spine_board=inlay,
        spine_width=spine_width,
        gap=gap,
        inset=inset,
        groove=groove,
        hinge=Hinge((-back, half + block.shoulder), None, half + board, half + board - groove),
    )
    return _finish(spec, block, middle, covering, ledger)


def size_without_spine(spec: JobSpec, block: BlockPlan, covering: Covering, ledger: Ledger) -> Case:
    """Size a case with no spine board: the covering alone goes round the back of a thin block."""
    reckon_heights(spec, ledger)
    board = ledger.value("board.thickness")
    inset = ledger.reckon(
        "joint.inset", wanted_inset(spec), "as decided; {mm:5} is usual", entry="binding.inset"
    )
    distance = ledger.reckon(
        "case.distance",
        block.thickness + 2 * math.hypot(inset, board),
        "{thickness} + 2 × √({inset}² + {board}²)",
        {
            "thickness": ledger.ref("block.thickness"),
            "inset": ledger.ref("joint.inset"),
            "board": ledger.ref("board.thickness"),
        },
        rule="measured over the cloth; a spacer strip of this width sets the boards",
    )
    half = block.thickness / 2
    middle = _Middle(
        spine="none",
        spine_board=0.0,
        spine_width=0.0,
        gap=distance / 2,
        inset=inset,
        groove=0.0,
        hinge=Hinge((0.0, 0.0), (0.0, half), half + board, None),
    )
    return _finish(spec, block, middle, covering, ledger)


def size_in_shoulder(
    spec: JobSpec, block: BlockPlan, covering: Covering, ledger: Ledger, *, laminated: bool = False
) -> Case:
    """Size boards that sit in the shoulders and are held by the block itself, and the covering over them."""
    reckon_heights(spec, ledger)
    binding, board = spec.binding, ledger.value("board.thickness")
    french = ledger.reckon(
        "joint.inset",
        binding.french_joint,
        "a tight joint: the board meets the shoulder"
        if not binding.french_joint
        else "a French joint: the board stands off the shoulder, which takes thicker leather or cloth",
        rule="0, or {mm:3–5}",
        entry="binding.french_joint",
    )
    groove = _reckon_groove(spec, ledger) if french else 0.0
    back = block.shoulder_line * math.cos(math.radians(block.shoulder_angle)) if block.shoulder_angle else 0.0
    travel = ledger.reckon(
        "joint.gap",
        backed_gap(french, back, block.shoulder, board, groove),
        "from the shoulder's tip into the joint and up to the board",
    )
    ledger.reckon(
        "spine_board.width",
        block.arc,
        "{arc}",
        {"arc": ledger.ref("spine.arc" if block.round else "block.thickness")},
        rule="the covering's own way over the spine",
        label="Over the spine",
    )
    half = block.thickness / 2
    middle = _Middle(
        spine="bare",
        spine_board=0.0,
        spine_width=ledger.value("spine_board.width"),
        gap=travel,
        inset=french,
        groove=groove,
        hinge=Hinge((-back, half + block.shoulder), None, half + board, half + board - groove),
    )
    return _finish(spec, block, middle, covering, ledger, laminated=laminated)


def reckon_heights(spec: JobSpec, ledger: Ledger) -> None:
    """Enter the squares, and the height of the boards that follows."""
    reckon_squares(spec, ledger)
    ledger.reckon(
        "board.height",
        ledger.value("block.height") + ledger.value("squares.head") + ledger.value("squares.tail"),
        "{block} + {head} + {tail}",
        {
            "block": ledger.ref("block.height"),
            "head": ledger.ref("squares.head"),
            "tail": ledger.ref("squares.tail"),
        },
    )


def _reckon_groove(spec: JobSpec, ledger: Ledger) -> Mm:
    return ledger.reckon(
        "joint.groove",
        spec.binding.groove * ledger.value("board.thickness"),
        "{groove} × {board}",
        {
            "groove": ledger.entry("groove", spec.binding.groove, "binding.groove", "factor"),
            "board": ledger.ref("board.thickness"),
        },
        rule="as deep as the board when well pressed, nothing when not",
    )


def reckon_board_width(block: BlockPlan, inset: Term, ledger: Ledger) -> Mm:
    """Enter the width of the boards, which begin ``inset`` from the spine or the shoulder."""
    from_shoulder = bool(block.shoulder_line)
    return ledger.reckon(
        "board.width",
        block.joint_width - inset.value + ledger.value("squares.fore_edge"),
        "{block} − {inset} + {square}",
        {
            "block": ledger.ref("shoulder.width" if from_shoulder else "block.width"),
            "inset": inset,
            "square": ledger.ref("squares.fore_edge"),
        },
    )


def _finish(
    spec: JobSpec,
    block: BlockPlan,
    middle: _Middle,
    covering: Covering,
    ledger: Ledger,
    *,
    laminated: bool = False,
) -> Case:
    """Boards and cover round a middle; then the case is closed on its block."""
    thickness, board_height = ledger.value("board.thickness"), ledger.value("board.height")
    board_width = reckon_board_width(block, ledger.ref("joint.inset"), ledger)
    apart = reckon_back_board(ledger)
    back_width, back_height = apart or (board_width, board_height)
    cover_width, cover_height = _reckon_cover(spec, middle, covering, apart, ledger)
    turn_side = (cover_width - board_width - back_width - middle.spine_width - 2 * middle.gap) / 2
    turn_in = (cover_height - max(board_height, back_height)) / 2
    ledger.reckon(
        "turn_in.inside",
        min(turn_in, turn_side) - thickness,
        "{turn_in} − {board}",
        {
            "turn_in": ledger.entry("turn-in", min(turn_in, turn_side), "binding.turn_in"),
            "board": ledger.ref("board.thickness"),
        },
        rule="the turn-in goes over the board's edge first",
    )
    corner = reckon_corner(spec, ledger)
    squares = ledger.value("squares.head"), ledger.value("squares.tail")
    closed = close_case(CutCase(board_width, board_height, middle.gap, middle.hinge, *squares), block)
    back = None
    if apart:
        cut = CutCase(back_width, back_height, middle.gap, middle.hinge, *squares)
        back = BackBoard(back_width, back_height, close_case(cut, block))
    _reckon_closed(spec, closed, back, ledger)
    spine_volume = middle.spine_width * middle.spine_board if middle.spine == "board" else 0.0
    thick = spec.binding.board + (spec.binding.thin_board if laminated else 0.0)
    boards = Boards((board_width, board_height), apart)
    reckon_weight(spec, block, cover_width, boards, thick, ledger, spine_volume=spine_volume)
    return Case(
        block=block,
        board=thickness,
        board_width=board_width,
        board_height=board_height,
        spine=middle.spine,
        spine_board=middle.spine_board,
        spine_width=middle.spine_width,
        gap=middle.gap,
        inset=middle.inset,
        groove=middle.groove,
        cover=spec.binding.cover_thickness,
        cover_width=cover_width,
        cover_height=cover_height,
        turn_in=turn_in,
        turn_side=turn_side,
        corner=corner,
        closed=closed,
        hinge=middle.hinge,
        least_gap=middle.hinge.length(0.0) if middle.spine in ("board", "inlay") else 0.0,
        back=back,
    )


def reckon_back_board(ledger: Ledger) -> tuple[Mm, Mm] | None:
    """Enter width and height of the back board where it was cut apart from the front one; else none."""
    if not {"back_board.width", "back_board.height"} & ledger.measured.keys():
        return None
    rule = "as the front board, but where it was offered up and cut apart"
    width = ledger.reckon(
        "back_board.width",
        ledger.value("board.width"),
        "{front}",
        {"front": ledger.ref("board.width")},
        rule=rule,
    )
    height = ledger.reckon(
        "back_board.height",
        ledger.value("board.height"),
        "{front}",
        {"front": ledger.ref("board.height")},
        rule=rule,
    )
    return width, height


def _reckon_cover(
    spec: JobSpec, middle: _Middle, covering: Covering, apart: tuple[Mm, Mm] | None, ledger: Ledger
) -> tuple[Mm, Mm]:
    """Enter width and height of the cover. Only a cover in one piece can be measured across.

    :param apart: the back board, where it was cut apart from the front one.
    """
    turn_in = ledger.entry("turn-in", spec.binding.turn_in, "binding.turn_in")
    tallest = ledger.ref("board.height")
    if apart and apart[1] > tallest.value:
        tallest = ledger.ref("back_board.height")
    height = ledger.reckon(
        "cover.height",
        tallest.value + 2 * spec.binding.turn_in,
        "{board} + 2 × {turn_in}",
        {"board": tallest, "turn_in": turn_in},
    )
    if middle.spine == "none":
        how, terms = "{distance}", {"distance": ledger.ref("case.distance")}
    else:
        how = "{spine} + 2 × {gap}"
        terms = {"spine": ledger.ref("spine_board.width"), "gap": ledger.ref("joint.gap")}
    front = ledger.ref("board.width")
    back = ledger.ref("back_board.width") if apart else front
    boards = {"front": front, "back": back} if apart else {"board": front}
    width = ledger.reckon(
        "cover.width",
        front.value + back.value + middle.spine_width + 2 * middle.gap + 2 * spec.binding.turn_in,
        f"{'{front} + {back}' if apart else '2 × {board}'} + {how} + 2 × {{turn_in}}",
        {**boards, **terms, "turn_in": turn_in},
        measurable=covering in ("full", "three_piece"),
    )
    return width, height


def _reckon_closed(spec: JobSpec, closed: ClosedCase, back: BackBoard | None, ledger: Ledger) -> None:
    """Enter what the closed case shows; a thick covering, turned in round the edges, is seen there too."""
    cover = thicker(spec.binding.cover_thickness) and spec.binding.cover_thickness
    rule = "with the covering, which is thick enough to count, round the board's edge" if cover else None
    for edge, square in closed.squares.items():
        ledger.reckon(CLOSED[edge], square + cover, "read off the case closed on its block", rule=rule)
    for edge, square in back.closed.squares.items() if back else ():
        ledger.reckon(CLOSED_BACK[edge], square + cover, "read off the case closed on its block", rule=rule)
    ledger.reckon("closed.inset", closed.inset, "read off the case closed on its block")
    if closed.lift:
        ledger.reckon(
            "closed.parallel",
            2 * closed.lift,
            "how much further apart the boards are at the spine than at the fore-edge",
        )
    ledger.reckon(
        "joint.ease",
        closed.inset / ledger.value("board.thickness"),
        "{inset} / {board}",
        {"inset": ledger.ref("closed.inset"), "board": ledger.ref("board.thickness")},
        rule="from 1 the boards open square, from 1½ easily",
    )


def reckon_weight(
    spec: JobSpec,
    block: BlockPlan,
    cover_width: Mm,
    boards: Boards,
    thick: Mm,
    ledger: Ledger,
    *,
    spine_volume: float = 0.0,
) -> None:
    """Enter the weight of the book.

    :param cover_width: of all the covering together; ``thick``: each board as bought.
    :param spine_volume: width × thickness of a spine board, in mm².
    """
    height = boards.front[1]
    areas = sum(wide * high for wide, high in (boards.front, boards.back))
    board_gsm = areas / 1e6 * (GREYBOARD_GSM_PER_MM * thick + _lining_gsm(spec))
    spine = GREYBOARD_GSM_PER_MM * spine_volume * height / 1e6
    weighs = COVERS[spec.binding.material].weighs * spec.binding.cover_thickness
    cover = weighs * ledger.value("cover.height") * cover_width / 1e6
    ledger.reckon(
        "book.weight",
        block.leaf_mass + board_gsm + spine + cover,
        "leaves + boards and their linings + cover, each area × its weight",
        rule="greyboard weighs about 0.64 g/cm³",
    )


def _lining_gsm(spec: JobSpec) -> Gsm:
    """Weight of all that is glued on a board."""
    return sum(
        GREYBOARD_GSM_PER_MM * lining.effective if lining.side == "core" else lining.grammage
        for lining in spec.binding.linings
    )
