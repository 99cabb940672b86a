"""The pieces of a plan as a table for other programs."""

import csv
import io
import unicodedata

from weald.core.planning.plan import Plan

COLUMNS = (
    "piece",
    "material",
    "count",
    "width_mm",
    "height_mm",
    "thickness_mm",
    "grain_along",
    "allowance_mm",
    "stock",
    "how",
    "higher_mm",
)
_FORMULA_STARTS = ("=", "+", "-", "@")
_LINE_SIGNS = ("\t", "\r", "\n")


def harmless(text: str) -> str:
    """Text that a spreadsheet will not take for a formula, nor after spaces, nor in full-width signs."""
    begins = unicodedata.normalize("NFKC", text).lstrip()
    risky = begins.startswith(_FORMULA_STARTS) or text.startswith(_LINE_SIGNS)
    return f"'{text}" if risky else text


def pieces_csv(plan: Plan) -> str:
    """One row a piece, as it is cut; sizes in millimetres to a hundredth, with a point for decimals.

    ``allowance_mm`` and ``higher_mm`` are what comes off its width and height later.
    """
    buffer = io.StringIO()
    writer = csv.writer(buffer)
    writer.writerow(("job", *COLUMNS))
    for piece in plan.pieces:
        writer.writerow(
            (
                harmless(plan.title),
                harmless(piece.label),
                piece.material,
                piece.count,
                f"{piece.cut_width:.2f}",
                f"{piece.cut_height:.2f}",
                "" if piece.thickness is None else f"{piece.thickness:.3f}",
                piece.grain,
                f"{piece.allowance:.2f}",
                harmless(piece.stock),
                harmless(piece.how),
                f"{piece.higher:.2f}",
            )
        )
    return buffer.getvalue()
