"""One's own password, signing out everywhere else, guessing, and what whoever watches over Weald asks."""

import pytest
from axes.models import AccessAttempt
from django.contrib.auth.models import User
from django.db import DatabaseError
from django.test import Client

from tests.web.conftest import PASSWORD, send
from weald.web.accounts import sessions

NEW = "quite another and long"


@pytest.fixture(autouse=True)
def asked_anew(monkeypatch: pytest.MonkeyPatch) -> None:
    """Sessions are not remembered between two requests of a test."""
    monkeypatch.setattr(sessions, "FRESH_SECONDS", 0.0)


def signed_in(password: str = PASSWORD) -> Client:
    client = Client()
    answer = client.post("/sign-in", {"username": "binder", "password": password})
    assert answer.status_code == 302
    return client


def test_another_password_ends_every_other_session(binder: User) -> None:
    here, elsewhere = signed_in(), signed_in()
    answer = send(here, "POST", "/api/me/password", {"old": PASSWORD, "new": NEW})
    assert answer.status_code == 204
    assert here.get("/api/me").status_code == 200
    assert elsewhere.get("/api/me").status_code == 401
    assert Client().post("/sign-in", {"username": "binder", "password": PASSWORD}).status_code == 200
    signed_in(NEW)


def test_the_same_password_once_more_signs_out_everywhere_else(binder: User) -> None:
    here, elsewhere = signed_in(), signed_in()
    assert send(here, "POST", "/api/me/password", {"old": PASSWORD, "new": PASSWORD}).status_code == 204
    assert here.get("/api/me").status_code == 200
    assert elsewhere.get("/api/me").status_code == 401


def test_a_wrong_or_weak_password_changes_nothing(client: Client, binder: User) -> None:
    wrong = send(client, "POST", "/api/me/password", {"old": "guess", "new": NEW})
    assert (wrong.status_code, list(wrong.json()["fields"])) == (422, ["old"])
    weak = send(client, "POST", "/api/me/password", {"old": PASSWORD, "new": "binder"})
    assert (weak.status_code, list(weak.json()["fields"])) == (422, ["new"])
    binder.refresh_from_db()
    assert binder.check_password(PASSWORD)


def test_who_tries_many_names_has_to_wait_and_nobody_else(
    binder: User, settings: pytest.FixtureRequest
) -> None:
    attacker = Client(REMOTE_ADDR="192.0.2.66")
    for number in range(40):
        attacker.post("/sign-in", {"username": f"name{number}", "password": "guess"})
    assert AccessAttempt.objects.filter(ip_address="192.0.2.66").count() >= 40
    assert attacker.post("/sign-in", {"username": "binder", "password": PASSWORD}).status_code == 429
    elsewhere = Client(REMOTE_ADDR="192.0.2.7")
    assert elsewhere.post("/sign-in", {"username": "binder", "password": PASSWORD}).status_code == 302


def test_a_session_is_remembered_for_seconds_and_forgotten_when_it_ends(
    binder: User, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(sessions, "FRESH_SECONDS", 60.0)
    here = signed_in()
    assert here.get("/api/me").status_code == 200
    here.post("/sign-out")
    assert here.get("/api/me").status_code == 401


def test_whoever_watches_is_told(db: None, monkeypatch: pytest.MonkeyPatch) -> None:
    watcher = Client()
    assert watcher.get("/healthz").content == b"alive\n"
    assert watcher.get("/readyz").status_code == 200

    def away() -> None:
        raise DatabaseError("gone")

    with monkeypatch.context() as meanwhile:
        meanwhile.setattr("weald.web.health.connection.cursor", away)
        assert watcher.get("/readyz").status_code == 503
        assert watcher.get("/healthz").status_code == 200
