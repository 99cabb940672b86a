"""The bench as a binder uses it: from the first operation to the colophon, on one device and on several."""

import re
import uuid
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Browser, Locator, Page, expect

from tests.browser.steps import assert_accessible, go_to, is_saved, open_job, open_tab
from tests.core.extras.made_up import merged
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES
from weald.web.bench.models import BenchEvent
from weald.web.bench.services import Happening, happened, planned_at_bench
from weald.web.jobs.models import Job
from weald.web.jobs.services import plain, save_job

pytestmark = pytest.mark.django_db(transaction=True)


def line(page: Page, operation: str) -> Locator:
    with_title = page.get_by_role("button", name=operation, exact=False)
    return page.get_by_role("listitem").filter(has=with_title).last


def begin(page: Page, operation: str, button: str) -> None:
    line(page, operation).get_by_role("button", name=button, exact=True).click()


def work_up_to(operation: str, title: str = "Tide tables") -> None:
    """Let a book have been worked on, all but this operation and what follows it."""
    job, binder = Job.objects.get(title__startswith=title), User.objects.get(username="binder")
    ago = timedelta(days=2)
    for each in planned_at_bench(job, MILLIMETRES).operations:
        if each.id == operation:
            return
        for kind in ("started", "done"):
            what = Happening(uuid.uuid4(), kind, each.id, ago=ago, late=True)
            happened(job, binder, what)
            ago -= timedelta(minutes=30)


def another_device(browser: Browser, page: Page, width: int, height: int) -> Page:
    context = browser.new_context(viewport={"width": width, "height": height}, has_touch=True)
    context.add_cookies(page.context.cookies())  # type: ignore[arg-type]
    context.clock.install(time=datetime.now(UTC))
    other = context.new_page()
    other.goto(page.url)
    return other


def test_an_operation_is_done_and_seen_on_another_device(desk: Page, browser: Browser) -> None:
    page = desk
    open_job(page, "Tide tables")
    go_to(page, "Bench")
    expect(page.get_by_text("Now: Lay the stock out")).to_be_visible()
    assert_accessible(page)

    # only what can be begun has its button in the list; what waits is opened first
    assert not line(page, "Fold the signatures").get_by_role("button", name="Start", exact=True).count()
    page.get_by_role("button", name="Fold the signatures").click()
    begin(page, "Fold the signatures", "Start")
    asked = page.get_by_role("dialog", name="Too early")
    expect(asked).to_contain_text("comes first")
    asked.get_by_role("button", name="Wait").click()
    # insisted on, its reason stays in the record
    begin(page, "Fold the signatures", "Start")
    asked.get_by_label("Why so early?").fill("a sample for the customer")
    asked.get_by_role("button", name="Do it all the same").click()
    expect(page.get_by_text("Begun early on purpose.")).to_be_visible()
    begin(page, "Fold the signatures", "Undo")

    begin(page, "Lay the stock out", "Start")
    begin(page, "Lay the stock out", "Done")
    expect(page.get_by_text("Now: Cut or tear the sheets")).to_be_visible()
    begin(page, "Cut or tear the sheets", "Start")

    expect(page.get_by_text("in order, before the next one is folded")).to_be_visible()
    assert_accessible(page)
    page.get_by_role("button", name="How is this done?").click()
    asked = page.get_by_role("dialog", name="How is this done?")
    asked.get_by_role("button", name="Sew", exact=True).click()
    expect(asked.get_by_role("group", name="How it is done")).to_contain_text("1 of")
    assert_accessible(page)
    page.keyboard.press("Escape")
    open_tab(page, "Over time")
    expect(page.get_by_role("img", name=re.compile("Full bars are work"))).to_be_visible()

    other = another_device(browser, page, 820, 1100)
    expect(other.get_by_role("heading", name="Cut or tear the sheets")).to_be_visible()
    # how it is done, frame by frame, by keys; the size that counts stands over it
    shown = other.get_by_role("group", name="How it is done")
    expect(shown).to_contain_text("1 of 2")
    shown.press("ArrowRight")
    expect(shown).to_contain_text("2 of 2")
    expect(shown.get_by_role("img", name=re.compile("Knock the pile up"))).to_be_visible()
    expect(other.get_by_role("main").get_by_text("288 × 216 mm").first).to_be_visible()
    assert_accessible(other)
    other.get_by_role("button", name="Done", exact=True).click()
    expect(other.get_by_role("heading", name="Print a test sheet")).to_be_visible()
    open_tab(page, "To do")
    expect(page.get_by_text("Now: Print a test sheet")).to_be_visible()
    go_to(page, "Record")
    open_tab(page, "Log")
    expect(
        page.get_by_role("listitem").filter(has_text="Cut or tear the sheets for the text: done")
    ).to_be_visible()
    expect(page.get_by_text("a sample for the customer")).to_be_visible()
    other.context.close()


def test_a_measurement_changes_the_boards_before_and_after_they_are_cut(desk: Page) -> None:
    page = desk
    work_up_to("measure_block")
    open_job(page, "Tide tables")
    go_to(page, "Bench")
    expect(page.get_by_text("Now: Measure the block")).to_be_visible()

    # before the boards are cut, a measurement only changes what will be cut
    page.get_by_role("button", name="Measure the block").click()
    thickness = page.get_by_role("textbox", name=re.compile("^Block thickness"))
    thickness.fill("12.5")
    thickness.press("Enter")
    changes = page.get_by_role("status").filter(has_text="What it changes")
    expect(changes).to_contain_text("Spine board: 16 × 216 mm → 16.5 × 216 mm; not cut yet.")
    begin(page, "Measure the block", "Start")
    begin(page, "Measure the block", "Done")

    page.get_by_role("button", name="Cut the boards").click()
    page.get_by_role("checkbox", name=re.compile("Spine board")).check()
    expect(page.get_by_text("cut to 16.5 × 216 mm")).to_be_visible()

    # afterwards it is said which piece no longer fits, and what can still be done
    page.get_by_text(re.compile("^[0-9]+ done$")).click()
    page.get_by_role("button", name="Measure the block").click()
    thickness.fill("14")
    thickness.press("Enter")
    expect(changes).to_contain_text("Spine board is cut already: 16.5 × 216 mm, now 18 × 216 mm.")
    finding = page.get_by_text("Spine board: cut already to 16.5 × 216 mm")
    expect(finding).to_be_visible()
    # twelve where a hundred and forty was meant
    width = page.get_by_role("textbox", name=re.compile("^Block width"))
    width.fill("14")
    width.press("Enter")
    asked = page.get_by_role("dialog", name="Is it so?")
    expect(asked).to_contain_text("centimetres")
    asked.get_by_role("button", name="Measure again").click()

    page.get_by_role("button", name="Cut the boards").click()
    page.get_by_role("button", name="Cut to the new size").click()
    expect(finding).to_be_hidden()

    open_tab(page, "Casing in")
    page.get_by_role("checkbox", name="Waste sheet out at once. Front").check()
    expect(page.get_by_text("Pressing board, width").first).to_be_visible()
    assert_accessible(page)

    go_to(page, "Record")
    expect(page.get_by_text("Measured: Block thickness: 14 mm")).to_be_visible()
    open_tab(page, "Log")
    assert_accessible(page)


def test_a_finished_book_has_its_colophon_and_is_made_again(desk: Page) -> None:
    page = desk
    work_up_to("no operation, but to the end")
    open_job(page, "Tide tables")
    go_to(page, "Record")
    expect(page.get_by_role("cell", name="Measure the block", exact=True)).to_be_visible()
    assert_accessible(page)
    open_tab(page, "Colophon")
    page.get_by_role("button", name="Save these words").click()
    words = page.get_by_role("textbox", name="In your own words")
    expect(words).to_contain_text("Saltmarsh Bindery")
    words.fill("Bound in one winter.")
    is_saved(page)
    assert_accessible(page)
    page.get_by_role("button", name="Make it again").click()
    expect(page.get_by_label("Title", exact=True)).to_have_value("Tide tables of Merrow Haven (again)")


def test_a_wait_runs_on_the_servers_clock_and_outlives_the_page(desk: Page, browser: Browser) -> None:
    page = desk
    work_up_to("dry_closed")
    open_job(page, "Tide tables")
    go_to(page, "Bench")
    begin(page, "Dry it closed", "Start")
    begin(page, "Dry it closed", "Done")
    timer = page.get_by_role("timer").first
    expect(timer).to_have_text(re.compile(r"^3:59:\d\d more at least$"))
    page.reload()
    expect(page.get_by_role("timer").first).to_have_text(re.compile(r"^3:59:\d\d more at least$"))
    tablet = another_device(browser, page, 820, 1100)
    expect(tablet.get_by_role("timer").first).to_have_text(re.compile(r"^3:59:\d\d more at least$"))
    tablet.context.close()
    BenchEvent.objects.filter(kind="done", operation="dry_closed").update(
        at=BenchEvent.objects.latest("pk").at - timedelta(hours=5)
    )
    over = page.get_by_role("status").filter(has_text="May be over")
    expect(over.first).to_contain_text("no longer cool")


def test_without_a_connection_entries_wait_and_are_handed_over_in_order(desk: Page) -> None:
    page = desk
    open_job(page, "Tide tables")
    go_to(page, "Bench")
    expect(page.get_by_text("Now: Lay the stock out")).to_be_visible()
    page.context.set_offline(True)
    begin(page, "Lay the stock out", "Start")
    begin(page, "Lay the stock out", "Done")
    page.get_by_text(re.compile("^1 done$")).click()
    page.get_by_role("button", name="Lay the stock out").click()
    page.get_by_role("textbox", name=re.compile("Note on")).fill("two sheets short")
    page.get_by_role("button", name="Save note").click()
    expect(page.get_by_text("No connection. 3 entries wait")).to_be_visible()
    assert BenchEvent.objects.count() == 0
    page.context.set_offline(False)
    expect(page.get_by_text("No connection.")).to_be_hidden()
    kept = list(BenchEvent.objects.order_by("pk").values_list("kind", "note"))
    assert kept == [("started", ""), ("done", ""), ("noted", "two sheets short")]
    expect(page.get_by_text("Now: Cut or tear the sheets")).to_be_visible()


@pytest.mark.parametrize(("width", "height"), [(390, 844), (820, 1180)])
def test_on_a_phone_and_a_tablet_one_operation_stands_large(
    desk: Page, browser: Browser, width: int, height: int
) -> None:
    page = desk
    open_job(page, "Tide tables")
    go_to(page, "Bench")
    small = another_device(browser, page, width, height)
    expect(small.get_by_role("heading", name="Lay the stock out")).to_be_visible()
    header = small.get_by_role("banner").bounding_box()
    assert header is not None
    assert header["height"] < 60, "one row"
    for name in ("Start", "Next", "Back"):
        target = small.get_by_role("button", name=name, exact=True).bounding_box()
        assert target is not None
        assert min(target["width"], target["height"]) >= 56, name
    whole = small.evaluate("document.documentElement.scrollWidth")
    assert whole <= width, "nothing runs off the side"
    assert_accessible(small)
    small.get_by_role("button", name="Next", exact=True).click()
    expect(small.get_by_role("heading", name="Cut or tear the sheets")).to_be_visible()
    # found two millimetres off, with a thumb
    leaf = small.get_by_role("button", name=re.compile("^Leaf width, before trimming"))
    expect(leaf).to_contain_text("144 mm")
    leaf.click()
    pad = small.get_by_role("dialog", name="Leaf width, before trimming")
    for digit in "146":
        pad.get_by_role("button", name=digit, exact=True).tap()
    assert_accessible(small)
    pad.get_by_role("button", name="Enter", exact=True).tap()
    expect(leaf.locator("strong")).to_have_text(re.compile("^146"))
    thick = small.get_by_role("button", name=re.compile("^Thickness of a leaf"))
    thick.click()
    small.get_by_role("button", name=re.compile("^As planned")).tap()
    expect(thick.locator("strong")).to_have_text(re.compile("^0.1"))
    assert Job.objects.get(title__startswith="Tide tables").spec.measured["leaf.untrimmed_width"] == 146
    small.context.close()


def test_after_the_last_step_the_record_opens(desk: Page) -> None:
    work_up_to("last_look")
    open_job(desk, "Tide tables")
    go_to(desk, "Bench")
    begin(desk, "The last look", "Start")
    begin(desk, "The last look", "Done")
    expect(desk).to_have_url(re.compile("/record$"))
    expect(desk.get_by_role("tab", name="Log")).to_be_visible()


def test_a_calliper_that_is_not_there_reads_into_the_field_that_waits(desk: Page) -> None:
    page = desk
    open_job(page, "Tide tables")
    go_to(page, "Bench")
    page.get_by_role("button", name="Cut the boards").click()
    page.get_by_text("Calliper or scale").click()
    page.get_by_role("checkbox", name=re.compile("several readings make one")).check()
    page.get_by_label("Held to a thing of").fill("2.1")
    board = page.get_by_role("textbox", name=re.compile("^Board thickness"))
    board.click()
    for _ in range(3):
        page.get_by_role("button", name="Press its button").click()
    expect(page.get_by_text(re.compile("Mean of 3: "))).to_be_visible()
    expect(board).to_have_value(re.compile(r"^2\.(0[789]|1)\d{0,2}$"))
    board.press("Enter")
    expect(page.get_by_role("status").filter(has_text="What it changes")).to_be_visible()


def test_work_begins_where_the_book_stands(desk: Page) -> None:
    desk.get_by_role("button", name="New job").first.click()
    desk.get_by_role("radio", name="A paperback of glued leaves").click()
    answers = {"Title": "Kept log", "Pages": "200", "Thickness, pressed": "14"}
    answers |= {"Width, measured": "126", "Height, measured": "199", "Board thickness": "2"}
    for label, text in answers.items():
        desk.get_by_label(label, exact=True).fill(text)
    desk.get_by_role("button", name="Begin the job").click()
    expect(desk.get_by_text("Already so: The old cover is on.")).to_be_visible()
    desk.get_by_role("link", name="Change at the bench").click()
    steps = desk.get_by_role("main")
    expect(steps.get_by_text("Now: Lift the old cover off")).to_be_visible()
    expect(steps.get_by_role("button", name="Line the spine")).to_be_visible()
    for never in ("Fold the", "Sew", "Print a test sheet"):
        expect(steps.get_by_role("button", name=never)).to_have_count(0)
    desk.get_by_text("Already so:").click()
    desk.get_by_label("The spine is lined").check()
    expect(steps.get_by_role("button", name="Line the spine")).to_have_count(0)
    desk.get_by_role("button", name="Back to what it begins with").click()
    expect(steps.get_by_role("button", name="Line the spine")).to_be_visible()


@pytest.mark.parametrize(
    ("seen", "more", "first"),
    [
        ("A sewn block", {}, "Lay the stock out"),
        ("A paperback of sewn signatures", {}, "Lift the old cover off"),
        (
            "A sewn block",
            {"binding": {"structure": "laced_boards"}, "block": {"trimming": "in_boards"}},
            "Lay the stock out",
        ),
    ],
    ids=["sewn", "paperback", "laced"],
)
def test_what_lies_there_is_worked_to_its_end(
    desk: Page, seen: str, more: dict[str, Any], first: str
) -> None:
    desk.get_by_role("button", name="New job").first.click()
    desk.get_by_role("radio", name=re.compile(f"^{seen}")).click()
    answers = {"Title": "Brought", "Pages": "200", "Thickness, pressed": "14"}
    answers |= {"Width, measured": "126", "Height, measured": "199", "Board thickness": "2"}
    for label, text in answers.items():
        desk.get_by_label(label, exact=True).fill(text)
    desk.get_by_role("button", name="Begin the job").click()
    desk.locator("[data-drawing]").first.wait_for()
    job = Job.objects.get(title="Brought")
    save_job(job, job.version, User.objects.get(username="binder"), read_spec(merged(plain(job.spec), more)))
    desk.reload()
    go_to(desk, "Bench")
    expect(desk.get_by_text(f"Now: {first}")).to_be_visible()
    work_up_to("last_look", "Brought")
    desk.reload()
    begin(desk, "The last look", "Start")
    begin(desk, "The last look", "Done")
    expect(desk.get_by_text(re.compile("^Now:"))).to_have_count(0)
    go_to(desk, "Record")
    open_tab(desk, "Log")
    expect(desk.get_by_role("listitem").filter(has_text="The last look: done")).to_be_visible()
