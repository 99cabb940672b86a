"""What happened at the bench, only ever added to."""

from django.conf import settings
from django.db import models

from weald.web.jobs.models import Job


class BenchEvent(models.Model):
    """One thing that happened to one operation of a job.

    ``key`` is chosen by the device, so that what is handed over twice counts once. ``at`` is the server's
    clock; ``device_at`` what the device's own said.
    """

    class Kind(models.TextChoices):
        STARTED = "started", "Begun"
        PAUSED = "paused", "Paused"
        DONE = "done", "Done"
        UNDONE = "undone", "Undone"
        NOTED = "noted", "Noted"

    job = models.ForeignKey(Job, on_delete=models.CASCADE, related_name="bench_events")
    key = models.UUIDField()
    kind = models.CharField(max_length=8, choices=Kind.choices)
    operation = models.CharField(max_length=40)
    title = models.CharField(max_length=120)
    """What the operation was called when it happened, however the plan changes."""
    note = models.TextField(default="", blank=True)
    early = models.BooleanField(default=False)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    at = models.DateTimeField()
    device_at = models.DateTimeField(null=True)

    class Meta:
        indexes = [models.Index(fields=["job", "id"], name="bench_by_job")]
        constraints = [models.UniqueConstraint(fields=["job", "key"], name="an_event_counts_once")]

    def __str__(self) -> str:
        return f"{self.operation} {self.kind}"
