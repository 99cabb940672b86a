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
from weald.core.book.walk import Group, Part, Question, walk
from weald.core.job.spec import JobSpec, read_spec
from weald.core.planning.stops import STOPS, TO_THE_BOUND
from weald.core.quantities import QuantityId
from weald.core.reckoning import Ledger, Quantity

PARTS = set(get_args(Part))
READ: set[str] = set()
WRITTEN: set[str] = set()
SIZES: set[str] = set()


class WatchedBook(Book):
    """A book that says which of its parts were read and written."""

    def __getattribute__(self, name: str) -> Any:
        if name in PARTS or name in get_args(Question):
            READ.add(name)
        return super().__getattribute__(name)

    def __setattr__(self, name: str, value: object) -> None:
        if name in PARTS:
            WRITTEN.add(name)
        super().__setattr__(name, value)


class WatchedSizes(dict[QuantityId, Quantity]):
    """Quantities that say which of them were read."""

    def __getitem__(self, name: QuantityId) -> Quantity:
        SIZES.add(name)
        return super().__getitem__(name)

    def __contains__(self, name: object) -> bool:
        SIZES.add(str(name))
        return super().__contains__(name)

    def get(self, name: Any, default: Any = None) -> Any:
        SIZES.add(name)
        return super().get(name, default)


@pytest.fixture
def groups(monkeypatch: pytest.MonkeyPatch) -> set[str]:
    """The groups of the job that were read."""
    read, plainly = set[str](), JobSpec.__getattribute__

    def watched(spec: JobSpec, name: str) -> Any:
        if name in get_args(Group):
            read.add(name)
        return plainly(spec, name)

    monkeypatch.setattr(JobSpec, "__getattribute__", watched)
    return read


def begun(job: dict[str, Any]) -> Book:
    spec = read_spec(job)
    structure = structure_of(spec)
    ledger = Ledger(measured=spec.measured, quantities=WatchedSizes())

    def again(patch: object) -> Book:
        return walk(begun(job), TO_THE_BOUND)

    return WatchedBook(spec, structure, ledger, structure.treatment(spec), again)


def jobs() -> tuple[dict[str, Any], ...]:
    return (
        *(job_in(name) for name in STRUCTURES),
        *(merged(job_in("flat_case"), extra) for extra in EXTRAS.values()),
    )


def test_groups_are_those_of_a_job() -> None:
    assert set(get_args(Group)) == set(JobSpec.model_fields) - {"format", "version"}


@pytest.mark.parametrize("job", jobs())
def test_a_stop_reads_and_writes_what_it_says(job: dict[str, Any], groups: set[str]) -> None:
    book = begun(job)
    written = dict[str, set[str]]()
    for stop in STOPS:
        before = set(book.ledger.quantities)
        for watched in (READ, WRITTEN, SIZES, groups):
            watched.clear()
        stop.reckons(book)
        # the outside of the closed book is written where something is made round it, and by nobody else
        assert set(stop.writes) - {"closed"} <= WRITTEN <= set(stop.writes), stop.station
        assert {*stop.reads, *stop.question} >= READ - set(stop.writes), stop.station
        # what is measured may replace any size, and is looked at whatever a stop says
        assert set(stop.entries) >= groups - {"measured"}, stop.station
        sizes = set[str]().union(*(written[part] for part in stop.reads))
        assert sizes >= SIZES & before, (stop.station, SIZES & before - sizes)
        found = set[str](book.ledger.quantities) - before
        written |= dict.fromkeys(stop.writes, found)


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
