"""Boxes of board: a tray under a lid, or two trays in a case that falls open."""

from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch
from weald.core.drawing import box as rectangle
from weald.core.extras.boards import Inside, drawn_board, has_closed_book, mind_thumb
from weald.core.extras.closed_book import EASE_FACTOR, ease_of, reckon_closed_book, thick_together
from weald.core.extras.protocol import Extra
from weald.core.job.extras.enclosures import Box
from weald.core.pieces import Piece, PieceGrain, make_piece
from weald.core.quantities import QuantityId
from weald.core.units import Mm

INNER: tuple[QuantityId, QuantityId, QuantityId] = ("box.depth", "box.height", "box.width")
OUTER: tuple[QuantityId, QuantityId, QuantityId] = (
    "box.outer_depth",
    "box.outer_height",
    "box.outer_width",
)
JOINT_BOARDS = 2.0
"""The joint of the case, in thicknesses of its board, with the covering on either side."""
THUMB_DEEPEST = 0.6
"""A thumb cut takes at most this part of a wall's height, so that what is left holds."""


def reckon(book: Book) -> Added:
    """Size the tray by the closed book, what goes over it by the tray, and the case by both."""
    entries, ledger = book.spec.extras.box or Box(), book.ledger
    closed = reckon_closed_book(book)
    free = ease_of(book, entries.ease)
    ease = ledger.entry("ease", free, "extras.box.ease")
    lining = ledger.entry("lining", entries.lining, "extras.box.lining", "thickness")
    terms = {"ease": ease, "lining": lining}
    thick, how, books = thick_together(book, entries.beside, "extras.box.beside")
    inner = Inside(
        across=ledger.reckon(
            INNER[0],
            thick + entries.lining,
            f"{how} + {{lining}}",
            books | {"lining": lining},
            rule="walls as high as the book; what closes over it rests on the walls",
        ),
        tall=ledger.reckon(
            INNER[1],
            closed.height + 2 * (free + entries.lining),
            "{book} + 2 × ({ease} + {lining})",
            {"book": ledger.ref("closed_book.height")} | terms,
        ),
        deep=ledger.reckon(
            INNER[2],
            closed.width + 2 * (free + entries.lining),
            "{book} + 2 × ({ease} + {lining})",
            {"book": ledger.ref("closed_book.width")} | terms,
        ),
    )
    outer = _reckon_outer(book, entries, inner)
    pieces = [
        *_tray(book, entries, inner, "tray", three=entries.kind == "two_trays"),
        *_tray(
            book, entries, outer, "lid" if entries.kind == "lid" else "outer", three=entries.kind != "lid"
        ),
    ]
    case = _reckon_case(book, entries, outer) if entries.kind == "two_trays" else None
    if case:
        pieces += _case_pieces(book, entries, case)
    drawings = (_draw(book, entries, inner, outer, case),) if "finish" in book.drawn else ()
    wall = _thumb_wall(entries, inner, outer)
    most = min(THUMB_DEEPEST * wall.across, wall.tall / 3)
    return Added(tuple(pieces), drawings, mind_thumb(book, "extras.box.thumb", entries.thumb, most))


def _thumb_wall(entries: Box, inner: Inside, outer: Inside) -> Inside:
    """What the thumb is put through.

    The lid, to lift it off; or the inner tray at the fore-edge of the book.
    """
    return outer if entries.kind == "lid" else inner


def _reckon_outer(book: Book, entries: Box, inner: Inside) -> Inside:
    """The lid, or the outer tray: over the covered walls of the inner one, with ease of its own."""
    ledger = book.ledger
    over = entries.board + 2 * entries.cover
    play = EASE_FACTOR * entries.cover
    terms = {
        "wall": ledger.entry("wall with its covering", over, "extras.box.board", "thickness"),
        "play": ledger.entry("play", play, "extras.box.cover", "thickness"),
    }
    down = entries.lid if entries.kind == "lid" and entries.lid is not None else None
    deep = ledger.reckon(
        OUTER[0],
        inner.across + over if down is None else down,
        "{inner} + {wall}" if down is None else "as decided",
        {"inner": ledger.ref(INNER[0]), "wall": terms["wall"]} if down is None else {},
        rule="down to the foot of the tray" if down is None else None,
        entry=None if down is None else "extras.box.lid",
    )
    # of two trays each has three walls, and the case closes the fourth side
    walls = 1 if entries.kind == "two_trays" else 2
    sizes = [
        ledger.reckon(
            quantity,
            size + count * (over + play),
            f"{{inner}} + {count} × ({{wall}} + {{play}})",
            {"inner": ledger.ref(of)} | terms,
        )
        for quantity, of, size, count in (
            (OUTER[1], INNER[1], inner.tall, 2),
            (OUTER[2], INNER[2], inner.deep, walls),
        )
    ]
    return Inside(deep, sizes[0], sizes[1])


def _tray(book: Book, entries: Box, inside: Inside, name: str, *, three: bool) -> list[Piece]:
    """A floor with walls standing on it; with ``three`` walls it is open towards the spine of its case."""
    ledger, copies, thick = book.ledger, book.spec.copies, entries.board
    ends = 1 if three else 2
    floor = (inside.deep + ends * thick, inside.tall + 2 * thick)
    words = {"tray": "Tray", "lid": "Lid", "outer": "Outer tray"}[name]
    walls: list[tuple[str, str, int, tuple[Mm, Mm], PieceGrain, str]] = [
        (
            f"box_{name}_floor",
            f"{words}, floor",
            1,
            floor,
            "height",
            "walls stand on it, level with its edges",
        ),
        (
            f"box_{name}_long",
            f"{words}, long wall",
            ends,
            (inside.across, inside.tall + 2 * thick),
            "height",
            "along the fore-edge" if three else "along fore-edge and spine",
        ),
        (
            f"box_{name}_short",
            f"{words}, short wall",
            2,
            (inside.deep, inside.across),
            "height",
            "at head and tail, between the long walls" if not three else "at head and tail",
        ),
    ]
    pieces = [
        make_piece(ledger, id, label, "board", count * copies, size, how, thickness=thick, grain=grain)
        for id, label, count, size, grain, how in walls
    ]
    # a strip over the walls, inside and out, and on to the floor on either side
    strip = 2 * inside.across + thick + 2 * entries.turn_in
    run = inside.tall + 2 * thick + 2 * (inside.deep + thick) + 2 * entries.turn_in
    if not three:
        run = 2 * (inside.tall + 2 * thick) + 2 * (inside.deep + 2 * thick) + entries.turn_in
    how = "round the walls outside, over their edges and down inside; on to the floor both ways"
    pieces.append(
        make_piece(
            ledger,
            f"box_{name}_cover",
            f"{words}, covering of the walls",
            "cloth",
            copies,
            (run, strip),
            how,
            thickness=entries.cover,
            grain="width",
        )
    )
    how = "on the floor inside, over the covering's edge"
    pieces.append(
        make_piece(
            ledger,
            f"box_{name}_lining",
            f"{words}, lining of the floor",
            "endpaper",
            copies,
            (max(1.0, inside.deep - 1), max(1.0, inside.tall - 1)),
            how,
        )
    )
    return pieces


def _reckon_case(book: Book, entries: Box, outer: Inside) -> tuple[Mm, Mm, Mm]:
    """The case of two trays: boards, their height, and its spine."""
    ledger, square = book.ledger, entries.square
    out = ledger.entry("beyond the tray", square, "extras.box.square")
    wall = ledger.entry("wall", entries.board + entries.cover, "extras.box.board", "thickness")
    width = ledger.reckon(
        "box.case_width",
        outer.deep + entries.board + entries.cover + square,
        "{tray} + {wall} + {out}",
        {"tray": ledger.ref(OUTER[2]), "wall": wall, "out": out},
        rule="flush with the open side of the outer tray",
    )
    height = ledger.reckon(
        "box.case_height",
        outer.tall + 2 * (entries.board + entries.cover + square),
        "{tray} + 2 × ({wall} + {out})",
        {"tray": ledger.ref(OUTER[1]), "wall": wall, "out": out},
    )
    spine = ledger.reckon(
        "box.case_spine",
        outer.across + entries.board + entries.cover,
        "{tray} + {wall}",
        {"tray": ledger.ref(OUTER[0]), "wall": wall},
        rule="the outer tray with its floor",
    )
    return width, height, spine


def _case_pieces(book: Book, entries: Box, case: tuple[Mm, Mm, Mm]) -> list[Piece]:
    ledger, copies, thick = book.ledger, book.spec.copies, entries.board
    width, height, spine = case
    joint = JOINT_BOARDS * thick + 2 * entries.cover
    cover = (2 * (width + joint + entries.turn_in) + spine, height + 2 * entries.turn_in)
    boards = (
        ("box_case", "Case of the box, board", 2, (width, height), "under each tray"),
        ("box_case_spine", "Case of the box, spine", 1, (spine, height), "as high as its boards"),
    )
    pieces = [
        make_piece(ledger, id, label, "board", count * copies, size, how, thickness=thick)
        for id, label, count, size, how in boards
    ]
    show = book.notation.length(joint, True)
    how = f"both boards and the spine on it, {show} between them; turned in on four sides"
    pieces.append(
        make_piece(
            ledger,
            "box_case_cover",
            "Case of the box, covering",
            "cloth",
            copies,
            cover,
            how,
            thickness=entries.cover,
        )
    )
    return pieces


def _draw(book: Book, entries: Box, inner: Inside, outer: Inside, case: tuple[Mm, Mm, Mm] | None) -> Drawing:
    """Floors and walls of both trays in a row each, and the boards of the case beside them."""
    sketch, notation, thick = Sketch(), book.notation, entries.board
    # room for the sizes of the next board
    gap = outer.tall / 6
    top = right = 0.0
    ends = 1 if case else 2
    for inside, name in ((inner, "tray"), (outer, "outer tray" if case else "lid")):
        tall = inside.tall + 2 * thick
        left = 0.0
        floor = (inside.deep + ends * thick, tall)
        for size, words, upright in (
            (floor, f"{name}: floor", True),
            (wall := (inside.across, tall), f"long wall × {ends}", True),
            ((inside.deep, inside.across), "short wall × 2", True),
        ):
            drawn_board(sketch, (left, top), size, words, notation, upright=upright)
            if entries.thumb and size is wall and inside is _thumb_wall(entries, inner, outer):
                edge = left + inside.across
                sketch.arc(edge, top + tall / 2, entries.thumb, 90, 270, "cut", "extras.box.thumb")
            left += size[0] + gap
        top += tall + gap
        right = max(right, left)
    if case:
        width, height, spine = case
        for size, words in (((width, height), "case: board × 2"), ((spine, height), "spine")):
            drawn_board(sketch, (right, 0), size, words, notation, upright=True)
            right += size[0] + gap
    return sketch.finish(
        "finish.box",
        "finish",
        "The box's boards",
        rows=(1, 1, 0, 0),
        text="Floors, walls and, of two trays, the boards of the case that joins them.",
    )


def draw(sketch: Sketch) -> None:
    """A tray with its book, and another closing over it, cut across."""
    sketch.area(rectangle(4, -7, 36, 14), "block")
    for y, reach, height in ((-10, 0, 17), (12, -4, -24)):
        sketch.area(rectangle(reach, 8 if y < 0 else y - 1, 44 - 2 * reach, 2.5), "board")
        for x in (reach, 44 - reach - 2.5):
            sketch.area(
                rectangle(x, 8 - height if height > 0 else 11, 2.5, abs(height) if height > 0 else 2.5),
                "board",
            )
    sketch.area(rectangle(-4, -13, 52, 2.5), "board")


EXTRA = Extra(
    name="box",
    station="finish",
    title="box",
    does="Make a box",
    good_for="a book that has to be shut away: a tray with a lid, or two trays in a case that falls open",
    entries=Box,
    draw=draw,
    suits=has_closed_book,
    reckon=reckon,
    in_words="clamshell, drop-back, tray, lid",
)
