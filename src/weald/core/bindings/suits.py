"""Whether a structure suits the text, and which decisions do not go with it."""

from collections.abc import Iterator

from weald.core.bindings.protocol import Structure
from weald.core.findings import Action, Finding, Patch, finding
from weald.core.folding.packet import MAX_SHEETS
from weald.core.job.saying import value_words
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation, told_apart
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import TOLERANCE

_USUAL_SHEETS = 4
"""So many sheets of most papers make a section."""


def mind_suits(
    structure: Structure, spec: JobSpec, folded_sections: int, block: BlockPlan, ledger: Ledger
) -> list[Finding]:
    """Why this structure does not suit the text; empty where it does.

    :param folded_sections: what the text is folded in; 0 for single leaves.
    """
    found = list(_mind_sections(structure, folded_sections, ledger))
    name, show = structure.title, ledger.notation
    if block.thickness < structure.thinnest - TOLERANCE:
        thickness, least = show.apart(block.thickness, structure.thinnest)
        found.append(
            finding(
                "suits.thin",
                "block.thickness",
                ledger.notation,
                structure=name,
                thickness=thickness,
                least=least,
            )
        )
    elif block.thickness > structure.thickest + TOLERANCE:
        thickness, most = show.apart(block.thickness, structure.thickest)
        found.append(
            finding(
                "suits.thick",
                "block.thickness",
                ledger.notation,
                structure=name,
                thickness=thickness,
                most=most,
            )
        )
    if block.leaf_mass > structure.heaviest:
        weight, most = told_apart(block.leaf_mass, structure.heaviest, _weight)
        found.append(
            finding(
                "suits.heavy",
                "book.weight",
                ledger.notation,
                structure=name,
                weight=weight,
                most=most,
            )
        )
    if structure.flush and spec.paper.deckle:
        found.append(finding("suits.deckle", "paper.deckle", ledger.notation, structure=name))
    return found


def _weight(grams: float, more: int) -> str:
    return f"{grams / 1000:.{1 + more}f} kg" if grams >= 1000 else f"{grams:.{more}f} g"


def _mind_sections(structure: Structure, sections: int, ledger: Ledger) -> Iterator[Finding]:
    name, notation = structure.title, ledger.notation
    sheets = round(ledger.value("sheets.count"))
    if structure.sections == "leaves":
        return
    if not sections:
        fold = Action("Fold it once", {"folding.programme": "upright"})
        if "none" not in structure.methods:
            yield finding(
                "suits.single_leaves", "folding.programme", notation, structure=name, actions=(fold,)
            )
    elif structure.sections == "one" and sections > 1:
        yield finding(
            "suits.one_section",
            "sections.count",
            notation,
            structure=name,
            sections=sections,
            actions=(Action(notation.say("One {signature}"), {"folding.make_up": "one_section"}),)
            if sheets <= MAX_SHEETS
            else (),
        )
    elif structure.sections == "several" and sections == 1:
        shared: Patch = {
            "folding.make_up": "even",
            "folding.sheets_per_section": max(1, min(_USUAL_SHEETS, sheets // 2)),
        }
        share = (Action("Share the sheets out", shared),) if sheets > 1 else ()
        yield finding("suits.several", "sections.count", notation, structure=name, actions=share)


def mind_choices(structure: Structure, spec: JobSpec, notation: Notation) -> list[Finding]:
    """Decisions that contradict the structure, each with what is reckoned instead.

    What a job file leaves out contradicts nothing.
    """
    choices = (
        ("sewing.method", spec.sewing.method, structure.methods),
        ("back.shape", spec.back.shape, structure.backs),
        ("binding.covering", spec.binding.covering, structure.coverings),
    )
    found = []
    for path, wanted, allowed in choices:
        group, key = path.split(".")
        if wanted in allowed or key not in getattr(spec, group).model_fields_set:
            continue
        used = allowed[0]
        words = [value_words(JobSpec, (group, key), each, notation) for each in (wanted, used)]
        found.append(
            finding(
                "structure.departs",
                path,
                notation,
                wanted=words[0],
                used=words[1],
                structure=structure.title,
                actions=(Action(f"Take “{words[1]}”", {path: used}),),
            )
        )
    return found
