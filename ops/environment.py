"""The Python environment, the front end's packages and its build: each made only when its inputs changed."""

import os
import secrets
import shutil
import sys
from pathlib import Path

from ops.core_zip import core_files
from ops.machine import LOCAL, ROOT, VENV_PYTHON, check_disk, once, run, say

WEB = ROOT / "web"
_WEB_INPUTS = [
    *(WEB / name for name in ("src", "index.html", "public", "package.json", "package-lock.json")),
    *(WEB / name for name in ("vite.config.ts", "core.plugin.ts", "keepCore.sw.js")),
]


def ensure_python(for_tests: bool = False) -> None:
    """Make `.venv` with the pinned packages; the tests' own come on top."""
    name = "test" if for_tests else "app"
    wanted = ROOT / "requirements" / f"{name}.txt"
    stamp = once(f"python-{name}", [wanted])
    if VENV_PYTHON.is_file() and stamp.is_set():
        return
    check_disk()
    if not VENV_PYTHON.is_file():
        say("Making the Python environment ...")
        shutil.rmtree(ROOT / ".venv", ignore_errors=True)
        run([sys.executable, "-m", "venv", str(ROOT / ".venv")], "making the Python environment")
    say("Installing Python packages ...")
    run(
        [str(VENV_PYTHON), "-m", "pip", "install", "--quiet", "--disable-pip-version-check", "--require-hashes", "-r", str(wanted)],
        "pip install",
    )
    stamp.set()


def ensure_web_packages() -> None:
    """`npm ci`, when the lock file changed."""
    stamp = once("npm", [WEB / "package-lock.json"])
    if (WEB / "node_modules").is_dir() and stamp.is_set():
        return
    say("Installing front-end packages ...")
    run(["npm", "ci", "--no-audit", "--no-fund", "--loglevel=error"], "npm ci", cwd=WEB)
    stamp.set()


def ensure_web_build() -> None:
    """Build the front end, when its sources changed."""
    stamp = once("web", [*_WEB_INPUTS, *core_files()])
    if (WEB / "dist" / "index.html").is_file() and stamp.is_set():
        return
    ensure_web_packages()
    say("Building the front end ...")
    build_web(WEB / "dist")
    stamp.set()


def build_web(into: Path, *words: str) -> None:
    """Build into a folder, by vite's own words; beside each file its gzip and brotli form, which the server hands out as they are."""
    run(["npm", "run", "build", "--", *words, "--outDir", str(into), "--emptyOutDir"], "building the front end", cwd=WEB)
    compress = [str(VENV_PYTHON), "-m", "whitenoise.compress", "--quiet"]
    # Brotli takes a minute over the compiled Python for a fifth less: it has gzip alone.
    for more, left_out in (((), ("woff2", "zip", "wasm")), (("--no-brotli",), ("woff2", "zip"))):
        run([*compress, *more, str(into / "assets"), *left_out], "compressing the front end")


def server_environment(database_url: str, demo: bool) -> dict[str, str]:
    """What Django needs to run on this machine over plain http on loopback."""
    return os.environ | {
        "OUTER_TEST_LOCAL": "1",
        "OUTER_TEST_DEMO": "1" if demo else "0",
        "OUTER_TEST_SECRET_KEY": secret_key(),
        "OUTER_TEST_DATABASE_URL": database_url,
        "PYTHONPATH": os.pathsep.join([str(ROOT), str(ROOT / "server"), str(ROOT / "core")]),
        "DJANGO_SETTINGS_MODULE": "config.settings",
    }


def secret_key() -> str:
    """This checkout's own signing key, made once."""
    file = LOCAL / "secret-key"
    if not file.is_file():
        LOCAL.mkdir(exist_ok=True)
        file.touch(mode=0o600)
        file.write_text(secrets.token_urlsafe(50))
    return file.read_text()
