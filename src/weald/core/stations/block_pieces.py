"""What is cut for the block: endpapers, guards, mull, linings, hollow, end bands, supports."""

import math

from weald.core.block.holes import SUPPORTED, SewingPlan
from weald.core.job.spec import JobSpec
from weald.core.paper import calliper_from_bulk
from weald.core.pieces import Piece, make_piece
from weald.core.reckoning import Ledger, Term
from weald.core.stations.block import BlockPlan, Treatment
from weald.core.stations.paper import PaperPlan
from weald.core.units import Mm

MULL_SHORT: Mm = 10.0
"""Mull stops this short of head and tail, clear of the end bands."""
CLOTH_JOINT_ON_LEAF: Mm = 15.0
"""A cloth joint lies this far on the fly-leaf, and as far on the board."""
WRAP_HOOK: Mm = 6.0
"""A wrapped endpaper is hooked this far round its section."""


def endpaper_pieces(spec: JobSpec, treatment: Treatment, ledger: Ledger) -> list[Piece]:
    """The endpapers of the kind chosen; none where the binding has none."""
    ends, copies = spec.endpapers, spec.copies
    if not (ends.leaves and treatment.endpapers):
        return []
    width = 2 * ledger.value("leaf.untrimmed_width")
    height = ledger.value("leaf.untrimmed_height")
    calliper = calliper_from_bulk(ends.grammage, ends.bulk)
    how = {
        "tipped": "folded once, tipped on by a line of {mm:3}; trimmed with the block",
        "made": "plain folio; its outer leaf is pasted to the decorated one",
        "cloth_jointed": "folded once; the cloth joint goes round its fold",
        "sewn": "folded once and sewn on as a {signature} of its own",
        "wrapped": "folded once, its hook round the outside of the {signature} and sewn with it",
    }[ends.kind]
    folio = (width + (WRAP_HOOK if ends.kind == "wrapped" else 0.0), height)
    pieces = [
        make_piece(
            ledger,
            "endpaper",
            "Endpaper folio",
            "endpaper",
            ends.leaves * copies,
            folio,
            how,
            thickness=calliper,
        )
    ]
    if ends.kind == "made":
        pieces.append(
            make_piece(
                ledger,
                "endpaper_decorated",
                "Decorated folio",
                "side_paper",
                2 * copies,
                (width, height),
                "one leaf is the paste-down, the other is pasted to the plain folio",
            )
        )
    if ends.kind == "cloth_jointed":
        bridge = ledger.value("joint.gap") if "joint.gap" in ledger.quantities else 2 * spec.binding.board
        pieces.append(
            make_piece(
                ledger,
                "cloth_joint",
                "Cloth joint",
                "cloth",
                2 * copies,
                (2 * CLOTH_JOINT_ON_LEAF + bridge, height),
                "{mm:15} on the fly-leaf, across the joint, {mm:15} on the board: wider where the joint is",
            )
        )
    return pieces


def block_pieces(
    spec: JobSpec,
    treatment: Treatment,
    paper: PaperPlan,
    block: BlockPlan,
    sewing: SewingPlan,
    ledger: Ledger,
    *,
    lined: bool,
    hollow: bool,
) -> list[Piece]:
    """What goes on the block.

    :param lined: whether the structure lines its spine; ``hollow``: whether it may have a hollow.
    """
    entries, copies = spec.block, spec.copies
    pieces = _guards(spec, paper, block, ledger)
    if lined and entries.mull:
        pieces += _mull(spec, block, ledger)
    if lined and entries.linings:
        pieces.append(
            make_piece(
                ledger,
                "spine_lining",
                "Spine lining",
                "kraft",
                entries.linings * copies,
                (block.arc, block.height),
                "exactly the spine",
            )
        )
    if hollow and entries.hollow:
        width = ledger.reckon(
            "hollow.width",
            3 * block.arc,
            "3 × {arc}",
            {"arc": _spine_width(block, ledger)},
            rule="a tube: one ply glued to the spine, two outward",
        )
        size = (width, block.height)
        pieces.append(
            make_piece(ledger, "hollow", "Hollow", "kraft", copies, size, "folded in three along the spine")
        )
    if lined:
        pieces += _end_bands(spec, block, ledger)
    if sewing.method in SUPPORTED and spec.sewing.supports:
        tape = sewing.method == "tapes"
        pieces.append(
            make_piece(
                ledger,
                "support",
                "Tape" if tape else "Cord",
                "support",
                spec.sewing.supports * copies,
                (spec.sewing.support_width, ledger.value("sewing.support_length")),
                "across the spine; leave more while sewing, and cut to length after",
                grain="any",
            )
        )
    return pieces


def _spine_width(block: BlockPlan, ledger: Ledger) -> Term:
    return ledger.ref("spine.arc" if block.round else "block.thickness")


def _guards(spec: JobSpec, paper: PaperPlan, block: BlockPlan, ledger: Ledger) -> list[Piece]:
    entries = spec.block
    if not (entries.inserted and block.sections):
        return []
    count = ledger.reckon(
        "guards.count",
        math.ceil(entries.inserted / paper.calliper - 1e-9),
        "{inserted} / {leaf}, rounded up",
        {
            "inserted": ledger.entry("glued into each", entries.inserted, "block.inserted", "thickness"),
            "leaf": ledger.ref("paper.calliper"),
        },
        rule="stubs at the spine as thick as what is glued in, so that the fore-edge does not gape",
    )
    size = (entries.guard_width, ledger.value("leaf.untrimmed_height"))
    total = round(count) * block.sections * spec.copies
    how = "sewn in at the fold; of the text's own paper"
    return [make_piece(ledger, "guard", "Guard", "paper", total, size, how, thickness=paper.calliper)]


def _mull(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> list[Piece]:
    overlap = spec.block.mull_overlap
    width = ledger.reckon(
        "mull.width",
        block.arc + 2 * overlap,
        "{spine} + 2 × {overlap}",
        {
            "spine": _spine_width(block, ledger),
            "overlap": ledger.entry("on each board", overlap, "block.mull_overlap"),
        },
        rule="{mm:15–30} on each board",
    )
    height = block.height - 2 * MULL_SHORT
    if height <= 0:
        return []
    height = ledger.reckon(
        "mull.height",
        height,
        "{height} − 2 × {short}",
        {
            "height": ledger.ref("block.height"),
            "short": ledger.entry("short of head and tail", MULL_SHORT, "block.mull"),
        },
        rule="clear of the end bands",
    )
    how = "over the spine and on to both boards, short of head and tail"
    return [make_piece(ledger, "mull", "Mull", "mull", spec.copies, (width, height), how)]


def _end_bands(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> list[Piece]:
    kind = spec.block.end_bands
    if kind == "none":
        return []
    less = block.arc / block.sections if kind == "sewn" and block.sections else 0.0
    length = ledger.reckon(
        "end_band.length",
        block.arc - less,
        "{spine} − {section}" if less else "{spine}",
        {"spine": _spine_width(block, ledger)}
        | ({"section": ledger.entry("a {signature}", less, "sections.count")} if less else {}),
        rule="sewn bands end in the middle of the first and last {signature}"
        if less
        else "cut to the spine, to sit on its edge",
    )
    how = f"{'sewn' if kind == 'sewn' else 'stuck on'} at head and tail"
    size = (length, spec.block.end_band_height)
    return [make_piece(ledger, "end_band", "End band", "support", 2 * spec.copies, size, how, grain="any")]
