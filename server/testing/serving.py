"""The app as it serves in the field, in processes of its own beside a test, on the test's database."""

import os
import subprocess
import sys
import time
import urllib.error
import urllib.request

from django.db import connection
from django.test import TransactionTestCase

from ops.machine import ROOT
from ops.tests.running import PATIENCE_S


def database_url() -> str:
    """This test's database, for a process of its own."""
    about = connection.settings_dict
    return f"postgres://{about['USER']}:{about['PASSWORD']}@{about['HOST']}:{about['PORT']}/{about['NAME']}"


def app_beside(test: TransactionTestCase, port: int, **env: str) -> "subprocess.Popen[bytes]":
    """gunicorn by the installation's own configuration, up and answering; it ends with the test. env: settings besides."""
    command = [sys.executable, "-m", "gunicorn", "config.wsgi:application", "--config", "config/gunicorn.py", "--bind", f"127.0.0.1:{port}"]
    environment = os.environ | {"OUTER_TEST_DATABASE_URL": database_url()} | env
    app = subprocess.Popen(command, cwd=ROOT / "server", env=environment, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
    test.addCleanup(end, app)
    until = time.monotonic() + PATIENCE_S
    while time.monotonic() < until:
        try:
            urllib.request.urlopen(f"http://127.0.0.1:{port}/healthz", timeout=20).close()
            return app
        except urllib.error.HTTPError:  # it answers: it sends plain http away
            return app
        except OSError:
            time.sleep(0.1)
    raise AssertionError("the app did not come up")


def end(process: "subprocess.Popen[bytes]") -> None:
    """End it, and wait for it."""
    if process.poll() is None:
        process.terminate()
        process.wait(timeout=PATIENCE_S)
