import subprocess
import sys
import time
from collections.abc import Callable
from pathlib import Path

import pikepdf
import pytest
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from benchmarks.yardstick import of_size, usual_milliseconds, within
from weald.core.folding.packet import fold_inset, fold_motions, fold_packet
from weald.core.folding.programme import NAMED_PROGRAMMES, parse_programme
from weald.core.job.spec import JobSpec, read_spec
from weald.core.press.press import press
from weald.exchange.imposed_pdf import impose_pdf
from weald.exchange.reports import Order

ROUNDS, NOVEL = of_size(5, 1), of_size(1000, 40)
LINES = 38
MOST_MB = 300


def write_novel(path: Path, pages: int) -> Path:
    """Pages of running text, as a novel has them."""
    canvas = Canvas(str(path), pagesize=(140 * mm, 210 * mm), pageCompression=1)
    for page in range(1, pages + 1):
        canvas.setFont("Times-Roman", 10)
        for number in range(LINES):
            words = " ".join(f"tide{(page * number + word) % 997}" for word in range(9))
            canvas.drawString(15 * mm, (190 - 4.8 * number) * mm, words)
        canvas.drawCentredString(70 * mm, 8 * mm, str(page))
        canvas.showPage()
    canvas.save()
    return path


def octavo(pages: int) -> JobSpec:
    folding = {"programme": "octavo", "sheets_per_section": 1}
    return read_spec({"text": {"pages": pages}, "folding": folding})


def fastest(*works: Callable[[], object]) -> list[float]:
    """The best time of each, taken in turn, so that a busy moment hits them alike."""
    times: list[list[float]] = [[] for _ in works]
    for _ in range(ROUNDS):
        for work, taken in zip(works, times, strict=True):
            began = time.perf_counter()
            work()
            taken.append(time.perf_counter() - began)
    return [min(taken) for taken in times]


def test_imposing_takes_little_longer_than_copying(tmp_path: Path) -> None:
    text, out = write_novel(tmp_path / "text.pdf", NOVEL), tmp_path / "out.pdf"

    def copy() -> None:
        with pikepdf.open(text) as pdf:
            pdf.save(out)

    def impose() -> None:
        impose_pdf(press(octavo(NOVEL)), text, out, Order())

    copied, imposed = fastest(copy, impose)
    print(
        f"\n{NOVEL} pages: copied in {copied:.2f} s, imposed in {imposed:.2f} s, "
        f"{imposed / copied:.2f} × (1.3)"
    )
    within(imposed, 1.3 * copied)


def peak_megabytes(text: Path, pages: int) -> float:
    """Memory a process of its own needs at most to impose a text."""
    code = (
        "import sys; from pathlib import Path; from benchmarks.test_imposing import impose_alone;"
        "impose_alone(Path(sys.argv[1]), int(sys.argv[2]))"
    )
    command = [sys.executable, "-c", code, str(text), str(pages)]
    done = subprocess.run(command, capture_output=True, text=True, check=True)
    return float(done.stdout)


def impose_alone(text: Path, pages: int) -> None:
    impose_pdf(press(octavo(pages)), text, text.with_suffix(".out"), Order())
    # not ru_maxrss: that begins with what the process had that started this one
    status = Path("/proc/self/status").read_text()
    print(int(status.split("VmHWM:")[1].split()[0]) / 1024)


def test_memory_stays_flat(tmp_path: Path) -> None:
    few = peak_megabytes(write_novel(tmp_path / "few.pdf", NOVEL), NOVEL)
    many = peak_megabytes(write_novel(tmp_path / "many.pdf", 10 * NOVEL), 10 * NOVEL)
    print(f"\nmemory: {few:.0f} MB for {NOVEL} pages, {many:.0f} MB for {10 * NOVEL} (budget {MOST_MB})")
    within(many, MOST_MB)


@pytest.mark.parametrize(
    "name", [name for name, text in NAMED_PROGRAMMES.items() if parse_programme(text).kind != "leaves"]
)
def test_a_section_of_64_pages_is_folded_at_once(name: str) -> None:
    sheets = max(1, 32 // fold_packet(name).leaves_a_sheet)

    def fold() -> None:
        for cached in (parse_programme, fold_motions, fold_packet, fold_inset):
            cached.cache_clear()
        fold_inset(name, sheets)

    took = usual_milliseconds(fold)
    print(f"\n{name}: {took:.2f} ms (budget 5)")
    within(took, 5)
