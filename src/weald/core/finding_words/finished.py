"""Words of what to mind at finish and cutting, and in sets."""

from typing import Literal

from weald.core.finding_words.entry import FindingWords

FinishedCode = Literal[
    "finish.no_spine",
    "finish.narrow",
    "finish.small",
    "finish.large",
    "colophon.no_words",
    "colophon.no_page",
    "set.gap",
    "set.repeat",
    "set.back",
    "set.date_back",
    "set.meant",
    "set.volume",
    "piece.across",
    "piece.across_meant",
    "piece.untested",
    "piece.too_large",
    "piece.askew",
    "piece.thickness",
    "stock.unused",
    "set.date_gap",
]

FINISHED: dict[FinishedCode, FindingWords] = {
    "colophon.no_words": FindingWords(
        "mind",
        "record",
        "The colophon is to be printed on the last blank page, and has no words of its own yet.",
        "At the station Record, under Colophon, keep the words that are set there, or write your own.",
    ),
    "colophon.no_page": FindingWords(
        "mind",
        "record",
        "The colophon is to be printed on the last blank page, and the text fills the last {signature}.",
        "Make the text up with blanks at its end, or print the colophon as a page of its own and tip it in.",
    ),
    "finish.no_spine": FindingWords(
        "note",
        "finish",
        "This binding shows no spine to letter.",
        "Letter the front, or choose another structure.",
    ),
    "finish.narrow": FindingWords(
        "mind",
        "finish",
        "A spine {width} wide takes no lettering: it needs {least} at least.",
        "Letter the front, or leave it plain.",
    ),
    "finish.small": FindingWords(
        "mind",
        "finish",
        "The title fits only with capitals of {capital}, too small to read on a shelf.",
        "Shorten it, letter it along the spine, or letter the front.",
    ),
    "finish.large": FindingWords(
        "mind",
        "finish",
        "Capitals of {capital} run over the edges of the spine or out of its panel.",
        "Take the size that fits, or shorten the title.",
    ),
    "set.gap": FindingWords(
        "mind",
        "finish",
        "After volume {before} comes volume {number}: {missing} is missing.",
        "Number them again, or say in a note why it is meant so.",
    ),
    "set.repeat": FindingWords(
        "mind",
        "finish",
        "Volume {number} occurs twice, as number {first} and number {here} in the row.",
        "Number one of them again, or say in a note why it is meant so.",
    ),
    "set.back": FindingWords(
        "mind",
        "finish",
        "After volume {before} the numbers step back to {number}.",
        "Put them in order, or say in a note why it is meant so.",
    ),
    "set.date_back": FindingWords(
        "mind",
        "finish",
        "“{date}” lies before {before}, the date of the volume to its left.",
        "Put them in order, or say in a note why it is meant so.",
    ),
    "set.meant": FindingWords(
        "note",
        "finish",
        "{what}",
        "Meant so: {note}",
    ),
    "set.volume": FindingWords(
        "mind",
        "finish",
        "In {volume}: {message}",
        "{remedy}",
    ),
    "piece.across": FindingWords(
        "mind",
        "cutting",
        "{piece} would come out of its stock with the grain the wrong way: {effect}.",
        "{remedy}",
    ),
    "piece.across_meant": FindingWords(
        "note",
        "cutting",
        "{piece} is cut across the grain on purpose: {effect}.",
        "Choose its stock again if it is no longer meant so.",
    ),
    "piece.untested": FindingWords(
        "mind",
        "cutting",
        "Nobody has tested the grain of {stock}, and {piece} needs it {needs}.",
        "Test it on the shelf, then choose it again.",
    ),
    "piece.too_large": FindingWords(
        "stop",
        "cutting",
        "{piece} needs {needs}, and {stock} is only {has}.",
        "Choose larger stock.",
    ),
    "piece.askew": FindingWords(
        "mind",
        "cutting",
        "{piece} is longer than {stock}, but lies on it turned by {degrees}° out of the straight.",
        "Cut a paper pattern and lay it on the skin first; leather has no grain to mind.",
    ),
    "piece.thickness": FindingWords(
        "mind",
        "cutting",
        "{stock} is {has} thick, and the job reckons with {needs}.",
        "Go by the stock, or choose stock of that thickness.",
    ),
    "stock.unused": FindingWords(
        "note",
        "cutting",
        "Stock is chosen for “{piece}”, and this book has no such piece.",
        "Take it out, or leave it for another structure.",
    ),
    "set.date_gap": FindingWords(
        "mind",
        "finish",
        "After {before} comes “{date}”: {missing} is missing.",
        "Put the volume that is missing in the row, or say in a note why it is meant so.",
    ),
}
