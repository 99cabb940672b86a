"""The finishing template drawn: the spine to wrap round, and the boards."""

from collections.abc import Iterator, Sequence

from weald.core.book.book import Book
from weald.core.drawing import Drawing, Point, Sketch, box
from weald.core.extras.finishing.setting import fitted_gap
from weald.core.extras.finishing.template import (
    LabelHere,
    LineHere,
    Template,
    board_size,
    frame_edges,
    front_edges,
    named,
    words_of,
)
from weald.core.job.extras.lettering import BoardFrame, Finishing, FrontLabel
from weald.core.materials import COVERS
from weald.core.notation import counted
from weald.core.units import Mm

WRAP: Mm = 15.0
"""The template reaches so far round on to either board, to be held there."""
TURN = {"across": 0.0, "down": 90.0, "up": -90.0}


def draw_spine(book: Book, template: Template) -> Drawing:
    """A strip to wrap round the spine: bands, panels, centre line, and every impression at true size."""
    show, sketch = book.notation.figure, Sketch()
    width, height = template.width, template.height
    sketch.area(box(-WRAP, 0, width + 2 * WRAP, height), "paper", "cut", "finish.width")
    for x in (0.0, width):
        sketch.line(((x, 0), (x, height)), "score", "finish.width")
    sketch.line(((width / 2, 0), (width / 2, height)), "hidden", "finish.width")
    for above, below in zip(template.panels, template.panels[1:], strict=False):
        bottom = above.top + above.height
        if below.top > bottom:
            sketch.area(box(0, bottom, width, below.top - bottom), "mark", "outline", "panel.each")
    for panel in template.panels:
        middle = panel.top + panel.height / 2
        sketch.line(((-WRAP, middle), (-WRAP / 2, middle)), "hidden")
        bottom = panel.top + panel.height
        sketch.dimension((width + WRAP, panel.top), (width + WRAP, bottom), show(panel.height))
    for label in template.labels:
        _draw_label(sketch, label)
    for line in template.lines:
        _draw_line(sketch, line)
    for row, middle in enumerate(_measured(template), start=1):
        sketch.dimension((-WRAP, middle), (-WRAP, 0), show(middle), offset=row)
    rows = 1 + len(_measured(template))
    sketch.dimension((0, 0), (width, 0), show(width), about="finish.width")
    sketch.dimension((-WRAP, height), (-WRAP, 0), show(height), offset=rows)
    return sketch.finish(
        "finish.finishing",
        "finish",
        "Finishing template, to wrap round the spine",
        rows=(1, 1, 1, rows),
        text="; ".join(_told(book, line) for line in template.lines) or "Nothing is set in the panels yet.",
        template=True,
    )


def _measured(template: Template) -> list[Mm]:
    """Middles that were measured, from the head down."""
    entries = [line.entry.place for line in template.lines] + [label.entry.place for label in template.labels]
    return sorted({place for place in entries if place is not None})


def _told(book: Book, line: LineHere) -> str:
    entry, show = line.entry, book.notation.figure
    what = words_of(book, entry) or entry.by or entry.what
    where = f"panel {entry.panel}" if entry.place is None else f"at {show(entry.place, True)}"
    return f"{where}: {what}, {show(line.set.length, True)} long"


def _draw_label(sketch: Sketch, label: LabelHere) -> None:
    place = label.place
    if min(place.width, place.height) <= 0:
        return
    shape = box(place.left, place.top, place.width, place.height)
    material = COVERS[label.entry.material].record.drawn
    sketch.area(shape, material, "cut", f"piece.panel_label_{label.number + 1}")


def _draw_line(sketch: Sketch, line: LineHere) -> None:
    about = f"extras.finishing.lines.{line.number}.by"
    if not line.set.impressions:
        sketch.area(
            box(line.place.left, line.place.top, line.place.width, line.place.height),
            "mark",
            "outline",
            about,
        )
        return
    for sign, at in line.impressions():
        shape = box(at.left, at.top, at.width, at.height)
        sketch.line((*shape, shape[0]), "hidden", about)
        middle, centre = at.left + at.width / 2, at.top + at.height / 2
        if line.entry.what != "tool":
            length = at.width if line.entry.runs == "across" else at.height
            turn = TURN[line.entry.runs]
            sketch.label(
                middle, centre, sign, height=line.set.height, rotation=turn, length=length, about=about
            )
            continue
        sketch.line(((middle, at.top), (middle, at.bottom)), "hidden", about)
        sketch.line(((at.left, centre), (at.left + at.width, centre)), "hidden", about)


def draw_boards(book: Book, entries: Finishing) -> Iterator[Drawing]:
    """Front and back boards with their frames and labels, the joint to the left of the front one."""
    for side in ("front", "back"):
        frames = [frame for frame in entries.frames if frame.side in (side, "both")]
        labels = entries.front if side == "front" else ()
        if frames or labels:
            yield _draw_board(book, entries, side, frames, labels)


def _draw_board(
    book: Book, entries: Finishing, side: str, frames: Sequence[BoardFrame], labels: Sequence[FrontLabel]
) -> Drawing:
    show, sketch = book.notation.figure, Sketch()
    width, height = board_size(book, side)
    sketch.area(box(0, 0, width, height), "cloth", "cut", "board.width board.height")
    for frame in frames:
        left, top, right, bottom = frame_edges(frame, side, (width, height))
        if right <= left or bottom <= top:
            continue
        _draw_frame(sketch, entries, frame, (left, top, right, bottom))
        sketch.dimension((0, top), (left, top), show(left))
        sketch.dimension((right, top), (width, top), show(width - right))
        sketch.dimension((right, 0), (right, top), show(top))
    for label in labels:
        left, top, right, bottom = front_edges(label, (width, height))
        _draw_front(sketch, label, box(left, top, label.width, label.height))
        sketch.dimension((0, top), (left, top), show(left))
        sketch.dimension((left, 0), (left, top), show(top))
        sketch.dimension((left, top), (right, top), show(label.width))
        sketch.dimension((right, top), (right, bottom), show(label.height))
    sketch.dimension((0, 0), (width, 0), show(width), offset=2)
    sketch.dimension((0, height), (0, 0), show(height))
    return sketch.finish(
        f"finish.finishing_{side}",
        "finish",
        f"The {side} board, tooled",
        rows=(1, 2, 1, 0),
        text=f"{counted(len(frames), 'frame')} and {counted(len(labels), 'label')}; the joint to the "
        f"{'left' if side == 'front' else 'right'}.",
    )


def _draw_front(sketch: Sketch, label: FrontLabel, shape: tuple[Point, ...]) -> None:
    if label.material == "stamped":
        sketch.area(shape, "mark", "outline", "extras.finishing.front")
        return
    sketch.area(shape, COVERS[label.material].record.drawn, "cut", "extras.finishing.front")


def _draw_frame(sketch: Sketch, entries: Finishing, frame: BoardFrame, edges: tuple[Mm, Mm, Mm, Mm]) -> None:
    """A line, or whole tools along all four sides with one at every corner."""
    left, top, right, bottom = edges
    outline = box(left, top, right - left, bottom - top)
    sketch.line((*outline, outline[0]), "hidden", "extras.finishing.frames")
    tool = named(entries.tools, frame.by)
    if tool is None or tool.line:
        return
    for across, (start, end) in ((True, (left, right)), (False, (top, bottom))):
        size = tool.width
        count, gap = fitted_gap(size, frame.gap, end - start)
        for number in range(count):
            at: Mm = start + number * (size + gap)
            for x, y in (
                ((at, top), (at, bottom - tool.height))
                if across
                else (
                    (left, at),
                    (right - tool.height, at),
                )
            ):
                wide, high = (size, tool.height) if across else (tool.height, size)
                shape = box(x, y, wide, high)
                sketch.line((*shape, shape[0]), "hidden", "extras.finishing.frames")
