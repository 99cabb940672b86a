"""Items of the shelf: read from a few words, read from fields, counted, converted."""

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import job_in, planned
from weald.core.cutting.askew import Askew, askew
from weald.core.drawing import Area
from weald.core.errors import SizeError, SpecError
from weald.core.notation import MILLIMETRES, Notation
from weald.core.paper import Grade, gsm_from_pounds
from weald.core.shelf.conversions import convert, pages_per_inch, pounds_from_gsm
from weald.core.shelf.stock import (
    count_words,
    grain_words,
    offcut_of,
    read_count,
    read_stock,
    size_words,
    weight_words,
)
from weald.core.shelf.words import read_stock_words


@pytest.mark.parametrize(
    ("words", "understood"),
    [
        (
            "A2 120 gsm long",
            {"kind": "paper", "width": 420, "height": 594, "grammage": 120, "grain": "height"},
        ),
        ("594x420 long cream laid", {"grain": "width", "name": "cream laid"}),
        (
            "greyboard 2mm 700x1000 x12 short",
            {"kind": "board", "calliper": 2, "count": "12", "grain": "width"},
        ),
        (
            "25x38in 70 lb text cream Gull laid",
            {
                "width": pytest.approx(635),
                "basis": {"pounds": 70, "grade": "text"},
                "name": "cream Gull laid",
            },
        ),
        ("80pt board 26x38 in", {"kind": "board", "calliper": pytest.approx(2.032)}),
        ("sea-green cloth 137cm wide 10m", {"kind": "cloth", "form": "roll", "width": 1370, "count": "10"}),
        ("8 1/2 x 11 in 24 lb bond long", {"width": pytest.approx(215.9), "grain": "height"}),
        ("linen thread 0.45 mm 30 m", {"kind": "thread", "form": "reel", "count": "30"}),
        ("oxblood goatskin 0.8 mm 2 skins", {"kind": "leather", "form": "skin", "count": "2"}),
        ("PVA", {"kind": "adhesive", "form": "pot", "name": "PVA"}),
    ],
)
def test_a_line_is_understood(words: str, understood: dict[str, Any]) -> None:
    found = read_stock_words(words)
    assert {key: found.get(key) for key in understood} == understood
    assert "warning" not in found


@pytest.mark.parametrize(
    ("words", "warning"),
    [
        ("70 lb offset", "of which grade"),
        ("A2 long short", "say which"),
        ("500x500 long", "square"),
        ("120 gsm long", "Give the sheet's size"),
        ("board 26x38", "without a unit"),
    ],
)
def test_what_stays_unclear_is_asked_about(words: str, warning: str) -> None:
    assert warning in read_stock_words(words)["warning"]


@given(st.text(min_size=1, max_size=60))
def test_any_line_gives_an_item_with_a_name(words: str) -> None:
    found = read_stock_words(words)
    assert len(found["name"]) <= 200


def stock(**entries: Any) -> Any:
    return read_stock({"name": "Gull laid", **entries})


@pytest.mark.parametrize(
    ("entries", "place"),
    [
        ({"name": "  "}, "name"),
        ({"width": 420}, "height"),
        ({"width": 0, "height": 420}, "width"),
        ({"width": -3, "height": 420}, "width"),
        ({"form": "roll", "kind": "cloth", "width": 1400, "height": 3000}, "height"),
        ({"form": "roll", "kind": "cloth", "width": 1400, "grain": "width"}, "grain"),
        ({"grammage": 90, "basis": {"pounds": 60, "grade": "text"}}, "grammage"),
        ({"grain": "width", "tests": [{"method": "tear", "day": "2026-01-02", "result": "height"}]}, "grain"),
        ({"price": -1}, "price"),
        ({"colours": "red"}, "colours"),
    ],
)
def test_an_item_that_cannot_be_names_the_place(entries: dict[str, Any], place: str) -> None:
    with pytest.raises(SpecError) as caught:
        stock(**entries)
    assert place in caught.value.fields


def test_thickness_goes_by_the_best_that_is_known() -> None:
    assert stock(grammage=90, bulk=1.3).thickness == pytest.approx(0.117)
    assert stock(grammage=90, bulk=1.3, stack={"leaves": 50, "thickness": 6.2}).thickness == 6.2 / 50
    assert stock(stack={"leaves": 50, "thickness": 6.2}, calliper="0.13").thickness == 0.13
    assert stock(grammage=90).thickness is None


def test_items_in_words() -> None:
    sheet = stock(width=420, height=594, grain="width", basis={"pounds": 80, "grade": "text"})
    assert size_words(sheet, MILLIMETRES) == "A2, 420 × 594 mm"
    assert grain_words(sheet, MILLIMETRES) == "short, along the 420"
    assert weight_words(sheet) == "80 lb text (118 g/m²)"
    assert grain_words(stock(width=420, height=594), MILLIMETRES) == "not tested"
    assert size_words(stock(width="137cm", form="roll", kind="cloth"), Notation("inch")) == "53 15/16″ wide"


def test_counts_are_read_in_the_measure_of_the_thing() -> None:
    sheet, roll = stock(), stock(kind="cloth", form="roll", width=1400)
    pot = stock(kind="adhesive", form="pot")
    assert (read_count(sheet, "12"), read_count(roll, "4,5"), read_count(pot, "500 g")) == (12, 4500, 500)
    assert [count_words(sheet, 1), count_words(roll, 4250), count_words(pot, 5)] == [
        "1 sheet",
        "4.25 m",
        "5 g",
    ]
    for wrong in ("1.5", "-2", "a few", ""):
        with pytest.raises(SpecError):
            read_count(sheet, wrong)


def test_an_offcut_has_its_share_of_the_price() -> None:
    offcut = offcut_of(stock(width=1000, height=700, grain="width", price=4.2), 500, 350, "width")
    assert (offcut.price, offcut.grain, offcut.width) == (1.05, "width", 500)


def test_pounds_mean_something_else_for_every_grade() -> None:
    """20 lb bond is 75 g/m², 100 lb text 148: the trade's own figures."""
    assert gsm_from_pounds(20, Grade.BOND) == pytest.approx(75.2, abs=0.1)
    assert gsm_from_pounds(100, Grade.TEXT) == pytest.approx(148, abs=0.1)
    assert pounds_from_gsm(gsm_from_pounds(65, Grade.COVER), Grade.COVER) == pytest.approx(65)


def test_conversions_show_their_sums() -> None:
    answers = {each.label: each for each in convert(80, "pounds", grade=Grade.TEXT, bulk=1.25)}
    assert answers["Grammage"].sum == "80 × 1406.14 / (25 × 38) = 118.4 g/m²"
    assert answers["Thickness of a leaf"].shown == "0.148 mm"
    assert answers["Pounds, cover"].value == pytest.approx(43.8, abs=0.1)
    stack = {each.label: each.shown for each in convert(12.4, "stack", leaves=100, bulk=1.3)}
    assert stack == {
        "Thickness of a leaf": "0.124 mm",
        "Points": "4.9 pt",
        "Pages per inch": "410",
        "Grammage": "95.4 g/m²",
    }
    assert pages_per_inch(0.127) == pytest.approx(400)
    points = {each.label: each.shown for each in convert(92, "points")}
    assert points["Thickness of a leaf"] == "2.3368 mm"
    back = {each.label: each.value for each in convert(400, "pages_per_inch")}
    assert back["Thickness of a leaf"] == pytest.approx(0.127)
    with pytest.raises(SizeError):
        convert(0, "gsm")


@given(st.floats(50, 900), st.floats(50, 900), st.floats(50, 900), st.floats(50, 900))
def test_a_piece_askew_on_a_skin_lies_within_it(p: float, q: float, length: float, width: float) -> None:
    turn = askew((p, q), (length, width))
    fits = [
        degrees / 20
        for degrees in range(1801)
        if _reach(p, q, degrees / 20) <= max(length, width)
        and _reach(q, p, degrees / 20) <= min(length, width)
    ]
    if turn is None:
        assert not fits
    else:
        long, short = max(p, q), min(p, q)
        assert _reach(long, short, turn) <= max(length, width) + 1e-3
        assert _reach(short, long, turn) <= min(length, width) + 1e-3


def _reach(along: float, across: float, degrees: float) -> float:
    turn = math.radians(degrees)
    return along * math.cos(turn) + across * math.sin(turn)


def test_a_cover_longer_than_its_skin_is_laid_askew() -> None:
    job = job_in("laced_boards")
    job["stock"] = {"cover": {"name": "calf", "form": "skin", "width": 365, "height": 362}}
    job["binding"] |= {"covering": "full", "paring": 0, "turn_in": 15}
    job["leaf"] = {"width": 155, "height": 80}
    made = planned(job)
    found = next(each for each in made.findings if each.code == "piece.askew")
    assert "out of the straight" in found.message
    assert next(piece for piece in made.pieces if piece.id == "cover").has.startswith("turned by ")
    drawing = next(each for each in made.drawings if each.id == "cutting.skins")
    skin, piece = (element for element in drawing.elements if isinstance(element, Area))
    assert piece.layer == "cut"
    for x, y in piece.points:
        assert -1e-6 <= x <= 365 + 1e-6
        assert -1e-6 <= y <= 362 + 1e-6
    assert skin.points == ((0, 0), (365, 0), (365, 362), (0, 362))


@given(st.floats(100, 500), st.floats(20, 300), st.floats(1, 80), st.booleans())
def test_corners_askew_make_the_piece_and_touch_the_skin(p: float, q: float, turn: float, up: bool) -> None:
    laid = Askew("Cover", "calf", (p, q), (400, 500) if up else (500, 400), turn)
    corners = laid.corners()
    sides = sorted(math.dist(a, b) for a, b in zip(corners, (*corners[1:], corners[0]), strict=True))
    long, short = max(p, q), min(p, q)
    assert sides == pytest.approx([short, short, long, long])
    assert math.dist(corners[0], corners[2]) == pytest.approx(math.hypot(p, q))
    assert (corners[0][1], corners[3][0]) == pytest.approx((0, 0))
    reach = max(corners, key=lambda corner: corner[1 if up else 0])[1 if up else 0]
    assert reach == pytest.approx(_reach(long, short, turn))


@pytest.mark.parametrize(
    ("words", "read"),
    [
        (
            "blue cloth 1.2 m wide, 3 m",
            {"kind": "cloth", "form": "roll", "width": 1200, "count": "3", "name": "blue cloth"},
        ),
        (
            "book cloth red 140 cm x 2 m",
            {"form": "roll", "width": 1400, "count": "2", "name": "book cloth red"},
        ),
        ("cloth 1,4 m wide 2,5 m", {"width": 1400, "count": "2.5", "name": "cloth"}),
        ("board 1/16 in 25x38 in", {"calliper": 1.5875, "width": 635, "name": "board"}),
        ("kraft 90 gsm 10 m", {"form": "roll", "grammage": 90, "count": "10"}),
        ("cotton tape 1/2 in, 10 m", {"form": "reel", "width": 12.7, "count": "10"}),
    ],
)
def test_lines_as_people_write_them(words: str, read: dict[str, Any]) -> None:
    found = read_stock_words(words)
    assert {key: found.get(key) for key in read} == read
    assert "warning" not in found


def test_what_is_not_understood_is_asked_about() -> None:
    assert "Not understood, and left in the name: .098" in read_stock_words("millboard .098")["warning"]
