"""The sizes of what a block is bound in, each complete or absent: they say what kind of book this is."""

from dataclasses import dataclass
from typing import Literal

from weald.core.quantities import QuantityId
from weald.core.units import Mm

Side = Literal["front", "back"]


@dataclass(frozen=True, slots=True)
class Boards:
    """Both boards, by width and height: alike, or the back one cut apart."""

    front: tuple[Mm, Mm]
    cut_apart: tuple[Mm, Mm] | None = None

    @property
    def back(self) -> tuple[Mm, Mm]:
        """The back board."""
        return self.cut_apart or self.front

    @property
    def tallest(self) -> Mm:
        """Height of the taller one."""
        return max(self.front[1], self.back[1])


@dataclass(frozen=True, slots=True)
class BoundSizes:
    """What binds a block, in sizes. What a binding does not have is not there.

    :param boards: where it has boards; ``leaf`` the width of a side where its cover has none.
    :param height: of a cover without boards.
    :param spine: width of the spine of its cover.
    :param gap: from the spine to a board, as the cover lies flat; ``inset`` where the board begins, closed.
    :param middle: between the boards of a case that has nothing in its spine.
    :param square: how far it stands out at the head, where it has squares.
    :param flap: folded in at the fore-edges.
    :param slip: how far supports are left standing on the outer leaf, where nothing covers it.
    :param lacing: the holes in its boards, by the sizes that place them from the spine edge.
    """

    boards: Boards | None = None
    leaf: Mm | None = None
    height: Mm | None = None
    spine: Mm | None = None
    gap: Mm | None = None
    inset: Mm | None = None
    middle: Mm | None = None
    square: Mm | None = None
    flap: Mm = 0.0
    slip: Mm | None = None
    lacing: tuple[QuantityId, ...] = ()

    @property
    def tall(self) -> tuple[Mm, QuantityId] | None:
        """How high its spine is, and the size that says so."""
        if self.boards:
            return self.boards.front[1], "board.height"
        return None if self.height is None else (self.height, "cover.height")


NOT_BOUND = BoundSizes()
"""Of a block without a cover."""
