import gzip
import json
import os
from typing import Any
from urllib.parse import urlencode

import pytest
import schemathesis
from django.core.management import call_command
from django.test import Client
from hypothesis import HealthCheck, settings

from tests.web.conftest import send
from weald.web.api.api import openapi_document
from weald.web.jobs.models import Job

SCHEMA = schemathesis.openapi.from_dict(openapi_document())


def test_a_job_file_is_planned_without_being_stored(client: Client, contract_job: dict[str, Any]) -> None:
    answer = send(client, "POST", "/api/plan", contract_job)
    plan = answer.json()
    assert answer.status_code == 200
    assert {each["id"]: each["value"] for each in plan["quantities"]}["board.height"] == 216
    assert len(plan["sheets"]) == 47
    stations = {each["station"] for each in plan["drawings"]}
    assert stations == {
        "text",
        "paper",
        "folding",
        "printing",
        "sewing",
        "block",
        "boards",
        "finish",
        "bench",
        "pieces",
    }
    assert not Job.objects.exists()


def test_a_station_gets_only_its_own_drawings(client: Client) -> None:
    plan = send(client, "POST", "/api/plan?station=folding&section=3", {"text": {"pages": 64}}).json()
    assert {each["station"] for each in plan["drawings"]} == {"folding"}
    assert plan["shown_section"] == 3
    assert plan["sheets"] == []


def test_an_answer_is_packed_for_a_browser_that_takes_it_so(client: Client) -> None:
    body = json.dumps({"text": {"pages": 64}})
    plain = client.post("/api/plan?station=boards", body, content_type="application/json")
    packed = client.post(
        "/api/plan?station=boards", body, content_type="application/json", headers={"Accept-Encoding": "gzip"}
    )
    assert "Content-Encoding" not in plain.headers
    assert packed.headers["Content-Encoding"] == "gzip"
    assert len(packed.content) < len(plain.content) / 4
    assert json.loads(gzip.decompress(packed.content)) == plain.json()


def test_lengths_are_shown_as_the_person_reads_them(client: Client) -> None:
    send(client, "PATCH", "/api/me", {"units": "inch", "inch_division": 16})
    plan = send(client, "POST", "/api/plan?station=boards", {"leaf": {"height": "8 1/4"}}).json()
    shown = {each["id"]: each["shown"] for each in plan["quantities"]}
    assert shown["board.height"] == "8 1/2″"
    assert plan["inputs"]["leaf.height"] == "8 1/4"


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"leaf": {"width": "??"}}, "leaf.width"),
        ({"sizes": 1}, "sizes"),
        ({"measured": {"x": 1}}, "measured.x"),
    ],
)
def test_what_cannot_be_planned_is_named(client: Client, body: dict[str, Any], field: str) -> None:
    answer = send(client, "POST", "/api/plan", body)
    assert answer.status_code == 422
    assert field in answer.json()["fields"]
    assert field in answer.json()["message"]


@pytest.mark.parametrize("raw", [b"", b"{", b"[]", b'"x"', b"null", b"\xff", b"[" * 100_000])
def test_what_is_no_json_is_no_accident(client: Client, raw: bytes) -> None:
    answer = client.generic("POST", "/api/plan", raw, content_type="application/json")
    assert answer.status_code in (400, 422)
    assert set(answer.json()) == {"code", "message", "fields"}


@pytest.mark.parametrize(
    ("text", "steps", "shown"), [("210+6", 0, "216"), ("140", 1, "140.5"), ("1 in", -2, "24.5")]
)
def test_a_length_is_read_and_stepped(client: Client, text: str, steps: int, shown: str) -> None:
    assert send(client, "POST", "/api/length", {"text": text, "steps": steps}).json()["text"] == shown


def test_a_length_that_is_none_is_refused(client: Client) -> None:
    answer = send(client, "POST", "/api/length", {"text": "wide"})
    assert (answer.status_code, answer.json()["code"]) == (422, "invalid")


def test_choices_have_names(client: Client) -> None:
    choices = client.get("/api/choices").json()
    assert {"A4", "SRA3", "25 × 38 in"} <= {each["name"] for each in choices["sheets"]}
    assert choices["new_job"]["format"] == "weald-job"


@pytest.mark.django_db
def test_the_models_and_their_migrations_agree() -> None:
    call_command("makemigrations", "--check", "--dry-run", verbosity=0)


CALLS = int(os.environ.get("WEALD_CALLS", "0"))
"""So many in the long run, of all operations; else fifteen each of the commonest."""
ASKED = "/api/" if CALLS else "/api/(plan|length|me|choices|jobs|members)$"


@schemathesis.serializer("application/pdf", "image/jpeg", "image/png", "image/webp", "image/svg+xml")
def as_it_is(_: object, body: object) -> bytes:
    """A file that is brought is sent as it is."""
    return body if isinstance(body, bytes) else str(body).encode("utf-8", "replace")


@SCHEMA.include(path_regex=ASKED).parametrize()
@settings(max_examples=CALLS // 100 or 15, deadline=None, suppress_health_check=list(HealthCheck))
def test_nothing_that_is_sent_makes_the_server_fail(case: schemathesis.Case, client: Client) -> None:
    answer = client.generic(
        case.method,
        case.formatted_path,
        data=_body(case),
        content_type="application/json",
        QUERY_STRING=urlencode(case.query or {}, doseq=True, errors="replace"),
    )
    assert answer.status_code < 500, answer.content
    if answer.status_code >= 400:
        assert set(answer.json()) >= {"code", "message", "fields"}


def _body(case: schemathesis.Case) -> bytes:
    try:
        return json.dumps(case.body).encode()
    except (TypeError, UnicodeEncodeError):
        return b""
