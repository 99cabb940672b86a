"""Leaves that are not of the text's own sheets: endpapers composed, plates and maps on guards."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.entries import Entries, Length, Name, Size
from weald.core.job.entry import Entry

Gsm = Annotated[float, Field(gt=0, le=1000)]
Bulk = Annotated[float, Field(gt=0.3, le=4)]


class EndElement(Entries):
    """One part of the endpapers, from the board inwards.

    :param at: which end, or both.
    :param width: of a joint or a lining strip; by rule where not given.
    :param second: another strip beneath a cloth joint.
    """

    what: Annotated[
        Literal["folio", "single", "laminated", "cloth_joint", "lining"],
        Field(title="What"),
        Entry(
            options={
                "folio": "folio",
                "single": "single leaf",
                "laminated": "two leaves pasted together",
                "cloth_joint": "cloth joint",
                "lining": "strip of mull or cloth",
            }
        ),
    ] = "folio"
    attached: Annotated[
        Literal["tipped", "hooked", "sewn", "through_fold", "wrapped"],
        Field(title="Held by"),
        Entry(
            options={
                "tipped": "tipped on",
                "hooked": "hooked round the {signature}",
                "sewn": "sewn as a {signature}",
                "through_fold": "sewn through the fold",
                "wrapped": "wrapped round the {signature}",
            }
        ),
    ] = "tipped"
    at: Annotated[
        Literal["both", "front", "back"],
        Field(title="At"),
        Entry(options={"both": "both ends", "front": "the front", "back": "the back"}),
    ] = "both"
    name: Annotated[Name, Field(title="Of")] = ""
    grammage: Annotated[Gsm, Field(title="g/m²")] = 120.0
    bulk: Annotated[Bulk, Field(title="Bulk")] = 1.3
    width: Annotated[Size | None, Field(title="Width")] = None
    second: Annotated[bool, Field(title="Second strip")] = False


class ComposedEnds(Entries):
    """Endpapers of one's own composition.

    :param set_back: outer sections and tipped leaves stand back from the spine by a hair.
    :param cloth: thickness of a cloth joint or a lining strip.
    """

    elements: Annotated[tuple[EndElement, ...], Field(max_length=10, title="From the board inwards")] = ()
    cloth: Annotated[Length, Field(ge=0, le=2, title="Cloth, thick")] = 0.25
    set_back: Annotated[Length, Field(ge=0, le=5, title="Set back")] = 0.5


class Plate(Entries):
    """Single leaves of one kind put in on guards.

    :param after: the page of the text they follow; of several, the first.
    :param how: one leaf on a guard round its section or hooked; two with a guard between them as a folio;
    or a
        map thrown clear on a guard as wide as the page.
    :param free: of the guard, between the fold and the leaf's edge: so far the leaf stands out.
    """

    count: Annotated[int, Field(ge=1, le=500, title="How many")] = 1
    after: Annotated[int, Field(ge=0, le=20000, title="After page")] = 1
    how: Annotated[
        Literal["hooked", "wrapped", "folio", "thrown_clear"],
        Field(title="On its guard"),
        Entry(
            options={
                "hooked": "hooked",
                "wrapped": "round the {signature}",
                "folio": "two on one guard",
                "thrown_clear": "thrown clear",
            }
        ),
    ] = "hooked"
    width: Annotated[Size, Field(title="Wide")] = 130.0
    height: Annotated[Size, Field(title="High")] = 200.0
    thickness: Annotated[Length, Field(gt=0, le=3, title="Thick")] = 0.2
    free: Annotated[Length, Field(ge=0, le=60, title="Guard, free")] = 3.0


class Plates(Entries):
    """Plates, maps and single leaves on guards.

    :param guard: width of the strip, unfolded; ``paste`` how far a leaf is pasted on it.
    :param cut_back: leaves that stand out are cut back to the fore-edge; else boards become wider.
    :param compensated: stubs make good at the spine what plates are thicker at the fore-edge.
    """

    plates: Annotated[tuple[Plate, ...], Field(max_length=200, title="Leaves")] = ()
    guard: Annotated[Length, Field(ge=8, le=80, title="Guard, wide")] = 28.0
    guard_thickness: Annotated[Length, Field(gt=0, le=1, title="Guard, thick")] = 0.08
    paste: Annotated[Length, Field(ge=1, le=15, title="Pasted by")] = 4.0
    cut_back: Annotated[bool, Field(title="cut back at the fore-edge")] = True
    compensated: Annotated[bool, Field(title="made good at the spine")] = True


class FromBoards(Entries):
    """A leaf that suits boards already cut."""

    width: Annotated[Size, Field(title="Board, wide")] = 148.0
    height: Annotated[Size, Field(title="Board, high")] = 216.0


class TornSheet(Entries):
    """A leaf out of a parent sheet torn to parts: in how many across, and how many down.

    :param deckles: whether the parent has all four of its deckle edges.
    """

    width: Annotated[Size, Field(title="Parent, wide")] = 760.0
    height: Annotated[Size, Field(title="Parent, high")] = 560.0
    grain: Annotated[
        Literal["width", "height"],
        Field(title="Grain along its"),
        Entry(options={"width": "width", "height": "height"}),
    ] = "width"
    across: Annotated[int, Field(ge=1, le=16, title="Parts across")] = 4
    down: Annotated[int, Field(ge=1, le=16, title="Parts down")] = 2
    even: Annotated[Length, Field(ge=0, le=30, title="Trimmed to make even")] = 2.0
    deckles: Annotated[bool, Field(title="deckle edges")] = True


class WeighedPaper(Entries):
    """Sheets of known size, weighed together."""

    sheets: Annotated[int, Field(ge=1, le=10000, title="Sheets")] = 10
    width: Annotated[Size, Field(title="Wide")] = 297.0
    height: Annotated[Size, Field(title="High")] = 210.0
    grams: Annotated[float, Field(gt=0, le=1_000_000, title="Grams together")] = 50.0
