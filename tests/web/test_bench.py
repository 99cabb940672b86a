"""The bench: what happens is only added, counts once, and says when it is too early."""

import uuid
from datetime import timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from tests.web.conftest import send
from weald.web.bench.models import BenchEvent
from weald.web.jobs.models import Job


@pytest.fixture
def clock(monkeypatch: pytest.MonkeyPatch) -> Any:
    """The server's clock, set by hand."""

    class Clock:
        now = timezone.now()

        def pass_by(self, **time: float) -> None:
            self.now += timedelta(**time)

    clock = Clock()
    monkeypatch.setattr("weald.web.bench.services.timezone.now", lambda: clock.now)
    return clock


def tell(client: Client, job: Job, kind: str, operation: str, **more: Any) -> Any:
    body = {"key": str(uuid.uuid4()), "kind": kind, "operation": operation} | more
    return send(client, "POST", f"/api/jobs/{job.pk}/bench", body)


def standing(client: Client, job: Job, operation: str) -> dict[str, Any]:
    stands = client.get(f"/api/jobs/{job.pk}/bench").json()["standings"]
    return next(each for each in stands if each["operation"] == operation)


def order(client: Client, job: Job) -> list[str]:
    return [each["operation"] for each in client.get(f"/api/jobs/{job.pk}/bench").json()["standings"]]


def work_up_to(client: Client, job: Job, clock: Any, operation: str) -> None:
    for each in order(client, job):
        if each == operation:
            return
        assert tell(client, job, "started", each).status_code == 200, each
        clock.pass_by(minutes=5)
        assert tell(client, job, "done", each).status_code == 200, each
        clock.pass_by(hours=13)


def test_work_is_begun_paused_and_done(client: Client, job: Job, clock: Any) -> None:
    assert standing(client, job, "stock_out")["status"] == "ready"
    assert standing(client, job, "cut_sheets")["held_by"] == ["stock_out"]
    tell(client, job, "started", "stock_out")
    clock.pass_by(minutes=10)
    tell(client, job, "paused", "stock_out")
    clock.pass_by(hours=3)
    tell(client, job, "started", "stock_out")
    clock.pass_by(minutes=5)
    tell(client, job, "done", "stock_out")
    stands = standing(client, job, "stock_out")
    assert (stands["status"], stands["worked"]) == ("done", 900)
    assert standing(client, job, "cut_sheets")["status"] == "ready"
    job.refresh_from_db()
    assert job.state == "at_bench"


def test_a_damp_book_is_not_opened_unless_meant_so(client: Client, job: Job, clock: Any) -> None:
    work_up_to(client, job, clock, "dry_closed")
    tell(client, job, "started", "dry_closed")
    tell(client, job, "done", "dry_closed")
    clock.pass_by(hours=1)
    refused = tell(client, job, "started", "open_first")
    assert (refused.status_code, refused.json()["code"]) == (409, "too_early")
    assert "180 min at least" in refused.json()["message"]
    assert "joint lifts" in refused.json()["message"]
    assert tell(client, job, "started", "open_first", insist=True).status_code == 200
    assert standing(client, job, "open_first")["early"]
    newest = client.get(f"/api/jobs/{job.pk}/bench").json()["log"][0]
    assert (newest["operation"], newest["early"]) == ("open_first", True)


def test_a_wait_is_kept_by_the_server_and_ends(client: Client, job: Job, clock: Any) -> None:
    work_up_to(client, job, clock, "dry_closed")
    tell(client, job, "started", "dry_closed")
    tell(client, job, "done", "dry_closed")
    done = clock.now
    stands = standing(client, job, "dry_closed")
    assert stands["wait_least"][:19] == (done + timedelta(hours=4)).isoformat()[:19]
    clock.pass_by(hours=4)
    assert standing(client, job, "open_first")["status"] == "ready"


def test_what_is_handed_over_twice_counts_once(client: Client, job: Job) -> None:
    key = str(uuid.uuid4())
    for _ in range(2):
        assert tell(client, job, "started", "stock_out", key=key).status_code == 200
    assert job.bench_events.count() == 1


def test_two_devices_begin_it_once(client: Client, job: Job) -> None:
    assert tell(client, job, "started", "stock_out").status_code == 200
    again = tell(client, job, "started", "stock_out")
    assert (again.status_code, again.json()["code"]) == (409, "out_of_turn")


def test_undone_it_is_as_before_and_stays_in_the_log(client: Client, job: Job) -> None:
    tell(client, job, "started", "stock_out")
    tell(client, job, "done", "stock_out")
    assert tell(client, job, "undone", "stock_out").status_code == 200
    assert standing(client, job, "stock_out")["status"] == "ready"
    assert tell(client, job, "undone", "stock_out").status_code == 409
    kinds = [each["kind"] for each in client.get(f"/api/jobs/{job.pk}/bench").json()["log"]]
    assert kinds == ["undone", "done", "started"]


def test_a_binding_changed_half_way_loses_nothing(client: Client, job: Job, clock: Any) -> None:
    work_up_to(client, job, clock, "make_case")
    before = job.bench_events.count()
    answer = client.get(f"/api/jobs/{job.pk}").json()
    spec = answer["spec"] | {"binding": {"structure": "wrapper"}}
    assert send(client, "PUT", f"/api/jobs/{job.pk}?version={answer['version']}", spec).status_code == 200
    assert job.bench_events.count() == before
    assert standing(client, job, "sew")["status"] == "done"
    gone = tell(client, job, "started", "make_case")
    assert (gone.status_code, gone.json()["code"]) == (409, "out_of_turn")


def test_a_job_with_many_events_asks_no_more_than_one_with_none(
    client: Client, binder: User, job: Job
) -> None:
    path = f"/api/jobs/{job.pk}/bench"
    client.get(path)
    with CaptureQueriesContext(connection) as none:
        client.get(path)
    BenchEvent.objects.bulk_create(
        BenchEvent(
            job=job,
            key=uuid.uuid4(),
            kind="noted",
            operation="sew",
            title="Sew",
            author=binder,
            at=timezone.now(),
        )
        for _ in range(2000)
    )
    with CaptureQueriesContext(connection) as many:
        assert len(client.get(path).json()["log"]) == 200
    assert len(many) == len(none)


def test_another_workshop_sees_nothing_of_it(client: Client, stranger: User, job: Job) -> None:
    other = Client()
    other.force_login(stranger)
    assert other.get(f"/api/jobs/{job.pk}/bench").status_code == 404
    assert tell(other, job, "started", "stock_out").status_code == 404
