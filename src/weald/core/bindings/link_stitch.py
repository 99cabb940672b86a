"""Link-stitched signatures with loose boards sewn on: no glue on the spine, and it opens quite flat."""

from weald.core.bindings import pictures
from weald.core.bindings.case import board_pieces, on_each_board
from weald.core.bindings.case_sizes import reckon_back_board, reckon_heights, reckon_weight
from weald.core.bindings.protocol import COVER_STUFF, Bound, Structure
from weald.core.block.holes import Hole
from weald.core.drawing import Drawing, Sketch, box
from weald.core.job.spec import JobSpec
from weald.core.materials import COVERS
from weald.core.reckoning import Ledger
from weald.core.shelf.grain import mind_bow, reckon_pull
from weald.core.stations.block_drawings import draw_section
from weald.core.stations.block_plan import BlockPlan
from weald.core.stations.bound_sizes import Boards, BoundSizes
from weald.core.units import Mm

HOLE_IN: Mm = 10.0
"""Holes stand so far from the spine edge of a board."""
BOARD_PAPER_SHORT: Mm = 2.0
"""The paper inside a board stands back so much all round."""


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size two boards, each covered by itself, with a hole opposite every station."""
    reckon_heights(spec, ledger)
    binding = spec.binding
    turn = ledger.entry("turn-in", binding.turn_in, "binding.turn_in")
    height = ledger.value("board.height")
    width = ledger.reckon(
        "board.width",
        block.width + ledger.value("squares.fore_edge"),
        "{block} + {square}",
        {"block": ledger.ref("block.width"), "square": ledger.ref("squares.fore_edge")},
        rule="flush with the spine, where it is sewn",
    )
    cover_height = ledger.reckon(
        "cover.height",
        height + 2 * binding.turn_in,
        "{board} + 2 × {turn_in}",
        {"board": ledger.ref("board.height"), "turn_in": turn},
    )
    cover_width = ledger.reckon(
        "cover.width",
        width + 2 * binding.turn_in,
        "{board} + 2 × {turn_in}",
        {"board": ledger.ref("board.width"), "turn_in": turn},
        rule="of each board by itself",
    )
    back = reckon_back_board(ledger)
    hole = ledger.reckon("lacing.first", HOLE_IN, "from the board's spine edge, opposite every station")
    boards = Boards((width, height), back)
    reckon_weight(spec, block, 2 * cover_width, boards, binding.board, ledger)
    turned = cover_width - width, cover_height - height
    sizes = ((width, height), back) if back else ((width, height),)
    pieces = [
        *board_pieces(spec, sizes, ledger),
        *on_each_board(
            ledger,
            [(wide + turned[0], high + turned[1]) for wide, high in sizes],
            (
                "cover",
                "Board cover",
                COVERS[binding.material].cut_from,
                "by itself, turned in on all four sides",
            ),
            spec.copies,
            thickness=binding.cover_thickness,
        ),
        *on_each_board(
            ledger,
            [(wide - 2 * BOARD_PAPER_SHORT, high - 2 * BOARD_PAPER_SHORT) for wide, high in sizes],
            ("pastedown", "Board paper", "endpaper", "inside of each board, {mm:2} short all round"),
            spec.copies,
        ),
    ]
    sized = BoundSizes(boards=boards, square=ledger.value("squares.head"), lacing=("lacing.first",))
    pull = reckon_pull(spec, ledger)
    drawings = (
        _draw_board(turned, sizes[0], hole, holes, ledger),
        *(_draw_board(turned, size, hole, holes, ledger, back=True) for size in sizes[1:]),
        _draw_section(block, hole, ledger),
    )
    return Bound(tuple(pieces), drawings, tuple(mind_bow(pull, spec, ledger.notation)), sized)


def _draw_board(
    turned: tuple[Mm, Mm],
    size: tuple[Mm, Mm],
    hole_in: Mm,
    holes: tuple[Hole, ...],
    ledger: Ledger,
    *,
    back: bool = False,
) -> Drawing:
    """A board from outside with its cover, and the holes along its spine edge.

    :param turned: how much wider and higher its cover is.
    :param back: the back one, where it was cut apart from the front one.
    """
    show, sketch = ledger.notation.figure, Sketch()
    width, height = size
    side, turn = (each / 2 for each in turned)
    head = ledger.value("squares.head")
    sheet = box(-side, -turn, width + 2 * side, height + 2 * turn)
    sketch.area(sheet, "cloth", "cut", "cover.width cover.height")
    sketch.grain(sheet, 90)
    board = box(0, 0, width, height)
    wide, high = ("back_board.width", "back_board.height") if back else ("board.width", "board.height")
    sketch.area(board, "board", "cut", f"{wide} {high}")
    sketch.grain(board, 90)
    for hole in holes:
        sketch.arc(hole_in, head + hole.place, 1.0, 0, 359.9, "cut", "lacing.first")
    sketch.dimension((0, -turn), (width, -turn), show(width), about=wide)
    sketch.dimension(
        (-side, -turn), (width + side, -turn), show(width + 2 * side), offset=2, about="cover.width"
    )
    sketch.dimension((-side, height), (-side, 0), show(height), about=high)
    sketch.dimension(
        (-side, height + turn), (-side, -turn), show(height + 2 * turn), offset=2, about="cover.height"
    )
    bottom = height + turn
    sketch.dimension((hole_in, bottom), (0, bottom), show(hole_in), about="lacing.first")
    return sketch.finish(
        "case.flat_back" if back else "case.flat",
        "boards",
        "The back board on its cover" if back else "A board on its cover, spine edge to the left",
        rows=(2, 2, 0, 1),
        text=f"{'The back board' if back else 'Boards'} {show(width, True)} by {show(height, True)}, "
        f"{len(holes)} holes each.",
        template=True,
    )


def _draw_section(block: BlockPlan, hole_in: Mm, ledger: Ledger) -> Drawing:
    """Block and boards cut across at the spine, which stays open."""
    show, sketch = ledger.notation.figure, Sketch()
    half, board, reach = block.thickness / 2, ledger.value("board.thickness"), 36.0
    draw_section(sketch, block, reach)
    for top in (-half - board, half):
        sketch.area(box(0, top, reach, board), "board", about="board.thickness")
        sketch.line(((hole_in, top), (hole_in, top + board)), "cut", "lacing.first")
    outside = -half - board
    upper = [(hole_in, -half), (hole_in, outside), (0.0, outside), (-1.5, -half)]
    sketch.line([*upper, *[(x, -y) for x, y in reversed(upper)]], "thread")
    sketch.dimension((0, outside), (hole_in, outside), show(hole_in), about="lacing.first")
    sketch.dimension((reach, -half), (reach, half), show(2 * half), about="block.thickness")
    return sketch.finish(
        "case.section",
        "boards",
        "The spine in section",
        rows=(0, 1, 1, 0),
        text="Boards lie flush with the spine and are held by the thread alone.",
    )


def draw(sketch: Sketch) -> None:
    """Loose boards held by thread round their edges."""
    pictures.block(sketch)
    pictures.boards(sketch, inset=0)
    for side in (-1, 1):
        outer, inner = side * (pictures.HALF + pictures.BOARD), side * pictures.HALF
        sketch.line(((8, inner), (8, outer), (-1.5, outer), (-2.5, inner)), "thread")
    sketch.line(((-2.5, -pictures.HALF), (-2.5, pictures.HALF)), "thread")


STRUCTURE = Structure(
    name="link_stitch",
    held="thread",
    title="link stitch with loose boards",
    good_for="sketchbooks and albums that must lie quite flat; the sewing shows",
    lasts="decades; the thread is bare",
    effort=2,
    needs="board, strong thread, a curved needle, no glue on the spine",
    bind=bind,
    draw=draw,
    methods=("link",),
    entries=(
        "binding.board",
        "binding.linings",
        "binding.squares",
        *COVER_STUFF,
        "binding.turn_in",
    ),
    thickest=60.0,
    heaviest=2000.0,
    most_swell=0.3,
    lined=False,
    lettered=False,
)
