"""People at work on a running Weald, over plain HTTP: saving, counting stock, and patient when it is away."""

import http.client
import json
import re
import time
import uuid
from dataclasses import dataclass, field
from typing import Any
from urllib.parse import urlencode

PATIENCE_SECONDS = 90.0


class GoneError(Exception):
    """Nobody answered for too long."""


def _encoded(body: Any) -> bytes:
    if body is None:
        return b""
    return body.encode() if isinstance(body, str) else json.dumps(body).encode()


@dataclass
class Person:
    """One browser: its cookies, and one connection that is opened anew when it breaks."""

    port: int
    cookies: dict[str, str] = field(default_factory=dict)
    _line: http.client.HTTPConnection | None = None

    def ask(
        self, method: str, path: str, body: Any = None, kind: str = "application/json"
    ) -> tuple[int, bytes]:
        """One request; raises OSError or HTTPException when the line breaks."""
        data = body if isinstance(body, bytes) else _encoded(body)
        here = f"http://127.0.0.1:{self.port}"
        headers = {
            "Cookie": "; ".join(f"{name}={value}" for name, value in self.cookies.items()),
            "X-CSRFToken": self.cookies.get("csrftoken", ""),
            "Referer": here,
            "Content-Type": kind,
        }
        answer, content = self._answered(method, path, data, headers)
        for name, value in answer.getheaders():
            if name.lower() == "set-cookie" and (found := re.match(r"(\w+)=([^;]*)", value)):
                self.cookies[found[1]] = found[2]
        return answer.status, content

    def _answered(
        self, method: str, path: str, data: bytes, headers: dict[str, str]
    ) -> tuple[http.client.HTTPResponse, bytes]:
        """As a browser does: a line that was closed while nothing was asked is opened anew, once."""
        used = self._line is not None
        line = self._line or http.client.HTTPConnection("127.0.0.1", self.port, timeout=30)
        try:
            line.request(method, path, body=data, headers=headers)
            answer = line.getresponse()
            self._line, content = line, answer.read()
            return answer, content
        except (OSError, http.client.HTTPException):
            line.close()
            self._line = None
            if not used:
                raise
        return self._answered(method, path, data, headers)

    def sign_in(self, name: str, password: str) -> None:
        """Come in."""
        status, page = self.patiently("GET", "/sign-in")
        token = re.search(rb'name="csrfmiddlewaretoken" value="([^"]+)"', page)
        form = {
            "username": name,
            "password": password,
            "csrfmiddlewaretoken": token[1].decode() if token else "",
        }
        status, _ = self.ask("POST", "/sign-in", urlencode(form), "application/x-www-form-urlencoded")
        assert status == 302, status

    def patiently(self, method: str, path: str, body: Any = None) -> tuple[int, bytes]:
        """Ask again until something answers that is not away or just breaking."""
        began = time.monotonic()
        while time.monotonic() - began < PATIENCE_SECONDS:
            try:
                status, content = self.ask(method, path, body)
                if status < 500:
                    return status, content
            except (OSError, http.client.HTTPException):
                pass
            time.sleep(0.2)
        raise GoneError(f"{method} {path}")


@dataclass
class Saver:
    """Saves a job again and again, and remembers what was acknowledged."""

    person: Person
    job: int
    version: int
    spec: dict[str, Any]
    acknowledged: int = 0

    @classmethod
    def begin(cls, person: Person, title: str) -> "Saver":
        """With a job of its own."""
        _, content = person.patiently("POST", "/api/jobs", {"title": title})
        made = json.loads(content)
        return cls(person, made["id"], made["version"], made["spec"])

    def save(self, number: int) -> None:
        """Write a number into the job until it is acknowledged.

        A save whose answer was lost is found kept, by a stale version, and counts as acknowledged then.
        """
        self.spec["finish"]["edges"] = f"save {number}"
        while True:
            path = f"/api/jobs/{self.job}?version={self.version}"
            status, content = self.person.patiently("PUT", path, self.spec)
            answer = json.loads(content)
            if status == 200:
                self.version, self.acknowledged = answer["version"], number
                return
            assert status == 409, (status, content[:200])
            self.version = answer["job"]["version"]
            if answer["job"]["spec"]["finish"]["edges"] == f"save {number}":
                self.acknowledged = number
                return

    def kept(self) -> int:
        """The number the job holds now; 0 where nothing was saved."""
        _, content = self.person.patiently("GET", f"/api/jobs/{self.job}")
        edges = json.loads(content)["spec"]["finish"]["edges"]
        return int(edges.removeprefix("save ") or 0)


@dataclass
class Counter:
    """Takes one sheet at a time from the shelf; asked twice with one key, it counts once."""

    person: Person
    item: int
    begun_with: int
    taken: int = 0

    @classmethod
    def begin(cls, person: Person, name: str) -> "Counter":
        """With an item of its own."""
        stock = {
            "name": name,
            "kind": "paper",
            "form": "sheet",
            "width": 700,
            "height": 500,
            "count": "100000",
        }
        status, content = person.patiently("POST", "/api/shelf", stock)
        assert status == 201, content[:300]
        row = json.loads(content)
        return cls(person, row["id"], 100_000)

    def take(self, _: int) -> None:
        """Take one, until it is acknowledged."""
        order = {"change": "1", "reason": "used", "note": "", "key": str(uuid.uuid4())}
        status, content = self.person.patiently("POST", f"/api/shelf/{self.item}/count", order)
        assert status == 200, content[:300]
        self.taken += 1

    def there(self) -> int:
        """What is on the shelf."""
        _, content = self.person.patiently("GET", "/api/shelf?search=Counted")
        return int(next(row["count"] for row in json.loads(content)["items"] if row["id"] == self.item))
