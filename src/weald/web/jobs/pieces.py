"""What has been cut for a job, read from what happened at the bench."""

from pydantic import TypeAdapter, ValidationError

from weald.core.bench.cut import CutEvent, cut_so_far
from weald.core.book.at_bench import CutPiece
from weald.web.jobs.models import Job

_EVENTS = TypeAdapter(CutEvent)


def cut_for(job: Job) -> tuple[CutPiece, ...]:
    """The pieces there are for a job."""
    kept = job.bench_events.filter(kind__in=("cut", "uncut")).order_by("pk").values_list("data", flat=True)
    return cut_so_far(event for data in kept if (event := _read(data)))


def _read(data: object) -> CutEvent | None:
    """An event as it was kept; one nobody can read says nothing of what there is."""
    try:
        return _EVENTS.validate_python(data)
    except ValidationError:
        return None
