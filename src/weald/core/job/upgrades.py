"""The versions of a job file, and what brings each up to the next."""

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
        binding = data.get("binding") or {}
        upgraded["binding"] = {**binding, "squares": {**(binding.get("squares") or {}), **decided}}
    return upgraded


def _with_first_defaults(data: Data) -> Data:
    """What version 1 took where nothing was said, and a book may have been made by."""
    sewing = {"thread": 0.45, "kettle": 13.0, **(data.get("sewing") or {})}
    return data | {"sewing": sewing}


def _to_second(data: Data) -> Data:
    return _with_first_defaults(_measurements_followed(data))


JOB = Format("job file", (_to_second,), by_hand=True)
