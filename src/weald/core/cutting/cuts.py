"""The order of cuts at the shears, with the setting of each."""

from collections.abc import Iterator
from dataclasses import dataclass, field

from weald.core.cutting.layout import Axis, Part, Region, Split
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

    def cut(self, region: Split, part: int) -> tuple[int, int]:
        first, second = self.next_part(), self.next_part()
        if region.axis == "x":
            start = (region.x + region.setting, region.y)
            end = (start[0], region.y + region.height)
        else:
            start = (region.x, region.y + region.setting)
            end = (region.x + region.width, start[1])
        gauge = (region.axis, round(region.setting, 6))
        self.steps.append(
            CutStep(
                len(self.steps) + 1,
                part,
                region.axis,
                region.setting,
                gauge == self.gauge,
                first,
                second,
                start,
                end,
            )
        )
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
    rest: Region = region
    for cut in _same_way(region):
        first, part = counting.cut(cut, part)
        fallen.append((first, cut.first))
        rest = cut.second
    for number, each in [*fallen, (part, rest)]:
        _cut(each, number, counting)


def _same_way(region: Split) -> Iterator[Split]:
    """The cuts one after another that run the same way."""
    axis, rest = region.axis, region
    while isinstance(rest, Split) and rest.axis == axis:
        yield rest
        rest = rest.second  # type: ignore[assignment]
