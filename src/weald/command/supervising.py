"""Keeping processes alive: what dies is begun again, with growing pauses, and what happened is said.

Whatever is kept here dies with us, too: a child asks the kernel to be told when its parent is gone.

A place is locked by whoever runs in it, so that nothing runs twice. Before a database begins, whatever stands
in its folder still is ended: a backend its postmaster left busy keeps the memory another would need.
"""

import subprocess
import time
from collections.abc import Callable, Mapping, Sequence
from pathlib import Path

FIRST_PAUSE, LONGEST_PAUSE = 0.5, 30.0
STEADY_SECONDS = 60.0
"""What has run for so long is well again: its next pause is the first one."""
_LOOK_SECONDS = 0.3
_STOP_SECONDS = 10


class Kept:
    """Something that is to run: how it is begun, whether it runs, and how it is ended."""

    def __init__(
        self, name: str, begin: Callable[[], None], alive: Callable[[], bool], end: Callable[[], None]
    ) -> None:
        self.name, self.begin, self.alive, self.end = name, begin, alive, end
        self.pause = FIRST_PAUSE
        self.begun = 0.0
        self.due: float | None = None

    def look(self, now: float, say: Callable[[str], None]) -> None:
        """Begin it again, where it has died and its pause is over."""
        if self.due is None:
            if self.alive():
                return
            if now - self.begun > STEADY_SECONDS:
                self.pause = FIRST_PAUSE
            say(f"{self.name} stopped; begun again in {self.pause:g} s.")
            self.due, self.pause = now + self.pause, min(2 * self.pause, LONGEST_PAUSE)
        elif now >= self.due:
            self.due, self.begun = None, now
            try:
                self.begin()
            except Exception as error:
                say(f"{self.name} does not begin: {error}")


def with_us(command: Sequence[str]) -> list[str]:
    """A command that is ended at once where we are killed: nobody would be left to see it out."""
    return ["setpriv", "--pdeathsig", "KILL", *command]


class Program:
    """A program as one of the kept."""

    def __init__(self, command: Sequence[str], environment: Mapping[str, str], folder: Path) -> None:
        self._command = with_us(command)
        self._environment, self._folder = environment, folder
        self._process: subprocess.Popen[bytes] | None = None

    def begin(self) -> None:
        """Start it."""
        self._process = subprocess.Popen(
            self._command, env=dict(self._environment), cwd=self._folder, start_new_session=True
        )

    def alive(self) -> bool:
        """Whether it runs."""
        return self._process is not None and self._process.poll() is None

    def end(self) -> None:
        """Ask it to stop, and make it."""
        if self._process is None or self._process.poll() is not None:
            return
        self._process.terminate()
        try:
            self._process.wait(_STOP_SECONDS)
        except subprocess.TimeoutExpired:
            self._process.kill()
            self._process.wait()


def kept(name: str, program: Program) -> Kept:
    """A program that is to run, by its name."""
    return Kept(name, program.begin, program.alive, program.end)


def keep_alive(all_kept: Sequence[Kept], say: Callable[[str], None]) -> None:
    """Begin all, and keep them running for ever; whatever ends this ends them, the last one first."""
    begun: list[Kept] = []
    try:
        for each in all_kept:
            each.begin()
            each.begun = time.monotonic()
            begun.append(each)
        while True:
            for each in all_kept:
                each.look(time.monotonic(), say)
            time.sleep(_LOOK_SECONDS)
    finally:
        for each in reversed(begun):
            each.end()
