"""The case offered up to its block: what was found, entered as found, and what follows.

Boards that stand too tall on the block mean that the block is lower than it was planned, or that they
were cut too tall. Either the block's size is corrected, and what is too much is cut off; or the boards
stay as they are, and the squares are what they come to.
"""

from dataclasses import dataclass
from typing import Literal

from weald.core.bindings.catalogue import structure_of
from weald.core.errors import SizeError
from weald.core.findings import Patch
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.planning.plan import plan
from weald.core.units import Mm

Found = Literal["tall", "wide", "spine"]
OF_THE_BLOCK: dict[Found, str] = {
    "tall": "block.height",
    "wide": "block.width",
    "spine": "block.thickness",
}
OF_THE_CASE: dict[Found, str] = {
    "tall": "board.height",
    "wide": "board.width",
    "spine": "spine_board.width",
}
_WORDS: dict[Found, str] = {"tall": "the boards", "wide": "the boards", "spine": "the spine"}
MOST: Mm = 30.0


@dataclass(frozen=True, slots=True)
class Offered:
    """What to do about a case that does not fit, in words and as a change."""

    words: str
    patch: Patch


def offered_up(spec: JobSpec, found: Found, by: Mm, notation: Notation) -> tuple[Offered, Offered]:
    """Two ways to go on from a case found too large (or, ``by`` less than nothing, too small).

    :returns: the block's size corrected, so that the pieces follow; or the pieces left as they are.
    :raises weald.core.errors.SizeError: when so much cannot be meant, or the binding has no such piece.
    """
    if not 0 < abs(by) <= MOST:
        raise SizeError(f"Give how much it is off, up to {notation.length(MOST, True)}.")
    sizes = {each.id: each.value for each in plan(spec, notation, drawn=()).quantities}
    block, case = OF_THE_BLOCK[found], OF_THE_CASE[found]
    if case not in sizes:
        raise SizeError(f"A {structure_of(spec).title} has no such piece.")
    if by >= sizes[block]:
        raise SizeError("That would leave no block.")
    show = notation.length
    cut = show(abs(by), True)
    action = f"Cut {cut} off" if by > 0 else f"Cut anew, {cut} larger"
    kept = show(sizes[case] if by > 0 else sizes[case] + by, True)
    # what is found too small was cut too small; what is too large may be left as planned
    as_cut = sizes[case] + (by if by < 0 else 0.0)
    corrected: Patch = {f"measured.{block}": round(sizes[block] - by, 3)}
    left: Patch = {f"measured.{case}": round(as_cut, 3)}
    if by > 0:
        left[f"measured.{block}"] = round(sizes[block] - by, 3)
    return (
        Offered(f"{action}: the block is {show(sizes[block] - by, True)}, and everything follows", corrected),
        Offered(f"Leave {_WORDS[found]} at {kept}, and take the squares as they come", left),
    )
