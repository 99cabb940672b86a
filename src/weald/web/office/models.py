"""Customers, and the quotations and bills made for them."""

from django.conf import settings
from django.db import models

from weald.web.accounts.models import Workshop
from weald.web.jobs.models import Job


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
