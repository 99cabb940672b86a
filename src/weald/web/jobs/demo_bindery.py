"""An invented bindery with its own books."""

import io
from collections.abc import Mapping
from typing import Any

from django.contrib.auth.models import User

from weald.core.plan import plan
from weald.core.spec import Printer, read_spec
from weald.core.stock_choice import choose_patch
from weald.web.accounts.models import Workshop
from weald.web.jobs import services
from weald.web.jobs.models import Job
from weald.web.printing.demo_texts import TIDE_PAGES, tide_tables_pdf
from weald.web.printing.models import PrinterProfile
from weald.web.printing.services import bring_text
from weald.web.shelf.demo_stock import USES, load_shelf
from weald.web.shelf.models import ShelfItem
from weald.web.shelf.services import on_shelf

WORKSHOP = "Saltmarsh Bindery"

_A3_SHORT = {"width": 420, "height": 297, "grain": "height"}
_SRA3_LONG = {"width": 450, "height": 320, "grain": "width"}

JOBS: tuple[tuple[str, dict[str, Any], tuple[dict[str, Any], ...]], ...] = (
    # state, the job as begun, then what was changed, one step at a time
    (
        "at_bench",
        {
            "title": "Tide tables of Merrow Haven",
            "text": {"pages": 186},
            "leaf": {"width": 140, "height": 210, "trim": {"head": 3, "tail": 3, "fore_edge": 4}},
            "paper": {"name": "Gull laid, cream", "grammage": 90, "bulk": 1.3, "sheet": _SRA3_LONG},
            "folding": {"sheets_per_section": 5},
            "sewing": {"method": "tapes", "supports": 3, "thread": 0.25},
            "binding": {
                "board": 2.0,
                "board_name": "grey board",
                "cover_name": "sea-green cloth",
                "cover_thickness": 0.3,
                "joint_rule": "board_plus_6",
            },
        },
        ({"measured": {"block.thickness": 12.0}},),
    ),
    (
        "planned",
        {
            "title": "Orchard keeper's ledger",
            "text": {"pages": 160, "blank_book": True, "filler": "ruled"},
            "leaf": {"width": 200, "height": 280, "trim": {"head": 4, "tail": 4, "fore_edge": 5}},
            "paper": {
                "name": "Pippin ledger",
                "basis": {"pounds": 80, "grade": "text"},
                "bulk": 1.25,
                "sheet": _A3_SHORT,
            },
            "folding": {"sheets_per_section": 4},
            "sewing": {"thread": 0.3},
            "binding": {
                "board": 2.5,
                "squares": {"head": 4, "tail": 4, "fore_edge": 4},
                "joint_rule": "inset",
                "inset": 4,
                "turn_in": 20,
                "cover_name": "russet buckram",
                "cover_thickness": 0.4,
            },
        },
        (),
    ),
    (
        "planned",
        {
            "title": "Hymn settings for the Ferry Lane choir",
            "text": {"pages": 92, "blanks": "both"},
            "leaf": {"width": 240, "height": 170, "trim": {"head": 3, "tail": 3, "fore_edge": 4}},
            "paper": {
                "name": "Chancel smooth",
                "grammage": 100,
                "stack": {"leaves": 50, "thickness": 6.2},
                "sheet": {"width": 500, "height": 353, "grain": "width"},
            },
            "folding": {"sheets_per_section": 4},
            "sewing": {"thread": 0.18},
            "binding": {
                "board": 2.0,
                "joint_rule": "inset",
                "inset": 4,
                "spine_rule": "flush_less_1",
            },
        },
        (),
    ),
    (
        "planned",
        {
            "title": "Lighthouse log, volume I",
            "text": {"pages": 240},
            "leaf": {
                "width": "6in",
                "height": "9in",
                "trim": {"head": 3, "tail": 3, "fore_edge": 4},
            },
            "paper": {
                "name": "Beacon bond",
                "basis": {"pounds": 24, "grade": "bond"},
                "bulk": 1.3,
                "sheet": {"width": "12.5in", "height": "19in", "grain": "height"},
            },
            "folding": {"sheets_per_section": 4},
            "sewing": {"thread": 0.2},
            "binding": {
                "board": "98pt",
                "joint_rule": "fixed",
                "joint": "5/16in",
                "turn_in": "3/4in",
            },
        },
        (),
    ),
    (
        "finished",
        {
            "title": "Notes of a bee master",
            "text": {"pages": 128},
            "leaf": {"width": 105, "height": 148, "trim": {"head": 2, "tail": 2, "fore_edge": 3}},
            "paper": {
                "name": "Comb wove",
                "grammage": 80,
                "calliper": 0.11,
                "sheet": {"width": 297, "height": 210, "grain": "height"},
            },
            "folding": {"sheets_per_section": 4},
            "sewing": {"thread": 0.2},
            "binding": {"board": 1.5, "squares": {"head": 2, "tail": 2, "fore_edge": 3}},
        },
        ({"measured": {"block.thickness": 7.8, "joint.gap": 7.5}},),
    ),
    (
        "planned",
        {
            "title": "Seed catalogue, rebound",
            "text": {"pages": 64},
            "leaf": {"width": 148, "height": 200, "trim": {"head": 5, "tail": 5, "fore_edge": 0}},
            "paper": {
                "name": "Furrow offset",
                "grammage": 120,
                "sheet": {"width": 297, "height": 210, "grain": "width"},
            },
            "folding": {"sheets_per_section": 4},
            "sewing": {"thread": 0.4},
            "binding": {"board": 1.5},
        },
        (),
    ),
)


PRINTERS: tuple[dict[str, Any], ...] = (
    {
        "name": "Attic laser",
        "largest": {"width": 216, "height": 356},
        "unprintable": 4.2,
        "flips": "both",
        "stacks": "face_down",
        "feeds": "face_down",
    },
    {"name": "Copy shop, SRA3", "largest": {"width": 320, "height": 450}, "unprintable": 5, "flips": "both"},
    {
        "name": "Old inkjet",
        "largest": {"width": 297, "height": 420},
        "unprintable": 3,
        "flips": "none",
        "stacks": "face_up",
        "feeds": "face_down",
    },
)


def _with_text(job: dict[str, Any], digest: str) -> dict[str, Any]:
    """The tide tables with the text they are printed from."""
    if "Tide tables" not in job["title"]:
        return job
    page = {"width": 140, "height": 210}
    return job | {"text": job["text"] | {"file": digest, "file_pages": TIDE_PAGES, "page": page}}


def _with_stock(job: dict[str, Any], shelf: Mapping[str, ShelfItem]) -> dict[str, Any]:
    """A job with its pieces' stock taken from the shelf."""
    uses = USES.get(job["title"], {})
    pieces = {piece.id: piece for piece in plan(read_spec(job), drawn=()).pieces}
    for piece_id, name in uses.items():
        for path, value in choose_patch(pieces[piece_id], on_shelf(shelf[name])).items():
            job = _set(job, path.split("."), value)
    return job


def _set(data: Mapping[str, Any], path: list[str], value: object) -> dict[str, Any]:
    """Data with one entry otherwise."""
    head, *rest = path
    return {**data, head: _set(data.get(head) or {}, rest, value) if rest else value}


def load(workshop: Workshop, author: User) -> None:
    """Put the demo's printers and jobs into a workshop, the last job first so that the first is newest."""
    for data in PRINTERS:
        printer = Printer.model_validate(data)
        PrinterProfile.objects.create(
            workshop=workshop, name=printer.name, spec=printer.model_dump(mode="json")
        )
    shelf = load_shelf(workshop, author)
    text = bring_text(workshop, "tide-tables.pdf", io.BytesIO(tide_tables_pdf()))
    for state, listed, changes in reversed(JOBS):
        begun = _with_stock(_with_text(listed, text.digest), shelf)
        job = services.create_job(workshop, author, read_spec(begun))
        for change in changes:
            job = services.save_job(job, job.version, author, read_spec(begun | change))
        if state != Job.State.PLANNED:
            services.set_state(job, state)
