import io
import re
from pathlib import Path
from typing import Any
from urllib.parse import urljoin

import pikepdf
import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.steps import (
    STATIONS,
    assert_accessible,
    enter,
    field,
    go_to,
    is_saved,
    letter,
    line,
    open_job,
    open_tab,
    settings,
)
from weald.core.job.spec import read_spec
from weald.web.accounts.models import Membership
from weald.web.accounts.services import join
from weald.web.jobs import services
from weald.web.jobs.models import Job

pytestmark = pytest.mark.django_db(transaction=True)
TIDE = "Tide tables of Merrow Haven"


def tide() -> Job:
    return Job.objects.select_related("head").get(title=TIDE)


def stored() -> dict[str, Any]:
    head = tide().head
    assert head is not None
    return dict(head.spec)


def test_the_stations_from_first_to_last_each_draws_reckons_and_is_accessible(desk: Page) -> None:
    open_job(desk, TIDE)
    for station in STATIONS:
        go_to(desk, station)
        expect(desk.locator("[data-drawing] svg[role=img]").first).to_be_visible()
        reckoning = desk.get_by_label("The reckoning")
        expect(reckoning.locator("[data-lead]").first.or_(reckoning.get_by_text("Right in"))).to_be_visible()
        box = desk.locator("[data-drawing]").first.bounding_box()
        assert box is not None
        assert box["y"] + box["height"] <= 800, f"{station} needs the page scrolled at 1280×800"
        assert_accessible(desk)


def test_the_keyboard_walks_the_stations_and_finds_things(desk: Page) -> None:
    open_job(desk, TIDE)
    desk.keyboard.press("]")
    expect(desk.get_by_role("heading", level=1, name=re.compile(": Paper"))).to_be_attached()
    desk.keyboard.press("[")
    expect(desk.get_by_role("heading", level=1, name=re.compile(": Text"))).to_be_attached()
    desk.keyboard.press("/")
    desk.get_by_label("Part of a name").fill("spine board w")
    desk.keyboard.press("Enter")
    expect(desk.locator("[data-quantity='spine_board.width']").get_by_text("Schools")).to_be_visible()
    letter(desk, "m")
    expect(desk.get_by_label("Measured at the bench")).to_be_focused()
    desk.keyboard.press("Tab")
    desk.keyboard.press("?")
    expect(desk.get_by_role("dialog", name="Keyboard")).to_be_visible()
    assert_accessible(desk)


def test_text_paper_and_folding_follow_what_is_typed(desk: Page) -> None:
    open_job(desk, TIDE)
    field(desk, "Pages").fill("187")
    expect(desk.get_by_text("187 pages do not fill whole sheets: 1 blank page")).to_be_visible()
    field(desk, "Height").fill("8 1/4 in")
    expect(line(desk, "leaf.untrimmed_height")).to_contain_text("209.55 + 3 + 3 = 215.55")
    desk.get_by_role("button", name="Rule them for notes").click()
    expect(field(desk, "On the blanks")).to_have_value("ruled")
    expect(desk.get_by_text("187 pages do not fill whole sheets")).to_have_count(0)
    go_to(desk, "Paper")
    desk.get_by_role("radio", name="Pounds").click()
    field(desk, "Pounds").fill("20")
    desk.get_by_label("of the grade").select_option("bond")
    expect(line(desk, "paper.grammage")).to_contain_text("75 g/m²")
    field(desk, "Size").select_option("A3")
    expect(desk.get_by_role("img", name=re.compile("stock sheet: A3"))).to_be_visible()
    go_to(desk, "Folding")
    field(desk, "Sheets a signature").fill("4")
    desk.get_by_role("button", name="Next signature").click()
    drawing = desk.get_by_role("img", name=re.compile("Signature 2 of 12"))
    expect(drawing).to_have_attribute("aria-label", re.compile("sheet 1: outer 32, 17, inner 18, 31"))
    is_saved(desk)
    assert stored()["paper"]["basis"] == {"pounds": 20, "grade": "bond"}


def test_paper_known_another_way_begins_from_what_it_came_to(desk: Page) -> None:
    open_job(desk, TIDE)
    go_to(desk, "Paper")
    thickness = line(desk, "paper.calliper")
    expect(thickness).to_contain_text("0.117 mm")
    desk.get_by_role("radio", name="A leaf").click()
    expect(field(desk, "One leaf")).to_have_value(re.compile(r"^0\.117"))
    expect(thickness).to_contain_text("0.117 mm")
    desk.get_by_role("radio", name="A stack").click()
    expect(thickness).to_contain_text("11.7 / 100 = 0.117")
    field(desk, "Thickness").fill("12.4")
    expect(thickness).to_contain_text("0.124 mm")
    is_saved(desk)
    assert stored()["paper"]["stack"] == {"leaves": 100, "thickness": 12.4}
    desk.get_by_role("radio", name="Grammage").click()
    expect(thickness).to_contain_text("90 × 1.3 / 1000")


def test_crosswise_grain_is_found_and_put_right_at_a_touch(desk: Page) -> None:
    open_job(desk, "Verses")
    go_to(desk, "Paper")
    expect(desk.get_by_text("The grain runs across the spine")).to_be_visible()
    desk.get_by_role("button", name="Print and download").click()
    desk.get_by_role("menuitem", name="All pieces, drawn and listed").click()
    expect(desk.get_by_text("its stock has it across")).to_be_visible()
    desk.keyboard.press("Escape")
    desk.get_by_role("button", name="Use paper of this size with the grain the other way").click()
    expect(desk.get_by_text("The grain runs across the spine")).to_have_count(0)
    expect(desk.get_by_role("radio", name="Grain along the height")).to_be_checked()


def test_a_quantity_opens_to_its_reasons_and_takes_a_measurement(desk: Page) -> None:
    open_job(desk, TIDE)
    go_to(desk, "Boards & cover")
    gap = line(desk, "joint.gap")
    gap.get_by_role("button", name=re.compile("Joint gap")).click()
    expect(gap).to_contain_text("How: board thickness + 6 mm")
    expect(gap.get_by_role("button", name=re.compile("fixed by the board"))).to_contain_text("7 mm")
    gap.get_by_role("button", name=re.compile("from the inset wanted")).click()
    open_tab(desk, "Spine & joint")
    expect(field(desk, "Joint")).to_have_value("inset")
    expect(line(desk, "joint.inset")).to_contain_text("5 mm")
    assert_accessible(desk)
    gap.get_by_label("Measured at the bench").fill("1/4 in")
    expect(gap).to_contain_text("measured")
    expect(gap).to_contain_text("Computed: 8.5 mm")
    expect(line(desk, "joint.inset")).to_contain_text("((6.35 − 2) / 2)²")
    is_saved(desk)
    assert stored()["measured"]["joint.gap"] == pytest.approx(6.35)
    gap.get_by_role("button", name="Clear").click()
    expect(gap).not_to_contain_text("Computed:")


def test_pointing_at_a_part_lights_its_line_and_the_other_way_round(desk: Page) -> None:
    open_job(desk, TIDE)
    go_to(desk, "Boards & cover")
    open_tab(desk, "Laid flat")
    lit = desk.locator("[data-drawing='case.flat'] g.lit")
    expect(lit).to_have_count(0)
    line(desk, "joint.gap").hover()
    expect(lit).not_to_have_count(0)
    desk.locator("[data-drawing='case.flat'] [data-field='measured.cover.height']").hover()
    expect(line(desk, "cover.height")).to_have_class(re.compile("bg-linen"))
    desk.locator("[data-lead='piece.board']").hover()
    expect(lit).not_to_have_count(0)


def test_a_square_is_changed_where_it_is_drawn(desk: Page) -> None:
    open_job(desk, TIDE)
    go_to(desk, "Boards & cover")
    board = desk.locator("[data-lead='piece.board']")
    expect(board).to_contain_text("× 216 mm")
    head = desk.get_by_role("textbox", name="Closed: square at the head, 3", exact=True)
    head.click()
    note = desk.get_by_role("dialog", name="Closed: square at the head")
    expect(note).to_contain_text("decided")
    desk.keyboard.type("4.5 mn")
    expect(note.get_by_role("alert")).to_contain_text("is not a length")
    desk.keyboard.press("ControlOrMeta+a")
    desk.keyboard.type("3/16in")
    is_saved(desk)
    expect(board).to_contain_text("× 218 mm")
    expect(desk.locator("[data-changed]")).to_contain_text("× 218 mm")
    desk.keyboard.press("Escape")
    expect(note).not_to_be_visible()
    assert stored()["binding"]["squares"]["head"] == pytest.approx(4.7625)
    # what is reckoned takes what was measured, and says so
    open_tab(desk, "Laid flat")
    spine = desk.locator("[data-drawing='case.flat'] [data-field='measured.spine_board.width']")
    spine.focus()
    desk.keyboard.type("18")
    is_saved(desk)
    desk.keyboard.press("Tab")
    expect(desk.locator("[data-lead='piece.spine_board']")).to_contain_text("18 ×")
    expect(line(desk, "spine_board.width")).to_contain_text("measured")
    assert_accessible(desk)


def test_units_and_ruler_change_how_everything_is_shown(desk: Page) -> None:
    open_job(desk, "Lighthouse log")
    go_to(desk, "Boards & cover")
    settings(desk).get_by_role("radio", name="inches").click()
    expect(line(desk, "board.height")).to_contain_text("9 1/4″")
    open_tab(desk, "Cover")
    expect(field(desk, "Turn-in")).to_have_value("3/4")
    settings(desk).get_by_label("Ruler").select_option("16")
    settings(desk).get_by_role("radio", name="both").click()
    expect(line(desk, "board.height")).to_contain_text("234.5 mm (9 1/4″)")
    settings(desk).get_by_role("radio", name="mm").click()
    field(desk, "Turn-in").press("ArrowUp")
    expect(field(desk, "Turn-in")).to_have_value("19.5")
    with desk.expect_response("**/api/me"):
        settings(desk).get_by_label("Ruler").select_option("0.1")
    field(desk, "Turn-in").press("ArrowDown")
    expect(field(desk, "Turn-in")).to_have_value("19.4")


def test_undo_and_redo_outlast_leaving_and_returning(desk: Page) -> None:
    open_job(desk, TIDE)
    field(desk, "Width").fill("150")
    is_saved(desk)
    expect(line(desk, "leaf.untrimmed_width")).to_contain_text("154 mm")
    enter(desk, "Desk")
    open_job(desk, TIDE)
    expect(field(desk, "Width")).to_have_value("150")
    desk.get_by_role("button", name="Undo").click()
    expect(field(desk, "Width")).to_have_value("140")
    letter(desk, "Z")
    expect(field(desk, "Width")).to_have_value("150")
    desk.get_by_role("button", name="History").click()
    history = desk.get_by_role("dialog", name="History")
    expect(history).to_contain_text("Page width 150 mm")
    expect(history).to_contain_text("undone")
    assert_accessible(desk)


def test_undo_of_text_and_of_the_job_do_not_mix(desk: Page) -> None:
    open_job(desk, TIDE)
    width, height = field(desk, "Width"), field(desk, "Height")
    for text in ("150", "155"):
        width.fill(text)
        is_saved(desk)
    height.fill("215")
    is_saved(desk)
    height.press("Control+z")
    expect(height).to_have_value("210")
    for _ in range(3):
        height.press("Control+z")
    expect(height).to_be_focused()
    expect(height).to_have_value("210")
    expect(width).to_have_value("155")
    is_saved(desk)
    height.blur()
    desk.keyboard.press("Control+z")
    expect(height).to_have_value("215")
    expect(height).not_to_be_focused()
    desk.keyboard.press("Control+Shift+z")
    expect(height).to_have_value("210")


def test_focus_goes_back_to_where_it_came_from_and_letters_wait_for_their_leader(desk: Page) -> None:
    open_job(desk, TIDE)
    history = desk.get_by_role("button", name="History")
    history.press("Enter")
    desk.get_by_role("dialog", name="History").wait_for()
    desk.keyboard.press("Escape")
    expect(history).to_be_focused()
    more = desk.get_by_role("button", name="Print and download")
    more.press("Enter")
    desk.get_by_role("menuitem", name="All pieces").press("Enter")
    desk.get_by_role("dialog", name="Pieces to cut").wait_for()
    desk.keyboard.press("Escape")
    expect(more).to_be_focused()
    desk.keyboard.press("/")
    desk.get_by_label("Part of a name").fill("swell")
    desk.keyboard.press("Escape")
    expect(more).to_be_focused()
    desk.keyboard.press("/")
    expect(desk.get_by_label("Part of a name")).to_have_value("")
    desk.keyboard.press("Escape")
    grain = desk.locator(".hatch-grain").first
    desk.keyboard.press("g")
    expect(grain).to_have_css("display", "none")
    desk.keyboard.press("?")
    desk.get_by_label("Letters act by themselves").check()
    desk.keyboard.press("Escape")
    desk.keyboard.press("g")
    expect(grain).to_have_css("display", "inline")


def test_a_reader_sees_everything_and_has_no_field(desk: Page, bindery: str) -> None:
    membership = Membership.objects.get()
    membership.role = Membership.Role.READER
    membership.save()
    desk.goto(bindery)
    desk.get_by_text("look").first.wait_for()
    expect(desk.get_by_role("button", name="New job")).not_to_be_visible()
    open_job(desk, TIDE)
    before = stored()
    for station in STATIONS:
        go_to(desk, station)
        expect(desk.locator("main input:enabled, main select:enabled, main textarea:enabled")).to_have_count(
            0
        )
    go_to(desk, "Bench")
    expect(desk.get_by_role("button", name="Begin")).to_have_count(0)
    for room in ("House rules", "Sets", "Shelf", "Week"):
        enter(desk, room)
    expect(desk.get_by_role("alert")).to_have_count(0)
    assert stored() == before


def test_a_server_that_is_away_is_said_at_once_and_what_is_shown_stays(desk: Page) -> None:
    open_job(desk, TIDE)
    is_saved(desk)
    asked: list[str] = []

    def away(route: Route) -> None:
        asked.append(route.request.url)
        route.abort()

    desk.route(re.compile("/api/|/readyz"), away)
    field(desk, "Width").fill("151")
    told = desk.get_by_text("Weald does not answer. The page shows")
    expect(told).to_be_visible()
    go_to(desk, "Boards & cover")
    expect(desk.locator("[data-lead]").first).to_be_visible()
    seen = len(asked)
    desk.wait_for_timeout(4_000)
    assert len(asked) - seen <= 8
    desk.unroute(re.compile("/api/|/readyz"))
    expect(told).not_to_be_visible()
    is_saved(desk)
    assert stored()["leaf"]["width"] == 151
    desk.locator("[data-drawing]").first.wait_for()


def test_a_wrong_length_is_named_where_it_stands_and_kept(desk: Page) -> None:
    open_job(desk, TIDE)
    before = stored()["leaf"]["width"]
    field(desk, "Width").fill("wide")
    expect(desk.get_by_role("alert")).to_contain_text("“wide” is not a length; write it like")
    expect(desk.get_by_text("The drawing still shows the last sizes")).to_be_visible()
    expect(desk.get_by_role("status")).to_contain_text("something to correct")
    assert_accessible(desk)
    desk.reload()
    expect(field(desk, "Width")).to_have_value("wide")
    assert stored()["leaf"]["width"] == before
    field(desk, "Width").fill("-5")
    expect(desk.get_by_role("alert")).to_contain_text("must be more than 0")
    field(desk, "Width").fill("145")
    is_saved(desk)


@pytest.mark.parametrize("fault", ["offline", "restart"])
def test_a_lost_connection_loses_nothing(desk: Page, fault: str) -> None:
    open_job(desk, TIDE)
    is_saved(desk)
    if fault == "offline":
        desk.context.set_offline(True)
    else:
        desk.route("**/api/**", lambda route: route.fulfill(status=502, body="bad gateway"))
    field(desk, "Width").fill("146")
    expect(desk.get_by_role("status")).to_have_text("not saved yet")
    if fault == "offline":
        desk.context.set_offline(False)
    else:
        desk.unroute("**/api/**")
    is_saved(desk)
    assert stored()["leaf"]["width"] == 146
    expect(line(desk, "leaf.untrimmed_width")).to_contain_text("150 mm")


def test_two_people_on_one_job_lose_nothing_and_choose_what_meets(desk: Page) -> None:
    open_job(desk, TIDE)
    is_saved(desk)
    job = tide()
    ida = join("ida", "x" * 12, job.workshop, Membership.Role.BINDER, check=False)
    theirs = {**stored(), "leaf": {**stored()["leaf"], "height": 200, "width": 145}}
    services.save_job(job, job.version, ida, read_spec(theirs))
    field(desk, "Pages").fill("190")
    told = desk.get_by_role("status").filter(has_text="ida changed meanwhile")
    expect(told).to_contain_text("Page height 200 mm")
    expect(field(desk, "Height")).to_have_value("200")
    assert (stored()["text"]["pages"], stored()["leaf"]["height"]) == (190, 200)
    told.get_by_role("button", name="Got it").click()

    job = tide()
    again = {**stored(), "leaf": {**stored()["leaf"], "width": 144, "height": 205}}
    services.save_job(job, job.version, ida, read_spec(again))
    field(desk, "Width").fill("150")
    dialog = desk.get_by_role("dialog", name="Two changes of the same entry")
    entry = dialog.get_by_role("group", name="Page width")
    expect(entry).to_contain_text("150 mm")
    expect(entry).to_contain_text("144 mm")
    expect(entry).to_contain_text("Board")
    assert_accessible(desk)
    entry.get_by_role("radio", name="Yours").check()
    dialog.get_by_role("button", name="Save these").click()
    told.get_by_role("button", name="Got it").click()
    is_saved(desk)
    assert (stored()["leaf"]["width"], stored()["leaf"]["height"]) == (150, 205)


def desk_author(job: Job) -> Any:
    return job.workshop.memberships.get().user


def test_papers_are_chosen_seen_and_printed(desk: Page) -> None:
    open_job(desk, TIDE)
    field(desk, "Pages").fill("200")
    desk.get_by_role("button", name="Print and download").click()
    desk.get_by_role("menuitem", name="Print…").click()
    dialog = desk.get_by_role("dialog", name="Print")
    expect(dialog.get_by_role("radio", name="Job sheet")).to_be_checked()
    paper = dialog.get_by_label("Printed on")
    paper.select_option("Letter")
    expect(paper).to_have_value("letter")

    def printed() -> pikepdf.Pdf:
        href = dialog.get_by_role("link", name="Open the PDF").get_attribute("href")
        assert href
        answer = desk.request.get(urljoin(desk.url, href))
        assert answer.ok
        return pikepdf.open(io.BytesIO(answer.body()))

    expect(dialog.get_by_role("img", name="Job sheet, page 1 of 1")).to_be_visible()
    sheet = printed()
    assert len(sheet.pages) == 1
    assert [round(float(side)) for side in sheet.pages[0].mediabox[2:]] == [612, 792]
    assert_accessible(desk)
    dialog.get_by_role("checkbox", name="Drawings").check()
    expect(dialog.get_by_role("img", name=re.compile("Job sheet, page 1 of [2-9]"))).to_be_visible()
    dialog.get_by_role("button", name="Next").click()
    second = dialog.get_by_role("img", name=re.compile("Job sheet, page 2 of"))
    expect(second).to_have_js_property("complete", True)
    expect(second).not_to_have_js_property("naturalWidth", 0)
    dialog.get_by_role("radio", name="Templates").check()
    for box in dialog.get_by_role("checkbox").all():
        box.uncheck()
    expect(dialog.get_by_text("Choose a template.")).to_be_visible()
    dialog.get_by_role("checkbox", name=re.compile("case laid flat")).check()
    expect(dialog.get_by_role("img", name=re.compile("Templates, page 1 of [4-9]"))).to_be_visible()
    assert len(printed().pages) >= 4
    desk.keyboard.press("Escape")
    for name, start in (("Case as SVG", b"<?xml"), ("Pieces as CSV", b"job,piece")):
        desk.get_by_role("button", name="Print and download").click()
        with desk.expect_download() as download:
            desk.get_by_role("menuitem", name=name).click()
        assert Path(download.value.path()).read_bytes().startswith(start)


def test_the_lamp_lit_theme_is_accessible_too(desk: Page) -> None:
    expect(desk.locator("html")).to_have_attribute("data-theme", "system")
    settings(desk).get_by_role("radio", name="lamp").click()
    expect(desk.locator("html")).to_have_attribute("data-theme", "lamp")
    assert_accessible(desk)
    open_job(desk, "Verses")
    go_to(desk, "Paper")
    assert_accessible(desk)


@pytest.mark.parametrize(("width", "height"), [(820, 1180), (390, 844)])
def test_a_job_is_usable_on_a_small_screen(desk: Page, width: int, height: int) -> None:
    desk.set_viewport_size({"width": width, "height": height})
    open_job(desk, TIDE)
    go_to(desk, "Boards & cover")
    expect(line(desk, "board.height")).to_be_visible()
    overflow = desk.evaluate("document.documentElement.scrollWidth - window.innerWidth")
    assert overflow <= 0
