"""The paste-down: what it grows when pasted, and how much is trimmed off it first.

It is as wide as the block when it is cut with it. Pasted, it grows across its grain and comes closer to the
board's edge; trimmed by what it grows and what the margin wants, it stands back evenly. See *Paste-down* in
docs/craft.md.
"""

from weald.core.adhesives import ADHESIVES, adhesive_for
from weald.core.findings import Action, Finding, finding
from weald.core.job.spec import JobSpec
from weald.core.materials import PAPER_GROWTH_ACROSS
from weald.core.reckoning import Ledger
from weald.core.units import TOLERANCE, Mm

LEAST_MARGIN: Mm = 1.0
"""A margin narrower than this reads as a mistake, and is soon none."""


def reckon_pastedown(spec: JobSpec, apart: bool, ledger: Ledger) -> list[Finding]:
    """Enter what the paste-down of a closed case grows and is trimmed by; nothing without endpapers.

    :param apart: whether its boards were cut apart, so that the narrower square counts.
    """
    if not spec.endpapers.leaves:
        return []
    width, dry = ledger.ref("block.width"), spec.endpapers.dry_strip
    adhesive = ADHESIVES[adhesive_for("paste_down", spec.bench.glue.paste_down, leather=False)]
    growth = ledger.reckon(
        "pastedown.growth",
        (width.value - dry) * PAPER_GROWTH_ACROSS / 100 * adhesive.water,
        "({width} − {dry}) × {growth} / 100 × {share}",
        {
            "width": width,
            "dry": ledger.entry("dry strip at the joint", dry, "endpapers.dry_strip"),
            "growth": ledger.entry("growth", PAPER_GROWTH_ACROSS, "endpapers.grammage", "percent"),
            "share": ledger.entry(
                f"share of water, {adhesive.title}", adhesive.water, "bench.glue.paste_down", "factor"
            ),
        },
        rule="across the grain 1 to 2.5 %; all of it with paste, three quarters with a mix, half with PVA",
        or_nothing=True,
    )
    even = spec.endpapers.margin is None
    wanted = ledger.value("squares.head") if spec.endpapers.margin is None else spec.endpapers.margin
    square = ledger.ref("closed.fore_edge")
    if apart:
        square = min(square, ledger.ref("closed_back.fore_edge"), key=lambda each: each.value)
    trim = ledger.reckon(
        "pastedown.trim",
        max(0.0, wanted + growth - square.value),
        "{margin} + {growth} − {square}"
        if wanted + growth >= square.value
        else "nothing: it stands back enough",
        {
            "margin": ledger.entry(
                "margin, as the square at the head" if even else "margin wanted", wanted, "endpapers.margin"
            ),
            "growth": ledger.ref("pastedown.growth"),
            "square": square,
        },
        rule="off its fore-edge before it is pasted; an even margin is as wide as the squares",
    )
    ledger.reckon(
        "pastedown.width",
        width.value - trim,
        "{width} − {trim}",
        {"width": width, "trim": ledger.ref("pastedown.trim")},
        rule="from the fold at the spine",
    )
    ledger.reckon(
        "pastedown.margin",
        square.value + trim - growth,
        "{square} + {trim} − {growth}",
        {"square": square, "trim": ledger.ref("pastedown.trim"), "growth": ledger.ref("pastedown.growth")},
        rule="what is seen of the board's inside at the fore-edge, once it is dry",
    )
    if width.value - trim <= TOLERANCE:
        actions = (Action("As wide as the squares", {"endpapers.margin": None}),) if not even else ()
        show_length = ledger.notation.length
        return [
            finding(
                "pastedown.none",
                "endpapers.margin",
                ledger.notation,
                margin=show_length(wanted, True),
                leaf=show_length(width.value, True),
                actions=actions,
            )
        ]
    if square.value - growth >= LEAST_MARGIN:
        return []
    show = ledger.notation.thickness
    left = square.value - growth
    return [
        finding(
            "pastedown.grows" if left >= 0 else "pastedown.over",
            "pastedown.margin",
            ledger.notation,
            growth=show(growth, True),
            left=show(abs(left), True),
            trim=ledger.shown("pastedown.trim"),
            width=ledger.shown("pastedown.width"),
        )
    ]
