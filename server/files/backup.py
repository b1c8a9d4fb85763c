"""A backup of everything in one file: the database as PostgreSQL's own dump, and the photos and files; and putting it back.

The files are read and written by the storage that the settings name, whatever it is. Sign-ins and work under way are left out.
"""

import json
import os
import shutil
import subprocess
import tarfile
from collections.abc import Iterator
from datetime import datetime
from io import BytesIO
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from django.core.files import File
from django.core.files.storage import default_storage
from django.db import connections
from django.db.migrations.loader import MigrationLoader
from django.db.migrations.recorder import MigrationRecorder

from visits.models import ImportJob, Photo

FORMAT, VERSION = "outer-test-backup", 1
# What stands in these is of the moment: sessions, counted attempts, work that waits.
LEFT_OUT = (
    "django_session",
    "accounts_attempts",
    "procrastinate_jobs",
    "procrastinate_events",
    "procrastinate_workers",
    "procrastinate_periodic_defers",
    "visits_filejob",
)
DUMP, FILES, HEADING, SCRIPT = "database.dump", "files", "backup.json", "restore.sql"
GONE = ("axes.",)  # a package that this app had once and has no more
_EMPTY = "DROP SCHEMA public CASCADE; CREATE SCHEMA public"


class BackupTrouble(Exception):
    """Something that keeps a backup from being made or put back, in one line."""


def _program(name: str) -> str:
    """PostgreSQL's program, from the path or from Debian's own folder."""
    found = shutil.which(name) or next((str(one) for one in sorted(Path("/usr/lib/postgresql").glob(f"*/bin/{name}"), reverse=True)), None)
    if found is None:
        raise BackupTrouble(f"{name} is missing: install Debian's package postgresql-client")
    return found


def _database() -> tuple[list[str], dict[str, str]]:
    about = connections["default"].settings_dict
    words = ["--host", str(about["HOST"]), "--port", str(about["PORT"]), "--username", str(about["USER"])]
    return [*words, "--no-password", "--dbname", str(about["NAME"])], os.environ | {"PGPASSWORD": str(about["PASSWORD"])}


def _run(command: list[str], what: str) -> None:
    words, env = _database()
    _call([*command, *words], what, env)


def _call(command: list[str], what: str, env: dict[str, str]) -> None:
    done = subprocess.run(command, env=env, text=True, capture_output=True, check=False)
    if done.returncode != 0:
        raise BackupTrouble(f"{what}: {(done.stderr.strip() or 'no reason given').splitlines()[-1]}")


def write_backup(into: Path, now: datetime) -> None:
    """Write the backup, readable by its owner alone; nothing is left behind where it fails, and a file that is there is not written over.

    Raises BackupTrouble.
    """
    if into.exists():
        raise BackupTrouble(f"{into} is there already")
    part = into.with_name(into.name + ".part")
    try:
        with TemporaryDirectory() as folder:
            dump = Path(folder) / DUMP
            words = [f"--exclude-table-data={table}" for table in LEFT_OUT]
            command = [_program("pg_dump"), "--format", "custom", "--no-owner", "--no-comments", *words, "--file", str(dump)]
            _run(command, "dumping the database")
            heading = {"format": FORMAT, "version": VERSION, "made_at": now.isoformat(), "migrations": sorted(_applied())}
            with (
                os.fdopen(os.open(part, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600), "wb") as file,
                tarfile.open(fileobj=file, mode="w") as tar,
            ):
                _add(tar, HEADING, BytesIO(json.dumps(heading).encode()))
                tar.add(dump, DUMP)
                for name in _stored():
                    with default_storage.open(name) as stored:
                        _add(tar, f"{FILES}/{name}", stored)
        part.rename(into)
    except FileNotFoundError as problem:
        raise BackupTrouble(f"{problem.strerror}: {problem.filename}") from None
    except OSError as problem:
        raise BackupTrouble(f"writing {into}: {problem.strerror or problem}") from None
    finally:
        part.unlink(missing_ok=True)


def _add(tar: tarfile.TarFile, name: str, file: Any) -> None:
    about = tarfile.TarInfo(name)
    about.size = file.seek(0, os.SEEK_END)
    file.seek(0)
    tar.addfile(about, file)


def _stored() -> Iterator[str]:
    """The names of every file that a row speaks of."""
    yield from Photo._base_manager.values_list("file", flat=True).iterator()
    yield from ImportJob._base_manager.exclude(file="").values_list("file", flat=True).iterator()


def _applied() -> set[str]:
    return {f"{app}.{name}" for app, name in MigrationRecorder(connections["default"]).applied_migrations()}


def _known() -> set[str]:
    return {f"{app}.{name}" for app, name in MigrationLoader(None).graph.nodes}


def _unpack(backup: Path, folder: Path) -> None:
    """The files of a backup under a folder. Raises ValueError for anything else than a file inside it.

    By hand, for Debian's Python 3.11 has no filter for what an archive may do.
    """
    with tarfile.open(backup) as tar:
        for member in tar:
            place, content = (folder / member.name).resolve(), tar.extractfile(member) if member.isfile() else None
            if content is None or not place.is_relative_to(folder):
                raise ValueError(f"{member.name} is no file of a backup")
            place.parent.mkdir(parents=True, exist_ok=True)
            with place.open("wb") as file:
                shutil.copyfileobj(content, file)


def put_back(backup: Path) -> None:
    """Put a backup back in place of whatever the database holds; the database in one transaction. Raises BackupTrouble."""
    with TemporaryDirectory() as folder:
        try:
            _unpack(backup, Path(folder).resolve())
            heading = json.loads((Path(folder) / HEADING).read_text())
        except (OSError, tarfile.TarError, ValueError) as problem:
            raise BackupTrouble(f"{backup} is no backup of this app: {problem}") from None
        if not isinstance(heading, dict) or (heading.get("format"), heading.get("version")) != (FORMAT, VERSION):
            raise BackupTrouble(f"{backup} is no {FORMAT} of version {VERSION}")
        newer = sorted(one for one in set(heading.get("migrations", ())) - _known() if not one.startswith(GONE))
        if newer:
            raise BackupTrouble(f"{backup} was made by a newer version of this app, which has {newer[-1]}: update first")
        connections.close_all()
        script = Path(folder) / SCRIPT
        words = ["--no-owner", "--no-acl", "--file", str(script), str(Path(folder) / DUMP)]
        _call([_program("pg_restore"), *words], "reading the backup", dict(os.environ))
        # All of it goes and comes in one transaction: a partition's own keys cannot be dropped one by one.
        words = ["--quiet", "--single-transaction", "--set", "ON_ERROR_STOP=1", "--output", os.devnull, "--command", _EMPTY]
        _run([_program("psql"), *words, "--file", str(script)], "putting the database back")
        _files_back(Path(folder) / FILES)


def _files_back(kept: Path) -> None:
    """Each file of the backup under its own name, in place of one that is there. What is there besides belongs to nobody any more."""
    for file in sorted(kept.rglob("*")):
        if not file.is_file():
            continue
        name = str(file.relative_to(kept))
        if default_storage.exists(name):
            default_storage.delete(name)
        with file.open("rb") as content:
            default_storage.save(name, File(content))
