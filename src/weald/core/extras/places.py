"""Supports and kettles each at a place of its own; the sewing station places them."""

from weald.core.bindings.protocol import Structure
from weald.core.block.holes import SUPPORTED, support_middles
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.findings import Finding, finding
from weald.core.job.extras.sewn import SewingPlaces, SupportPlace
from weald.core.job.spec import JobSpec
from weald.core.units import Mm

CARD: Mm = 36.0
"""Width of the card places are copied on."""
APART: Mm = 3.0
"""Front and back of one book differ by a millimetre or two; more is more likely a slip in measuring."""


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Whatever is sewn on supports, or linked at stations."""
    return structure.treatment(spec).method in (*SUPPORTED, "link")


def reckon(book: Book) -> Added:
    """Draw the card the places are copied from, for front and back."""
    own = book.spec.extras.places or SewingPlaces()
    if not own.supports or not book.sewing.holes:
        return Added()
    drawings = (_draw_card(book),) if "sewing" in book.drawn else ()
    return Added(drawings=drawings, findings=tuple(_mind(book, own)))


def _mind(book: Book, own: SewingPlaces) -> list[Finding]:
    show = book.notation.length
    return [
        finding(
            "places.apart",
            f"extras.places.supports.{number}.back",
            book.notation,
            number=number + 1,
            front=show(each.place, True),
            back=show(each.back, True),
        )
        for number, each in enumerate(own.supports)
        if each.back is not None and abs(each.back - each.place) > APART
    ]


def _draw_card(book: Book) -> Drawing:
    """A card as high as the trimmed block, its two edges marked for front and back."""
    show, sketch, height = book.notation.figure, Sketch(), book.block.height
    sketch.area(box(0, 0, CARD, height), "card", "cut", "block.height")
    front = support_middles(book.sewing.holes)
    back = list(book.sewing.backs) or front
    kettles = [hole.place for hole in book.sewing.holes if hole.kind == "kettle"]
    for left, places, row in ((0.0, back, -1), (CARD, front, 1)):
        inward = CARD / 3 if left == 0 else -CARD / 3
        for number, place in enumerate(places):
            sketch.line(((left, place), (left + inward, place)), "cut", "sewing.holes")
            offset = 1 + number % 3
            start, end = ((left, place), (left, 0.0)) if row < 0 else ((left, 0.0), (left, place))
            sketch.dimension(start, end, show(place), offset=offset, about="sewing.holes")
        for place in kettles:
            sketch.line(((left, place), (left + inward / 2, place)), "slit", "sewing.kettle")
    sketch.label(CARD / 4, 5, "back", height=2.5)
    sketch.label(3 * CARD / 4, 5, "front", height=2.5)
    return sketch.finish(
        "sewing.places",
        "sewing",
        "Card of the places, back to the left, front to the right",
        rows=(3, 0, 3, 0),
        text="From the trimmed head: " + ", ".join(show(place, True) for place in front),
        template=True,
    )


def draw(sketch: Sketch) -> None:
    """A spine upright with supports at uneven places, and a rule beside it."""
    sketch.area(box(0, 0, 16, 46), "block")
    for y in (7, 17, 22, 38):
        sketch.line(((-3, y), (19, y)), "slit")
    sketch.line(((26, 0), (26, 46)), "outline")
    for y in range(0, 47, 4):
        sketch.line(((26, y), (28.5 if y % 8 else 30, y)), "outline")


EXTRA = Extra(
    name="places",
    station="sewing",
    title="places measured",
    does="Sew at places you measured",
    good_for="supports where the old ones were, or where a card has them; each with its own stitch",
    entries=SewingPlaces,
    draw=draw,
    suits=suits,
    reckon=reckon,
    begins={"supports": [SupportPlace(place=place).model_dump() for place in (40.0, 100.0, 165.0)]},
    in_words="own places, old book, card, uneven supports, stitch length, front and back",
)
