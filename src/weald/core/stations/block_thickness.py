"""How thick the block is: the leaves of the text, the endpapers, and all that is put in."""

from weald.core.block.ends import BothEnds
from weald.core.block.plates import reckon_plates
from weald.core.folding.makeup import MakeUp
from weald.core.job.block import Endpapers
from weald.core.job.spec import JobSpec
from weald.core.paper import calliper_from_bulk
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import Treatment
from weald.core.stations.paper import PaperPlan
from weald.core.units import Mm


def leaves_of_endpapers(ends: Endpapers) -> int:
    """Leaves at one end: made endpapers have a decorated folio besides the plain ones."""
    return ends.leaves + (2 if ends.kind == "made" and ends.leaves else 0)


def reckon_thickness(
    spec: JobSpec,
    treatment: Treatment,
    end_matter: tuple[int, BothEnds | None],
    paper: PaperPlan,
    sewn: tuple[int, MakeUp],
    ledger: Ledger,
) -> Mm:
    """Enter the thickness of text, endpapers and all that is put in, and give back their sum.

    :param end_matter: leaves at each end, and what composed ones come to.
    :param sewn: sections sewn, and how the text is made up into them.
    """
    end_leaves, composed = end_matter
    sections, made = sewn
    ends, leaves = spec.endpapers, ledger.value("text.leaves")
    if treatment.leaf_factor == 1:
        how, terms = "{leaves} × {calliper}", {}
    else:
        how = "{fold} × {leaves} × {calliper}"
        terms = {"fold": ledger.entry("back to back", treatment.leaf_factor, "binding.leaves", "count")}
    if thicker := _thicker_leaves(made, paper):
        how += " + {thicker}"
        label = "leaves of other paper, thicker by"
        terms["thicker"] = ledger.entry(label, thicker, "extras.formes.sections", "thickness")
    text = ledger.reckon(
        "text.thickness",
        treatment.leaf_factor * leaves * paper.calliper + thicker,
        how,
        terms | {"leaves": ledger.ref("text.leaves"), "calliper": ledger.ref("paper.calliper")},
    )
    total, summed = text, {"text": ledger.ref("text.thickness")}
    if end_leaves:
        total += ledger.reckon(
            "endpapers.thickness",
            2 * end_leaves * calliper_from_bulk(ends.grammage, ends.bulk),
            "2 × {leaves} × {grammage} × {bulk} / {per}",
            {
                "leaves": ledger.entry(
                    "leaves at each end, the decorated folio too"
                    if ends.kind == "made"
                    else "leaves at each end",
                    end_leaves,
                    "endpapers.leaves",
                    "count",
                ),
                "grammage": ledger.entry("endpaper", ends.grammage, "endpapers.grammage", "grammage"),
                "bulk": ledger.entry("bulk", ends.bulk, "endpapers.bulk", "factor"),
            },
            from_weight=True,
        )
        summed["ends"] = ledger.ref("endpapers.thickness")
    if composed and composed.front.leaves + composed.back.leaves:
        total += ledger.reckon(
            "endpapers.thickness",
            *composed.summed("thickness", "leaves at each end", ledger),
            rule="every leaf of the composition, the paste-down too",
        )
        summed["ends"] = ledger.ref("endpapers.thickness")
    if spec.extras.plates and sections:
        total += reckon_plates(spec.extras.plates, spec.leaf, ledger)
        summed["plates"] = ledger.ref("plates.fore_edge")
    inserted = spec.block.inserted
    if inserted and sections:
        total += ledger.reckon(
            "inserts.thickness",
            inserted * sections,
            "{sections} × {inserted}",
            {
                "sections": ledger.entry("sewn {signatures}", sections, "sections.count", "count"),
                "inserted": ledger.entry("in each", inserted, "block.inserted", "thickness"),
            },
            rule="made good at the spine by guards of the same thickness",
        )
        summed["inserts"] = ledger.ref("inserts.thickness")
    return ledger.reckon("block.thickness", total, " + ".join(f"{{{name}}}" for name in summed), summed)


def _thicker_leaves(made: MakeUp, paper: PaperPlan) -> Mm:
    """How much thicker leaves of other papers are, all together, than those of the text would be."""
    pages = made.section_pages
    return sum(
        pages[number - 1] / 2 * (thickness - paper.calliper)
        for number, thickness in made.other_leaves.items()
    )
