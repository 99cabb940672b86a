"""The demo's books at the bench: one half way with two waits running, one finished with its record."""

import pytest
from django.test import Client
from django.utils import timezone

from tests.web.conftest import PASSWORD
from weald.core.notation import MILLIMETRES
from weald.web.accounts.services import add_person
from weald.web.bench.services import bench_of
from weald.web.demo import bench, bindery
from weald.web.jobs.models import Job

pytestmark = pytest.mark.django_db


def test_the_demo_shows_the_bench_in_use() -> None:
    person = add_person("binder", PASSWORD, bindery.WORKSHOP, check=False)
    bindery.load(person.membership.workshop, person)
    bench.load(person)

    half = bench_of(Job.objects.get(title__startswith="Tide tables"), MILLIMETRES)
    now = timezone.now()
    waiting = [each.operation for each in half.standings if each.wait_least and each.wait_least > now]
    assert sorted(waiting) == ["make_case", "own_edges"]
    assert [each.code for each in half.plan.findings if each.code.startswith("cut.")] == ["cut.smaller"]

    client = Client()
    client.force_login(person)
    finished = Job.objects.get(title="Notes of a bee master")
    assert finished.state == Job.State.FINISHED
    record = client.get(f"/api/jobs/{finished.pk}/record").json()
    assert record["finished"]
    assert [each["caption"] for each in record["pictures"]] == ["Finished, before it left"]
    assert any(line["kind"] == "otherwise" for each in record["operations"] for line in each["lines"])
    assert "Saltmarsh Bindery" in record["colophon"]
