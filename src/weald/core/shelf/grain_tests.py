"""Testing the grain by hand, step by step, with a small drawing of each way."""

from dataclasses import dataclass

from weald.core.drawing import Drawing, Sketch, box
from weald.core.materials import StockKind
from weald.core.shelf.stock import GrainMethod


@dataclass(frozen=True, slots=True)
class GrainGuide:
    """One way to find the grain.

    :param along: what to choose when it shows the grain along the upright side as the sheet lies before
        you; ``crosswise`` when along the level one.
    """

    method: GrainMethod
    title: str
    steps: tuple[str, ...]
    along: str
    crosswise: str
    drawing: Drawing


def _bend() -> Drawing:
    sketch = Sketch()
    sketch.area(box(0, 0, 60, 80), "paper")
    sketch.grain(box(0, 0, 60, 80), 90)
    sketch.arc(100, 58, 22, 180, 360, "outline")
    sketch.line(((78, 58), (78, 80)))
    sketch.line(((122, 58), (122, 80)))
    sketch.label(100, 68, "bends easily", height=5)
    sketch.arc(170, 40, 40, 200, 340, "outline")
    sketch.label(170, 40, "springs back", height=5)
    return sketch.finish(
        "grain.bend", "grain", "Bend", rows=(0, 0, 0, 0), to_scale=False, text="A sheet bent both ways."
    )


def _droop() -> Drawing:
    sketch = Sketch()
    sketch.line(((0, 20), (50, 20)), "outline")
    sketch.line(((50, 20), (50, 90)), "outline")
    sketch.line(((10, 17), (50, 17), (90, 20), (130, 28)), "cut")
    sketch.label(95, 12, "along: holds itself up", height=5)
    sketch.line(((10, 15), (50, 15), (75, 30), (88, 62)), "fold")
    sketch.label(112, 66, "across: droops", height=5)
    return sketch.finish(
        "grain.droop",
        "grain",
        "Droop",
        rows=(0, 0, 0, 0),
        to_scale=False,
        text="Two strips over a table's edge.",
    )


def _tear() -> Drawing:
    sketch = Sketch()
    sketch.area(box(0, 0, 60, 80), "paper")
    sketch.grain(box(0, 0, 60, 80), 90)
    sketch.line(((30, 0), (31, 50)), "cut")
    sketch.label(30, 90, "along: straight", height=5)
    sketch.area(box(100, 0, 60, 80), "paper")
    sketch.grain(box(100, 0, 60, 80), 0)
    sketch.line(((130, 0), (127, 12), (134, 20), (126, 31), (136, 40), (129, 50)), "cut")
    sketch.label(130, 90, "across: ragged", height=5)
    return sketch.finish(
        "grain.tear", "grain", "Tear", rows=(0, 0, 0, 0), to_scale=False, text="A straight and a ragged tear."
    )


def _damp() -> Drawing:
    sketch = Sketch()
    sketch.area(box(0, 0, 60, 60), "paper")
    sketch.grain(box(0, 0, 60, 60), 90)
    sketch.hatch(box(0, 0, 60, 60), "glue", 0)
    sketch.label(30, 72, "damped", height=5)
    for x in (110, 150):
        sketch.arc(x, 30, 14, 90, 330, "outline")
    sketch.line(((110, 0), (110, 60)), "fold")
    sketch.line(((150, 0), (150, 60)), "fold")
    sketch.label(130, 72, "curls about the grain", height=5)
    return sketch.finish(
        "grain.damp", "grain", "Damp", rows=(0, 0, 0, 0), to_scale=False, text="A damp offcut curling."
    )


def _flex() -> Drawing:
    sketch = Sketch()
    sketch.line(((0, 40), (30, 26), (60, 22), (90, 26), (120, 40)), "cut")
    sketch.label(60, 52, "gives: hands press along the grain's ends", height=5)
    sketch.line(((150, 36), (180, 33), (210, 32), (240, 33), (270, 36)), "fold")
    sketch.label(210, 52, "stiff: across", height=5)
    return sketch.finish(
        "grain.flex", "grain", "Flex", rows=(0, 0, 0, 0), to_scale=False, text="A board flexed both ways."
    )


def guides(kind: StockKind) -> list[GrainGuide]:
    """The tests that suit a kind of stock, easiest first."""
    if kind == "board":
        return [_FLEX]
    if kind in ("cloth", "lining"):
        return [_BEND, _TEAR]
    return [_BEND, _DROOP, _TEAR, _DAMP]


_BEND = GrainGuide(
    "bend",
    "Bend it both ways",
    (
        "Lay the sheet before you and bring its left and right edges together, without creasing it.",
        "Press down lightly and feel how much it resists. Let go.",
        "Now bring head and tail together in the same way.",
        "The way that gives more easily, and lies closer, is bent about the grain.",
    ),
    "It gave more easily left to right",
    "It gave more easily head to tail",
    _bend(),
)
_DROOP = GrainGuide(
    "droop",
    "Let two strips droop",
    (
        "Cut two strips of one size, about {mm:15} × {mm:150}: one upright on the sheet, one level. "
        "Mark them.",
        "Hold both by one end over the edge of the table.",
        "The strip that holds itself up has the grain along it; the one that droops has it across.",
    ),
    "The upright strip held itself up",
    "The level strip held itself up",
    _droop(),
)
_TEAR = GrainGuide(
    "tear",
    "Tear an offcut",
    (
        "Tear an offcut from its head downwards, then another from its side inwards.",
        "Along the grain the tear runs straight; across it goes ragged and wanders.",
    ),
    "Straight from head downwards",
    "Straight from the side inwards",
    _tear(),
)
_DAMP = GrainGuide(
    "damp",
    "Damp an offcut",
    (
        "Mark an offcut with the way it lay on the sheet, and damp one face with a sponge.",
        "Within a few seconds it curls. The axis of the curl, the line that stays straight, is the grain.",
    ),
    "The straight line stands upright",
    "The straight line lies level",
    _damp(),
)
_FLEX = GrainGuide(
    "flex",
    "Flex the board",
    (
        "Hold the board by its left and right edges and flex it gently between the hands; not over the knee.",
        "Turn it and flex it by head and tail.",
        "The way that gives more easily bends about the grain.",
    ),
    "It gave more easily held left and right",
    "It gave more easily held at head and tail",
    _flex(),
)
