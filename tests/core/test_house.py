"""House rules: taken by new jobs, departed from openly, and never forced on a job."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from weald.core.errors import SpecError
from weald.core.job.entries import lengths_of
from weald.core.job.entry import entry_of
from weald.core.job.fields import entries_in
from weald.core.job.patching import patched, value_at
from weald.core.job.spec import JobSpec, read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.house import (
    RULES,
    Departure,
    House,
    departures,
    gauge_hints,
    read_house,
    squares_for,
    with_house,
)
from weald.core.planning.plan import film_of_sewing, plan

SQUARES = [
    {"up_to": 160, "head": 2, "tail": 2, "fore_edge": 3},
    {"up_to": 250, "head": 3, "tail": 3, "fore_edge": 4},
]


def house(**entries: Any) -> House:
    return read_house(entries)


def test_every_rule_is_an_entry_a_job_has_and_that_can_be_ruled() -> None:
    plain = JobSpec()
    for rule in RULES:
        value = value_at(plain, rule.path)
        options = (
            list(entry_of(entries_in(JobSpec)[rule.path]).options or {})
            if rule.kind == "choice"
            else [5 if value is None else value]
        )
        if rule.kind == "choice":
            assert (value or "") in options, rule.path
        for option in filter(None, options):
            assert read_house({"rules": {rule.path: option}}).rules


def test_a_new_job_takes_what_it_does_not_say() -> None:
    rules = house(rules={"binding.turn_in": "3/4 in", "sewing.kettle": 14}, squares=SQUARES)
    spec = read_spec(with_house({"leaf": {"height": 150}, "sewing": {"kettle": 20}}, rules))
    assert spec.binding.turn_in == pytest.approx(19.05)
    assert spec.sewing.kettle == 20
    assert (spec.binding.squares.head, spec.binding.squares.fore_edge) == (2, 3)
    own = read_spec(with_house({"binding": {"squares": {"head": 5}}}, rules))
    assert own.binding.squares.head == 5


@pytest.mark.parametrize(("height", "head"), [(100, 2), (160, 2), (161, 3), (250, 3), (600, 3)])
def test_squares_go_by_the_size_of_the_book(height: float, head: float) -> None:
    step = squares_for(house(squares=SQUARES), height)
    assert step is not None
    assert step.head == head


def by_path(spec: JobSpec, rules: House) -> dict[str, Departure]:
    return {each.path: each for each in departures(spec, rules, MILLIMETRES)}


def test_a_job_shows_where_it_departs_and_goes_back_at_a_touch() -> None:
    rules = house(rules={"binding.spine_rule": "block", "sewing.kettle": 14}, squares=SQUARES)
    spec = read_spec({"binding": {"squares": {"head": 5}}})
    found = by_path(spec, rules)
    assert set(found) == {"binding.spine_rule", "sewing.kettle", "binding.squares"}
    assert found["binding.spine_rule"].here == "block + 2 boards"
    assert found["sewing.kettle"].house == "14 mm"
    for departure in found.values():
        spec = patched(spec, departure.patch)
    assert departures(spec, rules, MILLIMETRES) == ()


def test_what_a_binding_does_not_ask_for_is_no_departure() -> None:
    rules = house(rules={"binding.joint_rule": "inset"}, squares=SQUARES)
    assert set(by_path(read_spec({}), rules)) == {"binding.joint_rule"}
    assert not by_path(read_spec({"binding": {"structure": "wrapper"}}), rules)


WIDE = sorted(
    rule.path
    for rule in RULES
    if rule.kind == "length" and rule.path not in ("binding.sides_over", "sewing.needleful")
)


@given(st.sampled_from(WIDE), st.floats(5, 29))
def test_a_job_begun_by_the_rules_never_departs_from_them(path: str, value: float) -> None:
    rules = house(rules={path: value}, squares=SQUARES)
    spec = read_spec(with_house({"title": "Log"}, rules))
    assert departures(spec, rules, MILLIMETRES) == ()


def test_the_nearest_gauge_is_offered_with_the_difference_it_makes() -> None:
    rules = house(gauges=[5, "1/4 in", 8, 20])
    spec = read_spec({})
    quantities = {each.id: each for each in plan(spec).quantities}
    hints = {each.quantity: each for each in gauge_hints(spec, quantities, rules, MILLIMETRES)}
    # the joint is 7 by eye: 6.35 lies nearer than 8
    assert "6.35 mm: 0.65 mm narrower" in hints["joint.gap"].words
    assert "20 mm: 2 mm wider" in hints["turn_in.inside"].words
    by_gauge = patched(patched(spec, hints["joint.gap"].patch), hints["turn_in.inside"].patch)
    after = {each.id: each for each in plan(by_gauge).quantities}
    assert after["joint.gap"].value == pytest.approx(6.35)
    assert gauge_hints(by_gauge, after, rules, MILLIMETRES) == ()
    assert gauge_hints(spec, quantities, house(), MILLIMETRES) == ()


@pytest.mark.parametrize(
    ("entries", "place"),
    [
        ({"rules": {"binding.turn_in": "wide"}}, "rules.binding.turn_in"),
        ({"rules": {"binding.spine_rule": "none"}}, "rules.binding.spine_rule"),
        ({"rules": {"title": "Log"}}, "rules.title"),
        ({"squares": list(reversed(SQUARES))}, "squares"),
        ({"squares": [{"up_to": 160, "head": 2}]}, "squares.0.tail"),
        ({"gauges": [0]}, "gauges.0"),
        ({"vocabulary": "quire"}, "vocabulary"),
        ({"ruler": 1}, "ruler"),
    ],
)
def test_rules_no_job_could_keep_are_refused_where_they_stand(entries: dict[str, Any], place: str) -> None:
    with pytest.raises(SpecError) as caught:
        read_house(entries)
    assert place in caught.value.fields


def test_rules_are_read_in_the_persons_unit() -> None:
    rules = read_house({"rules": {"binding.turn_in": "3/4"}, "gauges": ["1/4"]}, Notation("inch"))
    assert rules.rules["binding.turn_in"] == pytest.approx(19.05)
    assert rules.gauges == (pytest.approx(6.35),)


def test_a_left_hand_sews_the_other_way_round() -> None:
    spec = read_spec({})
    right, left = film_of_sewing(spec), film_of_sewing(spec, left_handed=True)
    assert [step.words for step in right.steps] == [step.words for step in left.steps]
    assert "right" in left.spine.text
    for one, other in zip(right.spine.elements, left.spine.elements, strict=True):
        if one.kind == "line" and other.kind == "line":
            assert [210 - x for x, _ in one.points] == pytest.approx([x for x, _ in other.points])


def test_a_job_begun_in_inches_has_marks_of_an_inch_ruler() -> None:
    inches = Notation("inch")
    spec = read_spec(with_house({"leaf": {"width": "5 1/2"}}, House(), inches), inches)
    assert inches.editable(spec.binding.squares.head) == "1/8"
    assert inches.editable(spec.leaf.trim.head) == "1/8"
    off = [path for path, length in lengths_of(spec.binding.squares) if "/" not in inches.editable(length)]
    assert off == []
    assert [each.code for each in plan(spec, inches).findings if each.severity != "note"] == []
    # what the house has a rule for goes by the rule, and what is said stays as said
    house = read_house({"rules": {"binding.turn_in": 17}})
    said = {"binding": {"joint": "0.3"}}
    ruled = read_spec(with_house(said, house, inches), inches)
    assert ruled.binding.turn_in == 17
    assert ruled.binding.joint == pytest.approx(7.62)
