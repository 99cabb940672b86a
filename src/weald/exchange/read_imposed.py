"""Reading an imposed file back: which page of the text stands where on each side."""

import re
from pathlib import Path

import pikepdf
from reportlab.lib.units import mm

from weald.core.press.reading import Stamp

Matrix = tuple[float, float, float, float, float, float]
_UPRIGHT: Matrix = (1, 0, 0, 1, 0, 0)
_TEXT = re.compile(r"/Text(\d+)")


def read_imposed(path: Path) -> list[tuple[Stamp, ...]]:
    """Every side of an imposed file, in order, as it shows on screen; y down from its top."""
    with pikepdf.open(path) as pdf:
        return [_read_side(page) for page in pdf.pages]


def _times(inner: Matrix, outer: Matrix) -> Matrix:
    a, b, c, d, e, f = inner
    g, h, i, j, k, m = outer
    return (a * g + b * i, a * h + b * j, c * g + d * i, c * h + d * j, e * g + f * i + k, e * h + f * j + m)


def _read_side(page: pikepdf.Page) -> tuple[Stamp, ...]:
    height = float(page.mediabox[3])
    stamps = []
    matrix, stack = _UPRIGHT, []
    window: tuple[float, float, Matrix] | None = None
    for instruction in pikepdf.parse_content_stream(page, "q Q cm re Do"):
        operands, command = instruction.operands, str(instruction.operator)
        if command == "q":
            stack.append(matrix)
        elif command == "Q":
            matrix = stack.pop()
        elif command == "cm":
            a, b, c, d, e, f = (float(each) for each in operands)
            matrix = _times((a, b, c, d, e, f), matrix)
        elif command == "re":
            left, low, width, tall = (float(each) for each in operands)
            window = (left + width / 2, low + tall / 2, matrix)
        elif command == "Do" and window and (named := _TEXT.fullmatch(str(operands[0]))):
            x, y, placed = window
            at = _times((1, 0, 0, 1, x, y), placed)
            up = (round(placed[2]), round(placed[3]))
            stamps.append(Stamp(int(named[1]), at[4] / mm, (height - at[5]) / mm, up))
    return tuple(stamps)
