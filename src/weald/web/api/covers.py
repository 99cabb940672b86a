"""Printed covers over HTTP: artwork brought, printers' rules kept, the cover as a PDF."""

from datetime import datetime
from typing import Any

from django.db import IntegrityError, transaction
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Body, Query, Router, Schema, Status

from weald.core.errors import SpecError
from weald.core.extras.elsewhere import cover_of
from weald.core.job.printing import CoverRules
from weald.core.job.spec import read_spec
from weald.core.planning.plan import plan
from weald.exchange.foreign import artwork_png, cover_pdf
from weald.exchange.reports import WIDEST, Kind
from weald.web.api.downloads import file_response
from weald.web.api.jobs import job_of
from weald.web.api.people import notation_of, workshop_of
from weald.web.api.rates import BRINGING, HEAVY
from weald.web.api.schemas import Problem
from weald.web.api.typed import CoverRulesInput
from weald.web.jobs.models import Job
from weald.web.printing import services
from weald.web.printing.files import artwork_name, at_hand, is_kept
from weald.web.printing.models import Artwork, CoverProfile

router = Router(tags=["covers"])
_KINDS = ("application/pdf", "image/png", "image/jpeg", "image/svg+xml")
_BODY: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {kind: {"schema": {"type": "string", "format": "binary"}} for kind in _KINDS},
    }
}


class ArtworkReply(Schema):
    """Artwork, what it is, and what was left out of a drawing to make it safe."""

    digest: str
    name: str
    kind: Kind
    width: float
    height: float
    shown: str
    pixels: int | None
    left_out: list[str]
    brought: datetime


class ProfileReply(Schema):
    """The rules of somebody who prints covers."""

    id: int
    rules: CoverRules


def _reply(artwork: Artwork, request: HttpRequest) -> ArtworkReply:
    report, show = artwork.report, notation_of(request).length
    return ArtworkReply(
        digest=artwork.digest,
        name=artwork.name,
        brought=artwork.brought,
        shown=f"{show(report['width'], True)} × {show(report['height'], True)}",
        **report,
    )


@router.get("/artworks", response=list[ArtworkReply], operation_id="listArtworks")
def list_artworks(request: HttpRequest) -> list[ArtworkReply]:
    """The artwork of the workshop, newest first."""
    artworks = Artwork.objects.filter(workshop=workshop_of(request)).order_by("-brought")[:200]
    return [_reply(artwork, request) for artwork in artworks]


@router.post(
    "/artworks",
    response={201: ArtworkReply, 413: Problem, 422: Problem},
    operation_id="bringArtwork",
    throttle=BRINGING,
    openapi_extra=_BODY,
)
def bring_artwork(request: HttpRequest, name: str = Query("cover", max_length=200)) -> Status:
    """Bring artwork: the body is the file itself."""
    artwork = services.bring_artwork(workshop_of(request), name.replace("\0", ""), request)
    return Status(201, _reply(artwork, request))


@router.get(
    "/artworks/{digest}/picture.png", response={404: Problem}, operation_id="artworkPicture", throttle=HEAVY
)
def artwork_picture(
    request: HttpRequest, digest: str, width: int = Query(1000, ge=16, le=WIDEST)
) -> HttpResponse:
    """Artwork as it is shown on screen."""
    artwork = get_object_or_404(Artwork, workshop=workshop_of(request), digest=digest)
    if not is_kept(artwork_name(artwork)):
        raise Http404
    path = at_hand(artwork_name(artwork))
    response = HttpResponse(artwork_png(path, artwork.report["kind"], width), content_type="image/png")
    response["Cache-Control"] = "private, max-age=86400"
    return response


@router.get("/jobs/{int:job_id}/cover.pdf", response={404: Problem}, operation_id="coverPdf", throttle=HEAVY)
def take_cover(
    request: HttpRequest,
    job_id: int,
    guides: bool = Query(False),
    edition: int | None = Query(None, ge=1, le=6),
) -> HttpResponse:
    """The printed cover with its boxes; with ``guides`` a proof that shows what falls where.

    With ``edition`` that of an edition printed elsewhere, on exactly its printer's document.
    """
    job = job_of(request, job_id)
    spec = job.spec
    if edition is not None:
        content = _cover_elsewhere(job, edition)
        return file_response(content, spec.title, f"-cover-{edition}.pdf", "application/pdf", inline=True)
    made = plan(spec, notation_of(request), drawn=("boards",))
    if made.cover_art is None:
        raise Http404
    drawn = next(each for each in made.drawings if each.id == "cover.guides") if guides else None
    content = cover_pdf(made.cover_art, spec.title, services.artwork_of(job, spec), guides=drawn)
    ending = "-cover-proof.pdf" if guides else "-cover.pdf"
    return file_response(content, spec.title, ending, "application/pdf", inline=True)


def _cover_elsewhere(job: Job, number: int) -> bytes:
    """The cover of an edition, its lettering and barcode in the middle of its printer's document."""
    spec = job.spec
    editions = spec.extras.elsewhere.editions if spec.extras.elsewhere else ()
    if number > len(editions):
        raise Http404
    art = cover_of(spec, editions[number - 1])
    return cover_pdf(art, spec.title, services.artwork_of(job, spec))


@router.get("/cover-profiles", response=list[ProfileReply], operation_id="listCoverProfiles")
def list_profiles(request: HttpRequest) -> list[ProfileReply]:
    """The rules of those who print covers for the workshop."""
    profiles = CoverProfile.objects.filter(workshop=workshop_of(request)).order_by("name")
    return [ProfileReply(id=profile.pk, rules=profile.rules) for profile in profiles]


@router.post("/cover-profiles", response={201: ProfileReply, 422: Problem}, operation_id="addCoverProfile")
def add_profile(request: HttpRequest, data: CoverRulesInput = Body(...)) -> Status:
    """Keep somebody's rules under their name."""
    try:
        rules = read_spec({"artwork": {"rules": data}}, notation_of(request)).artwork.rules
    except SpecError as error:
        fields = {path.removeprefix("artwork.rules."): text for path, text in error.fields.items()}
        raise SpecError(fields) from None
    if rules is None or not rules.name.strip():
        raise SpecError({"name": "Say whose rules these are."})
    profile = CoverProfile(workshop=workshop_of(request), name=rules.name, spec=rules.model_dump(mode="json"))
    try:
        with transaction.atomic():
            profile.save()
    except IntegrityError:
        raise SpecError({"name": f"There are rules of “{rules.name}” already."}) from None
    return Status(201, ProfileReply(id=profile.pk, rules=rules))


@router.delete(
    "/cover-profiles/{int:profile_id}", response={204: None, 404: Problem}, operation_id="dropCoverProfile"
)
def drop_profile(request: HttpRequest, profile_id: int) -> Status:
    """Forget somebody's rules; jobs keep their own copy."""
    get_object_or_404(CoverProfile, pk=profile_id, workshop=workshop_of(request)).delete()
    return Status(204, None)
