"""The order of work drawn to a time scale: work as solid lengths, waits as open ones with their state."""

from collections.abc import Sequence

from weald.core.book.operation import Operation, Strand, minutes_in_words
from weald.core.drawing import LETTER_WIDTH, Drawing, Sketch, box
from weald.core.notation import Notation
from weald.core.remembering import remembered

OVER_TIME = "bench.order"
"""The drawing's id. It is as long as the work, to be scrolled; no page holds it so that it can be read."""
_MINUTE = 2.0
"""Drawn width of a minute."""
LONGEST_DRAWN = 120.0
"""A wait of more minutes than this is drawn so long, broken, with its true length beside it."""
_LANE, _BAR = 40.0, 26.0
_LETTERS, _LEAST_BAR = 8.5, 25.0
_INSET = 4.0
"""A wait is drawn so much narrower than work, above and below."""
_SET = 0.8
"""How wide a running text is set, to the width of its capitals."""
LANES: dict[Strand, str] = {
    "sheets": "Sheets",
    "endpapers": "Endpapers",
    "block": "Block",
    "cover": "Cover",
    "book": "Book",
}


@remembered(8)
def draw_order(operations: Sequence[Operation], notation: Notation) -> Drawing:
    """The order of work, a lane for each strand, its longest way drawn heavier.

    A bar that is long enough bears its name, any other its number.
    """
    sketch = Sketch()
    lanes = [strand for strand in LANES if any(each.strand == strand for each in operations)]
    starts = _drawn_starts(operations)
    for number, each in enumerate(operations, 1):
        y = lanes.index(each.strand) * _LANE
        _draw_operation(sketch, each, number, starts[each.id], y)
    end = max(starts[each.id] + _drawn(each) for each in operations)
    for lane, strand in enumerate(lanes):
        sketch.label(-4, lane * _LANE + _BAR / 2, LANES[strand], height=_LETTERS, anchor="end")
        sketch.line([(0, lane * _LANE + _BAR + 5), (end, lane * _LANE + _BAR + 5)], "hidden")
    sketch.points += [(-74, -6), (end + 4, len(lanes) * _LANE - _BAR / 4)]
    total = max((each.start + each.takes for each in operations), default=0.0)
    hands = sum(each.minutes for each in operations)
    text = notation.say(
        f"Full bars are work, {minutes_in_words(hands)} in all; open ones are waiting. The heavier ones are "
        "the longest way: "
        f"{minutes_in_words(total)} from beginning to end. Waits of over "
        f"{minutes_in_words(LONGEST_DRAWN)} are drawn broken."
    )
    drawing = sketch.finish(OVER_TIME, "bench", "Order of work", rows=(0, 0, 0, 0), to_scale=False, text=text)
    return drawing


def _worked(operation: Operation) -> float:
    return max(_LEAST_BAR, operation.minutes * _MINUTE)


def _drawn(operation: Operation) -> float:
    wait = min(operation.wait.usual, LONGEST_DRAWN) if operation.wait else 0.0
    return _worked(operation) + wait * _MINUTE


def _drawn_starts(operations: Sequence[Operation]) -> dict[str, float]:
    """Where each begins on the drawing: as in time, but for the waits that are drawn broken."""
    starts: dict[str, float] = {}
    widths = {each.id: _drawn(each) for each in operations}
    for each in operations:
        starts[each.id] = max((starts[name] + widths[name] for name in each.after), default=0.0)
    return starts


def _draw_operation(sketch: Sketch, operation: Operation, number: int, x: float, y: float) -> None:
    about = f"bench.{operation.id}"
    work = _worked(operation)
    # the longest way is drawn heavier
    sketch.area(box(x, y, work, _BAR), "cloth", "slit" if operation.critical else "outline", about)
    level = y + _BAR / 2
    named = f"{number} {operation.title}"
    words = named if _long(named) <= work else str(number)
    sketch.label(x + work / 2, level, words, height=_LETTERS, about=about)
    if operation.wait:
        wait = operation.wait
        length = min(wait.usual, LONGEST_DRAWN) * _MINUTE
        sketch.area(box(x + work, y + _INSET, length, _BAR - 2 * _INSET), "white", "hidden", about)
        lasts = minutes_in_words(wait.usual)
        said = next((each for each in (f"{wait.words}, {lasts}", lasts) if _long(each) <= length), None)
        if said:
            sketch.label(x + work + length / 2, level, said, height=_LETTERS, about=about)
        if wait.usual > LONGEST_DRAWN:
            middle = x + work + length - 8
            sketch.line([(middle, y - 1), (middle + 3, y + _BAR + 1)], about=about)
            sketch.line([(middle + 3, y - 1), (middle + 6, y + _BAR + 1)], about=about)


def _long(words: str) -> float:
    """What words take, with air at both ends."""
    return (len(words) + 1) * _LETTERS * LETTER_WIDTH * _SET
