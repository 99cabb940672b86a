"""What is drawn at the bench, and the drawing each operation is best done by."""

from collections.abc import Iterator

from weald.core.bench.casing_in import draw_casing_in
from weald.core.bench.path_drawing import draw_mull_path, draw_support_path
from weald.core.book.book import Book
from weald.core.drawing import Drawing

DRAWING_OF = {
    "pierce": "sewing.strip",
    "sew": "block.spine",
    "trim_first": "block.front",
    "trim": "block.front",
    "trim_rounded": "block.front",
    "round": "block.tail",
    "back": "block.tail",
    "measure_block": "block.tail",
    "line_spine": "bench.mull_path",
    "cut_boards": "pieces.all",
    "cut_cover": "case.flat",
    "score_cover": "case.flat",
    "make_case": "case.flat",
    "cover_book": "case.flat",
    "lace_on": "bench.support_path",
    "join_boards": "bench.support_path",
    "sew_into_cover": "bench.support_path",
    "offer_up": "case.closed",
    "case_in": "bench.casing_in",
    "dry_closed": "bench.casing_in",
    "letter": "finish.spine",
}
"""The drawing an operation is best done by."""


def draw_bench(book: Book) -> Iterator[Drawing]:
    """The drawings of the bench besides the order of work, as far as this book has a use for them."""
    yield from filter(None, (draw_casing_in(book), draw_support_path(book), draw_mull_path(book)))
