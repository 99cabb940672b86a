"""The drawing on screen: rulers, zoom, grain, legend, and the keys that act on it."""

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.steps import assert_accessible, field, go_to, is_saved, letter, line, open_job, open_tab

pytestmark = pytest.mark.django_db(transaction=True)
TIDE = "Tide tables"


def picture(page: Page, drawing_id: str) -> Locator:
    return page.locator(f"[data-drawing='{drawing_id}']")


def test_a_drawing_is_true_to_scale_beside_its_ruler(desk: Page) -> None:
    open_job(desk, TIDE)
    go_to(desk, "Boards & cover")
    open_tab(desk, "Laid flat")
    case = picture(desk, "case.flat")
    boards = case.locator("path[style*='fill-board']")
    expect(boards).to_have_count(3)
    # the shapes themselves, without the width of the pen
    sizes = boards.evaluate_all(
        "all => all.map(each => { const box = each.getBBox(); return [box.width, box.height]; })"
    )
    # board 139.53 × 216, spine board 16: the same pixels to the millimetre for all
    scale = sizes[0][1] / 216
    assert sizes[0][0] / scale == pytest.approx(139.53, abs=0.1)
    assert sizes[1][0] / scale == pytest.approx(16, abs=0.1)
    marks = case.locator("svg[aria-hidden] text").filter(has_text=re.compile(r"^(100|200)$"))
    first, second = marks.nth(0).bounding_box(), marks.nth(1).bounding_box()
    assert first
    assert second
    assert (second["x"] - first["x"]) / scale == pytest.approx(100, abs=1)


def test_larger_smaller_and_fit(desk: Page) -> None:
    open_job(desk, TIDE)
    case = picture(desk, "text.opening")
    svg = case.locator("svg[role=img]")
    before = svg.bounding_box()
    assert before
    case.get_by_role("button", name="Larger").click()
    case.get_by_role("button", name="Larger").click()
    larger = svg.bounding_box()
    assert larger
    assert larger["height"] > 1.5 * before["height"]
    assert_accessible(desk)
    case.get_by_role("button", name="Fit").click()
    expect(case.get_by_role("button", name="Smaller")).to_be_disabled()
    assert svg.bounding_box() == before


def test_the_legend_is_within_reach_at_every_station(desk: Page) -> None:
    open_job(desk, TIDE)
    for station in ("Text", "Folding", "Boards & cover"):
        go_to(desk, station)
        desk.get_by_role("button", name="Legend").click()
        expect(desk.get_by_text("grain: the arrow runs along it")).to_be_visible()
        assert_accessible(desk)
        desk.keyboard.press("Escape")


def test_keys_for_grain_and_units(desk: Page) -> None:
    open_job(desk, TIDE)
    grain = picture(desk, "text.opening").locator(".hatch-grain").first
    expect(grain).to_have_css("display", "none")
    letter(desk, "g")
    expect(grain).to_have_css("display", "inline")
    letter(desk, "u")
    expect(line(desk, "leaf.untrimmed_height")).to_contain_text("8 1/2″")
    letter(desk, "u")
    expect(line(desk, "leaf.untrimmed_height")).to_contain_text("216 mm (8 1/2″)")


def test_what_one_types_stays_while_it_is_read_and_saved(desk: Page) -> None:
    open_job(desk, TIDE)
    width = field(desk, "Width")
    width.fill("140.")
    expect(desk.get_by_role("alert")).to_contain_text("is not a length")
    width.fill("140.50")
    is_saved(desk)
    expect(width).to_have_value("140.50")
    width.press("Tab")
    expect(width).to_have_value("140.5")
    expect(line(desk, "leaf.untrimmed_width")).to_contain_text("140.5 + 4 = 144.5")


def test_all_pieces_drawn_and_listed(desk: Page) -> None:
    open_job(desk, TIDE)
    desk.get_by_role("button", name="Print and download").click()
    desk.get_by_role("menuitem", name="All pieces, drawn and listed").click()
    dialog = desk.get_by_role("dialog", name="Pieces to cut")
    expect(dialog.get_by_role("row", name=re.compile("Spine board"))).to_contain_text("16 mm × 216 mm")
    label = dialog.locator("svg[role=img]").get_attribute("aria-label")
    assert label
    assert "2 × board, 139.5 mm × 216 mm" in label
    assert_accessible(desk)


def test_what_is_no_size_is_decided_at_its_part(desk: Page) -> None:
    open_job(desk, TIDE)
    go_to(desk, "Boards & cover")
    told = desk.get_by_role("button", name=re.compile("^Board: "))
    told.click()
    opened = desk.get_by_role("dialog", name="Board")
    expect(opened.get_by_label("Name")).to_be_focused()
    # the drawer lends the part its fields, so that there are never two of one name
    expect(desk.get_by_label("Name")).to_have_count(1)
    assert_accessible(desk)
    opened.get_by_label("Name").fill("Millboard")
    expect(desk.get_by_text("Board: Millboard")).to_be_visible()
    desk.keyboard.press("Escape")
    expect(told).to_be_focused()
    is_saved(desk)
    # a joint is too narrow to be written on: its words stand beside it
    open_tab(desk, "Laid flat")
    desk.get_by_role("button", name=re.compile("^Spine and joint")).click()
    joint = desk.get_by_role("dialog", name="Spine and joint")
    joint.get_by_label("Joint", exact=True).select_option(index=1)
    is_saved(desk)
    desk.keyboard.press("Escape")
    open_tab(desk, "Spine & joint")
    expect(desk.get_by_label("Joint", exact=True)).to_be_visible()
