"""The demo's books at the bench: one in the middle of its work with glue drying, one finished."""

import uuid
from datetime import timedelta

from django.contrib.auth.models import User
from django.utils import timezone

from weald.web.accounts.services import notation_for
from weald.web.bench.models import BenchEvent
from weald.web.bench.services import operations_of
from weald.web.jobs.models import Job

_DRYING_FOR = timedelta(minutes=10)
_BOOKS = {"Tide tables of Merrow Haven": "glue_up", "Notes of a bee master": None}
"""What was done last to each, of all its operations where nothing is said."""


def load(author: User) -> None:
    """Let the demo's books have been worked on."""
    for title, last in _BOOKS.items():
        _work_on(Job.objects.get(workshop=author.membership.workshop, title=title), author, last)


def _work_on(job: Job, author: User, up_to: str | None) -> None:
    """Let a book have been worked on, one operation after the other.

    :param up_to: the last operation that was done, just now; all of them, where not given.
    """
    operations = operations_of(job, notation_for(author, job.workshop))
    names = [each.id for each in operations]
    done = operations[: names.index(up_to) + 1] if up_to else operations
    length = sum((timedelta(minutes=each.takes) for each in done[:-1]), timedelta(minutes=done[-1].minutes))
    at = timezone.now() - _DRYING_FOR - length
    for each in done:
        for kind, minutes in (("started", each.minutes), ("done", each.wait.usual if each.wait else 0.0)):
            BenchEvent.objects.create(
                job=job,
                key=uuid.uuid4(),
                kind=kind,
                operation=each.id,
                title=each.title,
                author=author,
                at=at,
            )
            at += timedelta(minutes=minutes)
