"""Texts over HTTP: brought as they are, piece by piece, and looked at."""

from datetime import datetime
from typing import Any

from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Query, Router, Schema, Status

from weald.core.notation import Notation
from weald.exchange.foreign import page_png
from weald.exchange.reports import WIDEST
from weald.web.api.people import notation_of, workshop_of
from weald.web.api.rates import BRINGING, HEAVY
from weald.web.api.schemas import Problem
from weald.web.printing import services
from weald.web.printing.files import at_hand, room_left, text_name
from weald.web.printing.models import SourceText

router = Router(tags=["texts"])
_BODY: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {"application/pdf": {"schema": {"type": "string", "format": "binary"}}},
    }
}


class TextSize(Schema):
    """A size found in a text: how many pages have it, and the first of them."""

    width: float
    height: float
    shown: str
    pages: int
    first: int


class TextReply(Schema):
    """A text, and what was found in it."""

    digest: str
    name: str
    size: int
    pages: int
    sizes: list[TextSize]
    boxes: list[str]
    turned: int
    repaired: bool
    odd: list[str]
    brought: datetime


class TextShelf(Schema):
    """The texts of a workshop, and the room left for more, in bytes."""

    texts: list[TextReply]
    room_left: int


def text_of(request: HttpRequest, digest: str) -> SourceText:
    """A text of the workshop that is asking.

    :raises django.http.Http404: when there is none.
    """
    return get_object_or_404(SourceText, workshop=workshop_of(request), digest=digest)


def _reply(text: SourceText, notation: Notation) -> TextReply:
    sizes = [
        TextSize(
            **size, shown=f"{notation.length(size['width'], True)} × {notation.length(size['height'], True)}"
        )
        for size in text.report["sizes"]
    ]
    found = {key: text.report[key] for key in ("pages", "boxes", "turned", "repaired", "odd")}
    return TextReply(
        digest=text.digest, name=text.name, size=text.size, brought=text.brought, sizes=sizes, **found
    )


@router.get("/texts", response=TextShelf, operation_id="listTexts")
def list_texts(request: HttpRequest, search: str = Query("", max_length=200)) -> TextShelf:
    """The texts of the workshop, newest first."""
    workshop = workshop_of(request)
    texts = SourceText.objects.filter(workshop=workshop).order_by("-brought")
    words = search.replace("\0", "").strip()
    if words:
        texts = texts.filter(name__icontains=words)
    notation = notation_of(request)
    return TextShelf(texts=[_reply(text, notation) for text in texts[:200]], room_left=room_left(workshop))


@router.post(
    "/texts",
    response={201: TextReply, 413: Problem, 422: Problem},
    operation_id="bringText",
    throttle=BRINGING,
    openapi_extra=_BODY,
)
def bring_text(request: HttpRequest, name: str = Query("text.pdf", max_length=200)) -> Status:
    """Bring a text: the body is the PDF itself."""
    text = services.bring_text(workshop_of(request), name.replace("\0", ""), request)
    return Status(201, _reply(text, notation_of(request)))


@router.get("/texts/{digest}", response={200: TextReply, 404: Problem}, operation_id="openText")
def open_text(request: HttpRequest, digest: str) -> TextReply:
    """A text and what was found in it."""
    return _reply(text_of(request, digest), notation_of(request))


@router.delete(
    "/texts/{digest}", response={204: None, 404: Problem, 409: Problem}, operation_id="throwTextAway"
)
def throw_text_away(request: HttpRequest, digest: str) -> Status:
    """Forget a text no job needs."""
    services.throw_text_away(text_of(request, digest))
    return Status(204, None)


@router.get(
    "/texts/{digest}/pages/{int:number}.png", response={404: Problem}, operation_id="textPage", throttle=HEAVY
)
def text_page(
    request: HttpRequest, digest: str, number: int, width: int = Query(240, ge=40, le=WIDEST)
) -> HttpResponse:
    """A page of a text as a picture."""
    picture = page_png(at_hand(text_name(text_of(request, digest))), number, width)
    return picture_response(picture)


def picture_response(picture: bytes) -> HttpResponse:
    """A picture that never changes under its address."""
    response = HttpResponse(picture, content_type="image/png")
    response["Cache-Control"] = "private, max-age=86400, immutable"
    return response
