"""Rows an earlier Weald stored are opened, undone to, and planned."""

import json
from pathlib import Path

import pytest

from tests.web.conftest import send
from weald.web.jobs.models import BookSet, Change, Job, Move
from weald.web.printing.models import CoverProfile, PrinterProfile
from weald.web.shelf.models import Cutting

pytestmark = pytest.mark.django_db
CORPUS = Path(__file__).parent.parent / "corpus" / "v1"


def rows(kind: str) -> list:
    return json.loads((CORPUS / f"{kind}_rows.json").read_text())


def test_a_job_with_an_old_history_opens_and_goes_back_in_it(client, binder):
    old, newer = rows("job")[-2:]
    job = Job.objects.create(workshop=binder.membership.workshop, title=old["title"], version=2)
    first = Change.objects.create(job=job, spec=old, summary="begun")
    second = Change.objects.create(job=job, parent=first, spec=newer, summary="changed")
    for version, change in ((1, first), (2, second)):
        Move.objects.create(job=job, version=version, change=change, verb=Move.Verb.CHANGED)
    job.head = second
    job.save()
    assert client.get(f"/api/jobs/{job.pk}").json()["spec"]["text"] == newer["text"]
    undone = send(client, "POST", f"/api/jobs/{job.pk}/undo", {"version": 2})
    assert undone.status_code == 200
    assert undone.json()["spec"]["measured"] == old["measured"]
    mine = newer | {"measured": {key: size + 1 for key, size in newer["measured"].items()}}
    stale = send(client, "PUT", f"/api/jobs/{job.pk}?version=2", mine)
    assert stale.status_code == 409
    # what only this version of a job file knows is no difference between two old states
    assert set(stale.json()["fields"]) == {f"measured.{key}" for key in newer["measured"]}


def test_old_sets_house_rules_profiles_and_layouts_are_served(client, binder):
    workshop = binder.membership.workshop
    workshop.house = rows("house")[0]
    workshop.save()
    for row in rows("set"):
        BookSet.objects.create(workshop=workshop, title=row["spec"]["title"], **row)
    printer = PrinterProfile.objects.create(workshop=workshop, name="x", spec=rows("printer")[0], version=1)
    rules = CoverProfile.objects.create(workshop=workshop, name="y", spec=rows("cover_profile")[0], version=1)
    cutting = rows("cutting")[0]
    laid = Cutting.objects.create(
        workshop=workshop, title="Old layout", author=binder, **cutting | {"jobs": cutting["jobs"][:1]}
    )
    assert client.get("/api/house").json()["house"]["rules"]
    number = BookSet.objects.get().pk
    assert len(client.get(f"/api/sets/{number}").json()["spec"]["volumes"]) == 3
    assert client.get("/api/printers").json()[0]["printer"]["name"] == printer.printer.name
    assert client.get("/api/cover-profiles").json()[0]["rules"]["name"] == rules.rules.name
    answer = client.get(f"/api/cuttings/{laid.pk}")
    assert answer.status_code == 200
    assert answer.json()["groups"]
