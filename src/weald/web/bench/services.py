"""What happens at the bench, each entry in one transaction under the job's own lock."""

import uuid
from dataclasses import dataclass
from datetime import datetime
from typing import cast

from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone

from weald.core.bench.operation import Operation
from weald.core.bench.progress import Event, EventKind, Standing, check, standings
from weald.core.notation import Notation
from weald.core.planning.plan import plan
from weald.web.accounts.services import notation_for
from weald.web.bench.models import BenchEvent
from weald.web.jobs.models import Job


@dataclass(frozen=True, slots=True)
class Bench:
    """A job at the bench at a moment, by the server's clock."""

    now: datetime
    operations: tuple[Operation, ...]
    standings: tuple[Standing, ...]


def operations_of(job: Job, notation: Notation) -> tuple[Operation, ...]:
    """The order of work of a job as it stands."""
    return plan(job.spec, notation, drawn=("bench",)).operations


def bench_of(job: Job, notation: Notation, now: datetime | None = None) -> Bench:
    """How far a job has come."""
    moment = now or timezone.now()
    operations = operations_of(job, notation)
    return Bench(moment, operations, standings(operations, _events(job), moment))


def _events(job: Job) -> list[Event]:
    rows = job.bench_events.order_by("pk").values_list("kind", "operation", "at", "early")
    return [Event(cast(EventKind, kind), operation, at, early) for kind, operation, at, early in rows]


@transaction.atomic
def happened(
    job: Job,
    author: User,
    key: uuid.UUID,
    kind: EventKind,
    operation: str,
    *,
    note: str = "",
    insist: bool = False,
    device_at: datetime | None = None,
) -> None:
    """Take in what happened; asked twice with one key, it counts once.

    :param insist: it is meant so, although what it waits for is not over; that stands in the record.
    :raises weald.core.bench.progress.TooEarlyError: where it is too early and nobody insists.
    :raises weald.core.bench.progress.OutOfTurnError: where it cannot happen as things stand.
    """
    Job.objects.select_for_update().only("pk").get(pk=job.pk)
    if job.bench_events.filter(key=key).exists():
        return
    now = timezone.now()
    operations = operations_of(job, notation_for(author, job.workshop))
    early = check(operations, _events(job), kind, operation, now, insist)
    title = next(each.title for each in operations if each.id == operation)
    BenchEvent.objects.create(
        job=job,
        key=key,
        kind=kind,
        operation=operation,
        title=title,
        note=note,
        early=early,
        author=author,
        at=now,
        device_at=device_at,
    )
    if kind == "started" and job.state == Job.State.PLANNED:
        Job.objects.filter(pk=job.pk).update(state=Job.State.AT_BENCH)
