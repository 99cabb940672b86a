"""The record of a job, read from its events; and the job made again from it."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any, cast

from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone

from weald.core.bench.progress import EventKind
from weald.core.bench.record import Recorded, RecordedEvent, record_of
from weald.core.book.operation import minutes_in_words
from weald.core.job.spec import read_spec
from weald.core.notation import FOR_ANYBODY, Notation
from weald.core.planning.again import made_again
from weald.core.planning.colophon import Making, colophon_words
from weald.core.units import TOLERANCE
from weald.web.accounts.names import author_of
from weald.web.bench.models import BenchEvent
from weald.web.bench.services import planned_at_bench
from weald.web.bench.telling import about_of, words_of
from weald.web.jobs.models import Job
from weald.web.jobs.planned import planned
from weald.web.jobs.services import create_job, plain


@dataclass(frozen=True, slots=True)
class JobRecord:
    """The record of a book, and its colophon as set from it."""

    operations: tuple[Recorded, ...]
    worked_shown: str
    making: Making
    colophon: str


def record_of_job(job: Job, notation: Notation) -> JobRecord:
    """What is on record of a job, in somebody's words and units."""
    made = planned_at_bench(job, notation)
    events = job.bench_events.select_related("author").order_by("pk")
    recorded = record_of(made.operations, (_event(each, job.spec.measured, notation) for each in events))
    making = _making(job, recorded)
    return JobRecord(
        recorded,
        minutes_in_words(sum(each.worked for each in recorded)),
        making,
        colophon_words(job.spec, made, making, notation),
    )


def _event(event: BenchEvent, measured: Mapping[str, float], notation: Notation) -> RecordedEvent:
    words = " ".join(filter(None, (words_of(event, notation), event.note)))
    data, kind = event.data, cast(EventKind, event.kind)
    return RecordedEvent(
        kind,
        event.operation,
        event.title,
        event.at,
        author_of(event),
        words,
        event.early,
        otherwise=kind == "looked" and bool(data.get("found")),
        about=about_of(event),
        holds=kind != "measured" or stands(measured, data),
    )


def stands(measured: Mapping[str, float], data: Mapping[str, Any]) -> bool:
    """Whether what was measured at the bench is what the job reckons with still."""
    now, found = measured.get(str(data.get("quantity"))), data.get("found")
    return now is not None and isinstance(found, int | float) and abs(now - found) < TOLERANCE


def _making(job: Job, recorded: tuple[Recorded, ...]) -> Making:
    begun = min((each.begun for each in recorded if each.begun), default=None)
    ended = max((each.ended for each in recorded if each.ended), default=None)
    finished = ended if job.state == Job.State.FINISHED else None
    people = tuple(dict.fromkeys(name for each in recorded if each.begun for name in each.people))
    return Making(
        people,
        job.workshop.name,
        timezone.localtime(begun).date() if begun else None,
        timezone.localtime(finished).date() if finished else None,
    )


@transaction.atomic
def make_again(job: Job, author: User) -> Job:
    """Begin a new job from one that was made, starting from what was measured on it."""
    spec = made_again(job.spec, planned(job.spec, FOR_ANYBODY))
    spec = read_spec({**plain(spec), "title": f"{job.title[:180]} (again)"})
    return create_job(job.workshop, author, spec, summary=f"made again from {job.title}"[:300])
