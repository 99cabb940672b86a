"""Backups: database and files as one consistent whole, taken while Weald runs, put back into an empty place.

A backup is a tar file: ``weald-backup.json`` says what it is and has the SHA-256 of everything in it,
``database.dump`` is in PostgreSQL's own format, ``files/`` holds the texts, artworks and imposed files. Files
are never written twice under one name, so those there were before and after the database was written down
hold all that it speaks of.
"""

import hashlib
import io
import json
import os
import re
import shutil
import subprocess
import tarfile
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path

from weald.command.cluster import cluster_folder, running_url
from weald.command.machine import NotReadyError, postgres_programs
from weald.command.paths import VAR
from weald.command.serving import environment_of, manage, one_at_a_time, opened_database

FORMAT, VERSION = "weald-backup", 2
_ABOUT, _DUMP, _FILES = "weald-backup.json", "database.dump", "files"


def backup(out: Path, place: Path = VAR / "serve") -> int:
    """Write a backup; gives how many files it holds.

    :raises NotReadyError: when there is nothing to back up, or a part of it cannot be read.
    """
    with _database_in_use(place) as environment, tempfile.TemporaryDirectory(dir=out.parent) as folder:
        files = Path(environment["WEALD_FILES"])
        held = Path(folder) / _FILES
        _hold(files, held)
        dump = Path(folder) / _DUMP
        _postgres("pg_dump", environment["WEALD_DATABASE_URL"], "-Fc", "--no-owner", "-f", str(dump))
        _hold(files, held)
        unfinished = Path(folder) / out.name
        count = _pack(unfinished, dump, held)
        unfinished.chmod(0o600)
        unfinished.replace(out)
    return count


def restore(source: Path, place: Path = VAR / "serve") -> int:
    """Put a backup back into an empty place; gives how many files it held.

    :raises NotReadyError: when the file is no backup, of a newer Weald, or there is data already.
    """
    with one_at_a_time(place):
        environment = environment_of(place) | {"WEALD_PLAIN_HTTP": "1"}
        files = Path(environment["WEALD_FILES"])
        if files.exists() and any(path.is_file() for path in files.rglob("*")):
            raise NotReadyError(f"There are files in {files} already; restore into an empty place.")
        with opened_database(environment, place / "database") as (environment, _):
            url = environment["WEALD_DATABASE_URL"]
            tables = "select count(*) from pg_tables where schemaname = 'public'"
            if _postgres("psql", url, "-Atc", tables).strip() != "0":
                raise NotReadyError("There is data already; restore into an empty place.")
            place.mkdir(parents=True, exist_ok=True)
            with tempfile.TemporaryDirectory(dir=place) as folder:
                count = _unpack(source, Path(folder))
                dump, held = Path(folder) / _DUMP, Path(folder) / _FILES
                _postgres("pg_restore", "", "--list", str(dump))
                as_ours = ("--no-owner", "--no-privileges", "--no-comments", "--exit-on-error")
                _postgres("pg_restore", url, *as_ours, "--single-transaction", str(dump))
                try:
                    _move_in(held, files)
                    manage(environment, "make_ready")
                except BaseException:
                    shutil.rmtree(files, ignore_errors=True)
                    _postgres("psql", url, "-qc", "drop schema public cascade; create schema public")
                    raise
    return count


def _move_in(held: Path, files: Path) -> None:
    """Files that were checked, to where they are kept."""
    files.parent.mkdir(parents=True, exist_ok=True)
    held.mkdir(exist_ok=True)
    shutil.rmtree(files, ignore_errors=True)
    shutil.move(held, files)
    files.chmod(0o700)


@contextmanager
def _database_in_use(place: Path) -> Iterator[dict[str, str]]:
    """The surroundings of a place with its database, whether or not it runs just now."""
    environment = environment_of(place)
    running = running_url(cluster_folder(place / "database"))
    if running and "WEALD_DATABASE_URL" not in os.environ:
        yield environment | {"WEALD_DATABASE_URL": running}
        return
    begun = (cluster_folder(place / "database") / "PG_VERSION").exists()
    if "WEALD_DATABASE_URL" not in os.environ and not begun:
        raise NotReadyError(f"There is no data in {place} yet.")
    with opened_database(environment, place / "database") as (environment, _):
        yield environment


def _postgres(program: str, url: str, *arguments: str) -> str:
    """Run one of PostgreSQL's programs; the address goes by the environment, so that no list shows it."""
    done = subprocess.run(
        [str(postgres_programs() / program), *_into(program, url), *arguments],
        env={**os.environ, **(_address(url) if url else {})},
        capture_output=True,
        text=True,
        check=False,
    )
    if done.returncode:
        raise NotReadyError(f"{program} failed: {done.stderr.strip()[-600:]}")
    return done.stdout


def _into(program: str, url: str) -> list[str]:
    """Restoring has to be told by name that there is a database to restore into."""
    return ["-d", _address(url)["PGDATABASE"]] if program == "pg_restore" and url else []


def _address(url: str) -> dict[str, str]:
    from psycopg.conninfo import conninfo_to_dict

    names = {
        "host": "PGHOST",
        "port": "PGPORT",
        "user": "PGUSER",
        "password": "PGPASSWORD",
        "dbname": "PGDATABASE",
    }
    return {names[key]: str(value) for key, value in conninfo_to_dict(url).items() if key in names and value}


def _hold(files: Path, held: Path) -> None:
    """Hold on to every finished file there is, without copying it where that can be had."""
    for path in files.rglob("*") if files.exists() else ():
        kept = held / path.relative_to(files)
        if not path.is_file() or path.relative_to(files).parts[0] == "unfinished" or kept.exists():
            continue
        kept.parent.mkdir(parents=True, exist_ok=True)
        try:
            os.link(path, kept)
        except FileNotFoundError:
            continue  # thrown away just now
        except OSError:
            kept.write_bytes(path.read_bytes())


def _pack(out: Path, dump: Path, held: Path) -> int:
    files = sorted(path for path in held.rglob("*") if path.is_file()) if held.exists() else []
    names = {f"{_FILES}/{path.relative_to(held)}": path for path in files}
    digests = {name: _digest(path) for name, path in {_DUMP: dump, **names}.items()}
    about = {
        "format": FORMAT,
        "version": VERSION,
        "at": datetime.now(UTC).isoformat(),
        "files": len(files),
        "sha256": digests,
    }
    with tarfile.open(out, "w") as tar:
        content = json.dumps(about, indent=2).encode()
        entry = tarfile.TarInfo(_ABOUT)
        entry.size = len(content)
        tar.addfile(entry, io.BytesIO(content))
        tar.add(dump, _DUMP)
        for name, path in names.items():
            tar.add(path, name)
    return len(files)


def _digest(path: Path) -> str:
    with path.open("rb") as file:
        return hashlib.file_digest(file, "sha256").hexdigest()


def _unpack(source: Path, folder: Path) -> int:
    """Take a backup apart into a folder of its own, and check all of it before anything is touched."""
    files = folder / _FILES
    try:
        with tarfile.open(source) as tar:
            about = json.load(tar.extractfile(_ABOUT) or io.BytesIO(b"{}"))
            if about.get("format") != FORMAT:
                raise NotReadyError(f"{source} is no backup of Weald.")
            if about["version"] > VERSION:
                raise NotReadyError(f"{source} was written by a newer Weald; restore it with that.")
            _put(tar, tar.getmember(_DUMP), folder / _DUMP)
            files.mkdir(mode=0o700)
            held = [each for each in tar.getmembers() if each.isfile() and each.name.startswith(f"{_FILES}/")]
            for each in held:
                _put(tar, each, _within(files, each.name.removeprefix(f"{_FILES}/")))
    except (tarfile.TarError, KeyError, ValueError, OSError) as error:
        raise NotReadyError(f"{source} cannot be read as a backup ({error}).") from None
    if len(held) != about["files"]:
        raise NotReadyError(f"{source} is not whole: {len(held)} of {about['files']} files.")
    known = about.get("sha256", {})
    for name in (_DUMP, *(each.name for each in held)):
        path = folder / name
        wanted = known.get(name) or _named_digest(name)
        if wanted is not None and _digest(path) != wanted:
            raise NotReadyError(f"{source} is damaged: “{name}” is not what was saved. Nothing was restored.")
    return len(held)


_A_DIGEST = re.compile(r"[0-9a-f]{64}")


def _named_digest(name: str) -> str | None:
    """The digest a text is named by; artwork is named by what was brought, before it was made safe."""
    stem = Path(name).stem
    return stem if name.startswith(f"{_FILES}/texts/") and _A_DIGEST.fullmatch(stem) else None


def _within(folder: Path, name: str) -> Path:
    """A place in a folder, and never beside it."""
    path = folder / name
    if not path.resolve().is_relative_to(folder.resolve()):
        raise ValueError(f"“{name}” lies outside")
    return path


def _put(tar: tarfile.TarFile, member: tarfile.TarInfo, path: Path) -> None:
    """A file out of the archive: its content alone, whoever it belonged to."""
    content = tar.extractfile(member)
    if content is None:
        raise ValueError(f"“{member.name}” is no file")
    path.parent.mkdir(parents=True, exist_ok=True)
    with content, path.open("wb") as file:
        shutil.copyfileobj(content, file)
