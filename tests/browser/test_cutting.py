"""From shelf to cut pieces: stock shelved, chosen for a job, laid out, taken to the shears, booked."""

import csv
import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import assert_accessible, enter, go_to, is_saved, letter, open_job, open_tab
from weald.standins.guillotine import cut
from weald.web.shelf import cutting as cuttings
from weald.web.shelf.models import Cutting

pytestmark = pytest.mark.django_db(transaction=True)
HYMNS = "Hymn settings for the Ferry Lane choir"


def test_a_shelf_is_kept(desk: Page) -> None:
    enter(desk, "Shelf")
    assert_accessible(desk)
    # add in a few words, with what is unclear asked about
    words = desk.get_by_label("Add to the shelf, in a few words")
    words.fill("70 lb offset 25x38in")
    words.press("Enter")
    dialog = desk.get_by_role("dialog")
    expect(dialog.get_by_text("of which grade?")).to_be_visible()
    desk.keyboard.press("Escape")
    words.fill("A2 120 gsm long heron grey ×50")
    words.press("Enter")
    expect(dialog.get_by_label("Name")).to_have_value("heron grey")
    expect(dialog.get_by_label("Grain runs along")).to_have_value("height")
    dialog.get_by_label("Width").fill("wide")
    dialog.get_by_role("button", name="Put on the shelf").click()
    expect(dialog.get_by_text(re.compile("is not a length"))).to_be_visible()
    assert_accessible(desk)
    dialog.get_by_label("Width").fill("420")
    dialog.get_by_role("button", name="Put on the shelf").click()
    expect(desk.get_by_role("button", name="Count heron grey")).to_have_text("50 sheets")
    # count down with a reason
    desk.get_by_role("button", name="Count heron grey").click()
    dialog.get_by_label("Why").select_option("spoilt")
    dialog.get_by_label("How much, sheets").fill("4")
    dialog.get_by_role("button", name="Count it").click()
    expect(desk.get_by_role("button", name="Count heron grey")).to_have_text("46 sheets")
    desk.get_by_role("button", name="Undo").click()
    expect(desk.get_by_role("button", name="Count heron grey")).to_have_text("50 sheets")
    # a change of the item can be taken back too
    desk.get_by_role("button", name="heron grey", exact=True).click()
    dialog.get_by_label("Lies in").fill("drawer 9")
    dialog.get_by_role("button", name="Save the changes").click()
    expect(desk.get_by_text("drawer 9")).to_be_visible()
    desk.get_by_role("button", name="Undo").click()
    expect(desk.get_by_text("drawer 9")).to_have_count(0)


def test_grain_is_tested_by_hand(desk: Page) -> None:
    enter(desk, "Shelf")
    dialog = desk.get_by_role("dialog")
    desk.get_by_label("Search the shelf").fill("attic")
    desk.get_by_role("button", name="test it").click()
    dialog.get_by_role("button", name="Tear an offcut").click()
    assert_accessible(desk)
    dialog.get_by_role("button", name=re.compile("Straight from head downwards")).click()
    expect(desk.get_by_text("short, along the 450")).to_be_visible()
    # take it off the list, and put it back
    desk.get_by_role("button", name="More for Attic find").click()
    desk.get_by_role("menuitem", name="Remove from the list").click()
    expect(desk.get_by_text("Nothing on the shelf answers")).to_be_visible()
    desk.get_by_role("button", name="Put it back").click()
    expect(desk.get_by_role("button", name="Attic find", exact=True)).to_be_visible()


def test_a_table_goes_out_and_comes_in_changed(desk: Page, tmp_path: Path) -> None:
    enter(desk, "Shelf")
    dialog = desk.get_by_role("dialog")
    desk.get_by_role("button", name="Tables", exact=True).click()
    with desk.expect_download() as taken:
        desk.get_by_role("menuitem", name="The shelf as CSV").click()
    path = tmp_path / "shelf.csv"
    taken.value.save_as(path)
    rows = list(csv.reader(path.read_text().splitlines()))
    place = {name: rows[0].index(name) for name in rows[0]}
    next(row for row in rows if row[place["name"]] == "Attic find")[place["count"]] = "30"
    rows[-1][place["kind"]] = "driftwood"
    with path.open("w", newline="") as file:
        csv.writer(file).writerows(rows)
    desk.get_by_role("button", name="Tables", exact=True).click()
    desk.get_by_role("menuitem", name="A table in …").click()
    dialog.get_by_label("Table").set_input_files(path)
    expect(dialog.get_by_text("changes", exact=True)).to_be_visible()
    dialog.get_by_role("button", name="Add the 1 good ones, leave out 1").click()
    expect(dialog.get_by_text("Added: 1 items.")).to_be_visible()
    desk.keyboard.press("Escape")
    expect(desk.get_by_role("button", name="Count Attic find")).to_have_text("30 sheets")


def test_weights_are_converted_with_their_sums(desk: Page) -> None:
    enter(desk, "Shelf")
    desk.get_by_role("button", name="Convert weights").click()
    dialog = desk.get_by_role("dialog")
    expect(dialog.get_by_text("80 × 1406.14 / (25 × 38) = 118.4 g/m²")).to_be_visible()
    dialog.get_by_label("Grade").select_option("bond")
    dialog.get_by_label("How much").fill("20")
    expect(dialog.get_by_text("20 × 1406.14 / (17 × 22) = 75.2 g/m²")).to_be_visible()


def lay_out(desk: Page, button: str) -> None:
    """Have pieces laid out, and play the worker."""
    desk.get_by_role("button", name=button).click()
    expect(desk.get_by_text("You can leave; it goes on.")).to_be_visible()
    cuttings.carry_out(str(Cutting.objects.latest("asked").pk))
    expect(desk.get_by_role("heading", name="Cuts of sheet")).to_have_count(0)
    expect(desk.get_by_text("Cuts of sheet 1")).to_be_visible()


def test_from_a_job_to_cut_pieces(desk: Page, tmp_path: Path) -> None:
    open_job(desk, HYMNS)
    go_to(desk, "Cutting")
    expect(desk.get_by_text("Right in 6 of 7 pieces whose stock is chosen.")).to_be_visible()
    open_tab(desk, "Listed")
    expect(desk.get_by_text("▲ along width, upright on long grain")).to_be_visible()
    open_tab(desk, "Drawn")
    # the crosswise paper is changed, on the drawn sheet, for the ream whose grain comes right
    desk.get_by_role("button", name="Stock for Text sheet: Chancel smooth").click()
    dialog = desk.get_by_role("dialog")
    odd = dialog.get_by_role("row").filter(has_text="Chancel smooth, odd ream")
    expect(odd.get_by_text("✓ grain along height")).to_be_visible()
    assert_accessible(desk)
    odd.get_by_role("button", name="Choose Chancel smooth, odd ream").click()
    expect(desk.get_by_text("Right in 7 of 7 pieces whose stock is chosen.")).to_be_visible()
    is_saved(desk)
    go_to(desk, "Paper")
    expect(desk.get_by_label("Name")).to_have_value("Chancel smooth, odd ream")
    # the choice can be undone, and done again
    desk.get_by_role("button", name="Undo").click()
    expect(desk.get_by_label("Name")).to_have_value("Chancel smooth")
    desk.get_by_role("button", name="Redo").click()
    expect(desk.get_by_label("Name")).to_have_value("Chancel smooth, odd ream")
    go_to(desk, "Cutting")
    lay_out(desk, "Lay out the pieces")
    assert_accessible(desk)
    assert_cuts_match_the_guillotine(desk, tmp_path)
    # laid out otherwise: without the offcuts, for a thick blade
    desk.get_by_role("button", name="Lay out another way").click()
    dialog.get_by_label("Width of the cut").fill("1 mm")
    dialog.get_by_label(re.compile("^offcut Greyboard 2 mm, 420")).check()
    assert_accessible(desk)
    lay_out(desk, "Lay out again")
    # cut, booked, taken back
    desk.get_by_role("button", name="It is cut").click()
    expect(desk.get_by_text("stock is off the shelf, offcuts are on it")).to_be_visible()
    enter(desk, "Shelf")
    expect(desk.get_by_role("button", name="Count Chancel smooth, odd ream").first).to_have_text("387 sheets")
    desk.go_back()
    desk.get_by_role("button", name="Undo").click()
    expect(desk.get_by_role("button", name="It is cut")).to_be_visible()


def assert_cuts_match_the_guillotine(desk: Page, tmp_path: Path) -> None:
    """Try the layout on the simulated guillotine, and cut by the file that is taken away."""
    desk.get_by_role("button", name="Try on the guillotine").click()
    expect(desk.get_by_text("Every piece falls, at its size and with its grain right.")).to_be_visible()
    assert_accessible(desk)
    desk.keyboard.press("Escape")
    for name, ending in (("The cuts (CSV)", "csv"), ("All sheets (DXF)", "dxf")):
        desk.get_by_role("button", name="Print for the shears").click()
        with desk.expect_download() as taken:
            desk.get_by_role("menuitem", name=name).click()
        taken.value.save_as(tmp_path / f"taken.{ending}")
    fallen = cut((tmp_path / "taken.csv").read_text())
    assert sum(each.times for each in fallen if each.name == "Board") == 2
    assert (
        "HATCH" in (tmp_path / "taken.dxf").read_text()
        or "LWPOLYLINE" in (tmp_path / "taken.dxf").read_text()
    )


def test_three_books_are_cut_together(desk: Page) -> None:
    enter(desk, "Cutting")
    expect(desk.get_by_text("Nothing has been laid out yet.")).to_be_visible()
    assert_accessible(desk)
    for title in ("Tide tables of Merrow Haven", "Orchard keeper's ledger", HYMNS):
        desk.get_by_label(title, exact=True).check()
    lay_out(desk, "Lay out 3 jobs together")
    expect(desk.get_by_text("fits only with its grain the wrong way")).to_be_visible()
    letter(desk, "u")
    expect(desk.get_by_role("cell", name="11 11/32″")).to_be_visible()
    letter(desk, "u")
    letter(desk, "u")
    expect(desk.get_by_role("cell", name="288 mm")).to_be_visible()
    for number in range(2, 6):
        desk.keyboard.press("]")
        expect(desk.get_by_text(f"Cuts of sheet {number}")).to_be_visible()
    enter(desk, "Cutting")
    expect(desk.get_by_text("laid out;")).to_be_visible()
