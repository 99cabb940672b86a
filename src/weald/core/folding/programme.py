"""Fold programmes: the folds from flat sheet to folded packet, in order and in words.

A fold runs ``upright`` or ``level`` on the sheet as it lies unfolded, at the middle; ``in three`` rolls it up
at the thirds, ``zig-zag in four`` folds it to and fro. Folds are told apart by commas, and the last is the
spine: ``level, upright``. A lone zig-zag is a *concertina*: one strip without a spine. ``single leaves 2 by
1`` folds nothing: so many leaves are cut out of a sheet and stacked.
"""

import re
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from weald.core.errors import FoldError

Axis = Literal["upright", "level"]
Kind = Literal["section", "concertina", "leaves"]

NAMED_PROGRAMMES: dict[str, str] = {
    "folio": "upright",
    "quarto": "level, upright",
    "octavo": "upright, level, upright",
    "sixteenmo": "level, upright, level, upright",
    "thirty-twomo": "upright, level, upright, level, upright",
    "sexto": "level in three, upright",
    "twelvemo": "level in three, upright, upright",
    "eighteenmo": "level in three, upright in three, upright",
    "long quarto": "upright, upright",
    "long octavo": "upright, upright, upright",
    "oblong quarto": "upright, level",
    "oblong octavo": "level, upright, level",
    "zig-zag sexto": "upright zig-zag in three, upright",
    "concertina": "upright zig-zag in six",
    "single leaves": "single leaves 1 by 1",
    "single leaves, two up": "single leaves 2 by 1",
    "single leaves, four up": "single leaves 2 by 2",
}

MAX_FOLDS = 6
MAX_CELLS = 256
LONGEST = 200
"""Letters of the longest programme: six folds, each in as many words as a fold may take."""
NUMBERS = ("two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve")
_FOLD = re.compile(r"(upright|level)?\s*(zig-?zag)?(?:\s*in (\w+))?")
_BETWEEN = re.compile(r"\s*(?:,|;|\bthen\b)\s*|\s+(?=(?:upright|level)\b)")
_LEAVES = re.compile(r"single leaves,? (\d{1,2}) by (\d{1,2})")


@dataclass(frozen=True, slots=True)
class Fold:
    """One word of a programme: ``parts`` equal parts along ``axis``, rolled up or zig-zag."""

    axis: Axis
    parts: int = 2
    zigzag: bool = False

    @property
    def word(self) -> str:
        """The fold as it is written in a programme."""
        rolled = f" in {NUMBERS[self.parts - 2]}" if self.parts > 2 else ""
        return self.axis + (" zig-zag" if self.zigzag else "") + rolled


@dataclass(frozen=True, slots=True)
class Programme:
    """A programme that can be folded: its folds, and the leaves they make of a sheet.

    :param columns: leaves across the flat sheet; ``rows``: leaves down it.
    """

    kind: Kind
    folds: tuple[Fold, ...]
    columns: int
    rows: int

    @property
    def text(self) -> str:
        """The programme in words, as a job file keeps it."""
        if self.kind == "leaves":
            return f"single leaves {self.columns} by {self.rows}"
        return ", ".join(fold.word for fold in self.folds)

    @property
    def name(self) -> str | None:
        """Its name in the trade, if it has one."""
        text = self.text
        return next((name for name, words in NAMED_PROGRAMMES.items() if words == text), None)


def halved(text: str) -> str:
    """The programme of half a sheet: the same without its first fold; itself where only the spine is left."""
    programme = parse_programme(text)
    folds = (
        programme.folds[1:] if len(programme.folds) > 1 and programme.folds[0].parts == 2 else programme.folds
    )
    return ", ".join(fold.word for fold in folds)


def _read_fold(word: str) -> Fold:
    match = _FOLD.fullmatch(word)
    if match is None or not (match[1] or match[2]):
        names = ", ".join(NAMED_PROGRAMMES)
        raise FoldError(
            f"“{word}” is no fold; write upright or level, with in three or zig-zag in four where it is so, "
            f"or a name ({names})."
        )
    zigzag, parts = bool(match[2]), _parts(match[3])
    if not 2 <= parts <= 12 or (parts > 3 and not zigzag):
        raise FoldError(f"“{word}” cannot be folded; in two, in three, or zig-zag in up to twelve parts can.")
    return Fold("level" if match[1] == "level" else "upright", parts, zigzag)


def _parts(written: str | None) -> int:
    """How many parts a fold makes: two where it does not say, none where it cannot be read."""
    if written is None:
        return 2
    if written in NUMBERS:
        return NUMBERS.index(written) + 2
    return int(written) if written.isdecimal() and len(written) <= 3 else 0


def _grid(folds: tuple[Fold, ...]) -> tuple[int, int]:
    columns = rows = 1
    for fold in folds:
        if fold.axis == "upright":
            columns *= fold.parts
        else:
            rows *= fold.parts
    return columns, rows


def _checked(programme: Programme) -> Programme:
    if not 1 <= programme.columns * programme.rows <= MAX_CELLS:
        raise FoldError(
            f"{programme.columns} × {programme.rows} leaves are not what a sheet gives; 1 to {MAX_CELLS} are."
        )
    return programme


@lru_cache(maxsize=256)
def parse_programme(text: str) -> Programme:
    """Read a programme or the name of one.

    :raises FoldError: for a word that is no fold, too many of them, or a programme that does not
        end in one packet with its spine down one edge.
    """
    written = " ".join(text.lower().split())
    written = NAMED_PROGRAMMES.get(written, written)
    if leaves := _LEAVES.fullmatch(written):
        return _checked(Programme("leaves", (), int(leaves[1]), int(leaves[2])))
    words = _BETWEEN.split(written) if written else []
    if not words:
        raise FoldError("No fold is written; write at least upright, or a name such as folio.")
    if len(words) > MAX_FOLDS:
        raise FoldError(f"{len(words)} folds are more than paper takes; write at most {MAX_FOLDS}.")
    folds = tuple(_read_fold(word) for word in words)
    last = folds[-1]
    if len(folds) == 1 and last.zigzag and last.parts > 2:
        return _checked(Programme("concertina", folds, *_grid(folds)))
    if last.parts != 2:
        raise FoldError(
            f"“{', '.join(fold.word for fold in folds)}” ends {last.word}, which leaves no spine "
            "through all leaves; end with a plain upright or level fold."
        )
    return _checked(Programme("section", folds, *_grid(folds)))
