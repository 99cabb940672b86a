"""Orders of work are carried out by a hand that knows matter alone, from whatever lies on the bench."""

from dataclasses import replace
from typing import Any

import pytest

from tests.conftest import STRUCTURES, job_in
from tests.core.extras.made_up import EXTRAS, merged
from tests.core.hand import Hand, RefusedError, found
from weald.core.adhesives import SUITED
from weald.core.bench.steps import STEPS
from weald.core.book.operation import Operation
from weald.core.errors import SpecError
from weald.core.job.lying import BROUGHT, LYING, Lies
from weald.core.job.spec import read_spec
from weald.core.planning.plan import Plan, plan


def planned(job: dict[str, Any]) -> Plan:
    return plan(read_spec(job), drawn=("bench",))


def begins(made: Plan, lies: Lies | None) -> Lies:
    if lies:
        return lies
    return (
        "stock"
        if "old_cover_on" not in made.there
        else "bound"
        if "old_sewing_in" in made.there
        else "paperback_leaves"
    )


def carried_out(job: dict[str, Any], lies: Lies | None = None) -> Plan | None:
    """The plan, carried out to the end; none where it says that something cannot be reached."""
    whole = merged(job, {"bench": {"lies": lies}}) if lies else job
    made = planned(whole)
    if any(each.code.startswith("order.") for each in made.findings):
        return None
    ids = {each.id for each in made.operations}
    hand = Hand(found(begins(made, lies)), "round" in ids, "back" in ids)
    book = hand.carry_out(made.operations)
    assert book.looked
    assert {piece.id for piece in made.pieces} == set(hand.used), "a piece is left over"
    return made


def ways(structure: str) -> list[dict[str, Any]]:
    """A structure by its coverings, sewing, shoulders, schools of trimming and of drying."""
    record = STRUCTURES[structure]
    shoulders = record.shoulders if "round" in record.backs else ("none",)
    found = []
    for number in range(max(len(record.coverings), len(record.methods), len(shoulders), 5)):

        def one(of: tuple[Any, ...], step: int = number) -> Any:
            return of[step % len(of)]

        found.append(
            merged(
                job_in(structure),
                {
                    "binding": {
                        "covering": one(record.coverings),
                        "material": one(("cloth", "leather", "paper")),
                    },
                    "sewing": {"method": one(record.methods)},
                    "back": {"shoulder": one(shoulders)},
                    "block": {"trimming": one(("out_of_boards", "in_boards", "out_of_boards", "untrimmed"))},
                    "bench": {
                        "trimmed": one(("after", "before", "thrown_out")),
                        "opened": one(("not", "once")),
                        "paste_downs": one(("shut", "open")),
                        "trial": one((False, True)),
                        "pressing": one(("nip", "hour", "weight", "rods", "bricks")),
                        "glue": {
                            "spine": one(SUITED["spine"]),
                            "case": one(SUITED["case"]),
                            "paste_down": one(SUITED["paste_down"]),
                        },
                    },
                },
            )
        )
    return found


@pytest.mark.parametrize("name", STRUCTURES)
def test_every_order_can_be_carried_out_from_whatever_lies_there(name: str) -> None:
    reached = set()
    for job in ways(name):
        for lies in (None, *LYING):
            if carried_out(job, lies) is not None:
                reached.add(lies)
    assert reached >= {None}


def together(one: str, other: str) -> dict[str, Any] | None:
    """A job with two extras; none where each wants another binding, or they do not go together."""
    wanted = [EXTRAS[name]["binding"] for name in (one, other) if "binding" in EXTRAS[name]]
    structures = {each["structure"] for each in wanted if "structure" in each}
    if len(structures) > 1:
        return None
    job = merged(merged(job_in(next(iter(structures), "flat_case")), EXTRAS[one]), EXTRAS[other])
    try:
        read_spec(job)
    except SpecError:
        return None
    return job


def half_the_ring(one: str) -> list[str]:
    """The extras that come after one, up to half way round: all of them together make every pair."""
    names = list(EXTRAS)
    place = names.index(one) + 1
    return [*names, *names][place : place + len(names) // 2]


@pytest.mark.parametrize("one", EXTRAS)
def test_what_is_added_can_be_carried_out_with_whatever_else_is(one: str) -> None:
    carried = []
    for other in half_the_ring(one):
        job = together(one, other)
        if job is None:
            continue
        try:
            carried.append(carried_out(job))
        except (RefusedError, AssertionError) as refused:
            raise AssertionError(f"with {other}: {refused}") from refused
    assert any(carried), "it goes with nothing, or nothing could be reached"


def moved(made: Plan, name: str, to: str) -> list[Operation]:
    """The order with one operation put before another."""
    kept = [each for each in made.operations if each.id != name]
    one = next(each for each in made.operations if each.id == name)
    place = next(number for number, each in enumerate(kept) if each.id == to)
    return [*kept[:place], one, *kept[place:]]


@pytest.mark.parametrize(
    ("structure", "lies", "name", "to", "why"),
    [
        ("flat_case", "paperback_sewn", "lift_old_cover", "measure_block", "old cover"),
        ("flat_case", "paperback_sewn", "clean_spine", "measure_block", "no bare spine|old glue"),
        ("lapped_cords", "stock", "close_boards", "join_boards", "cords slide"),
        ("laced_boards", "stock", "offer_boards", "last_look", "covered"),
        ("laced_boards", "stock", "offer_boards", "cut_cover", "stuck"),
        ("laced_boards", "stock", "cut_boards", "make_endpapers", "follow the block"),
        ("rounded_case", "stock", "trim_fore_edge", "trim_ends", "hollow|cut flat"),
        ("rounded_case", "stock", "round", "measure_block", "only a round"),
        ("flat_case", "stock", "glue_up", "sew", "glued"),
        ("flat_case", "stock", "trim", "measure_block", "bands"),
        ("flat_case", "stock", "offer_up", "dry_closed", "offered up"),
        ("flat_case", "stock", "open_first", "dry_closed", "damp"),
        ("link_stitch", "stock", "sew", "pierce_boards", "without holes|boards"),
    ],
)
def test_the_hand_refuses_what_no_hand_can_do(
    structure: str, lies: Lies, name: str, to: str, why: str
) -> None:
    bands = {"block": {"end_bands": "sewn"}, "bench": {"lies": lies}, "finish": {"ribbons": 0}}
    made = planned(merged(job_in(structure), bands))
    ids = {each.id for each in made.operations}
    hand = Hand(found(lies), "round" in ids, "back" in ids)
    with pytest.raises(RefusedError, match=why):
        hand.carry_out(moved(made, name, to), by_matter_alone=True)


@pytest.mark.parametrize("name", STRUCTURES)
def test_what_is_taken_back_is_done_and_what_is_so_is_not(name: str) -> None:
    job = job_in(name)
    once, late = planned(job), "leaves_glued" if STRUCTURES[name].sections == "leaves" else "lined"
    assert [each.id for each in planned(job).operations] == [each.id for each in once.operations]
    for step in STEPS.values():
        brought = [fact for fact in step.makes if fact in BROUGHT]
        if not brought or step.id not in {each.id for each in once.operations}:
            continue
        so = planned(merged(job, {"bench": {"facts": dict.fromkeys(step.makes, True)}}))
        assert step.id not in {each.id for each in so.operations}
        assert not {piece.id for piece in so.pieces} & set(step.pieces) - {"support"}
        back = merged(job, {"bench": {"lies": late, "facts": dict.fromkeys(step.makes, False)}})
        assert step.id in {each.id for each in planned(back).operations}, step.id


@pytest.mark.parametrize(
    ("structure", "lies", "steps"),
    [
        ("flat_case", "leaves_glued", ["fold", "pierce", "sew"]),
        ("rounded_case", "lined", ["round"]),
        ("laced_boards", "paperback_sewn", ["lace_on"]),
        ("long_stitch", "sewn", ["trim_unsewn", "sew_through_cover"]),
    ],
)
def test_what_nothing_leads_to_is_said(structure: str, lies: Lies, steps: list[str]) -> None:
    made = planned({"binding": {"structure": structure}, "bench": {"lies": lies}})
    said = [each for each in made.findings if each.code == "order.unreached"]
    assert [each.about for each in said] == [f"bench.left_out.{name}" for name in steps]
    assert all("as things lie" in each.message for each in said)
    elsewhere = plan(
        read_spec({"binding": {"structure": structure}, "bench": {"lies": lies}}), drawn=("boards",)
    )
    assert [each for each in elsewhere.findings if each.code == "order.unreached"] == said


def test_two_that_each_want_to_be_first_are_named(monkeypatch: pytest.MonkeyPatch) -> None:
    against = replace(STEPS["trim"], follows=("block_measured",))
    monkeypatch.setitem(STEPS, "trim", against)
    said = [each for each in planned(job_in("flat_case")).findings if each.code == "order.against"]
    assert len(said) == 1
    assert "“Trim the block”" in said[0].message
