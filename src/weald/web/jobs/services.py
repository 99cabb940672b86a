"""What is done with jobs: each verb once, in one transaction, and kept in the history."""

from collections.abc import Mapping
from typing import Any

from django.contrib.auth.models import User
from django.db import transaction

from weald.core.errors import WealdError
from weald.core.job.spec import JobSpec, read_spec
from weald.core.notation import FOR_ANYBODY
from weald.core.planning.plan import plan
from weald.web.accounts.models import Workshop
from weald.web.jobs.models import Change, Job, Move


class StaleVersionError(WealdError):
    """A job was written from a version that is no longer the newest.

    ``fields`` says for every place that differs what stands there now.
    """

    def __init__(self, job: Job, fields: Mapping[str, str]) -> None:
        self.job = job
        self.fields = dict(fields)
        super().__init__("Somebody changed this job meanwhile; nothing was overwritten.")


class NothingToMoveError(WealdError):
    """There is nothing to undo, or nothing to redo."""


def plain(spec: JobSpec) -> dict[str, Any]:
    """A spec as it is kept."""
    return spec.model_dump(mode="json")


def flat(spec: Mapping[str, Any], prefix: str = "") -> dict[str, Any]:
    """A spec as dotted paths and plain values."""
    entries: dict[str, Any] = {}
    for key, value in spec.items():
        if isinstance(value, Mapping):
            entries |= flat(value, f"{prefix}{key}.")
        else:
            entries[f"{prefix}{key}"] = value
    return entries


def _differences(old: Mapping[str, Any], new: Mapping[str, Any]) -> dict[str, Any]:
    """What stands in ``new`` wherever it differs; ``None`` for what it no longer has."""
    before, after = flat(old), flat(new)
    return {
        path: after.get(path)
        for path in sorted(before.keys() | after.keys())
        if before.get(path) != after.get(path)
    }


def _summary(old: Mapping[str, Any], new: Mapping[str, Any]) -> str:
    words = [
        f"{path} {'cleared' if value is None else value}" for path, value in _differences(old, new).items()
    ]
    text = ", ".join(words[:4]) + (f" and {len(words) - 4} more" if len(words) > 4 else "")
    return text[:300]


def _note_follows(job: Job, spec: JobSpec) -> None:
    """Bring up to date what a list of jobs shows."""
    findings = plan(spec, FOR_ANYBODY, drawn=()).findings
    serious = sorted(
        (each for each in findings if each.severity != "note"),
        key=lambda each: each.severity != "stop",
    )
    job.title = spec.title
    job.structure = spec.binding.structure
    job.stops = sum(each.severity == "stop" for each in findings)
    job.minds = sum(each.severity == "mind" for each in findings)
    job.to_mind = serious[0].message if serious else ""


def _stand_at(job: Job, change: Change, spec: JobSpec, author: User | None, verb: Move.Verb) -> Job:
    """Move a job to one of its changes, whose spec has been read."""
    _note_follows(job, spec)
    job.head = change
    job.version += 1
    job.save()
    Move.objects.create(job=job, version=job.version, change=change, verb=verb, author=author)
    return job


@transaction.atomic
def create_job(workshop: Workshop, author: User | None, spec: JobSpec, summary: str = "begun") -> Job:
    """Begin a job."""
    job = Job.objects.create(workshop=workshop, version=0, title=spec.title, structure=spec.binding.structure)
    change = Change.objects.create(job=job, spec=plain(spec), summary=summary)
    return _stand_at(job, change, spec, author, Move.Verb.BEGUN)


def _locked(job: Job, version: int) -> Job:
    """The job, held for this transaction, if ``version`` is still its newest."""
    # its change is read after the lock is had: joined, it would be looked for as of before the wait
    locked = Job.objects.select_for_update().get(pk=job.pk)
    if locked.version == version:
        return locked
    read_at = locked.moves.filter(version=version).select_related("change").first()
    if read_at is None:
        raise StaleVersionError(locked, {})
    changed = _differences(plain(read_at.change.read()), plain(locked.spec))
    raise StaleVersionError(locked, {path: f"now {value}" for path, value in changed.items()})


@transaction.atomic
def save_job(job: Job, version: int, author: User, spec: JobSpec) -> Job:
    """Write a job that was read at ``version``.

    :raises StaleVersionError: when it has been written since; nothing is overwritten.
    """
    job = _locked(job, version)
    data, old = plain(spec), plain(job.spec)
    if data == old:
        return job
    change = Change.objects.create(job=job, parent=job.standing, spec=data, summary=_summary(old, data))
    return _stand_at(job, change, spec, author, Move.Verb.CHANGED)


@transaction.atomic
def rename_job(job: Job, version: int, author: User, title: str) -> Job:
    """Give a job another title."""
    return save_job(job, version, author, read_spec({**plain(job.spec), "title": title}))


@transaction.atomic
def undo(job: Job, version: int, author: User) -> Job:
    """Go back by one change."""
    job = _locked(job, version)
    before = job.standing.parent
    if before is None:
        raise NothingToMoveError("There is nothing to undo.")
    return _stand_at(job, before, before.read(), author, Move.Verb.UNDONE)


def _next_change(job: Job) -> Change | None:
    return job.standing.children.order_by("-id").first()


@transaction.atomic
def redo(job: Job, version: int, author: User) -> Job:
    """Go forward again by the change that was undone last."""
    job = _locked(job, version)
    following = _next_change(job)
    if following is None:
        raise NothingToMoveError("There is nothing to redo.")
    return _stand_at(job, following, following.read(), author, Move.Verb.REDONE)


def can_move(job: Job) -> tuple[bool, bool]:
    """Whether there is something to undo, and something to redo."""
    return job.standing.parent_id is not None, _next_change(job) is not None


@transaction.atomic
def duplicate_job(job: Job, author: User) -> Job:
    """Begin another job with the same spec; measurements belong to the first book and stay there."""
    title = f"{job.title[:190]} (copy)"
    return create_job(
        job.workshop,
        author,
        read_spec({**plain(job.spec), "title": title, "measured": {}}),
        summary=f"copied from {job.title}"[:300],
    )


@transaction.atomic
def set_archived(job: Job, archived: bool) -> Job:
    """Put a job away, or take it out again."""
    job.archived = archived
    job.save(update_fields=["archived", "updated"])
    return job


@transaction.atomic
def set_state(job: Job, state: str) -> Job:
    """Say how far a job has come."""
    job.state = state
    job.save(update_fields=["state", "updated"])
    return job
