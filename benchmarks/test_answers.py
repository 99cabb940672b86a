"""What an answer costs the server's processor: the dear ones, at the size of a full workshop."""

import json
import time
from collections.abc import Callable
from statistics import median
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.management import call_command
from django.test import Client

from benchmarks.yardstick import ROUNDS, of_size, slowness, within
from weald.core.job.patching import with_entry
from weald.web.jobs.models import Job
from weald.web.jobs.services import duplicate_job
from weald.web.week.books import laid_out_jobs
from weald.web.week.services import promise

BOOKS = of_size(20, 7)


def processor_milliseconds(ask: Callable[[int], Any]) -> float:
    """What an answer takes of the processor on the usual machine; the first ones are not counted."""
    taken = []
    for number in range(ROUNDS + 2):
        began = time.process_time()
        assert ask(number).status_code == 200
        taken.append(1000 * (time.process_time() - began) / slowness())
    return median(taken[2:])


@pytest.fixture
def busy(db: None) -> Client:
    """The demo's workshop with as many books in the week."""
    call_command("load_demo", "binder", "linen-thread")
    owner = User.objects.get(username="binder")
    shown = list(Job.objects.filter(workshop=owner.membership.workshop).order_by("pk"))
    place = 0
    while laid_out_jobs(owner.membership.workshop).count() < BOOKS:
        promise(duplicate_job(shown[place % len(shown)], owner), owner, None, True)
        place += 1
    client = Client()
    client.force_login(owner)
    return client


def test_dear_answers_are_paid_for(busy: Client) -> None:
    job = next(each for each in busy.get("/api/jobs").json()["jobs"] if each["title"].startswith("Tide"))
    spec: dict[str, Any] = busy.get(f"/api/jobs/{job['id']}").json()["spec"]

    def typed(number: int) -> Any:
        body = with_entry(spec, ["binding", "squares", "head"], 3 + number / 10)
        return busy.post("/api/plan?station=boards", json.dumps(body), content_type="application/json")

    asked: list[tuple[str, Callable[[int], Any], float]] = [
        ("plan", typed, 14),
        ("bench", lambda _: busy.get(f"/api/jobs/{job['id']}/bench"), 30),
        ("week", lambda _: busy.get("/api/week"), 80),
    ]
    for name, ask, budget in asked:
        taken = processor_milliseconds(ask)
        print(f"\n{name}: {taken:.0f} ms of the processor (budget {budget})")
        within(taken, budget)
