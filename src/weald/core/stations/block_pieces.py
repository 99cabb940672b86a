"""What is cut for the block: endpapers, guards, mull, linings, hollow, end bands, supports."""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from weald.core.block.ends import HOOK, ROUND_A_SECTION, calliper
from weald.core.block.holes import SUPPORTED, SewingPlan, support_middles
from weald.core.job.extras.leaves import ComposedEnds, EndElement
from weald.core.job.spec import JobSpec
from weald.core.paper import calliper_from_bulk
from weald.core.pieces import Piece, make_piece
from weald.core.quantities import QuantityId
from weald.core.reckoning import Ledger, Term
from weald.core.stations.block_plan import BlockPlan, Treatment
from weald.core.stations.bound_sizes import BoundSizes
from weald.core.stations.paper import PaperPlan
from weald.core.units import Mm, rounded_up

MULL_SHORT: Mm = 10.0
"""Mull stops this short of head and tail, clear of the end bands."""
CLOTH_JOINT_ON_LEAF: Mm = 15.0
"""A cloth joint lies this far on the fly-leaf, and as far on the board."""
PLIES = 2
"""Of a guard folded once."""
SPACE_LESS: Mm = 1.0
"""Linings between raised cords are so much less high than their space."""
Where = Literal["head", "between", "tail"]
LINING: dict[Where, QuantityId] = {
    "head": "lining.head",
    "between": "lining.between",
    "tail": "lining.tail",
}
MULL: dict[Where, QuantityId] = {"head": "mull.head", "between": "mull.between", "tail": "mull.tail"}
STRIP_ON_LEAF: Mm = 15.0
"""A lining strip of mull or cloth, sewn in, lies so far on either side of its fold."""
SECOND_NARROWER: Mm = 3.0


def endpaper_pieces(spec: JobSpec, treatment: Treatment, sizes: BoundSizes, ledger: Ledger) -> list[Piece]:
    """The endpapers of the kind chosen; none where the binding has none."""
    if spec.extras.ends and treatment.endpapers:
        return _composed_pieces(spec, spec.extras.ends, sizes, ledger)
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
    folio = (width + (HOOK if ends.kind == "wrapped" else 0.0), height)
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
        bridge = 2 * spec.binding.board if sizes.gap is None else sizes.gap
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


_WHAT_WORDS = {
    "folio": "Endpaper folio",
    "single": "Endpaper leaf",
    "laminated": "Leaf of a pair",
    "cloth_joint": "Cloth joint",
    "lining": "Lining strip",
}
_HELD_WORDS = {
    "tipped": "tipped on by a line of {mm:3}",
    "hooked": "hooked {mm:6} round its {signature} and sewn with it",
    "sewn": "sewn as a {signature} of its own",
    "through_fold": "sewn on through the fold",
    "wrapped": "wrapped round the outer {signature} and sewn with it",
}


def _composed_pieces(spec: JobSpec, ends: ComposedEnds, sizes: BoundSizes, ledger: Ledger) -> list[Piece]:
    """What composed endpapers are cut from, from the board inwards."""
    pieces = []
    leaf, height = ledger.value("leaf.untrimmed_width"), ledger.value("leaf.untrimmed_height")
    bridge = 2 * spec.binding.board if sizes.gap is None else sizes.gap
    for number, each in enumerate(ends.elements, start=1):
        hook = HOOK if each.attached in ROUND_A_SECTION else 0.0
        strip = 2 * CLOTH_JOINT_ON_LEAF + bridge if each.what == "cloth_joint" else 2 * STRIP_ON_LEAF
        width = {"folio": 2 * leaf + hook, "cloth_joint": strip, "lining": strip}.get(each.what, leaf + hook)
        if each.width is not None and each.what in ("cloth_joint", "lining"):
            width = each.width
        cloth = each.what in ("cloth_joint", "lining")
        label = f"{_WHAT_WORDS[each.what]}{f', {each.name}' if each.name else ''}"
        first = each.what == "folio" and number == 1
        copies = spec.copies * (2 if each.at == "both" else 1)
        count = copies * (2 if each.what == "laminated" else 1)
        pieces.append(
            make_piece(
                ledger,
                "endpaper" if first else f"endpaper_{number}",
                label,
                "cloth" if cloth else "endpaper",
                count,
                (width, height),
                _how_held(each, ends, ledger),
                thickness=ends.cloth if cloth else calliper(each),
            )
        )
        if each.second and each.what == "cloth_joint":
            how = "beneath the joint, {mm:3} narrower at either edge"
            size = (max(1.0, width - 2 * SECOND_NARROWER), height)
            name = f"endpaper_{number}_second"
            pieces.append(make_piece(ledger, name, "Strip beneath the joint", "cloth", copies, size, how))
    return pieces


def _how_held(element: EndElement, ends: ComposedEnds, ledger: Ledger) -> str:
    """How a part is fastened; what is tipped stands back from the spine, and so do outer sections."""
    words = ledger.say(_HELD_WORDS[element.attached])
    if element.at != "both":
        words = f"at the {element.at}, {words}"
    if element.attached != "tipped" or not ends.set_back:
        return words
    return f"{words}, {ledger.notation.length(ends.set_back, True)} back from the spine"


def block_pieces(
    spec: JobSpec,
    treatment: Treatment,
    paper: PaperPlan,
    block: BlockPlan,
    sewing: SewingPlan,
    sizes: BoundSizes,
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
    spaces = clear_spaces(spec, block, sewing) if lined else []
    if lined and entries.mull:
        pieces += (
            _mull_between(spec, block, spaces, sizes, ledger) if spaces else _mull(spec, block, sizes, ledger)
        )
    if lined and entries.linings:
        pieces += _linings(spec, block, spaces, ledger)
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


@dataclass(frozen=True, slots=True)
class ClearSpace:
    """Parts of the spine as high as one another, between raised cords or between one and head or tail.

    :ivar id: ``head``, ``tail``, ``between``; the higher ones between cords ``between_2`` and on.
    :ivar words: where that is.
    """

    where: Where
    height: Mm
    count: int
    id: str
    words: str


def clear_spaces(spec: JobSpec, block: BlockPlan, sewing: SewingPlan) -> list[ClearSpace]:
    """The spaces raised cords leave on the spine, in which linings lie; none where nothing is raised."""
    if sewing.method != "raised_cords" or not spec.sewing.supports:
        return []
    middles = support_middles(sewing.holes)
    half = spec.sewing.support_width / 2
    between = [round(below - above - 2 * half, 4) for above, below in pairwise(middles)]
    spaces = [
        ClearSpace("head", middles[0] - half, 1, "head", "at the head"),
        *_between_cords(between),
        ClearSpace("tail", block.height - middles[-1] - half, 1, "tail", "at the tail"),
    ]
    return [space for space in spaces if space.count and space.height > SPACE_LESS]


def _between_cords(heights: Sequence[Mm]) -> Iterator[ClearSpace]:
    """The spaces between cords, from the head; those as high as one another together, the lowest first."""
    for number, (height, count) in enumerate(sorted(Counter(heights).items()), 1):
        words = "between cords"
        if count < len(heights):
            places = (place for place, each in enumerate(heights, 1) if each == height)
            words = "between cords " + ", ".join(f"{place} and {place + 1}" for place in places)
        yield ClearSpace("between", height, count, "between" if number == 1 else f"between_{number}", words)


def _guards(spec: JobSpec, paper: PaperPlan, block: BlockPlan, ledger: Ledger) -> list[Piece]:
    """Compensation guards: strips folded once round the fold, two plies each, sewn in with their section."""
    entries = spec.block
    if not (entries.inserted and block.sections):
        return []
    count = ledger.reckon(
        "guards.count",
        rounded_up(entries.inserted / (PLIES * paper.calliper)),
        "{inserted} / ({plies} × {leaf}), rounded up",
        {
            "inserted": ledger.entry("glued into each", entries.inserted, "block.inserted", "thickness"),
            "plies": ledger.entry("plies of a folded guard", PLIES, "block.guard_width", "count"),
            "leaf": ledger.ref("paper.calliper"),
        },
        rule="stubs at the spine as thick as what is glued in, so that the fore-edge does not gape",
    )
    size = (PLIES * entries.guard_width, ledger.value("leaf.untrimmed_height"))
    total = round(count) * block.sections * spec.copies
    how = "folded once and sewn in at the fold; of the text's own paper"
    return [make_piece(ledger, "guard", "Guard", "paper", total, size, how, thickness=paper.calliper)]


def _linings(spec: JobSpec, block: BlockPlan, spaces: Sequence[ClearSpace], ledger: Ledger) -> list[Piece]:
    """Kraft on the spine: one strip, or a piece in every space between raised cords."""
    count = spec.block.linings * spec.copies
    if not spaces:
        size = (block.arc, block.height)
        return [make_piece(ledger, "spine_lining", "Spine lining", "kraft", count, size, "exactly the spine")]
    return [
        make_piece(
            ledger,
            f"spine_lining_{space.id}",
            f"Spine lining, {space.words}",
            "kraft",
            count * space.count,
            (block.arc, _reckon_space(LINING, space, SPACE_LESS, ledger)),
            "between the raised cords, never over them",
        )
        for space in spaces
    ]


def _mull_between(
    spec: JobSpec, block: BlockPlan, spaces: Sequence[ClearSpace], sizes: BoundSizes, ledger: Ledger
) -> list[Piece]:
    """Mull in every space between raised cords, short of the end bands at head and tail."""
    width = _mull_width(spec, block, sizes, ledger)
    pieces = []
    for space in spaces:
        less = SPACE_LESS if space.where == "between" else SPACE_LESS + MULL_SHORT
        if space.height <= less:
            continue
        size = (width, _reckon_space(MULL, space, less, ledger))
        label = f"Mull, {space.words}"
        how = "over the spine between the raised cords, and on to both boards"
        pieces.append(
            make_piece(ledger, f"mull_{space.id}", label, "mull", space.count * spec.copies, size, how)
        )
    return pieces


def _reckon_space(what: dict[Where, QuantityId], space: ClearSpace, less: Mm, ledger: Ledger) -> Mm:
    """How high a piece is in its space; the lowest between cords stands in the reckoning."""
    if space.id != space.where:
        return space.height - less
    return ledger.reckon(
        what[space.where],
        space.height - less,
        "{clear} − {less}",
        {
            "clear": ledger.entry("clear of the cords", space.height, "sewing.supports"),
            "less": ledger.entry("less", less, "block.mull"),
        },
        rule="as high as its clear space, less a little"
        + ("" if space.where == "between" else ", and clear of the end band"),
    )


def _mull_width(spec: JobSpec, block: BlockPlan, sizes: BoundSizes, ledger: Ledger) -> Mm:
    """Enter the width of the mull: over spine and joints, and on to the boards."""
    overlap = spec.block.mull_overlap
    joint = sizes.inset or 0.0
    terms = {
        "spine": _spine_width(block, ledger),
        "overlap": ledger.entry("on each board", overlap, "block.mull_overlap"),
    }
    if joint > 0:
        terms["joint"] = ledger.ref("joint.inset")
    return ledger.reckon(
        "mull.width",
        block.arc + 2 * (joint + overlap),
        "{spine} + 2 × ({joint} + {overlap})" if joint > 0 else "{spine} + 2 × {overlap}",
        terms,
        rule="{mm:15–30} on each board, counted from its edge",
    )


def _mull(spec: JobSpec, block: BlockPlan, sizes: BoundSizes, ledger: Ledger) -> list[Piece]:
    width = _mull_width(spec, block, sizes, ledger)
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
    """Bands for head and tail; sewn ones end in the middle of the outer sections, stuck-on ones by school."""
    kind = spec.block.end_bands
    if kind == "none":
        return []
    section = block.arc / block.sections if block.sections > 1 else 0.0
    inner = section > 0 and (kind == "sewn" or spec.block.end_band_ends == "sections")
    schools = [
        ledger.school(
            ends,
            label,
            block.arc - less,
            {"block.end_band_ends": ends},
            chosen=(less > 0) == inner,
            effect=effect,
        )
        for ends, label, less, effect in (
            ("spine", "over the whole spine", 0.0, "quick; its ends show in the joint"),
            ("sections", "to the middle of the outer {signatures}", section, "as a sewn band sits"),
        )
    ]
    length = ledger.reckon(
        "end_band.length",
        block.arc - (section if inner else 0.0),
        "{spine} − {section}" if inner else "{spine}",
        {"spine": _spine_width(block, ledger)}
        | ({"section": ledger.entry("a {signature}", section, "sections.count")} if inner else {}),
        rule="ends in the middle of the first and last {signature}" if inner else "cut to the spine",
        schools=schools if kind == "stuck_on" and section else (),
    )
    how = f"{'sewn' if kind == 'sewn' else 'stuck on'} at head and tail"
    size = (length, spec.block.end_band_height)
    return [make_piece(ledger, "end_band", "End band", "support", 2 * spec.copies, size, how, grain="any")]
