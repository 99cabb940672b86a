"""What lies on the bench, in a small picture: the block seen from its tail, as the facts have it.

No beginning is drawn by hand: folds, thread, glue, linings and covers are drawn where they are so.
"""

from weald.core.drawing import Drawing, Material, Sketch, box
from weald.core.job.lying import LYING, Facts, Lies, with_implied
from weald.core.planning.beginnings import BEGINNINGS, Beginning
from weald.core.units import Mm

WIDE: Mm = 60.0
HIGH: Mm = 34.0
"""Of every picture, so that they stand to one scale."""
_SPINE, _EDGE, _TOP, _STEP = 12.0, 54.0, 8.0, 5.5
_SECTIONS = 4


def beginning_pictures() -> dict[str, Drawing]:
    """By what lies there, as New job asks for it."""
    return {each.id: _picture(each) for each in BEGINNINGS}


def _picture(beginning: Beginning) -> Drawing:
    sketch = Sketch()
    sketch.points += [(0.0, 0.0), (WIDE, HIGH)]
    if beginning.lies is None or not LYING[beginning.lies].measured:
        _draw_sheets(sketch, printed=beginning.id != "blank", many=not beginning.brings)
    else:
        _draw_block(sketch, beginning.lies, with_implied(LYING[beginning.lies].facts))
    title = beginning.title
    return sketch.finish(f"beginning.{beginning.id}", "text", title, rows=(0, 0, 0, 0), text=title)


def _draw_sheets(sketch: Sketch, *, printed: bool, many: bool) -> None:
    """Sheets lying flat, seen from above: a pile, or the one page of a file."""
    left, top, wide, high = (14.0, 6.0, 30.0, 20.0) if many else (21.0, 3.0, 18.0, 27.0)
    for off in (4.0, 2.0, 0.0) if many else (0.0,):
        sketch.area(box(left + off, top + off, wide, high), "paper")
    lines = 5 if many else 7
    for number in range(1, lines + 1) if printed else ():
        y = top + number * high / (lines + 1)
        sketch.line([(left + 3, y), (left + wide - 3, y)], "trim")


def _draw_block(sketch: Sketch, lies: Lies, facts: Facts) -> None:
    """The block from its tail, its spine at the left, with whatever is on it."""
    bottom = _TOP + _SECTIONS * _STEP
    if "block_glued" in facts or "old_glue_on" in facts:
        sketch.hatch(box(_SPINE - 3, _TOP - 1, 4, bottom - _TOP + 1), "glue", 45)
    if "block_lined" in facts:
        sketch.area(box(_SPINE - 5, _TOP - 1, 2, bottom - _TOP + 1), "lining")
    single = LYING[lies].leaves
    for number in range(_SECTIONS):
        y = _TOP + number * _STEP
        _draw_leaves(sketch, y) if single else _draw_section(sketch, y)
    if "block_sewn" in facts or "old_sewing_in" in facts:
        sketch.line([(_SPINE - 1, _TOP - 1), (_SPINE - 1, bottom - 1)], "thread")
    if "old_cover_on" in facts:
        _draw_cover(sketch, bottom, boards=lies in ("bound", "case_broken"), broken=lies == "case_broken")


def _draw_section(sketch: Sketch, y: Mm) -> None:
    low = y + _STEP - 2
    middle, half = (y + low) / 2, (low - y) / 2
    sketch.line([(_EDGE, y), (_SPINE + half, y)])
    sketch.arc(_SPINE + half, middle, half, 90, 270, "outline")
    sketch.line([(_SPINE + half, low), (_EDGE, low)])
    sketch.line([(_SPINE + half, middle), (_EDGE, middle)], "trim")


def _draw_leaves(sketch: Sketch, y: Mm) -> None:
    for off in (0.0, 1.75, 3.5):
        sketch.line([(_SPINE, y + off), (_EDGE, y + off)])


def _draw_cover(sketch: Sketch, bottom: Mm, *, boards: bool, broken: bool) -> None:
    """The old cover round it: boards, or paper; a broken case has come away at its upper joint."""
    thick, left = (2.0, _SPINE - 6) if boards else (0.8, _SPINE - 4)
    above, lift = _TOP - 2 - thick, 4.0 if broken else 0.0
    material: Material = "board" if boards else "card"
    start = _SPINE if boards else left
    sketch.area(box(start, bottom, _EDGE + 2 - start, thick), material)
    sketch.area(
        (
            (start, above),
            (_EDGE + 2, above - lift),
            (_EDGE + 2, above - lift + thick),
            (start, above + thick),
        ),
        material,
    )
    end = above + (8.0 if broken else 0.0)
    sketch.line([(start, bottom + thick), (left, bottom + thick), (left, end)], "cut")
    if not broken:
        sketch.line([(left, above), (start, above)], "cut")
