"""Two or three ways to bind the same text, side by side, their drawings laid one over another."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from weald.core.bindings.catalogue import STRUCTURES, structure_of
from weald.core.bindings.choosing import choosing_patch
from weald.core.drawing import Arc, Area, Drawing, Layer, Line, Sketch
from weald.core.findings import Patch
from weald.core.job.binding import COVERING_WORDS
from weald.core.job.patching import patched
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.planning.plan import Plan, plan
from weald.core.quantities import QUANTITIES
from weald.core.units import Mm

VARIANT_LAYERS: tuple[Layer, ...] = ("cut", "fold", "thread")
COMPARED_STATIONS = ("block", "boards", "sewing")
OVERLAID = (("case.flat", "Laid flat, one over another"), ("case.section", "Closed, one over another"))


@dataclass(frozen=True, slots=True)
class Way:
    """One way to choose from: a structure, or another school for one size. ``patch`` makes it so."""

    id: str
    group: str
    label: str
    patch: Patch
    differs: bool = True


@dataclass(frozen=True, slots=True)
class Column:
    """One way compared: its layer in the drawings, and what speaks against it."""

    label: str
    words: str
    layer: Layer
    stops: int
    minds: int
    patch: Patch


@dataclass(frozen=True, slots=True)
class Row:
    """One size in every way compared; a dash where it has none; ``differs`` where not the same."""

    id: str
    label: str
    shown: tuple[str, ...]
    differs: bool


@dataclass(frozen=True, slots=True)
class Comparison:
    """Ways side by side: columns, sizes, pieces, and the drawings over one another."""

    columns: tuple[Column, ...]
    rows: tuple[Row, ...]
    pieces: tuple[Row, ...]
    drawings: tuple[Drawing, ...]


def ways(spec: JobSpec, notation: Notation) -> tuple[Way, ...]:
    """Every other structure, and every school the present plan has a choice of."""
    found = [Way("", "", "as it is", {}, differs=False)]
    for structure in STRUCTURES.values():
        if structure.name != spec.binding.structure:
            found.append(Way(structure.name, "Structures", structure.title, choosing_patch(spec, structure)))
    made = plan(spec, notation, drawn=())
    for quantity in (each for each in made.quantities if each.station in COMPARED_STATIONS):
        for school in quantity.schools:
            if not school.chosen:
                label = f"{school.label}: {school.shown}"
                found.append(
                    Way(
                        f"{quantity.id}/{school.rule}",
                        quantity.label,
                        label,
                        school.patch,
                        school.shown != quantity.shown,
                    )
                )
    structure = structure_of(spec)
    for covering in structure.coverings:
        if covering != structure.covering(spec):
            patch: Patch = {"binding.covering": covering}
            found.append(Way(f"covering/{covering}", "Covering", COVERING_WORDS[covering], patch))
    return tuple(found)


def compare(spec: JobSpec, chosen: Sequence[Way], notation: Notation) -> Comparison:
    """Plan a job in each of the ways, at most three, and lay them side by side."""
    plans = [plan(patched(spec, way.patch), notation, drawn=("boards",)) for way in chosen]
    columns = tuple(
        Column(
            way.label,
            made.structure.words,
            VARIANT_LAYERS[number],
            sum(each.severity == "stop" for each in made.findings),
            sum(each.severity == "mind" for each in made.findings),
            way.patch,
        )
        for number, (way, made) in enumerate(zip(chosen, plans, strict=True))
    )
    return Comparison(columns, tuple(_rows(plans)), tuple(_pieces(plans)), tuple(_overlaid(plans)))


def _rows(plans: Sequence[Plan]) -> Iterator[Row]:
    found = [{each.id: each for each in made.quantities} for made in plans]
    for quantity_id, definition in QUANTITIES.items():
        if definition.station not in COMPARED_STATIONS:
            continue
        values = [quantities.get(quantity_id) for quantities in found]
        if not any(values):
            continue
        shown = tuple("–" if each is None else each.shown for each in values)
        yield Row(quantity_id, definition.label, shown, len(set(shown)) > 1)


def _pieces(plans: Sequence[Plan]) -> Iterator[Row]:
    found = [{each.id: each for each in made.pieces} for made in plans]
    for piece_id in dict.fromkeys(id for pieces in found for id in pieces):
        present = [pieces.get(piece_id) for pieces in found]
        label = next(each.label for each in present if each)
        shown = tuple("–" if each is None else f"{each.count} × {each.shown}" for each in present)
        yield Row(piece_id, label, shown, len(set(shown)) > 1)


def _middle(drawing: Drawing) -> tuple[Mm, Mm]:
    """What drawings are laid over one another by: the middle of a case, the spine of a section."""
    left, top, right, bottom = drawing.extent
    across = 0.0 if drawing.id == "case.section" else (left + right) / 2
    return across, (top + bottom) / 2


def _overlaid(plans: Sequence[Plan]) -> Iterator[Drawing]:
    for drawing_id, title in OVERLAID:
        sketch = Sketch()
        for number, made in enumerate(plans):
            drawing = next((each for each in made.drawings if each.id == drawing_id), None)
            if drawing is not None:
                _outlined(sketch, drawing, number)
        if sketch.points:
            yield sketch.finish(
                f"compare.{drawing_id}",
                "boards",
                title,
                rows=(0, 0, 0, 0),
                text="; ".join(f"{number + 1}: {made.structure.words}" for number, made in enumerate(plans)),
            )


def _outlined(sketch: Sketch, drawing: Drawing, number: int) -> None:
    """Only outlines, all in the layer of their way, so that differences show."""
    across, down = _middle(drawing)
    layer, about = VARIANT_LAYERS[number], f"variant.{number}"
    for element in drawing.elements:
        if isinstance(element, Area | Line):
            if element.layer == "hidden":
                continue
            points = [(x - across, y - down) for x, y in element.points]
            closed = [*points, points[0]] if isinstance(element, Area) else points
            sketch.line(closed, layer, about)
        elif isinstance(element, Arc):
            x, y = element.x - across, element.y - down
            sketch.arc(x, y, element.radius, element.start, element.end, layer, about)
