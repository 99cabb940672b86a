"""Files that are damaged, odd or made to hurt: every one is answered in words, in time, and harms nobody."""

import os
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import pytest

from tests.hostile import drawings, pdfs
from weald.core.errors import WealdError
from weald.core.job.spec import read_spec
from weald.core.press.press import press
from weald.exchange import apart as reading_room
from weald.exchange import foreign
from weald.exchange.reports import ArtworkReport, Kind, Order, UnreadableError

BATCHES = 6
PDFS = dict(pdfs.every_pdf())
HEAVY = [name for name in PDFS if "bomb" in name or name.startswith(("forms-", "form-", "paths-", "pages-"))]
EVERY = int(os.environ.get("WEALD_HOSTILE", "3"))
"""Of files damaged in much the same way, so many in turn are looked at once; the long runs look at all."""
LIGHT = [name for name in PDFS if name not in HEAVY][::EVERY]
ART = dict([*drawings.every_svg(), *((f"picture-{name}", data) for name, data in drawings.every_picture())])
MOST_MEMORY = 600 << 20
LONGEST_SECONDS = 20.0
IMPATIENT = reading_room.Limits(seconds=1.2, silent=1.2)
PRESS = press(read_spec({"text": {"pages": 4}}))


def answered(ask: Callable[[], object]) -> bool:
    """Whether it was taken; if not, that it was said in a sentence a binder can use."""
    begun = time.monotonic()
    try:
        ask()
        return True
    except WealdError as error:
        words = str(error)
        assert words.endswith((".", "…")), words
        assert len(words) < 400
        for leak in ("/tmp", "Traceback", "object is not", "pikepdf", "0x"):
            assert leak not in words
        return False
    finally:
        assert time.monotonic() - begun < LONGEST_SECONDS


def through_everything(data: bytes, folder: Path) -> None:
    """As a text, its picture, imposed; as artwork and its picture. Nothing else is left in the folder."""
    text, art, out = folder / "text", folder / "art", folder / "out"
    text.write_bytes(data)
    art.write_bytes(data)
    if answered(lambda: foreign.read_text(text)):
        answered(lambda: foreign.page_png(text, 1, 200))
        answered(lambda: foreign.impose_pdf(PRESS, text, out, Order()))
        if out.exists() and out.read_bytes().endswith(b"%%EOF\n"):
            answered(lambda: foreign.page_png(out, 1, 200))
    if answered(lambda: foreign.read_artwork(art)):
        answered(lambda: foreign.artwork_png(art, "pdf", 200))
    assert {path.name for path in folder.iterdir()} <= {"text", "art", "out"}
    out.unlink(missing_ok=True)


def as_healthy_as_before(folder: Path) -> None:
    honest = folder / "honest"
    honest.write_bytes(pdfs.plain_pdf())
    assert foreign.read_text(honest).pages == 4
    honest.unlink()


def test_there_are_as_many_as_were_promised() -> None:
    assert len(PDFS) >= 300
    assert len(ART) >= 50


@pytest.mark.parametrize("batch", range(BATCHES))
def test_damaged_and_odd_pdfs(batch: int, tmp_path: Path) -> None:
    for name in LIGHT[batch::BATCHES]:
        through_everything(PDFS[name], tmp_path)
    as_healthy_as_before(tmp_path)


@pytest.fixture
def less_patience(monkeypatch: pytest.MonkeyPatch) -> None:
    """Whatever is read has as much time as it takes a bomb to show how it grows, and no more."""

    def impatient(*question: Any, **how: Any) -> Any:
        return reading_room.apart(*question, **how | {"limits": IMPATIENT})

    monkeypatch.setattr(foreign, "apart", impatient)


@pytest.mark.usefixtures("less_patience")
@pytest.mark.parametrize("name", HEAVY)
def test_bombs_stay_small(name: str, tmp_path: Path) -> None:
    with watched() as largest:
        through_everything(PDFS[name], tmp_path)
    assert largest() < MOST_MEMORY
    as_healthy_as_before(tmp_path)


def seen(art: Path, kind: Kind) -> None:
    """As artwork and its picture."""
    if answered(lambda: foreign.read_artwork(art)):
        answered(lambda: foreign.artwork_png(art, kind, 200))


@pytest.mark.usefixtures("less_patience")
def test_drawings_and_pictures(tmp_path: Path) -> None:
    art = tmp_path / "art"
    with watched() as largest:
        for name, data in ART.items():
            art.write_bytes(data)
            seen(art, "png" if name.startswith("picture-") else "svg")
            assert [path.name for path in tmp_path.iterdir()] == ["art"]
    assert largest() < MOST_MEMORY


@pytest.mark.parametrize("name", ["shapes-49000", "path-of-a-million", "transforms-100000"])
def test_what_takes_too_long_is_given_up(name: str, tmp_path: Path) -> None:
    art = tmp_path / "art"
    art.write_bytes(ART[name])
    begun = time.monotonic()
    limits = reading_room.Limits(seconds=1.0, silent=1.0)
    with pytest.raises(UnreadableError, match="took longer than 1 second"):
        reading_room.apart("artwork.read_artwork", art, answer=ArtworkReport, limits=limits)
    assert time.monotonic() - begun < 5


def test_a_child_is_ended_with_whoever_gives_up(tmp_path: Path) -> None:
    text = tmp_path / "text"
    text.write_bytes(pdfs.plain_pdf())

    class NotWantedError(Exception):
        pass

    def tell(done: int, of: int) -> None:
        raise NotWantedError

    with pytest.raises(NotWantedError):
        foreign.impose_pdf(PRESS, text, tmp_path / "out", Order(), tell)
    deadline = time.monotonic() + 5
    while children() and time.monotonic() < deadline:
        time.sleep(0.05)
    assert children() == []


def test_a_room_that_was_killed_is_opened_anew(tmp_path: Path) -> None:
    as_healthy_as_before(tmp_path)
    for pid in rooms():
        os.kill(pid, 9)
    as_healthy_as_before(tmp_path)


def test_the_room_knows_no_secrets(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    as_healthy_as_before(tmp_path)
    for pid in rooms():
        names = Path(f"/proc/{pid}/environ").read_bytes().split(b"\0")
        assert not [each for each in names if each.startswith((b"WEALD_", b"DJANGO_", b"PG"))]


def _parents() -> dict[int, int]:
    found = {}
    for folder in Path("/proc").glob("[0-9]*"):
        try:
            found[int(folder.name)] = int((folder / "stat").read_text().rsplit(") ", 1)[1].split()[1])
        except (OSError, IndexError):
            continue
    return found


def rooms() -> list[int]:
    """The reading room of this process."""
    mine = [pid for pid, parent in _parents().items() if parent == os.getpid()]
    return [pid for pid in mine if b"weald.exchange.apart" in _command(pid)]


def children() -> list[int]:
    """What reads in it just now."""
    parents, open_now = _parents(), rooms()
    return [pid for pid, parent in parents.items() if parent in open_now]


def _command(pid: int) -> bytes:
    try:
        return Path(f"/proc/{pid}/cmdline").read_bytes()
    except OSError:
        return b""


def _resident(pid: int) -> int:
    try:
        return int(Path(f"/proc/{pid}/statm").read_text().split()[1]) * os.sysconf("SC_PAGE_SIZE")
    except (OSError, IndexError):
        return 0


@contextmanager
def watched() -> Iterator[Callable[[], int]]:
    """The most memory any one reader takes meanwhile."""
    most, over = [0], threading.Event()

    def watch() -> None:
        while not over.wait(0.03):
            most[0] = max([most[0], *map(_resident, children())])

    watcher = threading.Thread(target=watch, daemon=True)
    watcher.start()
    try:
        yield lambda: most[0]
    finally:
        over.set()
        watcher.join()
