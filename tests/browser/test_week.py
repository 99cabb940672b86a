"""The week on screen: hours, what to do now, promises, a step moved, an order found, files to take."""

import re
from datetime import datetime, timedelta
from typing import Any

import icalendar
import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.steps import assert_accessible, enter
from tests.conftest import CLOCK
from weald.web.office.models import Commission
from weald.web.week import services
from weald.web.week.models import Laying, Wish

pytestmark = pytest.mark.django_db(transaction=True)
SOON = (CLOCK + timedelta(days=10)).date().isoformat()


def to_the_week(page: Page) -> None:
    enter(page, "Week")
    expect(page.get_by_role("heading", name="Week", exact=True)).to_be_visible()


def promise(page: Page, title: str) -> None:
    page.get_by_text(re.compile("planned books? not taken up")).click()
    row = page.get_by_role("listitem").filter(has_text=title)
    row.get_by_role("button", name="Promise …").click()
    asked = page.get_by_role("dialog")
    expect(asked.get_by_text("Behind the others")).to_be_visible()
    assert_accessible(page)
    asked.get_by_label("Promised for").fill(SOON)
    asked.get_by_role("button", name="Save").click()
    expect(asked).not_to_be_visible()


def test_hours_are_told_and_a_promised_book_is_laid_out_over_them(desk: Page) -> None:
    page = desk
    to_the_week(page)
    expect(page.get_by_text("nothing else is more pressing")).to_be_visible()
    page.get_by_role("link", name="People and places").click()
    expect(page.get_by_text("Nobody has entered their hours yet")).to_be_visible()
    page.get_by_label("Name").first.fill("Ida Quill")
    hours = page.get_by_role("textbox", name=re.compile("^Hours of")).first
    hours.fill("Mon–Fri 9–25")
    page.get_by_role("button", name="Save them").click()
    expect(page.get_by_role("alert")).to_contain_text("no time of day")
    hours.fill("Mon to Sun 9am-12:30, 13:30–17:30")
    assert_accessible(page)
    page.get_by_role("button", name="Save them").click()
    expect(hours).to_have_value("Mon–Sun 9–12:30, 13:30–17:30")
    expect(page.get_by_role("status").filter(has_text="saved")).to_be_visible()

    page.get_by_role("link", name="Back to the week").click()
    promise(page, "Verses said on the ferry")
    todo = page.get_by_role("region", name="What to do now")
    expect(todo).to_contain_text("Ida Quill")
    expect(todo).to_contain_text("to spare")
    assert_accessible(page)
    for lanes in ("Places", "Books"):
        page.get_by_role("radio", name=lanes).click()
        expect(page.get_by_role("group", name=re.compile("time scale"))).to_be_visible()
    page.get_by_role("link", name="Desk", exact=True).click()
    expect(page.get_by_role("region", name="At the bench today")).to_contain_text("Verses said on the ferry")


def bars(page: Page) -> Locator:
    return page.get_by_role("group", name=re.compile("time scale")).get_by_role("button")


def test_a_step_is_put_elsewhere_says_what_that_costs_and_is_let_go(desk: Page) -> None:
    page = desk
    to_the_week(page)
    promise(page, "Verses said on the ferry")
    page.get_by_role("radio", name="Fortnight").click()
    page.get_by_text("As a list").click()
    listed = page.locator("details").get_by_role("button", name=re.compile("Verses.*Sew")).first
    listed.click()
    opened = page.get_by_role("dialog", name="The steps chosen")
    assert_accessible(page)
    opened.get_by_role("button", name=re.compile(r"\bSew\b")).click()
    begins = opened.get_by_label("Begins")
    moved = datetime.fromisoformat(begins.input_value()) + timedelta(days=7)
    begins.fill(moved.strftime("%Y-%m-%dT%H:%M"))
    opened.get_by_role("button", name="Put it there").click()
    said = page.get_by_role("status").filter(has_text="is ready")
    expect(said).to_contain_text("later")
    wish = Wish.objects.get()
    assert wish.begins.strftime("%Y-%m-%dT%H:%M") == moved.strftime("%Y-%m-%dT%H:%M")
    said.get_by_role("button", name="Unpin it").click()
    expect(page.get_by_role("status").filter(has_text="sooner")).to_be_visible()
    assert not Wish.objects.exists()


def test_the_week_is_moved_by_keys_and_by_touch_and_says_the_cost_while_it_is_held(desk: Page) -> None:
    page = desk
    to_the_week(page)
    promise(page, "Verses said on the ferry")
    bar = bars(page).nth(1)
    bar.focus()
    for _ in range(6):
        page.keyboard.press("Shift+ArrowRight")
    held = page.get_by_role("status").filter(has_text="Escape")
    expect(held).to_be_visible()
    expect(held).not_to_contain_text("…")
    assert not Wish.objects.exists(), "held, and not put there yet"
    page.keyboard.press("Escape")
    expect(held).not_to_be_visible()
    bar.focus()
    for _ in range(6):
        page.keyboard.press("Shift+ArrowRight")
    page.keyboard.press("Enter")
    expect(page.get_by_role("status").filter(has_text="begins")).to_be_visible()
    by_keys = Wish.objects.get()
    with page.expect_response(re.compile(r"/api/week\?")):
        page.get_by_role("button", name="Unpin it").click()
    expect(page.get_by_role("status").filter(has_text="begins")).to_be_visible()
    assert not Wish.objects.exists()

    # by touch: a finger takes it a few hours on and lets it go
    bar.scroll_into_view_if_needed()
    box = bar.bounding_box()
    assert box is not None
    assert box["width"] >= 24
    across, down = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    finger = page.context.new_cdp_session(page)
    finger.send("Input.dispatchTouchEvent", touch("touchStart", across, down))
    for step in range(1, 5):
        finger.send("Input.dispatchTouchEvent", touch("touchMove", across + 100 * step, down))
    expect(page.get_by_role("status").filter(has_text="Escape")).to_be_visible()
    finger.send("Input.dispatchTouchEvent", {"type": "touchEnd", "touchPoints": []})
    expect(page.get_by_role("button", name="Unpin it")).to_be_visible()
    assert Wish.objects.get().begins != by_keys.begins


def touch(kind: str, x: float, y: float) -> dict[str, Any]:
    return {"type": kind, "touchPoints": [{"x": x, "y": y}]}


def test_a_phone_shows_the_day_of_one_person(desk: Page) -> None:
    page = desk
    to_the_week(page)
    promise(page, "Verses said on the ferry")
    page.set_viewport_size({"width": 360, "height": 740})
    expect(page.get_by_role("group", name=re.compile("time scale"))).not_to_be_visible()
    expect(page.get_by_role("combobox", name="Who")).to_be_visible()
    assert page.evaluate("document.documentElement.scrollWidth") <= 360
    assert_accessible(page)


def test_an_order_is_found_and_put_aside_and_the_week_is_taken_along(
    desk: Page, monkeypatch: pytest.MonkeyPatch
) -> None:
    page = desk
    monkeypatch.setattr(services, "SEARCH_SECONDS", 1.0)
    monkeypatch.setattr(services, "_SETTLED_SECONDS", 1.0)
    to_the_week(page)
    promise(page, "Verses said on the ferry")
    page.get_by_role("button", name="Lay out as well as can be").click()
    expect(page.get_by_text(re.compile("Looking for a better order"))).to_be_visible()
    services.carry_out(str(Laying.objects.get().pk))
    # how near it comes to the best hangs on the day
    expect(page.get_by_text(re.compile("No order is better|could be gained by another"))).to_be_visible()
    page.get_by_role("button", name="Back to the order before").click()
    expect(page.get_by_text("least time to spare goes first")).to_be_visible()

    page.get_by_role("button", name="Download the week").click()
    with page.expect_download() as taken:
        page.get_by_role("menuitem", name="File for a calendar").click()
    calendar = icalendar.Calendar.from_ical(taken.value.path().read_bytes())
    assert any("Verses" in str(event["summary"]) for event in calendar.walk("VEVENT"))

    page.get_by_role("button", name="Download the week").click()
    page.get_by_role("menuitem", name="An address for calendars").click()
    page.get_by_role("button", name="Make an address").click()
    address = page.get_by_label("It is shown this once; give it to your calendar").input_value()
    assert page.request.get(address).ok
    page.get_by_role("button", name="Withdraw it").click()
    expect(page.get_by_text("There is none yet.")).to_be_visible()
    assert page.request.get(address).status == 404
    assert Commission.objects.get(job__title__startswith="Verses").promised is not None
