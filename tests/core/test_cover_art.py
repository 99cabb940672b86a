"""Printed covers: what falls where, barcodes read back from their bars, and what does not fit."""

import math
from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import STRUCTURES, codes, job_in, planned, value
from weald.core.covers.art import CoverArt
from weald.core.covers.closed import ClosedCover, Face
from weald.core.covers.ean import HEIGHT, MODULE, WIDTH, bars, check_digit, read_barcode
from weald.core.drawing import Area, Line
from weald.core.errors import SizeError

PRINTED: dict[str, Any] = {
    "binding": {
        "structure": "printed_case",
        "material": "paper",
        "board": 2,
        "turn_in": 18,
        "joint_rule": "fixed",
        "joint": 8,
        "spine_rule": "block",
    },
    "measured": {"block.thickness": 20},
}


def art(job: dict[str, Any]) -> CoverArt:
    found = planned(job).cover_art
    assert found is not None
    return found


def with_art(**entries: Any) -> dict[str, Any]:
    return PRINTED | {"artwork": entries}


def test_the_document_by_hand() -> None:
    made = planned(PRINTED)
    board = value(made, "board.width")
    cover = art(PRINTED)
    # 2 boards, 20 + 2·8 between them, 18 turned in and 3 of bleed on either side
    assert cover.width == pytest.approx(2 * board + 36 + 36 + 6)
    assert cover.height == pytest.approx(216 + 36 + 6)
    kinds = [zone.kind for zone in cover.zones]
    assert kinds == ["wrap", "back", "joint", "spine", "joint", "front", "wrap"]
    assert cover.zones[0].x == 3
    for zone, following in zip(cover.zones, cover.zones[1:], strict=False):
        assert zone.x + zone.width == pytest.approx(following.x)
    assert cover.zones[-1].x + cover.zones[-1].width == pytest.approx(cover.width - 3)
    spine = next(safe for safe in cover.safe if safe.name == "spine")
    assert spine.width == pytest.approx(20 - 2 * 1.5)


def test_a_flush_cover_has_no_wraps_and_flaps_are_zones() -> None:
    flush = art({"binding": {"structure": "wrapper", "cover_thickness": 0.3}})
    assert [zone.kind for zone in flush.zones] == ["back", "spine", "front"]
    flaps = art({"binding": {"structure": "wrapper", "cover_thickness": 0.3, "flaps": 70}})
    assert [zone.kind for zone in flaps.zones] == ["flap", "back", "spine", "front", "flap"]
    assert flaps.width == pytest.approx(flush.width + 140)


@pytest.mark.parametrize("structure", ["wrapper", "long_stitch"])
def test_the_zones_of_a_cover_are_as_wide_as_the_cover(structure: str) -> None:
    made = art({"binding": {"structure": structure, "material": "paper", "flaps": 60}})
    assert sum(zone.width for zone in made.zones) + 2 * made.bleed == pytest.approx(made.width)
    assert [zone.width for zone in made.zones if zone.kind == "flap"] == [60, 60]


def on_paper(structure: str) -> dict[str, Any]:
    """A job in that structure, covered in one piece of paper where it has boards to cover."""
    job = job_in(structure)
    return job | {"binding": job["binding"] | {"material": "paper", "covering": "full"}}


PAPER_COVERED = [name for name in STRUCTURES if planned(on_paper(name)).cover_art]


def closed_book(job: dict[str, Any]) -> ClosedCover:
    found = art(job).closed
    assert found is not None
    return found


def upright(closed: ClosedCover) -> list[Face]:
    return [face for face in closed.faces if face.window and face.down == (0, 1, 0)]


@pytest.mark.parametrize("structure", PAPER_COVERED)
def test_the_cover_goes_round_the_closed_book_without_a_gap(structure: str) -> None:
    closed = closed_book(on_paper(structure))
    for face, following in pairwise(upright(closed)):
        assert end(face) == pytest.approx(following.corner)
        assert math.hypot(*face.across) == pytest.approx(1)
        assert face.window
        assert following.window
        assert face.window.x + face.window.width == pytest.approx(following.window.x)
    back, front = (next(face for face in upright(closed) if face.kind == kind) for kind in ("back", "front"))
    assert (back.corner[2], front.corner[2]) == pytest.approx((-closed.thickness / 2, closed.thickness / 2))


def end(face: Face) -> tuple[float, ...]:
    return tuple(at + face.width * way for at, way in zip(face.corner, face.across, strict=True))


@pytest.mark.parametrize("structure", PAPER_COVERED)
def test_every_face_of_the_closed_book_looks_outwards_and_the_leaves_lie_inside(structure: str) -> None:
    closed = closed_book(on_paper(structure))
    names = {normal(face) for face in closed.faces if face.kind in ("back", "front")}
    assert names == {(0, 0, -1), (0, 0, 1)}
    turned = {normal(face) for face in closed.faces if face.kind == "leaves"}
    assert {(0, -1, 0), (0, 1, 0), (1, 0, 0)} <= turned
    half = (closed.width / 2, closed.height / 2, closed.thickness / 2)
    for face in closed.faces:
        for along, downward in face.outline:
            point = [
                at + along * right + downward * below
                for at, right, below in zip(face.corner, face.across, face.down, strict=True)
            ]
            assert all(abs(place) <= most + 1e-6 for place, most in zip(point, half, strict=True))


def normal(face: Face) -> tuple[int, ...]:
    (ax, ay, az), (bx, by, bz) = face.across, face.down
    return tuple(round(part) for part in (ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx))


def test_the_artwork_lies_on_the_closed_book_where_it_was_meant() -> None:
    flush = PRINTED | {"binding": PRINTED["binding"] | {"spine_rule": "flush"}}
    closed = closed_book(flush)
    # 20 of block, two boards of 2
    assert closed.thickness == pytest.approx(24)
    zones = {zone.kind: zone for zone in art(flush).zones}
    for kind in ("back", "front"):
        face = next(face for face in closed.faces if face.kind == kind)
        assert face.window
        assert (face.window.x, face.window.width) == pytest.approx(
            (zones[kind].x, zones[kind].width), abs=0.05
        )
    fore_edges = [face for face in upright(closed) if face.kind == "wrap"]
    assert [face.width for face in fore_edges] == pytest.approx([2, 2])
    heads = [face for face in closed.faces if face.kind == "wrap" and face.down[1] == 0]
    assert len(heads) == 4
    assert all(face.height == 2 for face in heads)


def test_only_covers_on_paper_are_planned_as_print() -> None:
    assert planned({}).cover_art is None
    assert planned({"binding": {"material": "paper"}}).cover_art is not None
    assert planned({"binding": {"material": "paper", "covering": "half"}}).cover_art is None


def test_check_digits_by_hand() -> None:
    # 2·1+9·3+0·1+1·3+2·1+3·3+4·1+5·3+6·1+7·3+8·1+9·3 = 124: six more make 130
    assert check_digit("290123456789") == 6
    assert read_barcode("290-1-234-56789-6") == "2901234567896"
    assert read_barcode("290123456789") == "2901234567896"
    for wrong in ("290-1-234-56789-5", "12345", "29012345678O6", "٢٩٠١٢٣٤٥٦٧٨٩٦"):
        with pytest.raises(SizeError):
            read_barcode(wrong)


LEFT_ODD = [
    "0001101",
    "0011001",
    "0010011",
    "0111101",
    "0100011",
    "0110001",
    "0101111",
    "0111011",
    "0110111",
    "0001011",
]


def scanned(digits: str) -> str:
    """The bars read as a scanner does: modules cut in sevens, looked up in the code's table."""
    dark = [False] * 95
    for start, width in bars(digits):
        for module in range(round(start / MODULE), round((start + width) / MODULE)):
            dark[module] = True
    code = "".join("1" if each else "0" for each in dark)
    assert (code[:3], code[45:50], code[92:]) == ("101", "01010", "101")
    right = {"".join("10"[int(bit)] for bit in odd): str(digit) for digit, odd in enumerate(LEFT_ODD)}
    even = {pattern[::-1]: digit for pattern, digit in right.items()}
    odd = {pattern: str(digit) for digit, pattern in enumerate(LEFT_ODD)}
    found, parity = "", ""
    for place in range(6):
        seven = code[3 + 7 * place : 10 + 7 * place]
        parity += "L" if seven in odd else "G"
        found += odd.get(seven) or even[seven]
    found += "".join(right[code[50 + 7 * place : 57 + 7 * place]] for place in range(6))
    firsts = [
        "LLLLLL",
        "LLGLGG",
        "LLGGLG",
        "LLGGGL",
        "LGLLGG",
        "LGGLLG",
        "LGGGLL",
        "LGLGLG",
        "LGLGGL",
        "LGGLGL",
    ]
    return str(firsts.index(parity)) + found


@given(st.text("0123456789", min_size=12, max_size=12))
def test_every_barcode_can_be_scanned(digits: str) -> None:
    whole = read_barcode(digits)
    assert scanned(whole) == whole


def test_the_barcode_stands_on_the_back_clear_of_everything() -> None:
    cover = art(with_art(barcode="290-1-234-56789-6"))
    place, back = cover.barcode, next(zone for zone in cover.zones if zone.kind == "back")
    assert place is not None
    assert (place.width, place.height) == (WIDTH, HEIGHT) == (pytest.approx(37.29), 25.93)
    assert place.x > back.x
    assert place.x + place.width == pytest.approx(back.x + back.width - 8)
    assert place.y + place.height == pytest.approx(back.y + back.height - 8)


DIGEST = "a" * 64


@pytest.mark.parametrize(
    ("entries", "code"),
    [
        ({"barcode": "290-1-234-56789-5"}, "barcode.wrong"),
        ({"barcode": "290123456789"}, "barcode.made_up"),
        ({"file": DIGEST, "width": 200, "height": 150}, "art.small"),
        ({"file": DIGEST, "width": 350, "height": 350, "placing": "fill"}, "art.cropped"),
        ({"file": DIGEST, "width": 400, "height": 300, "pixels": 3500}, "art.soft"),
        ({"file": DIGEST, "width": 400, "height": 300, "pixels": 1500}, "art.coarse"),
        ({"sheet": {"width": 300, "height": 450}}, "art.turned"),
        ({"sheet": {"width": 297, "height": 210}}, "art.sheet_small"),
        ({"rules": {"name": "Quay", "most_pages": 100}}, "rules.departs"),
        ({"rules": {"name": "Quay", "wrap": 16}}, "rules.departs"),
        ({"rules": {"name": "Quay", "bleed": 5}}, "rules.departs"),
        ({"rules": {"name": "Quay", "barcode": True}}, "rules.departs"),
        ({"rules": {"name": "Quay", "leaf": 0.2}}, "rules.departs"),
        ({"rules": {"name": "Quay", "least_spine": 30}}, "rules.departs"),
    ],
)
def test_what_does_not_fit_is_named(entries: dict[str, Any], code: str) -> None:
    made = planned(with_art(**entries))
    assert code in codes(made)
    found = next(each for each in made.findings if each.code == code)
    assert "{" not in found.message + found.remedy


def test_artwork_without_bleed_is_told_from_artwork_too_small() -> None:
    cover = art(PRINTED)
    trimmed = with_art(file=DIGEST, width=cover.width - 6, height=cover.height - 6)
    assert "art.no_bleed" in codes(planned(trimmed))
    whole = with_art(file=DIGEST, width=cover.width, height=cover.height)
    assert not {"art.no_bleed", "art.small", "art.cropped"} & codes(planned(whole))
    placed = art(whole).artwork
    assert placed is not None
    assert (placed.x, placed.y) == (pytest.approx(0), pytest.approx(0))


def test_a_sheet_a_little_too_small_says_which_turn_in_would_fit() -> None:
    cover = art(PRINTED)
    made = planned(with_art(sheet={"width": cover.width - 6, "height": cover.height}))
    found = next(each for each in made.findings if each.code == "art.sheet_small")
    assert found.remedy == "A turn-in of 15 mm would fit it."


def test_what_would_make_a_cover_fit_its_sheet() -> None:
    def remedy(less: float, **entries: Any) -> str:
        cover = art(with_art(**entries))
        # the sheet's own edge takes nothing: the printer prints to it
        sheet = {"width": cover.width - less, "height": cover.height + 50}
        made = planned(with_art(sheet=sheet, **entries) | EDGELESS)
        return next(each for each in made.findings if each.code == "art.sheet_small").remedy

    # 18 turned in may come down to 12; of a bleed of 10 all may go
    assert remedy(12) == "A turn-in of 12 mm would fit it."
    assert remedy(13, bleed=10) == "A bleed of 3.5 mm would fit it."
    assert remedy(40) == "Print it elsewhere, or cover spine and sides in pieces."


EDGELESS: dict[str, Any] = {"printing": {"printer": {"unprintable": 0}}}


def test_a_narrow_back_has_no_room_for_a_barcode() -> None:
    barcode = with_art(barcode="290-1-234-56789-6")
    assert "barcode.no_room" in codes(planned(barcode | {"leaf": {"width": 50, "height": 60}}))
    assert "barcode.no_room" not in codes(planned(barcode))


def test_a_drawn_barcode_has_its_bars_and_quiet_zones() -> None:
    made = planned(with_art(barcode="290-1-234-56789-6"))
    drawing = next(each for each in made.drawings if each.id == "cover.art")
    assert made.cover_art
    place = made.cover_art.barcode
    assert place
    drawn = [each for each in drawing.elements if isinstance(each, Area) and each.material == "mark"]
    edges = sorted((min(x for x, _ in each.points), max(x for x, _ in each.points)) for each in drawn)
    assert [(left, right - left) for left, right in edges] == [
        (pytest.approx(place.x + 11 * MODULE + start), pytest.approx(width))
        for start, width in bars("2901234567896")
    ]
    assert place.x + place.width - edges[-1][1] == pytest.approx(7 * MODULE)


def test_flaps_lie_folded_in_on_the_closed_book() -> None:
    binding = {"structure": "wrapper", "cover_thickness": 0.3, "flaps": 70}
    closed = closed_book({"binding": binding})
    assert {face.kind for face in closed.faces} == {"back", "spine", "front", "leaves"}


@pytest.mark.parametrize("structure", ["flat_case", "rounded_case", "laced_boards", "printed_case"])
def test_the_closed_book_is_the_section_that_is_drawn(structure: str) -> None:
    made = planned(on_paper(structure))
    section = next(each for each in made.drawings if each.id == "case.section")
    (cloth,) = (each for each in section.elements if isinstance(each, Line) and each.layer == "thread")
    closed = closed_book(on_paper(structure))
    lefts = [face.corner for face in upright(closed)]
    # the drawing breaks off on the boards; from where it begins to bend to where it ends, they are one line
    drawn = cloth.points[1:-1]
    shift = min(x for x, _, _ in lefts) - min(x for x, _ in drawn)
    for x, y in drawn:
        assert any(math.dist((x + shift, -y), (at, towards)) < 1e-6 for at, _, towards in lefts), (
            f"{x}, {y} is not on the closed book"
        )
