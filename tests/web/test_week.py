"""The week: who is there, promises, steps moved, the order of books, calendars, and who may see what."""

import csv
import io
from datetime import UTC, datetime, timedelta
from typing import Any

import icalendar
import pypdfium2
import pytest
from django.contrib.auth.models import User
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from tests.web.conftest import make_job, send
from weald.core.planning.book_set import read_set
from weald.core.schedule.hours import windows
from weald.core.schedule.workplace import Hours, Worker
from weald.web.jobs.models import Job
from weald.web.jobs.sets import begin_set, save_set
from weald.web.office.models import Decision
from weald.web.week import books, services
from weald.web.week.models import Feed, Laying, Wish

ALL_DAY = [
    {"weekday": day, "begins": begins, "ends": ends}
    for day in range(7)
    for begins, ends in (("0:00", "12:00"), ("12:00", "0:00"))
]


def workplace(client: Client, *people: dict[str, Any], **more: Any) -> Any:
    kept = client.get("/api/workplace").json()
    body = {**kept["workplace"], "people": list(people), **more}
    return send(client, "PUT", f"/api/workplace?version={kept['version']}", body)


def there(client: Client) -> None:
    """Somebody who is there day and night."""
    answer = workplace(client, {"id": "ida", "name": "Ida", "account": "binder", "hours": ALL_DAY})
    assert answer.status_code == 200, answer.content


def promised(client: Client, job: Job, days: int = 30, **more: Any) -> Any:
    day = (timezone.now() + timedelta(days=days)).date().isoformat()
    answer = send(client, "PUT", f"/api/jobs/{job.pk}/promise", {"promised": day, **more})
    assert answer.status_code == 200, answer.content
    return answer.json()


def week(client: Client, **query: Any) -> Any:
    answer = client.get("/api/week", query)
    assert answer.status_code == 200, answer.content
    return answer.json()


def spells(shown: Any) -> list[Any]:
    return [spell for stint in shown["stints"] for spell in stint["spells"]]


def moment(text: str) -> datetime:
    return datetime.fromisoformat(text)


def test_without_a_word_everybody_is_there_in_the_evenings(client: Client) -> None:
    kept = client.get("/api/workplace").json()
    assert kept["usual"]
    assert [person["name"] for person in kept["workplace"]["people"]] == ["binder"]
    assert {hours["begins"] for hours in kept["workplace"]["people"][0]["hours"]} == {"19:00", "10:00"}


def test_people_and_places_are_kept_read_in_inches_and_refused_where_they_are_wrong(client: Client) -> None:
    send(client, "PATCH", "/api/me", {"units": "inch"})
    press = {
        "id": "press",
        "place": "nipping_press",
        "opening": "4 1/2",
        "platen_width": 8,
        "platen_height": 12,
    }
    answer = workplace(client, {"id": "ida", "name": "Ida", "hours": ALL_DAY}, equipment=[press])
    assert answer.status_code == 200, answer.content
    assert answer.json()["workplace"]["equipment"][0]["opening"] == pytest.approx(114.3)
    assert answer.json()["inputs"]["equipment.0.opening"] == "4 1/2"
    wrong = workplace(
        client,
        {"id": "ida", "name": "Ida", "hours": [{"weekday": 0, "begins": "25:00", "ends": "26:00"}]},
        {"id": "ida", "name": "Other", "away": [{"first": "2026-05-02", "last": "2026-05-01"}]},
        zone="Nowhere/At all",
    )
    assert wrong.status_code == 422
    assert {"people.0.hours.0.begins", "zone"} <= set(wrong.json()["fields"])
    twice = workplace(client, {"id": "ida", "name": "Ida"}, {"id": "ida", "name": "Other"})
    assert "people.1.id" in twice.json()["fields"]


def test_two_who_write_people_at_once_do_not_overwrite(client: Client) -> None:
    there(client)
    answer = send(client, "PUT", "/api/workplace?version=1", {"people": []})
    assert answer.status_code == 200
    assert [each["name"] for each in answer.json()["workplace"]["people"]] == ["Ida"]
    assert "Ida" in answer.json()["others"]


def test_a_promised_book_is_laid_out_with_what_it_hangs_on(client: Client, job: Job) -> None:
    there(client)
    assert spells(week(client)) == []
    assert [each["job"] for each in week(client)["not_in_it"]] == [job.pk]
    reply = promised(client, job)
    assert reply["in_week"]["slack"] > 0
    shown = week(client, days=14)
    assert {each["operation"] for each in spells(shown)} >= {"sew", "make_case", "case_in"}
    assert all(each["people"] == ["ida"] for each in shown["stints"])
    assert shown["todo"][0]["when"] == "now"
    assert "promised for" in shown["todo"][0]["why"]
    (line,) = shown["jobs"]
    assert "work" in line["hangs_on"]
    assert "drying" in line["hangs_on"]
    assert shown["not_in_it"] == []


def test_a_promise_in_the_past_and_one_that_cannot_be_kept_are_said(client: Client, job: Job) -> None:
    there(client)
    assert "past" in promised(client, job, days=-3)["in_week"]["warning"]
    soon = timezone.now() + timedelta(hours=1)
    body = {"promised": soon.date().isoformat(), "at": soon.strftime("%H:%M")}
    late = send(client, "PUT", f"/api/jobs/{job.pk}/promise", body).json()["in_week"]
    assert late["slack"] < 0
    assert "cannot be kept" in late["warning"]
    assert send(client, "PUT", f"/api/jobs/{job.pk}/promise", {"promised": "0001-01-01"}).status_code == 422


def test_work_at_the_bench_is_fixed_and_what_follows_is_laid_out_anew(client: Client, job: Job) -> None:
    there(client)
    promised(client, job)
    step = week(client)["todo"][0]["operation"]
    key = "6a1f0000-0000-4000-8000-00000000000"
    told = {"key": key + "1", "kind": "started", "operation": step}
    assert send(client, "POST", f"/api/jobs/{job.pk}/bench", told).status_code in (200, 201)
    under_way = [each for each in spells(week(client)) if each["state"] == "under_way"]
    assert [each["operation"] for each in under_way] == [step]
    assert under_way[0]["people"] == ["ida"]
    send(client, "POST", f"/api/jobs/{job.pk}/bench", {"key": key + "2", "kind": "done", "operation": step})
    assert step not in {each["operation"] for each in spells(week(client, days=28))}


def test_a_step_is_put_to_a_time_says_what_it_costs_and_is_let_go(client: Client, job: Job) -> None:
    there(client)
    promised(client, job)
    spell = next(each for each in spells(week(client)) if each["operation"] == "fold")
    later = moment(spell["begins"]) + timedelta(days=2)
    move = {"job": job.pk, "operation": "fold", "begins": later.isoformat(), "worker": "ida"}
    reply = send(client, "POST", "/api/week/move", move)
    assert reply.status_code == 200, reply.content
    assert reply.json()["kept"]
    assert any("later" in words for words in reply.json()["words"])
    held = next(each for each in spells(week(client, days=14)) if each["operation"] == "fold")
    assert held["state"] == "pinned"
    assert abs(moment(held["begins"]) - later) < timedelta(minutes=1)
    free = send(client, "POST", "/api/week/move", {"job": job.pk, "operation": "fold"})
    assert any("sooner" in words for words in free.json()["words"])
    assert not Wish.objects.exists()
    early = {
        "job": job.pk,
        "operation": "letter",
        "begins": (timezone.now() + timedelta(minutes=5)).isoformat(),
    }
    assert not send(client, "POST", "/api/week/move", early).json()["kept"]
    assert any("cannot be at the time" in words for words in week(client)["remarks"])


@pytest.mark.parametrize(
    ("move", "status"),
    [
        ({"operation": "no_such_step"}, 404),
        ({"operation": "fold", "begins": "2026-05-01T10:00:00"}, 422),
        ({"operation": "fold", "begins": "9999-12-31T23:59:59-12:00"}, 422),
        ({"operation": "fold", "begins": "2026-05-01T10:00:00Z", "worker": "nobody"}, 422),
    ],
)
def test_a_move_that_means_nothing_is_refused(client: Client, job: Job, move: dict, status: int) -> None:
    there(client)
    promised(client, job)
    assert send(client, "POST", "/api/week/move", {"job": job.pk, **move}).status_code == status


def test_the_worker_finds_an_order_it_is_used_and_can_be_put_aside(
    client: Client, binder: User, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(services, "SEARCH_SECONDS", 1.0)
    monkeypatch.setattr(services, "_SETTLED_SECONDS", 1.0)
    there(client)
    for number, structure in enumerate(("flat_case", "rounded_case", "pamphlet_case")):
        made = make_job(binder, {"title": f"Book {number}", "binding": {"structure": structure}})
        promised(client, made, days=20 + number)
    asked = send(client, "POST", "/api/week/lay-out")
    assert asked.status_code == 201
    again = send(client, "POST", "/api/week/lay-out")
    assert again.json()["id"] == asked.json()["id"]
    assert week(client)["running"]["state"] == "waiting"
    services.carry_out(asked.json()["id"])
    shown = week(client, days=21)
    assert shown["running"] is None
    assert shown["order"]["state"] == "done"
    assert shown["order"]["words"]
    state = client.get(f"/api/week/layings/{asked.json()['id']}").json()
    assert (state["state"], state["message"]) == ("done", "")
    assert send(client, "POST", f"/api/week/layings/{asked.json()['id']}/put-aside").status_code == 204
    assert week(client)["order"] is None


def test_an_order_that_is_not_wanted_any_more_is_given_up(client: Client, job: Job) -> None:
    there(client)
    promised(client, job)
    asked = send(client, "POST", "/api/week/lay-out").json()
    assert send(client, "POST", f"/api/week/layings/{asked['id']}/cancel").json()["state"] == "cancelled"
    services.carry_out(asked["id"])
    assert Laying.objects.get().state == "cancelled"


def test_nothing_to_lay_out_is_said(client: Client, job: Job) -> None:
    asked = send(client, "POST", "/api/week/lay-out").json()
    services.carry_out(asked["id"])
    assert "nothing to lay out" in Laying.objects.get().message


def test_when_could_it_be_ready(client: Client, binder: User, job: Job) -> None:
    there(client)
    other = make_job(binder, {"title": "Other", "binding": {"structure": "laced_boards"}})
    promised(client, other)
    answer = client.get(f"/api/jobs/{job.pk}/when")
    assert answer.status_code == 200, answer.content
    found = answer.json()
    assert moment(found["first"]["ready"]) <= moment(found["behind"]["ready"])
    assert found["behind"]["others"] == [] or "later" in found["behind"]["others"][0]
    assert all(moment(each["ready"]) < moment(found["behind"]["ready"]) for each in found["helps"])
    assert week(client)["not_in_it"][0]["job"] == job.pk, "asking takes nothing up"


def test_a_job_with_a_stop_is_said_and_the_rest_is_laid_out(client: Client, binder: User, job: Job) -> None:
    there(client)
    promised(client, job)
    stopped = make_job(
        binder, {"title": "Impossible", "text": {"pages": 1}, "leaf": {"width": 20, "height": 20}}
    )
    Job.objects.filter(pk=stopped.pk).update(stops=1, to_mind="It cannot be folded.")
    reply = promised(client, stopped)
    assert reply["in_week"] is None
    assert "stop" in reply["why_not"]
    shown = week(client)
    assert [each["job"] for each in shown["jobs"]] == [str(job.pk)]
    assert [each["title"] for each in shown["unlaid"]] == ["Impossible"]
    assert client.get(f"/api/jobs/{stopped.pk}/when").status_code == 422


def test_nobody_at_work_is_said(client: Client, job: Job) -> None:
    workplace(client)
    promised(client, job)
    shown = week(client)
    assert spells(shown) == []
    assert any("Nobody has hours" in words for words in shown["remarks"])


def test_volumes_of_a_set_are_ready_together(client: Client, binder: User) -> None:
    there(client)
    jobs = [make_job(binder, {"title": f"Log {number}"}) for number in (1, 2)]
    made = begin_set(binder.membership.workshop, "Logs", jobs[0].spec)
    volumes = [{"title": job.title, "number": number, "job": job.pk} for number, job in enumerate(jobs, 1)]
    save_set(made, made.version, binder, read_set({"title": "Logs", "volumes": volumes}))
    for job in jobs:
        promised(client, job)
    assert {each["group"] for each in week(client)["jobs"]} == {f"set {made.pk}"}


def test_a_plain_week_is_typed_in_one_line(client: Client) -> None:
    answer = workplace(client, {"id": "ida", "name": "Ida", "hours": "Mon-Wed 9-12:30"})
    assert answer.status_code == 200
    kept = client.get("/api/workplace").json()
    assert kept["hours"] == {"ida": "Mon–Wed 9–12:30"}
    assert [each["weekday"] for each in kept["workplace"]["people"][0]["hours"]] == [0, 1, 2]
    wrong = workplace(client, {"id": "ida", "name": "Ida", "hours": "now and then"})
    assert wrong.status_code == 422
    assert "is not understood" in wrong.json()["fields"]["people.0.hours"]


def test_what_is_held_says_its_cost_and_is_put_nowhere(client: Client, job: Job) -> None:
    there(client)
    promised(client, job)
    before = week(client, days=28)
    fold = next(each for each in spells(before) if each["operation"] == "fold")
    later = (moment(fold["begins"]) + timedelta(days=9)).isoformat()
    order = {"job": job.pk, "operation": "fold", "begins": later, "held": True}
    answer = send(client, "POST", "/api/week/move", order)
    assert answer.status_code == 200
    assert any("later" in words for words in answer.json()["words"])
    assert week(client, days=28)["stints"] == before["stints"]
    assert not Wish.objects.exists()
    put = send(client, "POST", "/api/week/move", order | {"held": False})
    assert put.json()["words"] == answer.json()["words"]
    assert Wish.objects.count() == 1


def test_the_week_as_a_calendar_is_read_back(client: Client, job: Job) -> None:
    there(client)
    promised(client, job)
    shown = week(client, days=28)
    read = icalendar.Calendar.from_ical(client.get("/api/week.ics").content)
    events = {str(event["uid"]): event for event in read.walk("VEVENT")}
    work = [event for uid, event in events.items() if uid.startswith("work-")]
    assert len(work) == len(spells(shown))
    sewn = next(each for each in spells(shown) if each["operation"] == "sew")
    event = events[f"work-{job.pk}-sew-1@weald"]
    begins, ends = event.decoded("dtstart"), event.decoded("dtend")
    assert (begins, ends) == (moment(sewn["begins"]), moment(sewn["ends"]))
    assert str(event["description"]) == "Ida"
    assert f"promise-{job.pk}@weald" in events
    assert any(uid.startswith("wait-") for uid in events)


def test_the_week_as_a_table_and_as_a_sheet(client: Client, job: Job) -> None:
    there(client)
    promised(client, job)
    rows = list(csv.DictReader(io.StringIO(client.get("/api/week.csv").content.decode())))
    assert {row["kind"] for row in rows} == {"work", "wait"}
    assert rows == sorted(rows, key=lambda row: (row["begins"], row["ends"]))
    pdf = pypdfium2.PdfDocument(client.get("/api/week.pdf").content)
    assert len(pdf) == 1
    wide, high = pdf[0].get_size()
    assert wide > high
    words = pdf[0].get_textpage().get_text_range()
    assert "Sew" in words
    assert "Promised" in words
    assert len(pypdfium2.PdfDocument(client.get("/api/week.pdf?days=14&paper=letter").content)) == 2


def test_a_calendar_address_shows_the_week_until_it_is_withdrawn(client: Client, job: Job) -> None:
    there(client)
    promised(client, job)
    assert client.get("/api/week/feed").json() == {"there": False, "address": ""}
    address = send(client, "POST", "/api/week/feed").json()["address"]
    path = address.split("testserver")[1]
    outside = Client()
    found = outside.get(path)
    assert found.status_code == 200
    assert b"Tide tables" in found.content
    token = path.split("/")[-1].removesuffix(".ics")
    assert token not in str(Feed.objects.values_list("digest", flat=True)[0])
    assert client.get("/api/week/feed").json() == {"there": True, "address": ""}
    newer = send(client, "POST", "/api/week/feed").json()["address"].split("testserver")[1]
    assert outside.get(path).status_code == 404
    assert outside.get(newer).status_code == 200
    assert send(client, "DELETE", "/api/week/feed").status_code == 204
    assert outside.get(newer).status_code == 404
    assert outside.get("/calendar/%00.ics").status_code in (400, 404)


def test_a_calendar_address_ends_with_its_owner_and_is_not_asked_without_end(
    client: Client, binder: User, job: Job
) -> None:
    path = send(client, "POST", "/api/week/feed").json()["address"].split("testserver")[1]
    outside = Client()
    assert {outside.get(path).status_code for _ in range(25)} == {200, 429}
    User.objects.filter(pk=binder.pk).update(is_active=False)
    assert Client().get(path).status_code == 404


def test_another_workshop_sees_nothing_of_it(client: Client, stranger: User, job: Job) -> None:
    there(client)
    promised(client, job)
    asked = send(client, "POST", "/api/week/lay-out").json()
    other = Client()
    other.force_login(stranger)
    shown = week(other)
    assert (spells(shown), shown["jobs"], shown["not_in_it"]) == ([], [], [])
    assert [person["name"] for person in shown["people"]] == ["stranger"]
    assert other.get(f"/api/week/layings/{asked['id']}").status_code == 404
    move = {"job": job.pk, "operation": "fold", "begins": timezone.now().isoformat()}
    assert send(other, "POST", "/api/week/move", move).status_code == 404


def test_what_somebody_decided_is_on_record_with_their_name(client: Client, job: Job) -> None:
    there(client)
    promised(client, job)
    send(client, "PUT", f"/api/jobs/{job.pk}/promise", {})
    events = Decision.objects.order_by("pk").values_list("words", "author__username")
    assert [words.split(" for ")[0] for words, _ in events] == [
        "People, hours or places changed",
        "Promised",
        "Promise taken back",
    ]
    assert {name for _, name in events} == {"binder"}


def test_more_books_cost_no_more_questions_to_the_database(client: Client, binder: User) -> None:
    there(client)

    def questions() -> int:
        books._facts.cache_clear()
        with CaptureQueriesContext(connection) as asked:
            week(client)
        return len(asked)

    promised(client, make_job(binder, {"title": "First"}))
    one = questions()
    for number in range(5):
        promised(client, make_job(binder, {"title": f"Next {number}"}))
    assert questions() == one


def test_hours_are_the_workshops_own_and_a_wait_is_as_long_through_the_change_of_clocks() -> None:
    night = Worker(id="n", name="Night", hours=(Hours(weekday=5, begins="22:00", ends="6:00"),))
    before = datetime(2026, 3, 28, 12, 0, tzinfo=UTC)
    (spring, *_) = windows(night, "Europe/Vienna", before, 1)
    assert spring.ends - spring.begins == 7 * 60
    (autumn, *_) = windows(night, "Europe/Vienna", datetime(2026, 10, 24, 12, 0, tzinfo=UTC), 1)
    assert autumn.ends - autumn.begins == 9 * 60
