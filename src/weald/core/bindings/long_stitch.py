"""Long stitch.

Every section sewn straight through a limp cover, its thread on show along the spine. No glue.
"""

import math

from weald.core.bindings.flat_cover import FlatCover, cover_piece, draw_cover, size_with_squares, stiffeners
from weald.core.bindings.protocol import COVER_STUFF, Bound, Structure
from weald.core.bindings.wrapper import SCORE_CLEAR, draw_wrapped
from weald.core.block.holes import Hole
from weald.core.drawing import FIGURES_DOWN, Drawing, Sketch, box, dimension_rows
from weald.core.findings import Finding, finding
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import Mm

HOLE_MARK: Mm = 0.8
LEAST_APART: Mm = 2.0
"""Rows of holes nearer to one another than this tear into one."""
NUMBERED = 40


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size the cover with its squares and flaps, and place a row of holes in its spine for every section."""
    binding = spec.binding
    cover = size_with_squares(spec, block, binding.flaps, "cover", ledger)
    leaf, spine = cover.leaf, cover.spine
    apart = ledger.reckon(
        "cover.rows",
        block.spine / max(1, block.sections),
        "{spine} / {sections}",
        {
            "spine": ledger.ref("spine.thickness"),
            "sections": ledger.entry("sewn {signatures}", block.sections, "sections.count", "count"),
        },
        rule="a row of holes in the cover for every {signature}, opposite its fold",
    )
    rows = rows_of(block.sections, apart, spine)
    head = ledger.value("squares.head")
    sketch, drawing = draw_cover(cover, ledger)
    slit = slits(rows, apart)
    for hole in holes:
        y = head + hole.place
        if slit:
            sketch.line(((leaf + slit[0], y), (leaf + slit[1], y)), "slit", "cover.rows")
            continue
        for row in rows:
            sketch.arc(leaf + row, y, HOLE_MARK, 0, 359.9, "cut", "cover.rows")
    flat = sketch.finish(drawing.id, drawing.station, drawing.title, rows=drawing.rows, text=drawing.text)
    piece = cover_piece(spec, cover, "scored at the spine and pierced, every row from its template", ledger)
    drawings = (
        flat,
        draw_wrapped(block, binding.cover_thickness, ledger),
        _draw_rows(rows, apart, holes, cover, ledger),
    )
    pieces = (piece, *stiffeners(spec, cover, SCORE_CLEAR, ledger))
    return Bound(pieces, drawings, tuple(_mind(apart, block, ledger)), cover.sizes, cover.profile)


def rows_of(sections: int, apart: Mm, spine: Mm) -> list[Mm]:
    """Where the rows stand, from the back's score.

    The last section first, all of them in the spine's middle.
    """
    start = (spine - sections * apart) / 2
    return [start + (number + 0.5) * apart for number in range(sections)]


def slits(rows: list[Mm], apart: Mm) -> tuple[Mm, Mm] | None:
    """From where to where one slit takes the place of a row of holes that would tear into one another."""
    if len(rows) < 2 or apart >= LEAST_APART:
        return None
    return rows[0] - apart / 2, rows[-1] + apart / 2


def _mind(apart: Mm, block: BlockPlan, ledger: Ledger) -> list[Finding]:
    if block.sections < 2 or apart >= LEAST_APART:
        return []
    show = ledger.notation.thickness
    terms = {"apart": show(apart, True), "least": show(LEAST_APART, True)}
    return [finding("long.rows", "cover.rows", ledger.notation, **terms)]  # type: ignore[arg-type]


def _draw_rows(
    rows: list[Mm], apart: Mm, holes: tuple[Hole, ...], cover: FlatCover, ledger: Ledger
) -> Drawing:
    """The spine of the cover at true size from outside, a cross at every hole.

    Pierced through this template.
    """
    show, sketch, head = ledger.notation.figure, Sketch(), ledger.value("squares.head")
    slit = slits(rows, apart)
    sketch.area(box(0, 0, cover.spine, cover.height), "card", "cut", "spine_board.width cover.height")
    # a number at every row, or at every second, third … where they would lie over one another
    every = math.ceil(3 * cover.height / FIGURES_DOWN / apart) if apart else 1
    for number, row in enumerate(rows):
        x = cover.spine - row
        for hole in () if slit else holes:
            y = head + hole.place
            sketch.line(((x - HOLE_MARK, y), (x + HOLE_MARK, y)), "cut", "cover.rows")
            sketch.line(((x, y - HOLE_MARK), (x, y + HOLE_MARK)), "cut", "cover.rows")
        if len(rows) <= NUMBERED and number % every == 0:
            sketch.label(x, 3, str(len(rows) - number), height=1.6)
    places = [head + hole.place for hole in holes]
    beside = dimension_rows([(0.0, y, show(y)) for y in places], cover.height, FIGURES_DOWN)
    for y, beside_row in zip(places, beside, strict=True):
        if slit:
            ends = ((cover.spine - slit[1], y), (cover.spine - slit[0], y))
            sketch.line(ends, "slit", "cover.rows")
        sketch.dimension((0, y), (0, 0), show(y), offset=beside_row, about="sewing.interval")
    if len(rows) > 1:
        low, high = cover.spine - rows[1], cover.spine - rows[0]
        sketch.dimension((low, 0), (high, 0), show(high - low), about="cover.rows")
    sketch.dimension((0, 0), (cover.spine, 0), show(cover.spine), offset=2, about="spine_board.width")
    return sketch.finish(
        "sewing.cover_holes",
        "sewing",
        "Template for the spine of the cover, from outside",
        rows=(max(beside, default=0), 2, 0, 0),
        text=f"{len(rows)} rows of {len(holes)} holes; the first {{signature}} to the left.".replace(
            "{signature}", ledger.notation.vocabulary
        ),
    )


def draw(sketch: Sketch) -> None:
    """The spine of a limp cover from outside, long threads along it."""
    sketch.area(box(0, 0, 46, 30), "leather", "cut")
    for number in range(5):
        y = 5.0 + 5 * number
        for left, right in ((6, 17), (29, 40)):
            sketch.line(((left, y), (right, y)), "thread")


STRUCTURE = Structure(
    name="long_stitch",
    held="sewn_through",
    title="long stitch, limp cover",
    good_for="journals and sketchbooks that open flat; made without glue, the sewing on show",
    lasts="decades in leather or heavy paper; threads can be sewn again",
    effort=2,
    needs="limp leather, heavy paper or felt, strong thread, two needles, a template",
    bind=bind,
    draw=draw,
    methods=("long",),
    entries=(*COVER_STUFF, "binding.squares", "binding.spine_rule", "binding.flaps", "binding.stiffener"),
    chooses={
        "binding.material": "leather",
        "binding.cover_thickness": 1.2,
        "sewing.supports": 2,
        "binding.squares.head": 2,
        "binding.squares.tail": 2,
        "binding.squares.fore_edge": 2,
    },
    thinnest=4.0,
    thickest=60.0,
    heaviest=1500.0,
    most_swell=0.3,
    boards=False,
    endpapers=False,
    lined=False,
    lettered=False,
    printed=True,
)
