"""Folds and make-ups side by side."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import planned, value
from weald.core.drawing import Area, Line
from weald.core.folding.programme import NAMED_PROGRAMMES
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.choices import FoldChoice, MakeUpChoice, fold_choices, make_up_choices
from weald.core.planning.plan import plan

LARGE = {"sheet": {"width": 1300, "height": 900, "grain": "height"}}


def folds(job: dict[str, Any], notation: Notation = MILLIMETRES) -> dict[str, FoldChoice]:
    return {each.name: each for each in fold_choices(read_spec(job), notation)}


def make_ups(job: dict[str, Any]) -> tuple[MakeUpChoice, ...]:
    return make_up_choices(read_spec(job), MILLIMETRES)


def test_every_name_is_offered_once_with_its_picture() -> None:
    offered = folds({})
    assert set(offered) == set(NAMED_PROGRAMMES)
    assert [each.name for each in offered.values() if each.chosen] == ["folio"]
    for each in offered.values():
        assert any(isinstance(element, Area) for element in each.picture.elements)


def test_a_quarto_says_its_sheet_grain_bolts_and_creep() -> None:
    quarto = folds({"paper": {"calliper": 0.1}, "folding": {"sheets_per_section": 4}})["quarto"]
    # leaf 144 × 216 before trimming
    assert quarto.sheet == "288 mm × 432 mm"
    assert quarto.grain == "along the height, long grain"
    assert quarto.bolts == ("head: opened by the trim",)
    assert quarto.sheets_a_section == 2
    # four folios: three steps of π/2 × 0.1
    assert quarto.creep == "0.471 mm"
    assert quarto.patch == {"folding.programme": "level, upright", "folding.sheets_per_section": 2}


def test_a_bolt_without_a_trim_needs_a_knife() -> None:
    octavo = folds({"leaf": {"trim": {"head": 0}}, "paper": LARGE})["octavo"]
    assert octavo.bolts == ("head: to be opened with a knife", "fore-edge: opened by the trim")
    assert octavo.slits == "slit before folds 2 and 3"
    assert octavo.impossible == ""


def test_a_printers_edge_makes_the_printed_sheet_larger() -> None:
    plain = folds({})["folio"]
    assert plain.printed == ""
    edged = folds({"printing": {"printer": {"unprintable": 5}}})["folio"]
    # 3 mm are trimmed at the head: 2 mm more on every side
    assert edged.printed == "292 mm × 220 mm"


@pytest.mark.parametrize(
    ("job", "name", "why"),
    [
        ({}, "octavo", "the paper is only 450 mm × 320 mm"),
        (
            {"paper": LARGE, "printing": {"printer": {"largest": {"width": 320, "height": 450}}}},
            "octavo",
            "larger than the printer takes",
        ),
    ],
)
def test_what_cannot_be_had_says_why(job: dict[str, Any], name: str, why: str) -> None:
    assert folds(job)[name].impossible == why
    assert folds(job)["folio"].impossible == ""


def test_a_programme_of_ones_own_comes_first() -> None:
    offered = list(folds({"folding": {"programme": "level, upright, upright"}}).values())
    assert (offered[0].name, offered[0].chosen) == ("level, upright, upright", True)
    assert len(offered) == len(NAMED_PROGRAMMES) + 1


def test_the_heavy_line_of_a_picture_is_the_spine() -> None:
    octavo = folds({})["octavo"]
    heavy = {
        element.points[0][0]
        for element in octavo.picture.elements
        if isinstance(element, Line) and element.layer == "cut"
    }
    assert heavy == {144, 432}


def test_choosing_a_fold_does_what_it_said() -> None:
    job = {"text": {"pages": 64}, "paper": LARGE}
    sixteenmo = folds(job)["sixteenmo"]
    made = planned(job | {"folding": {"programme": "sixteenmo", "sheets_per_section": 1}})
    assert sixteenmo.pages_a_sheet == 32
    assert sixteenmo.sheet == f"{value(made, 'sheet.width'):g} mm × {value(made, 'sheet.height'):g} mm"


def test_the_recommended_make_up_suits_the_paper() -> None:
    choices = make_ups({"text": {"pages": 186}, "sewing": {"thread": 0.25}})
    best = choices[0]
    assert (best.recommended, best.words) == (True, "7 of 5 sheets and 3 of 4 sheets")
    assert best.reason == "5 folios a signature suit 90 g/m², swell of 11 %, 2 blanks"
    assert sum(choice.recommended for choice in choices) == 1
    assert sum(choice.chosen for choice in choices) == 1


def test_where_no_make_up_is_good_the_least_of_evils_is_said_so() -> None:
    folding = {"programme": "sixteenmo", "sheets_per_section": 1}
    best = make_ups({"text": {"pages": 320}, "folding": folding, "paper": LARGE})[0]
    assert best.reason.startswith("the least of evils: 8 folios nested")


def test_costs_are_those_of_the_plan() -> None:
    job = {"text": {"pages": 200}, "copies": 3, "sewing": {"thread": 0.3}}
    chosen = next(choice for choice in make_ups(job) if choice.chosen)
    made = planned(job)
    assert chosen.sections == value(made, "sections.count")
    assert chosen.blanks == value(made, "text.blanks")
    assert chosen.printed == value(made, "printed.sheets")
    assert chosen.creep == pytest.approx(value(made, "sections.creep"))
    assert chosen.swell == pytest.approx(value(made, "spine.swell"))
    assert chosen.swell_percent == pytest.approx(value(made, "spine.swell_ratio"))
    # two kettles and three tapes of two holes: seven stitches a signature
    assert chosen.stitches == 7 * chosen.sections
    assert chosen.reams == chosen.printed / 500


@given(st.integers(4, 600), st.sampled_from(["upright", "level, upright", "upright, level, upright"]))
def test_taking_a_make_up_gives_it(pages: int, programme: str) -> None:
    job: dict[str, Any] = {"text": {"pages": pages}, "folding": {"programme": programme}, "paper": LARGE}
    choices = make_ups(job)
    assert len({choice.words for choice in choices}) == len(choices)
    for choice in choices[:4]:
        folding = {key.removeprefix("folding."): new for key, new in choice.patch.items()}
        made = plan(read_spec(job | {"folding": job["folding"] | folding}), drawn=())
        assert (len(made.sections), sum(section.sheets for section in made.sections)) == (
            choice.sections,
            choice.sheets,
        )


def test_a_booklet_is_offered_for_a_short_text() -> None:
    choices = make_ups({"text": {"pages": 36}})
    booklet = next(choice for choice in choices if choice.words == "1 of 9 sheets")
    assert booklet.stitches == 7


def test_single_leaves_have_no_make_ups() -> None:
    assert make_ups({"folding": {"programme": "single leaves 1 by 1"}}) == ()
