"""Where texts, artwork and imposed files are kept: a folder or a store elsewhere, under names of our own.

Outside everything that is served. What is being written lies in a folder of this machine until it is whole.
"""

import contextlib
import errno
import hashlib
import os
import shutil
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path
from typing import Protocol

from django.conf import settings
from django.core.files import File
from django.core.files.storage import Storage, storages

from weald.core.errors import WealdError
from weald.exchange.reports import NoRoomError
from weald.web.accounts.models import Workshop
from weald.web.printing.models import Artwork, PrintFile, SourceText

_CHUNK = 1 << 20
_MB = 1_000_000
_COPIED_SECONDS = 86_400


class TooLargeError(WealdError):
    """More bytes than a file, or a workshop, may have."""


class Readable(Protocol):
    """Something that can be read piece by piece."""

    def read(self, size: int, /) -> bytes: ...


def _folder(*names: str) -> Path:
    folder = Path(settings.FILES_FOLDER, *names)
    folder.mkdir(parents=True, exist_ok=True, mode=0o700)
    return folder


def text_name(text: SourceText) -> str:
    """What a text is called in the store."""
    return f"texts/{text.workshop_id}/{text.digest}.pdf"


def artwork_name(artwork: Artwork) -> str:
    """What artwork, made safe, is called in the store."""
    return f"artworks/{artwork.workshop_id}/{artwork.digest}"


def print_name(made: PrintFile) -> str:
    """What an imposed file is called in the store once it is whole."""
    return f"prints/{made.pk}{made.ending}"


def _store() -> Storage:
    return storages["kept"]


class _Finished(File):
    """A file that is written and may be moved to where it is kept."""

    def temporary_file_path(self) -> str:
        """Where it lies; a folder takes it from there without copying."""
        return str(self.name)


def keep(path: Path, name: str) -> None:
    """Put a finished file into the store under a name; whole, or not at all."""
    with path.open("rb") as content:
        _store().save(name, _Finished(content, str(path)))


def is_kept(name: str) -> bool:
    """Whether the store has a file of this name."""
    return _store().exists(name)


def forget(name: str) -> None:
    """Take a file out of the store, if it is there."""
    _store().delete(name)
    _copy_of(name).unlink(missing_ok=True)


def stream(name: str) -> File:
    """A file of the store, to be read piece by piece."""
    return _store().open(name, "rb")


def at_hand(name: str) -> Path:
    """A file of the store as one on this machine, to be read and left alone.

    A store elsewhere is asked once; what came from it lies here until nobody has asked for it for a day. That
    is safe, since nothing in the store is ever written twice under one name.
    """
    with contextlib.suppress(NotImplementedError):
        return Path(_store().path(name))
    copy = _copy_of(name)
    try:
        os.utime(copy)
    except FileNotFoundError:
        with unfinished() as path, stream(name) as content, path.open("wb") as file:
            shutil.copyfileobj(content, file, _CHUNK)
            path.replace(copy)
    return copy


def _copy_of(name: str) -> Path:
    return _folder("copies") / name.replace("/", "_")


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
    old += [path for path in _folder("copies").iterdir() if now - path.stat().st_mtime > _COPIED_SECONDS]
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
    pictures = sum(filter(None, workshop.jobs.values_list("bench_pictures__size", flat=True)))
    return max(0, settings.WORKSHOP_QUOTA - texts - artworks - prints - pictures)
