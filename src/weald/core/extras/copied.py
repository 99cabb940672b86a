"""A job that copies an old book from its measures.

How they become entries, and where the job differs from them.
"""

from collections.abc import Iterator

from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Sketch, box
from weald.core.extras.finishing.old_lines import differing_lines, take_lines
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, Patch, finding
from weald.core.folding.makeup import share_out
from weald.core.folding.packet import MAX_SHEETS
from weald.core.job.extras.old_books import CopiedBook
from weald.core.job.patching import value_at
from weald.core.job.spec import JobSpec
from weald.core.quantities import QuantityId
from weald.core.units import Mm

AS_GOOD: Mm = 0.25
"""A rule cannot tell sizes apart that differ by no more."""
WIDEST_SQUARE: Mm = 50.0
WIDEST_FRENCH_JOINT: Mm = 12.0
LEAST_BOARD: Mm = 0.3
"""No more can be entered of either; a book that has more is said to differ."""


def reckon(book: Book) -> Added:
    """Hold the plan against the old book, and offer to make the job like it."""
    old = book.spec.extras.copied or CopiedBook()
    differs = [*_differences(book, old), *differing_lines(book, old.lettering)]
    patch = copying(book, old)
    asked = [_not_measured(book, patch)] if old.inset is None and book.structure.boards else []
    if any(_plain(value_at(book.spec, path)) != value for path, value in patch.items()):
        action = Action("Make the job like it", patch)
        taken = finding("copied.take", "extras.copied", book.notation, actions=(action,))
        return Added(findings=(taken, *differs, *asked))
    if differs:
        return Added(findings=(*differs, *asked))
    return Added(findings=(finding("copied.alike", "extras.copied", book.notation), *asked))


def copying(book: Book, old: CopiedBook) -> Patch:
    """The entries that make a job like the old book.

    Squares: head and tail = (board − leaf) / 2, where they are alike; fore-edge = inset + board − leaf, of a
    backed book less its shoulder, which is as wide as the board is thick. Where the inset was not measured,
    the boards are as wide as they were, and the fore-edge square is the one they show on this book's joint.
    Of boards made of two the thick one is what the thin one leaves.
    The block's thickness is taken as measured, its paper's as thickness / leaves.
    """
    spec = book.spec
    over = old.board_height - old.height
    head = over / 2 if old.head is None else old.head
    thin = spec.binding.thin_board if book.structure.laminated else 0.0
    patch: Patch = {
        "leaf.height": old.height,
        "leaf.width": old.width,
        "text.pages": 2 * old.leaves,
        "binding.board": max(LEAST_BOARD, round(old.board - thin, 4)),
        "binding.cover_thickness": old.cover,
        "binding.squares.head": _square(head),
        "binding.squares.tail": _square(over - head),
        "measured.block.thickness": old.thickness,
    }
    if old.inset is None:
        patch["measured.board.width"] = old.board_width
        patch["binding.squares.fore_edge"] = _square(_seen_at_the_fore_edge(book, patch))
    else:
        shoulder = old.board if book.block.shoulder_angle else 0.0
        fore_edge = old.inset + old.board_width - (old.width - shoulder)
        patch["binding.squares.fore_edge"] = _square(fore_edge)
    if old.inset is not None and book.structure.in_shoulders:
        patch["binding.french_joint"] = min(WIDEST_FRENCH_JOINT, old.inset)
    elif old.inset is not None:
        patch |= {"binding.joint_rule": "inset", "binding.inset": old.inset}
    if old.spine is not None:
        patch["measured.spine_board.width"] = old.spine
    if old.back_height is not None:
        patch["measured.back_board.height"] = old.back_height
    if old.back_width is not None:
        patch["measured.back_board.width"] = old.back_width
    if old.sections:
        patch |= _sections(spec, old)
    if old.supports or old.kettle_head is not None or old.kettle_tail is not None:
        patch["extras.places"] = {
            "kettle_head": old.kettle_head,
            "kettle_tail": old.kettle_tail,
            "supports": [each.model_dump() for each in old.supports],
        }
    if old.bands:
        patch["extras.bands"] = {
            "high": old.bands_high,
            "bands": [each.model_dump() for each in old.bands],
        }
    return patch | take_lines(book, old)


def _seen_at_the_fore_edge(book: Book, patch: Patch) -> Mm:
    """The fore-edge square boards of a known width show, by this book's own joint."""
    made = book.again(patch)
    sizes = made.bound.sizes
    if sizes.boards is None:
        return book.spec.binding.squares.fore_edge
    board = sizes.boards.front[0]
    if sizes.inset is None:
        return board - made.block.width
    return made.ledger.value("closed.inset") + board - made.block.joint_width


def _not_measured(book: Book, patch: Patch) -> Finding:
    square = patch["binding.squares.fore_edge"]
    shown = book.notation.length(float(square), True) if isinstance(square, int | float) else ""
    return finding("copied.inset", "extras.copied.inset", book.notation, square=shown)


def _square(size: Mm) -> Mm:
    """A square as it can be entered; where boards and leaf are too unlike for one, that is said to differ."""
    return round(min(WIDEST_SQUARE, max(0.0, size)), 4)


def _sections(spec: JobSpec, old: CopiedBook) -> Patch:
    """Sheets of one fold a section, so that there are as many sections as there were."""
    sheets = -(-old.leaves // 2)
    each = max(1, -(-sheets // (old.sections or 1)))
    if each > MAX_SHEETS:
        return {}
    shared = share_out(sheets, each, "even")
    rule = "even" if len(shared) == old.sections else "full"
    return {"folding.programme": "upright", "folding.sheets_per_section": each, "folding.make_up": rule}


def _plain(value: object) -> object:
    dump = getattr(value, "model_dump", None)
    if dump is None:
        return value
    data: dict[str, object] = dump(mode="json", exclude_unset=False)
    return {
        key: inner
        for key, inner in data.items()
        if key in ("kettle_head", "kettle_tail", "supports", "bands", "high")
    }


def _differences(book: Book, old: CopiedBook) -> Iterator[Finding]:
    """Sizes of the plan that are not the old book's."""
    there: dict[QuantityId, Mm | None] = {
        "block.height": old.height,
        "block.width": old.width,
        "block.thickness": old.thickness,
        "board.height": old.board_height,
        "board.width": old.board_width,
        "back_board.height": old.back_height,
        "back_board.width": old.back_width,
        "spine_board.width": old.spine,
    }
    for quantity, size in there.items():
        if size is None or quantity not in book.ledger.quantities:
            continue
        here = book.ledger.value(quantity)
        if abs(here - size) > AS_GOOD:
            yield finding(
                "copied.differs",
                quantity,
                book.notation,
                label=book.ledger.quantities[quantity].label,
                here=book.notation.length(here, True),
                there=book.notation.limit(size),
            )


def draw(sketch: Sketch) -> None:
    """An old book and its like beside it, a rule between."""
    sketch.area(box(0, 0, 20, 40), "leather", "cut")
    for y in (7, 15, 23, 31):
        sketch.area(box(0, y, 5, 1.6), "mark")
    sketch.area(box(34, 0, 20, 40), "cloth", "cut")
    for y in (7, 15, 23, 31):
        sketch.area(box(34, y, 5, 1.6), "mark")
    sketch.line(((27, 0), (27, 40)), "outline")
    for y in range(0, 41, 5):
        sketch.line(((25, y), (29, y)), "outline")


EXTRA = Extra(
    name="copied",
    station="text",
    title="copy of an old book",
    does="Copy an old book",
    good_for="a damaged volume of a set, or a pattern: a job like it from its measures, and "
    "where they differ",
    entries=CopiedBook,
    draw=draw,
    reckon=reckon,
    left_open="–",
    in_words="old book, set, measures, facsimile, replacement volume",
)
