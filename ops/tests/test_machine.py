"""The small things `./start` and `./test` stand on: what was done once, a free port, a command that failed, one line of trouble."""

import socket
import subprocess
import unittest
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest.mock import patch

from ops import machine, packages
from ops.environment import secret_key, server_environment
from ops.machine import Stamp, Trouble, fingerprint, port_is_free, run
from ops.postgres import FIRST_PORT, LAST_PORT, Cluster


class Once(unittest.TestCase):
    def setUp(self) -> None:
        folder = TemporaryDirectory(dir=machine.LOCAL)
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        (self.folder / "inner").mkdir()
        self.file = self.folder / "inner" / "one.txt"
        self.file.write_text("a")

    def test_a_step_is_done_anew_only_when_its_inputs_changed(self) -> None:
        def stamp() -> Stamp:
            return Stamp(self.folder / "stamp", fingerprint([self.folder / "inner"]))

        self.assertFalse(stamp().is_set())
        stamp().set()
        self.assertTrue(stamp().is_set())
        self.file.write_text("b")
        self.assertFalse(stamp().is_set())
        self.file.write_text("a")
        self.assertTrue(stamp().is_set())
        (self.folder / "inner" / "two.txt").write_text("")
        self.assertFalse(stamp().is_set(), "a file more is a change too")

    def test_a_file_renamed_is_a_change(self) -> None:
        before = fingerprint([self.folder / "inner"])
        self.file.rename(self.file.with_name("other.txt"))
        self.assertNotEqual(fingerprint([self.folder / "inner"]), before)


class Ports(unittest.TestCase):
    def test_a_taken_port_is_told(self) -> None:
        with socket.socket() as taken:
            taken.bind(("127.0.0.1", 0))
            taken.listen()
            self.assertFalse(port_is_free(taken.getsockname()[1]))

    def test_a_cluster_passes_over_taken_ports_and_two_begin_elsewhere(self) -> None:
        first = Cluster("one")._free_port()
        self.assertTrue(FIRST_PORT <= first < LAST_PORT)
        with patch("ops.postgres.port_is_free", side_effect=lambda port: port != first):
            self.assertNotEqual(Cluster("one")._free_port(), first)
        self.assertNotEqual(Cluster("another")._free_port(), first)
        with patch("ops.postgres.port_is_free", return_value=False), self.assertRaisesRegex(Trouble, "no free port"):
            Cluster("one")._free_port()


class Told(unittest.TestCase):
    def test_a_failed_command_gives_its_last_line_and_where_the_rest_is(self) -> None:
        with self.assertRaises(Trouble) as caught:
            run(["sh", "-c", "echo first; echo the reason; echo; exit 3"], "the step")
        self.assertIn("the step failed: the reason", str(caught.exception))
        self.assertEqual(len(str(caught.exception).splitlines()), 1)
        self.assertIn("first", (machine.LOCAL / "failed.log").read_text())
        run(["true"], "nothing")

    def test_an_old_python_or_no_node_is_named(self) -> None:
        with patch("ops.packages.sys.version_info", (3, 9)), self.assertRaisesRegex(Trouble, r"Python 3\.11 or newer"):
            packages.ensure_packages()
        with patch("ops.packages.shutil.which", return_value=None), self.assertRaisesRegex(Trouble, "node is missing"):
            packages.ensure_packages()

    def test_a_package_that_cannot_be_installed_is_one_line(self) -> None:
        failed = subprocess.CompletedProcess([], 100, "", "E: no such package\n")
        with (
            patch.object(packages, "server_programs", return_value=None),
            patch("ops.packages.os.geteuid", return_value=0),
            patch("ops.packages.subprocess.run", return_value=failed),
            self.assertRaises(Trouble) as caught,
        ):
            packages.ensure_packages()
        self.assertEqual(str(caught.exception), "could not install postgresql: E: no such package")


class Environment(unittest.TestCase):
    def test_the_key_is_made_once_and_for_its_owner_alone(self) -> None:
        self.assertEqual(secret_key(), secret_key())
        self.assertGreaterEqual(len(secret_key()), 50)
        self.assertEqual((machine.LOCAL / "secret-key").stat().st_mode & 0o077, 0)

    def test_the_demo_is_on_only_where_it_was_asked_for(self) -> None:
        on, off = (server_environment("postgres://x", demo=demo)["OUTER_TEST_DEMO"] for demo in (True, False))
        self.assertEqual((on, off), ("1", "0"))
