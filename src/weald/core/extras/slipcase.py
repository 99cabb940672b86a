"""The slipcase: five boards round the finished book, open where its spine shows."""

from weald.core.bindings import pictures
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.boards import Inside, drawn_board, has_closed_book, mind_thumb
from weald.core.extras.closed_book import ease_of, reckon_closed_book, thick_together
from weald.core.extras.protocol import Extra
from weald.core.job.extras.enclosures import Slipcase
from weald.core.pieces import Piece, make_piece
from weald.core.units import Mm

OVER_BACK: Mm = 12.0
"""The covering strip reaches so far round on to the back wall."""
LAP: Mm = 10.0
"""Its ends lie so far over one another."""
BACK_SHORT: Mm = 2.0
"""The piece on the back wall stands off its edges by so much."""


def reckon(book: Book) -> Added:
    """Size the inside by the closed book and its ease, and the five boards and coverings by the inside."""
    entries, ledger = book.spec.extras.slipcase or Slipcase(), book.ledger
    closed = reckon_closed_book(book)
    free = ease_of(book, entries.ease)
    ease = ledger.entry("ease", free, "extras.slipcase.ease")
    rule = None if entries.ease is not None else "1.5 times the covering's thickness on every side"
    lining = ledger.entry("lining", entries.lining, "extras.slipcase.lining", "thickness")
    thick, how, terms = thick_together(book, entries.beside, "extras.slipcase.beside")
    inside = Inside(
        across=ledger.reckon(
            "slipcase.thickness",
            thick + 2 * (free + entries.lining),
            f"{how} + 2 × ({{ease}} + {{lining}})",
            terms | {"ease": ease, "lining": lining},
            rule=rule,
        ),
        tall=ledger.reckon(
            "slipcase.height",
            closed.height + 2 * (free + entries.lining),
            "{book} + 2 × ({ease} + {lining})",
            {"book": ledger.ref("closed_book.height"), "ease": ease, "lining": lining},
            rule=rule,
        ),
        deep=ledger.reckon(
            "slipcase.depth",
            closed.width + entries.lining,
            "{book} + {lining}",
            {"book": ledger.ref("closed_book.width"), "lining": lining},
            rule="the spine stands level with the opening",
        ),
    )
    board = ledger.entry("board", entries.board, "extras.slipcase.board", "thickness")
    wide = ledger.reckon(
        "slipcase.side_width",
        inside.deep + entries.board,
        "{deep} + {board}",
        {"deep": ledger.ref("slipcase.depth"), "board": board},
        rule="over the edge of the back wall",
    )
    high = ledger.reckon(
        "slipcase.side_height",
        inside.tall + 2 * entries.board,
        "{tall} + 2 × {board}",
        {"tall": ledger.ref("slipcase.height"), "board": board},
        rule="over the edges of top and bottom",
    )
    across = inside.across + 2 * entries.board
    round_it = ledger.reckon(
        "slipcase.cover",
        2 * (high + across) + LAP,
        "2 × ({high} + {across} + 2 × {board}) + {lap}",
        {
            "high": ledger.ref("slipcase.side_height"),
            "across": ledger.ref("slipcase.thickness"),
            "board": board,
            "lap": ledger.entry("lap", LAP, "extras.slipcase.cover"),
        },
        rule="one strip round both sides, top and bottom",
    )
    pieces = _pieces(book, entries, inside, (wide, high), round_it)
    drawings = (_draw(book, entries, inside, (wide, high)),) if "finish" in book.drawn else ()
    return Added(tuple(pieces), drawings, mind_thumb(book, "extras.slipcase.thumb", entries.thumb, high / 3))


def _pieces(book: Book, entries: Slipcase, inside: Inside, side: tuple[Mm, Mm], round_it: Mm) -> list[Piece]:
    ledger, copies, thick = book.ledger, book.spec.copies, entries.board
    wide, high = side
    walls = (
        ("slipcase_side", "Slipcase side", 2, side, "height", "over the edges of top, bottom and back"),
        ("slipcase_top", "Slipcase top, bottom", 2, (inside.across, wide), "width", "between the sides"),
        ("slipcase_back", "Slipcase back", 1, (inside.across, inside.tall), "height", "between all four"),
    )
    pieces = [
        make_piece(
            ledger,
            id,
            label,
            "board",
            count * copies,
            size,
            how,
            thickness=thick,
            grain=grain,  # type: ignore[arg-type]
        )
        for id, label, count, size, grain, how in walls
    ]
    strip = (entries.turn_in + wide + OVER_BACK, round_it)
    how = "round it with the lap under one edge; turned in at the opening, its other edge on to the back"
    pieces.append(
        make_piece(
            ledger,
            "slipcase_cover",
            "Slipcase covering",
            "cloth",
            copies,
            strip,
            how,
            thickness=entries.cover,
        )
    )
    back = (
        inside.across + 2 * thick - 2 * BACK_SHORT,
        high - 2 * BACK_SHORT,
    )
    how = "on the back wall, over the covering's edge"
    pieces.append(
        make_piece(ledger, "slipcase_back_cover", "Slipcase back covering", "cloth", copies, back, how)
    )
    if entries.lining:
        one = (inside.deep, inside.tall)
        how = "inside each side, before it is glued together; the book slides on it"
        pieces.append(
            make_piece(
                ledger,
                "slipcase_lining",
                "Slipcase lining",
                "endpaper",
                2 * copies,
                one,
                how,
                thickness=entries.lining,
            )
        )
    return pieces


def _draw(book: Book, entries: Slipcase, inside: Inside, side: tuple[Mm, Mm]) -> Drawing:
    """Its boards side by side at one scale, the opening of the side to the right."""
    wide, high = side
    notation, gap, sketch = book.notation, high / 6, Sketch()
    drawn_board(sketch, (0, 0), side, "side", notation, upright=True)
    if entries.thumb:
        sketch.arc(wide, high / 2, entries.thumb, 90, 270, "cut", "extras.slipcase.thumb")
    left = wide + gap
    drawn_board(sketch, (left, 0), (inside.across, wide), "top, bottom", notation, upright=False)
    left += inside.across + gap
    drawn_board(sketch, (left, 0), (inside.across, inside.tall), "back", notation, upright=True)
    return sketch.finish(
        "finish.slipcase",
        "finish",
        "The slipcase's boards",
        rows=(1, 1, 0, 0),
        text="Two sides, top and bottom, back; the sides lie over the edges of the others.",
    )


def draw(sketch: Sketch) -> None:
    """A book pushed into a case, its spine outside."""
    pictures.block(sketch)
    pictures.boards(sketch, inset=0)
    out, wall = pictures.HALF + pictures.BOARD + 1.5, 2.5
    right = pictures.LENGTH + 5
    sketch.area(box(8, -out - wall, right - 8 + wall, wall), "board")
    sketch.area(box(8, out, right - 8 + wall, wall), "board")
    sketch.area(box(right, -out, wall, 2 * out), "board")


EXTRA = Extra(
    name="slipcase",
    station="finish",
    title="slipcase",
    does="Make a slipcase",
    good_for="the finished book kept from light and dust with its spine in sight",
    entries=Slipcase,
    draw=draw,
    suits=has_closed_book,
    reckon=reckon,
    in_words="case for the shelf, sleeve",
)
