"""People of a workshop: invited, let in once, given roles and new passwords, removed."""

import json
from datetime import timedelta
from typing import Any
from urllib.parse import urlsplit

import pytest
from django.contrib.auth.models import User
from django.test import Client

from tests.web.conftest import PASSWORD, make_job, send
from weald.web.accounts import people
from weald.web.accounts.models import Invitation, Membership
from weald.web.accounts.services import add_person
from weald.web.api.signed_in import CHANGES_NOTHING
from weald.web.jobs.models import Job

GOOD = "paste and linen 12"


def invited(client: Client, role: str) -> str:
    answer = send(client, "POST", "/api/members/invite", {"role": role})
    assert (answer.status_code, answer.json()["days"]) == (201, 7)
    return urlsplit(answer.json()["address"]).path


def come_in(path: str, name: str, password: str = GOOD) -> tuple[Client, Any]:
    browser = Client()
    return browser, browser.post(path, {"name": name, "password": password})


def member(name: str) -> Membership:
    return Membership.objects.get(user__username=name)


@pytest.fixture
def helper(binder: User) -> Client:
    """A binder who does not own the workshop."""
    browser = Client()
    browser.force_login(
        add_person("helper", PASSWORD, "Saltmarsh Bindery", role=Membership.Role.BINDER, check=False)
    )
    return browser


def test_whoever_opens_a_workshop_owns_it(binder: User, helper: Client) -> None:
    assert [member(name).role for name in ("binder", "helper")] == ["owner", "binder"]


def test_a_link_lets_somebody_in_once(client: Client) -> None:
    path = invited(client, "binder")
    assert b"Saltmarsh Bindery" in Client().get(path).content
    browser, answer = come_in(path, "ellis")
    assert answer.status_code == 302
    assert (
        browser.get("/api/me").json() | {"name": "ellis", "role": "binder"} == browser.get("/api/me").json()
    )
    assert browser.get("/api/me").json()["workshop"] == "Saltmarsh Bindery"
    assert come_in(path, "another")[1].status_code == 410
    assert Client().get(path).status_code == 410


def test_the_link_is_kept_nowhere(client: Client) -> None:
    token = invited(client, "reader").rsplit("/", 1)[1]
    assert token not in json.dumps(list(Invitation.objects.values()), default=str)


@pytest.mark.parametrize(
    ("name", "password", "wrong"),
    [
        ("binder", GOOD, "called so already"),
        ("BINDER", GOOD, "called so already"),
        ("a" * 151, GOOD, "150"),
        ("two words", GOOD, "valid username"),
        ("ellis", "short", "too short"),
        ("ellis", "password123", "too common"),
        ("ellis", "q" * 12, "5 different letters"),
    ],
)
def test_a_bad_name_or_password_leaves_the_link_good(
    client: Client, name: str, password: str, wrong: str
) -> None:
    path = invited(client, "binder")
    _, answer = come_in(path, name, password)
    assert answer.status_code == 422
    assert wrong in answer.content.decode()
    assert come_in(path, "ellis")[1].status_code == 302


def test_a_link_grows_old(client: Client) -> None:
    path = invited(client, "binder")
    Invitation.objects.update(expires=Invitation.objects.get().expires - timedelta(days=8))
    assert come_in(path, "ellis")[1].status_code == 410


def test_a_forgotten_password(client: Client, helper: Client) -> None:
    path = f"/api/members/{member('helper').pk}/reset"
    first, second = (urlsplit(send(client, "POST", path).json()["address"]).path for _ in range(2))
    assert come_in(first, "")[1].status_code == 410, "an earlier link is worth nothing"
    browser, answer = come_in(second, "")
    assert answer.status_code == 302
    assert browser.get("/api/me").json()["name"] == "helper"
    assert helper.get("/api/me").status_code == 401, "signed out everywhere else"


def test_only_owners_deal_with_people(client: Client, helper: Client, stranger: User) -> None:
    owner = member("binder").pk
    for path, body in (
        ("invite", {"role": "owner"}),
        (f"{owner}/reset", None),
        (f"{owner}/role", {"role": "reader"}),
    ):
        assert send(helper, "POST", f"/api/members/{path}", body).status_code == 403, path
    assert send(helper, "DELETE", f"/api/members/{owner}").status_code == 403
    assert [each["name"] for each in helper.get("/api/members").json()] == ["binder", "helper"]
    for path in (f"{member('stranger').pk}/reset", f"{member('stranger').pk}/role"):
        answer = send(client, "POST", f"/api/members/{path}", {"role": "owner"})
        assert answer.status_code == 404, "one workshop never sees another's people"


def test_a_workshop_keeps_an_owner(client: Client, helper: Client) -> None:
    mine, theirs = member("binder").pk, member("helper").pk
    for answer in (
        send(client, "POST", f"/api/members/{mine}/role", {"role": "binder"}),
        send(client, "DELETE", f"/api/members/{mine}"),
    ):
        assert (answer.status_code, answer.json()["code"]) == (409, "last_owner")
    assert send(client, "POST", f"/api/members/{theirs}/role", {"role": "owner"}).status_code == 204
    assert send(client, "DELETE", f"/api/members/{mine}").status_code == 204
    assert client.get("/api/me").status_code == 401
    assert helper.get("/api/me").json()["role"] == "owner"


def test_what_somebody_did_keeps_their_name(client: Client, helper: Client) -> None:
    job = make_job(User.objects.get(username="helper"), {"title": "Pilot book"})
    assert send(client, "DELETE", f"/api/members/{member('helper').pk}").status_code == 204
    assert helper.get("/api/jobs").status_code == 401, "out at once"
    assert [step["author"] for step in client.get(f"/api/jobs/{job.pk}/history").json()] == ["helper"]
    assert [each["name"] for each in client.get("/api/members").json()] == ["binder"]


def test_a_reader_looks_and_changes_nothing(client: Client, helper: Client, job: Job) -> None:
    people.give_role(User.objects.get(username="binder"), member("helper"), Membership.Role.READER)
    spec = helper.get(f"/api/jobs/{job.pk}").json()["spec"]
    assert send(helper, "POST", "/api/plan", spec).status_code == 200
    assert helper.get(f"/api/jobs/{job.pk}/bench-papers/job-sheet.pdf").status_code == 200
    answer = send(helper, "PUT", f"/api/jobs/{job.pk}?version=1", spec)
    assert (answer.status_code, answer.json()["code"]) == (403, "reader")
    paths = helper.get("/api/openapi.json").json()["paths"]
    asked = 0
    for path, operations in paths.items():
        for method in operations.keys() & {"post", "put", "patch", "delete"}:
            if path in CHANGES_NOTHING:
                continue
            place = path.replace("{digest}", "0" * 64).replace("{artwork}", "0")
            for name in (
                *("job_id", "set_id", "item_id", "member_id", "printer_id", "profile_id", "place"),
                *("customer_id", "paper_id"),
            ):
                place = place.replace(f"{{{name}}}", str(job.pk))
            for name in ("print_id", "cutting_id", "laying_id", "key"):
                place = place.replace(f"{{{name}}}", "00000000-0000-4000-8000-000000000000")
            assert "{" not in place, path
            assert send(helper, method.upper(), place, {}).status_code == 403, (method, path)
            asked += 1
    assert asked > 25
