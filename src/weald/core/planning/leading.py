"""What one comes to a station for, said there before anything else."""

from collections.abc import Iterator

from weald.core.bench.cut import size_words
from weald.core.book.book import Book
from weald.core.pieces import Piece, PieceGrain
from weald.core.quantities import QUANTITIES
from weald.core.records import record
from weald.core.station import Station


@record(frozen=True, slots=True)
class Lead:
    """A size or a piece to cut.

    :param shown: the size; ``about`` what it is in drawings and reckoning, by ids.
    :param count: of pieces, for all copies; none of a size.
    :param grain: the side of a piece its grain runs along.
    """

    station: Station
    label: str
    shown: str
    about: str
    count: int | None
    grain: PieceGrain | None


_LEADING = {id: each.station for id, each in QUANTITIES.items() if each.leads}


def leading(book: Book) -> Iterator[Lead]:
    """What leads at each station: at the boards the pieces to cut, elsewhere the sizes that say so."""
    quantities = book.ledger.quantities
    for id, station in _LEADING.items():
        if id in quantities:
            yield Lead(station, quantities[id].label, quantities[id].shown, id, None, None)
    bound = {piece.id for piece in book.bound.pieces}
    for piece in book.pieces:
        if piece.id in bound:
            size = size_words(piece.cut_width, piece.cut_height, book.notation)
            yield Lead("boards", piece.label, size, _about(piece, book), piece.count, piece.grain)


def _about(piece: Piece, book: Book) -> str:
    sizes = (size for size in (f"{piece.id}.width", f"{piece.id}.height") if size in book.ledger.quantities)
    return " ".join((piece.about, *sizes))
