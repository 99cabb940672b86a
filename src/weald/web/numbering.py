"""The number of the request that is being answered, for its answer, the log, and what people are told."""

import logging
import re
import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar

_number: ContextVar[str] = ContextVar("request_number", default="")


def new_number() -> str:
    """One nobody had."""
    return uuid.uuid4().hex[:10]


def number_of_request() -> str:
    """The number of the request that is being answered here; none elsewhere."""
    return _number.get()


@contextmanager
def numbered() -> Iterator[str]:
    """A request with a number of its own."""
    mark = _number.set(new_number())
    try:
        yield _number.get()
    finally:
        _number.reset(mark)


class WithNumber(logging.Filter):
    """Gives every line of the log the number of the request it was written for."""

    def filter(self, record: logging.LogRecord) -> bool:
        """Let the line pass, with its number."""
        record.request_number = number_of_request()
        return True


_SECRET = re.compile(r"/(come-in|calendar)/[^\s/?#\"']+")
"""Addresses that let in whoever knows them."""


class WithoutSecrets(logging.Filter):
    """Takes out of every line of the log what would let its reader in."""

    def filter(self, record: logging.LogRecord) -> bool:
        """Let the line pass, without secrets."""
        words = record.getMessage()
        if _SECRET.search(words):
            record.msg, record.args = _SECRET.sub(r"/\1/…", words), ()
        return True
