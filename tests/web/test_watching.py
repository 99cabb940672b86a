"""Requests are numbered, counted and timed; who has no token sees nothing of it."""

import json
import logging
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.db import connection
from django.test import Client
from prometheus_client.parser import text_string_to_metric_families
from pythonjsonlogger.json import JsonFormatter

from tests.web.conftest import send
from weald.web import numbering, watching
from weald.web.jobs.models import Job
from weald.web.printing.models import PrintFile


def counted(watcher: Client) -> dict[tuple[str, str, str, str], float]:
    answer = watcher.get("/metrics", headers={"Authorization": "Bearer for the watcher"})
    assert answer.status_code == 200
    found = {}
    for family in text_string_to_metric_families(answer.content.decode()):
        for sample in family.samples:
            labels = sample.labels
            found[
                sample.name,
                labels.get("method", ""),
                labels.get("route", labels.get("task", "")),
                labels.get("status", labels.get("state", labels.get("le", ""))),
            ] = sample.value
    return found


def test_requests_and_work_are_counted(
    client: Client, binder: User, job: Job, settings: Any, monkeypatch: pytest.MonkeyPatch
) -> None:
    settings.METRICS_TOKEN = "for the watcher"
    monkeypatch.delenv("PROMETHEUS_MULTIPROC_DIR", raising=False)
    made = PrintFile.objects.create(job=job, change=job.standing, author=binder, part="whole")
    before = counted(Client())
    client.get(f"/api/jobs/{job.pk}")
    client.get("/api/jobs/999999")
    after = counted(Client())
    route = ("weald_requests_total", "GET", "api/jobs/<int:job_id>")
    assert after[*route, "200"] - before.get((*route, "200"), 0) == 1
    assert after[*route, "404"] - before.get((*route, "404"), 0) == 1
    assert after["weald_work", "", made.task, "waiting"] == 1
    assert after["weald_work_oldest_seconds", "", made.task, ""] >= 0
    assert not any(str(job.pk) in key[2] for key in after), "routes, never addresses"


@pytest.mark.parametrize("shown", ["", "Bearer ", "Bearer another"])
def test_who_has_no_token_sees_nothing(db: None, settings: Any, shown: str) -> None:
    for settings.METRICS_TOKEN in ("", "for the watcher"):
        assert Client().get("/metrics", headers={"Authorization": shown}).status_code == 404


def test_a_request_has_one_number_everywhere(
    client: Client, job: Job, caplog: pytest.LogCaptureFixture, monkeypatch: pytest.MonkeyPatch
) -> None:
    def breaks(*_: Any, **__: Any) -> None:
        raise RuntimeError("nobody expected this")

    monkeypatch.setattr("weald.web.api.planning.read_spec", breaks)
    caplog.handler.addFilter(numbering.WithNumber())
    spec = client.get(f"/api/jobs/{job.pk}").json()["spec"]
    caplog.clear()
    answer = send(client, "POST", "/api/plan", spec)
    number = answer["X-Request-ID"]
    assert answer.status_code == 500
    assert number in answer.json()["message"]
    ours = [record for record in caplog.records if record.name.startswith("weald")]
    assert ours
    assert {getattr(record, "request_number", "") for record in ours} == {number}
    line = JsonFormatter("%(levelname)s %(request_number)s %(message)s").format(ours[0])
    assert json.loads(line)["request_number"] == number


def test_slow_questions_to_the_database_are_logged_without_what_was_asked(
    db: None, caplog: pytest.LogCaptureFixture, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(watching, "SLOW_QUERY_SECONDS", 0.0)
    queries = watching._Queries()
    with caplog.at_level(logging.WARNING, "weald.requests"), connection.execute_wrapper(queries):
        connection.cursor().execute("select %s", ["a secret"])
    assert queries.count == 1
    (said,) = (record for record in caplog.records if record.message.startswith("slow query"))
    assert "select" in said.__dict__["sql"]
    assert "a secret" not in said.message + said.__dict__["sql"]


@pytest.mark.parametrize("path", ["/come-in/a-secret-token", "/calendar/a-secret-token.ics"])
def test_what_lets_in_stands_in_no_log(db: None, path: str, caplog: pytest.LogCaptureFixture) -> None:
    caplog.handler.addFilter(numbering.WithoutSecrets())
    with caplog.at_level(logging.DEBUG):
        assert Client().get(path).status_code in (200, 404, 410, 422, 429)
        logging.getLogger("django.request").warning("Too Many Requests: %s", path)
        logging.getLogger("weald").exception("failure at %s %s", "GET", f"{path}?next=/")
    assert "a-secret-token" not in caplog.text.replace("test_watching", "")
    assert "/…" in caplog.text


def test_an_authorization_nobody_could_have_is_refused_like_any_other(db: None, settings: Any) -> None:
    settings.METRICS_TOKEN = "for the watcher"
    assert Client().get("/metrics", headers={"Authorization": "Bearer für"}).status_code == 404
