"""From a pattern in whole tenths to a sheet cut apart in millimetres."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from weald.core.cutting.layout import Axis, Part, Region, Split, parts
from weald.core.cutting.order import Blank, Shears, Stock
from weald.core.cutting.strips import Column, Lying, Pattern, Strip
from weald.core.units import TOLERANCE, Mm


@dataclass(frozen=True, slots=True)
class _Box:
    """A region seen along the strips of its sheet: ``x`` runs along them."""

    x: Mm
    y: Mm
    width: Mm
    height: Mm


_Cutter = Callable[[_Box], Region]


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
        trim = 0.0 if self.stock.offcut else self.shears.square
        if trim <= TOLERANCE:
            return self._whole(box)
        square_head: _Cutter = lambda rest: self._split(rest, "y", trim, self._waste, self._whole)  # noqa: E731
        return self._split(box, "x", trim, self._waste, self._whole if self.stock.roll else square_head)

    def _whole(self, box: _Box) -> Region:
        """The strips, with whatever is left whole on the side where most is left."""
        level = self._cut_strips(box, self.strips)
        across = max((self._strip_width(strip) for strip in self.strips), default=0.0)
        if not self.strips or across + self.shears.kerf >= box.width:
            return level
        upright = self._split(
            box, "x", across, lambda kept: self._cut_strips(kept, self.strips), self._leftover
        )
        return max(level, upright, key=largest_offcut)

    def _cut_strips(self, box: _Box, strips: Sequence[Strip]) -> Region:
        if not strips:
            return self._leftover(box)
        return self._split(
            box,
            "y",
            self._strip_height(strips[0]),
            lambda strip: self._cut_columns(strip, strips[0].columns),
            lambda rest: self._cut_strips(rest, strips[1:]),
        )

    def _cut_columns(self, box: _Box, columns: Sequence[Column]) -> Region:
        if not columns:
            return self._leftover(box)
        return self._split(
            box,
            "x",
            self._column_size(columns[0])[0],
            lambda column: self._cut_pieces(column, columns[0].pieces),
            lambda rest: self._cut_columns(rest, columns[1:]),
        )

    def _cut_pieces(self, box: _Box, pieces: Sequence[Lying]) -> Region:
        if not pieces:
            return self._leftover(box)
        width, height = self._size(pieces[0])
        return self._split(
            box,
            "y",
            height,
            lambda level: self._split(
                level, "x", width, lambda cut: self._piece(cut, pieces[0]), self._leftover
            ),
            lambda rest: self._cut_pieces(rest, pieces[1:]),
        )

    def _split(self, box: _Box, axis: Axis, setting: Mm, first: _Cutter, rest: _Cutter) -> Region:
        """Cut a region, unless there is nothing to cut off."""
        size = box.width if axis == "x" else box.height
        if setting >= size - TOLERANCE:
            return first(box)
        begin = min(setting + self.shears.kerf, size)
        if axis == "x":
            near = replace(box, width=setting)
            far = replace(box, x=box.x + begin, width=box.width - begin)
        else:
            near = replace(box, height=setting)
            far = replace(box, y=box.y + begin, height=box.height - begin)
        x, y, width, height = self._on_sheet(box)
        seen: Axis = axis if not self.down else ("y" if axis == "x" else "x")
        return Split(x, y, width, height, seen, setting, first(near), rest(far))

    def _on_sheet(self, box: _Box) -> tuple[Mm, Mm, Mm, Mm]:
        if self.down:
            return box.y, box.x, box.height, box.width
        return box.x, box.y, box.width, box.height

    def _piece(self, box: _Box, piece: Lying) -> Part:
        return Part(*self._on_sheet(box), "piece", self.kinds[piece.kind].id, piece.turned)

    def _waste(self, box: _Box) -> Part:
        return Part(*self._on_sheet(box), "waste")

    def _leftover(self, box: _Box) -> Part:
        short, long = sorted((box.width, box.height))
        kept = short >= self.shears.keep_short and long >= self.shears.keep_long
        return Part(*self._on_sheet(box), "offcut" if kept else "waste")

    def _size(self, piece: Lying) -> tuple[Mm, Mm]:
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


def largest_offcut(region: Region) -> float:
    """Area of the largest piece worth keeping, mm²."""
    return max((part.width * part.height for part in parts(region) if part.use == "offcut"), default=0.0)
