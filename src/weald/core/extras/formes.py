"""Sections of sheets of their own.

How they are folded and printed, what each is cut from, and when to print them.
"""

from collections.abc import Iterator

from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.folding.makeup import OwnSheets
from weald.core.folding.packet import fold_packet
from weald.core.job.extras.formes import OwnSections
from weald.core.job.spec import JobSpec
from weald.core.notation import counted


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Texts that are folded and sewn."""
    return structure.sections != "leaves"


def reckon(book: Book) -> Added:
    """Folding, printing and block have gone by it; here it is said what comes of it."""
    formes = book.spec.extras.formes or OwnSections()
    return Added(findings=tuple(_mind(book, formes)))


def _mind(book: Book, formes: OwnSections) -> Iterator[Finding]:
    notation, make_up = book.notation, book.folded.text.make_up
    here = [own for own in make_up.own if own is not None]
    if not here and book.folded.packet.sewn:
        yield finding("formes.none", "extras.formes", notation)
    places = [each.section for each in formes.sections]
    for row, place in enumerate(places):
        if place in places[:row]:
            yield finding("formes.twice", f"extras.formes.sections.{row}.section", notation, place=place)
    pages = sum(own.sheets * own.pages_a_sheet for own in here if own.row is not None)
    if pages > book.spec.text.pages:
        yield finding(
            "formes.more",
            "extras.formes.sections",
            notation,
            own=pages,
            pages=counted(book.spec.text.pages, "page"),
        )
    yield from _mind_grain(book, formes, here)
    half = next((own for own in here if own.row is None), None)
    if half:
        yield finding(
            "formes.half",
            "extras.formes.remainder",
            notation,
            pages=half.pages_a_sheet,
            programme=half.programme,
            actions=(Action("A whole sheet, with more blanks", {"extras.formes.remainder": False}),),
        )
    if here:
        order = ", ".join(str(place) for place, own in enumerate(make_up.own, start=1) if own is not None)
        yield finding("formes.order", "extras.formes.sections", notation, places=order)


def _mind_grain(book: Book, formes: OwnSections, here: list[OwnSheets]) -> Iterator[Finding]:
    """Papers whose grain would lie across the spine, folded as they are."""
    for own in here:
        if own.row is None or (grain := formes.sections[own.row].grain) == "unsaid":
            continue
        wanted = fold_packet(own.programme).grain
        if grain != wanted:
            rows = [each.model_dump() for each in formes.sections]
            rows[own.row]["grain"] = wanted
            yield finding(
                "formes.grain",
                f"extras.formes.sections.{own.row}.grain",
                book.notation,
                place=own.place,
                programme=own.programme,
                grain=grain,
                wanted=wanted,
                actions=(
                    Action(f"Sheets with their grain along the {wanted}", {"extras.formes.sections": rows}),
                ),
            )


def draw(sketch: Sketch) -> None:
    """Two large sheets, and one of half the size among them."""
    for left, wide in ((0.0, 24.0), (27.0, 12.0), (42.0, 24.0)):
        sketch.area(box(left, 0, wide, 34), "paper_inner" if wide < 20 else "paper", "cut")
        sketch.line(((left + wide / 2, 0), (left + wide / 2, 34)), "fold")
        if wide > 20:
            sketch.line(((left, 17), (left + wide, 17)), "fold")


EXTRA = Extra(
    name="formes",
    station="folding",
    title="sheets of their own",
    does="Print some {signatures} on sheets of their own",
    good_for="a half sheet for what is left over, plates on other paper: {signatures} that are "
    "folded of other sheets",
    entries=OwnSections,
    draw=draw,
    suits=suits,
    reckon=reckon,
    in_words="half sheet, remainder, work and turn, plate section, mixed formes, other paper",
)
