"""Made-up workshops and books to lay out."""

import random
from datetime import UTC, datetime, timedelta

from weald.core.bench.progress import standings
from weald.core.job.spec import read_spec
from weald.core.notation import FOR_ANYBODY
from weald.core.planning.plan import plan
from weald.core.schedule.problem import Aim, Hand, Layout, Link, Need, Problem, Task, Unit, Window
from weald.core.schedule.tasks import Body, BookAtHand, pose
from weald.core.schedule.workplace import USUAL_EQUIPMENT, Hours, Worker, Workplace

MONDAY = datetime(2026, 3, 2, 8, 0, tzinfo=UTC)
DAYS = tuple(Hours(weekday=day, begins="9:00", ends="17:00") for day in range(5))
STRUCTURES = ("flat_case", "rounded_case", "laced_boards", "pamphlet_case", "split_boards")


def workshop(people: int = 3) -> Workplace:
    names = ("Ida", "Tom", "Una", "Wil")[:people]
    workers = tuple(Worker(id=name.lower(), name=name, account=name.lower(), hours=DAYS) for name in names)
    return Workplace(zone="UTC", people=workers, equipment=USUAL_EQUIPMENT)


def book(number: int, structure: str, promised_days: float | None = None, **more) -> BookAtHand:
    made = plan(read_spec({"binding": {"structure": structure}}), FOR_ANYBODY, drawn=("bench",))
    return BookAtHand(
        job=str(number),
        title=f"Book {number}",
        operations=made.operations,
        standings=standings(made.operations, (), MONDAY),
        body=Body(150, 216, 16),
        promised=None if promised_days is None else MONDAY + timedelta(days=promised_days),
        **more,
    )


def many_books(count: int, people: int = 3) -> Problem:
    chance = random.Random(4)
    books = [
        book(number, chance.choice(STRUCTURES), chance.choice((None, None, 7, 14, 21)))
        for number in range(count)
    ]
    return pose(workshop(people), books, MONDAY).problem


def as_turns(layout: Layout) -> dict[str, float]:
    """The order in which a layout begins its tasks, as turns to lay out by again."""
    return {each.task: float(each.begins) for each in layout.placed}


def small_problem(chance: random.Random) -> Problem:
    """A few tasks of a few jobs, with everything there is to mind."""
    hands = tuple(
        Hand(name, name, tuple(_windows(chance))) for name in ("a", "b")[: chance.choice((1, 2, 2))]
    )
    names = tuple(hand.id for hand in hands)
    units = (Unit("press", "nipping_press", "press", chance.choice((1, 2))),)
    tasks: list[Task] = []
    jobs = [str(number) for number in range(chance.choice((1, 2)))]
    for job in jobs:
        for number in range(chance.choice((2, 3)) if len(jobs) == 1 else chance.choice((1, 2))):
            before = f"{job}/{number - 1}"
            least = chance.choice((0, 0, 1, 3))
            link = Link(before, least, least + chance.choice((0, 2)) if chance.random() < 0.4 else None)
            tasks.append(
                Task(
                    id=f"{job}/{number}",
                    job=job,
                    operation=str(number),
                    title="",
                    minutes=chance.choice((1, 2, 3)),
                    may=tuple(chance.sample(names, chance.randint(1, len(names)))),
                    needs=(Need(("press",), {"press": 1}, chance.choice((0, 2))),)
                    if chance.random() < 0.4
                    else (),
                    after=(link,) if number else (),
                    tail=chance.choice((0, 0, 4)),
                )
            )
    aims = tuple(Aim(job, chance.choice((None, 3, 8)), chance.choice(("", "", "set"))) for job in jobs)
    return Problem(tuple(tasks), hands, units, aims)


def _windows(chance: random.Random):
    begins = chance.choice((0, 1))
    for _ in range(3):
        ends = begins + chance.choice((3, 4, 6))
        yield Window(begins, ends)
        begins = ends + chance.choice((1, 3))
