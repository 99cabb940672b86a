"""Plates, maps and single leaves on guards: where they stand, what is cut, and how the book stays even."""

from collections.abc import Iterator, Sequence
from itertools import groupby

from weald.core.bindings.protocol import Structure
from weald.core.block.plates import guards_of, map_folds, panels_high, stands_out, stubs_in
from weald.core.book.added import Added, Remark
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.folding.imposition import Section
from weald.core.job.extras.leaves import Plate, Plates
from weald.core.job.spec import JobSpec
from weald.core.pieces import Piece, make_piece
from weald.core.units import TOLERANCE, Mm


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Leaves on guards are sewn with sections."""
    return structure.sections != "leaves"


def reckon(book: Book) -> Added:
    """Guards and stubs to cut, where each leaf goes, and the folds of maps; the block reckons thicknesses."""
    plates = book.spec.extras.plates or Plates()
    if not plates.plates or not book.block.sections:
        return Added()
    ledger, page = book.ledger, book.spec.leaf.width
    out = max(stands_out(each, page) for each in plates.plates)
    ledger.reckon(
        "plates.stand_out",
        out,
        "the widest leaf, its guard's free width, less the page",
        rule="cut back at the fore-edge"
        if plates.cut_back
        else "the block, and the boards with it, are wider",
    )
    drawings = (_draw(book, plates),) if "folding" in book.drawn else ()
    return Added(tuple(_pieces(book, plates)), drawings, tuple(_mind(book, plates)), tuple(_remarks(book)))


def section_of(page: int, sections: Sequence[Section]) -> Section | None:
    """The section whose pages a leaf stands among; nothing after a page the text has not."""
    if page < 1:
        return sections[0] if sections else None
    return next(
        (
            each
            for each in sections
            if each.first_page is not None
            and each.last_page is not None
            and each.first_page <= page <= each.last_page
        ),
        None,
    )


def _stubs(book: Book) -> int:
    """Stubs that make up at the spine for what plates put in at the fore-edge."""
    plates = book.spec.extras.plates
    return round(book.ledger.value("plates.guards")) if plates and plates.compensated else 0


def _remarks(book: Book) -> Iterator[Remark]:
    """Where the stubs go."""
    stubs = _stubs(book)
    if not stubs:
        return
    spread = stubs_in(len(book.folded.folding.sections), stubs)
    places = ", ".join(f"{place}" if count == 1 else f"{place} ({count})" for place, count in spread.items())
    yield Remark(
        "folding", book.notation.say("Stubs spread evenly: in {signatures} {places}.", places=places)
    )


def _pieces(book: Book, plates: Plates) -> Iterator[Piece]:
    ledger, copies = book.ledger, book.spec.copies
    height = ledger.value("leaf.untrimmed_height")
    usual = sum(guards_of(each) for each in plates.plates if each.how != "thrown_clear")
    thrown = sum(each.count for each in plates.plates if each.how == "thrown_clear")
    stubs = _stubs(book)
    thick = plates.guard_thickness
    rows = (
        (
            "plate_guard",
            "Guard for a plate",
            usual,
            plates.guard,
            "folded along the spine; the leaf pasted to it",
        ),
        (
            "map_guard",
            "Guard for a map",
            thrown,
            book.spec.leaf.width + plates.guard / 2,
            "as wide as the page, so that the map lies clear of the book; its other part folded "
            "round the fold",
        ),
        (
            "stub",
            "Stub",
            stubs,
            plates.guard,
            "folded and sewn in, spread evenly: as thick as what is put in",
        ),
    )
    for id, label, count, width, how in rows:
        if count:
            yield make_piece(
                ledger, id, label, "paper", count * copies, (width, height), how, thickness=thick
            )


def _mind(book: Book, plates: Plates) -> Iterator[Finding]:
    notation, leaf = book.notation, book.spec.leaf
    show, sections = notation.length, book.folded.folding.sections
    for number, each in enumerate(plates.plates):
        path = f"extras.plates.plates.{number}"
        if section_of(each.after, sections) is None:
            yield finding("plates.no_page", f"{path}.after", notation, page=each.after)
        if (high := panels_high(each, leaf)) > 1:
            yield finding(
                "plates.folded_up",
                f"{path}.height",
                notation,
                panels=high,
                size=show(each.height / high, True),
            )
        elif each.height > leaf.height + TOLERANCE:
            yield finding(
                "plates.tall",
                f"{path}.height",
                notation,
                height=show(each.height, True),
                page=show(leaf.height, True),
            )
        if (out := stands_out(each, leaf.width)) > TOLERANCE:
            narrower = each.width - out
            rows = [plate.model_dump() for plate in plates.plates]
            rows[number]["width"] = round(narrower, 4)
            cut = Action("Cut the leaf narrower", {"extras.plates.plates": rows})
            wide = Action("Make the boards wider", {"extras.plates.cut_back": False})
            yield finding(
                "plates.stand_out" if plates.cut_back else "plates.wider",
                f"{path}.width",
                notation,
                out=show(out, True),
                width=show(narrower, True),
                actions=(cut, wide) if plates.cut_back else (cut,),
            )
        if each.how == "folio" and each.count % 2:
            yield finding("plates.odd", f"{path}.count", notation, count=each.count)
    gape = book.ledger.value("plates.gape")
    if not plates.compensated and gape > plates.guard_thickness:
        yield finding(
            "plates.gape",
            "plates.gape",
            notation,
            gape=notation.thickness(gape, True),
            actions=(Action("Put in stubs", {"extras.plates.compensated": True}),),
        )


def _draw(book: Book, plates: Plates) -> Drawing:
    """Each kind of leaf on its guard beside the spine, flat, with its folds; one above the other."""
    show, sketch, page = book.notation.figure, Sketch(), book.spec.leaf.width
    top = 0.0
    for plate, _ in groupby(plates.plates):
        top = _draw_plate(book, plates, plate, sketch, top) + 12
    sketch.line(((page, -4), (page, top - 8)), "trim", "leaf.width")
    sketch.line(((0, -4), (0, top - 8)), "fold")
    sketch.dimension((0, -4), (page, -4), show(page), about="leaf.width")
    return sketch.finish(
        "folding.plates",
        "folding",
        "Leaves on their guards, the fold to the left",
        rows=(0, 1, 0, 1),
        text="; ".join(f"{each.count} after page {each.after}, {_WHERE[each.how]}" for each in plates.plates),
    )


_WHERE = {
    "hooked": "hooked round a section",
    "wrapped": "wrapped round a section",
    "folio": "two and two on one guard",
    "thrown_clear": "thrown clear",
}


def _draw_plate(book: Book, plates: Plates, plate: Plate, sketch: Sketch, top: Mm) -> Mm:
    show, page = book.notation.figure, book.spec.leaf.width
    clear = plate.how == "thrown_clear"
    start = page if clear else plate.free
    strip = 16.0
    guard = page + plates.guard / 2 if clear else plates.guard
    back = -(guard - start - plates.paste) if not clear else -plates.guard / 2
    sketch.area(
        box(back, top, start + plates.paste - back, strip), "paper_inner", "cut", "extras.plates.guard"
    )
    panels, wide = map_folds(plate.width, page) if clear else (1, plate.width)
    sketch.area(box(start, top + 2, plate.width, strip - 4), "side_paper", "cut", "extras.plates.plates")
    sketch.hatch(box(start, top + 2, plates.paste, strip - 4), "glue", 45, "extras.plates.paste")
    for panel in range(1, panels):
        x = start + panel * wide
        sketch.line(((x, top + 2), (x, top + strip - 2)), "fold", "extras.plates.plates")
        if panel == 1:
            sketch.dimension((x, top + strip), (start, top + strip), show(wide))
    where = section_of(plate.after, book.folded.folding.sections)
    words = f"{plate.count} × after page {plate.after}"
    if where:
        words += book.notation.say(", in {signature} {number}", number=where.section)
    sketch.label(start + plate.width / 2, top + strip / 2, words, height=3.2)
    return top + strip


def draw(sketch: Sketch) -> None:
    """A section open, a single leaf standing on its guard among its folios."""
    for number in range(3):
        y = 6.0 + 7 * number
        sketch.line(((44, y), (3 + number, y), (number, 20), (3 + number, 40 - y), (44, 40 - y)), "outline")
    sketch.line(((14, 17), (6, 17), (4, 20), (6, 23), (14, 23)), "thread")
    sketch.line(((12, 16), (46, 16)), "cut")


EXTRA = Extra(
    name="plates",
    station="folding",
    title="plates on guards",
    does="Guard plates into the text",
    good_for=(
        "plates, maps and single leaves sewn in on strips, and the book as thick at the spine as in front"
    ),
    entries=Plates,
    draw=draw,
    suits=suits,
    reckon=reckon,
    begins={"plates": [Plate().model_dump()]},
    in_words="guards, maps, thrown clear, tipped in, gape, stubs, compensation",
)
