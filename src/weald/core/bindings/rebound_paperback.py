"""A paperback bound anew, its old covers kept as panels on a cloth case."""

from dataclasses import replace

from weald.core.bindings import pictures
from weald.core.bindings.case import CASE_ENTRIES, bind_case
from weald.core.bindings.case_sizes import Case, size_flat
from weald.core.bindings.protocol import Bound, Structure
from weald.core.block.holes import Hole
from weald.core.drawing import Drawing, Sketch, box
from weald.core.findings import Action, Finding, finding
from weald.core.job.binding import Covering
from weald.core.job.spec import JobSpec
from weald.core.pieces import Piece, make_piece
from weald.core.quantities import QuantityId
from weald.core.reckoning import Ledger
from weald.core.stations.block_plan import BlockPlan
from weald.core.units import TOLERANCE, Mm

MARGIN: Mm = 1.0
"""Of the new board left to see round an old panel, at joint and fore-edge."""
SPINE_MARGIN: Mm = 0.5


def bind(spec: JobSpec, block: BlockPlan, holes: tuple[Hole, ...], ledger: Ledger) -> Bound:
    """Size the case from the block, and trim the old covers to lie on it."""
    covering: Covering = "full"
    case = size_flat(spec, block, covering, ledger)
    bound = bind_case(spec, case, covering, ledger)
    narrower: QuantityId = "back_board.width" if case.back_width < case.board_width else "board.width"
    width = _panel(ledger, "panel.width", narrower, MARGIN)
    spine = _panel(ledger, "panel.spine", "spine_board.width", SPINE_MARGIN)
    old = spec.binding.old_cover
    most = ledger.value("board.height") - 2 * MARGIN
    height = ledger.reckon(
        "panel.height",
        min(most, old.height or block.height),
        "the lesser of {board} − 2 × {margin} and {old}",
        {
            "board": ledger.ref("board.height"),
            "margin": ledger.entry("margin", MARGIN, "binding.old_cover"),
            "old": ledger.entry("old cover", old.height or block.height, "binding.old_cover.height"),
        },
    )
    pieces = (*bound.pieces, *_panels(spec, (width, spine, height), ledger))
    drawings = (_with_panels(bound.drawings[0], case, (width, spine, height)), *bound.drawings[1:])
    findings = (*bound.findings, *_mind(spec, (width, spine, height), ledger))
    return replace(bound, pieces=pieces, drawings=drawings, findings=findings)


def _panel(ledger: Ledger, quantity: QuantityId, of: QuantityId, margin: Mm) -> Mm:
    return ledger.reckon(
        quantity,
        ledger.value(of) - 2 * margin,
        "{board} − 2 × {margin}",
        {"board": ledger.ref(of), "margin": ledger.entry("margin", margin, "binding.old_cover")},
        rule="about {mm:1} of the new cover shows at joint and fore-edge, half of that at the spine",
        or_nothing=True,
    )


def _panels(spec: JobSpec, size: tuple[Mm, Mm, Mm], ledger: Ledger) -> list[Piece]:
    width, spine, height = size
    how = "the old cover, trimmed; laid on last"
    return [
        make_piece(ledger, "old_panel", "Old cover panel", "card", 2 * spec.copies, (width, height), how),
        make_piece(ledger, "old_spine", "Old spine panel", "card", spec.copies, (spine, height), how),
    ]


def _with_panels(flat: Drawing, case: Case, size: tuple[Mm, Mm, Mm]) -> Drawing:
    """The case laid flat with the panels' places on its outside, as they show through."""
    width, spine, height = size
    sketch = Sketch(list(flat.elements))
    top = case.turn_in + (case.tallest - height) / 2
    spine_left = case.back_edge + case.gap
    front = spine_left + case.spine_width + case.gap
    for left, across, wide, about in (
        (case.turn_side, case.back_width, width, "panel.width panel.height"),
        (spine_left, case.spine_width, spine, "panel.spine"),
        (front, case.board_width, width, "panel.width panel.height"),
    ):
        panel = box(left + (across - wide) / 2, top, wide, height)
        sketch.line((*panel, panel[0]), "score", about)
    return Drawing(
        flat.id, flat.station, flat.title, flat.extent, tuple(sketch.elements), flat.rows, True, flat.text
    )


def _mind(spec: JobSpec, size: tuple[Mm, Mm, Mm], ledger: Ledger) -> list[Finding]:
    """Old covers that are smaller than what is to be covered with them."""
    width, spine, height = size
    old = spec.binding.old_cover
    found = [finding("panel.trial", "binding.old_cover", ledger.notation)]
    for path, has, needs in (
        ("binding.old_cover.width", old.width, width),
        ("binding.old_cover.height", old.height, height),
        ("binding.old_cover.spine", old.spine, spine),
    ):
        if has is not None and has < needs - TOLERANCE:
            has_shown, needs_shown = ledger.notation.compared(has, needs)
            found.append(
                finding(
                    "panel.small",
                    path,
                    ledger.notation,
                    has=has_shown,
                    needs=needs_shown,
                    name=path.rpartition(".")[2],
                )
            )
    if not (old.width and old.spine):
        patch: dict[str, object] = {
            "binding.old_cover.width": round(width, 1),
            "binding.old_cover.height": round(height, 1),
            "binding.old_cover.spine": round(spine, 1),
        }
        found.append(
            finding(
                "panel.unmeasured",
                "binding.old_cover",
                ledger.notation,
                actions=(Action("They reach", patch),),
            )
        )
    return found


def draw(sketch: Sketch) -> None:
    """A flat case with the old covers on its boards."""
    pictures.block(sketch, sections=0)
    pictures.boards(sketch)
    pictures.spine_board(sketch)
    pictures.cloth(sketch)
    pictures.part_covered(sketch, 7, pictures.LENGTH + 1, "card")


STRUCTURE = Structure(
    name="rebound_paperback",
    title="paperback rebound",
    good_for="a loved paperback: new boards, its own covers kept on them",
    lasts="years; as long as the glue of its leaves, unless they are sewn",
    effort=3,
    needs="the old book, a full-size trial, board, cloth, mull",
    bind=bind,
    draw=draw,
    methods=("none", "tapes", "cords", "link"),
    rebound=True,
    spine_board=True,
    sections="leaves",
    coverings=("full",),
    entries=(*CASE_ENTRIES, "binding.old_cover"),
    thinnest=4.0,
    thickest=60.0,
    heaviest=1500.0,
)
