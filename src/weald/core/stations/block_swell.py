"""What the sewing adds at the spine, and the thread that suits a block."""

from weald.core.block.ends import both_ends
from weald.core.block.holes import SUPPORTED, courses
from weald.core.block.textblock import FLAT_BACK_SWELL_EASY, arc_to_chord, swell, thread_for_swell
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger, Term
from weald.core.stations.block_plan import Treatment
from weald.core.units import Mm

NO_THREAD = ("staples", "none", "stab")
"""Methods that leave no thread in the folds."""


def reckon_swell(spec: JobSpec, treatment: Treatment, thickness: Mm, sections: int, ledger: Ledger) -> Mm:
    """Enter the swell, the spine as sewn and the thread that would suit, and give the swell back.

    :param sections: those that are sewn, endpapers' own among them.
    """
    thread = 0.0 if treatment.method in NO_THREAD else spec.sewing.thread
    passes = sections
    if spec.extras.stitching and treatment.method in SUPPORTED:
        passes = len(courses(sections, spec.extras.stitching))
    sewn = "sewn {signatures}" if passes == sections else "courses of thread"
    factor = spec.sewing.swell_factor
    by_thread = {
        "sections": ledger.entry(sewn, passes, "sections.count", "count"),
        "thread": ledger.entry("thread", thread, "sewing.thread", "thickness"),
        "factor": ledger.entry("swell factor", factor, "sewing.swell_factor", "factor"),
    }
    besides = _at_spine(spec, treatment, sections, ledger)
    alone = swell(passes, thread, factor) + sum(term.value for term in besides.values())
    added = _enter_swell(thickness, alone, by_thread, besides, ledger)
    ledger.reckon(
        "spine.swell_ratio",
        100 * added / thickness,
        "100 × {swell} / {thickness}",
        {"swell": ledger.ref("spine.swell"), "thickness": ledger.ref("block.thickness")},
        rule="a flat back takes 10 to 12 %; more has to be rounded away",
    )
    if thread and sections > 1:
        _reckon_thread(spec, treatment, by_thread, besides, ledger)
    return added


def _enter_swell(
    thickness: Mm, alone: Mm, by_thread: dict[str, Term], besides: dict[str, Term], ledger: Ledger
) -> Mm:
    """Enter swell and spine, either from the other: from the spine where that was measured.

    :param alone: the swell as reckoned; less than nothing where more is put in at the fore-edge.
    """
    block, terms = ledger.ref("block.thickness"), by_thread | besides
    summed = "{sections} × {thread} × {factor}" + "".join(f" + {{{name}}}" for name in besides)
    as_sewn = "before the spine is nipped; the case is sized on the pressed block"
    if "spine.thickness" in ledger.measured:
        spine = ledger.reckon(
            "spine.thickness",
            thickness + max(0.0, alone),
            f"{{thickness}} + {summed}",
            {"thickness": block, **terms},
            rule=as_sewn,
        )
        return ledger.reckon(
            "spine.swell",
            max(0.0, spine - thickness),
            "{spine} − {thickness}" if spine >= thickness else "nothing: {spine} is no more than {thickness}",
            {"spine": ledger.ref("spine.thickness"), "thickness": block},
            rule="what the spine was measured thicker than the pressed block",
        )
    added = ledger.reckon(
        "spine.swell",
        max(0.0, alone),
        summed if alone >= 0 else "nothing: more is put in at the fore-edge than at the spine",
        terms,
        rule="0.5 for every course of thread until measured; two on, one course holds two {signatures}",
    )
    ledger.reckon(
        "spine.thickness",
        thickness + added,
        "{thickness} + {swell}",
        {"thickness": block, "swell": ledger.ref("spine.swell")},
        rule=as_sewn,
    )
    return added


def _reckon_thread(
    spec: JobSpec,
    treatment: Treatment,
    by_thread: dict[str, Term],
    besides: dict[str, Term],
    ledger: Ledger,
) -> None:
    """Enter the thread whose swell, with what lies at the spine besides, is what the back wants."""
    wanted = FLAT_BACK_SWELL_EASY
    if treatment.rounded and spec.back.round_rule == "given" and spec.back.round:
        wanted = arc_to_chord(spec.back.round) - 1
    block, taken = ledger.ref("block.thickness"), sum(term.value for term in besides.values())
    passes, factor = by_thread["sections"], by_thread["factor"]
    suits = thread_for_swell(wanted * block.value - taken, int(passes.value), factor.value)
    wants = "{part} × {thickness}" + "".join(f" − {{{name}}}" for name in besides)
    how = f"({wants}) / ({{sections}} × {{factor}})" if besides else f"{wants} / ({{sections}} × {{factor}})"
    ledger.reckon(
        "thread.suits",
        max(0.0, suits),
        how if suits >= 0 else "none: what lies at the spine besides thread is more than the back wants",
        {
            "part": ledger.entry("swell wanted", wanted, "back.round", "factor"),
            "thickness": block,
            "sections": passes,
            "factor": factor,
            **besides,
        },
        rule="thick enough to give the round its swell"
        if treatment.rounded
        else "the thickest a flat back takes easily; thinner is better",
    )


def _at_spine(spec: JobSpec, treatment: Treatment, sections: int, ledger: Ledger) -> dict[str, Term]:
    """What lies at the spine alone, or is lacking there: strips and hooks of endpapers, guards of plates."""
    found: dict[str, Term] = {}
    composed = spec.extras.ends if treatment.endpapers else None
    matter = both_ends(composed, several=True) if composed else None
    if matter and (matter.front.at_spine or matter.back.at_spine):
        ledger.reckon("endpapers.at_spine", *matter.summed("at_spine", "cloth and hooks of one end", ledger))
        found["ends"] = ledger.ref("endpapers.at_spine")
    pulled = spec.extras.pulled
    if pulled and pulled.mended and sections:
        plies = 2 * pulled.thickness * pulled.mended
        found["mended"] = ledger.entry("guards on mended folds", plies, "extras.pulled.mended", "thickness")
    guard = spec.extras.concertina
    if guard and sections:
        plies = 2 * guard.thickness * sections
        found["concertina"] = ledger.entry(
            "plies of the concertina", plies, "extras.concertina.thickness", "thickness"
        )
    if spec.extras.plates and sections:
        lacking = ledger.value("plates.spine") - ledger.value("plates.fore_edge")
        found["guards"] = ledger.entry("guards less plates", lacking, "plates.gape", "thickness")
    return found
