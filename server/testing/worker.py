"""A worker of its own process beside a test, on the test's database and files."""

import os
import subprocess
import sys
from pathlib import Path

from django.test import TransactionTestCase

from ops.machine import ROOT
from testing.serving import database_url, end

SILENT_S = "2"  # after which a killed one counts as dead


def worker_beside(test: TransactionTestCase, files: Path) -> "subprocess.Popen[bytes]":
    """Start a worker; it ends with the test."""
    env = os.environ | {"OUTER_TEST_DATABASE_URL": database_url(), "OUTER_TEST_FILES": str(files), "OUTER_TEST_WORKER_SILENT_S": SILENT_S}
    command = [sys.executable, str(ROOT / "server" / "manage.py"), "procrastinate", "worker"]
    worker = subprocess.Popen(command, env=env, stderr=subprocess.DEVNULL)
    test.addCleanup(end, worker)
    return worker
