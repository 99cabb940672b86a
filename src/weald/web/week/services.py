"""What is done with the week: people and places, promises, wishes, and the order books are taken in."""

import hashlib
import secrets
from dataclasses import dataclass
from datetime import datetime

from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone

from weald.core.errors import SpecError, WealdError
from weald.core.notation import FOR_ANYBODY, Notation
from weald.core.schedule.hours import minute_of, moment_of
from weald.core.schedule.placing import Free, place
from weald.core.schedule.problem import Layout, Problem, TaskId, ready_at
from weald.core.schedule.promising import Answer, Order, when_ready
from weald.core.schedule.tasks import Posed, pose
from weald.core.schedule.telling import date_in_words, stretch_in_words
from weald.core.schedule.urgency import usual_turns
from weald.core.schedule.week import Week, week_of
from weald.core.schedule.workplace import Workplace, read_workplace
from weald.web import work
from weald.web.accounts.keeping import NOT_SETTLED, Settled, Written
from weald.web.accounts.models import Workshop
from weald.web.accounts.services import save_kept, workplace_of
from weald.web.jobs.models import Job
from weald.web.office.decisions import note
from weald.web.office.models import Commission
from weald.web.week.books import MOST_BOOKS, OpenBooks, made_otherwise, open_books
from weald.web.week.models import Feed, Laying, Wish
from weald.web.work import Tell

SEARCH_SECONDS = 60.0
_ORDER_VERSION = 1
"""An order of another version is not read: it is only a better one, and soon found again."""
_SETTLED_SECONDS = 10.0
"""So long it looks for something better where the first layout is as good as any in what counts."""


@transaction.atomic
def save_workplace(
    workshop: Workshop, version: int, author: User, workplace: Workplace, settled: Settled = NOT_SETTLED
) -> Written:
    """Write people and places.

    :param version: the one they were read at.
    :raises weald.web.accounts.keeping.MeetingError: where somebody else changed the same of them.
    """
    written = save_kept(
        workshop, "workplace", version, author, workplace, workplace_of, read_workplace, settled
    )
    note(workshop, author, "People, hours or places changed")
    return written


@dataclass(frozen=True, slots=True)
class LaidOut:
    """The open books laid out as they stand now.

    :param laying: the order they are taken in; none where nobody had one made.
    """

    workplace: Workplace
    open: OpenBooks
    posed: Posed
    layout: Layout
    laying: Laying | None
    order: Order
    now: datetime

    @property
    def people(self) -> dict[str, str]:
        """Names by id."""
        return {each.id: each.name for each in self.workplace.people}

    def week(self) -> Week:
        """The same, in words and moments."""
        return week_of(self.posed, self.layout, self.open.books, self.workplace.zone, self.now)


def laid_out(workshop: Workshop, notation: Notation, now: datetime | None = None) -> LaidOut:
    """Lay the open books out as they stand, in the order that was found best, or what is urgent first."""
    moment = _whole_minute(now or timezone.now())
    workplace = workplace_of(workshop)
    found = open_books(workshop, notation, moment)
    posed = pose(workplace, found.books, moment)
    laying = order_in_use(workshop)
    order = _order(posed.problem, laying, moment)
    layout = place(posed.problem, order.turns, order.doers)
    return LaidOut(workplace, found, posed, layout, laying, order, moment)


def _whole_minute(moment: datetime) -> datetime:
    """Laid out by whole minutes, hours begin and end as they are told."""
    return moment.replace(second=0, microsecond=0)


def order_in_use(workshop: Workshop) -> Laying | None:
    """The last order that was made and not put aside."""
    done = workshop.layings.filter(state=Laying.State.DONE, put_aside=False)
    return done.order_by("-finished").first()


def _order(problem: Problem, laying: Laying | None, now: datetime) -> Order:
    """Turns and doers as they were found, counted from now; what came since has its turn by its promise."""
    turns, doers = usual_turns(problem), dict[str, tuple[str, ...]]()
    if laying is None or laying.result is None or laying.result.get("version") != _ORDER_VERSION:
        return Order(turns, doers)
    began = now.timestamp()
    known = {name: (seconds - began) / 60 for name, seconds in laying.result["turns"].items()}
    for task in problem.tasks:
        for part in range(task.part, -1, -1):
            name = TaskId.of(task.job, task.operation, part)
            if name in known:
                turns[task.id] = known[name] + (task.part - part) / 100
                doers[task.id] = tuple(laying.result["doers"].get(name, ()))
                break
    return Order(turns, doers)


@transaction.atomic
def ask_for_laying(workshop: Workshop, author: User) -> Laying:
    """Have the open books laid out as well as can be found; asked again meanwhile, it is the same."""
    Workshop.objects.select_for_update().get(pk=workshop.pk)
    running = workshop.layings.filter(state__in=(Laying.State.WAITING, Laying.State.WORKING)).first()
    if running is not None:
        return running
    laying = Laying.objects.create(workshop=workshop, author=author)
    work.hand_over(laying)
    return laying


def carry_out(work_id: str) -> None:
    """Do on the worker what was asked for."""
    work.carry_out(Laying, work_id, _find_order)


def _find_order(laying: Laying, tell: Tell) -> dict[str, object]:
    """Look for the best order; what is kept of it."""
    # OR-Tools is loaded by the worker alone, and not before there is something to lay out
    from weald.core.schedule.solve import better_layout, first_layout

    now = _whole_minute(timezone.now())
    workshop = laying.workshop
    found = open_books(workshop, FOR_ANYBODY, now)
    problem = pose(workplace_of(workshop), found.books, now).problem
    if not problem.tasks:
        raise WealdError("There is nothing to lay out: no book is at the bench, promised or taken up.")
    kept = _order(problem, order_in_use(workshop), now)
    first = first_layout(problem, kept.turns)
    tell(1)
    seconds = _SETTLED_SECONDS if first.best else SEARCH_SECONDS
    best = better_layout(problem, first, seconds, tell, settled=first.best)
    began = now.timestamp()
    return {
        "result": {
            "version": _ORDER_VERSION,
            "turns": {name: began + 60 * turn for name, turn in best.turns.items()},
            "doers": {name: list(hands) for name, hands in best.doers.items()},
            "best": best.best,
            "off": round(best.off, 4) if best.least else None,
            "books": len(found.books),
        }
    }


@transaction.atomic
def put_aside(laying: Laying, author: User) -> None:
    """Go back to the order before this one."""
    laying.put_aside = True
    laying.save(update_fields=["put_aside"])
    note(laying.workshop, author, "Went back to the order before")


def _local(moment: datetime, workshop: Workshop) -> str:
    return date_in_words(moment, workplace_of(workshop).zone)


@transaction.atomic
def promise(job: Job, author: User, promised: datetime | None, taken_up: bool) -> Commission:
    """Say by when a job is promised, and whether it is laid out though nothing of it is begun."""
    commission, _ = Commission.objects.select_for_update().get_or_create(job=job)
    if commission.promised != promised:
        words = "Promise taken back" if promised is None else f"Promised for {_local(promised, job.workshop)}"
        note(job.workshop, author, words, job)
    elif commission.taken_up != taken_up:
        note(job.workshop, author, "Taken into the week" if taken_up else "Taken out of the week", job)
    commission.promised, commission.taken_up = promised, taken_up
    commission.save()
    return commission


@transaction.atomic
def wish(
    job: Job, author: User, operation: str, title: str, begins: datetime | None, worker: str = ""
) -> None:
    """Want an operation begun at a certain time, or not any more."""
    if begins is None:
        if Wish.objects.filter(job=job, operation=operation).delete()[0]:
            note(job.workshop, author, f"“{title}” is laid out freely again", job)
        return
    Wish.objects.update_or_create(
        job=job, operation=operation, defaults={"begins": begins, "worker": worker, "author": author}
    )
    note(job.workshop, author, f"“{title}” put to {_local(begins, job.workshop)}", job)


def next_there(laid: LaidOut, job: Job, operation: str, begins: datetime, worker: str) -> datetime:
    """The next moment from ``begins`` on at which somebody who does an operation is there for it."""
    task = laid.posed.problem.by_id.get(TaskId.of(str(job.pk), operation))
    if task is None:
        return begins
    wanted = max(0, minute_of(begins, laid.now))
    times = [
        at
        for hand in laid.posed.problem.hands
        if hand.id in ((worker,) if worker else task.may)
        and (at := Free(hand).next(wanted, task.minutes)) is not None
    ]
    return moment_of(min(times), laid.now) if times else begins


def differences(before: LaidOut, after: LaidOut) -> tuple[str, ...]:
    """Which books are ready later or sooner, in words, those most moved first."""
    was, now = ready_at(before.posed.problem, before.layout), ready_at(after.posed.problem, after.layout)
    shift = minute_of(after.now, before.now)
    found = []
    for book in after.open.books:
        if book.job not in now:
            if book.job in was:
                found.append((-(10**9), f"For “{book.title}” no time is found any more."))
            continue
        moved = now[book.job] + shift - was.get(book.job, now[book.job] + shift)
        if abs(moved) >= 1:
            later = "later" if moved > 0 else "sooner"
            found.append((-moved, f"“{book.title}” is ready {stretch_in_words(abs(moved))} {later}."))
    return tuple(words for _, words in sorted(found))


def could_be_ready(job: Job, notation: Notation) -> Answer:
    """When a book could be ready, with and without disturbing the others.

    :raises SpecError: when it cannot be laid out at all.
    """
    now = _whole_minute(timezone.now())
    workshop = job.workshop
    found = open_books(workshop, notation, now, job)
    mine = next((book for book in found.books if book.job == str(job.pk)), None)
    if mine is None:
        why = next(
            (each.words for each in found.unlaid if each.job == job.pk), f"More than {MOST_BOOKS} are open."
        )
        raise SpecError({"job": why})
    workplace = workplace_of(workshop)
    order = _order(pose(workplace, found.books, now).problem, order_in_use(workshop), now)
    return when_ready(
        workplace, found.books, str(job.pk), order, now, made_otherwise(job, mine, notation, now)
    )


@transaction.atomic
def new_feed(workshop: Workshop, author: User) -> str:
    """A new address for calendars, in place of the one before; what stands in it is shown this once."""
    withdraw_feed(workshop, author)
    token = secrets.token_urlsafe(32)
    Feed.objects.create(workshop=workshop, author=author, digest=_digest(token))
    note(workshop, author, "Calendar address made")
    return token


def withdraw_feed(workshop: Workshop, author: User) -> None:
    """Make the address of calendars worthless."""
    if workshop.feeds.filter(author=author).delete()[0]:
        note(workshop, author, "Calendar address withdrawn")


def feed_of(token: str) -> Feed | None:
    """Whose calendar an address shows; its owner has to be there still."""
    found = Feed.objects.select_related("workshop", "author").filter(digest=_digest(token)).first()
    return found if found is not None and found.author.is_active else None


def _digest(token: str) -> str:
    return hashlib.sha256(token.encode("utf-8", "surrogatepass")).hexdigest()
