"""The flat-back case in full cloth.

Two boards and a spine board glued on one piece of cloth, made apart from the block and hung on
it by the endpapers. Sizes follow the block: H high, W wide, T thick.
"""

from dataclasses import dataclass

from weald.core.bindings.closing import ClosedCase, CutCase, close_case
from weald.core.bindings.flat_case_drawings import draw_flat, draw_section
from weald.core.bindings.joint import (
    EASY_INSET,
    gap_by_board,
    gap_for_inset,
    inset_for_gap,
    least_gap,
)
from weald.core.bindings.protocol import Bound
from weald.core.findings import Action, Finding, finding
from weald.core.paper import CLOTH_GSM_PER_MM, board_for_height
from weald.core.pieces import Piece, PieceMaterial
from weald.core.reckoning import Ledger, School
from weald.core.spec import JobSpec, JointRule, SpineRule
from weald.core.stations.block import MULL_OVERLAP, MULL_SHORT, BlockPlan, book_weight
from weald.core.units import TOLERANCE, Mm

DEFAULT_FIXED_GAP: Mm = 7.0
DEFAULT_INSET: Mm = 5.0
BOARD_PLUS: Mm = 6.0
LEAST_TURN_IN_INSIDE: Mm = 12.0
WIDEST_CLOTH: Mm = 1400.0
SQUARE_NOTICED: Mm = 0.5

SQUARE_SCHOOLS: tuple[tuple[str, str, Mm, Mm, str], ...] = (
    # rule, label, head and tail, fore-edge, what it does
    ("2_and_3", "2 head and tail, 3 fore-edge", 2.0, 3.0, "fine, small books"),
    ("3_all", "3 all round", 3.0, 3.0, "even on every side"),
    ("4_all", "4 all round", 4.0, 4.0, "printed covers, larger books"),
    ("5_all", "5 all round", 5.0, 5.0, "first books: forgives a board cut short"),
    ("eighth", "1/8″ all round", 3.175, 3.175, "for inch rules"),
)
SPINE_SCHOOLS: tuple[tuple[SpineRule, str, float, Mm, str], ...] = (
    # rule, label, boards added, millimetres added, what it does
    ("block", "block", 0.0, 0.0, "spine board lies between the boards"),
    ("block_plus_1_5", "block + 1½ boards", 1.5, 0.0, "a little narrower than the closed book"),
    ("flush_less_1", "block + 2 boards − 1", 2.0, -1.0, "flush, with room for the cloth"),
    ("flush", "block + 2 boards", 2.0, 0.0, "flush with the outside of the boards"),
)
JOINT_SCHOOLS: tuple[tuple[JointRule, str, str], ...] = (
    ("by_board", "fixed by the board", "by eye, ordinary cloth: 5.5, 7, 8 or 9"),
    ("board_plus_6", "board + 6", "wider as the board grows"),
    ("inset", "from the inset wanted", "says how far the board stands off the spine"),
    ("fixed", "a width of one's own", "a gauge strip one owns"),
)


@dataclass(frozen=True, slots=True)
class FlatCase:
    """The case sized on its block."""

    block: BlockPlan
    board: Mm
    board_width: Mm
    board_height: Mm
    spine_board: Mm
    spine_width: Mm
    gap: Mm
    inset: Mm
    groove: Mm
    cover: Mm
    cover_width: Mm
    cover_height: Mm
    turn_in: Mm
    corner: Mm
    closed: ClosedCase
    too_tight: bool


def bind(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> Bound:
    """Size the case on ``block``, close it, draw it, and say what to mind."""
    case = _reckon(spec, block, ledger)
    pieces = _pieces(spec, case, ledger)
    drawings = (draw_flat(case, ledger), draw_section(case, ledger))
    return Bound(pieces, drawings, tuple(_mind(spec, case, ledger)))


def _squares(spec: JobSpec, ledger: Ledger) -> None:
    squares = spec.binding.squares
    asked = {"head": squares.head, "tail": squares.tail, "fore_edge": squares.fore_edge}
    for edge, value in asked.items():
        schools = [
            ledger.school(
                rule,
                label,
                fore if edge == "fore_edge" else even,
                {
                    "binding.squares.head": even,
                    "binding.squares.tail": even,
                    "binding.squares.fore_edge": fore,
                },
                chosen=(squares.head, squares.tail, squares.fore_edge) == (even, even, fore),
                effect=effect,
            )
            for rule, label, even, fore, effect in SQUARE_SCHOOLS
        ]
        ledger.reckon(
            f"squares.{edge}",
            value,
            "as decided; larger books take larger squares",
            schools=schools,
            entry=f"binding.squares.{edge}",
        )


def _gap_by_rule(spec: JobSpec, rule: JointRule, spine_board: Mm, groove: Mm) -> Mm:
    binding = spec.binding
    if rule == "by_board":
        return gap_by_board(binding.board)
    if rule == "board_plus_6":
        return binding.board + BOARD_PLUS
    if rule == "inset":
        wanted = DEFAULT_INSET if binding.inset is None else binding.inset
        return gap_for_inset(wanted, spine_board, groove)
    return DEFAULT_FIXED_GAP if binding.joint is None else binding.joint


def _joint(spec: JobSpec, spine_board: Mm, groove: Mm, ledger: Ledger) -> Mm:
    binding = spec.binding
    schools = [
        ledger.school(
            rule,
            label,
            _gap_by_rule(spec, rule, spine_board, groove),
            {"binding.joint_rule": rule},
            chosen=binding.joint_rule == rule,
            effect=effect,
        )
        for rule, label, effect in JOINT_SCHOOLS
    ]
    gap = _gap_by_rule(spec, binding.joint_rule, spine_board, groove)
    board = ledger.entry("board", binding.board, "binding.board")
    if binding.joint_rule == "board_plus_6":
        six = ledger.entry("6 mm", BOARD_PLUS, "binding.joint_rule")
        how, terms = "{board} + {six}", {"board": board, "six": six}
    elif binding.joint_rule == "inset":
        wanted = DEFAULT_INSET if binding.inset is None else binding.inset
        how = "{spine} + 2 × √(({inset} / 2)² + {groove}²)"
        terms = {
            "spine": ledger.ref("spine_board.thickness"),
            "inset": ledger.entry("inset wanted", wanted, "binding.inset"),
            "groove": ledger.ref("joint.groove"),
        }
    elif binding.joint_rule == "by_board":
        how, terms = f"by eye for a {board.shown} board", {}
    else:
        how, terms = "a width of one's own", {}
    return ledger.reckon(
        "joint.gap",
        gap,
        how,
        terms,
        rule=binding.joint_rule,
        schools=schools,
        entry="binding.joint" if binding.joint_rule == "fixed" else None,
    )


def _spine_width(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> Mm:
    board = spec.binding.board
    schools: list[School] = []
    value, how = block.thickness, "{block}"
    for rule, label, boards, more, effect in SPINE_SCHOOLS:
        width = block.thickness + boards * board + more
        chosen = spec.binding.spine_rule == rule
        schools.append(
            ledger.school(rule, label, width, {"binding.spine_rule": rule}, chosen=chosen, effect=effect)
        )
        if chosen:
            value = width
            how = "{block}" + (f" + {boards:g} × {{board}}" if boards else "")
            how += " − {less}" if more else ""
    terms = {
        "block": ledger.ref("block.thickness"),
        "board": ledger.entry("board", board, "binding.board"),
        "less": ledger.entry("1 mm", 1.0, "binding.spine_rule"),
    }
    used = {name: term for name, term in terms.items() if f"{{{name}}}" in how}
    return ledger.reckon("spine_board.width", value, how, used, rule=spec.binding.spine_rule, schools=schools)


def _corner(spec: JobSpec, ledger: Ledger) -> Mm:
    binding = spec.binding
    least = binding.board + binding.cover_thickness
    schools = [
        ledger.school(
            f"{factor:g}_boards",
            f"{label} board" if factor == 1 else f"{label} boards",
            max(least, factor * binding.board),
            {"binding.corner_factor": factor},
            chosen=abs(binding.corner_factor - factor) < TOLERANCE,
            effect=effect,
        )
        for factor, label, effect in (
            (1.0, "1", "neat, never less than board and cloth"),
            (1.25, "1¼", "between the two"),
            (1.5, "1½", "safe: the corner cannot show"),
        )
    ]
    return ledger.reckon(
        "corner.cut",
        max(least, binding.corner_factor * binding.board),
        "the larger of {factor} × {board} and {board} + {cover}",
        {
            "factor": ledger.entry("corner factor", binding.corner_factor, "binding.corner_factor", "factor"),
            "board": ledger.entry("board", binding.board, "binding.board"),
            "cover": ledger.entry("cover", binding.cover_thickness, "binding.cover_thickness"),
        },
        rule="measured square to the cut, which runs at 45°",
        schools=schools,
    )


def _reckon(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> FlatCase:
    binding = spec.binding
    board = ledger.entry("board", binding.board, "binding.board")
    turn_in = ledger.entry("turn-in", binding.turn_in, "binding.turn_in")
    _squares(spec, ledger)
    board_height = ledger.reckon(
        "board.height",
        block.height + ledger.value("squares.head") + ledger.value("squares.tail"),
        "{block} + {head} + {tail}",
        {
            "block": ledger.ref("block.height"),
            "head": ledger.ref("squares.head"),
            "tail": ledger.ref("squares.tail"),
        },
    )
    spine_board = ledger.reckon(
        "spine_board.thickness",
        binding.board if binding.spine_board is None else binding.spine_board,
        "as thick as the boards" if binding.spine_board is None else "as decided",
        entry="binding.spine_board",
    )
    groove = ledger.reckon(
        "joint.groove",
        binding.groove * binding.board,
        "{groove} × {board}",
        {
            "groove": ledger.entry("groove", binding.groove, "binding.groove", "factor"),
            "board": board,
        },
        rule="as deep as the board when well pressed, nothing when not",
    )
    gap = _joint(spec, spine_board, groove, ledger)
    found_inset = inset_for_gap(gap, spine_board, groove)
    inset = ledger.reckon(
        "joint.inset",
        0.0 if found_inset is None else found_inset,
        "2 × √((({gap} − {spine}) / 2)² − {groove}²)"
        if found_inset is not None
        else "nothing: {gap} is less than {spine} + 2 × {groove}",
        {
            "gap": ledger.ref("joint.gap"),
            "spine": ledger.ref("spine_board.thickness"),
            "groove": ledger.ref("joint.groove"),
        },
    )
    board_width = ledger.reckon(
        "board.width",
        block.width - inset + ledger.value("squares.fore_edge"),
        "{block} − {inset} + {square}",
        {
            "block": ledger.ref("block.width"),
            "inset": ledger.ref("joint.inset"),
            "square": ledger.ref("squares.fore_edge"),
        },
    )
    spine_width = _spine_width(spec, block, ledger)
    cover_height = ledger.reckon(
        "cover.height",
        board_height + 2 * binding.turn_in,
        "{board} + 2 × {turn_in}",
        {"board": ledger.ref("board.height"), "turn_in": turn_in},
    )
    cover_width = ledger.reckon(
        "cover.width",
        2 * board_width + spine_width + 2 * gap + 2 * binding.turn_in,
        "2 × {board} + {spine} + 2 × {gap} + 2 × {turn_in}",
        {
            "board": ledger.ref("board.width"),
            "spine": ledger.ref("spine_board.width"),
            "gap": ledger.ref("joint.gap"),
            "turn_in": turn_in,
        },
    )
    ledger.reckon(
        "turn_in.inside",
        binding.turn_in - binding.board,
        "{turn_in} − {board}",
        {"turn_in": turn_in, "board": board},
        rule="the turn-in goes over the board's edge first",
    )
    corner = _corner(spec, ledger)
    closed = close_case(
        CutCase(
            board_width,
            board_height,
            spine_board,
            gap,
            groove,
            ledger.value("squares.head"),
            ledger.value("squares.tail"),
        ),
        block,
    )
    for edge, square in (
        ("head", closed.head),
        ("tail", closed.tail),
        ("fore_edge", closed.fore_edge),
    ):
        ledger.reckon(f"closed.{edge}", square, "read off the case closed on its block")
    ledger.reckon(
        "joint.ease",
        inset / binding.board,
        "{inset} / {board}",
        {"inset": ledger.ref("joint.inset"), "board": board},
        rule="from 1 the boards open square, from 1½ easily",
    )
    _weigh(spec, block, ledger)
    return FlatCase(
        block=block,
        board=binding.board,
        board_width=board_width,
        board_height=board_height,
        spine_board=spine_board,
        spine_width=spine_width,
        gap=gap,
        inset=inset,
        groove=groove,
        cover=binding.cover_thickness,
        cover_width=cover_width,
        cover_height=cover_height,
        turn_in=binding.turn_in,
        corner=corner,
        closed=closed,
        too_tight=found_inset is None,
    )


def _weigh(spec: JobSpec, block: BlockPlan, ledger: Ledger) -> None:
    board_area = (
        ledger.value("board.height")
        * (2 * ledger.value("board.width") + ledger.value("spine_board.width"))
        / 1e6
    )
    cover_area = ledger.value("cover.height") * ledger.value("cover.width") / 1e6
    ledger.reckon(
        "book.weight",
        book_weight(spec, block, board_area, cover_area, CLOTH_GSM_PER_MM * spec.binding.cover_thickness),
        "leaves + boards + cover, each area × its weight",
        rule="greyboard 640 g/m² for each millimetre",
    )


def _piece(
    ledger: Ledger,
    id: str,
    label: str,
    material: PieceMaterial,
    count: int,
    size: tuple[Mm, Mm],
    thickness: Mm | None,
    how: str,
) -> Piece:
    width, height = size
    show = ledger.notation.length
    return Piece(
        id=id,
        label=label,
        material=material,
        count=count,
        width=width,
        height=height,
        thickness=thickness,
        grain="height",
        how=how,
        shown=f"{show(width, True)} × {show(height, True)}",
    )


def _pieces(spec: JobSpec, case: FlatCase, ledger: Ledger) -> tuple[Piece, ...]:
    copies, block = spec.copies, case.block
    mull_height = block.height - 2 * MULL_SHORT
    pieces = [
        _piece(
            ledger,
            "board",
            "Board",
            "board",
            2 * copies,
            (case.board_width, case.board_height),
            case.board,
            "front and back, alike",
        ),
        _piece(
            ledger,
            "spine_board",
            "Spine board",
            "board",
            copies,
            (case.spine_width, case.board_height),
            case.spine_board,
            "as high as the boards",
        ),
        _piece(
            ledger,
            "cover",
            "Cover",
            "cloth",
            copies,
            (case.cover_width, case.cover_height),
            case.cover,
            "corners cut at 45° after gluing",
        ),
    ]
    if mull_height > 0:
        pieces.append(
            _piece(
                ledger,
                "mull",
                "Mull",
                "mull",
                copies,
                (block.thickness + 2 * MULL_OVERLAP, mull_height),
                None,
                "spine and 25 mm to each side, 10 mm short at head and tail",
            )
        )
    pieces.append(
        _piece(
            ledger,
            "spine_lining",
            "Spine lining",
            "kraft",
            copies,
            (block.thickness, block.height),
            None,
            "exactly the spine",
        )
    )
    return tuple(pieces)


def _mind(spec: JobSpec, case: FlatCase, ledger: Ledger) -> list[Finding]:
    return [
        *_mind_joint(spec, case, ledger),
        *_mind_squares(spec, case, ledger),
        *_mind_sizes(spec, case, ledger),
    ]


def _open_joint(label: str, inset: Mm, shown: str) -> Action:
    return Action(f"{label}: gap {shown}", {"binding.joint_rule": "inset", "binding.inset": round(inset, 2)})


def _mind_joint(spec: JobSpec, case: FlatCase, ledger: Ledger) -> list[Finding]:
    show = ledger.notation.length
    square = gap_for_inset(case.board, case.spine_board, case.groove)
    easy = gap_for_inset(EASY_INSET * case.board, case.spine_board, case.groove)
    actions: tuple[Action, ...] = (
        _open_joint("Opens square", case.board, show(square, True)),
        _open_joint("Opens easily", EASY_INSET * case.board, show(easy, True)),
    )
    if "joint.gap" in spec.measured:
        actions = ()
    if case.too_tight:
        return [
            finding(
                "joint.too_tight",
                "joint.gap",
                gap=show(case.gap, True),
                spine=show(case.spine_board, True),
                short=show(max(0.0, (case.gap - case.spine_board) / 2), True),
                groove=show(case.groove, True),
                least=show(least_gap(case.spine_board, case.groove), True),
                easy=show(easy, True),
                actions=actions,
            )
        ]
    if case.inset < case.board - TOLERANCE:
        return [
            finding(
                "joint.stiff",
                "joint.inset",
                inset=show(case.inset, True),
                square=show(square, True),
                easy=show(easy, True),
                actions=actions,
            )
        ]
    return []


def _mind_squares(spec: JobSpec, case: FlatCase, ledger: Ledger) -> list[Finding]:
    found: list[Finding] = []
    show, asked = ledger.notation.length, spec.binding.squares
    edges = (
        ("head", ledger.value("squares.head"), case.closed.head),
        ("tail", ledger.value("squares.tail"), case.closed.tail),
        ("fore_edge", ledger.value("squares.fore_edge"), case.closed.fore_edge),
    )
    if abs(asked.head - asked.tail) > TOLERANCE:
        found.append(
            finding(
                "squares.uneven",
                "squares.tail",
                head=show(asked.head, True),
                tail=show(asked.tail, True),
                actions=(Action(f"Both {show(asked.head, True)}", {"binding.squares.tail": asked.head}),),
            )
        )
    for edge, square, closed in edges:
        name = edge.replace("_", "-")
        if square < TOLERANCE:
            found.append(finding("squares.none", f"squares.{edge}", edge=name))
        if abs(closed - square) > SQUARE_NOTICED and not case.too_tight:
            found.append(
                finding(
                    "squares.off",
                    f"closed.{edge}",
                    edge=name,
                    found=show(closed, True),
                    asked=show(square, True),
                )
            )
    return found


def _mind_sizes(spec: JobSpec, case: FlatCase, ledger: Ledger) -> list[Finding]:
    found: list[Finding] = []
    show = ledger.notation.length
    if case.board_width < 2 * case.board:
        found.append(finding("board.too_narrow", "board.width", width=show(case.board_width, True)))
    better = board_for_height(case.block.height)
    if case.board < better - 0.3:
        found.append(
            finding(
                "board.thin",
                "binding.board",
                board=show(case.board, True),
                height=show(case.block.height, True),
                better=show(better, True),
                actions=(Action(f"Take {show(better, True)} board", {"binding.board": better}),),
            )
        )
    if case.turn_in - case.board < LEAST_TURN_IN_INSIDE:
        needs = LEAST_TURN_IN_INSIDE + case.board
        found.append(
            finding(
                "turn_in.short",
                "turn_in.inside",
                inside=show(max(0.0, case.turn_in - case.board), True),
                needs=show(needs, True),
                least=show(LEAST_TURN_IN_INSIDE, True),
                actions=(Action(f"Turn in {show(needs, True)}", {"binding.turn_in": needs}),),
            )
        )
    if min(case.cover_width, case.cover_height) > WIDEST_CLOTH:
        found.append(
            finding(
                "case.too_wide",
                "cover.width",
                width=show(case.cover_width, True),
                height=show(case.cover_height, True),
            )
        )
    return found
