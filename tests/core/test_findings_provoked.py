"""Findings no other test asks for, each provoked; every finding of the catalogue is in some test."""

from pathlib import Path
from typing import Any

import pytest

from weald.core.finding_words import CODES
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES
from weald.core.planning.book_set import plan_set, read_set
from weald.core.planning.plan import plan

PROVOKED: tuple[tuple[str, dict[str, Any]], ...] = (
    ("printed.no_marks", {"leaf": {"trim": {"head": 0, "tail": 0, "fore_edge": 0}}}),
    ("leaves.glued", {"binding": {"structure": "single_leaves", "leaves": "glued"}}),
    ("leaves.drum", {"binding": {"structure": "single_leaves", "leaves": "drum"}}),
    ("panel.trial", {"binding": {"structure": "rebound_paperback"}}),
    ("panel.unmeasured", {"binding": {"structure": "rebound_paperback"}}),
    ("slits.marked", {"binding": {"structure": "laced_card_case"}}),
    ("board.too_narrow", {"measured": {"board.width": 3}}),
    ("case.too_wide", {"leaf": {"width": 1500, "height": 2000}}),
)


@pytest.mark.parametrize(("code", "job"), PROVOKED, ids=[code for code, _ in PROVOKED])
def test_it_is_said(code: str, job: dict[str, Any]) -> None:
    assert code in {each.code for each in plan(read_spec(job)).findings}
    if code not in ("panel.trial", "slits.marked"):
        assert code not in {each.code for each in plan(read_spec({})).findings}


def test_a_year_left_out_of_a_set_is_asked_about() -> None:
    volumes = [{"title": "Log", "date": "1951"}, {"title": "Log", "date": "1953"}]
    made = plan_set(read_spec({}), read_set({"title": "Logs", "volumes": volumes}), MILLIMETRES)
    found = {each.code for each in made.findings}
    assert "set.date_gap" in found


def test_every_finding_is_asked_for_by_some_test() -> None:
    tests = "\n".join(
        path.read_text(encoding="utf-8") for path in Path(__file__).parents[1].rglob("test_*.py")
    )
    assert [code for code in CODES if f'"{code}"' not in tests] == []
