"""What to look at before going on: where a mistake still costs nothing, with the sizes to expect there."""

from collections.abc import Iterator
from dataclasses import dataclass

from weald.core.bindings.protocol import Structure
from weald.core.book.book import Book
from weald.core.quantities import SQUARE
from weald.core.reckoning import Ledger
from weald.core.station import Station
from weald.core.stations.block_findings import BOARD_COVERS_BAND, DIAGONALS_MAY_DIFFER
from weald.core.stations.block_plan import BlockPlan


@dataclass(frozen=True, slots=True)
class Look:
    """Something to look at, at the station where it is done."""

    station: Station
    text: str


def what_to_look_at(book: Book) -> tuple[Look, ...]:
    """What to look at in binding this book, in the order of work."""
    structure, block, ledger = book.structure, book.block, book.ledger
    signatures = book.signatures if block.sections else 0
    words: tuple[tuple[Station, Iterator[str]], ...] = (
        ("folding", _pages(signatures)),
        ("sewing", _sewing(signatures)),
        ("block", _block(structure, block, ledger)),
        ("boards", _cover(book)),
        ("finish", _spine(structure)),
        ("cutting", iter(("The grain of every piece, on the piece itself, before it is cut.",))),
    )
    return tuple(Look(station, ledger.say(text)) for station, texts in words for text in texts)


def _pages(signatures: int) -> Iterator[str]:
    if not signatures:
        yield "Every leaf the right way up, and the pages in order, before any glue."
    if signatures == 1:
        yield "The pages in order, before it is stitched."
    if signatures > 1:
        yield "The pages of each {signature} in order, before the next one is folded."
        yield "All {signatures} the same way up: a pencil mark on the head of each."


def _sewing(signatures: int) -> Iterator[str]:
    if signatures == 1:
        yield "Every stitch in the fold, not beside it, and the outermost leaf not torn."
    if signatures > 1:
        yield "The folds in line at the spine, and the collation marks one clean stair."
        yield "The thread equally tight from the first {signature} to the last."


def _block(structure: Structure, block: BlockPlan, ledger: Ledger) -> Iterator[str]:
    if structure.sections == "one":
        return
    show = ledger.notation.length
    yield f"Pressed, the block {show(block.thickness, True)} thick; what you measure takes over."
    diagonal, off = show(ledger.value("block.diagonal"), True), show(DIAGONALS_MAY_DIFFER, True)
    yield f"Both diagonals {diagonal}, and within {off} of one another."
    if block.round:
        rise = show(block.rise, True)
        yield f"The round even from head to tail, standing out {rise} in the middle."


def _cover(book: Book) -> Iterator[str]:
    structure, block, ledger = book.structure, book.block, book.ledger
    show = ledger.notation.length
    if structure.flush:
        yield "Cover and leaves cut in one stroke: no step at head, tail or fore-edge."
    if book.bound.sizes.square is None:
        return
    head, tail, fore_edge = (show(ledger.value(square), True) for square in SQUARE.values())
    squares = (
        f"squares of {head} at the head, {tail} at the tail, {fore_edge} at the fore-edge, both sides alike"
    )
    if not structure.boards:
        yield f"The cover offered up before it is fastened: {squares}."
        return
    if not structure.in_shoulders and book.bound.sizes.inset is not None:
        yield f"The case offered up to the block before any glue: {squares}."
    else:
        yield f"The boards laid on before they are fastened: {squares}."
    if structure.in_shoulders and block.shoulder:
        yield f"Each board flush with its shoulder, which stands out {show(block.shoulder, True)}."
    if book.has("end_band"):
        most = show(ledger.value("squares.head") - BOARD_COVERS_BAND, True)
        yield f"The end bands below the edge of the boards: no higher than {most}."
    if structure.endpapers:
        yield "The paste-downs clear of the edges of the boards, and parallel to them."
    yield "The fore-edge square as wide at the head as at the tail, and not thick at one end."
    yield "The book standing upright on its tail."


def _spine(structure: Structure) -> Iterator[str]:
    if structure.lettered:
        yield "The lettering in the middle of the spine, measured from both joints."
