"""Books that were begun by an earlier order of work: what was done stays done, and the rest can be done."""

import json
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest

from tests.conftest import job_in
from weald.core.bench.progress import Event, check, standings
from weald.core.bench.steps import STEPS
from weald.core.job.spec import read_spec
from weald.core.planning.plan import plan

WORKED: dict[str, list[str]] = json.loads(
    (Path(__file__).parents[1] / "corpus" / "v3" / "worked_orders.json").read_text()
)
BEGAN, LATER = datetime(2026, 1, 5, 8, tzinfo=UTC), timedelta(days=1)
NO_LONGER = {
    "link_stitch": {"case_in", "dry_closed"},
    "printed_case": {"letter"},
    "rebound_paperback": {"cut_sheets", "print", "sort_leaves", "weigh_down", "glue_up", "trim"},
}
"""What was in the order and is no work of such a book: it stays in the record and nowhere else."""


def done(steps: list[str]) -> tuple[list[Event], datetime]:
    """All of them begun and done, a day for each."""
    events = []
    for day, step in enumerate(steps):
        at = BEGAN + day * LATER
        events += [Event("started", step, at), Event("done", step, at + timedelta(minutes=20))]
    return events, BEGAN + len(steps) * LATER


@pytest.mark.parametrize("name", WORKED)
def test_what_was_done_stays_done_and_the_rest_is_worked_to_the_end(name: str) -> None:
    operations = plan(read_spec(job_in(name)), drawn=("bench",)).operations
    today = {each.id for each in operations} | {old for each in operations for old in each.formerly}
    assert set(WORKED[name]) - today == NO_LONGER.get(name, set())
    for stopped in range(len(WORKED[name]) + 1):
        events, now = done(WORKED[name][:stopped])
        for each in operations:
            stands = {one.operation: one for one in standings(operations, events, now)}
            if each.id in WORKED[name][:stopped]:
                assert stands[each.id].status == "done", (stopped, each.id)
            if stands[each.id].status != "done":
                assert not check(operations, events, "started", each.id, now, insist=False)
                events += [Event("started", each.id, now), Event("done", each.id, now)]
                now += 30 * LATER
        assert all(each.status == "done" for each in standings(operations, events, now))


@pytest.mark.parametrize("name", WORKED)
def test_a_book_that_was_finished_has_nothing_left_to_do(name: str) -> None:
    operations = plan(read_spec(job_in(name)), drawn=("bench",)).operations
    events, now = done(WORKED[name])
    assert {each.operation for each in standings(operations, events, now) if each.status != "done"} == set()


def test_what_is_implied_can_be_taken_back() -> None:
    operations = plan(read_spec(job_in("rounded_case")), drawn=("bench",)).operations
    assert {name for step in STEPS.values() for name in step.implied_by} <= set(STEPS)
    events, now = done(WORKED["rounded_case"])
    events.append(Event("undone", "trim_fore_edge", now))
    stands = {each.operation: each.status for each in standings(operations, events, now)}
    assert (stands["trim_fore_edge"], stands["trim_ends"]) == ("ready", "done")


def test_a_wait_that_was_gone_on_from_is_watched_no_more() -> None:
    operations = plan(read_spec(job_in("rounded_case")), drawn=("bench",)).operations
    until = [each.id for each in operations]
    until = until[: until.index("glue_up") + 1]
    events, now = done(until)
    tacky = next(each for each in standings(operations, events, now) if each.operation == "glue_up")
    assert tacky.wait_least
    events.append(Event("started", "round", now))
    gone_on = next(each for each in standings(operations, events, now) if each.operation == "glue_up")
    assert gone_on.wait_least is None
