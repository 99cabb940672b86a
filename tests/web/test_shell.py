"""The page the interface lives in, its files, and how it is served with TLS."""

import re
from typing import Any

import pytest
from django.test import Client

from tests.web.conftest import send
from weald.web.jobs.models import Job


def test_the_page_loads_the_built_script_and_styles(client: Client) -> None:
    page = client.get("/jobs/12/boards").content.decode()
    files = re.findall(r'(?:src|href)="(/static/[^"]+)"', page)
    assert {file.rsplit(".", 1)[1] for file in files} == {"js", "css"}
    for file in files:
        answer = Client().get(file)
        assert answer.status_code == 200
        # a name with a hash never means another content
        assert "immutable" in answer["Cache-Control"]
        packed = Client().get(file, headers={"accept-encoding": "gzip"})
        assert packed["Content-Encoding"] == "gzip"
        assert int(packed["Content-Length"]) < 0.5 * int(answer["Content-Length"])


def test_fonts_ship_with_the_application(client: Client) -> None:
    page = client.get("/").content.decode()
    sheet = re.search(r'href="(/static/[^"]+\.css)"', page)
    assert sheet
    styles = b"".join(Client().get(sheet[1])).decode()
    fonts = re.findall(r"url\((/static/[^)]+\.woff2)\)", styles)
    assert any("literata" in font for font in fonts)
    assert any("public-sans" in font for font in fonts)
    assert not re.search(r"url\(\s*['\"]?(https?:)?//", styles)
    assert Client().get(fonts[0]).status_code == 200


def test_without_leave_for_plain_http_everything_is_sent_to_tls(db: None, settings: Any) -> None:
    settings.SECURE_SSL_REDIRECT = True
    answer = Client().get("/sign-in")
    assert answer.status_code == 301
    assert answer["Location"].startswith("https://")


def test_the_page_takes_no_writing(client: Client) -> None:
    assert client.post("/jobs/1").status_code == 405


def test_a_method_that_does_not_exist_changes_nothing(client: Client, job: Job) -> None:
    assert client.delete(f"/api/jobs/{job.pk}").status_code == 405
    assert Job.objects.filter(pk=job.pk).exists()


@pytest.mark.parametrize("path", ["/api/jobs/999999", "/api/jobs/999999/drawings/case.flat.svg"])
def test_what_is_not_there_is_said_in_plain_words(client: Client, path: str) -> None:
    answer = client.get(path)
    assert answer.status_code == 404
    assert answer.json()["message"] == "There is no such thing in your workshop."


def test_an_upload_that_is_no_job_file_by_size_is_refused(client: Client) -> None:
    from django.core.files.uploadedfile import SimpleUploadedFile

    upload = SimpleUploadedFile("log.json", b" " * 1_500_000)
    answer = client.post("/api/jobs/import", {"file": upload})
    assert answer.status_code == 422
    assert "larger than a job file can be" in answer.json()["message"]


def test_a_stale_rename_overwrites_nothing(client: Client, job: Job) -> None:
    path = f"/api/jobs/{job.pk}/rename"
    assert send(client, "POST", path, {"version": 1, "title": "Almanac"}).status_code == 200
    answer = send(client, "POST", path, {"version": 1, "title": "Other"})
    assert answer.status_code == 409
    assert answer.json()["fields"] == {"title": "Title Almanac"}
    job.refresh_from_db()
    assert job.title == "Almanac"
