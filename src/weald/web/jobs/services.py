"""What is done with jobs: each verb once, in one transaction, and kept in the history."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass
from typing import Any

from django.contrib.auth.models import User
from django.db import transaction

from weald.core.bench.cut import mind_cut
from weald.core.errors import SpecError, WealdError
from weald.core.job.spec import JobSpec, read_spec
from weald.core.merging import ABSENT, merge
from weald.core.notation import FOR_ANYBODY
from weald.core.planning.plan import Plan
from weald.core.planning.telling import changed, told
from weald.web.accounts.keeping import NOT_SETTLED, MeetingError, Settled
from weald.web.accounts.models import Workshop
from weald.web.accounts.names import authors_of
from weald.web.jobs.models import Change, Job, Move
from weald.web.jobs.pieces import cut_for
from weald.web.jobs.planned import planned


class StaleVersionError(WealdError):
    """A job was written from a version that is no longer the newest.

    ``fields`` says for every place that differs what stands there now, for anybody to read.
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


def note_follows(job: Job) -> None:
    """Bring up to date what a list of jobs shows, after something happened to it but not to its plan."""
    _note_follows(job, job.spec, planned(job.spec, FOR_ANYBODY))
    job.save(update_fields=["stops", "minds", "to_mind", "updated"])


def _note_follows(job: Job, spec: JobSpec, made: Plan) -> None:
    """Bring up to date what a list of jobs shows."""
    findings = (*made.findings, *mind_cut(made.pieces, cut_for(job), FOR_ANYBODY))
    serious = sorted(
        (each for each in findings if each.severity != "note"),
        key=lambda each: each.severity != "stop",
    )
    job.title = spec.title
    job.structure = spec.binding.structure
    job.stops = sum(each.severity == "stop" for each in findings)
    job.minds = sum(each.severity == "mind" for each in findings)
    job.to_mind = serious[0].message if serious else ""


def _stand_at(
    job: Job,
    change: Change,
    spec: JobSpec,
    author: User | None,
    verb: Move.Verb,
    made: Plan | None = None,
) -> Job:
    """Move a job to one of its changes, whose spec has been read, and planned if that was needed."""
    _note_follows(job, spec, made or planned(spec, FOR_ANYBODY))
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
    raise StaleVersionError(locked, changed(read_at.change.job_spec, locked.spec, FOR_ANYBODY))


@transaction.atomic
def save_job(job: Job, version: int, author: User, spec: JobSpec) -> Job:
    """Write a job that was read at ``version``.

    :raises StaleVersionError: when it has been written since; nothing is overwritten.
    """
    job = _locked(job, version)
    old = job.spec
    if plain(spec) == plain(old):
        return job
    made = planned(spec, FOR_ANYBODY)
    summary = told((old, planned(old, FOR_ANYBODY)), (spec, made), FOR_ANYBODY)
    change = Change.objects.create(job=job, parent=job.standing, spec=plain(spec), summary=summary)
    change.job_spec = spec
    return _stand_at(job, change, spec, author, Move.Verb.CHANGED, made)


@dataclass(frozen=True, slots=True)
class JobWritten:
    """A job written, together with what others changed since it was read.

    :param others: what only they changed, in words for anybody; ``by`` who.
    """

    job: Job
    others: tuple[str, ...] = ()
    by: tuple[str, ...] = ()


@transaction.atomic
def write_job(
    job: Job, version: int, author: User, spec: JobSpec, settled: Settled = NOT_SETTLED
) -> JobWritten:
    """Write a job that was read at ``version``, merged with what others wrote since.

    Where somebody chose what meets and gave up something of their own, their state is kept as a step of the
    history before the one that was chosen, to be taken up again from there.

    :raises weald.web.accounts.keeping.MeetingError: where others changed the same entries.
    """
    locked = Job.objects.select_for_update().get(pk=job.pk)
    if locked.version == version:
        return JobWritten(save_job(locked, version, author, spec))
    read_at = locked.moves.filter(version=version).select_related("change").first()
    base = plain(read_at.change.job_spec) if read_at else ABSENT
    mine, theirs = plain(spec), plain(locked.spec)
    chosen = settled.at(locked.version)
    merged = merge(base, mine, theirs, chosen)
    by = _others_since(locked, version, author)
    if merged.met:
        raise MeetingError(JobSpec, merged, mine, theirs, by, locked.version)
    try:
        together = read_spec(merged.data)
    except SpecError:
        # each change is sound, both together are not: then all of mine is asked about
        asked = merge(ABSENT, mine, theirs)
        raise MeetingError(JobSpec, asked, mine, theirs, by, locked.version) from None
    if "theirs" in chosen.values():
        given_up = merge(base, mine, theirs, dict.fromkeys(chosen, "mine"))
        locked = save_job(locked, locked.version, author, read_spec(given_up.data))
    others = changed(read_spec(base), together, FOR_ANYBODY) if merged.others and base is not ABSENT else {}
    only_theirs = {".".join(path) for path in merged.others}
    return JobWritten(
        save_job(locked, locked.version, author, together),
        tuple(words for path, words in others.items() if _within(path, only_theirs)),
        by,
    )


def _within(path: str, paths: Collection[str]) -> bool:
    return any(path == each or each.startswith(f"{path}.") or path.startswith(f"{each}.") for each in paths)


def _others_since(job: Job, version: int, author: User) -> tuple[str, ...]:
    """Who else wrote a job after a version."""
    return authors_of(job.moves.filter(version__gt=version).exclude(author=author).order_by("version"))


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
    return _stand_at(job, before, before.job_spec, author, Move.Verb.UNDONE)


def _next_change(job: Job) -> Change | None:
    return job.standing.children.order_by("-id").first()


@transaction.atomic
def redo(job: Job, version: int, author: User) -> Job:
    """Go forward again by the change that was undone last."""
    job = _locked(job, version)
    following = _next_change(job)
    if following is None:
        raise NothingToMoveError("There is nothing to redo.")
    return _stand_at(job, following, following.job_spec, author, Move.Verb.REDONE)


@transaction.atomic
def stand_at(job: Job, version: int, author: User, earlier: int) -> Job:
    """Go back to the state a job stood at in an earlier version; what came after stays in the history.

    :raises Move.DoesNotExist: when the job never had that version.
    """
    job = _locked(job, version)
    change = job.moves.select_related("change").get(version=earlier).change
    if change == job.standing:
        return job
    return _stand_at(job, change, change.job_spec, author, Move.Verb.RETURNED)


def can_move(job: Job) -> tuple[bool, bool]:
    """Whether there is something to undo, and something to redo."""
    return job.standing.parent_id is not None, job.standing.children.exists()


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
