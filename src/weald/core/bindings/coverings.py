"""The covering of a case: one piece or several, where each lies and what it overlaps.

Places are in millimetres of the case laid flat, from the top left corner of the left board; turn-ins
lie outside. Every covering covers boards, spine and turn-ins whole, but for the cut corners.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass, replace

from weald.core.drawing import Material, Point, box
from weald.core.job.binding import Binding, Covering
from weald.core.materials import COVERS, MATERIALS, PieceMaterial
from weald.core.pieces import Piece, make_piece
from weald.core.reckoning import Ledger
from weald.core.units import TOLERANCE, Mm

CORNER_PART = 0.28
"""A corner's leg on the board, as a part of its height; ¼ to ⅓ is usual."""


@dataclass(frozen=True, slots=True)
class CoverPart:
    """One piece of the covering where it lies."""

    id: str
    label: str
    material: PieceMaterial
    outline: tuple[Point, ...]
    how: str

    @property
    def fill(self) -> Material:
        """What it is drawn as."""
        return MATERIALS[self.material].drawn

    @property
    def left(self) -> Mm:
        """Its left edge."""
        return min(x for x, _ in self.outline)

    @property
    def right(self) -> Mm:
        """Its right edge."""
        return max(x for x, _ in self.outline)

    @property
    def width(self) -> Mm:
        """Of the rectangle it is cut from."""
        return self.right - self.left

    @property
    def height(self) -> Mm:
        """Of the rectangle it is cut from."""
        return max(y for _, y in self.outline) - min(y for _, y in self.outline)


@dataclass(frozen=True, slots=True)
class Ground:
    """What is to be covered: two boards ``board`` wide with ``middle`` between them.

    The left one, which is the back one, is ``back`` wide where it was cut apart.

    ``turn_in`` is that at head and tail, and at the fore-edges too unless ``turn_side`` says otherwise.
    """

    board: Mm
    middle: Mm
    height: Mm
    turn_in: Mm
    corner: Mm
    turn_side: Mm | None = None
    back: Mm | None = None

    @property
    def left(self) -> Mm:
        """Width of the left board, which is the back one."""
        return self.board if self.back is None else self.back

    @property
    def mirrored(self) -> "Ground":
        """As it is seen from the other side."""
        return replace(self, board=self.left, back=self.board)

    @property
    def side(self) -> Mm:
        """The turn-in at the fore-edges."""
        return self.turn_in if self.turn_side is None else self.turn_side

    @property
    def width(self) -> Mm:
        """From board edge to board edge."""
        return self.left + self.middle + self.board

    @property
    def cut(self) -> Mm:
        """Legs of the triangle cut off at a corner, its cut ``corner`` away from the board's corner."""
        return max(0.0, self.turn_in + self.side - math.sqrt(2) * self.corner)


def corner_leg(binding: Binding, height: Mm) -> Mm:
    """A corner's leg on the board."""
    return binding.corner_leg or CORNER_PART * height


def cover_parts(covering: Covering, binding: Binding, ground: Ground) -> tuple[CoverPart, ...]:
    """The pieces of a covering where they lie, those underneath first."""
    main, sides = COVERS[binding.material].cut_from, COVERS[binding.sides].cut_from
    turn, side, height, width = ground.turn_in, ground.side, ground.height, ground.width
    if covering in ("full", "three_piece"):
        outline = _cut_corners(-side, width + side, ground, cut_left=True, cut_right=True)
        return (CoverPart("cover", "Cover", main, outline, "corners cut at 45° after gluing"),)
    overlap, over = binding.overlap, binding.sides_over
    spine_left, spine_right = ground.left - overlap, width - ground.board + overlap
    spine = box(spine_left, -turn, spine_right - spine_left, height + 2 * turn)
    parts = [CoverPart("spine_piece", "Spine piece", main, spine, "laid first, turned in at head and tail")]

    def near(of: Ground) -> Mm:
        return of.left - overlap + over

    if covering == "quarter":
        return (
            *parts,
            *_both(
                "side",
                "Side",
                sides,
                lambda of: _cut_corners(-side, near(of), of, cut_left=True, cut_right=False),
                ground,
                f"over the spine piece by {{mm:{over:g}}}",
            ),
        )
    if covering == "half":
        leg = corner_leg(binding, height)
        return (
            *parts,
            *_corners(ground, leg, main),
            *_both(
                "side",
                "Side",
                sides,
                lambda of: _mitred(near(of), leg - math.sqrt(2) * over, of),
                ground,
                f"mitred over the corners, over each piece by {{mm:{over:g}}}",
            ),
        )
    strip = binding.fore_edge_strip
    return (
        *parts,
        *_both(
            "fore_edge_strip",
            "Fore-edge strip",
            main,
            lambda of: _cut_corners(-side, strip, of, cut_left=True, cut_right=False),
            ground,
            "laid before the sides",
        ),
        *_both(
            "side",
            "Side",
            sides,
            lambda of: box(strip - over, -turn, near(of) - strip + over, height + 2 * turn),
            ground,
            f"between the two, over each by {{mm:{over:g}}}",
        ),
    )


_Outline = Callable[[Ground], tuple[Point, ...]]
"""Where a piece lies on the left board of a ground."""


def _both(
    id: str, label: str, material: PieceMaterial, outline: _Outline, ground: Ground, how: str
) -> list[CoverPart]:
    """A piece on the left board, and its mirror image on the right one."""
    mirrored = tuple((ground.width - x, y) for x, y in outline(ground.mirrored))
    return [
        CoverPart(id, label, material, outline(ground), how),
        CoverPart(id, label, material, mirrored, how),
    ]


def _cut_corners(
    left: Mm, right: Mm, ground: Ground, *, cut_left: bool, cut_right: bool
) -> tuple[Point, ...]:
    """A piece as high as cover and turn-ins, its outer corners cut."""
    top, bottom, leg = -ground.turn_in, ground.height + ground.turn_in, ground.cut
    if cut_left and not cut_right and right - left < leg:
        # a narrow strip is cut right across: what is left of it begins lower down
        down = leg - (right - left)
        return ((right, top + down), (right, bottom - down), (left, bottom - leg), (left, top + leg))
    west = ((left, bottom - leg), (left, top + leg)) if cut_left else ()
    east = ((right, top + leg), (right, bottom - leg)) if cut_right else ()
    off_left, off_right = (leg if cut_left else 0.0), (leg if cut_right else 0.0)
    return (
        (left + off_left, top),
        (right - off_right, top),
        *east,
        (right - off_right, bottom),
        (left + off_left, bottom),
        *west,
    )


def _mitred(right: Mm, mitre: Mm, ground: Ground) -> tuple[Point, ...]:
    """A side whose outer corners are cut along the corner pieces: where x + y is ``mitre``.

    Large corners meet the spine piece, or one another, in the turn-ins already; the side ends there.
    """
    turn, side, height = ground.turn_in, ground.side, ground.height
    top: tuple[Point, ...] = ((right, mitre - right),)
    if mitre + turn < right:
        top = ((mitre + turn, -turn), (right, -turn))
    left: tuple[Point, ...] = ((mitre - height / 2, height / 2),)
    if mitre + side < height / 2:
        left = ((-side, height - mitre - side), (-side, mitre + side))
    bottom = tuple((x, height - y) for x, y in reversed(top))
    return (*top, *bottom, *left)


def _corners(ground: Ground, leg: Mm, material: PieceMaterial) -> list[CoverPart]:
    turn, side, cut, height = ground.turn_in, ground.side, ground.cut, ground.height
    top = ((-side, leg + side), (-side, cut - turn), (cut - side, -turn), (leg + turn, -turn))
    bottom = tuple((x, height - y) for x, y in top)
    how = f"leg on the board, and turn-ins; {{mm:{leg:.0f}}} shows along each edge"
    return [
        *_both("corner", "Corner", material, lambda _: top, ground, how),
        *_both("corner", "Corner", material, lambda _: bottom, ground, how),
    ]


def cover_pieces(parts: tuple[CoverPart, ...], binding: Binding, copies: int, ledger: Ledger) -> list[Piece]:
    """The pieces to cut; leather larger by what is pared away."""
    kinds: dict[tuple[str, str, Mm, Mm], list[CoverPart]] = {}
    for part in parts:
        apart = any(part.id == other.id and abs(part.width - other.width) > TOLERANCE for other in parts)
        back = apart and part.left < 0
        id, label = (f"{part.id}_back", f"{part.label}, back") if back else (part.id, part.label)
        kinds.setdefault((id, label, round(part.width, 6), round(part.height, 6)), []).append(part)
    pieces = []
    for (id, label, *_), alike in kinds.items():
        part = alike[0]
        more = binding.paring if MATERIALS[part.material].pared else 0.0
        how = part.how
        if more:
            how += f"; {ledger.notation.length(more, True)} more each way for paring"
        size = (part.width + more, part.height + more)
        pieces.append(
            make_piece(
                ledger,
                id,
                label,
                part.material,
                len(alike) * copies,
                size,
                how,
                thickness=binding.cover_thickness,
                grain="height" if MATERIALS[part.material].grained else "any",
            )
        )
    return pieces
