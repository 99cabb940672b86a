"""Bands each at its own place; finish, cords and the case's drawings go by them."""

import itertools
from collections.abc import Iterator

from weald.core.bindings.protocol import Structure
from weald.core.block.bands import LEAST_PANEL, panels_here
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.protocol import Extra
from weald.core.findings import Finding, finding
from weald.core.job.extras.backs import BandMeasured, BandsMeasured
from weald.core.job.spec import JobSpec
from weald.core.units import Mm

STRIP: Mm = 30.0


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Spines across which bands may run."""
    return structure.banded


def reckon(book: Book) -> Added:
    """Draw the strip the bands are marked from, and say where panels do not come out."""
    own = book.spec.extras.bands or BandsMeasured()
    if not own.bands:
        return Added()
    height = book.ledger.value("board.height")
    drawings = (_draw(book, height),) if "boards" in book.drawn else ()
    return Added(drawings=drawings, findings=tuple(_mind(book, height)))


def _mind(book: Book, height: Mm) -> Iterator[Finding]:
    show = book.notation.length
    for panel in panels_here(book.spec, height):
        if panel.height < 0:
            yield finding("bands.crossed", "extras.bands.bands", book.notation)
            return
        if panel.height < LEAST_PANEL:
            room = show(panel.height, True)
            yield finding(
                "bands.narrow", "extras.bands.bands", book.notation, panel=panel.number, height=room
            )


def _draw(book: Book, height: Mm) -> Drawing:
    """A strip as high as the boards, a mark at either edge of every band and at its middle."""
    show, sketch = book.notation.figure, Sketch()
    sketch.area(box(0, 0, STRIP, height), "paper", "cut", "board.height")
    panels = panels_here(book.spec, height)
    for above, below in itertools.pairwise(panels):
        top = above.top + above.height
        sketch.area(box(0, top, STRIP, below.top - top), "mark", "outline", "extras.bands.bands")
        middle = (top + below.top) / 2
        sketch.line(((0, middle), (STRIP, middle)), "cut", "extras.bands.bands")
        sketch.dimension((0, middle), (0, 0), show(middle), offset=1 + above.number % 3)
    for panel in panels:
        sketch.dimension((STRIP, panel.top), (STRIP, panel.top + panel.height), show(panel.height))
    return sketch.finish(
        "boards.bands",
        "boards",
        "Strip of the bands, from the head of the boards",
        rows=(3, 0, 1, 0),
        text="Panels from the head: " + ", ".join(show(panel.height, True) for panel in panels),
        template=True,
    )


def draw(sketch: Sketch) -> None:
    """A spine with bands at uneven places, and a strip marked beside it."""
    sketch.area(box(0, 0, 16, 46), "leather", "cut")
    for y in (8, 15, 26, 38):
        sketch.area(box(0, y, 16, 1.8), "mark")
        sketch.line(((22, y + 0.9), (30, y + 0.9)), "cut")
    sketch.line(((22, 0), (22, 46)), "outline")
    sketch.line(((30, 0), (30, 46)), "outline")


EXTRA = Extra(
    name="bands",
    station="boards",
    title="bands as measured",
    does="Set bands where you measured them",
    good_for="a spine that has to match another: every band where the old one has it",
    entries=BandsMeasured,
    draw=draw,
    suits=suits,
    reckon=reckon,
    begins={
        "bands": [BandMeasured(place=place).model_dump() for place in (38.0, 76.0, 114.0, 152.0)],
    },
    in_words="panels, old binding, set, raised bands",
)
