"""The versions of a job file, and what brings each up to the next."""

from weald.core.upgrades import Data, Format


def _measurements_followed(data: Data) -> Data:
    """Version 1 took measurements of sizes that nothing follows from; such are left out."""
    measured = data.get("measured")
    if not isinstance(measured, dict):
        return data
    kept = {key: size for key, size in measured.items() if key not in NOTHING_FOLLOWED}
    return data | {"measured": kept}


NOTHING_FOLLOWED: frozenset[str] = frozenset()
"""Sizes version 1 let one measure, though nothing was made of them."""

JOB = Format("job file", (_measurements_followed,))
