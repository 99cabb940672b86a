"""Covers of one sheet of paper or card, scored and folded round the block: no boards.

From left to right as it lies with its outside down: flap, back, spine, front, flap.
"""

from dataclasses import dataclass, replace

from weald.core.bindings.case_schools import reckon_spine_width, reckon_squares
from weald.core.drawing import Drawing, Point, Sketch, box
from weald.core.job.spec import JobSpec
from weald.core.materials import CARD_GSM_PER_MM
from weald.core.pieces import Piece, make_piece
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.stations.bound_sizes import BoundSizes
from weald.core.units import TOLERANCE, Mm

STIFFENER_CLEAR: Mm = 1.0
"""A stiffener ends so much short of slits and edges."""


@dataclass(frozen=True, slots=True)
class FlatCover:
    """A cover of one sheet.

    :param leaf: width of back and front. ``waste`` is cut off all round once it is on the block.
    :param square: how far it stands out at the head, where it is not trimmed with the block.
    """

    block: BlockPlan
    leaf: Mm
    spine: Mm
    height: Mm
    flap: Mm
    waste_head: Mm
    waste_tail: Mm
    waste_fore_edge: Mm
    square: Mm | None = None

    @property
    def sizes(self) -> BoundSizes:
        """What whoever goes on from it needs to know."""
        return BoundSizes(
            leaf=self.leaf, height=self.height, spine=self.spine, square=self.square, flap=self.flap
        )

    @property
    def width(self) -> Mm:
        """From edge to edge, trimmed."""
        return 2 * (self.leaf + self.flap) + self.spine

    @property
    def profile(self) -> tuple[Point, ...]:
        """Half of it round the block, cut across: from the middle of the spine to the fore-edge."""
        half = self.spine / 2
        back = self.block.thickness / 2 - half
        return ((back, 0.0), (back, -half), (back + self.leaf, -half))

    @property
    def scores(self) -> tuple[Mm, ...]:
        """Where it is scored, from the left edge of the back."""
        folds = (self.leaf, self.leaf + self.spine)
        return (0.0, *folds, 2 * self.leaf + self.spine) if self.flap else folds


def reckon_cover(spec: JobSpec, cover: FlatCover, ledger: Ledger) -> FlatCover:
    """Enter its size, and the book's weight; gives the cover as it is, where its width was measured.

    What a measured width has more or less lies in its leaves: they reach from the scores to its edges.
    """
    leaf = ledger.ref("cover.leaf")
    flaps = {"flap": ledger.entry("flap", cover.flap, "binding.flaps")} if cover.flap else {}
    width = ledger.reckon(
        "cover.width",
        cover.width,
        "2 × {leaf} + {spine}" + (" + 2 × {flap}" if flaps else ""),
        {"leaf": leaf, "spine": ledger.ref("spine_board.width"), **flaps},
    )
    if abs(width - cover.width) > TOLERANCE:
        found = ledger.reckon(
            "cover.leaf",
            (width - cover.spine) / 2 - cover.flap,
            "({cover} − {spine}) / 2" + (" − {flap}" if flaps else ""),
            {"cover": ledger.ref("cover.width"), "spine": ledger.ref("spine_board.width"), **flaps},
            rule="of the cover as it was measured, from score to edge",
        )
        cover = replace(cover, leaf=found)
    area = cover.width * cover.height / 1e6
    ledger.reckon(
        "book.weight",
        cover.block.leaf_mass + area * CARD_GSM_PER_MM * spec.binding.cover_thickness,
        "leaves + cover, each area × its weight",
        rule="card weighs about 0.78 g/cm³",
    )
    return cover


def size_with_squares(spec: JobSpec, block: BlockPlan, flap: Mm, called: str, ledger: Ledger) -> FlatCover:
    """A cover that stands out beyond the block like boards, its spine by the rule chosen, as sewn.

    :param called: what its material is: a card, a cover.
    """
    reckon_squares(spec, ledger)
    card = ledger.entry(called, spec.binding.cover_thickness, "binding.cover_thickness")
    spine = reckon_spine_width(spec, ledger.ref("spine.thickness"), card, ledger)
    leaf = ledger.reckon(
        "cover.leaf",
        block.width + ledger.value("squares.fore_edge"),
        "{width} + {square}",
        {"width": ledger.ref("block.width"), "square": ledger.ref("squares.fore_edge")},
    )
    height = ledger.reckon(
        "cover.height",
        block.height + ledger.value("squares.head") + ledger.value("squares.tail"),
        "{block} + {head} + {tail}",
        {
            "block": ledger.ref("block.height"),
            "head": ledger.ref("squares.head"),
            "tail": ledger.ref("squares.tail"),
        },
    )
    return reckon_cover(
        spec, FlatCover(block, leaf, spine, height, flap, 0.0, 0.0, 0.0, ledger.value("squares.head")), ledger
    )


def cover_piece(spec: JobSpec, cover: FlatCover, how: str, ledger: Ledger) -> Piece:
    """The sheet to cut; its waste comes off with the block."""
    return make_piece(
        ledger,
        "cover",
        "Cover",
        "card",
        spec.copies,
        (cover.width, cover.height),
        how,
        thickness=spec.binding.cover_thickness,
        allowance=2 * cover.waste_fore_edge,
        higher=cover.waste_head + cover.waste_tail,
        comes_off="with the block",
    )


def stiffeners(spec: JobSpec, cover: FlatCover, clear: Mm, ledger: Ledger) -> list[Piece]:
    """Cards laid inside both sides of a cover, where it is to have them.

    :param clear: how far from the spine they begin: beyond slits, or beyond the score.
    """
    thickness = spec.binding.stiffener
    if thickness is None:
        return []
    size = (cover.leaf - clear - STIFFENER_CLEAR, cover.height - 2 * STIFFENER_CLEAR)
    how = "inside the cover, clear of slits and score, to the fore-edge; held by a flap or the first leaf"
    return [
        make_piece(ledger, "stiffener", "Stiffener", "card", 2 * spec.copies, size, how, thickness=thickness)
    ]


def draw_cover(cover: FlatCover, ledger: Ledger) -> tuple[Sketch, Drawing]:
    """The sheet laid flat, its outside down; with the sketch, for what else is on it."""
    show, sketch = ledger.notation.figure, Sketch()
    left, right = -cover.flap, cover.width - cover.flap
    sheet = box(
        left - cover.waste_fore_edge,
        -cover.waste_head,
        cover.width + 2 * cover.waste_fore_edge,
        cover.height + cover.waste_head + cover.waste_tail,
    )
    sketch.area(sheet, "card", "cut", "cover.width cover.height")
    sketch.grain(sheet, 90)
    trimmed = box(left, 0, cover.width, cover.height)
    if cover.waste_head or cover.waste_tail or cover.waste_fore_edge:
        sketch.line((*trimmed, trimmed[0]), "trim", "cover.width cover.height")
    for x in cover.scores:
        sketch.line(
            ((x, -cover.waste_head), (x, cover.height + cover.waste_tail)), "score", "spine_board.width"
        )
    back, front = cover.leaf, cover.leaf + cover.spine
    for x, width, name in ((0.0, back, "back"), (front, cover.leaf, "front")):
        sketch.label(x + width / 2, cover.height / 2, name)
    top = -cover.waste_head
    edges = [(0.0, back, "cover.leaf", 1), (front, front + cover.leaf, "cover.leaf", 1)]
    if cover.spine:
        edges.append((back, front, "spine_board.width", 2))
    if cover.flap:
        edges += [(left, 0.0, "binding.flaps", 1), (front + cover.leaf, right, "binding.flaps", 1)]
    for start, end, about, row in edges:
        sketch.dimension((start, top), (end, top), show(end - start), offset=row, about=about)
    sketch.dimension((left, top), (right, top), show(cover.width), offset=3, about="cover.width")
    outer = left - cover.waste_fore_edge
    sketch.dimension((outer, cover.height), (outer, 0), show(cover.height), about="cover.height")
    drawing = sketch.finish(
        "case.flat",
        "boards",
        "The cover laid flat, outside down",
        rows=(1, 3, 0, 0),
        text=f"Cover {show(cover.width, True)} by {show(cover.height, True)}, spine "
        f"{show(cover.spine, True)}.",
        template=True,
    )
    return sketch, drawing
