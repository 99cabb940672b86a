"""Sewing shown step by step: the order of holes for the first, second, third and following sections.

Vocabulary: a *run* is thread lying along the fold, inside a section; a *pass* thread on the spine,
round a support or down to the section before. What they look like stands in :mod:`weald.core.block.film`.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from weald.core.block.holes import Hole, SewingPlan, courses
from weald.core.job.extras.sewn import Stitching

FIRST_SECTIONS = 4
"""The first three differ; the fourth stands for all that follow, but for the last."""


def sections_shown(sections: int, stitching: Stitching | None = None) -> tuple[int, ...]:
    """The sections whose sewing is shown, by number: those that differ, and the last."""
    if stitching and stitching.on > 1:
        return tuple(number for course in courses_shown(sections, stitching) for number in course)
    first = tuple(range(1, min(sections, FIRST_SECTIONS) + 1))
    return first if sections <= FIRST_SECTIONS else (*first, sections)


def courses_shown(sections: int, stitching: Stitching | None) -> list[tuple[int, ...]]:
    """The courses of thread that are shown: those of the sections that differ."""
    every = courses(sections, stitching)
    if stitching is None or stitching.on == 1:
        return [every[number - 1] for number in sections_shown(sections)]
    alone = [course for course in every if len(course) == 1]
    together = [course for course in every if len(course) > 1]
    middle = together[:2]
    return (
        [*alone[: min(2, stitching.plain_ends)], *middle, *alone[-1:]] if middle else every[:FIRST_SECTIONS]
    )


Side = Literal["inside", "spine"]


@dataclass(frozen=True, slots=True)
class Stitch:
    """One movement of the thread within a section: ``holes`` by index, from and to.

    :param catches: the section whose thread it goes round, where it is not its own.
    :param into: the section it goes into at its end, where that is another.
    """

    side: Side
    section: int
    start: int
    end: int
    words: str
    catches: int | None = None
    into: int | None = None


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
    every = courses(sections, plan.stitching)
    for course in courses_shown(sections, plan.stitching):
        number = every.index(course) + 1
        if len(course) > 1:
            stitches += _together(plan.holes, course, number)
        else:
            stitches += _all_along(plan, course[0], sections, loose_boards, forward=number % 2 == 0)
    return tuple(stitches)


def _together(holes: Sequence[Hole], course: tuple[int, ...], number: int) -> Iterator[Stitch]:
    """One course of thread through two or three sections: along one, out, and on in the next above."""
    count = len(holes)
    order = list(range(count)) if number % 2 == 0 else list(range(count))[::-1]
    stations = _stations(holes, order)
    first, on = order[0], len(course)
    several = "both" if on == 2 else "all three"
    yield Stitch(
        "spine",
        course[0],
        first,
        first,
        f"Lay {{signatures}} {' and '.join(map(str, course))} on, heads to the same side, a folder or a card "
        f"between them; {several} are held by this one course. Go into {{signature}} {course[0]} "
        f"{_name(holes[first], first, count)}.",
    )
    at, section = first, course[0]
    for run, station in enumerate(stations[1:]):
        arrives, leaves = station[0], station[-1]
        yield Stitch(
            "inside",
            section,
            at,
            arrives,
            f"In {{signature}} {section} along the fold, and out {_name(holes[arrives], arrives, count)}.",
        )
        if run == len(stations) - 2:
            break
        following = course[(run + 1) % on]
        support = holes[arrives].support
        yield Stitch(
            "spine",
            section,
            arrives,
            leaves,
            f"Round support {support} and into {{signature}} {following}, on the support's other side.",
            into=following,
        )
        at, section = leaves, following
    end = order[-1]
    where = _name(holes[end], end, count).removeprefix("at the kettle ")
    yield Stitch(
        "spine",
        section,
        end,
        end,
        f"Kettle stitch {where}: behind the stitch between the {{signatures}} below, and up through "
        f"the loop; "
        f"{several} are linked by it.",
        course[0] - 1,
    )


def _stations(holes: Sequence[Hole], order: Sequence[int]) -> list[tuple[int, ...]]:
    """Kettles and supports in the order they are met, each with its one or two holes."""
    stations: list[tuple[int, ...]] = []
    for index in order:
        support = holes[index].support
        if support is not None and stations and holes[stations[-1][0]].support == support:
            stations[-1] = (*stations[-1], index)
        else:
            stations.append((index,))
    return stations


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
        "long": f"at the end of long stitch {hole.support}",
    }.get(hole.kind, f"at hole {index + 1}")


def _all_along(
    plan: SewingPlan, section: int, sections: int, loose_boards: bool, *, forward: bool
) -> Iterator[Stitch]:
    """One section sewn from one kettle to the other.

    :param forward: from head to tail, as every second course.
    """
    holes = plan.holes
    count = len(holes)
    order = list(range(count)) if forward else list(range(count))[::-1]
    first = order[0]
    yield Stitch("spine", section, first, first, _entry_words(holes, first, section, plan.method == "long"))
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
            words, catches = _over_words(hole, section, plan.stitching)
            yield Stitch("spine", section, there, other, words, catches)
            at += 1
        else:
            words, catches = _round_words(hole, section, loose_boards)
            yield Stitch("spine", section, there, there, words, catches)
    yield _end_of_section(holes, order[-1], section, sections)


def _entry_words(holes: Sequence[Hole], index: int, section: int, through_cover: bool) -> str:
    where = _name(holes[index], index, len(holes))
    if through_cover:
        where += f", through row {section} of the cover and the fold"
    if section == 1:
        return (
            f"From the spine in {where}; leave a tail of a hand's breadth hanging. A pencil mark on the "
            "head of every {signature} keeps one from being turned round."
        )
    return f"Lay {{signature}} {section} on, its head to the same side, and go in {where}, just above."


def _over_words(hole: Hole, section: int, stitching: Stitching | None) -> tuple[str, int | None]:
    """Over a support from one hole to the other; linked to the stitch below, or caught round some."""
    if hole.kind == "long":
        return (
            f"Outside along the spine of the cover, and in again through cover and fold: long stitch "
            f"{hole.support}.",
            None,
        )
    support = f"{'tape' if hole.kind == 'tape' else 'cord'} {hole.support}"
    if stitching and stitching.over == "linked" and section > 1:
        return (
            f"Over {support} on the spine: half-way, up behind the stitch of the {{signature}} below and on; "
            "in again on the other side.",
            section - 1,
        )
    if stitching and stitching.over == "caught" and section % stitching.caught_every == 0:
        lowest = section - stitching.caught_every + 1
        return (
            f"Over {support} on the spine, down behind the stitches of {{signatures}} {lowest} to "
            f"{section - 1}, drawing them together in the middle, and up; in again on the other side.",
            lowest,
        )
    return f"Over {support} on the spine, and in again on its other side.", None


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
