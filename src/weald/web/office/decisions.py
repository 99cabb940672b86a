"""What somebody decided about time, money and people: kept as it was said, and only ever added to."""

from django.contrib.auth.models import User

from weald.web.accounts.models import Workshop
from weald.web.jobs.models import Job
from weald.web.office.models import Decision


def note(workshop: Workshop, author: User, words: str, job: Job | None = None) -> None:
    """Keep what somebody decided."""
    Decision.objects.create(workshop=workshop, job=job, author=author, words=words[:300])
