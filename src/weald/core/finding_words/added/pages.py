"""Words of what to mind about pages arranged, sheets of their own, things ganged, paper taken and weighed."""

from typing import Literal

from weald.core.finding_words.entry import FindingWords

PagesCode = Literal[
    "taken.boards",
    "taken.squares",
    "taken.too_small",
    "taken.torn",
    "taken.torn_across",
    "weighed.differs",
    "weighed.odd",
    "pages.beyond",
    "pages.both",
    "pages.put_in",
    "numbers.off",
    "numbers.edge",
    "cover.thin",
    "spread.holes",
    "formes.none",
    "formes.twice",
    "formes.more",
    "formes.grain",
    "formes.half",
    "formes.order",
    "ganged.nothing",
    "ganged.too_large",
    "ganged.cut",
]

PAGES: dict[PagesCode, FindingWords] = {
    "taken.boards": FindingWords(
        "note",
        "text",
        "These boards, {way}, suit a leaf of {width} × {height}.",
        "Choose that leaf, or see which way round gives the better squares.",
    ),
    "taken.squares": FindingWords(
        "note",
        "text",
        "On the block as it is these boards are better {way}: {head} at head and tail, "
        "{fore_edge} at the fore-edge.",
        "Offer one up, dry, before anything is cut.",
    ),
    "taken.too_small": FindingWords(
        "mind",
        "text",
        "On the block as it is these boards are too small either way round; {way} they come "
        "nearest: {head} at head and tail, {fore_edge} at the fore-edge.",
        "Take the leaf that suits them, or cut new boards.",
    ),
    "taken.torn": FindingWords(
        "note",
        "paper",
        "Torn so, the sheet gives {count} leaves of {width} × {height}, the grain {grain}; {deckles}.",
        "Choose the leaf, or tear another way. Clean hands, and no scissors for paper.",
    ),
    "taken.torn_across": FindingWords(
        "mind",
        "paper",
        "Torn so, the sheet gives {count} leaves of {width} × {height}, but with the grain {grain}.",
        "Tear it into other parts, so that the grain runs along the spine.",
    ),
    "weighed.differs": FindingWords(
        "note",
        "paper",
        "By weight this paper has {gsm} g/m²; the job reckons with {has}.",
        "Take it, unless the pages were damp or the scale is coarse.",
    ),
    "weighed.odd": FindingWords(
        "mind",
        "paper",
        "A paper of {gsm} g/m² is not likely.",
        "Look at the sheets' number, their size and the unit of the scale.",
    ),
    "pages.beyond": FindingWords(
        "mind",
        "text",
        "Pages {pages} are not there; the last is {last}.",
        "Name pages of the text as it was brought.",
    ),
    "pages.both": FindingWords(
        "mind",
        "text",
        "Pages {pages} are to stand on the right and on the left.",
        "Take them out of one of the lists.",
    ),
    "pages.put_in": FindingWords(
        "note",
        "text",
        "{blanks} put in, so that pages stand where they are wanted.",
        "They have no number, and count in the {signatures}.",
    ),
    "numbers.off": FindingWords(
        "stop",
        "printing",
        "The numbers would stand off the page.",
        "Bring them nearer to the edge, and to the side.",
    ),
    "numbers.edge": FindingWords(
        "mind",
        "printing",
        "The numbers stand so near to the edge that trimming may take them.",
        "Bring them further in.",
    ),
    "cover.thin": FindingWords(
        "note",
        "boards",
        "Paper of {gsm} g/m² makes a short-lived cover; {least} or more lasts.",
        "Take heavier paper for the whole, or give it a cover.",
    ),
    "spread.holes": FindingWords(
        "mind",
        "sewing",
        "{holes} go through the picture on pages {left} and {right}, which is the middle of "
        "{signature} {section}.",
        "Move the picture to another opening, or place the holes where it is plain.",
    ),
    "formes.none": FindingWords(
        "note",
        "folding",
        "No {signature} has sheets of its own: nothing is left over that fits half a sheet.",
        "Name a {signature} that is, or do without.",
    ),
    "formes.twice": FindingWords(
        "mind",
        "folding",
        "{Signature} {place} is named twice.",
        "Name each once; the one named later comes before.",
    ),
    "formes.more": FindingWords(
        "mind",
        "folding",
        "{Signatures} of their own hold {own} pages, and the text has {pages}.",
        "Take fewer sheets for them; the rest stays blank.",
    ),
    "formes.grain": FindingWords(
        "mind",
        "folding",
        "The sheets of {signature} {place} have their grain along the {grain}; folded "
        "{programme}, it lies across "
        "the spine, and the {signature} stands open.",
        "Cut them with the grain along the {wanted}.",
    ),
    "formes.half": FindingWords(
        "note",
        "folding",
        "What is left over is printed on a half sheet of {pages} pages, folded {programme}.",
        "Printed worked and turned, one sheet gives two of it: a copy, and one to spare.",
    ),
    "formes.order": FindingWords(
        "note",
        "printing",
        "{Signatures} on formes of their own: {places}. They come in the file where they stand in the book.",
        "Lay their paper ready, and change it when the printer comes to them; or print them one by one.",
    ),
    "ganged.nothing": FindingWords(
        "note",
        "printing",
        "Nothing is on the sheet yet.",
        "Name what is to be printed, how large and how many.",
    ),
    "ganged.too_large": FindingWords(
        "mind",
        "printing",
        "These things do not go on one sheet together, as their grain has to run.",
        "Take a larger sheet, one with its grain the other way, or gang fewer of them.",
    ),
    "ganged.cut": FindingWords(
        "note",
        "printing",
        "Printed {runs} times, the sheet has {counts}; cut in {rows} rows first, then each row apart{over}.",
        "Print the back turned sideways: it is mirrored as drawn. Label the piles as they are cut.",
    ),
}
