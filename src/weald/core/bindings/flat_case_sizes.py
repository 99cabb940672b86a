"""The flat-back case sized on its block: H high, W wide, T thick."""

from dataclasses import dataclass

from weald.core.bindings.case_schools import (
    reckon_board,
    reckon_corner,
    reckon_joint,
    reckon_spine_width,
    reckon_squares,
)
from weald.core.bindings.closing import ClosedCase, CutCase, close_case
from weald.core.bindings.joint import inset_for_gap
from weald.core.paper import CLOTH_GSM_PER_MM, GREYBOARD_GSM_PER_MM
from weald.core.reckoning import Ledger
from weald.core.spec import JobSpec
from weald.core.stations.block import BlockPlan, book_weight
from weald.core.units import Gsm, Mm


@dataclass(frozen=True, slots=True)
class FlatCase:
    """The case sized on its block."""

    block: BlockPlan
    board: Mm
    board_width: Mm
    board_height: Mm
    spine_board: Mm
    spine_width: Mm
    gap: Mm
    inset: Mm
    groove: Mm
    cover: Mm
    cover_width: Mm
    cover_height: Mm
    turn_in: Mm
    corner: Mm
    closed: ClosedCase
    too_tight: bool


def size_case(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> FlatCase:
    """Enter every size of the case in ``ledger``, and close the case to read off its squares."""
    binding = spec.binding
    thickness = reckon_board(spec, ledger)
    board = ledger.ref("board.thickness")
    turn_in = ledger.entry("turn-in", binding.turn_in, "binding.turn_in")
    reckon_squares(spec, ledger)
    board_height = ledger.reckon(
        "board.height",
        block.height + ledger.value("squares.head") + ledger.value("squares.tail"),
        "{block} + {head} + {tail}",
        {
            "block": ledger.ref("block.height"),
            "head": ledger.ref("squares.head"),
            "tail": ledger.ref("squares.tail"),
        },
    )
    spine_board = ledger.reckon(
        "spine_board.thickness",
        binding.board if binding.spine_board is None else binding.spine_board,
        "as thick as the boards" if binding.spine_board is None else "as decided",
        entry="binding.spine_board",
    )
    groove = ledger.reckon(
        "joint.groove",
        binding.groove * thickness,
        "{groove} × {board}",
        {
            "groove": ledger.entry("groove", binding.groove, "binding.groove", "factor"),
            "board": board,
        },
        rule="as deep as the board when well pressed, nothing when not",
    )
    gap = reckon_joint(spec, spine_board, groove, ledger)
    found_inset = inset_for_gap(gap, spine_board, groove)
    inset = ledger.reckon(
        "joint.inset",
        0.0 if found_inset is None else found_inset,
        "2 × √((({gap} − {spine}) / 2)² − {groove}²)"
        if found_inset is not None
        else "nothing: {gap} is less than {spine} + 2 × {groove}",
        {
            "gap": ledger.ref("joint.gap"),
            "spine": ledger.ref("spine_board.thickness"),
            "groove": ledger.ref("joint.groove"),
        },
    )
    board_width = ledger.reckon(
        "board.width",
        block.width - inset + ledger.value("squares.fore_edge"),
        "{block} − {inset} + {square}",
        {
            "block": ledger.ref("block.width"),
            "inset": ledger.ref("joint.inset"),
            "square": ledger.ref("squares.fore_edge"),
        },
    )
    spine_width = reckon_spine_width(spec, block, ledger)
    cover_height = ledger.reckon(
        "cover.height",
        board_height + 2 * binding.turn_in,
        "{board} + 2 × {turn_in}",
        {"board": ledger.ref("board.height"), "turn_in": turn_in},
    )
    cover_width = ledger.reckon(
        "cover.width",
        2 * board_width + spine_width + 2 * gap + 2 * binding.turn_in,
        "2 × {board} + {spine} + 2 × {gap} + 2 × {turn_in}",
        {
            "board": ledger.ref("board.width"),
            "spine": ledger.ref("spine_board.width"),
            "gap": ledger.ref("joint.gap"),
            "turn_in": turn_in,
        },
    )
    ledger.reckon(
        "turn_in.inside",
        binding.turn_in - thickness,
        "{turn_in} − {board}",
        {"turn_in": turn_in, "board": board},
        rule="the turn-in goes over the board's edge first",
    )
    corner = reckon_corner(spec, ledger)
    closed = close_case(
        CutCase(
            board_width,
            board_height,
            spine_board,
            gap,
            groove,
            ledger.value("squares.head"),
            ledger.value("squares.tail"),
        ),
        block,
    )
    for edge, square in (
        ("head", closed.head),
        ("tail", closed.tail),
        ("fore_edge", closed.fore_edge),
    ):
        ledger.reckon(f"closed.{edge}", square, "read off the case closed on its block")
    ledger.reckon(
        "joint.ease",
        inset / thickness,
        "{inset} / {board}",
        {"inset": ledger.ref("joint.inset"), "board": board},
        rule="from 1 the boards open square, from 1½ easily",
    )
    _weigh(spec, block, ledger)
    return FlatCase(
        block=block,
        board=thickness,
        board_width=board_width,
        board_height=board_height,
        spine_board=spine_board,
        spine_width=spine_width,
        gap=gap,
        inset=inset,
        groove=groove,
        cover=binding.cover_thickness,
        cover_width=cover_width,
        cover_height=cover_height,
        turn_in=binding.turn_in,
        corner=corner,
        closed=closed,
        too_tight=found_inset is None,
    )


def _weigh(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> None:
    board_area = (
        ledger.value("board.height")
        * (2 * ledger.value("board.width") + ledger.value("spine_board.width"))
        / 1e6
    )
    linings = 2e-6 * ledger.value("board.height") * ledger.value("board.width") * _lining_gsm(spec)
    cover_area = ledger.value("cover.height") * ledger.value("cover.width") / 1e6
    ledger.reckon(
        "book.weight",
        linings
        + book_weight(spec, block, board_area, cover_area, CLOTH_GSM_PER_MM * spec.binding.cover_thickness),
        "leaves + boards and their linings + cover, each area × its weight",
        rule="greyboard 640 g/m² for each millimetre",
    )


def _lining_gsm(spec: JobSpec) -> Gsm:
    """Weight of all that is glued on a board."""
    return sum(
        GREYBOARD_GSM_PER_MM * lining.effective if lining.side == "core" else lining.grammage
        for lining in spec.binding.linings
    )
