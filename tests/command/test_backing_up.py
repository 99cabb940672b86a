"""A backup taken from data in use, put back elsewhere: everything is there, and the files are whole."""

import hashlib
import io
import json
import subprocess
import sys
import tarfile
from pathlib import Path

import psycopg
import pytest

from tests.command.test_cluster import _reachable
from weald.command.backing_up import backup, restore
from weald.command.cluster import Cluster, cluster_folder, running_cluster
from weald.command.machine import NotReadyError
from weald.command.paths import PROJECT
from weald.command.serving import environment_of, manage


@pytest.fixture(autouse=True)
def by_itself(monkeypatch: pytest.MonkeyPatch) -> None:
    """Weald as it is without anything said in its surroundings."""
    _by_itself(monkeypatch)


def _by_itself(monkeypatch: pytest.MonkeyPatch) -> None:
    for name in ("WEALD_DATABASE_URL", "WEALD_FILES"):
        monkeypatch.delenv(name, raising=False)


def _counted(url: str) -> dict[str, int]:
    tables = ("jobs_job", "jobs_change", "jobs_move", "shelf_shelfitem", "printing_sourcetext", "auth_user")
    with psycopg.connect(url) as connection:
        return {
            table: connection.execute(f"select count(*) from {table}").fetchone()[0]  # type: ignore[index]
            for table in tables
        }


def _files(place: Path) -> dict[str, bytes]:
    folder = place / "files"
    return {str(path.relative_to(folder)): path.read_bytes() for path in folder.rglob("*") if path.is_file()}


def test_what_was_backed_up_in_use_is_put_back_elsewhere(tmp_path: Path) -> None:
    one, other = _reachable(tmp_path) / "one", tmp_path / "other"
    out = tmp_path / "saved.tar"
    environment = environment_of(one) | {"WEALD_PLAIN_HTTP": "1"}
    with running_cluster(cluster_folder(one / "database"), lasting=False) as url:
        manage(environment | {"WEALD_DATABASE_URL": url}, "load_demo", "binder", "linen-thread")
        before, files = _counted(url), _files(one)
        (one / "files" / "unfinished").mkdir(exist_ok=True)
        (one / "files" / "unfinished" / "half").write_bytes(b"half")
        assert backup(out, one) == len(files)
    assert before["jobs_job"] > 5
    assert len(files) > 1
    assert out.stat().st_mode & 0o077 == 0
    assert restore(out, other) == len(files)
    assert _files(other) == files
    with running_cluster(cluster_folder(other / "database"), lasting=False) as url:
        assert _counted(url) == before
        checked = environment_of(other) | {"WEALD_PLAIN_HTTP": "1", "WEALD_DATABASE_URL": url}
        code = (
            "from weald.web.jobs.models import Job; print(sum(bool(j.spec.title) for j in Job.objects.all()))"
        )
        shell = [sys.executable, str(PROJECT / "manage.py"), "shell", "-c", code]
        done = subprocess.run(shell, env=checked, cwd=PROJECT, capture_output=True, text=True, check=True)
        assert str(before["jobs_job"]) in done.stdout
    with pytest.raises(NotReadyError, match="already"):
        restore(out, other)


def test_nothing_to_back_up_is_said(tmp_path: Path) -> None:
    with pytest.raises(NotReadyError, match="no data"):
        backup(tmp_path / "saved.tar", _reachable(tmp_path) / "none")


@pytest.mark.parametrize(
    ("about", "words"),
    [({"format": "something"}, "no backup"), ({"format": "weald-backup", "version": 99}, "newer Weald")],
)
def test_what_is_no_backup_is_refused_and_nothing_is_begun(
    tmp_path: Path, about: dict[str, object], words: str
) -> None:
    source = tmp_path / "file.tar"
    with tarfile.open(source, "w") as tar:
        content = json.dumps(about).encode()
        entry = tarfile.TarInfo("weald-backup.json")
        entry.size = len(content)
        tar.addfile(entry, io.BytesIO(content))
    with pytest.raises(NotReadyError, match=words):
        restore(source, _reachable(tmp_path) / "place")
    source.write_bytes(b"nonsense")
    with pytest.raises(NotReadyError, match="cannot be read as a backup"):
        restore(source, tmp_path / "place")
    assert not any((tmp_path / "place").glob("files/*"))
    assert Cluster(cluster_folder(tmp_path / "place" / "database"), lasting=False).alive is False


def _damaged(source: Path, name: str, out: Path) -> Path:
    """The same backup with one byte of one file in it turned over."""
    with tarfile.open(source) as old, tarfile.open(out, "w") as new:
        for member in old.getmembers():
            file = old.extractfile(member)
            content = bytearray(file.read() if file else b"")
            if member.name == name or (name == "files" and member.name.startswith("files/texts/")):
                content[len(content) // 2] ^= 1
            new.addfile(member, io.BytesIO(bytes(content)))
    return out


@pytest.fixture(scope="module")
def saved(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A backup of one text and nothing else."""
    with pytest.MonkeyPatch.context() as patch:
        _by_itself(patch)
        within = _reachable(tmp_path_factory.mktemp("saved"))
        one, out = within / "one", within / "saved.tar"
        (one / "files" / "texts" / "1").mkdir(parents=True)
        content = b"a text, whole"
        (one / "files" / "texts" / "1" / f"{hashlib.sha256(content).hexdigest()}.pdf").write_bytes(content)
        environment = environment_of(one) | {"WEALD_PLAIN_HTTP": "1"}
        with running_cluster(cluster_folder(one / "database"), lasting=False) as url:
            manage(environment | {"WEALD_DATABASE_URL": url}, "migrate")
            backup(out, one)
    return out


@pytest.mark.parametrize("name", ["database.dump", "files"])
def test_a_damaged_backup_is_refused_before_anything_is_touched(
    saved: Path, tmp_path: Path, name: str
) -> None:
    place = _reachable(tmp_path) / "place"
    with pytest.raises(NotReadyError, match="is damaged"):
        restore(_damaged(saved, name, tmp_path / "damaged.tar"), place)
    assert not (place / "files").exists()


def test_an_undamaged_backup_is_put_back(saved: Path, tmp_path: Path) -> None:
    assert restore(saved, _reachable(tmp_path) / "place") == 1


BACKUPS = Path(__file__).parents[1] / "corpus" / "backups"


@pytest.mark.parametrize("source", sorted(BACKUPS.glob("*.tar")), ids=lambda path: path.stem)
def test_what_an_older_weald_backed_up_is_put_back_and_brought_up_to_date(
    source: Path, tmp_path: Path
) -> None:
    place = _reachable(tmp_path) / "now"
    assert restore(source, place) == 2
    with running_cluster(cluster_folder(place / "database"), lasting=False) as url:
        counted = _counted(url)
        assert counted["jobs_job"] > 5
        with psycopg.connect(url) as connection:
            roles = connection.execute(
                "select role, count(*) from accounts_membership group by role"
            ).fetchall()
        assert roles == [("owner", 1)], "whoever was there first owns the workshop"
        checked = environment_of(place) | {"WEALD_PLAIN_HTTP": "1", "WEALD_DATABASE_URL": url}
        code = (
            "from weald.core.planning.plan import plan; from weald.web.jobs.models import Change, Job;"
            "print([plan(j.spec).structure.title != '' for j in Job.objects.all()].count(True),"
            "[c.job_spec.title != '' for c in Change.objects.all()].count(True))"
        )
        shell = [sys.executable, str(PROJECT / "manage.py"), "shell", "-c", code]
        done = subprocess.run(shell, env=checked, cwd=PROJECT, capture_output=True, text=True, check=True)
        assert f"{counted['jobs_job']} {counted['jobs_change']}" in done.stdout
