"""What goes over the wire, where it is not a type of the core itself."""

from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, Literal

from ninja import Schema
from pydantic import BaseModel, Field

from weald.core.drawing import Drawing
from weald.core.job.entries import Title
from weald.core.job.fields import FormField, Option
from weald.core.job.printing import Printer
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation, Vocabulary
from weald.core.planning.asked import FormRecord
from weald.core.planning.beginnings import Ask, Beginning, BeginningId
from weald.core.planning.house import Departure, GaugeHint
from weald.core.planning.meeting import Meeting, others_of, settled_by
from weald.core.planning.plan import Plan
from weald.core.station import Station
from weald.core.units import Units
from weald.web.accounts.keeping import Settled, Written

State = Literal["planned", "at_bench", "finished"]
PaperName = Literal["a4", "letter"]
Role = Literal["owner", "binder", "reader"]
ThemeName = Literal["system", "day", "lamp"]
Room = Literal["week", "sets", "cutting", "daybook", "office", "practice"]
"""What is out in the head only for whoever uses it; desk, shelf and house rules always are."""
Verb = Literal["begun", "changed", "undone", "redone", "returned"]


class Problem(Schema):
    """Something that went wrong; ``fields`` says where."""

    code: str
    message: str
    fields: dict[str, str] = {}


@dataclass(frozen=True, slots=True)
class PlanReply(Plan):
    """A plan with the lengths of its job as they stand in their fields, by dotted path.

    ``departures`` is where the job departs from the house rules; ``gauges`` the owned ones nearest to it.
    """

    inputs: dict[str, str]
    departures: tuple[Departure, ...]
    rests_on: list[str]
    gauges: tuple[GaugeHint, ...]


class StandingBook(Schema):
    """A job's book as it will stand on a shelf.

    :param tone: of its covering, ``#rrggbb``; empty where its name says no colour.
    """

    job: int
    drawing: Drawing
    tone: str


class JobRow(Schema):
    """A job as it stands in a list."""

    id: int
    title: str
    structure: str
    structure_words: str
    state: State
    stops: int
    minds: int
    to_mind: str
    archived: bool
    updated: datetime


class JobPage(Schema):
    """Part of a list of jobs."""

    jobs: list[JobRow]
    count: int
    page: int
    pages: int


class WithOthers(Schema):
    """Something written: what others changed of it since it was read, in words, and who; both are in it."""

    others: list[str] = []
    others_by: list[str] = []


class JobReply(JobRow, WithOthers):
    """A job opened."""

    version: int
    can_undo: bool
    can_redo: bool
    spec: JobSpec


class StaleReply(Problem):
    """Answer to a step through the history of a job that has changed since: the job as it stands now."""

    job: JobReply


class MeetReply(Problem):
    """Answer where others changed the same entries since: what meets, each with both values.

    ``seen`` is the version the choices are made on; they are sent with it, by the names of ``choices``.
    """

    choices: list[Meeting]
    seen: int
    by: list[str]


def told_of(root: type[BaseModel], written: Written | None, notation: Notation) -> dict[str, list[str]]:
    """What others changed of something that was written, for :class:`WithOthers`."""
    if written is None or not written.others:
        return {}
    words = others_of(root, written.others, written.data, notation)
    return {"others": list(words), "others_by": list(written.by)}


EntryName = Annotated[str, Field(max_length=300)]


class ChoicesMade(Schema):
    """What somebody chose where changes met: whose entries stand, and the version they saw."""

    seen: Annotated[int, Field(ge=0)] = 0
    mine: Annotated[list[EntryName], Field(max_length=400)] = []
    theirs: Annotated[list[EntryName], Field(max_length=400)] = []

    @property
    def settled(self) -> Settled:
        """The same, as it is merged by."""
        return Settled(self.seen, settled_by(self.mine, self.theirs))


class JobBeginning(Schema):
    """What lies on the bench, and what is said of it, as typed; ``text`` is the digest of one brought."""

    kind: BeginningId
    answers: dict[Ask, Annotated[str, Field(max_length=200)]]
    text: Annotated[str, Field(pattern="^[0-9a-f]{64}$")] | None = None


class Rename(Schema):
    """A job's new title, and the version it was read at."""

    version: int
    title: Title


class Versioned(Schema):
    """The version a job was read at."""

    version: int


class StandAt(Versioned):
    """The earlier version whose state a job is to go back to."""

    stand_at: Annotated[int, Field(ge=1)]


class StateChange(Schema):
    """How far a job has come."""

    state: State


class HistoryStep(Schema):
    """One step of a job's history."""

    version: int
    verb: Verb
    summary: str
    author: str
    at: datetime


class HistoryState(Schema):
    """How a job stood at an earlier version; ``since`` is what is otherwise now, in words."""

    version: int
    spec: JobSpec
    since: list[str]


class Person(Schema):
    """Who is signed in, and how they read lengths."""

    name: str
    workshop: str
    role: Role
    units: Units
    mm_division: float
    inch_division: int
    paper: PaperName
    theme: ThemeName
    rooms: list[Room]
    vocabulary: Vocabulary


class PreferencesChange(Schema):
    """Preferences to be changed; what is left out stays."""

    units: Units | None = None
    mm_division: Annotated[float, Field(ge=0.1, le=1)] | None = None
    inch_division: Literal[16, 32, 64] | None = None
    paper: PaperName | None = None
    theme: ThemeName | None = None
    rooms: Annotated[list[Room], Field(max_length=20)] | None = None


class PasswordChange(Schema):
    """The password there is, and the one that is to be."""

    old: Annotated[str, Field(max_length=200)]
    new: Annotated[str, Field(max_length=200)]


class LengthQuestion(Schema):
    """A length as typed, and how many marks of the ruler to step it."""

    text: Annotated[str, Field(max_length=100)]
    steps: Annotated[int, Field(ge=-1000, le=1000)] = 0


class LengthReply(Schema):
    """A length read: in millimetres, and as it stands in a field."""

    mm: float
    text: str


class SizeChoice(Schema):
    """A size that has a name."""

    name: str
    width: float
    height: float
    shown: str


class StationTitle(Schema):
    """A station on the thread, in the order of work."""

    id: Station
    title: str


class Choices(Schema):
    """What a binder may pick from by name."""

    sheets: list[SizeChoice]
    leaves: list[SizeChoice]
    printers: list[Printer]
    beginnings: list[Beginning]
    stations: list[StationTitle]
    options: dict[str, tuple[Option, ...]]
    forms: tuple[FormRecord, ...]
    fields: dict[str, FormField]
    pictures: dict[str, dict[str, Drawing]]
    works: dict[str, str]
    new_job: JobSpec
