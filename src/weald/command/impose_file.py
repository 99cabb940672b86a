"""./weald impose TEXT.pdf OUT.pdf: a text put on printed sheets that fold to order."""

import argparse
import logging
import sys
import tempfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

from weald.core.errors import FoldError, SizeError, SpecError, WealdError
from weald.core.folding.packet import FoldedPacket, fold_packet
from weald.core.forme.layout import block_size, natural_flip, unfolded_size
from weald.core.job.spec import read_spec
from weald.core.paper import named_sheet
from weald.core.press.press import Press, press
from weald.core.units import TOLERANCE, Mm, parse_length
from weald.exchange.foreign import impose_pdf, read_text
from weald.exchange.reports import Order, TextReport

Size = tuple[Mm, Mm]


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """What ``./weald impose`` takes."""
    parser.add_argument("text", metavar="TEXT.pdf", type=Path)
    parser.add_argument("out", metavar="OUT.pdf", type=Path)
    parser.add_argument(
        "--fold", default="folio", help="its name, or its folds in order: octavo, 'level, upright' …"
    )
    parser.add_argument("--nest", default="1", metavar="SHEETS", help="sheets a section")
    parser.add_argument("--gather", default="inset", choices=("inset", "together"))
    parser.add_argument("--make-up", default="full", choices=("full", "short_last", "even", "one_section"))
    parser.add_argument("--sheet", help="WxH or a name such as A3; without it, just what is folded")
    parser.add_argument("--flip", choices=("long", "short"), help="the edge the printer turns sheets on")
    parser.add_argument("--work", default="sheetwise", choices=("sheetwise", "turn", "tumble"))
    parser.add_argument("--blanks", default="end", choices=("end", "front", "both"))
    parser.add_argument("--creep", default="0", metavar="MM", help="from one folio to the next")
    parser.add_argument("--bleed", default="0", metavar="MM")
    parser.add_argument(
        "--trim", default="0", metavar="MM", help="all round but the spine; at least the bleed"
    )
    parser.add_argument("--marks", default=True, action=argparse.BooleanOptionalAction)
    parser.add_argument("--per-section", type=Path, metavar="DIR", help="one file a section besides")


def impose_file(arguments: argparse.Namespace) -> int:
    """Impose a text; 0 when it went well, 2 with one line when something cannot be used."""
    # what a reader stumbled over is for a server's log; here one line is said, and that is all
    logging.getLogger("weald").addHandler(logging.NullHandler())
    try:
        _impose(arguments)
    except SpecError as error:
        words = "; ".join(f"{_OPTIONS.get(path, path)}: {text}" for path, text in error.fields.items())
        print(f"weald: {words}", file=sys.stderr)
        return 2
    except WealdError as error:
        print(f"weald: {' '.join(str(error).split())}", file=sys.stderr)
        return 2
    except OSError as error:
        print(f"weald: {error.filename}: {error.strerror or error}", file=sys.stderr)
        return 2
    return 0


_OPTIONS = {
    "folding.programme": "--fold",
    "folding.sheets_per_section": "--nest",
    "folding.make_up": "--make-up",
    "printing.bleed": "--bleed",
    "leaf.trim.head": "--trim",
    "leaf.trim.tail": "--trim",
    "leaf.trim.fore_edge": "--trim",
    "printing.sheet.width": "--sheet",
    "printing.sheet.height": "--sheet",
}


def _impose(arguments: argparse.Namespace) -> None:
    made = _press(arguments, read_text(arguments.text))
    _write(arguments.out, lambda path: impose_pdf(made, arguments.text, path, Order()))
    if arguments.per_section is not None:
        arguments.per_section.mkdir(parents=True, exist_ok=True)
        digits = max(2, len(str(len(made.sections))))
        for section in made.sections:
            path = arguments.per_section / f"section-{section.section:0{digits}}.pdf"
            order = Order(sections=frozenset({section.section}))
            _write(path, lambda out, order=order: impose_pdf(made, arguments.text, out, order))  # type: ignore[misc]


def _write(path: Path, write: Callable[[Path], object]) -> None:
    """Write a file whole or not at all."""
    with tempfile.NamedTemporaryFile(dir=path.parent, prefix=".weald-", suffix=".pdf", delete=False) as file:
        unfinished = Path(file.name)
    try:
        write(unfinished)
        unfinished.chmod(0o644)
        unfinished.replace(path)
    finally:
        unfinished.unlink(missing_ok=True)


def _length(text: str, option: str) -> Mm:
    try:
        return parse_length(text)
    except SizeError as error:
        raise SpecError({option: str(error)}) from None


def _press(arguments: argparse.Namespace, text: TextReport) -> Press:
    size, bleed = text.sizes[0], _length(arguments.bleed, "--bleed")
    trim = max(_length(arguments.trim, "--trim"), bleed)
    job: dict[str, Any] = {
        "title": arguments.text.stem[:100] or "Text",
        "text": {"pages": text.pages, "blanks": arguments.blanks},
        "leaf": {
            "width": size.width,
            "height": size.height,
            "trim": {"head": trim, "tail": trim, "fore_edge": trim},
        },
        "folding": {
            "programme": arguments.fold,
            "sheets_per_section": arguments.nest,
            "gather": arguments.gather,
            "make_up": arguments.make_up,
            "creep_factor": 1,
        },
        "printing": {"work": arguments.work, "bleed": bleed, "marks": arguments.marks},
    }
    creep = _length(arguments.creep, "--creep")
    if not 0 <= creep <= 3:
        raise SpecError({"--creep": "Creep is 0 to 3 mm from one folio to the next."})
    # with a creep factor of 1, a folio creeps by the thickness of a leaf
    job["paper"] = {"calliper": creep} if creep else {}
    job["printing"]["creep_shift"] = creep > 0
    try:
        packet = fold_packet(arguments.fold)
    except FoldError as error:
        raise SpecError({"--fold": str(error)}) from None
    block = block_size(
        unfolded_size(packet, (size.width + trim, size.height + 2 * trim)), arguments.work, (1, 1)
    )
    width, height = _sheet(arguments.sheet, packet, block) if arguments.sheet else block
    job["printing"]["sheet"] = {"width": width, "height": height}
    job["printing"]["flip"] = arguments.flip or natural_flip(width, height)
    return press(read_spec(job))


def _sheet(text: str, packet: FoldedPacket, block: Size) -> Size:
    """The printed sheet, lying so that what is folded stands on it.

    :raises SpecError: when it is no size, or too small.
    """
    named = named_sheet(text)
    if named is not None and block[0] > block[1]:
        named = named[::-1]
    if named is None:
        sides = text.lower().replace("×", "x").split("x")
        if len(sides) != 2:
            raise SpecError({"--sheet": f"“{text}” is no sheet; write 450x320, 12.5inx19in or A3."})
        named = (_length(sides[0], "--sheet"), _length(sides[1], "--sheet"))
    for width, height in (named, named[::-1]):
        if block[0] <= width + TOLERANCE and block[1] <= height + TOLERANCE:
            return width, height
    raise SpecError(
        {
            "--sheet": f"{packet.columns} × {packet.rows} leaves need a sheet of {block[0]:.1f} × "
            f"{block[1]:.1f} mm; {named[0]:g} × {named[1]:g} mm is too small. Take a larger sheet, or "
            "another --fold."
        }
    )
