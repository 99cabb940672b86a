"""The demo's books at the bench: one in the middle of its work with two waits running, one finished.

Their story is told as a device tells it that was away from the server meanwhile.
"""

import io
import struct
import uuid
import zlib
from datetime import datetime, timedelta
from typing import Any

from django.contrib.auth.models import User
from django.utils import timezone

from weald.core.bench.progress import EventKind
from weald.core.book.operation import Operation
from weald.web.accounts.services import notation_for
from weald.web.bench.pictures import bring_picture
from weald.web.bench.services import Happening, happened, planned_at_bench
from weald.web.jobs.models import Job

_UNDER_WAY, _FINISHED = "Tide tables of Merrow Haven", "Notes of a bee master"
_LAST_DONE = ("own_edges", "make_case")
"""Both were done just now, and both are waiting."""
_BOARDS_CUT_EARLY = ("board", "spine_board")
_BLOCK_FOUND = "13.5"
_NOTES = {
    "sew": "Waxed the thread a second time; the paper is soft.",
    "make_case": "Cloth stretched a little across; boards set 0.5 closer.",
    "letter": "Heat 95, dwell two seconds, foil from the small reel.",
}
_PACE = {"sew": 1.3, "fold": 0.8, "make_case": 1.2, "case_in": 1.4, "letter": 0.7}
"""What took longer or less than was planned, as a part of it."""
_OTHERWISE = ("line_spine", "mull a little longer on the back; trimmed")


def load(author: User) -> None:
    """Let the demo's books have been worked on."""
    jobs = Job.objects.filter(workshop=author.membership.workshop)
    _Story(jobs.get(title=_FINISHED), author).whole()
    _Story(jobs.get(title=_UNDER_WAY), author).half_way()


class _Story:
    """What happened to one book, told from its beginning."""

    def __init__(self, job: Job, author: User) -> None:
        self.job, self.author = job, author
        made = planned_at_bench(job, notation_for(author, job.workshop))
        self.operations: dict[str, Operation] = {each.id: each for each in made.operations}
        self.now = timezone.now()

    def tell(self, kind: EventKind, operation: str, at: datetime, **more: Any) -> None:
        ago = self.now - at
        what = Happening(uuid.uuid4(), kind, operation, ago=ago, late=True, insist=True, **more)
        happened(self.job, self.author, what)

    def done(self, operation: Operation, ended: datetime) -> None:
        """Work on one operation, most of them for as long as it is planned."""
        begun = ended - timedelta(minutes=operation.minutes * _PACE.get(operation.id, 1.0))
        self.tell("started", operation.id, begun)
        for look in operation.looks:
            self.tell("looked", operation.id, ended, look=look.id)
        self.tell("done", operation.id, ended, note=_NOTES.get(operation.id, ""))

    def half_way(self) -> None:
        """All up to two operations whose waits are running; boards were cut before the block was measured."""
        before = list(self.operations.values())
        before = before[: before.index(self.operations["make_case"])]
        at = self.now - timedelta(days=1, hours=6)
        for each in before:
            if each.id in _LAST_DONE:
                continue
            if each.id == "measure_block":
                for piece in _BOARDS_CUT_EARLY:
                    self.tell("cut", "cut_boards", at, piece=piece)
                self.tell("measured", each.id, at, quantity="block.thickness", found=_BLOCK_FOUND)
            self.done(each, at)
            at += timedelta(minutes=45)
        self.done(self.operations["own_edges"], self.now - timedelta(minutes=35))
        self.done(self.operations["make_case"], self.now - timedelta(minutes=8))

    def whole(self) -> None:
        """All of it, over some days, with what was measured, found and noted, and a picture."""
        at = self.now - timedelta(days=12)
        for each in self.operations.values():
            self.done(each, at)
            if each.id == _OTHERWISE[0]:
                self.tell("looked", each.id, at, look=each.looks[0].id, found=_OTHERWISE[1])
            for piece in each.pieces:
                self.tell("cut", each.id, at, piece=piece.piece)
            at += timedelta(hours=5)
        last = self.operations["last_look"]
        bring_picture(
            self.job,
            self.author,
            uuid.uuid4(),
            io.BytesIO(_painted_book()),
            operation=last.id,
            title=last.title,
            caption="Finished, before it left",
        )


_LINEN, _TABLE, _CLOTH, _SPINE, _LEAVES = (
    (236, 229, 213),
    (190, 168, 134),
    (74, 106, 99),
    (58, 84, 79),
    (246, 240, 226),
)


def _painted_book(width: int = 640, height: int = 480) -> bytes:
    """A picture of a book on a table, as a PNG: flat colours, painted row by row."""
    rows = []
    for y in range(height):
        row = bytearray()
        for x in range(width):
            row += bytes(_colour(x / width, y / height))
        rows.append(b"\0" + bytes(row))
    return b"\x89PNG\r\n\x1a\n" + b"".join(
        struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))
        for kind, data in (
            (b"IHDR", struct.pack(">IIBBBBB", width, height, 8, 2, 0, 0, 0)),
            (b"IDAT", zlib.compress(b"".join(rows))),
            (b"IEND", b""),
        )
    )


def _colour(x: float, y: float) -> tuple[int, int, int]:
    if 0.3 < x < 0.7 and 0.15 < y < 0.82:
        return _SPINE if x < 0.36 else _CLOTH
    if 0.7 <= x < 0.715 and 0.17 < y < 0.8:
        return _LEAVES
    return _TABLE if y > 0.62 else _LINEN
