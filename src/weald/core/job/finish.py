"""What is done last, as a job says it: lettering, ribbon, edges, colophon."""

from typing import Annotated, Literal

from pydantic import Field

from weald.core.job.entries import Entries, Length, Name, OneLine
from weald.core.job.entry import Entry

Direction = Literal["down", "up", "across"]
DIRECTION_WORDS: dict[Direction, str] = {
    "down": "head to tail",
    "up": "tail to head",
    "across": "across the spine",
}


class Finish(Entries):
    """What is done last: lettering, ribbon, edges.

    :param title: on the spine, where it differs from the job's; ``volume`` as it is lettered, “IV”.
    :param placed: lettered on the spine itself, on a label, or not at all.
    :param by: lettered here, or by somebody else, who has it for ``away`` days.
    :param direction: head to tail as English shelves read, tail to head as French ones do, or across.
    :param capital: height of the capitals; as fits, where not given.
    :param typeface: what the text is set in, for the colophon.
    :param colophon: in the binder's own words; set from the record where there are none.
    :param colophon_page: the colophon is imposed on the last blank page of the text.
    """

    title: Annotated[
        str,
        Field(max_length=120, title="Title on the spine"),
        OneLine,
        Entry("lettered", "Title, if not the job's", part="title.length", told=True),
    ] = ""
    author: Annotated[Name, Field(title="Author on the spine"), Entry("lettered", "Author")] = ""
    volume: Annotated[
        str,
        Field(max_length=20, title="Volume on the spine"),
        OneLine,
        Entry("lettered", "Volume", part="volume.capital"),
    ] = ""
    placed: Annotated[
        Literal["spine", "label", "none"],
        Field(title="Lettered on"),
        Entry(
            "lettering",
            "Where",
            options={"spine": "on the spine", "label": "on a label", "none": "not at all"},
            told=True,
        ),
    ] = "spine"
    by: Annotated[
        Literal["here", "elsewhere"],
        Field(title="Lettered by"),
        Entry(
            "lettering",
            "By",
            options={"here": "lettered here", "elsewhere": "lettered elsewhere"},
            asked=lambda asking: asking.lettered,
        ),
    ] = "here"
    away: Annotated[
        int,
        Field(ge=1, le=120, title="Days it is away"),
        Entry(
            "lettering",
            "Days away",
            asked=lambda asking: asking.lettered and asking.spec.finish.by == "elsewhere",
        ),
    ] = 14
    direction: Annotated[
        Direction,
        Field(title="Lettering runs"),
        Entry(
            "lettering",
            "Direction",
            options=DIRECTION_WORDS,
            asked=lambda asking: asking.spec.finish_on_spine,
            rule="Finish",
        ),
    ] = "down"
    capital: Annotated[
        Annotated[Length, Field(gt=0, le=60)] | None,
        Field(title="Capitals’ height"),
        Entry(
            "lettering",
            "Capitals",
            asked=lambda asking: asking.spec.finish_on_spine,
            left_open="title.capital",
            part="title.capital",
            decides=("title.capital",),
        ),
    ] = None
    ribbons: Annotated[
        int, Field(ge=0, le=6, title="Ribbons"), Entry("last", part="ribbon ribbon.length")
    ] = 0
    edges: Annotated[str, Field(max_length=300, title="Edges"), Entry("last")] = ""
    typeface: Annotated[Name, Field(title="Typeface"), Entry("colophon", "Set in")] = ""
    colophon: Annotated[str, Field(max_length=3000, title="Colophon")] = ""
    colophon_page: Annotated[
        bool,
        Field(title="Colophon on the last page"),
        Entry("colophon", "on the last blank page of the text"),
    ] = False
