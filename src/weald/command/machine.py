"""What the machine has to provide, and how it is had."""

import os
import pwd
import shutil
import subprocess
from pathlib import Path


class NotReadyError(Exception):
    """The machine lacks something Weald cannot do without; the message says what to do."""


def is_root() -> bool:
    """Whether we run as the superuser, under whom PostgreSQL refuses to run."""
    return os.geteuid() == 0


def need_debian_packages(*packages: str) -> None:
    """Install Debian packages, or say which to install.

    :raises NotReadyError: where they cannot be installed from here.
    """
    advice = f"Install what is missing first: apt-get install {' '.join(packages)}"
    if not (is_root() and shutil.which("apt-get")):
        raise NotReadyError(advice)
    print(f"Installing {', '.join(packages)} …", flush=True)
    environment = os.environ | {"DEBIAN_FRONTEND": "noninteractive"}
    install = ["apt-get", "install", "-y", "-q", "--no-install-recommends", *packages]
    for command in (["apt-get", "update", "-q"], install):
        done = subprocess.run(command, env=environment, capture_output=True, text=True, check=False)
        if done.returncode and command is install:
            raise NotReadyError(f"{advice}\n{done.stderr.strip()[-500:]}")


def postgres_programs() -> Path:
    """The folder of PostgreSQL's server programs, installed where it was missing."""
    for attempt in range(2):
        found = sorted(Path("/usr/lib/postgresql").glob("*/bin/initdb"))
        if found:
            return found[-1].parent
        if own := shutil.which("initdb"):
            return Path(own).resolve().parent
        if attempt == 0:
            need_debian_packages("postgresql")
    raise NotReadyError("PostgreSQL was installed, but its programs were not found.")


def chromium() -> Path:
    """The browser the tests drive, installed where it was missing.

    Debian's headless shell: the same engine, without the toolbar a whole browser draws for every page unseen.
    """
    for attempt in range(2):
        if found := shutil.which("chromium-headless-shell"):
            return Path(found)
        if attempt == 0:
            need_debian_packages("chromium-headless-shell")
    raise NotReadyError("Chromium was installed, but not found.")


def database_user() -> pwd.struct_passwd:
    """Whom PostgreSQL runs as: ourselves, or an unprivileged user when we are root."""
    if not is_root():
        return pwd.getpwuid(os.geteuid())
    for name in ("postgres", "nobody"):
        try:
            return pwd.getpwnam(name)
        except KeyError:
            continue
    raise NotReadyError("There is no unprivileged user for the database; add one called postgres.")
