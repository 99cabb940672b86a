"""Paper covers: drawn on and trimmed flush with the block, or a wrapper with flaps that is not glued."""

from weald.core.bindings import pictures
from weald.core.bindings.flat_cover import FlatCover, cover_piece, draw_cover, reckon_cover, stiffeners
from weald.core.bindings.protocol import COVER_STUFF, Bound, Structure
from weald.core.block.holes import Hole
from weald.core.drawing import Drawing, Sketch, box
from weald.core.findings import Finding, finding
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_drawings import draw_section
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import Mm

LEAST_FLAP_PART = 0.25
SCORE_CLEAR: Mm = 3.0
"""Stiffeners begin so far from the score, so that the cover still folds."""


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size the cover from leaf and spine; drawn on, it is trimmed with the block."""
    flap = spec.binding.flaps
    trim = spec.leaf.trim
    waste = (0.0, 0.0, 0.0) if flap else (trim.head, trim.tail, trim.fore_edge)
    leaf = ledger.reckon("cover.leaf", block.width, "{width}", {"width": ledger.ref("block.width")})
    spine = ledger.reckon(
        "spine_board.width",
        block.thickness + 2 * spec.binding.cover_thickness,
        "{block} + 2 × {card}",
        {
            "block": ledger.ref("block.thickness"),
            "card": ledger.entry("cover", spec.binding.cover_thickness, "binding.cover_thickness"),
        },
        label="Spine of the cover",
        rule="from score to score; the scores lie on the outside of the card",
    )
    height = ledger.reckon("cover.height", block.height, "{height}", {"height": ledger.ref("block.height")})
    cover = reckon_cover(spec, FlatCover(block, leaf, spine, height, flap, *waste), ledger)
    how = (
        "round the block with its flaps folded in, not glued"
        if flap
        else "glued to the spine only and trimmed with the block"
    )
    _, flat = draw_cover(cover, ledger)
    return Bound(
        (cover_piece(spec, cover, how, ledger), *stiffeners(spec, cover, SCORE_CLEAR, ledger)),
        (flat, draw_wrapped(block, spec.binding.cover_thickness, ledger)),
        tuple(_mind(flap, block.width, ledger)),
        cover.sizes,
        cover.profile,
    )


def _mind(flap: Mm, width: Mm, ledger: Ledger) -> list[Finding]:
    compared = ledger.notation.compared
    if 0 < flap < LEAST_FLAP_PART * width:
        has, least = compared(flap, LEAST_FLAP_PART * width)
        return [finding("flap.short", "binding.flaps", ledger.notation, flap=has, least=least)]
    if flap > width:
        has, most = compared(flap, width)
        return [finding("flap.long", "binding.flaps", ledger.notation, flap=has, width=most)]
    return []


def draw_wrapped(block: BlockPlan, card: Mm, ledger: Ledger) -> Drawing:
    """Block and folded cover cut across at the spine."""
    show, sketch = ledger.notation.figure, Sketch()
    half, reach = block.thickness / 2, 34.0
    draw_section(sketch, block, reach)
    for top in (-half - card, half):
        sketch.area(box(-card, top, reach + card, card), "card", about="cover.width")
    sketch.area(box(-card, -half, card, 2 * half), "card", about="spine_board.width")
    sketch.dimension(
        (-card, half + card), (-card, -half - card), show(2 * (half + card)), about="spine_board.width"
    )
    sketch.dimension((reach, -half), (reach, half), show(2 * half), about="block.thickness")
    return sketch.finish(
        "case.section",
        "boards",
        "The spine in section",
        rows=(1, 0, 1, 0),
        text="The cover goes round the block with a score at either edge of the spine.",
    )


def draw(sketch: Sketch) -> None:
    """A thin cover close round the block."""
    pictures.block(sketch)
    edge = pictures.HALF + 1.0
    path = ((pictures.LENGTH, -edge), (-3.2, -edge), (-3.2, edge), (pictures.LENGTH, edge))
    sketch.line(path, "cut")


STRUCTURE = Structure(
    name="wrapper",
    held="glued",
    title="paper cover",
    good_for="advance copies, pamphlets of several {signatures}, books that wait for a binding",
    lasts="years of careful use",
    effort=1,
    needs="stout paper or card, a bone folder, PVA",
    bind=bind,
    draw=draw,
    methods=("link", "tapes", "cords", "none"),
    entries=(*COVER_STUFF, "binding.flaps", "binding.stiffener", "binding.tape_reach"),
    chooses={"binding.material": "paper"},
    thinnest=2.0,
    thickest=40.0,
    heaviest=1200.0,
    most_swell=0.15,
    boards=False,
    endpapers=True,
    flush=True,
    lined=False,
    printed=True,
    attachment="leaf",
)
