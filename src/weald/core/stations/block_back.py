"""The back a block is given: the round it takes, and the shoulders that are bent over."""

from dataclasses import replace

from weald.core.block.textblock import (
    FULL_ROUND,
    GENTLE_ROUND,
    arc_to_chord,
    rise,
    round_for_swell,
    shoulder_height,
)
from weald.core.job.spec import JobSpec
from weald.core.reckoning import Ledger, School
from weald.core.stations.block_plan import BlockPlan, Treatment
from weald.core.units import TOLERANCE, Mm

ROUND_SCHOOLS: tuple[tuple[str, str, float, str], ...] = (
    ("fifth", "a fifth of a circle", GENTLE_ROUND, "gentle: takes up about 7 % of swell"),
    ("third", "a third of a circle", FULL_ROUND, "full: takes up about 21 %"),
)


def _round_schools(spec: JobSpec, own: float, ledger: Ledger) -> list[School]:
    back = spec.back
    schools = [
        ledger.school(
            rule,
            label,
            part,
            {"back.round": round(part, 4), "back.round_rule": "given"},
            chosen=back.round_rule == "given" and abs(back.round - part) < TOLERANCE,
            effect=effect,
            kind="factor",
        )
        for rule, label, part, effect in ROUND_SCHOOLS
    ]
    schools.append(
        ledger.school(
            "swell",
            "the round the swell asks for",
            own,
            {"back.round_rule": "swell"},
            chosen=back.round_rule == "swell",
            effect="nothing forced, nothing left over",
            kind="factor",
        )
    )
    return schools


def rounded(spec: JobSpec, treatment: Treatment, flat: BlockPlan, ledger: Ledger) -> BlockPlan:
    """The block once its spine is rounded and its shoulders are bent over."""
    part = _reckon_round(spec, flat, ledger)
    angle = treatment.shoulder
    line, height = _reckon_shoulders(angle, ledger) if angle else (0.0, 0.0)
    chord, arc, high = _reckon_spine(flat, part, height, ledger)
    joint_width = flat.width
    if angle:
        joint_width = ledger.reckon(
            "shoulder.width",
            flat.width - line,
            "{width} − {line}",
            {"width": ledger.ref("block.width"), "line": ledger.ref("shoulder.line")},
        )
    return replace(
        flat,
        round=part,
        arc=arc,
        chord=chord,
        rise=high,
        shoulder=height,
        shoulder_line=line,
        shoulder_angle=angle,
        joint_width=joint_width,
    )


def _reckon_round(spec: JobSpec, flat: BlockPlan, ledger: Ledger) -> float:
    """Enter the part of a circle the spine is rounded to, and give it back."""
    own = ledger.reckon(
        "spine.swell_round",
        round_for_swell(flat.swell / flat.thickness),
        "the round whose arc is {swell} longer than {thickness}",
        {"swell": ledger.ref("spine.swell"), "thickness": ledger.ref("block.thickness")},
        rule="x / sin x = 1 + swell / thickness, x half the arc's angle",
    )
    by_swell = spec.back.round_rule == "swell"
    return ledger.reckon(
        "spine.round",
        own if by_swell else spec.back.round,
        "as the swell asks for" if by_swell else "as decided",
        schools=_round_schools(spec, own, ledger),
        entry=None if by_swell else "back.round",
    )


def _reckon_shoulders(angle: float, ledger: Ledger) -> tuple[Mm, Mm]:
    """Enter the shoulder line and how far the shoulders stand out, and give both back."""
    board = ledger.ref("board.thickness")
    line = ledger.reckon(
        "shoulder.line",
        board.value,
        "{board}",
        {"board": board},
        rule="marked on the first and last {signature} before backing: what lies beyond is bent over",
    )
    height = ledger.reckon(
        "shoulder.height",
        shoulder_height(line, angle),
        "{line}" if angle == 90 else f"{{line}} × sin {angle:g}°",
        {"line": ledger.ref("shoulder.line")},
        rule="boards sit in a shoulder of 90°; for a case, 45° is enough, about 0.7 of the board",
    )
    return line, height


def _reckon_spine(flat: BlockPlan, part: float, shoulder: Mm, ledger: Ledger) -> tuple[Mm, Mm, Mm]:
    """Enter chord, arc and rise of the rounded spine, and the swell that is left over.

    :param shoulder: how far each shoulder stands out; 0 without shoulders.
    """
    thickness, added = ledger.ref("block.thickness"), ledger.ref("spine.swell")
    shoulders = {"shoulder": ledger.ref("shoulder.height")} if shoulder else {}
    chord = ledger.reckon(
        "spine.chord",
        flat.thickness + 2 * shoulder,
        "{thickness} + 2 × {shoulder}" if shoulder else "{thickness}",
        {"thickness": thickness, **shoulders},
    )
    factor = arc_to_chord(part)
    by_factor = ledger.entry("x / sin x", factor, "spine.round", "factor")
    arc = ledger.reckon(
        "spine.arc",
        chord * factor,
        "{chord} × {factor}",
        {"chord": ledger.ref("spine.chord"), "factor": by_factor},
        rule="x half the arc's angle; linings, hollow, inlay and end bands are as wide as this",
    )
    high = ledger.reckon(
        "spine.rise",
        rise(chord, part),
        f"{{chord}} / 2 × tan({90 * part:.1f}°)",
        {"chord": ledger.ref("spine.chord")},
        rule="how far the middle stands out beyond the shoulders",
    )
    ledger.reckon(
        "spine.left_over",
        flat.swell - flat.thickness * (factor - 1),
        "{swell} − {thickness} × ({factor} − 1)",
        {"swell": added, "thickness": thickness, "factor": by_factor},
        rule="what the round does not take up goes into the shoulders; less than nothing has to be forced",
    )
    return chord, arc, high
