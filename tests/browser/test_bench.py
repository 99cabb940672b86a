"""The bench as a binder uses it: begun, done, on a second device too; and too early asked about."""

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.steps import assert_accessible, go_to, open_job, open_tab

pytestmark = pytest.mark.django_db(transaction=True)


def begin(page: Page, operation: str, button: str) -> None:
    line = page.get_by_role("listitem").filter(has=page.get_by_role("button", name=operation, exact=False))
    line.get_by_role("button", name=button, exact=True).click()


def test_an_operation_is_done_and_seen_on_another_device(desk: Page, browser: Browser) -> None:
    page = desk
    open_job(page, "Tide tables")
    go_to(page, "Bench")
    expect(page.get_by_text("Now: Lay the stock out")).to_be_visible()
    assert_accessible(page)

    begin(page, "Fold the signatures", "Start")
    asked = page.get_by_role("dialog", name="Too early")
    expect(asked).to_contain_text("comes first")
    asked.get_by_role("button", name="Wait").click()

    begin(page, "Lay the stock out", "Start")
    begin(page, "Lay the stock out", "Done")
    expect(page.get_by_text("Now: Cut or tear the sheets")).to_be_visible()
    begin(page, "Cut or tear the sheets", "Start")

    page.get_by_role("button", name="Fold the signatures").click()
    expect(page.get_by_text("in order, before the next one is folded")).to_be_visible()
    open_tab(page, "Over time")
    expect(page.get_by_role("img", name="Order of work. Solid is work")).to_be_visible()

    tablet = browser.new_context(viewport={"width": 800, "height": 1100})
    tablet.add_cookies(page.context.cookies())  # type: ignore[arg-type]
    other = tablet.new_page()
    other.goto(page.url)
    begin(other, "Cut or tear the sheets", "Done")
    expect(other.get_by_text("Now: Print a test sheet")).to_be_visible()
    open_tab(page, "To do")
    expect(page.get_by_text("Now: Print a test sheet")).to_be_visible()
    open_tab(page, "Log")
    expect(
        page.get_by_role("listitem").filter(has_text="Cut or tear the sheets for the text: done")
    ).to_be_visible()
    tablet.close()
