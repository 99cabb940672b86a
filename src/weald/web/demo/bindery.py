"""An invented bindery with its own books."""

import io
from collections.abc import Mapping
from typing import Any

from django.contrib.auth.models import User

from weald.core.job.printing import CoverRules, Printer
from weald.core.job.spec import read_spec
from weald.core.planning.book_set import SetSpec, Volume
from weald.core.planning.house import read_house
from weald.core.planning.plan import plan
from weald.core.planning.stock_choice import choose_patch
from weald.web.accounts.models import Workshop
from weald.web.accounts.services import save_house
from weald.web.demo.cover import gulls_svg
from weald.web.demo.stock import USES, load_shelf
from weald.web.demo.texts import TIDE_PAGES, tide_tables_pdf
from weald.web.jobs import services
from weald.web.jobs.models import Job
from weald.web.jobs.sets import begin_set, save_set
from weald.web.printing.models import CoverProfile, PrinterProfile
from weald.web.printing.services import bring_artwork, bring_text
from weald.web.shelf.models import ShelfItem
from weald.web.shelf.services import on_shelf

WORKSHOP = "Saltmarsh Bindery"

_A3_SHORT = {"width": 420, "height": 297, "grain": "height"}
_TOOLS: list[dict[str, Any]] = [
    {"name": "gull", "width": 5, "height": 5},
    {"name": "wave", "width": 8, "height": 4},
    {"name": "fillet", "width": 1, "height": 0.8, "line": True},
]
_TYPES: list[dict[str, Any]] = [
    {"name": "small caps", "capital": 2.5, "usual": 1.9, "narrow": 1, "wide": 2.6, "gap": 0.3, "space": 1.4},
    {"name": "large caps", "capital": 4, "usual": 3.1, "narrow": 1.6, "wide": 4.2, "gap": 0.5, "space": 2.2},
]
_HAMMERS: list[dict[str, Any]] = [
    {"name": "backing hammer", "face": 36},
    {"name": "small hammer", "face": 20},
]
_SRA3_LONG = {"width": 450, "height": 320, "grain": "width"}

ALPHABET = "Alphabet of gulls"

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
            "bench": {
                "own": [
                    {
                        "id": "own_edges",
                        "title": "Colour the edges with tea",
                        "why": "The customer wants them the colour of old charts.",
                        "after": "measure_block",
                        "minutes": 15,
                        "wait": 90,
                    }
                ]
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
                "board": "92pt",
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
            "text": {"pages": 96},
            "leaf": {"width": 148, "height": 200, "trim": {"head": 5, "tail": 5, "fore_edge": 0}},
            "paper": {
                "name": "Furrow offset",
                "grammage": 120,
                "sheet": {"width": 297, "height": 210, "grain": "width"},
            },
            "folding": {"sheets_per_section": 4},
            "sewing": {"method": "none"},
            "binding": {
                "structure": "rebound_paperback",
                "board": 1.5,
                "cover_name": "barn-red cloth",
                "old_cover": {"width": 147, "height": 210, "spine": 13},
            },
        },
        (),
    ),
    (
        "planned",
        {
            "title": "Verses said on the ferry",
            "text": {"pages": 32},
            "leaf": {"width": 130, "height": 190, "trim": {"head": 3, "tail": 3, "fore_edge": 4}},
            "paper": {
                "name": "Landing laid",
                "grammage": 120,
                "bulk": 1.3,
                "sheet": {"width": 297, "height": 210, "grain": "width"},
            },
            "folding": {"make_up": "one_section"},
            "sewing": {"method": "pamphlet", "thread": 0.5},
            "binding": {
                "structure": "pamphlet_case",
                "covering": "quarter",
                "board": 1.5,
                "squares": {"head": 3, "tail": 3, "fore_edge": 3},
                "cover_name": "slate cloth",
                "overlap": 25,
            },
        },
        (),
    ),
    (
        "planned",
        {
            "title": "Psalter of the pilots' chapel",
            "text": {"pages": 320},
            "leaf": {"width": 150, "height": 225, "trim": {"head": 3, "tail": 3, "fore_edge": 4}},
            "paper": {"name": "Chancel smooth", "grammage": 90, "bulk": 1.2, "sheet": _SRA3_LONG},
            "folding": {"sheets_per_section": 4},
            "sewing": {"method": "raised_cords", "supports": 5, "support_width": 4, "thread": 0.28},
            "back": {"shape": "round", "round_rule": "swell", "shoulder": "90"},
            "endpapers": {"kind": "made", "leaves": 4},
            "block": {"trimming": "in_boards", "end_bands": "sewn", "end_band_height": 2},
            "binding": {
                "structure": "laced_boards",
                "covering": "half",
                "material": "leather",
                "cover_name": "chestnut calf",
                "cover_thickness": 0.8,
                "board": 2.5,
                "bands": {"count": 5, "width": 4, "tail_more": 4},
            },
            "finish": {"title": "Psalter", "volume": "I", "direction": "across", "ribbons": 1},
            "extras": {
                "plates": {
                    "plates": [
                        {"count": 4, "after": 33, "width": 142, "height": 215, "thickness": 0.25},
                        {"after": 161, "how": "thrown_clear", "width": 430, "height": 215},
                    ]
                },
                "finishing": {
                    "tools": _TOOLS,
                    "types": _TYPES,
                    "lines": [
                        {"panel": 1, "what": "tool", "by": "gull"},
                        {"panel": 2, "what": "title"},
                        {"panel": 3, "what": "tool", "by": "gull"},
                        {"panel": 4, "what": "volume"},
                        {"panel": 5, "what": "tool", "by": "gull"},
                        {"panel": 6, "what": "line", "by": "fillet"},
                    ],
                    "frames": [{"edges": 9, "joint": 14, "by": "fillet"}],
                    "leading": 2,
                },
                "backing": {"hammers": _HAMMERS},
                "jacket": {},
            },
        },
        (),
    ),
    (
        "planned",
        {
            "title": ALPHABET,
            "text": {"pages": 60},
            "leaf": {"width": 180, "height": 180, "trim": {"head": 4, "tail": 4, "fore_edge": 5}},
            "paper": {"name": "Furrow offset", "grammage": 170, "bulk": 1.1, "sheet": _SRA3_LONG},
            "folding": {"sheets_per_section": 3},
            "sewing": {"method": "link", "thread": 0.25},
            "binding": {
                "structure": "printed_case",
                "material": "paper",
                "board": 2,
                "cover_thickness": 0.2,
                "squares": {"head": 4, "tail": 4, "fore_edge": 4},
                "turn_in": 20,
            },
            "finish": {"title": "Gull alphabet"},
            "artwork": {"barcode": "290-0-000-10001-5", "sheet": {"width": 480, "height": 330}},
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


HOUSE: dict[str, Any] = {
    "tools": _TOOLS,
    "types": _TYPES,
    "hammers": _HAMMERS,
    "rules": {
        "binding.joint_rule": "board_plus_6",
        "binding.turn_in": 18,
        "sewing.kettle": 14,
        "finish.direction": "down",
    },
    "squares": [
        {"up_to": 160, "head": 2, "tail": 2, "fore_edge": 3},
        {"up_to": 250, "head": 3, "tail": 3, "fore_edge": 4},
        {"up_to": 400, "head": 4, "tail": 4, "fore_edge": 5},
    ],
    "gauges": [5, "1/4 in", 8, 18, "3/4 in"],
}

COVER_RULES: tuple[dict[str, Any], ...] = (
    {
        "name": "Quay Street printers",
        "least_pages": 48,
        "most_pages": 400,
        "wrap": 18,
        "bleed": 3,
        "least_spine": 7,
        "barcode": True,
    },
)


def _with_text(job: dict[str, Any], digest: str) -> dict[str, Any]:
    """The tide tables with the text they are printed from."""
    if "Tide tables" not in job["title"]:
        return job
    page = {"width": 140, "height": 210}
    return job | {"text": job["text"] | {"file": digest, "file_pages": TIDE_PAGES, "page": page}}


def _with_cover(job: dict[str, Any], workshop: Workshop) -> dict[str, Any]:
    """The alphabet with the artwork its cover is printed from."""
    if job["title"] != ALPHABET:
        return job
    art = plan(read_spec(job), drawn=()).cover_art
    if art is None:
        return job
    artwork = bring_artwork(workshop, "gulls.svg", io.BytesIO(gulls_svg(art)))
    entries = {"file": artwork.digest, "width": artwork.report["width"], "height": artwork.report["height"]}
    return job | {"artwork": job["artwork"] | entries}


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
    for data in COVER_RULES:
        rules = CoverRules.model_validate(data)
        CoverProfile.objects.create(workshop=workshop, name=rules.name, spec=rules.model_dump(mode="json"))
    save_house(workshop, workshop.house_version, author, read_house(HOUSE))
    shelf = load_shelf(workshop, author)
    text = bring_text(workshop, "tide-tables.pdf", io.BytesIO(tide_tables_pdf()))
    for state, listed, changes in reversed(JOBS):
        begun = _with_stock(_with_cover(_with_text(listed, text.digest), workshop), shelf)
        job = services.create_job(workshop, author, read_spec(begun))
        for change in changes:
            job = services.save_job(job, job.version, author, read_spec(begun | change))
        if state != Job.State.PLANNED:
            services.set_state(job, state)
    _begin_logs(workshop, author)


LOGS = "Lighthouse log, volume I"


def _begin_logs(workshop: Workshop, author: User) -> None:
    """The lighthouse logs as a set, the first volume under way, one number missing."""
    first = Job.objects.get(workshop=workshop, title=LOGS)
    made = begin_set(workshop, "Lighthouse logs of Merrow Point", first.spec)
    volumes = (
        Volume(title="Lighthouse log", number=1, date="1901–1903", pages=240, job=first.pk),
        Volume(title="Lighthouse log", number=2, date="1904–1905", pages=316, thickness=21.5),
        Volume(title="Lighthouse log", number=4, date="1908–1911", pages=200),
    )
    spec = SetSpec(title=made.title, cloth="storm-blue cloth", volumes=volumes)
    save_set(made, made.version, author, spec)
