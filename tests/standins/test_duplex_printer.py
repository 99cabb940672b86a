"""Imposed files printed on the simulated printer, folded and read."""

from pathlib import Path
from typing import Any

import pytest

from tests.exchange.texts import write_text
from weald.core.folding.programme import NAMED_PROGRAMMES, parse_programme
from weald.core.job.printing import Printer
from weald.core.job.spec import read_spec
from weald.core.press.press import Press, press
from weald.core.press.reading import ReadPage, Verdict, fold_and_read, verdicts
from weald.exchange.imposed_pdf import impose_pdf
from weald.exchange.read_imposed import read_imposed
from weald.exchange.reports import Order
from weald.standins.duplex_printer import PrinterError, Run, print_pile, turned_sections

ANY = Printer()
FOLDED = [name for name, text in NAMED_PROGRAMMES.items() if parse_programme(text).kind != "concertina"]


def job(pages: int, **parts: Any) -> Press:
    return press(read_spec({"leaf": {"width": 60, "height": 90}, "text": {"pages": pages}} | parts))


def tried(made: Press, folder: Path, run: Run) -> tuple[tuple[ReadPage, ...], tuple[Verdict, ...]]:
    pages = made.spec.text.pages
    out = folder / "out.pdf"
    impose_pdf(made, write_text(folder / "text.pdf", pages), out, Order())
    pile = print_pile(read_imposed(out), [made.printed_size(sheet) for sheet in made.sheets], run)
    read = fold_and_read(made, pile, turned_sections(run))
    return read, verdicts(made, pile, read, run.flip)


@pytest.mark.parametrize("name", FOLDED)
@pytest.mark.parametrize("flip", ["long", "short"])
@pytest.mark.parametrize("work", ["sheetwise", "turn", "tumble"])
def test_the_right_edge_reads_in_order_and_the_wrong_one_is_found(
    tmp_path: Path, name: str, flip: Any, work: str
) -> None:
    made = job(
        37, folding={"programme": name, "sheets_per_section": 2}, printing={"flip": flip, "work": work}
    )
    read, (verdict,) = tried(made, tmp_path, Run(ANY, flip))
    assert [page.found for page in read if page.found] == list(range(1, 38))
    assert (verdict.severity, verdict.message) == ("good", "Pages 1 to 37 follow in order, all upright.")
    other = "short" if flip == "long" else "long"
    read, wrong = tried(made, tmp_path, Run(ANY, other))  # type: ignore[arg-type]
    assert not all(page.right for page in read)
    assert wrong[0].severity == "stop"
    if work == "sheetwise":
        assert "Every back came out the wrong way up" in wrong[0].message
        assert f"flip on the {flip} edge" in wrong[0].remedy


@pytest.mark.parametrize("flip", ["long", "short"])
@pytest.mark.parametrize("pages", [40, 72])
def test_sheets_of_their_own_come_out_among_the_others(tmp_path: Path, flip: Any, pages: int) -> None:
    own = {"sections": [{"section": 2, "programme": "upright", "sheets": 2}]} if pages > 40 else {}
    folding = {"programme": "upright, level, upright", "sheets_per_section": 1}
    made = job(pages, folding=folding, printing={"flip": flip}, extras={"formes": own})
    read, (verdict,) = tried(made, tmp_path, Run(ANY, flip))
    assert [page.found for page in read if page.found] == list(range(1, pages + 1))
    assert verdict.severity == "good"


@pytest.mark.parametrize("flip", ["long", "short"])
def test_a_plate_sheet_larger_than_the_others_is_turned_by_its_own_size(tmp_path: Path, flip: Any) -> None:
    own = {"sections": [{"section": 2, "programme": "level, upright", "sheets": 1}]}
    made = job(
        36,
        folding={"programme": "upright", "sheets_per_section": 2},
        printing={"flip": flip},
        extras={"formes": own},
    )
    sizes = {made.printed_size(sheet) for sheet in made.sheets}
    # a folio sheet is wider than high, the quarto higher than wide
    assert {width > height for width, height in sizes} == {True, False}
    read, (verdict,) = tried(made, tmp_path, Run(ANY, flip))
    assert verdict.severity == "good"
    assert [page.found for page in read if page.found] == list(range(1, 37))
    other = "short" if flip == "long" else "long"
    _, (wrong,) = tried(made, tmp_path, Run(ANY, other))  # type: ignore[arg-type]
    assert "Every back came out the wrong way up" in wrong.message


@pytest.fixture
def folios() -> Press:
    return job(46, folding={"programme": "folio", "sheets_per_section": 4}, printing={"flip": "short"})


def test_a_lost_sheet_is_named_with_its_pages(folios: Press, tmp_path: Path) -> None:
    _, found = tried(folios, tmp_path, Run(ANY, "short", "lost_sheet", 6))
    assert len(found) == 1
    # sheet 6 is the second of the second signature: pages 19, 20, 29, 30
    assert "Sheet 6 is missing (signature 2, sheet 2, pages 19, 20, 29, 30)" in found[0].message
    assert "from page 19 on nothing is in order" in found[0].message
    assert "file pages 11 and 12" in found[0].remedy


def test_a_section_turned_round_reads_backwards(folios: Press, tmp_path: Path) -> None:
    read, found = tried(folios, tmp_path, Run(ANY, "short", "turned_section", 2))
    assert [verdict.message for verdict in found] == [
        "Signature 2 is bound upside down: it reads backwards, on its head."
    ]
    second = [page for page in read if page.section == 2]
    assert [page.found for page in second] == list(range(32, 16, -1))
    assert not any(page.upright for page in second)


def test_two_sheets_that_changed_places_are_named(folios: Press, tmp_path: Path) -> None:
    read, found = tried(folios, tmp_path, Run(ANY, "short", "swapped_sheets", 2, 7))
    assert [verdict.message for verdict in found] == ["Sheets 2 and 7 have changed places."]
    wrong = {page.expected for page in read if not page.right}
    # the four pages of each
    assert wrong == {3, 4, 13, 14, 21, 22, 27, 28}


@pytest.mark.parametrize(
    "run", [Run(ANY, "short", "lost_sheet", 13), Run(ANY, "short", "swapped_sheets", 1, 0)]
)
def test_a_sheet_that_is_not_there_is_refused(folios: Press, tmp_path: Path, run: Run) -> None:
    with pytest.raises(PrinterError, match="it has 12"):
        tried(folios, tmp_path, run)


@pytest.mark.parametrize("name", NAMED_PROGRAMMES)
@pytest.mark.parametrize("pages", [16, 300])
def test_an_eight_leaf_test_and_a_real_text_fold_to_order_on_the_first_try(
    tmp_path: Path, name: str, pages: int
) -> None:
    made = job(pages, folding={"programme": name, "sheets_per_section": 2}, printing={"flip": "short"})
    read, (verdict,) = tried(made, tmp_path, Run(ANY, "short"))
    assert verdict.message == f"Pages 1 to {pages} follow in order, all upright."
    assert [page.found for page in read if page.found] == list(range(1, pages + 1))


def by_hand(**more: Any) -> dict[str, Any]:
    return {"flips": "none", "stacks": "face_up", "feeds": "face_down"} | more


def test_a_pile_turned_by_hand_the_wrong_way_is_found(tmp_path: Path) -> None:
    made = job(46, printing={"printer": by_hand(), "flip": "long"})
    run = Run(Printer(**by_hand()), "long")
    assert tried(made, tmp_path, run)[1][0].severity == "good"
    _, found = tried(made, tmp_path, Run(run.printer, "long", "pile_other_way"))
    assert [verdict.message.split(".")[0] for verdict in found] == [
        "Every sheet carries another sheet's back"
    ]


def test_a_printer_that_cannot_turn_so_says_so(folios: Press, tmp_path: Path) -> None:
    with pytest.raises(PrinterError, match="on the long edge only"):
        tried(folios, tmp_path, Run(Printer(flips="long"), "short"))


def test_backs_that_stand_off_are_seen_until_the_profile_takes_them_back(tmp_path: Path) -> None:
    crooked = Printer(back_right=1.5, back_down=-0.8)
    made = job(16, printing={"flip": "short"})
    _, found = tried(made, tmp_path, Run(crooked, "short"))
    assert [verdict.severity for verdict in found] == ["good", "mind"]
    assert found[1].message == "Backs stand 1.5 mm too far right and 0.8 mm too high."
    profile = {"back_right": 1.5, "back_down": -0.8}
    corrected = job(16, printing={"flip": "short", "printer": profile})
    _, found = tried(corrected, tmp_path, Run(crooked, "short"))
    assert [verdict.severity for verdict in found] == ["good"]
