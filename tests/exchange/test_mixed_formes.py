"""Sections of sheets of their own among the others: printed, cut apart, folded each its own way, and read."""

from pathlib import Path
from typing import Any

import pypdfium2
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from reportlab.lib.units import mm

from tests.conftest import codes, planned, value
from tests.core.paper_dummy import pages_on_sheets
from tests.exchange.test_imposed_pdf import Printed, job, on_paper
from tests.exchange.texts import Reading, write_text
from weald.core.folding.makeup import OwnSheets, make_up
from weald.core.folding.packet import fold_packet
from weald.core.folding.programme import halved
from weald.core.press.press import Press
from weald.exchange.imposed_pdf import impose_pdf
from weald.exchange.reports import Order

LARGE = {"sheet": {"width": 700, "height": 500}}


def read_twice(page: pypdfium2.PdfPage, box: tuple[float, float, float, float]) -> Reading:
    """Page numbers inside one part of a printed side, from that part's own top left corner."""
    import ctypes
    import math
    import re

    import pypdfium2.raw as pdfium

    words = page.get_textpage()
    left, top, width, height = box
    found: Reading = {}
    for match in re.finditer(r"p(\d+)e", words.get_text_range()):
        boxes = [words.get_charbox(index) for index in range(*match.span())]
        x = (min(b[0] for b in boxes) + max(b[2] for b in boxes)) / 2 / mm - left
        y = (page.get_height() - (min(b[1] for b in boxes) + max(b[3] for b in boxes)) / 2) / mm - top
        if 0 <= x < width and 0 <= y < height:
            angle = pdfium.FPDFText_GetCharAngle(words.raw, ctypes.c_int(match.start()))
            found[int(match[1])] = (x, y, (round(math.sin(angle)), round(math.cos(angle))))
    return found


def read_book(made: Press, path: Path, gather: str = "inset") -> list[tuple[int | None, bool]]:
    """Every section printed, its first copy cut out of each sheet, folded as a scrap is, and read."""
    printed: list[Printed] = []
    with pypdfium2.PdfDocument(path) as document:
        assert len(document) == 2 * len(made.sheets)
        for number, sheet in enumerate(made.sheets):
            mine = made.of(sheet)
            layout = mine.layout
            width, height = layout.unfolded_width, layout.unfolded_height
            front = layout.front[0]
            whole = document[2 * number].get_width() / mm
            assert whole == pytest.approx(layout.width, abs=0.01)
            # the same piece of paper seen from behind, turned sideways
            behind = whole - front.left - width
            faces = (
                read_twice(document[2 * number], (front.left, front.top, width, height)),
                read_twice(document[2 * number + 1], (behind, front.top, width, height)),
            )
            # printed on the long or short edge so that turning sideways shows the back upright
            grid = (mine.packet.columns, mine.packet.rows)
            flip = "long" if height >= width else "short"
            printed.append(on_paper(*faces, (width, height), grid, flip))
    read: list[tuple[int | None, bool]] = []
    for section in made.sections:
        places = [n for n, sheet in enumerate(made.sheets) if sheet.section == section.section]
        packet = made.of(made.sheets[places[0]]).packet
        dummy = pages_on_sheets(packet.programme, len(places), packet.leaves_a_sheet, gather)
        pages: dict[int, tuple[int | None, bool]] = {}
        for (sheet_of, side, column, row), (number, head) in dummy.items():
            if side == "inner":
                column, head = packet.columns - 1 - column, (-head[0], head[1])
            found = printed[places[sheet_of]].get((column, row, "front" if side == "outer" else "back"))
            pages[number] = (None, True) if found is None else (found[0], found[1] == head)
        read += [pages[number] for number in sorted(pages)]
    return read


def mixed(pages: int, sections: list[dict[str, Any]], **more: Any) -> Press:
    return job(
        text={"pages": pages},
        folding={
            "programme": more.pop("programme", "upright, level, upright"),
            "sheets_per_section": more.pop("sheets", 1),
        },
        printing={"flip": "short", **more.pop("printing", {})},
        extras={"formes": {"sections": sections, **more}},
    )


def natural(made: Press) -> Press:
    """Backs are only read right off a sheet that is turned on the edge it is laid out for."""
    assert not any(each.backs_half_turned for each in (made, *made.own.values()))
    return made


def test_forty_pages_are_two_octavo_sheets_and_a_half_sheet_worked_and_turned(tmp_path: Path) -> None:
    made = natural(mixed(40, []))
    assert [section.pages for section in made.sections] == [16, 16, 8]
    half = made.of(made.sheets[-1])
    assert (half.packet.programme, half.layout.work, half.layout.copies) == ("level, upright", "turn", 2)
    assert (half.layout.width, half.layout.height) == (made.layout.width, made.layout.height)
    impose_pdf(made, write_text(tmp_path / "text.pdf", 40), tmp_path / "out.pdf", Order())
    assert read_book(made, tmp_path / "out.pdf") == [(page, True) for page in range(1, 41)]


def test_a_plate_section_stands_where_it_is_wanted_on_its_own_paper(tmp_path: Path) -> None:
    made = natural(mixed(72, [{"section": 2, "programme": "upright", "sheets": 2}], remainder=False))
    assert [section.pages for section in made.sections] == [16, 8, 16, 16, 16]
    impose_pdf(made, write_text(tmp_path / "text.pdf", 72), tmp_path / "out.pdf", Order())
    read = read_book(made, tmp_path / "out.pdf")
    assert [page for page, _ in read] == list(range(1, 73))
    assert all(upright for _, upright in read)


@given(
    pages=st.integers(8, 120),
    main=st.sampled_from(
        ["upright, level, upright", "level, upright", "upright, level, upright", "level in three, upright"]
    ),
    own=st.lists(
        st.fixed_dictionaries(
            {
                "section": st.integers(1, 6),
                "programme": st.sampled_from(["", "upright", "level, upright"]),
                "sheets": st.integers(1, 2),
            }
        ),
        max_size=3,
    ),
    remainder=st.booleans(),
)
@settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
def test_whatever_the_mix_it_folds_to_order(
    tmp_path: Path, pages: int, main: str, own: list[dict[str, Any]], remainder: bool
) -> None:
    made = mixed(pages, own, programme=main, remainder=remainder)
    long = made.layout.height >= made.layout.width
    made = mixed(
        pages, own, programme=main, remainder=remainder, printing={"flip": "long" if long else "short"}
    )
    if any(each.backs_half_turned for each in made.own.values()):
        return
    impose_pdf(made, write_text(tmp_path / "text.pdf", pages), tmp_path / "out.pdf", Order())
    read = read_book(made, tmp_path / "out.pdf")
    assert all(upright for _, upright in read)
    assert [page for page, _ in read][:pages] == list(range(1, pages + 1))
    assert not any(page for page, _ in read[pages:])


@given(
    st.integers(1, 400),
    st.sampled_from([4, 8, 16]),
    st.lists(st.tuples(st.integers(1, 9), st.integers(1, 3)), max_size=4),
    st.booleans(),
)
def test_every_page_has_a_place_and_few_are_blank(
    pages: int, each: int, own: list[tuple[int, int]], half: bool
) -> None:
    sheets = [OwnSheets(place, "upright", count, 4, row) for row, (place, count) in enumerate(own)]
    left_over = OwnSheets(0, "upright", 1, each // 2, None) if half and each > 4 else None
    made = make_up(pages, each, 2, "even", "end", (), sheets, left_over)
    assert made.pages >= pages
    assert sum(made.section_pages) == made.pages
    of_own = sum(4 * count for _, count in own)
    if of_own <= pages:
        assert made.blanks < (each // 2 if left_over and 0 < (pages - of_own) % each <= each // 2 else each)


def test_half_of_a_sheet_is_folded_once_less() -> None:
    assert [halved(name) for name in ("octavo", "level, upright", "upright", "level in three, upright")] == [
        "level, upright",
        "upright",
        "upright",
        "level in three, upright",
    ]
    for name in ("upright, level, upright", "level, upright, level, upright"):
        assert 2 * fold_packet(halved(name)).leaves_a_sheet == fold_packet(name).leaves_a_sheet


def test_the_plan_counts_both_kinds() -> None:
    # 88 pages: 8 on a coated folio section of two sheets, 80 in five octavo sheets
    data: dict[str, Any] = {
        "text": {"pages": 88},
        "copies": 3,
        "paper": {**LARGE, "spoilage": 0},
        "folding": {"programme": "upright, level, upright", "sheets_per_section": 1},
        "extras": {
            "formes": {"sections": [{"section": 3, "programme": "upright", "sheets": 2, "thickness": 0.2}]}
        },
    }
    made = planned(data)
    cut = {each.id: each for each in made.pieces}
    assert (cut["text_sheet"].count, cut["text_sheet_1"].count) == (15, 6)
    assert (cut["text_sheet_1"].width, cut["text_sheet_1"].height) == (288, 216)
    leaf = value(made, "paper.calliper")
    assert value(made, "text.thickness") == pytest.approx(44 * leaf + 4 * (0.2 - leaf))
    # five main sheets three times; two sheets of their own, six at a time or fewer
    assert value(made, "sheets.count") == 7
    assert {"formes.order"} <= codes(made)
    assert "formes.half" in codes(planned({**data, "text": {"pages": 92}}))
    assert "formes.none" in codes(planned({**data, "extras": {"formes": {}}, "text": {"pages": 64}}))
    twice = {"sections": [{"section": 2}, {"section": 2}]}
    assert "formes.twice" in codes(planned({**data, "extras": {"formes": twice}}))
    more = {"sections": [{"section": 1, "sheets": 20}]}
    assert "formes.more" in codes(planned({**data, "extras": {"formes": more}}))


def test_a_plate_section_goes_by_its_own_paper(tmp_path: Path) -> None:
    # folio sheets 288 × 216 want their grain along the height, upright beside the spine
    section = {"section": 2, "programme": "upright", "sheets": 3, "thickness": 0.4, "grain": "width"}
    data: dict[str, Any] = {
        "text": {"pages": 92},
        "paper": LARGE,
        "folding": {"programme": "upright, level, upright", "sheets_per_section": 1},
        "leaf": {"trim": {"fore_edge": 1}},
        "extras": {"formes": {"sections": [section]}},
    }
    made = planned(data)
    assert next(each.grain_right for each in made.pieces if each.id == "text_sheet_1") is False
    (across,) = (each for each in made.findings if each.code == "formes.grain")
    cured = planned(
        data | {"extras": {"formes": {"sections": across.actions[0].patch["extras.formes.sections"]}}}
    )
    assert "formes.grain" not in codes(cured)
    assert next(each.grain_right for each in cured.pieces if each.id == "text_sheet_1") is True
    # three folios of 0.4 creep by two leaves at a round fold: 1.26, and 1 is trimmed
    (creeps,) = (each for each in made.findings if each.code == "creep.beyond_trim")
    assert creeps.about == "extras.formes.sections.0.thickness"
    thin = {**section, "thickness": 0.1}
    assert "creep.beyond_trim" not in codes(planned(data | {"extras": {"formes": {"sections": [thin]}}}))


def test_pages_are_shifted_by_the_creep_of_their_own_paper() -> None:
    section = {"section": 2, "programme": "upright", "sheets": 3, "thickness": 0.4}
    made = mixed(92, [section], printing={"creep_shift": True})
    innermost = next(sheet for sheet in made.sheets if (sheet.section, sheet.sheet) == (2, 3))
    page = made.pages(innermost, "front")[0]
    factor = made.spec.folding.creep_factor
    assert made.creep_shift(2, page.place) == pytest.approx(2 * factor * 0.4)
    assert made.creep_shift(1, page.place) == pytest.approx(2 * made.creep_step)
