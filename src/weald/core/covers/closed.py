"""The printed cover as it goes round the closed book, face by face, to be looked at from every side.

The artwork is laid along the covering in section as a thread, from the middle of the spine outwards both
ways, millimetre for millimetre: what comes to lie in a joint or round an edge is seen there.

The book stands upright, its front towards whoever looks at it. Places are in millimetres from the middle of
the closed book's box: x to the fore-edge of the front, y *down*, z towards the one who looks.
"""

import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from weald.core.drawing import Point, box
from weald.core.stations.block_drawings import section_outline
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import TOLERANCE, Mm

Place = tuple[Mm, Mm, Mm]
DOWN: Place = (0.0, 1.0, 0.0)
ZoneKind = Literal["wrap", "back", "front", "spine", "joint", "flap"]
WindowName = ZoneKind | Literal["barcode"]
FaceKind = WindowName | Literal["leaves"]


@dataclass(frozen=True, slots=True)
class Window:
    """A part of the document, from its top left corner."""

    name: WindowName
    x: Mm
    y: Mm
    width: Mm
    height: Mm


@dataclass(frozen=True, slots=True)
class Strip:
    """A part of the cover from head to tail, at its place across the document."""

    kind: ZoneKind
    left: Mm
    right: Mm


@dataclass(frozen=True, slots=True)
class Face:
    """Something flat that is seen of the closed book.

    :param window: what of the document is seen on it; none on leaves.
    :param corner: where its top left corner stands. ``across`` and ``down`` are the directions of its sides,
        each one long; it is seen from where they turn clockwise.
    :param outline: its shape, in millimetres along ``across`` and ``down``.
    """

    kind: FaceKind
    window: Window | None
    corner: Place
    across: Place
    down: Place
    width: Mm
    height: Mm
    outline: tuple[Point, ...]


@dataclass(frozen=True, slots=True)
class ClosedCover:
    """The closed book's box, and all that is seen of it."""

    width: Mm
    height: Mm
    thickness: Mm
    faces: tuple[Face, ...]


@dataclass(frozen=True, slots=True)
class Cover:
    """The cover to be laid round a block.

    :param strips: its parts from left to right across the document.
    :param top: where its head begins in the document, the wrap left out; ``height`` from there to its tail.
    :param board: how thick the boards are that it wraps round; 0 where it has none.
    :param square: how far its head stands over the block's.
    :param profile: half of it in section on the closed book, from the middle of the spine to the fore-edge.
    """

    strips: tuple[Strip, ...]
    top: Mm
    height: Mm
    board: Mm
    square: Mm
    profile: tuple[Point, ...]


def close_cover(cover: Cover, block: BlockPlan) -> ClosedCover:
    """Lay a cover round its block."""
    xs = [block.joint_width, *(x for x, _ in cover.profile)]
    outside = max(-y for _, y in cover.profile)
    middle = (min(xs) + max(xs)) / 2
    faces = [
        *_round_the_spine(cover, middle),
        *(_edges(cover, middle) if cover.board else ()),
        *_insides(cover, middle),
        *_leaves(cover, block, middle),
    ]
    return ClosedCover(max(xs) - min(xs), cover.height, 2 * outside, tuple(faces))


def _way_round(cover: Cover) -> list[tuple[Mm, Point]]:
    """The covering's way from the back's fore-edge to the front's, by its places across the document.

    With boards it begins and ends on their inner side.
    """
    spine = next(strip for strip in cover.strips if strip.kind == "spine")
    path = list(cover.profile)
    if cover.board:
        path.append((path[-1][0], path[-1][1] + cover.board))
    at, way = 0.0, [(0.0, path[0])]
    for near, far in pairwise(path):
        at += math.dist(near, far)
        way.append((at, far))
    centre = (spine.left + spine.right) / 2
    front = [(centre + far, point) for far, point in way]
    back = [(centre - far, (x, -y)) for far, (x, y) in reversed(way[1:])]
    return [*back, *front]


def _kind_at(x: Mm, strips: Iterable[Strip]) -> ZoneKind:
    return next((strip.kind for strip in strips if strip.left <= x <= strip.right), "wrap")


def _round_the_spine(cover: Cover, middle: Mm) -> Iterator[Face]:
    """Everything that stands upright: back, joints, spine, front, and the fore-edges of the boards."""
    for (left, (x, y)), (right, (to_x, to_y)) in pairwise(_way_round(cover)):
        width = right - left
        if width < TOLERANCE:
            continue
        # the section is seen from the tail, the front on top: what is above is towards the one who looks
        across = ((to_x - x) / width, 0.0, (y - to_y) / width)
        kind = _kind_at((left + right) / 2, cover.strips)
        window = Window(kind, left, cover.top, width, cover.height)
        yield _rectangle(window, (x - middle, -cover.height / 2, -y), across, DOWN)


def _edges(cover: Cover, middle: Mm) -> Iterator[Face]:
    """Head and tail of the boards, round which the covering is turned in."""
    (near, _), (far, level) = cover.profile[-2], cover.profile[-1]
    half, outer, thick = cover.height / 2, -level, cover.board
    way = _way_round(cover)
    # of the way round, the back board is the second stretch, the front board the last but one
    back, front = way[1][0], way[-3][0]
    for left, start, side in ((back, far, -1.0), (front, near, 1.0)):
        across = (side, 0.0, 0.0)
        head = Window("wrap", left, cover.top - thick, far - near, thick)
        yield _rectangle(head, (start - middle, -half, side * (outer - thick)), across, (0.0, 0.0, side))
        tail = Window("wrap", left, cover.top + cover.height, far - near, thick)
        yield _rectangle(tail, (start - middle, half, side * outer), across, (0.0, 0.0, -side))


def _rectangle(window: Window, corner: Place, across: Place, down: Place) -> Face:
    width, height = window.width, window.height
    return Face(window.name, window, corner, across, down, width, height, box(0, 0, width, height))


def _plain(corner: Place, across: Place, down: Place, outline: Sequence[Point]) -> Face:
    width, height = (max(places) for places in zip(*outline, strict=True))
    return Face("leaves", None, corner, across, down, width, height, tuple(outline))


def _insides(cover: Cover, middle: Mm) -> Iterator[Face]:
    """What is seen of the cover's inside round the block: its paste-downs."""
    (near, _), (far, level) = cover.profile[-2], cover.profile[-1]
    shape = box(0, 0, far - near, cover.height)
    for start, side in ((near, -1.0), (far, 1.0)):
        corner = (start - middle, -cover.height / 2, -side * (level + cover.board))
        yield _plain(corner, (-side, 0.0, 0.0), DOWN, shape)


def _leaves(cover: Cover, block: BlockPlan, middle: Mm) -> Iterator[Face]:
    """Head, tail and fore-edge of the block."""
    section = section_outline(block, block.joint_width)
    xs, ys = [x for x, _ in section], [y for _, y in section]
    left, top, bottom = min(xs), min(ys), max(ys)
    head = cover.square - cover.height / 2
    # from above, the back lies further off; from below, the front does
    from_above = [(x - left, bottom - y) for x, y in reversed(section)]
    from_below = [(x - left, y - top) for x, y in section]
    yield _plain((left - middle, head, -bottom), (1.0, 0.0, 0.0), (0.0, 0.0, 1.0), from_above)
    tail = head + block.height
    yield _plain((left - middle, tail, -top), (1.0, 0.0, 0.0), (0.0, 0.0, -1.0), from_below)
    fore_edge = box(0, 0, bottom - top, block.height)
    yield _plain((max(xs) - middle, head, -top), (0.0, 0.0, -1.0), DOWN, fore_edge)
