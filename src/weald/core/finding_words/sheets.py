"""Words of what to mind at text, paper, folding and printing."""

from typing import Literal

from weald.core.finding_words.entry import FindingWords

SheetCode = Literal[
    "text.blanks",
    "text.left_out",
    "text.run_out",
    "sheet.too_small",
    "grain.across",
    "grain.turned",
    "section.thick",
    "section.thin",
    "creep.beyond_trim",
    "spread.crosses",
    "spread.backs",
    "bolts.closed",
    "text.other_size",
    "text.scaled",
    "printed.too_small",
    "printed.too_large",
    "printed.at_the_edge",
    "printed.backs_turned",
    "printed.flip_not_offered",
    "printed.by_hand",
    "printed.bleed",
    "printed.no_marks",
    "printed.fold_to_edges",
    "leaf.small",
    "leaf.trimmed_small",
    "stock.departs",
    "spread.beyond",
    "printed.marks_lost",
    "measured.unused",
]

SHEETS: dict[SheetCode, FindingWords] = {
    "text.blanks": FindingWords(
        "note",
        "text",
        "{pages} do not fill whole sheets: {blanks} at the {place}.",
        "Leave them blank, or rule them for notes: {total} pages fill {sheets} exactly.",
    ),
    "text.left_out": FindingWords(
        "mind",
        "text",
        "The text has {file}, and only {pages} of them are bound.",
        "Bind them all, or leave the last ones out on purpose.",
    ),
    "text.run_out": FindingWords(
        "mind",
        "text",
        "The text has only {file}; what follows up to page {pages} comes out as {filler}.",
        "Bind as many pages as the text has; what fills whole sheets is added by itself.",
    ),
    "sheet.too_small": FindingWords(
        "stop",
        "paper",
        "The unfolded sheet needs {needs}, and the paper is only {has}.",
        "Take paper of at least {needs}, or a leaf of at most {most_width} × {most_height}.",
    ),
    "grain.across": FindingWords(
        "mind",
        "paper",
        "The grain runs across the spine: the leaves wave at the gutter and do not lie flat.",
        "Take this sheet with its grain the other way ({needed_word}), or paper of at least {turned} with "
        "grain as it is, and lay the pieces turned on it.",
    ),
    "grain.turned": FindingWords(
        "note",
        "paper",
        "The grain comes right with the pieces turned a quarter on the sheet.",
        "Cut the sheets as the drawing shows before folding or printing.",
    ),
    "section.thick": FindingWords(
        "note",
        "folding",
        "{sheets} a {signature} is more than {grammage} g/m² folds well: the fore-edge becomes a wedge.",
        "{low} to {high} sheets a {signature} suit this paper.",
    ),
    "section.thin": FindingWords(
        "note",
        "folding",
        "{sheets} a {signature} is fewer than {grammage} g/m² needs: more sewing, more swell.",
        "{low} to {high} sheets a {signature} suit this paper.",
    ),
    "creep.beyond_trim": FindingWords(
        "mind",
        "folding",
        "The inner folios creep {creep} beyond the outer ones, more than the fore-edge trim of {trim}: "
        "trimmed edges stay uneven.",
        "Trim at least {needs} at the fore-edge, or put fewer sheets in a {signature}.",
    ),
    "spread.crosses": FindingWords(
        "mind",
        "folding",
        "The picture across pages {left} and {right} lies on two pieces of paper: {where}.",
        "Pictures across pages {whole} stay whole; move it there, or expect its halves not to line up.",
    ),
    "spread.backs": FindingWords(
        "mind",
        "folding",
        "Pages {left} and {right} do not face one another: {left} is a right-hand page.",
        "Name the left-hand page of the picture, an even one.",
    ),
    "bolts.closed": FindingWords(
        "note",
        "folding",
        "The {edge} stays closed in folding and nothing is trimmed there.",
        "Trim the {edge}, or open those leaves with a knife.",
    ),
    "text.other_size": FindingWords(
        "mind",
        "text",
        "The pages of the text are {text}, the leaf is {leaf}: {what}.",
        "Make the leaf the size of the text, or scale the text to fit or fill the leaf.",
    ),
    "text.scaled": FindingWords(
        "note",
        "text",
        "Pages of the text are printed at {percent} %: 10 pt type comes out at {points} pt.",
        "Print them as they are, if they are to keep their size.",
    ),
    "printed.too_small": FindingWords(
        "stop",
        "printing",
        "What is printed needs a sheet of {needs}; this one is {has}.",
        "Take a sheet of at least {needs}, fold the text another way, or print fewer copies on a sheet.",
    ),
    "printed.too_large": FindingWords(
        "stop",
        "printing",
        "The sheet of {has} does not go into this printer, which takes {most}.",
        "Fold the text another way, so that its sheet is smaller, or print it elsewhere.",
    ),
    "printed.at_the_edge": FindingWords(
        "mind",
        "printing",
        "This printer leaves {unprintable} free at every edge, and pages reach into that.",
        "Take a sheet of at least {needs}, or keep the margins of the text free.",
    ),
    "printed.backs_turned": FindingWords(
        "note",
        "printing",
        "This sheet would turn on its {natural} edge; backs are printed upside down so that turning "
        "on the {flip} edge comes right.",
        "Set the printer to flip on the {flip} edge.",
    ),
    "printed.flip_not_offered": FindingWords(
        "mind",
        "printing",
        "This printer cannot turn sheets on the {flip} edge.",
        "Set it to the {offered} edge; the backs are placed to suit.",
    ),
    "printed.by_hand": FindingWords(
        "note",
        "printing",
        "This printer does not turn sheets by itself: fronts and backs come as two files.",
        "Print the one-sheet test first.",
    ),
    "printed.bleed": FindingWords(
        "mind",
        "printing",
        "A bleed of {bleed} is more than the {trim} trimmed at the {edge}; it is cut short there.",
        "Trim more, or take less bleed.",
    ),
    "printed.no_marks": FindingWords(
        "note",
        "printing",
        "There is no waste to put marks in.",
        "Trim at least {mm:3} at head and tail, or print on a larger sheet.",
    ),
    "printed.fold_to_edges": FindingWords(
        "mind",
        "printing",
        "The printed sheet is larger than what is folded; edge to edge, later folds miss the print.",
        "Fold to the printed marks, or cut the sheets to {needs} first.",
    ),
    "leaf.trimmed_small": FindingWords(
        "mind",
        "text",
        "The leaf as cut, trimmed, is {has}; the finished page was to be {page}.",
        "Trim less, or make the page that size: the block and its cover follow the leaf already.",
    ),
    "leaf.small": FindingWords(
        "stop",
        "text",
        "The leaf as cut is {has}, and the finished page is to be {page}.",
        "Trim less, make the page smaller, or cut the sheets again.",
    ),
    "stock.departs": FindingWords(
        "mind",
        "paper",
        "The paper of this job is not as {stock} is on the shelf: {what}.",
        "Choose the shelf's figures again, or remove the stock.",
    ),
    "spread.beyond": FindingWords(
        "mind",
        "folding",
        "There is no picture across pages {left} and {right}: the text ends with page {last}.",
        "Name the left-hand page of a picture within the text.",
    ),
    "printed.marks_lost": FindingWords(
        "mind",
        "printing",
        "This printer leaves {unprintable} free at every edge, and there is no other waste for the labels: "
        "they are left out.",
        "Print on a sheet of at least {needs}, or trim more at head and tail.",
    ),
    "measured.unused": FindingWords(
        "note",
        "text",
        "A measurement of {label} is stored, but this binding does not use it.",
        "Clear it, or leave it for another binding.",
    ),
}
