"""Sets over HTTP: begun from a job, written, stale writes refused, volumes begun."""

from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from tests.web.conftest import make_job, send
from weald.web.jobs.models import BookSet, Job


@pytest.fixture
def logs(client: Client, job: Job) -> dict[str, Any]:
    made = send(client, "POST", "/api/sets", {"title": "Logs", "job": job.pk})
    assert made.status_code == 201
    found: dict[str, Any] = made.json()
    return found


def volumes(*numbers: int) -> list[dict[str, Any]]:
    return [{"title": "Log", "number": number, "pages": 200} for number in numbers]


def test_a_set_is_begun_written_and_found_again(client: Client, logs: dict[str, Any]) -> None:
    assert [each["numeral"] for each in logs["plan"]["volumes"]] == ["I"]
    spec = {"title": "Logs", "numerals": "roman_iiii", "volumes": volumes(1, 2, 4)}
    saved = send(client, "PUT", f"/api/sets/{logs['id']}", {"version": logs["version"], "spec": spec})
    assert [each["numeral"] for each in saved.json()["plan"]["volumes"]] == ["I", "II", "IIII"]
    assert [each["code"] for each in saved.json()["plan"]["findings"]] == ["set.gap"]
    assert client.get("/api/sets?search=log").json()[0]["volumes"] == 3
    assert client.get("/api/sets?search=psalter").json() == []
    again = client.get(f"/api/sets/{logs['id']}").json()
    assert again["version"] == 2
    for ending, start in (
        ("spines.pdf", b"%PDF"),
        ("spines.svg", b"<?xml"),
        ("spines.dxf", b"  0"),
        ("volumes.csv", b"set"),
    ):
        answer = client.get(f"/api/sets/{logs['id']}/{ending}")
        assert answer.content.startswith(start), ending
    assert client.delete(f"/api/sets/{logs['id']}").status_code == 204
    assert client.get("/api/sets").json() == []


def test_a_stale_write_changes_nothing(client: Client, logs: dict[str, Any]) -> None:
    path = f"/api/sets/{logs['id']}"
    first = {"version": 1, "spec": {"title": "Mine", "volumes": volumes(1)}}
    assert send(client, "PUT", path, first).status_code == 200
    late = send(client, "PUT", path, {"version": 1, "spec": {"title": "Theirs"}})
    assert (late.status_code, late.json()["code"]) == (409, "meets")
    assert [each["label"] for each in late.json()["choices"]] == ["Title of the set", "Volumes"]
    assert BookSet.objects.get().title == "Mine"


def test_what_is_wrong_is_named_where_it_is(client: Client, logs: dict[str, Any]) -> None:
    spec = {"title": "Logs", "volumes": [{"number": 1, "thickness": "thick"}]}
    answer = send(client, "PUT", f"/api/sets/{logs['id']}", {"version": 1, "spec": spec})
    assert answer.status_code == 422
    assert list(answer.json()["fields"]) == ["volumes.0.thickness"]


def test_a_volume_becomes_a_job_once(client: Client, logs: dict[str, Any]) -> None:
    spec = {"title": "Logs", "volumes": volumes(1, 2)}
    send(client, "PUT", f"/api/sets/{logs['id']}", {"version": 1, "spec": spec})
    begun = client.post(f"/api/sets/{logs['id']}/volumes/1/job")
    assert begun.status_code == 201
    job = client.get(f"/api/jobs/{begun.json()['job']}").json()
    assert job["title"] == "Logs, volume 2"
    assert (job["spec"]["finish"]["volume"], job["spec"]["text"]["pages"]) == ("II", 200)
    assert client.post(f"/api/sets/{logs['id']}/volumes/1/job").status_code == 422
    assert client.post(f"/api/sets/{logs['id']}/volumes/7/job").status_code == 422
    assert client.get("/api/sets").json()[0]["begun"] == 1


def test_what_the_volumes_share_follows_a_job_when_it_is_taken_anew(
    client: Client, binder: User, logs: dict[str, Any]
) -> None:
    other = make_job(binder, {"leaf": {"width": 100, "height": 160}})
    spec = {"title": "Logs", "volumes": volumes(1)}
    body = {"version": 1, "spec": spec, "job": other.pk}
    shared = send(client, "PUT", f"/api/sets/{logs['id']}", body).json()["plan"]["shared"]
    assert {"label": "Board height", "shown": "166 mm"} in shared


def test_another_workshops_sets_and_jobs_are_not_there(
    client: Client, stranger: User, logs: dict[str, Any]
) -> None:
    theirs = make_job(stranger, {"title": "Secret"})
    other = Client()
    other.force_login(stranger)
    path = f"/api/sets/{logs['id']}"
    assert other.get("/api/sets").json() == []
    assert other.get(path).status_code == 404
    assert send(other, "PUT", path, {"version": 1, "spec": {}}).status_code == 404
    assert other.delete(path).status_code == 404
    assert other.post(f"{path}/volumes/0/job").status_code == 404
    assert other.get(f"{path}/spines.pdf").status_code == 404
    assert send(client, "POST", "/api/sets", {"title": "Mine", "job": theirs.pk}).status_code == 404
    sneaky = {"version": 1, "spec": {"volumes": [{"number": 1, "job": theirs.pk}]}}
    assert send(client, "PUT", path, sneaky).status_code == 404


def test_the_spines_come_out_in_every_format_once_there_are_volumes(
    client: Client, logs: dict[str, Any]
) -> None:
    path = f"/api/sets/{logs['id']}"
    send(client, "PUT", path, {"version": 1, "spec": {"title": "Logs", "volumes": []}})
    assert client.get(f"{path}/spines.pdf").status_code == 404, "an empty set has no spines"
    send(client, "PUT", path, {"version": 2, "spec": {"title": "Logs", "volumes": volumes(1, 2, 4)}})
    for kind, begins in (("pdf", b"%PDF"), ("svg", b"<?xml"), ("dxf", b"  0")):
        taken = client.get(f"{path}/spines.{kind}")
        assert taken.status_code == 200
        assert taken.content[:5].startswith(begins)


def test_a_set_is_thrown_away_and_its_jobs_stay(client: Client, logs: dict[str, Any], job: Job) -> None:
    send(client, "PUT", f"/api/sets/{logs['id']}", {"version": 1, "spec": {"volumes": volumes(1)}})
    begun = client.post(f"/api/sets/{logs['id']}/volumes/0/job").json()["job"]
    assert client.delete(f"/api/sets/{logs['id']}").status_code == 204
    assert client.get("/api/sets").json() == []
    assert BookSet.objects.count() == 0
    assert {each.pk for each in Job.objects.all()} == {job.pk, begun}
