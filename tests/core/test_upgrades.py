"""What an earlier Weald wrote is read for ever; what a newer one wrote is refused in words."""

import json
from pathlib import Path
from typing import Any

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from weald.core.costs.papers import read_paper, sums_of
from weald.core.costs.terms import read_bought, read_terms
from weald.core.cutting.grouping import LAYOUT, read_result, write_result
from weald.core.errors import FoldError, SpecError
from weald.core.folding.programme import parse_programme
from weald.core.job.patching import patched
from weald.core.job.spec import JobSpec, read_spec
from weald.core.job.upgrades import JOB, folds_in_words
from weald.core.planning.book_set import SetSpec, read_set
from weald.core.planning.house import House, read_house
from weald.core.planning.plan import plan
from weald.core.schedule.workplace import read_workplace
from weald.core.shelf.stock import StockItem, read_stock
from weald.core.upgrades import Format
from weald.exchange.job_file import read_job_file

CORPUS = Path(__file__).parent.parent / "corpus"
LETTER = str.maketrans("ul", "vh")
KEYS = (
    "sewing",
    "binding",
    "squares",
    "measured",
    "squares.head",
    "folding",
    "programme",
    "extras",
    "formes",
)
FILES = sorted(CORPUS.glob("v*/file_*.json"))


def rows(kind: str) -> list:
    return [
        row for path in sorted(CORPUS.glob(f"v*/{kind}_rows.json")) for row in json.loads(path.read_text())
    ]


def test_the_corpus_is_there():
    assert len(FILES) >= 15
    assert rows("job")
    assert rows("set")
    assert rows("house")
    assert rows("shelf")
    assert rows("cutting")
    assert all(rows(kind) for kind in ("workplace", "terms", "bought", "paper"))


@pytest.mark.parametrize("path", FILES, ids=lambda path: f"{path.parent.name}/{path.stem}")
def test_job_files_of_every_version_are_read_and_planned(path: Path):
    spec = read_job_file(path.read_bytes())
    assert spec.version == JOB.version
    assert spec.title == json.loads(path.read_text())["title"]
    assert plan(spec).quantities


def sizes_of(spec: JobSpec) -> dict:
    made = plan(spec, drawn=())
    return {
        "pieces": {
            each.id: [each.count, round(each.cut_width, 4), round(each.cut_height, 4)] for each in made.pieces
        },
        "sizes": {each.id: round(each.value, 4) for each in made.quantities},
    }


def test_jobs_made_before_come_out_as_they_came_out_then():
    kept = json.loads((CORPUS / "sizes.json").read_text())
    assert len(kept) > len(FILES)
    for path in FILES:
        name = f"{path.parent.name}/{path.stem}"
        comes_out_as_then(read_job_file(path.read_bytes()), kept[name], name)
    for number, row in enumerate(rows("job")):
        comes_out_as_then(read_spec(row), kept[f"v1/job_rows/{number}"], str(number))


def comes_out_as_then(spec: JobSpec, then: dict, name: str):
    pieces = dict(then["pieces"])
    if spec.binding.structure == "rebound_paperback":
        # its leaves are there: nobody cuts sheets for them any more
        pieces.pop("text_sheet")
    assert sizes_of(spec) == then | {"pieces": pieces}, name


def test_stored_rows_of_every_version_are_read():
    for row in rows("job"):
        assert plan(read_spec(row), drawn=()).pieces
    for row in rows("set"):
        assert read_set(row["spec"]).volumes
        assert read_spec(row["book"])
    assert all(read_house(row).rules for row in rows("house"))
    assert all(read_stock(row).name for row in rows("shelf"))
    assert all(read_workplace(row).people for row in rows("workplace"))
    assert all(read_terms(row).taxes for row in rows("terms"))
    assert all(read_bought(row).things for row in rows("bought"))
    assert all(sums_of(read_paper(row)).total > 0 for row in rows("paper"))
    assert all(read_spec({"version": 1, "printing": {"printer": row}}) for row in rows("printer"))


def test_stored_layouts_are_read_and_written_again():
    for row in rows("cutting"):
        result = read_result(row["result"])
        assert result.groups
        kept = write_result(result)
        assert kept["version"] == LAYOUT.version
        assert read_result(kept) == result


@pytest.mark.parametrize(
    "read",
    [read_spec, read_set, read_house, read_stock, read_workplace, read_terms, read_bought, read_paper],
)
def test_what_a_newer_weald_wrote_is_refused_in_words(read):
    with pytest.raises(SpecError) as refused:
        read({"version": 99})
    assert "newer Weald" in refused.value.fields["version"]
    for odd in (0, -1, True, "1", 1.0, None):
        with pytest.raises(SpecError, match="no version"):
            read({"version": odd})
    with pytest.raises(SpecError, match="newer Weald"):
        read_result({"version": 99})


def test_everything_that_is_kept_names_its_version():
    for made in (JobSpec(), SetSpec(), House(), StockItem(name="Cloth")):
        assert made.model_dump()["version"] >= 1
    assert patched(JobSpec(), {"text.pages": 12}).version == JOB.version


def test_what_is_written_by_hand_takes_todays_defaults_and_an_old_file_its_own():
    assert read_spec({}).sewing.kettle is None
    old = read_spec({"version": 1, "sewing": {"supports": 2}})
    assert (old.sewing.kettle, old.sewing.thread, old.sewing.supports) == (13, 0.45, 2)
    assert read_spec({"version": 1, "sewing": {"thread": 0.3}}).sewing.thread == 0.3


def test_a_chain_takes_every_step_from_where_the_data_stands():
    chain = Format("thing", (lambda data: data | {"b": data["a"]}, lambda data: data | {"c": data["b"]}))
    old = {"a": 1}
    assert chain.upgraded(old) == {"a": 1, "b": 1, "c": 1, "version": 3}
    assert chain.upgraded({"b": 2, "version": 2}) == {"b": 2, "c": 2, "version": 3}
    assert old == {"a": 1}


FOLD_PARTS = st.tuples(st.sampled_from(["", "z"]), st.sampled_from(["v", "h"]), st.integers(2, 12))


@given(st.lists(FOLD_PARTS, max_size=5), st.sampled_from(["upright", "level"]))
def test_folds_once_written_in_letters_are_the_same_folds_in_words(
    folds: list[tuple[str, str, int]], spine: str
) -> None:
    way = {"v": "upright", "h": "level"}
    letters = " ".join(
        [f"{zigzag}{axis}{parts}" for zigzag, axis, parts in folds] + [spine[0].translate(LETTER)]
    )
    try:
        read = parse_programme(str(folds_in_words(letters)))
    except FoldError:
        return
    assert [(fold.axis, fold.parts, fold.zigzag) for fold in read.folds] == [
        *((way[axis], parts, bool(zigzag)) for zigzag, axis, parts in folds),
        (spine, 2, False),
    ]


ODD = st.recursive(
    st.none() | st.booleans() | st.integers(-2, 5) | st.text(max_size=4),
    lambda inner: st.lists(inner, max_size=2) | st.dictionaries(st.sampled_from(KEYS), inner, max_size=3),
    max_leaves=6,
)


@given(st.integers(1, JOB.version), st.dictionaries(st.sampled_from(KEYS), ODD, max_size=6))
@example(1, {"sewing": [1]})
@example(1, {"binding": "x", "measured": {"squares.head": 3}})
@example(1, {"binding": {"squares": "x"}, "measured": {"squares.head": 3}})
@example(2, {"extras": {"formes": {"sections": [1, {"programme": 3}]}}, "folding": {"programme": []}})
def test_an_old_file_of_any_shape_is_read_or_refused_in_words(version: int, data: dict[str, Any]) -> None:
    try:
        read = read_spec(data | {"version": version})
    except SpecError:
        return
    assert read.version == JOB.version
