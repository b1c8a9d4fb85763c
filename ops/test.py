"""`./test`: set up, check, test. The last line counts what ran."""

import os
import subprocess
import sys
import time

from ops.environment import WEB, ensure_python, ensure_web_build, ensure_web_packages, server_environment
from ops.machine import LOCAL, ROOT, VENV_PYTHON, Trouble, fail, say
from ops.packages import ensure_packages
from ops.postgres import Cluster

_BIN = ROOT / ".venv" / "bin"
_PYTHON_PLACES = ["core", "server", "ops", "bench"]


# What `./test NAME` runs by a name of our own; any other name is a Django test label, as `bench.assess` is.
_SERVER = [f"server/{app}" for app in ("accounts", "background", "ledger", "api", "config", "files", "fleet", "record", "setup", "visits")]
SCOPES = {
    "core": ["core"],
    "server": [*_SERVER, "ops/tests"],
    "browser": ["server/browser_tests"],
    "web": [],
    "long": ["core", "server/api"],
}
# A test class says by `tags` that it is too slow for a part, or so long that only `./test long` runs it.
_LEFT_OUT = ("slow", "long")
_WITHOUT_DATABASE = ("core", "web")


def main() -> int:
    """Run what was asked for, or every check and every test; the status is 0 only where all held."""
    wanted = sys.argv[1:]
    try:
        ensure_packages(for_tests=True)
        ensure_python()
        ensure_python(for_tests=True)
        if wanted != ["core"] and wanted[:1] != ["bench.mutants"]:
            ensure_web_packages()
            ensure_web_build()
        if wanted[:1] == ["bench.mutants"]:
            env = os.environ | {"PYTHONPATH": os.pathsep.join([str(ROOT), str(ROOT / "core")])}
            return subprocess.call([str(VENV_PYTHON), "-m", "bench.mutants", *wanted[1:]], cwd=ROOT, env=env)
        if wanted and all(name in _WITHOUT_DATABASE for name in wanted):
            return _run(wanted, server_environment("postgres://nobody@127.0.0.1:1/none", demo=True))
        cluster = Cluster("test")
        with cluster.in_use():
            cluster.make_database("outer_test")
            return _run(wanted, server_environment(cluster.url("outer_test"), demo=True))
    except Trouble as trouble:
        fail(trouble)


def _run(wanted: list[str], env: dict[str, str]) -> int:
    checks = _checks() if not wanted else _web_checks() if "web" in wanted else []
    failed = [name for name, command, cwd in checks if not _check(name, command, cwd, env)]
    labels = [label for name in (wanted or ["core", "server", "browser"]) for label in SCOPES.get(name, [name])]
    tests = _tests(labels, env, _tagged(wanted), side_by_side=not any(name.startswith("bench") for name in wanted)) if labels else 0
    if failed:
        say(f"Checks that failed: {', '.join(failed)}")
    return 1 if failed or tests else 0


def _tagged(wanted: list[str]) -> list[str]:
    """Which tagged tests the runner leaves out, or keeps to."""
    if wanted == ["long"]:
        return ["--tag", "long"]
    left_out = _LEFT_OUT if wanted == ["core"] else ("long",)
    return [word for tag in left_out for word in ("--exclude-tag", tag)]


def _checks() -> list[tuple[str, list[str], str]]:
    manage = [str(VENV_PYTHON), "server/manage.py"]
    root = str(ROOT)
    return [
        ("ruff", [str(_BIN / "ruff"), "check", *_PYTHON_PLACES], root),
        ("ruff format", [str(_BIN / "ruff"), "format", "--check", "--quiet", *_PYTHON_PLACES], root),
        ("mypy", [str(_BIN / "mypy"), *_PYTHON_PLACES], root),
        ("import-linter", [str(_BIN / "lint-imports")], root),
        ("migrations", [*manage, "makemigrations", "--check", "--dry-run"], root),
        ("API and file schema current", [*manage, "schemas", "--check"], root),
        *_web_checks(),
    ]


def _web_checks() -> list[tuple[str, list[str], str]]:
    web = str(WEB)
    return [
        ("TypeScript types current", ["npm", "run", "--silent", "types-check"], web),
        ("eslint and prettier", ["npm", "run", "--silent", "lint"], web),
        ("tsc", ["npm", "run", "--silent", "check"], web),
        ("vitest", ["npm", "run", "--silent", "test"], web),
    ]


def _check(name: str, command: list[str], cwd: str, env: dict[str, str]) -> bool:
    begun = time.monotonic()
    done = subprocess.run(command, cwd=cwd, env=env, text=True, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, check=False)
    say(f"{'ok    ' if done.returncode == 0 else 'FAILED'} {name} ({time.monotonic() - begun:.0f} s)")
    if done.returncode != 0:
        say(done.stdout)
    return done.returncode == 0


def _tests(labels: list[str], env: dict[str, str], tagged: list[str], side_by_side: bool) -> int:
    """Django's runner; its closing line counts the tests. A bench has the machine to itself."""
    (LOCAL / "static").mkdir(exist_ok=True)  # gathered by ./start; the tests need it only to be there
    parallel = ["--parallel", "auto"] if side_by_side else []
    command = [str(VENV_PYTHON), "server/manage.py", "test", "--noinput", *parallel, *tagged, *labels]
    return subprocess.call(command, cwd=ROOT, env=env | {"PYTHONUNBUFFERED": "1"})


if __name__ == "__main__":
    sys.exit(main())
