"""What is drawn at the bench: order of work, casing-in sheet, and the way of what holds the boards."""

from collections.abc import Iterator, Sequence

from weald.core.bench.book import Book
from weald.core.bench.casing_in import draw_casing_in
from weald.core.bench.operation import Operation
from weald.core.bench.order_drawing import draw_order
from weald.core.bench.path_drawing import draw_mull_path, draw_support_path
from weald.core.drawing import Drawing


def draw_bench(book: Book, operations: Sequence[Operation]) -> Iterator[Drawing]:
    """The drawings of the bench, as far as this book has a use for them."""
    if operations:
        yield draw_order(operations, book.ledger.notation)
    yield from filter(None, (draw_casing_in(book), draw_support_path(book), draw_mull_path(book)))
