"""Pages arranged, repeated and numbered: printed, folded by the numbered dummy, and read off the paper."""

import re
from pathlib import Path
from typing import Any

import pypdfium2
import pytest
from hypothesis import given
from hypothesis import strategies as st
from reportlab.lib.units import mm

from tests.conftest import codes, planned
from tests.exchange.test_imposed_pdf import job, print_and_fold
from tests.exchange.texts import write_text
from weald.core.job.extras.pages import ArrangedPages, PageNumbers
from weald.core.job.paging import in_order, number_of, roman, source_of
from weald.exchange.imposed_pdf import impose_pdf
from weald.exchange.reports import Order


def test_roman_numbers_as_front_matter_has_them() -> None:
    assert [roman(number) for number in (1, 4, 9, 14, 40, 99, 444)] == [
        "i",
        "iv",
        "ix",
        "xiv",
        "xl",
        "xcix",
        "cdxliv",
    ]


@given(
    st.integers(1, 200), st.lists(st.integers(1, 200), max_size=6), st.lists(st.integers(1, 200), max_size=6)
)
def test_pages_stand_on_the_side_they_are_wanted(pages: int, right: list[int], left: list[int]) -> None:
    left = [page for page in left if page not in right]
    arranged = ArrangedPages(
        rectos=", ".join(map(str, right)), versos=", ".join(map(str, left)), blank_versos="1"
    )
    order = in_order(pages, arranged)
    assert order is not None
    assert [page for page in order if page] == list(range(1, pages + 1))
    places = {page: place for place, page in enumerate(order) if page}
    assert all(places[page] % 2 == 0 for page in right if page <= pages)
    assert all(places[page] % 2 == 1 for page in left if page <= pages)
    if 1 not in left:
        assert order[1] is None


def test_arranged_pages_fold_to_order(tmp_path: Path) -> None:
    made = job(
        text={"pages": 20},
        folding={"programme": "upright, level, upright", "sheets_per_section": 1},
        extras={"arranged": {"rectos": "4", "blank_versos": "4"}},
    )
    text = write_text(tmp_path / "text.pdf", 20)
    impose_pdf(made, text, tmp_path / "out.pdf", Order())
    read = [page for page, upright in print_and_fold(made, tmp_path / "out.pdf", "short", "inset") if upright]
    assert read == [1, 2, 3, None, 4, None, *range(5, 21), *[None] * 10]


def test_pages_are_repeated_in_turn(tmp_path: Path) -> None:
    repeated = ArrangedPages(repeat="3, 4", keep=2)
    assert [source_of(page, repeated) for page in range(1, 8)] == [1, 2, 3, 4, 3, 4, 3]
    made = job(text={"pages": 16}, extras={"arranged": {"repeat": "3, 4", "keep": 2}})
    text = write_text(tmp_path / "text.pdf", 4)
    impose_pdf(made, text, tmp_path / "out.pdf", Order())
    with pypdfium2.PdfDocument(tmp_path / "out.pdf") as document:
        words = "".join(document[n].get_textpage().get_text_range() for n in range(len(document)))
    found = [int(each) for each in re.findall(r"p(\d+)e", words)]
    assert sorted(found) == sorted([1, 2, *[3, 4] * 7])


NUMBERS: dict[str, Any] = {"first": 5, "without": "6", "capital": 3, "edge": 8, "aside": 12}


def test_numbers_are_what_they_should_be() -> None:
    numbers = PageNumbers(**NUMBERS)
    assert [number_of(page, numbers) for page in (None, 1, 4, 5, 6, 7)] == ["", "i", "iv", "1", "", "3"]
    assert number_of(2, PageNumbers(first=3, before="none")) == ""


@pytest.mark.parametrize(
    "programme", ["upright", "upright, level, upright", "level, upright", "level in three, upright"]
)
def test_numbers_stand_at_their_place_on_every_page(tmp_path: Path, programme: str) -> None:
    made = job(
        text={"pages": 24},
        folding={"programme": programme, "sheets_per_section": 1},
        printing={"marks": False},
        extras={"numbered": {"edge": 8, "aside": 12, "capital": 3}},
    )
    impose_pdf(made, write_text(tmp_path / "text.pdf", 24), tmp_path / "out.pdf", Order())
    with pypdfium2.PdfDocument(tmp_path / "out.pdf") as document:
        for number, sheet in enumerate(made.sheets):
            for face, side in ((0, "front"), (1, "back")):
                words = document[2 * number + face].get_textpage()
                text, height = words.get_text_range(), document[0].get_height()
                for page in made.pages(sheet, side):  # type: ignore[arg-type]
                    if page.page is None or (face and made.backs_half_turned):
                        continue
                    found = [
                        words.get_charbox(match.start())
                        for match in re.finditer(rf"(?<!\w){page.page}(?!\w)", text)
                    ]
                    box = page.box
                    near = 0.0
                    for left, low, right, high in found:
                        x, y = (left + right) / 2 / mm, (height - (low + high) / 2) / mm
                        # its foot is 8 from the trimmed tail, whichever way the page's head points
                        off = {
                            (0, 1): box.bottom - y,
                            (0, -1): y - box.top,
                            (1, 0): x - box.left,
                            (-1, 0): box.right - x,
                        }[page.up]
                        near = max(near, 1.0 if abs(off - 8) < 0.8 else 0.0)
                    assert near, (page.page, page.up)


def test_what_does_not_go_with_pages_is_said() -> None:
    def said(**extras: Any) -> set[str]:
        return set(codes(planned({"text": {"pages": 60}, "extras": extras})))

    assert {"pages.beyond", "pages.put_in"} <= said(arranged={"rectos": "6, 99"})
    assert "pages.both" in said(arranged={"rectos": "6", "versos": "6"})
    assert "numbers.off" in said(numbered={"aside": 190})
    assert "numbers.edge" in said(numbered={"edge": 1})
    booklet = {
        "binding": {"structure": "saddle_stitch"},
        "folding": {"make_up": "one_section"},
        "text": {"pages": 16},
    }
    made = planned({**booklet, "extras": {"self_cover": {}}})
    assert "cover.thin" in codes(made)
    assert [each.id for each in made.pieces] == ["text_sheet"]


def test_a_picture_the_thread_goes_through_is_told_of() -> None:
    # sections of four folios, 16 pages: the middle of the first lies between 8 and 9
    text = {"pages": 64, "spreads": "8"}
    assert "spread.holes" in codes(planned({"text": text}))
    assert "spread.holes" not in codes(planned({"text": {**text, "spreads": "6"}}))
    # three blanks put in before it, and another page comes to lie there
    arranged = {"arranged": {"blank_versos": "1"}}
    assert "spread.holes" not in codes(planned({"text": text, "extras": arranged}))
    one = {"folding": {"make_up": "one_section"}, "text": {"pages": 16, "spreads": "8"}}
    stapled = planned({**one, "binding": {"structure": "saddle_stitch"}, "sewing": {"method": "staples"}})
    assert "spread.holes" in codes(stapled)
