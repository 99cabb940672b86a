"""Printers as they stand in most homes, to be picked before one has described one's own."""

from weald.core.job.printing import PrintedSheet, Printer
from weald.core.units import MM_PER_INCH

HOME_PRINTERS: tuple[Printer, ...] = (
    Printer(
        name="Home printer, A4",
        largest=PrintedSheet(width=210, height=297),
        unprintable=4.2,
        flips="both",
    ),
    Printer(
        name="Home printer, Letter",
        largest=PrintedSheet(width=8.5 * MM_PER_INCH, height=11 * MM_PER_INCH),
        unprintable=MM_PER_INCH / 4,
        flips="both",
    ),
)
"""Without anything on them about how their backs stand off: that is found with a back-shift sheet."""
