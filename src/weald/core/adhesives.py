"""Adhesives by what they do: how long a piece moves, when it is tacky, when it is dry (docs/craft.md)."""

from dataclasses import dataclass
from typing import Literal, get_args

Adhesive = Literal["paste", "pva", "mix", "methyl_cellulose", "animal_glue", "film"]
Joint = Literal["spine", "mull", "linings", "tipping", "boards", "case", "paste_down"]
JOINT_WORDS: dict[Joint, str] = {
    "spine": "Spine",
    "mull": "Mull",
    "linings": "Linings",
    "tipping": "Endpapers",
    "boards": "Board to board",
    "case": "Covering",
    "paste_down": "Paste-downs",
}
Season = Literal["usual", "warm", "damp"]
SEASONS: dict[Season, str] = {
    "usual": "usual",
    "warm": "warm or dry",
    "damp": "cold or damp",
}
SEASON_FACTORS: dict[Season, float] = {"usual": 1.0, "warm": 0.6, "damp": 1.6}
"""Times are multiplied by it."""


@dataclass(frozen=True, slots=True)
class AdhesiveFacts:
    """What an adhesive does, at 20 °C and half humidity.

    :param moves: minutes a piece can be moved, least and most; ``tacky``: minutes to it, where there is such.
    :param water: of all the growth water gives a paper, what this one does.
    :param handled: minutes until it may be handled; ``through``: until it is dry, least and usual.
    """

    title: str
    moves: tuple[float, float]
    tacky: tuple[float, float] | None
    handled: float
    through: tuple[float, float]
    water: float


ADHESIVES: dict[Adhesive, AdhesiveFacts] = {
    "paste": AdhesiveFacts("starch paste", (10, 20), None, 60, (480, 720), 1.0),
    "pva": AdhesiveFacts("PVA", (0.5, 1), (8, 12), 30, (120, 720), 0.5),
    "mix": AdhesiveFacts("paste and PVA, mixed", (3, 6), (15, 15), 60, (240, 720), 0.75),
    "methyl_cellulose": AdhesiveFacts("methyl cellulose with PVA", (6, 10), (20, 20), 60, (480, 720), 1.0),
    "animal_glue": AdhesiveFacts("animal glue, hot", (1, 2), (5, 15), 30, (240, 720), 0.5),
    "film": AdhesiveFacts("self-adhesive film", (0, 0), None, 0, (0, 0), 0.0),
}
SpineGlue = Literal["pva", "animal_glue", "paste"]
LiningGlue = Literal["pva", "mix", "paste", "animal_glue"]
TippingGlue = Literal["pva", "paste", "mix"]
BoardGlue = Literal["pva", "mix", "paste"]
CaseGlue = Literal["pva", "mix", "paste", "methyl_cellulose", "animal_glue", "film"]
PasteDownGlue = Literal["mix", "paste", "pva", "methyl_cellulose"]
SUITED: dict[Joint, tuple[Adhesive, ...]] = {
    "spine": get_args(SpineGlue),
    "mull": get_args(SpineGlue),
    "linings": get_args(LiningGlue),
    "tipping": get_args(TippingGlue),
    "boards": get_args(BoardGlue),
    "case": get_args(CaseGlue),
    "paste_down": get_args(PasteDownGlue),
}
"""Which do for a joint, the usual one first."""


def adhesive_for(joint: Joint, chosen: Adhesive | None, leather: bool) -> Adhesive:
    """What a joint is glued with: as decided, else the usual one; leather is always pasted."""
    if leather and joint == "case":
        return "paste"
    return chosen or SUITED[joint][0]
