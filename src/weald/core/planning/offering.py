"""The case offered up to its block: what was found, entered as found, and what follows.

A case that stands too tall on its block means that the block is lower than it was planned, or that the
boards are too tall. A block that was measured is left as measured, and what is to be cut is said; one that
was not is corrected, and the pieces follow. Or the pieces stay as they are, and the squares are what they
come to.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from weald.core.bindings.catalogue import structure_of
from weald.core.errors import SizeError
from weald.core.findings import Patch
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.planning.plan import plan
from weald.core.quantities import QuantityId
from weald.core.reckoning import Quantity
from weald.core.units import TOLERANCE, Mm

Found = Literal["tall", "wide", "spine"]
Board = Literal["both", "front", "back"]
APART: dict[QuantityId, tuple[QuantityId, str]] = {
    "board.height": ("back_board.height", "high"),
    "board.width": ("back_board.width", "wide"),
}
"""The size of the back board, where it is cut apart from the front one, and which way it is measured."""
CasePiece = tuple[QuantityId, str, str]
"""What is cut, what it is called, and which way it is measured."""
OF_THE_BLOCK: dict[Found, tuple[QuantityId, ...]] = {
    "tall": ("block.height",),
    "wide": ("block.width",),
    # a spine follows the block as sewn, its round, or its plain thickness
    "spine": ("spine.arc", "spine.thickness", "block.thickness"),
}
OF_THE_CASE: dict[Found, tuple[CasePiece, ...]] = {
    # boards before a cover of one sheet
    "tall": (("board.height", "the boards", "high"), ("cover.height", "the cover", "high")),
    "wide": (
        ("board.width", "the boards", "wide"),
        ("cover.leaf", "back and front of the cover", "wide"),
    ),
    "spine": (("spine_board.width", "the spine", "wide"),),
}
MOST: Mm = 30.0


@dataclass(frozen=True, slots=True)
class Offered:
    """What to do about a case that does not fit, in words and as a change."""

    words: str
    patch: Patch


def offered_up(
    spec: JobSpec, found: Found, by: Mm, notation: Notation, board: Board = "both"
) -> tuple[Offered, ...]:
    """The ways to go on from a case found too large, or, ``by`` less than nothing, too small.

    :param board: which of them does not fit; one that is off alone is cut apart from the other.

    :raises weald.core.errors.SizeError: when so much cannot be meant, or the binding has no such piece.
    """
    if not TOLERANCE < abs(by) <= MOST:
        raise SizeError(f"Give how much it is off, up to {notation.length(MOST, True)}.")
    quantities = {each.id: each for each in plan(spec, notation, drawn=()).quantities}
    of_case = next((each for each in OF_THE_CASE[found] if each[0] in quantities), None)
    if of_case is None or not quantities[of_case[0]].measurable:
        raise SizeError(f"A {structure_of(spec).title} has no such piece.")
    of_block = _followed(quantities, found, of_case[0])
    block, case = quantities[of_block].value, quantities[of_case[0]].value
    if by >= min(block, case):
        raise SizeError("That would leave no block.")
    apart = APART.get(of_case[0])
    if board != "both" and not apart:
        raise SizeError("Front and back are one piece here; say what both are off by.")
    if board != "both" or (apart and apart[0] in quantities):
        return tuple(_boards_apart(quantities, of_case[0], board, by, notation))
    measured = quantities[of_block].measured is not None
    ways = (
        _block_stands(of_case, case, by, notation)
        if measured
        else _block_follows(of_case, (quantities[of_block], block), case, by, notation)
    )
    return tuple(ways)


def _followed(quantities: dict[QuantityId, Quantity], found: Found, of_case: QuantityId) -> QuantityId:
    """The size of the block a piece of the case follows: the one that stands in its own sum."""
    reasons = {term.about for term in quantities[of_case].terms}
    return next((each for each in OF_THE_BLOCK[found] if each in reasons), OF_THE_BLOCK[found][-1])


def _boards_apart(
    quantities: dict[QuantityId, Quantity], front: QuantityId, board: Board, by: Mm, notation: Notation
) -> Iterator[Offered]:
    """One board is off, or they differ already: it is not the block that is other than planned.

    What does not fit is cut, or is left; the other board stays as it is.
    """
    back, way = APART[front]
    now = {"front": quantities[front].value, "back": quantities.get(back, quantities[front]).value}
    off = ("front", "back") if board == "both" else (board,)
    cut = now | {each: notation.stepped(now[each] - by, 0) for each in off}
    cuts = " and ".join(_cut((front, f"the {each} board", way), cut[each], by > 0, notation) for each in off)
    rest = "" if board == "both" else "; the other stays as it is"
    yield Offered(cuts + rest, _sizes(front, cut))
    left = " and ".join(f"the {each} board at {notation.length(now[each], True)}" for each in off)
    yield Offered(f"Leave {left}, and take the squares as they come", _sizes(front, now))


def _sizes(front: QuantityId, sizes: dict[str, Mm]) -> Patch:
    """Both boards as they are to be."""
    back, _ = APART[front]
    return {f"measured.{front}": round(sizes["front"], 3), f"measured.{back}": round(sizes["back"], 3)}


def _cut(of_case: CasePiece, size: Mm, off_it: bool, notation: Notation) -> str:
    """What is cut: off the piece there is, or a new and larger one; to a mark of the ruler."""
    _, name, way = of_case
    shown = notation.length(size, True)
    return f"Cut {name} to {shown}" if off_it else f"Cut {name} again, {shown} {way}"


def _block_stands(of_case: CasePiece, case: Mm, by: Mm, notation: Notation) -> Iterator[Offered]:
    """The block was measured and stands; the piece is cut to it."""
    size = notation.stepped(case - by, 0)
    cut: Patch = {f"measured.{of_case[0]}": round(size, 3)}
    yield Offered(f"{_cut(of_case, size, by > 0, notation)}; the block stays as it was measured", cut)
    yield _left(of_case, case, {}, notation)


def _block_follows(
    of_case: CasePiece,
    of_block: tuple[Quantity, Mm],
    case: Mm,
    by: Mm,
    notation: Notation,
) -> Iterator[Offered]:
    """The block was not measured, so it is what the case shows it to be."""
    quantity, size = of_block
    corrected: Patch = {f"measured.{quantity.id}": round(size - by, 3)}
    is_now = notation.limit(round(size - by, 3))
    what = "the block" if quantity.id.startswith("block.") else quantity.label.lower()
    yield Offered(
        f"{_cut(of_case, case - by, by > 0, notation)}: {what} is {is_now}, and everything follows",
        corrected,
    )
    yield _left(of_case, case, corrected, notation)


def _left(of_case: CasePiece, case: Mm, more: Patch, notation: Notation) -> Offered:
    """The piece stays as it is."""
    quantity, name, _ = of_case
    words = f"Leave {name} at {notation.length(case, True)}, and take the squares as they come"
    return Offered(words, {f"measured.{quantity}": round(case, 3), **more})
