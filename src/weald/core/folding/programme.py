"""Fold programmes: the folds from flat sheet to folded packet, in order and in words.

A fold runs ``upright`` or ``level`` on the sheet as it lies unfolded, at the middle; ``in three`` rolls it up
at the thirds, ``zig-zag in four`` folds it to and fro, and ``off-centre in three`` carries one third of it
over, so that the rest can be folded on after other folds. Folds are told apart by commas, and the last is the
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
_FOLD = re.compile(r"(upright|level)?\s*(zig-?zag|off-?cent(?:re|er))?(?:\s*in (\w+))?")
_BETWEEN = re.compile(r"\s*(?:,|;|\bthen\b)\s*|\s+(?=(?:upright|level)\b)")
_LEAVES = re.compile(r"single leaves,? (\d{1,2}) by (\d{1,2})")


@dataclass(frozen=True, slots=True)
class Fold:
    """One word of a programme: ``parts`` equal parts along ``axis``, rolled up or zig-zag.

    :param off_centre: only the first of the parts is carried over.
    """

    axis: Axis
    parts: int = 2
    zigzag: bool = False
    off_centre: bool = False

    @property
    def word(self) -> str:
        """The fold as it is written in a programme."""
        rolled = f" in {NUMBERS[self.parts - 2]}" if self.parts > 2 else ""
        how = " zig-zag" if self.zigzag else " off-centre" if self.off_centre else ""
        return self.axis + how + rolled

    @property
    def lasting(self) -> int:
        """How many of its parts the packet is long once it is made."""
        return self.parts - 1 if self.off_centre else 1

    @property
    def creases(self) -> int:
        """How many creases it makes."""
        return 1 if self.off_centre else self.parts - 1


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
            f"“{word}” is no fold; write upright or level, with in three, zig-zag in four or off-centre in "
            f"three where it is so, or a name ({names})."
        )
    how = match[2] or ""
    zigzag, off_centre = how.startswith("zig"), how.startswith("off")
    parts = 3 if off_centre and match[3] is None else _parts(match[3])
    if not (3 if off_centre else 2) <= parts <= 12 or (parts > 3 and not how):
        raise FoldError(
            f"“{word}” cannot be folded; in two, in three, zig-zag in up to twelve parts, or off-centre in "
            "three to twelve can."
        )
    return Fold("level" if match[1] == "level" else "upright", parts, zigzag, off_centre)


def _parts(written: str | None) -> int:
    """How many parts a fold makes: two where it does not say, none where it cannot be read."""
    if written is None:
        return 2
    if written in NUMBERS:
        return NUMBERS.index(written) + 2
    return int(written) if written.isdecimal() and len(written) <= 3 else 0


def _grid(folds: tuple[Fold, ...]) -> tuple[int, int]:
    """Leaves across and down the sheet, found by unfolding it: each fold makes so many of what it left.

    :raises FoldError: when what an off-centre fold leaves is not folded on into as many parts.
    """
    along: dict[Axis, int] = {"upright": 1, "level": 1}
    for fold in reversed(folds):
        left = along[fold.axis]
        if left % fold.lasting:
            raise FoldError(
                f"“{fold.word}” leaves {NUMBERS[fold.lasting - 2]} parts side by side; fold them {fold.axis} "
                "later on, so that all lie on one another."
            )
        along[fold.axis] = left // fold.lasting * fold.parts
    return along["upright"], along["level"]


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
    if loose := next((each for each in folds if each.off_centre and each.axis == last.axis), None):
        raise FoldError(
            f"“{loose.word}” runs as the spine does, and the part carried over would not be held by it; fold "
            f"off-centre the other way."
        )
    if last.parts != 2:
        raise FoldError(
            f"“{', '.join(fold.word for fold in folds)}” ends {last.word}, which leaves no spine "
            "through all leaves; end with a plain upright or level fold."
        )
    return _checked(Programme("section", folds, *_grid(folds)))
