"""What happened at the bench, only ever added to, and the pictures taken there."""

from django.conf import settings
from django.db import models

from weald.web.jobs.models import Job
from weald.web.times import times_between


class BenchEvent(models.Model):
    """One thing that happened to a job: to an operation, a size, a piece, or to the book as a whole.

    ``key`` is chosen by the device, so that what is handed over twice counts once. ``at`` is when it happened
    by the server's clock; ``device_at`` what the device's own said.

    :ivar data: of what is done the minutes ``planned`` and ``worked``; of a look ``look``, ``text`` and
        ``found``; of a measurement ``quantity``, ``label``, and in
        millimetres ``expected`` and ``found``; of pieces a :class:`weald.core.bench.cut.CutEvent`.
    """

    class Kind(models.TextChoices):
        STARTED = "started", "Begun"
        PAUSED = "paused", "Paused"
        DONE = "done", "Done"
        UNDONE = "undone", "Undone"
        NOTED = "noted", "Noted"
        LOOKED = "looked", "Looked at"
        UNLOOKED = "unlooked", "Not looked at after all"
        MEASURED = "measured", "Measured"
        CUT = "cut", "Cut"
        UNCUT = "uncut", "Not cut after all"

    job = models.ForeignKey(Job, on_delete=models.CASCADE, related_name="bench_events")
    key = models.UUIDField()
    kind = models.CharField(max_length=8, choices=Kind.choices)
    operation = models.CharField(max_length=40, blank=True)
    title = models.CharField(max_length=120, blank=True)
    """What the operation was called when it happened, however the plan changes."""
    note = models.TextField(default="", blank=True)
    data = models.JSONField(default=dict)
    early = models.BooleanField(default=False)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    at = models.DateTimeField()
    device_at = models.DateTimeField(null=True)

    class Meta:
        indexes = [
            models.Index(fields=["job", "id"], name="bench_by_job"),
            models.Index(fields=["-at"], name="bench_by_date"),
        ]
        constraints = [
            models.UniqueConstraint(fields=["job", "key"], name="an_event_counts_once"),
            models.CheckConstraint(condition=times_between("at", "device_at"), name="an_event_has_its_time"),
        ]

    def __str__(self) -> str:
        return f"{self.operation} {self.kind}"


class BenchPicture(models.Model):
    """A picture of the work, made safe and scaled; the file lies in the store."""

    job = models.ForeignKey(Job, on_delete=models.CASCADE, related_name="bench_pictures")
    key = models.UUIDField()
    operation = models.CharField(max_length=40, blank=True)
    title = models.CharField(max_length=120, blank=True)
    caption = models.CharField(max_length=300, blank=True)
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    size = models.PositiveBigIntegerField()
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    at = models.DateTimeField()

    class Meta:
        indexes = [models.Index(fields=["job", "id"], name="pictures_by_job")]
        constraints = [models.UniqueConstraint(fields=["job", "key"], name="a_picture_counts_once")]

    def __str__(self) -> str:
        return self.caption or self.title
