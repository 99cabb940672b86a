"""What to mind, and the remedy: the one catalogue of sentences.

Rules elsewhere in the core name a code and its terms; the words stand here, so that screen,
paper and command line say the same thing.
"""

from dataclasses import dataclass, field
from typing import Literal

Severity = Literal["stop", "mind", "note"]
Patch = dict[str, object]
"""Changes to a job: dotted path to new value, as ``{"paper.sheet.grain": "height"}``."""


@dataclass(frozen=True, slots=True)
class Action:
    """A remedy that can be applied at a touch."""

    label: str
    patch: Patch


@dataclass(frozen=True, slots=True)
class Finding:
    """Something to mind.

    :param about: id of the quantity or path of the entry it concerns.
    """

    code: str
    severity: Severity
    station: str
    message: str
    remedy: str
    about: str
    actions: tuple[Action, ...] = field(default=())


_CATALOGUE: dict[str, tuple[Severity, str, str, str]] = {
    # code: severity, station, message, remedy
    "text.blanks": (
        "note",
        "text",
        "{pages} pages do not fill whole sheets: {blanks} blank {pages_word} at the {place}.",
        "Leave them blank, or rule them for notes: {total} pages fill {sheets} sheets exactly.",
    ),
    "text.left_out": (
        "mind",
        "text",
        "The text has {file} pages, and only {pages} of them are bound.",
        "Bind them all, or leave the last ones out on purpose.",
    ),
    "text.run_out": (
        "mind",
        "text",
        "The text has only {file} pages; pages {first} to {pages} come out as {filler}.",
        "Bind as many pages as the text has; what fills whole sheets is added by itself.",
    ),
    "sheet.too_small": (
        "stop",
        "paper",
        "The unfolded sheet needs {needs}, and the paper is only {has}.",
        "Take paper of at least {needs}, or a leaf of at most {most_width} × {most_height}.",
    ),
    "grain.across": (
        "mind",
        "paper",
        "The grain runs across the spine: the leaves wave at the gutter and do not lie flat.",
        "Take this sheet with its grain the other way ({needed_word}), or paper of at least {turned} with "
        "grain as it is, and lay the pieces turned on it.",
    ),
    "grain.turned": (
        "note",
        "paper",
        "Grain comes right with the pieces laid a quarter turn round on the sheet.",
        "Cut the sheets as the drawing shows before folding or printing.",
    ),
    "section.thick": (
        "note",
        "folding",
        "{sheets} sheets a section is more than {grammage} g/m² folds well: the fore-edge becomes a wedge.",
        "{low} to {high} sheets a section suit this paper.",
    ),
    "section.thin": (
        "note",
        "folding",
        "{sheets} sheets a section is fewer than {grammage} g/m² needs: more sewing, more swell.",
        "{low} to {high} sheets a section suit this paper.",
    ),
    "creep.beyond_trim": (
        "mind",
        "folding",
        "The inner folios creep {creep} beyond the outer ones, more than the fore-edge trim of {trim}: "
        "trimmed edges stay uneven.",
        "Trim at least {needs} at the fore-edge, or put fewer sheets in a section.",
    ),
    "spread.crosses": (
        "mind",
        "folding",
        "The picture across pages {left} and {right} lies on two pieces of paper: {where}.",
        "Whole are pictures across pages {whole}; move it there, or expect its halves not to line up.",
    ),
    "spread.backs": (
        "mind",
        "folding",
        "Pages {left} and {right} do not face one another: {left} is a right-hand page.",
        "Name the left-hand page of the picture, an even one.",
    ),
    "bolts.closed": (
        "note",
        "folding",
        "The {edge} stays closed in folding and nothing is trimmed there.",
        "Trim the {edge}, or open those leaves with a knife.",
    ),
    "text.other_size": (
        "mind",
        "text",
        "The pages of the text are {text}, the leaf is {leaf}: {what}.",
        "Make the leaf the size of the text, or scale the text to fit or fill the leaf.",
    ),
    "text.scaled": (
        "note",
        "text",
        "Pages of the text are printed at {percent} %: 10 pt type comes out at {points} pt.",
        "Print them as they are, if they are to keep their size.",
    ),
    "printed.too_small": (
        "stop",
        "printing",
        "What is printed needs a sheet of {needs}; this one is {has}.",
        "Take a sheet of at least {needs}, fold the text another way, or print fewer copies on a sheet.",
    ),
    "printed.too_large": (
        "stop",
        "printing",
        "The sheet of {has} does not go into this printer, which takes {most}.",
        "Fold the text another way, so that its sheet is smaller, or print it elsewhere.",
    ),
    "printed.at_the_edge": (
        "mind",
        "printing",
        "This printer leaves {unprintable} free at every edge, and pages reach into that.",
        "Take a sheet of at least {needs}, or keep the margins of the text free.",
    ),
    "printed.backs_turned": (
        "note",
        "printing",
        "This sheet would turn on its {natural} edge; backs are printed on their heads so that turning "
        "on the {flip} edge comes right.",
        "Set the printer to flip on the {flip} edge.",
    ),
    "printed.flip_not_offered": (
        "mind",
        "printing",
        "This printer cannot turn sheets on the {flip} edge.",
        "Set it to the {offered} edge; the backs are placed to suit.",
    ),
    "printed.by_hand": (
        "note",
        "printing",
        "This printer does not turn sheets by itself: fronts and backs come as two files.",
        "Print the one-sheet test first.",
    ),
    "printed.bleed": (
        "mind",
        "printing",
        "A bleed of {bleed} is more than the {trim} trimmed at the {edge}; it is cut short there.",
        "Trim more, or take less bleed.",
    ),
    "printed.no_marks": (
        "note",
        "printing",
        "There is no waste to put marks in.",
        "Trim at least 3 mm at head and tail, or print on a larger sheet.",
    ),
    "printed.fold_to_edges": (
        "mind",
        "printing",
        "The printed sheet is larger than what is folded; edge to edge, later folds miss the print.",
        "Fold to the printed marks, or cut the sheets to {needs} first.",
    ),
    "swell.much": (
        "mind",
        "block",
        "Swell is {percent} % of the thickness; a flat back takes 10 to 12 %.",
        "Sew with {thread} thread or thinner, put more sheets in a section, or sew two on.",
    ),
    "block.too_thick": (
        "stop",
        "block",
        "A block {thickness} thick cannot be bound as one book.",
        "Split the text into volumes of at most {most}, or check the number of pages and the paper.",
    ),
    "block.heavy": (
        "mind",
        "block",
        "A block {thickness} thick pulls out of a flat-back case.",
        "Split it into volumes, or take thinner paper.",
    ),
    "block.thin": (
        "mind",
        "block",
        "A block {thickness} thick is too thin for a spine board.",
        "At least {least} makes a flat-back case: take thicker paper or more pages.",
    ),
    "board.thin": (
        "note",
        "boards",
        "A {board} board is thin for a block {height} high; thin boards warp.",
        "Take {better} board, or line it.",
    ),
    "joint.too_tight": (
        "stop",
        "boards",
        "A joint gap of {gap} is too tight: over a {spine} spine board the cloth reaches only {short} of the "
        "{groove} groove.",
        "The least gap is {least}; {easy} lets the boards open easily.",
    ),
    "joint.stiff": (
        "mind",
        "boards",
        "The boards begin {inset} from the spine, less than their own thickness: they do not open "
        "to a right angle.",
        "A gap of {square} opens them square, {easy} easily.",
    ),
    "squares.uneven": (
        "mind",
        "boards",
        "Head and tail squares differ: {head} and {tail}.",
        "Make them even, unless the book asks for it.",
    ),
    "squares.none": (
        "note",
        "boards",
        "There is no square at the {edge}: the board gives its edge no cover.",
        "3 mm suits most books.",
    ),
    "squares.off": (
        "mind",
        "boards",
        "Closed with the pieces as they are, the {edge} square comes out {found} instead of {asked}.",
        "Cut the boards anew, or accept the square.",
    ),
    "turn_in.short": (
        "mind",
        "boards",
        "Only {inside} of the turn-in lies on the inside of the board.",
        "A turn-in of {needs} leaves at least {least} inside.",
    ),
    "case.too_wide": (
        "mind",
        "boards",
        "The cover needs {width} × {height}, larger than most cloth is wide.",
        "Check the leaf size and the squares.",
    ),
    "board.too_narrow": (
        "stop",
        "boards",
        "The board would be {width} wide, which is no board.",
        "Check the leaf width, the joint and the fore-edge square.",
    ),
    "piece.across": (
        "mind",
        "cutting",
        "{piece} would come out of its stock with the grain the wrong way: {effect}.",
        "{remedy}",
    ),
    "piece.across_meant": (
        "note",
        "cutting",
        "{piece} is cut across the grain on purpose: {effect}.",
        "Take its stock anew if that is not meant any more.",
    ),
    "piece.untested": (
        "mind",
        "cutting",
        "Nobody has tested the grain of {stock}, and {piece} needs it {needs}.",
        "Test it on the shelf, and take it anew.",
    ),
    "piece.too_large": (
        "stop",
        "cutting",
        "{piece} needs {needs}, and {stock} is only {has}.",
        "Choose larger stock.",
    ),
    "piece.thickness": (
        "mind",
        "cutting",
        "{stock} is {has} thick, and the job reckons with {needs}.",
        "Go by the stock, or choose stock of that thickness.",
    ),
    "stock.unused": (
        "note",
        "cutting",
        "Stock is chosen for “{piece}”, and this book has no such piece.",
        "Take it out, or leave it for another structure.",
    ),
    "stock.departs": (
        "mind",
        "paper",
        "The paper of this job is not as {stock} is on the shelf: {what}.",
        "Take the shelf's figures anew, or take the stock out.",
    ),
    "bow.outward": (
        "note",
        "boards",
        "The cover pulls harder than the paste-down: boards will tend to bow outward, away from the book.",
        "Line the inside of the boards with paper of about {weight} g/m², grain head to tail; glue the "
        "paper, not the board.",
    ),
    "bow.inward": (
        "note",
        "boards",
        "Paste-down and linings pull harder than the cover: boards will tend to curl towards the book.",
        "A little of that is wanted, as it keeps the book shut; if it is too much, take a lighter lining.",
    ),
    "measured.unused": (
        "note",
        "text",
        "A measurement of {label} is kept, but this binding has no such size.",
        "Clear it, or leave it for another binding.",
    ),
    "measured.far": (
        "mind",
        "block",
        "{label} was measured as {measured}, but comes out as {computed} from the paper.",
        "Measure again; if it stands, check the paper's thickness and the number of pages.",
    ),
}


def finding(
    code: str, about: str, *, station: str = "", actions: tuple[Action, ...] = (), **terms: object
) -> Finding:
    """The finding ``code`` with its terms filled in. ``station`` overrides the catalogue's."""
    severity, home, message, remedy = _CATALOGUE[code]
    return Finding(
        code,
        severity,
        station or home,
        message.format(**terms),
        remedy.format(**terms),
        about,
        actions,
    )
