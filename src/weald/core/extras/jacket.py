"""The paper jacket: as high as the boards, taut round the closed book, its flaps folded in."""

import math
from itertools import pairwise

from weald.core.bindings import pictures
from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import TRIM_HATCH_ANGLE, Drawing, Point, Sketch, box
from weald.core.extras.closed_book import spine_part
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.job.extras.enclosures import Jacket
from weald.core.job.spec import JobSpec
from weald.core.pieces import make_piece
from weald.core.units import Mm

LEAST_FLAP: Mm = 50.0
"""A narrower flap slips out."""
PARTS = ("back flap", "back", "spine", "front", "front flap")


def _length(path: list[Point]) -> Mm:
    return sum(math.dist(one, other) for one, other in pairwise(path))


def suits(structure: Structure, spec: JobSpec) -> bool:
    """A jacket goes round boards that a covering joins across the spine."""
    return structure.boards and structure.lettered


def reckon(book: Book) -> Added:
    """Size the jacket, its folds from left to right, and draw it flat, its printed side up."""
    jacket, ledger = book.spec.extras.jacket or Jacket(), book.ledger
    over_spine, over_board = spine_part(book.bound.profile)
    board = ledger.ref("board.height")
    cover = ledger.entry(
        "covering", book.spec.binding.cover_thickness, "binding.cover_thickness", "thickness"
    )
    height = ledger.reckon(
        "jacket.height",
        board.value - jacket.lower,
        "{board} − {lower}",
        {"board": board, "lower": ledger.entry("lower", jacket.lower, "extras.jacket.lower")},
        rule="a jacket as high as the boards creases on the shelf",
    )
    spine = ledger.reckon(
        "jacket.spine",
        2 * (_length(over_spine) + cover.value),
        "2 × ({half} + {cover})",
        {"half": ledger.entry("half the spine", _length(over_spine), "spine_board.width"), "cover": cover},
        rule="wrap a strip of the jacket's paper round the finished book, and measure it",
    )
    panel = ledger.reckon(
        "jacket.panel",
        _length(over_board) + 2 * cover.value,
        "{side} + 2 × {cover}",
        {
            "side": ledger.entry("spine's edge to fore-edge", _length(over_board), "board.width"),
            "cover": cover,
        },
        rule="taut over the joint",
    )
    edge = ledger.reckon(
        "jacket.edge",
        ledger.value("board.thickness") + 2 * cover.value,
        "{board} + 2 × {cover}",
        {
            "board": ledger.ref("board.thickness"),
            "cover": cover,
        },
        rule="the board with its covering on either side",
    )
    part = ledger.entry("part of the board", jacket.flap, "extras.jacket.flap", "factor")
    flap = ledger.reckon(
        "jacket.flap",
        jacket.flap * ledger.value("board.width") if jacket.flap_width is None else jacket.flap_width,
        "{part} × {board}" if jacket.flap_width is None else "as decided",
        {"part": part, "board": ledger.ref("board.width")} if jacket.flap_width is None else {},
        rule="a half to two thirds of the board: wide enough to stay in, clear of the paste-down's middle",
        entry=None if jacket.flap_width is None else "extras.jacket.flap_width",
    )
    width = ledger.reckon(
        "jacket.width",
        spine + 2 * (panel + edge + flap),
        "{spine} + 2 × ({panel} + {edge} + {flap})",
        {
            "spine": ledger.ref("jacket.spine"),
            "panel": ledger.ref("jacket.panel"),
            "edge": ledger.ref("jacket.edge"),
            "flap": ledger.ref("jacket.flap"),
        },
    )
    how = "folds scored first; grain head to tail, so that it wraps without cracking"
    piece = make_piece(
        ledger,
        "jacket",
        "Jacket",
        "side_paper",
        book.spec.copies,
        (width, height),
        how,
        thickness=jacket.thickness,
    )
    drawings = (_draw(book, jacket, (flap, panel, spine, edge), height),) if "finish" in book.drawn else ()
    return Added((piece,), drawings, tuple(_mind(book, flap)))


def _mind(book: Book, flap: Mm) -> list[Finding]:
    show, board = book.notation.length, book.ledger.value("board.width")
    if flap < min(LEAST_FLAP, board / 2):
        actions = (Action("Half the board", {"extras.jacket.flap": 0.5, "extras.jacket.flap_width": None}),)
        width = show(flap, True)
        return [finding("jacket.flap_narrow", "jacket.flap", book.notation, width=width, actions=actions)]
    if flap > board:
        actions = (
            Action("Two thirds of it", {"extras.jacket.flap": 0.66, "extras.jacket.flap_width": None}),
        )
        width, most = book.notation.compared(flap, board)
        return [
            finding(
                "jacket.flap_wide", "jacket.flap", book.notation, width=width, board=most, actions=actions
            )
        ]
    return []


def _draw(book: Book, jacket: Jacket, widths: tuple[Mm, Mm, Mm, Mm], height: Mm) -> Drawing:
    """The jacket flat, with what is cut off beyond it, its folds, and where lettering keeps clear."""
    flap, panel, spine, edge = widths
    show, sketch = book.notation.figure, Sketch()
    columns = (flap, edge, panel, spine, panel, edge, flap)
    names = ("back flap", "", "back", "spine", "front", "", "front flap")
    about = (
        "jacket.flap",
        "jacket.edge",
        "jacket.panel",
        "jacket.spine",
        "jacket.panel",
        "jacket.edge",
        "jacket.flap",
    )
    total, bleed, safe = sum(columns), jacket.bleed, jacket.safe
    sketch.area(box(0, 0, total, height), "side_paper", "cut", "jacket.width jacket.height")
    sketch.grain(box(0, 0, total, height), 90)
    if bleed:
        sketch.line(
            (
                *box(-bleed, -bleed, total + 2 * bleed, height + 2 * bleed),
                (-bleed, -bleed),
            ),
            "trim",
            "jacket.width",
        )
        for strip in (
            box(-bleed, -bleed, total + 2 * bleed, bleed),
            box(-bleed, height, total + 2 * bleed, bleed),
            box(-bleed, 0, bleed, height),
            box(total, 0, bleed, height),
        ):
            sketch.hatch(strip, "trim", TRIM_HATCH_ANGLE)
    left = 0.0
    for width, name, quantity in zip(columns, names, about, strict=True):
        if left:
            sketch.line(((left, 0), (left, height)), "score", quantity)
        sketch.dimension((left, 0), (left + width, 0), show(width), about=quantity, offset=1 if name else 2)
        if name:
            if width > 2 * safe and height > 2 * safe:
                clear = box(left + safe, safe, width - 2 * safe, height - 2 * safe)
                sketch.line((*clear, clear[0]), "hidden", quantity)
            sketch.name(left, 0, width, height, name, tallest=height / 30, about=quantity)
        left += width
    sketch.dimension((0, height), (0, 0), show(height), about="jacket.height")
    sketch.dimension((0, -bleed), (total, -bleed), show(total), about="jacket.width", offset=3)
    return sketch.finish(
        "finish.jacket",
        "finish",
        "The jacket, flat, its printed side up",
        rows=(1, 3, 0, 0),
        text=f"From left to right: {', '.join(PARTS)}; {show(total, True)} by {show(height, True)}.",
    )


def draw(sketch: Sketch) -> None:
    """A closed book with a second line round it that folds in at the fore-edges."""
    pictures.block(sketch)
    pictures.boards(sketch)
    pictures.spine_board(sketch)
    out, inside = pictures.HALF + pictures.BOARD + 2.5, pictures.HALF - 1.5
    right, back = pictures.LENGTH + 5.5, -pictures.BOARD - 3.5
    half = [(back, 0.0), (back, -out), (right, -out), (right, -inside), (right - 22, -inside)]
    sketch.line([*reversed(half), *[(x, -y) for x, y in half[1:]]], "thread")


EXTRA = Extra(
    name="jacket",
    station="finish",
    title="paper jacket",
    does="Wrap it in a paper jacket",
    good_for="a printed or decorated paper round the finished book, held by its flaps alone",
    entries=Jacket,
    draw=draw,
    suits=suits,
    reckon=reckon,
    in_words="dust wrapper, flaps",
)
