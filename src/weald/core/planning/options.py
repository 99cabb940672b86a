"""All that is one of a few: entries of a job, the house, the set, the shelf, a case offered up."""

from collections.abc import Mapping
from typing import Any

from weald.core.job.options import OPTIONS, Option
from weald.core.notation import Notation
from weald.core.shelf.stock import COUNTED_IN, FORM_NAMES, KIND_NAMES

_MORE: Mapping[str, Mapping[Any, str]] = {
    "house.vocabulary": {"signature": "signature", "section": "section", "gathering": "gathering"},
    "house.hand": {"right": "right-handed", "left": "left-handed"},
    "house.paper": {"a4": "A4", "letter": "Letter"},
    "house.mm_division": {"0.1": "0.1 mm", "0.25": "0.25 mm", "0.5": "0.5 mm", "1": "1 mm"},
    "house.inch_division": {"16": "1/16″", "32": "1/32″", "64": "1/64″"},
    "set.numerals": {
        "roman": "I, II, III, IV",
        "roman_iiii": "I, II, III, IIII",
        "arabic": "1, 2, 3, 4",
        "none": "no numbers",
    },
    "job.state": {"planned": "Being planned", "at_bench": "At the bench", "finished": "Finished"},
    "stock.kind": KIND_NAMES,
    "stock.form": FORM_NAMES,
    "stock.counted_in": COUNTED_IN,
    "movement.reason": {
        "bought": "more came",
        "used": "used",
        "spoilt": "spoilt",
        "counted": "counted: so much is there",
    },
    "weight.unit": {
        "gsm": "g/m²",
        "pounds": "pounds of a grade",
        "mm": "mm, one leaf",
        "points": "points, one leaf",
        "pages_per_inch": "pages per inch",
        "stack": "mm, a stack of leaves",
    },
    "offered.found": {
        "tall": "the boards, in height",
        "wide": "the boards, in width",
        "spine": "the spine, across",
    },
    "offered.board": {"both": "both boards", "front": "the front board", "back": "the back board"},
    "print.part": {
        "whole": "the whole text",
        "signatures": "one file a {signature}",
        "fronts": "fronts only",
        "backs": "backs only",
    },
    "printer.mishap": {
        "none": "nothing goes wrong",
        "lost_sheet": "a sheet is lost",
        "swapped_sheets": "two sheets change places",
        "turned_section": "a {signature} is turned round",
        "pile_other_way": "the pile goes back the other way",
    },
}


def every_option(notation: Notation) -> dict[str, tuple[Option, ...]]:
    """All that can be chosen from, by name: entries of a job by their paths, and the rest."""
    return {
        name: tuple(Option(value, notation.say(label)) for value, label in words.items())
        for name, words in (*OPTIONS.items(), *_MORE.items())
    }
