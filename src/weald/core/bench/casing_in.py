"""The casing-in sheet: how wide a paste-down is cut, where glue goes, what it is pressed between.

See *Paste-down* in docs/craft.md for the sums; the sizes are those of the plan.
"""

from collections.abc import Callable

from weald.core.bench.path_drawing import mull_side, support_side
from weald.core.bench.steps.of_book import cased, shut
from weald.core.block.holes import support_middles
from weald.core.book.book import Book
from weald.core.book.operation import CasingIn, LookAt, SheetSize
from weald.core.drawing import Drawing, Sketch, box
from weald.core.quantities import QuantityId
from weald.core.stations.block_pieces import MULL_SHORT
from weald.core.units import Mm

PRESS_SHORT: Mm = 3.0
"""A pressing board ends so far short of the joint, so that the joint is not pressed flat."""
_LETTERS = 4.0


def _always(book: Book) -> bool:
    return True


def _with_flanges(book: Book) -> bool:
    return cased(book) and bool(_flanges(book))


def _flanges(book: Book) -> str:
    """What lies between paste-down and board, as this book has it."""
    return " and ".join(name for name, has in (("mull", book.mulled), ("supports", book.on_supports)) if has)


def _at_the_joint(book: Book) -> str:
    dry = book.spec.endpapers.dry_strip
    if not dry:
        return "the joint pasted too"
    return f"a strip of {book.notation.limit(dry)} at the joint left dry"


def _nipped_hard(book: Book) -> bool:
    return cased(book) and book.spec.bench.pressing in ("nip", "bricks")


_TICKS: tuple[tuple[Callable[[Book], bool], str], ...] = (
    (_always, "Paste-downs trimmed to {width}: {trim} off each fore-edge."),
    (_always, "Waste sheet between paste-down and fly-leaf."),
    (_with_flanges, "{flanges} pasted down first."),
    (_always, "Glued from the spine outwards, edges last; {joint}."),
    (_always, "Waste sheet out at once."),
    (cased, "Board brought down: squares even on three sides before any pressure."),
    (cased, "Joint set from outside."),
)
"""Ticked on each side, as far as a book has them: boards fixed to the block have their joint already.

A tick that was made is known by its place here: what is new goes last.
"""
_ENDS: tuple[tuple[Callable[[Book], bool], str], ...] = (
    (_nipped_hard, "Nipped {nip} minutes, hard; then looked at from outside only."),
    (shut, "Release sheet and moisture barrier inside each board."),
    (
        shut,
        "Closed under weight between boards of {board_width} × {board_height}, their edge {short} short of "
        "the joint; not opened while damp.",
    ),
)
NIP_MINUTES = 2


def reckon_casing_in(book: Book) -> CasingIn | None:
    """The casing-in sheet of a book; none where no paste-down is pasted on a board."""
    if not _pasted(book):
        return None
    _reckon_pressing(book)
    ledger, say = book.ledger, book.ledger.notation
    terms = {
        "width": ledger.shown("pastedown.width"),
        "trim": ledger.shown("pastedown.trim"),
        "joint": _at_the_joint(book),
        "nip": NIP_MINUTES,
        "flanges": _flanges(book).capitalize(),
        "board_width": ledger.shown("pressing.width"),
        "board_height": ledger.shown("pressing.height"),
        "short": say.limit(PRESS_SHORT),
    }
    shown: tuple[QuantityId, ...] = (
        "pastedown.width",
        "pastedown.trim",
        "pastedown.growth",
        "pastedown.margin",
        "pressing.width",
        "pressing.height",
    )
    return CasingIn(
        tuple(
            SheetSize(name, ledger.say(ledger.quantities[name].label), ledger.shown(name)) for name in shown
        ),
        tuple(
            LookAt(f"casing.{place}", say.say(text, **terms))
            for place, (has, text) in enumerate(_TICKS)
            if has(book)
        ),
        tuple(
            LookAt(f"casing.end.{place}", say.say(text, **terms))
            for place, (has, text) in enumerate(_ENDS)
            if has(book)
        ),
    )


def _pasted(book: Book) -> bool:
    return book.bound.sizes.inset is not None and bool(book.spec.endpapers.leaves)


def _reckon_pressing(book: Book) -> None:
    ledger = book.ledger
    board, height = ledger.ref("board.width"), ledger.ref("board.height")
    short = ledger.entry("short of the joint", PRESS_SHORT, "binding.joint")
    ledger.reckon(
        "pressing.width",
        board.value - PRESS_SHORT,
        "{board} − {short}",
        {"board": board, "short": short},
        rule="at least so wide; what is more stands out at the fore-edge, never over the joint",
        or_nothing=True,
    )
    ledger.reckon(
        "pressing.height",
        height.value,
        "{board}",
        {"board": height},
        rule="at least as high as the board",
    )


def draw_casing_in(book: Book) -> Drawing | None:
    """The inside of the front board with all that is pasted on it, at true size: the spine to the left."""
    if not _pasted(book):
        return None
    ledger, sketch = book.ledger, Sketch()
    size, show = ledger.value, ledger.notation.figure
    head = size("closed.head")
    height, growth = book.block.height, size("pastedown.growth")
    leaf = size("pastedown.width") + growth
    edge = leaf + size("pastedown.margin")
    board_left = edge - size("board.width")
    board = box(board_left, -head, size("board.width"), size("board.height"))
    sketch.area(board, "board", about="board.width board.height")
    sketch.grain(board, 90)
    sketch.area(box(0, 0, leaf, height), "paper", about="pastedown.width pastedown.growth")
    dry = book.spec.endpapers.dry_strip
    sketch.hatch(box(dry, 0, leaf - dry, height), "glue", 45, "pastedown.width")
    _draw_under(book, sketch)
    if dry:
        sketch.line([(dry, 0), (dry, height)], "fold", "pastedown.growth")
        sketch.name(0, 0, dry, height, ledger.say("dry"), tallest=_LETTERS * 0.7, about="pastedown.growth")
    sketch.label(leaf / 2, height * 0.9, ledger.say("glue"), height=_LETTERS, about="pastedown.width")
    if size("pastedown.trim") > 0:
        as_it_stands = size("pastedown.width") + size("pastedown.trim")
        sketch.line([(as_it_stands, 0), (as_it_stands, height)], "trim", "pastedown.trim")
    sketch.dimension((leaf, 0), (edge, 0), show(size("pastedown.margin")), about="pastedown.margin")
    sketch.dimension((0, height), (0, 0), show(height), about="block.height")
    sketch.dimension(
        (edge, -head), (edge, size("board.height") - head), show(size("board.height")), about="board.height"
    )
    sketch.dimension(
        (size("pastedown.width"), height),
        (0, height),
        show(size("pastedown.width")),
        about="pastedown.width",
    )
    text = ledger.notation.say(
        "The inside of a board, its joint to the left. The paste-down is cut {width} wide and lies {growth} "
        "wider once it is wet; " + "{joint}." + (" Under it: {flanges}." if _flanges(book) else ""),
        joint=_at_the_joint(book),
        flanges=_flanges(book),
        width=ledger.shown("pastedown.width"),
        growth=ledger.shown("pastedown.growth"),
    )
    return sketch.finish(
        "bench.casing_in",
        "bench",
        "Casing in",
        rows=(1, 1, 1, 1),
        text=text,
        template=True,
    )


def _draw_under(book: Book, sketch: Sketch) -> None:
    """Mull and supports, as they lie under the paste-down."""
    height = book.block.height
    if book.has("mull") and height > 2 * MULL_SHORT:
        reach = mull_side(book)
        strip = box(0, MULL_SHORT, reach, height - 2 * MULL_SHORT)
        sketch.line([*strip, strip[0]], "hidden", "mull.width mull.height")
        sketch.label(
            reach / 2, height * 0.12, book.ledger.say("mull"), height=_LETTERS * 0.8, about="mull.width"
        )
    if not book.on_supports:
        return
    if book.structure.attachment != "case":
        return
    reach, across = support_side(book), book.spec.sewing.support_width
    for middle in support_middles(book.sewing.holes):
        tape = box(0, middle - across / 2, reach, across)
        sketch.line([*tape, tape[0]], "hidden", "sewing.support_length")
