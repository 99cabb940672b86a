"""What to mind about a case, with the remedy."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

from weald.core.bindings.case_sizes import Case
from weald.core.bindings.closing import ClosedCase
from weald.core.bindings.joint import EASY_INSET
from weald.core.findings import Action, Finding, Patch, finding
from weald.core.job.spec import JobSpec
from weald.core.paper import board_for_height
from weald.core.quantities import CLOSED, CLOSED_BACK, SQUARE, Edge, QuantityId
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
    show, apart = ledger.notation.length, ledger.notation.apart
    actions: tuple[Action, ...] = tuple(
        Action(
            f"{label}: inset {show(inset, True)}",
            {"binding.joint_rule": "inset", "binding.inset": math.ceil(1000 * inset - TOLERANCE) / 1000},
        )
        for label, inset in (("Opens square", case.board), ("Opens easily", EASY_INSET * case.board))
    )
    if "joint.gap" in spec.measured or "joint.inset" in spec.measured:
        actions = ()
    if case.closed.lift:
        return [_gapes(spec, case, ledger)]
    if case.too_tight:
        return [
            finding(
                "joint.too_tight",
                "joint.gap",
                ledger.notation,
                gap=apart(case.gap, case.least_gap)[0],
                groove=show(case.groove, True),
                least=apart(case.gap, case.least_gap)[1],
                easy=show(EASY_INSET * case.board, True),
                actions=actions,
            )
        ]
    if case.closed.inset < case.board - TOLERANCE:
        return [
            finding(
                "joint.stiff",
                "joint.inset",
                ledger.notation,
                inset=apart(case.closed.inset, case.board)[0],
                square=apart(case.closed.inset, case.board)[1],
                easy=show(EASY_INSET * case.board, True),
                actions=actions,
            )
        ]
    return []


def _gapes(spec: JobSpec, case: Case, ledger: Ledger) -> Finding:
    """The covering cannot reach the boards, so that they are held off the block."""
    show = ledger.notation.length
    fits = case.block.thickness + 2 * case.board
    action = Action("As wide as block and boards", {"binding.spine_rule": "flush"})
    clear = Action("Clear the measurement", {"measured.spine_board.width": None})
    return finding(
        "case.gapes",
        "closed.parallel",
        ledger.notation,
        lift=ledger.notation.thickness(case.closed.lift, True),
        parallel=ledger.shown("closed.parallel"),
        spine=show(case.spine_width, True),
        fits=show(fits, True),
        gap=show(case.least_gap, True),
        actions=(clear,) if "spine_board.width" in spec.measured else (action,),
    )


def _mind_squares(spec: JobSpec, case: Case, ledger: Ledger) -> list[Finding]:
    found: list[Finding] = []
    show, asked = ledger.notation.length, spec.binding.squares
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
    for edge in case.closed.squares:
        if ledger.value(SQUARE[edge]) < TOLERANCE:
            name = edge.replace("_", "-")
            found.append(finding("squares.none", SQUARE[edge], ledger.notation, edge=name))
    if not (case.too_tight or case.closed.lift):
        found += _squares_off(case, _FRONT if case.back else _BOTH, case.closed, ledger)
        if case.back:
            found += _squares_off(case, _BACK, case.back.closed, ledger)
    return found


@dataclass(frozen=True, slots=True)
class _Boards:
    """Boards that are cut alike: what they are called, their sizes, and what they show closed."""

    name: str
    where: str
    width: QuantityId
    height: QuantityId
    closed: dict[Edge, QuantityId]


_BOTH = _Boards("the boards", "", "board.width", "board.height", CLOSED)
_FRONT = _Boards("the front board", " of the front board", "board.width", "board.height", CLOSED)
_BACK = _Boards("the back board", " of the back board", "back_board.width", "back_board.height", CLOSED_BACK)


def _squares_off(case: Case, boards: _Boards, closed: ClosedCase, ledger: Ledger) -> Iterator[Finding]:
    """Squares that do not come out as asked for."""
    for edge, seen in closed.squares.items():
        square = ledger.value(SQUARE[edge])
        if abs(seen - square) <= SQUARE_NOTICED:
            continue
        remedy, actions = (_narrower if edge == "fore_edge" else _lower)(case, boards, seen - square, ledger)
        where = edge.replace("_", "-") + boards.where
        if seen < -TOLERANCE:
            yield finding(
                "squares.negative",
                boards.closed[edge],
                ledger.notation,
                by=ledger.notation.length(-seen, True),
                edge=where,
                remedy=remedy,
                actions=actions,
            )
            continue
        shown, asked = ledger.notation.apart(seen, square)
        yield finding(
            "squares.off",
            boards.closed[edge],
            ledger.notation,
            edge=where,
            found=shown,
            asked=asked,
            remedy=remedy,
            actions=actions,
        )


def _narrower(case: Case, boards: _Boards, over: Mm, ledger: Ledger) -> tuple[str, tuple[Action, ...]]:
    """The board width, or the gap for the boards as they are, that brings the fore-edge square right."""
    show, width, inset = ledger.notation.length, ledger.value(boards.width) - over, case.closed.inset - over
    said = f"Cut {boards.name} {show(width, True)} wide"
    cut: Patch = {f"measured.{boards.width}": round(width, 3)}
    actions = [Action(said, cut)]
    if case.spine == "board" and inset >= case.board and boards is _BOTH:
        gap = case.hinge.length(inset)
        keep: Patch = {
            "binding.joint_rule": "fixed",
            "binding.joint": round(gap, 3),
            "measured.board.width": round(case.board_width, 3),
        }
        said += f", or make the joint {show(gap, True)} with the boards as they are"
        actions.append(Action(f"Joint of {show(gap, True)}", keep))
    return f"{said}; or accept the square.", tuple(actions)


def _lower(case: Case, boards: _Boards, over: Mm, ledger: Ledger) -> tuple[str, tuple[Action, ...]]:
    """The board height that brings the squares at head and tail right."""
    height = ledger.value(boards.height) - 2 * over
    said = f"Cut {boards.name} {ledger.notation.length(height, True)} high"
    cut: Patch = {f"measured.{boards.height}": round(height, 3)}
    return f"{said}, or accept the squares.", (Action(said, cut),)


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
                board=ledger.notation.limit(case.board),
                height=show(case.block.height, True),
                better=ledger.notation.limit(better),
                actions=(Action(f"Take {ledger.notation.limit(better)} board", {"binding.board": better}),),
            )
        )
    turned = min(case.turn_in, case.turn_side)
    if turned < case.board + case.cover:
        found.append(
            finding(
                "cover.small",
                "cover.width" if case.turn_side < case.turn_in else "cover.height",
                ledger.notation,
                width=show(case.cover_width, True),
                height=show(case.cover_height, True),
                needs=f"{show(case.cover_width + 2 * (spec.binding.turn_in - case.turn_side), True)} × "
                f"{show(case.cover_height + 2 * (spec.binding.turn_in - case.turn_in), True)}",
            )
        )
    elif turned - case.board < LEAST_TURN_IN_INSIDE - TOLERANCE:
        needs = LEAST_TURN_IN_INSIDE + case.board
        found.append(
            finding(
                "turn_in.short",
                "turn_in.inside",
                ledger.notation,
                inside=ledger.notation.apart(max(0.0, turned - case.board), LEAST_TURN_IN_INSIDE)[0],
                needs=ledger.notation.limit(needs),
                least=ledger.notation.limit(LEAST_TURN_IN_INSIDE),
                actions=(Action(f"Turn in {ledger.notation.limit(needs)}", {"binding.turn_in": needs}),)
                if spec.binding.turn_in < needs
                else (),
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
