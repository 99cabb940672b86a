"""What to look at: it belongs to the book at hand, and gives the sizes of its plan."""

from typing import Any

import pytest

from tests.conftest import STRUCTURES, job_in, planned, value
from weald.core.planning.plan import Plan


def looks(made: Plan, station: str) -> str:
    return " ".join(look.text for look in made.looks if look.station == station)


@pytest.mark.parametrize("name", STRUCTURES)
def test_every_structure_says_what_to_look_at_in_the_order_of_work(name: str) -> None:
    made = planned(job_in(name))
    stations = [look.station for look in made.looks]
    order = ("folding", "sewing", "block", "boards", "finish", "cutting")
    assert stations == sorted(stations, key=order.index)
    assert (stations[0] == "folding") is ("folding" not in made.settled)
    assert stations[-1] == "cutting"
    assert len({look.text for look in made.looks}) == len(made.looks)


def test_the_sizes_to_expect_are_those_of_the_plan(contract_job: dict[str, Any]) -> None:
    made = planned(contract_job)
    assert "the block 17.5 mm thick" in looks(made, "block")
    # √(140² + 210²) = 252.39, read on a ruler of half millimetres
    assert "Both diagonals 252.5 mm" in looks(made, "block")
    assert "squares of 3 mm at the head, 3 mm at the tail, 4 mm at the fore-edge" in looks(made, "boards")


def test_a_round_a_shoulder_and_end_bands_are_looked_at_where_there_are_any() -> None:
    rounded = planned(job_in("laced_boards"))
    assert f"stands out {value(rounded, 'shoulder.height'):g} mm" in looks(rounded, "boards")
    assert "The round even" in looks(rounded, "block")
    assert "no higher than 2.5 mm" in looks(rounded, "boards")
    flat = planned({})
    assert "round" not in looks(flat, "block")
    assert "shoulder" not in looks(flat, "boards")
    assert "end bands" not in looks(flat, "boards")


@pytest.mark.parametrize(
    ("name", "says"),
    [
        ("flat_case", "The case offered up"),
        ("pamphlet_case", "The case offered up"),
        ("laced_boards", "The boards laid on"),
        ("link_stitch", "The boards laid on"),
        ("laced_card_case", "The cover offered up"),
        ("wrapper", "in one stroke"),
    ],
)
def test_what_is_tried_on_the_block_is_what_the_structure_has(name: str, says: str) -> None:
    assert says in looks(planned(job_in(name)), "boards")


@pytest.mark.parametrize(
    ("name", "folding", "sewing"),
    [
        ("single_leaves", "Every leaf", ""),
        ("saddle_stitch", "before it is stitched", "Every stitch in the fold"),
        ("flat_case", "All signatures the same way up", "one clean stair"),
    ],
)
def test_one_fold_many_or_none(name: str, folding: str, sewing: str) -> None:
    made = planned(job_in(name))
    assert folding in looks(made, "folding")
    assert sewing in looks(made, "sewing")
    assert bool(looks(made, "sewing")) == bool(sewing)
