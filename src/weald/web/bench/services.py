"""What happens at the bench, each entry in one transaction under the job's own lock.

Entries are only ever added, each with a key of the device's own so that none counts twice, at the server's
time. What is measured is written into the job like any other change, and the event beside it keeps what was
expected and found. A wait is a moment kept by the server, so that it outlives browsers and restarts and is
the same on every device. A device without a connection keeps its entries in order and hands them over with
how long ago they were by its own clock; what can no longer be taken in stands in the record as a note.
"""

import uuid
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta
from typing import Any, cast

from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone

from weald.core.bench.cut import CutEvent, as_cut
from weald.core.bench.measuring import OddMeasurementError, mind_measurement, what_follows
from weald.core.bench.progress import (
    TURNS,
    Event,
    EventKind,
    OutOfTurnError,
    Standing,
    TooEarlyError,
    check,
    cut_short,
    standings,
)
from weald.core.book.at_bench import AtBench, CutPiece
from weald.core.book.operation import Operation
from weald.core.errors import SpecError
from weald.core.job.spec import read_spec
from weald.core.notation import Notation
from weald.core.planning.plan import Plan, plan
from weald.core.quantities import QUANTITIES, is_quantity
from weald.core.units import parse_length
from weald.web.accounts.models import Workshop
from weald.web.accounts.services import house_of, notation_for
from weald.web.bench.models import BenchEvent
from weald.web.bench.pieces import write_cut
from weald.web.jobs.models import Job
from weald.web.jobs.pieces import cut_for
from weald.web.jobs.planned import planned
from weald.web.jobs.services import note_follows, plain, save_job

LONGEST_AWAY = timedelta(days=60)
"""What a device kept for longer is taken as of so long ago."""
CLOCKS_APART = timedelta(days=1)
"""A device's clock may be so far off, time zones included."""


@dataclass(frozen=True, slots=True)
class Happening:
    """Something that happens at the bench, as a device tells it.

    :param insist: it is meant so, although what it waits for is not over, or the measurement is doubted.
    :param look: what was looked at; ``found`` is what was otherwise, or a measurement as typed.
    :param ago: how long ago it was, by the device's clock; ``late``: the device was away meanwhile.
    """

    key: uuid.UUID
    kind: EventKind
    operation: str = ""
    note: str = ""
    insist: bool = False
    look: str = ""
    found: str = ""
    quantity: str = ""
    piece: str = ""
    device_at: datetime | None = None
    ago: timedelta = timedelta()
    late: bool = False


@dataclass(frozen=True, slots=True)
class Bench:
    """A job at the bench at a moment, by the server's clock.

    :param cut_short: what is under way although the plan has it no more, by its title.
    """

    now: datetime
    plan: Plan
    standings: tuple[Standing, ...]
    cut: tuple[CutPiece, ...]
    cut_short: tuple[str, ...]


def at_bench(job: Job, workshop: Workshop) -> AtBench:
    """What is known of a job's book besides the job."""
    return AtBench(cut_for(job), house_of(workshop).hand == "left")


def planned_at_bench(job: Job, notation: Notation) -> Plan:
    """A job planned with its order of work, as it stands."""
    return planned(job.spec, notation, ("bench",), at_bench(job, job.workshop))


def bench_of(job: Job, notation: Notation, now: datetime | None = None) -> Bench:
    """How far a job has come."""
    moment = now or timezone.now()
    made = planned_at_bench(job, notation)
    events = _events(job)
    titles = dict(job.bench_events.exclude(title="").order_by("pk").values_list("operation", "title"))
    return Bench(
        moment,
        made,
        standings(made.operations, events, moment),
        made.cut,
        tuple(titles.get(name, name) for name in cut_short(made.operations, events)),
    )


def _events(job: Job) -> list[Event]:
    rows = job.bench_events.order_by("pk").values_list("kind", "operation", "at", "early", "data")
    return [
        Event(
            cast(EventKind, kind),
            operation,
            at,
            early,
            *((str(data.get("look", "")), str(data.get("found", ""))) if isinstance(data, dict) else ()),
        )
        for kind, operation, at, early, data in rows
    ]


@dataclass(frozen=True, slots=True)
class _Kept:
    """What of a happening is kept: its data, whether it is early, and what follows from it, in words."""

    data: dict[str, Any] = field(default_factory=dict)
    early: bool = False
    follows: tuple[str, ...] = ()
    cut: CutEvent | None = None


@transaction.atomic
def happened(job: Job, author: User, what: Happening) -> tuple[str, ...]:
    """Take in what happened; asked twice with one key, it counts once. Gives what follows from it, in words.

    What a device tells late has happened already: too early is then kept as early, and what cannot be taken
    in any more is kept as a note, so that nothing anybody entered is lost.

    :raises weald.core.bench.progress.TooEarlyError: where it is too early and nobody insists.
    :raises weald.core.bench.progress.OutOfTurnError: where it cannot happen as things stand.
    :raises weald.core.bench.measuring.OddMeasurementError: where a size is doubted and nobody insists.
    """
    Job.objects.select_for_update().only("pk").get(pk=job.pk)
    job.refresh_from_db()
    if job.bench_events.filter(key=what.key).exists():
        return ()
    now = timezone.now()
    at = now - min(max(what.ago, timedelta()), LONGEST_AWAY)
    made = planned_at_bench(job, notation_for(author, job.workshop))
    try:
        _mind_clock(job, what, now)
        kept = _taken_in(job, author, what, made, at)
    except (OutOfTurnError, OddMeasurementError, SpecError) as error:
        if not what.late:
            raise
        what = replace(what, device_at=None)
        _write(job, author, what, made, at, BenchEvent.Kind.NOTED, _Kept(), f"{_as_told(what)} {error}")
        return (str(error),)
    if kept.cut is not None:
        write_cut(job, author, (kept.cut,), at, key=what.key, operation=what.operation, note=what.note)
        note_follows(job)
    else:
        _write(job, author, what, made, at, BenchEvent.Kind(what.kind), kept, what.note)
    _note_state(job, made.operations, now)
    return kept.follows


def _mind_clock(job: Job, what: Happening, now: datetime) -> None:
    """Refuse what a device says was before the job, or is still to come."""
    told = what.device_at
    if told is None:
        return
    earliest, latest = job.created - LONGEST_AWAY, now + CLOCKS_APART
    if told.tzinfo is None or not earliest.year <= told.year <= latest.year or not earliest <= told <= latest:
        raise SpecError(
            {
                "device_at": "This device’s clock is wrong: it says "
                f"{told:%-d %B} {told.year}. Set it right, then enter this again."
            }
        )


def _as_told(what: Happening) -> str:
    """What a late entry that cannot be taken in said, so that it can be read."""
    return " ".join(
        filter(None, (f"[{what.kind}]", what.quantity, what.piece, what.look, what.found, what.note))
    )


def _taken_in(job: Job, author: User, what: Happening, made: Plan, at: datetime) -> _Kept:
    if what.kind in TURNS:
        try:
            events = _events(job)
            early = check(made.operations, events, what.kind, what.operation, at, what.insist)
            return _Kept(_minutes_of(what, made, events, at), early=early)
        except TooEarlyError:
            if not what.late:
                raise
            return _Kept(early=True)
    if what.kind in ("looked", "unlooked"):
        return _Kept(data=_look_data(what, made))
    if what.kind in ("cut", "uncut"):
        return _Kept(cut=_cut_event(what, made))
    if what.kind == "measured":
        return _measured(job, author, what, made)
    return _Kept()


def _minutes_of(what: Happening, made: Plan, events: list[Event], at: datetime) -> dict[str, Any]:
    """Of what is done, the minutes it was planned to take and those it took."""
    if what.kind != "done":
        return {}
    stands = {each.operation: each for each in standings(made.operations, events, at)}[what.operation]
    worked = stands.worked + ((at - stands.since).total_seconds() if stands.since is not None else 0.0)
    planned = next(each.minutes for each in made.operations if each.id == what.operation)
    return {"planned": planned, "worked": round(max(0.0, worked) / 60, 1)}


def _look_data(what: Happening, made: Plan) -> dict[str, Any]:
    texts = {look.id: look.text for each in made.operations for look in each.looks}
    texts |= made.casing_in.ticks if made.casing_in else {}
    if what.look not in texts:
        raise OutOfTurnError("The plan of this book has nothing of the kind to look at any more.")
    return {"look": what.look, "text": texts[what.look], "found": what.found}


def _cut_event(what: Happening, made: Plan) -> CutEvent:
    if what.kind == "uncut":
        known = next((each for each in made.cut if each.piece == what.piece), None)
        if known is None:
            raise OutOfTurnError("Nothing of this piece is cut.")
        return CutEvent("fewer", known)
    piece = next((each for each in made.pieces if each.id == what.piece), None)
    if piece is None:
        raise OutOfTurnError("The plan of this book has no such piece any more.")
    return CutEvent("all", as_cut(piece))


def _measured(job: Job, author: User, what: Happening, made: Plan) -> _Kept:
    """Take a measurement into the plan; an empty one is taken back."""
    notation = notation_for(author, job.workshop)
    known = next((each for each in made.quantities if each.id == what.quantity), None)
    if not is_quantity(what.quantity) or known is None or not known.measurable:
        raise OutOfTurnError("The plan of this book has no such size to be measured any more.")
    try:
        found = parse_length(what.found, notation.bare) if what.found.strip() else None
    except ValueError as error:
        raise SpecError({f"measured.{what.quantity}": str(error)}) from None
    kept = plain(job.spec)
    measured = {name: size for name, size in kept["measured"].items() if name != what.quantity}
    if found is not None:
        measured[what.quantity] = found
    spec = read_spec({**kept, "measured": measured}, notation)
    after = plan(spec, notation, drawn=())
    if not what.insist:
        reckoned = {each.id: each for each in after.quantities}
        mind_measurement(reckoned[what.quantity], reckoned, notation)
    save_job(job, job.version, author, spec)
    job.refresh_from_db()
    label = QUANTITIES[what.quantity].label
    data = {"quantity": what.quantity, "label": label, "expected": known.computed, "found": found}
    return _Kept(data=data, follows=what_follows(made.pieces, after.pieces, made.cut, notation))


def _write(
    job: Job,
    author: User,
    what: Happening,
    made: Plan,
    at: datetime,
    kind: BenchEvent.Kind,
    kept: _Kept,
    note: str,
) -> None:
    titles = {each.id: each.title for each in made.operations}
    BenchEvent.objects.create(
        job=job,
        key=what.key,
        kind=kind,
        operation=what.operation,
        title=titles.get(what.operation, what.operation)[:120],
        note=note[:4000],
        data=kept.data,
        early=kept.early,
        author=author,
        at=at,
        device_at=what.device_at,
    )


def _note_state(job: Job, operations: Sequence[Operation], now: datetime) -> None:
    """How far the job has come, as the list of jobs shows it."""
    stands = [each.status for each in standings(operations, _events(job), now)]
    if all(status == "done" for status in stands):
        state = Job.State.FINISHED
    elif any(status in ("working", "paused", "done") for status in stands):
        state = Job.State.AT_BENCH
    else:
        state = Job.State.PLANNED if job.state == Job.State.PLANNED else Job.State.AT_BENCH
    if state != job.state:
        job.state = state
        Job.objects.filter(pk=job.pk).update(state=state)
