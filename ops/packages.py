"""Debian packages the product needs: found, installed where that is allowed, or named in one line."""

import ctypes.util
import importlib.util
import os
import shutil
import subprocess
import sys

from ops.machine import Trouble, say
from ops.postgres import server_programs


def _missing(for_tests: bool) -> list[str]:
    missing = []
    if server_programs() is None:
        missing.append("postgresql")
    if for_tests and shutil.which("chromium") is None:
        missing.append("chromium")
    if for_tests and shutil.which("ngspice") is None:
        missing.append("ngspice")
    if for_tests and shutil.which("nginx", path=f"{os.environ.get('PATH', '')}:/usr/sbin") is None:
        missing.append("nginx-light")
    if ctypes.util.find_library("pangoft2-1.0") is None:  # draws the visit sheet's PDF
        missing.append("libpangoft2-1.0-0")
    if importlib.util.find_spec("ensurepip") is None:  # Debian ships what venv needs apart
        missing.append("python3-venv")
    return missing


def ensure_packages(for_tests: bool = False) -> None:
    """Install what is missing as root, or raise Trouble naming it."""
    if sys.version_info < (3, 11):
        raise Trouble(f"Python 3.11 or newer is needed, this is {sys.version.split()[0]}")
    for program in ("node", "npm"):
        if shutil.which(program) is None:
            raise Trouble(f"{program} is missing: install Node.js 20 with npm")
    missing = _missing(for_tests)
    if not missing:
        return
    names = " ".join(missing)
    if os.geteuid() != 0 or shutil.which("apt-get") is None:
        raise Trouble(f"install these Debian packages first: apt-get install {names}")
    say(f"Installing {names} ...")
    env = os.environ | {"DEBIAN_FRONTEND": "noninteractive"}
    for command in (["apt-get", "update", "-qq"], ["apt-get", "install", "-y", "-qq", "--no-install-recommends", *missing]):
        done = subprocess.run(command, env=env, text=True, capture_output=True, check=False)
        if done.returncode != 0 and command[1] == "install":
            reason = (done.stderr.strip() or "no reason given").splitlines()[-1]
            raise Trouble(f"could not install {names}: {reason}")
    still = _missing(for_tests)
    if still:
        raise Trouble(f"install these Debian packages first: apt-get install {' '.join(still)}")
