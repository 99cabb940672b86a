"""What the binder decided and measured: the job file, as types.

Lengths are millimetres, or text with a unit (see :func:`weald.core.units.parse_length`).
Missing keys take house defaults; unknown ones are refused by name. Read a job with
:func:`read_spec`, which says every place that is wrong in plain words.
"""

import difflib
import math
import unicodedata
from collections.abc import Iterator, Mapping
from typing import Annotated, Any, Literal

from pydantic import (
    AfterValidator,
    BaseModel,
    BeforeValidator,
    ConfigDict,
    Field,
    ValidationError,
    ValidationInfo,
)
from pydantic.fields import FieldInfo
from pydantic_core import ErrorDetails

from weald.core.errors import SizeError, SpecError
from weald.core.folding import MAX_SHEETS, FoldedPacket, fold_packet
from weald.core.forme import Flip, PileFace, Work
from weald.core.imposition import Gather
from weald.core.makeup import BlankPlace, MakeUp, MakeUpRule, make_up, read_mix
from weald.core.page import Anchor, Filler, Placing
from weald.core.paper import Grade, SheetGrain
from weald.core.reckoning import measurable, measurable_ids
from weald.core.units import BareUnit, Mm, Notation, parse_length


def _read_length(value: object, info: ValidationInfo) -> object:
    if not isinstance(value, (str, int, float)) or isinstance(value, bool):
        raise ValueError("Give a length, such as 135, 13.5 cm or 5 1/4 in.")
    bare: BareUnit = (info.context or {}).get("bare", "mm")
    length = parse_length(value, bare)
    if not math.isfinite(length):
        raise ValueError("Give a length that can be measured.")
    return length


Length = Annotated[float, BeforeValidator(_read_length, json_schema_input_type=float | str)]
Size = Annotated[Length, Field(gt=0, le=3000)]
Allowance = Annotated[Length, Field(ge=0, le=200)]
Thin = Annotated[Length, Field(gt=0, le=3)]
Shift = Annotated[Length, Field(ge=-20, le=20)]


def _without_control_signs(text: str) -> str:
    if any(unicodedata.category(sign) == "Cc" for sign in text):
        raise ValueError("Write this on one line, without tabs or other control signs.")
    return text


_OneLine = AfterValidator(_without_control_signs)
Name = Annotated[str, Field(max_length=120), _OneLine]
Title = Annotated[str, Field(min_length=1, max_length=200), _OneLine]


class _Part(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True, allow_inf_nan=False)


class RulingMargins(_Part):
    """What stays free of a ruling at each edge of the trimmed page."""

    head: Allowance = 15.0
    tail: Allowance = 15.0
    spine: Allowance = 15.0
    fore_edge: Allowance = 10.0


class Ruling(_Part):
    """How a ruled page is ruled. ``pitch`` is from line to line; of staves, from stave line to stave line."""

    pitch: Annotated[Length, Field(ge=1, le=100)] = 5.0
    line: Annotated[Length, Field(ge=0.02, le=2)] = 0.15
    colour: Annotated[str, Field(pattern="^#[0-9a-fA-F]{6}$")] = "#8a8f98"
    margins: RulingMargins = RulingMargins()


class PageSize(_Part):
    """The size most pages of the uploaded text have."""

    width: Size
    height: Size


class Text(_Part):
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


class Trim(_Part):
    """What is cut off the folded section at each edge."""

    head: Allowance = 3.0
    tail: Allowance = 3.0
    fore_edge: Allowance = 4.0


class Leaf(_Part):
    """The finished page, after trimming."""

    width: Size = 140.0
    height: Size = 210.0
    trim: Trim = Trim()


class BasisWeight(_Part):
    """Pounds per 500 sheets of the basic size of one grade."""

    pounds: Annotated[float, Field(gt=0, le=1000)]
    grade: Grade


class Stack(_Part):
    """So many leaves, pressed and measured together."""

    leaves: Annotated[int, Field(ge=1, le=10000)]
    thickness: Annotated[Length, Field(gt=0, le=1000)]


class StockSheet(_Part):
    """A sheet as it lies: the grain runs along its width or its height."""

    width: Size = 450.0
    height: Size = 320.0
    grain: SheetGrain = "width"


class Paper(_Part):
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


class Folding(_Part):
    """How sheets become sections."""

    programme: Annotated[str, Field(max_length=60), _OneLine] = "v"
    sheets_per_section: Annotated[int, Field(ge=1, le=40)] = 4
    gather: Gather = "inset"
    creep_factor: Annotated[float, Field(ge=0, le=4)] = 1.5708
    make_up: MakeUpRule = "even"
    mix: Annotated[str, Field(max_length=200), _OneLine] = ""
    fold_to: Literal["edges", "marks"] = "marks"


class PrintedSheet(_Part):
    """The sheet as it goes into the printer."""

    width: Size
    height: Size


class Repeat(_Part):
    """How often the unfolded sheet stands on the printed one, to be cut apart."""

    columns: Annotated[int, Field(ge=1, le=12)] = 1
    rows: Annotated[int, Field(ge=1, le=12)] = 1


class Printer(_Part):
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


class Printing(_Part):
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


class Sewing(_Part):
    """What the thread adds at the spine: swell = sections × thread × swell_factor."""

    method: Literal["tapes", "cords", "raised_cords", "link", "pamphlet", "staples", "none"] = "tapes"
    supports: Annotated[int, Field(ge=0, le=12)] = 3
    thread: Annotated[Length, Field(ge=0, le=3)] = 0.45
    swell_factor: Annotated[float, Field(ge=0, le=2)] = 0.5


class Back(_Part):
    """The shape of the spine."""

    shape: Literal["flat"] = "flat"
    round: Annotated[float, Field(ge=0, le=0.5)] = 0.2
    shoulder: Literal["none"] = "none"


class Endpapers(_Part):
    """Endpapers; ``leaves`` counts those at one end, the paste-down included."""

    kind: Literal["tipped"] = "tipped"
    leaves: Annotated[int, Field(ge=0, le=12, multiple_of=2)] = 2
    grammage: Annotated[float, Field(gt=0, le=1000)] = 120.0
    bulk: Annotated[float, Field(gt=0.3, le=4)] = 1.3


class Squares(_Part):
    """How far the boards stand out beyond the block."""

    head: Annotated[Length, Field(ge=0, le=50)] = 3.0
    tail: Annotated[Length, Field(ge=0, le=50)] = 3.0
    fore_edge: Annotated[Length, Field(ge=0, le=50)] = 4.0


SpineRule = Literal["block", "flush", "flush_less_1", "block_plus_1_5"]
JointRule = Literal["by_board", "board_plus_6", "inset", "fixed"]


class Binding(_Part):
    """The case. ``groove`` is its depth as a part of the board: 1 well pressed, 0 not at all."""

    structure: Literal["flat_case"] = "flat_case"
    board: Annotated[Length, Field(ge=0.3, le=12)] = 2.0
    board_name: Name = ""
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


class JobSpec(_Part):
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
    measured: dict[str, Size] = {}


_LIMITS = {
    "greater_than": "must be more than {gt}",
    "greater_than_equal": "must be at least {ge}",
    "less_than_equal": "must be at most {le}",
    "less_than": "must be less than {lt}",
    "multiple_of": "must be a multiple of {multiple_of}",
}
_KINDS = {
    "int_parsing": "must be a whole number, such as 4",
    "int_type": "must be a whole number, such as 4",
    "int_from_float": "must be a whole number, such as 4",
    "float_parsing": "must be a number, such as 1.3",
    "float_type": "must be a number, such as 1.3",
    "string_type": "must be text",
    "bool_parsing": "must be true or false",
    "bool_type": "must be true or false",
    "model_type": "must be a group of keys in braces",
    "dict_type": "must be a group of keys in braces",
    "missing": "is missing; give it a value",
    "finite_number": "must be a number that can be measured",
    "string_too_short": "must not be empty",
    "string_too_long": "is too long; keep it to {max_length} characters",
    "string_pattern_mismatch": "is not written as it has to be; the job file's description says how",
}


def _fields_at(path: tuple[str | int, ...]) -> dict[str, FieldInfo]:
    """The entries of the group at a path; none where there is no such group."""
    model: Any = JobSpec
    for key in path:
        annotation = model.model_fields[key].annotation if key in model.model_fields else None
        options = getattr(annotation, "__args__", (annotation,))
        model = next((each for each in options if hasattr(each, "model_fields")), None)
        if model is None:
            return {}
    return dict(model.model_fields)


def _unit_at(path: tuple[str | int, ...]) -> str:
    """The unit limits are said in: millimetres for lengths, none for counts and plain numbers."""
    info = _fields_at(path[:-1]).get(str(path[-1])) if path else None
    measured = len(path) > 1 and path[0] == "measured"
    return " mm" if measured or (info and _is_length(info.metadata, info.annotation)) else ""


def _near(word: str, words: list[str]) -> str:
    """“; did you mean …?”, or the whole choice where it is short."""
    if close := difflib.get_close_matches(word, words, n=1, cutoff=0.5):
        return f"did you mean “{close[0]}”?"
    return f"known are {', '.join(words)}." if len(words) <= 16 else "see the job file's description."


def _sentence(error: ErrorDetails) -> str:
    kind, context = error["type"], error.get("ctx", {})
    if kind == "extra_forbidden":
        key = str(error["loc"][-1])
        return f"“{key}” is not part of a job; {_near(key, list(_fields_at(error['loc'][:-1])))}"
    if kind in ("literal_error", "enum"):
        return f"“{error['input']}” cannot be planned here; use {context['expected']}."
    if kind == "value_error":
        return str(context["error"])
    if kind in _LIMITS:
        return f"“{error['input']}” {_LIMITS[kind].format(**context)}{_unit_at(error['loc'])}."
    if kind in _KINDS:
        return f"{_KINDS[kind].format(**context)}.".capitalize()
    return error["msg"] + "."


def _problems(error: ValidationError) -> dict[str, str]:
    return {
        ".".join(str(step) for step in detail["loc"]) or "job": _sentence(detail)
        for detail in error.errors(include_url=False)
    }


def _measured_problems(spec: JobSpec) -> Iterator[tuple[str, str]]:
    for key in spec.measured:
        if not measurable(key):
            yield (
                f"measured.{key}",
                f"“{key}” is no size that can be measured; {_near(key, measurable_ids())}",
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
        raise SpecError(_problems(error)) from None
    except SizeError as error:
        raise SpecError({"job": str(error)}) from None
    if problems := dict([*_measured_problems(spec), *_folding_problems(spec)]):
        raise SpecError(problems)
    return spec


def _lengths(part: BaseModel, prefix: str) -> Iterator[tuple[str, Mm]]:
    for name, info in type(part).model_fields.items():
        value = getattr(part, name)
        if isinstance(value, BaseModel):
            yield from _lengths(value, f"{prefix}{name}.")
        elif isinstance(value, float) and _is_length(info.metadata, info.annotation):
            yield f"{prefix}{name}", value


def _is_length(metadata: list[Any], annotation: Any) -> bool:
    options = getattr(annotation, "__args__", ())
    inner = [item for option in options for item in getattr(option, "__metadata__", ())]
    return any(isinstance(item, BeforeValidator) for item in [*metadata, *inner])


def editable_lengths(spec: JobSpec, notation: Notation) -> dict[str, str]:
    """Every length of a job as it stands in its field, by dotted path."""
    shown = {path: notation.editable(value) for path, value in _lengths(spec, "")}
    shown |= {f"measured.{key}": notation.editable(value) for key, value in spec.measured.items()}
    return shown
