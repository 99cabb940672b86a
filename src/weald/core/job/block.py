"""The block as a job says it: folding, sewing, back, endpapers, and what is done to it before it is bound."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from weald.core.folding.imposition import Gather
from weald.core.folding.makeup import MakeUpRule
from weald.core.folding.programme import LONGEST
from weald.core.job.asking import Asking
from weald.core.job.entries import Allowance, Entries, Length, OneLine, Size
from weald.core.job.entry import Entry, Usual

SewingMethod = Literal[
    "tapes", "cords", "raised_cords", "link", "pamphlet", "staples", "long", "stab", "none"
]
METHOD_WORDS: dict[SewingMethod, str] = {
    "tapes": "on tapes",
    "cords": "on sawn-in cords",
    "raised_cords": "on raised cords",
    "link": "link stitch",
    "pamphlet": "pamphlet stitch",
    "staples": "staples",
    "long": "long stitch through the cover",
    "stab": "stab sewing",
    "none": "not sewn",
}
MOST_SUPPORTS = 12

StabPattern = Literal["plain", "corners", "leaf", "fan"]
STAB_PATTERN_WORDS: dict[StabPattern, str] = {
    "plain": "plain",
    "corners": "corners sewn twice",
    "leaf": "leaf veins",
    "fan": "fans",
}
BackName = Literal["flat", "round"]
BACK_WORDS: dict[BackName, str] = {"flat": "flat back", "round": "round back"}
ShoulderName = Literal["none", "45", "90"]
SHOULDER_WORDS: dict[ShoulderName, str] = {
    "none": "no shoulders",
    "45": "shoulders of 45°",
    "90": "shoulders of 90°",
}
EndpaperKind = Literal["tipped", "made", "cloth_jointed", "sewn", "wrapped"]


class Folding(Entries):
    """How sheets become sections."""

    programme: Annotated[str, Field(max_length=LONGEST, title="Folds"), OneLine] = "upright"
    make_up: Annotated[
        MakeUpRule,
        Field(title="Making up"),
        Entry(
            "signatures",
            "Make-up",
            options={
                "even": "shared evenly",
                "short_last": "shorter last one",
                "full": "all full, more blanks",
                "one_section": "all in one",
                "mix": "a mix, as listed",
            },
            asked=lambda asking: asking.folded_to_sew,
            part="sections.count",
            told=True,
        ),
    ] = "even"
    mix: Annotated[
        str,
        Field(max_length=200, title="Sheets of each {signature}", examples=["5+4+4"]),
        OneLine,
        Entry(
            "signatures",
            "Sheets, as 5+4+4",
            asked=lambda asking: asking.folded_to_sew and asking.spec.folding.make_up == "mix",
            part="sections.sheets",
        ),
    ] = ""
    sheets_per_section: Annotated[
        int,
        Field(ge=1, le=40, title="Sheets in a {signature}"),
        Entry(
            "signatures",
            "Sheets a {signature}",
            asked=lambda asking: (
                asking.folded_to_sew and asking.spec.folding.make_up not in ("mix", "one_section")
            ),
            part="sections.sheets",
        ),
    ] = 4
    gather: Annotated[
        Gather,
        Field(title="Sheets of a {signature} put together"),
        Entry(
            "signatures",
            "Sheets lie",
            options={"inset": "one in another", "together": "folded together"},
            asked=lambda asking: asking.folded_to_sew,
        ),
    ] = "inset"
    creep_factor: Annotated[
        float,
        Field(ge=0, le=4, title="Creep factor"),
        Entry(
            "signatures",
            step=0.01,
            asked=lambda asking: asking.folded_to_sew,
            part="creep.step sections.creep",
            usual=Usual("A creep factor", 0.7, 2.0),
            rule="Folding",
        ),
    ] = 1.5708
    fold_to: Annotated[
        Literal["edges", "marks"],
        Field(title="Fold to"),
        Entry(
            "folds",
            "Folded to",
            options={"marks": "printed marks", "edges": "paper's edges"},
            rule="Folding",
            told=True,
        ),
    ] = "marks"


class StabSewing(Entries):
    """Stab sewing of single leaves: stations beside the spine, and the pattern the thread makes.

    :param margin: from the spine to the stations; ``ends`` from head and tail to the outer ones.
    """

    pattern: Annotated[
        StabPattern,
        Field(title="Stab pattern"),
        Entry("stab", "Pattern", options=STAB_PATTERN_WORDS, asked=lambda asking: asking.method == "stab"),
    ] = "plain"
    stations: Annotated[
        int,
        Field(ge=3, le=7, title="Stab stations"),
        Entry("stab", "Stations", asked=lambda asking: asking.method == "stab", part="sewing.holes"),
    ] = 4
    margin: Annotated[
        Length,
        Field(ge=4, le=60, title="Stab stations from the spine"),
        Entry("stab", "From the spine", asked=lambda asking: asking.method == "stab"),
    ] = 10.0
    ends: Annotated[
        Length,
        Field(ge=4, le=100, title="Stab stations from head and tail"),
        Entry("stab", "From head and tail", asked=lambda asking: asking.method == "stab"),
    ] = 15.0


def _supports(asking: Asking) -> str:
    return {"link": "Links", "long": "Long stitches"}.get(asking.method, "Supports")


def _kettled(asking: Asking) -> bool:
    """Whether a hole lies as far in as a kettle stitch."""
    pamphlet = asking.method == "pamphlet" and asking.spec.sewing.pamphlet_at == "ends"
    return asking.supported or pamphlet


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

    by_thumb: ClassVar[bool] = True

    method: Annotated[
        SewingMethod,
        Field(title="Sewing"),
        Entry("sewing", "Method", options=METHOD_WORDS, values=lambda asking: asking.methods, told=True),
    ] = "tapes"
    thread: Annotated[
        Length,
        Field(ge=0, le=3, title="Thread"),
        Entry(
            "sewing",
            asked=lambda asking: asking.threaded,
            part="spine.swell",
            usual=Usual("Thread", 0.1, 1.5),
        ),
    ] = 0.2
    swell_factor: Annotated[
        float,
        Field(ge=0, le=2, title="Swell factor"),
        Entry(
            "sewing",
            step=0.05,
            asked=lambda asking: asking.threaded,
            part="spine.swell",
            rule="Sewing",
        ),
    ] = 0.5
    needleful: Annotated[
        Length,
        Field(ge=300, le=3000, title="Needleful"),
        Entry(
            "sewing",
            asked=lambda asking: asking.threaded,
            part="thread.needlefuls",
            rule="Sewing",
        ),
    ] = 900.0
    supports: Annotated[
        int,
        Field(ge=0, le=MOST_SUPPORTS, title="Supports"),
        Entry(
            "stations",
            _supports,
            asked=lambda asking: (
                asking.supported and not (asking.spec.extras.places and asking.spec.extras.places.supports)
            ),
            part="sewing.holes",
        ),
    ] = 3
    support_width: Annotated[
        Length,
        Field(gt=0, le=60, title="Supports’ width"),
        Entry(
            "stations",
            "Width of each",
            asked=lambda asking: asking.supported and asking.method not in ("link", "long"),
            part="support",
        ),
    ] = 12.0
    kettle: Annotated[
        Annotated[Length, Field(ge=3, le=60)] | None,
        Field(title="Kettle from the edge"),
        Entry(
            "stations",
            "Kettles in",
            asked=_kettled,
            left_open="by the height",
            part="sewing.kettle",
            decides=("sewing.kettle",),
            usual=Usual("Kettles in by", 6, 30),
            rule="Sewing",
        ),
    ] = None
    tail_more: Annotated[
        Length,
        Field(ge=0, le=60, title="Tail interval larger by"),
        Entry(
            "stations",
            "More at the tail",
            asked=lambda asking: asking.supported,
            part="sewing.interval",
            usual=Usual("An interval at the tail larger by", 0, 15),
        ),
    ] = 0.0
    packed: Annotated[
        bool,
        Field(title="Cords packed"),
        Entry(
            "stations",
            "packed",
            help="The thread is wound round the cord once more, or oftener, between one {signature} and the "
            "next, until the cord is covered. It takes more thread, and makes the cords firm and even.",
            asked=lambda asking: asking.method == "raised_cords",
        ),
    ] = False
    pamphlet_holes: Annotated[
        Literal[3, 5] | None,
        Field(title="Holes of a pamphlet"),
        Entry(
            "pamphlet",
            "How many",
            options={"": "by its height", "3": "three", "5": "five"},
            asked=lambda asking: asking.method == "pamphlet",
            part="sewing.holes",
        ),
    ] = None
    pamphlet_at: Annotated[
        Literal["quarters", "ends"],
        Field(title="Outer holes of a pamphlet"),
        Entry(
            "pamphlet",
            "Outer ones",
            options={"quarters": "a quarter from the ends", "ends": "as far in as a kettle"},
            asked=lambda asking: asking.method == "pamphlet",
            part="sewing.first",
            rule="Sewing",
        ),
    ] = "quarters"
    stab: StabSewing = StabSewing()


def _rounded(asking: Asking) -> bool:
    return asking.lists("back") and asking.spec.back.shape == "round"


class Back(Entries):
    """The shape of the spine.

    ``round`` is the part of a circle the spine is rounded to, unless ``round_rule`` takes the one the
    swell asks for by itself.
    """

    shape: Annotated[
        BackName,
        Field(title="Back"),
        Entry(
            "back",
            "Shape",
            options=BACK_WORDS,
            values=lambda asking: asking.backs,
            asked=lambda asking: asking.lists("back"),
            told=True,
        ),
    ] = "flat"
    shoulder: Annotated[
        ShoulderName,
        Field(title="Shoulders"),
        Entry(
            "back",
            options=SHOULDER_WORDS,
            values=lambda asking: asking.shoulders,
            asked=lambda asking: asking.lists("back"),
            part="shoulder.height shoulder.line",
        ),
    ] = "none"
    round_rule: Annotated[
        Literal["given", "swell"],
        Field(title="Round"),
        Entry(
            "back",
            options={"given": "as decided", "swell": "as the swell asks"},
            asked=_rounded,
            rule="Block",
        ),
    ] = "given"
    round: Annotated[
        float,
        Field(ge=0, le=0.5, title="Round, part of a circle"),
        Entry(
            "back",
            "Part of a circle",
            step=0.01,
            asked=lambda asking: _rounded(asking) and asking.spec.back.round_rule != "swell",
            part="spine.rise",
            rule="Block",
        ),
    ] = 0.2


def _papered(asking: Asking) -> bool:
    """Whether it has endpapers that are not composed leaf by leaf."""
    return asking.endpapers and asking.spec.extras.ends is None


class Endpapers(Entries):
    """Endpapers; ``leaves`` counts those at one end, the paste-down included.

    :param margin: what is to be seen of the board round the paste-down; as the squares where not given.
    :param dry_strip: left without glue along the joint; nothing where the paste-down is pasted whole.
    """

    kind: Annotated[
        EndpaperKind,
        Field(title="Endpapers"),
        Entry(
            "endpapers",
            "Kind",
            options={
                "tipped": "tipped on",
                "made": "made, decorated leaf",
                "cloth_jointed": "cloth-jointed",
                "sewn": "sewn on",
                "wrapped": "wrapped round",
            },
            asked=_papered,
            told=True,
        ),
    ] = "tipped"
    leaves: Annotated[
        int,
        Field(ge=0, le=12, multiple_of=2, title="Endpaper leaves at each end"),
        Entry(
            "endpapers",
            "Folios",
            options={"0": "none", "2": "one folio", "4": "two folios", "6": "three folios"},
            asked=_papered,
            part="endpapers.thickness",
        ),
    ] = 2
    grammage: Annotated[
        float,
        Field(gt=0, le=1000, title="Endpapers, g/m²"),
        Entry("endpapers", "g/m²", asked=_papered, part="endpapers.thickness"),
    ] = 120.0
    bulk: Annotated[
        float,
        Field(gt=0.3, le=4, title="Endpapers’ bulk"),
        Entry("endpapers", "Bulk, cm³/g", step=0.05, asked=_papered, part="endpapers.thickness"),
    ] = 1.3
    margin: Annotated[
        Allowance | None,
        Field(title="Margin round the paste-down"),
        Entry(
            "endpapers",
            "Margin seen",
            asked=_papered,
            left_open="as the squares",
            part="pastedown.margin",
            decides=("pastedown.margin",),
        ),
    ] = None
    dry_strip: Annotated[
        Length,
        Field(ge=0, le=30, title="Dry strip at the joint"),
        Entry(
            "schools",
            "Paste-down left dry at the joint",
            asked=_papered,
            usual=Usual("The dry strip at the joint", 0, 8),
            part="pastedown.growth",
            rule="At the bench",
        ),
    ] = 4.0


class Block(Entries):
    """What is done to the sewn block before it is bound.

    :param inserted: thickness that things glued in add to each section.
    :param end_band_ends: whether stuck-on bands reach over the whole spine, or to the middle of the outer
        sections as sewn ones do.
    :param diagonal_1: as measured once head and tail are marked or cut; ``diagonal_2`` the other.
    """

    by_thumb: ClassVar[bool] = True

    inserted: Annotated[
        Length,
        Field(ge=0, le=20, title="Thickness glued into each {signature}"),
        Entry("glued_in", "Thickness", part="inserts.thickness"),
    ] = 0.0
    guard_width: Annotated[
        Length,
        Field(gt=0, le=60, title="Width of the guards"),
        Entry("glued_in", "Guards", part="guard"),
    ] = 20.0
    trimming: Annotated[
        Literal["out_of_boards", "in_boards", "untrimmed"],
        Field(title="Trimming"),
        Entry(
            "trimming",
            "How",
            options={"out_of_boards": "out of boards", "in_boards": "in boards", "untrimmed": "untrimmed"},
            rule="Block",
            told=True,
        ),
    ] = "out_of_boards"
    mull: Annotated[bool, Field(title="Mull"), Entry("spine", "mull", part="mull.width")] = True
    mull_overlap: Annotated[
        Length,
        Field(ge=5, le=60, title="Mull on each board"),
        Entry(
            "spine",
            "on each board",
            asked=lambda asking: asking.lined and asking.spec.block.mull,
            part="mull.width",
            usual=Usual("Mull on each board", 10, 45),
            rule="Block",
        ),
    ] = 25.0
    linings: Annotated[
        int,
        Field(ge=0, le=4, title="Spine linings"),
        Entry("spine", "Paper linings", part="lining.between"),
    ] = 1
    hollow: Annotated[
        bool,
        Field(title="Hollow"),
        Entry("spine", "hollow", asked=lambda asking: asking.lists("block.hollow"), part="hollow.width"),
    ] = False
    end_bands: Annotated[
        Literal["none", "stuck_on", "sewn"],
        Field(title="End bands"),
        Entry("spine", options={"none": "none", "stuck_on": "stuck on", "sewn": "sewn"}),
    ] = "none"
    end_band_height: Annotated[
        Length,
        Field(gt=0, le=12, title="End bands’ height"),
        Entry(
            "spine",
            "Height",
            asked=lambda asking: asking.spec.block.end_bands != "none",
            part="end_band.length",
        ),
    ] = 2.0
    end_band_ends: Annotated[
        Literal["spine", "sections"],
        Field(title="End bands reach to"),
        Entry(
            "spine",
            "They reach",
            options={"spine": "over the whole spine", "sections": "into the outer {signatures}"},
            asked=lambda asking: asking.spec.block.end_bands == "stuck_on",
            part="end_band.length",
        ),
    ] = "spine"
    diagonal_1: Annotated[
        Size | None, Field(title="First diagonal"), Entry("diagonals", "One", part="block.diagonal")
    ] = None
    diagonal_2: Annotated[
        Size | None, Field(title="Second diagonal"), Entry("diagonals", "The other", part="block.diagonal")
    ] = None
