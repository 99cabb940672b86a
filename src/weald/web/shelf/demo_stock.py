"""The shelf of an invented bindery: whole sheets, rolls, offcuts, one paper across and one not tested."""

from typing import Any

from django.contrib.auth.models import User

from weald.core.stock import offcut_of, read_stock
from weald.web.accounts.models import Workshop
from weald.web.shelf.models import Movement, ShelfItem
from weald.web.shelf.services import add_item, item_spec, move, write

Entry = tuple[str, int, dict[str, Any]]
_BEND = {"method": "bend", "day": "2026-09-14", "by": "binder"}

STOCK: tuple[Entry, ...] = (
    # name, count, the item
    (
        "Gull laid, cream",
        260,
        {
            "kind": "paper",
            "colour": "cream",
            "grammage": 90,
            "bulk": 1.3,
            "width": 450,
            "height": 320,
            "grain": "width",
            "price": 0.21,
            "place": "plan chest 1",
            "warn_below": 50,
            "tests": [{**_BEND, "result": "width"}],
        },
    ),
    (
        "Pippin ledger",
        140,
        {
            "kind": "paper",
            "colour": "white",
            "basis": {"pounds": 80, "grade": "text"},
            "bulk": 1.25,
            "width": 420,
            "height": 297,
            "grain": "height",
            "price": 0.18,
            "place": "plan chest 1",
        },
    ),
    (
        "Chancel smooth",
        90,
        {
            "kind": "paper",
            "grammage": 100,
            "stack": {"leaves": 50, "thickness": 6.2},
            "width": 500,
            "height": 353,
            "grain": "width",
            "price": 0.26,
            "place": "plan chest 2",
            "warn_below": 20,
        },
    ),
    (
        "Chancel smooth, odd ream",
        400,
        {
            "kind": "paper",
            "grammage": 100,
            "stack": {"leaves": 50, "thickness": 6.2},
            "width": 500,
            "height": 353,
            "grain": "height",
            "price": 0.19,
            "place": "plan chest 2",
            "note": "cheap, and its grain runs the other way",
            "tests": [{"method": "tear", "day": "2026-10-02", "by": "binder", "result": "height"}],
        },
    ),
    (
        "Driftwood parent sheets",
        60,
        {
            "kind": "paper",
            "colour": "natural",
            "grammage": 120,
            "bulk": 1.5,
            "width": 1000,
            "height": 700,
            "grain": "height",
            "price": 1.1,
            "place": "top of the plan chest",
        },
    ),
    (
        "Attic find",
        35,
        {
            "kind": "paper",
            "width": 640,
            "height": 450,
            "place": "attic",
            "note": "a gift; weigh it, and test its grain",
        },
    ),
    (
        "Tideline marbled",
        18,
        {
            "kind": "endpaper",
            "colour": "blue and sand",
            "grammage": 110,
            "bulk": 1.2,
            "width": 700,
            "height": 500,
            "grain": "height",
            "price": 3.4,
            "place": "drawer 3",
            "warn_below": 4,
        },
    ),
    (
        "Orchard green endpaper",
        40,
        {
            "kind": "endpaper",
            "colour": "green",
            "grammage": 120,
            "bulk": 1.3,
            "width": 1000,
            "height": 700,
            "grain": "width",
            "price": 1.6,
            "place": "drawer 3",
        },
    ),
    (
        "Greyboard 2 mm",
        14,
        {
            "kind": "board",
            "calliper": 2.0,
            "width": 1000,
            "height": 700,
            "grain": "width",
            "price": 4.2,
            "place": "board rack",
            "warn_below": 4,
            "tests": [{"method": "flex", "day": "2026-08-30", "by": "binder", "result": "width"}],
        },
    ),
    (
        "Greyboard 2.5 mm",
        6,
        {
            "kind": "board",
            "calliper": 2.5,
            "width": 1000,
            "height": 700,
            "grain": "width",
            "price": 5.1,
            "place": "board rack",
            "warn_below": 4,
        },
    ),
    (
        "Millboard 98 pt",
        9,
        {
            "kind": "board",
            "calliper": "98pt",
            "width": "26in",
            "height": "38in",
            "grain": "height",
            "price": 7.5,
            "place": "board rack",
        },
    ),
    (
        "Sea-green cloth",
        9500,
        {
            "kind": "cloth",
            "form": "roll",
            "colour": "sea-green",
            "calliper": 0.3,
            "grammage": 190,
            "width": 1380,
            "price": 14,
            "place": "roll rail",
            "warn_below": 1000,
        },
    ),
    (
        "Russet buckram",
        4200,
        {
            "kind": "cloth",
            "form": "roll",
            "colour": "russet",
            "calliper": 0.4,
            "grammage": 260,
            "width": 1020,
            "price": 17.5,
            "place": "roll rail",
            "warn_below": 1000,
        },
    ),
    (
        "Goatskin, oxblood",
        2,
        {
            "kind": "leather",
            "form": "skin",
            "colour": "oxblood",
            "calliper": 0.8,
            "width": 620,
            "height": 760,
            "grain": "height",
            "price": 78,
            "place": "leather drawer",
            "note": "usable rectangle; spine line runs down the middle",
        },
    ),
    (
        "Mull",
        6000,
        {"kind": "lining", "form": "roll", "width": 960, "calliper": 0.2, "price": 4.5, "place": "roll rail"},
    ),
    (
        "Kraft 90",
        50,
        {
            "kind": "lining",
            "colour": "brown",
            "grammage": 90,
            "bulk": 1.3,
            "width": 1000,
            "height": 700,
            "grain": "height",
            "price": 0.4,
            "place": "roll rail",
        },
    ),
    ("Linen thread 25/3", 85000, {"kind": "thread", "form": "reel", "calliper": 0.5, "place": "thread box"}),
    ("Linen tape 12 mm", 12000, {"kind": "tape", "form": "reel", "width": 12, "place": "thread box"}),
    ("Head band, blue and white", 1500, {"kind": "end_band", "form": "reel", "place": "thread box"}),
    (
        "Ribbon 6 mm, navy",
        4000,
        {"kind": "ribbon", "form": "reel", "colour": "navy", "width": 6, "place": "thread box"},
    ),
    ("PVA", 2400, {"kind": "adhesive", "form": "pot", "place": "under the bench", "warn_below": 1000}),
    ("Wheat paste, dry", 700, {"kind": "adhesive", "form": "pot", "place": "under the bench"}),
)

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
    for name, count, entries in STOCK:
        items[name] = add_item(workshop, author, read_stock({"name": name, **entries}), count)
    for name, count, width, height in OFFCUTS:
        whole = items[name]
        kind = item_spec(whole)
        spec = offcut_of(kind, width, height, kind.grain)
        offcut = write(ShelfItem(workshop=workshop, offcut_of=whole), spec)
        move(offcut, author, count, Movement.Reason.OFFCUT, note="from an earlier book")
    return items
