"""Work that takes longer than an answer: asked for, done by the worker, watched, stopped, run again.

A piece of work is a row of its own, of a model that is a :class:`Work`. Its task is handed over by name, so
that what asks for work need not know what does it. A worker that dies half way leaves the row *working*; its
task is taken up again, and given up after :data:`MOST_ATTEMPTS`.
"""

import logging
import uuid
from collections.abc import Callable, Mapping
from datetime import timedelta
from typing import Any, ClassVar, TypeVar

from django.conf import settings
from django.db import models, transaction
from django.utils import timezone
from procrastinate.contrib.django import app
from procrastinate.contrib.django.models import ProcrastinateJob

from weald.core.errors import SpecError, WealdError
from weald.web.accounts.names import author_of
from weald.web.room import need_room

log = logging.getLogger("weald")

MOST_ATTEMPTS = 3
"""Work that kills its worker so often is not begun again."""

Tell = Callable[[int], None]
"""Told how much is done; raises where the work is not wanted any more."""


class Work(models.Model):
    """One piece of work: how far it has come, and what there is to say about it.

    :ivar task: the name of the task that does it; it is given ``work_id``.
    :ivar total: how much there is to do, in whatever it is counted in; ``done`` how much of it is done.
    :ivar message: why it failed, in words.
    """

    class State(models.TextChoices):
        WAITING = "waiting", "Waiting"
        WORKING = "working", "Being done"
        DONE = "done", "Done"
        FAILED = "failed", "Failed"
        CANCELLED = "cancelled", "Cancelled"

    task: ClassVar[str]

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    state = models.CharField(max_length=9, choices=State.choices, default=State.WAITING)
    done = models.PositiveIntegerField(default=0)
    total = models.PositiveIntegerField(default=100)
    attempts = models.PositiveSmallIntegerField(default=0)
    message = models.TextField(default="", blank=True)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    asked = models.DateTimeField(auto_now_add=True)
    finished = models.DateTimeField(null=True)

    class Meta:
        abstract = True

    @property
    def asked_by(self) -> str:
        """Who asked for it."""
        return author_of(self)


W = TypeVar("W", bound=Work)
_OPEN = (Work.State.WAITING, Work.State.WORKING)


class CancelledError(Exception):
    """Somebody does not want the work any more."""


def hand_over(work: Work) -> None:
    """Give a piece of work to the worker, once the transaction stands."""
    app.configure_task(work.task).defer(work_id=str(work.pk))


def take_up_lost(quiet_seconds: float = 60.0) -> int:
    """Begin work again that no task stands behind any more, whatever cut it off; gives how much.

    A task is lost with the database it was written to, or ends when it cannot write down what became of it.
    Work that was begun :data:`MOST_ATTEMPTS` times already is given up as it is begun once more.
    """
    found = 0
    for kind in Work.__subclasses__():
        waiting = kind._default_manager.filter(
            state__in=_OPEN, asked__lt=timezone.now() - timedelta(seconds=quiet_seconds)
        )
        for work in waiting:
            task = ProcrastinateJob.objects.filter(task_name=kind.task, args__work_id=str(work.pk))
            if not task.filter(status__in=("todo", "doing")).exists():
                hand_over(work)
                found += 1
    return found


@transaction.atomic
def cancel(work: W) -> W:
    """Say that work is not wanted any more; what is done stays as it is."""
    work = type(work)._default_manager.select_for_update().get(pk=work.pk)
    if work.state in _OPEN:
        work.state = Work.State.CANCELLED
        work.save(update_fields=["state"])
    return work


@transaction.atomic
def run_again(work: W) -> W:
    """Do work once more that failed or was cancelled."""
    work = type(work)._default_manager.select_for_update().get(pk=work.pk)
    if work.state in (Work.State.FAILED, Work.State.CANCELLED):
        work.state, work.message, work.done, work.attempts = Work.State.WAITING, "", 0, 0
        work.save(update_fields=["state", "message", "done", "attempts"])
        hand_over(work)
    return work


def _nothing(_: Any) -> None:
    """What is dropped leaves nothing behind."""


def carry_out(
    kind: type[W],
    work_id: str,
    do: Callable[[W, Tell], Mapping[str, object]],
    drop: Callable[[W], None] = _nothing,
) -> None:
    """Do a piece of work, whole or not at all; begun again after a worker died, it starts anew.

    :param do: does it, and gives back what is to be kept in its row.
    :param drop: takes away what was made where it turns out not to be wanted.
    """
    work = _begin(kind, work_id)
    if work is None:
        return
    state, found = Work.State.FAILED, dict[str, object]()
    try:
        need_room()
        found |= do(work, _telling(work))
        state = Work.State.DONE
    except CancelledError:
        return
    except SpecError as error:
        found["message"] = "; ".join(error.fields.values())
    except WealdError as error:
        found["message"] = str(error)
    except Exception:
        log.exception("%s %s failed", kind.__name__, work_id)
        found["message"] = "Something went wrong while this was made; run it again."
    if not _working(work).update(state=state, finished=timezone.now(), **found):
        drop(work)


@transaction.atomic
def _begin(kind: type[W], work_id: str) -> W | None:
    """Take work in hand; none where it is done, not wanted any more, or has killed its worker too often."""
    work = kind._default_manager.select_for_update().filter(pk=work_id, state__in=_OPEN).first()
    if work is None:
        return None
    work.attempts += 1
    work.state, work.done = Work.State.WORKING, 0
    given_up = work.attempts > MOST_ATTEMPTS
    if given_up:
        work.state, work.finished = Work.State.FAILED, timezone.now()
        work.message = (
            f"The worker stopped {MOST_ATTEMPTS} times over this, and it was given up. Ask for less at once; "
            "if that fails too, the machine may be short of memory."
        )
    work.save(update_fields=["state", "done", "attempts", "message", "finished"])
    return None if given_up else work


def _working(work: Work) -> "models.QuerySet[Any]":
    return type(work)._default_manager.filter(pk=work.pk, state=Work.State.WORKING)


def _telling(work: Work) -> Tell:
    """Tells how far it has come, a few times a second, and notices when it is cancelled."""
    last = timezone.now()

    def tell(done: int) -> None:
        nonlocal last
        now = timezone.now()
        if now - last < timedelta(seconds=settings.PROGRESS_SECONDS):
            return
        last = now
        if not _working(work).update(done=done):
            raise CancelledError

    return tell
