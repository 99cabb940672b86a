"""What to mind about the block: its thickness and swell, its back, and how it is trimmed."""

import math

from weald.core.block.textblock import FLAT_BACK_SWELL_EASY, MOST_SWELL, thread_for_swell
from weald.core.findings import Action, Finding, finding
from weald.core.job.spec import JobSpec
from weald.core.notation import percents_apart
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan, Treatment
from weald.core.stations.block_swell import NO_THREAD
from weald.core.units import TOLERANCE, Mm

THICKEST: Mm = 300.0
DIAGONALS_MAY_DIFFER: Mm = 0.5
BOARD_COVERS_BAND: Mm = 0.5
"""The board stands over the end band by at least so much."""
FORCED_NOTICED: Mm = 0.5
LEFT_OVER_NOTICED = 1.0
"""Swell left over, in shoulders' heights, beyond which it does not find room in them."""
LEAST_BAND: Mm = 0.5
"""A band lower than this is none."""


def mind_block(
    spec: JobSpec, treatment: Treatment, block: BlockPlan, ledger: Ledger, *, laced: bool = False
) -> list[Finding]:
    """What to mind about the block and its back.

    :param laced: whether its boards are laced on, and can be trimmed with it.
    """
    found: list[Finding] = []
    show = ledger.notation
    if block.thickness > THICKEST:
        found.append(
            finding(
                "block.too_thick",
                "block.thickness",
                ledger.notation,
                thickness=show.apart(block.thickness, THICKEST)[0],
                most=show.limit(THICKEST),
            )
        )
    if treatment.rounded:
        found += _mind_round(block, ledger)
    elif block.swell > treatment.most_swell * block.thickness:
        found.append(_much_swell(spec, treatment, block, ledger))
    return [*found, *_mind_trimming(spec, block, laced, ledger)]


def _much_swell(spec: JobSpec, treatment: Treatment, block: BlockPlan, ledger: Ledger) -> Finding:
    show = ledger.notation
    suits = _thread_that_suits(spec, treatment, block, ledger)
    about = "spine.swell_ratio"
    percent, most = percents_apart(100 * block.swell / block.thickness, 100 * treatment.most_swell)
    if suits <= 0:
        return finding("swell.besides", about, show, percent=percent, most=most)
    # rounded down, and a little thinner where that is as much as there is now
    thread = math.floor(suits * 100) / 100
    actions = (
        (Action(f"Sew with {show.thickness(thread, True)} thread", {"sewing.thread": thread}),)
        if 0.1 <= thread < spec.sewing.thread
        else ()
    )
    thinnest = show.thickness(max(thread, 0.01), True)
    return finding("swell.much", about, show, percent=percent, most=most, thread=thinnest, actions=actions)


def _thread_that_suits(spec: JobSpec, treatment: Treatment, block: BlockPlan, ledger: Ledger) -> Mm:
    if treatment.method in NO_THREAD:
        return 0.0
    if "thread.suits" in ledger.quantities:
        return ledger.value("thread.suits")
    wanted = FLAT_BACK_SWELL_EASY * block.thickness
    return thread_for_swell(wanted, block.sections, spec.sewing.swell_factor)


def _mind_round(block: BlockPlan, ledger: Ledger) -> list[Finding]:
    show = ledger.notation
    left = ledger.value("spine.left_over")
    own = Action("Round as the swell asks for", {"back.round_rule": "swell"})
    found: list[Finding] = []
    if block.round < TOLERANCE:
        full = Action("Round it to a fifth of a circle", {"back.round": 0.2, "back.round_rule": "given"})
        found.append(finding("round.none", "spine.round", ledger.notation, actions=(full,)))
    elif block.swell > MOST_SWELL * block.thickness:
        swell, most = show.compared_thickness(block.swell, MOST_SWELL * block.thickness)
        found.append(
            finding(
                "round.impossible",
                "spine.swell_round",
                ledger.notation,
                swell=swell,
                most=most,
            )
        )
    elif left < -FORCED_NOTICED:
        found.append(
            finding(
                "round.forced",
                "spine.left_over",
                ledger.notation,
                short=show.thickness(-left, True),
                actions=(own,),
            )
        )
    elif left > LEFT_OVER_NOTICED * max(block.shoulder, FORCED_NOTICED):
        found.append(
            finding(
                "round.left_over",
                "spine.left_over",
                ledger.notation,
                left=show.thickness(left, True),
                actions=(own,),
            )
        )
    return found


def _mind_trimming(spec: JobSpec, block: BlockPlan, laced: bool, ledger: Ledger) -> list[Finding]:
    found: list[Finding] = []
    show, trims = ledger.notation.length, spec.leaf.trim
    one, other = spec.block.diagonal_1, spec.block.diagonal_2
    if spec.paper.deckle and trims.fore_edge:
        action = Action("Leave the fore-edge untrimmed", {"leaf.trim.fore_edge": 0})
        found.append(finding("deckle.trimmed", "leaf.trim.fore_edge", ledger.notation, actions=(action,)))
    if spec.block.trimming == "in_boards" and not laced:
        action = Action("Trim out of boards", {"block.trimming": "out_of_boards"})
        found.append(finding("trim.in_boards", "block.trimming", ledger.notation, actions=(action,)))
    if spec.block.trimming == "untrimmed" and (trims.head or trims.tail or trims.fore_edge):
        none: dict[str, object] = {f"leaf.trim.{edge}": 0 for edge in ("head", "tail", "fore_edge")}
        found.append(
            finding(
                "trim.meant",
                "block.trimming",
                ledger.notation,
                actions=(Action("Leave every edge as it is", none),),
            )
        )
    if one and other:
        expected, off = ledger.value("block.diagonal"), abs(one - other)
        far = max(abs(one - expected), abs(other - expected))
        if far > 0.1 * expected:
            found.append(
                finding("diagonals.far", "block.diagonal_1", ledger.notation, expected=show(expected, True))
            )
        elif off > DIAGONALS_MAY_DIFFER + TOLERANCE:
            found.append(
                finding(
                    "diagonals.differ",
                    "block.out_of_square",
                    ledger.notation,
                    off=ledger.notation.thickness(off, True),
                    slid=ledger.shown("block.out_of_square"),
                )
            )
        else:
            found.append(finding("diagonals.equal", "block.diagonal_1", ledger.notation))
    squares = spec.binding.squares
    band, head = spec.block.end_band_height, min(squares.head, squares.tail)
    if spec.block.end_bands != "none" and band > head - BOARD_COVERS_BAND + TOLERANCE:
        fits = ledger.notation.mark_below(head - BOARD_COVERS_BAND)
        high, covers = ledger.notation.compared(band, max(0.0, head - BOARD_COVERS_BAND))
        found.append(
            finding(
                "end_band.high",
                "block.end_band_height",
                ledger.notation,
                band=high,
                covers=covers,
                actions=(Action(f"Band of {show(fits, True)}", {"block.end_band_height": round(fits, 4)}),)
                if fits >= LEAST_BAND
                else (),
            )
        )
    return found
