"""House rules over HTTP."""

from django.contrib.auth.models import User
from django.test import Client

from tests.web.conftest import make_job, send
from weald.web.accounts.services import add_person

RULES = {"rules": {"binding.turn_in": 20, "binding.spine_rule": "block"}, "gauges": ["1/4 in"]}


def test_rules_are_kept_and_taken_by_the_next_job(client: Client, binder: User) -> None:
    opened = client.get("/api/house").json()
    assert opened["version"] == 1
    assert opened["usual"]["binding.turn_in"] == "18"
    kept = send(client, "PUT", "/api/house?version=1", RULES | {"vocabulary": "section"})
    assert kept.status_code == 200
    assert kept.json()["inputs"]["gauges.0"] == "6.35"
    begun = send(client, "POST", "/api/jobs", {"title": "Log"}).json()
    assert begun["spec"]["binding"]["turn_in"] == 20
    older = make_job(binder, {"title": "Older"})
    plan = send(client, "POST", "/api/plan?station=boards", older.head.spec if older.head else {}).json()
    assert {each["path"] for each in plan["departures"]} == {"binding.turn_in", "binding.spine_rule"}
    assert plan["gauges"][0]["quantity"] == "joint.gap"
    labels = {each["id"]: each["label"] for each in plan["quantities"]}
    assert labels["sections.count"] == "Sections"
    assert client.get("/api/me").json()["vocabulary"] == "section"


def test_a_late_write_that_says_nothing_changes_nothing(client: Client) -> None:
    send(client, "PUT", "/api/house?version=1", RULES)
    late = send(client, "PUT", "/api/house?version=1", {})
    assert (late.status_code, late.json()["version"]) == (200, 2)
    assert client.get("/api/house").json()["house"]["rules"]


def test_what_is_wrong_is_named(client: Client) -> None:
    answer = send(client, "PUT", "/api/house?version=1", {"rules": {"sewing.kettle": "deep"}})
    assert answer.status_code == 422
    assert "rules.sewing.kettle" in answer.json()["fields"]


def test_rules_are_the_workshops_own(client: Client, stranger: User) -> None:
    send(client, "PUT", "/api/house?version=1", RULES)
    other = Client()
    other.force_login(stranger)
    assert other.get("/api/house").json()["house"]["rules"] == {}
    assert send(other, "POST", "/api/jobs", {"title": "Log"}).json()["spec"]["binding"]["turn_in"] == 18


def test_who_is_new_prints_and_measures_as_the_house_does(client: Client, binder: User) -> None:
    send(client, "PUT", "/api/house?version=1", {"paper": "letter", "mm_division": 0.1})
    new = add_person("apprentice", "linen-thread", binder.membership.workshop.name, check=False)
    assert (new.preferences.paper, new.preferences.mm_division) == ("letter", 0.1)


def test_whatever_is_said_of_a_draft_is_said_in_the_workshops_word(client: Client) -> None:
    send(client, "PUT", "/api/house?version=1", {"vocabulary": "gathering"})
    job = {"title": "Signature tunes", "text": {"pages": 320}}
    for path in ("sewing", "make-ups", "folds", "film", "dummy", "structures", "ways"):
        answer = send(client, "POST", f"/api/{path}", job)
        assert answer.status_code == 200
        assert "signature" not in answer.content.decode().lower().replace("signature mark", ""), path
    steps = send(client, "POST", "/api/sewing", job).json()["steps"]
    assert any("the two gatherings below" in step["words"] for step in steps)
    # what is stored is the binder's own
    stored = send(client, "POST", "/api/jobs", job).json()
    assert (stored["title"], stored["spec"]["title"]) == ("Signature tunes", "Signature tunes")


def test_a_wrong_draft_is_answered_in_the_workshops_word_too(client: Client) -> None:
    send(client, "PUT", "/api/house?version=1", {"vocabulary": "section"})
    answer = send(client, "POST", "/api/sewing", {"text": {"pages": "many"}})
    assert (answer.status_code, list(answer.json()["fields"])) == (422, ["text.pages"])
