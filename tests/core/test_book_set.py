"""Sets: numerals, numbers and dates asked about, and spines that stand in line."""

from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from weald.core.drawing import Area, Dimension
from weald.core.errors import SpecError
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.book_set import SetPlan, SetSpec, numeral, plan_set, read_set, volume_spec
from weald.core.planning.plan import plan

BOOK = read_spec(
    {
        "title": "Log",
        "text": {"pages": 300},
        "back": {"shape": "round", "shoulder": "90"},
        "sewing": {"method": "raised_cords", "thread": 0.3},
        "binding": {"structure": "laced_boards", "material": "leather", "bands": {"count": 4}},
        "finish": {"direction": "across"},
        "measured": {"block.thickness": 30},
    }
)


def planned(*volumes: dict[str, Any], **more: Any) -> SetPlan:
    return plan_set(BOOK, read_set({"title": "Logs", "volumes": list(volumes), **more}), MILLIMETRES)


def codes(made: SetPlan) -> list[str]:
    return [each.code for each in made.findings]


def test_either_form_of_four() -> None:
    assert [numeral(each, "roman") for each in (1, 4, 9, 14, 40, 1999)] == [
        *("I", "IV", "IX", "XIV", "XL", "MCMXCIX"),
    ]
    assert [numeral(each, "roman_iiii") for each in (4, 9, 14, 24)] == ["IIII", "IX", "XIIII", "XXIIII"]
    assert (numeral(4, "arabic"), numeral(4, "none")) == ("4", "")


VALUES = {"I": 1, "V": 5, "X": 10, "L": 50, "C": 100, "D": 500, "M": 1000}


@given(st.integers(1, 3999), st.sampled_from(["roman", "roman_iiii"]))
def test_roman_numbers_read_back(number: int, form: Any) -> None:
    letters = [VALUES[letter] for letter in numeral(number, form)]
    total = sum(
        -value if any(later > value for later in letters[place + 1 : place + 2]) else value
        for place, value in enumerate(letters)
    )
    assert total == number


@pytest.mark.parametrize(
    ("numbers", "expected"),
    [
        ((1, 2, 3), []),
        ((1, 3), ["set.gap"]),
        ((1, 2, 2), ["set.repeat"]),
        ((2, 1), ["set.back"]),
        ((1, 5, 4), ["set.gap", "set.back"]),
        ((None, 3, None, 4), []),
    ],
)
def test_gaps_repeats_and_steps_back_are_asked_about(
    numbers: tuple[int | None, ...], expected: list[str]
) -> None:
    made = planned(*({"title": "Log", "number": number} for number in numbers))
    assert [code for code in codes(made) if code != "set.volume"] == expected


def test_a_gap_names_what_is_missing() -> None:
    one = planned({"number": 1}, {"number": 3}).findings[0].message
    several = planned({"number": 1}, {"number": 5}).findings[0].message
    assert "2 is missing" in one
    assert "2 to 4 is missing" in several


def test_dates_that_step_back_are_asked_about() -> None:
    made = planned({"number": 1, "date": "1901–1905"}, {"number": 2, "date": "winter 1903"})
    assert "set.date_back" in codes(made)
    assert "set.date_back" not in codes(planned({"date": "1901"}, {"date": "undated"}, {"date": "1902"}))


def test_what_is_meant_is_kept_with_its_note() -> None:
    made = planned({"number": 1}, {"number": 3, "note": "the second was lost at sea"})
    found = next(each for each in made.findings if each.code == "set.meant")
    assert found.severity == "note"
    assert "lost at sea" in found.remedy


def test_volumes_share_heights_and_bands_though_their_thickness_differs() -> None:
    made = planned(
        {"title": "Log", "number": 1, "thickness": 22},
        {"title": "Log", "number": 2, "thickness": 41},
        {"title": "Log", "number": 3, "pages": 200},
    )
    assert [each.label for each in made.shared] == [
        *("Board height", "Square, head", "Square, tail", "Square, fore-edge", "Panel between bands"),
    ]
    assert len({each.spine for each in made.volumes}) == 3
    assert [each.measured for each in made.volumes] == [True, True, False]
    drawing = made.drawing
    assert drawing is not None
    spines = [each for each in drawing.elements if isinstance(each, Area) and each.material == "leather"]
    assert len(spines) == 3
    # heads and tails in line, bands at one height on all of them, none overlapping
    assert {(each.points[0][1], each.points[2][1]) for each in spines} == {(-216, 0)}
    bands = [each for each in drawing.elements if isinstance(each, Area) and each.material == "mark"]
    assert len({round(each.points[0][1], 6) for each in bands}) == 4
    for one, other in pairwise(spines):
        assert one.points[1][0] < other.points[0][0]
    for each in drawing.elements:
        if isinstance(each, Dimension):
            length = max(abs(a - b) for a, b in zip(each.start, each.end, strict=True))
            assert each.text == MILLIMETRES.figure(length)


def test_titles_are_of_one_size_on_every_spine() -> None:
    volumes = ({"title": "Log", "number": 1, "thickness": 20}, {"title": "Log", "number": 2, "thickness": 45})
    chosen = read_set({"volumes": list(volumes)})
    own = {
        next(
            each.value
            for each in plan(volume_spec(BOOK, volume, "roman")).quantities
            if each.id == "title.capital"
        )
        for volume in chosen.volumes
    }
    assert len(own) == 2
    drawing = planned(*volumes).drawing
    assert drawing is not None
    heights = {
        round(each.height, 3) for each in drawing.elements if each.kind == "label" and each.text == "Log"
    }
    assert heights == {round(min(own), 3)}


def test_a_volume_does_not_inherit_the_thickness_of_the_book_it_is_like() -> None:
    spec = volume_spec(
        BOOK, SetSpec(volumes=read_set({"volumes": [{"pages": 100}]}).volumes).volumes[0], "roman"
    )
    assert "block.thickness" not in spec.measured
    assert spec.text.pages == 100


def test_a_set_that_cannot_be_read_names_the_place() -> None:
    with pytest.raises(SpecError) as caught:
        read_set({"volumes": [{"number": 0}, {"thickness": "wide"}, {"volume": 3}]})
    assert set(caught.value.fields) == {"volumes.0.number", "volumes.1.thickness", "volumes.2.volume"}


def test_lengths_are_read_in_the_persons_unit() -> None:
    chosen = read_set({"volumes": [{"thickness": "1 1/2"}]}, Notation("inch"))
    assert chosen.volumes[0].thickness == pytest.approx(38.1)


def test_an_empty_set_teaches_nothing_wrong() -> None:
    made = planned()
    assert (made.volumes, made.drawing, made.findings) == ((), None, ())


def test_a_span_of_years_written_short_leaves_no_gap() -> None:
    spans = planned({"number": 1, "date": "1841–44"}, {"number": 2, "date": "1845-47"})
    assert "set.date_back" not in codes(spans)
    assert "set.date_back" in codes(planned({"date": "1841–44"}, {"date": "1843–46"}))


@pytest.mark.parametrize(("numbers", "following"), [((1, 3), 2), ((1, 2), 3), ((4,), 5), ((None,), None)])
def test_a_further_volume_takes_the_number_that_is_missing(
    numbers: tuple[int | None, ...], following: int | None
) -> None:
    assert planned(*({"number": number} for number in numbers)).next_number == following
