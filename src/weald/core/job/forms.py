"""The groups of fields a job is decided in: what each is called, and where it stands.

What stands in a form is said by the entries themselves (``Entry.form``), in the order of the job file.
"""

from dataclasses import dataclass
from typing import Literal

from weald.core.station import Station

FormName = Literal[
    "text",
    "ruling",
    "file_pages",
    "spreads",
    "leaf",
    "trim",
    "paper",
    "stock_sheet",
    "folds",
    "signatures",
    "printer",
    "printed_sheet",
    "marks",
    "sewing",
    "stations",
    "stab",
    "pamphlet",
    "endpapers",
    "glued_in",
    "back",
    "spine",
    "trimming",
    "diagonals",
    "board",
    "squares",
    "linings",
    "joint",
    "cover",
    "cover_pieces",
    "stiffener",
    "leaves",
    "bands",
    "supports",
    "slits",
    "flaps",
    "old_cover",
    "artwork",
    "document",
    "printed_on",
    "cover_rules",
    "lettered",
    "lettering",
    "last",
    "colophon",
    "lying",
    "schools",
    "glue",
    "own_steps",
]


@dataclass(frozen=True, slots=True)
class Place:
    """Where a form stands: at a station, and there under a tab where the station has several."""

    station: Station
    tab: str = ""


@dataclass(frozen=True, slots=True)
class Form:
    """A group of fields that belong together.

    :param at: the stations it stands at, the one that doubts its entries first.
    :param part: what it stands at in the drawings, by ids, the likeliest first; nothing where no drawing
        shows what it is about.
    :param by_itself: whether it is opened by itself, from a place of its own.
    """

    title: str
    at: tuple[Place, ...]
    part: tuple[str, ...] = ()
    by_itself: bool = False


def _at(title: str, station: Station, tab: str = "", *part: str, by_itself: bool = False) -> Form:
    return Form(title, (Place(station, tab),), part, by_itself)


_PARTS, _BACK, _SPINE, _TRIMMING = "Its parts", "Back", "Spine", "Trimming"
_BOARDS, _JOINT, _COVER, _OWN, _PRINTED = "Boards", "Spine & joint", "Cover", "Its own", "Printed"

FORMS: dict[FormName, Form] = {
    "text": _at("Text", "text"),
    "ruling": _at("Ruling", "text", by_itself=True),
    "file_pages": _at("Its pages", "text"),
    "endpapers": _at("Endpapers each end", "block", _PARTS, "block.width"),
    "glued_in": _at("Glued in, each {signature}", "block", _PARTS),
    "leaf": Form("Finished leaf", (Place("text"), Place("block", _PARTS))),
    "trim": _at("Trimmed off", "text"),
    "spreads": _at("Pictures across pages", "folding", by_itself=True),
    "paper": _at("Paper", "paper", "", "stock.per_sheet"),
    "stock_sheet": _at("Stock sheet", "paper", "", "paper.sheet.width"),
    "folds": _at("Sheet", "folding", "", "sheet.width"),
    "signatures": _at("{Signatures}", "folding", "", "sections.count", "sections.creep"),
    "printer": _at("Printer", "printing", "", "printing.flip"),
    "printed_sheet": _at("Sheet", "printing", "", "printed.width"),
    "marks": _at("Marks", "printing", "", "collation"),
    "sewing": _at("Sewing", "sewing", "", "sewing.holes"),
    "stations": _at("Stations", "sewing", "", "sewing.interval"),
    "stab": _at("Stations", "sewing"),
    "pamphlet": _at("Holes", "sewing"),
    "back": _at("Back", "block", _BACK, "block.thickness"),
    "spine": _at("On the spine", "block", _SPINE, "mull.width"),
    "trimming": _at("Trimmed", "block", _TRIMMING, "block.width"),
    "diagonals": _at("Diagonals", "block", _TRIMMING),
    "board": _at("Board", "boards", _BOARDS, "board.width", "binding.board"),
    "squares": _at("Squares", "boards", _BOARDS),
    "linings": _at("Glued on the boards", "boards", _BOARDS),
    "joint": _at("Spine and joint", "boards", _JOINT, "joint.gap"),
    "cover": _at("Cover", "boards", _COVER, "cover.width", "side.width", "corner.cut", "board.width"),
    "cover_pieces": _at("In pieces", "boards", _COVER),
    "stiffener": _at("Stiffener", "boards", _OWN),
    "leaves": _at("Leaves", "boards", _OWN),
    "bands": _at("Bands", "boards", _OWN, "panel.each"),
    "supports": _at("Supports", "boards", _OWN, "lacing.first"),
    "slits": _at("Slits", "boards", _OWN),
    "flaps": _at("Flaps", "boards", _OWN),
    "old_cover": _at("Old cover, as it comes off", "boards", _OWN),
    "artwork": _at("Artwork", "boards", _PRINTED),
    "document": _at("Document", "boards", _PRINTED),
    "printed_on": _at("Printed on", "boards", _PRINTED),
    "cover_rules": _at("A printer's sheet of rules", "boards", by_itself=True),
    "lettered": _at("On the spine", "finish", "", "title.length"),
    "lettering": _at("Lettering", "finish", "", "finish.width"),
    "last": _at("Ribbon and edges", "finish"),
    "colophon": _at("Colophon", "record", by_itself=True),
    "lying": _at("What lies there", "bench", "What lies there"),
    "schools": _at("Schools", "bench", "Schools"),
    "glue": _at("Glued with", "bench", "Glued with"),
    "own_steps": _at("Own steps", "bench", "Own steps"),
}
"""In the order they stand in, at each of their stations."""
