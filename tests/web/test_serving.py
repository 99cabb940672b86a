"""What ./weald does around the application: settings for real use, the command line, the worker."""

import json
import os
import subprocess
import sys
from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest
from axes.models import AccessAttempt
from django.contrib.sessions.models import Session
from django.utils import timezone
from procrastinate.contrib.django import app

from weald.web.accounts.models import Membership
from weald.web.jobs import tasks
from weald.web.jobs.models import Job

PROJECT = Path(__file__).parents[2]


def manage(*arguments: str, **environment: str) -> subprocess.CompletedProcess[str]:
    left_out = ("WEALD_PLAIN_HTTP", "DJANGO_ALLOW_ASYNC_UNSAFE")
    inherited = {key: each for key, each in os.environ.items() if key not in left_out}
    return subprocess.run(
        [sys.executable, str(PROJECT / "manage.py"), *arguments],
        env=inherited | environment,
        capture_output=True,
        text=True,
        check=False,
    )


def test_the_settings_of_serve_pass_djangos_deployment_check() -> None:
    done = manage(
        "check", "--deploy", "--fail-level", "WARNING", WEALD_SECRET_KEY="k" * 40 + "0123456789abcdef"
    )
    assert done.returncode == 0, done.stderr


@pytest.mark.parametrize("missing", ["WEALD_SECRET_KEY", "WEALD_DATABASE_URL"])
def test_a_missing_setting_is_named(missing: str) -> None:
    done = manage("check", **{missing: ""})
    assert done.returncode != 0
    assert f"{missing} is not set" in done.stderr


def weald(*arguments: str, given: str | None = None) -> subprocess.CompletedProcess[str]:
    return subprocess.run(
        [sys.executable, "-m", "weald.command", *arguments],
        input=given,
        capture_output=True,
        text=True,
        check=False,
        cwd=PROJECT,
        env=os.environ | {"PYTHONPATH": str(PROJECT / "src")},
    )


def test_a_job_file_is_planned_on_the_command_line(contract_job: dict[str, Any], tmp_path: Path) -> None:
    path = tmp_path / "job.json"
    path.write_text(json.dumps(contract_job))
    done = weald("plan", str(path))
    assert (done.returncode, done.stderr) == (0, "")
    plan = json.loads(done.stdout)
    values = {each["id"]: each["value"] for each in plan["quantities"]}
    assert values["cover.height"] == 252
    assert {"sections", "sheets", "pieces", "drawings", "findings"} <= plan.keys()
    assert weald("plan", "-", given=path.read_text()).stdout == done.stdout


@pytest.mark.parametrize(
    ("content", "says"),
    [("{", "not JSON at line 1"), ('{"leaf": {"widht": 1}}', "did you mean"), (None, "No such file")],
)
def test_a_file_that_cannot_be_used_gets_one_clear_line(
    tmp_path: Path, content: str | None, says: str
) -> None:
    path = tmp_path / "job.json"
    if content is not None:
        path.write_text(content)
    done = weald("plan", str(path))
    assert (done.returncode, done.stdout) == (2, "")
    assert says in done.stderr
    assert done.stderr.count("\n") == 1


@pytest.mark.django_db
def test_a_person_is_added_once_and_the_demo_is_loaded_once(settings: Any) -> None:
    from django.core.management import CommandError, call_command

    with pytest.MonkeyPatch.context() as patch:
        patch.setenv("WEALD_PASSWORD", "short")
        with pytest.raises(CommandError, match="too short"):
            call_command("add_person", "ann", workshop="Quire House")
        patch.setenv("WEALD_PASSWORD", "a long enough one")
        call_command("add_person", "ann", workshop="Quire House")
        assert Membership.objects.get(user__username="ann").workshop.name == "Quire House"
        with pytest.raises(CommandError, match="already"):
            call_command("add_person", "ann", workshop="Quire House")
    for _ in range(2):
        call_command("load_demo", "binder", "linen-thread")
    assert Job.objects.count() == 9
    assert Job.objects.filter(state="finished").count() == 1
    assert not Job.objects.filter(stops__gt=0).exists()


@pytest.mark.django_db
def test_the_worker_tidies_up_every_night() -> None:
    now = timezone.now()
    Session.objects.create(session_key="old", session_data="", expire_date=now - timedelta(days=1))
    Session.objects.create(session_key="new", session_data="", expire_date=now + timedelta(days=1))
    for name in ("old", "new"):
        AccessAttempt.objects.create(username=name, ip_address="127.0.0.1", failures_since_start=1)
    AccessAttempt.objects.filter(username="old").update(attempt_time=now - timedelta(days=2))
    tasks.tidy(timestamp=0)
    assert [each.session_key for each in Session.objects.all()] == ["new"]
    assert [each.username for each in AccessAttempt.objects.all()] == ["new"]
    assert "weald.web.jobs.tasks.tidy" in app.tasks
