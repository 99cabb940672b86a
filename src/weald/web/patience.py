"""Patience with the database: a question that is not answered in time is given up, and said so.

A database that was stopped and is not gone answers nothing and refuses nothing; whoever asks it waits for
ever. One thread looks after all questions of this process and cuts off those that take too long. While it is
silent, one request at a time finds out whether it has come back; all others are told at once.
"""

import contextlib
import os
import socket
import threading
import time
from collections.abc import Iterator
from typing import Any

from django.conf import settings
from django.db import DEFAULT_DB_ALIAS, connections

_LOOK_SECONDS = 0.2
PROBE_SECONDS = 2.0
"""So often a request tries whether a silent database answers again."""


class _Watch:
    """Questions under way, each with the moment it is given up at and the line it is asked on."""

    def __init__(self) -> None:
        self._lock = threading.Lock()
        self._asked: dict[int, tuple[float, int]] = {}
        self._looking: threading.Thread | None = None
        self.silent_since: float | None = None
        self._probed = 0.0

    def begin(self, key: int, line: int, seconds: float) -> None:
        with self._lock:
            self._asked[key] = (time.monotonic() + seconds, line)
            if self._looking is None or not self._looking.is_alive():
                self._looking = threading.Thread(target=self._look, name="patience", daemon=True)
                self._looking.start()

    def end(self, key: int) -> None:
        with self._lock:
            if self._asked.pop(key, None) is not None:
                self.silent_since = None

    def _look(self) -> None:
        while True:
            time.sleep(_LOOK_SECONDS)
            now = time.monotonic()
            with self._lock:
                late = [key for key, (until, _) in self._asked.items() if until <= now]
                lines = [self._asked.pop(key)[1] for key in late]
                if late:
                    self.silent_since = now
                if not self._asked:
                    self._looking = None
            for line in lines:
                _cut(line)
            if not self._looking:
                return

    def may_ask(self) -> bool:
        """Whether a request may go to the database; while that is silent, one every few seconds."""
        if self.silent_since is None:
            return True
        now = time.monotonic()
        with self._lock:
            if now - max(self._probed, self.silent_since) < PROBE_SECONDS:
                return False
            self._probed = now
        return True


def _cut(line: int) -> None:
    with contextlib.suppress(OSError), socket.socket(fileno=os.dup(line)) as there:
        there.shutdown(socket.SHUT_RDWR)


WATCH = _Watch()


@contextlib.contextmanager
def patience(seconds: float | None = None) -> Iterator[None]:
    """Within this, no question to the database lasts longer than so many seconds."""
    limit = settings.DATABASE_SECONDS if seconds is None else seconds
    if not limit:
        yield
        return

    def ask(run: Any, sql: str, params: Any, many: bool, context: dict[str, Any]) -> Any:
        raw = context["connection"].connection
        if raw is None or raw.closed:
            return run(sql, params, many, context)
        key = threading.get_ident()
        WATCH.begin(key, raw.fileno(), limit)
        try:
            return run(sql, params, many, context)
        finally:
            WATCH.end(key)

    with connections[DEFAULT_DB_ALIAS].execute_wrapper(ask):
        yield
