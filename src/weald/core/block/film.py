"""The film of the sewing: two pictures, and how much of each is shown at every step.

Of sections: the spine, with those shown lying one on another as at the sewing frame (the first lowest,
heads to the left), and the inside of the fold being sewn. Of stab sewing: the front and the back.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from weald.core.block.holes import Hole, SewingPlan
from weald.core.block.stab import StabMove, StabWork, to_edge
from weald.core.block.stitches import FIRST_SECTIONS, Side, Stitch, sections_shown, sew
from weald.core.drawing import LETTER_WIDTH, Drawing, Point, Sketch, box
from weald.core.job.extras.sewn import Stitching
from weald.core.notation import MILLIMETRES, Notation
from weald.core.units import Mm


@dataclass(frozen=True, slots=True)
class SewingStep:
    """One step of the film; the first ``spine_shown`` and ``inside_shown`` elements are to be drawn."""

    number: int
    section: int
    side: Side
    where: str
    words: str
    spine_shown: int
    inside_shown: int


@dataclass(frozen=True, slots=True)
class SewingFilm:
    """The film: the spine, the inside of each section shown, and the steps through both.

    ``sections`` are the numbers of those shown, in the order of ``insides``; ``names`` what each stands for.
    """

    spine: Drawing
    insides: tuple[Drawing, ...]
    sections: tuple[int, ...]
    names: tuple[str, ...]
    steps: tuple[SewingStep, ...]


SECTION_HIGH: Mm = 16.0
INSIDE_HIGH: Mm = 60.0
BOW: Mm = 4.0
NUMBER_HIGH: Mm = 4.0
NUMBER_ROW: Mm = 6.0


def sewing_film(
    plan: SewingPlan,
    height: Mm,
    sections: int,
    loose_boards: bool = False,
    notation: Notation = MILLIMETRES,
    *,
    left_handed: bool = False,
) -> SewingFilm:
    """The film of the sewing.

    :param height: of the trimmed block; places along it are to scale, thicknesses are not.
    :param left_handed: sewn the other way round, the heads to the right.
    """
    if plan.stab is not None:
        return _stab_film(plan.stab, plan.moves, height, notation)
    stitches = sew(plan, sections, loose_boards)
    places = {"inside": "Inside the fold", "spine": "On the spine"}
    if plan.method == "long":
        places["spine"] = "Outside, on the cover"
    shown = (1,) if plan.method in ("staples", "pamphlet") else sections_shown(sections, plan.stitching)
    spine = _spine_ground(plan, height, shown)
    insides = {number: _inside_ground(plan, height) for number in shown}
    steps = []
    for number, stitch in enumerate(stitches, start=1):
        inside = insides[stitch.section]
        if stitch.side == "inside":
            _draw_inside(inside, plan.holes, stitch)
        else:
            _draw_on_spine(spine, plan.holes, stitch, shown)
        words = notation.say(stitch.words)
        steps.append(
            SewingStep(
                number,
                stitch.section,
                stitch.side,
                places[stitch.side],
                words,
                len(spine.elements),
                len(inside.elements),
            )
        )
    if left_handed:
        for sketch in (spine, *insides.values()):
            sketch.mirror(height)
    return SewingFilm(
        spine.finish(
            "sewing.film_spine",
            "sewing",
            "The spine",
            rows=(0, 0, 0, 0),
            to_scale=False,
            text=notation.say(
                "The spine with its {signatures}, the first lowest, heads to the {side}.",
                side=_heads(left_handed),
            ),
        ),
        tuple(
            inside.finish(
                f"sewing.film_inside_{number}",
                "sewing",
                notation.say("Inside the fold of {signature} {number}", number=number),
                rows=(0, 0, 0, 0),
                to_scale=False,
                text=f"The open fold with its holes, head to the {_heads(left_handed)}.",
            )
            for number, inside in insides.items()
        ),
        shown,
        tuple(_standing_for(number, sections, plan.stitching) for number in shown),
        tuple(steps),
    )


def _standing_for(number: int, sections: int, stitching: Stitching | None) -> str:
    """What a section shown stands for."""
    if stitching and stitching.on > 1:
        return f"no. {number}"
    if number == sections and number > 1:
        return "last"
    return ("first", "second", "third", "following")[min(number, FIRST_SECTIONS) - 1]


def _heads(left_handed: bool) -> str:
    return "right" if left_handed else "left"


def _level(section: int, shown: tuple[int, ...]) -> Mm:
    """Middle of a section on the spine, as it lies in the pile of those shown.

    A section that is not shown, caught from the last, is taken to lie under it.
    """
    above = sum(number <= section for number in shown)
    return (len(shown) - above + 0.5) * SECTION_HIGH


def _spine_ground(plan: SewingPlan, height: Mm, shown: tuple[int, ...]) -> Sketch:
    sketch = Sketch()
    tall = len(shown) * SECTION_HIGH
    sketch.area(box(-6, -4, height + 12, tall + 12), "waste")
    for support in sorted({hole.support for hole in plan.holes if hole.support and hole.kind != "link"}):
        places = [hole.place for hole in plan.holes if hole.support == support]
        left, right = min(places), max(places)
        half = 1.5 if left == right else 0.0
        sketch.area(box(left - half, -4, right - left + 2 * half, tall + 12), "lining")
    for section in shown:
        level = _level(section, shown)
        sketch.area(box(0, level - 0.4 * SECTION_HIGH, height, 0.8 * SECTION_HIGH), "paper")
        sketch.label(3, level, str(section), height=4, anchor="start")
        for hole in plan.holes:
            sketch.line(((hole.place, level - 1), (hole.place, level + 1)), "cut")
    sketch.label(0, tall + 4, "head", height=4, anchor="start")
    sketch.label(height, tall + 4, "tail", height=4, anchor="end")
    return sketch


def _number_rows(holes: Sequence[Hole]) -> list[int]:
    """The row each hole's number stands in, so that numbers side by side never run into one another."""
    ends: list[Mm] = []
    rows = []
    for index, hole in enumerate(holes):
        half = LETTER_WIDTH * NUMBER_HIGH * len(str(index + 1)) / 2
        row = next((row for row, end in enumerate(ends) if hole.place - half > end + 1), len(ends))
        ends[row : row + 1] = [hole.place + half]
        rows.append(row)
    return rows


def _inside_ground(plan: SewingPlan, height: Mm) -> Sketch:
    sketch = Sketch()
    sketch.area(box(0, 0, height, INSIDE_HIGH), "paper")
    fold = INSIDE_HIGH / 2
    sketch.line(((0, fold), (height, fold)), "fold")
    rows = _number_rows(plan.holes)
    for index, hole in enumerate(plan.holes):
        sketch.line(((hole.place, fold - 2), (hole.place, fold + 2)), "cut")
        sketch.label(hole.place, fold + 9 + NUMBER_ROW * rows[index], str(index + 1), height=NUMBER_HIGH)
    sketch.label(3, INSIDE_HIGH - 5, "head", height=4, anchor="start")
    sketch.label(height - 3, INSIDE_HIGH - 5, "tail", height=4, anchor="end")
    return sketch


def _draw_inside(sketch: Sketch, holes: Sequence[Hole], stitch: Stitch) -> None:
    fold = INSIDE_HIGH / 2
    start, end = holes[stitch.start].place, holes[stitch.end].place
    if start == end:
        tail: tuple[Point, ...] = ((start, fold), (start - 3, fold - 12), (start + 2, fold - 20))
        sketch.line(tail, "thread")
        return
    # runs are drawn a little beside the fold, so that one past another can be told from it
    aside = 5.0 if abs(stitch.start - stitch.end) > 1 else 2.0
    bow = (
        (start, fold),
        (start + (end - start) * 0.1, fold - aside),
        (end - (end - start) * 0.1, fold - aside),
    )
    sketch.line((*bow, (end, fold)), "thread")


def _caught_level(hole: Hole, stitch: Stitch, shown: tuple[int, ...]) -> Mm:
    """How far down the thread reaches: a kettle goes behind the stitch between the sections below."""
    if not stitch.catches:
        return _level(stitch.section, shown) + 0.75 * SECTION_HIGH
    below = _level(stitch.catches, shown)
    if hole.kind == "kettle":
        return below if stitch.section == 2 else below + SECTION_HIGH / 2
    return below - SECTION_HIGH / 4


def _draw_on_spine(sketch: Sketch, holes: Sequence[Hole], stitch: Stitch, shown: tuple[int, ...]) -> None:
    y = _level(stitch.section, shown)
    start, end = holes[stitch.start].place, holes[stitch.end].place
    if stitch.into is not None:
        sketch.line(((start, y), (end, _level(stitch.into, shown))), "thread")
    elif start != end and stitch.catches:
        low = _level(stitch.catches, shown) + SECTION_HIGH / 8
        sketch.line(((start, y), ((start + end) / 2, low), (end, y)), "thread")
    elif start != end:
        sketch.line(((start, y), (end, y)), "thread")
    elif holes[stitch.start].kind == "staple":
        sketch.line(((start - 5, y), (start + 5, y)), "thread")
    elif stitch.catches is not None:
        middle = _caught_level(holes[stitch.start], stitch, shown)
        sketch.line(((start, y), (start - BOW / 2, middle), (start + BOW / 2, middle), (start, y)), "thread")
    elif holes[stitch.start].kind == "kettle":
        # in from below, or up to the section above
        outward = -BOW if stitch.start == 0 else BOW
        end_y = y + SECTION_HIGH * 0.7 if stitch.section == 1 else y + SECTION_HIGH
        sketch.line(((start, y), (start + outward, (y + end_y) / 2), (start, end_y)), "thread")
    else:
        sketch.line(
            ((start, y), (start - BOW / 2, y - BOW), (start + BOW / 2, y - BOW), (start, y)), "thread"
        )


HOLE: Mm = 0.7
BEYOND: Mm = 5.0
"""The pictures of a stab sewing reach so far beyond their outermost hole."""
EDGE_WORDS = {"spine": "the spine", "head": "the head", "tail": "the tail"}


def _stab_film(work: StabWork, moves: Sequence[StabMove], height: Mm, notation: Notation) -> SewingFilm:
    """Front and back, the spine lowest, the head to the left on the front; every movement on its face."""
    deep = max(hole.x for hole in work.holes) + BEYOND
    faces = {"front": _face(work, height, deep), "back": _face(work, height, deep)}
    steps: list[SewingStep] = []

    def step(face: str, words: str) -> None:
        steps.append(
            SewingStep(
                len(steps) + 1,
                1,
                "spine" if face == "front" else "inside",
                f"On the {face}",
                words,
                len(faces["front"].elements),
                len(faces["back"].elements),
            )
        )

    first = work.stations // 2 + 1
    step(
        "front",
        f"From between the leaves out on the front at hole {first}; the tail, a hand's breadth, "
        "stays between them.",
    )
    for move in moves:
        start, end = work.holes[move.start], work.holes[move.end]
        path: tuple[Point, ...] = ((start.y, deep - start.x), (end.y, deep - end.x))
        if move.wrap:
            away = to_edge(start, move.wrap, height)
            aim = {"spine": (0.0, away), "head": (-away, 0.0), "tail": (away, 0.0)}[move.wrap]
            path = (path[0], (path[0][0] + aim[0], path[0][1] + aim[1]))
            for face in faces.values():
                face.line(path, "thread")
            words = (
                f"Round {EDGE_WORDS[move.wrap]} and through hole {move.start + 1} again, from the other face."
            )
        else:
            faces[move.face].line(path, "thread")
            words = f"To hole {move.end + 1}, and through the block."
        step(move.face, words)
    step(
        "front",
        "The thread is back where it began: tie it to its tail with a square knot, draw the knot "
        "into the hole "
        "with a needle, and cut both ends short.",
    )
    front, back = (
        faces[face].finish(
            f"sewing.film_{face}",
            "sewing",
            f"The {face}",
            rows=(0, 0, 0, 0),
            to_scale=False,
            text=f"The {face} beside the spine, which lies lowest; head to the left.",
        )
        for face in ("front", "back")
    )
    return SewingFilm(front, (back,), (1,), (notation.say("the block"),), tuple(steps))


def _face(work: StabWork, height: Mm, deep: Mm) -> Sketch:
    sketch = Sketch()
    sketch.area(box(0, 0, height, deep), "paper")
    for number, hole in enumerate(work.holes, start=1):
        sketch.arc(hole.y, deep - hole.x, HOLE, 0, 359.9, "cut")
        sketch.label(hole.y, deep - hole.x - 2.5, str(number), height=2.5)
    sketch.label(3, 3, "head", height=2.5, anchor="start")
    sketch.label(height - 3, 3, "tail", height=2.5, anchor="end")
    return sketch
