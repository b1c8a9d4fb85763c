"""`./start` from the outside: one address, data kept, Ctrl-C stops what it started, one clear line for each trouble."""

import http.client
import json
import os
import signal
import socket
import subprocess
import time
import unittest
from pathlib import Path
from unittest.mock import patch

from ops import machine, packages
from ops.machine import ROOT, Trouble, check_disk, port_is_free
from ops.postgres import Cluster

CLUSTER = "start-test"


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


def start(*words: str) -> "subprocess.Popen[str]":
    return subprocess.Popen(
        [str(ROOT / "start"), *words], env=os.environ | {"OUTER_TEST_CLUSTER": CLUSTER}, text=True, cwd="/",
        stdout=subprocess.PIPE, stderr=subprocess.PIPE, start_new_session=True,
    )  # fmt: skip


def stopped(server: "subprocess.Popen[str]") -> tuple[str, str]:
    os.kill(server.pid, signal.SIGINT)
    return server.communicate(timeout=60)


def wait_for_address(server: "subprocess.Popen[str]") -> str:
    assert server.stdout is not None
    for line in server.stdout:
        if line.startswith("Outer Test is at "):
            return line.split()[-1]
    raise AssertionError(server.communicate())


class Start(unittest.TestCase):
    @classmethod
    def tearDownClass(cls) -> None:
        Cluster(CLUSTER).remove()

    def ask(self, port: int) -> dict[str, object]:
        connection = http.client.HTTPConnection("127.0.0.1", port, timeout=20)
        connection.request("GET", "/api/session")
        answer: dict[str, object] = json.loads(connection.getresponse().read())
        connection.close()
        return answer

    def test_up_down_and_up_again_with_the_data_kept(self) -> None:
        port = free_port()
        first = start("--port", str(port))
        self.assertEqual(wait_for_address(first), f"http://127.0.0.1:{port}/")
        self.assertIsNotNone(self.ask(port)["demo"])
        cluster_port = int(Cluster(CLUSTER).url("x").rsplit(":", 1)[1].split("/")[0])
        second = start("--port", str(port))
        _, told = second.communicate(timeout=60)
        self.assertEqual((second.returncode, told), (1, f"outer-test: port {port} is taken: choose another with --port\n"))
        self.assertIn("Stopped.", stopped(first)[0])
        until = time.monotonic() + 20
        while not (port_is_free(port) and port_is_free(cluster_port)) and time.monotonic() < until:
            time.sleep(0.1)
        self.assertTrue(port_is_free(port) and port_is_free(cluster_port))
        bare = start("--port", str(port), "--no-demo")
        wait_for_address(bare)
        self.assertIsNone(self.ask(port)["demo"])
        stopped(bare)

    def test_what_cannot_be_started_is_said_in_words(self) -> None:
        for words, told in (
            (("--port", "http"), "is not a port"),
            (("--port", "70000"), "is not a port"),
            (("--no-demo", "--reset-demo"), "exclude each other"),
            (("--nonsense",), "unrecognized"),
        ):
            done = subprocess.run([str(ROOT / "start"), *words], text=True, capture_output=True, check=False)
            self.assertEqual(done.returncode, 2)
            self.assertIn(told, done.stderr)
            self.assertNotIn("Traceback", done.stderr)


class OneLine(unittest.TestCase):
    def test_a_full_disk(self) -> None:
        with patch.object(machine, "LEAST_FREE_BYTES", 1 << 62), self.assertRaises(Trouble) as caught:
            check_disk()
        self.assertIn("the disk is full", str(caught.exception))
        self.assertEqual(len(str(caught.exception).splitlines()), 1)

    def test_missing_packages_are_named_where_they_cannot_be_installed(self) -> None:
        with (
            patch.object(packages, "server_programs", return_value=None),
            patch.object(packages.os, "geteuid", return_value=1000),
            self.assertRaises(Trouble) as caught,
        ):
            packages.ensure_packages()
        self.assertEqual(str(caught.exception), "install these Debian packages first: apt-get install postgresql")

    def test_a_database_that_will_not_start(self) -> None:
        cluster = Cluster("broken-test")
        self.addCleanup(cluster.remove)
        cluster.start()
        cluster.stop()
        settings: Path = cluster.folder / "data" / "postgresql.conf"
        settings.write_text(settings.read_text() + "\nshared_buffers = 'nonsense'\n")
        with self.assertRaises(Trouble) as caught:
            Cluster("broken-test").start()
        self.assertIn("the database will not start: ", str(caught.exception))
        self.assertEqual(len(str(caught.exception).splitlines()), 1)
