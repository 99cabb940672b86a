"""Room on the disk: while there is too little of it nothing is written, so that reading goes on.

A database that cannot write its log stops, and with it everything; a reserve is therefore left to it.
"""

import shutil
import time
from pathlib import Path

from django.conf import settings

from weald.exchange.reports import NoRoomError

_LOOK_SECONDS = 1.0
WORDS = (
    "The disk is full: everything can be read, and nothing is written until there is room again. What you "
    "typed is kept in your browser. Tell whoever looks after Weald."
)
_last: tuple[float, int] = (0.0, 0)


def bytes_left() -> int:
    """Bytes left on the disk that has the least of them, of those written to; looked at once a second."""
    global _last  # noqa: PLW0603
    now = time.monotonic()
    if now - _last[0] >= _LOOK_SECONDS:
        folders = (settings.FILES_FOLDER, *settings.DATA_FOLDERS)
        _last = (now, min(_left_at(Path(str(folder))) for folder in folders))
    return _last[1]


def _left_at(folder: Path) -> int:
    there = next(each for each in (folder, *folder.parents) if each.exists())
    return shutil.disk_usage(there).free


def is_full() -> bool:
    """Whether so little is left that it is kept for the database."""
    return bytes_left() < settings.DISK_RESERVE


def need_room() -> None:
    """Ask for room before something large is begun.

    :raises weald.exchange.reports.NoRoomError: when there is none.
    """
    if is_full():
        raise NoRoomError(WORDS)
