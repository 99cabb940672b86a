"""What is cut, measured and told at the bench, and what follows from it."""

import random
from datetime import UTC, date, datetime, timedelta
from typing import Any

import pytest

from weald.core.bench.cut import CutEvent, as_cut, cut_so_far, mind_cut, still_to_cut
from weald.core.bench.measuring import OddMeasurementError, mind_measurement, what_follows
from weald.core.bench.progress import Event, cut_short, standings
from weald.core.bench.readings import OddReadingError, ReadingError, averaged, read_line
from weald.core.bench.record import RecordedEvent, record_of
from weald.core.bindings.catalogue import STRUCTURES
from weald.core.book.at_bench import AtBench, CutPiece
from weald.core.drawing import Dimension, Line
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES, Notation
from weald.core.planning.again import made_again
from weald.core.planning.colophon import Making, colophon_words
from weald.core.planning.laying_ready import lay_ready
from weald.core.planning.plan import Plan, plan
from weald.core.quantities import QuantityId
from weald.core.shelf.stock import OnShelf, StockItem

AT = datetime(2026, 3, 1, 8, 0, tzinfo=UTC)


def planned(job: dict[str, Any] | None = None, **more: Any) -> Plan:
    return plan(read_spec({"title": "Tide tables", **(job or {})}), drawn=("bench",), **more)


def piece_of(made: Plan, name: str) -> Any:
    return next(each for each in made.pieces if each.id == name)


def value(made: Plan, quantity: str) -> float:
    return next(each.value for each in made.quantities if each.id == quantity)


# what has been cut


def test_pieces_of_one_size_add_up_and_of_another_take_their_place() -> None:
    small = CutPiece("board", "Board", 2, 100, 200, "height")
    large = CutPiece("board", "Board", 2, 104, 200, "height")
    more = [CutEvent("more", small), CutEvent("more", small)]
    assert cut_so_far(more)[0].count == 4
    assert cut_so_far([*more, CutEvent("all", small)])[0].count == 2
    assert cut_so_far([*more, CutEvent("more", large)]) == (large,)
    assert cut_so_far([*more, CutEvent("fewer", small)])[0].count == 2
    assert cut_so_far([CutEvent("more", small), CutEvent("fewer", small)]) == ()
    assert cut_so_far([CutEvent("more", large), CutEvent("fewer", small)]) == (large,)


@pytest.mark.parametrize("structure", list(STRUCTURES))
def test_what_is_cut_as_planned_fits_and_is_not_cut_again(structure: str) -> None:
    made = planned({"binding": {"structure": structure}})
    cut = tuple(as_cut(piece) for piece in made.pieces)
    assert list(mind_cut(made.pieces, cut, MILLIMETRES)) == []
    assert still_to_cut(made.pieces, cut) == ()
    assert still_to_cut(made.pieces, ()) == made.pieces
    assert [
        each.code for each in planned({"binding": {"structure": structure}}, at_bench=AtBench(cut)).findings
    ] == [each.code for each in made.findings]


def test_of_some_cut_the_others_are_left() -> None:
    made = planned({"copies": 3})
    board = piece_of(made, "board")
    left = still_to_cut(made.pieces, [as_cut(board, 2)])
    assert {each.id: each.count for each in left}["board"] == board.count - 2


@pytest.mark.parametrize(
    ("measured", "code", "words"),
    [
        ({"block.thickness": 18}, "cut.smaller", "Cut it again"),
        ({"block.thickness": 6}, "cut.spine_larger", "lining of that thickness"),
    ],
)
def test_a_measurement_after_the_spine_board_was_cut_is_a_finding(
    measured: dict[str, float], code: str, words: str
) -> None:
    before = planned()
    spine = piece_of(before, "spine_board")
    after = planned({"measured": measured}, at_bench=AtBench((as_cut(spine),)))
    found = next(each for each in after.findings if each.code == code)
    assert spine.shown.split(" ")[0] in found.message
    assert piece_of(after, "spine_board").shown.split(" ")[0] in found.message
    assert words in found.remedy
    assert found.station == "bench"


def test_a_board_too_large_is_trimmed_and_one_turned_is_cut_anew() -> None:
    made = planned()
    board = as_cut(piece_of(made, "board"))
    large = CutPiece(board.piece, board.label, 2, board.width + 3, board.height, board.grain)
    found = list(mind_cut(made.pieces, [large], MILLIMETRES))
    assert [each.code for each in found] == ["cut.larger"]
    assert "Trim 3 mm of the width off" in found[0].remedy
    turned = CutPiece(board.piece, board.label, 2, board.width, board.height, "width")
    assert [each.code for each in mind_cut(made.pieces, [turned], MILLIMETRES)] == ["cut.turned"]


def test_a_piece_another_binding_does_not_want_is_said() -> None:
    boards = as_cut(piece_of(planned(), "board"))
    wrapper = planned({"binding": {"structure": "wrapper"}}, at_bench=AtBench((boards,)))
    found = next(each for each in wrapper.findings if each.code == "cut.gone")
    assert "Board" in found.message


def test_in_inches_no_millimetre_is_said() -> None:
    board = as_cut(piece_of(planned(), "board"))
    large = CutPiece(board.piece, board.label, 2, board.width + 12.7, board.height, board.grain)
    found = next(mind_cut(planned().pieces, [large], Notation("inch")))
    assert "mm" not in found.message + found.remedy
    assert "″ of the width" in found.remedy


# measuring


def test_a_measurement_in_another_unit_is_asked_about() -> None:
    def asked(job: dict[str, Any], quantity: QuantityId) -> str:
        reckoned = {each.id: each for each in planned(job).quantities}
        with pytest.raises(OddMeasurementError) as error:
            mind_measurement(reckoned[quantity], reckoned, MILLIMETRES)
        return str(error.value)

    assert "centimetres? That would be 140 mm" in asked({"measured": {"block.width": 14}}, "block.width")
    assert "inches? That would be" in asked({"measured": {"block.width": 5.5}}, "block.width")
    assert "Measure once more" in asked({"measured": {"block.width": 90}}, "block.width")
    near = {each.id: each for each in planned({"measured": {"block.width": 139}}).quantities}
    mind_measurement(near["block.width"], near, MILLIMETRES)


def test_a_block_measured_before_it_is_trimmed_is_asked_about_and_put_where_it_belongs() -> None:
    early = planned({"measured": {"block.height": 215.6}})
    reckoned = {each.id: each for each in early.quantities}
    assert reckoned["block.height"].state == "trimmed"
    with pytest.raises(OddMeasurementError, match=r"215\.6 mm is what it measures before trimming"):
        mind_measurement(reckoned["block.height"], reckoned, MILLIMETRES)
    said = next(each for each in early.findings if each.code == "measured.early")
    measured = {path.removeprefix("measured."): size for path, size in said.actions[0].patch.items()}
    mended = planned({"measured": {path: size for path, size in measured.items() if size is not None}})
    # 3 off head and tail of what lies there
    assert value(mended, "block.height") == pytest.approx(209.6)
    for left in (mended, planned({"measured": {"block.height": 212}})):
        assert "measured.early" not in {each.code for each in left.findings}


def test_a_piece_that_is_trimmed_later_says_what_it_is_cut_to_and_what_it_becomes() -> None:
    board = piece_of(planned({"binding": {"cut_in_case": 5}}), "board")
    assert (board.shown, board.finished) == ("146 mm × 216 mm", "trimmed to 141 mm × 216 mm in the case")
    cover = piece_of(planned({"binding": {"structure": "wrapper"}}), "cover")
    assert cover.cut_height - cover.height == pytest.approx(6)
    assert cover.finished.endswith("with the block")


def test_what_follows_names_pieces_cut_and_not_cut() -> None:
    before, after = planned(), planned({"measured": {"block.thickness": 18}})
    spine = piece_of(before, "spine_board")
    words = what_follows(before.pieces, after.pieces, [as_cut(spine)], MILLIMETRES)
    assert any(each.startswith("Spine board is cut already") for each in words)
    assert any(each.startswith("Cover") and each.endswith("not cut yet.") for each in words)
    assert what_follows(before.pieces, before.pieces, (), MILLIMETRES) == ()


# readings


@pytest.mark.parametrize(
    ("line", "millimetres"),
    [("  12.34 mm\r\n", 12.34), ("+0.5000 in\r\n", 12.7), ("12,5", 12.5), (".5 mm", 0.5), ("3 MM", 3)],
)
def test_a_line_is_read_in_the_unit_it_comes_in(line: str, millimetres: float) -> None:
    assert read_line(line).value == pytest.approx(millimetres)


@pytest.mark.parametrize("line", ["", "mm", "-3 mm", "12 miles", "1e5", "1.2.3", "9" * 40, "\0", "nan"])
def test_a_line_that_is_no_reading_is_refused_in_words(line: str) -> None:
    with pytest.raises(ReadingError):
        read_line(line)


def test_several_readings_make_one_and_an_odd_one_is_asked_about() -> None:
    three = [read_line(f"{size} mm") for size in (2.01, 2.05, 1.98)]
    assert averaged(three) == pytest.approx((2.01 + 2.05 + 1.98) / 3)
    with pytest.raises(OddReadingError):
        averaged([*three, read_line("20.1 mm")])
    with pytest.raises(ReadingError):
        averaged([*three, read_line("2 g")])
    with pytest.raises(ReadingError):
        averaged([])


# operations of one's own, left out, and times


def test_a_step_of_ones_own_stands_where_it_was_put() -> None:
    title = "Dip {mm:3} in tea {signature}"
    own = {
        "id": "own_tea",
        "title": title,
        "after": "fold",
        "minutes": 7,
        "wait": 30,
    }
    made = planned({"bench": {"own": [own]}})
    names = [each.id for each in made.operations]
    step = made.operations[names.index("own_tea")]
    assert names[names.index("fold") + 1] == "own_tea"
    assert step.after == ("fold",)
    assert step.title == title, "a binder's own words are never rewritten"
    assert (step.minutes, step.wait and step.wait.least) == (7, 30)
    assert "own_tea" in next(each for each in made.operations if each.id == "press_sections").after
    nowhere = planned({"bench": {"own": [{**own, "after": "no_such"}]}})
    assert nowhere.operations[-1].id == "own_tea"


def test_what_is_left_out_is_said_and_what_waited_for_it_waits_for_what_it_waited_for() -> None:
    whole = {each.id: each for each in planned().operations}
    made = planned({"bench": {"left_out": {"trim": "bought trimmed", "make_endpapers": "none left"}}})
    operations = {each.id: each for each in made.operations}
    assert "trim" not in operations
    assert [(each.id, each.reason) for each in made.left_out] == [
        ("make_endpapers", "none left"),
        ("trim", "bought trimmed"),
    ]
    assert operations["line_spine"].after == whole["trim"].after
    assert "stock_out" in operations["sew"].after, "endpapers waited for the stock, so sewing does"


def test_times_are_the_houses_or_the_jobs() -> None:
    usual = {each.id: each for each in planned().operations}
    mine = planned({"bench": {"times": {"sew": {"fixed": 0, "rate": 6}, "dry_closed": {"wait": 300}}}})
    operations = {each.id: each for each in mine.operations}
    assert operations["sew"].minutes == pytest.approx((usual["sew"].minutes - 8) / 4 * 6)
    wait = operations["dry_closed"].wait
    assert wait is not None
    assert (wait.least, wait.usual) == (240, 300)


def test_left_handed_people_are_told_what_goes_the_other_way() -> None:
    right = {each.id: each.hand for each in planned().operations}
    left = {each.id: each.hand for each in planned(at_bench=AtBench(left_handed=True)).operations}
    assert not any(right.values())
    assert "right to left" in left["sew"]
    assert left["trim"]


# the casing-in sheet and the ways


@pytest.mark.parametrize("glue", [None, "paste", "pva"])
def test_the_paste_down_lies_as_wide_as_it_grows(glue: str | None) -> None:
    share = {None: 0.75, "paste": 1.0, "pva": 0.5}[glue]
    made = planned({"bench": {"glue": {"paste_down": glue}}})
    drawn = next(each for each in made.drawings if each.id == "bench.casing_in")
    growth = (140 - 4) * 1.75 / 100 * share
    assert value(made, "pastedown.growth") == pytest.approx(growth)
    areas = {each.about.split()[0]: each.points for each in drawn.elements if each.kind == "area"}
    leaf = max(x for x, _ in areas["pastedown.width"])
    board = max(x for x, _ in areas["board.width"])
    assert leaf == pytest.approx(value(made, "pastedown.width") + growth)
    assert board - leaf == pytest.approx(value(made, "pastedown.margin"))
    assert board == pytest.approx(140 + value(made, "closed.fore_edge"))
    assert made.casing_in is not None
    assert any("139 mm" in each.text for each in made.casing_in.sides) is (glue is None)


def test_pressing_boards_end_short_of_the_joint() -> None:
    made = planned()
    assert value(made, "pressing.width") == pytest.approx(value(made, "board.width") - 3)
    assert value(made, "pressing.height") == pytest.approx(value(made, "board.height"))


@pytest.mark.parametrize("structure", list(STRUCTURES))
def test_the_way_drawn_is_as_long_as_its_sum(structure: str) -> None:
    made = planned({"binding": {"structure": structure}})
    for name, quantity in (
        ("bench.support_path", "sewing.support_length"),
        ("bench.mull_path", "mull.width"),
    ):
        drawn = next((each for each in made.drawings if each.id == name), None)
        if drawn is None:
            continue
        thread = next(each for each in drawn.elements if isinstance(each, Line) and each.layer == "thread")
        length = sum(
            abs(x2 - x1) + abs(y2 - y1)
            for (x1, y1), (x2, y2) in zip(thread.points, thread.points[1:], strict=False)
        )
        corners = 2 * 0.6  # where it lies off the spine's edge, so that it is seen
        assert length == pytest.approx(value(made, quantity) + corners, abs=0.01), (structure, name)
        assert any(isinstance(each, Dimension) for each in drawn.elements)


# record, colophon, made again


def test_the_record_reckons_time_and_keeps_what_was_found() -> None:
    made = planned()

    def event(kind: Any, minutes: float, operation: str = "sew", **more: Any) -> RecordedEvent:
        who = more.pop("author", "binder")
        return RecordedEvent(kind, operation, "Sew", AT + timedelta(minutes=minutes), who, **more)

    recorded = record_of(
        made.operations,
        [
            event("noted", 0, "", words="for the harbour"),
            event("started", 0),
            event("paused", 20),
            event("started", 60, author="apprentice"),
            event("looked", 65, words="thread even"),
            event("looked", 66, words="loose at the end", otherwise=True),
            event("done", 70, author="apprentice", words="second needle"),
            event("started", 80, "gone_step", early=True, words=""),
        ],
    )
    assert [each.operation for each in recorded] == ["", "sew", "gone_step"]
    sew = recorded[1]
    assert (sew.worked, sew.done, sew.people) == (30, True, ("binder", "apprentice"))
    assert (sew.begun, sew.ended) == (AT, AT + timedelta(minutes=70))
    assert [(line.kind, line.words) for line in sew.lines] == [
        ("otherwise", "loose at the end"),
        ("noted", "second needle"),
    ]
    assert recorded[2].lines[0].kind == "early"
    begun = [event("started", 0), event("done", 9, words="tight"), event("looked", 9, otherwise=True)]
    assert record_of(made.operations, [*begun, event("undone", 10)]) == ()
    noted = record_of(made.operations, [*begun, event("noted", 9, words="waxed"), event("undone", 10)])[0]
    assert (noted.worked, noted.begun, noted.done) == (0, None, False)
    assert [line.words for line in noted.lines] == ["waxed"]


def test_the_record_has_no_size_that_was_taken_back_measured_again_or_undone() -> None:
    made = planned()

    def measured(minute: int, words: str, holds: bool) -> RecordedEvent:
        at = AT + timedelta(minutes=minute)
        return RecordedEvent(
            "measured", "sew", "Sew", at, "binder", words, about="block.thickness", holds=holds
        )

    def lines(*events: RecordedEvent) -> list[str]:
        return [line.words for each in record_of(made.operations, events) for line in each.lines]

    assert lines(measured(0, "17.5", True)) == ["17.5"]
    assert lines(measured(0, "17.5", False), measured(1, "17.6", True)) == ["17.6"]
    assert lines(measured(0, "17.5", True), measured(1, "taken back", False)) == []
    assert lines(measured(0, "17.5", False)) == []
    piece: dict[str, Any] = {"operation": "sew", "title": "Sew", "author": "binder", "about": "board"}
    cut = RecordedEvent("cut", at=AT, words="2 × board", **piece)
    assert lines(cut) == ["2 × board"]
    assert lines(cut, RecordedEvent("uncut", at=AT, words="2 × board", **piece)) == []


def test_what_runs_though_the_plan_has_it_no_more_is_said() -> None:
    made = planned({"binding": {"structure": "wrapper"}})
    events = [Event("started", "make_case", AT), Event("started", "sew", AT)]
    assert cut_short(made.operations, events) == ("make_case",)
    assert cut_short(made.operations, [*events, Event("done", "make_case", AT)]) == ()


def test_looks_are_ticked_and_undone_with_their_operation() -> None:
    made = planned()
    sew = next(each for each in made.operations if each.id == "sew")
    ticked = [Event("looked", "sew", AT, about=sew.looks[0].id, found="loose")]

    def looked(events: list[Event]) -> list[tuple[str, str]]:
        stands = next(each for each in standings(made.operations, events, AT) if each.operation == "sew")
        return [(each.look, each.found) for each in stands.ticked]

    assert looked(ticked) == [(sew.looks[0].id, "loose")]
    assert looked([*ticked, Event("unlooked", "sew", AT, about=sew.looks[0].id)]) == []
    assert looked([*ticked, Event("started", "sew", AT), Event("undone", "sew", AT)]) == []


@pytest.mark.parametrize("structure", list(STRUCTURES))
def test_the_colophon_says_what_the_book_is_made_of(structure: str) -> None:
    spec = read_spec(
        {
            "title": "The {signature} of {mm:3}",
            "paper": {"name": "Gull laid"},
            "binding": {"structure": structure},
            "finish": {"typeface": "Harbour Antiqua"},
        }
    )
    made = plan(spec, drawn=())
    making = Making(("Ada", "Bo"), "Saltmarsh", date(2026, 3, 1), date(2026, 3, 4))
    words = colophon_words(spec, made, making, MILLIMETRES)
    assert words.startswith(spec.title), "what was written stands as it was written"
    assert "Gull laid, 90 g/m²" in words
    assert "Set in Harbour Antiqua." in words
    assert "Made by Ada and Bo, Saltmarsh, 1 March 2026 to 4 March 2026." in words
    inches = colophon_words(spec, made, making, Notation("inch"))
    assert "mm" not in inches.replace("{mm:3}", "")


def test_made_again_it_starts_from_what_was_measured() -> None:
    measured = {"text.thickness": 9.0, "spine.swell": 3.0, "board.thickness": 2.2, "block.width": 139}
    spec = read_spec({"title": "Tide tables", "measured": measured})
    first = plan(spec, drawn=())
    again = made_again(spec, first)
    second = plan(again, drawn=())
    assert again.measured == {}
    assert value(second, "text.thickness") == pytest.approx(9.0, abs=0.02)
    assert value(second, "spine.swell") == pytest.approx(3.0, abs=0.02)
    assert again.binding.board == 2.2
    assert again.leaf == spec.leaf
    assert made_again(read_spec({}), planned()).paper.calliper is None


# what to lay ready


def test_stock_of_several_pieces_is_counted_together() -> None:
    job = {
        "stock": {
            name: {"item": 7, "width": 300, "height": 420, "grain": "height"}
            for name in ("board", "spine_board")
        }
    }
    made = planned(job)
    item = StockItem.model_validate(
        {
            "kind": "board",
            "form": "sheet",
            "name": "Grey board",
            "width": 300,
            "height": 420,
            "grain": "height",
        }
    )

    def ready(count: int, cut: tuple[CutPiece, ...] = ()) -> Any:
        return lay_ready(made.operations, made.pieces, cut, [OnShelf(7, item, count)], MILLIMETRES)

    enough = {each.piece: each.short for each in ready(9).materials}
    assert (enough["board"], enough["spine_board"]) == (False, False)
    scarce = {each.piece: each.short for each in ready(1).materials}
    assert (scarce["board"], scarce["spine_board"]) == (False, True), "one sheet is not there for both"
    cut = (as_cut(piece_of(made, "board")),)
    assert "board" not in {each.piece for each in ready(1, cut).materials}
    assert piece_of(made, "board").label in ready(1, cut).cut
    assert {"brush", "PVA"} <= {*ready(9).tools, *ready(9).adhesives}


def test_the_hand_is_never_twice_alike_and_always_near() -> None:
    from weald.standins.instruments import reading_of

    hand = random.Random(7)
    lines = [reading_of("calliper", 12.0, "mm", hand) for _ in range(20)]
    assert len(set(lines)) > 1
    assert all(abs(read_line(line).value - 12) <= 0.03 for line in lines)
    assert read_line(reading_of("calliper", 12.7, "in", hand)).value == pytest.approx(12.7, abs=0.03)
    assert read_line(reading_of("scale", 80.0, "g", hand)).unit == "g"


def test_what_was_done_under_a_former_name_stays_done() -> None:
    operations = planned({"binding": {"structure": "laced_boards"}}).operations
    events = [Event("started", "trim_rounded", AT), Event("done", "trim_rounded", AT)]
    stands = {each.operation: each.status for each in standings(operations, events, AT)}
    assert stands["trim_ends"] == "done"
    assert cut_short(operations, [Event("started", "case_in", AT)]) == ()
    flat = planned({}).operations
    stands = {each.operation: each.status for each in standings(flat, [Event("started", "trim", AT)], AT)}
    assert [name for name, status in stands.items() if status == "working"] == ["trim"]


@pytest.mark.parametrize(
    ("job", "under", "joint"),
    [
        ({}, "mull and supports", "a strip of 4 mm at the joint left dry"),
        ({"block": {"mull": False}}, "supports", "a strip of 4 mm"),
        ({"block": {"mull": False}, "sewing": {"method": "link"}}, "", "a strip of 4 mm"),
        ({"endpapers": {"dry_strip": 0}}, "mull and supports", "the joint pasted too"),
    ],
)
def test_the_casing_in_sheet_speaks_of_what_the_book_has(job: dict[str, Any], under: str, joint: str) -> None:
    made = planned(job)
    assert made.casing_in
    said = " ".join(each.text for each in made.casing_in.sides)
    shown = next(each for each in made.drawings if each.id == "bench.casing_in").text
    assert joint in said
    assert joint in shown
    assert ("pasted down first" in said) == bool(under)
    assert f"Under it: {under}." in shown if under else "Under it" not in shown


@pytest.mark.parametrize(
    ("school", "nipped"), [("nip", True), ("bricks", True), ("rods", False), ("weight", False)]
)
def test_only_what_is_nipped_is_told_to_be(school: str, nipped: bool) -> None:
    made = planned({"bench": {"pressing": school}})
    assert made.casing_in
    assert any("Nipped" in each.text for each in made.casing_in.ends) == nipped
