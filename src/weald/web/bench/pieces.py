"""What has been cut for a job, kept as events and read from them."""

import uuid
from collections.abc import Iterable
from dataclasses import asdict
from datetime import datetime
from typing import Any

from django.contrib.auth.models import User
from pydantic import TypeAdapter, ValidationError

from weald.core.bench.cut import CutEvent, cut_so_far
from weald.core.book.at_bench import CutPiece
from weald.web.bench.models import BenchEvent
from weald.web.jobs.models import Job

_KINDS = (BenchEvent.Kind.CUT, BenchEvent.Kind.UNCUT)
_EVENTS = TypeAdapter(CutEvent)


def cut_for(job: Job) -> tuple[CutPiece, ...]:
    """The pieces there are for a job."""
    kept = job.bench_events.filter(kind__in=_KINDS).order_by("pk").values_list("data", flat=True)
    return cut_so_far(event for data in kept if (event := _read(data)))


def _read(data: object) -> CutEvent | None:
    """An event as it was kept; one nobody can read says nothing of what there is."""
    try:
        return _EVENTS.validate_python(data)
    except ValidationError:
        return None


def write_cut(
    job: Job,
    author: User,
    events: Iterable[CutEvent],
    at: datetime,
    *,
    key: uuid.UUID | None = None,
    **more: Any,
) -> None:
    """Keep what happened to pieces of a job.

    :param key: where one device told it; chosen here otherwise.
    :param more: further entries of the rows.
    """
    BenchEvent.objects.bulk_create(
        BenchEvent(
            job=job,
            key=key or uuid.uuid4(),
            kind=BenchEvent.Kind.UNCUT if event.how == "fewer" else BenchEvent.Kind.CUT,
            data=asdict(event),
            author=author,
            at=at,
            **more,
        )
        for event in events
    )
