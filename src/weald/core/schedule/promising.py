"""When a book could be ready, what that does to the others, and what would help: reckoned, not guessed."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from zoneinfo import ZoneInfo

from weald.core.schedule.hours import moment_of
from weald.core.schedule.placing import Doers, Turns, place
from weald.core.schedule.problem import Layout, Minute, Problem, ready_at
from weald.core.schedule.tasks import BookAtHand, pose
from weald.core.schedule.telling import moment_in_words, stretch_in_words
from weald.core.schedule.workplace import Extra, Worker, Workplace


@dataclass(frozen=True, slots=True)
class Order:
    """The order in which books are taken, and who does what; empty where nobody chose one."""

    turns: Turns
    doers: Doers


@dataclass(frozen=True, slots=True)
class Possible:
    """When a book could be ready, and which others are then ready later, in words."""

    ready: datetime | None
    words: str
    others: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Help:
    """Something that would make a book ready sooner."""

    what: str
    ready: datetime
    words: str


@dataclass(frozen=True, slots=True)
class Answer:
    """When a book could be ready: behind the others, and before them; and what would help."""

    behind: Possible
    first: Possible
    helps: tuple[Help, ...]


def when_ready(
    workplace: Workplace,
    books: Sequence[BookAtHand],
    job: str,
    order: Order,
    now: datetime,
    other_ways: Mapping[str, BookAtHand],
) -> Answer:
    """When a book could be ready.

    :param books: all there are, the one asked about among them.
    :param other_ways: the same book made otherwise, by what is otherwise about it, in words.
    """
    asking = _Asking(workplace, books, job, order, now)
    behind = asking.ready_of(asking.behind)
    return Answer(
        asking.possible(asking.behind),
        asking.possible(asking.first),
        tuple(asking.helps(behind, other_ways)) if behind is not None else (),
    )


class _Asking:
    def __init__(
        self, workplace: Workplace, books: Sequence[BookAtHand], job: str, order: Order, now: datetime
    ) -> None:
        self.workplace, self.books, self.job, self.now = workplace, list(books), job, now
        self.order = order
        self.problem = pose(workplace, books, now).problem
        others = pose(workplace, [book for book in books if book.job != job], now).problem
        self.undisturbed = ready_at(others, place(others, order.turns, order.doers))
        self.behind = self._laid(self.problem, 1.0)
        self.first = self._laid(self.problem, -1.0)

    def _laid(self, problem: Problem, side: float) -> Layout:
        """The book behind all others, or before them."""
        far = 1e9
        turns = dict(self.order.turns)
        for number, task in enumerate(problem.tasks):
            if task.job == self.job:
                turns[task.id] = side * far + number
            else:
                turns.setdefault(task.id, far / 2 + number)
        return place(problem, turns, self.order.doers)

    def ready_of(self, layout: Layout) -> Minute | None:
        return ready_at(self.problem, layout).get(self.job)

    def possible(self, layout: Layout) -> Possible:
        ready = ready_at(self.problem, layout)
        mine = ready.get(self.job)
        others = []
        for book in self.books:
            was, now = self.undisturbed.get(book.job), ready.get(book.job)
            if book.job != self.job and was is not None and now is not None and now > was:
                said = stretch_in_words(now - was)
                others.append(f"“{book.title}” is ready {said} later{self._broken(book, now)}.")
        if mine is None:
            return Possible(None, "No time was found for it; see who is there when.", tuple(others))
        return Possible(moment_of(mine, self.now), self._said(mine), tuple(others))

    def _broken(self, book: BookAtHand, ready: Minute) -> str:
        if book.promised is None or moment_of(ready, self.now) <= book.promised:
            return ""
        return ", after its promised date"

    def _said(self, minute: Minute) -> str:
        return moment_in_words(moment_of(minute, self.now), self.workplace.zone, self.now)

    def helps(self, ready: Minute, other_ways: Mapping[str, BookAtHand]) -> Iterator[Help]:
        """What makes it ready sooner while the others keep their turn, the most first."""
        found = []
        for what, workplace, books in self._ways(other_ways):
            problem = pose(workplace, books, self.now).problem
            sooner = ready_at(problem, self._laid(problem, 1.0)).get(self.job)
            if sooner is not None and sooner < ready:
                found.append((sooner, what))
        for sooner, what in sorted(found):
            said = f"{self._said(sooner)}, {stretch_in_words(ready - sooner)} sooner"
            yield Help(what, moment_of(sooner, self.now), said)

    def _ways(
        self, other_ways: Mapping[str, BookAtHand]
    ) -> Iterator[tuple[str, Workplace, Sequence[BookAtHand]]]:
        day = self._free_day()
        if day is not None:
            people = tuple(_with_day(each, day) for each in self.workplace.people)
            yield (
                f"Working on {day:%A} {day.day}",
                self.workplace.model_copy(update={"people": people}),
                self.books,
            )
        if self.workplace.people:
            one = self.workplace.people[0]
            helper = one.model_copy(update={"id": "somebody-who-helps", "account": "", "leaves": ()})
            people = (*self.workplace.people, helper)
            yield (
                f"A second pair of hands, there when {one.name} is",
                self.workplace.model_copy(update={"people": people}),
                self.books,
            )
        for what, book in other_ways.items():
            yield what, self.workplace, [book if each.job == self.job else each for each in self.books]

    def _free_day(self) -> date | None:
        """The next day on which nobody is there."""
        today = self.now.astimezone(ZoneInfo(self.workplace.zone)).date()
        for number in range(1, 8):
            day = today + timedelta(days=number)
            if not any(_is_there(each, day) for each in self.workplace.people):
                return day
        return None


def _is_there(person: Worker, day: date) -> bool:
    return any(hours.weekday == day.weekday() for hours in person.hours) or any(
        extra.day == day for extra in person.extra
    )


def _with_day(person: Worker, day: date) -> Worker:
    extra = Extra(day=day, begins="9:00", ends="17:00")
    return person.model_copy(update={"extra": (*person.extra, extra)})
