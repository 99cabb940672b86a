"""Remedies: each that is offered was carried out, its finding is gone, and nothing that stops has come."""

import random
from collections import Counter
from dataclasses import replace
from typing import Any

import pytest

from tests.conftest import planned
from tests.core.made_up_jobs import made_up_job
from weald.core.errors import WealdError
from weald.core.findings import Action
from weald.core.job.patching import patched
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.colophon import Making, colophon_words
from weald.core.planning.plan import Plan, plan
from weald.core.planning.remedies import proven, remedies_at

NOTATIONS = (MILLIMETRES, Notation("inch"), Notation("both"))


def named(made: Plan, *severities: str) -> Counter[tuple[str, str]]:
    return Counter(
        (each.code, each.about) for each in made.findings if not severities or each.severity in severities
    )


def raw(job: dict[str, Any], code: str) -> list[Action]:
    return [action for each in planned(job).findings if each.code == code for action in each.actions]


@pytest.mark.parametrize("seed", range(6))
def test_every_remedy_that_is_offered_remedies(seed: int) -> None:
    chance, tried = random.Random(seed), 0
    for _ in range(25):
        try:
            spec = read_spec(made_up_job(chance))
            made = plan(spec, chance.choice(NOTATIONS), drawn=())
        except WealdError:
            continue
        for each in proven(spec, made.findings):
            for action in each.actions:
                after = plan(patched(spec, action.patch), chance.choice(NOTATIONS), drawn=())
                name = (each.code, each.about)
                assert named(after)[name] < named(made)[name] or each.severity == "note", action
                assert not named(after, "stop") - named(made, "stop"), action
                tried += 1
    assert tried > 40


def test_a_remedy_that_does_not_remedy_is_not_offered() -> None:
    spec = read_spec({"block": {"end_bands": "sewn", "end_band_height": 9}})
    high = next(each for each in plan(spec).findings if each.code == "end_band.high")
    useless = Action("A hair lower", {"block.end_band_height": 8.9})
    impossible = Action("Less than nothing", {"block.end_band_height": -1})
    (found,) = proven(spec, [replace(high, actions=(*high.actions, useless, impossible))])
    assert found.actions == high.actions
    assert remedies_at(spec, high.station, MILLIMETRES)


def test_sheets_are_shared_out_so_that_there_are_several_sections() -> None:
    for pages in (8, 16, 32):
        job = {"text": {"pages": pages}, "folding": {"make_up": "one_section"}}
        (action,) = raw(job, "suits.several")
        assert len(plan(patched(read_spec(job), action.patch)).sections) > 1
    assert raw({"text": {"pages": 4}, "folding": {"make_up": "one_section"}}, "suits.several") == []


def test_one_section_is_offered_only_where_it_can_be_folded() -> None:
    few = {"binding": {"structure": "saddle_stitch"}, "text": {"pages": 32}}
    assert raw(few, "suits.one_section") != []
    many = {"binding": {"structure": "saddle_stitch"}, "text": {"pages": 640}}
    assert raw(many, "suits.one_section") == []


def test_the_linings_there_are_stay_when_another_is_added() -> None:
    linings = [{"side": "core", "thickness": 1.5, "name": "second board"}]
    job = {"binding": {"linings": linings}, "endpapers": {"leaves": 0}}
    spec = read_spec(job)
    (action,) = raw(job, "bow.outward")
    after = patched(spec, action.patch).binding.linings
    assert [each.side for each in after] == ["core", "inside"]


def test_film_brings_no_water_and_pulls_nothing() -> None:
    bare = {"endpapers": {"leaves": 0}}
    assert raw(bare, "bow.outward")
    filmed = planned(bare | {"bench": {"glue": {"case": "film"}}})
    assert next(each.value for each in filmed.quantities if each.id == "pull.outside") == 0
    assert "bow.outward" not in {each.code for each in filmed.findings}


@pytest.mark.parametrize("turn_in", [13.9, 14.0])
def test_what_is_offered_is_rounded_to_the_side_that_helps(turn_in: float) -> None:
    job = {"binding": {"turn_in": turn_in, "board": 2}}
    for action in raw(job, "turn_in.short"):
        after = plan(patched(read_spec(job), action.patch))
        assert "turn_in.short" not in {each.code for each in after.findings}
    for action in raw({"binding": {"board": 2.133, "joint_rule": "inset", "inset": 1}}, "joint.stiff"):
        spec = patched(read_spec({"binding": {"board": 2.133}}), action.patch)
        assert (spec.binding.inset or 0) >= 2.133
    for head in (0.5, 0.9, 1.2, 3.0):
        bands = {"binding": {"squares": {"head": head}}, "block": {"end_bands": "sewn", "end_band_height": 4}}
        for action in raw(bands, "end_band.high"):
            assert action.patch["block.end_band_height"] <= head - 0.5 + 1e-6  # type: ignore[operator]


def test_where_places_are_measured_neither_kettles_nor_supports_are_offered() -> None:
    places = {"kettle_head": 5, "kettle_tail": 5, "supports": [{"place": 8}, {"place": 12}]}
    job = {"extras": {"places": places}, "sewing": {"support_width": 12, "kettle": 5}}
    for code in ("sewing.crowded", "sewing.near_edge", "sewing.few"):
        assert raw(job, code) == []


def test_a_thinner_thread_is_thinner() -> None:
    for thread in (0.1, 0.15, 0.2, 0.35, 0.6):
        job = {"text": {"pages": 640}, "folding": {"sheets_per_section": 1}, "sewing": {"thread": thread}}
        for action in raw(job, "swell.much"):
            assert action.patch["sewing.thread"] < thread  # type: ignore[operator]


def test_filled_books_are_not_told_to_take_thicker_sections() -> None:
    job = {"folding": {"sheets_per_section": 2}, "paper": {"grammage": 80}}
    assert "section.thin" in {each.code for each in planned(job).findings}
    filled = planned(job | {"block": {"inserted": 0.6}})
    assert "section.thin" not in {each.code for each in filled.findings}


def test_pounds_are_weight_like_any_other() -> None:
    twice = {"folding": {"programme": "level, upright", "sheets_per_section": 1}}
    pounds = {"basis": {"pounds": 80, "grade": "cover"}, "grammage": 90}

    def slits(paper: dict[str, Any]) -> list[bool]:
        return [bool(step.slits) for step in planned(twice | {"paper": paper}).folds]

    assert slits(pounds) == slits({"grammage": 216.3}) != slits({"grammage": 90})
    spec = read_spec({"paper": {"basis": {"pounds": 20, "grade": "bond"}, "grammage": 90}})
    words = colophon_words(spec, plan(spec), Making(), MILLIMETRES)
    assert "20 lb bond (75 g/m²)" in words
    assert "90 g/m²" not in words
