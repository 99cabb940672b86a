"""Plates on guards: what they add at the fore-edge and at the spine, and the stubs that make it good."""

import math

from weald.core.job.extras.leaves import Plate, Plates
from weald.core.reckoning import Ledger
from weald.core.units import Mm

PLIES = 2
"""A guard folded once round the fold lies double at the spine."""


def guards_of(plate: Plate) -> int:
    """Guards a kind of leaf takes: two leaves share one that makes a folio of them."""
    return math.ceil(plate.count / 2) if plate.how == "folio" else plate.count


def stands_out(plate: Plate, width: Mm) -> Mm:
    """How far a leaf would stand out beyond the fore-edge.

    The guard's free width and its own, less the page.
    """
    return max(0.0, plate.free + plate.width - width)


def reckon_plates(plates: Plates, ledger: Ledger) -> Mm:
    """Enter what plates and guards add, and give back what they add to the block.

    gape = fore-edge − spine; stubs = gape / (2 × guard), rounded up and spread over the sections.
    """
    fore_edge = ledger.reckon(
        "plates.fore_edge",
        sum(each.count * each.thickness for each in plates.plates),
        "every leaf put in × its thickness",
    )
    ply = ledger.entry("a guard", plates.guard_thickness, "extras.plates.guard_thickness", "thickness")
    plies = ledger.entry("plies of a folded guard", PLIES, "extras.plates.guard", "count")
    guards = sum(guards_of(each) for each in plates.plates)
    holding = PLIES * guards * plates.guard_thickness
    gape = ledger.reckon(
        "plates.gape",
        max(0.0, fore_edge - holding),
        "{fore_edge} − {plies} × {guards} × {guard}",
        {
            "fore_edge": ledger.ref("plates.fore_edge"),
            "plies": plies,
            "guards": ledger.entry("guards that hold them", guards, "extras.plates.plates", "count"),
            "guard": ply,
        },
        rule="how much thicker the leaves put in are than what holds them at the spine",
    )
    stubs = 0.0
    if plates.compensated:
        stubs = ledger.reckon(
            "plates.guards",
            math.ceil(gape / (PLIES * plates.guard_thickness) - 1e-9),
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
