"""What to lay ready before a step, or before the whole book: tools, adhesives, and stock that is short."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from weald.core.bench.cut import still_to_cut
from weald.core.book.at_bench import CutPiece
from weald.core.book.operation import Operation
from weald.core.notation import Notation
from weald.core.pieces import Piece
from weald.core.planning.stock_choice import choose_stock
from weald.core.shelf.stock import OnShelf, count_words


@dataclass(frozen=True, slots=True)
class Material:
    """A piece that is still to be cut, and whether its stock reaches.

    :param stock: what it is cut from; empty where none is chosen.
    :param wanted: how much that takes, ``there`` how much the shelf holds; empty where that is not known.
    """

    piece: str
    label: str
    count: int
    shown: str
    finished: str
    stock: str
    wanted: str
    there: str
    short: bool


@dataclass(frozen=True, slots=True)
class LayReady:
    """What to lay ready. ``cut`` names the pieces that are cut already."""

    tools: tuple[str, ...]
    adhesives: tuple[str, ...]
    materials: tuple[Material, ...]
    cut: tuple[str, ...]


def lay_ready(
    operations: Sequence[Operation],
    pieces: Sequence[Piece],
    cut: Iterable[CutPiece],
    shelf: Sequence[OnShelf],
    notation: Notation,
) -> LayReady:
    """What these operations want to have ready.

    Pieces of one item of the shelf are counted together: what each takes by itself may be there, and all of
    it may not.
    """
    wanted = {hand.piece for each in operations for hand in each.pieces}
    left = {piece.id: piece for piece in still_to_cut(pieces, cut)}
    by_number = {entry.number: entry for entry in shelf}
    taken: dict[int, int] = {}
    materials = []
    for piece in pieces:
        if piece.id in wanted and piece.id in left:
            materials.append(_material(left[piece.id], by_number, taken, notation))
    return LayReady(
        tuple(dict.fromkeys(tool for each in operations for tool in each.tools)),
        tuple(dict.fromkeys(glued.adhesive for each in operations for glued in each.glue)),
        tuple(materials),
        tuple(piece.label for piece in pieces if piece.id in wanted and piece.id not in left),
    )


def _material(piece: Piece, shelf: dict[int, OnShelf], taken: dict[int, int], notation: Notation) -> Material:
    def material(stock: str, wanted: str, there: str, *, short: bool) -> Material:
        return Material(
            piece.id, piece.label, piece.count, piece.shown, piece.finished, stock, wanted, there, short
        )

    entry = shelf.get(piece.item) if piece.item is not None else None
    if entry is None:
        gone = piece.item is not None
        return material(piece.stock, "", "not on the shelf" if gone else "", short=gone)
    found = next(iter(choose_stock(piece, [entry], notation, others=True).candidates), None)
    if found is None:
        # an item that nothing flat is cut from, as a job brought from elsewhere may name
        return material(entry.item.name, "", "not to be cut from", short=True)
    sum_taken = taken[entry.number] = taken.get(entry.number, 0) + found.takes
    return material(
        piece.stock or entry.item.name,
        found.takes_words,
        count_words(entry.item, entry.count),
        short=not found.fits or sum_taken > entry.count,
    )
