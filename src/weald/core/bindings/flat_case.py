"""The flat-back case in full cloth.

Two boards and a spine board glued on one piece of cloth, made apart from the block and hung on
it by the endpapers.
"""

from weald.core.bindings import flat_case_findings
from weald.core.bindings.flat_case_drawings import draw_flat, draw_section
from weald.core.bindings.flat_case_sizes import FlatCase, size_case
from weald.core.bindings.protocol import Bound
from weald.core.grain import mind_bow, reckon_pull
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
    cover = spec.stock.get("cover")
    pull = reckon_pull(spec, ledger, cover.grammage if cover else None)
    return Bound(pieces, drawings, (*flat_case_findings.mind(spec, case, ledger), *mind_bow(pull)))


def _piece(
    ledger: Ledger,
    id: str,
    label: str,
    material: PieceMaterial,
    count: int,
    size: tuple[Mm, Mm],
    thickness: Mm | None,
    how: str,
    allowance: Mm = 0.0,
) -> Piece:
    width, height = size
    show = ledger.notation.length
    if allowance:
        how = f"{how}; cut {show(allowance, True)} wider, to be cut to size in the case"
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
        allowance=allowance,
        shown=f"{show(width, True)} × {show(height, True)}",
    )


def _lining_pieces(spec: JobSpec, case: FlatCase, ledger: Ledger) -> list[Piece]:
    """What is glued on the boards: as high and wide as they are."""
    return [
        _piece(
            ledger,
            f"board_lining_{number}",
            lining.name.capitalize() or ("Second board" if lining.side == "core" else "Board lining"),
            "board" if lining.side == "core" else "kraft",
            2 * spec.copies,
            (case.board_width, case.board_height),
            lining.effective,
            "laminated to the board" if lining.side == "core" else f"on the {lining.side} of the boards",
        )
        for number, lining in enumerate(spec.binding.linings, start=1)
    ]


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
            spec.binding.board,
            "front and back, alike",
            allowance=spec.binding.cut_in_case,
        ),
        *_lining_pieces(spec, case, ledger),
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
