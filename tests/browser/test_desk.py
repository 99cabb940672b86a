import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import assert_accessible, enter, go_to, is_saved, line, open_job
from weald.web.jobs.models import Job

pytestmark = pytest.mark.django_db(transaction=True)


def test_the_sign_in_page_is_accessible_and_refuses_politely(bindery: str, page: Page) -> None:
    page.goto(bindery)
    assert_accessible(page)
    page.get_by_label("Name").fill("binder")
    page.get_by_label("Password").fill("wrong")
    page.get_by_role("button", name="Sign in").click()
    expect(page.get_by_role("alert")).to_contain_text("do not go together")
    page.get_by_label("Name").fill("binder")
    page.get_by_label("Password").fill("linen-thread")
    page.get_by_role("button", name="Sign in").click()
    expect(page.get_by_role("heading", name="Desk")).to_be_visible()


def test_a_new_job_from_what_lies_on_the_bench(desk: Page) -> None:
    desk.get_by_role("button", name="New job").click()
    dialog = desk.get_by_role("dialog", name="What have you on the bench?")
    assert_accessible(desk)
    dialog.get_by_label("Title").fill("Ferry times")
    dialog.get_by_label("Pages").fill("96")
    dialog.get_by_label("Leaf width").fill("5 1/2 in")
    dialog.get_by_label("Leaf height").fill("210 mm + 6 mm")
    dialog.get_by_label("Board thickness").fill("two")
    dialog.get_by_role("button", name="Begin the job").click()
    # wrong where it stands, and nothing typed is lost
    expect(dialog.get_by_role("alert")).to_contain_text("“two” is not a length")
    expect(dialog.get_by_label("Title")).to_have_value("Ferry times")
    dialog.get_by_label("Board thickness").fill("80pt")
    dialog.get_by_role("button", name="Begin the job").click()
    expect(line(desk, "leaf.untrimmed_height")).to_contain_text("222 mm")
    go_to(desk, "Boards & cover")
    expect(line(desk, "board.height")).to_contain_text("216 + 3 + 3 = 222")
    job = Job.objects.get(title="Ferry times")
    assert job.head is not None
    assert job.head.spec["binding"]["board"] == pytest.approx(2.032)


def test_a_blank_book_needs_no_printed_text(desk: Page) -> None:
    desk.get_by_role("button", name="New job").click()
    desk.get_by_role("radio", name=re.compile("Blank paper")).click()
    desk.get_by_role("button", name="A5").click()
    desk.get_by_role("button", name="Begin the job").click()
    expect(desk.get_by_role("radio", name="Blank book")).to_be_checked()
    expect(line(desk, "leaf.untrimmed_width")).to_contain_text("148 + 4 = 152")


def test_the_desk_lists_searches_sorts_and_says_what_is_to_mind(desk: Page) -> None:
    assert_accessible(desk)
    expect(desk.get_by_role("row")).to_have_count(10)
    row = desk.get_by_role("row", name=re.compile("Verses said"))
    expect(row).to_contain_text("Mind: The grain runs across the spine")
    title = desk.get_by_role("button", name="Title")
    title.click()
    expect(desk.get_by_role("row").nth(1)).to_contain_text("Alphabet of gulls")
    title.click()
    expect(desk.get_by_role("row").nth(1)).to_contain_text("Verses said on the ferry")
    desk.keyboard.press("/")
    desk.keyboard.type("lighthouse")
    expect(desk.get_by_role("row")).to_have_count(2)
    desk.get_by_role("searchbox").fill("no such book")
    expect(desk.get_by_text("No job answers to that.")).to_be_visible()


def test_rename_duplicate_archive_and_restore(desk: Page) -> None:
    def choose(title: str, action: str) -> None:
        desk.get_by_role("button", name=f"More for {title}", exact=True).click()
        desk.get_by_role("menuitem", name=action).click()

    choose("Notes of a bee master", "Rename")
    desk.get_by_role("dialog").get_by_label("Title").fill("Hive notes")
    desk.get_by_role("button", name="Rename", exact=True).click()
    expect(desk.get_by_role("table").get_by_role("link", name="Hive notes")).to_be_visible()
    choose("Hive notes", "Duplicate")
    expect(desk.get_by_role("table").get_by_role("link", name="Hive notes (copy)")).to_be_visible()
    choose("Hive notes", "Archive")
    expect(desk.get_by_role("table").get_by_role("link", name="Hive notes", exact=True)).to_have_count(0)
    desk.get_by_role("radio", name="Archived").click()
    choose("Hive notes", "Restore")
    expect(desk.get_by_text("No archived job answers to that.")).to_be_visible()
    desk.get_by_role("button", name="Show all current jobs").click()
    expect(desk.get_by_role("table").get_by_role("link", name="Hive notes", exact=True)).to_be_visible()


def test_an_empty_desk_teaches(desk: Page) -> None:
    Job.objects.update(archived=True)
    desk.reload()
    desk.get_by_role("heading", name="What have you on the bench?").wait_for()
    assert_accessible(desk)
    desk.get_by_role("button", name="Begin the first job").click()
    expect(desk.get_by_role("dialog")).to_be_visible()


def test_a_job_file_goes_out_and_comes_back(desk: Page, tmp_path: Path) -> None:
    open_job(desk, "Lighthouse log")
    is_saved(desk)
    desk.get_by_role("button", name="Print and download").click()
    with desk.expect_download() as download:
        desk.get_by_role("menuitem", name="Job file").click()
    path = tmp_path / "log.json"
    download.value.save_as(path)
    enter(desk, "Desk")
    desk.get_by_label("Job file").set_input_files(path)
    expect(desk.get_by_label("Title")).to_have_value("Lighthouse log, volume I")
    assert Job.objects.filter(title="Lighthouse log, volume I").count() == 2


def test_a_file_that_is_no_job_is_refused_with_the_reason(desk: Page, tmp_path: Path) -> None:
    path = tmp_path / "log.json"
    path.write_text('{"leaf": {"widht": 3}}')
    desk.get_by_label("Job file").set_input_files(path)
    dialog = desk.get_by_role("dialog", name="This file was not accepted")
    expect(dialog).to_contain_text("did you mean “width”?")
    assert_accessible(desk)


def test_a_room_comes_out_when_it_is_entered_and_can_be_put_away(desk: Page) -> None:
    head = desk.get_by_role("navigation", name="Rooms", exact=True).get_by_role("link")
    expect(head).to_have_text(["Desk", "Shelf", "House rules"])
    enter(desk, "Sets")
    expect(head).to_have_text(["Desk", "Sets", "Shelf", "House rules"])
    desk.get_by_role("button", name="All rooms").click()
    assert_accessible(desk)
    desk.get_by_role("checkbox", name=re.compile("in the head.*Sets")).click()
    expect(head).to_have_text(["Desk", "Shelf", "House rules"])
    desk.reload()
    enter(desk, "Sets")
    expect(head).to_have_text(["Desk", "Sets", "Shelf", "House rules"])
