"""What to mind about a case, with the remedy."""

from weald.core.bindings.case_sizes import Case
from weald.core.bindings.joint import EASY_INSET
from weald.core.findings import Action, Finding, finding
from weald.core.job.spec import JobSpec
from weald.core.paper import board_for_height
from weald.core.reckoning import Ledger
from weald.core.units import TOLERANCE, Mm

LEAST_TURN_IN_INSIDE: Mm = 12.0
WIDEST_CLOTH: Mm = 1400.0
SQUARE_NOTICED: Mm = 0.5


def mind(spec: JobSpec, case: Case, ledger: Ledger) -> list[Finding]:
    """Joint, squares and sizes, the case closed."""
    return [
        *(_mind_joint(spec, case, ledger) if case.spine != "bare" else ()),
        *_mind_squares(spec, case, ledger),
        *_mind_sizes(spec, case, ledger),
    ]


def _mind_joint(spec: JobSpec, case: Case, ledger: Ledger) -> list[Finding]:
    show = ledger.notation.length
    actions: tuple[Action, ...] = tuple(
        Action(
            f"{label}: inset {show(inset, True)}",
            {"binding.joint_rule": "inset", "binding.inset": round(inset, 2)},
        )
        for label, inset in (("Opens square", case.board), ("Opens easily", EASY_INSET * case.board))
    )
    if "joint.gap" in spec.measured or "joint.inset" in spec.measured:
        actions = ()
    if case.too_tight:
        return [
            finding(
                "joint.too_tight",
                "joint.gap",
                ledger.notation,
                gap=show(case.gap, True),
                groove=show(case.groove, True),
                least=show(case.least_gap, True),
                easy=show(EASY_INSET * case.board, True),
                actions=actions,
            )
        ]
    if case.inset < case.board - TOLERANCE:
        return [
            finding(
                "joint.stiff",
                "joint.inset",
                ledger.notation,
                inset=show(case.inset, True),
                square=show(case.board, True),
                easy=show(EASY_INSET * case.board, True),
                actions=actions,
            )
        ]
    return []


def _mind_squares(spec: JobSpec, case: Case, ledger: Ledger) -> list[Finding]:
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
                ledger.notation,
                head=show(asked.head, True),
                tail=show(asked.tail, True),
                actions=(Action(f"Both {show(asked.head, True)}", {"binding.squares.tail": asked.head}),),
            )
        )
    for edge, square, closed in edges:
        name = edge.replace("_", "-")
        if square < TOLERANCE:
            found.append(finding("squares.none", f"squares.{edge}", ledger.notation, edge=name))
        if abs(closed - square) > SQUARE_NOTICED and not case.too_tight:
            found.append(
                finding(
                    "squares.off",
                    f"closed.{edge}",
                    ledger.notation,
                    edge=name,
                    found=show(closed, True),
                    asked=show(square, True),
                )
            )
    return found


def _mind_sizes(spec: JobSpec, case: Case, ledger: Ledger) -> list[Finding]:
    found: list[Finding] = []
    show = ledger.notation.length
    if case.board_width < 2 * case.board:
        found.append(
            finding("board.too_narrow", "board.width", ledger.notation, width=show(case.board_width, True))
        )
    better = board_for_height(case.block.height)
    if case.board < better - 0.3:
        found.append(
            finding(
                "board.thin",
                "binding.board",
                ledger.notation,
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
                ledger.notation,
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
                ledger.notation,
                width=show(case.cover_width, True),
                height=show(case.cover_height, True),
            )
        )
    return found
