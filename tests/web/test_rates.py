"""What costs much has a rate of its own; saving and planning have none."""

import pytest
from django.contrib.auth.models import User
from django.test import Client

from tests.web.conftest import send
from weald.web.api import rates
from weald.web.jobs.models import Job


def test_passwords_are_not_tried_for_long(
    client: Client, binder: User, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(rates, "time", lambda: 2_000_000.0)
    tried = {"old": "not that one", "new": "a long and plain password"}
    answers = [send(client, "POST", "/api/me/password", tried).status_code for _ in range(8)]
    assert answers == [422] * rates.PASSWORDS.in_a_minute + [429] * (8 - rates.PASSWORDS.in_a_minute)


def test_a_person_who_asks_too_often_waits_and_others_do_not(
    client: Client, binder: User, stranger: User, job: Job, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(rates.HEAVY, "in_a_minute", 2)
    monkeypatch.setattr(rates, "time", lambda: 1_000_000.0)
    other = Client()
    other.force_login(stranger)
    spec = client.get(f"/api/jobs/{job.pk}").json()["spec"]
    asked = [send(client, "POST", "/api/make-ups", spec).status_code for _ in range(2)]
    asked.append(client.get(f"/api/jobs/{job.pk}/bench-papers/job-sheet.pdf").status_code)
    assert asked == [200, 200, 429]
    refused = send(client, "POST", "/api/ways", spec)
    assert (refused.json()["code"], refused["Retry-After"]) == ("too_often", "20")
    assert send(other, "POST", "/api/make-ups", spec).status_code == 200
    assert send(client, "POST", "/api/plan", spec).status_code == 200
    monkeypatch.setattr(rates, "time", lambda: 1_000_060.0)
    assert send(client, "POST", "/api/make-ups", spec).status_code == 200
