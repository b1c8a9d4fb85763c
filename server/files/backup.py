"""A backup of everything in one file: the database as PostgreSQL's own dump, and the photos and files; and putting it back."""

import json
import os
import shutil
import subprocess
import tarfile
from datetime import datetime
from pathlib import Path
from tempfile import TemporaryDirectory

from django.conf import settings
from django.db import connections

FORMAT, VERSION = "outer-test-backup", 1
DUMP, FILES, HEADING, SCRIPT = "database.dump", "files", "backup.json", "restore.sql"
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
    """Write the backup; nothing is left behind where it fails, and a file that is there is not written over. Raises BackupTrouble."""
    if into.exists():
        raise BackupTrouble(f"{into} is there already")
    part = into.with_name(into.name + ".part")
    try:
        with TemporaryDirectory() as folder:
            dump = Path(folder) / DUMP
            _run([_program("pg_dump"), "--format", "custom", "--no-owner", "--no-comments", "--file", str(dump)], "dumping the database")
            heading = Path(folder) / HEADING
            heading.write_text(json.dumps({"format": FORMAT, "version": VERSION, "made_at": now.isoformat()}))
            with tarfile.open(part, "w") as tar:
                tar.add(heading, HEADING)
                tar.add(dump, DUMP)
                if Path(settings.MEDIA_ROOT).is_dir():
                    tar.add(settings.MEDIA_ROOT, FILES)
        part.rename(into)
    except OSError as problem:
        raise BackupTrouble(f"writing {into}: {problem.strerror or problem}") from None
    finally:
        part.unlink(missing_ok=True)


def put_back(backup: Path) -> None:
    """Put a backup back in place of whatever the database holds; the database in one transaction. Raises BackupTrouble."""
    with TemporaryDirectory() as folder:
        try:
            with tarfile.open(backup) as tar:
                tar.extractall(folder, filter="data")
            heading = json.loads((Path(folder) / HEADING).read_text())
        except (OSError, tarfile.TarError, ValueError) as problem:
            raise BackupTrouble(f"{backup} is no backup of this app: {problem}") from None
        if not isinstance(heading, dict) or (heading.get("format"), heading.get("version")) != (FORMAT, VERSION):
            raise BackupTrouble(f"{backup} is no {FORMAT} of version {VERSION}")
        connections.close_all()
        script = Path(folder) / SCRIPT
        words = ["--no-owner", "--no-acl", "--file", str(script), str(Path(folder) / DUMP)]
        _call([_program("pg_restore"), *words], "reading the backup", dict(os.environ))
        # All of it goes and comes in one transaction: a partition's own keys cannot be dropped one by one.
        words = ["--quiet", "--single-transaction", "--set", "ON_ERROR_STOP=1", "--output", os.devnull, "--command", _EMPTY]
        _run([_program("psql"), *words, "--file", str(script)], "putting the database back")
        _files_back(Path(folder) / FILES, Path(settings.MEDIA_ROOT))


def _files_back(kept: Path, place: Path) -> None:
    """The files of the backup, beside which what was there before is kept under another name until all is copied."""
    before = place.with_name(place.name + ".before")
    shutil.rmtree(before, ignore_errors=True)
    if place.is_dir():
        place.rename(before)
    if kept.is_dir():
        shutil.copytree(kept, place)
    shutil.rmtree(before, ignore_errors=True)
