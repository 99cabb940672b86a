"""Boards that sit in the shoulders and are attached to the block before they are covered."""

from dataclasses import replace

from weald.core.bindings.case import bind_case, on_each_board
from weald.core.bindings.case_sizes import Case
from weald.core.bindings.protocol import COVER_STUFF, Bound
from weald.core.bindings.supports import HOLE_SHIFT
from weald.core.block.bands import Band, bands_here, mind_bands, reckon_bands
from weald.core.block.holes import Hole, back_middles, support_middles
from weald.core.drawing import Drawing, Sketch
from weald.core.findings import Action, Finding, finding
from weald.core.job.binding import Covering
from weald.core.job.spec import JobSpec
from weald.core.materials import MATERIALS
from weald.core.notation import Notation, counted
from weald.core.pieces import Piece, with_sizes_told
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import Mm

FIRST_HOLE: Mm = 11.0
"""From the spine edge of the board; 10 to 12 mm is usual."""
SECOND_HOLE: Mm = 22.0
HOLE_RADIUS: Mm = 1.2
ENTRIES = (
    "back",
    "binding.board",
    "binding.linings",
    "binding.cut_in_case",
    "binding.squares",
    "binding.french_joint",
    "binding.covering",
    *COVER_STUFF,
    "binding.turn_in",
)


def board_places(
    spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], head: Mm
) -> tuple[list[Mm], list[Mm]]:
    """The middle of every support's place on the back board and on the front one, from their head."""
    front = support_middles(holes)
    own = spec.extras.places
    back = (back_middles(own, block.height) if own else ()) or front
    return [head + middle for middle in back], [head + middle for middle in front]


def ploughed_off(spec: JobSpec) -> Mm:
    """What is cut off the boards at head and tail together with the block, where they are laced on first."""
    trim = spec.leaf.trim
    return trim.head + trim.tail if spec.block.trimming == "in_boards" else 0.0


def bind_in_shoulder(
    spec: JobSpec, case: Case, covering: Covering, ledger: Ledger, *, higher: Mm = 0.0
) -> Bound:
    """Cover boards and spine, with the bands across it.

    :param higher: what is cut off the boards together with the block.
    """
    take_up = reckon_bands(spec, ledger)
    bound = bind_case(spec, case, covering, ledger, higher=higher)
    flat = with_bands(bound.drawings[0], case, bands_here(spec, case.board_height))
    pieces = tuple(_longer(piece, take_up, ledger) for piece in bound.pieces)
    findings = (
        *bound.findings,
        *mind_bands(spec, ledger),
        *_mind_false_bands(spec, ledger.notation),
    )
    return replace(bound, pieces=pieces, drawings=(flat, *bound.drawings[1:]), findings=findings)


def _mind_false_bands(spec: JobSpec, notation: Notation) -> list[Finding]:
    """Bands that are not as many as the raised cords beneath them."""
    count, cords = spec.binding.bands.count, spec.sewing.supports
    if spec.sewing.method != "raised_cords" or count == cords or not count:
        return []
    actions = (
        Action(f"Sew on {count} cords", {"sewing.supports": count}),
        Action(f"{cords} bands", {"binding.bands.count": cords}),
    )
    return [
        finding(
            "bands.false",
            "binding.bands.count",
            notation,
            count=counted(count, "band"),
            cords=counted(cords, "raised cord"),
            actions=actions,
        )
    ]


def _longer(piece: Piece, take_up: Mm, ledger: Ledger) -> Piece:
    """Leather over the spine, longer by what the bands draw in."""
    if not MATERIALS[piece.material].pared or piece.id not in ("cover", "spine_piece"):
        return piece
    return with_sizes_told(replace(piece, height=piece.height + take_up), ledger.notation)


def thin_boards(spec: JobSpec, case: Case, how: str, ledger: Ledger) -> list[Piece]:
    """The second, thin layer of boards made of two."""
    return on_each_board(
        ledger,
        case.board_sizes,
        ("thin_board", "Thin board", "board", how),
        spec.copies,
        thickness=spec.binding.thin_board,
        allowance=spec.binding.cut_in_case,
    )


def added_to(drawing: Drawing, sketch: Sketch) -> Drawing:
    """A drawing with more on it, that reaches no further."""
    return replace(drawing, elements=(*drawing.elements, *sketch.elements))


def with_bands(flat: Drawing, case: Case, bands: tuple[Band, ...]) -> Drawing:
    """The case laid flat with the bands across its spine."""
    sketch = Sketch()
    left = case.back_edge + case.gap
    for band in bands:
        for edge in (band.place - band.width / 2, band.place + band.width / 2):
            y = case.turn_in + edge
            sketch.line(((left, y), (left + case.spine_width, y)), "score", "panel.each")
    return added_to(flat, sketch)


def with_lacing(
    flat: Drawing, case: Case, places: tuple[list[Mm], list[Mm]], holes: tuple[Mm, Mm]
) -> Drawing:
    """The boards with two holes for every cord, so far from the spine edge, the second offset.

    :param places: of the cords from the head of the back board, and of the front one.
    """
    sketch = Sketch()
    for spine_edge, way, cords in ((case.back_edge, -1, places[0]), (case.front_edge, 1, places[1])):
        for place in cords:
            y = case.turn_in + place
            for off, down in zip(holes, (0.0, HOLE_SHIFT), strict=True):
                x = spine_edge + way * off
                sketch.arc(x, y + down, HOLE_RADIUS, 0, 359.9, "cut", "lacing.first lacing.second")
            groove = ((spine_edge, y), (spine_edge + way * holes[0], y))
            sketch.line(groove, "score", "lacing.first")
    return added_to(flat, sketch)
