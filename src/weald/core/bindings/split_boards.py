"""Split boards: two thicknesses glued together but for a strip at the spine, which takes in the flange."""

from dataclasses import replace

from weald.core.bindings import pictures
from weald.core.bindings.case import COVERINGS
from weald.core.bindings.case_sizes import size_in_shoulder
from weald.core.bindings.protocol import Bound, Structure
from weald.core.bindings.shoulder_boards import ENTRIES, added_to, bind_in_shoulder, thin_boards
from weald.core.block.holes import Hole
from weald.core.block.textblock import MOST_SWELL
from weald.core.drawing import Sketch, box
from weald.core.findings import Action, Finding, finding
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import Mm

SPLIT_DEEPER: Mm = 5.0
"""The split reaches so much beyond the flange, so that nothing bunches at its bottom."""
LEAST_FRENCH: Mm = 3.0
"""From shoulder to board, so that split boards throw open: 3 to 5 mm."""


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size boards to the shoulders with a French joint, and the flange that goes into them."""
    covering = STRUCTURE.covering(spec)
    case = size_in_shoulder(spec, block, covering, ledger, laminated=True)
    bound = bind_in_shoulder(spec, case, covering, ledger)
    flange = ledger.reckon(
        "flange.width",
        spec.binding.tape_reach,
        "mull, tapes and the waste leaf, glued together and cut straight",
        rule="{mm:25–30}",
        entry="binding.tape_reach",
    )
    split = ledger.reckon(
        "split.depth",
        flange + SPLIT_DEEPER,
        "{flange} + {deeper}",
        {
            "flange": ledger.ref("flange.width"),
            "deeper": ledger.entry("room", SPLIT_DEEPER, "binding.tape_reach"),
        },
        rule="left unglued at the spine edge when the two boards are laminated",
    )
    thin = thin_boards(spec, case, "laminated inside the thick one, but for the split", ledger)
    sketch = Sketch()
    for left in (case.back_edge - split, case.front_edge):
        sketch.hatch(box(left, case.turn_in, split, case.tallest), "glue", 45, "split.depth")
    flat = added_to(bound.drawings[0], sketch)
    pieces, findings = (*bound.pieces, *thin), (*bound.findings, *_mind(spec, ledger.notation))
    return replace(bound, pieces=pieces, drawings=(flat, *bound.drawings[1:]), findings=findings)


def _mind(spec: JobSpec, notation: Notation) -> list[Finding]:
    if spec.binding.french_joint >= LEAST_FRENCH:
        return []
    action = Action(notation.say("Take {mm:4}"), {"binding.french_joint": 4})
    return [finding("split.tight", "binding.french_joint", notation, actions=(action,))]


def draw(sketch: Sketch) -> None:
    """Boards of two layers, split at the spine edge for the flange."""
    pictures.block(sketch, round=True)
    pictures.boards(sketch, inset=7)
    pictures.round_cloth(sketch, inset=7, joint=True)
    for side in (-1, 1):
        y = side * (pictures.HALF + pictures.BOARD / 2)
        sketch.line(((0, side * pictures.HALF), (4, y), (20, y)), "slit")


STRUCTURE = Structure(
    name="split_boards",
    held="on_block",
    title="split boards",
    good_for="account books and albums, and any book that will be opened flat a thousand times",
    lasts="generations of hard use",
    effort=4,
    needs="two thicknesses of board, tapes, mull, backing boards",
    bind=bind,
    draw=draw,
    methods=("tapes", "cords"),
    backs=("round",),
    shoulders=("90", "45"),
    coverings=COVERINGS,
    entries=(*ENTRIES, "binding.thin_board", "binding.tape_reach", "binding.groove", "block.hollow"),
    chooses={"binding.french_joint": 4, "binding.bands.count": 0},
    thinnest=10.0,
    thickest=120.0,
    heaviest=8000.0,
    most_swell=MOST_SWELL,
    hollow=True,
    banded=True,
    laminated=True,
    attachment="split",
)
