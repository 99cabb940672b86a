"""How long tapes and cords have to be: along the spine, and on each side the way they really go.

See *Supports* in docs/craft.md. Whatever the way, the reach at its end is the binder's own.
"""

import math
from typing import Literal

from weald.core.block.holes import SUPPORTED, SewingPlan
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger, Term
from weald.core.stations.block_plan import BlockPlan
from weald.core.stations.bound_sizes import BoundSizes
from weald.core.units import Mm

Attachment = Literal["case", "laced", "split", "frayed", "slits", "leaf"]
"""On the paste-down of a case, through the boards, into their split, fanned out under a second board, through
slits of a card, or on the outer leaf."""
SPLIT_ROOM: Mm = 5.0
"""A support goes so much deeper than the split, to be trimmed with the flange."""
HOLE_SHIFT: Mm = 7.0
"""The second hole of a cord stands so much nearer the tail, so that both do not split one grain line."""

_RULES: dict[Attachment, str] = {
    "case": "over the joint, and {mm:25–40} on the board; leave more while sewing",
    "laced": "through the board twice, and {mm:15–20} to be hammered flat",
    "split": "to the bottom of the split, and a little to be trimmed with the flange",
    "frayed": "{mm:30–50} on the board, to be fanned out",
    "slits": "out through the first slit, in through the second, and what lies inside",
    "leaf": "{mm:25–40} on the outer leaf",
}


def reckon_supports(
    spec: JobSpec,
    attachment: Attachment,
    block: BlockPlan,
    sewing: SewingPlan,
    sizes: BoundSizes,
    ledger: Ledger,
) -> None:
    """Enter the length of a support, once the binding it goes into is sized; nothing where there is none."""
    if sewing.method not in SUPPORTED or not spec.sewing.supports:
        return
    spine = ledger.ref("spine.arc" if block.round else "spine.thickness")
    way = way_of(spec, attachment, block, sizes, ledger)
    each = sum(term.value for term in way.values())
    own = spec.extras.places
    more = 0.0 if own is None or own.reach_back is None else own.reach_back - spec.binding.tape_reach
    uneven = {"more": ledger.entry("more on the back", more, "extras.places.reach_back")} if more else {}
    named = " + ".join(f"{{{name}}}" for name in way)
    ledger.reckon(
        "sewing.support_length",
        spine.value + 2 * each + more,
        (f"{{spine}} + 2 × ({named})" if len(way) > 1 else f"{{spine}} + 2 × {named}")
        + (" + {more}" if more else ""),
        {"spine": spine, **way, **uneven},
        rule=_RULES[attachment],
        or_nothing=True,
    )


def way_of(
    spec: JobSpec, attachment: Attachment, block: BlockPlan, sizes: BoundSizes, ledger: Ledger
) -> dict[str, Term]:
    """The parts of the way on one side of the spine, in order, by what each is."""
    reach = ledger.entry("reach", spec.binding.tape_reach, "binding.tape_reach")
    joint = {"joint": ledger.ref("joint.inset")} if sizes.inset else {}
    if attachment == "laced":
        board = ledger.ref("board.thickness")
        first, second = ledger.ref("lacing.first"), ledger.ref("lacing.second")
        between = math.hypot(second.value - first.value, HOLE_SHIFT)
        shoulder = {"shoulder": ledger.ref("shoulder.height")} if block.shoulder else {}
        return {
            **shoulder,
            **joint,
            "first": first,
            "through": board,
            "between": ledger.entry("from hole to hole", between, "lacing.second"),
            "again": board,
            "reach": reach,
        }
    if attachment == "split":
        room = ledger.entry("room", SPLIT_ROOM, "binding.tape_reach")
        return {**joint, "split": ledger.ref("split.depth"), "room": room}
    if attachment == "frayed":
        return {**joint, "fan": ledger.ref("slip.length")}
    if attachment == "slits":
        card = ledger.entry("card", spec.binding.cover_thickness, "binding.cover_thickness")
        return {"out": card, "step": ledger.ref("slit.step"), "in": card, "reach": reach}
    if attachment == "leaf":
        return {"reach": ledger.ref("slip.length") if sizes.slip else reach}
    return {**joint, "reach": reach}
