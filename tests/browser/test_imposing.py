"""From a PDF to sheets that fold: brought, folded, compared, imposed, taken, read back, tried."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import assert_accessible, field, go_to, is_saved, line, open_job
from tests.core.paper_dummy import pages_on_sheets
from tests.exchange.texts import read_sides, write_text
from weald.web.printing import services
from weald.web.printing.models import PrintFile

pytestmark = pytest.mark.django_db(transaction=True)
HYMNS = "Hymn settings for the Ferry Lane choir"
TIDE = "Tide tables of Merrow Haven"


def bring(desk: Page, path: Path) -> None:
    with desk.expect_file_chooser() as chooser:
        desk.get_by_role("button", name=re.compile("Add a text")).click()
    chooser.value.set_files(path)


def impose(desk: Page, part: str = "whole") -> None:
    """Have the job imposed, and play the worker."""
    desk.get_by_label("Which part").select_option(part)
    desk.get_by_role("button", name=re.compile("Impose .* sheets")).click()
    expect(desk.get_by_text("you may leave this page")).to_be_visible()
    services.carry_out(str(PrintFile.objects.latest("asked").pk))
    expect(desk.get_by_role("link", name="Download the file").first).to_be_visible()


def fold_and_page_through(desk: Page) -> None:
    """Fold an octavo step by step, then page through its first signature."""
    desk.get_by_role("tab", name="Fold it").click()
    expect(desk.get_by_role("img", name="The flat sheet, 4 by 2 leaves")).to_be_visible()
    said = desk.get_by_role("tabpanel").get_by_role("status")
    for words in ("Slit along fold 1", "Slit along fold 2", "This sheet is a signature by itself"):
        desk.get_by_role("button", name="One fold on").click()
        expect(said).to_contain_text(words)
    assert_accessible(desk)
    desk.get_by_role("tab", name="Page through").click()
    for _ in range(4):
        desk.get_by_role("button", name="Page on").click()
    expect(desk.get_by_text("page 8: sheet 1, outer side")).to_be_visible()
    expect(desk.get_by_text("A true spread: one piece of paper.")).to_be_visible()
    expect(desk.get_by_alt_text("Page 9 of the text")).to_be_visible()
    assert_accessible(desk)
    desk.get_by_role("tab", name="On the spine").click()
    expect(desk.get_by_role("img", name=re.compile("the marks make a stair"))).to_be_visible()


def take_and_read_back(desk: Page, path: Path) -> list[int]:
    """Download the file, and read the first side of its first sheet against the dummy."""
    with desk.expect_download() as taken:
        desk.get_by_role("link", name="Download the file").click()
    taken.value.save_as(path)
    sides, (width, height) = read_sides(path)
    dummy = pages_on_sheets("upright, level, upright", 1, 8, "inset")
    for number, side in enumerate(sides):
        sheet, inner = divmod(number, 2)
        for page, (x, y, head) in side.items():
            cell = (0, "inner" if inner else "outer", int(x / width * 4), int(y / height * 2))
            assert dummy[cell] == (page - 16 * sheet, head)
    return [len(side) for side in sides]


def test_a_text_becomes_sheets_that_fold_to_order(desk: Page, tmp_path: Path) -> None:
    open_job(desk, HYMNS)
    expect(desk.get_by_text("No text yet: add it as a PDF")).to_be_visible()
    bring(desk, write_text(tmp_path / "hymns.pdf", 45, 240, 170))
    expect(desk.get_by_text("45 pages, 240 mm × 170 mm")).to_be_visible()
    expect(field(desk, "Pages")).to_have_value("45")
    field(desk, "Blanks").select_option("end")
    desk.get_by_role("button", name="Look through").click()
    expect(desk.get_by_alt_text("Page 7", exact=True)).to_be_visible()
    assert_accessible(desk)
    desk.keyboard.press("Escape")

    go_to(desk, "Folding")
    desk.get_by_role("button", name=re.compile("Choose a fold; now folio")).click()
    octavo = desk.get_by_role("button", name=re.compile("^octavo"))
    expect(octavo).to_contain_text("Bolts: head: opened by the trim; fore-edge: opened by the trim")
    expect(octavo).to_contain_text("Not with this: the paper is only 500 mm × 353 mm")
    assert_accessible(desk)
    octavo.click()
    expect(line(desk, "sheets.count")).to_contain_text("3")

    desk.get_by_role("button", name="Compare make-ups").click()
    table = desk.get_by_role("table", name="Make-ups")
    expect(table.get_by_text("Recommended:")).to_be_visible()
    desk.get_by_role("button", name="Blanks").click()
    expect(table.get_by_role("columnheader", name="Blanks")).to_have_attribute("aria-sort", "ascending")
    assert_accessible(desk)
    desk.keyboard.press("Escape")
    fold_and_page_through(desk)

    go_to(desk, "Printing")
    impose(desk)
    assert_accessible(desk)
    assert take_and_read_back(desk, tmp_path / "taken.pdf") == [8, 8, 8, 8, 7, 6]

    go_to(desk, "Text")
    field(desk, "Head").fill("5")
    is_saved(desk)
    go_to(desk, "Printing")
    expect(desk.get_by_text("Made before you changed Trim at the head.")).to_be_visible()
    desk.get_by_role("button", name="Undo").click()
    expect(desk.get_by_text("Made before you changed")).to_have_count(0)


def test_the_simulated_printer_finds_the_wrong_edge(desk: Page) -> None:
    open_job(desk, TIDE)
    go_to(desk, "Printing")
    impose(desk)
    desk.get_by_role("button", name="Try it on the simulated printer").click()
    desk.get_by_role("button", name="Print and fold").click()
    expect(desk.get_by_text("Pages 1 to 186 follow in order, all upright.")).to_be_visible()
    expect(desk.get_by_alt_text("Back of sheet 1", exact=True)).to_be_visible()
    assert_accessible(desk)
    desk.get_by_label("In its dialog: flip on the").select_option("long")
    desk.get_by_role("button", name="Print and fold").click()
    expect(desk.get_by_text("Every back came out the wrong way up.")).to_be_visible()
    desk.get_by_label("In its dialog: flip on the").select_option("short")
    desk.get_by_label("And then").select_option("lost_sheet")
    desk.get_by_label("Sheet", exact=True).fill("12")
    desk.get_by_role("button", name="Print and fold").click()
    expect(desk.get_by_text("Sheet 12 is missing (signature 3, sheet 2")).to_be_visible()


def test_a_printer_is_added_and_says_what_does_not_go_through(desk: Page) -> None:
    open_job(desk, TIDE)
    go_to(desk, "Printing")
    desk.get_by_role("button", name="Printers of the workshop").click()
    dialog = desk.get_by_role("dialog")
    dialog.get_by_label("Name").fill("Kitchen printer")
    dialog.get_by_label("Largest sheet, width").fill("wide")
    dialog.get_by_label("Largest sheet, height").fill("297")
    dialog.get_by_role("button", name="Add this printer").click()
    expect(dialog.get_by_text("“wide” is not a length")).to_be_visible()
    assert_accessible(desk)
    dialog.get_by_label("Largest sheet, width").fill("210")
    dialog.get_by_label("Turns sheets by itself on").select_option("long")
    dialog.get_by_role("button", name="Add this printer").click()
    expect(dialog.get_by_text("Saved.")).to_be_visible()
    desk.keyboard.press("Escape")
    desk.get_by_label("Printer", exact=True).select_option("Kitchen printer")
    expect(desk.get_by_text("does not go into this printer, which takes 210 mm × 297 mm")).to_be_visible()
    expect(field(desk, "Turns on the")).to_have_value("long")


def test_what_is_no_text_is_refused_in_words(desk: Page, tmp_path: Path) -> None:
    open_job(desk, HYMNS)
    story = tmp_path / "story.pdf"
    story.write_bytes(b"Once upon a time")
    bring(desk, story)
    expect(desk.get_by_role("alert")).to_contain_text("This is not a PDF; export the text as a PDF first.")
    expect(field(desk, "Pages")).to_have_value("92")
    assert_accessible(desk)


def test_a_programme_of_ones_own_and_leaves_lit_both_ways(desk: Page) -> None:
    open_job(desk, TIDE)
    go_to(desk, "Folding")
    desk.get_by_role("button", name=re.compile("Choose a fold")).click()
    own = desk.get_by_role("region", name="One of your own, fold by fold")
    own.get_by_role("button", name="Upright").click()
    own.get_by_label("The next fold").select_option("in three")
    own.get_by_role("button", name="Level").click()
    expect(own.get_by_role("alert")).to_contain_text("leaves no spine through all leaves")
    own.get_by_role("button", name="Unfold the last").click()
    own.get_by_role("button", name="Unfold the last").click()
    for fold in ("Level", "Upright", "Upright"):
        own.get_by_role("button", name=fold).click()
    own.get_by_role("button", name="Fold so").click()
    chosen = desk.get_by_role("button", name="Choose a fold; now level, upright, upright")
    expect(chosen).to_be_visible()
    section = desk.locator('[data-drawing="folding.section"]')
    nest = desk.locator('[data-drawing="folding.nest"]')
    section.locator("svg text").get_by_text("1", exact=True).first.hover()
    expect(nest.locator(".lit")).to_have_count(1)
    nest.locator("svg[role=img] g path").first.dispatch_event("mouseover")
    expect(section.locator(".lit").first).to_be_visible()
