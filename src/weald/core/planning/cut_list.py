"""Every piece that is cut for a book."""

from collections.abc import Iterator
from dataclasses import replace

from weald.core.book.book import Book
from weald.core.folding.packet import FoldedPacket
from weald.core.paper import with_spoilage
from weald.core.pieces import Piece, make_piece
from weald.core.stations import finish as finish_station
from weald.core.stations.block_pieces import block_pieces, endpaper_pieces
from weald.core.stations.cutting import TEXT_SHEET
from weald.core.units import Mm, rounded_up


def cut_list(book: Book) -> tuple[Piece, ...]:
    """Every piece to cut, in the order of work."""
    spec, ledger, structure, folded = book.spec, book.ledger, book.structure, book.folded
    return (
        *_text_sheets(book),
        *endpaper_pieces(spec, book.treatment, book.bound.sizes, ledger),
        *book.bound.pieces,
        *block_pieces(
            spec,
            book.treatment,
            folded.paper,
            book.block,
            book.sewing,
            book.bound.sizes,
            ledger,
            lined=structure.lined,
            hollow=structure.hollow,
        ),
        *finish_station.pieces(spec, book.finish, ledger),
        *book.added.pieces,
    )


def _text_sheets(book: Book) -> Iterator[Piece]:
    """The sheets of the text for all copies, and what gets spoilt; those of their own by kind."""
    spec, folded = book.spec, book.folded
    paper, made = folded.paper, folded.text.make_up
    if made.main_sheets:
        size = (paper.sheet_width, paper.sheet_height)
        piece = _sheet_piece(book, TEXT_SHEET, "Text sheet", made.main_sheets, size, folded.packet, None)
        yield replace(piece, grain_right=paper.lay.grain_right if paper.lay else None)
    kinds: dict[tuple[str, int | None], int] = {}
    for own in made.own:
        if own is not None:
            kinds[own.programme, own.row] = kinds.get((own.programme, own.row), 0) + own.sheets
    formes = spec.extras.formes
    for number, ((programme, row), count) in enumerate(kinds.items(), start=1):
        own_press = book.press.own[programme]
        entry = formes.sections[row] if formes and row is not None else None
        label = f"Text sheet, {entry.paper}" if entry and entry.paper else "Text sheet, smaller"
        layout = own_press.layout
        size = (layout.unfolded_width, layout.unfolded_height)
        thickness = entry.thickness if entry else None
        piece = _sheet_piece(book, f"{TEXT_SHEET}_{number}", label, count, size, own_press.packet, thickness)
        grain = entry.grain if entry else "unsaid"
        yield piece if grain == "unsaid" else replace(piece, grain_right=grain == piece.grain)


def _sheet_piece(
    book: Book,
    id: str,
    label: str,
    sheets: int,
    size: tuple[Mm, Mm],
    packet: FoldedPacket,
    thickness: Mm | None,
) -> Piece:
    """Sheets of one kind, unfolded.

    :param thickness: of a leaf; that of the text's paper where not given.
    """
    spec = book.spec
    count = sheets * spec.copies
    piece = make_piece(
        book.ledger,
        id,
        label,
        "paper",
        count,
        size,
        "unfolded, before trimming",
        thickness=book.folded.paper.calliper if thickness is None else thickness,
        grain=packet.grain,
    )
    return replace(piece, spare=rounded_up(with_spoilage(count, spec.paper.spoilage) - count))
