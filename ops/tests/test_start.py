"""`./start` from the outside: one address, data kept, Ctrl-C stops what it started, one clear line for each trouble."""

import http.client
import json
import os
import socket
import subprocess
import sys
import time
import unittest
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest.mock import patch

import psycopg

from ops import machine, packages
from ops.environment import server_environment
from ops.machine import ROOT, Trouble, check_disk, port_is_free
from ops.postgres import Cluster
from ops.roles import Role
from ops.start import DATABASE
from ops.tests.running import PATIENCE_S, free_port, start, stopped, wait_for_address

CLUSTER = "start-test"


class Start(unittest.TestCase):
    @classmethod
    def tearDownClass(cls) -> None:
        Cluster(CLUSTER).remove()

    def ask(self, port: int) -> dict[str, object]:
        connection = http.client.HTTPConnection("127.0.0.1", port, timeout=PATIENCE_S)
        connection.request("GET", "/api/v1/session")
        answer: dict[str, object] = json.loads(connection.getresponse().read())
        connection.close()
        return answer

    def test_up_down_and_up_again_with_the_data_kept(self) -> None:
        port = free_port()
        first = start(CLUSTER, "--port", str(port))
        self.assertEqual(wait_for_address(first), f"http://127.0.0.1:{port}/")
        self.assertIsNotNone(self.ask(port)["demo"])
        self.who_serves_cannot_rewrite_the_ledger()
        cluster_port = int(Cluster(CLUSTER).url("x").rsplit(":", 1)[1].split("/")[0])
        second = start(CLUSTER, "--port", str(port))
        _, told = second.communicate(timeout=PATIENCE_S)
        self.assertEqual((second.returncode, told), (1, f"outer-test: port {port} is taken: choose another with --port\n"))
        self.assertIn("Stopped.", stopped(first)[0])
        until = time.monotonic() + PATIENCE_S
        while not (port_is_free(port) and port_is_free(cluster_port)) and time.monotonic() < until:
            time.sleep(0.1)
        self.assertTrue(port_is_free(port) and port_is_free(cluster_port))
        bare = start(CLUSTER, "--port", str(port), "--no-demo")
        wait_for_address(bare)
        self.assertIsNone(self.ask(port)["demo"])
        stopped(bare)

    def test_beside_another_and_after_one_that_was_killed(self) -> None:
        """The database stops with the last who uses it; what a killed run left ends by itself, and its port is free again."""
        ports = free_port(), free_port()
        first, second = (start(CLUSTER, "--port", str(port)) for port in ports)
        for one in (first, second):
            self.addCleanup(one.kill)
        for one in (first, second):
            wait_for_address(one)
        slow = socket.create_connection(("127.0.0.1", ports[0]))
        slow.sendall(b"POST /api/v1/session HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 9000\r\n\r\n{")
        self.assertIn("Stopped.", stopped(first)[0], "a client that takes its time holds nobody up for ever")
        slow.close()
        self.assertIsNotNone(self.ask(ports[1])["demo"], "the other goes on")
        second.kill()
        second.communicate(timeout=PATIENCE_S)
        until = time.monotonic() + PATIENCE_S
        while not port_is_free(ports[1]) and time.monotonic() < until:
            time.sleep(0.1)
        third = start(CLUSTER, "--port", str(ports[1]))
        wait_for_address(third)
        stopped(third)
        cluster_port = int(Cluster(CLUSTER).url("x").rsplit(":", 1)[1].split("/")[0])
        self.assertTrue(port_is_free(cluster_port), "and with the last of them the database")

    def who_serves_cannot_rewrite_the_ledger(self) -> None:
        with psycopg.connect(Cluster(CLUSTER).url(DATABASE, Role.SERVING), autocommit=True) as connection:
            events, superuser = connection.execute(
                "SELECT (SELECT count(*) FROM ledger_event), rolsuper FROM pg_roles WHERE rolname = current_user"
            ).fetchone() or (0, True)
            self.assertEqual((events > 100, superuser), (True, False))
            for statement in (
                "UPDATE {} SET company_id = company_id", "DELETE FROM {}", "TRUNCATE {}", "ALTER TABLE {} DISABLE TRIGGER ALL", "DROP TABLE {}",
            ):  # fmt: skip
                for table in ("ledger_event", "ledger_event_3", "accounts_auditrecord"):
                    with self.subTest(statement, table=table), self.assertRaises(psycopg.errors.InsufficientPrivilege):
                        connection.execute(statement.format(table))
        with TemporaryDirectory() as folder:  # as the worker does every night
            env = os.environ | server_environment(Cluster(CLUSTER).url(DATABASE, Role.SERVING), demo=True)
            command = [sys.executable, str(ROOT / "server" / "manage.py"), "backup", str(Path(folder) / "all.tar")]
            done = subprocess.run(command, env=env, text=True, capture_output=True, check=False)
            self.assertEqual((done.returncode, done.stderr), (0, ""), "but it can back up")

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
            patch("ops.packages.os.geteuid", return_value=1000),
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
