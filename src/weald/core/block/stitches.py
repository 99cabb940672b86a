"""Sewing shown step by step: the order of holes for the first, second, third and following sections.

Vocabulary: a *run* is thread lying along the fold, inside a section; a *pass* thread on the spine,
round a support or down to the section before. The film shows two pictures side by side: the spine,
with the sections lying one on another as at the sewing frame (the first lowest, heads to the left),
and the inside of the fold of the section being sewn. Every step says how many elements of each
picture it shows, so that the thread is drawn as it goes.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from weald.core.block.holes import Hole, SewingPlan
from weald.core.drawing import LETTER_WIDTH, Drawing, Point, Sketch, box
from weald.core.notation import MILLIMETRES, Notation
from weald.core.units import Mm

FIRST_SECTIONS = 4
"""The first three differ; the fourth stands for all that follow, but for the last."""


def sections_shown(sections: int) -> tuple[int, ...]:
    """The sections whose sewing is shown, by number: those that differ, and the last."""
    first = tuple(range(1, min(sections, FIRST_SECTIONS) + 1))
    return first if sections <= FIRST_SECTIONS else (*first, sections)


Side = Literal["inside", "spine"]


@dataclass(frozen=True, slots=True)
class Stitch:
    """One movement of the thread within a section: ``holes`` by index, from and to.

    :param catches: the section whose thread it goes round, where it is not its own.
    """

    side: Side
    section: int
    start: int
    end: int
    words: str
    catches: int | None = None


@dataclass(frozen=True, slots=True)
class SewingStep:
    """One step of the film; the first ``spine_shown`` and ``inside_shown`` elements are to be drawn."""

    number: int
    section: int
    side: Side
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


def sew(plan: SewingPlan, sections: int, loose_boards: bool = False) -> tuple[Stitch, ...]:
    """Every movement for the sections that differ, to the last knot.

    :param sections: of the block; see :func:`sections_shown`.
    :param loose_boards: whether the first section is linked to a board.
    """
    if not plan.holes:
        return ()
    if plan.method == "staples":
        return tuple(_staple(plan.holes))
    if plan.method == "pamphlet":
        return tuple(_pamphlet(plan.holes))
    stitches: list[Stitch] = []
    for section in sections_shown(sections):
        stitches += _all_along(plan.holes, section, sections, loose_boards)
    return tuple(stitches)


JOIN_WORDS = (
    "When the thread runs short, join a new length to it inside the fold with a weaver's knot, a hand's "
    "breadth "
    "from the next hole, and draw it tight before it is sewn past. All {signatures} up to the last go like "
    "this one."
)


def _name(hole: Hole, index: int, count: int) -> str:
    if hole.kind == "kettle":
        return f"at the kettle at the {'head' if index == 0 else 'tail'}"
    return {
        "tape": f"beside tape {hole.support}",
        "cord": f"at cord {hole.support}",
        "raised": f"beside cord {hole.support}",
        "link": f"at link {hole.support}",
    }.get(hole.kind, f"at hole {index + 1}")


def _all_along(holes: Sequence[Hole], section: int, sections: int, loose_boards: bool) -> Iterator[Stitch]:
    """One section sewn from one kettle to the other: odd ones from the tail to the head, even ones back."""
    count = len(holes)
    order = list(range(count))[::-1] if section % 2 else list(range(count))
    first = order[0]
    yield Stitch("spine", section, first, first, _entry_words(holes, first, section))
    if FIRST_SECTIONS == section < sections:
        yield Stitch("inside", section, first, first, JOIN_WORDS)
    at = 0
    while at < count - 1:
        here, there = order[at], order[at + 1]
        yield Stitch(
            "inside",
            section,
            here,
            there,
            f"Along the inside of the fold, and out {_name(holes[there], there, count)}; draw the thread "
            "tight along the fold, never across it.",
        )
        at += 1
        hole = holes[there]
        if at == count - 1:
            break
        paired = hole.support is not None and holes[order[at + 1]].support == hole.support
        if paired:
            other = order[at + 1]
            yield Stitch(
                "spine",
                section,
                there,
                other,
                f"Over {'tape' if hole.kind == 'tape' else 'cord'} {hole.support} on the spine, and in again "
                "on its other side.",
            )
            at += 1
        else:
            words, catches = _round_words(hole, section, loose_boards)
            yield Stitch("spine", section, there, there, words, catches)
    yield _end_of_section(holes, order[-1], section, sections)


def _entry_words(holes: Sequence[Hole], index: int, section: int) -> str:
    where = _name(holes[index], index, len(holes))
    if section == 1:
        return (
            f"From the spine in {where}; leave a tail of a hand's breadth hanging. A pencil mark on the "
            "head of every {signature} keeps one from being turned round."
        )
    return f"Lay {{signature}} {section} on, its head to the same side, and go in {where}, just above."


def _round_words(hole: Hole, section: int, loose_boards: bool) -> tuple[str, int | None]:
    if hole.kind == "cord":
        return f"Round cord {hole.support}, which lies in its kerf, and in again at the same hole.", None
    if hole.kind == "raised":
        return (
            f"Round cord {hole.support} as many times as it takes to fill up to the next {{signature}}, "
            "and in "
            "again at the same hole.",
            None,
        )
    if section == 1:
        if loose_boards:
            return (
                f"Out round the edge of the lower board, through its hole {hole.support}, behind its own "
                "thread, and in again.",
                0,
            )
        return f"Out at link {hole.support} and in again at the same hole, leaving a small loop.", None
    below = "loop" if section == 2 and not loose_boards else "thread"
    return (
        f"Down at link {hole.support}, behind the {below} between the {{signatures}} below, and in "
        "again at the "
        "same hole.",
        section - 1,
    )


def _end_of_section(holes: Sequence[Hole], index: int, section: int, sections: int) -> Stitch:
    where = _name(holes[index], index, len(holes))
    if sections == 1:
        return Stitch("spine", section, index, index, "Tie off; a single {signature} has nothing to link to.")
    if section == 1:
        words = f"The thread now hangs out {where}: the next {{signature}} goes straight on top."
        return Stitch("spine", section, index, index, words)
    if section == 2:
        words = f"Tie it to the tail left hanging {where}, in a square knot, snug but not puckered."
        return Stitch("spine", section, index, index, words, 1)
    end = where.removeprefix("at the kettle ")
    kettle = (
        f"Kettle stitch {end}: behind the stitch that joins the two {{signatures}} below, and up through "
        "the loop"
    )
    if section < sections:
        return Stitch("spine", section, index, index, f"{kettle}.", section - 1)
    fasten = (
        "; once more through the loop, and then down behind the kettle stitch below it: two half "
        "hitches there "
        "hold the sewing. Cut the thread off a finger's breadth long; its end is pasted under the lining."
    )
    return Stitch("spine", section, index, index, kettle + fasten, section - 1)


PAMPHLET_ORDERS: dict[int, tuple[tuple[Side, int, int], ...]] = {
    # start inside at the middle; the knot lies over the long stitch there
    3: (("spine", 1, 0), ("inside", 0, 2), ("spine", 2, 1)),
    5: (
        ("spine", 2, 1),
        ("inside", 1, 0),
        ("spine", 0, 1),
        ("inside", 1, 3),
        ("spine", 3, 4),
        ("inside", 4, 3),
        ("spine", 3, 2),
    ),
}


def _pamphlet(holes: Sequence[Hole]) -> Iterator[Stitch]:
    order = PAMPHLET_ORDERS[len(holes)]
    middle = len(holes) // 2
    yield Stitch(
        "inside",
        1,
        middle,
        middle,
        f"From the inside out at the middle hole, {middle + 1}; leave a tail of a hand's breadth inside.",
    )
    for side, start, end in order:
        if side == "spine":
            words = f"On the spine from hole {start + 1} to hole {end + 1}, and in."
        else:
            past = ", past the middle," if start < middle < end else ""
            words = f"Inside from hole {start + 1}{past} to hole {end + 1}, and out."
        yield Stitch(side, 1, start, end, words)
    yield Stitch(
        "inside",
        1,
        middle,
        middle,
        "One end on each side of the long stitch: tie a square knot over it, and trim both ends to {mm:10}.",
    )


def _staple(holes: Sequence[Hole]) -> Iterator[Stitch]:
    for number, _ in enumerate(holes, start=1):
        yield Stitch(
            "spine",
            1,
            number - 1,
            number - 1,
            f"Staple {number} from the outside through the fold, its crown along the fold; press its legs "
            "flat inside.",
        )


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
    stitches = sew(plan, sections, loose_boards)
    shown = (1,) if plan.method in ("staples", "pamphlet") else sections_shown(sections)
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
            SewingStep(number, stitch.section, stitch.side, words, len(spine.elements), len(inside.elements))
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
        tuple(_standing_for(number, sections) for number in shown),
        tuple(steps),
    )


def _standing_for(number: int, sections: int) -> str:
    """What a section shown stands for."""
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
    if start != end:
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
