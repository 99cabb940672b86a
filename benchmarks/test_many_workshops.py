"""Two hundred workshops, two thousand jobs each, fifty changes each: what is asked for all day stays quick.

By default a tenth of that; ``WEALD_WORKSHOPS=200`` makes it whole (some 15 GB, a quarter of an hour). Specs
are short but for the one a job stands at.
"""

import json
import os
import time
from collections.abc import Callable, Iterator
from datetime import timedelta
from hashlib import md5
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.contrib.sessions.models import Session
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from benchmarks.yardstick import milliseconds, of_size, slowness, within
from weald.core.job.spec import read_spec
from weald.web.accounts.models import Workshop
from weald.web.accounts.services import add_person
from weald.web.demo.stock import load_shelf
from weald.web.jobs import services
from weald.web.jobs.models import Job
from weald.web.jobs.tasks import tidy

WORKSHOPS = int(os.environ.get("WEALD_WORKSHOPS") or of_size(20, 2))
JOBS, CHANGES, SESSIONS = of_size(2_000, 1_200), of_size(50, 3), of_size(100_000, 100)
BUDGET_MS = 100

FILL = """
insert into jobs_change (job_id, parent_id, spec, summary)
  select j.id, null, '{"version": 2, "title": "A volume"}', 'Board ' || n || ' mm narrower'
  from jobs_job j, generate_series(1, %(changes)s) n;
analyze jobs_job, jobs_change;
insert into jobs_move (job_id, version, change_id, verb, at)
  select job_id, row_number() over (partition by job_id order by id), id, 'changed', now() from jobs_change;
update jobs_job j set head_id = c.id from (select job_id, max(id) as id from jobs_change group by job_id) c
  where c.job_id = j.id;
analyze jobs_job;
update jobs_change c set spec = %(spec)s from jobs_job j where j.head_id = c.id;
insert into django_session (session_key, session_data, expire_date)
  select md5(n::text), 'gone', now() - interval '1 day' from generate_series(1, %(sessions)s) n;
analyze;
"""


def jobs_of(workshop: Workshop) -> Iterator[Job]:
    """Books of one workshop, one in ten put away."""
    for number in range(JOBS):
        title = f"Volume {number} of {workshop.name} {md5(str(number).encode()).hexdigest()}"
        yield Job(
            workshop=workshop,
            title=title,
            structure="flat_case",
            version=CHANGES,
            archived=number % 10 == 0,
            updated=timezone.now() - timedelta(hours=number),
        )


@pytest.fixture
def owner(db: None) -> User:
    """Somebody of one of very many workshops, with a shelf."""
    spec = json.dumps(read_spec({"title": "A volume"}).model_dump(mode="json"))
    numbers = {"changes": CHANGES, "sessions": SESSIONS}
    began = time.monotonic()
    workshops = Workshop.objects.bulk_create(Workshop(name=f"Workshop {n}") for n in range(WORKSHOPS))
    for workshop in workshops:
        Job.objects.bulk_create(jobs_of(workshop))
    with connection.cursor() as cursor:
        cursor.execute(FILL, numbers | {"spec": spec})
        cursor.execute("select count(*) from jobs_change")
        made = cursor.fetchone()[0]
    print(f"\n{WORKSHOPS} workshops, {made:,} changes, made in {time.monotonic() - began:.0f} s")
    assert made == WORKSHOPS * JOBS * CHANGES
    return add_person("binder", "a long enough one", Workshop.objects.order_by("-pk")[0].name, check=False)


def queries_of(ask: Callable[[], Any]) -> int:
    with CaptureQueriesContext(connection) as asked:
        assert ask().status_code == 200
    return len(asked)


def test_what_people_ask_for_all_day_stays_quick(owner: User) -> None:
    client = Client()
    client.force_login(owner)
    workshop = owner.membership.workshop
    load_shelf(workshop, owner)
    crowded = workshop.jobs.order_by("pk")[1000]
    alone = services.create_job(workshop, owner, read_spec({"title": "The newest of all"}))
    asked = {
        "list": lambda: client.get("/api/jobs"),
        "last page": lambda: client.get("/api/jobs?page=40&sort=title"),
        "search": lambda: client.get("/api/jobs?search=volume 77"),
        "open": lambda: client.get(f"/api/jobs/{crowded.pk}"),
        "history": lambda: client.get(f"/api/jobs/{crowded.pk}/history"),
        "shelf": lambda: client.get("/api/shelf"),
    }
    for name, ask in asked.items():
        queries, taken = queries_of(ask), milliseconds(ask) / slowness()
        print(f"{name}: {taken:.0f} ms, {queries} queries (budget {BUDGET_MS})")
        within(taken, BUDGET_MS)
    assert queries_of(lambda: client.get(f"/api/jobs/{alone.pk}/history")) == queries_of(asked["history"])
    assert queries_of(lambda: client.get(f"/api/jobs/{alone.pk}")) == queries_of(asked["open"])
    began = time.monotonic()
    tidy(0)
    print(f"tidying: {time.monotonic() - began:.1f} s for {SESSIONS:,} sessions")
    assert Session.objects.count() == 1
