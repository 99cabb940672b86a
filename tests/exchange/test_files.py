import contextlib
import csv
import io
import json
from pathlib import Path
from typing import Any

import jsonschema
import pypdfium2
import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import planned
from weald.core.errors import SpecError
from weald.core.job.spec import read_spec
from weald.core.notation import MILLIMETRES
from weald.core.planning.job_sheet import sheet_facts
from weald.core.planning.plan import plan
from weald.exchange.job_file import job_file_schema, read_job_file, write_job_file
from weald.exchange.job_sheet import job_sheet_pdf
from weald.exchange.pieces_csv import COLUMNS, harmless, pieces_csv

DOCS = Path(__file__).parents[2] / "docs"


def test_a_job_file_comes_back_as_it_was_written(contract_job: dict[str, Any]) -> None:
    spec = read_spec(contract_job)
    assert read_job_file(write_job_file(spec).encode()) == spec


@pytest.mark.parametrize(
    ("content", "says"),
    [
        (b"", "not JSON at line 1, column 1"),
        (b'{"title": }', "not JSON at line 1, column 11"),
        (b"\xff\xfe\x00", "not text in UTF-8"),
        (b"[]", "one group of keys"),
        (b'{"leaf": {"width": NaN}}', "NaN is not a number"),
        (b"[" * 100_000, "cannot be read"),
        (b'{"sizes": 3}', "“sizes” is not part of a job"),
        (b" " * 1_000_001, "larger than a job file can be"),
    ],
)
def test_a_file_that_is_no_job_says_where_and_why(content: bytes, says: str) -> None:
    with pytest.raises(SpecError, match=says):
        read_job_file(content)


def test_a_byte_order_mark_does_no_harm() -> None:
    assert read_job_file(b"\xef\xbb\xbf" + b'{"title": "Log"}').title == "Log"


@given(st.binary(max_size=200))
def test_no_file_whatever_breaks_the_reader(content: bytes) -> None:
    with contextlib.suppress(SpecError):
        read_job_file(content)


def test_the_schema_takes_and_refuses_what_the_reader_does(contract_job: dict[str, Any]) -> None:
    checker = jsonschema.Draft202012Validator(job_file_schema())
    checker.validate(contract_job)
    checker.validate({"leaf": {"width": "5 1/4 in"}})
    for wrong in ({"leaf": {"widht": 3}}, {"text": {"pages": 0}}, {"binding": {"structure": "x"}}):
        assert not checker.is_valid(wrong)


def test_pieces_are_a_table_other_programs_read() -> None:
    made = planned({"title": "Log", "copies": 3})
    rows = list(csv.DictReader(io.StringIO(pieces_csv(made))))
    assert list(rows[0]) == ["job", *COLUMNS]
    boards = next(row for row in rows if row["piece"] == "Board")
    assert boards["count"] == "6"
    assert (float(boards["width_mm"]), float(boards["height_mm"])) == (141, 216)
    wider = csv.DictReader(io.StringIO(pieces_csv(planned({"binding": {"cut_in_case": 5}}))))
    board = next(row for row in wider if row["piece"] == "Board")
    assert (float(board["width_mm"]), float(board["allowance_mm"])) == (146, 5)
    assert boards["grain_along"] == "height"


@pytest.mark.parametrize("text", ["=1+1", "+1", "-1", "@x"])
def test_a_formula_in_a_title_is_text_to_a_spreadsheet(text: str) -> None:
    row = next(csv.reader(io.StringIO(pieces_csv(planned({"title": text})).split("\n", 1)[1])))
    assert row[0] == f"'{text}"
    assert harmless("\t=1") == "'\t=1"


def test_the_example_in_the_documentation_is_a_job() -> None:
    text = (DOCS / "job-file.md").read_text(encoding="utf-8")
    example = json.loads(text.split("```json")[1].split("```")[0])
    spec = read_spec(example)
    assert json.loads(write_job_file(spec)).keys() == example.keys()
    for group, keys in json.loads(write_job_file(spec)).items():
        if isinstance(keys, dict) and group != "measured":
            assert keys.keys() == example[group].keys(), group


def test_the_first_page_of_the_job_sheet_is_enough_at_the_bench() -> None:
    spec = read_spec({"paper": {"name": "Gull laid"}, "binding": {"cover_name": "slate cloth"}})
    made = plan(spec)
    facts = sheet_facts(spec, made, MILLIMETRES)
    pages = pypdfium2.PdfDocument(job_sheet_pdf(made, None, "a4", facts))
    assert len(pages) == 1
    first = pages[0].get_textpage().get_text_range()
    for wanted in (
        "90 g/m²",
        "slate cloth",
        "Signatures",
        "8 of 4 sheets",
        "To cut",
        "Spine board",
        "216 mm",
    ):
        assert wanted in first
