"""The walk past the stations: every stop reads what it says it reads, and writes what it says it writes."""

import ast
from pathlib import Path
from typing import Any, get_args

import pytest

import weald
from tests.conftest import STRUCTURES, job_in, planned
from tests.core.extras.made_up import EXTRAS, merged
from weald.core.bindings.catalogue import STRUCTURES as CATALOGUE
from weald.core.bindings.catalogue import structure_of
from weald.core.book.book import Book
from weald.core.book.walk import Part, walk
from weald.core.job.spec import read_spec
from weald.core.planning.stops import STOPS, TO_THE_BOUND
from weald.core.reckoning import Ledger

PARTS = set(get_args(Part))


class WatchedBook(Book):
    """A book that says which of its parts were read and written."""

    def __getattribute__(self, name: str) -> Any:
        if name in PARTS:
            READ.add(name)
        return super().__getattribute__(name)

    def __setattr__(self, name: str, value: object) -> None:
        if name in PARTS:
            WRITTEN.add(name)
        super().__setattr__(name, value)


READ: set[str] = set()
WRITTEN: set[str] = set()


def begun(job: dict[str, Any]) -> Book:
    spec = read_spec(job)
    structure = structure_of(spec)

    def again(patch: object) -> Book:
        return walk(begun(job), TO_THE_BOUND)

    return WatchedBook(spec, structure, Ledger(measured=spec.measured), structure.treatment(spec), again)


def jobs() -> tuple[dict[str, Any], ...]:
    return (
        *(job_in(name) for name in STRUCTURES),
        *(merged(job_in("flat_case"), extra) for extra in EXTRAS.values()),
    )


@pytest.mark.parametrize("job", jobs())
def test_a_stop_reads_and_writes_what_it_says(job: dict[str, Any]) -> None:
    book = begun(job)
    for stop in STOPS:
        READ.clear()
        WRITTEN.clear()
        stop.reckons(book)
        assert set(stop.writes) == WRITTEN, stop.station
        assert set(stop.reads) >= READ - WRITTEN, stop.station


def test_a_part_is_read_after_it_is_written_and_by_nobody_before() -> None:
    there: set[str] = set()
    for stop in STOPS:
        assert set(stop.reads) <= there, stop.station
        there |= set(stop.writes)
    assert there == PARTS
    with pytest.raises(AttributeError):
        _ = begun({}).block


@pytest.mark.parametrize("name", STRUCTURES)
def test_what_a_book_has_agrees_with_what_was_reckoned(name: str) -> None:
    """The parts say what kind of book it is; the ledger, asked here alone, says the same."""
    made = planned(job_in(name))
    known = {each.id: each.value for each in made.quantities}
    sizes = walk(begun(job_in(name)), STOPS).bound.sizes
    assert (sizes.boards is not None) == ("board.width" in known)
    assert sizes.gap == known.get("joint.gap")
    assert sizes.inset == known.get("joint.inset")
    assert sizes.middle == known.get("case.distance")
    assert sizes.spine == known.get("spine_board.width")
    assert sizes.square == known.get("squares.head")
    assert sizes.leaf == known.get("cover.leaf")
    if sizes.boards:
        assert sizes.boards.front == (known["board.width"], known["board.height"])
        assert sizes.boards.back == sizes.boards.front


def test_a_back_board_cut_apart_is_one_of_its_own() -> None:
    job = job_in("flat_case") | {"measured": {"back_board.width": 120.5}}
    boards = walk(begun(job), STOPS).bound.sizes.boards
    assert boards is not None
    assert boards.back[0] == 120.5 != boards.front[0]


def names_of_structures(source: str) -> set[str]:
    words = (node.value for node in ast.walk(ast.parse(source)) if isinstance(node, ast.Constant))
    return {word for word in words if isinstance(word, str) and word in CATALOGUE}


def test_nothing_but_the_structures_themselves_knows_them_by_name() -> None:
    assert names_of_structures('x = "flat_case" if y else "wrapper"') == {"flat_case", "wrapper"}
    package = Path(weald.__file__).parent
    own = {package / "core/job/binding.py", *(package / f"core/bindings/{name}.py" for name in CATALOGUE)}
    for source in package.rglob("*.py"):
        if source not in own and "demo" not in source.parts:
            assert names_of_structures(source.read_text()) == set(), source
