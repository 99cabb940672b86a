"""What a binder does, in the interface's own words."""

import re
from pathlib import Path
from typing import Any

from playwright.sync_api import Locator, Page, expect

CATALOGUES = [file.stem for file in (Path(__file__).parents[2] / "frontend/src/app/words/en").glob("*.json")]
AXE = Path(__file__).parents[2] / "frontend" / "node_modules" / "axe-core" / "axe.min.js"
STATIONS = (
    "Text",
    "Paper",
    "Folding",
    "Printing",
    "Sewing",
    "Block",
    "Boards & cover",
    "Finish",
    "Cutting",
)


def letter(page: Page, key: str) -> None:
    """A letter as a key, behind the one that leads."""
    page.keyboard.press(".")
    page.keyboard.press(key)


def enter(page: Page, room: str) -> None:
    """A room of the workshop; its page is loaded only then, and the one before stays to be seen meanwhile."""
    page.get_by_role("button", name="All rooms").click()
    page.get_by_role("navigation", name="All rooms").get_by_role("link", name=room, exact=True).click()
    page.get_by_role("heading", level=1, name=room, exact=True).wait_for()


def open_job(page: Page, title: str) -> None:
    """From the desk, once nothing above the list can move it any more."""
    expect(page.locator("[aria-busy=true]")).to_have_count(0)
    page.get_by_role("table").get_by_role("link", name=title).click()
    page.wait_for_url("**/jobs/*")
    page.locator("[data-drawing]").first.wait_for()


def go_to(page: Page, station: str) -> None:
    page.get_by_role("navigation", name="Order of work").get_by_role("link", name=station).click()
    expect(page.get_by_role("heading", level=1, name=re.compile(f": {station}"))).to_be_attached()


def open_tab(page: Page, name: str) -> None:
    """Some of a station's fields or views."""
    page.get_by_role("tab", name=name, exact=True).click()


def settings(page: Page) -> Locator:
    """How one has Weald: units, ruler, light."""
    shown = page.get_by_role("dialog", name="Settings of")
    if not shown.is_visible():
        page.get_by_role("button", name="Settings of").click()
    return shown


def line(page: Page, quantity: str) -> Locator:
    """The line of the reckoning for a quantity; the reckoning is unfolded where it is not."""
    reckoning = page.locator("details", has=page.get_by_role("heading", name="The reckoning", exact=True))
    if reckoning.get_attribute("open") is None:
        reckoning.locator("summary").first.click()
    return page.locator(f'[data-quantity="{quantity}"]')


def is_saved(page: Page) -> None:
    expect(page.get_by_role("status")).to_have_text("saved")


def field(page: Page, label: str) -> Locator:
    form = page.get_by_role("form", name="What was decided")
    return form.get_by_label(label, exact=True)


def assert_accessible(page: Page) -> None:
    """No violation of WCAG 2.2 AA that axe can find.

    The policy lets no inline script in, so axe is run by the test's own connection to the browser.
    """
    page.evaluate(AXE.read_text(encoding="utf-8"))
    levels = ["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"]
    found: dict[str, Any] = page.evaluate(
        "runOnly => axe.run({ runOnly, resultTypes: ['violations'] })", levels
    )
    assert found["passes"], "axe looked at nothing"
    problems = [
        f"{each['id']}: {node['html'][:160]} ({node['failureSummary'][:200]})"
        for each in found["violations"]
        for node in each["nodes"]
    ]
    if problems:
        raise AssertionError("\n".join(problems))
    unsaid = re.search(rf"\b({'|'.join(CATALOGUES)})\.[a-z]+[A-Z]\w*", page.inner_text("body"))
    assert unsaid is None, f"the place of a sentence stands where the sentence should: {unsaid}"
