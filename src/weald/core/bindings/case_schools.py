"""What binders differ on for a case, and what each school gives: squares, joint, spine board, corners."""

from collections.abc import Mapping

from weald.core.bindings.joint import gap_by_board, thicker
from weald.core.block.ends import BothEnds, both_ends
from weald.core.job.binding import JOINT_RULE_WORDS, SPINE_RULE_WORDS, JointRule, SpineRule
from weald.core.job.spec import JobSpec
from weald.core.quantities import SQUARE, Edge
from weald.core.reckoning import Ledger, School, Term
from weald.core.units import TOLERANCE, Mm

DEFAULT_FIXED_GAP: Mm = 7.0
DEFAULT_INSET: Mm = 5.0
BOARD_PLUS: Mm = 6.0

SQUARE_SCHOOLS: tuple[tuple[str, str, Mm, Mm, str], ...] = (
    # rule, label, head and tail, fore-edge, what it does
    ("2_and_3", "{mm:2} head and tail, {mm:3} fore-edge", 2.0, 3.0, "fine, small books"),
    ("3_all", "{mm:3} all round", 3.0, 3.0, "even on every side"),
    ("4_all", "{mm:4} all round", 4.0, 4.0, "printed covers, larger books"),
    ("5_all", "{mm:5} all round", 5.0, 5.0, "first books: forgives a board cut short"),
    ("eighth", "1/8″ all round", 3.175, 3.175, "for inch rules"),
)
SPINE_SCHOOLS: tuple[tuple[SpineRule, float, Mm, str], ...] = (
    # rule, boards added, millimetres added, what it does
    ("block", 0.0, 0.0, "spine board lies between the boards"),
    ("block_plus_1_5", 1.5, 0.0, "a little narrower than the closed book"),
    ("flush_less_1", 2.0, -1.0, "flush, with room for the cloth"),
    ("flush", 2.0, 0.0, "flush with the outside of the boards"),
)
JOINT_SCHOOLS: tuple[tuple[JointRule, str], ...] = (
    ("by_board", "by eye: {mm:5.5} for thin board, {mm:7} up to {mm:2}, more above"),
    ("board_plus_6", "wider as the board grows"),
    ("inset", "says how far the board stands off the spine"),
    ("fixed", "a gauge strip one owns"),
)
JOINT_GAUGES: tuple[tuple[str, str, Mm, str], ...] = (
    # rule, label, width, what it does
    ("fine", "{mm:5.5}", 5.5, "fine work in thin cloth"),
    ("quarter_inch", "¼″", 6.35, "{mm:1.5–2} boards, for inch gauges"),
)


def reckon_squares(spec: JobSpec, ledger: Ledger) -> None:
    """Enter the three squares."""
    squares = spec.binding.squares
    asked: dict[Edge, Mm] = {"head": squares.head, "tail": squares.tail, "fore_edge": squares.fore_edge}
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
            SQUARE[edge],
            value,
            "as decided; larger books take larger squares",
            schools=schools,
            entry=f"binding.squares.{edge}",
        )


def wanted_inset(spec: JobSpec) -> Mm:
    """How far the boards are to begin from the spine, where the joint is made to suit that."""
    return DEFAULT_INSET if spec.binding.inset is None else spec.binding.inset


def _composed_ends(spec: JobSpec) -> BothEnds | None:
    """What composed endpapers come to, whose cloth widens the joint; nothing where there are none."""
    return both_ends(spec.extras.ends, several=True) if spec.extras.ends else None


def _gap_by_rule(spec: JobSpec, rule: JointRule, board: Mm, from_inset: Mm) -> Mm:
    if rule == "by_board":
        return gap_by_board(board, spec.binding.cover_thickness)
    if rule == "board_plus_6":
        return board + BOARD_PLUS
    if rule == "inset":
        return from_inset
    return DEFAULT_FIXED_GAP if spec.binding.joint is None else spec.binding.joint


def reckon_joint(
    spec: JobSpec, from_inset: Mm, inset_sum: tuple[str, Mapping[str, Term]], ledger: Ledger
) -> Mm:
    """Enter the joint gap by the rule chosen, and give it back.

    :param from_inset: the gap the wanted inset asks for, and ``inset_sum`` how that comes about.
    """
    binding = spec.binding
    thickness = ledger.value("board.thickness")
    own = _gap_by_rule(spec, "fixed", thickness, from_inset)
    gauge = next((rule for rule, _, width, _ in JOINT_GAUGES if abs(width - own) < TOLERANCE), None)
    fixed = binding.joint_rule == "fixed"
    schools = [
        ledger.school(
            rule,
            JOINT_RULE_WORDS[rule],
            _gap_by_rule(spec, rule, thickness, from_inset),
            {"binding.joint_rule": rule},
            chosen=binding.joint_rule == rule and not (fixed and gauge),
            effect=effect,
        )
        for rule, effect in JOINT_SCHOOLS
    ]
    schools += [
        ledger.school(
            rule,
            label,
            width,
            {"binding.joint_rule": "fixed", "binding.joint": width},
            chosen=fixed and gauge == rule,
            effect=effect,
        )
        for rule, label, width, effect in JOINT_GAUGES
    ]
    gap = _gap_by_rule(spec, binding.joint_rule, thickness, from_inset)
    strips = ends.joint if not fixed and (ends := _composed_ends(spec)) else 0.0
    board = ledger.ref("board.thickness")
    terms: Mapping[str, Term]
    if binding.joint_rule == "board_plus_6":
        six = ledger.entry("{mm:6}", BOARD_PLUS, "binding.joint_rule")
        how, terms = "{board} + {six}", {"board": board, "six": six}
    elif binding.joint_rule == "inset":
        how, terms = inset_sum
    elif binding.joint_rule == "by_board":
        how, terms = f"by eye for a {board.shown} board", {}
        if extra := thicker(binding.cover_thickness):
            cover = ledger.entry("more for thick covering", extra, "binding.cover_thickness", "thickness")
            usual = ledger.entry("by eye for this board", gap - extra, "binding.joint_rule")
            how, terms = "{usual} + {cover}", {"usual": usual, "cover": cover}
    else:
        how, terms = "a width of one's own", {}
    if strips:
        how = ("{given}" if not terms else how) + " + {strips}"
        given = {} if terms else {"given": ledger.entry("by the rule", gap, "binding.joint_rule")}
        strip = ledger.entry("cloth in the joint", strips, "extras.ends.cloth", "thickness")
        terms = {**terms, **given, "strips": strip}
    return ledger.reckon(
        "joint.gap",
        gap + strips,
        how,
        terms,
        rule=binding.joint_rule,
        schools=schools,
        entry="binding.joint" if binding.joint_rule == "fixed" else None,
    )


def reckon_spine_width(spec: JobSpec, block: Term, board: Term, ledger: Ledger) -> Mm:
    """Enter the width of the spine, of board or of card, by the rule chosen, and give it back.

    :param block: its thickness, pressed or as sewn; ``board`` that of what lies on either side of it.
    """
    schools: list[School] = []
    value, how = block.value, "{block}"
    for rule, boards, more, effect in SPINE_SCHOOLS:
        label = SPINE_RULE_WORDS[rule]
        width = block.value + boards * board.value + more
        chosen = spec.binding.spine_rule == rule
        schools.append(
            ledger.school(rule, label, width, {"binding.spine_rule": rule}, chosen=chosen, effect=effect)
        )
        if chosen:
            value = width
            how = "{block}" + (f" + {boards:g} × {{board}}" if boards else "")
            how += " − {less}" if more else ""
    terms = {
        "block": block,
        "board": board,
        "less": ledger.entry("{mm:1}", 1.0, "binding.spine_rule"),
    }
    used = {name: term for name, term in terms.items() if f"{{{name}}}" in how}
    return ledger.reckon(
        "spine_board.width",
        value,
        how,
        used,
        rule=spec.binding.spine_rule,
        schools=schools,
        label=None if board.about == "board.thickness" else "Spine of the cover",
    )


def reckon_corner(spec: JobSpec, ledger: Ledger) -> Mm:
    """Enter how far from the board's corner the cover is cut, and give it back."""
    binding = spec.binding
    board = ledger.value("board.thickness")
    least = board + binding.cover_thickness
    schools = [
        ledger.school(
            f"{factor:g}_boards",
            f"{label} board" if factor == 1 else f"{label} boards",
            max(least, factor * board),
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
        max(least, binding.corner_factor * board),
        "the larger of {factor} × {board} and {board} + {cover}",
        {
            "factor": ledger.entry("corner factor", binding.corner_factor, "binding.corner_factor", "factor"),
            "board": ledger.ref("board.thickness"),
            "cover": ledger.entry("cover", binding.cover_thickness, "binding.cover_thickness"),
        },
        rule="measured square to the cut, which runs at 45°",
        schools=schools,
    )
