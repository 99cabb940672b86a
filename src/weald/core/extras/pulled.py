"""An old book pulled down.

Its folds mended with guards, which add to the spine, and its sections sewn anew.
"""

from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Sketch
from weald.core.extras.protocol import Extra
from weald.core.job.extras.backs import PulledDown
from weald.core.job.spec import JobSpec
from weald.core.pieces import make_piece


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Whatever is folded and sewn; a paperback may be, and comes apart first however it is held."""
    return structure.sections != "leaves" or structure.rebound


def reckon(book: Book) -> Added:
    """The guards to cut; the block counts their plies at the spine."""
    pulled = book.spec.extras.pulled or PulledDown()
    if not pulled.mended:
        return Added()
    piece = make_piece(
        book.ledger,
        "mending_guard",
        "Mending guard",
        "paper",
        pulled.mended * book.spec.copies,
        (pulled.width, book.block.height),
        "torn or cut along the grain, pasted round the outside of a fold; pressed between blotters",
        thickness=pulled.thickness,
    )
    return Added((piece,))


def draw(sketch: Sketch) -> None:
    """Sections apart, a strip round the fold of one."""
    for number in range(3):
        y = 13.0 * number
        for off in (0.0, 2.0, 4.0):
            sketch.line(
                ((44, y + off), (2 + off / 2, y + off), (2 + off / 2, y + 9 - off), (44, y + 9 - off)),
                "outline",
            )
    sketch.line(((12, 12), (0.5, 12), (0.5, 23), (12, 23)), "thread")


EXTRA = Extra(
    name="pulled",
    station="sewing",
    title="pulled down and mended",
    does="Pull the book down and mend it",
    good_for="an old book sewn again: {signatures} numbered and cleaned, folds mended, and what "
    "that adds at the spine",
    entries=PulledDown,
    draw=draw,
    suits=suits,
    reckon=reckon,
    in_words="repair, old book, mend, tissue, guards, resew",
)
