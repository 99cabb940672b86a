"""A second, slower way to fold paper: points of the sheet are carried over creases in space.

Nothing is shared with the engine. A sheet is a set of small squares, each with a place, a height
in the stack and the side that faces up; a fold moves every square beyond the crease over it. The
folded packet is then read from the top down.
"""

from dataclasses import dataclass


@dataclass
class Square:
    sheet: int
    column: int
    row: int
    x: float
    y: float
    z: int
    inner_up: bool
    right: tuple[int, int]  # where the square's own right and upper edges point in the packet
    top: tuple[int, int]


def _carry_over(squares: list[Square], crease: float, axis: str, moved: list[Square]) -> None:
    """Fold ``moved`` over the crease on to the top of what they land on, upside down."""
    highest = max(square.z for square in squares)
    for square in sorted(moved, key=lambda each: -each.z):
        highest += 1
        square.z = highest
        square.inner_up = not square.inner_up
        if axis == "v":
            square.x = 2 * crease - square.x
            square.right = (-square.right[0], square.right[1])
            square.top = (-square.top[0], square.top[1])
        else:
            square.y = 2 * crease - square.y
            square.right = (square.right[0], -square.right[1])
            square.top = (square.top[0], -square.top[1])


def fold(programme: str, columns: int, rows: int, sheets: int = 1) -> list[Square]:
    """Fold and give the packet's squares from the top down, for halves only (words v and h)."""
    squares = [
        Square(sheet, column, row, column + 0.5, row + 0.5, sheet, True, (1, 0), (0, 1))
        for sheet in range(sheets)
        for column in range(columns)
        for row in range(rows)
    ]
    left, upper, right, lower = 0.0, 0.0, float(columns), float(rows)
    for word in programme.split():
        if word == "v":
            crease = (left + right) / 2
            _carry_over(squares, crease, "v", [each for each in squares if each.x < crease])
            left = crease
        else:
            crease = (upper + lower) / 2
            _carry_over(squares, crease, "h", [each for each in squares if each.y < crease])
            upper = crease
    assert len({(each.x, each.y) for each in squares}) == 1, "not one packet"
    return sorted(squares, key=lambda each: -each.z)
