"""The finishing template: for each panel its contents, centred, at true size, with the tools there are."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import TypeVar

from weald.core.bindings.protocol import Structure
from weald.core.block.bands import Panel, panels_here
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.protocol import Added, Extra, Made
from weald.core.extras.setting import (
    SetLine,
    fitted_gap,
    most_repeats,
    set_tools,
    set_words,
    stacked,
)
from weald.core.findings import Action, Finding, finding
from weald.core.job.extras.lettering import (
    BoardFrame,
    Finishing,
    FinishingTool,
    FinishingType,
    FrontLabel,
    PanelLabel,
    PanelLine,
)
from weald.core.job.spec import JobSpec
from weald.core.pieces import Piece, PieceMaterial, make_piece
from weald.core.units import TOLERANCE, Mm

WRAP: Mm = 15.0
"""The template reaches so far round on to either board, to be held there."""
Owned = TypeVar("Owned", FinishingTool, FinishingType)
LABEL_MATERIAL: dict[str, PieceMaterial] = {"leather": "leather", "paper": "side_paper"}


@dataclass(frozen=True, slots=True)
class LineHere:
    """A line set in its panel; ``left`` and ``top`` from the spine's left edge and the boards' head."""

    number: int
    entry: PanelLine
    set: SetLine
    left: Mm
    top: Mm


@dataclass(frozen=True, slots=True)
class Template:
    """The spine with all that is tooled on it."""

    width: Mm
    height: Mm
    panels: tuple[Panel, ...]
    lines: tuple[LineHere, ...]


def suits(structure: Structure, spec: JobSpec) -> bool:
    """Whatever has boards and a spine can be tooled."""
    return structure.boards and structure.lettered


def reckon(made: Made) -> Added:
    """Set every line, centre it, and draw the template; what does not fit is said by its panel."""
    entries, ledger = made.spec.extras.finishing or Finishing(), made.ledger
    if made.finish is None:
        return Added()
    width, height = made.finish.width, made.finish.height
    spaces = spine_panels(made, height)
    template = Template(width, height, spaces, tuple(_set_all(made, entries, spaces, width)))
    if template.lines:
        ledger.reckon(
            "finishing.longest",
            max(line.set.length for line in template.lines),
            "the longest line, letter by letter, with its gaps",
            rule="as the letters measure; set it in the pallet and measure again",
        )
    drawings: list[Drawing] = []
    if "finish" in made.drawn:
        drawings.append(_draw_spine(made, entries, template))
        drawings += _draw_boards(made, entries)
    return Added(
        tuple(_label_pieces(made, entries, spaces, width)),
        tuple(drawings),
        tuple(_mind(made, entries, template)),
    )


def spine_panels(made: Made, height: Mm) -> tuple[Panel, ...]:
    """The panels between the bands; the whole spine where none run across it."""
    if made.structure.banded and made.spec.binding.bands.count:
        return panels_here(made.spec, height)
    return (Panel(1, 0.0, height),)


def _words(made: Made, line: PanelLine) -> str:
    spec = made.spec
    usual = {
        "title": spec.finish.title or spec.title,
        "author": spec.finish.author,
        "volume": spec.finish.volume,
    }
    return line.text or usual.get(line.what, "")


def _named(owned: Sequence[Owned], name: str) -> Owned | None:
    """The tool or type of a name; the first there is where no name is given."""
    if not name:
        return owned[0] if owned else None
    return next((each for each in owned if each.name == name), None)


def set_line(made: Made, entries: Finishing, line: PanelLine, room: Mm) -> SetLine | None:
    """A line set with what there is; nothing where the type or the tool is not among it."""
    if line.what not in ("tool", "line"):
        type = _named(entries.types, line.by)
        return set_words(_words(made, line), type) if type else None
    tools = [tool for tool in entries.tools if tool.line == (line.what == "line")]
    tool = _named(tools, line.by)
    if tool is None:
        return None
    if line.what == "line":
        return SetLine((), room, tool.height)
    repeats = line.repeats or most_repeats(tool.width, line.gap, room)
    return set_tools(tool, repeats, line.gap)


def _set_all(made: Made, entries: Finishing, spaces: Sequence[Panel], width: Mm) -> Iterator[LineHere]:
    room = width - 2 * entries.margin
    for panel in spaces:
        here = [
            (number, line, set)
            for number, line in enumerate(entries.lines)
            if line.panel == panel.number and (set := set_line(made, entries, line, room))
        ]
        tops = stacked([set for *_, set in here], entries.leading, panel.height)
        for (number, line, set), top in zip(here, tops, strict=True):
            yield LineHere(number, line, set, (width - set.length) / 2, panel.top + top)


def _label_pieces(made: Made, entries: Finishing, spaces: Sequence[Panel], width: Mm) -> Iterator[Piece]:
    for number, label in enumerate(entries.labels, start=1):
        panel = next((each for each in spaces if each.number == label.panel), None)
        if panel is None:
            continue
        size = (width - label.less, panel.height - label.less)
        if min(size) <= 0:
            continue
        how = f"in panel {label.panel}, {made.notation.length(label.less, True)} smaller than it each way"
        name = f"Label, panel {label.panel}"
        yield make_piece(
            made.ledger,
            f"panel_label_{number}",
            name,
            LABEL_MATERIAL[label.material],
            made.spec.copies,
            size,
            how,
        )
    for number, front in enumerate(entries.front, start=1):
        if front.material == "stamped":
            continue
        yield make_piece(
            made.ledger,
            f"front_label_{number}",
            "Label, front board",
            LABEL_MATERIAL[front.material],
            made.spec.copies,
            (front.width, front.height),
            "pasted on the front board at its place",
        )


def _mind(made: Made, entries: Finishing, template: Template) -> Iterator[Finding]:
    notation, room = made.notation, template.width - 2 * entries.margin
    show = notation.length
    count = len(template.panels)
    set_here = {line.number for line in template.lines}
    for number, line in enumerate(entries.lines):
        about = f"extras.finishing.lines.{number}.by"
        if line.panel > count:
            yield finding(
                "finishing.no_panel",
                f"extras.finishing.lines.{number}.panel",
                notation,
                panel=line.panel,
                panels=count,
            )
        elif number not in set_here:
            kind = "tool" if line.what in ("tool", "line") else "type"
            yield finding("finishing.not_owned", about, notation, kind=kind, name=line.by or f"any {kind}")
    for here in template.lines:
        if here.set.length > room + TOLERANCE:
            yield finding(
                "finishing.long",
                f"extras.finishing.lines.{here.number}.text",
                notation,
                panel=here.entry.panel,
                length=show(here.set.length, True),
                room=show(room, True),
            )
    for panel in template.panels:
        inside = [line for line in template.lines if line.entry.panel == panel.number]
        if not inside:
            continue
        high = inside[-1].top + inside[-1].set.height - inside[0].top
        if high > panel.height + TOLERANCE:
            yield finding(
                "finishing.high",
                "extras.finishing.leading",
                notation,
                panel=panel.number,
                height=show(high, True),
                room=show(panel.height, True),
                actions=_closer(entries, inside, panel),
            )


def _closer(entries: Finishing, lines: Sequence[LineHere], panel: Panel) -> tuple[Action, ...]:
    """Set closer, where that is enough."""
    gaps = len(lines) - 1
    room = panel.height - sum(line.set.height for line in lines)
    if gaps < 1 or room < 0:
        return ()
    return (Action("Set the lines closer", {"extras.finishing.leading": round(room / gaps * 0.8, 2)}),)


def _draw_spine(made: Made, entries: Finishing, template: Template) -> Drawing:
    """A strip to wrap round the spine: bands, panels, centre line, and every impression at true size."""
    show, sketch = made.notation.figure, Sketch()
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
    for label in entries.labels:
        _draw_label(sketch, label, template)
    for line in template.lines:
        _draw_line(sketch, line)
    sketch.dimension((0, 0), (width, 0), show(width), about="finish.width")
    sketch.dimension((-WRAP, height), (-WRAP, 0), show(height))
    return sketch.finish(
        "finish.finishing",
        "finish",
        "Finishing template, to wrap round the spine",
        rows=(1, 1, 1, 0),
        text="; ".join(
            f"panel {line.entry.panel}: {_words(made, line.entry) or line.entry.by or line.entry.what}, "
            f"{show(line.set.length, True)} long"
            for line in template.lines
        )
        or "Nothing is set in the panels yet.",
    )


def _draw_label(sketch: Sketch, label: PanelLabel, template: Template) -> None:
    panel = next((each for each in template.panels if each.number == label.panel), None)
    if panel is None or min(template.width, panel.height) <= label.less:
        return
    shape = box(
        label.less / 2, panel.top + label.less / 2, template.width - label.less, panel.height - label.less
    )
    sketch.area(shape, "leather" if label.material == "leather" else "side_paper", "cut")


def _draw_line(sketch: Sketch, line: LineHere) -> None:
    about = f"extras.finishing.lines.{line.number}.by"
    top, bottom = line.top, line.top + line.set.height
    if not line.set.impressions:
        sketch.area(box(line.left, top, line.set.length, line.set.height), "mark", "outline", about)
        return
    letters = line.entry.what != "tool"
    for each in line.set.impressions:
        left = line.left + each.left
        sketch.line((*box(left, top, each.width, line.set.height), (left, top)), "hidden", about)
        if letters:
            sketch.label(
                left + each.width / 2,
                (top + bottom) / 2,
                each.sign,
                height=line.set.height,
                length=each.width,
                about=about,
            )
        else:
            middle, centre, half = left + each.width / 2, (top + bottom) / 2, each.width / 2
            sketch.line(((middle, top), (middle, bottom)), "hidden", about)
            sketch.line(((middle - half, centre), (middle + half, centre)), "hidden", about)


def _draw_boards(made: Made, entries: Finishing) -> Iterator[Drawing]:
    """Front and back boards with their frames and labels, the joint to the left of the front one."""
    for side in ("front", "back"):
        frames = [frame for frame in entries.frames if frame.side in (side, "both")]
        labels = entries.front if side == "front" else ()
        if frames or labels:
            yield _draw_board(made, entries, side, frames, labels)


def _draw_board(
    made: Made, entries: Finishing, side: str, frames: Sequence[BoardFrame], labels: Sequence[FrontLabel]
) -> Drawing:
    ledger, show, sketch = made.ledger, made.notation.figure, Sketch()
    apart = side == "back" and "back_board.width" in ledger.quantities
    width = ledger.value("back_board.width" if apart else "board.width")
    height = ledger.value("back_board.height" if apart else "board.height")
    sketch.area(box(0, 0, width, height), "cloth", "cut", "board.width board.height")
    joint_left = side == "front"
    for frame in frames:
        left = frame.joint if joint_left else frame.edges
        right = width - (frame.edges if joint_left else frame.joint)
        top, bottom = frame.edges, height - frame.edges
        if right <= left or bottom <= top:
            continue
        _draw_frame(sketch, entries, frame, (left, top, right, bottom))
        sketch.dimension((0, top), (left, top), show(left))
        sketch.dimension((right, top), (width, top), show(width - right))
        sketch.dimension((right, 0), (right, top), show(top))
    for label in labels:
        left = (width - label.width) / 2 if label.joint is None else label.joint
        shape = box(left, label.head, label.width, label.height)
        sketch.area(shape, "leather" if label.material == "leather" else "side_paper", "cut")
        sketch.dimension((0, label.head), (left, label.head), show(left))
        sketch.dimension((left, 0), (left, label.head), show(label.head))
        sketch.dimension((left, label.head), (left + label.width, label.head), show(label.width))
        sketch.dimension(
            (left + label.width, label.head),
            (left + label.width, label.head + label.height),
            show(label.height),
        )
    sketch.dimension((0, 0), (width, 0), show(width), offset=2)
    sketch.dimension((0, height), (0, 0), show(height))
    return sketch.finish(
        f"finish.finishing_{side}",
        "finish",
        f"The {side} board, tooled",
        rows=(1, 2, 1, 0),
        text=f"{len(frames)} frames and {len(labels)} labels; the joint to the "
        f"{'left' if joint_left else 'right'}.",
    )


def _draw_frame(sketch: Sketch, entries: Finishing, frame: BoardFrame, edges: tuple[Mm, Mm, Mm, Mm]) -> None:
    """A line, or whole tools along all four sides with one at every corner."""
    left, top, right, bottom = edges
    outline = box(left, top, right - left, bottom - top)
    sketch.line((*outline, outline[0]), "hidden", "extras.finishing.frames")
    tool = _named(entries.tools, frame.by)
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
