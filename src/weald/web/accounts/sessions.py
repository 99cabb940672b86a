"""Sessions in the database, asked for anew every few seconds rather than with every keystroke."""

import time
from typing import Any

from django.contrib.sessions.backends.db import SessionStore as InDatabase

FRESH_SECONDS = 3.0
"""A session ended elsewhere is honoured for at most so long."""
_MOST = 10_000
_recent: dict[str, tuple[float, dict[str, Any]]] = {}


class SessionStore(InDatabase):
    """Django's own, remembering what it read just now."""

    @classmethod
    def get_model_class(cls) -> Any:
        """The table Django keeps sessions in."""
        return InDatabase.get_model_class()

    def load(self) -> dict[str, Any]:
        """What the session holds."""
        key = self.session_key or ""
        read, content = _recent.get(key, (0.0, {}))
        if time.monotonic() - read < FRESH_SECONDS:
            return dict(content)
        found = super().load()
        if self.session_key:
            if len(_recent) >= _MOST:
                _recent.clear()
            _recent[self.session_key] = (time.monotonic(), dict(found))
        return found

    def save(self, must_create: bool = False) -> None:
        """Write it, and forget what was read."""
        _recent.pop(self.session_key or "", None)
        super().save(must_create)

    def delete(self, session_key: str | None = None) -> None:
        """End it at once, as far as this process goes."""
        _recent.pop(session_key or self.session_key or "", None)
        super().delete(session_key)
