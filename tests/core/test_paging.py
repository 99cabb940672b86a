"""Pages listed, by number and by range."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import planned
from weald.core.errors import SpecError
from weald.core.job.extras.pages import PageNumbers
from weald.core.job.paging import as_list, listed, number_of


def test_pages_are_listed_one_by_one_and_from_one_to_another() -> None:
    assert listed("3, 12; 17-20 24 – 25") == (3, 12, 17, 18, 19, 20, 24, 25)
    assert listed("4-1, 9") == (4, 3, 2, 1, 9)
    assert listed(" , 5") == (5,)
    assert as_list((3, 12, 13, 17, 18, 19)) == "3, 12, 13, 17–19"
    assert number_of(18, PageNumbers(without="17-20")) == ""


@given(st.lists(st.integers(1, 400), max_size=60))
def test_what_is_told_is_read_again_as_it_was(pages: list[int]) -> None:
    assert listed(as_list(pages)) == tuple(pages)


@pytest.mark.parametrize("wrong", ["3-", "-3", "3--5", "iv", "3 to 5", "1-2-3"])
def test_a_list_that_cannot_be_read_is_refused_with_an_example(wrong: str) -> None:
    with pytest.raises(SpecError, match="such as 3, 12, 17-24") as refused:
        planned({"text": {"spreads": wrong}})
    assert "text.spreads" in refused.value.fields


def test_a_range_beyond_all_books_ends() -> None:
    assert len(listed("1-" + "9" * 300)) <= 20001
