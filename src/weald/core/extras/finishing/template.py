"""Where each line and each label of the finishing template stands."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import TypeVar

from weald.core.block.bands import Band, Panel, bands_here, panels_here
from weald.core.book.book import Book
from weald.core.extras.finishing.setting import SetLine, most_repeats, set_tools, set_words, stacked
from weald.core.job.extras.lettering import (
    BoardFrame,
    Finishing,
    FinishingTool,
    FinishingType,
    FrontLabel,
    PanelLabel,
    PanelLine,
)
from weald.core.job.finish import Direction
from weald.core.units import Mm

Owned = TypeVar("Owned", FinishingTool, FinishingType)


@dataclass(frozen=True, slots=True)
class Place:
    """A rectangle on the spine, from its left edge and from the boards' head."""

    left: Mm
    top: Mm
    width: Mm
    height: Mm

    @property
    def bottom(self) -> Mm:
        """Its lower edge, from the boards' head."""
        return self.top + self.height


@dataclass(frozen=True, slots=True)
class LineHere:
    """A line set where it stands; ``number`` is its place among the entries, from 0."""

    number: int
    entry: PanelLine
    set: SetLine
    place: Place

    def impressions(self) -> Iterator[tuple[str, Place]]:
        """Each letter and each tool where it is impressed, in the order of reading."""
        high, runs = self.set.height, self.entry.runs
        for each in self.set.impressions:
            if runs == "across":
                yield each.sign, Place(self.place.left + each.left, self.place.top, each.width, high)
                continue
            along = each.left if runs == "down" else self.set.length - each.left - each.width
            yield each.sign, Place(self.place.left, self.place.top + along, high, each.width)


@dataclass(frozen=True, slots=True)
class LabelHere:
    """A label where it is pasted; ``number`` is its place among the entries, from 0."""

    number: int
    entry: PanelLabel
    place: Place


@dataclass(frozen=True, slots=True)
class Template:
    """The spine with all that is tooled and pasted on it.

    :param margin: kept free at either edge of the spine.
    """

    width: Mm
    height: Mm
    margin: Mm
    bands: tuple[Band, ...]
    panels: tuple[Panel, ...]
    lines: tuple[LineHere, ...]
    labels: tuple[LabelHere, ...]

    def room(self, entry: PanelLine) -> tuple[Mm, Mm]:
        """How long a line can be, and how high: as its panel, or the whole spine where it was measured."""
        across = self.width - 2 * self.margin
        panel = panel_of(self.panels, entry.panel)
        along = self.height if entry.place is not None or panel is None else panel.height
        return (across, along) if entry.runs == "across" else (along, across)


def make_template(book: Book, entries: Finishing, size: tuple[Mm, Mm]) -> Template:
    """Set every line and lay every label.

    :param size: of the spine, between the joints and from head to tail of the boards.
    """
    width, height = size
    crossed = book.structure.banded and bool(book.spec.binding.bands.count)
    panels = panels_here(book.spec, height) if crossed else (Panel(1, 0.0, height),)
    bands = bands_here(book.spec, height) if crossed else ()
    bare = Template(width, height, entries.margin, bands, panels, (), ())
    lines = tuple(sorted(_lines(book, entries, bare), key=lambda line: line.number))
    return Template(width, height, entries.margin, bands, panels, lines, tuple(_labels(entries, bare)))


def panel_of(panels: Sequence[Panel], number: int) -> Panel | None:
    """The panel of a number, if the spine has so many."""
    return next((each for each in panels if each.number == number), None)


def words_of(book: Book, line: PanelLine) -> str:
    """What a line says: its own words, or the book's."""
    spec = book.spec
    usual = {
        "title": spec.finish.title or spec.title,
        "author": spec.finish.author,
        "volume": spec.finish.volume,
    }
    return line.text or usual.get(line.what, "")


def named(owned: Sequence[Owned], name: str) -> Owned | None:
    """The tool or type of a name; the first there is where no name is given."""
    if not name:
        return owned[0] if owned else None
    return next((each for each in owned if each.name == name), None)


def set_line(book: Book, entries: Finishing, line: PanelLine, room: Mm) -> SetLine | None:
    """A line set with what there is; nothing where the type or the tool is not among it."""
    if line.what not in ("tool", "line"):
        type = named(entries.types, line.by)
        return set_words(words_of(book, line), type) if type else None
    tools = [tool for tool in entries.tools if tool.line == (line.what == "line")]
    tool = named(tools, line.by)
    if tool is None:
        return None
    if line.what == "line":
        return SetLine((), room, tool.height)
    repeats = line.repeats or most_repeats(tool.width, line.gap, room)
    return set_tools(tool, repeats, line.gap)


def _lines(book: Book, entries: Finishing, spine: Template) -> Iterator[LineHere]:
    """Lines with a place of their own stand there; all others in the middle of their panel, stacked."""
    stacks: dict[int, list[tuple[int, PanelLine, SetLine]]] = {}
    for number, line in enumerate(entries.lines):
        if line.place is None and panel_of(spine.panels, line.panel) is None:
            continue
        set = set_line(book, entries, line, spine.room(line)[0])
        if set is None:
            continue
        if line.place is None:
            stacks.setdefault(line.panel, []).append((number, line, set))
        else:
            high = _size(line.runs, set)[1]
            yield LineHere(number, line, set, _centred(spine, line.runs, set, line.place - high / 2))
    for panel in spine.panels:
        here = stacks.get(panel.number, ())
        tops = stacked([_size(line.runs, set)[1] for _, line, set in here], entries.leading, panel.height)
        for (number, line, set), top in zip(here, tops, strict=True):
            yield LineHere(number, line, set, _centred(spine, line.runs, set, panel.top + top))


def _size(runs: Direction, set: SetLine) -> tuple[Mm, Mm]:
    """How wide and how high a line stands on the spine."""
    return (set.length, set.height) if runs == "across" else (set.height, set.length)


def _centred(spine: Template, runs: Direction, set: SetLine, top: Mm) -> Place:
    width, height = _size(runs, set)
    return Place((spine.width - width) / 2, top, width, height)


def _labels(entries: Finishing, spine: Template) -> Iterator[LabelHere]:
    """A label is as measured, or smaller than its panel; in the panel's middle, or where it was measured."""
    for number, label in enumerate(entries.labels):
        panel = panel_of(spine.panels, label.panel)
        width = spine.width - label.less if label.width is None else label.width
        if panel is not None:
            height = panel.height - label.less if label.height is None else label.height
            middle = panel.top + panel.height / 2 if label.place is None else label.place
        elif label.height is not None and label.place is not None:
            height, middle = label.height, label.place
        else:
            continue
        yield LabelHere(number, label, Place((spine.width - width) / 2, middle - height / 2, width, height))


def frame_edges(frame: BoardFrame, side: str, size: tuple[Mm, Mm]) -> tuple[Mm, Mm, Mm, Mm]:
    """Left, top, right and bottom of a frame on a board, from outside: the joint is left on the front."""
    width, height = size
    left, right = (frame.joint, frame.edges) if side == "front" else (frame.edges, frame.joint)
    return left, frame.edges, width - right, height - frame.edges


def front_edges(label: FrontLabel, size: tuple[Mm, Mm]) -> tuple[Mm, Mm, Mm, Mm]:
    """Left, top, right and bottom of a label or a stamped design on the front board."""
    left = (size[0] - label.width) / 2 if label.joint is None else label.joint
    return left, label.head, left + label.width, label.head + label.height


def board_size(book: Book, side: str) -> tuple[Mm, Mm]:
    """Width and height of the board of a side."""
    boards = book.bound.sizes.boards
    if boards is None:
        raise ValueError("A book without boards has no side to tool.")
    return boards.back if side == "back" else boards.front
