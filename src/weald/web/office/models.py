"""Customers, what is agreed with them and promised, and the quotations and bills made for them."""

from django.conf import settings
from django.db import models

from weald.web.accounts.models import Workshop
from weald.web.jobs.models import Job
from weald.web.times import times_between


class Customer(models.Model):
    """Somebody a workshop binds for. They may ask for what is kept of them, and to have it erased."""

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="customers")
    name = models.CharField(max_length=200)
    address = models.TextField(default="", blank=True)
    note = models.TextField(default="", blank=True)
    made = models.DateTimeField(auto_now_add=True)

    class Meta:
        indexes = [models.Index(fields=["workshop", "name"], name="customers_by_name")]

    def __str__(self) -> str:
        return self.name


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
        # where it has stood since it was kept by the week
        db_table = "week_commission"
        constraints = [
            models.CheckConstraint(condition=times_between("promised"), name="a_promise_has_its_time")
        ]

    def __str__(self) -> str:
        return f"commission of {self.job}"


class Paper(models.Model):
    """A quotation or bill; ``content`` is a :class:`weald.core.costs.papers.PaperContent` and never changes.

    Numbers run without a gap in each workshop and kind.

    :ivar key: what it was ordered by: the same order sent again is the same paper.
    """

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="papers")
    kind = models.CharField(max_length=9, choices=[("quotation", "Quotation"), ("bill", "Bill")])
    number = models.PositiveIntegerField()
    job = models.ForeignKey(Job, on_delete=models.SET_NULL, null=True, related_name="papers")
    customer = models.ForeignKey(Customer, on_delete=models.SET_NULL, null=True, related_name="papers")
    content = models.JSONField()
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    made = models.DateTimeField(auto_now_add=True)
    key = models.CharField(max_length=64, null=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["workshop", "kind", "number"], name="a_number_once"),
            models.UniqueConstraint(fields=["workshop", "key"], name="a_paper_an_order"),
        ]

    def __str__(self) -> str:
        return f"{self.kind} {self.number}"


class Decision(models.Model):
    """Something somebody decided about time: a promise, a wish, people and hours. Only ever added to."""

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="decisions")
    job = models.ForeignKey(Job, on_delete=models.CASCADE, null=True, related_name="decisions")
    words = models.CharField(max_length=300)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        db_table = "week_weekevent"
        indexes = [models.Index(fields=["workshop", "-at"], name="week_events_by_date")]

    def __str__(self) -> str:
        return self.words
