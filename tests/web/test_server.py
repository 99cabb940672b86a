"""The web server itself: who asked, by what a proxy says, and what it does not take."""

import http.client
import json
import threading
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from typing import Any

import pytest
from waitress.server import create_server

from weald.web import server


def who_asked(environ: dict[str, Any], start: Callable[..., Any]) -> list[bytes]:
    start("200 OK", [("Content-Type", "application/json")])
    said = {name: environ.get(name) for name in ("REMOTE_ADDR", "wsgi.url_scheme", "HTTP_X_FORWARDED_FOR")}
    return [json.dumps(said).encode()]


def _run(running: Any) -> None:
    with suppress(OSError):  # its socket is closed beneath it
        running.run()


@contextmanager
def serving() -> Iterator[int]:
    line = server.listen("127.0.0.1:0")
    running = create_server(who_asked, sockets=[line], threads=1, **server.options())
    thread = threading.Thread(target=_run, args=[running], daemon=True)
    thread.start()
    try:
        yield line.getsockname()[1]
    finally:
        running.close()


def asked(port: int, headings: dict[str, str]) -> tuple[int, dict[str, Any]]:
    line = http.client.HTTPConnection("127.0.0.1", port, timeout=10)
    line.request("GET", "/", headers=headings)
    answer = line.getresponse()
    content = answer.read()
    return answer.status, json.loads(content) if answer.status == 200 else {}


SAID = {"X-Forwarded-For": "198.51.100.9, 192.0.2.66", "X-Forwarded-Proto": "https"}


def test_behind_a_proxy_its_last_word_counts(settings: Any) -> None:
    settings.PROXIES = 1
    with serving() as port:
        _, said = asked(port, SAID)
    assert said["REMOTE_ADDR"] == "192.0.2.66", "what was sent to the proxy is only hearsay"
    assert said["wsgi.url_scheme"] == "https"


def test_without_a_proxy_nobody_says_who_they_are(settings: Any) -> None:
    settings.PROXIES = 0
    with serving() as port:
        _, said = asked(port, SAID)
    assert said == {"REMOTE_ADDR": "127.0.0.1", "wsgi.url_scheme": "http", "HTTP_X_FORWARDED_FOR": None}


def test_from_elsewhere_than_the_proxy_nobody_says_who_they_are(settings: Any) -> None:
    settings.PROXIES, settings.PROXY_ADDRESS = 1, "192.0.2.1"
    with serving() as port:
        _, said = asked(port, SAID)
    assert (said["REMOTE_ADDR"], said["wsgi.url_scheme"]) == ("127.0.0.1", "http")


@pytest.mark.parametrize("headings", [{"Cookie": "a" * 40_000}, {f"X-{n}": "a" * 100 for n in range(400)}])
def test_headings_without_end_are_refused(headings: dict[str, str]) -> None:
    with serving() as port:
        status, _ = asked(port, headings)
    assert status == 431
