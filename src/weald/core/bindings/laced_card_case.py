"""The laced card case: one card, its supports drawn through slits. No glue at all."""

import math

from weald.core.bindings import pictures
from weald.core.bindings.flat_cover import cover_piece, draw_cover, size_with_squares, stiffeners
from weald.core.bindings.protocol import COVER_STUFF, Bound, Structure
from weald.core.bindings.wrapper import draw_wrapped
from weald.core.block.holes import Hole, back_middles, support_middles
from weald.core.drawing import Sketch
from weald.core.findings import Finding, finding
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import Mm

FIT_MARK: Mm = 2.0
"""Half as large as the signs that say which support goes through which slits."""


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size the card, and place four slits for every support."""
    binding = spec.binding
    cover = size_with_squares(spec, block, 0.0, "card", ledger)
    leaf, spine = cover.leaf, cover.spine
    slit = ledger.reckon(
        "slit.length",
        spec.sewing.support_width + binding.slit_play,
        "{tape} + {play}",
        {
            "tape": ledger.entry("support", spec.sewing.support_width, "sewing.support_width"),
            "play": ledger.entry("play", binding.slit_play, "binding.slit_play"),
        },
        rule="marked on both sides of the support, never cut through between the marks",
    )
    step = ledger.reckon(
        "slit.step",
        binding.slit_step,
        "from the slit on the joint to the next one in",
        rule="{mm:5}, {mm:3–10}",
        entry="binding.slit_step",
    )
    sketch, drawing = draw_cover(cover, ledger)
    head = ledger.value("squares.head")
    supports = support_middles(holes)
    own = spec.extras.places
    backs = (back_middles(own, block.height) if own else ()) or supports
    for number, (front, back) in enumerate(zip(supports, backs, strict=True), start=1):
        for x, place in ((leaf, back), (leaf + spine, front)):
            middle = head + place
            inward = -step if x == leaf else step
            for at in (x, x + inward):
                ends = ((at, middle - slit / 2), (at, middle + slit / 2))
                sketch.line(ends, "slit", "slit.length slit.step")
        for x, place in ((leaf - 3 * step, back), (leaf + spine + 3 * step, front)):
            _fit_mark(sketch, number, x, head + place)
    flat = sketch.finish(drawing.id, drawing.station, drawing.title, rows=drawing.rows, text=drawing.text)
    piece = cover_piece(spec, cover, "scored at the spine; slits cut from the outside, burr inside", ledger)
    section = draw_wrapped(block, binding.cover_thickness, ledger)
    return Bound(
        (piece, *stiffeners(spec, cover, step, ledger)),
        (flat, section),
        tuple(_mind(len(supports), block, ledger.notation)),
        cover.sizes,
        cover.profile,
    )


def _fit_mark(sketch: Sketch, number: int, x: Mm, y: Mm) -> None:
    """A figure with as many sides as its support's number and two more: the same on both covers."""
    sides = number + 2
    turns = [2 * math.pi * side / sides - math.pi / 2 for side in range(sides + 1)]
    points = [(x + FIT_MARK * math.cos(turn), y + FIT_MARK * math.sin(turn)) for turn in turns]
    sketch.line(points, "outline", "slit.length")


def _mind(supports: int, block: BlockPlan, notation: Notation) -> list[Finding]:
    found = [finding("slits.marked", "slit.length", notation)]
    if block.sections and not supports:
        found.append(finding("slits.none", "sewing.supports", notation))
    return found


def draw(sketch: Sketch) -> None:
    """A card round the block, a tape woven through it."""
    pictures.block(sketch)
    edge = pictures.HALF + 1.4
    path = ((pictures.LENGTH + 2, -edge), (-3.2, -edge), (-3.2, edge), (pictures.LENGTH + 2, edge))
    sketch.line(path, "cut")
    for side in (-1, 1):
        y = side * edge
        sketch.line(
            ((-2.0, side * pictures.HALF), (2, y + side * 1.6), (9, y + side * 1.6), (12, y - side)), "slit"
        )


STRUCTURE = Structure(
    name="laced_card_case",
    held="slits",
    title="laced card case",
    good_for="light books that open well; made without glue, and taken off again",
    lasts="decades, and a new card then",
    effort=2,
    needs="stiff card, tapes or cords, a scalpel; no adhesive",
    bind=bind,
    draw=draw,
    methods=("tapes", "cords", "raised_cords"),
    entries=(
        *COVER_STUFF,
        "binding.squares",
        "binding.spine_rule",
        "binding.slit_step",
        "binding.slit_play",
        "binding.tape_reach",
        "binding.stiffener",
    ),
    chooses={"binding.cover_thickness": 0.5, "binding.squares.fore_edge": 3, "binding.tape_reach": 40},
    thinnest=4.0,
    thickest=45.0,
    heaviest=1500.0,
    most_swell=0.15,
    boards=False,
    lined=False,
    printed=True,
    attachment="slits",
)
