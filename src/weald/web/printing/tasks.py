"""Imposing on the worker."""

from django.utils import timezone
from procrastinate import JobContext
from procrastinate.contrib.django import app

from weald.web.printing.services import carry_out

SILENT_SECONDS = 30
"""A worker that has not been heard of for so long is dead."""


@app.task(queue="press")
def impose(print_id: str) -> None:
    """Impose a file that was asked for."""
    carry_out(print_id)


@app.periodic(cron="* * * * *")
@app.task(queueing_lock="resume", pass_context=True)
async def resume(context: JobContext, timestamp: int) -> None:
    """Every minute: take up again what a worker that died left half done."""
    manager = context.app.job_manager
    for job in await manager.get_stalled_jobs(seconds_since_heartbeat=SILENT_SECONDS):
        if job.id is not None:
            await manager.retry_job_by_id_async(job.id, retry_at=timezone.now())
