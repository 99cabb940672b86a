"""What the worker does by itself."""

from datetime import timedelta

from axes.models import AccessAttempt
from django.core.management import call_command
from django.db import connection
from django.utils import timezone
from procrastinate.contrib.django import app

from weald.web.accounts.models import Invitation, KeptState

LONGEST_OPEN = timedelta(days=90)
"""Who saves what was opened longer ago is asked about all that differs: nobody knows what they began from."""
_FORGET_TASKS = """
delete from procrastinate_jobs
where status in ('succeeded', 'failed', 'cancelled', 'aborted')
  and id not in (select job_id from procrastinate_events where at > now() - interval '7 days')
"""


@app.periodic(cron="17 3 * * *")
@app.task(queueing_lock="tidy")
def tidy(timestamp: int) -> None:
    """Every night: forget what has run out or is long past: sessions, wrong passwords, links, tasks done."""
    call_command("clearsessions")
    now = timezone.now()
    AccessAttempt.objects.filter(attempt_time__lt=now - timedelta(days=1)).delete()
    KeptState.objects.filter(at__lt=now - LONGEST_OPEN).delete()
    Invitation.objects.filter(expires__lt=now - timedelta(days=30)).delete()
    with connection.cursor() as cursor:
        cursor.execute(_FORGET_TASKS)
        cursor.execute("delete from kept_for_a_while where expires < now()")
