"""What finished books teach: reckoned from their record, offered, taken by hand, and said of a job."""

import uuid
from datetime import timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from tests.web.conftest import make_job, send
from weald.core.planning.learning import spread_in_words
from weald.core.shelf.stock import read_stock
from weald.web.bench.services import Happening, happened
from weald.web.jobs.models import Job
from weald.web.shelf.models import Movement, ShelfItem
from weald.web.shelf.services import add_item, move


def finished(binder: User, title: str, sewn_minutes: int, **more: Any) -> Job:
    """A book sewn in so many minutes, and finished."""
    job = make_job(binder, {"title": title, **more})
    for kind, ago in (("started", sewn_minutes), ("done", 0)):
        what = Happening(uuid.uuid4(), kind, "sew", ago=timedelta(minutes=ago), late=True)  # type: ignore[arg-type]
        happened(job, binder, what)
    Job.objects.filter(pk=job.pk).update(state=Job.State.FINISHED)
    return job


def learnt(client: Client) -> dict[str, Any]:
    answer = client.get("/api/learning")
    assert answer.status_code == 200, answer.content
    return {each["id"]: each for each in answer.json()["found"]}


def sections_of(client: Client, job: Job) -> tuple[float, float]:
    """Minutes sewing is planned to take once, and for how many sections."""
    spec = client.get(f"/api/jobs/{job.pk}").json()["spec"]
    plan = send(client, "POST", "/api/plan?station=bench", spec).json()
    sew = next(each for each in plan["operations"] if each["id"] == "sew")
    return sew["minutes"], len(plan["sections"])


def test_minutes_a_section_by_hand(client: Client, binder: User) -> None:
    jobs = [finished(binder, f"Book {number}", minutes) for number, minutes in enumerate((60, 80, 120))]
    found = learnt(client)["minutes.sew.rate"]
    minutes, sections = sections_of(client, jobs[0])
    once = minutes - found["usual"] * sections
    by_hand = sorted((each - once) / sections for each in (60, 80, 120))
    assert [each["value"] for each in found["found"]] == pytest.approx(
        [(each - once) / sections for each in (120, 80, 60)], abs=0.02
    )
    assert found["middle"] == pytest.approx(by_hand[1], abs=0.02)
    assert "from 3 books, between" in found["words"]


def test_an_experience_becomes_a_rule_by_hand_and_a_new_job_says_so(client: Client, binder: User) -> None:
    finished(binder, "First", 90)
    before = learnt(client)["minutes.sew.rate"]
    assert before["usual"] != before["middle"]
    assert client.get("/api/house").json()["house"]["rules"] == {}, "nothing is taken by itself"
    answer = send(client, "POST", "/api/learning/take", {"id": "minutes.sew.rate"})
    assert answer.status_code == 200, answer.content
    rules = client.get("/api/house").json()["house"]
    assert rules["rules"]["bench.times.sew.rate"] == before["middle"]
    assert rules["learnt"]["bench.times.sew.rate"]["words"] == before["words"]
    job = send(client, "POST", "/api/jobs", {"title": "Next"}).json()
    plan = send(client, "POST", "/api/plan", job["spec"]).json()
    assert len(plan["rests_on"]) == 1
    assert "from 1 book" in plan["rests_on"][0]
    changed = {**rules, "rules": {}}
    version = client.get("/api/house").json()["version"]
    assert send(client, "PUT", f"/api/house?version={version}", changed).status_code == 200
    assert send(client, "POST", "/api/plan", job["spec"]).json()["rests_on"] == []


def test_bulk_swell_growth_and_spoilage_are_read_from_what_was_measured(client: Client, binder: User) -> None:
    paper = {"name": "Gull laid", "kind": "paper", "grammage": 90, "bulk": 1.2, "width": 450, "height": 320}
    item = add_item(binder.membership.workshop, binder, read_stock(paper), 100)
    stock = {"item": item.pk, "name": item.name, "width": 450, "height": 320, "grain": "width"}
    job = finished(
        binder,
        "Measured",
        60,
        paper={"name": "Gull laid", "grammage": 90},
        stock={"text_sheet": stock},
        measured={"paper.calliper": 0.126, "spine.swell": 2.0},
    )
    move(item, binder, -9, Movement.Reason.USED, job=job)
    move(item, binder, -1, Movement.Reason.SPOILT, job=job)
    found = learnt(client)
    assert found["bulk.Gull laid"]["middle"] == pytest.approx(1.4)
    assert found["spoilage.paper"]["middle"] == pytest.approx(10)
    assert found["swell"]["rule"] == "sewing.swell_factor"
    assert send(client, "POST", "/api/learning/take", {"id": "bulk.Gull laid"}).status_code == 200
    assert ShelfItem.objects.get(pk=item.pk).spec["bulk"] == pytest.approx(1.4)
    assert send(client, "POST", "/api/learning/take", {"id": "spoilage.paper"}).status_code == 422
    assert send(client, "POST", "/api/learning/take", {"id": "nothing"}).status_code == 422


def test_only_the_workshops_own_finished_books_teach(client: Client, binder: User, stranger: User) -> None:
    finished(stranger, "Theirs", 500)
    make_job(binder, {"title": "Not finished"})
    assert learnt(client) == {}


@pytest.mark.parametrize(
    ("books", "words"),
    [(1, "2 min, from 1 book"), (3, "2 min, from 3 books, between 1 and 3")],
)
def test_how_a_spread_is_said(books: int, words: str) -> None:
    assert spread_in_words(2, 1, 3, books, "min") == words
    assert "half of them" in spread_in_words(2, 1, 3, 4, "min")
