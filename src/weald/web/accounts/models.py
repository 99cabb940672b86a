"""Workshops, the people in them, and how each reads lengths."""

from typing import cast

from django.conf import settings
from django.db import models

from weald.core.notation import Notation
from weald.core.units import Units


class Workshop(models.Model):
    """The people and books of one bindery. Nothing of it is seen by another.

    ``house`` is a :class:`weald.core.planning.house.House`, ``workplace`` a
    :class:`weald.core.schedule.workplace.Workplace`, ``terms`` a :class:`weald.core.costs.terms.Terms`;
    empty, everything is as usual.
    """

    name = models.CharField(max_length=120)
    house = models.JSONField(default=dict)
    house_version = models.PositiveIntegerField(default=1)
    workplace = models.JSONField(default=dict)
    workplace_version = models.PositiveIntegerField(default=1)
    terms = models.JSONField(default=dict)
    terms_version = models.PositiveIntegerField(default=1)

    def __str__(self) -> str:
        return self.name


class KeptState(models.Model):
    """A state that something kept as a whole stood at, so that two changes of it can be merged against it.

    :ivar part: what it is: ``house``, ``workplace``, ``terms``, ``set 12``, ``agreement 7``.
    """

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="kept_states")
    part = models.CharField(max_length=40)
    version = models.PositiveIntegerField()
    data = models.JSONField()
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["workshop", "part", "version"], name="one_state_a_version")
        ]

    def __str__(self) -> str:
        return f"{self.part} {self.version}"


class Membership(models.Model):
    """A person's place in a workshop.

    It outlasts the person's being there: who was removed cannot sign in, and what they did keeps their name.
    """

    class Role(models.TextChoices):
        OWNER = "owner", "Owner"
        BINDER = "binder", "Binder"
        READER = "reader", "Reader"

    user = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="membership")
    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="memberships")
    role = models.CharField(max_length=6, default=Role.BINDER, choices=Role.choices)

    def __str__(self) -> str:
        return f"{self.user} in {self.workshop}"


class Invitation(models.Model):
    """A link that lets somebody in once: to join a workshop, or with a new password.

    Only a digest of what stands in the link is kept; who reads the database cannot come in by it.
    """

    digest = models.CharField(max_length=64, unique=True)
    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="invitations")
    role = models.CharField(max_length=6, choices=Membership.Role.choices)
    person = models.ForeignKey(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, null=True, related_name="+"
    )
    """Who gets a new password by it; nobody where it is for somebody new."""
    author = models.ForeignKey(
        settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True, related_name="+"
    )
    expires = models.DateTimeField()
    used = models.DateTimeField(null=True)

    def __str__(self) -> str:
        return f"link into {self.workshop}"


class Preferences(models.Model):
    """How a person reads lengths and prints, and which rooms they have out besides those everybody has."""

    class Paper(models.TextChoices):
        A4 = "a4", "A4"
        LETTER = "letter", "Letter"

    class Theme(models.TextChoices):
        SYSTEM = "system", "As the system has it"
        DAY = "day", "Day"
        LAMP = "lamp", "Lamp-lit"

    user = models.OneToOneField(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="preferences"
    )
    units = models.CharField(
        max_length=4,
        default="mm",
        choices=[("mm", "Millimetres"), ("inch", "Inches"), ("both", "Both")],
    )
    mm_division = models.FloatField(default=0.5)
    inch_division = models.PositiveSmallIntegerField(default=32)
    paper = models.CharField(max_length=8, default=Paper.A4, choices=Paper.choices)
    theme = models.CharField(max_length=8, default=Theme.SYSTEM, choices=Theme.choices)
    rooms = models.JSONField(default=list, blank=True)

    class Meta:
        verbose_name_plural = "preferences"

    def __str__(self) -> str:
        return f"preferences of {self.user}"

    @property
    def notation(self) -> Notation:
        """The same, as the core takes it."""
        return Notation(cast(Units, self.units), self.mm_division, self.inch_division)
