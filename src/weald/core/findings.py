"""What to mind, and the remedy: the one catalogue of sentences.

Rules elsewhere in the core name a code and its terms; the words stand here, so that screen,
paper and command line say the same thing.
"""

from dataclasses import dataclass, field
from typing import Literal

from weald.core.notation import Notation

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
        "{pages} do not fill whole sheets: {blanks} at the {place}.",
        "Leave them blank, or rule them for notes: {total} pages fill {sheets} exactly.",
    ),
    "text.left_out": (
        "mind",
        "text",
        "The text has {file}, and only {pages} of them are bound.",
        "Bind them all, or leave the last ones out on purpose.",
    ),
    "text.run_out": (
        "mind",
        "text",
        "The text has only {file}; what follows up to page {pages} comes out as {filler}.",
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
        "{sheets} a {signature} is more than {grammage} g/m² folds well: the fore-edge becomes a wedge.",
        "{low} to {high} sheets a {signature} suit this paper.",
    ),
    "section.thin": (
        "note",
        "folding",
        "{sheets} a {signature} is fewer than {grammage} g/m² needs: more sewing, more swell.",
        "{low} to {high} sheets a {signature} suit this paper.",
    ),
    "creep.beyond_trim": (
        "mind",
        "folding",
        "The inner folios creep {creep} beyond the outer ones, more than the fore-edge trim of {trim}: "
        "trimmed edges stay uneven.",
        "Trim at least {needs} at the fore-edge, or put fewer sheets in a {signature}.",
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
        "Trim at least {mm:3} at head and tail, or print on a larger sheet.",
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
        "Swell is {percent} % of the thickness; this back takes {most} % at most, since it is not rounded.",
        "Sew with {thread} thread or thinner, put more sheets in a {signature}, sew two on, or round "
        "the back.",
    ),
    "block.too_thick": (
        "stop",
        "block",
        "A block {thickness} thick cannot be bound as one book.",
        "Split the text into volumes of at most {most}, or check the number of pages and the paper.",
    ),
    "round.none": (
        "mind",
        "block",
        "A round of nothing is a flat back.",
        "Round the spine, or choose a structure with a flat back.",
    ),
    "round.impossible": (
        "stop",
        "block",
        "A swell of {swell} is more than even a half circle takes up, {most}.",
        "Sew with thinner thread, put more sheets in a {signature}, or sew two on.",
    ),
    "round.forced": (
        "mind",
        "block",
        "This round wants {short} more swell than the sewing gives: it has to be forced, and falls back.",
        "Take the round the swell asks for, or sew with thicker thread.",
    ),
    "round.left_over": (
        "mind",
        "block",
        "{left} of swell is left over after rounding, more than the shoulders take.",
        "Take the round the swell asks for, or sew with thinner thread.",
    ),
    "deckle.trimmed": (
        "mind",
        "block",
        "A deckle edge is not trimmed, and a trim is set at the fore-edge.",
        "Leave the fore-edge as it is; bolts there have to be slit, and creep stays visible.",
    ),
    "trim.meant": (
        "note",
        "block",
        "The block is to stay untrimmed, and trims are set.",
        "Leave every edge as it is, or say how the block is trimmed.",
    ),
    "trim.in_boards": (
        "mind",
        "block",
        "Trimming in boards needs boards laced on, and the boards of this binding come after the block "
        "is cut.",
        "Trim the block by itself, out of boards.",
    ),
    "diagonals.differ": (
        "mind",
        "block",
        "The diagonals differ by {off}: head and tail have slid by {slid} against one another.",
        "Mark head and tail again with a square from the spine before cutting.",
    ),
    "diagonals.equal": (
        "note",
        "block",
        "The diagonals are equal within half a millimetre: the block is square.",
        "Cut.",
    ),
    "diagonals.far": (
        "mind",
        "block",
        "A block of this size has diagonals of {expected}; what was entered is of another.",
        "Measure from corner to corner of the marked lines, both ways.",
    ),
    "end_band.high": (
        "mind",
        "block",
        "An end band of {band} stands higher than a square of {square} covers.",
        "The board covers the band by half a millimetre: take a lower band, or larger squares.",
    ),
    "sewing.crowded": (
        "stop",
        "sewing",
        "{supports} of {width} do not fit between the kettles of a block {height} high.",
        "Take fewer or narrower ones.",
    ),
    "sewing.few": (
        "note",
        "sewing",
        "{supports} is few for a block {height} high; the spine is weak between them.",
        "{better} suit this height.",
    ),
    "sewing.near_edge": (
        "mind",
        "sewing",
        "Kettles {kettle} from head and tail tear out.",
        "{mm:12–15} holds.",
    ),
    "sewing.two_people": (
        "note",
        "sewing",
        "A block {height} high is longer than an arm's reach.",
        "Sew it with two people, one at each end, passing the needle.",
    ),
    "structure.departs": (
        "mind",
        "boards",
        "“{wanted}” does not go with this binding ({structure}); it is reckoned with “{used}”.",
        "Take that, or choose another structure.",
    ),
    "suits.single_leaves": (
        "stop",
        "boards",
        "Single leaves have no fold to sew through, and a {structure} is sewn.",
        "Fold the text in {signatures}, or bind it as single leaves.",
    ),
    "suits.one_section": (
        "stop",
        "boards",
        "A {structure} holds one {signature}, and the text makes {sections}.",
        "Make the text up as one {signature}, or choose a structure sewn from several.",
    ),
    "suits.several": (
        "mind",
        "boards",
        "A {structure} is sewn from several {signatures}, and the text makes one.",
        "Share the sheets out over more {signatures}, or bind it as a pamphlet.",
    ),
    "suits.thin": (
        "mind",
        "boards",
        "A block {thickness} thick is too thin for this binding ({structure}).",
        "At least {least} makes one: take thicker paper or more pages, or another structure.",
    ),
    "suits.thick": (
        "mind",
        "boards",
        "A block {thickness} thick is more than this binding ({structure}) holds.",
        "Up to {most} goes well: split it into volumes, take thinner paper, or another structure.",
    ),
    "suits.heavy": (
        "mind",
        "boards",
        "{weight} of leaves is more than this binding ({structure}) carries.",
        "Up to {most} holds: take lighter paper, more volumes, or boards laced on.",
    ),
    "suits.deckle": (
        "mind",
        "boards",
        "A {structure} is trimmed together with its cover, and the deckle edge would be lost.",
        "Choose a structure whose cover stands out, or give up the deckle.",
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
        "A joint gap of {gap} is too tight: the cloth cannot reach to the bottom of a {groove} groove.",
        "The least gap is {least}; with boards that begin {easy} from the spine they open easily.",
    ),
    "joint.stiff": (
        "mind",
        "boards",
        "The boards begin {inset} from the joint, less than their own thickness: they do not open "
        "to a right angle.",
        "Beginning {square} away they open square, {easy} away easily.",
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
        "{mm:3} suits most books.",
    ),
    "squares.off": (
        "mind",
        "boards",
        "Closed with the pieces as they are, the {edge} square comes out {found} instead of {asked}.",
        "{remedy}",
    ),
    "case.gapes": (
        "stop",
        "boards",
        "A spine board {spine} wide holds the boards {lift} off the block: the book is out of parallel by "
        "{parallel}.",
        "Take a spine board of up to {fits}, or a joint of at least {gap}.",
    ),
    "cover.small": (
        "stop",
        "boards",
        "A cover of {width} × {height} does not reach round the edges of the boards.",
        "Cut it {needs}, or make the boards smaller.",
    ),
    "leaf.small": (
        "stop",
        "text",
        "The leaf as cut is {has}, and the finished page is to be {page}.",
        "Trim less, make the page smaller, or cut the sheets anew.",
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
    "finish.no_spine": (
        "note",
        "finish",
        "This binding shows no spine to letter.",
        "Letter the front, or choose another structure.",
    ),
    "finish.narrow": (
        "mind",
        "finish",
        "A spine {width} wide takes no lettering; {least} is the least.",
        "Letter the front, or leave it plain.",
    ),
    "finish.small": (
        "mind",
        "finish",
        "The title fits only with capitals of {capital}, too small to read on a shelf.",
        "Shorten it, letter it along the spine, or letter the front.",
    ),
    "finish.large": (
        "mind",
        "finish",
        "Capitals of {capital} run over the edges of the spine or out of its panel.",
        "Take the size that fits, or shorten the title.",
    ),
    "art.no_bleed": (
        "mind",
        "boards",
        "The artwork is {artwork} and has no bleed: the document is {document}.",
        "Let it fill the document, or bring it with its bleed.",
    ),
    "art.small": (
        "stop",
        "boards",
        "The artwork is {artwork}, smaller than the cover; the document is {document}.",
        "Let it fill the document, or bring it in its size.",
    ),
    "art.cropped": (
        "note",
        "boards",
        "Of the artwork, {lost} falls outside the document, shared by opposite edges.",
        "Bring it in the document's own proportions if nothing may be lost.",
    ),
    "art.soft": (
        "mind",
        "boards",
        "The picture prints with {dpi} dots an inch; {good} look sharp.",
        "Bring a larger picture, or accept that it is a little soft.",
    ),
    "art.coarse": (
        "mind",
        "boards",
        "The picture prints with only {dpi} dots an inch: single dots will be seen.",
        "Bring a picture with more of them; {good} look sharp.",
    ),
    "art.turned": (
        "note",
        "boards",
        "The cover fits its sheet turned a quarter round.",
        "Mind the grain: it has to run along the spine that way, too.",
    ),
    "art.sheet_small": (
        "stop",
        "boards",
        "The printed cover needs a sheet of {needs}; this one is {has}.",
        "{remedy}",
    ),
    "barcode.wrong": (
        "stop",
        "boards",
        "{why}",
        "Copy the number anew from where it was given out.",
    ),
    "barcode.made_up": (
        "note",
        "boards",
        "The check digit was not given; with it the number is {digits}.",
        "Compare it with what was given out.",
    ),
    "barcode.no_room": (
        "mind",
        "boards",
        "The back cover has no room for a barcode: it needs {needs} with what is kept free.",
        "Leave it out, or print it on a label.",
    ),
    "rules.departs": (
        "mind",
        "boards",
        "{printer} asks for {wants}; this book has {has}.",
        "Go by their rules, or ask them.",
    ),
    "set.gap": (
        "mind",
        "finish",
        "After volume {before} comes volume {number}: {missing} is missing.",
        "Number them anew, or say in a note why it is meant.",
    ),
    "set.repeat": (
        "mind",
        "finish",
        "Volume {number} is there twice: the {first}. and the {here}. in the row.",
        "Number one of them anew, or say in a note why it is meant.",
    ),
    "set.back": (
        "mind",
        "finish",
        "After volume {before} the numbers step back to {number}.",
        "Put them in order, or say in a note why it is meant.",
    ),
    "set.date_back": (
        "mind",
        "finish",
        "“{date}” lies before {before}, the date of the volume to its left.",
        "Put them in order, or say in a note why it is meant.",
    ),
    "set.meant": (
        "note",
        "finish",
        "{what}",
        "Meant so: {note}",
    ),
    "set.volume": (
        "mind",
        "finish",
        "In {volume}: {message}",
        "{remedy}",
    ),
    "pastedown.grows": (
        "mind",
        "boards",
        "Pasted, the paste-down grows {growth} and comes to within {left} of the board's edge.",
        "Trim {trim} off its fore-edge first, to {width}.",
    ),
    "pastedown.over": (
        "mind",
        "boards",
        "Pasted, the paste-down grows {growth} and reaches {left} over the board's edge.",
        "Trim {trim} off its fore-edge first, to {width}.",
    ),
    "side.narrow": (
        "stop",
        "boards",
        "The pieces leave only {seen} of each side to see: there is no room for it.",
        "Take a smaller overlap, or cover the case in full.",
    ),
    "corner.large": (
        "stop",
        "boards",
        "Corners of {leg} meet one another or the spine piece; there is room for {most}.",
        "Take smaller corners.",
    ),
    "overlap.small": (
        "mind",
        "boards",
        "A spine piece that lies only {overlap} on the boards peels off.",
        "{mm:20–40} holds.",
    ),
    "leaves.glued": (
        "note",
        "boards",
        "Leaves held by glue alone last some years of reading; loose in glue, a few readings.",
        "Fan the leaves both ways as the glue goes on, and line with mull.",
    ),
    "leaves.drum": (
        "note",
        "boards",
        "Every leaf is a spread folded once, its blank back glued to the next at spine and fore-edge.",
        "Print spreads on one side only; keep glue to the last {mm:5} at the fore-edge.",
    ),
    "panel.trial": (
        "note",
        "boards",
        "The old covers cannot be had again.",
        "Make a full-size trial of case and panels in paper before cutting them.",
    ),
    "panel.small": (
        "mind",
        "boards",
        "The old cover's {name} is {has}, and {needs} would be laid on.",
        "Let more of the new cover show, or set the panel on a coloured ground.",
    ),
    "panel.unmeasured": (
        "note",
        "boards",
        "The old covers are not measured yet.",
        "Measure front and spine as they come off; glue and wear take a little from each edge.",
    ),
    "bands.crowded": (
        "stop",
        "boards",
        "{count} on boards {height} high leave panels of {panel}.",
        "Take fewer or narrower bands.",
    ),
    "bands.false": (
        "mind",
        "boards",
        "{count} over {cords} do not fall together.",
        "Sew on as many cords as there are to be bands, or saw the cords in and glue false bands on.",
    ),
    "split.tight": (
        "mind",
        "boards",
        "Split boards with a tight joint do not throw open; the flange is creased.",
        "Set them {mm:3–5} off the shoulder.",
    ),
    "flap.short": (
        "mind",
        "boards",
        "Flaps of {flap} slip out.",
        "A quarter of the leaf, {least}, holds.",
    ),
    "flap.long": (
        "mind",
        "boards",
        "Flaps of {flap} are wider than the leaf, {width}, and would reach round the spine.",
        "Half to two thirds of the leaf is usual.",
    ),
    "slits.marked": (
        "note",
        "boards",
        "Blocks are never quite even, so each support has its own slits, marked with a sign on both sides.",
        "Mark slits from the sewn block, cut from the outside, never through between the marks.",
    ),
    "slits.none": (
        "stop",
        "boards",
        "Without supports there is nothing to lace into the card.",
        "Sew on two tapes or cords at least.",
    ),
    "coverless.bare": (
        "mind",
        "boards",
        "Without endpapers the tapes are glued to the first and last page of the text.",
        "Give it a folio at each end.",
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
    "piece.askew": (
        "mind",
        "cutting",
        "{piece} is longer than {stock}, but lies on it turned by {degrees}° out of the straight.",
        "Cut a paper pattern and lay it on the skin first; leather has no grain to mind.",
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
    "entry.unusual": (
        "mind",
        "boards",
        "{label} of {value} is hardly meant.",
        "{least} to {most} is usual; if it is meant so, go on.",
    ),
    "piece.beyond": (
        "mind",
        "boards",
        "{label} reaches {reach} on to the board, which is only {board} wide.",
        "Let it reach less.",
    ),
    "hole.beyond": (
        "stop",
        "boards",
        "{label}: {place} lies beyond the board, which is {board} wide.",
        "Measure again, or make the board wider.",
    ),
    "spread.beyond": (
        "mind",
        "folding",
        "There is no picture across pages {left} and {right}: the text ends with page {last}.",
        "Name the left-hand page of a picture within the text.",
    ),
    "printed.marks_lost": (
        "mind",
        "printing",
        "This printer leaves {unprintable} free at every edge, and there is no other waste for the labels: "
        "they are left out.",
        "Print on a sheet of at least {needs}, or trim more at head and tail.",
    ),
    "set.date_gap": (
        "mind",
        "finish",
        "After {before} comes “{date}”: {missing} is missing.",
        "Put the volume that is missing in the row, or say in a note why it is meant.",
    ),
    "measured.unused": (
        "note",
        "text",
        "A measurement of {label} is kept, but nothing is made of it in this binding.",
        "Clear it, or leave it for another binding.",
    ),
    "measured.far": (
        "mind",
        "block",
        "{label} was measured as {measured}, but comes out as {computed} by the reckoning.",
        "Measure again; if it stands, look which of the numbers it was reckoned from is not so.",
    ),
}


def finding(
    code: str,
    about: str,
    notation: Notation,
    *,
    station: str = "",
    actions: tuple[Action, ...] = (),
    **terms: object,
) -> Finding:
    """The finding ``code`` with its terms filled in, in somebody's words and units.

    :param station: overrides the catalogue's.
    """
    severity, home, message, remedy = _CATALOGUE[code]
    return Finding(
        code,
        severity,
        station or home,
        notation.say(message, **terms),
        notation.say(remedy, **terms),
        about,
        actions,
    )
