"""The finishing template as something that is added: lines set, labels cut, all of it drawn at true size."""

from collections.abc import Iterator

from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.finishing.drawn import draw_boards, draw_spine
from weald.core.extras.finishing.minding import mind
from weald.core.extras.finishing.template import LabelHere, Template, make_template
from weald.core.extras.protocol import Extra
from weald.core.job.extras.lettering import Finishing, FinishingType, PanelLine
from weald.core.job.spec import JobSpec
from weald.core.materials import COVERS
from weald.core.pieces import Piece, make_piece


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Whatever has boards and a spine can be tooled."""
    return structure.boards and structure.lettered


def reckon(book: Book) -> Added:
    """Set every line, lay every label, and draw the template; what does not fit is said where it stands."""
    entries, ledger = book.spec.extras.finishing or Finishing(), book.ledger
    if book.finish is None:
        return Added()
    template = make_template(book, entries, (book.finish.width, book.finish.height))
    if template.lines:
        ledger.reckon(
            "finishing.longest",
            max(line.set.length for line in template.lines),
            "the longest line, letter by letter, with its gaps",
            rule="as the letters measure; set it in the pallet and measure again",
        )
    drawings: list[Drawing] = []
    if "finish" in book.drawn:
        drawings += [draw_spine(book, template), *draw_boards(book, entries)]
    return Added(_pieces(book, entries, template), tuple(drawings), tuple(mind(book, entries, template)))


def finishing_pieces(book: Book) -> tuple[Piece, ...]:
    """The labels to cut, those of the spine first."""
    entries = book.spec.extras.finishing
    if entries is None or book.finish is None:
        return ()
    return _pieces(book, entries, make_template(book, entries, (book.finish.width, book.finish.height)))


def _pieces(book: Book, entries: Finishing, template: Template) -> tuple[Piece, ...]:
    return (*_label_pieces(book, template), *_front_pieces(book, entries))


def _label_pieces(book: Book, template: Template) -> Iterator[Piece]:
    for label in template.labels:
        place = label.place
        if min(place.width, place.height) > 0:
            yield make_piece(
                book.ledger,
                f"panel_label_{label.number + 1}",
                _label_name(book, label),
                COVERS[label.entry.material].cut_from,
                book.spec.copies,
                (place.width, place.height),
                _label_how(book, label),
            )


def _label_name(book: Book, label: LabelHere) -> str:
    if label.entry.place is None:
        return f"Label, panel {label.entry.panel}"
    return f"Label at {book.notation.length(label.entry.place, True)}"


def _label_how(book: Book, label: LabelHere) -> str:
    entry, show = label.entry, book.notation.length
    where = f"in panel {entry.panel}"
    if entry.place is not None:
        where = f"its middle {show(entry.place, True)} from the head"
    if entry.width is None and entry.height is None:
        return f"{where}, {show(entry.less, True)} smaller than its panel each way"
    return f"{where}, as measured"


def _front_pieces(book: Book, entries: Finishing) -> Iterator[Piece]:
    for number, front in enumerate(entries.front, start=1):
        if front.material in COVERS:
            yield make_piece(
                book.ledger,
                f"front_label_{number}",
                "Label, front board",
                COVERS[front.material].cut_from,
                book.spec.copies,
                (front.width, front.height),
                "pasted on the front board at its place",
            )


def draw(sketch: Sketch) -> None:
    """A spine with bands, a title in its second panel, a flower in others."""
    sketch.area(box(0, 0, 18, 46), "leather", "cut")
    for y in (9.0, 18.0, 27.0, 36.0):
        sketch.area(box(0, y, 18, 1.6), "mark")
    for y in (13.0, 15.8):
        sketch.line(((4, y), (14, y)), "text")
    for y in (4.5, 23.0, 32.0, 42.0):
        sketch.line(((6.5, y), (9, y - 2.5), (11.5, y), (9, y + 2.5), (6.5, y)), "outline")


EXTRA = Extra(
    name="finishing",
    station="finish",
    title="finishing template",
    does="Make a template for tooling",
    good_for="lettering and tooling with the tools and type one owns: where every letter and flower stands",
    entries=Finishing,
    draw=draw,
    suits=suits,
    reckon=reckon,
    begins={
        "types": [FinishingType().model_dump()],
        "lines": [PanelLine().model_dump()],
    },
    in_words="tooling, handle letters, type, ornament, panels, labels, bands as measured, heat",
)
