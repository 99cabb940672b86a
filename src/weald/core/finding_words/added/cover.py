"""Words of what to mind about bands, joined boards, old panels, bevels and skins."""

from typing import Literal

from weald.core.finding_words.entry import FindingWords

CoverCode = Literal[
    "bands.crossed",
    "bands.narrow",
    "strip.short",
    "panels.too_large",
    "panels.rim",
    "panels.packed",
    "bevel.thin",
    "skin.points",
    "skin.crossed",
    "skin.too_small",
    "skin.pieced",
    "skin.askew",
]

COVER: dict[CoverCode, FindingWords] = {
    "bands.crossed": FindingWords(
        "stop",
        "boards",
        "Bands as measured lie over one another, or beyond the boards.",
        "Measure the middle of each from the head of the boards.",
    ),
    "bands.narrow": FindingWords(
        "mind",
        "boards",
        "Panel {panel} is only {height} high between its bands.",
        "Measure again; nothing can be lettered there.",
    ),
    "strip.short": FindingWords(
        "stop",
        "boards",
        "A strip that reaches {overlap} from the spine board ends in the joint, which is {gap} wide.",
        "Let it reach further, or count it on the board.",
    ),
    "panels.too_large": FindingWords(
        "stop",
        "boards",
        "The {side} panel with its window is larger than the board, or reaches beyond it.",
        "Cut the panel down, move it, or make larger squares.",
    ),
    "panels.rim": FindingWords(
        "mind",
        "boards",
        "Beside the {side} panel only {rim} of the layer is left, less than {least}: it breaks "
        "when turned in.",
        "Move the panel, or leave the layer off at that edge.",
    ),
    "panels.packed": FindingWords(
        "note",
        "boards",
        "The {side} panel is thinner than the layer: {packed} of card goes beneath it.",
        "Pack it level, or a hair lower, so that it does not rub.",
    ),
    "bevel.thin": FindingWords(
        "mind",
        "boards",
        "Only {edge} is left of the bevelled edge; it will bruise at the first knock.",
        "Take less off, or take thicker board.",
    ),
    "skin.points": FindingWords(
        "note",
        "cutting",
        "An outline takes three points or more.",
        "Lay the skin on the bench and measure its points one after the other, right round.",
    ),
    "skin.crossed": FindingWords(
        "mind",
        "cutting",
        "The outline crosses itself: points are out of order.",
        "Go round the skin in one direction, and look for a figure typed wrong.",
    ),
    "skin.too_small": FindingWords(
        "mind",
        "cutting",
        "There is no room on the skin for: {pieces}.",
        "Take a larger skin, cover in half or quarter, or let pieces be joined.",
    ),
    "skin.pieced": FindingWords(
        "note",
        "cutting",
        "Made of two, pared where they overlap by {overlap}: {pieces}.",
        "Let the seam lie under the sides or beside a band, and pare both edges to nothing.",
    ),
    "skin.askew": FindingWords(
        "note",
        "cutting",
        "Laid askew: {pieces}.",
        "Cut paper patterns and lay them on the skin first; flaws and the spine of the animal decide.",
    ),
}
