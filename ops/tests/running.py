"""`./start` as a subprocess, on a cluster of a test's own."""

import os
import signal
import socket
import subprocess

from ops.machine import ROOT

# How long a test waits for what must come. It ends a wait for what never does; a machine with much else to do is only slow.
PATIENCE_S = 180.0


def free_port() -> int:
    """A port nobody listens on."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


def start(cluster: str, *words: str) -> "subprocess.Popen[str]":
    """Run it, not yet up."""
    return subprocess.Popen(
        [str(ROOT / "start"), *words], env=os.environ | {"OUTER_TEST_CLUSTER": cluster}, text=True, cwd="/",
        stdout=subprocess.PIPE, stderr=subprocess.PIPE, start_new_session=True,
    )  # fmt: skip


def wait_for_address(server: "subprocess.Popen[str]") -> str:
    """The address it prints once it is up."""
    assert server.stdout is not None
    for line in server.stdout:
        if line.startswith("Outer Test is at "):
            return line.split()[-1]
    raise AssertionError(server.communicate())


def stopped(server: "subprocess.Popen[str]") -> tuple[str, str]:
    """End it as Ctrl-C does; what it still had to say."""
    os.kill(server.pid, signal.SIGINT)
    return server.communicate(timeout=PATIENCE_S)
