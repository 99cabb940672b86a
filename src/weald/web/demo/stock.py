"""The shelf of an invented bindery: whole sheets, rolls, offcuts, one paper across and one not tested."""

import datetime
from pathlib import Path

from django.contrib.auth.models import User

from weald.core.notation import MILLIMETRES
from weald.core.shelf.stock import GrainMethod, GrainTest, offcut_of
from weald.exchange.stock_csv import read_stock_csv
from weald.web.accounts.models import Workshop
from weald.web.shelf.models import Movement, ShelfItem
from weald.web.shelf.services import add_item, item_spec, move, write

TABLE = Path(__file__).with_name("shelf.csv")

TESTED: dict[str, tuple[GrainMethod, datetime.date]] = {
    "Gull laid, cream": ("bend", datetime.date(2026, 9, 14)),
    "Chancel smooth, odd ream": ("tear", datetime.date(2026, 10, 2)),
    "Greyboard 2 mm": ("flex", datetime.date(2026, 8, 30)),
}

OFFCUTS: tuple[tuple[str, int, float, float], ...] = (
    # cut from, how many, width, height
    ("Greyboard 2 mm", 2, 420, 330),
    ("Greyboard 2 mm", 1, 700, 240),
    ("Orchard green endpaper", 3, 480, 310),
    ("Kraft 90", 4, 500, 180),
)

USES: dict[str, dict[str, str]] = {
    # job → piece → item
    "Tide tables of Merrow Haven": {
        "text_sheet": "Gull laid, cream",
        "endpaper": "Tideline marbled",
        "board": "Greyboard 2 mm",
        "spine_board": "Greyboard 2 mm",
        "cover": "Sea-green cloth",
        "mull": "Mull",
        "spine_lining": "Kraft 90",
    },
    "Orchard keeper's ledger": {
        "text_sheet": "Pippin ledger",
        "endpaper": "Orchard green endpaper",
        "board": "Greyboard 2.5 mm",
        "spine_board": "Greyboard 2.5 mm",
        "cover": "Russet buckram",
        "mull": "Mull",
        "spine_lining": "Kraft 90",
    },
    "Hymn settings for the Ferry Lane choir": {
        "text_sheet": "Chancel smooth",
        "endpaper": "Orchard green endpaper",
        "board": "Greyboard 2 mm",
        "spine_board": "Greyboard 2 mm",
        "cover": "Sea-green cloth",
        "mull": "Mull",
        "spine_lining": "Kraft 90",
    },
}


def load_shelf(workshop: Workshop, author: User) -> dict[str, ShelfItem]:
    """Fill the shelf; gives every whole item by its name."""
    items = {}
    for row in read_stock_csv(TABLE.read_bytes(), MILLIMETRES):
        if row.item is None:
            raise ValueError(f"demo shelf, line {row.line}: {row.problems}")
        spec = row.item
        if tested := TESTED.get(spec.name):
            method, day = tested
            test = GrainTest(method=method, day=day, result=spec.grain or "width", by=author.get_username())
            spec = spec.model_copy(update={"tests": (test,)})
        items[spec.name] = add_item(workshop, author, spec, row.count)
    for name, count, width, height in OFFCUTS:
        whole = items[name]
        kind = item_spec(whole)
        spec = offcut_of(kind, width, height, kind.grain)
        offcut = write(ShelfItem(workshop=workshop, offcut_of=whole), spec)
        move(offcut, author, count, Movement.Reason.OFFCUT, note="from an earlier book")
    return items
