"""What all cases have in common once they are sized: pieces, drawings, and what to mind."""

from collections.abc import Sequence

from weald.core.bindings.case_drawings import (
    cover_profile,
    draw_closed,
    draw_corner,
    draw_flat,
    draw_section,
    draw_spacer,
)
from weald.core.bindings.case_findings import mind
from weald.core.bindings.case_sizes import Case
from weald.core.bindings.covering_findings import mind_covering, reckon_covering
from weald.core.bindings.coverings import Ground, cover_parts, cover_pieces
from weald.core.bindings.pastedown import reckon_pastedown
from weald.core.bindings.protocol import COVER_STUFF, Bound
from weald.core.job.binding import Covering
from weald.core.job.spec import JobSpec
from weald.core.materials import COVERS, PieceMaterial
from weald.core.pieces import Piece, make_piece
from weald.core.reckoning import Ledger
from weald.core.shelf.grain import mind_bow, reckon_pull
from weald.core.stations.bound_sizes import Boards, BoundSizes
from weald.core.units import Mm

CASE_ENTRIES = (
    "binding.board",
    "binding.spine_board",
    "binding.cut_in_case",
    "binding.linings",
    "binding.squares",
    "binding.spine_rule",
    "binding.joint_rule",
    "binding.groove",
    *COVER_STUFF,
    "binding.turn_in",
    "binding.tape_reach",
)
BoardSizes = Sequence[tuple[Mm, Mm]]
INFILL_FROM: Mm = 0.5
"""Leather as thick as this shows its edge through sides and paste-downs unless it is levelled."""
COVERINGS: tuple[Covering, ...] = ("full", "quarter", "half", "fore_edge")


def bind_case(
    spec: JobSpec, case: Case, covering: Covering, ledger: Ledger, *, joined: bool = False, higher: Mm = 0.0
) -> Bound:
    """Cover a case, draw it, and say what to mind.

    :param joined: whether boards are joined by a strip of paper first, then covered.
    :param higher: what is cut off the boards together with the block.
    """
    ground = Ground(
        case.board_width,
        case.middle,
        case.tallest,
        case.turn_in,
        case.corner,
        case.turn_side,
        back=case.back_width,
    )
    as_cut = reckon_covering(covering, spec.binding, ground, ledger)
    parts = cover_parts(covering, as_cut, ground)
    # a structure without a spine board has nothing to join
    wanted = spec.extras.strip is not None and case.spine == "board"
    joined = joined or wanted or covering == "three_piece"
    pieces = [
        *board_pieces(spec, case.board_sizes, ledger, higher),
        *_spine_pieces(spec, case, ledger),
    ]
    joining: Mm | None = None
    if joined:
        strip = _joining_strip(spec, case, ledger)
        joining = (strip.width - case.middle) / 2
        pieces.append(strip)
    pieces += cover_pieces(parts, spec.binding, spec.copies, ledger)
    pieces += infills(covering, spec, case.board_sizes, ledger)
    drawings = [
        draw_flat(case, parts, ledger, joining),
        draw_section(case, ledger),
        draw_closed(case, ledger),
        draw_corner(case, ledger),
    ]
    if case.back:
        drawings.append(draw_closed(case, ledger, back=True))
    if case.spine == "none":
        drawings.append(draw_spacer(case.middle, case.tallest, "between the boards", ledger))
    elif case.spine != "bare" and (covering != "full" or joined):
        drawings.append(draw_spacer(case.gap, case.tallest, "joint", ledger))
    cover = spec.stock.get("cover")
    pasted = reckon_pastedown(spec, case.back is not None, ledger)
    pull = reckon_pull(spec, ledger, cover.grammage if cover else None)
    findings = (
        *mind(spec, case, ledger),
        *mind_covering(covering, as_cut, ground, ledger),
        *pasted,
        *mind_bow(pull, spec, ledger.notation),
    )
    profile = tuple(cover_profile(case, case.closed.inset + case.board_width))
    return Bound(tuple(pieces), tuple(drawings), findings, _sizes(case, ledger), profile)


def _sizes(case: Case, ledger: Ledger) -> BoundSizes:
    spined = case.spine != "none"
    return BoundSizes(
        boards=Boards(*case.board_sizes),
        spine=case.spine_width if spined else None,
        gap=case.gap if spined else None,
        inset=ledger.value("joint.inset"),
        middle=None if spined else case.middle,
        square=ledger.value("squares.head"),
    )


def board_pieces(spec: JobSpec, sizes: BoardSizes, ledger: Ledger, higher: Mm = 0.0) -> list[Piece]:
    """Two boards and what is glued on them: as high and wide as they are.

    :param sizes: of both boards; two, of front and back, where they were cut apart.
    :param higher: what is cut off them together with the block.
    """
    binding = spec.binding
    cut_wider = binding.cut_in_case
    pieces = on_each_board(
        ledger,
        sizes,
        ("board", "Board", "board", "front and back, alike"),
        spec.copies,
        thickness=binding.board,
        allowance=cut_wider,
        higher=higher,
    )
    for number, lining in enumerate(binding.linings, start=1):
        core = lining.side == "core"
        label = lining.name.capitalize() or ("Second board" if core else "Board lining")
        how = "laminated to the board" if core else f"on the {lining.side} of the boards"
        pieces += on_each_board(
            ledger,
            sizes,
            (f"board_lining_{number}", label, "board" if core else "kraft", how),
            spec.copies,
            thickness=lining.effective,
            allowance=cut_wider,
            higher=higher,
        )
    return pieces


def on_each_board(
    ledger: Ledger,
    sizes: BoardSizes,
    what: tuple[str, str, PieceMaterial, str],
    copies: int,
    *,
    thickness: Mm | None = None,
    allowance: Mm = 0.0,
    higher: Mm = 0.0,
) -> list[Piece]:
    """A piece as large as its board: two alike, or one for each where the boards were cut apart.

    :param what: id, label, material, and how it is used.
    """
    id, label, material, how = what
    front, *others = sizes
    sides = [(id, label, 2 * copies, front, how)]
    for back in others:
        sides = [
            (id, f"{label}, front", copies, front, "front alone" if id == "board" else how),
            (f"{id}_back", f"{label}, back", copies, back, "back alone" if id == "board" else how),
        ]
    return [
        make_piece(
            ledger,
            each,
            name,
            material,
            count,
            size,
            words,
            thickness=thickness,
            allowance=allowance,
            higher=higher,
            comes_off="with the block" if higher else "in the case",
        )
        for each, name, count, size, words in sides
    ]


def infills(covering: Covering, spec: JobSpec, sizes: BoardSizes, ledger: Ledger) -> list[Piece]:
    """Paper that levels thick leather: between its pieces outside, and between its turn-ins inside."""
    binding = spec.binding
    if not COVERS[binding.material].levelled or binding.cover_thickness < INFILL_FROM:
        return []
    inside = max(0.0, ledger.value("turn_in.inside"))
    pieces = []
    if covering not in ("full", "three_piece"):
        less = binding.overlap + (binding.fore_edge_strip if covering == "fore_edge" else 0.0)
        how = "as thick as the pared leather, from its edge outwards; cut round corners, under the sides"
        outside = [(max(1.0, width - less), height) for width, height in sizes]
        pieces += on_each_board(ledger, outside, ("infill", "Infill outside", "kraft", how), spec.copies)
    how = "between the turn-ins, before the paste-down; grain head to tail"
    within = [(max(1.0, width - inside), max(1.0, height - 2 * inside)) for width, height in sizes]
    pieces += on_each_board(ledger, within, ("infill_inside", "Infill inside", "kraft", how), spec.copies)
    return pieces


def _spine_pieces(spec: JobSpec, case: Case, ledger: Ledger) -> list[Piece]:
    if case.spine == "bare":
        return []
    if case.spine == "none":
        size = (case.middle, case.tallest)
        how = "laid between the boards as they are glued; cut it once, label it, keep it"
        return [make_piece(ledger, "spacer", "Spacer strip", "card", 1, size, how)]
    size = (case.spine_width, case.tallest)
    if case.spine == "board":
        return [
            make_piece(
                ledger,
                "spine_board",
                "Spine board",
                "board",
                spec.copies,
                size,
                "as high as the boards",
                thickness=case.spine_board,
            )
        ]
    how = "thin flexible card, as high as the boards; rolled round a rod first"
    return [
        make_piece(
            ledger, "spine_inlay", "Spine inlay", "card", spec.copies, size, how, thickness=case.spine_board
        )
    ]


def _joining_strip(spec: JobSpec, case: Case, ledger: Ledger) -> Piece:
    own = spec.extras.strip
    overlap = own.overlap if own else spec.binding.overlap
    from_spine = own is not None and own.counted == "spine"
    spine, gap = ledger.ref("spine_board.width"), ledger.ref("joint.gap")
    path = "extras.strip.overlap" if own else "binding.overlap"
    schools = [
        ledger.school(
            counted,
            label,
            case.middle - (2 * gap.value if counted == "spine" else 0.0) + 2 * overlap,
            {"extras.strip.counted": counted},
            chosen=(counted == "spine") == from_spine,
            effect=effect,
        )
        for counted, label, effect in (
            ("board", "overlap counted on the board", "lies so far on the boards, however wide the joint"),
            ("spine", "overlap counted from the spine board", "one gauge for strip and joint"),
        )
    ]
    width = ledger.reckon(
        "strip.width",
        case.middle - (2 * gap.value if from_spine else 0.0) + 2 * overlap,
        "{spine} + 2 × {overlap}" if from_spine else "{spine} + 2 × {gap} + 2 × {overlap}",
        {
            "spine": spine,
            **({} if from_spine else {"gap": gap}),
            "overlap": ledger.entry("from the spine board" if from_spine else "on each board", overlap, path),
        },
        rule="stout paper, {mm:20–40} on each board; the covering cannot pull the boards in",
        schools=schools if own else (),
    )
    size = (width, case.tallest)
    how = "joins boards and spine before covering; grain head to tail"
    return make_piece(ledger, "joining_strip", "Joining strip", "kraft", spec.copies, size, how)
