"""A finished book judged.

What to look at, how it is measured, its limit, and what it says of life and repair.
"""

from collections.abc import Callable, Iterator
from dataclasses import dataclass

from weald.core.book.added import Added, Remark
from weald.core.book.book import Book
from weald.core.drawing import Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.findings import Finding, finding
from weald.core.job.extras.old_books import Judged, Sound
from weald.core.units import TOLERANCE, Mm

SQUARES_DIFFER: Mm = 0.5
"""Squares look even as long as they differ by no more."""
PARALLEL: Mm = 1.0
LEAN_PART = 0.005
"""A book stands upright that leans by no more than this part of its height."""
WARP_PART = 0.01
"""A board is flat that stands off a rule by no more than this part of its width."""
OFF_MIDDLE: Mm = 0.5
FULL_MARK = 10


@dataclass(frozen=True, slots=True)
class Check:
    """One thing to look at in a finished book.

    :param how: how it is measured, in words.
    :param found: what was found, and the most it may be; nothing where it was not measured.
    :param says: what it means for the book's life, and how it is mended.
    """

    name: str
    how: str
    found: Callable[[Judged, Book], tuple[Mm, Mm] | None]
    says: str
    mends: str


def _apart(*names: str) -> Callable[[Judged, Book], tuple[Mm, Mm] | None]:
    """How far some measurements differ from one another, once two of them are there."""

    def found(entries: Judged, book: Book) -> tuple[Mm, Mm] | None:
        sizes = [size for name in names if (size := getattr(entries, name)) is not None]
        return (max(sizes) - min(sizes), SQUARES_DIFFER) if len(sizes) > 1 else None

    return found


def _parallel(entries: Judged, book: Book) -> tuple[Mm, Mm] | None:
    if entries.thick_spine is None or entries.thick_fore_edge is None:
        return None
    return abs(entries.thick_spine - entries.thick_fore_edge), PARALLEL


def _of_size(name: str, part: float, of: str) -> Callable[[Judged, Book], tuple[Mm, Mm] | None]:
    """A measurement against a part of one of the book's sizes."""

    def found(entries: Judged, book: Book) -> tuple[Mm, Mm] | None:
        size = getattr(entries, name)
        whole = book.ledger.quantities.get(of)  # type: ignore[call-overload]
        return None if size is None or whole is None else (size, part * whole.value)

    return found


def _off_middle(entries: Judged, book: Book) -> tuple[Mm, Mm] | None:
    return None if entries.lettering_off is None else (entries.lettering_off, OFF_MIDDLE)


CHECKS: tuple[Check, ...] = (
    Check(
        "squares at the head",
        "front and back, with a rule from the leaves to the board's edge",
        _apart("head_front", "head_back"),
        "a case set askew: it shows, and the block hangs on one side",
        "only by casing in again",
    ),
    Check(
        "squares at the tail",
        "front and back, the same way",
        _apart("tail_front", "tail_back"),
        "the book stands on one board and wears there first",
        "only by casing in again; never by trimming the board",
    ),
    Check(
        "head against tail",
        "the front's two squares",
        _apart("head_front", "tail_front"),
        "the block sits too high or too low between its boards",
        "only by casing in again",
    ),
    Check(
        "the fore-edge square",
        "at the head and at the tail",
        _apart("fore_edge_head", "fore_edge_tail"),
        "the board is out of square with the block, or the joint wider at one end",
        "while damp, by pulling the board over; later not",
    ),
    Check(
        "the paste-down's margin",
        "least and most, all round",
        _apart("pastedown_least", "pastedown_most"),
        "trimmed out of true, or grown when pasted; it shows and does no harm",
        "a new paste-down, if at all",
    ),
    Check(
        "sides parallel",
        "with a calliper beside the joint and at the fore-edge",
        _parallel,
        "swell that was not rounded away or pressed out, or plates that gape: it opens by itself",
        "guards at the spine, or rounding again",
    ),
    Check(
        "boards flat",
        "a rule laid across, from joint to fore-edge",
        _of_size("warp", WARP_PART, "board.width"),
        "one side of the board pulls harder than the other; the joint is strained with every season",
        "a lining on the hollow side, dried under weight",
    ),
    Check(
        "standing upright",
        "on its tail, against a square",
        _of_size("lean", LEAN_PART, "block.height"),
        "the block will sag and pull at the head's joints",
        "casing in again, or a wedge glued under the text block in its case",
    ),
    Check(
        "lettering in the middle",
        "from both joints",
        _off_middle,
        "it shows and does no harm",
        "a label over it",
    ),
)
CONDITIONS: dict[str, tuple[str, dict[Sound, str], dict[Sound, str]]] = {
    "joints": (
        "The joints",
        {
            "worn": "rubbed, and holding: years, if it is opened gently",
            "broken": "cracked: the board will come off",
        },
        {"worn": "consolidate the covering", "broken": "reback, or hinge with cloth or strong paper inside"},
    ),
    "sewing": (
        "The sewing",
        {
            "worn": "loose in places: leaves begin to step out",
            "broken": "broken: leaves are lost with every reading",
        },
        {
            "worn": "fasten the loose sections through the fold",
            "broken": "pull down, mend the folds, and sew again",
        },
    ),
    "covering": (
        "The covering",
        {"worn": "worn at head and tail", "broken": "torn, lost or turning to powder"},
        {
            "worn": "consolidate; new caps beneath the old",
            "broken": "keep what is left on a new spine; no dressing on powder",
        },
    ),
    "paper": (
        "The paper",
        {"worn": "yellowed, and still folding", "broken": "breaks when a corner is bent: no sewing holds it"},
        {
            "worn": "keep it from light",
            "broken": "copy it, or box it; ask a conservator before anything else",
        },
    ),
}


def reckon(book: Book) -> Added:
    """Hold every measurement against its limit, count what passes, and say what the rest mean."""
    entries, ledger = book.spec.extras.judged or Judged(), book.ledger
    looked = [(check, found) for check in CHECKS if (found := check.found(entries, book)) is not None]
    passed = sum(size <= most + TOLERANCE for _, (size, most) in looked)
    seen = [name for name in CONDITIONS if getattr(entries, name) != "unlooked"]
    sound = {"sound": 1.0, "worn": 0.5, "broken": 0.0}
    points = passed + sum(sound[getattr(entries, name)] for name in seen)
    of = len(looked) + len(seen)
    if of:
        ledger.reckon(
            "judged.mark",
            FULL_MARK * points / of,
            "{full} × {points} / {of}",
            {
                "full": ledger.entry("best", FULL_MARK, "extras.judged.joints", "count"),
                "points": ledger.entry("passed, worn a half", points, "extras.judged.joints", "factor"),
                "of": ledger.entry("looked at", of, "extras.judged.joints", "count"),
            },
            rule="of what was looked at; what breaks a book counts before what only shows",
        )
    remarks = tuple(
        Remark("record", f"{check.name.capitalize()}: {check.how}.")
        for check in CHECKS
        if check.found(entries, book) is None
    )
    return Added(findings=tuple(_mind(book, entries, looked)), remarks=remarks)


def _mind(book: Book, entries: Judged, looked: list[tuple[Check, tuple[Mm, Mm]]]) -> Iterator[Finding]:
    for check, (size, most) in looked:
        if size > most + TOLERANCE:
            shown, limit = book.notation.compared_thickness(size, most)
            yield finding(
                "judged.beyond",
                "judged.mark",
                book.notation,
                what=check.name.capitalize(),
                size=shown,
                most=limit,
                says=check.says,
                mends=check.mends.capitalize(),
            )
    for name, (title, says, mends) in CONDITIONS.items():
        state: Sound = getattr(entries, name)
        if state in says:
            code = "judged.broken" if state == "broken" else "judged.worn"
            yield finding(
                code,  # type: ignore[arg-type]  # both are in the catalogue
                f"extras.judged.{name}",
                book.notation,
                what=title,
                says=says[state],
                mends=mends[state].capitalize(),
            )


def draw(sketch: Sketch) -> None:
    """A book standing against a square."""
    sketch.area(box(0, 4, 26, 40), "cloth", "cut")
    sketch.area(box(26, 7, 4, 34), "block")
    sketch.line(((-4, 44), (46, 44)), "outline")
    sketch.line(((36, 44), (36, 0)), "outline")
    sketch.line(((36, 40), (40, 40), (40, 44)), "outline")


EXTRA = Extra(
    name="judged",
    station="record",
    title="book judged",
    does="Judge the finished book",
    good_for="a finished or an old book looked at point by point: what is out, what it means, "
    "how it is mended",
    entries=Judged,
    draw=draw,
    reckon=reckon,
    left_open="not measured",
    in_words="condition, mark, squares, warp, repair, quality, old book",
)
