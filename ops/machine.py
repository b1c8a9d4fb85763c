"""This checkout and this machine: where things lie, and how a command says what is wrong in one line."""

import hashlib
import os
import socket
import subprocess
import sys
from pathlib import Path
from typing import NoReturn

ROOT = Path(__file__).resolve().parents[1]
LOCAL = ROOT / ".local"
VENV_PYTHON = ROOT / ".venv" / "bin" / "python"
LEAST_FREE_BYTES = 300 * 1024 * 1024


class Trouble(Exception):
    """Something the person has to mend; the message is the one line they get."""


def fail(trouble: Trouble) -> NoReturn:
    """Print the one line on standard error and leave with status 1."""
    print(f"outer-test: {trouble}", file=sys.stderr)
    sys.exit(1)


def say(line: str) -> None:
    """One line of progress."""
    print(line, flush=True)


def run(command: list[str], what: str, cwd: Path = ROOT, env: dict[str, str] | None = None) -> None:
    """Run a command whose output only matters when it fails. Raises Trouble with its last line."""
    done = subprocess.run(command, cwd=cwd, env=env, text=True, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, check=False)
    if done.returncode != 0:
        LOCAL.mkdir(exist_ok=True)
        log = LOCAL / "failed.log"
        log.write_text(done.stdout)
        last = next((line for line in reversed(done.stdout.splitlines()) if line.strip()), "no output")
        raise Trouble(f"{what} failed: {last.strip()[:300]} (all of it: {log})")


def check_disk() -> None:
    """Raise Trouble where too little room is left to install or to keep a database."""
    room = os.statvfs(ROOT)
    free = room.f_bavail * room.f_frsize
    if free < LEAST_FREE_BYTES:
        raise Trouble(f"the disk is full: {free // 2**20} MB free at {ROOT}, {LEAST_FREE_BYTES // 2**20} MB needed")


def port_is_free(port: int) -> bool:
    """Whether nothing listens on this port of the loopback address."""
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind(("127.0.0.1", port))
        except OSError:
            return False
    return True


def fingerprint(paths: list[Path]) -> str:
    """A digest of the files' contents, files below folders included: whether something changed since it was last used."""
    digest = hashlib.sha256()
    for path in paths:
        for file in sorted(path.rglob("*")) if path.is_dir() else [path]:
            if file.is_file():
                digest.update(str(file.relative_to(ROOT)).encode())
                digest.update(file.read_bytes())
    return digest.hexdigest()


def once(name: str, paths: list[Path]) -> "Stamp":
    """A stamp that says whether the step `name` was already done for these very files."""
    return Stamp(LOCAL / "done" / name, fingerprint(paths))


class Stamp:
    """Remembers that a step was done for a state of its input files."""

    def __init__(self, file: Path, mark: str) -> None:
        self._file, self._mark = file, mark

    def is_set(self) -> bool:
        """Whether the step was done for this state."""
        return self._file.is_file() and self._file.read_text() == self._mark

    def set(self) -> None:
        """Remember it."""
        self._file.parent.mkdir(parents=True, exist_ok=True)
        self._file.write_text(self._mark)
