"""Texts brought, printers known, and the files imposed from them.

Files lie outside everything that is served, under names of our own; see :mod:`.files`.
"""

from django.db import models

from weald.core.job.printing import CoverRules, Printer
from weald.core.job.spec import read_spec
from weald.core.job.upgrades import JOB
from weald.web.accounts.models import Workshop
from weald.web.jobs.models import Change, Job
from weald.web.work import Work


class BroughtFile(models.Model):
    """A file that was brought, known by the digest of its content; ``report`` is what was found in it."""

    digest = models.CharField(max_length=64)
    name = models.CharField(max_length=200)
    size = models.PositiveBigIntegerField()
    report = models.JSONField()
    brought = models.DateTimeField(auto_now_add=True)

    class Meta:
        abstract = True

    def __str__(self) -> str:
        return self.name


class SourceText(BroughtFile):
    """A text; its report is a :class:`weald.exchange.text_pdf.TextReport`."""

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="texts")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["workshop", "digest"], name="one_text_a_digest")]


class Artwork(BroughtFile):
    """What is printed on a cover; its report is a :class:`weald.exchange.artwork.ArtworkReport`."""

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="artworks")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["workshop", "digest"], name="one_artwork_a_digest")]


def written_today() -> int:
    """The version of job file that is written today."""
    return JOB.version


class Profile(models.Model):
    """Part of a job that a workshop keeps under a name, to be copied into jobs.

    ``version`` is that of the job file its spec was written as a part of.
    """

    name = models.CharField(max_length=120)
    spec = models.JSONField()
    version = models.PositiveSmallIntegerField(default=written_today)

    class Meta:
        abstract = True

    def __str__(self) -> str:
        return self.name


class PrinterProfile(Profile):
    """A printer of the workshop; its spec is a :class:`weald.core.job.spec.Printer`."""

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="printers")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["workshop", "name"], name="one_printer_a_name")]

    @property
    def printer(self) -> Printer:
        """The printer."""
        return read_spec({"version": self.version, "printing": {"printer": self.spec}}).printing.printer


class CoverProfile(Profile):
    """The sheet of rules of somebody who prints covers, as :class:`weald.core.job.spec.CoverRules`."""

    workshop = models.ForeignKey(Workshop, on_delete=models.CASCADE, related_name="cover_profiles")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["workshop", "name"], name="one_profile_a_name")]

    @property
    def rules(self) -> CoverRules:
        """The rules."""
        rules = read_spec({"version": self.version, "artwork": {"rules": self.spec}}).artwork.rules
        return rules or CoverRules()


class PrintFile(Work):
    """A file imposed for a job, from the state the job was in when it was asked for, counted in sheets."""

    task = "weald.web.printing.tasks.impose"

    class Part(models.TextChoices):
        WHOLE = "whole", "The whole text"
        FRONTS = "fronts", "Fronts only"
        BACKS = "backs", "Backs only"
        SIGNATURES = "signatures", "One file a signature"

    job = models.ForeignKey(Job, on_delete=models.CASCADE, related_name="prints")
    change = models.ForeignKey(Change, on_delete=models.PROTECT, related_name="+")
    part = models.CharField(max_length=10, choices=Part.choices)
    size = models.PositiveBigIntegerField(default=0)

    class Meta:
        indexes = [models.Index(fields=["job", "-asked"], name="prints_by_job")]

    def __str__(self) -> str:
        return f"{self.job}: {self.get_part_display()}"

    @property
    def ending(self) -> str:
        """The ending of the file's name."""
        return ".zip" if self.part == self.Part.SIGNATURES else ".pdf"
