"""What happens to the pieces of a job, kept as events of the bench."""

import uuid
from collections.abc import Iterable
from dataclasses import asdict
from datetime import datetime
from typing import Any

from django.contrib.auth.models import User

from weald.core.bench.cut import CutEvent
from weald.web.bench.models import BenchEvent
from weald.web.jobs.models import Job


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
