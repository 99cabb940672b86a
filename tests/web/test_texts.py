"""Texts brought, looked at and thrown away."""

import io
import os
from pathlib import Path
from typing import Any

import pikepdf
import pytest
from django.contrib.auth.models import User
from django.test import Client
from PIL import Image

from tests.exchange.test_text_pdf import BAD
from tests.exchange.texts import write_text
from tests.web.conftest import make_job
from weald.web.jobs.models import Change
from weald.web.printing.models import SourceText


def bring(client: Client, content: bytes, name: str = "tides.pdf") -> Any:
    return client.generic("POST", f"/api/texts?name={name}", data=content, content_type="application/pdf")


@pytest.fixture
def content(tmp_path: Path) -> bytes:
    return write_text(tmp_path / "text.pdf", 12, 140, 210).read_bytes()


def kept(tmp_path: Path) -> list[str]:
    return [path.name for path in (tmp_path / "files").rglob("*") if path.is_file()]


def test_a_text_is_brought_and_described(client: Client, content: bytes, tmp_path: Path) -> None:
    answer = bring(client, content)
    assert answer.status_code == 201
    text = answer.json()
    assert (text["name"], text["pages"], text["size"]) == ("tides.pdf", 12, len(content))
    assert text["sizes"][0]["shown"] == "140 mm × 210 mm"
    assert kept(tmp_path) == [f"{text['digest']}.pdf"]
    # brought once more it is the same text
    assert bring(client, content, "again.pdf").json()["digest"] == text["digest"]
    shelf = client.get("/api/texts").json()
    assert [each["name"] for each in shelf["texts"]] == ["tides.pdf"]
    assert shelf["room_left"] == 5_000_000_000 - len(content)
    assert client.get("/api/texts?search=log").json()["texts"] == []


@pytest.mark.parametrize(("spoil", "words"), BAD, ids=[each[0].__name__ for each in BAD])
def test_what_cannot_be_bound_is_refused_and_not_kept(
    client: Client, content: bytes, tmp_path: Path, spoil: Any, words: str
) -> None:
    path = tmp_path / "text.pdf"
    spoil(path)
    answer = bring(client, path.read_bytes())
    assert answer.status_code == 422
    assert words in answer.json()["message"]
    assert kept(tmp_path) == []
    assert not SourceText.objects.exists()


def test_a_text_of_many_megabytes_is_brought(client: Client) -> None:
    pdf = pikepdf.new()
    pdf.add_blank_page(page_size=(400, 600))
    pdf.Root.Scan = pdf.make_stream(os.urandom(5_000_000))
    pdf.save(content := io.BytesIO())
    answer = client.post("/api/texts?name=scans.pdf", content.getvalue(), content_type="application/pdf")
    assert (answer.status_code, answer.json()["pages"]) == (201, 1)


def test_a_text_larger_than_there_is_room_for_is_cut_off(
    client: Client, content: bytes, tmp_path: Path, settings: Any
) -> None:
    settings.LARGEST_TEXT = len(content) - 1
    answer = bring(client, content)
    assert (answer.status_code, answer.json()["code"]) == (413, "too_large")
    settings.LARGEST_TEXT, settings.WORKSHOP_QUOTA = 10**9, len(content) + 10
    assert bring(client, content).status_code == 201
    assert bring(client, content + b"\n%another").status_code == 413
    assert len(kept(tmp_path)) == 1


def test_too_many_pages_are_refused(client: Client, content: bytes, settings: Any) -> None:
    settings.MOST_PAGES = 11
    answer = bring(client, content)
    assert answer.status_code == 422
    assert "12 pages are more than 11" in answer.json()["message"]


def test_pages_are_seen_as_pictures(client: Client, content: bytes) -> None:
    digest = bring(client, content).json()["digest"]
    answer = client.get(f"/api/texts/{digest}/pages/3.png?width=140")
    assert answer["Content-Type"] == "image/png"
    assert Image.open(io.BytesIO(answer.content)).size == (140, 210)
    missing = client.get(f"/api/texts/{digest}/pages/13.png")
    assert (missing.status_code, "the last is 12" in missing.json()["message"]) == (422, True)


def test_another_workshops_text_is_not_there(client: Client, content: bytes, stranger: User) -> None:
    other = Client()
    other.force_login(stranger)
    digest = bring(other, content).json()["digest"]
    for path in (f"/api/texts/{digest}", f"/api/texts/{digest}/pages/1.png"):
        assert client.get(path).status_code == 404
    assert client.delete(f"/api/texts/{digest}").status_code == 404
    assert client.get("/api/texts").json()["texts"] == []
    assert other.get(f"/api/texts/{digest}").status_code == 200


def test_a_text_a_job_needs_is_kept(
    client: Client,
    content: bytes,
    binder: User,
    tmp_path: Path,
    django_capture_on_commit_callbacks: Any,
) -> None:
    digest = bring(client, content).json()["digest"]
    job = make_job(binder, {"title": "Tide tables", "text": {"file": digest, "pages": 12}})
    answer = client.delete(f"/api/texts/{digest}")
    assert answer.status_code == 409
    assert "“Tide tables” needs it" in answer.json()["message"]
    Change.objects.filter(job=job).update(spec={})
    with django_capture_on_commit_callbacks(execute=True):
        assert client.delete(f"/api/texts/{digest}").status_code == 204
    assert kept(tmp_path) == []
