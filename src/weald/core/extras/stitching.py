"""Threads that link, catch and skip: what they ask of the supports. The film shows each."""

from collections.abc import Iterator

from weald.core.bindings.protocol import Structure
from weald.core.block.holes import SUPPORTED
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.job.extras.sewn import Stitching
from weald.core.job.spec import JobSpec

LEAST_SUPPORTS = {2: 3, 3: 5}
"""Two on, each section is held twice by its thread where there are three supports; three on, five."""
TOGETHER_FROM = 5
"""Sections from which two-on makes any course of two: two at either end are sewn all along."""


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Sections sewn on supports."""
    return structure.sections == "several" and structure.treatment(spec).method in SUPPORTED


def reckon(book: Book) -> Added:
    """Nothing is sized here: sewing station and block have gone by it; what contradicts is said."""
    return Added(findings=tuple(_mind(book, book.spec.extras.stitching or Stitching())))


def _mind(book: Book, entries: Stitching) -> Iterator[Finding]:
    supports, sections, notation = book.spec.sewing.supports, book.block.sections, book.notation
    if entries.on > 1:
        least = LEAST_SUPPORTS[entries.on]
        one = Action("Sew all along", {"extras.stitching.on": 1})
        if supports < least:
            more = Action(f"Sew on {least}", {"sewing.supports": least})
            own = book.spec.extras.places
            yield finding(
                "stitching.few_supports",
                "extras.stitching.on",
                notation,
                on=("two", "three")[entries.on - 2],
                supports=supports,
                least=least,
                actions=(one,) if own and own.supports else (more, one),
            )
        if sections < TOGETHER_FROM:
            yield finding("stitching.few_sections", "extras.stitching.on", notation, sections=sections)
    single = book.sewing.method == "cords" or (
        book.sewing.method == "raised_cords" and book.spec.sewing.packed
    )
    if entries.over != "plain" and single:
        yield finding(
            "stitching.one_hole",
            "extras.stitching.over",
            notation,
            actions=(Action("Plain", {"extras.stitching.over": "plain"}),),
        )


def draw(sketch: Sketch) -> None:
    """Stitches over a tape, each linked to the one below."""
    sketch.area(box(14, 0, 12, 46), "lining")
    for number in range(5):
        y = 42 - 9 * number
        low = y + (7 if number else 0)
        sketch.line(((0, y), (13, y)), "hidden")
        sketch.line(((27, y), (40, y)), "hidden")
        sketch.line(((13, y), (20, low), (27, y)), "thread")


EXTRA = Extra(
    name="stitching",
    station="sewing",
    title="linked, caught, two on",
    does="Link {signatures}, catch kettles, sew two on",
    good_for="stitches that hold to one another over tapes, show a pattern, or hold two thin "
    "{signatures} at once",
    entries=Stitching,
    draw=draw,
    suits=suits,
    reckon=reckon,
    in_words="french link, caught up, kettle, two-on, three-on, swell",
)
