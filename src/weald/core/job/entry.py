"""What an entry of a job says of itself, beside its type and its limits.

An entry's record stands in its type: ``Annotated[Length, Field(title=…), Entry(…)]``. Forms on screen, what
can be chosen, rules of the house, doubts and the words of history are read off it; nothing else lists
entries by their paths.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any, Literal

from pydantic.fields import FieldInfo

from weald.core.job.asking import Asking
from weald.core.job.forms import FormName
from weald.core.quantities import QuantityId

Asked = Callable[[Asking], bool]
"""Whether a job, with what its binding makes of it, asks for an entry."""
RuleGroup = Literal[
    "Folding",
    "Sewing",
    "Block",
    "Boards",
    "Covering",
    "Finish",
    "Printed covers",
    "At the bench",
    "Glues",
    "Times at the bench",
]
"""Under what a house finds its rules."""


def always(asking: Asking) -> bool:
    """Every job asks for it."""
    return True


@dataclass(frozen=True, slots=True)
class Usual:
    """What is usual of an entry. Anything else is doubted, and not refused.

    :param said: as a doubt begins: “{said} of 14 mm is hardly meant”.
    :param unit: of a plain number; lengths have their own.
    """

    said: str
    least: float
    most: float
    unit: Literal["", "%"] = ""


@dataclass(frozen=True, slots=True)
class Gauged:
    """That an entry is set by a gauge, where the workshop owns one near to it.

    :param quantity: the size as it comes out; ``what`` it is called.
    :param also: what else has to be so for the entry to count.
    :param asked: which jobs can be worked by a gauge; those that have the quantity where not given.
    """

    quantity: QuantityId
    what: str
    also: Mapping[str, str] = field(default_factory=dict)
    asked: Asked = always


@dataclass(frozen=True, slots=True)
class Entry:
    """The record of an entry.

    :param form: the group of fields it is decided in; none where it has a place of its own on screen.
    :param label: what it is called in its form; its title where not given.
    :param help: what has to be known to decide it.
    :param options: what it can be, where it is one of a few, in words. An empty one is left to a rule.
    :param values: those of the options a job can choose from; all where not given.
    :param asked: which jobs ask for it.
    :param given: whether it is asked only where it is given: emptied, it is wrong and not left open.
    :param left_open: what it comes to where it is left open: a quantity's id; or words, where leaving it
        open is a decision of its own.
    :param step: by which a plain number is changed.
    :param part: the sizes and pieces it belongs to in the drawings, by their ids.
    :param decides: the sizes it is the field for, where they are drawn, by their ids.
    :param told: whether what stands in it is told where its form stands on a drawing.
    :param rule: under what a house finds its rule for it; none where it may have none.
    :param said: what history says of whatever stands in it, where that itself says nothing.
    """

    form: FormName | None = None
    label: str | Callable[[Asking], str] = ""
    help: str = ""
    options: Mapping[Any, str] | None = None
    values: Callable[[Asking], tuple[str, ...]] | None = None
    asked: Asked = always
    left_open: str = ""
    given: bool = False
    step: float = 1.0
    part: str = ""
    decides: tuple[QuantityId, ...] = ()
    told: bool = False
    usual: Usual | None = None
    rule: RuleGroup | None = None
    gauged: Gauged | None = None
    said: str = ""


_PLAIN = Entry()


def entry_of(info: FieldInfo) -> Entry:
    """The record of an entry; a plain one where it says nothing of itself."""
    return next((each for each in info.metadata if isinstance(each, Entry)), _PLAIN)
