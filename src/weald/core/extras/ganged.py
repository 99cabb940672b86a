"""Things ganged on one sheet: front and back, how often it is printed, and the order of the cuts."""

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass

from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.finishing.extra import finishing_pieces
from weald.core.extras.protocol import Extra
from weald.core.findings import Finding, finding
from weald.core.forme.ganging import Ganged, Spot, Wanted, gang
from weald.core.job.extras.ganged import GangedItem, GangedSheet
from weald.core.paper import with_spoilage
from weald.core.pieces import Piece, PieceGrain
from weald.core.stations import finish as finish_station
from weald.core.stations.block_pieces import endpaper_pieces
from weald.core.units import Mm, rounded_up


def reckon(book: Book) -> Added:
    """Lay everything on one sheet, and count what is printed; more of a thing than wanted is said."""
    entries, ledger = book.spec.extras.ganged or GangedSheet(), book.ledger
    wanted = _wanted(book, entries)
    if not wanted:
        return Added(findings=(finding("ganged.nothing", "extras.ganged.items", book.notation),))
    laid = gang(wanted, (entries.width, entries.height), entries.margin, entries.gutter)
    if laid is None:
        return Added(findings=(finding("ganged.too_large", "extras.ganged.width", book.notation),))
    runs = ledger.entry("runs", laid.runs, "extras.ganged.items", "count")
    ledger.reckon(
        "ganged.sheets",
        rounded_up(with_spoilage(laid.runs, entries.spoilage)),
        "{runs} × (1 + {spoilage} / 100), rounded up",
        {
            "runs": runs,
            "spoilage": ledger.entry("spoilage", entries.spoilage, "extras.ganged.spoilage", "percent"),
        },
        rule="what is spoilt is spoilt of all that stands on the sheet",
    )
    drawings: tuple[Drawing, ...] = ()
    if "printing" in book.drawn:
        drawings = (_draw(book, entries, laid, back=False), _draw(book, entries, laid, back=True))
    return Added(drawings=drawings, findings=tuple(_mind(book, wanted, laid)))


def _wanted(book: Book, entries: GangedSheet) -> list[Wanted]:
    """Everything to be put on the sheet, no two things by one name."""
    things = [
        *(_Thing(item.name, (item.width, item.height), item.count, item.grain) for item in entries.items),
        *(
            _Thing(piece.label, (piece.cut_width, piece.cut_height), piece.count, piece.grain)
            for piece in _own(book, entries)
            if min(piece.width, piece.height) > 0
        ),
    ]
    known: Counter[str] = Counter()
    wanted = []
    for thing in things:
        known[thing.name] += 1
        name = thing.name if known[thing.name] == 1 else f"{thing.name} {known[thing.name]}"
        wanted.append(Wanted(name, *thing.size, thing.count, _turns(thing.grain, entries.grain)))
    return wanted


@dataclass(frozen=True, slots=True)
class _Thing:
    name: str
    size: tuple[Mm, Mm]
    count: int
    grain: PieceGrain


def _own(book: Book, entries: GangedSheet) -> Iterator[Piece]:
    """Pieces of this job that are printed."""
    if entries.labels:
        labels = (*finish_station.pieces(book.spec, book.finish, book.ledger), *finishing_pieces(book))
        yield from (piece for piece in labels if piece.material == "side_paper")
    if entries.endleaves:
        leaves = endpaper_pieces(book.spec, book.treatment, book.bound.sizes, book.ledger)
        yield from (piece for piece in leaves if piece.material == "endpaper")
    if entries.covers:
        yield from (piece for piece in book.bound.pieces if piece.id == "cover" and piece.material == "card")


def _turns(grain: PieceGrain, sheet: PieceGrain) -> tuple[bool, ...]:
    """Which ways a thing may lie, so that its grain runs as it has to."""
    if grain == "any":
        return (False, True)
    return (grain != sheet,)


def _mind(book: Book, wanted: list[Wanted], laid: Ganged) -> Iterator[Finding]:
    on_sheet = {each.name: sum(spot.name == each.name for spot in laid.spots) for each in wanted}
    counts = ", ".join(f"{on_sheet[each.name]} × {each.name}" for each in wanted)
    over = [
        f"{on_sheet[each.name] * laid.runs - each.count} × {each.name}"
        for each in wanted
        if on_sheet[each.name] * laid.runs > each.count
    ]
    yield finding(
        "ganged.cut",
        "extras.ganged.items",
        book.notation,
        counts=counts,
        runs=laid.runs,
        rows=len(laid.rows()),
        over=f"; over: {', '.join(over)}" if over else "",
    )


def _draw(book: Book, entries: GangedSheet, laid: Ganged, *, back: bool) -> Drawing:
    """The sheet from one side, with its cuts numbered in the order they are made: rows first."""
    show, sketch = book.notation.figure, Sketch()
    sheet = box(0, 0, entries.width, entries.height)
    sketch.area(sheet, "paper", "cut", "extras.ganged.width")
    sketch.grain(sheet, 0 if entries.grain == "width" else 90)
    spots = [spot.behind(entries.width) if back else spot for spot in laid.spots]
    for spot in spots:
        _draw_spot(sketch, spot)
    for number, (top, foot) in enumerate(laid.rows()):
        for cut, y in ((2 * number + 1, top), (2 * number + 2, foot)):
            sketch.line(((0, y), (entries.width, y)), "trim")
            sketch.label(
                entries.margin / 2 if not back else entries.width - entries.margin / 2, y, str(cut), height=4
            )
    sketch.dimension((0, 0), (entries.width, 0), show(entries.width), about="extras.ganged.width")
    sketch.dimension((0, entries.height), (0, 0), show(entries.height), about="extras.ganged.height")
    cuts = "; ".join(f"{show(top)} and {show(foot, True)}" for top, foot in laid.rows())
    return sketch.finish(
        "printing.ganged_back" if back else "printing.ganged",
        "printing",
        "The sheet from behind, turned sideways" if back else "The sheet, with its cuts in order",
        rows=(1, 1, 0, 0),
        text=f"Rows from the top: {cuts}; then each row apart, from the left.",
    )


def _draw_spot(sketch: Sketch, spot: Spot) -> None:
    sketch.area(box(spot.left, spot.top, spot.width, spot.height), "side_paper", "cut", "extras.ganged.items")
    sketch.name(spot.left, spot.top, spot.width, spot.height, spot.name, tallest=5.0)


def draw(sketch: Sketch) -> None:
    """A sheet with things of three sizes on it."""
    sketch.area(box(0, 0, 60, 42), "paper", "cut")
    for left in (3.0, 22.0, 41.0):
        sketch.area(box(left, 3, 16, 20), "side_paper", "cut")
    for left in (3.0, 16.0, 29.0, 42.0):
        sketch.area(box(left, 27, 11, 6), "cloth", "cut")
        sketch.area(box(left, 35, 11, 5), "card", "cut")


EXTRA = Extra(
    name="ganged",
    station="printing",
    title="things on one sheet",
    does="Put several things on one sheet",
    good_for="cards, labels and covers of different sizes printed together, each as many as wanted",
    entries=GangedSheet,
    draw=draw,
    reckon=reckon,
    begins={
        "items": [GangedItem().model_dump(), GangedItem(name="label", width=60.0, height=30.0).model_dump()]
    },
    in_words="gang, labels, cards, covers, endleaves, mixed sheet",
)
