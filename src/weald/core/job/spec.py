"""What the binder decided and measured: the job file, as types.

Lengths are millimetres, or text with a unit (see :func:`weald.core.units.parse_length`).
Missing keys take house defaults; unknown ones are refused by name. Read a job with
:func:`read_spec`, which says every place that is wrong in plain words.
"""

from collections.abc import Iterator
from typing import Annotated, Literal

from pydantic import Field

from weald.core.errors import SpecError
from weald.core.folding.makeup import MakeUp, OwnSheets, make_up, read_mix
from weald.core.folding.packet import MAX_SHEETS, FoldedPacket, fold_packet
from weald.core.folding.programme import halved, parse_programme
from weald.core.job.bench import Bench
from weald.core.job.binding import Binding
from weald.core.job.block import Back, Block, Endpapers, Folding, Sewing
from weald.core.job.entries import (
    Entries,
    Length,
    Name,
    Size,
    Title,
    lengths_of,
    near,
    read_entries,
)
from weald.core.job.entry import Entry
from weald.core.job.extras.group import Extras
from weald.core.job.finish import Finish
from weald.core.job.leaves import Leaf, Paper, Text
from weald.core.job.paging import in_order
from weald.core.job.printing import Artwork, Printing
from weald.core.job.upgrades import JOB
from weald.core.notation import MILLIMETRES, Notation
from weald.core.paper import SheetGrain
from weald.core.quantities import measurable, measurable_ids
from weald.core.units import Mm


class PieceStock(Entries):
    """What one kind of piece is cut from: copied from the shelf, so that a job stands on its own.

    ``item`` is its number on the shelf. A roll has no height. ``across`` says that its grain running
    the wrong way is meant.
    """

    item: int | None = None
    name: Name = ""
    form: Literal["sheet", "roll", "skin"] = "sheet"
    width: Size
    height: Size | None = None
    grain: SheetGrain | None = None
    thickness: Annotated[Length, Field(gt=0, le=20)] | None = None
    grammage: Annotated[float, Field(gt=0, le=3000)] | None = None
    price: Annotated[float, Field(ge=0, le=100000)] | None = None
    across: bool = False


Measured = Annotated[Length, Field(gt=0, le=1_000_000)]
"""Thread runs to hundreds of metres; every other size is at most that of a large sheet."""
LARGEST_MEASURED: Mm = 3000.0

PieceId = Annotated[str, Field(max_length=40, pattern=r"^[a-z0-9_]+$")]


class JobSpec(Entries):
    """A whole job."""

    format: Literal["weald-job"] = "weald-job"
    version: Annotated[int, Field(ge=1, le=JOB.version)] = JOB.version
    title: Annotated[Title, Field(title="Title")] = "Untitled book"
    text: Text = Text()
    copies: Annotated[int, Field(ge=1, le=10000, title="Copies"), Entry("text")] = 1
    leaf: Leaf = Leaf()
    paper: Paper = Paper()
    folding: Folding = Folding()
    printing: Printing = Printing()
    sewing: Sewing = Sewing()
    back: Back = Back()
    endpapers: Endpapers = Endpapers()
    block: Block = Block()
    binding: Binding = Binding()
    finish: Finish = Finish()
    artwork: Artwork = Artwork()
    bench: Bench = Bench()
    extras: Extras = Extras()
    stock: Annotated[dict[PieceId, PieceStock], Field(max_length=60)] = {}
    measured: Annotated[dict[str, Measured], Field(max_length=300)] = {}

    @property
    def finish_on_spine(self) -> bool:
        """Whether anything is lettered on the spine."""
        return self.finish.placed != "none"


def _measured_problems(spec: JobSpec, notation: Notation) -> Iterator[tuple[str, str]]:
    for key, size in spec.measured.items():
        if size > LARGEST_MEASURED and not key.startswith("thread."):
            most = notation.limit(LARGEST_MEASURED)
            yield f"measured.{key}", f"“{notation.editable(size)}” must be at most {most}."
        if not measurable(key):
            yield (
                f"measured.{key}",
                f"“{key}” is no size that can be measured; {near(key, measurable_ids())}",
            )


def _folding_problems(spec: JobSpec, notation: Notation) -> Iterator[tuple[str, str]]:
    folding = spec.folding
    try:
        packet = fold_packet(folding.programme)
    except ValueError as error:
        yield "folding.programme", str(error)
        return
    if folding.make_up == "mix":
        try:
            read_mix(folding.mix, notation)
        except ValueError as error:
            yield "folding.mix", str(error)
            return
    for row, each in enumerate(spec.extras.formes.sections if spec.extras.formes else ()):
        try:
            own = fold_packet(each.programme or halved(folding.programme))
        except ValueError as error:
            yield f"extras.formes.sections.{row}.programme", str(error)
            return
        if not own.sewn:
            yield (
                f"extras.formes.sections.{row}.programme",
                notation.say(
                    "A {signature} of its own has to be folded for sewing; end with an upright or level fold."
                ),
            )
            return
    sheets = max(made_up(spec, packet).sheets)
    if packet.sewn and sheets > MAX_SHEETS:
        yield (
            "folding.make_up",
            notation.say(
                "One {signature} of {sheets} sheets cannot be folded; {most} are the most. Share the "
                "sheets out, "
                "or fold each sheet more often.",
                sheets=sheets,
                most=MAX_SHEETS,
            ),
        )


def made_up(spec: JobSpec, packet: FoldedPacket) -> MakeUp:
    """The text of a job made up.

    :param packet: one sheet of the chosen programme, folded. Unsewn leaves make one pile or strip.
    """
    folding = spec.folding
    formes = spec.extras.formes if packet.sewn else None
    return make_up(
        length_of(spec),
        2 * packet.leaves_a_sheet,
        folding.sheets_per_section,
        folding.make_up if packet.sewn else "one_section",
        spec.text.blanks,
        read_mix(folding.mix) if folding.make_up == "mix" else (),
        own_sheets(spec) if formes else (),
        _half_sheet(spec) if formes and formes.remainder else None,
    )


def own_sheets(spec: JobSpec) -> tuple[OwnSheets, ...]:
    """The sections that are folded of sheets of their own, as they are asked for.

    :raises weald.core.errors.FoldError: when one of them cannot be folded.
    """
    formes = spec.extras.formes
    return tuple(
        OwnSheets(
            each.section,
            programme := parse_programme(each.programme or halved(spec.folding.programme)).text,
            each.sheets,
            2 * fold_packet(programme).leaves_a_sheet,
            row,
            each.thickness,
        )
        for row, each in enumerate(formes.sections if formes else ())
    )


def _half_sheet(spec: JobSpec) -> OwnSheets | None:
    """A half sheet for what is left over; none where the sheet is folded once only."""
    main = parse_programme(spec.folding.programme).text
    half = halved(main)
    return None if half == main else OwnSheets(0, half, 1, 2 * fold_packet(half).leaves_a_sheet, None)


def length_of(spec: JobSpec) -> int:
    """Pages of the text as it is bound, with the blanks put in among them."""
    order = in_order(spec.text.pages, spec.extras.arranged)
    return spec.text.pages if order is None else len(order)


def read_spec(data: object, notation: Notation | None = None) -> JobSpec:
    """Read a job, written today or by an earlier Weald.

    :param data: a mapping as decoded from JSON.
    :param notation: whose unit a bare number in *text* takes; millimetres where not given.
    :raises SpecError: naming every place that is wrong, with the remedy.
    """
    spec = read_entries(JobSpec, data, notation, kept_as=JOB, whole="a job")
    reads = notation or MILLIMETRES
    if found := dict([*_measured_problems(spec, reads), *_folding_problems(spec, reads)]):
        raise SpecError(found)
    return _agreeing(spec)


def _agreeing(spec: JobSpec) -> JobSpec:
    """Supports and bands that each have a place are as many as there are places."""
    places, bands = spec.extras.places, spec.extras.bands
    changed: dict[str, Entries] = {}
    if places and places.supports and len(places.supports) != spec.sewing.supports:
        changed["sewing"] = spec.sewing.model_copy(update={"supports": len(places.supports)})
    if bands and bands.bands and len(bands.bands) != spec.binding.bands.count:
        as_many = spec.binding.bands.model_copy(update={"count": len(bands.bands)})
        changed["binding"] = spec.binding.model_copy(update={"bands": as_many})
    return spec.model_copy(update=changed) if changed else spec


def editable_lengths(spec: JobSpec, notation: Notation) -> dict[str, str]:
    """Every length of a job as it stands in its field, by dotted path."""
    shown = {path: notation.editable(value) for path, value in lengths_of(spec)}
    shown |= {f"measured.{key}": notation.editable(value) for key, value in spec.measured.items()}
    return shown
