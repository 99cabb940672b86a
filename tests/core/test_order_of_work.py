"""The order of work: every structure, covering, sewing and school gives a graph a binder could follow."""

import re
from collections.abc import Iterator, Sequence
from itertools import combinations, pairwise, product
from typing import Any

import pytest

from tests.conftest import codes, job_in
from tests.core.extras.made_up import EXTRAS as MADE_UP
from tests.core.extras.made_up import merged
from weald.core.adhesives import ADHESIVES, SEASON_FACTORS, SUITED
from weald.core.bench.precedence import is_so
from weald.core.bench.steps import STEPS
from weald.core.bindings.catalogue import STRUCTURES
from weald.core.bindings.protocol import Structure
from weald.core.book.operation import Operation
from weald.core.errors import SpecError
from weald.core.job.spec import read_spec
from weald.core.notation import Notation
from weald.core.planning.plan import Plan, plan

EVERY = tuple(STRUCTURES.values())


def planned(structure: str, **changes: Any) -> Plan:
    job = {"title": "Tide tables", "binding": {"structure": structure}}
    for path, value in changes.items():
        group, _, key = path.partition("__")
        job.setdefault(group, {})[key] = value  # type: ignore[index]
    return plan(read_spec(job), drawn=("bench",))


def in_pairs(*choices: Sequence[Any]) -> Iterator[tuple[Any, ...]]:
    """As few of all combinations as it takes for every two choices to meet once."""
    met = set[tuple[tuple[int, Any], ...]]()
    for each in product(*choices):
        pairs = set(combinations(enumerate(each), 2))
        if pairs - met:
            met |= pairs
            yield each


def every_way(structure: Structure) -> Iterator[Plan]:
    shoulders = structure.shoulders if "round" in structure.backs else ("none",)
    for covering, method, shoulder, bands, trimming, leather in in_pairs(
        structure.coverings,
        structure.methods,
        shoulders,
        ("none", "sewn"),
        ("out_of_boards", "in_boards", "untrimmed"),
        ("cloth", "leather"),
    ):
        yield planned(
            structure.name,
            binding__covering=covering,
            binding__material=leather,
            sewing__method=method,
            back__shoulder=shoulder,
            block__end_bands=bands,
            block__trimming=trimming,
            finish__ribbons=1,
        )


def by_id(made: Plan) -> dict[str, Operation]:
    return {each.id: each for each in made.operations}


def longest_way(operations: dict[str, Operation], to: str) -> float:
    """By plain search: the longest of all ways that end here."""
    one = operations[to]
    before = [longest_way(operations, name) for name in one.after]
    return one.minutes + (one.wait.usual if one.wait else 0) + max(before, default=0.0)


def every_piece_is_used_and_nothing_is_that_is_not_there(made: Plan) -> None:
    cut = {piece.id: piece for piece in made.pieces}
    taken = {piece.piece for each in made.operations for piece in each.pieces}
    assert taken == set(cut)
    for each in made.operations:
        for piece in each.pieces:
            assert (piece.shown, piece.count) == (cut[piece.piece].shown, cut[piece.piece].count)


def every_size_that_is_measured_is_measured_somewhere(made: Plan) -> None:
    wanted = {each.id for each in made.quantities if each.measurable}
    asked = {asked.quantity for each in made.operations for asked in each.measures}
    so = {size for step in STEPS.values() if is_so(step, made.there) for size in step.measures}
    assert wanted - so <= asked <= wanted


def no_size_is_asked_for_before_what_is_cut_off_it(made: Plan) -> None:
    asked = [(each.id, {one.quantity for one in each.measures}) for each in made.operations]
    for place, (name, sizes) in enumerate(asked):
        for trims, cut in asked[place + 1 :]:
            if trims.startswith("trim") and trims != "trim_old_panels":
                assert not sizes & cut, (name, trims)


def the_graph_can_be_worked_and_its_longest_way_is_the_longest(made: Plan) -> None:
    seen: set[str] = set()
    operations = by_id(made)
    assert len(operations) == len(made.operations)
    for each in made.operations:
        assert set(each.after) <= seen, (each.id, "waits for what comes later")
        seen.add(each.id)
    undone = {each.id for each in STEPS.values() if each.ends}
    beginnings = {each.id for each in made.operations if not each.after}
    assert beginnings <= {"stock_out", *undone}
    ends = {name: longest_way(operations, name) for name in operations}
    end = max(ends.values())
    for each in made.operations:
        assert each.start + each.takes == pytest.approx(ends[each.id])
    on_the_way = [each for each in made.operations if each.critical]
    assert sum(each.takes for each in on_the_way) == pytest.approx(end)
    for one, other in pairwise(on_the_way):
        assert one.id in other.after
    assert made.operations[-1].id == "last_look"


def what_cuts_has_a_caution_and_what_is_glued_a_face(made: Plan) -> None:
    for each in made.operations:
        if {"knife", "plough", "awl", "needle", "paring knife", "hammer"} & set(each.tools):
            assert each.caution, each.id
        assert all(glue.face and glue.moves for glue in each.glue)
        assert each.minutes > 0
        if each.wait:
            assert 0 < each.wait.least <= each.wait.usual
            assert each.wait.ends


@pytest.mark.parametrize("structure", EVERY, ids=lambda each: each.name)
def test_in_every_way_a_structure_can_be_made_its_order_holds(structure: Structure) -> None:
    for made in every_way(structure):
        every_piece_is_used_and_nothing_is_that_is_not_there(made)
        every_size_that_is_measured_is_measured_somewhere(made)
        no_size_is_asked_for_before_what_is_cut_off_it(made)
        the_graph_can_be_worked_and_its_longest_way_is_the_longest(made)
        what_cuts_has_a_caution_and_what_is_glued_a_face(made)


@pytest.mark.parametrize("name", MADE_UP)
def test_what_is_added_has_its_work_at_the_bench(name: str) -> None:
    job = MADE_UP[name]
    whole = merged(job_in(job.get("binding", {}).get("structure", "flat_case")), job)
    made = plan(read_spec(whole), drawn=("bench",))
    every_piece_is_used_and_nothing_is_that_is_not_there(made)
    every_size_that_is_measured_is_measured_somewhere(made)
    the_graph_can_be_worked_and_its_longest_way_is_the_longest(made)
    what_cuts_has_a_caution_and_what_is_glued_a_face(made)


def test_a_round_spine_is_rounded_at_tacky_and_without_a_pause() -> None:
    operations = by_id(planned("rounded_case"))
    glued = operations["glue_up"].wait
    assert glued is not None
    assert (glued.state, glued.harm, glued.least, glued.usual) == ("tacky", True, 8, 12)
    assert operations["round"].whole
    assert operations["round"].after == ("glue_up",)


def test_nothing_damp_is_opened() -> None:
    made = planned("flat_case")
    dry = by_id(made)["dry_closed"].wait
    assert dry is not None
    assert dry.rule.startswith("Not opened while damp")
    assert by_id(made)["open_first"].after == ("dry_closed",)


@pytest.mark.parametrize("joint", list(SUITED))
def test_an_adhesive_does_what_it_is_known_for(joint: str) -> None:
    for adhesive in SUITED[joint]:  # type: ignore[index]
        made = planned("flat_case", bench__glue={joint: adhesive}, finish__ribbons=1)
        glued = {glue.adhesive for each in made.operations for glue in each.glue}
        if joint != "boards":
            assert ADHESIVES[adhesive].title in glued
    for unsuited in set(ADHESIVES) - set(SUITED[joint]):  # type: ignore[index]
        with pytest.raises(SpecError, match=joint):
            planned("flat_case", bench__glue={joint: unsuited})


def test_the_season_slows_and_hastens() -> None:
    waits = {}
    for season, factor in SEASON_FACTORS.items():
        wait = by_id(planned("flat_case", bench__season=season))["dry_closed"].wait
        assert wait is not None
        waits[season] = (wait.least, wait.usual)
        assert waits[season] == (round(240 * factor), round(720 * factor))
    assert waits["warm"] < waits["usual"] < waits["damp"]


def test_trimming_by_school() -> None:
    assert [each.id for each in planned("flat_case").operations if each.id.startswith("trim")] == ["trim"]
    before = [each.id for each in planned("flat_case", bench__trimmed="before").operations]
    assert before.index("trim_first") < before.index("glue_up")
    assert "trim" not in before
    in_boards = [each.id for each in planned("laced_boards", block__trimming="in_boards").operations]
    assert in_boards.index("lace_on") < in_boards.index("trim_in_boards") < in_boards.index("cover_book")


def test_opened_once_after_the_nip_by_school() -> None:
    assert "open_a_crack" not in by_id(planned("flat_case"))
    once = by_id(planned("flat_case", bench__opened="once"))
    assert once["open_a_crack"].after == ("case_in",)
    assert once["dry_closed"].after == ("open_a_crack",)


def test_an_edition_is_done_operation_by_operation() -> None:
    one, ten = by_id(planned("flat_case")), by_id(plan_of_ten())
    assert ten["sew"].minutes == pytest.approx(8 + 10 * (one["sew"].minutes - 8))
    assert [each.wait for each in ten.values()] == [each.wait for each in one.values()]


def plan_of_ten() -> Plan:
    return plan(read_spec({"title": "Tide tables", "copies": 10}), drawn=("bench",))


def test_two_people_cover_a_tall_book() -> None:
    assert by_id(planned("flat_case"))["case_in"].people == 1
    tall = planned("flat_case", leaf__width=280, leaf__height=380)
    assert by_id(tall)["case_in"].people == 2


def test_sizes_and_words_are_the_readers() -> None:
    spec = read_spec({"title": "Tide tables"})
    made = plan(spec, Notation("inch", vocabulary="section"), drawn=("bench",))
    words = str(made.operations)
    assert "sections" in words
    assert "ignature" not in words
    assert not re.search(r"\bmm\b", words)
    assert "{" not in words


def test_where_the_bench_is_not_looked_at_nothing_is_reckoned_for_it() -> None:
    assert plan(read_spec({"title": "Tide tables"}), drawn=("boards",)).operations == ()


def test_of_an_edition_no_more_is_glued_than_can_be_rounded_while_tacky() -> None:
    def at_once(copies: int, **times: Any) -> int:
        job = {"copies": copies, "binding": {"structure": "rounded_case"}, "bench": {"times": times}}
        return by_id(plan(read_spec(job), drawn=("bench",)))["glue_up"].at_once

    assert at_once(1) == 0
    assert at_once(10) == 1, "tacky 12 min, 15 a copy to round"
    assert at_once(10, round={"rate": 3}, glue_up={"rate": 3, "fixed": 0}) == 3
    assert by_id(plan_of_ten())["glue_up"].at_once == 0, "a flat back may dry as long as it likes"


@pytest.mark.parametrize(
    ("school", "state", "least", "holds"),
    [
        ("nip", "nipped", 2, ("nipping_press",)),
        ("hour", "nipped", 50, ("nipping_press",)),
        ("bricks", "nipped", 2, ()),
    ],
)
def test_pressing_by_school(school: str, state: str, least: float, holds: tuple[str, ...]) -> None:
    made = by_id(planned("flat_case", bench__pressing=school))
    wait = made["case_in"].wait
    assert wait is not None
    assert (wait.state, wait.least, wait.holds) == (state, least, holds)
    assert made["dry_closed"].wait is not None
    assert any("body" in move for move in made["case_in"].moves) is (school == "bricks")


def test_under_weight_alone_there_is_no_press() -> None:
    made = by_id(planned("flat_case", bench__pressing="weight"))
    assert made["case_in"].wait is None
    assert made["dry_closed"].after == ("case_in",)


def test_paste_downs_of_boards_on_the_block_dry_shut_or_open() -> None:
    shut = by_id(planned("laced_boards"))
    assert shut["paste_down"].wait is None
    assert shut["dry_closed"].after == ("paste_down",)
    opened = by_id(planned("laced_boards", bench__paste_downs="open"))
    wait = opened["paste_down"].wait
    assert wait is not None
    assert wait.state == "standing_open"
    assert "dry_closed" not in opened


@pytest.mark.parametrize(
    ("height", "width", "covering", "sewing"),
    [
        (350, 250, 1, 1),
        (351, 250, 2, 1),
        (601, 400, 2, 2),
        (901, 600, 3, 2),
        (1201, 600, 4, 2),
        (1201, 901, 5, 2),
    ],
)
def test_as_many_people_as_size_asks_for(height: int, width: int, covering: int, sewing: int) -> None:
    made = by_id(planned("laced_boards", leaf__width=width, leaf__height=height, text__pages=16))
    assert (made["cover_book"].people, made["sew"].people) == (covering, sewing)


@pytest.mark.parametrize(
    ("kind", "tipped", "dries"),
    [("tipped", True, False), ("made", True, True), ("sewn", False, False), ("wrapped", False, False)],
)
def test_endpapers_have_the_steps_of_their_kind(kind: str, tipped: bool, dries: bool) -> None:
    made = by_id(planned("flat_case", endpapers__kind=kind))
    assert ("tip_endpapers" in made) is tipped
    assert (made["make_endpapers"].wait is not None) is dries
    assert "make_endpapers" in made["sew"].after or "make_endpapers" in made["pierce"].after


def test_the_hands_own_steps_follow_glue_and_covering() -> None:
    quick = by_id(planned("flat_case", bench__glue={"case": "pva"}))["make_case"].moves
    slow = by_id(planned("flat_case", bench__glue={"case": "paste"}))["make_case"].moves
    assert any(move.startswith("Turn-ins glued one after the other") for move in quick)
    assert any(move.startswith("All turn-ins glued in one go") for move in slow)
    quarter = by_id(planned("flat_case", binding__covering="quarter"))["make_case"].moves
    assert any("sides last" in move for move in quarter)
    assert not any("sides last" in move for move in quick)
    leather = by_id(planned("laced_boards", binding__material="leather"))["cover_book"].moves
    assert any("Caps" in move for move in leather)


def test_a_step_of_ones_own_that_comes_too_late_is_said() -> None:
    own = {"id": "own_edges", "title": "Colour the edges", "after": "line_spine", "before": "line_spine"}
    late = planned("flat_case", bench__own=[own])
    said = [each.message for each in late.findings if each.code == "order.too_late"]
    titles = {each.id: each.title for each in late.operations}
    lining = titles["line_spine"]
    assert said == [f"“Colour the edges” has to be done before “{lining}”, but stands after “{lining}”."]
    for before in ("case_in", None, "no_such_step"):
        in_time = planned("flat_case", bench__own=[own | {"before": before}])
        assert "order.too_late" not in codes(in_time)


def test_a_step_of_ones_own_is_done_by_as_many_and_priced_as_what_it_is() -> None:
    own = {"id": "own_gild", "title": "Gild the edges", "after": "trim", "people": 2, "work": "lettering"}
    made = by_id(planned("flat_case", bench__own=[own]))["own_gild"]
    assert (made.people, made.work) == (2, "lettering")
    with pytest.raises(SpecError, match="people"):
        planned("flat_case", bench__own=[own | {"people": 6}])
