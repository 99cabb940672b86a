"""A skin by its outline.

The leather of the book laid on it, askew among one another, and pieced where that may be.
"""

from collections.abc import Iterator
from functools import lru_cache

from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.cutting.outline import Laid, Outline, area_of, crosses_itself, lay_in_outline
from weald.core.drawing import Drawing, Sketch
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.job.extras.covers import SkinOutline, SkinPoint
from weald.core.job.spec import JobSpec
from weald.core.materials import COVERS, MATERIALS
from weald.core.units import Mm

LEAST_POINTS = 3
PARTS = (0.5, 0.6, 0.7)
"""A piece is parted at the middle, or a little nearer to one end: so that the seam lies under the sides."""
STRAIGHT = 0.5
Sized = tuple[str, Mm, Mm]


def suits(structure: Structure, spec: JobSpec) -> bool:
    """What is covered in leather."""
    return structure.boards and not COVERS[spec.binding.material].record.grained


def reckon(book: Book) -> Added:
    """Lay every piece of leather on the skin; what does not go is said."""
    skin = book.spec.extras.skin or SkinOutline()
    outline = tuple((each.along, each.away) for each in skin.points)
    if len(outline) < LEAST_POINTS:
        return Added(findings=(finding("skin.points", "extras.skin.points", book.notation),))
    if crosses_itself(outline) or area_of(outline) < 1:
        return Added(findings=(finding("skin.crossed", "extras.skin.points", book.notation),))
    wanted = tuple(
        (f"{piece.label} {number}" if piece.count > 1 else piece.label, piece.cut_width, piece.cut_height)
        for piece in book.bound.pieces
        if not MATERIALS[piece.material].grained and min(piece.cut_width, piece.cut_height) > 0
        for number in range(1, piece.count + 1)
    )[:MOST]
    laid, without, pieced = _lay(outline, wanted, skin.apart, skin.overlap if skin.pieced else None)
    drawings = (_draw(book, outline, laid),) if "cutting" in book.drawn else ()
    return Added(drawings=drawings, findings=tuple(_mind(book, skin, (laid, without, pieced))))


MOST = 24
"""Pieces laid on one skin."""


@lru_cache(maxsize=64)
def _lay(
    outline: Outline, wanted: tuple[Sized, ...], apart: Mm, overlap: Mm | None
) -> tuple[tuple[Laid, ...], tuple[str, ...], tuple[str, ...]]:
    """Pieces laid whole, else in two.

    The same question is answered from memory while something else is typed.
    """
    laid, without = lay_in_outline(outline, wanted, apart)
    if not without or overlap is None:
        return tuple(laid), tuple(without), ()
    sizes = {name: (width, height) for name, width, height in wanted}
    best: tuple[list[Laid], list[str]] = (laid, without)
    for part in PARTS:
        parted = [each for each in wanted if each[0] not in without]
        for name in without:
            parted += _halves(name, *sizes[name], part, overlap)
        trial = lay_in_outline(outline, parted, apart)
        if len(trial[1]) < len(best[1]) or not trial[1]:
            best = trial
        if not best[1]:
            break
    names = {each.name for each in best[0]}
    pieced = tuple(
        name for name in without if f"{name}, one part" in names and f"{name}, other part" in names
    )
    left = tuple(name for name in without if name not in pieced)
    return tuple(best[0]), left, pieced


def _halves(name: str, width: Mm, height: Mm, part: float, overlap: Mm) -> Iterator[Sized]:
    """A piece in two along its longer side, with the overlap between them on both."""
    long = max(width, height)
    for words, share in ((", one part", part), (", other part", 1 - part)):
        length = long * share + overlap / 2
        yield f"{name}{words}", *((length, height) if width >= height else (width, length))


def _mind(
    book: Book, skin: SkinOutline, found: tuple[tuple[Laid, ...], tuple[str, ...], tuple[str, ...]]
) -> Iterator[Finding]:
    laid, without, pieced = found
    if without:
        allow = () if skin.pieced else (Action("Let it be pieced", {"extras.skin.pieced": True}),)
        yield finding(
            "skin.too_small", "extras.skin.points", book.notation, pieces=", ".join(without), actions=allow
        )
    if pieced:
        overlap = book.notation.length(skin.overlap, True)
        yield finding(
            "skin.pieced", "extras.skin.pieced", book.notation, pieces=", ".join(pieced), overlap=overlap
        )
    askew = [each for each in laid if min(each.degrees % 90, 90 - each.degrees % 90) > STRAIGHT]
    if askew:
        words = ", ".join(f"{each.name} by {each.degrees:.0f}°" for each in askew)
        yield finding("skin.askew", "extras.skin.points", book.notation, pieces=words)


def _draw(book: Book, outline: Outline, laid: tuple[Laid, ...]) -> Drawing:
    """The skin with the pieces on it, and where their corners lie from the corner of the bench."""
    show, sketch = book.notation.figure, Sketch()
    sketch.area(outline, "waste", "outline", "extras.skin.points")
    for number, (x, y) in enumerate(outline, start=1):
        sketch.label(x, y, str(number), height=8)
    for each in laid:
        sketch.area(each.corners, "leather", "cut")
        x = sum(corner[0] for corner in each.corners) / 4
        y = sum(corner[1] for corner in each.corners) / 4
        sketch.label(
            x, y, each.name, height=9, rotation=each.degrees if each.degrees <= 90 else each.degrees - 180
        )
    right, low = max(x for x, _ in outline), max(y for _, y in outline)
    sketch.points.append((0.0, 0.0))
    sketch.dimension((0, 0), (right, 0), show(right), about="extras.skin.points")
    sketch.dimension((0, low), (0, 0), show(low), about="extras.skin.points")
    return sketch.finish(
        "cutting.skin",
        "cutting",
        "The leather laid on the skin",
        rows=(1, 1, 0, 0),
        text="; ".join(
            f"{each.name}: corners at " + ", ".join(f"{show(x)} / {show(y)}" for x, y in each.corners)
            for each in laid
        ),
    )


def draw(sketch: Sketch) -> None:
    """A skin with two pieces on it, one askew."""
    sketch.area(
        (
            (4, 6),
            (14, 2),
            (30, 6),
            (46, 0),
            (52, 10),
            (46, 24),
            (50, 40),
            (34, 36),
            (18, 42),
            (2, 36),
            (8, 22),
        ),
        "waste",
    )
    sketch.area(((12, 10), (42, 10), (42, 22), (12, 22)), "leather", "cut")
    sketch.area(((12, 33), (36, 26), (38, 32), (14, 39)), "leather", "cut")


EXTRA = Extra(
    name="skin",
    station="cutting",
    title="skin by its outline",
    does="Cut the leather from a skin",
    good_for="leather laid on the skin there is: its points measured, pieces askew among others, "
    "pieced where it may be",
    entries=SkinOutline,
    draw=draw,
    suits=suits,
    reckon=reckon,
    begins={
        "points": [
            SkinPoint(along=along, away=away).model_dump()
            for along, away in (
                (60.0, 20.0),
                (700.0, 40.0),
                (780.0, 300.0),
                (690.0, 560.0),
                (90.0, 540.0),
                (20.0, 280.0),
            )
        ]
    },
    in_words="leather, goat, calf, askew, pieced, outline, hide",
)
