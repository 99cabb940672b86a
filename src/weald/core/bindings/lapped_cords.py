"""Boards glued on the frayed ends of the cords, another thin board laminated over them."""

from dataclasses import replace

from weald.core.bindings import pictures
from weald.core.bindings.case import COVERINGS
from weald.core.bindings.case_sizes import size_in_shoulder
from weald.core.bindings.protocol import Bound, Structure
from weald.core.bindings.shoulder_boards import ENTRIES, added_to, bind_in_shoulder, board_places, thin_boards
from weald.core.block.holes import Hole
from weald.core.block.textblock import MOST_SWELL
from weald.core.drawing import Sketch
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import Mm

FAN: Mm = 8.0
"""Half the width a cord is frayed out to."""


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size boards to the shoulders, fan the cords on them, and laminate a thin board over."""
    covering = STRUCTURE.covering(spec)
    case = size_in_shoulder(spec, block, covering, ledger, laminated=True)
    bound = bind_in_shoulder(spec, case, covering, ledger)
    reach = ledger.reckon(
        "slip.length",
        spec.binding.tape_reach,
        "on each board, frayed out and pasted down",
        rule="{mm:30–50}",
        entry="binding.tape_reach",
    )
    thin = thin_boards(spec, case, "laminated over the frayed cords", ledger)
    sketch = Sketch()
    back, front = board_places(spec, block, holes, ledger.value("squares.head"))
    for edge, way, cords in ((case.back_edge, -1, back), (case.front_edge, 1, front)):
        for place in cords:
            y = case.turn_in + place
            for off in (-FAN, -FAN / 2, 0.0, FAN / 2, FAN):
                sketch.line(((edge, y), (edge + way * reach, y + off)), "thread", "slip.length")
    flat = added_to(bound.drawings[0], sketch)
    return replace(bound, pieces=(*bound.pieces, *thin), drawings=(flat, *bound.drawings[1:]))


def draw(sketch: Sketch) -> None:
    """Boards of two layers with the cords between them."""
    pictures.block(sketch, round=True)
    pictures.boards(sketch, inset=2.6)
    pictures.round_cloth(sketch, inset=2.6, joint=False, off=1.2)
    for side in (-1, 1):
        y = side * (pictures.HALF + pictures.BOARD / 2)
        sketch.line(((-1, y), (16, y)), "slit")
        sketch.line(((2.6, y + 0.5), (pictures.LENGTH + 3, y + 0.5)), "hidden")


STRUCTURE = Structure(
    name="lapped_cords",
    held="on_block",
    title="boards on frayed cords",
    good_for="the strength of cords without lacing: slips fanned out on the board under a second, thin one",
    lasts="generations",
    effort=4,
    needs="cords, paste, two thicknesses of board, backing boards",
    bind=bind,
    draw=draw,
    methods=("cords", "raised_cords", "tapes"),
    backs=("round",),
    shoulders=("90", "45"),
    coverings=COVERINGS,
    entries=(*ENTRIES, "binding.thin_board", "binding.tape_reach", "binding.bands", "block.hollow"),
    chooses={
        "sewing.method": "cords",
        "sewing.support_width": 3,
        "binding.bands.count": 0,
        "binding.tape_reach": 40,
    },
    thinnest=10.0,
    thickest=100.0,
    heaviest=6000.0,
    most_swell=MOST_SWELL,
    hollow=True,
    banded=True,
    laminated=True,
    attachment="frayed",
)
