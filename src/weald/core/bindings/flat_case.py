"""The flat-back case in full cloth.

Two boards and a spine board glued on one piece of cloth, made apart from the block and hung on
it by the endpapers.
"""

from weald.core.bindings import flat_case_findings
from weald.core.bindings.flat_case_drawings import draw_flat, draw_section
from weald.core.bindings.flat_case_sizes import FlatCase, size_case
from weald.core.bindings.protocol import Bound
from weald.core.pieces import Piece, PieceMaterial
from weald.core.reckoning import Ledger
from weald.core.spec import JobSpec
from weald.core.stations.block import MULL_OVERLAP, MULL_SHORT, BlockPlan
from weald.core.units import Mm


def bind(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> Bound:
    """Size the case on ``block``, close it, draw it, and say what to mind."""
    case = size_case(spec, block, ledger)
    pieces = _pieces(spec, case, ledger)
    drawings = (draw_flat(case, ledger), draw_section(case, ledger))
    return Bound(pieces, drawings, tuple(flat_case_findings.mind(spec, case, ledger)))


def _piece(
    ledger: Ledger,
    id: str,
    label: str,
    material: PieceMaterial,
    count: int,
    size: tuple[Mm, Mm],
    thickness: Mm | None,
    how: str,
) -> Piece:
    width, height = size
    show = ledger.notation.length
    return Piece(
        id=id,
        label=label,
        material=material,
        count=count,
        width=width,
        height=height,
        thickness=thickness,
        grain="height",
        how=how,
        shown=f"{show(width, True)} × {show(height, True)}",
    )


def _pieces(spec: JobSpec, case: FlatCase, ledger: Ledger) -> tuple[Piece, ...]:
    copies, block = spec.copies, case.block
    mull_height = block.height - 2 * MULL_SHORT
    pieces = [
        _piece(
            ledger,
            "board",
            "Board",
            "board",
            2 * copies,
            (case.board_width, case.board_height),
            case.board,
            "front and back, alike",
        ),
        _piece(
            ledger,
            "spine_board",
            "Spine board",
            "board",
            copies,
            (case.spine_width, case.board_height),
            case.spine_board,
            "as high as the boards",
        ),
        _piece(
            ledger,
            "cover",
            "Cover",
            "cloth",
            copies,
            (case.cover_width, case.cover_height),
            case.cover,
            "corners cut at 45° after gluing",
        ),
    ]
    if mull_height > 0:
        pieces.append(
            _piece(
                ledger,
                "mull",
                "Mull",
                "mull",
                copies,
                (block.thickness + 2 * MULL_OVERLAP, mull_height),
                None,
                "spine and 25 mm to each side, 10 mm short at head and tail",
            )
        )
    pieces.append(
        _piece(
            ledger,
            "spine_lining",
            "Spine lining",
            "kraft",
            copies,
            (block.thickness, block.height),
            None,
            "exactly the spine",
        )
    )
    return tuple(pieces)
