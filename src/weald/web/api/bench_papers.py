"""What is printed of a job to be hung up or held to the work, and how it will look."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from pathlib import Path
from tempfile import NamedTemporaryFile
from typing import Literal, get_args

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router, Schema

from weald.core.drawing import Drawing
from weald.core.notation import Notation
from weald.core.planning.job_sheet import sheet_facts
from weald.core.planning.plan import Plan, pictures
from weald.core.planning.plan import plan as planned
from weald.core.stations.standing import STANDING
from weald.exchange.bench_card import bench_card_pdf
from weald.exchange.cut_list import cut_list_pdf
from weald.exchange.foreign import page_png, read_text
from weald.exchange.job_sheet import JOB_SHEET_PARTS, job_sheet_pdf
from weald.exchange.true_size import shares_a_sheet, true_size_pdf
from weald.web.api.downloads import PaperChoice, file_response, paper_of
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of
from weald.web.api.rates import HEAVY
from weald.web.api.schemas import Problem
from weald.web.bench.services import at_bench, planned_at_bench
from weald.web.jobs.models import Job

router = Router(tags=["papers"])
PaperKind = Literal["job-sheet", "bench-card", "cut-list", "templates"]
PAPER_KINDS: tuple[PaperKind, ...] = get_args(PaperKind)
PAPERS = "/jobs/{int:job_id}/bench-papers"
WIDE = 800
"""Pixels across a page as it is shown before it is printed."""


class PaperPart(Schema):
    """What a paper may hold; ``chosen`` where it does as long as nobody says otherwise."""

    id: str
    title: str
    chosen: bool


class OfferedPaper(Schema):
    """A paper, and what may be chosen of it."""

    kind: PaperKind
    parts: list[PaperPart]


class PaperPages(Schema):
    """How many pages a paper has."""

    pages: int


@dataclass(frozen=True, slots=True)
class _Asked:
    """A paper that is asked for: of which job, on what, with which parts."""

    job: Job
    notation: Notation
    paper: str
    parts: Sequence[str]


@router.get(PAPERS, response={200: list[OfferedPaper], 404: Problem}, operation_id="jobPapers")
def offered(request: HttpRequest, job_id: int, paper: PaperChoice | None = Query(None)) -> list[OfferedPaper]:
    """The papers of a job, with what may be chosen of each."""
    job, notation = job_of(request, job_id), notation_of(request)
    chosen = paper_of(request, paper)
    templates = [
        PaperPart(id=each.id, title=each.title, chosen=shares_a_sheet(each, chosen))
        for each in _templates(planned(job.spec, notation))
    ]
    sheet = [PaperPart(id=id, title=title, chosen=False) for id, title in JOB_SHEET_PARTS.items()]
    parts: dict[PaperKind, list[PaperPart]] = {"job-sheet": sheet, "templates": templates}
    return [
        OfferedPaper(kind=kind, parts=parts.get(kind, []))
        for kind in PAPER_KINDS
        if kind != "templates" or templates
    ]


@router.get(PAPERS + "/{kind}.pdf", response={404: Problem}, operation_id="jobPaperPdf", throttle=HEAVY)
def paper_pdf(
    request: HttpRequest,
    job_id: int,
    kind: PaperKind,
    paper: PaperChoice | None = Query(None),
    parts: list[str] = Query([], max_length=60),
) -> HttpResponse:
    """A paper of a job as a PDF."""
    asked = _asked(request, job_id, paper, parts)
    return file_response(
        _WRITERS[kind](asked), asked.job.title, f"-{kind}.pdf", "application/pdf", inline=True
    )


@router.get(
    PAPERS + "/{kind}/pages",
    response={200: PaperPages, 404: Problem},
    operation_id="jobPaperPages",
    throttle=HEAVY,
)
def paper_pages(
    request: HttpRequest,
    job_id: int,
    kind: PaperKind,
    paper: PaperChoice | None = Query(None),
    parts: list[str] = Query([], max_length=60),
) -> PaperPages:
    """How many pages it will have."""
    with NamedTemporaryFile(suffix=".pdf") as file:
        file.write(_WRITERS[kind](_asked(request, job_id, paper, parts)))
        file.flush()
        return PaperPages(pages=read_text(Path(file.name)).pages)


@router.get(
    PAPERS + "/{kind}/{int:number}.png",
    response={404: Problem, 422: Problem},
    operation_id="jobPaperPage",
    throttle=HEAVY,
)
def paper_page(
    request: HttpRequest,
    job_id: int,
    kind: PaperKind,
    number: int,
    paper: PaperChoice | None = Query(None),
    parts: list[str] = Query([], max_length=60),
) -> HttpResponse:
    """One of its pages, from 1, as it will look."""
    asked = _asked(request, job_id, paper, parts)
    with NamedTemporaryFile(suffix=".pdf") as file:
        file.write(_WRITERS[kind](asked))
        file.flush()
        content = page_png(Path(file.name), number, WIDE)
    return file_response(content, asked.job.title, f"-{kind}-{number}.png", "image/png", inline=True)


def _asked(request: HttpRequest, job_id: int, paper: PaperChoice | None, parts: Sequence[str]) -> _Asked:
    return _Asked(job_of(request, job_id), notation_of(request), paper_of(request, paper), parts)


def _standing(asked: _Asked) -> Drawing | None:
    return next(iter(planned(asked.job.spec, asked.notation, drawn=(STANDING,)).drawings), None)


def _templates(plan: Plan) -> list[Drawing]:
    return [each for each in plan.drawings if each.template]


def _job_sheet(asked: _Asked) -> bytes:
    spec = asked.job.spec
    made = planned(spec, asked.notation)
    parts = [part for part in JOB_SHEET_PARTS if part in asked.parts]
    facts = sheet_facts(spec, made, asked.notation)
    return job_sheet_pdf(made, _standing(asked), asked.paper, facts, asked.notation, parts)


def _bench_card(asked: _Asked) -> bytes:
    job, notation = asked.job, asked.notation
    made = planned_at_bench(job, notation)
    frames = pictures(job.spec, notation, at_bench(job, job.workshop))
    return bench_card_pdf(made, _standing(asked), frames, asked.paper, sheet_facts(job.spec, made, notation))


def _cut_list(asked: _Asked) -> bytes:
    return cut_list_pdf(planned(asked.job.spec, asked.notation, drawn=()), asked.paper, asked.notation)


def _templates_chosen(asked: _Asked) -> bytes:
    templates = _templates(planned(asked.job.spec, asked.notation))
    chosen = [each for each in templates if each.id in asked.parts]
    return true_size_pdf(chosen or templates, asked.job.title, asked.paper)


_WRITERS: dict[PaperKind, Callable[[_Asked], bytes]] = {
    "job-sheet": _job_sheet,
    "bench-card": _bench_card,
    "cut-list": _cut_list,
    "templates": _templates_chosen,
}
