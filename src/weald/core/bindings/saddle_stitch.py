"""The saddle-stitched booklet: one section and its cover, stitched through the fold, trimmed together."""

from weald.core.bindings import pictures
from weald.core.bindings.flat_cover import FlatCover, cover_piece, draw_cover, reckon_cover
from weald.core.bindings.protocol import COVER_STUFF, Bound, Structure
from weald.core.block.holes import Hole
from weald.core.drawing import Drawing, Sketch
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import Mm

STAPLE: Mm = 12.0
SHOWN_FOLIOS = 8
FOLIO_APART: Mm = 2.0
FOLD_LENGTH: Mm = 60.0


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size the cover round the folded section, with what is trimmed off both."""
    if spec.extras.self_cover is not None:
        return Bound((), (_draw_section(block, ledger, covered=False),), ())
    trim = spec.leaf.trim
    leaf = ledger.reckon("cover.leaf", block.width, "{width}", {"width": ledger.ref("block.width")})
    spine = ledger.reckon(
        "spine_board.width",
        block.thickness,
        "{block}",
        {"block": ledger.ref("block.thickness")},
        label="Spine of the cover",
        rule="what the cover needs to go round the fold",
    )
    height = ledger.reckon("cover.height", block.height, "{height}", {"height": ledger.ref("block.height")})
    cover = FlatCover(block, leaf, spine, height, 0.0, trim.head, trim.tail, trim.fore_edge)
    cover = reckon_cover(spec, cover, ledger)
    sketch, drawing = draw_cover(cover, ledger)
    fold = cover.leaf + cover.spine / 2
    staples = spec.sewing.method == "staples" or spec.sewing.method not in STRUCTURE.methods
    for hole in holes:
        half = STAPLE / 2 if staples else 1.0
        sketch.line(((fold, hole.place - half), (fold, hole.place + half)), "thread", "sewing.first")
    flat = sketch.finish(drawing.id, drawing.station, drawing.title, rows=drawing.rows, text=drawing.text)
    piece = cover_piece(spec, cover, "round the {signature}, stitched and trimmed with it", ledger)
    return Bound((piece,), (flat, _draw_section(block, ledger)), (), cover.sizes, cover.profile)


def _draw_section(block: BlockPlan, ledger: Ledger, *, covered: bool = True) -> Drawing:
    """The fold cut across: leaves nested, the cover outermost, the staple through all; not to scale.

    :param covered: whether it has a cover of its own, or is its own cover.
    """
    sketch = Sketch()
    nested = max(1, min(SHOWN_FOLIOS, round(ledger.value("text.leaves") / 2)))
    for number in range(1, nested + 1 + covered):
        half, outer = number * FOLIO_APART, number == nested + 1
        path = (
            (FOLD_LENGTH, -half),
            (half, -half),
            (nested * FOLIO_APART - half, 0.0),
            (half, half),
            (FOLD_LENGTH, half),
        )
        about = "cover.width" if outer else "block.thickness"
        sketch.line(path, "cut" if outer else "outline", about)
    sketch.line(((-2 * FOLIO_APART, 0.0), (nested * FOLIO_APART, 0.0)), "thread", "sewing.first")
    words = f"{round(ledger.value('text.leaves') / 2)} folios nested in one fold"
    return sketch.finish(
        "case.section",
        "boards",
        "The fold in section",
        rows=(0, 0, 0, 0),
        to_scale=False,
        text=f"{words}, {ledger.notation.length(block.thickness, True)} thick, "
        f"{'the cover' if covered else 'the first and last leaf'} outermost.",
    )


def draw(sketch: Sketch) -> None:
    """Nested leaves in a folded cover, a staple through the fold."""
    pictures.folded(sketch, 4.0, 5)
    edge = 5.0
    path = ((pictures.LENGTH, -edge), (2.0, -edge), (-1.0, 0.0), (2.0, edge), (pictures.LENGTH, edge))
    sketch.line(path, "cut")
    sketch.line(((-2.5, 0.0), (4.0, 0.0)), "thread")


STRUCTURE = Structure(
    name="saddle_stitch",
    held="stitched",
    title="saddle-stitched booklet",
    good_for="programmes, zines, first tries: ready in minutes",
    lasts="years; staples rust, thread does not",
    effort=1,
    needs="a long-arm stapler, or needle and thread; a knife for the trim",
    bind=bind,
    draw=draw,
    methods=("staples", "pamphlet"),
    sections="one",
    entries=(*COVER_STUFF,),
    chooses={"folding.make_up": "one_section"},
    thickest=5.0,
    heaviest=400.0,
    boards=False,
    endpapers=False,
    flush=True,
    lined=False,
    lettered=False,
    printed=True,
)
