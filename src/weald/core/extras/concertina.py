"""A concertina guard.

Sections sewn into the folds of a strip, so that glue on the spine never reaches them.
"""

from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.job.extras.backs import ConcertinaGuard
from weald.core.job.spec import JobSpec
from weald.core.pieces import make_piece


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Several sections, sewn to one another."""
    return structure.sections == "several"


def reckon(book: Book) -> Added:
    """Enter the strip's length, and cut it; the block counts its two plies at every section."""
    guard, ledger = book.spec.extras.concertina or ConcertinaGuard(), book.ledger
    if not book.block.sections:
        return Added()
    length = ledger.reckon(
        "concertina.length",
        2 * guard.deep * book.block.sections + 2 * guard.ends,
        "2 × {deep} × {sections} + 2 × {ends}",
        {
            "deep": ledger.entry("a fold, deep", guard.deep, "extras.concertina.deep"),
            "sections": ledger.entry("sewn {signatures}", book.block.sections, "sections.count", "count"),
            "ends": ledger.entry("flat at either end", guard.ends, "extras.concertina.ends"),
        },
        rule="two plies a fold; joined of more strips where it is too long, the joins inside a fold",
    )
    piece = make_piece(
        ledger,
        "concertina",
        "Concertina guard",
        "paper",
        book.spec.copies,
        (length, book.block.height),
        "folded in zig-zag, a {signature} in every fold; its grain head to tail, along the folds",
        thickness=guard.thickness,
    )
    drawings = (_draw(book, guard, length),) if "block" in book.drawn else ()
    return Added((piece,), drawings)


def _draw(book: Book, guard: ConcertinaGuard, length: float) -> Drawing:
    """The strip flat, its folds in turn up and down."""
    show, sketch, height = book.notation.figure, Sketch(), book.block.height
    sketch.area(box(0, 0, length, height), "paper", "cut", "concertina.length")
    sketch.grain(box(0, 0, length, height), 90)
    for number in range(2 * book.block.sections + 1):
        x = guard.ends + number * guard.deep
        sketch.line(((x, 0), (x, height)), "fold" if number % 2 else "score", "extras.concertina.deep")
    sketch.dimension((0, 0), (guard.ends, 0), show(guard.ends), about="extras.concertina.ends")
    first, second = guard.ends, guard.ends + guard.deep
    sketch.dimension((first, 0), (second, 0), show(guard.deep), about="extras.concertina.deep")
    sketch.dimension((0, 0), (length, 0), show(length), offset=2, about="concertina.length")
    sketch.dimension((0, height), (0, 0), show(height), about="block.height")
    return sketch.finish(
        "block.concertina",
        "block",
        "The concertina guard, flat",
        rows=(1, 2, 0, 0),
        text=f"{book.block.sections} folds, {show(guard.deep, True)} deep, dashed and scored in turn.",
    )


def draw(sketch: Sketch) -> None:
    """A strip in zig-zag at the spine, sections in its folds."""
    path: list[tuple[float, float]] = [(8, -4)]
    for number in range(4):
        y = 9.0 * number
        path += [(0, y), (10, y + 4.5)]
        for off in (3.5, 4.5, 5.5):
            sketch.line(((44, y + off), (11, y + 4.5)), "outline")
    path += [(0, 36), (8, 40)]
    sketch.line(path, "thread")


EXTRA = Extra(
    name="concertina",
    station="block",
    title="concertina guard",
    does="Sew to a concertina guard",
    good_for="precious or thin sections: sewn into the folds of a strip, they never touch glue",
    entries=ConcertinaGuard,
    draw=draw,
    suits=suits,
    reckon=reckon,
    in_words="zig-zag, guard, sewing guard, conservation",
)
