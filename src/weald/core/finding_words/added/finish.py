"""Words of what to mind about finishing, jackets and cases, printing elsewhere, books judged and copied."""

from typing import Literal

from weald.core.finding_words.entry import FindingWords

FinishCode = Literal[
    "jacket.flap_narrow",
    "jacket.flap_wide",
    "case.thumb_large",
    "finishing.no_panel",
    "finishing.not_owned",
    "finishing.long",
    "finishing.broad",
    "finishing.high",
    "finishing.no_label",
    "finishing.label_wide",
    "finishing.meets",
    "finishing.off_board",
    "judged.beyond",
    "judged.worn",
    "judged.broken",
    "copied.take",
    "copied.differs",
    "copied.lettering",
    "copied.alike",
    "copied.inset",
    "elsewhere.edition",
    "elsewhere.pages",
    "elsewhere.blanks",
    "elsewhere.document",
    "elsewhere.narrow",
    "elsewhere.same_identifier",
    "elsewhere.identifier",
]

FINISH: dict[FinishCode, FindingWords] = {
    "jacket.flap_narrow": FindingWords(
        "mind",
        "finish",
        "Flaps {width} wide slip out when the book is opened.",
        "Make them half as wide as the board at least.",
    ),
    "jacket.flap_wide": FindingWords(
        "stop",
        "finish",
        "Flaps {width} wide reach beyond the board, which is {board} wide.",
        "Make them two thirds of the board at most.",
    ),
    "case.thumb_large": FindingWords(
        "mind",
        "finish",
        "Thumb cuts of {radius} leave too little of the wall they are cut into.",
        "Make them smaller: {most} at most.",
    ),
    "finishing.no_panel": FindingWords(
        "mind",
        "finish",
        "Something is set in panel {panel}, and the spine has {panels}.",
        "Put it in another panel, or say where the bands are.",
    ),
    "finishing.not_owned": FindingWords(
        "mind",
        "finish",
        "There is no {kind} called “{name}” among those owned here.",
        "Measure its impression and add it, or take another.",
    ),
    "finishing.long": FindingWords(
        "stop",
        "finish",
        "Line {line} is {length} long, and there is room for {room}.",
        "Break it in two lines, take smaller letters, or fewer repeats.",
    ),
    "finishing.broad": FindingWords(
        "stop",
        "finish",
        "Line {line} runs along the spine and is {height} high, where there is room for {room}.",
        "Take smaller letters, or keep less free at the spine's edges.",
    ),
    "finishing.high": FindingWords(
        "stop",
        "finish",
        "What stands in panel {panel} is {height} high, and the panel {room}.",
        "Set the lines closer, or put one of them in another panel.",
    ),
    "finishing.no_label": FindingWords(
        "stop",
        "finish",
        "Nothing is left of label {label}: it is cut {less} smaller than its panel, which is no "
        "larger than that.",
        "Cut it closer to the panel, or give it a size of its own.",
    ),
    "finishing.label_wide": FindingWords(
        "mind",
        "finish",
        "Label {label} is {width} wide, and the spine {room}: it goes into the joints.",
        "Cut it no wider than the spine.",
    ),
    "finishing.meets": FindingWords(
        "stop",
        "finish",
        "{what} meets {other}.",
        "Measure its middle again, from the head of the boards.",
    ),
    "finishing.off_board": FindingWords(
        "stop",
        "finish",
        "{what} does not go on the {side} board, which is {width} wide and {height} high.",
        "Make it smaller, or put it nearer to the middle.",
    ),
    "judged.beyond": FindingWords(
        "mind",
        "record",
        "{what}: {size} out, and {most} is the most. It means: {says}.",
        "{mends}.",
    ),
    "judged.worn": FindingWords(
        "note",
        "record",
        "{what}: {says}.",
        "{mends}.",
    ),
    "judged.broken": FindingWords(
        "mind",
        "record",
        "{what}: {says}.",
        "{mends}. Valuable books go to an accredited conservator first.",
    ),
    "copied.take": FindingWords(
        "note",
        "text",
        "The old book's measures are not those of this job.",
        "Make the job like it; whatever it does not measure stays as it is.",
    ),
    "copied.differs": FindingWords(
        "mind",
        "text",
        "{label} comes to {here}; the old book has {there}.",
        "Check that it was measured on a sound part of the book, and measure twice.",
    ),
    "copied.lettering": FindingWords(
        "mind",
        "finish",
        "“{words}” comes to {here} long and {high} high with “{type}”; on the old book it is {there} long "
        "and {was} high.",
        "Use other type, or space its letters until it is as long.",
    ),
    "copied.alike": FindingWords(
        "note",
        "text",
        "The job comes out like the old book, as far as it was measured.",
        "Measure again what matters before board is cut.",
    ),
    "copied.inset": FindingWords(
        "note",
        "text",
        "The distance from the spine to the old boards was not measured: with this joint the fore-edge "
        "square comes out at {square}.",
        "Measure from the spine, or the shoulder, to the old board; then the joint is copied too.",
    ),
    "elsewhere.edition": FindingWords(
        "note",
        "finish",
        "{name}: {pages} pages, spine {spine}, document {width} × {height}; {weight} a copy{price}.",
        "Compare before ordering: the printer's own calculator has the last word.",
    ),
    "elsewhere.pages": FindingWords(
        "stop",
        "finish",
        "{name}: {pages} pages, and its printer binds {least} to {most}.",
        "Take another binding, another printer, or another page size.",
    ),
    "elsewhere.blanks": FindingWords(
        "note",
        "finish",
        "{name}: {blanks} blank pages at the end, made up and added by the printer.",
        "Use them: a colophon, notes, a list of works.",
    ),
    "elsewhere.document": FindingWords(
        "stop",
        "finish",
        "{name}: its printer asks for a document of {asked}, and by the rules entered it comes to {here}.",
        "Look at pages, paper and spine again before ordering; the cover is written in the "
        "middle of what is asked for.",
    ),
    "elsewhere.narrow": FindingWords(
        "mind",
        "finish",
        "{name}: a spine {spine} wide takes no lettering.",
        "Leave it plain, or the printer will refuse it.",
    ),
    "elsewhere.same_identifier": FindingWords(
        "stop",
        "finish",
        "“{one}” and “{other}” have the same identifier.",
        "Each edition has a number of its own: hardback and paperback too.",
    ),
    "elsewhere.identifier": FindingWords(
        "mind",
        "finish",
        "{name}: its identifier is no number of thirteen digits with its check digit.",
        "Look at it again; the barcode is drawn once it is right.",
    ),
}
