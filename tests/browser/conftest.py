"""The real interface, driven as a binder would, over a real server and database."""

import os
import time
from collections.abc import Generator, Iterator
from datetime import UTC, datetime
from typing import Any

import pytest
from django.conf import settings
from django.contrib.auth.models import User
from django.db import connection
from django.test import Client
from playwright.sync_api import Error, Page, expect

from tests.browser.copied_demo import CopiedDemo

# Playwright keeps an event loop in this thread; Django's own database calls here are plain ones.
os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"

# generous, for a machine that is busy with other things; nothing waits longer than it must
expect.set_options(timeout=20_000)

NAME, PASSWORD = "binder", "linen-thread"
FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]


@pytest.hookimpl(wrapper=True)
def pytest_runtest_makereport(
    item: pytest.Item, call: pytest.CallInfo[None]
) -> Generator[None, pytest.TestReport, pytest.TestReport]:
    """Whatever fails says what the page showed at that moment: a rare failure is not seen twice."""
    report = yield
    page = getattr(item, "funcargs", {}).get("page")
    if report.failed and report.when == "call" and isinstance(page, Page):
        try:
            shown = f"{page.url}\n{page.locator('body').inner_text(timeout=2_000)[:1_500]}"
        except Error as gone:
            shown = f"nothing to be read: {gone.message}"
        report.sections.append(("What the page showed", shown))
    return report


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    return {
        "executable_path": os.environ.get("WEALD_CHROMIUM", "/usr/bin/chromium-headless-shell"),
        "args": FLAGS,
    }


@pytest.fixture(scope="session")
def browser_context_args() -> dict[str, Any]:
    return {
        "viewport": {"width": 1280, "height": 800},
        "locale": "en-GB",
        "timezone_id": os.environ.get("WEALD_TEST_ZONE", "Europe/Dublin"),
        "accept_downloads": True,
    }


@pytest.fixture(scope="session")
def demo(tmp_path_factory: pytest.TempPathFactory) -> CopiedDemo:
    return CopiedDemo(tmp_path_factory.mktemp("demo") / "files")


@pytest.fixture
def bindery(transactional_db: None, live_server: Any, demo: CopiedDemo) -> Iterator[str]:
    """The demo bindery; gives the server's address."""
    demo.lay_down(NAME, PASSWORD)
    yield str(live_server.url)
    wait_until_quiet()


def wait_until_quiet() -> None:
    """What was still under way when the page was closed must not meet the emptying of the tables."""
    quiet, began = 0, time.monotonic()
    while quiet < 5 and time.monotonic() - began < 20:
        with connection.cursor() as cursor:
            cursor.execute(
                "SELECT count(*) FROM pg_stat_activity WHERE datname = current_database() "
                "AND pid <> pg_backend_pid() AND state <> 'idle'"
            )
            busy = cursor.fetchone()[0]
        quiet = 0 if busy else quiet + 1
        time.sleep(0.05)


@pytest.fixture
def desk(bindery: str, page: Page) -> Iterator[Page]:
    """Signed in, at the desk. Whatever the page complains of in its console fails the test."""
    page.context.clock.install(time=datetime.now(UTC))
    complaints: list[str] = []
    page.on("pageerror", lambda error: complaints.append(str(error)))
    page.on(
        "console",
        lambda message: (
            complaints.append(message.text)
            if message.type == "error" and "Failed to load resource" not in message.text
            else None
        ),
    )
    sign_in(page, bindery)
    yield page
    assert complaints == []


def sign_in(page: Page, address: str) -> None:
    """As somebody who has signed in before: by hand it is done where the sign-in page is tested."""
    known = Client()
    known.force_login(User.objects.get(username=NAME))
    session = known.cookies[settings.SESSION_COOKIE_NAME]
    page.context.add_cookies([{"name": session.key, "value": session.value, "url": address}])
    page.goto(address)
    page.get_by_role("heading", name="Desk").wait_for()
