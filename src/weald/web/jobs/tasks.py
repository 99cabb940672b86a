"""What the worker does by itself."""

from datetime import timedelta

from axes.models import AccessAttempt
from django.core.management import call_command
from django.utils import timezone
from procrastinate.contrib.django import app


@app.periodic(cron="17 3 * * *")
@app.task(queueing_lock="tidy")
def tidy(timestamp: int) -> None:
    """Every night: forget sessions that have run out and wrong passwords long past."""
    call_command("clearsessions")
    AccessAttempt.objects.filter(attempt_time__lt=timezone.now() - timedelta(days=1)).delete()
