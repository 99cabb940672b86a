"""What is drawn at the bench besides the order of work."""

from collections.abc import Iterator

from weald.core.bench.casing_in import draw_casing_in
from weald.core.bench.path_drawing import draw_mull_path, draw_support_path
from weald.core.book.book import Book
from weald.core.drawing import Drawing


def draw_bench(book: Book) -> Iterator[Drawing]:
    """The drawings of the bench besides the order of work, as far as this book has a use for them."""
    yield from filter(None, (draw_casing_in(book), draw_support_path(book), draw_mull_path(book)))
