"""Structures to choose from: what each is good for, whether it suits, and what choosing it changes."""

from collections.abc import Iterator
from dataclasses import dataclass

from weald.core.bindings.asking import asking_of
from weald.core.bindings.board import reckon_board
from weald.core.bindings.catalogue import STRUCTURES, structure_of
from weald.core.bindings.protocol import Structure
from weald.core.bindings.suits import mind_suits
from weald.core.drawing import Drawing
from weald.core.errors import SpecError
from weald.core.finding_words import Severity
from weald.core.findings import Patch
from weald.core.job.asked import asked_entries
from weald.core.job.binding import COVERING_WORDS, StructureName
from weald.core.job.fields import Option
from weald.core.job.patching import patched, value_at
from weald.core.job.saying import title_at, value_words
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.reckoning import Ledger
from weald.core.stations import block as block_station
from weald.core.stations.block_findings import mind_block
from weald.core.stations.block_plan import BlockPlan
from weald.core.stations.folded import reckon_to_folding
from weald.core.stations.folding import FoldingPlan
from weald.core.stations.paper import PaperPlan

EFFORT_WORDS = ("", "an evening", "a weekend", "some practice", "much practice", "years of practice")


@dataclass(frozen=True, slots=True)
class Reason:
    """Why a structure does not suit the text, and what would make it."""

    severity: Severity
    message: str
    remedy: str


@dataclass(frozen=True, slots=True)
class StructureChoice:
    """One structure to choose.

    :param effort: 1 to 5, ``effort_words`` in words.
    :param unsuited: why it does not suit the text; empty where it does.
    :param changes: what choosing it changes besides its name, in words; ``kept`` what it does not use.
    :param coverings: the ways it can be covered, ``covering`` the one it would be.
    """

    name: StructureName
    title: str
    good_for: str
    lasts: str
    effort: int
    effort_words: str
    needs: str
    unsuited: tuple[Reason, ...]
    changes: tuple[str, ...]
    kept: tuple[str, ...]
    chosen: bool
    patch: Patch
    picture: Drawing
    coverings: tuple[Option, ...]
    covering: str


def reckon_block(
    spec: JobSpec, structure: Structure, paper: PaperPlan, folding: FoldingPlan, ledger: Ledger
) -> BlockPlan:
    """The block as a structure shapes it; boards first, since shoulders follow their thickness."""
    if structure.boards:
        reckon_board(spec, structure.laminated, ledger)
    return block_station.reckon(spec, structure.treatment(spec), paper, folding, ledger)


def structure_choices(spec: JobSpec, notation: Notation) -> tuple[StructureChoice, ...]:
    """Every structure for a job's text, the simplest first."""
    now = structure_of(spec)
    return tuple(_choice(spec, now, structure, notation) for structure in STRUCTURES.values())


def choosing_patch(spec: JobSpec, structure: Structure) -> Patch:
    """What has to change for a job to be bound in ``structure``; nothing where it is already."""
    if spec.binding.structure == structure.name:
        return {}
    patch: Patch = {"binding.structure": structure.name}
    wanted: Patch = dict(structure.chooses or {})
    if spec.sewing.method not in structure.methods:
        wanted.setdefault("sewing.method", structure.methods[0])
    if spec.back.shape not in structure.backs:
        wanted["back.shape"] = structure.backs[0]
    if spec.back.shoulder not in structure.shoulders or (
        "round" in structure.backs and spec.back.shoulder == "none"
    ):
        wanted["back.shoulder"] = structure.shoulders[0]
    if spec.binding.covering not in structure.coverings:
        wanted["binding.covering"] = structure.coverings[0]
    if structure.sections == "several" and spec.folding.make_up == "one_section":
        wanted["folding.make_up"] = "even"
    patch |= {path: value for path, value in wanted.items() if value_at(spec, path) != value}
    try:
        patched(spec, patch)
    except SpecError:
        # a long text cannot be folded as one signature; that it does not suit is said as the reason
        patch.pop("folding.make_up", None)
    return patch


def _choice(spec: JobSpec, now: Structure, structure: Structure, notation: Notation) -> StructureChoice:
    patch = choosing_patch(spec, structure)
    chosen = patched(spec, patch)
    return StructureChoice(
        name=structure.name,
        title=structure.title,
        good_for=notation.say(structure.good_for),
        lasts=structure.lasts,
        effort=structure.effort,
        effort_words=EFFORT_WORDS[structure.effort],
        needs=structure.needs,
        unsuited=tuple(_unsuited(chosen, structure, notation)),
        changes=tuple(_changes(spec, patch, notation)),
        kept=tuple(_kept(spec, now, structure, notation)),
        chosen=now.name == structure.name,
        patch=patch,
        picture=structure.picture(),
        coverings=tuple(Option(each, COVERING_WORDS[each]) for each in structure.coverings),
        covering=structure.covering(chosen),
    )


def _unsuited(spec: JobSpec, structure: Structure, notation: Notation) -> Iterator[Reason]:
    """Reckoned as far as the block, which is all that speaks for or against a structure."""
    ledger = Ledger(measured=spec.measured, notation=notation)
    folded = reckon_to_folding(spec, ledger)
    treatment = structure.treatment(spec)
    block = reckon_block(spec, structure, folded.paper, folded.folding, ledger)
    sections = len(folded.folding.sections) if folded.folding.sewn else 0
    minded = mind_block(spec, treatment, block, ledger)
    swell = [each for each in minded if each.code in ("swell.much", "swell.besides")]
    for found in (*mind_suits(structure, spec, sections, block, ledger), *swell):
        yield Reason(found.severity, found.message, found.remedy)


def _words(path: str, value: object, notation: Notation) -> str:
    return value_words(JobSpec, tuple(path.split(".")), value, notation)


def _title(path: str, notation: Notation) -> str:
    title = notation.say(title_at(JobSpec, tuple(path.split("."))))
    return title[:1].lower() + title[1:]


def _changes(spec: JobSpec, patch: Patch, notation: Notation) -> Iterator[str]:
    for path, value in patch.items():
        if path != "binding.structure":
            before, after = _words(path, value_at(spec, path), notation), _words(path, value, notation)
            yield f"{_title(path, notation)}: {after} instead of {before}"


_USUAL = JobSpec()


def _kept(spec: JobSpec, now: Structure, structure: Structure, notation: Notation) -> Iterator[str]:
    """What was decided and is not asked for here; it is kept for when another structure asks again."""
    here = {path for path, _, _ in asked_entries(asking_of(structure, spec))}
    for path, _, _ in asked_entries(asking_of(now, spec)):
        if path not in here and value_at(spec, path) != value_at(_USUAL, path):
            yield _title(path, notation)
