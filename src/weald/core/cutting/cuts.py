"""The order of cuts at the shears, with the setting of each."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from weald.core.cutting.layout import Axis, Part, Region, Run
from weald.core.units import Mm


@dataclass(frozen=True, slots=True)
class CutStep:
    """One cut from edge to edge.

    :param part: number of what is cut, 0 for the whole sheet; ``first`` and ``second`` are the numbers of
        what it falls into.
    :param axis: ``x``: upright, with the left edge at the gauge; ``y``: level, with the top edge there.
    :param setting: from the gauge to the blade.
    :param same_setting: whether the gauge stands there already.
    :param start: of the cut on the sheet, x and y; ``end`` likewise.
    """

    number: int
    part: int
    axis: Axis
    setting: Mm
    same_setting: bool
    first: int
    second: int
    start: tuple[Mm, Mm]
    end: tuple[Mm, Mm]


@dataclass(frozen=True, slots=True)
class CutList:
    """All cuts of a sheet in order, and the number of every part that falls."""

    steps: tuple[CutStep, ...]
    fallen: tuple[tuple[int, Part], ...]


@dataclass(slots=True)
class _Counting:
    """Parts numbered as they come."""

    steps: list[CutStep] = field(default_factory=list)
    fallen: list[tuple[int, Part]] = field(default_factory=list)
    parts: int = 0
    gauge: tuple[Axis, float] | None = None

    def next_part(self) -> int:
        self.parts += 1
        return self.parts

    def cut(self, run: Run, fallen: Region, part: int) -> tuple[int, int]:
        first, second = self.next_part(), self.next_part()
        if run.axis == "x":
            setting = fallen.width
            start = (fallen.x + setting, run.y)
            end = (start[0], run.y + run.height)
        else:
            setting = fallen.height
            start = (run.x, fallen.y + setting)
            end = (run.x + run.width, start[1])
        gauge = (run.axis, round(setting, 6))
        step = CutStep(
            len(self.steps) + 1, part, run.axis, setting, gauge == self.gauge, first, second, start, end
        )
        self.steps.append(step)
        self.gauge = gauge
        return first, second


def cut_list(region: Region) -> CutList:
    """The cuts that part a region: all strips first, then each strip, so that the gauge moves seldom."""
    counting = _Counting()
    _cut(region, 0, counting)
    return CutList(tuple(counting.steps), tuple(counting.fallen))


def _cut(region: Region, part: int, counting: _Counting) -> None:
    if isinstance(region, Part):
        counting.fallen.append((part, region))
        return
    fallen: list[tuple[int, Region]] = []
    for each in region.regions[:-1]:
        first, part = counting.cut(region, each, part)
        fallen.append((first, each))
    for number, each in [*fallen, (part, region.regions[-1])]:
        _cut(each, number, counting)


def part_names(cuts: CutList, labels: Mapping[str, str]) -> dict[int, str]:
    """What people call each part: the sheet, a strip by the cut it fell at, the rest, a piece by its label.

    :param labels: of the pieces, by the names of their blanks.
    """
    names = {0: "the sheet"}
    for step in cuts.steps:
        names[step.first] = f"strip of cut {step.number}"
        names[step.second] = "the rest"
    for number, part in cuts.fallen:
        names[number] = labels[part.blank] if part.use == "piece" else part.use
    return names
