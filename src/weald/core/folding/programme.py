"""Fold programmes: the list of folds from flat sheet to folded packet, written as words.

``v`` folds on an upright line, ``h`` on a level one, each at the middle; ``v3`` and ``h3`` are
letter-folds at the thirds; ``zv3`` and ``zh3`` zig-zags (``z3`` means ``zv3``). The last fold is
the spine. A lone zig-zag, as ``z6``, is a *concertina*: one strip without a spine. ``2x1`` and its
kin fold nothing: so many *single leaves* are cut out of a sheet and stacked.
"""

import re
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from weald.core.errors import FoldError

Axis = Literal["v", "h"]
Kind = Literal["section", "concertina", "leaves"]

NAMED_PROGRAMMES: dict[str, str] = {
    "folio": "v",
    "quarto": "h v",
    "octavo": "v h v",
    "sixteenmo": "h v h v",
    "thirty-twomo": "v h v h v",
    "sexto": "h3 v",
    "twelvemo": "h3 v v",
    "eighteenmo": "h3 v3 v",
    "long quarto": "v v",
    "long octavo": "v v v",
    "oblong quarto": "v h",
    "oblong octavo": "h v h",
    "zig-zag sexto": "zv3 v",
    "concertina": "zv6",
    "single leaves": "1x1",
    "single leaves, two up": "2x1",
    "single leaves, four up": "2x2",
}

MAX_FOLDS = 6
MAX_CELLS = 256
_FOLD = re.compile(r"(z?)([vh]?)(\d{0,3})")
_LEAVES = re.compile(r"(\d{1,2})\s*[x×]\s*(\d{1,2})")


@dataclass(frozen=True, slots=True)
class Fold:
    """One word of a programme: ``parts`` equal parts along ``axis``, rolled up or zig-zag."""

    axis: Axis
    parts: int = 2
    zigzag: bool = False

    @property
    def word(self) -> str:
        """The fold as it is written in a programme."""
        return ("z" if self.zigzag else "") + self.axis + (str(self.parts) if self.parts > 2 else "")


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
            return f"{self.columns}x{self.rows}"
        return " ".join(fold.word for fold in self.folds)

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
    return " ".join(fold.word for fold in folds)


def _read_fold(word: str) -> Fold:
    match = _FOLD.fullmatch(word)
    if match is None or not (match[1] or match[2]):
        names = ", ".join(NAMED_PROGRAMMES)
        raise FoldError(f"“{word}” is no fold; use v, h, v3, h3, z3 or a name ({names}).")
    zigzag, parts = match[1] == "z", int(match[3] or 2)
    if not 2 <= parts <= 12 or (parts > 3 and not zigzag):
        raise FoldError(f"“{word}” cannot be folded; halves, thirds (v3, h3) or zig-zags to z12 can.")
    return Fold("h" if match[2] == "h" else "v", parts, zigzag)


def _grid(folds: tuple[Fold, ...]) -> tuple[int, int]:
    columns = rows = 1
    for fold in folds:
        if fold.axis == "v":
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
    written = NAMED_PROGRAMMES.get(text.strip().lower(), text.strip()).lower()
    if leaves := _LEAVES.fullmatch(written):
        return _checked(Programme("leaves", (), int(leaves[1]), int(leaves[2])))
    words = written.split()
    if not words:
        raise FoldError("The fold programme is empty; write at least v, or a name such as folio.")
    if len(words) > MAX_FOLDS:
        raise FoldError(f"{len(words)} folds are more than paper takes; write at most {MAX_FOLDS}.")
    folds = tuple(_read_fold(word) for word in words)
    last = folds[-1]
    if len(folds) == 1 and last.zigzag and last.parts > 2:
        return _checked(Programme("concertina", folds, *_grid(folds)))
    if last.parts != 2:
        raise FoldError(
            f"“{' '.join(fold.word for fold in folds)}” ends with {last.word}, which leaves no spine "
            "through all leaves; end the programme with v or h."
        )
    return _checked(Programme("section", folds, *_grid(folds)))
