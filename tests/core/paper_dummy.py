"""A second way to fold paper: number the leaves of the folded packet, then unfold it.

This is what a binder does with a scrap of paper, and nothing of it is shared with the engine,
which folds forwards. The packet is one stack of numbered leaves; undoing a fold lifts part of
every stack off and lays it down beside it, turned over.
"""

from dataclasses import dataclass, replace


@dataclass(frozen=True)
class Scrap:
    """One leaf of the dummy: its number from the front, the way its top face points now."""

    leaf: int
    recto_up: bool = True
    right: int = 1  # where the leaf's own right and upper edge, seen from its recto, point now
    top: int = 1


Stack = tuple[Scrap, ...]  # from the top down
Grid = list[list[Stack]]


def _turned(stack: Stack, axis: str) -> Stack:
    return tuple(
        replace(
            scrap,
            recto_up=not scrap.recto_up,
            right=-scrap.right if axis == "upright" else scrap.right,
            top=-scrap.top if axis == "level" else scrap.top,
        )
        for scrap in reversed(stack)
    )


def _mirrored(part: Grid, axis: str) -> Grid:
    turned = [[_turned(stack, axis) for stack in row] for row in part]
    return [list(reversed(row)) for row in turned] if axis == "upright" else list(reversed(turned))


def _parts(word: str) -> tuple[str, int, bool]:
    axis, *how = word.split()
    parts = {"two": 2, "three": 3, "four": 4, "five": 5, "six": 6}[how[-1]] if "in" in how else 2
    return axis, parts, "zig-zag" in how


def _layers(programme: list[str]) -> list[list[int]]:
    """How many layers lay at each place along a fold's own way before it was made."""
    sides = {"upright": 1, "level": 1}
    for word in reversed(programme):
        axis, parts, _ = _parts(word)
        sides[axis] = sides[axis] * parts // (parts - 1 if "off-centre" in word else 1)
    there = {axis: [1] * side for axis, side in sides.items()}
    before = []
    for word in programme:
        axis, parts, _ = _parts(word)
        now = there[axis]
        before.append(now)
        share = len(now) // parts
        if parts == 2 or "off-centre" in word:
            rest = now[share:]
            there[axis] = [
                each + (now[share - 1 - place] if place < share else 0) for place, each in enumerate(rest)
            ]
        else:
            there[axis] = [layers * parts for layers in now[:share]]
    return before


def _carried_back(grid: Grid, axis: str, before: list[int], share: int) -> Grid:
    """What lies on top of the first places is lifted off and laid down beside them, turned over."""
    lines = [list(line) for line in zip(*grid, strict=True)] if axis == "upright" else grid
    tops: Grid = []
    rest: Grid = []
    for place, line in enumerate(lines):
        if place >= share:
            rest.append(line)
            continue
        over, under = before[share - 1 - place], before[share + place]
        cuts = [len(stack) * over // (over + under) for stack in line]
        tops.append([stack[:cut] for stack, cut in zip(line, cuts, strict=True)])
        rest.append([stack[cut:] for stack, cut in zip(line, cuts, strict=True)])
    turned = [[_turned(stack, axis) for stack in line] for line in reversed(tops)]
    whole = [*turned, *rest]
    return [list(row) for row in zip(*whole, strict=True)] if axis == "upright" else whole


def _unfolded(grid: Grid, word: str, before: list[int]) -> Grid:
    axis, parts, zigzag = _parts(word)
    if parts == 2 or "off-centre" in word:
        return _carried_back(grid, axis, before, len(before) // parts)
    share = len(grid[0][0]) // parts

    def lift(number: int) -> Grid:
        return [[stack[number * share : (number + 1) * share] for stack in row] for row in grid]

    if zigzag:
        # from the top: first part, second part …; the last lies as it was
        strips = [
            _mirrored(lift(number), axis) if (parts - 1 - number) % 2 else lift(number)
            for number in range(parts)
        ]
    else:
        # a letter: the first part on top, then the last, both turned over; the middle lies lowest
        strips = [_mirrored(lift(0), axis), lift(2), _mirrored(lift(1), axis)]
    if axis == "upright":
        return [[stack for strip in strips for stack in strip[row]] for row in range(len(grid))]
    return [row for strip in strips for row in strip]


def unfold(programme: str, leaves: int) -> Grid:
    """The flat sheets, inner side up, each cell a stack of scraps: the innermost sheet on top."""
    grid: Grid = [[tuple(Scrap(number) for number in range(leaves))]]
    words = programme.split(", ")
    for word, before in zip(reversed(words), reversed(_layers(words)), strict=True):
        grid = _unfolded(grid, word, before)
    return grid


def pages_on_sheets(programme: str, sheets: int, leaves_a_sheet: int, gather: str) -> dict[tuple, tuple]:
    """(sheet, side, column, row) → (page, where its head points as seen from that side).

    Sheets count from the outermost; pages of the section from 1.
    """
    spine_at_top = programme.endswith("level")
    placed: dict[tuple, tuple] = {}

    def put(sheet: int, grid: Grid, depth: int, page_of: dict[int, int]) -> None:
        columns = len(grid[0])
        for row, line in enumerate(grid):
            for column, stack in enumerate(line):
                scrap = stack[depth]
                first = page_of[scrap.leaf]
                # a packet with its spine at the top is read with its right edge up
                head = (scrap.right, 0) if spine_at_top else (0, scrap.top)
                up_page, down_page = (first, first + 1) if scrap.recto_up else (first + 1, first)
                placed[sheet, "inner", column, row] = (up_page, head)
                placed[sheet, "outer", columns - 1 - column, row] = (down_page, (-head[0], head[1]))

    if gather == "together":
        grid = unfold(programme, leaves_a_sheet * sheets)
        for sheet in range(sheets):
            put(sheet, grid, sheets - 1 - sheet, {n: 2 * n + 1 for n in range(leaves_a_sheet * sheets)})
    else:
        half, total = leaves_a_sheet // 2, leaves_a_sheet * sheets
        for sheet in range(sheets):
            front = {n: 2 * (sheet * half + n) + 1 for n in range(half)}
            back = {half + n: 2 * (total - (sheet + 1) * half + n) + 1 for n in range(half)}
            put(sheet, unfold(programme, leaves_a_sheet), 0, front | back)
    return placed
