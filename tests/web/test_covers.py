"""Artwork and printers' rules over HTTP: whose they are, and what is refused."""

import io
from typing import Any

import pikepdf
import pytest
from django.contrib.auth.models import User
from django.test import Client
from PIL import Image

from tests.web.conftest import make_job, send
from weald.web.printing.files import artwork_name, forget
from weald.web.printing.models import Artwork

PRINTED = {"binding": {"structure": "printed_case", "material": "paper"}}


def png(width: int = 900, height: int = 600) -> bytes:
    buffer = io.BytesIO()
    Image.new("RGB", (width, height), (30, 120, 60)).save(buffer, "PNG")
    return buffer.getvalue()


def bring(client: Client, content: bytes, name: str = "gulls.png") -> Any:
    return client.post(f"/api/artworks?name={name}", content, content_type="application/octet-stream")


def test_artwork_is_brought_looked_at_and_printed_on_the_cover(client: Client, binder: User) -> None:
    brought = bring(client, png())
    assert brought.status_code == 201
    artwork = brought.json()
    assert (artwork["kind"], artwork["pixels"]) == ("png", 900)
    picture = client.get(f"/api/artworks/{artwork['digest']}/picture.png?width=200")
    assert Image.open(io.BytesIO(picture.content)).size == (200, 133)
    entries = {key: artwork[key] for key in ("width", "height", "pixels")}
    job = make_job(binder, PRINTED | {"artwork": {"file": artwork["digest"], "placing": "fill", **entries}})
    cover = client.get(f"/api/jobs/{job.pk}/cover.pdf")
    assert cover["Content-Type"] == "application/pdf"
    with pikepdf.open(io.BytesIO(cover.content)) as document:
        assert len(document.pages) == 1
        assert document.pages[0].trimbox != document.pages[0].mediabox
    assert client.get(f"/api/jobs/{job.pk}/cover.pdf?guides=true").status_code == 200
    assert bring(client, png()).json()["digest"] == artwork["digest"]
    assert Artwork.objects.count() == 1


def test_a_cover_that_is_not_printed_has_no_file(client: Client, binder: User) -> None:
    job = make_job(binder, {})
    assert client.get(f"/api/jobs/{job.pk}/cover.pdf").status_code == 404


@pytest.mark.parametrize(
    "content", [b"GIF89a", b"<svg xmlns='x'><script/></svg>", b"%PDF-1.4", b"\x89PNG\r\n\x1a\n"]
)
def test_what_is_no_artwork_is_refused_and_nothing_is_kept(client: Client, content: bytes) -> None:
    answer = bring(client, content)
    assert answer.status_code == 422
    assert answer.json()["message"]
    assert not Artwork.objects.exists()


def test_artwork_is_the_workshops_own(client: Client, stranger: User) -> None:
    digest = bring(client, png()).json()["digest"]
    other = Client()
    other.force_login(stranger)
    assert other.get("/api/artworks").json() == []
    assert other.get(f"/api/artworks/{digest}/picture.png").status_code == 404
    # a job of theirs that names it prints nothing of it
    job = make_job(stranger, PRINTED | {"artwork": {"file": digest, "width": 76.2, "height": 50.8}})
    bare = other.get(f"/api/jobs/{job.pk}/cover.pdf")
    with pikepdf.open(io.BytesIO(bare.content)) as document:
        assert "/XObject" not in document.pages[0].get("/Resources", {})


def test_artwork_that_is_lost_is_not_an_error(client: Client) -> None:
    digest = bring(client, png()).json()["digest"]
    forget(artwork_name(Artwork.objects.get()))
    assert client.get(f"/api/artworks/{digest}/picture.png").status_code == 404


def test_too_much_artwork_is_refused(client: Client, settings: Any) -> None:
    settings.LARGEST_ARTWORK = 100
    assert bring(client, png()).status_code == 413


def test_rules_are_kept_for_other_jobs(client: Client, stranger: User) -> None:
    added = send(client, "POST", "/api/cover-profiles", {"name": "Quay", "wrap": "3/4 in", "most_pages": 300})
    assert added.status_code == 201
    assert added.json()["rules"]["wrap"] == pytest.approx(19.05)
    again = send(client, "POST", "/api/cover-profiles", {"name": "Quay"})
    assert again.status_code == 422
    assert "already" in again.json()["fields"]["name"]
    assert "name" in send(client, "POST", "/api/cover-profiles", {"bleed": 3}).json()["fields"]
    wrong = send(client, "POST", "/api/cover-profiles", {"name": "Pier", "wrap": "wide"})
    assert "wrap" in wrong.json()["fields"]
    other = Client()
    other.force_login(stranger)
    assert other.get("/api/cover-profiles").json() == []
    number = added.json()["id"]
    assert other.delete(f"/api/cover-profiles/{number}").status_code == 404
    assert client.delete(f"/api/cover-profiles/{number}").status_code == 204
    assert client.get("/api/cover-profiles").json() == []
