"""Whatever is sent, the answer is the API's own: a 4xx in words, within a second, and never a failure."""

import copy
import json
import os
import random
import time
from collections.abc import Iterator
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import OperationalError
from django.test import Client

from tests.web.conftest import PASSWORD, send
from weald.core.job.spec import JobSpec
from weald.web.gate import MOST_NAMED
from weald.web.jobs.models import Job

LONE = "\ud800"
TEXTS = (
    *("\0", "a\0b", LONE, "\x1b[2J", "report\u202egpj.exe", "9" * 5_000, "0x10", "1e308", "NaN"),
    "x" * 30_000,
)
NUMBERS = ("NaN", "Infinity", "-Infinity", "1e400", "1e308", "5e-324", "9" * 5_000, "-" + "9" * 40)


@pytest.fixture
def calm(client: Client) -> Client:
    """A client that is answered as a browser is, failures too."""
    client.raise_request_exception = False
    assert send(client, "POST", "/api/plan", {}).status_code == 200  # what is loaded once is loaded
    return client


def refused(answer: Any, begun: float) -> dict[str, Any]:
    """That something was refused in the API’s own words, within a second of work."""
    assert 400 <= answer.status_code < 500, (answer.status_code, answer.content[:300])
    body = json.loads(answer.content)
    assert body["code"]
    assert body["message"].strip()
    assert len(body["fields"]) <= MOST_NAMED
    assert len(answer.content) < 20_000
    assert time.process_time() - begun < 1.0
    return dict(body)


def raw(client: Client, method: str, path: str, body: bytes) -> Any:
    return client.generic(method, path, data=body, content_type="application/json")


@pytest.mark.parametrize("number", NUMBERS)
def test_numbers_nothing_can_have(calm: Client, number: str) -> None:
    for path, body in (
        ("/api/plan", '{"leaf": {"width": %s}}'),
        ("/api/plan", '{"text": {"pages": %s}}'),
        ("/api/plan", '{"measured": {"block.thickness": %s}}'),
        ("/api/convert", '{"value": %s, "unit": "gsm"}'),
        ("/api/shelf", '{"name": "Board", "kind": "board", "count": %s}'),
    ):
        begun = time.process_time()
        refused(raw(calm, "POST", path, (body % number).encode()), begun)


@pytest.mark.parametrize("text", TEXTS)
def test_text_nothing_can_be_called(calm: Client, text: str, job: Job) -> None:
    escaped = json.dumps(text)
    for method, path, body in (
        ("POST", "/api/plan", '{"leaf": {"width": %s}}'),
        ("POST", "/api/plan", '{"sewing": {"method": %s}}'),
        ("POST", "/api/shelf", '{"name": "Board", "kind": %s}'),
        ("POST", "/api/length", '{"text": %s}'),
    ):
        begun = time.process_time()
        refused(raw(calm, method, path, (body % escaped).encode()), begun)
    if text in ("0x10", "1e308", "NaN"):
        return
    for path, body in (
        ("/api/plan", '{"finish": {"edges": %s}}'),
        ("/api/plan", '{"title": %s}'),
        ("/api/shelf/words", '{"words": %s}'),
        (f"/api/jobs/{job.pk}/rename", '{"version": 1, "title": %s}'),
    ):
        begun = time.process_time()
        refused(raw(calm, "POST", path, (body % escaped).encode()), begun)


WORDS = ("0x10", "1e308", "5e-324 mm board", "1/0 board", f"{'9' * 50}x{'9' * 50}", "×" * 999)


@pytest.mark.parametrize("words", WORDS)
def test_words_of_stock_are_read_or_refused(calm: Client, words: str) -> None:
    answer = send(calm, "POST", "/api/shelf/words", {"words": words})
    assert answer.status_code < 500


def test_bodies_without_end(calm: Client) -> None:
    deep = "[" * 1_000 + "]" * 1_000
    very_deep = "[" * 100_000 + "]" * 100_000
    many = json.dumps({"measured": {f"size.{number}": 1 for number in range(50_000)}})
    unknown = json.dumps({f"key{number}": 1 for number in range(100_000)})
    long = json.dumps({"binding": {"linings": [{}] * 100_000}})
    just_in = json.dumps({"measured": {f"size.{number}": 1 for number in range(4_000)}})
    just_unknown = json.dumps({f"key{number}": 1 for number in range(4_000)})
    for body in (deep, very_deep, many, unknown, long, just_in, just_unknown, "{", "nonsense", '"\\ud800"'):
        for path in ("/api/plan", "/api/jobs", "/api/house"):
            begun = time.process_time()
            refused(raw(calm, "PUT" if path == "/api/house" else "POST", path, body.encode()), begun)
    begun = time.process_time()
    refused(raw(calm, "POST", "/api/plan", b'{"title": "\xff\xfe"}'), begun)
    begun = time.process_time()
    refused(raw(calm, "POST", "/api/plan", b" " * 3_000_000), begun)


def test_addresses_and_questions(calm: Client, job: Job) -> None:
    for path in (
        "/api/texts/a%00b",
        "/api/texts/%ED%A0%80",
        "/api/artworks/a%00b/picture.png",
        "/api/jobs?search=%00",
        "/api/jobs?page=99999999999999999999",
        f"/api/jobs/{'9' * 40}",
        f"/api/jobs/{job.pk}/drawings/a%00b.pdf",
        "/api/shelf?search=%ED%A0%80",
    ):
        begun = time.process_time()
        answer = calm.get(path)
        if answer.status_code != 200:
            refused(answer, begun)


def test_a_job_file_that_is_brought_is_looked_at_alike(calm: Client) -> None:
    for content in (
        b'{"finish": {"edges": "a\\u0000b"}}',
        b'{"title": "\\ud800"}',
        b"[" * 5_000,
        b"\xff\xfe",
        b"9" * 9_000,
    ):
        begun = time.process_time()
        upload = SimpleUploadedFile("log\0.json", content)
        refused(calm.post("/api/jobs/import", {"file": upload}), begun)


def test_nobody_is_called_so(db: None) -> None:
    client = Client(raise_request_exception=False)
    for name in ("x" * 100_000, "a\0b", LONE.encode("utf-8", "surrogatepass").decode("latin-1"), "a" * 200):
        begun = time.process_time()
        answer = client.post("/sign-in", {"username": name, "password": PASSWORD})
        assert answer.status_code < 500
        assert "_auth_user_id" not in client.session
        assert time.process_time() - begun < 1.0


def leaves(node: Any, path: tuple[str, ...] = ()) -> Iterator[tuple[str, ...]]:
    for key, value in node.items():
        if isinstance(value, dict):
            yield from leaves(value, (*path, key))
        yield (*path, key)


ODD: tuple[Any, ...] = (
    *(None, True, -1, 0, 1e9, 1e-9, 0.1, "", " ", "1/0", "--", "12 mm mm", "٣", "½", "x" * 500, "=1+1"),
    *([], [[]], [None], {}, {"a": {}}, ["a"] * 50),
)


def mutated(seed: int) -> dict[str, Any]:
    """A whole job with a few entries that are odd."""
    chance = random.Random(seed)
    job: dict[str, Any] = JobSpec().model_dump(mode="json")
    places = list(leaves(job))
    for _ in range(chance.randrange(1, 6)):
        *groups, key = chance.choice(places)
        node: Any = job
        for group in groups:
            node = node.get(group) if isinstance(node, dict) else None
        if isinstance(node, dict):
            node[key] = copy.deepcopy(chance.choice(ODD))
    return job


CALLS = int(os.environ.get("WEALD_CALLS", "240"))


@pytest.mark.parametrize("batch", range(4))
def test_jobs_with_odd_entries_are_planned_or_refused(calm: Client, batch: int) -> None:
    for seed in range(batch, CALLS, 4):
        answer = send(calm, "POST", "/api/plan", mutated(seed))
        assert answer.status_code in (200, 422), (seed, answer.content[:300])


def test_a_failure_has_a_number_that_stands_in_the_log(
    calm: Client, monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture
) -> None:
    def broken(*_: object, **__: object) -> None:
        raise ZeroDivisionError("nobody thought of this")

    monkeypatch.setattr("weald.web.api.planning.plan", broken)
    answer = send(calm, "POST", "/api/plan", {})
    body = json.loads(answer.content)
    assert (answer.status_code, body["code"]) == (500, "failed")
    number = body["message"].split("noted as ")[1].split(".")[0]
    assert any(number in record.getMessage() and record.exc_info for record in caplog.records)
    assert "ZeroDivision" not in body["message"]


def test_answers_are_kept_by_nobody(calm: Client, binder: User) -> None:
    assert calm.get("/api/jobs")["Cache-Control"] == "no-store"
    assert send(calm, "POST", "/api/plan", {"leaf": {"width": 0}})["Cache-Control"] == "no-store"


def test_what_a_page_has_already_is_told_as_unchanged(calm: Client, job: Job) -> None:
    first = calm.get("/api/jobs")
    again = calm.get("/api/jobs", headers={"If-None-Match": first["ETag"]})
    assert (again.status_code, again.content, again["Cache-Control"]) == (304, b"", "no-store")
    send(calm, "POST", "/api/jobs", {"title": "Another"})
    changed = calm.get("/api/jobs", headers={"If-None-Match": first["ETag"]})
    assert changed.status_code == 200
    assert changed.json()["count"] == first.json()["count"] + 1


def test_a_database_that_is_away_is_said_so(calm: Client, monkeypatch: pytest.MonkeyPatch) -> None:
    def away(*_: object, **__: object) -> None:
        raise OperationalError("connection refused")

    monkeypatch.setattr("weald.web.api.planning.plan", away)
    answer = send(calm, "POST", "/api/plan", {})
    assert (answer.status_code, json.loads(answer.content)["code"]) == (503, "away")
    monkeypatch.setattr("weald.web.accounts.backends.PersonBackend.get_user", away)
    for path in ("/api/jobs", "/"):
        answer = calm.get(path)
        assert answer.status_code == 503
        assert "kept in your browser" in answer.content.decode()


@pytest.mark.parametrize("heading", ["multipart/form-data", "multipart/form-data; boundary=", "multipart/x"])
@pytest.mark.parametrize(
    "path", ["/api/texts", "/api/shelf/table", "/api/jobs/import", "/api/plan", "/sign-in"]
)
def test_a_heading_without_a_boundary_is_refused_in_words(calm: Client, heading: str, path: str) -> None:
    answer = calm.generic("POST", path, b"x", content_type=heading)
    assert answer.status_code < 500
    assert answer.content or answer.status_code == 302
