"""Block: its leaves and endpapers stacked, swollen by the thread, and its back shaped."""

from weald.core.block.ends import both_ends
from weald.core.block.plates import stands_out
from weald.core.block.textblock import out_of_square
from weald.core.job.spec import JobSpec
from weald.core.quantities import SizeState
from weald.core.reckoning import Ledger
from weald.core.stations.block_back import rounded
from weald.core.stations.block_plan import BlockPlan, Treatment
from weald.core.stations.block_swell import reckon_swell
from weald.core.stations.block_thickness import leaves_of_endpapers, reckon_thickness
from weald.core.stations.folding import FoldingPlan
from weald.core.stations.paper import PaperPlan
from weald.core.units import Mm


def reckon(
    spec: JobSpec, treatment: Treatment, paper: PaperPlan, folding: FoldingPlan, ledger: Ledger
) -> BlockPlan:
    """Stack the leaves and the endpapers, add the swell, and shape the back."""
    ends = spec.endpapers
    composed = spec.extras.ends if treatment.endpapers else None
    end_leaves = leaves_of_endpapers(ends) if treatment.endpapers and not composed else 0
    sections = len(folding.sections) if folding.sewn and treatment.method not in ("none", "stab") else 0
    matter = both_ends(composed, sections > 1) if composed else None
    thickness = reckon_thickness(
        spec, treatment, (end_leaves, matter), paper, (sections, folding.make_up), ledger
    )
    height = _reckon_height(spec, ledger)
    width = _reckon_width(spec, ledger)
    own = 2 if ends.kind == "sewn" and end_leaves else matter.sections if matter else 0
    sewn = sections + (own if sections else 0)
    added = reckon_swell(spec, treatment, thickness, sewn, ledger)
    area = height * width / 1e6
    leaves = ledger.value("text.leaves") * treatment.leaf_factor
    end_mass = matter.mass if matter else 2 * end_leaves * ends.grammage
    mass = area * (leaves * paper.grammage + end_mass)
    _reckon_diagonals(spec, height, width, ledger)
    flat = BlockPlan(
        height=height,
        width=width,
        thickness=thickness,
        swell=added,
        spine=ledger.value("spine.thickness"),
        sections=sewn,
        leaf_mass=mass,
        round=0.0,
        arc=thickness,
        chord=thickness,
        rise=0.0,
        shoulder=0.0,
        shoulder_line=0.0,
        shoulder_angle=0.0,
        joint_width=width,
    )
    if not treatment.rounded:
        return flat
    return rounded(spec, treatment, flat, ledger)


def _reckon_height(spec: JobSpec, ledger: Ledger) -> Mm:
    """Enter the block's height: the trimmed leaf's, or what is left of leaves measured before trimming."""
    trim = spec.leaf.trim
    state = _state(trim.head, trim.tail)
    if "leaf.untrimmed_height" not in spec.measured:
        return ledger.reckon(
            "block.height", spec.leaf.height, "the trimmed leaf", entry="leaf.height", state=state
        )
    return ledger.reckon(
        "block.height",
        ledger.value("leaf.untrimmed_height") - trim.head - trim.tail,
        "{leaf} − {head} − {tail}",
        {
            "leaf": ledger.ref("leaf.untrimmed_height"),
            "head": ledger.entry("head trim", trim.head, "leaf.trim.head"),
            "tail": ledger.entry("tail trim", trim.tail, "leaf.trim.tail"),
        },
        rule="of leaves that were measured as they lie there",
        state=state,
    )


def _state(*trims: Mm) -> SizeState:
    return "trimmed" if any(trims) else "untrimmed"


def _reckon_width(spec: JobSpec, ledger: Ledger) -> Mm:
    """Enter the block's width: that of the trimmed leaf, and what leaves on guards stand out beyond it."""
    plates, width, state = spec.extras.plates, spec.leaf.width, _state(spec.leaf.trim.fore_edge)
    out = 0.0
    if plates and not plates.cut_back:
        out = max((stands_out(each, width) for each in plates.plates), default=0.0)
    if not out and "leaf.untrimmed_width" in spec.measured:
        return ledger.reckon(
            "block.width",
            ledger.value("leaf.untrimmed_width") - spec.leaf.trim.fore_edge,
            "{leaf} − {trim}",
            {
                "leaf": ledger.ref("leaf.untrimmed_width"),
                "trim": ledger.entry("fore-edge trim", spec.leaf.trim.fore_edge, "leaf.trim.fore_edge"),
            },
            rule="of leaves that were measured as they lie there",
            state=state,
        )
    if not out:
        return ledger.reckon("block.width", width, "the trimmed leaf", entry="leaf.width", state=state)
    leaf = ledger.entry("the trimmed leaf", width, "leaf.width")
    beyond = ledger.entry("leaves on guards stand out", out, "extras.plates.cut_back")
    terms = {"leaf": leaf, "out": beyond}
    return ledger.reckon("block.width", width + out, "{leaf} + {out}", terms, state=state)


def _reckon_diagonals(spec: JobSpec, height: Mm, width: Mm, ledger: Ledger) -> None:
    one, other = spec.block.diagonal_1, spec.block.diagonal_2
    ledger.reckon(
        "block.diagonal",
        (height**2 + width**2) ** 0.5,
        "√({height}² + {width}²)",
        {"height": ledger.ref("block.height"), "width": ledger.ref("block.width")},
        rule="of a square block, from corner to corner either way",
        state=_state(spec.leaf.trim.head, spec.leaf.trim.tail, spec.leaf.trim.fore_edge),
    )
    if one and other:
        ledger.reckon(
            "block.out_of_square",
            out_of_square(width, one, other),
            "|{one}² − {other}²| / (4 × {width})",
            {
                "one": ledger.entry("one diagonal", one, "block.diagonal_1"),
                "other": ledger.entry("the other", other, "block.diagonal_2"),
                "width": ledger.ref("block.width"),
            },
            rule="how far head and tail have slid against one another",
        )
