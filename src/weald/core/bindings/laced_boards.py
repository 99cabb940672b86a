"""Boards laced on to cords: the oldest of the strong bindings, in leather over raised or false bands."""

from dataclasses import replace

from weald.core.bindings import pictures
from weald.core.bindings.case import COVERINGS
from weald.core.bindings.case_sizes import size_in_shoulder
from weald.core.bindings.protocol import Bound, Structure
from weald.core.bindings.shoulder_boards import (
    ENTRIES,
    FIRST_HOLE,
    SECOND_HOLE,
    bind_in_shoulder,
    board_places,
    ploughed_off,
    with_lacing,
)
from weald.core.block.holes import Hole
from weald.core.block.textblock import MOST_SWELL
from weald.core.drawing import Sketch
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size boards to the shoulders, place the lacing holes opposite the cords, and cover them."""
    covering = STRUCTURE.covering(spec)
    case = size_in_shoulder(spec, block, covering, ledger)
    first = ledger.reckon("lacing.first", FIRST_HOLE, "from the board's spine edge", rule="{mm:10–12}")
    second = ledger.reckon("lacing.second", SECOND_HOLE, "further in, and offset along the board")
    bound = bind_in_shoulder(spec, case, covering, ledger, higher=ploughed_off(spec))
    places = board_places(spec, block, holes, ledger.value("squares.head"))
    flat = with_lacing(bound.drawings[0], case, places, (first, second))
    sizes = replace(bound.sizes, lacing=("lacing.first", "lacing.second"))
    return replace(bound, drawings=(flat, *bound.drawings[1:]), sizes=sizes)


def draw(sketch: Sketch) -> None:
    """Boards in the shoulders, cords through them, leather tight on the spine."""
    pictures.block(sketch, round=True)
    pictures.boards(sketch, inset=2.6)
    pictures.round_cloth(sketch, inset=2.6, joint=False, off=1.2)
    for side in (-1, 1):
        y = side * (pictures.HALF + pictures.BOARD)
        sketch.line(((-1, y), (9, y), (9, side * pictures.HALF)), "slit")


STRUCTURE = Structure(
    name="laced_boards",
    held="on_block",
    title="boards laced on",
    good_for="books to be handed down: boards and block are one, the spine tight or hollow, with bands",
    lasts="centuries",
    effort=5,
    needs="cords, backing boards, an awl, leather and a paring knife, patience",
    bind=bind,
    draw=draw,
    methods=("raised_cords", "cords", "tapes"),
    backs=("round",),
    shoulders=("90", "45"),
    coverings=COVERINGS,
    entries=(*ENTRIES, "binding.tape_reach", "binding.bands", "block.hollow"),
    chooses={
        "binding.material": "leather",
        "binding.cover_thickness": 0.8,
        "sewing.method": "raised_cords",
        "sewing.support_width": 3,
        "binding.tape_reach": 18,
    },
    thinnest=10.0,
    thickest=120.0,
    heaviest=9000.0,
    most_swell=MOST_SWELL,
    hollow=True,
    banded=True,
    attachment="laced",
)
