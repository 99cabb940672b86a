"""What is promised of jobs, what somebody wants when, and the orders books are taken in."""

from django.conf import settings
from django.db import models

from weald.web.accounts.models import Workshop
from weald.web.jobs.models import Job
from weald.web.office.models import Customer
from weald.web.times import times_between
from weald.web.work import Work


class Commission(models.Model):
    """What is agreed about a job beside the book itself.

    :ivar taken_up: it is laid out although neither promised nor begun.
    :ivar agreed: the price agreed, for all copies and without taxes.
    :ivar brought_in: what the customer brought: leaves, an old cover, a loose plate.
    :ivar bought: a :class:`weald.core.costs.terms.BoughtList`; empty, nothing was.
    :ivar version: of what is agreed, so that two who write it are merged.
    """

    job = models.OneToOneField(Job, on_delete=models.CASCADE, related_name="commission")
    promised = models.DateTimeField(null=True)
    taken_up = models.BooleanField(default=False)
    customer = models.ForeignKey(Customer, on_delete=models.SET_NULL, null=True, related_name="commissions")
    agreed = models.DecimalField(max_digits=12, decimal_places=4, null=True)
    brought_in = models.TextField(default="", blank=True)
    bought = models.JSONField(default=dict)
    version = models.PositiveIntegerField(default=1)

    class Meta:
        constraints = [
            models.CheckConstraint(condition=times_between("promised"), name="a_promise_has_its_time")
        ]

    def __str__(self) -> str:
        return f"commission of {self.job}"


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


class WeekEvent(models.Model):
    """Something somebody decided about time: a promise, a wish, people and hours. Only ever added to."""

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="week_events")
    job = models.ForeignKey(Job, on_delete=models.CASCADE, null=True, related_name="week_events")
    words = models.CharField(max_length=300)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        indexes = [models.Index(fields=["workshop", "-at"], name="week_events_by_date")]

    def __str__(self) -> str:
        return self.words


class Feed(models.Model):
    """An address at which a calendar reads the week, without signing in. Only a digest of it is kept."""

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="feeds")
    digest = models.CharField(max_length=64, unique=True)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    made = models.DateTimeField(auto_now_add=True)

    def __str__(self) -> str:
        return f"calendar of {self.workshop}"
