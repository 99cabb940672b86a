"""Plates on guards: what they add at the fore-edge and at the spine, and the stubs that make it good."""

import math

from weald.core.job.extras.leaves import Plate, Plates
from weald.core.job.leaves import Leaf
from weald.core.reckoning import Ledger
from weald.core.units import TOLERANCE, Mm, rounded_up

INSIDE_TRIM: Mm = 5.0
"""Folds of a map lie so far inside the trimmed edge."""
PLIES = 2
"""A guard folded once round the fold lies double at the spine."""


def guards_of(plate: Plate) -> int:
    """Guards a kind of leaf takes: two leaves share one that makes a folio of them."""
    return math.ceil(plate.count / 2) if plate.how == "folio" else plate.count


def stands_out(plate: Plate, width: Mm) -> Mm:
    """How far a leaf would stand out beyond the fore-edge.

    The guard's free width and its own, less the page; a map thrown clear is folded to lie within it.
    """
    return 0.0 if plate.how == "thrown_clear" else max(0.0, plate.free + plate.width - width)


def map_folds(size: Mm, page: Mm) -> tuple[int, Mm]:
    """Panels a map is folded to, all alike and inside the trimmed edge, and how large each is."""
    panels = max(1, math.ceil(size / (page - INSIDE_TRIM) - TOLERANCE))
    return panels, size / panels


def panels_high(plate: Plate, leaf: Leaf) -> int:
    """Panels from head to tail: one, but for a map that is higher than the page."""
    tall = plate.how == "thrown_clear" and plate.height > leaf.height + TOLERANCE
    return map_folds(plate.height, leaf.height)[0] if tall else 1


def layers_of(plate: Plate, leaf: Leaf) -> int:
    """How often its paper lies on itself in the closed book: once, but for the panels of a map."""
    if plate.how != "thrown_clear":
        return 1
    return map_folds(plate.width, leaf.width)[0] * panels_high(plate, leaf)


def stubs_in(sections: int, stubs: int) -> dict[int, int]:
    """How many stubs go into which section, spread evenly; sections count from 1."""
    places = [math.floor((number + 0.5) * sections / stubs) + 1 for number in range(stubs)]
    return {place: places.count(place) for place in sorted(set(places))}


def _reckon_fore_edge(plates: Plates, leaf: Leaf, ledger: Ledger) -> Mm:
    """Enter what is put in at the fore-edge: leaves, folded maps, and the guards as wide as the page."""
    maps = [each for each in plates.plates if each.how == "thrown_clear"]
    parts = {
        "leaves": (
            "leaves put in",
            sum(each.count * each.thickness for each in plates.plates if each not in maps),
        ),
        "maps": ("maps, folded", sum(each.count * layers_of(each, leaf) * each.thickness for each in maps)),
        "guards": ("guards of maps", sum(each.count for each in maps) * plates.guard_thickness),
    }
    terms = {
        name: ledger.entry(label, value, "extras.plates.plates", "thickness")
        for name, (label, value) in parts.items()
        if value
    }
    how = " + ".join(f"{{{name}}}" for name in terms)
    total = sum(term.value for term in terms.values())
    rule = (
        "number × thickness; a map lies on itself as often as it has panels" if maps else "number × thickness"
    )
    return ledger.reckon("plates.fore_edge", total, how, terms, rule=rule)


def reckon_plates(plates: Plates, leaf: Leaf, ledger: Ledger) -> Mm:
    """Enter what plates and guards add, and give back what they add to the block.

    gape = fore-edge − spine; stubs = gape / (2 × guard), rounded up and spread over the sections.
    """
    fore_edge = _reckon_fore_edge(plates, leaf, ledger)
    ply = ledger.entry("a guard", plates.guard_thickness, "extras.plates.guard_thickness", "thickness")
    plies = ledger.entry("plies of a folded guard", PLIES, "extras.plates.guard", "count")
    guards = sum(guards_of(each) for each in plates.plates)
    holding = PLIES * guards * plates.guard_thickness
    gape = ledger.reckon(
        "plates.gape",
        fore_edge - holding,
        "{fore_edge} − {plies} × {guards} × {guard}",
        {
            "fore_edge": ledger.ref("plates.fore_edge"),
            "plies": plies,
            "guards": ledger.entry("guards that hold them", guards, "extras.plates.plates", "count"),
            "guard": ply,
        },
        rule="how much thicker the leaves put in are than what holds them at the spine",
        or_nothing=True,
    )
    stubs = 0.0
    if plates.compensated:
        stubs = ledger.reckon(
            "plates.guards",
            rounded_up(gape / (PLIES * plates.guard_thickness)),
            "{gape} / ({plies} × {guard}), rounded up",
            {"gape": ledger.ref("plates.gape"), "plies": plies, "guard": ply},
            rule="folded stubs, spread evenly over the {signatures}",
        )
    ledger.reckon(
        "plates.spine",
        PLIES * (guards + stubs) * plates.guard_thickness,
        "{plies} × {all} × {guard}",
        {
            "plies": plies,
            "all": ledger.entry("guards and stubs", guards + stubs, "extras.plates.plates", "count"),
            "guard": ply,
        },
    )
    return fore_edge
