"""The open books of a workshop, as they are laid out."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import datetime
from functools import lru_cache
from typing import Any, cast

from django.db.models import Q, QuerySet

from weald.core.bench.progress import Event, EventKind, standings
from weald.core.book.at_bench import AtBench
from weald.core.book.operation import Operation
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.planning.plan import Plan, plan
from weald.core.schedule.tasks import Body, BookAtHand, WantedAt
from weald.core.tones import tone_of
from weald.web.accounts.models import Workshop
from weald.web.accounts.services import house_of
from weald.web.bench.models import BenchEvent
from weald.web.jobs.models import BookSet, Job
from weald.web.week.models import Wish

MOST_BOOKS = 60
"""So many open books at most are laid out at once."""


@dataclass(frozen=True, slots=True)
class _Facts:
    operations: tuple[Operation, ...]
    body: Body


@dataclass(frozen=True, slots=True)
class Unlaid:
    """A job that is not laid out, and why."""

    job: int
    title: str
    words: str


@dataclass(frozen=True, slots=True)
class OpenBooks:
    """The books that are laid out, and the open ones that are not."""

    books: tuple[BookAtHand, ...]
    unlaid: tuple[Unlaid, ...]


def _size(made: Plan, *names: str) -> float:
    sizes = {each.id: each.value for each in made.quantities}
    return next((sizes[name] for name in names if name in sizes), 0.0)


@lru_cache(maxsize=256)
def _facts(kept: str, notation: Notation, left_handed: bool) -> _Facts:
    made = plan(
        JobSpec.model_validate_json(kept), notation, drawn=("bench",), at_bench=AtBench((), left_handed)
    )
    body = Body(
        _size(made, "board.width", "block.width"),
        _size(made, "board.height", "block.height"),
        _size(made, "block.thickness"),
    )
    return _Facts(made.operations, body)


def open_jobs(workshop: Workshop) -> QuerySet[Job]:
    """The jobs that are neither finished nor put away."""
    found = Job.objects.filter(workshop=workshop, archived=False).exclude(state=Job.State.FINISHED)
    return found.select_related("head", "commission")


def laid_out_jobs(workshop: Workshop) -> QuerySet[Job]:
    """Of the open jobs those that are begun, promised or taken up."""
    wanted = (
        Q(state=Job.State.AT_BENCH) | Q(commission__promised__isnull=False) | Q(commission__taken_up=True)
    )
    return open_jobs(workshop).filter(wanted).order_by("pk")


def open_books(workshop: Workshop, notation: Notation, now: datetime, asked: Job | None = None) -> OpenBooks:
    """The open books as they stand now.

    :param asked: a job that is laid out too, though it may not be taken up.
    """
    jobs = list(laid_out_jobs(workshop)[: MOST_BOOKS + 1])
    unlaid = []
    if len(jobs) > MOST_BOOKS:
        unlaid = [
            Unlaid(job.pk, job.title, f"More than {MOST_BOOKS} books are open; this one waits its turn.")
            for job in jobs[MOST_BOOKS:]
        ]
        jobs = jobs[:MOST_BOOKS]
    if asked is not None and asked.pk not in {job.pk for job in jobs}:
        jobs.append(asked)
    stopped = [job for job in jobs if job.stops and job.state == Job.State.PLANNED]
    for job in stopped:
        unlaid.append(Unlaid(job.pk, job.title, f"Its plan has a stop: {notation.read(job.to_mind)}"))
    taken = [job for job in jobs if job not in stopped]
    return OpenBooks(tuple(books_of(workshop, taken, notation, now)), tuple(unlaid))


def books_of(workshop: Workshop, jobs: list[Job], notation: Notation, now: datetime) -> Iterable[BookAtHand]:
    """Jobs as they are laid out, read with a fixed number of questions to the database."""
    left_handed = house_of(workshop).hand == "left"
    rows: dict[int, list[dict[str, Any]]] = defaultdict(list)
    names = ("job_id", "kind", "operation", "at", "early", "author__username")
    turns = ("started", "paused", "done", "undone")
    happened = BenchEvent.objects.filter(job__in=jobs, kind__in=turns).order_by("pk")
    for row in happened.values(*names):
        rows[row["job_id"]].append(row)
    wishes: dict[int, dict[str, WantedAt]] = defaultdict(dict)
    for wish in Wish.objects.filter(job__in=jobs):
        wishes[wish.job_id][wish.operation] = WantedAt(wish.begins, wish.worker)
    groups = _groups(workshop)
    for job in jobs:
        yield _book(job, rows[job.pk], wishes[job.pk], groups.get(job.pk, ""), notation, left_handed, now)


def _groups(workshop: Workshop) -> dict[int, str]:
    """For the volumes of sets, the set each belongs to."""
    found = {}
    for number, spec in BookSet.objects.filter(workshop=workshop).values_list("pk", "spec"):
        for volume in spec.get("volumes", ()):
            if volume.get("job"):
                found[int(volume["job"])] = f"set {number}"
    return found


def _book(
    job: Job,
    rows: list[dict[str, Any]],
    wishes: dict[str, WantedAt],
    group: str,
    notation: Notation,
    left_handed: bool,
    now: datetime,
) -> BookAtHand:
    facts = _facts(job.spec.model_dump_json(), notation, left_handed)
    events = [Event(cast(EventKind, row["kind"]), row["operation"], row["at"], row["early"]) for row in rows]
    doing = {row["operation"]: row["author__username"] or "" for row in rows if row["kind"] == "started"}
    commission = getattr(job, "commission", None)
    return BookAtHand(
        job=str(job.pk),
        title=job.title,
        operations=facts.operations,
        standings=standings(facts.operations, events, now),
        body=facts.body,
        copies=job.spec.copies,
        promised=commission.promised if commission else None,
        group=group,
        doing=doing,
        pins=wishes,
        tone=tone_of(job.spec.binding.cover_name),
    )


def made_otherwise(job: Job, book: BookAtHand, notation: Notation, now: datetime) -> dict[str, BookAtHand]:
    """The same book with an adhesive that lets it go on sooner, by what is otherwise about it, in words."""
    spec = job.spec
    glue = spec.bench.glue
    if glue.paste_down == "pva" and glue.case == "pva":
        return {}
    quick = glue.model_copy(update={"case": "pva", "paste_down": "pva", "mull": None, "spine": "pva"})
    bench = spec.bench.model_copy(update={"glue": quick})
    facts = _facts(spec.model_copy(update={"bench": bench}).model_dump_json(), notation, False)
    known = {each.operation: each for each in book.standings}
    if {each.id for each in facts.operations} != set(known):
        return {}
    return {"PVA where paste or a mixture was to be": replace(book, operations=facts.operations)}
