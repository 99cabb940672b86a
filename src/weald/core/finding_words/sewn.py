"""Words of what to mind at sewing and block."""

from typing import Literal

from weald.core.finding_words.entry import FindingWords

SewnCode = Literal[
    "swell.much",
    "swell.besides",
    "block.too_thick",
    "round.none",
    "round.impossible",
    "round.forced",
    "round.left_over",
    "deckle.trimmed",
    "trim.meant",
    "trim.in_boards",
    "diagonals.differ",
    "diagonals.equal",
    "diagonals.far",
    "end_band.high",
    "sewing.crowded",
    "sewing.holes_close",
    "sewing.no_folds",
    "sewing.few",
    "sewing.near_edge",
    "sewing.two_people",
    "measured.far",
    "measured.early",
]

SEWN: dict[SewnCode, FindingWords] = {
    "swell.much": FindingWords(
        "mind",
        "block",
        "Swell is {percent} % of the thickness; this back takes {most} % at most, since it is not rounded.",
        "Sew with {thread} thread or thinner, put more sheets in a {signature}, sew two on, or round "
        "the back.",
    ),
    "swell.besides": FindingWords(
        "mind",
        "block",
        "Swell is {percent} % of the thickness; this back takes {most} % at most, and the guards "
        "alone bring more than it takes easily.",
        "Make guards thinner or fewer, put as much in between the leaves at the fore-edge, or "
        "round the back.",
    ),
    "block.too_thick": FindingWords(
        "stop",
        "block",
        "A block {thickness} thick cannot be bound as one book.",
        "Split the text into volumes of at most {most}, or check the number of pages and the paper.",
    ),
    "round.none": FindingWords(
        "mind",
        "block",
        "A round of nothing is a flat back.",
        "Round the spine, or choose a structure with a flat back.",
    ),
    "round.impossible": FindingWords(
        "stop",
        "block",
        "A swell of {swell} is more than even a half circle takes up, {most}.",
        "Sew with thinner thread, put more sheets in a {signature}, or sew two on.",
    ),
    "round.forced": FindingWords(
        "mind",
        "block",
        "This round wants {short} more swell than the sewing gives: it has to be forced, and falls back.",
        "Take the round the swell asks for, or sew with thicker thread.",
    ),
    "round.left_over": FindingWords(
        "mind",
        "block",
        "{left} of swell is left over after rounding, more than the shoulders take.",
        "Take the round the swell asks for, or sew with thinner thread.",
    ),
    "deckle.trimmed": FindingWords(
        "mind",
        "block",
        "A deckle edge is not trimmed, and a trim is set at the fore-edge.",
        "Leave the fore-edge as it is; bolts there have to be slit, and creep stays visible.",
    ),
    "trim.meant": FindingWords(
        "note",
        "block",
        "The block is to stay untrimmed, and trims are set.",
        "Leave every edge as it is, or say how the block is trimmed.",
    ),
    "trim.in_boards": FindingWords(
        "mind",
        "block",
        "Trimming in boards needs boards laced on, and the boards of this binding come after the block "
        "is cut.",
        "Trim the block by itself, out of boards.",
    ),
    "diagonals.differ": FindingWords(
        "mind",
        "block",
        "The diagonals differ by {off}: head and tail have slid by {slid} against one another.",
        "Mark head and tail again with a square from the spine before cutting.",
    ),
    "diagonals.equal": FindingWords(
        "note",
        "block",
        "The diagonals are equal within {mm:0.5}: the block is square.",
        "Cut.",
    ),
    "diagonals.far": FindingWords(
        "mind",
        "block",
        "A block of this size has diagonals of {expected}; what was entered is of another.",
        "Measure from corner to corner of the marked lines, both ways.",
    ),
    "end_band.high": FindingWords(
        "mind",
        "block",
        "An end band of {band} is too high for these squares, which cover one of {covers} at most.",
        "The board covers the band by {mm:0.5}: take a lower band, or larger squares.",
    ),
    "sewing.crowded": FindingWords(
        "stop",
        "sewing",
        "{supports} of {width} do not fit between the kettles of a block {height} high.",
        "Take fewer or narrower ones.",
    ),
    "sewing.holes_close": FindingWords(
        "stop",
        "sewing",
        "The two holes beside a support {width} wide would be {apart} apart; closer than {least}, the paper "
        "between them tears out.",
        "Sew round cords sawn in, through one hole each, or take wider supports.",
    ),
    "sewing.no_folds": FindingWords(
        "mind",
        "sewing",
        "Single leaves have no fold to sew through.",
        "Leave them glued; if they are folded {signatures} after all, choose their fold.",
    ),
    "sewing.few": FindingWords(
        "note",
        "sewing",
        "{supports} is few for a block {height} high; the spine is weak between them.",
        "{better} suit this height.",
    ),
    "sewing.near_edge": FindingWords(
        "mind",
        "sewing",
        "Kettles {kettle} from head and tail tear out.",
        "{mm:12–15} holds.",
    ),
    "sewing.two_people": FindingWords(
        "note",
        "sewing",
        "A block {height} high is longer than an arm's reach.",
        "Sew it with two people, one at each end, passing the needle.",
    ),
    "measured.far": FindingWords(
        "mind",
        "block",
        "{label} was measured as {measured}, but comes out as {computed} by the reckoning.",
        "Measure again; if it holds, find out which of the figures it was reckoned from is wrong.",
    ),
    "measured.early": FindingWords(
        "mind",
        "block",
        "{label} was measured as {measured}: that is its size {before}; {state}, it comes out as {computed}.",
        "Boards are cut from the {state} size: measure it again then.",
    ),
}
