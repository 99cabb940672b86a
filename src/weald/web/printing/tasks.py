"""Imposing on the worker."""

from asgiref.sync import sync_to_async
from django.db import close_old_connections
from django.utils import timezone
from procrastinate import JobContext
from procrastinate.contrib.django import app
from procrastinate.manager import JobManager

from weald.web.printing.files import sweep
from weald.web.printing.services import carry_out
from weald.web.work import take_up_lost

SILENT_SECONDS = 30
"""A worker that has not been heard of for so long is dead."""


@app.task(queue="press")
def impose(work_id: str) -> None:
    """Impose a file that was asked for."""
    close_old_connections()
    carry_out(work_id)


@app.periodic(cron="* * * * * */20")
@app.task(queueing_lock="resume", pass_context=True)
async def resume(context: JobContext, timestamp: int) -> None:
    """Every twenty seconds: take up again what a worker that died left half done."""
    await take_up_stalled(context.app.job_manager)
    await sync_to_async(take_up_lost)()


async def take_up_stalled(manager: JobManager, silent_seconds: float = SILENT_SECONDS) -> int:
    """Put tasks of dead workers back into the queue; gives how many."""
    stalled = list(await manager.get_stalled_jobs(seconds_since_heartbeat=silent_seconds))
    for job in stalled:
        if job.id is not None:
            await manager.retry_job_by_id_async(job.id, retry_at=timezone.now())
    return len(stalled)


@app.periodic(cron="37 3 * * *")
@app.task(queueing_lock="sweep")
def sweep_files(timestamp: int) -> None:
    """Every night: remove what a worker or server that died left unfinished."""
    sweep()
