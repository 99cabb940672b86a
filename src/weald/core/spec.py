"""What the binder decided and measured: the job file, as types.

Lengths are millimetres, or text with a unit (see :func:`weald.core.units.parse_length`).
Missing keys take house defaults; unknown ones are refused by name. Read a job with
:func:`read_spec`, which says every place that is wrong in plain words.
"""

from collections.abc import Iterator, Mapping
from typing import Annotated, Literal

from pydantic import Field, ValidationError

from weald.core.entries import (
    Allowance,
    Entries,
    Length,
    Name,
    OneLine,
    Shift,
    Size,
    Thin,
    Title,
    lengths_of,
    near,
    problems,
)
from weald.core.errors import SizeError, SpecError
from weald.core.folding import MAX_SHEETS, FoldedPacket, fold_packet
from weald.core.forme import Flip, PileFace, Work
from weald.core.imposition import Gather
from weald.core.makeup import BlankPlace, MakeUp, MakeUpRule, make_up, read_mix
from weald.core.page import Anchor, Filler, Placing
from weald.core.paper import Grade, SheetGrain, calliper_from_bulk
from weald.core.reckoning import measurable, measurable_ids
from weald.core.units import Mm, Notation


class RulingMargins(Entries):
    """What stays free of a ruling at each edge of the trimmed page."""

    head: Allowance = 15.0
    tail: Allowance = 15.0
    spine: Allowance = 15.0
    fore_edge: Allowance = 10.0


class Ruling(Entries):
    """How a ruled page is ruled. ``pitch`` is from line to line; of staves, from stave line to stave line."""

    pitch: Annotated[Length, Field(ge=1, le=100)] = 5.0
    line: Annotated[Length, Field(ge=0.02, le=2)] = 0.15
    colour: Annotated[str, Field(pattern="^#[0-9a-fA-F]{6}$")] = "#8a8f98"
    margins: RulingMargins = RulingMargins()


class PageSize(Entries):
    """The size most pages of the uploaded text have."""

    width: Size
    height: Size


class Text(Entries):
    """The pages to be bound. A blank book has leaves to write on instead of printed pages.

    ``filler`` is what stands on those leaves, or on the pages left over after a printed text.
    ``spreads`` lists the left-hand pages of pictures across two pages: ``24, 60``. ``file`` names the
    uploaded text by the digest of its content; ``file_pages`` and ``page`` are how many pages it has,
    and how large most of them are.
    """

    pages: Annotated[int, Field(ge=1, le=20000)] = 128
    blank_book: bool = False
    blanks: BlankPlace = "end"
    filler: Filler = "plain"
    ruling: Ruling = Ruling()
    spreads: Annotated[str, Field(max_length=400, pattern=r"^[\d\s,;]*$")] = ""
    file: Annotated[str, Field(pattern="^[0-9a-f]{64}$")] | None = None
    file_pages: Annotated[int, Field(ge=1, le=20000)] | None = None
    page: PageSize | None = None
    placing: Placing = "as_is"
    anchor: Anchor = "middle"


class Trim(Entries):
    """What is cut off the folded section at each edge."""

    head: Allowance = 3.0
    tail: Allowance = 3.0
    fore_edge: Allowance = 4.0


class Leaf(Entries):
    """The finished page, after trimming."""

    width: Size = 140.0
    height: Size = 210.0
    trim: Trim = Trim()


class BasisWeight(Entries):
    """Pounds per 500 sheets of the basic size of one grade."""

    pounds: Annotated[float, Field(gt=0, le=1000)]
    grade: Grade


class Stack(Entries):
    """So many leaves, pressed and measured together."""

    leaves: Annotated[int, Field(ge=1, le=10000)]
    thickness: Annotated[Length, Field(gt=0, le=1000)]


class StockSheet(Entries):
    """A sheet as it lies: the grain runs along its width or its height."""

    width: Size = 450.0
    height: Size = 320.0
    grain: SheetGrain = "width"


class Paper(Entries):
    """The paper of the text.

    Grammage comes from ``basis`` where that is given. Thickness of a leaf comes from
    ``calliper``, else from ``stack``, else from grammage × bulk.
    """

    name: Name = ""
    grammage: Annotated[float, Field(gt=0, le=1000)] = 90.0
    bulk: Annotated[float, Field(gt=0.3, le=4)] = 1.3
    basis: BasisWeight | None = None
    calliper: Thin | None = None
    stack: Stack | None = None
    sheet: StockSheet = StockSheet()
    spoilage: Annotated[float, Field(ge=0, le=100)] = 5.0


class Folding(Entries):
    """How sheets become sections."""

    programme: Annotated[str, Field(max_length=60), OneLine] = "v"
    sheets_per_section: Annotated[int, Field(ge=1, le=40)] = 4
    gather: Gather = "inset"
    creep_factor: Annotated[float, Field(ge=0, le=4)] = 1.5708
    make_up: MakeUpRule = "even"
    mix: Annotated[str, Field(max_length=200), OneLine] = ""
    fold_to: Literal["edges", "marks"] = "marks"


class PrintedSheet(Entries):
    """The sheet as it goes into the printer."""

    width: Size
    height: Size


class Repeat(Entries):
    """How often the unfolded sheet stands on the printed one, to be cut apart."""

    columns: Annotated[int, Field(ge=1, le=12)] = 1
    rows: Annotated[int, Field(ge=1, le=12)] = 1


class Printer(Entries):
    """What a printer can do.

    :param largest: the largest sheet it takes, lying either way; no limit when not given.
    :param flips: the edges it turns sheets on by itself; ``none`` is turned by hand.
    :param stacks: how printed sheets come to lie; ``feeds``: which side of a sheet in its tray it
        prints.
    :param back_right: how far its backs were found to stand too far to the right, ``back_down`` too low.
    """

    name: Name = ""
    largest: PrintedSheet | None = None
    unprintable: Allowance = 0.0
    flips: Literal["both", "long", "short", "none"] = "both"
    stacks: PileFace = "face_down"
    feeds: PileFace = "face_down"
    back_right: Shift = 0.0
    back_down: Shift = 0.0


class Printing(Entries):
    """How both sides of a sheet are printed.

    Without ``sheet`` the printed sheet is the unfolded one, as often as ``repeat`` says. ``flip`` is
    the edge the printer turns the sheet on.
    """

    flip: Flip = "short"
    work: Work = "sheetwise"
    sheet: PrintedSheet | None = None
    repeat: Repeat = Repeat()
    printer: Printer = Printer()
    bleed: Annotated[Length, Field(ge=0, le=20)] = 0.0
    marks: bool = True
    signature_marks: Literal["letters", "numbers", "none"] = "letters"
    creep_shift: bool = True


class Sewing(Entries):
    """What the thread adds at the spine: swell = sections × thread × swell_factor."""

    method: Literal["tapes", "cords", "raised_cords", "link", "pamphlet", "staples", "none"] = "tapes"
    supports: Annotated[int, Field(ge=0, le=12)] = 3
    thread: Annotated[Length, Field(ge=0, le=3)] = 0.45
    swell_factor: Annotated[float, Field(ge=0, le=2)] = 0.5


class Back(Entries):
    """The shape of the spine."""

    shape: Literal["flat"] = "flat"
    round: Annotated[float, Field(ge=0, le=0.5)] = 0.2
    shoulder: Literal["none"] = "none"


class Endpapers(Entries):
    """Endpapers; ``leaves`` counts those at one end, the paste-down included."""

    kind: Literal["tipped"] = "tipped"
    leaves: Annotated[int, Field(ge=0, le=12, multiple_of=2)] = 2
    grammage: Annotated[float, Field(gt=0, le=1000)] = 120.0
    bulk: Annotated[float, Field(gt=0.3, le=4)] = 1.3


LINING_BULK = 1.2
"""cm³/g of the smooth papers boards are lined with."""


class Squares(Entries):
    """How far the boards stand out beyond the block."""

    head: Annotated[Length, Field(ge=0, le=50)] = 3.0
    tail: Annotated[Length, Field(ge=0, le=50)] = 3.0
    fore_edge: Annotated[Length, Field(ge=0, le=50)] = 4.0


class BoardLining(Entries):
    """What is glued on a board: on its inside or outside, or another board (``core``).

    Without ``thickness`` it is grammage × 1.2 / 1000, that of a smooth lining paper.
    """

    side: Literal["inside", "outside", "core"] = "inside"
    name: Name = ""
    grammage: Annotated[float, Field(gt=0, le=3000)] = 90.0
    thickness: Annotated[Length, Field(gt=0, le=12)] | None = None

    @property
    def effective(self) -> Mm:
        """What it adds to the board."""
        if self.thickness is not None:
            return self.thickness
        return calliper_from_bulk(self.grammage, LINING_BULK)


SpineRule = Literal["block", "flush", "flush_less_1", "block_plus_1_5"]
JointRule = Literal["by_board", "board_plus_6", "inset", "fixed"]


class Binding(Entries):
    """The case. ``groove`` is its depth as a part of the board: 1 well pressed, 0 not at all.

    ``cut_in_case`` is how much wider boards are cut, to be cut to size once offered up in the case.
    """

    structure: Literal["flat_case"] = "flat_case"
    board: Annotated[Length, Field(ge=0.3, le=12)] = 2.0
    board_name: Name = ""
    linings: Annotated[tuple[BoardLining, ...], Field(max_length=6)] = ()
    cut_in_case: Annotated[Length, Field(ge=0, le=50)] = 0.0
    spine_board: Annotated[Length, Field(ge=0.3, le=12)] | None = None
    cover_name: Name = ""
    cover_thickness: Annotated[Length, Field(gt=0, le=4)] = 0.3
    squares: Squares = Squares()
    spine_rule: SpineRule = "flush"
    joint_rule: JointRule = "by_board"
    joint: Annotated[Length, Field(gt=0, le=60)] | None = None
    inset: Annotated[Length, Field(ge=0, le=60)] | None = None
    groove: Annotated[float, Field(ge=0, le=1)] = 1.0
    covering: Literal["full"] = "full"
    turn_in: Annotated[Length, Field(gt=0, le=80)] = 18.0
    corner_factor: Annotated[float, Field(ge=1, le=1.5)] = 1.5
    overlap: Annotated[Length, Field(ge=0, le=200)] = 30.0


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


PieceId = Annotated[str, Field(max_length=40, pattern=r"^[a-z0-9_]+$")]


class JobSpec(Entries):
    """A whole job."""

    format: Literal["weald-job"] = "weald-job"
    version: Literal[1] = 1
    title: Title = "Untitled book"
    copies: Annotated[int, Field(ge=1, le=10000)] = 1
    text: Text = Text()
    leaf: Leaf = Leaf()
    paper: Paper = Paper()
    folding: Folding = Folding()
    printing: Printing = Printing()
    sewing: Sewing = Sewing()
    back: Back = Back()
    endpapers: Endpapers = Endpapers()
    binding: Binding = Binding()
    stock: Annotated[dict[PieceId, PieceStock], Field(max_length=60)] = {}
    measured: dict[str, Size] = {}


def _measured_problems(spec: JobSpec) -> Iterator[tuple[str, str]]:
    for key in spec.measured:
        if not measurable(key):
            yield (
                f"measured.{key}",
                f"“{key}” is no size that can be measured; {near(key, measurable_ids())}",
            )


def _folding_problems(spec: JobSpec) -> Iterator[tuple[str, str]]:
    folding = spec.folding
    try:
        packet = fold_packet(folding.programme)
    except ValueError as error:
        yield "folding.programme", str(error)
        return
    if folding.make_up == "mix":
        try:
            read_mix(folding.mix)
        except ValueError as error:
            yield "folding.mix", str(error)
            return
    sheets = max(made_up(spec, packet).sheets)
    if packet.sewn and sheets > MAX_SHEETS:
        yield (
            "folding.make_up",
            f"One signature of {sheets} sheets cannot be folded; {MAX_SHEETS} are the most. Share the sheets "
            "out, or fold each sheet more often.",
        )


def made_up(spec: JobSpec, packet: FoldedPacket) -> MakeUp:
    """The text of a job made up.

    :param packet: one sheet of the chosen programme, folded. Unsewn leaves make one pile or strip.
    """
    folding = spec.folding
    return make_up(
        spec.text.pages,
        2 * packet.leaves_a_sheet,
        folding.sheets_per_section,
        folding.make_up if packet.sewn else "one_section",
        spec.text.blanks,
        read_mix(folding.mix) if folding.make_up == "mix" else (),
    )


def read_spec(data: object, notation: Notation | None = None) -> JobSpec:
    """Read a job.

    :param data: a mapping as decoded from JSON.
    :param notation: whose unit a bare number in *text* takes; millimetres where not given.
    :raises SpecError: naming every place that is wrong, with the remedy.
    """
    if not isinstance(data, Mapping):
        raise SpecError({"job": "A job file holds one group of keys in braces."})
    try:
        spec = JobSpec.model_validate(dict(data), context={"bare": notation.bare if notation else "mm"})
    except ValidationError as error:
        raise SpecError(problems(error, JobSpec, "a job")) from None
    except SizeError as error:
        raise SpecError({"job": str(error)}) from None
    if found := dict([*_measured_problems(spec), *_folding_problems(spec)]):
        raise SpecError(found)
    return spec


def editable_lengths(spec: JobSpec, notation: Notation) -> dict[str, str]:
    """Every length of a job as it stands in its field, by dotted path."""
    shown = {path: notation.editable(value) for path, value in lengths_of(spec)}
    shown |= {f"measured.{key}": notation.editable(value) for key, value in spec.measured.items()}
    return shown
