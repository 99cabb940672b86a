"""Jobs and their history.

A job's history is a tree of changes: each change knows the one it was made upon, and the job
points at the one it stands at. Undo moves the pointer to the parent, redo to the newest child;
nothing is ever thrown away. Every move of the pointer is kept too, under the version it made, so
that a stale write is noticed and can be told what has changed since.
"""

import json
from functools import lru_cache

from django.conf import settings
from django.contrib.postgres.indexes import GinIndex, OpClass
from django.db import models
from django.db.models.functions import Upper
from django.utils.functional import cached_property

from weald.core.bindings.catalogue import title_of
from weald.core.job.spec import JobSpec, read_spec
from weald.web.accounts.models import Workshop


class Job(models.Model):
    """One book to bind. ``title``, ``structure`` and the counts of findings repeat what
    follows from the spec, so that a list of jobs need not plan every one; ``to_mind`` is a sentence
    kept for anybody, to be read by :meth:`weald.core.notation.Notation.read`."""

    class State(models.TextChoices):
        PLANNED = "planned", "Being planned"
        AT_BENCH = "at_bench", "At the bench"
        FINISHED = "finished", "Finished"

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="jobs")
    title = models.CharField(max_length=200)
    structure = models.CharField(max_length=40)
    state = models.CharField(max_length=10, choices=State.choices, default=State.PLANNED)
    stops = models.PositiveSmallIntegerField(default=0)
    minds = models.PositiveSmallIntegerField(default=0)
    to_mind = models.TextField(default="", blank=True)
    version = models.PositiveIntegerField(default=1)
    head = models.ForeignKey("Change", on_delete=models.PROTECT, null=True, related_name="+")
    archived = models.BooleanField(default=False)
    created = models.DateTimeField(auto_now_add=True)
    updated = models.DateTimeField(auto_now=True)

    class Meta:
        indexes = [
            models.Index(fields=["workshop", "archived", "-updated", "-id"], name="jobs_by_updated"),
            models.Index(fields=["workshop", "archived", "title", "id"], name="jobs_by_title"),
            GinIndex(OpClass(Upper("title"), name="gin_trgm_ops"), name="jobs_title_words"),
        ]

    def __str__(self) -> str:
        return self.title

    @property
    def standing(self) -> "Change":
        """The change the job stands at; every job that is kept has one."""
        if self.head is None:
            raise RuntimeError("a job is never left without a change")
        return self.head

    @property
    def spec(self) -> JobSpec:
        """What was decided and measured, as the job stands."""
        return self.standing.job_spec

    @property
    def structure_words(self) -> str:
        """What the binding is called."""
        return title_of(self.structure)


class BookSet(models.Model):
    """Several volumes that stand together.

    ``book`` is the job file all volumes share; ``spec`` is a :class:`weald.core.planning.book_set.SetSpec`.
    """

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="sets")
    title = models.CharField(max_length=200)
    book = models.JSONField()
    spec = models.JSONField()
    version = models.PositiveIntegerField(default=1)
    updated = models.DateTimeField(auto_now=True)

    class Meta:
        indexes = [models.Index(fields=["workshop", "-updated", "-id"], name="sets_by_updated")]

    def __str__(self) -> str:
        return self.title


@lru_cache(maxsize=256)
def _read(kept: str) -> JobSpec:
    """A job as it was kept; the same text is read once, whoever asks for it."""
    return read_spec(json.loads(kept))


class Change(models.Model):
    """One state of a job: its whole spec, and what was changed to reach it, kept for anybody to be read by
    :meth:`weald.core.notation.Notation.read`."""

    job = models.ForeignKey(Job, on_delete=models.CASCADE, related_name="changes")
    parent = models.ForeignKey("self", on_delete=models.PROTECT, null=True, related_name="children")
    spec = models.JSONField()
    summary = models.TextField()

    class Meta:
        indexes = [models.Index(fields=["job", "-id"], name="changes_by_job")]

    def __str__(self) -> str:
        return self.summary

    @cached_property
    def job_spec(self) -> JobSpec:
        """The job at this state, whichever Weald wrote it; never written again, so it is read once."""
        return _read(json.dumps(self.spec))


class Move(models.Model):
    """One step in a job's history: the change it stood at from a version on, who, when and how."""

    class Verb(models.TextChoices):
        BEGUN = "begun", "Begun"
        CHANGED = "changed", "Changed"
        UNDONE = "undone", "Undone"
        REDONE = "redone", "Redone"
        RETURNED = "returned", "Gone back to"

    job = models.ForeignKey(Job, on_delete=models.CASCADE, related_name="moves")
    version = models.PositiveIntegerField()
    change = models.ForeignKey(Change, on_delete=models.PROTECT, related_name="+")
    verb = models.CharField(max_length=8, choices=Verb.choices)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["job", "version"], name="one_move_a_version")]
        indexes = [models.Index(fields=["-at"], name="moves_by_date")]

    def __str__(self) -> str:
        return f"{self.job} {self.version}: {self.verb}"
