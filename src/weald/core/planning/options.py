"""All that is one of a few: entries of a job, the house, the set, the shelf, a case offered up."""

from collections.abc import Iterator, Mapping
from typing import Any

from pydantic import BaseModel
from pydantic.fields import FieldInfo

from weald.core.job.fields import Option, columns_in, entries_in, options_in
from weald.core.job.spec import JobSpec
from weald.core.materials import STOCK_KINDS
from weald.core.notation import Notation
from weald.core.planning.book_set import SetSpec
from weald.core.planning.house import House
from weald.core.shelf.stock import COUNTED_IN, FORM_NAMES

_MORE: Mapping[str, Mapping[Any, str]] = {
    "job.state": {"planned": "Being planned", "at_bench": "At the bench", "finished": "Finished"},
    "stock.kind": {kind: record.title for kind, record in STOCK_KINDS.items()},
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
    """All that can be chosen from, by name: entries by their paths, and the rest."""
    entries = {
        f"{of}{path}": options
        for of, root in (("", JobSpec), ("house.", House), ("set.", SetSpec))
        for path, info in _every_entry(root)
        if (options := options_in(info, notation))
    }
    more = {
        name: tuple(Option(value, notation.say(label)) for value, label in words.items())
        for name, words in _MORE.items()
    }
    return entries | more


def _every_entry(root: type[BaseModel], prefix: str = "") -> Iterator[tuple[str, FieldInfo]]:
    """Every entry, and what stands in the rows it lists."""
    for path, info in entries_in(root).items():
        yield f"{prefix}{path}", info
        if row := columns_in(info):
            yield from _every_entry(row, f"{prefix}{path}.")
