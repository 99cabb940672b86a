"""Thumb cuts: half rounds in the fore-edge, in steps from the head down, so that a part opens at once."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added, Remark
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.folding.programme import parse_programme
from weald.core.job.extras.edges import ThumbCuts
from weald.core.job.extras.pages import ArrangedPages
from weald.core.job.paging import as_list, in_order, listed
from weald.core.job.spec import JobSpec
from weald.core.units import TOLERANCE, Mm

STRIP: Mm = 30.0
"""The template is so wide."""
BETWEEN: Mm = 2.0
"""Paper left between two cuts, so that neither tears into the other."""
CLEAR: Mm = 3.0
"""Type keeps so far off a cut."""
DEEPEST = 0.15
"""Cuts deeper than this part of a leaf's width come near its type."""


@dataclass(frozen=True, slots=True)
class _Cut:
    """One cut: down to a page, through so many leaves from the front; its middle from the head."""

    page: int
    leaves: int
    middle: Mm


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Blocks of leaves between boards; a strip has no fore-edge of leaves."""
    return structure.boards and parse_programme(spec.folding.programme).kind != "concertina"


def reckon(book: Book) -> Added:
    """Place the cuts in columns from head to tail."""
    entries = book.spec.extras.thumb or ThumbCuts()
    places = _places(book)
    pages = sorted(page for page in set(listed(entries.pages)) if page in places)
    findings = [*_mind_pages(book, entries, places)]
    if not pages:
        return Added(findings=(*findings, finding("thumb.none", "extras.thumb.pages", book.notation)))
    room = book.block.height - 2 * entries.ends
    most = math.floor((room + BETWEEN) / (entries.wide + BETWEEN) + TOLERANCE)
    if most < 1:
        return Added(findings=(*findings, _too_wide(book, entries, room)))
    cuts = _cuts(book, entries, (pages, places), most)
    findings += _mind(book, entries, most)
    drawings = (_draw(book, entries, cuts),) if "block" in book.drawn else ()
    clear = book.notation.length(entries.deep + CLEAR, True)
    words = book.notation.say("Type and pictures keep {clear} from the fore-edge: thumb cuts.", clear=clear)
    return Added((), drawings, tuple(findings), (Remark("text", words),), thumb_cuts=len(cuts))


def _places(book: Book) -> dict[int, int]:
    """Where each page of the text stands among all sides of the book, from 0: even ones on the right."""
    spec = book.spec
    order = in_order(spec.text.pages, spec.extras.arranged) or range(1, spec.text.pages + 1)
    front = book.folded.text.make_up.blanks_front
    return {page: front + at for at, page in enumerate(order) if page is not None}


def _cuts(book: Book, entries: ThumbCuts, parts: tuple[list[int], dict[int, int]], most: int) -> list[_Cut]:
    ledger, (pages, places) = book.ledger, parts
    column = entries.column or min(len(pages), most)
    ends = ledger.entry("whole at either end", entries.ends, "extras.thumb.ends")
    pitch = ledger.reckon(
        "thumb.pitch",
        (book.block.height - 2 * entries.ends) / column,
        "({height} − 2 × {ends}) / {column}",
        {
            "height": ledger.ref("block.height"),
            "ends": ends,
            "column": ledger.entry("in a column", column, "extras.thumb.column", "count"),
        },
    )
    first = ledger.reckon(
        "thumb.first",
        entries.ends + pitch / 2,
        "{ends} + {pitch} / 2",
        {"ends": ends, "pitch": ledger.ref("thumb.pitch")},
        rule="middle of the first cut, from the head",
    )
    return [
        _Cut(page, places[page] // 2, first + number % column * pitch) for number, page in enumerate(pages)
    ]


def _mind_pages(book: Book, entries: ThumbCuts, places: dict[int, int]) -> Iterator[Finding]:
    wanted, notation = sorted(set(listed(entries.pages))), book.notation
    if beyond := [page for page in wanted if page not in places]:
        yield finding(
            "pages.beyond",
            "extras.thumb.pages",
            notation,
            station="block",
            pages=as_list(beyond),
            last=book.spec.text.pages,
        )
    left = [page for page in wanted if places.get(page, 0) % 2]
    if not left:
        return
    before = as_list(sorted({page - 1 if page in left else page for page in wanted}))
    arranged = book.spec.extras.arranged or ArrangedPages()
    rectos = as_list(sorted({*listed(arranged.rectos), *left}))
    yield finding(
        "thumb.left",
        "extras.thumb.pages",
        notation,
        pages=as_list(left),
        actions=(
            Action(
                "Begin them on the right, a blank page before",
                {"extras.arranged": arranged.model_dump() | {"rectos": rectos}},
            ),
            Action("Cut down to the page before", {"extras.thumb.pages": before}),
        ),
    )


def _mind(book: Book, entries: ThumbCuts, most: int) -> Iterator[Finding]:
    show, width = book.notation.length, book.spec.leaf.width
    if entries.column is not None and entries.column > most:
        yield finding(
            "thumb.crowded",
            "extras.thumb.column",
            book.notation,
            column=entries.column,
            wide=show(entries.wide, True),
            actions=(Action(f"{most} in a column", {"extras.thumb.column": most}),),
        )
    if entries.deep > DEEPEST * width:
        least = book.notation.mark_below(DEEPEST * width)
        yield finding(
            "thumb.deep",
            "extras.thumb.deep",
            book.notation,
            deep=show(entries.deep, True),
            width=show(width, True),
            actions=(Action(f"{show(least, True)} into the leaf", {"extras.thumb.deep": round(least, 4)}),)
            if least >= 1
            else (),
        )


def _too_wide(book: Book, entries: ThumbCuts, room: Mm) -> Finding:
    show = book.notation.length
    return finding(
        "thumb.wide",
        "extras.thumb.wide",
        book.notation,
        wide=show(entries.wide, True),
        room=show(max(0.0, room), True),
    )


def _draw(book: Book, entries: ThumbCuts, cuts: list[_Cut]) -> Drawing:
    """The template laid on the leaf's edge, and the fore-edge with every cut as deep as it goes."""
    show, sketch, height = book.notation.figure, Sketch(), book.block.height
    half = entries.wide / 2
    sketch.area(box(0, 0, STRIP, height), "paper", "cut", "block.height")
    for middle in sorted({cut.middle for cut in cuts}):
        sketch.line(((0, middle), (STRIP, middle)), "outline", "thumb.pitch")
        _draw_half_round(sketch, (STRIP, middle), entries)
    thickness = book.ledger.value("text.thickness")
    leaves, left = max(1.0, book.ledger.value("text.leaves")), STRIP + 30
    sketch.area(box(left, 0, thickness, height), "block", "cut", "text.thickness")
    for cut in cuts:
        through = min(1.0, cut.leaves / leaves) * thickness
        if through > 0:
            sketch.area(
                box(left, cut.middle - half, through, entries.wide), "white", "cut", "extras.thumb.pages"
            )
        sketch.label(left + thickness + 8, cut.middle, str(cut.page), height=4)
    first = cuts[0].middle
    sketch.dimension((0, first), (0, 0), show(first), about="thumb.first")
    seconds = sorted({cut.middle for cut in cuts})
    if len(seconds) > 1:
        sketch.dimension((0, seconds[1]), (0, first), show(seconds[1] - first), about="thumb.pitch")
    sketch.dimension((0, height), (0, 0), show(height), offset=2, about="block.height")
    return sketch.finish(
        "block.thumb",
        "block",
        "Thumb cuts: the template, and the fore-edge from the front",
        rows=(2, 0, 0, 0),
        text="; ".join(
            f"page {cut.page}: {show(cut.middle, True)} from the head, {cut.leaves} leaves down"
            for cut in cuts
        ),
        template=True,
    )


def _draw_half_round(sketch: Sketch, edge: tuple[Mm, Mm], entries: ThumbCuts) -> None:
    """A half circle with straight sides where it is deeper than that, and part of one where it is not."""
    right, middle = edge
    half, deep = entries.wide / 2, entries.deep
    radius = half if deep >= half else (half**2 + deep**2) / (2 * deep)
    centre, spread = right - deep + radius, math.degrees(math.asin(min(1.0, half / radius)))
    sketch.arc(
        centre, middle, radius, 180 - spread, 180 + spread, "cut", "extras.thumb.wide extras.thumb.deep"
    )
    if deep > half:
        for y in (middle - half, middle + half):
            sketch.line(((centre, y), (right, y)), "cut", "extras.thumb.deep")


def draw(sketch: Sketch) -> None:
    """A leaf's fore-edge with cuts in a row down it, each a step further in."""
    sketch.area(box(0, 0, 34, 48), "paper", "cut")
    sketch.area(box(34, 0, 12, 48), "block", "cut")
    for step, y in enumerate((8.0, 19.0, 30.0, 41.0), start=1):
        sketch.arc(34, y, 4, 90, 270, "cut")
        sketch.area(box(34, y - 4, 2.6 * step, 8), "white", "cut")


EXTRA = Extra(
    name="thumb",
    station="block",
    title="thumb cuts",
    does="Cut a thumb index",
    good_for="registers, dictionaries, diaries: half rounds in the fore-edge, in steps, down to "
    "where a part begins",
    entries=ThumbCuts,
    draw=draw,
    suits=suits,
    reckon=reckon,
    left_open="as many as go",
    in_words="thumb index, notches, register, alphabet, tabs",
)
