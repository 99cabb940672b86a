"""A reading room for foreign files: what reads them runs in a child with limits, never in the server.

The room is a process that has the readers loaded and forks a child for every question. A child may use so
much memory and time and write so much; then it is killed, and whoever asked is told so in words. Questions
go there pickled, since we made them; answers come back as JSON or plain bytes, since a child may have been
led astray.

    asking process ── a socket per question ──▶ room ── fork ──▶ child: limits, read, answer
"""

import contextlib
import ctypes
import errno
import importlib
import json
import logging
import os
import pickle
import resource
import signal
import socket
import struct
import subprocess
import sys
import threading
import time
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, TypeVar

from pydantic import TypeAdapter

from weald.core.errors import WealdError
from weald.exchange import reports

R = TypeVar("R")
log = logging.getLogger("weald")

_HEAD = struct.Struct(">cI")
_AT_ONCE = 3
"""Files read at the same time for one process; others wait their turn."""
_WAIT_SECONDS = 60.0
_ROOMS_TRIED = 3
_PR_SET_PDEATHSIG = 1
_NOT_NOW = "Files cannot be read just now; try again in a minute."
_LARGEST_ANSWER = 64 << 20
_READERS = ("text_pdf", "page_images", "artwork", "photograph", "imposed_pdf", "read_imposed", "cover_pdf")
_ERRORS: dict[str, type[WealdError]] = {
    kind.__name__: kind
    for kind in (
        reports.TextError,
        reports.ArtworkError,
        reports.PhotographError,
        reports.NoRoomError,
        WealdError,
    )
}


@dataclass(frozen=True, slots=True)
class Limits:
    """What a child may take.

    :param memory: bytes of address space; ``output``: bytes of any one file.
    :param seconds: in all, of the clock; ``silent``: without a word, for those that tell how far they are.
    """

    memory: int = 640 << 20
    seconds: float = 15.0
    silent: float = 15.0
    output: int = 512 << 20


READING = Limits()


def apart(
    reader: str,
    *arguments: object,
    answer: type[R],
    limits: Limits = READING,
    tell: Callable[[int, int], None] | None = None,
) -> R:
    """Call a reader in a child, and give back what it answers.

    :param reader: ``module.function`` of this package.
    :param answer: the type of the answer; bytes, or what JSON can carry.
    :param tell: given to the reader as its ``progress``; whatever it raises ends the child.
    :raises weald.exchange.reports.UnreadableError: when the child had to be ended, or broke.
    :raises weald.core.errors.WealdError: what the reader itself has to say about the file.
    """
    if not _TURNS.acquire(timeout=_WAIT_SECONDS):
        raise reports.UnreadableError("Many files are being read just now; try again in a minute.")
    question = pickle.dumps((reader, arguments, tell is not None, limits))
    try:
        # a room that has just been killed is noticed only when nobody comes to the line
        for _ in range(_ROOMS_TRIED):
            with _DOOR.ask(question) as line, contextlib.suppress(_NobodyCameError):
                return _listen(line, answer, limits, tell)
            _DOOR.close()
        raise reports.UnreadableError(_NOT_NOW)
    finally:
        _TURNS.release()


class _NobodyCameError(Exception):
    """The line went dead before a child said its number."""


_TURNS = threading.BoundedSemaphore(_AT_ONCE)


def _listen(
    line: socket.socket, answer: type[R], limits: Limits, tell: Callable[[int, int], None] | None
) -> R:
    """Hear a child out, and end it where it takes too long or nobody wants its answer any more.

    Its time runs from when it has said its number: that the room has to be opened first is not the file's.
    """
    begun, child = time.monotonic(), 0
    try:
        while True:
            left = limits.seconds - (time.monotonic() - begun)
            line.settimeout(max(0.01, min(left, limits.silent)) if child else _WAIT_SECONDS)
            kind, content = _receive(line)
            if kind == b"P":
                begun, child = time.monotonic(), int(content)
            elif kind == b"T" and tell is not None:
                tell(*json.loads(content))
            elif kind == b"E":
                raise _said(json.loads(content))
            elif kind == b"B":
                child = 0
                return content  # type: ignore[return-value]
            elif kind == b"R":
                child = 0
                return TypeAdapter(answer).validate_json(content)
    except TimeoutError:
        if not child:
            raise reports.UnreadableError(_NOT_NOW) from None
        raise reports.UnreadableError(
            f"Reading this file took longer than {limits.silent:.0f} seconds and was given up. It is "
            "damaged, or drawn with very many parts: export it again, flattened or plainer."
        ) from None
    except (EOFError, OSError, ValueError) as error:
        if not child:
            raise _NobodyCameError from None
        log.warning("a reader broke off: %r", error)
        raise reports.UnreadableError(
            "The reader broke off over this file: it is damaged, or takes more memory than a file may. "
            "Export it again, plainer."
        ) from None
    finally:
        if child:
            with contextlib.suppress(OSError):
                os.killpg(child, signal.SIGKILL)


def _said(error: dict[str, str]) -> WealdError:
    kind = _ERRORS.get(error["kind"])
    if kind is not None:
        return kind(error["message"])
    if error["kind"] == "MemoryError":
        return reports.UnreadableError(
            "This file takes more memory to read than a file may. It is damaged, or its pictures are very "
            "large: export it again, with pictures of 300 an inch."
        )
    log.warning("a reader failed: %s", error["message"])
    return reports.UnreadableError(
        f"This file cannot be read ({error['kind']}): it is damaged or very unusual. Export it again."
    )


def _send(line: socket.socket, kind: bytes, content: bytes) -> None:
    line.sendall(_HEAD.pack(kind, len(content)) + content)


def _receive(line: socket.socket) -> tuple[bytes, bytes]:
    kind, length = _HEAD.unpack(_exactly(line, _HEAD.size))
    if length > _LARGEST_ANSWER:
        raise ValueError("an answer without end")
    return kind, _exactly(line, length)


def _exactly(line: socket.socket, size: int) -> bytes:
    pieces, missing = [], size
    while missing:
        piece = line.recv(min(missing, 1 << 20))
        if not piece:
            raise EOFError("the line went dead")
        pieces.append(piece)
        missing -= len(piece)
    return b"".join(pieces)


class _Room:
    """The process that forks children, as the one that asks sees it."""

    def __init__(self) -> None:
        ours, theirs = socket.socketpair()
        self.owner = os.getpid()
        self._control = ours
        with theirs:
            self._process = subprocess.Popen(
                [sys.executable, "-m", "weald.exchange.apart", str(theirs.fileno())],
                pass_fds=[theirs.fileno()],
                stdin=subprocess.DEVNULL,
                start_new_session=True,
                # neither keys nor addresses: nothing in there needs them
                env={"PYTHONPATH": os.pathsep.join(filter(None, sys.path)), "LANG": "C.UTF-8"},
            )

    @property
    def open(self) -> bool:
        """Whether it still answers, and is ours: a fork has to open its own."""
        return self.owner == os.getpid() and self._process.poll() is None

    def close(self) -> None:
        """Let the room go, with whoever reads in it."""
        self._control.close()
        if self.owner == os.getpid():
            self._process.kill()
            self._process.wait()

    def ask(self, question: bytes) -> socket.socket:
        """Hand a question in."""
        ours, theirs = socket.socketpair()
        with theirs:
            socket.send_fds(self._control, [b"?"], [theirs.fileno()])
        _send(ours, b"Q", question)
        return ours


class _Door:
    """The way to this process's room; one that has closed is opened anew."""

    def __init__(self) -> None:
        self._lock = threading.Lock()
        self._room: _Room | None = None

    def close(self) -> None:
        """Ask for no more in the room there is."""
        with self._lock:
            self._drop()

    def _drop(self) -> None:
        if self._room is not None:
            self._room.close()
        self._room = None

    def ask(self, question: bytes) -> socket.socket:
        """A line to a child that was asked."""
        with self._lock:
            for _ in range(2):
                if self._room is None or not self._room.open:
                    self._drop()
                    self._room = _Room()
                try:
                    return self._room.ask(question)
                except OSError:
                    self._drop()
        raise reports.UnreadableError(_NOT_NOW)


_DOOR = _Door()


def main(control: socket.socket) -> None:
    """Be the room: fork a child for every question, until whoever opened it is gone."""
    for name in _READERS:
        importlib.import_module(f"weald.exchange.{name}")
    signal.signal(signal.SIGCHLD, signal.SIG_IGN)
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    while True:
        asked, handles, *_ = socket.recv_fds(control, 1, 1)
        if not asked:
            return
        with socket.socket(fileno=handles[0]) as line:
            if os.fork() == 0:
                control.close()
                _answer_and_end(line)


def _answer_and_end(line: socket.socket) -> None:
    """Be a child: answer one question within the limits."""
    status = 1
    try:
        os.setsid()
        _end_with_the_room()
        _send(line, b"P", str(os.getpid()).encode())
        _, question = _receive(line)
        reader, arguments, telling, limits = pickle.loads(question)
        _limit(limits)
        module, function = reader.rsplit(".", 1)
        call = getattr(importlib.import_module(f"weald.exchange.{module}"), function)
        more = {"progress": lambda *done: _send(line, b"T", json.dumps(done).encode())} if telling else {}
        _answer(line, lambda: call(*arguments, **more))
        status = 0
    finally:
        os._exit(status)


def _answer(line: socket.socket, call: Callable[[], Any]) -> None:
    try:
        found = call()
        if isinstance(found, bytes):
            _send(line, b"B", found)
        else:
            _send(line, b"R", TypeAdapter(Any).dump_json(found))
    except WealdError as error:
        kind = type(error).__name__ if type(error).__name__ in _ERRORS else "WealdError"
        _send(line, b"E", json.dumps({"kind": kind, "message": str(error)}).encode())
    except BaseException as error:
        if isinstance(error, OSError) and error.errno in (errno.ENOSPC, errno.EDQUOT):
            error = reports.NoRoomError()
        said = {"kind": type(error).__name__, "message": f"{error}"[:500]}
        _send(line, b"E", json.dumps(said).encode())


def _end_with_the_room() -> None:
    """Have the kernel end this child where its room is gone: nobody is left to hear its answer."""
    ctypes.CDLL(None).prctl(_PR_SET_PDEATHSIG, signal.SIGKILL)


def _limit(limits: Limits) -> None:
    for what, most in (
        (resource.RLIMIT_AS, limits.memory),
        (resource.RLIMIT_CPU, int(limits.seconds) + 1),
        (resource.RLIMIT_FSIZE, limits.output),
        (resource.RLIMIT_CORE, 0),
    ):
        resource.setrlimit(what, (most, most))
    signal.signal(signal.SIGXFSZ, signal.SIG_IGN)
    # whoever asked may be gone: the clock ends a child by itself
    signal.setitimer(signal.ITIMER_REAL, limits.seconds + 1)


if __name__ == "__main__":
    main(socket.socket(fileno=int(sys.argv[1])))
