"""Block: its thickness and size, the swell of the sewing, and the back it is given."""

import math
from dataclasses import dataclass, replace

from weald.core.block.ends import EndMatter, end_matter
from weald.core.block.holes import SUPPORTED, courses
from weald.core.block.plates import reckon_plates, stands_out
from weald.core.block.textblock import (
    FLAT_BACK_SWELL_EASY,
    FLAT_BACK_SWELL_LIMIT,
    FULL_ROUND,
    GENTLE_ROUND,
    MOST_SWELL,
    arc_to_chord,
    out_of_square,
    rise,
    round_for_swell,
    shoulder_height,
    swell,
    thread_for_swell,
)
from weald.core.findings import Action, Finding, finding
from weald.core.folding.makeup import MakeUp
from weald.core.job.spec import Endpapers, JobSpec, SewingMethod
from weald.core.notation import plain_number
from weald.core.paper import calliper_from_bulk
from weald.core.reckoning import Ledger, School, Term
from weald.core.stations.folding import FoldingPlan
from weald.core.stations.paper import PaperPlan
from weald.core.units import TOLERANCE, Mm

THICKEST: Mm = 300.0
DIAGONALS_MAY_DIFFER: Mm = 0.5
BOARD_COVERS_BAND: Mm = 0.5
"""The board stands over the end band by at least so much."""
ROUND_SCHOOLS: tuple[tuple[str, str, float, str], ...] = (
    ("fifth", "a fifth of a circle", GENTLE_ROUND, "gentle: takes up about 7 % of swell"),
    ("third", "a third of a circle", FULL_ROUND, "full: takes up about 21 %"),
)


@dataclass(frozen=True, slots=True)
class Treatment:
    """What a structure does to the block.

    :param shoulder: degrees the outer sections are bent over; 0 leaves the spine as it is.
    :param method: how it is sewn, which may differ from the entry where that does not suit.
    :param most_swell: part of the thickness an unrounded spine takes up.
    :param endpapers: whether it has any. ``leaf_factor`` is 2 where every leaf is two, back to back.
    """

    rounded: bool
    shoulder: float
    method: SewingMethod
    endpapers: bool = True
    most_swell: float = FLAT_BACK_SWELL_LIMIT
    leaf_factor: int = 1


@dataclass(frozen=True, slots=True)
class BlockPlan:
    """The block as it goes into its cover. ``leaf_mass`` is that of its paper, in grams.

    :param swell: what the thread adds at the spine, which as sewn is ``spine`` thick.
    :param round: part of a circle the spine is rounded to; 0 is flat.
    :param arc: over the spine from shoulder to shoulder, ``chord`` straight across; both are the
        thickness of a flat block.
    :param shoulder: how far the shoulders stand out; ``shoulder_line`` how far from the spine they begin.
    :param joint_width: from shoulder (of a flat block, from the spine) to the fore-edge.
    """

    height: Mm
    width: Mm
    thickness: Mm
    swell: Mm
    spine: Mm
    sections: int
    leaf_mass: float
    round: float
    arc: Mm
    chord: Mm
    rise: Mm
    shoulder: Mm
    shoulder_line: Mm
    shoulder_angle: float
    joint_width: Mm


def reckon(
    spec: JobSpec, treatment: Treatment, paper: PaperPlan, folding: FoldingPlan, ledger: Ledger
) -> BlockPlan:
    """Stack the leaves and the endpapers, add the swell, and shape the back."""
    ends = spec.endpapers
    composed = spec.extras.ends if treatment.endpapers else None
    end_leaves = leaves_of_endpapers(ends) if treatment.endpapers and not composed else 0
    sections = len(folding.sections) if folding.sewn and treatment.method not in ("none", "stab") else 0
    matter = end_matter(composed, sections > 1) if composed else None
    thickness = _reckon_thickness(
        spec, treatment, (end_leaves, matter), paper, (sections, folding.make_up), ledger
    )
    height = ledger.reckon("block.height", spec.leaf.height, "the trimmed leaf", entry="leaf.height")
    width = _reckon_width(spec, ledger)
    own = 1 if ends.kind == "sewn" and end_leaves else matter.sections if matter else 0
    sewn = sections + (2 * own if sections else 0)
    added = _reckon_swell(spec, treatment, thickness, sewn, ledger)
    area = height * width / 1e6
    leaves = ledger.value("text.leaves") * treatment.leaf_factor
    end_mass = matter.mass if matter else end_leaves * ends.grammage
    mass = area * (leaves * paper.grammage + 2 * end_mass)
    _reckon_diagonals(spec, height, width, ledger)
    flat = BlockPlan(
        height=height,
        width=width,
        thickness=thickness,
        swell=added,
        spine=ledger.value("spine.thickness"),
        sections=sewn,
        leaf_mass=mass,
        round=0.0,
        arc=thickness,
        chord=thickness,
        rise=0.0,
        shoulder=0.0,
        shoulder_line=0.0,
        shoulder_angle=0.0,
        joint_width=width,
    )
    if not treatment.rounded:
        return flat
    return _rounded(spec, treatment, flat, ledger)


def _reckon_width(spec: JobSpec, ledger: Ledger) -> Mm:
    """Enter the block's width: that of the trimmed leaf, and what leaves on guards stand out beyond it."""
    plates, width = spec.extras.plates, spec.leaf.width
    out = 0.0
    if plates and not plates.cut_back:
        out = max((stands_out(each, width) for each in plates.plates), default=0.0)
    if not out:
        return ledger.reckon("block.width", width, "the trimmed leaf", entry="leaf.width")
    leaf = ledger.entry("the trimmed leaf", width, "leaf.width")
    beyond = ledger.entry("leaves on guards stand out", out, "extras.plates.cut_back")
    terms = {"leaf": leaf, "out": beyond}
    return ledger.reckon("block.width", width + out, "{leaf} + {out}", terms)


def leaves_of_endpapers(ends: Endpapers) -> int:
    """Leaves at one end: made endpapers have a decorated folio besides the plain ones."""
    return ends.leaves + (2 if ends.kind == "made" and ends.leaves else 0)


def _reckon_thickness(
    spec: JobSpec,
    treatment: Treatment,
    end_matter: tuple[int, EndMatter | None],
    paper: PaperPlan,
    sewn: tuple[int, MakeUp],
    ledger: Ledger,
) -> Mm:
    """Enter the thickness of text, endpapers and all that is put in, and give back their sum.

    :param end_matter: leaves at each end, and what composed ones come to.
    :param sewn: sections sewn, and how the text is made up into them.
    """
    end_leaves, composed = end_matter
    sections, made = sewn
    ends, leaves = spec.endpapers, ledger.value("text.leaves")
    if treatment.leaf_factor == 1:
        how, terms = "{leaves} × {calliper}", {}
    else:
        how = "{fold} × {leaves} × {calliper}"
        terms = {"fold": ledger.entry("back to back", treatment.leaf_factor, "binding.leaves", "count")}
    if thicker := _thicker_leaves(spec, made, paper):
        how += " + {thicker}"
        label = "leaves of other paper, thicker by"
        terms["thicker"] = ledger.entry(label, thicker, "extras.formes.sections", "thickness")
    text = ledger.reckon(
        "text.thickness",
        treatment.leaf_factor * leaves * paper.calliper + thicker,
        how,
        terms | {"leaves": ledger.ref("text.leaves"), "calliper": ledger.ref("paper.calliper")},
    )
    total, summed = text, {"text": ledger.ref("text.thickness")}
    if end_leaves:
        total += ledger.reckon(
            "endpapers.thickness",
            2 * end_leaves * calliper_from_bulk(ends.grammage, ends.bulk),
            "2 × {leaves} × {grammage} × {bulk} / {per}",
            {
                "leaves": ledger.entry(
                    "leaves at each end, the decorated folio too"
                    if ends.kind == "made"
                    else "leaves at each end",
                    end_leaves,
                    "endpapers.leaves",
                    "count",
                ),
                "grammage": ledger.entry("endpaper", ends.grammage, "endpapers.grammage", "grammage"),
                "bulk": ledger.entry("bulk", ends.bulk, "endpapers.bulk", "factor"),
            },
            from_weight=True,
        )
        summed["ends"] = ledger.ref("endpapers.thickness")
    if composed and composed.leaves:
        total += ledger.reckon(
            "endpapers.thickness",
            2 * composed.thickness,
            "2 × {each}",
            {
                "each": ledger.entry(
                    "leaves at each end", composed.thickness, "extras.ends.elements", "thickness"
                )
            },
            rule="every leaf of the composition, the paste-down too",
        )
        summed["ends"] = ledger.ref("endpapers.thickness")
    if spec.extras.plates and sections:
        total += reckon_plates(spec.extras.plates, ledger)
        summed["plates"] = ledger.ref("plates.fore_edge")
    inserted = spec.block.inserted
    if inserted and sections:
        total += ledger.reckon(
            "inserts.thickness",
            inserted * sections,
            "{sections} × {inserted}",
            {
                "sections": ledger.entry("sewn {signatures}", sections, "sections.count", "count"),
                "inserted": ledger.entry("in each", inserted, "block.inserted", "thickness"),
            },
            rule="made good at the spine by guards of the same thickness",
        )
        summed["inserts"] = ledger.ref("inserts.thickness")
    return ledger.reckon("block.thickness", total, " + ".join(f"{{{name}}}" for name in summed), summed)


def _reckon_swell(spec: JobSpec, treatment: Treatment, thickness: Mm, sections: int, ledger: Ledger) -> Mm:
    sewing = spec.sewing
    thread = 0.0 if treatment.method in ("staples", "none", "stab") else sewing.thread
    passes = sections
    if spec.extras.stitching and treatment.method in SUPPORTED:
        passes = len(courses(sections, spec.extras.stitching))
    sewn = "sewn {signatures}" if passes == sections else "courses of thread"
    besides = _at_spine(spec, treatment, sections, ledger)
    by_thread = {
        "sections": ledger.entry(sewn, passes, "sections.count", "count"),
        "thread": ledger.entry("thread", thread, "sewing.thread", "thickness"),
        "factor": ledger.entry("swell factor", sewing.swell_factor, "sewing.swell_factor", "factor"),
    }
    more = "".join(f" + {{{name}}}" for name in besides)
    by_thread |= besides
    alone = swell(passes, thread, sewing.swell_factor) + sum(term.value for term in besides.values())
    reckoned = max(0.0, alone)
    block = ledger.ref("block.thickness")
    as_sewn = "before the spine is nipped; the case is sized on the pressed block"
    if "spine.thickness" in ledger.measured:
        spine = ledger.reckon(
            "spine.thickness",
            thickness + reckoned,
            "{thickness} + {sections} × {thread} × {factor}" + more,
            {"thickness": block, **by_thread},
            rule=as_sewn,
        )
        added = ledger.reckon(
            "spine.swell",
            max(0.0, spine - thickness),
            "{spine} − {thickness}" if spine >= thickness else "nothing: {spine} is no more than {thickness}",
            {"spine": ledger.ref("spine.thickness"), "thickness": block},
            rule="what the spine was measured thicker than the pressed block",
        )
    else:
        added = ledger.reckon(
            "spine.swell",
            reckoned,
            "{sections} × {thread} × {factor}" + more
            if alone >= 0
            else "nothing: more is put in at the fore-edge than at the spine",
            by_thread,
            rule="0.5 for every course of thread until measured; two on, one course holds two {signatures}",
        )
        ledger.reckon(
            "spine.thickness",
            thickness + added,
            "{thickness} + {swell}",
            {"thickness": block, "swell": ledger.ref("spine.swell")},
            rule=as_sewn,
        )
    ledger.reckon(
        "spine.swell_ratio",
        100 * added / thickness,
        "100 × {swell} / {thickness}",
        {"swell": ledger.ref("spine.swell"), "thickness": block},
        rule="a flat back takes 10 to 12 %; more has to be rounded away",
    )
    if thread and sections > 1:
        wanted = FLAT_BACK_SWELL_EASY
        if treatment.rounded and spec.back.round_rule == "given" and spec.back.round:
            wanted = arc_to_chord(spec.back.round) - 1
        ledger.reckon(
            "thread.suits",
            thread_for_swell(wanted, thickness, passes, sewing.swell_factor),
            "{part} × {thickness} / ({sections} × {factor})",
            {
                "part": ledger.entry("swell wanted", wanted, "back.round", "factor"),
                "thickness": ledger.ref("block.thickness"),
                "sections": by_thread["sections"],
                "factor": ledger.entry("swell factor", sewing.swell_factor, "sewing.swell_factor", "factor"),
            },
            rule="thick enough to give the round its swell"
            if treatment.rounded
            else "the thickest a flat back takes easily; thinner is better",
        )
    return added


def _thicker_leaves(spec: JobSpec, made: MakeUp, paper: PaperPlan) -> Mm:
    """How much thicker leaves of other papers are, all together, than those of the text would be."""
    formes = spec.extras.formes
    if formes is None:
        return 0.0
    return sum(
        pages / 2 * (thickness - paper.calliper)
        for own, pages in zip(made.own, made.section_pages, strict=False)
        if own is not None and own.row is not None
        if (thickness := formes.sections[own.row].thickness) is not None
    )


def _at_spine(spec: JobSpec, treatment: Treatment, sections: int, ledger: Ledger) -> dict[str, Term]:
    """What lies at the spine alone, or is lacking there: strips and hooks of endpapers, guards of plates."""
    found: dict[str, Term] = {}
    composed = spec.extras.ends if treatment.endpapers else None
    if composed and (each := end_matter(composed, several=True).at_spine):
        ledger.reckon(
            "endpapers.at_spine",
            2 * each,
            "2 × {each}",
            {"each": ledger.entry("cloth and hooks of one end", each, "extras.ends.elements", "thickness")},
        )
        found["ends"] = ledger.ref("endpapers.at_spine")
    pulled = spec.extras.pulled
    if pulled and pulled.mended and sections:
        plies = 2 * pulled.thickness * pulled.mended
        found["mended"] = ledger.entry("guards on mended folds", plies, "extras.pulled.mended", "thickness")
    guard = spec.extras.concertina
    if guard and sections:
        plies = 2 * guard.thickness * sections
        found["concertina"] = ledger.entry(
            "plies of the concertina", plies, "extras.concertina.thickness", "thickness"
        )
    if "plates.spine" in ledger.quantities:
        lacking = ledger.value("plates.spine") - ledger.value("plates.fore_edge")
        found["guards"] = ledger.entry("guards less plates", lacking, "plates.gape", "thickness")
    return found


def _reckon_diagonals(spec: JobSpec, height: Mm, width: Mm, ledger: Ledger) -> None:
    one, other = spec.block.diagonal_1, spec.block.diagonal_2
    ledger.reckon(
        "block.diagonal",
        (height**2 + width**2) ** 0.5,
        "√({height}² + {width}²)",
        {"height": ledger.ref("block.height"), "width": ledger.ref("block.width")},
        rule="of a square block, from corner to corner either way",
    )
    if one and other:
        ledger.reckon(
            "block.out_of_square",
            out_of_square(width, one, other),
            "|{one}² − {other}²| / (4 × {width})",
            {
                "one": ledger.entry("one diagonal", one, "block.diagonal_1"),
                "other": ledger.entry("the other", other, "block.diagonal_2"),
                "width": ledger.ref("block.width"),
            },
            rule="how far head and tail have slid against one another",
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


def _rounded(spec: JobSpec, treatment: Treatment, flat: BlockPlan, ledger: Ledger) -> BlockPlan:
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


def mind(
    spec: JobSpec, treatment: Treatment, block: BlockPlan, ledger: Ledger, *, laced: bool = False
) -> list[Finding]:
    """What to mind about the block and its back.

    :param laced: whether its boards are laced on, and can be trimmed with it.
    """
    found: list[Finding] = []
    show = ledger.notation
    if block.thickness > THICKEST:
        found.append(
            finding(
                "block.too_thick",
                "block.thickness",
                ledger.notation,
                thickness=show.apart(block.thickness, THICKEST)[0],
                most=show.limit(THICKEST),
            )
        )
    if treatment.rounded:
        found += _mind_round(block, ledger)
    elif block.swell > treatment.most_swell * block.thickness:
        found.append(_much_swell(spec, treatment, block, ledger))
    return [*found, *_mind_trimming(spec, block, laced, ledger)]


def _much_swell(spec: JobSpec, treatment: Treatment, block: BlockPlan, ledger: Ledger) -> Finding:
    show = ledger.notation
    best = thread_for_swell(FLAT_BACK_SWELL_EASY, block.thickness, block.sections, spec.sewing.swell_factor)
    # rounded down, and a little thinner where that is as much as there is now
    thread = math.floor(best * 100) / 100
    actions = (
        (Action(f"Sew with {show.thickness(thread, True)} thread", {"sewing.thread": thread}),)
        if thread >= 0.2
        else ()
    )
    return finding(
        "swell.much",
        "spine.swell_ratio",
        ledger.notation,
        percent=plain_number(100 * block.swell / block.thickness, 1),
        most=plain_number(100 * treatment.most_swell, 1),
        thread=show.thickness(max(thread, 0.01), True),
        actions=actions,
    )


FORCED_NOTICED: Mm = 0.5
LEFT_OVER_NOTICED = 1.0
"""Swell left over, in shoulders' heights, beyond which it does not find room in them."""


def _mind_round(block: BlockPlan, ledger: Ledger) -> list[Finding]:
    show = ledger.notation
    left = ledger.value("spine.left_over")
    own = Action("Round as the swell asks for", {"back.round_rule": "swell"})
    found: list[Finding] = []
    if block.round < TOLERANCE:
        full = Action("Round it to a fifth of a circle", {"back.round": 0.2, "back.round_rule": "given"})
        found.append(finding("round.none", "spine.round", ledger.notation, actions=(full,)))
    elif block.swell > MOST_SWELL * block.thickness:
        found.append(
            finding(
                "round.impossible",
                "spine.swell_round",
                ledger.notation,
                swell=show.thickness(block.swell, True),
                most=show.thickness(MOST_SWELL * block.thickness, True),
            )
        )
    elif left < -FORCED_NOTICED:
        found.append(
            finding(
                "round.forced",
                "spine.left_over",
                ledger.notation,
                short=show.thickness(-left, True),
                actions=(own,),
            )
        )
    elif left > LEFT_OVER_NOTICED * max(block.shoulder, FORCED_NOTICED):
        found.append(
            finding(
                "round.left_over",
                "spine.left_over",
                ledger.notation,
                left=show.thickness(left, True),
                actions=(own,),
            )
        )
    return found


def _mind_trimming(spec: JobSpec, block: BlockPlan, laced: bool, ledger: Ledger) -> list[Finding]:
    found: list[Finding] = []
    show, trims = ledger.notation.length, spec.leaf.trim
    one, other = spec.block.diagonal_1, spec.block.diagonal_2
    if spec.paper.deckle and trims.fore_edge:
        action = Action("Leave the fore-edge untrimmed", {"leaf.trim.fore_edge": 0})
        found.append(finding("deckle.trimmed", "leaf.trim.fore_edge", ledger.notation, actions=(action,)))
    if spec.block.trimming == "in_boards" and not laced:
        action = Action("Trim out of boards", {"block.trimming": "out_of_boards"})
        found.append(finding("trim.in_boards", "block.trimming", ledger.notation, actions=(action,)))
    if spec.block.trimming == "untrimmed" and (trims.head or trims.tail or trims.fore_edge):
        none: dict[str, object] = {f"leaf.trim.{edge}": 0 for edge in ("head", "tail", "fore_edge")}
        found.append(
            finding(
                "trim.meant",
                "block.trimming",
                ledger.notation,
                actions=(Action("Leave every edge as it is", none),),
            )
        )
    if one and other:
        expected, off = ledger.value("block.diagonal"), abs(one - other)
        far = max(abs(one - expected), abs(other - expected))
        if far > 0.1 * expected:
            found.append(
                finding("diagonals.far", "block.diagonal_1", ledger.notation, expected=show(expected, True))
            )
        elif off > DIAGONALS_MAY_DIFFER + TOLERANCE:
            found.append(
                finding(
                    "diagonals.differ",
                    "block.out_of_square",
                    ledger.notation,
                    off=ledger.notation.thickness(off, True),
                    slid=ledger.shown("block.out_of_square"),
                )
            )
        else:
            found.append(finding("diagonals.equal", "block.diagonal_1", ledger.notation))
    squares = spec.binding.squares
    band, head = spec.block.end_band_height, min(squares.head, squares.tail)
    if spec.block.end_bands != "none" and band > head - BOARD_COVERS_BAND + TOLERANCE:
        fits = max(head - BOARD_COVERS_BAND, 0.5)
        found.append(
            finding(
                "end_band.high",
                "block.end_band_height",
                ledger.notation,
                band=show(band, True),
                square=show(head, True),
                actions=(Action(f"Band of {show(fits, True)}", {"block.end_band_height": fits}),),
            )
        )
    return found
