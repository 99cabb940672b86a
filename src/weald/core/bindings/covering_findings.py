"""The sizes of a covering in several pieces, and what to mind about them."""

import math

from weald.core.bindings.coverings import CORNER_PART, Ground, corner_leg
from weald.core.findings import Action, Finding, finding
from weald.core.job.binding import Binding, Covering
from weald.core.materials import COVERS
from weald.core.reckoning import Ledger
from weald.core.units import TOLERANCE, Mm

LEAST_SIDE: Mm = 20.0
LEAST_OVERLAP: Mm = 5.0
"""Less of a piece than this on a board is not offered."""
USUAL_OVERLAP = (20.0, 40.0)


def reckon_covering(covering: Covering, binding: Binding, ground: Ground, ledger: Ledger) -> Binding:
    """Enter the sizes of spine piece, sides and corners; a full cover has only its own.

    :returns: the binding with overlaps and corners as the pieces measured leave them.
    """
    if covering in ("full", "three_piece"):
        return binding
    overlap = ledger.entry("overlap", binding.overlap, "binding.overlap")
    over = ledger.entry("over it", binding.sides_over, "binding.sides_over")
    spine_piece = ledger.reckon(
        "spine_piece.width",
        ground.middle + 2 * binding.overlap,
        "{middle} + 2 × {overlap}",
        {
            "middle": ledger.entry("spine and joints", ground.middle, "spine_board.width"),
            "overlap": overlap,
        },
        rule="{mm:20–40} on each board",
    )
    reaches = (spine_piece - ground.middle) / 2
    overlap = ledger.entry("overlap", reaches, "binding.overlap")
    less = binding.fore_edge_strip if covering == "fore_edge" else 0.0
    board = ledger.ref("board.width")
    if covering == "fore_edge":
        side = ledger.reckon(
            "side.width",
            board.value - reaches - less + 2 * binding.sides_over,
            "{board} − {overlap} − {strip} + 2 × {over}",
            {
                "board": board,
                "overlap": overlap,
                "strip": ledger.entry("strip", less, "binding.fore_edge_strip"),
                "over": over,
            },
        )
    else:
        turn_in = ledger.entry("turn-in", ground.side, "binding.turn_in")
        side = ledger.reckon(
            "side.width",
            board.value - reaches + binding.sides_over + ground.side,
            "{board} − {overlap} + {over} + {turn_in}",
            {"board": board, "overlap": overlap, "over": over, "turn_in": turn_in},
            rule="begins {mm:2} over the edge of the spine piece",
        )
    shared = 2 if covering == "fore_edge" else 1
    laps = (side - board.value + reaches + (less or -ground.side)) / shared
    as_cut: dict[str, float] = {"overlap": reaches, "sides_over": laps}
    if covering == "half":
        given = binding.corner_leg is not None
        turn_in = ledger.entry("turn-in", ground.turn_in, "binding.turn_in")
        leg = ledger.reckon(
            "corner.leg",
            corner_leg(binding, ground.height),
            "as decided" if given else f"{CORNER_PART:g} × {{board}}",
            {} if given else {"board": ledger.ref("board.height")},
            rule="a quarter to a third of the board's height",
            entry="binding.corner_leg" if given else None,
        )
        size = ledger.reckon(
            "corner.size",
            leg + 2 * ground.turn_in,
            "{leg} + 2 × {turn_in}",
            {"leg": ledger.ref("corner.leg"), "turn_in": turn_in},
            rule="of the square it is cut from",
        )
        as_cut["corner_leg"] = size - 2 * ground.turn_in
    return binding.model_copy(update=as_cut)


def mind_covering(covering: Covering, binding: Binding, ground: Ground, ledger: Ledger) -> list[Finding]:
    """Where the pieces of a covering leave no room for one another."""
    show = ledger.notation.length
    if covering in ("full", "three_piece"):
        return []
    found: list[Finding] = []
    seen = ground.board - binding.overlap
    if covering == "fore_edge":
        seen -= binding.fore_edge_strip
    if seen < LEAST_SIDE:
        pieces = 2 if covering == "fore_edge" else 1
        overlap = float(min(round(ground.board / 4), math.floor((ground.board - LEAST_SIDE) / pieces)))
        change: dict[str, object] = {"binding.overlap": overlap}
        if covering == "fore_edge":
            change["binding.fore_edge_strip"] = overlap
        found.append(
            finding(
                "side.narrow",
                "side.width",
                ledger.notation,
                seen=show(max(seen, 0.0), True),
                actions=(Action(f"Overlap {show(overlap, True)}", change),)
                if overlap >= LEAST_OVERLAP
                else (),
            )
        )
    if covering == "half":
        leg, most = corner_leg(binding, ground.height), min(ground.height / 2, seen)
        if leg > most + TOLERANCE:
            fits = float(math.floor(0.9 * most))
            shown, limit = ledger.notation.compared(leg, most)
            found.append(
                finding(
                    "corner.large",
                    "corner.leg",
                    ledger.notation,
                    leg=shown,
                    most=limit,
                    actions=(Action(f"Corners of {show(fits, True)}", {"binding.corner_leg": fits}),)
                    if fits >= LEAST_OVERLAP
                    else (),
                )
            )
    if COVERS[binding.material].holds and binding.overlap < USUAL_OVERLAP[0] - TOLERANCE:
        found.append(
            finding("overlap.small", "binding.overlap", ledger.notation, overlap=show(binding.overlap, True))
        )
    return found
