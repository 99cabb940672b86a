"""What a workshop's finished books teach, and taking it as a rule by hand."""

from collections import defaultdict

from django.contrib.auth.models import User
from django.db import transaction

from weald.core.errors import SpecError
from weald.core.notation import Notation
from weald.core.planning.house import read_house
from weald.core.planning.learning import BookMade, Experience, experience, learnt
from weald.core.shelf.stock import StockItem
from weald.web.accounts.models import Workshop
from weald.web.accounts.services import house_of, save_house
from weald.web.bench.record import record_of_job
from weald.web.bench.services import planned_at_bench
from weald.web.jobs.models import Job
from weald.web.office.decisions import note
from weald.web.shelf.models import Movement, ShelfItem
from weald.web.shelf.services import item_spec, write

MOST_BOOKS = 40
"""The newest books so many are learnt from: hands and papers change."""


def experience_of(workshop: Workshop, notation: Notation) -> tuple[Experience, ...]:
    """What the newest finished books teach."""
    jobs = list(
        Job.objects.filter(workshop=workshop, state=Job.State.FINISHED)
        .select_related("head", "workshop")
        .order_by("-updated")[:MOST_BOOKS]
    )
    spoilt = _spoilt(jobs)
    books = [
        BookMade(
            job.title,
            job.spec,
            planned_at_bench(job, notation),
            record_of_job(job, notation).operations,
            spoilt[job.pk],
            _paper_item(job),
        )
        for job in jobs
    ]
    return experience(books, house_of(workshop), notation)


def _paper_item(job: Job) -> int | None:
    stock = job.spec.stock.get("text_sheet")
    return stock.item if stock is not None else None


def _spoilt(jobs: list[Job]) -> dict[int, dict[str, float]]:
    """For each job and kind of material, the percent of what was taken that was spoilt."""
    taken: dict[int, dict[str, int]] = defaultdict(lambda: defaultdict(int))
    lost: dict[int, dict[str, int]] = defaultdict(lambda: defaultdict(int))
    reasons = (Movement.Reason.USED, Movement.Reason.CUT, Movement.Reason.SPOILT)
    rows = Movement.objects.filter(job__in=jobs, reason__in=reasons)
    for job, kind, reason, change in rows.values_list("job_id", "item__kind", "reason", "change"):
        taken[job][kind] -= change
        if reason == Movement.Reason.SPOILT:
            lost[job][kind] -= change
    found: dict[int, dict[str, float]] = defaultdict(dict)
    for job, kinds in taken.items():
        found[job] = {kind: 100 * lost[job][kind] / amount for kind, amount in kinds.items() if amount > 0}
    return found


@transaction.atomic
def take(workshop: Workshop, author: User, name: str, notation: Notation) -> None:
    """Make an experience a rule of the house, or the bulk of an item of the shelf.

    :raises SpecError: when there is no such experience any more, or nothing it could become.
    """
    found = next((each for each in experience_of(workshop, notation) if each.id == name), None)
    if found is None:
        raise SpecError(
            {"id": "No finished book says anything of this any more; reload to see what they say."}
        )
    if found.rule:
        house = house_of(workshop)
        rules = {**house.rules, found.rule: found.middle}
        kept = {**house.learnt, found.rule: learnt(found)}
        changed = house.model_copy(update={"rules": rules, "learnt": kept})
        save_house(workshop, workshop.house_version, author, read_house(changed.model_dump(mode="json")))
    elif found.item is not None:
        item = ShelfItem.objects.select_for_update().get(pk=found.item, workshop=workshop)
        spec = item_spec(item).model_dump(mode="json", exclude_none=True)
        write(item, StockItem.model_validate({**spec, "bulk": found.middle, "calliper": None, "stack": None}))
    else:
        raise SpecError({"id": "This is to be looked at; there is no rule it could become."})
    note(workshop, author, f"Taken from experience: {found.label}, {found.words}")
