"""The bench over HTTP: how far a job has come, what happens, and the log of it."""

import uuid
from datetime import datetime
from typing import Annotated, cast

from django.http import HttpRequest
from ninja import Router, Schema, Status
from pydantic import Field

from weald.core.bench.progress import EventKind, Standing
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of, person
from weald.web.api.schemas import Problem
from weald.web.bench import services
from weald.web.jobs.models import Job

router = Router(tags=["bench"])
MOST_LOGGED = 200


class Entry(Schema):
    """Something that happens: which operation, and the device's own key for it.

    ``insist``: it is meant so, although what it waits for is not over.
    """

    key: uuid.UUID
    kind: EventKind
    operation: Annotated[str, Field(max_length=40)]
    note: Annotated[str, Field(max_length=2000)] = ""
    insist: bool = False
    device_at: datetime | None = None


class Logged(Schema):
    """Something that happened, newest first in a log."""

    key: uuid.UUID
    kind: EventKind
    operation: str
    title: str
    note: str
    early: bool
    author: str
    at: datetime


class BenchReply(Schema):
    """How far a job has come, by the server's clock."""

    now: datetime
    standings: list[Standing]
    log: list[Logged]


def _reply(request: HttpRequest, job: Job) -> BenchReply:
    made = services.bench_of(job, notation_of(request))
    rows = job.bench_events.select_related("author").order_by("-pk")[:MOST_LOGGED]
    return BenchReply(
        now=made.now,
        standings=list(made.standings),
        log=[
            Logged(
                key=each.key,
                kind=cast(EventKind, each.kind),
                operation=each.operation,
                title=each.title,
                note=each.note,
                early=each.early,
                author=each.author.get_username() if each.author else "somebody who has left",
                at=each.at,
            )
            for each in rows
        ],
    )


@router.get("/jobs/{int:job_id}/bench", response={200: BenchReply, 404: Problem}, operation_id="openBench")
def open_bench(request: HttpRequest, job_id: int) -> BenchReply:
    """How far a job has come at the bench."""
    return _reply(request, job_of(request, job_id))


@router.post(
    "/jobs/{int:job_id}/bench",
    response={200: BenchReply, 404: Problem, 409: Problem, 422: Problem},
    operation_id="tellBench",
)
def tell_bench(request: HttpRequest, job_id: int, entry: Entry) -> Status:
    """Say what happens at the bench."""
    job = job_of(request, job_id)
    services.happened(
        job,
        person(request),
        entry.key,
        entry.kind,
        entry.operation,
        note=entry.note,
        insist=entry.insist,
        device_at=entry.device_at,
    )
    return Status(200, _reply(request, job))
