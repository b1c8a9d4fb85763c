"""`./test`: set up, check, test. The last line counts what ran."""

import subprocess
import sys
import time

from ops.environment import WEB, ensure_python, ensure_web_build, ensure_web_packages, server_environment
from ops.machine import LOCAL, ROOT, VENV_PYTHON, Trouble, fail, say
from ops.packages import ensure_packages
from ops.postgres import Cluster

_BIN = ROOT / ".venv" / "bin"
_PYTHON_PLACES = ["core", "server", "ops", "bench"]


def main() -> int:
    """Run every check, then the tests; the status is 0 only where all held."""
    try:
        ensure_packages(for_tests=True)
        ensure_python()
        ensure_python(for_tests=True)
        ensure_web_packages()
        ensure_web_build()
        cluster = Cluster("test")
        cluster.start()
    except Trouble as trouble:
        fail(trouble)
    try:
        cluster.make_database("outer_test")
        env = server_environment(cluster.url("outer_test"), demo=True)
        wanted = sys.argv[1:]
        failed = [] if wanted else [name for name, command, cwd in _checks() if not _check(name, command, cwd, env)]
        tests = _tests(wanted, env)
        if failed:
            say(f"Checks that failed: {', '.join(failed)}")
        return 1 if failed or tests else 0
    finally:
        if cluster.started_here:
            cluster.stop()


def _checks() -> list[tuple[str, list[str], str]]:
    manage = [str(VENV_PYTHON), "server/manage.py"]
    root, web = str(ROOT), str(WEB)
    return [
        ("ruff", [str(_BIN / "ruff"), "check", *_PYTHON_PLACES], root),
        ("ruff format", [str(_BIN / "ruff"), "format", "--check", "--quiet", *_PYTHON_PLACES], root),
        ("mypy", [str(_BIN / "mypy"), *_PYTHON_PLACES], root),
        ("import-linter", [str(_BIN / "lint-imports")], root),
        ("migrations", [*manage, "makemigrations", "--check", "--dry-run"], root),
        ("API and file schema current", [*manage, "schemas", "--check"], root),
        ("TypeScript types current", ["npm", "run", "--silent", "types-check"], web),
        ("eslint and prettier", ["npm", "run", "--silent", "lint"], web),
        ("tsc", ["npm", "run", "--silent", "check"], web),
    ]


def _check(name: str, command: list[str], cwd: str, env: dict[str, str]) -> bool:
    begun = time.monotonic()
    done = subprocess.run(command, cwd=cwd, env=env, text=True, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, check=False)
    say(f"{'ok    ' if done.returncode == 0 else 'FAILED'} {name} ({time.monotonic() - begun:.0f} s)")
    if done.returncode != 0:
        say(done.stdout)
    return done.returncode == 0


def _tests(wanted: list[str], env: dict[str, str]) -> int:
    """Django's runner over core, server and ops; its closing line counts them."""
    (LOCAL / "static").mkdir(exist_ok=True)  # gathered by ./start; the tests need it only to be there
    # All of them run side by side, each process on a database of its own; named ones and benches have the machine to themselves.
    labels = wanted or ["--parallel", "auto", "core", "server", "ops/tests"]
    command = [str(VENV_PYTHON), "server/manage.py", "test", "--noinput", *labels]
    return subprocess.call(command, cwd=ROOT, env=env | {"PYTHONUNBUFFERED": "1"})


if __name__ == "__main__":
    sys.exit(main())
