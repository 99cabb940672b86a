"""The practice room: a sheet numbered with a mistake in it and put right, a fold found."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import assert_accessible
from tests.core.practice.test_sheets import answer
from weald.core.practice.sheets import fold_to_find, judge_fold

pytestmark = pytest.mark.django_db(transaction=True)


def test_a_sheet_is_numbered_folded_and_put_right_and_a_fold_is_found(desk: Page) -> None:
    page = desk
    page.goto(page.url.rstrip("/") + "/practice")
    expect(page.get_by_role("navigation", name="Rooms").get_by_role("link", name="Practice")).to_be_visible()
    assert_accessible(page)
    page.get_by_role("link", name="Number the sheet, level 2").click()
    seed = int(re.search(r"seed=(\d+)", page.url)[1])  # type: ignore[index]
    outer, inner = answer(2, seed)
    cells = page.get_by_role("textbox")
    expect(cells).to_have_count(len(outer) + len(inner))
    # the inner side from its wrong end: a row is typed backwards, cell by cell with Tab
    columns = len(outer) // (2 if page.get_by_label("Inner side, row 2, column 1").count() else 1)
    rows = [inner[at : at + columns] for at in range(0, len(inner), columns)]
    cells.first.focus()
    for number in (*outer, *(number for row in rows for number in reversed(row))):
        page.keyboard.type(str(number))
        page.keyboard.press("Tab")
    page.keyboard.press("Enter")
    said = page.get_by_role("status")
    expect(said).to_contain_text("where")
    assert_accessible(page)
    for cell, number in zip(cells.all(), (*outer, *inner), strict=True):
        cell.fill(str(number))
    page.get_by_role("button", name="Fold it").click()
    expect(said).to_contain_text("Folded, it reads from")
    said.get_by_role("button", name="Another one").click()
    expect(page).to_have_url(re.compile(f"seed={seed + 1}"))
    expect(cells.first).to_have_value("")

    page.get_by_role("link", name="All exercises").click()
    page.get_by_role("link", name="Find the fold, level 2").click()
    seed = int(re.search(r"seed=(\d+)", page.url)[1])  # type: ignore[index]
    choices = sorted(fold_to_find(2, seed).choices, key=lambda each: judge_fold(2, seed, each).right)
    page.get_by_role("button", name=choices[0], exact=True).click()
    expect(said).to_contain_text("Folded so, ")
    page.get_by_role("button", name=choices[-1], exact=True).click()
    expect(said).to_contain_text("it reads from")
    page.set_viewport_size({"width": 320, "height": 700})
    assert page.evaluate("document.documentElement.scrollWidth") <= 320
    assert_accessible(page)
