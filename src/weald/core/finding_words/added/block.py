"""Words of what to mind about sewing freely, endpapers composed, plates, backing and thumb cuts."""

from typing import Literal

from weald.core.finding_words.entry import FindingWords

BlockCode = Literal[
    "places.apart",
    "long.rows",
    "stab.crowded",
    "stab.margin",
    "stitching.few_supports",
    "stitching.few_sections",
    "stitching.one_hole",
    "ends.no_leaf",
    "ends.not_sewn",
    "ends.no_fold",
    "ends.joints",
    "plates.no_page",
    "plates.tall",
    "plates.stand_out",
    "plates.wider",
    "plates.odd",
    "plates.gape",
    "backing.hammer",
    "backing.no_hammer",
    "backing.nothing_left",
    "thumb.none",
    "thumb.left",
    "thumb.crowded",
    "thumb.deep",
    "thumb.wide",
    "plates.folded_up",
]

BLOCK: dict[BlockCode, FindingWords] = {
    "places.apart": FindingWords(
        "mind",
        "sewing",
        "Support {number} stands at {front} on the front and at {back} on the back.",
        "Measure both again; by that much the support would run aslant across the spine.",
    ),
    "long.rows": FindingWords(
        "note",
        "boards",
        "Rows of holes only {apart} apart would tear into one: a slit across the spine replaces them.",
        "Cut each slit as drawn and no longer; or sew fewer, thicker {signatures} through rows "
        "{least} apart.",
    ),
    "stab.crowded": FindingWords(
        "stop",
        "sewing",
        "Stations stand too close to one another or to an edge, and would tear out.",
        "Take fewer stations, or bring them further in.",
    ),
    "stab.margin": FindingWords(
        "note",
        "sewing",
        "Sewn {margin} from the spine, every page loses about {lost} there: it does not open flat.",
        "Keep text and pictures clear of it: a wider inner margin, or leaves that are wider by as much.",
    ),
    "stitching.few_supports": FindingWords(
        "mind",
        "sewing",
        "Sewn {on} on over {supports} supports, a {signature} is held by too little thread.",
        "Take {least} supports at least, or sew all along.",
    ),
    "stitching.few_sections": FindingWords(
        "note",
        "sewing",
        "With {sections} {signatures} none are left between those sewn all along at either end.",
        "Sew all along; nothing is gained.",
    ),
    "stitching.one_hole": FindingWords(
        "mind",
        "sewing",
        "A thread that goes round a cord through one hole makes no stitch over it to link or to catch.",
        "Sew on tapes, or on raised cords through two holes each; or plain.",
    ),
    "ends.no_leaf": FindingWords(
        "mind",
        "block",
        "There is no leaf in {where}: nothing covers the board inside.",
        "Add a folio, or paste board papers on.",
    ),
    "ends.not_sewn": FindingWords(
        "stop",
        "block",
        "Endpapers {held} need a fold that is sewn, and nothing is sewn in this binding.",
        "Tip them on.",
    ),
    "ends.no_fold": FindingWords(
        "mind",
        "block",
        "There is no fold to sew {what} through.",
        "Hook it round its section, or tip it on.",
    ),
    "ends.joints": FindingWords(
        "mind",
        "block",
        "Two joints lie over one another at either end, {thick} thick together.",
        "Take one of them, with a second strip beneath if it has to be strong.",
    ),
    "plates.no_page": FindingWords(
        "mind",
        "folding",
        "A leaf is to follow page {page}, and no {signature} has that page.",
        "Name a page of the text.",
    ),
    "plates.tall": FindingWords(
        "stop",
        "folding",
        "A leaf put in is {height} high, and the page {page}.",
        "Cut it down, or fold it once below as well.",
    ),
    "plates.stand_out": FindingWords(
        "mind",
        "folding",
        "A leaf on its guard stands out {out} beyond the fore-edge.",
        "Cut it back to {width}, give its guard less free width, or make the boards wider.",
    ),
    "plates.wider": FindingWords(
        "note",
        "folding",
        "A leaf on its guard stands out {out}, and block and boards are wider by it.",
        "Cut the leaf back to {width} for boards as wide as the text's own leaf asks.",
    ),
    "plates.odd": FindingWords(
        "mind",
        "folding",
        "Two and two on one guard, {count} leaves leave one without a partner.",
        "Give the last one a stub as its partner, or hook it.",
    ),
    "plates.gape": FindingWords(
        "mind",
        "block",
        "The book will gape at the fore-edge: {gape} more lies there than at the spine.",
        "Put stubs in at the spine, or thicker guards.",
    ),
    "backing.hammer": FindingWords(
        "note",
        "block",
        "The narrowest clear space is {space}: the widest hammer that goes in is the {hammer}, "
        "{face} across.",
        "Keep the others for head and tail, or for books without raised cords.",
    ),
    "backing.no_hammer": FindingWords(
        "mind",
        "block",
        "No hammer you own goes into the narrowest space, {space}: its face may be {face} at most.",
        "Back with the edge of a folder there, grind a face narrower, or take fewer cords.",
    ),
    "backing.nothing_left": FindingWords(
        "note",
        "block",
        "The round takes up {less} more than the swell gives: nothing is left for the shoulders.",
        "They come from the outer {signatures} alone; back gently, or round less.",
    ),
    "thumb.none": FindingWords(
        "note",
        "block",
        "No page is named yet that a thumb cut goes down to.",
        "Name the pages the parts begin on.",
    ),
    "thumb.left": FindingWords(
        "mind",
        "block",
        "A thumb cut bares a right-hand page; these stand on the left: {pages}.",
        "Begin the parts on the right, or cut down to the page before.",
    ),
    "thumb.crowded": FindingWords(
        "mind",
        "block",
        "{column} thumb cuts of {wide} run into one another.",
        "Fewer in a column, or narrower ones; the next column begins at the head again.",
    ),
    "thumb.deep": FindingWords(
        "mind",
        "block",
        "Thumb cuts {deep} into a leaf of {width} come near its type, and leave corners that tear.",
        "Cut less deep.",
    ),
    "thumb.wide": FindingWords(
        "mind",
        "block",
        "Not one thumb cut {wide} wide fits into the {room} left between head and tail.",
        "Cut narrower ones, or leave less whole.",
    ),
    "plates.folded_up": FindingWords(
        "note",
        "folding",
        "A map higher than the page is folded up from its tail first, to {panels} panels {size} high each.",
        "Unfold it across, then down; slit the lowest panels clear of the guard, so that it "
        "opens without tearing.",
    ),
}
