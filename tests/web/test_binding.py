"""Structures, schools, the sewing and the offered-up case over HTTP."""

from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from tests.conftest import STRUCTURES, job_in
from tests.web.conftest import make_job, send

JOB: dict[str, Any] = {"text": {"pages": 128}, "sewing": {"thread": 0.25}}


def test_every_structure_comes_with_its_picture_and_its_reasons(client: Client) -> None:
    answer = send(client, "POST", "/api/structures", JOB)
    assert answer.status_code == 200
    choices = answer.json()
    assert [each["name"] for each in choices] == list(STRUCTURES)
    assert [each["name"] for each in choices if each["chosen"]] == ["flat_case"]
    for each in choices:
        assert each["picture"]["elements"]
        assert each["good_for"]
        assert 1 <= each["effort"] <= 5
    booklet = choices[0]
    assert "thick" in booklet["unsuited"][-1]["message"]


@pytest.mark.parametrize("name", STRUCTURES)
def test_every_structure_is_planned_and_taken_away(client: Client, binder: User, name: str) -> None:
    job = make_job(binder, {"title": "Log"} | job_in(name))
    plan = send(client, "POST", "/api/plan?station=boards", job_in(name)).json()
    assert plan["structure"]["name"] == name
    base = f"/api/jobs/{job.pk}"
    assert client.get(base).json()["structure_words"] == STRUCTURES[name].title
    for drawing in plan["drawings"]:
        if drawing["station"] != "boards" or not drawing["to_scale"]:
            continue
        for ending, start in ((".pdf", b"%PDF"), (".svg", b"<?xml"), (".dxf", b"  0")):
            answer = client.get(f"{base}/drawings/{drawing['id']}{ending}")
            assert answer.status_code == 200
            assert answer.content.startswith(start)
    assert client.get(f"{base}/bench-papers/job-sheet.pdf").content.startswith(b"%PDF")
    assert STRUCTURES[name].title.split()[0] in client.get("/api/jobs").json()["jobs"][0]["structure_words"]


def test_a_drawing_this_book_has_not_is_not_there(client: Client, binder: User) -> None:
    job = make_job(binder, {"binding": {"structure": "wrapper"}})
    for drawing in ("case.spacer", "no.such", "cover/../secret"):
        assert client.get(f"/api/jobs/{job.pk}/drawings/{drawing}.pdf").status_code == 404


def test_the_sewing_comes_step_by_step(client: Client) -> None:
    film = send(client, "POST", "/api/sewing", JOB).json()
    assert len(film["insides"]) == 5
    assert film["steps"][0]["words"].startswith("From the spine in at the kettle at the tail")
    unsewn = send(client, "POST", "/api/sewing", {"binding": {"structure": "single_leaves"}}).json()
    assert unsewn["steps"] == []


def test_ways_are_listed_and_compared(client: Client) -> None:
    ways = send(client, "POST", "/api/ways", JOB).json()
    assert ways[0] == {"id": "", "group": "", "label": "as it is", "patch": {}, "differs": False}
    order = {"job": JOB, "ways": ["", "rounded_case", "squares.head/5_all"]}
    made = send(client, "POST", "/api/compare", order).json()
    assert [each["label"] for each in made["columns"]][1] == "rounded case"
    row = next(each for each in made["rows"] if each["id"] == "board.height")
    assert row["shown"] == ["216 mm", "216 mm", "220 mm"]
    assert {each["id"] for each in made["drawings"]} == {"compare.case.flat", "compare.case.section"}


@pytest.mark.parametrize("ways", [[], ["", "", "", ""], ["no_such_way"]])
def test_ways_that_cannot_be_compared_are_refused(client: Client, ways: list[str]) -> None:
    answer = send(client, "POST", "/api/compare", {"job": JOB, "ways": ways})
    assert answer.status_code == 422
    assert answer.json()["message"]


def test_what_was_found_is_read_in_the_persons_unit(client: Client) -> None:
    send(client, "PATCH", "/api/me", {"units": "inch"})
    question = {"job": JOB, "found": "tall", "by": "1/8"}
    answers = send(client, "POST", "/api/offered-up", question).json()
    assert answers[0]["patch"]["measured.block.height"] == pytest.approx(210 - 3.175)
    small = send(client, "POST", "/api/offered-up", question | {"by": "−1/8"}).json()
    assert small[0]["patch"]["measured.block.height"] == pytest.approx(210 + 3.175)
    wrong = send(client, "POST", "/api/offered-up", question | {"by": "much"})
    assert wrong.status_code == 422
