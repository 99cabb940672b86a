"""What a layout says to people: what to do now and why, when each book is ready, what its date hangs on."""

from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime
from string import ascii_uppercase

from weald.core.book.operation import WAIT_STATES, Operation, WaitState
from weald.core.schedule.bounds import ready_alone
from weald.core.schedule.hours import moment_of
from weald.core.schedule.problem import Layout, Minute, Placed, Task, ready_at
from weald.core.schedule.stints import Spell, SpellState, Stint, stints_of
from weald.core.schedule.tasks import BookAtHand, Posed, Remark
from weald.core.schedule.telling import moment_in_words, stretch_in_words
from weald.core.schedule.together import PRESS_LOAD, READY_ONCE, runs

_SOON = 60 * 24 * 7


@dataclass(frozen=True, slots=True)
class Waiting:
    """What dries or stands after an operation; ``running`` since it is done already.

    :param places: by their ids, where it stands meanwhile. ``after``: the stint it follows, by its id; empty
        where that is over.
    """

    job: str
    operation: str
    title: str
    state: WaitState
    words: str
    begins: datetime
    ends: datetime
    places: tuple[str, ...]
    running: bool
    harm: bool
    after: str = ""


@dataclass(frozen=True, slots=True)
class NowLine:
    """What somebody does now, or next: with why it is this and not something else."""

    person: str
    job: str
    operation: str
    title: str
    begins: datetime
    when: str
    why: str


@dataclass(frozen=True, slots=True)
class JobInWeek:
    """How a job stands in the layout.

    :param letter: what it is known by in the week; ``tone``: the colour of its covering, or none.
    :param ready: when it is done, dry and out of the press; none where something of it found no time.
    :param slack: minutes between that and the promise, less than nothing where it is late.
    :param step: what comes next. ``hangs_on``: where the time goes. ``warning``: what is in danger.
    """

    job: str
    title: str
    letter: str
    tone: str
    ready: datetime | None
    ready_words: str
    promised: datetime | None
    slack: int | None
    slack_words: str
    step: str
    step_begins: datetime | None
    hangs_on: str
    warning: str
    group: str


@dataclass(frozen=True, slots=True)
class Together:
    """Work on several books laid close to one another, for which something is got ready once.

    :param people: who does it, by their ids.
    """

    title: str
    jobs: tuple[str, ...]
    people: tuple[str, ...]
    begins: datetime
    ends: datetime
    words: str


@dataclass(frozen=True, slots=True)
class Week:
    """A layout as it is read."""

    now: datetime
    stints: tuple[Stint, ...]
    waits: tuple[Waiting, ...]
    todo: tuple[NowLine, ...]
    jobs: tuple[JobInWeek, ...]
    together: tuple[Together, ...]
    remarks: tuple[str, ...]

    @property
    def spells(self) -> tuple[Spell, ...]:
        """Every stretch of work on its own, in the order they begin."""
        return tuple(sorted((spell for each in self.stints for spell in each.spells), key=lambda s: s.begins))


def letter_of(number: int) -> str:
    """What the book of that number is known by, from 0: A to Z, then A2 to Z2."""
    round_, place = divmod(number, len(ascii_uppercase))
    return ascii_uppercase[place] + (str(round_ + 1) if round_ else "")


def week_of(posed: Posed, layout: Layout, books: Sequence[BookAtHand], zone: str, now: datetime) -> Week:
    """A layout in words and moments."""
    return _Reading(posed, layout, books, zone, now).week()


_REMARKS = {
    "alone": "{book}: “{title}” asks for {people} pairs of hands, and one is there; ask somebody.",
    "nobody_does": "{book}: nobody here does “{title}”. It is laid out for anybody; see who does what.",
    "too_small": "{book}: too large for the {place} at “{title}”. Laid out as if there were a larger one.",
    "too_much": "{book}: “{title}” of all copies takes {lasts} of work; so large an edition is not laid out.",
    "no_place": "{book}: there is no {place} here for “{title}”. Laid out as if there were one.",
}


class _Reading:
    def __init__(
        self, posed: Posed, layout: Layout, books: Sequence[BookAtHand], zone: str, now: datetime
    ) -> None:
        self.problem, self.layout, self.posed = posed.problem, layout, posed
        self.zone, self.now = zone, now
        self.books = {book.job: book for book in books}
        self.operations: dict[tuple[str, str], Operation] = {
            (book.job, each.id): each for book in books for each in book.operations
        }
        self.ready = ready_at(self.problem, layout)

    def week(self) -> Week:
        jobs = tuple(self._job(book, number) for number, book in enumerate(self.books.values()))
        stints = stints_of(self._spells(), self.zone)
        return Week(
            self.now,
            stints,
            tuple(self._waits(stints)),
            tuple(self._todo()),
            jobs,
            tuple(self._together()),
            tuple(dict.fromkeys((*map(self._remark, self.posed.remarks), *self._left(), *self._unpinned()))),
        )

    def _at(self, minute: Minute) -> datetime:
        return moment_of(minute, self.now)

    def _said(self, minute: Minute) -> str:
        return moment_in_words(self._at(minute), self.zone, self.now)

    def _spells(self) -> Iterator[Spell]:
        """Parts of one operation that follow one another without a break are one spell."""
        by_operation: dict[tuple[str, str], list[Placed]] = defaultdict(list)
        for each in self.layout.placed:
            task = self.problem.by_id[each.task]
            by_operation[task.job, task.operation].append(each)
        for (job, operation), parts in by_operation.items():
            current: list[Placed] = []
            for each in parts:
                if current and (each.begins != current[-1].ends or each.hands != current[-1].hands):
                    yield self._spell(job, operation, current)
                    current = []
                current.append(each)
            yield self._spell(job, operation, current)

    def _spell(self, job: str, operation: str, parts: Sequence[Placed]) -> Spell:
        first = self.problem.by_id[parts[0].task]
        state: SpellState = "laid_out"
        if first.begun is not None:
            state = "under_way"
        elif first.pin is not None and first.id not in self.layout.unpinned:
            state = "pinned"
        late = first.latest is not None and parts[0].begins > first.latest
        return Spell(
            job,
            operation,
            first.title,
            self._at(parts[0].begins),
            self._at(parts[-1].ends),
            parts[0].hands,
            parts[0].units,
            state,
            late,
        )

    def _waits(self, stints: Sequence[Stint]) -> Iterator[Waiting]:
        of = {(spell.job, spell.operation): each.id for each in stints for spell in each.spells}
        for book in self.books.values():
            for stands in book.standings:
                wait = self.operations[book.job, stands.operation].wait
                if wait and stands.finished and stands.wait_usual and stands.wait_usual > self.now:
                    title = self.operations[book.job, stands.operation].title
                    yield Waiting(
                        *(book.job, stands.operation, title, wait.state, WAIT_STATES[wait.state]),
                        *(stands.finished, stands.wait_usual, (), True, wait.harm),
                    )
        for each in self.layout.placed:
            task = self.problem.by_id[each.task]
            wait = self.operations[task.job, task.operation].wait
            if wait is not None and each.until > each.ends:
                held = [unit for need, unit in zip(task.needs, each.units, strict=True) if need.held]
                yield Waiting(
                    *(task.job, task.operation, task.title, wait.state, WAIT_STATES[wait.state]),
                    *(self._at(each.ends), self._at(each.until), tuple(held), False, wait.harm),
                    of.get((task.job, task.operation), ""),
                )

    def _todo(self) -> Iterator[NowLine]:
        """What everybody does first."""
        seen: set[str] = set()
        for each in self.layout.placed:
            task = self.problem.by_id[each.task]
            for name in each.hands:
                if name not in seen:
                    seen.add(name)
                    when = "now" if each.begins == 0 else self._said(each.begins)
                    yield NowLine(
                        name,
                        task.job,
                        task.operation,
                        task.title,
                        self._at(each.begins),
                        when,
                        self._why(task, each),
                    )

    def _why(self, task: Task, at: Placed) -> str:
        if task.begun is not None:
            return "It is under way."
        if task.latest is not None:
            return f"What was glued is ready for it, and too dry after {self._said(task.latest)}."
        if task.pin is not None and task.id not in self.layout.unpinned:
            return "It is wanted at this time."
        book = self.books[task.job]
        promised = next(aim.promised for aim in self.problem.aims if aim.job == task.job)
        if promised is not None and task.job in self.ready:
            spare = promised - self.ready[task.job]
            date = moment_in_words(self._at(promised), self.zone, self.now)
            if spare < 0:
                return f"“{book.title}” was promised for {date} and is late by {stretch_in_words(-spare)}."
            return f"“{book.title}” is promised for {date}, with {stretch_in_words(spare)} to spare."
        if at.until - at.ends >= 60:
            return f"It then stands for {stretch_in_words(at.until - at.ends)}, and others can be worked on."
        return "It is ready for it, and nothing else is more pressing."

    def _job(self, book: BookAtHand, number: int) -> JobInWeek:
        ready = self.ready.get(book.job)
        aim = next(each for each in self.problem.aims if each.job == book.job)
        slack = None if aim.promised is None or ready is None else aim.promised - ready
        parts = [each for each in self.layout.placed if self.problem.by_id[each.task].job == book.job]
        first = parts[0] if parts else None
        return JobInWeek(
            book.job,
            book.title,
            letter_of(number),
            book.tone,
            None if ready is None else self._at(ready),
            "" if ready is None else self._said(ready),
            book.promised,
            slack,
            self._slack_words(slack),
            self.problem.by_id[first.task].title if first else "",
            self._at(first.begins) if first else None,
            self._hangs_on(parts),
            self._warning(aim.promised, slack, first),
            book.group,
        )

    def _slack_words(self, slack: int | None) -> str:
        if slack is None:
            return ""
        said = stretch_in_words(abs(slack))
        return f"{said} to spare" if slack >= 0 else f"late by {said}"

    def _warning(self, promised: Minute | None, slack: int | None, first: Placed | None) -> str:
        """By when the next step has to begin, were everybody there for this book alone."""
        if promised is None or slack is None or first is None:
            return ""
        task = self.problem.by_id[first.task]
        date = self._said(promised)
        if promised < 0:
            return f"It was promised for {date}, which is past."
        if ready_alone(self.problem, task.job) > promised:
            return f"{date[:1].upper()}{date[1:]} cannot be kept, whoever helps: hours and waits take longer."
        if slack < 0:
            return f"Late as things are laid out; were this book alone, {date} could be kept."
        if slack > _SOON:
            return ""
        low, high = first.begins, promised
        while high - low > 5:
            middle = (low + high) // 2
            if ready_alone(self.problem, task.job, task, middle) <= promised:
                low = middle
            else:
                high = middle
        return f"“{task.title}” by {self._said(low)} at the latest, or {date} is lost."

    def _hangs_on(self, parts: Sequence[Placed]) -> str:
        """Where the time until a book is ready goes, walked back from its end."""
        if not parts:
            return ""
        at = self.layout.by_id
        each: Placed | None = max(parts, key=lambda one: one.until)
        spent = {"work": 0, "drying": 0, "waiting for its turn or somebody to be there": 0}
        spent["drying"] += each.until - each.ends if each else 0
        while each is not None:
            spent["work"] += each.ends - each.begins
            task = self.problem.by_id[each.task]
            before = [(at[link.task].ends + link.least, link) for link in task.after if link.task in at]
            if not before:
                spent["drying"] += task.earliest
                spent["waiting for its turn or somebody to be there"] += each.begins - task.earliest
                break
            over, link = max(before, key=lambda pair: pair[0])
            spent["drying"] += link.least
            spent["waiting for its turn or somebody to be there"] += each.begins - over
            each = at[link.task]
        said = [f"{stretch_in_words(minutes)} {what}" for what, minutes in spent.items() if minutes > 0]
        return ", ".join(said)

    def _together(self) -> Iterator[Together]:
        """Several books for which one thing is got ready, by the same person within two hours."""
        for ready, parts in runs(self.problem, self.layout):
            if parts[0].begins > _SOON:
                continue
            tasks = [self.problem.by_id[each.task] for each in parts]
            jobs = tuple(dict.fromkeys(task.job for task in tasks))
            if len(jobs) < 2:
                continue
            said = [f"{task.title} (“{self.books[task.job].title}”)" for task in tasks]
            words = f"{self._said(parts[0].begins)}: {', '.join(said)}{self._how_many_fit(tasks)}"
            begins, ends = self._at(parts[0].begins), self._at(max(each.ends for each in parts))
            yield Together(ready, jobs, parts[0].hands, begins, ends, words)

    def _how_many_fit(self, tasks: Sequence[Task]) -> str:
        """How many such books a press of known opening takes at once."""
        rooms = {unit.id: unit.room for unit in self.problem.units if unit.room > 1}
        fits = [
            rooms[name] // need.load[name]
            for task in tasks
            if READY_ONCE.get(task.operation) == PRESS_LOAD
            for need in task.needs
            for name in need.units
            if name in rooms
        ]
        return f". The press takes {min(fits)} of them at once." if fits else ""

    def _remark(self, remark: Remark) -> str:
        return _REMARKS[remark.code].format(book=f"“{self.books[remark.job].title}”", **remark.terms)

    def _left(self) -> Iterator[str]:
        if not any(hand.windows for hand in self.problem.hands):
            yield "Nobody has hours here. Say who is there when, and the books are laid out."
            return
        said: set[str] = set()
        longest = max(
            (window.ends - window.begins for hand in self.problem.hands for window in hand.windows), default=0
        )
        for name in self.layout.left:
            task = self.problem.by_id[name]
            if task.job in said:
                continue
            said.add(task.job)
            if any(each.job == task.job and each.code == "too_much" for each in self.posed.remarks):
                continue
            first = next(each for each in self.problem.of_job[task.job] if each.id in self.layout.left)
            book = self.books[task.job].title
            if first.minutes > longest:
                yield (
                    f"“{book}”: “{first.title}” takes {stretch_in_words(first.minutes)} without a break, and "
                    f"nobody is there for longer than {stretch_in_words(longest)}. Give one day more hours."
                )
            else:
                yield (
                    f"“{book}”: no time was found for “{first.title}” and what must follow it at once. Give "
                    "one day more hours, or somebody who helps."
                )

    def _unpinned(self) -> Iterator[str]:
        for name in self.layout.unpinned:
            task = self.problem.by_id[name]
            yield (
                f"“{self.books[task.job].title}”: “{task.title}” cannot be at the time it was put to. What "
                "comes before is not done by then, or something is not there. It is laid out again."
            )
