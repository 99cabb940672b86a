"""What somebody wants when, and the orders books are taken in."""

from django.conf import settings
from django.db import models

from weald.web.accounts.models import Workshop
from weald.web.jobs.models import Job
from weald.web.times import times_between
from weald.web.work import Work


class Wish(models.Model):
    """When somebody wants an operation begun, and by whom if that matters."""

    job = models.ForeignKey(Job, on_delete=models.CASCADE, related_name="wishes")
    operation = models.CharField(max_length=40)
    begins = models.DateTimeField()
    worker = models.CharField(max_length=40, blank=True)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["job", "operation"], name="one_wish_an_operation"),
            models.CheckConstraint(condition=times_between("begins"), name="a_wish_has_its_time"),
        ]

    def __str__(self) -> str:
        return f"{self.operation} at {self.begins}"


class Laying(Work):
    """The open books of a workshop laid out as well as can be found, counted in percent.

    :ivar result: turns and doers by task, turns in seconds since 1970; see :mod:`weald.web.week.services`.
    :ivar put_aside: somebody went back to the order before it.
    """

    task = "weald.web.week.tasks.lay_books_out"

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="layings")
    result = models.JSONField(null=True)
    put_aside = models.BooleanField(default=False)

    class Meta:
        indexes = [models.Index(fields=["workshop", "-asked"], name="layings_by_date")]

    def __str__(self) -> str:
        return f"laying out of {self.workshop}"


class Feed(models.Model):
    """An address at which a calendar reads the week, without signing in. Only a digest of it is kept."""

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="feeds")
    digest = models.CharField(max_length=64, unique=True)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    made = models.DateTimeField(auto_now_add=True)

    def __str__(self) -> str:
        return f"calendar of {self.workshop}"
