"""The folds of a sheet as steps for the hands: words, creases, slits and matching symbols.

A *slit* is cut along an earlier fold, from its end to just past the line of the next fold at right
angles to it, so that the inner corner does not crease. The rest of that fold holds the sheet
together.
"""

from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from weald.core.folding.packet import Cell, GridLine, Motion, Pose, Side, creases, fold_motions
from weald.core.folding.programme import Fold, Programme
from weald.core.units import Mm

Symbol = Literal["circle", "triangle", "square", "diamond", "bar", "cross"]
SYMBOLS: tuple[Symbol, ...] = ("circle", "triangle", "square", "diamond", "bar", "cross")
"""One for each fold: the two of a kind meet when that fold is right."""
SLIT_PAST: Mm = 10.0
"""How far a slit goes past the line of the next fold."""
THICK_PAPER = 120.0
FoldTo = Literal["edges", "marks"]


@dataclass(frozen=True, slots=True)
class Slit:
    """A slit on the flat sheet seen from its inner side, in cells: from its free end to the next fold."""

    start: tuple[int, int]
    end: tuple[int, int]


@dataclass(frozen=True, slots=True)
class Corner:
    """A corner of a cell as seen from one side: ``right`` and ``down`` are 0 or 1."""

    side: Side
    column: int
    row: int
    right: int
    down: int


@dataclass(frozen=True, slots=True)
class FoldStep:
    """One fold: what to do, and where its creases, slits and symbols lie."""

    number: int
    word: str
    words: str
    slit_words: str
    symbol: Symbol
    creases: tuple[GridLine, ...]
    slits: tuple[Slit, ...]
    corners: tuple[Corner, Corner]


def slits_advised(programme: Programme, grammage: float, sheets_together: int) -> bool:
    """Slits are advised for three or more folds, or two folds of thick or stacked paper."""
    folds = sum(fold.creases for fold in programme.folds)
    return folds >= 3 or (folds == 2 and (grammage > THICK_PAPER or sheets_together > 1))


@lru_cache(maxsize=256)
def fold_steps(programme: Programme, slit: bool, fold_to: FoldTo) -> tuple[FoldStep, ...]:
    """Every fold of a programme, for a sheet lying with its inner side up.

    :param slit: whether to slit earlier folds where it helps.
    :param fold_to: the paper's edges, or the printed marks.
    """
    motions, _ = fold_motions(programme)
    steps: list[FoldStep] = []
    for number, fold in enumerate(programme.folds, start=1):
        made = [motion for motion in motions if motion.fold == number]
        lines = tuple(line for motion in made for line in creases(motion))
        slits: tuple[Slit, ...] = ()
        if slit and steps and programme.folds[number - 2].axis != fold.axis:
            crossings = {point for step in steps[:-1] for line in step.creases for point in line}
            slits = _slits(steps[-1].creases, lines, made, crossings)
        symbol = SYMBOLS[number - 1]
        steps.append(
            FoldStep(
                number,
                fold.word,
                f"{fold_words(fold, fold_to)}; the two {symbol}{'es' if symbol == 'cross' else 's'} meet.",
                f"Slit along fold {number - 1}, from its end to just past the middle." if slits else "",
                symbol,
                lines,
                slits,
                _corners(made[0], programme.columns),
            )
        )
    return tuple(steps)


_PARTS = {3: "third", 4: "quarter", 5: "fifth", 6: "sixth"}


def fold_words(fold: Fold, fold_to: FoldTo) -> str:
    """What the hands do, for a sheet with its inner side up; no full stop follows."""
    upright = fold.axis == "upright"
    if fold.parts == 2:
        words = (
            "Fold the left edge over to the right edge"
            if upright
            else "Fold the upper edge down to the lower"
        )
    elif fold.off_centre:
        part = _PARTS.get(fold.parts, f"part of {fold.parts}")
        words = f"Fold the {'left' if upright else 'upper'} {part} over on to the next"
    elif fold.zigzag:
        words = f"Fold zig-zag into {fold.parts} {'upright' if upright else 'level'} strips"
    elif upright:
        words = "Fold the right third over to the left, then the left third over it"
    else:
        words = "Fold the lower third up, then the upper third down over it"
    edges = "measured first, as there is no edge to fold to" if fold.off_centre else "edge to edge"
    to = "to the printed marks" if fold_to == "marks" else edges
    return f"{words}, {to}"


def _slits(
    earlier: tuple[GridLine, ...], lines: tuple[GridLine, ...], made: list[Motion], crossings: set[Cell]
) -> tuple[Slit, ...]:
    """The part of the earlier creases that is carried over now, run together but where folds cross it."""

    moved = frozenset[tuple[int, int]]().union(*(motion.moved for motion in made))
    crossed = {point for line in lines for point in line}
    slits = []
    for run in _runs([line for line in earlier if _beside(line) <= moved], crossings):
        start, end = run
        if start in crossed and end not in crossed:
            start, end = end, start
        slits.append(Slit(start, end))
    return tuple(slits)


def _beside(line: GridLine) -> set[tuple[int, int]]:
    (x, y), (x2, _) = line
    return {(x - 1, y), (x, y)} if x == x2 else {(x, y - 1), (x, y)}


def _runs(lines: list[GridLine], crossings: set[Cell]) -> list[GridLine]:
    """Lines that follow on one another, joined but at crossings."""
    runs: list[GridLine] = []
    for line in sorted(lines, key=lambda each: (each[0][0] != each[1][0], *sorted(each[0]), each)):
        for number, run in enumerate(runs):
            (x1, y1), (x2, y2) = run[0], line[1]
            if run[1] == line[0] and line[0] not in crossings and (x1 == x2 or y1 == y2):
                runs[number] = (run[0], line[1])
                break
        else:
            runs.append(line)
    return runs


def _corners(motion: Motion, columns: int) -> tuple[Corner, Corner]:
    """Two corners, facing up before the fold, that lie on one another after it.

    They are as far from the crease as the paper goes on both of its sides.
    """
    across = motion.axis == "upright"
    far = 1 if motion.towards in ("left", "up") else -1
    topmost: dict[Cell, Pose] = {}
    for pose in motion.before:
        place = (pose.x, pose.y)
        if place not in topmost or pose.level > topmost[place].level:
            topmost[place] = pose

    def landing(pose: Pose) -> Cell:
        return (
            (2 * motion.crease - 1 - pose.x, pose.y) if across else (pose.x, 2 * motion.crease - 1 - pose.y)
        )

    def reach(pose: Pose) -> tuple[int, int]:
        return (far * pose.x, pose.y) if across else (far * pose.y, pose.x)

    meeting = [pose for pose in topmost.values() if pose.cell in motion.moved and landing(pose) in topmost]
    first = max(meeting, key=reach)
    outward, landed = ((far, 1), (-far, 1)) if across else ((1, far), (1, -far))
    return _corner(first, outward, columns), _corner(topmost[landing(first)], landed, columns)


def _corner(pose: Pose, outward: tuple[int, int], columns: int) -> Corner:
    """The corner of a cell that points ``outward`` (right, down) in the packet, on the face that is up."""
    right, down = outward[0] * pose.sign_x, outward[1] * pose.sign_y
    if pose.inner_up:
        return Corner("inner", pose.column, pose.row, int(right > 0), int(down > 0))
    return Corner("outer", columns - 1 - pose.column, pose.row, int(right < 0), int(down > 0))
