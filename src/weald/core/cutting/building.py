"""From a pattern in whole tenths to a sheet cut apart in millimetres."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from weald.core.cutting.layout import Axis, Part, Region, Run, parts
from weald.core.cutting.order import Blank, Shears, Stock, squared_off
from weald.core.cutting.strips import Column, Oriented, Pattern, Strip
from weald.core.units import TOLERANCE, Mm


@dataclass(frozen=True, slots=True)
class _Box:
    """A region seen along the strips of its sheet: ``x`` runs along them."""

    x: Mm
    y: Mm
    width: Mm
    height: Mm


_Cutter = Callable[[_Box], Region]
SLIVER: Mm = 0.05
"""What is left beyond a cut is nothing when it is thinner; any more has to be cut off, if only to dust."""


class Builder:
    """Cuts one pattern out of its stock."""

    def __init__(self, stock: Stock, pattern: Pattern, kinds: Sequence[Blank], shears: Shears) -> None:
        """Keep what is cut, and from what; tall strips come first, so that what is left stays whole."""
        self.stock, self.kinds, self.shears = stock, kinds, shears
        self.down = pattern.ground.down
        self.strips = sorted(pattern.strips, key=lambda strip: -strip.height)

    @property
    def roll_length(self) -> Mm:
        """How much of a roll the pattern takes."""
        return sum(self._strip_height(strip) + self.shears.kerf for strip in self.strips)

    def sheet(self) -> Region:
        """The sheet cut apart: its corner squared, then strips, columns and pieces."""
        width, height = self.stock.width, self.stock.height
        if self.stock.roll:
            height = self.roll_length
        box = _Box(0.0, 0.0, height, width) if self.down else _Box(0.0, 0.0, width, height)
        trim = squared_off(self.stock, self.shears)
        if trim <= TOLERANCE:
            return self._whole(box)
        if self.stock.roll:
            return self._run(box, "x", [(trim, self._waste)], self._whole)
        return self._run(
            box,
            "x",
            [(trim, self._waste)],
            lambda rest: self._run(rest, "y", [(trim, self._waste)], self._whole),
        )

    def _whole(self, box: _Box) -> Region:
        """The strips, with whatever is left whole on the side where most is left."""
        level = self._cut_strips(box)
        across = max((self._strip_width(strip) for strip in self.strips), default=0.0)
        if across + self.shears.kerf >= box.width:
            return level
        upright = self._run(box, "x", [(across, self._cut_strips)], self._leftover)
        return max(level, upright, key=largest_offcut)

    def _cut_strips(self, box: _Box) -> Region:
        cuts = [(self._strip_height(strip), self._cutter(strip)) for strip in self.strips]
        return self._run(box, "y", cuts, self._leftover)

    def _cutter(self, strip: Strip) -> _Cutter:
        cuts = [(self._column_size(column)[0], self._column_cutter(column)) for column in strip.columns]
        return lambda box: self._run(box, "x", cuts, self._leftover)

    def _column_cutter(self, column: Column) -> _Cutter:
        cuts = [(self._size(piece)[1], self._piece_cutter(piece)) for piece in column.pieces]
        return lambda box: self._run(box, "y", cuts, self._leftover)

    def _piece_cutter(self, piece: Oriented) -> _Cutter:
        cut = (self._size(piece)[0], lambda box: self._piece(box, piece))
        return lambda box: self._run(box, "x", [cut], self._leftover)

    def _run(self, box: _Box, axis: Axis, cuts: Sequence[tuple[Mm, _Cutter]], rest: _Cutter) -> Region:
        """Cut one part after another off a region; what is left is the last, unless nothing is."""
        level = axis == "y"
        place, end = (box.y, box.y + box.height) if level else (box.x, box.x + box.width)
        regions = []
        for wanted, cutter in cuts:
            size = min(wanted, end - place)
            regions.append(cutter(_part_of(box, level, place, size)))
            left = end - place - size
            place = min(place + size + self.shears.kerf, end)
        if not cuts or left > SLIVER:
            regions.append(rest(_part_of(box, level, place, end - place)))
        if len(regions) == 1:
            return regions[0]
        seen: Axis = axis if not self.down else ("y" if axis == "x" else "x")
        return Run(*self._on_sheet(box), seen, tuple(regions))

    def _on_sheet(self, box: _Box) -> tuple[Mm, Mm, Mm, Mm]:
        if self.down:
            return box.y, box.x, box.height, box.width
        return box.x, box.y, box.width, box.height

    def _piece(self, box: _Box, piece: Oriented) -> Part:
        return Part(*self._on_sheet(box), "piece", self.kinds[piece.kind].id, piece.turned)

    def _waste(self, box: _Box) -> Part:
        return Part(*self._on_sheet(box), "waste")

    def _leftover(self, box: _Box) -> Part:
        short, long = sorted((box.width, box.height))
        kept = short >= self.shears.keep_short and long >= self.shears.keep_long
        return Part(*self._on_sheet(box), "offcut" if kept else "waste")

    def _size(self, piece: Oriented) -> tuple[Mm, Mm]:
        blank = self.kinds[piece.kind]
        if piece.turned != self.down:
            return blank.height, blank.width
        return blank.width, blank.height

    def _column_size(self, column: Column) -> tuple[Mm, Mm]:
        sizes = [self._size(piece) for piece in column.pieces]
        kerfs = self.shears.kerf * (len(sizes) - 1)
        return max(width for width, _ in sizes), sum(height for _, height in sizes) + kerfs

    def _strip_height(self, strip: Strip) -> Mm:
        return max(self._column_size(column)[1] for column in strip.columns)

    def _strip_width(self, strip: Strip) -> Mm:
        widths = [self._column_size(column)[0] for column in strip.columns]
        return sum(widths) + self.shears.kerf * (len(widths) - 1)


def _part_of(box: _Box, level: bool, place: Mm, size: Mm) -> _Box:
    if level:
        return replace(box, y=place, height=size)
    return replace(box, x=place, width=size)


def largest_offcut(region: Region) -> float:
    """Area of the largest piece worth keeping, mm²."""
    return max((part.width * part.height for part in parts(region) if part.use == "offcut"), default=0.0)
