"""What the binder decided and measured: the job file, as types.

Lengths are millimetres, or text with a unit (see :func:`weald.core.units.parse_length`).
Missing keys take house defaults; unknown ones are refused by name. Read a job with
:func:`read_spec`, which says every place that is wrong in plain words.
"""

from collections.abc import Iterator
from typing import Annotated, Literal

from pydantic import Field

from weald.core.errors import SpecError
from weald.core.folding.imposition import Gather
from weald.core.folding.makeup import BlankPlace, MakeUp, MakeUpRule, OwnSheets, make_up, read_mix
from weald.core.folding.packet import MAX_SHEETS, FoldedPacket, fold_packet
from weald.core.folding.programme import LONGEST, halved, parse_programme
from weald.core.forme.page import Anchor, Filler, Placing
from weald.core.job.bench import Bench
from weald.core.job.binding import Binding
from weald.core.job.entries import (
    Allowance,
    Entries,
    Length,
    Name,
    OneLine,
    PageList,
    Size,
    Thin,
    Title,
    lengths_of,
    near,
    read_entries,
)
from weald.core.job.extras.group import Extras
from weald.core.job.paging import in_order
from weald.core.job.printing import Artwork, Printing
from weald.core.job.upgrades import JOB
from weald.core.notation import MILLIMETRES, Notation
from weald.core.paper import Grade, SheetGrain
from weald.core.quantities import measurable, measurable_ids
from weald.core.units import Mm


class RulingMargins(Entries):
    """What stays free of a ruling at each edge of the trimmed page."""

    head: Annotated[Allowance, Field(title="Ruling’s margin at the head")] = 15.0
    tail: Annotated[Allowance, Field(title="Ruling’s margin at the tail")] = 15.0
    spine: Annotated[Allowance, Field(title="Ruling’s margin at the spine")] = 15.0
    fore_edge: Annotated[Allowance, Field(title="Ruling’s margin at the fore-edge")] = 10.0


class Ruling(Entries):
    """How a ruled page is ruled. ``pitch`` is from line to line; of staves, from stave line to stave line."""

    pitch: Annotated[Length, Field(ge=1, le=100, title="Ruled every")] = 5.0
    line: Annotated[Length, Field(ge=0.02, le=2, title="Thickness of ruled lines")] = 0.15
    colour: Annotated[str, Field(pattern="^#[0-9a-fA-F]{6}$", title="Colour of ruled lines")] = "#8a8f98"
    margins: RulingMargins = RulingMargins()


class PageSize(Entries):
    """The size most pages of the uploaded text have."""

    width: Annotated[Size, Field(title="Width of the text’s pages")]
    height: Annotated[Size, Field(title="Height of the text’s pages")]


class Text(Entries):
    """The pages to be bound. A blank book has leaves to write on instead of printed pages.

    ``filler`` is what stands on those leaves, or on the pages left over after a printed text.
    ``spreads`` lists the left-hand pages of pictures across two pages: ``24, 60``. ``file`` names the
    uploaded text by the digest of its content; ``file_pages`` and ``page`` are how many pages it has,
    and how large most of them are.
    """

    pages: Annotated[int, Field(ge=1, le=20000, title="Pages")] = 128
    blank_book: Annotated[bool, Field(title="Blank book")] = False
    blanks: Annotated[BlankPlace, Field(title="Blank pages at")] = "end"
    filler: Annotated[Filler, Field(title="Leaves to write on")] = "plain"
    ruling: Ruling = Ruling()
    spreads: Annotated[PageList, Field(title="Pictures across two pages")] = ""
    file: Annotated[Annotated[str, Field(pattern="^[0-9a-f]{64}$")] | None, Field(title="Text")] = None
    file_pages: Annotated[Annotated[int, Field(ge=1, le=20000)] | None, Field(title="Pages of the file")] = (
        None
    )
    page: Annotated[PageSize | None, Field(title="Page size of the file")] = None
    placing: Annotated[Placing, Field(title="Pages placed")] = "as_is"
    anchor: Annotated[Anchor, Field(title="Pages placed from")] = "middle"


class Trim(Entries):
    """What is cut off the folded section at each edge."""

    head: Annotated[Allowance, Field(title="Trim at the head")] = 3.0
    tail: Annotated[Allowance, Field(title="Trim at the tail")] = 3.0
    fore_edge: Annotated[Allowance, Field(title="Trim at the fore-edge")] = 4.0


class Leaf(Entries):
    """The finished page, after trimming."""

    width: Annotated[Size, Field(title="Page width")] = 140.0
    height: Annotated[Size, Field(title="Page height")] = 210.0
    trim: Trim = Trim()


class BasisWeight(Entries):
    """Pounds per 500 sheets of the basic size of one grade."""

    pounds: Annotated[float, Field(gt=0, le=1000, title="Paper, pounds")]
    grade: Annotated[Grade, Field(title="Paper’s grade")]


class Stack(Entries):
    """So many leaves, pressed and measured together."""

    leaves: Annotated[int, Field(ge=1, le=10000, title="Leaves in the stack measured")]
    thickness: Annotated[Length, Field(gt=0, le=1000, title="Thickness of the stack measured")]


class StockSheet(Entries):
    """A sheet as it lies: the grain runs along its width or its height."""

    width: Annotated[Size, Field(title="Sheet width")] = 450.0
    height: Annotated[Size, Field(title="Sheet height")] = 320.0
    grain: Annotated[SheetGrain, Field(title="Grain of the sheet along its")] = "width"


class Paper(Entries):
    """The paper of the text.

    Grammage comes from ``basis`` where that is given. Thickness of a leaf comes from
    ``calliper``, else from ``stack``, else from grammage × bulk. A ``deckle`` edge is not trimmed at
    the fore-edge.
    """

    name: Annotated[Name, Field(title="Paper")] = ""
    grammage: Annotated[float, Field(gt=0, le=1000, title="Paper, g/m²")] = 90.0
    bulk: Annotated[float, Field(gt=0.3, le=4, title="Paper’s bulk")] = 1.3
    basis: Annotated[BasisWeight | None, Field(title="Paper’s weight in pounds")] = None
    calliper: Annotated[Thin | None, Field(title="A leaf’s thickness")] = None
    stack: Annotated[Stack | None, Field(title="Stack measured")] = None
    deckle: Annotated[bool, Field(title="Deckle edge")] = False
    sheet: StockSheet = StockSheet()
    spoilage: Annotated[float, Field(ge=0, le=100, title="Spoilage, %")] = 5.0


class Folding(Entries):
    """How sheets become sections."""

    programme: Annotated[str, Field(max_length=LONGEST, title="Folds"), OneLine] = "upright"
    sheets_per_section: Annotated[int, Field(ge=1, le=40, title="Sheets in a {signature}")] = 4
    gather: Annotated[Gather, Field(title="Sheets of a {signature} put together")] = "inset"
    creep_factor: Annotated[float, Field(ge=0, le=4, title="Creep factor")] = 1.5708
    make_up: Annotated[MakeUpRule, Field(title="Making up")] = "even"
    mix: Annotated[str, Field(max_length=200, title="Sheets of each {signature}"), OneLine] = ""
    fold_to: Annotated[Literal["edges", "marks"], Field(title="Fold to")] = "marks"


SewingMethod = Literal[
    "tapes", "cords", "raised_cords", "link", "pamphlet", "staples", "long", "stab", "none"
]
StabPattern = Literal["plain", "corners", "leaf", "fan"]


class StabSewing(Entries):
    """Stab sewing of single leaves: stations beside the spine, and the pattern the thread makes.

    :param margin: from the spine to the stations; ``ends`` from head and tail to the outer ones.
    """

    pattern: Annotated[StabPattern, Field(title="Stab pattern")] = "plain"
    stations: Annotated[int, Field(ge=3, le=7, title="Stab stations")] = 4
    margin: Annotated[Length, Field(ge=4, le=60, title="Stab stations from the spine")] = 10.0
    ends: Annotated[Length, Field(ge=4, le=100, title="Stab stations from head and tail")] = 15.0


class Sewing(Entries):
    """How sections are held. What the thread adds at the spine: swell = sections × thread × swell_factor.

    :param supports: how many tapes or cords; ``support_width``: across a tape, or through a cord.
    :param kettle: from the trimmed head and tail to the kettle stitches; by the height where not given.
    :param tail_more: how much larger the interval at the tail is than the others.
    :param needleful: thread taken up at a time.
    :param packed: thread wound round raised cords between sections, through one hole each.
    :param pamphlet_holes: 3 or 5; by the height where not given. ``pamphlet_at``: the outer ones a quarter
        from the ends, or as far in as a kettle stitch.
    """

    method: Annotated[SewingMethod, Field(title="Sewn on")] = "tapes"
    supports: Annotated[int, Field(ge=0, le=12, title="Supports")] = 3
    support_width: Annotated[Length, Field(gt=0, le=60, title="Supports’ width")] = 12.0
    thread: Annotated[Length, Field(ge=0, le=3, title="Thread")] = 0.2
    swell_factor: Annotated[float, Field(ge=0, le=2, title="Swell factor")] = 0.5
    kettle: Annotated[Annotated[Length, Field(ge=3, le=60)] | None, Field(title="Kettle from the edge")] = (
        None
    )
    tail_more: Annotated[Length, Field(ge=0, le=60, title="Tail interval larger by")] = 0.0
    needleful: Annotated[Length, Field(ge=300, le=3000, title="Needleful")] = 900.0
    packed: Annotated[bool, Field(title="Cords packed")] = False
    pamphlet_holes: Annotated[Literal[3, 5] | None, Field(title="Holes of a pamphlet")] = None
    pamphlet_at: Annotated[Literal["quarters", "ends"], Field(title="Outer holes of a pamphlet")] = "quarters"
    stab: StabSewing = StabSewing()


class Back(Entries):
    """The shape of the spine.

    ``round`` is the part of a circle the spine is rounded to, unless ``round_rule`` takes the one the
    swell asks for by itself.
    """

    shape: Annotated[Literal["flat", "round"], Field(title="Back")] = "flat"
    round: Annotated[float, Field(ge=0, le=0.5, title="Round, part of a circle")] = 0.2
    round_rule: Annotated[Literal["given", "swell"], Field(title="Round")] = "given"
    shoulder: Annotated[Literal["none", "45", "90"], Field(title="Shoulders")] = "none"


EndpaperKind = Literal["tipped", "made", "cloth_jointed", "sewn", "wrapped"]


class Endpapers(Entries):
    """Endpapers; ``leaves`` counts those at one end, the paste-down included.

    :param margin: what is to be seen of the board round the paste-down; as the squares where not given.
    """

    kind: Annotated[EndpaperKind, Field(title="Endpapers")] = "tipped"
    leaves: Annotated[int, Field(ge=0, le=12, multiple_of=2, title="Endpaper leaves at each end")] = 2
    grammage: Annotated[float, Field(gt=0, le=1000, title="Endpapers, g/m²")] = 120.0
    bulk: Annotated[float, Field(gt=0.3, le=4, title="Endpapers’ bulk")] = 1.3
    margin: Annotated[Allowance | None, Field(title="Margin round the paste-down")] = None


class Block(Entries):
    """What is done to the sewn block before it is bound.

    :param inserted: thickness that things glued in add to each section.
    :param end_band_ends: whether stuck-on bands reach over the whole spine, or to the middle of the outer
        sections as sewn ones do.
    :param diagonal_1: as measured once head and tail are marked or cut; ``diagonal_2`` the other.
    """

    inserted: Annotated[Length, Field(ge=0, le=20, title="Thickness glued into each {signature}")] = 0.0
    guard_width: Annotated[Length, Field(gt=0, le=60, title="Width of the guards")] = 20.0
    trimming: Annotated[Literal["out_of_boards", "in_boards", "untrimmed"], Field(title="Trimming")] = (
        "out_of_boards"
    )
    mull: Annotated[bool, Field(title="Mull")] = True
    mull_overlap: Annotated[Length, Field(ge=5, le=60, title="Mull on each board")] = 25.0
    linings: Annotated[int, Field(ge=0, le=4, title="Spine linings")] = 1
    hollow: Annotated[bool, Field(title="Hollow")] = False
    end_bands: Annotated[Literal["none", "stuck_on", "sewn"], Field(title="End bands")] = "none"
    end_band_ends: Annotated[Literal["spine", "sections"], Field(title="End bands reach to")] = "spine"
    end_band_height: Annotated[Length, Field(gt=0, le=12, title="End bands’ height")] = 2.0
    diagonal_1: Annotated[Size | None, Field(title="First diagonal")] = None
    diagonal_2: Annotated[Size | None, Field(title="Second diagonal")] = None


class Finish(Entries):
    """What is done last: lettering, ribbon, edges.

    :param title: on the spine, where it differs from the job's; ``volume`` as it is lettered, “IV”.
    :param placed: lettered on the spine itself, on a label, or not at all.
    :param direction: head to tail as English shelves read, tail to head as French ones do, or across.
    :param capital: height of the capitals; as fits, where not given.
    :param typeface: what the text is set in, for the colophon.
    :param colophon: in the binder's own words; set from the record where there are none.
    :param colophon_page: the colophon is imposed on the last blank page of the text.
    """

    title: Annotated[str, Field(max_length=120, title="Title on the spine"), OneLine] = ""
    author: Annotated[Name, Field(title="Author on the spine")] = ""
    volume: Annotated[str, Field(max_length=20, title="Volume on the spine"), OneLine] = ""
    placed: Annotated[Literal["spine", "label", "none"], Field(title="Lettered on")] = "spine"
    direction: Annotated[Literal["down", "up", "across"], Field(title="Lettering runs")] = "down"
    capital: Annotated[Annotated[Length, Field(gt=0, le=60)] | None, Field(title="Capitals’ height")] = None
    ribbons: Annotated[int, Field(ge=0, le=6, title="Ribbons")] = 0
    edges: Annotated[str, Field(max_length=300, title="Edges")] = ""
    typeface: Annotated[Name, Field(title="Typeface")] = ""
    colophon: Annotated[str, Field(max_length=3000, title="Colophon")] = ""
    colophon_page: Annotated[bool, Field(title="Colophon on the last page")] = False


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
    copies: Annotated[int, Field(ge=1, le=10000, title="Copies")] = 1
    text: Text = Text()
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
