"""What stands at the head of the job sheet: what one decided, in as many words as are wanted at the bench."""

from collections.abc import Iterator

from weald.core.bindings.catalogue import structure_of
from weald.core.bindings.facts import facts_of
from weald.core.extras.catalogue import EXTRAS
from weald.core.job.block import METHOD_WORDS
from weald.core.job.finish import DIRECTION_WORDS
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation, counted, plain_number
from weald.core.planning.plan import Plan
from weald.core.stations.finish import spine_title


def sheet_facts(spec: JobSpec, plan: Plan, notation: Notation) -> tuple[tuple[str, str], ...]:
    """What a job was decided to be, as (label, words): binding, leaf, text, paper, sewing, boards, cover."""
    return tuple(_facts(spec, plan, notation))


def _facts(spec: JobSpec, plan: Plan, notation: Notation) -> Iterator[tuple[str, str]]:
    size, structure = notation.length, structure_of(spec)
    facts = facts_of(structure, spec)
    yield "Binding", facts.words
    yield "Leaf", f"{size(spec.leaf.width, True)} × {size(spec.leaf.height, True)}, trimmed"
    kind = "blank leaves" if spec.text.blank_book else "printed text"
    copies = f"; {spec.copies} copies" if spec.copies > 1 else ""
    yield "Text", f"{counted(spec.text.pages, 'page')}, {kind}{copies}"
    yield notation.say("{Signatures}"), _signatures(plan)
    yield "Paper", _paper(spec, plan, notation)
    method = structure.treatment(spec).method
    if method != "none":
        thread = notation.thickness(spec.sewing.thread, True)
        words = METHOD_WORDS[method]
        yield "Sewing", f"{words}, thread {thread}"
    if "binding.board" in structure.entries:
        board = f"{spec.binding.board_name}, " if spec.binding.board_name else ""
        yield "Board", f"{board}{notation.limit(spec.binding.board)}"
    if spec.binding.cover_name:
        cover = f"{spec.binding.cover_name}, " if spec.binding.cover_name else ""
        yield "Cover stuff", f"{cover}{notation.thickness(spec.binding.cover_thickness, True)}"
    if spec.back.shape == "round" and "round" in structure.backs:
        yield "Back", "round, as the swell asks" if spec.back.round_rule == "swell" else "round"
    if structure.lettered and spec.finish.placed != "none":
        yield "Lettering", f"{spine_title(spec)}, {DIRECTION_WORDS[spec.finish.direction]}"
    if plan.extras.used:
        yield "Added", ", ".join(notation.say(EXTRAS[name].title) for name in plan.extras.used)
    if spec.finish.edges or spec.finish.ribbons:
        ribbons = counted(spec.finish.ribbons, "ribbon") if spec.finish.ribbons else ""
        yield "Edges", "; ".join(part for part in (spec.finish.edges, ribbons) if part)


def _signatures(plan: Plan) -> str:
    """How many there are of how many sheets: “6 of 4 sheets, 1 of 3 sheets”."""
    sizes: dict[int, int] = {}
    for section in plan.sections:
        sizes[section.sheets] = sizes.get(section.sheets, 0) + 1
    return ", ".join(f"{count} of {counted(sheets, 'sheet')}" for sheets, count in sizes.items())


def _paper(spec: JobSpec, plan: Plan, notation: Notation) -> str:
    sheet, size = spec.paper.sheet, notation.length
    grammage = next(
        (each.value for each in plan.quantities if each.id == "paper.grammage"), spec.paper.grammage
    )
    name = f"{spec.paper.name}, " if spec.paper.name else ""
    across = f"{size(sheet.width, True)} × {size(sheet.height, True)}"
    return f"{name}{plain_number(grammage, 1)} g/m², sheet {across}, grain along the {sheet.grain}"
