"""Two people on one thing: nobody's change is lost, and only what meets is asked."""

from datetime import timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client
from django.utils import timezone

from tests.web.conftest import make_job, send
from weald.core.planning.house import read_house
from weald.web.accounts.keeping import state_at
from weald.web.accounts.models import KeptState, Membership
from weald.web.accounts.services import join
from weald.web.jobs.models import Job
from weald.web.jobs.tasks import LONGEST_OPEN, tidy


@pytest.fixture
def other(binder: User) -> Client:
    """Ida, of the same workshop, signed in."""
    client = Client()
    workshop = binder.membership.workshop
    client.force_login(join("ida", "x" * 12, workshop, Membership.Role.OWNER, check=False))
    return client


def save(client: Client, job: Job, version: int, changes: dict[str, Any], **query: Any) -> Any:
    spec = client.get(f"/api/jobs/{job.pk}/history/{version}").json()["spec"]
    for path, value in changes.items():
        *groups, name = path.split(".")
        place = spec
        for group in groups:
            place = place[group]
        place[name] = value
    asked = "&".join(f"{name}={value}" for name, value in {"version": version, **query}.items())
    return send(client, "PUT", f"/api/jobs/{job.pk}?{asked}", spec)


HEAD, TAIL = "binding.squares.head", "binding.squares.tail"


def squares(client: Client, job: Job) -> dict[str, float]:
    found: dict[str, float] = client.get(f"/api/jobs/{job.pk}").json()["spec"]["binding"]["squares"]
    return found


def test_head_and_tail_changed_at_once_are_both_kept_and_said(
    client: Client, other: Client, job: Job
) -> None:
    assert save(other, job, 1, {HEAD: 5}).status_code == 200
    mine = save(client, job, 1, {TAIL: 4})
    assert mine.status_code == 200, mine.content
    assert mine.json()["others"] == ["Square at the head 5 mm"]
    assert mine.json()["others_by"] == ["ida"]
    assert squares(client, job) == {"head": 5, "tail": 4, "fore_edge": 4}
    steps = client.get(f"/api/jobs/{job.pk}/history").json()
    assert [(step["author"], step["summary"].split(";")[0]) for step in steps[:2]] == [
        ("binder", "Square at the tail 4 mm"),
        ("ida", "Square at the head 5 mm"),
    ]


def test_what_meets_is_asked_with_both_values_and_what_each_means(
    client: Client, other: Client, job: Job
) -> None:
    save(other, job, 1, {HEAD: 5})
    asked = save(client, job, 1, {HEAD: 6, TAIL: 4})
    assert (asked.status_code, asked.json()["code"]) == (409, "meets")
    (choice,) = asked.json()["choices"]
    assert (choice["label"], choice["mine"], choice["theirs"]) == ("Square at the head", "6 mm", "5 mm")
    assert "220" in choice["mine_means"]
    assert "219" in choice["theirs_means"]
    assert squares(client, job) == {"head": 5, "tail": 3, "fore_edge": 4}
    settled = save(client, job, 1, {HEAD: 6, TAIL: 4}, seen=2, mine=HEAD)
    assert settled.status_code == 200
    assert squares(client, job) == {"head": 6, "tail": 4, "fore_edge": 4}


def test_what_was_given_up_can_be_taken_up_again_from_the_history(
    client: Client, other: Client, job: Job
) -> None:
    save(other, job, 1, {HEAD: 5})
    done = save(client, job, 1, {HEAD: 6, TAIL: 4}, seen=2, theirs=HEAD).json()
    assert squares(client, job) == {"head": 5, "tail": 4, "fore_edge": 4}
    back = {"version": done["version"], "stand_at": done["version"] - 1}
    assert send(client, "POST", f"/api/jobs/{job.pk}/stand-at", back).status_code == 200
    assert squares(client, job) == {"head": 6, "tail": 4, "fore_edge": 4}


def test_a_choice_made_on_what_has_changed_again_is_asked_anew(
    client: Client, other: Client, job: Job
) -> None:
    save(other, job, 1, {HEAD: 5})
    save(other, job, 2, {HEAD: 7})
    asked = save(client, job, 1, {HEAD: 6}, seen=2, mine=HEAD)
    assert asked.status_code == 409
    assert asked.json()["choices"][0]["theirs"] == "7 mm"


def test_a_save_sent_again_after_a_lost_answer_is_taken_for_what_it_is(client: Client, job: Job) -> None:
    first = save(client, job, 1, {HEAD: 5}).json()
    again = save(client, job, 1, {HEAD: 5})
    assert (again.status_code, again.json()["version"], again.json()["others"]) == (200, first["version"], [])


def test_changes_that_are_sound_alone_and_not_together_are_asked_about(
    client: Client, other: Client, job: Job
) -> None:
    assert save(other, job, 1, {"text.pages": 4000}).status_code == 200
    asked = save(client, job, 1, {"folding.make_up": "one_section", "folding.sheets_per_section": 3})
    assert (asked.status_code, asked.json()["code"]) == (409, "meets")
    assert "Making up" in [each["label"] for each in asked.json()["choices"]]
    assert client.get(f"/api/jobs/{job.pk}").json()["spec"]["text"]["pages"] == 4000


def test_rules_of_the_house_people_terms_and_sets_are_merged_alike(
    client: Client, other: Client, binder: User
) -> None:
    house = client.get("/api/house").json()

    def rules(who: Client, **kept: Any) -> Any:
        return send(who, "PUT", f"/api/house?version={house['version']}", {"rules": kept})

    assert rules(other, **{"binding.turn_in": 20}).status_code == 200
    mine = rules(client, **{"binding.overlap": 25})
    assert (mine.status_code, mine.json()["others"]) == (200, ["Turn-in"])
    assert mine.json()["house"]["rules"] == {"binding.turn_in": 20, "binding.overlap": 25}
    met = rules(client, **{"binding.turn_in": 16}).json()
    (choice,) = met["choices"]
    assert (choice["label"], choice["mine"], choice["theirs"]) == ("Turn-in", "16 mm", "20 mm")

    terms = client.get("/api/terms").json()
    for who, change in ((other, {"margin": "10"}), (client, {"rate": "30"})):
        answer = send(who, "PUT", f"/api/terms?version={terms['version']}", {**terms["terms"], **change})
        assert answer.status_code == 200, answer.content
    assert (answer.json()["terms"]["margin"], answer.json()["terms"]["rate"]) == ("10", "30")

    kept = client.get("/api/workplace").json()
    people = kept["workplace"]["people"]
    for who, row in ((other, 0), (client, 1)):
        body = {**kept["workplace"], "people": [dict(each) for each in people]}
        body["people"][row]["name"] = f"renamed {row}"
        answer = send(who, "PUT", f"/api/workplace?version={kept['version']}", body)
        assert answer.status_code == 200, answer.content
    assert [each["name"] for each in answer.json()["workplace"]["people"]] == ["renamed 0", "renamed 1"]

    job = make_job(binder, {"title": "Log"})
    made = send(client, "POST", "/api/sets", {"title": "Logs", "job": job.pk}).json()
    for who, change in ((other, {"cloth": "blue"}), (client, {"numerals": "arabic"})):
        body = {"version": made["version"], "spec": {**made["spec"], **change}}
        answer = send(who, "PUT", f"/api/sets/{made['id']}", body)
        assert answer.status_code == 200, answer.content
    assert (answer.json()["spec"]["cloth"], answer.json()["spec"]["numerals"]) == ("blue", "arabic")


def test_a_state_nobody_knows_any_more_is_asked_about_and_overwrites_nothing(
    client: Client, other: Client, binder: User
) -> None:
    opened = client.get("/api/house").json()
    rules, version = opened["house"], opened["version"]
    theirs = send(other, "PUT", f"/api/house?version={version}", {**rules, "hand": "left"})
    assert theirs.status_code == 200
    KeptState.objects.update(at=timezone.now() - LONGEST_OPEN - timedelta(days=1))
    tidy(0)
    assert not KeptState.objects.exists()
    asked = send(client, "PUT", f"/api/house?version={version}", {**rules, "vocabulary": "gathering"})
    assert asked.status_code == 409
    assert client.get("/api/house").json()["house"]["hand"] == "left"


def test_a_state_that_was_kept_is_read_as_it_would_be_written_today(binder: User) -> None:
    workshop = binder.membership.workshop
    KeptState.objects.create(workshop=workshop, part="house", version=3, data={"hand": "left"})
    KeptState.objects.create(workshop=workshop, part="house", version=4, data={"hand": "both"})
    assert state_at(workshop, "house", 3, read_house) == read_house({"hand": "left"}).model_dump(mode="json")
    assert state_at(workshop, "house", 4, read_house) is None
