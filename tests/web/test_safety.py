"""Who may do what: every endpoint, for strangers, for other workshops, and without a token."""

import re
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from tests.web.conftest import PASSWORD, make_job, send
from weald.web.api.api import openapi_document
from weald.web.jobs.models import Job

KEY = "00000000-0000-4000-8000-000000000000"
QUERIES = {
    "saveJob": "?version=1",
    "saveHouse": "?version=1",
    "stockFor": "?piece=board",
    "bringPicture": f"?key={KEY}",
    "saveWorkplace": "?version=1",
    "saveTerms": "?version=1",
    "agree": "?version=1",
}
BODIES: dict[str, Any] = {
    "takeReadings": {"lines": ["12 mm"]},
    "tellBench": {"key": "00000000-0000-4000-8000-000000000000", "kind": "started", "operation": "sew"},
    "plan": {},
    "readLength": {"text": "135"},
    "changePreferences": {"units": "inch"},
    "createJob": {"title": "Log"},
    "saveJob": {"title": "Log"},
    "beginJob": {"kind": "blank", "answers": {}},
    "renameJob": {"version": 1, "title": "Other"},
    "undo": {"version": 1},
    "redo": {"version": 1},
    "standAt": {"version": 1, "stand_at": 1},
    "setJobState": {"state": "finished"},
    "compareFolds": {},
    "compareMakeUps": {},
    "foldFilm": {},
    "openDummy": {},
    "compareStructures": {},
    "sewingFilm": {},
    "addCoverProfile": {"name": "Quay press"},
    "beginSet": {"title": "Logs", "job": 1},
    "saveSet": {"version": 1, "spec": {}},
    "beginVolume": {},
    "saveHouse": {},
    "listWays": {},
    "compareWays": {"job": {}, "ways": [""]},
    "offerUp": {"job": {}, "found": "tall", "by": "2"},
    "addPrinter": {"name": "Attic laser"},
    "changePrinter": {"name": "Attic laser"},
    "askForPrint": {"part": "whole"},
    "tryPrint": {"flip": "long"},
    "addStock": {"name": "Gull laid"},
    "readStockWords": {"words": "A2 long"},
    "changeStock": {"name": "Gull laid"},
    "countStock": {"change": "1", "reason": "used"},
    "recordGrain": {"method": "tear", "result": "width"},
    "convert": {"value": 90, "unit": "gsm"},
    "stockFor": {},
    "askForCutting": {"jobs": [1]},
    "saveWorkplace": {},
    "moveStep": {"job": 1, "operation": "sew"},
    "promiseJob": {},
    "saveTerms": {},
    "takeExperience": {"id": "swell"},
    "addCustomer": {"name": "Harbour office"},
    "changeCustomer": {"name": "Harbour office"},
    "agree": {},
    "makePaper": {"kind": "bill", "lines": [], "key": KEY},
}


def endpoints() -> list[tuple[str, str, str]]:
    """Method, path and name of every endpoint there is, taken from the description itself."""
    found = [
        (method.upper(), path, operation["operationId"])
        for path, operations in openapi_document()["paths"].items()
        for method, operation in operations.items()
    ]
    assert len(found) > 20
    return found


def call(client: Client, method: str, path: str, name: str, job_id: int) -> Any:
    path = path.replace("{job_id}", str(job_id)).replace("{digest}", "0" * 64).replace("{number}", "1")
    path = path.replace("{drawing_id}", "case.flat").replace("{profile_id}", "1")
    path = path.replace("{set_id}", "1").replace("{place}", "0").replace("{version}", "1")
    path = path.replace("{print_id}", "00000000-0000-4000-8000-000000000000").replace("{printer_id}", "1")
    path = path.replace("{cutting_id}", "00000000-0000-4000-8000-000000000000").replace("{item_id}", "1")
    path = path.replace("{laying_id}", "00000000-0000-4000-8000-000000000000")
    path = path.replace("{customer_id}", "1").replace("{paper_id}", "1")
    path = path.replace("{member_id}", "1").replace("{name}", "calliper")
    path = path.replace("{key}", "00000000-0000-4000-8000-000000000000").replace("{kind}", "job-sheet")
    return send(client, method, path + QUERIES.get(name, ""), BODIES.get(name))


@pytest.mark.parametrize(("method", "path", "name"), endpoints())
def test_a_stranger_gets_nothing(db: None, method: str, path: str, name: str) -> None:
    answer = call(Client(), method, path, name, 1)
    assert answer.status_code == 401
    assert answer.json()["code"] == "signed_out"


@pytest.mark.parametrize(("method", "path", "name"), [each for each in endpoints() if "{job_id}" in each[1]])
def test_another_workshops_job_is_not_there(
    binder: User, stranger: User, method: str, path: str, name: str
) -> None:
    theirs = make_job(stranger, {"title": "Their secret book"})
    client = Client()
    client.force_login(binder)
    answer = call(client, method, path, name, theirs.pk)
    assert answer.status_code == 404
    assert "secret" not in answer.content.decode()
    theirs.refresh_from_db()
    assert (theirs.title, theirs.version, theirs.archived) == ("Their secret book", 1, False)
    assert theirs.state == Job.State.PLANNED


def test_a_list_holds_only_the_workshops_own(client: Client, stranger: User, job: Job) -> None:
    make_job(stranger, {"title": "Their secret book"})
    page = client.get("/api/jobs").json()
    assert [each["title"] for each in page["jobs"]] == ["Tide tables"]
    assert page["count"] == 1
    assert client.get("/api/jobs?search=secret").json()["count"] == 0


@pytest.mark.parametrize(("method", "path", "name"), [each for each in endpoints() if each[0] != "GET"])
def test_nothing_is_written_without_a_token(
    binder: User, job: Job, method: str, path: str, name: str
) -> None:
    client = Client(enforce_csrf_checks=True)
    client.force_login(binder)
    answer = call(client, method, path, name, job.pk)
    assert answer.status_code == 403
    job.refresh_from_db()
    assert job.version == 1


def test_somebody_without_a_workshop_is_told_so(db: None) -> None:
    client = Client()
    client.force_login(User.objects.create_user("lost"))
    answer = client.get("/api/jobs")
    assert (answer.status_code, answer.json()["code"]) == (403, "forbidden")


def test_pages_send_a_stranger_to_the_sign_in_page(db: None) -> None:
    for path in ("/", "/jobs/1", "/anything"):
        answer = Client().get(path)
        assert answer.status_code == 302
        assert answer["Location"].startswith("/sign-in")


def test_the_description_is_behind_the_sign_in_too(client: Client) -> None:
    assert Client().get("/api/openapi.json").status_code == 401
    assert client.get("/api/openapi.json").json()["info"]["title"] == "Weald"


def test_signing_in_and_out(binder: User) -> None:
    client = Client()
    wrong = client.post("/sign-in", {"username": "binder", "password": "wrong"})
    assert "do not go together" in wrong.content.decode()
    answer = client.post("/sign-in", {"username": "binder", "password": PASSWORD})
    assert answer.status_code == 302
    assert client.get("/api/me").json()["workshop"] == "Saltmarsh Bindery"
    client.post("/sign-out")
    assert client.get("/api/me").status_code == 401


def test_guessing_is_throttled_but_only_for_the_guesser(binder: User) -> None:
    for _ in range(6):
        answer = Client().post("/sign-in", {"username": "binder", "password": "guess"})
    assert answer.status_code == 429
    assert "Too many wrong tries" in answer.content.decode()
    again = Client().post("/sign-in", {"username": "binder", "password": PASSWORD})
    assert again.status_code == 429
    elsewhere = Client(REMOTE_ADDR="10.0.0.9")
    answer = elsewhere.post("/sign-in", {"username": "binder", "password": PASSWORD})
    assert answer.status_code == 302


@pytest.mark.parametrize("path", ["/sign-in", "/"])
def test_the_content_security_policy_lets_no_inline_script_in(client: Client, path: str) -> None:
    answer = (Client() if path == "/sign-in" else client).get(path)
    policy = answer["Content-Security-Policy"]
    assert "default-src 'none'" in policy
    assert re.search(r"script-src 'self'(;|$)", policy)
    assert "unsafe" not in policy
    page = answer.content.decode()
    assert not re.search(r"<script(?![^>]*\bsrc=)", page)
    assert not re.search(r"\son\w+=|style=", page)
    assert answer["X-Frame-Options"] == "DENY"


def test_preferences_are_each_persons_own(client: Client, binder: User, stranger: User) -> None:
    assert send(client, "PATCH", "/api/me", {"units": "inch", "inch_division": 64}).status_code == 200
    assert client.get("/api/me").json()["units"] == "inch"
    other = Client()
    other.force_login(stranger)
    assert other.get("/api/me").json()["units"] == "mm"


def test_an_impossible_preference_is_refused(client: Client) -> None:
    answer = send(client, "PATCH", "/api/me", {"units": "cubits"})
    assert answer.status_code == 422
    assert "change.units" in answer.json()["fields"]
