"""The office on screen: a customer, terms, what a job costs, a bill, and all of it in the daybook."""

import re
from decimal import Decimal

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import assert_accessible, enter
from weald.web.office.models import Commission, Paper

pytestmark = pytest.mark.django_db(transaction=True)


def test_from_a_customer_to_a_bill_and_the_daybook(desk: Page) -> None:
    page = desk
    enter(page, "Office")
    expect(page.get_by_text("No customers yet")).to_be_visible()
    page.get_by_label("An hour").fill("36")
    page.get_by_label("Margin, %").fill("10")
    page.get_by_role("button", name="Add a tax").click()
    page.get_by_label("Name", exact=True).fill("Sales tax")
    page.get_by_label("Percent").fill("20")
    assert_accessible(page)
    page.get_by_role("button", name="Save these terms").click()
    expect(page.get_by_role("status").filter(has_text="saved")).to_be_visible()

    page.get_by_role("button", name="Write a customer down").click()
    asked = page.get_by_role("dialog", name="Customer")
    asked.get_by_label("Name").fill("Harbour office")
    asked.get_by_label("Address").fill("Quay 1")
    asked.get_by_role("button", name="Save").click()
    expect(page.get_by_text("Harbour office")).to_be_visible()

    enter(page, "Desk")
    page.get_by_role("link", name="Verses said on the ferry").first.click()
    page.get_by_role("button", name="Print and download").click()
    page.get_by_role("menuitem", name="What it costs").click()
    expect(page.get_by_role("heading", name="What it costs")).to_be_visible()
    expect(page.get_by_role("cell", name="Sales tax, 20 %")).to_be_visible()
    assert_accessible(page)
    page.get_by_label("Customer", exact=True).select_option(label="Harbour office")
    page.get_by_label("Price agreed, without taxes").fill("150")
    page.get_by_label("What the customer left").fill("The verses, loose")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_label("Price without taxes")).to_have_value("150.00")
    page.get_by_role("button", name="Make a bill").click()
    expect(page.get_by_role("link", name="Bill 1")).to_be_visible()
    assert page.request.get(re.sub(r"/jobs/.*", f"/api/papers/{Paper.objects.get().pk}.pdf", page.url)).ok
    commission = Commission.objects.get()
    assert (commission.agreed, commission.brought_in) == (Decimal(150), "The verses, loose")

    enter(page, "Daybook")
    expect(page.get_by_text("Bill 1 made")).to_be_visible()
    page.get_by_label("Search the daybook").fill("price agreed")
    expect(page.get_by_text("Bill 1 made")).not_to_be_visible()
    expect(page.get_by_text("Price agreed")).to_be_visible()
    assert_accessible(page)
    page.get_by_role("link", name="What books teach").click()
    expect(page.get_by_text("No finished book says anything yet")).to_be_visible()
