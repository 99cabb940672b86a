"""The stations of a job, in the order of work: what each is called, and the caution shown where the work is.

What a station reckons, draws and says to mind is in ``core/stations/`` and ``core/bindings/``; what it shows
on screen is in the folder of its name under ``frontend/src/job/stations/``.
"""

from dataclasses import dataclass
from typing import Literal

Station = Literal[
    "text",
    "paper",
    "folding",
    "printing",
    "sewing",
    "block",
    "boards",
    "finish",
    "cutting",
    "bench",
    "record",
]


@dataclass(frozen=True, slots=True)
class StationRecord:
    """A station in words."""

    title: str
    caution: str = ""


STATIONS: dict[Station, StationRecord] = {
    "text": StationRecord("Text"),
    "paper": StationRecord(
        "Paper",
        "Knife and shears: a steel rule with a raised edge, the hand behind the blade, several light cuts. "
        "At a guillotine the guard and two-hand control stay on, and one person operates it.",
    ),
    "folding": StationRecord("Folding"),
    "printing": StationRecord("Printing"),
    "sewing": StationRecord("Sewing", "Needles and awls: pierce into a block, never towards the hand."),
    "block": StationRecord(
        "Block",
        "Presses and hammers: mind fingers; a press or a stack above 15 kg is lifted by two. A plough's "
        "blade stays covered until it cuts.",
    ),
    "boards": StationRecord(
        "Boards & cover",
        "Cutting board: many light cuts along a steel rule, a cut-resistant glove on the holding hand, the "
        "blade covered when laid down; never scissors on board. Paring leather: the skin lies on stone, the "
        "free hand behind the knife.",
    ),
    "finish": StationRecord(
        "Finish", "Finishing tools and foil burn: a cool spot to lay them, and a wet pad to try them on."
    ),
    "cutting": StationRecord("Cutting"),
    "bench": StationRecord("Bench"),
    "record": StationRecord("Record"),
}
"""In the order of work."""
