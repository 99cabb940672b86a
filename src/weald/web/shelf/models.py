"""Stock on the shelf, every movement of it, and layouts cut from it.

An item's count is the sum of its movements, each with who, when, why and for which job. Every change locks
the item's row, and bookings lock all their items in one order; a constraint keeps counts from going under
zero. A movement asked for twice with one key counts once, and a layout is booked under its own row's lock.
"""

from django.conf import settings
from django.db import models

from weald.core.materials import STOCK_KINDS
from weald.web.accounts.models import Workshop
from weald.web.jobs.models import Job
from weald.web.work import Work


class ShelfItem(models.Model):
    """One item of stock; ``spec`` is a :class:`weald.core.shelf.stock.StockItem`.

    The columns beside it repeat what lists are sorted and searched by. ``count`` is the sum of its
    movements and never under zero. An offcut knows what it was cut from.
    """

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="shelf")
    spec = models.JSONField()
    kind = models.CharField(
        max_length=10, choices=[(kind, record.title) for kind, record in STOCK_KINDS.items()]
    )
    name = models.CharField(max_length=200)
    words = models.TextField()
    place = models.CharField(max_length=120, blank=True)
    area = models.FloatField(null=True)
    gsm = models.FloatField(null=True)
    thickness = models.FloatField(null=True)
    price = models.FloatField(null=True)
    warn_below = models.BigIntegerField(default=0)
    count = models.BigIntegerField(default=0)
    offcut_of = models.ForeignKey("self", on_delete=models.SET_NULL, null=True, related_name="offcuts")
    archived = models.BooleanField(default=False)
    updated = models.DateTimeField(auto_now=True)

    class Meta:
        constraints = [models.CheckConstraint(condition=models.Q(count__gte=0), name="count_not_under_zero")]
        indexes = [models.Index(fields=["workshop", "archived", "kind", "name"], name="shelf_by_kind")]

    def __str__(self) -> str:
        return self.name


class Cutting(Work):
    """Pieces of one or more jobs laid out on stock, counted in percent.

    :ivar jobs: number and state (``change``) of each job as it was laid out.
    :ivar options: shears, pins and what is forbidden; see :mod:`weald.web.shelf.cutting`.
    :ivar result: the layouts, once they are done.
    :ivar booked: when it was cut, and its stock taken off the shelf.
    """

    task = "weald.web.shelf.tasks.lay_out_pieces"

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="cuttings")
    title = models.CharField(max_length=300)
    jobs = models.JSONField()
    options = models.JSONField()
    result = models.JSONField(null=True)
    booked = models.DateTimeField(null=True)

    class Meta:
        indexes = [models.Index(fields=["workshop", "-asked"], name="cuttings_by_date")]

    def __str__(self) -> str:
        return self.title


class Movement(models.Model):
    """So much more or less of an item: who, when, why, and for which job.

    ``key`` is chosen by whoever asks, so that asking twice counts once in one workshop.
    """

    class Reason(models.TextChoices):
        BEGUN = "begun", "Put on the shelf"
        BOUGHT = "bought", "Bought"
        COUNTED = "counted", "Counted"
        USED = "used", "Used"
        SPOILT = "spoilt", "Spoilt"
        CUT = "cut", "Cut"
        OFFCUT = "offcut", "Offcut of cutting"
        UNDONE = "undone", "Cutting undone"

    item = models.ForeignKey(ShelfItem, on_delete=models.CASCADE, related_name="movements")
    change = models.BigIntegerField()
    reason = models.CharField(max_length=8, choices=Reason.choices)
    note = models.CharField(max_length=200, blank=True)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    at = models.DateTimeField(auto_now_add=True)
    job = models.ForeignKey(Job, on_delete=models.SET_NULL, null=True, related_name="movements")
    cutting = models.ForeignKey(Cutting, on_delete=models.SET_NULL, null=True, related_name="movements")
    key = models.UUIDField(null=True)
    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="+", null=True)

    class Meta:
        indexes = [
            models.Index(fields=["item", "-at"], name="movements_by_item"),
            models.Index(fields=["-at"], name="movements_by_date"),
        ]
        constraints = [models.UniqueConstraint(fields=["workshop", "key"], name="a_key_counts_once")]

    def __str__(self) -> str:
        return f"{self.item}: {self.change:+}"
