"""What to mind about the finishing template: what is not owned, does not fit, or meets something else."""

from collections.abc import Iterator, Sequence
from itertools import combinations
from typing import NamedTuple

from weald.core.book.book import Book
from weald.core.extras.finishing.template import (
    LineHere,
    Place,
    Template,
    board_size,
    frame_edges,
    front_edges,
    named,
    panel_of,
)
from weald.core.findings import Action, Finding, finding
from weald.core.job.extras.lettering import Finishing, PanelLine
from weald.core.units import TOLERANCE, Mm

LINES = "extras.finishing.lines"


class _Thing(NamedTuple):
    """Something that stands on the spine, as it is called."""

    name: str
    about: str
    measured: bool
    place: Place


def mind(book: Book, entries: Finishing, template: Template) -> Iterator[Finding]:
    """Everything to mind, line by line, then panel by panel, then on the boards."""
    for number, line in enumerate(entries.lines):
        yield from _mind_entry(book, entries, template, number, line)
    for here in template.lines:
        yield from _mind_size(book, entries, template, here)
    for panel in template.panels:
        inside = [each for each in template.lines if _in_panel(each, panel.number)]
        if inside:
            yield from _mind_stack(book, entries, inside, panel.height)
    yield from _mind_labels(book, entries, template)
    yield from _mind_places(book, template)
    for number, frame in enumerate(entries.frames):
        if frame.by and named(entries.tools, frame.by) is None:
            about = f"extras.finishing.frames.{number}.by"
            yield finding("finishing.not_owned", about, book.notation, kind="tool", name=frame.by)
    for side in ("front", "back"):
        yield from _mind_board(book, entries, side)


def _in_panel(line: LineHere, number: int) -> bool:
    return line.entry.place is None and line.entry.panel == number


def _mind_entry(
    book: Book, entries: Finishing, template: Template, number: int, line: PanelLine
) -> Iterator[Finding]:
    panels = len(template.panels)
    if line.place is None and panel_of(template.panels, line.panel) is None:
        about = f"{LINES}.{number}.panel"
        yield finding("finishing.no_panel", about, book.notation, panel=line.panel, panels=panels)
    elif all(each.number != number for each in template.lines):
        kind, about = "tool" if line.what in ("tool", "line") else "type", f"{LINES}.{number}.by"
        yield finding("finishing.not_owned", about, book.notation, kind=kind, name=line.by or f"any {kind}")


def _mind_size(book: Book, entries: Finishing, template: Template, here: LineHere) -> Iterator[Finding]:
    compared, (along, across) = book.notation.compared, template.room(here.entry)
    if here.set.length > along + TOLERANCE:
        length, room = compared(here.set.length, along)
        yield finding(
            "finishing.long",
            f"{LINES}.{here.number}.text",
            book.notation,
            line=here.number + 1,
            length=length,
            room=room,
            actions=tuple(_turned(book, entries, template, here)),
        )
    if here.entry.runs != "across" and here.set.height > across + TOLERANCE:
        height, room = compared(here.set.height, across)
        yield finding(
            "finishing.broad",
            f"{LINES}.{here.number}.by",
            book.notation,
            line=here.number + 1,
            height=height,
            room=room,
        )


def _turned(book: Book, entries: Finishing, template: Template, here: LineHere) -> Iterator[Action]:
    """Run it along the spine, where it has room there: as the book's other lettering, else downwards."""
    if here.entry.runs != "across":
        return
    usual = book.spec.finish.direction
    along = here.entry.model_copy(update={"runs": "down" if usual == "across" else usual})
    room = template.room(along)
    if here.set.length <= room[0] + TOLERANCE and here.set.height <= room[1] + TOLERANCE:
        lines = [
            (along if number == here.number else line).model_dump(mode="json")
            for number, line in enumerate(entries.lines)
        ]
        yield Action("Run it along the spine", {LINES: lines})


def _mind_stack(book: Book, entries: Finishing, inside: Sequence[LineHere], room: Mm) -> Iterator[Finding]:
    high = inside[-1].place.bottom - inside[0].place.top
    if high <= room + TOLERANCE:
        return
    gaps, solid = len(inside) - 1, sum(line.place.height for line in inside)
    leading = round((room - solid) / gaps * 0.8, 2) if gaps else -1.0
    actions = (Action("Set the lines closer", {"extras.finishing.leading": leading}),) if leading >= 0 else ()
    height, most = book.notation.compared(high, room)
    yield finding(
        "finishing.high",
        "extras.finishing.leading",
        book.notation,
        panel=inside[0].entry.panel,
        height=height,
        room=most,
        actions=actions,
    )


def _mind_labels(book: Book, entries: Finishing, template: Template) -> Iterator[Finding]:
    laid = {label.number: label for label in template.labels}
    for number, label in enumerate(entries.labels):
        about = f"extras.finishing.labels.{number}"
        if number not in laid:
            panels = len(template.panels)
            yield finding(
                "finishing.no_panel", f"{about}.panel", book.notation, panel=label.panel, panels=panels
            )
        elif min(laid[number].place.width, laid[number].place.height) <= 0:
            less = book.notation.length(label.less, True)
            yield finding("finishing.no_label", f"{about}.less", book.notation, label=number + 1, less=less)
        elif laid[number].place.width > template.width + TOLERANCE:
            width, room = book.notation.compared(laid[number].place.width, template.width)
            yield finding(
                "finishing.label_wide",
                f"{about}.width",
                book.notation,
                label=number + 1,
                width=width,
                room=room,
            )


def _mind_places(book: Book, template: Template) -> Iterator[Finding]:
    """What was put at a place of its own must not lie on a band, on its like, or beyond the boards."""
    lines = [
        _Thing(f"Line {each.number + 1}", f"{LINES}.{each.number}.place", _own(each.entry.place), each.place)
        for each in template.lines
    ]
    labels = [
        _Thing(
            f"Label {each.number + 1}",
            f"extras.finishing.labels.{each.number}.place",
            _own(each.entry.place, each.entry.height),
            each.place,
        )
        for each in template.labels
    ]
    for thing in (*lines, *labels):
        if thing.measured:
            for other in _met(thing.place, template):
                yield finding("finishing.meets", thing.about, book.notation, what=thing.name, other=other)
    for kind in (lines, labels):
        for one, two in combinations(kind, 2):
            if (one.measured or two.measured) and _overlap(one.place, two.place):
                other = two.name.lower()
                yield finding("finishing.meets", one.about, book.notation, what=one.name, other=other)


def _own(*sizes: Mm | None) -> bool:
    return any(size is not None for size in sizes)


def _met(place: Place, template: Template) -> Iterator[str]:
    if place.top < -TOLERANCE or place.bottom > template.height + TOLERANCE:
        yield "the edge of the boards"
    for number, band in enumerate(template.bands, start=1):
        top = band.place - band.width / 2
        if _overlap(place, Place(0.0, top, template.width, band.width)):
            yield f"band {number}"


def _overlap(one: Place, other: Place) -> bool:
    """Whether two things overlap in the height of the spine, where everything is centred."""
    return one.top < other.bottom - TOLERANCE and other.top < one.bottom - TOLERANCE


def _mind_board(book: Book, entries: Finishing, side: str) -> Iterator[Finding]:
    size = board_size(book, side)
    for number, frame in enumerate(entries.frames):
        if frame.side in (side, "both"):
            left, top, right, bottom = frame_edges(frame, side, size)
            if right <= left + TOLERANCE or bottom <= top + TOLERANCE:
                yield _off(book, f"frames.{number}.edges", f"Frame {number + 1}", side, size)
    if side == "front":
        for number, label in enumerate(entries.front):
            left, top, right, bottom = front_edges(label, size)
            inside = left >= -TOLERANCE and right <= size[0] + TOLERANCE and bottom <= size[1] + TOLERANCE
            if not inside:
                name = "Stamped design" if label.material == "stamped" else "Label"
                yield _off(book, f"front.{number}.width", f"{name} {number + 1}", side, size)


def _off(book: Book, entry: str, what: str, side: str, size: tuple[Mm, Mm]) -> Finding:
    width, height = (book.notation.length(each, True) for each in size)
    about = f"extras.finishing.{entry}"
    return finding(
        "finishing.off_board", about, book.notation, what=what, side=side, width=width, height=height
    )
