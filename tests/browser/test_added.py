"""What binders add to a structure, found, added, changed and taken off again, on screen."""

import re

from django.contrib.auth.models import User
from playwright.sync_api import Locator, Page, expect

from tests.browser.steps import assert_accessible, enter, go_to, is_saved, line, open_job, open_tab
from tests.web.conftest import make_job

LEDGER = "Orchard keeper's ledger"


def find(page: Page, words: str) -> Locator:
    """What is found by a part of a name; the dialog stays open."""
    page.get_by_role("heading", level=1).first.click(force=True)
    page.keyboard.press("/")
    dialog = page.get_by_role("dialog", name="Find")
    dialog.get_by_role("textbox").fill(words)
    return dialog.get_by_role("listitem")


def panel(page: Page, title: str) -> Locator:
    return page.get_by_role("form", name=title)


def test_a_jacket_is_found_added_changed_and_undone(desk: Page) -> None:
    open_job(desk, LEDGER)
    find(desk, "dust wrapper").first.get_by_role("button").click()
    dialog = desk.get_by_role("dialog", name="What else there is to do here")
    expect(dialog.get_by_role("region", name="Wrap it in a paper jacket")).to_contain_text(
        "held by its flaps"
    )
    assert_accessible(desk)
    dialog.get_by_role("button", name="Add it").click()
    expect(desk.get_by_role("img", name=re.compile("The jacket, flat"))).to_be_visible()
    before = line(desk, "jacket.flap").inner_text()
    panel(desk, "paper jacket").get_by_label("Flap, own width").fill("3 1/2 in")
    expect(line(desk, "jacket.flap")).not_to_have_text(before)
    expect(line(desk, "jacket.flap")).to_contain_text("88.9 mm")
    is_saved(desk)
    assert_accessible(desk)
    panel(desk, "paper jacket").get_by_label("Flap, own width").fill("20")
    expect(desk.get_by_text("slip out when the book is opened")).to_be_visible()
    desk.get_by_role("button", name="Half the board").click()
    expect(desk.get_by_text("slip out when the book is opened")).to_have_count(0)
    panel(desk, "paper jacket").get_by_role("button", name="Remove").click()
    expect(line(desk, "jacket.flap")).to_have_count(0)
    desk.get_by_role("button", name="Undo").click()
    expect(line(desk, "jacket.flap")).to_be_visible()


def test_nobody_making_a_booklet_meets_a_hammer_face(desk: Page) -> None:
    make_job(
        User.objects.get(),
        {
            "title": "Zine",
            "text": {"pages": 16},
            "folding": {"make_up": "one_section"},
            "binding": {"structure": "saddle_stitch"},
        },
    )
    desk.reload()
    open_job(desk, "Zine")
    expect(find(desk, "hammer")).to_have_text("Nothing has that name.")
    desk.keyboard.press("Escape")
    expect(find(desk, "jacket")).to_have_text("Nothing has that name.")
    desk.keyboard.press("Escape")
    expect(find(desk, "self-cover")).to_have_count(1)


def test_a_template_is_set_with_the_tools_of_the_house(desk: Page) -> None:
    enter(desk, "House rules")
    open_tab(desk, "Tools")
    desk.get_by_role("button", name="One more: Tools owned").click()
    desk.get_by_label("Tools owned 4: Tool").fill("oak leaf")
    desk.get_by_label("Tools owned 4: Wide").fill("1/4 in")
    desk.get_by_role("button", name="Save these rules").click()
    expect(desk.get_by_role("status").first).to_have_text("saved")
    assert_accessible(desk)
    enter(desk, "Desk")
    open_job(desk, LEDGER)
    go_to(desk, "Finish")
    desk.get_by_role("button", name="More", exact=True).click()
    dialog = desk.get_by_role("dialog")
    dialog.get_by_role("button", name="Make a template for tooling").click()
    dialog.get_by_role("button", name="Add it").click()
    form = panel(desk, "finishing template")
    expect(form.get_by_label("Tools owned 4: Tool")).to_have_value("oak leaf")
    expect(form.get_by_label("Tools owned 4: Wide")).to_have_value("6.35")
    form.get_by_role("button", name="One more: In the panels").click()
    form.get_by_label("In the panels 2: What").select_option("tool")
    form.get_by_label("In the panels 2: Type or tool").fill("rose")
    form.get_by_label("In the panels 2: Panel").fill("1")
    expect(desk.get_by_text("There is no tool called “rose”")).to_be_visible()
    form.get_by_label("In the panels 2: Type or tool").fill("gull")
    expect(desk.get_by_text("There is no tool called")).to_have_count(0)
    form.get_by_label("In the panels 2: Middle, from the head").fill("1")
    expect(desk.get_by_text("Line 2 meets the edge of the boards")).to_be_visible()
    form.get_by_label("In the panels 2: Middle, from the head").fill("1 in")
    expect(desk.get_by_text("Line 2 meets")).to_have_count(0)
    expect(desk.get_by_role("img", name=re.compile("Finishing template"))).to_contain_text("25.5")
    is_saved(desk)
    assert_accessible(desk)


def test_old_places_are_sewn_where_they_were_measured(desk: Page) -> None:
    open_job(desk, LEDGER)
    go_to(desk, "Sewing")
    desk.get_by_role("button", name="More", exact=True).click()
    dialog = desk.get_by_role("dialog")
    dialog.get_by_role("button", name="Sew at places you measured").click()
    dialog.get_by_role("button", name="Add it").click()
    form = panel(desk, "places measured")
    form.get_by_label("Supports 1: Middle").fill("not a size")
    expect(form.get_by_label("Supports 1: Middle")).to_have_attribute("aria-invalid", "true")
    form.get_by_label("Supports 1: Middle").fill("1 1/2 in")
    expect(desk.get_by_role("img", name=re.compile("Card of the places"))).to_contain_text("38")
    is_saved(desk)
    desk.get_by_role("main").get_by_role("button", name="Sewing", exact=True).click()
    expect(desk.get_by_label("Supports", exact=True)).to_have_count(0)


def test_a_stab_pattern_is_sewn_to_its_last_knot(desk: Page) -> None:
    make_job(
        User.objects.get(),
        {"title": "Haiku", "text": {"pages": 40, "blank_book": True}, "binding": {"structure": "stab_sewn"}},
    )
    desk.reload()
    open_job(desk, "Haiku")
    go_to(desk, "Sewing")
    desk.get_by_role("radio", name="corners sewn twice").click()
    expect(desk.get_by_text("step 1 of 20")).to_be_visible()
    for _ in range(19):
        desk.get_by_role("button", name="Next step").click()
    expect(desk.get_by_text("tie it to its tail")).to_be_visible()
    expect(desk.get_by_role("button", name="Next step")).to_be_disabled()
    assert_accessible(desk)


def test_a_count_left_open_again_goes_by_rule(desk: Page) -> None:
    open_job(desk, LEDGER)
    find(desk, "alphabet").first.get_by_role("button").click()
    desk.get_by_role("dialog").get_by_role("button", name="Add it").click()
    form, column = panel(desk, "thumb cuts"), panel(desk, "thumb cuts").get_by_label("In a column")
    form.get_by_label("Down to pages").fill("9, 41, 73")
    expect(line(desk, "thumb.pitch")).to_contain_text("/ 3")
    column.fill("2")
    expect(line(desk, "thumb.pitch")).to_contain_text("/ 2")
    column.fill("")
    expect(line(desk, "thumb.pitch")).to_contain_text("/ 3")
    expect(column).to_have_attribute("placeholder", "as many as go")
    expect(column).not_to_have_attribute("aria-invalid", "true")
    is_saved(desk)
