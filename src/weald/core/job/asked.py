"""The entries a job is asked for, by their own records."""

from collections.abc import Iterator
from functools import cache

from pydantic.fields import FieldInfo

from weald.core.job.asking import Asking
from weald.core.job.entry import Entry, entry_of
from weald.core.job.fields import entries_in
from weald.core.job.spec import JobSpec


@cache
def in_forms() -> tuple[tuple[str, FieldInfo, Entry], ...]:
    """Every entry of a job that stands in a form: its path, its type and its record."""
    found = ((path, info, entry_of(info)) for path, info in entries_in(JobSpec).items())
    return tuple(each for each in found if each[2].form)


def asked_entries(asking: Asking) -> Iterator[tuple[str, FieldInfo, Entry]]:
    """Those a job asks for, in the order of the job file."""
    return (each for each in in_forms() if each[2].asked(asking))
