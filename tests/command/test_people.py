"""Many people at once: no errors, and how long they wait. ``./weald soak`` has a hundred of them."""

import json
import os
import random
import socket
import subprocess
import threading
import time
from collections import defaultdict
from functools import partial
from pathlib import Path

from tests.command.people import Person, Saver
from tests.command.test_cluster import running_demo, wait_until_open
from tests.command.test_kills import signed_in, until
from weald.command.cluster import free_port

PEOPLE = int(os.environ.get("WEALD_PEOPLE", "8"))
PAUSE = float(os.environ.get("WEALD_PEOPLE_PAUSE", "1"))
"""Seconds from an answer to what somebody does next, half as much more or less."""
SECONDS = float(os.environ.get("WEALD_PEOPLE_SECONDS", "6"))


HALF_SENT = 40


class Waits:
    """How long answers took, by what was asked; and what went wrong."""

    def __init__(self) -> None:
        self._lock = threading.Lock()
        self.taken: dict[str, list[float]] = defaultdict(list)
        self.wrong: list[tuple[str, int, bytes]] = []

    def ask(self, saver: Saver, what: str, method: str, path: str, body: object = None) -> bytes:
        """One request, timed."""
        began = time.monotonic()
        status, content = saver.person.ask(method, path, body)
        with self._lock:
            self.taken[what].append(time.monotonic() - began)
            if status >= 400:
                self.wrong.append((what, status, content[:200]))
        return content

    def said(self, what: str) -> str:
        """Median and 95th percentile, in milliseconds."""
        taken = sorted(self.taken[what])
        middle, late = taken[len(taken) // 2], taken[int(len(taken) * 0.95)]
        return f"{what}: {len(taken)} times, median {1000 * middle:.0f} ms, p95 {1000 * late:.0f} ms"


def work(saver: Saver, waits: Waits, chance: random.Random, over: threading.Event, _: int) -> None:
    """What somebody does next: mostly typing, sometimes a save, the desk, a drawing."""
    if over.wait(PAUSE * chance.uniform(0.5, 1.5)):
        return
    saver.spec["leaf"]["width"] = round(chance.uniform(120, 160), 1)
    what = chance.choices(("plan", "save", "list", "drawing"), (55, 20, 15, 10))[0]
    if what == "plan":
        waits.ask(saver, what, "POST", "/api/plan?station=boards", saver.spec)
    elif what == "save":
        path = f"/api/jobs/{saver.job}?version={saver.version}"
        saver.version = json.loads(waits.ask(saver, what, "PUT", path, saver.spec))["version"]
    elif what == "list":
        waits.ask(saver, what, "GET", "/api/jobs")
    else:
        waits.ask(saver, what, "GET", f"/api/jobs/{saver.job}/drawings/case.flat.svg")


def half_a_request(port: int, person: Person, number: int) -> socket.socket:
    """Somebody who begins to ask, in the headings or in the body, and does not go on."""
    line = socket.create_connection(("127.0.0.1", port))
    cookies = "; ".join(f"{name}={value}" for name, value in person.cookies.items())
    line.sendall(f"POST /api/plan HTTP/1.1\r\nHost: 127.0.0.1:{port}\r\nCookie: {cookies}\r\n".encode())
    if number % 2:
        headings = f"X-CSRFToken: {person.cookies['csrftoken']}\r\nContent-Length: 900\r\n"
        line.sendall(f"{headings}Content-Type: application/json\r\n\r\n{{".encode())
    return line


def test_many_people_at_once(loaded_var: Path) -> None:
    port, waits, over = free_port(), Waits(), threading.Event()
    failed: list[BaseException] = []
    with running_demo(loaded_var, port, subprocess.DEVNULL):
        wait_until_open(port)
        first = signed_in(port)
        savers = []
        for number in range(PEOPLE):
            person = signed_in(port) if number < 2 else type(first)(port, dict(first.cookies))
            savers.append(Saver.begin(person, f"Person {number}"))
        half_sent = [half_a_request(port, savers[0].person, number) for number in range(HALF_SENT)]
        chance = random.Random(3)
        people = [until(over, partial(work, saver, waits, chance, over), failed) for saver in savers]
        over.wait(SECONDS)
        over.set()
        for thread in people:
            thread.join(60)
        for line in half_sent:
            line.close()
    assert failed == []
    assert waits.wrong == []
    assert len(waits.taken["plan"]) >= PEOPLE
    print(f"\n{PEOPLE} people for {SECONDS:.0f} s, each pausing {PAUSE:g} s")
    for what in sorted(waits.taken):
        print(waits.said(what))
