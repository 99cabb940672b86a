"""The order of work drawn to a time scale: work as solid lengths, waits as open ones with their state."""

from collections.abc import Sequence

from weald.core.book.operation import Operation, Strand, minutes_in_words
from weald.core.drawing import LETTER_WIDTH, Drawing, Sketch, box
from weald.core.notation import Notation
from weald.core.remembering import remembered

_MINUTE = 0.8
"""Drawn width of a minute."""
LONGEST_DRAWN = 120.0
"""A wait of more minutes than this is drawn so long, broken, with its true length beside it."""
_LANE, _BAR = 52.0, 20.0
_LETTERS, _LEAST_BAR = 8.5, 25.0
LANES: dict[Strand, str] = {
    "sheets": "Sheets",
    "endpapers": "Endpapers",
    "block": "Block",
    "cover": "Cover",
    "book": "Book",
}


@remembered(8)
def draw_order(operations: Sequence[Operation], notation: Notation) -> Drawing:
    """The order of work, a lane for each strand, its longest way marked beneath."""
    sketch = Sketch()
    lanes = [strand for strand in LANES if any(each.strand == strand for each in operations)]
    starts = _drawn_starts(operations)
    for number, each in enumerate(operations, 1):
        y = lanes.index(each.strand) * _LANE
        _draw_operation(sketch, each, number, starts[each.id], y)
    end = max(starts[each.id] + _drawn(each) for each in operations)
    for lane, strand in enumerate(lanes):
        sketch.label(-4, lane * _LANE + _BAR - 2, LANES[strand], height=_LETTERS, anchor="end")
        sketch.line([(0, lane * _LANE + _BAR), (end, lane * _LANE + _BAR)], "hidden")
    sketch.points += [(-74, -_LETTERS - 6), (end + 4, len(lanes) * _LANE - _BAR)]
    total = max((each.start + each.takes for each in operations), default=0.0)
    hands = sum(each.minutes for each in operations)
    text = notation.say(
        f"Solid is work, {minutes_in_words(hands)} in all; open is waiting. The line beneath is the longest "
        "way: "
        f"{minutes_in_words(total)} from beginning to end. Waits of over "
        f"{minutes_in_words(LONGEST_DRAWN)} are drawn broken."
    )
    drawing = sketch.finish(
        "bench.order", "bench", "Order of work", rows=(0, 0, 0, 0), to_scale=False, text=text
    )
    return drawing


def _drawn(operation: Operation) -> float:
    wait = min(operation.wait.usual, LONGEST_DRAWN) if operation.wait else 0.0
    return max(_LEAST_BAR, operation.minutes * _MINUTE) + wait * _MINUTE


def _drawn_starts(operations: Sequence[Operation]) -> dict[str, float]:
    """Where each begins on the drawing: as in time, but for the waits that are drawn broken."""
    starts: dict[str, float] = {}
    widths = {each.id: _drawn(each) for each in operations}
    for each in operations:
        starts[each.id] = max((starts[name] + widths[name] for name in each.after), default=0.0)
    return starts


def _draw_operation(sketch: Sketch, operation: Operation, number: int, x: float, y: float) -> None:
    about = f"bench.{operation.id}"
    work = max(_LEAST_BAR, operation.minutes * _MINUTE)
    sketch.area(box(x, y, work, _BAR), "mark", about=about)
    sketch.label(x + work / 2, y - 3, str(number), height=_LETTERS, about=about)
    if operation.wait:
        wait = operation.wait
        length = min(wait.usual, LONGEST_DRAWN) * _MINUTE
        sketch.area(box(x + work, y, length, _BAR), "white", "cut", about)
        lasts = minutes_in_words(wait.usual)
        for words in (f"{wait.words}, {lasts}", lasts):
            if length > _LETTERS * LETTER_WIDTH * 0.62 * len(words):
                at = (x + work + length / 2, y + _BAR / 2 + _LETTERS * 0.35)
                sketch.label(*at, words, height=_LETTERS, about=about)
                break
        if wait.usual > LONGEST_DRAWN:
            middle = x + work + length - 8
            sketch.line([(middle, y - 1), (middle + 3, y + _BAR + 1)], about=about)
            sketch.line([(middle + 3, y - 1), (middle + 6, y + _BAR + 1)], about=about)
    if operation.critical:
        sketch.line([(x, y + _BAR + 4), (x + _drawn(operation), y + _BAR + 4)], "thread", about)
