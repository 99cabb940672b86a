"""House rules over HTTP."""

from dataclasses import replace

from django.http import HttpRequest
from ninja import Body, Query, Router

from weald.core.job.entries import lengths_of
from weald.core.job.patching import value_at
from weald.core.job.spec import JobSpec
from weald.core.notation import Notation
from weald.core.planning.house import RULES, TIMES, House, RuleEntry, read_house, usual_time
from weald.web.accounts.keeping import Written
from weald.web.accounts.services import house_of, save_house
from weald.web.api.people import notation_of, person, workshop_of
from weald.web.api.schemas import ChoicesMade, MeetReply, Problem, WithOthers, told_of
from weald.web.api.typed import HouseInput

router = Router(tags=["house"])


class HouseReply(WithOthers):
    """The rules, every entry there can be a rule for, and lengths as they stand in their fields.

    ``usual`` is what an entry comes to where there is no rule, and ``usual_squares`` says it of the squares.
    """

    version: int
    house: House
    entries: list[RuleEntry]
    usual: dict[str, str | float | None]
    usual_squares: str
    inputs: dict[str, str]


def _usual(plain: JobSpec, rule: RuleEntry, notation: Notation) -> str | float | None:
    if rule.group == TIMES:
        return usual_time(rule.path)
    value = value_at(plain, rule.path)
    if rule.kind == "length" and isinstance(value, float):
        return notation.figure(value)
    return value if isinstance(value, str | float | int) else None


def _told(rule: RuleEntry, notation: Notation) -> RuleEntry:
    return replace(
        rule,
        label=notation.say(rule.label),
        operation=notation.say(rule.operation),
        counted=notation.say(rule.counted),
    )


def _reply(request: HttpRequest, written: Written | None = None) -> HouseReply:
    workshop, notation = workshop_of(request), notation_of(request)
    house = house_of(workshop)
    lengths = {rule.path for rule in RULES if rule.kind == "length"}
    inputs = {path: notation.editable(value) for path, value in lengths_of(house)}
    inputs |= {
        f"rules.{path}": notation.editable(float(value))
        for path, value in house.rules.items()
        if path in lengths
    }
    inputs |= {f"gauges.{place}": notation.editable(gauge) for place, gauge in enumerate(house.gauges)}
    plain = JobSpec()
    usual = {rule.path: _usual(plain, rule, notation) for rule in RULES}
    squares = plain.binding.squares
    return HouseReply(
        version=workshop.house_version,
        house=house,
        entries=[_told(rule, notation) for rule in RULES],
        usual=usual,
        inputs=inputs,
        usual_squares=notation.say(
            f"No rule: {{mm:{squares.head:g}}} at head and tail, {{mm:{squares.fore_edge:g}}} at the "
            "fore-edge."
        ),
        **told_of(House, written, notation),
    )


@router.get("/house", response=HouseReply, operation_id="openHouse")
def open_house(request: HttpRequest) -> HouseReply:
    """The rules of the workshop."""
    return _reply(request)


@router.put("/house", response={200: HouseReply, 409: MeetReply, 422: Problem}, operation_id="saveHouse")
def write_house(
    request: HttpRequest,
    made: Query[ChoicesMade],
    house: HouseInput = Body(...),
    version: int = Query(..., ge=1),
) -> HouseReply:
    """Write the rules at the version they were read at; jobs that are there already stay as they are."""
    read = read_house(house, notation_of(request))
    return _reply(request, save_house(workshop_of(request), version, person(request), read, made.settled))
