"""Killed again and again while people save, count stock and impose: nothing acknowledged is lost."""

import json
import os
import random
import signal
import subprocess
import threading
import time
from collections.abc import Callable
from pathlib import Path

from tests.command.people import Counter, Person, Saver
from tests.command.test_cluster import running_demo, wait_until, wait_until_open
from tests.command.test_supervising import _pids
from weald.command.cluster import cluster_folder, free_port, running_url
from weald.command.serving import DEMO_NAME, DEMO_PASSWORD

KILLS = int(os.environ.get("WEALD_KILLS", "5"))
PAUSE_SECONDS = 2.0
VICTIMS = ("worker", "web", "backend", "postmaster", "serve")


class Place:
    """A demo that is begun again when it is killed as a whole."""

    def __init__(self, var: Path) -> None:
        self.var, self.port = var, free_port()
        self.database = cluster_folder(var / "demo" / "database")
        self.heard = (var / "heard").open("w+")
        self._running = running_demo(var, self.port, self.heard.fileno())
        self.demo = self._running.__enter__()
        wait_until_open(self.port)

    def kill(self, victim: str) -> None:
        """Kill -9 one part of it."""
        if victim == "serve":
            self.demo.kill()
            self.demo.wait()
            self._running = running_demo(self.var, self.port, self.heard.fileno())
            self.demo = self._running.__enter__()
            return
        for pid in self._found(victim)[:1]:
            os.kill(pid, signal.SIGKILL)

    def _found(self, victim: str) -> list[int]:
        if victim == "worker":
            return _pids(self.var, "manage.py work")
        if victim == "web":
            return _pids(self.var, "weald.web.server")
        try:
            postmaster = int((self.database / "postmaster.pid").read_text().splitlines()[0])
        except (OSError, ValueError, IndexError):
            return []
        if victim == "postmaster":
            return [postmaster]
        listed = subprocess.run(
            ["pgrep", "-P", str(postmaster), "-f", "weald weald"], capture_output=True, check=False
        )
        return [int(pid) for pid in listed.stdout.split()]

    def close(self) -> None:
        """End it as it should be ended."""
        self._running.__exit__(None, None, None)
        self.heard.close()


def until(over: threading.Event, do: Callable[[int], None], failed: list[BaseException]) -> threading.Thread:
    """Somebody doing the same thing again and again."""

    def work() -> None:
        number = 0
        try:
            while not over.is_set():
                number += 1
                do(number)
        except BaseException as error:
            failed.append(error)

    thread = threading.Thread(target=work, daemon=True)
    thread.start()
    return thread


def signed_in(port: int) -> Person:
    person = Person(port)
    person.sign_in(DEMO_NAME, DEMO_PASSWORD)
    return person


def test_nothing_acknowledged_is_lost_whatever_is_killed(loaded_var: Path) -> None:
    var = loaded_var
    place = Place(var)
    chance, over, failed = random.Random(7), threading.Event(), list[BaseException]()
    try:
        savers = [Saver.begin(signed_in(place.port), f"Saver {number}") for number in range(3)]
        counters = [Counter.begin(signed_in(place.port), f"Counted {number}") for number in range(2)]
        imposer = signed_in(place.port)
        asked: list[str] = []
        job = blank_book(imposer)

        def impose(number: int) -> None:
            _, content = imposer.patiently("POST", f"/api/jobs/{job}/prints", {"part": "whole"})
            asked.append(json.loads(content)["id"])
            over.wait(2.0)

        people = [until(over, saver.save, failed) for saver in savers]
        people += [until(over, counter.take, failed) for counter in counters]
        people.append(until(over, impose, failed))
        for number in range(KILLS):
            over.wait(PAUSE_SECONDS)
            place.kill(VICTIMS[number % len(VICTIMS)] if number < len(VICTIMS) else chance.choice(VICTIMS))
        wait_until(lambda: place.demo.poll() is not None or running_url(place.database) is not None)
        assert place.demo.poll() is None, (var / "heard").read_text()[-2000:]
        wait_until_open(place.port)
        over.wait(PAUSE_SECONDS)
        over.set()
        for thread in people:
            thread.join(120)
            assert not thread.is_alive()
        assert failed == []
        for saver in savers:
            assert saver.acknowledged > KILLS
            assert saver.kept() == saver.acknowledged
        for counter in counters:
            assert counter.taken > KILLS
            assert counter.there() == counter.begun_with - counter.taken
        assert_whole_or_said(imposer, job, asked)
    finally:
        over.set()
        place.close()


def blank_book(person: Person) -> int:
    """A job that can be imposed without a text."""
    _, content = person.patiently(
        "POST", "/api/jobs", {"title": "Blank", "text": {"blank_book": True, "pages": 64}}
    )
    return int(json.loads(content)["id"])


def assert_whole_or_said(person: Person, job: int, asked: list[str]) -> None:
    """Every file asked for is whole, or it is said that and why it is not."""
    deadline = time.monotonic() + 240
    while True:
        _, content = person.patiently("GET", f"/api/jobs/{job}/prints")
        prints = {made["id"]: made for made in json.loads(content)}
        if (
            all(each["state"] in ("done", "failed") for each in prints.values())
            or time.monotonic() > deadline
        ):
            break
        time.sleep(1.0)
    assert len(asked) > 2
    assert set(asked[-40:]) <= set(prints)
    for made in prints.values():
        assert made["state"] in ("done", "failed"), made
        if made["state"] == "failed":
            assert made["message"]
            continue
        status, file = person.patiently("GET", f"/api/jobs/{job}/prints/{made['id']}/file")
        assert status == 200
        assert len(file) == made["size"]
        assert file.rstrip().endswith(b"%%EOF")
