"""The versions of a job file, and what brings each up to the next."""

import re

from weald.core.folding.programme import NUMBERS
from weald.core.upgrades import Data, Format

NOTHING_FOLLOWED = frozenset({"sheet.width", "sheet.height", "turn_in.inside", "panel.each"})
"""Sizes version 1 let one measure, though nothing was made of them."""
SQUARES = {f"squares.{edge}": edge for edge in ("head", "tail", "fore_edge")}


def _measurements_followed(data: Data) -> Data:
    """Version 1 took measurements of what is decided or only seen.

    A square measured was the square the boards were made for, and becomes the square decided; what nothing
    followed from is left out.
    """
    measured = data.get("measured")
    if not isinstance(measured, dict):
        return data
    kept = {key: size for key, size in measured.items() if key not in SQUARES and key not in NOTHING_FOLLOWED}
    upgraded = data | {"measured": kept}
    decided = {edge: measured[key] for key, edge in SQUARES.items() if key in measured}
    if decided:
        # what cannot be read stays as it is, and is refused by name when it is read
        binding = data.get("binding") or {}
        squares = (binding.get("squares") or {}) if isinstance(binding, dict) else None
        if isinstance(squares, dict):
            upgraded["binding"] = {**binding, "squares": {**squares, **decided}}
    return upgraded


def _with_first_defaults(data: Data) -> Data:
    """What version 1 took where nothing was said, and a book may have been made by."""
    sewing = data.get("sewing") or {}
    if not isinstance(sewing, dict):
        return data
    return data | {"sewing": {"thread": 0.45, "kettle": 13.0, **sewing}}


def _to_second(data: Data) -> Data:
    return _with_first_defaults(_measurements_followed(data))


LETTERS = re.compile(r"(z?)([vh]?)(\d{0,2})")
"""A fold as versions 1 and 2 wrote it: zig-zag or not, upright or level, how many parts."""
GRID = re.compile(r"(\d{1,2})\s*[x×]\s*(\d{1,2})")


def folds_in_words(written: object) -> object:
    """What versions 1 and 2 wrote of a fold, in words; as it is where it was a name, or no fold."""
    if not isinstance(written, str):
        return written
    if leaves := GRID.fullmatch(written.strip()):
        return f"single leaves {int(leaves[1])} by {int(leaves[2])}"
    folds = [LETTERS.fullmatch(letters) for letters in written.lower().split()]
    if not folds or not all(fold and (fold[1] or fold[2]) for fold in folds):
        return written
    return ", ".join(_in_words(fold) for fold in folds if fold)


def _in_words(fold: re.Match[str]) -> str:
    way = "level" if fold[2] == "h" else "upright"
    parts = int(fold[3] or 2)
    rolled = f" in {NUMBERS[parts - 2] if 2 <= parts <= len(NUMBERS) + 1 else parts}" if fold[3] else ""
    return way + (" zig-zag" if fold[1] else "") + ("" if parts == 2 else rolled)


def _to_third(data: Data) -> Data:
    """Versions 1 and 2 wrote a fold as single letters."""
    upgraded = dict(data)
    folding = data.get("folding")
    if isinstance(folding, dict) and "programme" in folding:
        upgraded["folding"] = folding | {"programme": folds_in_words(folding["programme"])}
    extras = data.get("extras")
    formes = extras.get("formes") if isinstance(extras, dict) else None
    rows = formes.get("sections") if isinstance(formes, dict) else None
    if isinstance(extras, dict) and isinstance(formes, dict) and isinstance(rows, list):
        upgraded["extras"] = extras | {"formes": formes | {"sections": [_row_in_words(row) for row in rows]}}
    return upgraded


def _row_in_words(row: object) -> object:
    if not isinstance(row, dict) or "programme" not in row:
        return row
    return row | {"programme": folds_in_words(row["programme"])}


JOB = Format("job file", (_to_second, _to_third), by_hand=True)
