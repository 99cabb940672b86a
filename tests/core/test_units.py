import pytest
from hypothesis import given
from hypothesis import strategies as st

from weald.core.errors import SizeError
from weald.core.notation import Notation
from weald.core.units import parse_length

INCH = 25.4


@pytest.mark.parametrize(
    ("text", "mm"),
    [
        ("135", 135),
        ("135 mm", 135),
        ("13.5cm", 135),
        ("13,5 cm", 135),
        ("5.25in", 5.25 * INCH),
        ("5 1/4 in", 5.25 * INCH),
        ('5 1/4"', 5.25 * INCH),
        ("5-1/4″", 5.25 * INCH),
        ("5¼″", 5.25 * INCH),
        ("¼in", 0.25 * INCH),
        ("⅛ in", 0.125 * INCH),
        ("1⁄4 in", 0.25 * INCH),
        ("80pt", 2.032),
        ("210+6", 216),
        ("8 1/4in + 1/8in", 8.375 * INCH),
        ("210 − 6 + 3", 207),
        ("2 × 144 + 3", 291),
        ("1 in − 1 mm", 24.4),
        (".5", 0.5),
        ("-3", -3),
        (7, 7),
    ],
)
def test_reads_every_form_binders_write(text: str | float, mm: float) -> None:
    assert parse_length(text) == pytest.approx(mm)


def test_a_bare_number_takes_the_unit_one_reads_in() -> None:
    assert parse_length("5 1/4", bare="inch") == pytest.approx(133.35)
    assert parse_length("5 1/4 mm", bare="inch") == 5.25


@pytest.mark.parametrize(
    "text", ["", "  ", "abc", "5 furlongs", "5++6", "5 6", "1/0 in", "5 1/4in +", "9" * 90, "3;4", "--3"]
)
def test_refuses_what_is_no_length_and_says_how_to_write_one(text: str) -> None:
    with pytest.raises(SizeError, match=r"write it like|give"):
        parse_length(text)


def test_refuses_to_guess_the_unit_in_a_mixed_sum() -> None:
    with pytest.raises(SizeError, match="with and without a unit"):
        parse_length("5 + 1/4 in")


@pytest.mark.parametrize(
    ("notation", "mm", "shown"),
    [
        (Notation("mm"), 216.24, "216"),
        (Notation("mm"), 216.26, "216.5"),
        (Notation("mm"), 1.25, "1.5"),
        (Notation("mm"), 0.75, "1"),
        (Notation("mm", mm_division=0.1), 216.26, "216.3"),
        (Notation("inch"), 133.35, "5 1/4″"),
        (Notation("inch", inch_division=16), 3.175, "1/8″"),
        (Notation("inch", inch_division=16), 0.1, "0″"),
        (Notation("inch", inch_division=64), 25.4 + 25.4 / 64, "1 1/64″"),
        (Notation("both"), 50.8, "51 (2″)"),
        (Notation("inch"), -6.35, "−1/4″"),
    ],
)
def test_shows_lengths_as_read_off_the_ruler(notation: Notation, mm: float, shown: str) -> None:
    assert notation.length(mm) == shown


@given(st.floats(0, 3000), st.sampled_from(["mm", "inch", "both"]))
def test_a_field_reads_back_as_the_same_length(length: float, units: str) -> None:
    notation = Notation(units)  # type: ignore[arg-type]
    assert parse_length(notation.editable(length), notation.bare) == pytest.approx(length, abs=2e-4)


@given(st.integers(1, 300_000))
def test_hundredths_of_a_millimetre_are_read_back_from_a_field_in_inches(hundredths: int) -> None:
    length, notation = hundredths / 100, Notation("inch")
    assert parse_length(notation.editable(length), "inch") == pytest.approx(length, abs=1e-9)
    assert "mm" not in notation.editable(length)


@given(st.integers(0, 64 * 20), st.sampled_from([16, 32, 64]))
def test_inch_fractions_on_the_ruler_are_shown_exactly(marks: int, division: int) -> None:
    notation = Notation("inch", inch_division=division)
    length = marks / division * INCH
    assert parse_length(notation.length(length)) == pytest.approx(length)


def test_beside_a_dimension_line_there_is_room_for_one_unit() -> None:
    assert Notation("both").figure(50.8) == "51"
    assert Notation("inch").figure(50.8) == "2″"


def test_steps_go_from_mark_to_mark() -> None:
    assert Notation("mm").stepped(140.2, 1) == 140.5
    assert Notation("mm").stepped(0.2, -3) == 0
    assert Notation("inch", inch_division=16).stepped(INCH, -1) == pytest.approx(15 / 16 * INCH)


@pytest.mark.parametrize(
    ("length", "field"),
    [
        (3.175, "1/8"),
        (3.0, "0.1181"),
        (21.4, "0.8425"),
        (120.0, "4.7244"),
        (18.0, "0.7087"),
        (25.4 / 3, "0.33333"),
    ],
)
def test_a_field_in_inches_holds_a_fraction_or_what_was_given(length: float, field: str) -> None:
    notation = Notation(units="inch")
    assert notation.editable(length) == field
    assert parse_length(field, notation.bare) == pytest.approx(length, abs=2e-4)
