"""Where texts and imposed files lie: outside everything that is served, under names of our own."""

import contextlib
import errno
import hashlib
import os
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path
from typing import Protocol

from django.conf import settings

from weald.core.errors import WealdError
from weald.exchange.reports import NoRoomError
from weald.web.accounts.models import Workshop
from weald.web.printing.models import Artwork, PrintFile, SourceText

_CHUNK = 1 << 20
_MB = 1_000_000


class TooLargeError(WealdError):
    """More bytes than a file, or a workshop, may have."""


class Readable(Protocol):
    """Something that can be read piece by piece."""

    def read(self, size: int, /) -> bytes: ...


def _folder(*names: str) -> Path:
    folder = Path(settings.FILES_FOLDER, *names)
    folder.mkdir(parents=True, exist_ok=True, mode=0o700)
    return folder


def text_path(text: SourceText) -> Path:
    """Where a text lies."""
    return _folder("texts", str(text.workshop_id)) / f"{text.digest}.pdf"


def artwork_path(artwork: Artwork) -> Path:
    """Where artwork lies, made safe."""
    return _folder("artworks", str(artwork.workshop_id)) / artwork.digest


def print_path(made: PrintFile) -> Path:
    """Where an imposed file lies once it is whole."""
    return _folder("prints") / f"{made.pk}{made.ending}"


@contextlib.contextmanager
def unfinished() -> Iterator[Path]:
    """A place for a file that is being written; gone afterwards unless it was moved away."""
    handle, name = tempfile.mkstemp(dir=_folder("unfinished"))
    os.close(handle)
    path = Path(name)
    try:
        yield path
    finally:
        path.unlink(missing_ok=True)


def sweep(older_than: float = 86_400) -> int:
    """Remove unfinished files nobody has written to for so many seconds; gives how many."""
    now = time.time()
    old = [path for path in _folder("unfinished").iterdir() if now - path.stat().st_mtime > older_than]
    for path in old:
        path.unlink(missing_ok=True)
    return len(old)


def receive(stream: Readable, path: Path, most: int) -> tuple[str, int]:
    """Write what is sent into a file, piece by piece; gives the digest of its content and its size.

    :raises TooLargeError: as soon as it grows beyond ``most`` bytes.
    :raises weald.exchange.reports.NoRoomError: when the disk is full.
    """
    digest, size = hashlib.sha256(), 0
    try:
        with path.open("wb") as file:
            while piece := stream.read(_CHUNK):
                size += len(piece)
                if size > most:
                    raise TooLargeError(f"The file is larger than the {most // _MB} MB there is room for.")
                digest.update(piece)
                file.write(piece)
    except OSError as error:
        if error.errno in (errno.ENOSPC, errno.EDQUOT):
            raise NoRoomError from None
        raise
    return digest.hexdigest(), size


def room_left(workshop: Workshop) -> int:
    """Bytes a workshop may still keep."""
    texts = sum(workshop.texts.values_list("size", flat=True))
    artworks = sum(workshop.artworks.values_list("size", flat=True))
    prints = sum(PrintFile.objects.filter(job__workshop=workshop).values_list("size", flat=True))
    return max(0, settings.WORKSHOP_QUOTA - texts - artworks - prints)
