"""Books of every kind bound on screen, as a binder would go through them."""

import re
from pathlib import Path

from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from tests.browser.steps import (
    assert_accessible,
    enter,
    field,
    go_to,
    is_saved,
    line,
    open_job,
    open_tab,
)
from tests.web.conftest import make_job

LEDGER = "Orchard keeper's ledger"


def choose(page: Page, structure: str) -> None:
    page.get_by_role("button", name=re.compile("Choose a structure")).click()
    dialog = page.get_by_role("dialog", name="How is it bound?")
    dialog.get_by_role("button", name=re.compile(f"^{structure}")).click()
    dialog.get_by_role("button", name="Choose this binding").click()
    expect(dialog).to_have_count(0)
    expect(page.get_by_role("button", name=re.compile(f"now {structure}"))).to_be_visible()


def test_structures_are_chosen_from_pictures_and_undone(desk: Page) -> None:
    open_job(desk, LEDGER)
    desk.get_by_role("button", name=re.compile("now flat-back case")).click()
    dialog = desk.get_by_role("dialog", name="How is it bound?")
    expect(dialog.get_by_role("listitem")).to_have_count(17)
    dialog.get_by_role("button", name=re.compile("^saddle-stitched")).click()
    expect(dialog.get_by_text("is more than this binding").first).to_be_visible()
    dialog.get_by_role("button", name=re.compile("^boards laced on")).click()
    expect(dialog.get_by_text("sewing: on raised cords instead of on tapes")).to_be_visible()
    assert_accessible(desk)
    dialog.get_by_role("button", name="Choose this binding").click()
    is_saved(desk)
    desk.get_by_role("button", name="Undo").click()
    expect(desk.get_by_role("button", name=re.compile("now flat-back case"))).to_be_visible()


def test_a_pamphlet_from_first_to_last(desk: Page) -> None:
    binder = User.objects.get()
    make_job(binder, {"title": "Recipes", "text": {"pages": 32}, "paper": {"calliper": 0.1}})
    desk.reload()
    open_job(desk, "Recipes")
    choose(desk, "pamphlet in a case")
    go_to(desk, "Boards & cover")
    # 16 leaves of 0.1 and four of 0.156; 5 from the spine, boards of 2
    expect(line(desk, "case.distance")).to_contain_text("13 mm")
    open_tab(desk, "Spacer strip")
    expect(desk.get_by_role("img", name=re.compile("Spacer strip"))).to_be_visible()
    go_to(desk, "Sewing")
    expect(desk.get_by_text("From the inside out at the middle hole, 3")).to_be_visible()
    for _ in range(8):
        desk.get_by_role("button", name="Next step").click()
    expect(desk.get_by_text("tie a square knot")).to_be_visible()
    expect(desk.get_by_role("button", name="Next step")).to_be_disabled()
    assert_accessible(desk)


def test_a_flat_case_in_quarter_cloth_compared_and_offered_up(desk: Page) -> None:
    open_job(desk, LEDGER)
    go_to(desk, "Boards & cover")
    open_tab(desk, "Cover")
    desk.get_by_role("group", name="Cover").get_by_label("Covering").select_option("quarter")
    expect(line(desk, "side.width")).to_contain_text("− 30 + 2 + 20")
    desk.get_by_role("button", name="Compare schools").click()
    dialog = desk.get_by_role("dialog", name="Side by side")
    dialog.get_by_label("Way 2").select_option("covering/half")
    expect(dialog.get_by_role("rowheader", name="Corner", exact=True)).to_be_visible()
    expect(dialog.get_by_role("img", name=re.compile("Laid flat, one over another"))).to_be_visible()
    assert_accessible(desk)
    dialog.get_by_role("button", name=re.compile("Choose “half")).click()
    expect(line(desk, "corner.leg")).to_be_visible()
    height = line(desk, "board.height")
    expect(height).to_contain_text("288 mm")
    desk.get_by_role("button", name="Offered up …").click()
    desk.get_by_label("by", exact=True).fill("2")
    desk.get_by_role("button", name="How do I go on?").click()
    desk.get_by_role("button", name=re.compile("Cut the boards to 286 mm")).click()
    expect(height).to_contain_text("286 mm")
    go_to(desk, "Block")
    expect(line(desk, "block.height")).to_contain_text("measured")
    is_saved(desk)


def test_a_rounded_quarter_binding(desk: Page) -> None:
    open_job(desk, LEDGER)
    choose(desk, "rounded case")
    go_to(desk, "Block")
    open_tab(desk, "Back")
    field(desk, "Round").select_option("swell")
    expect(line(desk, "spine.left_over")).to_contain_text("0 mm")
    field(desk, "Shoulders").select_option("90")
    expect(line(desk, "shoulder.height")).to_contain_text("2.5 mm")
    arc = line(desk, "spine.arc").inner_text()
    expect(desk.get_by_role("img", name=re.compile("The spine rounded"))).to_be_visible()
    go_to(desk, "Boards & cover")
    open_tab(desk, "Cover")
    desk.get_by_role("group", name="Cover").get_by_label("Covering").select_option("quarter")
    inlay = line(desk, "spine_board.width")
    size = re.search(r"([\d.]+) mm", arc)
    assert size is not None
    expect(inlay).to_contain_text(f"{size[1]} mm")
    expect(line(desk, "closed.fore_edge")).to_contain_text("4 mm")
    assert_accessible(desk)


def test_boards_laced_on_with_bands_and_a_lettered_spine(desk: Page) -> None:
    open_job(desk, LEDGER)
    choose(desk, "boards laced on")
    go_to(desk, "Boards & cover")
    open_tab(desk, "Its own")
    field(desk, "How many").fill("4")
    field(desk, "Width").fill("5")
    # (288 − 4 − 4·5) / 5
    expect(line(desk, "panel.each")).to_contain_text("53 mm")
    expect(desk.get_by_text("The boards laid on before they are fastened")).to_be_visible()
    go_to(desk, "Finish")
    expect(desk.get_by_text("The lettering in the middle of the spine")).to_be_visible()
    field(desk, "Title, if not the job's").fill("Ledger")
    field(desk, "Direction").select_option("across")
    expect(desk.get_by_role("img", name=re.compile("across the spine"))).to_be_visible()
    open_tab(desk, "Lettering proof")
    with desk.expect_popup() as popup:
        desk.get_by_role("button", name=re.compile("Download Lettering proof")).click()
        desk.get_by_role("menuitem", name="True size (PDF)").click()
    popup.value.close()
    go_to(desk, "Sewing")
    open_tab(desk, "Guide for the spine")
    with desk.expect_download() as download:
        desk.get_by_role("button", name=re.compile("Download Guide for the spine")).click()
        desk.get_by_role("menuitem", name="SVG").click()
    assert "<svg" in Path(download.value.path()).read_text(encoding="utf-8")
    assert_accessible(desk)


def artwork(folder: Path) -> Path:
    path = folder / "gulls.svg"
    space = "http" + "://www.w3.org/2000/svg"
    path.write_text(
        f'<svg xmlns="{space}" width="450mm" height="340mm" viewBox="0 0 450 340">'
        '<rect width="450" height="340" fill="#88a"/><script>alert(1)</script></svg>'
    )
    return path


def test_a_printed_cover_with_its_artwork(desk: Page, tmp_path: Path) -> None:
    open_job(desk, LEDGER)
    choose(desk, "printed-cover case")
    go_to(desk, "Boards & cover")
    open_tab(desk, "Printed cover")
    open_tab(desk, "Printed")
    desk.get_by_label("Artwork file").set_input_files(artwork(tmp_path))
    expect(desk.get_by_text("Left out of the drawing to make it safe: script.")).to_be_visible()
    expect(desk.locator("[data-drawing='cover.guides'] image")).to_be_visible()
    turn_the_closed_book(desk)
    expect(desk.get_by_text("joint: bends in the joint: no lettering")).to_be_visible()
    field(desk, "Barcode").fill("290-1-234-56789-5")
    expect(desk.get_by_text("The check digit of")).to_be_visible()
    field(desk, "Barcode").fill("290-1-234-56789-6")
    expect(desk.get_by_text("The check digit of")).to_have_count(0)
    field(desk, "Bleed").fill("5")
    expect(line(desk, "art.width")).to_contain_text("+ 2 × 5")
    is_saved(desk)
    with desk.expect_popup() as popup:
        desk.get_by_role("link", name="Cover to print").click()
    popup.value.close()
    assert_accessible(desk)


def turn_the_closed_book(desk: Page) -> None:
    """From the front with the spine beside it, to the back, to the fore-edge, where the leaves are."""
    book = desk.get_by_role("img", name="The closed book, turned by 32°")
    expect(book.locator("image").first).to_be_visible()
    desk.get_by_role("radio", name="The back").click()
    expect(desk.get_by_role("img", name="The closed book, turned by 148°")).to_be_visible()
    expect(desk.get_by_role("radio", name="The front")).not_to_be_checked()
    desk.get_by_label("Turn the book").fill("270")
    expect(desk.get_by_role("img", name="The closed book, turned by 270°")).to_be_visible()
    expect(desk.get_by_role("radio", name="The back")).not_to_be_checked()


def test_a_set_from_its_first_volume(desk: Page) -> None:
    enter(desk, "Sets")
    expect(desk.get_by_text("3 volumes, 1 begun")).to_be_visible()
    desk.get_by_role("button", name="New set").click()
    desk.get_by_label("What the set is called").fill("Orchard ledgers")
    desk.get_by_label("All volumes are like").select_option(label=f"{LEDGER}, flat-back case")
    desk.get_by_role("button", name="Begin the set").click()
    desk.get_by_role("button", name="A volume").click()
    desk.get_by_label("Number of volume 2").fill("4")
    expect(desk.get_by_text("2 to 3 is missing")).to_be_visible()
    desk.get_by_label("Numbers").select_option("roman_iiii")
    expect(desk.get_by_text("IIII", exact=True).first).to_be_visible()
    desk.get_by_label("Note on volume 2").fill("the others were flooded")
    expect(desk.get_by_text("Meant so: the others were flooded")).to_be_visible()
    desk.get_by_label("Thickness of volume 2").fill("30 mm")
    expect(desk.get_by_text("measured")).to_be_visible()
    expect(desk.get_by_role("img", name=re.compile("the spines as they will stand"))).to_be_visible()
    expect(desk.get_by_role("status")).to_have_text("saved")
    assert_accessible(desk)
    desk.get_by_role("button", name="Undo").click()
    expect(desk.get_by_text("measured")).to_have_count(0)
    desk.get_by_role("row").nth(2).get_by_role("button", name="Begin").click()
    expect(desk.get_by_label("Title", exact=True)).to_have_value("Orchard ledgers, volume 4")


def test_house_rules_are_kept_and_a_job_shows_where_it_departs(desk: Page) -> None:
    enter(desk, "House rules")
    desk.get_by_label("Turn-in").fill("wide")
    open_tab(desk, "Tools")
    desk.get_by_role("button", name="Save these rules").click()
    # what is wrong is found from any part
    desk.get_by_role("tab", name="Rules (to put right)").click()
    desk.get_by_label("Turn-in").fill("3/4 in")
    desk.get_by_label("A folded section is called").select_option("gathering")
    open_tab(desk, "Tools")
    desk.get_by_role("button", name="A gauge").click()
    undo, redo = (desk.get_by_role("button", name=name, exact=True) for name in ("Undo", "Redo"))
    expect(redo).to_be_disabled()
    gauges = desk.get_by_role("button", name=re.compile("^Remove"))
    added = gauges.count()
    undo.click()
    expect(gauges).to_have_count(added - 1)
    redo.click()
    expect(gauges).to_have_count(added)
    assert_accessible(desk)
    desk.get_by_role("searchbox").fill("glued spine")
    expect(desk.get_by_label("Spine glued with")).to_be_visible()
    expect(desk.get_by_role("combobox")).to_have_count(1)
    desk.get_by_role("searchbox").fill("no such rule")
    expect(desk.get_by_text("No rule is called that.")).to_be_visible()
    open_tab(desk, "Rules")
    desk.get_by_role("button", name="Save these rules").click()
    expect(desk.get_by_role("status")).to_have_text("saved")
    expect(desk.get_by_label("Turn-in")).to_have_value("19.05")
    enter(desk, "Desk")
    open_job(desk, LEDGER)
    go_to(desk, "Folding")
    expect(line(desk, "sections.count")).to_contain_text("Gatherings")
    go_to(desk, "Boards & cover")
    expect(desk.get_by_text("Not the house rule. Turn-in")).to_be_visible()
    desk.get_by_role("button", name="By the house: Turn-in").click()
    expect(desk.get_by_text("Not the house rule. Turn-in")).to_have_count(0)
    desk.get_by_role("button", name=re.compile("By the gauge: Your nearest gauge for the joint gap")).click()
    expect(line(desk, "joint.gap")).to_contain_text("8 mm")
    is_saved(desk)
