"""Boards joined by a strip, old panels in a recess, bevelled edges: options of any case they suit."""

import math
from collections.abc import Iterator

from weald.core.bindings import pictures
from weald.core.bindings.protocol import Structure
from weald.core.book.added import Added
from weald.core.book.book import Book
from weald.core.drawing import Drawing, Sketch, box
from weald.core.extras.finishing.template import board_size
from weald.core.extras.protocol import Extra
from weald.core.findings import Action, Finding, finding
from weald.core.job.extras.covers import Bevels, JoinedByStrip, OldPanel, OldPanels
from weald.core.job.spec import JobSpec
from weald.core.pieces import Piece, make_piece
from weald.core.units import TOLERANCE, Mm

LEAST_RIM: Mm = 6.0
"""A rim of the layer narrower than this breaks when the covering is turned in."""
THIN_EDGE = 0.25
"""A bevelled edge thinner than this part of the board is knocked at once."""


def _has_boards(structure: Structure, spec: JobSpec) -> bool:
    return structure.boards


def _joins(structure: Structure, spec: JobSpec) -> bool:
    """Cases with a spine board: it and the boards lie side by side."""
    return structure.spine_board


def reckon_strip(book: Book) -> Added:
    """The case has joined its boards itself; here it is said where the strip would not reach."""
    strip = book.spec.extras.strip or JoinedByStrip()
    gap = book.bound.sizes.gap or 0.0
    if strip.counted != "spine" or strip.overlap > gap + TOLERANCE:
        return Added()
    show = book.notation.length
    return Added(
        findings=(
            finding(
                "strip.short",
                "extras.strip.overlap",
                book.notation,
                overlap=show(strip.overlap, True),
                gap=show(gap, True),
                actions=(Action("Count it on the board", {"extras.strip.counted": "board"}),),
            ),
        )
    )


def place_of(panel: OldPanel, board: tuple[Mm, Mm]) -> tuple[Mm, Mm]:
    """Where a panel lies on its board: from the fore-edge, and from the head."""
    width, height = board
    fore_edge = (width - panel.width) / 2 if panel.fore_edge is None else panel.fore_edge
    head = (height - panel.height) / 2 if panel.head is None else panel.head
    return fore_edge, head


def reckon_panels(book: Book) -> Added:
    """A layer of card as thick as the panel on both boards, with its window; the boards are thicker by it."""
    panels = book.spec.extras.panels or OldPanels()
    if not panels.panels:
        return Added()
    thick = max(each.thickness for each in panels.panels)
    front, back = board_size(book, "front"), board_size(book, "back")
    alike = front == back
    pieces: list[Piece] = []
    for id, label, size, count in (
        ("panel_layer", "Layer round the panel", front, 2 if alike else 1),
        ("panel_layer_back", "Layer round the panel, back", back, 0 if alike else 1),
    ):
        if count:
            how = "glued outside on the board, its window cut first; beneath the covering"
            pieces.append(
                make_piece(
                    book.ledger, id, label, "card", count * book.spec.copies, size, how, thickness=thick
                )
            )
    drawings = (
        tuple(_draw_panel(book, panels, each) for each in panels.panels) if "boards" in book.drawn else ()
    )
    return Added(tuple(pieces), drawings, tuple(_mind_panels(book, panels)))


def _mind_panels(book: Book, panels: OldPanels) -> Iterator[Finding]:
    thick = max(each.thickness for each in panels.panels)
    for number, each in enumerate(panels.panels):
        width, height = board_size(book, each.side)
        fore_edge, head = place_of(each, (width, height))
        window = (each.width + 2 * panels.ease, each.height + 2 * panels.ease)
        rims = (
            fore_edge - panels.ease,
            width - fore_edge + panels.ease - window[0],
            head - panels.ease,
            height - head + panels.ease - window[1],
        )
        path = f"extras.panels.panels.{number}"
        if min(rims) < LEAST_RIM - TOLERANCE:
            code = "panels.too_large" if min(rims) < 0 else "panels.rim"
            rim, least = book.notation.apart(max(0.0, min(rims)), LEAST_RIM)
            yield finding(
                code,  # type: ignore[arg-type]  # both are in the catalogue
                f"{path}.width",
                book.notation,
                side=each.side,
                rim=rim,
                least=least,
            )
        if thick - each.thickness > TOLERANCE:
            packed = book.notation.thickness(thick - each.thickness, True)
            yield finding("panels.packed", f"{path}.thickness", book.notation, side=each.side, packed=packed)


def _draw_panel(book: Book, panels: OldPanels, panel: OldPanel) -> Drawing:
    """The layer with its window, seen from outside; the joint lies to the left on the front board."""
    show, sketch = book.notation.figure, Sketch()
    width, height = board_size(book, panel.side)
    fore_edge, head = place_of(panel, (width, height))
    left = width - fore_edge - panel.width if panel.side == "front" else fore_edge
    sketch.area(box(0, 0, width, height), "card", "cut", "board.width board.height")
    sketch.grain(box(0, 0, width, height), 90)
    ease = panels.ease
    window = (left - ease, head - ease, panel.width + 2 * ease, panel.height + 2 * ease)
    sketch.area(box(*window), "white", "cut", "extras.panels.ease")
    sketch.area(box(left, head, panel.width, panel.height), "leather", "outline", "extras.panels.panels")
    sketch.dimension((0, head), (window[0], head), show(window[0]), about="extras.panels.panels")
    right = window[0] + window[2]
    sketch.dimension((right, head), (width, head), show(width - right), about="extras.panels.panels")
    sketch.dimension((window[0], 0), (right, 0), show(window[2]), about="extras.panels.ease")
    sketch.dimension((0, 0), (width, 0), show(width), offset=2, about="board.width")
    sketch.dimension((0, window[1]), (0, 0), show(window[1]), about="extras.panels.panels")
    sketch.dimension((0, window[1] + window[3]), (0, window[1]), show(window[3]), about="extras.panels.ease")
    sketch.dimension((0, height), (0, 0), show(height), offset=2, about="board.height")
    return sketch.finish(
        f"boards.panels_{panel.side}",
        "boards",
        f"Layer of the {panel.side} board, with its window",
        rows=(2, 2, 0, 0),
        text=f"Window {show(window[2], True)} by {show(window[3], True)} for a panel of "
        f"{show(panel.width, True)} by {show(panel.height, True)}.",
    )


def reckon_bevels(book: Book) -> Added:
    """The slope, what is left of the edge, and how much further in the turn-in reaches.

    Wide + deep − slope.
    """
    bevels, ledger = book.spec.extras.bevels or Bevels(), book.ledger
    wide = ledger.entry("in from the edge", bevels.wide, "extras.bevels.wide")
    deep = ledger.entry("off the edge", bevels.deep, "extras.bevels.deep", "thickness")
    slope = ledger.reckon(
        "bevel.slope",
        math.hypot(bevels.wide, bevels.deep),
        "√({wide}² + {deep}²)",
        {"wide": wide, "deep": deep},
        rule="the covering lies over it",
    )
    board = ledger.ref("board.thickness")
    edge = ledger.reckon(
        "bevel.edge",
        board.value - bevels.deep,
        "{board} − {deep}",
        {"board": board, "deep": deep},
        or_nothing=True,
    )
    ledger.reckon(
        "bevel.turn_in",
        bevels.wide + bevels.deep - slope,
        "{wide} + {deep} − {slope}",
        {"wide": wide, "deep": deep, "slope": ledger.ref("bevel.slope")},
        rule="the way over a slope is shorter than round a square edge: the turn-in reaches in further",
    )
    found: list[Finding] = []
    if edge < THIN_EDGE * board.value - TOLERANCE:
        most = round((1 - THIN_EDGE) * board.value, 2)
        found.append(
            finding(
                "bevel.thin",
                "bevel.edge",
                book.notation,
                edge=book.notation.thickness(edge, True),
                actions=(Action("Take less off", {"extras.bevels.deep": most}),),
            )
        )
    drawings = (_draw_bevel(book, bevels, edge),) if "boards" in book.drawn else ()
    return Added(drawings=drawings, findings=tuple(found))


def _draw_bevel(book: Book, bevels: Bevels, edge: Mm) -> Drawing:
    """The board's edge cut across at true size, its outside up."""
    thick, show, sketch = book.ledger.value("board.thickness"), book.notation.thickness, Sketch()
    reach = bevels.wide + 14
    deep = thick - edge
    sketch.area(
        ((0, 0), (reach - bevels.wide, 0), (reach, deep), (reach, thick), (0, thick)),
        "board",
        "cut",
        "bevel.edge",
    )
    sketch.line(((reach - bevels.wide, 0), (reach, deep)), "score", "bevel.slope")
    sketch.dimension((reach - bevels.wide, 0), (reach, 0), show(bevels.wide), about="extras.bevels.wide")
    sketch.dimension((reach, deep), (reach, thick), show(edge), about="bevel.edge")
    sketch.dimension((0, thick), (0, 0), show(thick), about="board.thickness")
    edges = "head, tail and fore-edge" if bevels.edges == "three" else "all four edges"
    return sketch.finish(
        "boards.bevels",
        "boards",
        f"The board bevelled at {edges}, cut across",
        rows=(1, 1, 1, 0),
        text=f"Filed or planed from {show(bevels.wide, True)} in, {show(edge, True)} left of the edge.",
    )


def draw_strip(sketch: Sketch) -> None:
    """Boards and a spine board, a strip across all three."""
    for left, wide in ((0.0, 18.0), (22.0, 6.0), (32.0, 18.0)):
        sketch.area(box(left, 0, wide, 40), "board", "cut")
    sketch.area(box(12, 0, 26, 40), "lining")


def draw_panels(sketch: Sketch) -> None:
    """A board with a panel let into it."""
    sketch.area(box(0, 0, 34, 46), "cloth", "cut")
    sketch.area(box(6, 8, 22, 30), "card", "cut")
    sketch.area(box(7, 9, 20, 28), "leather")


def draw_bevels(sketch: Sketch) -> None:
    """Boards bevelled at the fore-edge, closed on their block."""
    pictures.block(sketch)
    for side in (-1, 1):
        near, far = side * pictures.HALF, side * (pictures.HALF + pictures.BOARD + 1)
        edge = near + side * 1.2
        sketch.area(((5, near), (47, near), (47, edge), (39, far), (5, far)), "board")


STRIP = Extra(
    name="strip",
    station="boards",
    title="boards joined by a strip",
    does="Join the boards with a strip",
    good_for="boards and spine gauged once and held by stout paper before they are covered",
    entries=JoinedByStrip,
    draw=draw_strip,
    suits=_joins,
    reckon=reckon_strip,
    in_words="joining strip, three-piece",
)
PANELS = Extra(
    name="panels",
    station="boards",
    title="old panels let in",
    does="Let in panels of the old cover",
    good_for="old covers kept on new boards: in a recess of their own thickness",
    entries=OldPanels,
    draw=draw_panels,
    suits=_has_boards,
    reckon=reckon_panels,
    begins={"panels": [OldPanel().model_dump()]},
    in_words="recess, window, old cover, inlay",
)
BEVELS = Extra(
    name="bevels",
    station="boards",
    title="bevelled edges",
    does="Bevel the edges of the boards",
    good_for="thick boards that look and feel lighter at their edges",
    entries=Bevels,
    draw=draw_bevels,
    suits=_has_boards,
    reckon=reckon_bevels,
    in_words="slope, chamfer, thick boards",
)
