"""A sheet to measure how far a printer's backs stand off from its fronts.

The front carries plain crosses, the back scales at the same places. Held against the light, the
cross shows on the scales how far the back stands too far right (R) and too low (D).
"""

from weald.core.drawing import Drawing, Sketch
from weald.core.forme.layout import Face
from weald.core.units import Mm

REACH: Mm = 6.0
ARM: Mm = 10.0
STEP: Mm = 0.5


def draw_shift_sheet(width: Mm, height: Mm, face: Face) -> Drawing:
    """One side of the sheet."""
    sketch = Sketch()
    places = [(width / 2, height / 2), (width / 5, height / 5), (width - width / 5, height - height / 5)]
    for x, y in places:
        # seen from the back, a place on the front lies mirrored
        at = x if face == "front" else width - x
        if face == "front":
            _cross(sketch, at, y)
        else:
            _scales(sketch, at, y)
    if face == "front":
        words = "Front. Print both sides at 100 %, hold the sheet against the light, look at its back."
    else:
        words = "Back. Where the cross of the front meets the scales is the shift in mm: R right, D down."
    sketch.label(width / 2, height / 2 + 2.5 * ARM, words, height=min(2.0, width / (0.95 * len(words))))
    return Drawing("shift", "printing", "Back shift", (0, 0, width, height), tuple(sketch.elements), (0,) * 4)


def _cross(sketch: Sketch, x: Mm, y: Mm) -> None:
    sketch.line(((x - ARM, y), (x + ARM, y)), "text")
    sketch.line(((x, y - ARM), (x, y + ARM)), "text")


def _scales(sketch: Sketch, x: Mm, y: Mm) -> None:
    """Two scales through a point. Where the front's upright line falls, the back's figure is its shift."""
    steps = round(REACH / STEP)
    sketch.line(((x - REACH, y), (x + REACH, y)), "text")
    sketch.line(((x, y - REACH), (x, y + REACH)), "text")
    for number in range(-steps, steps + 1):
        off = number * STEP
        whole = number % 2 == 0
        tick = 1.2 if whole else 0.6
        sketch.line(((x + off, y - tick), (x + off, y + tick)), "text")
        sketch.line(((x - tick, y + off), (x + tick, y + off)), "text")
        if whole and number % 4 == 0 and number:
            # a back that stands too far right puts its scale's left part under the cross
            sketch.label(x + off, y - 2.6, f"{-off:g}", height=1.2)
            sketch.label(x - 3.0, y + off, f"{-off:g}", height=1.2)
    sketch.label(x + REACH + 1.5, y, "R", height=1.6)
    sketch.label(x, y + REACH + 1.8, "D", height=1.6)
