"""`./start`: from a fresh machine to one printed address."""

import argparse
import ctypes
import os
import signal
import subprocess
import time
import urllib.request

from ops.environment import ensure_python, ensure_web_build, server_environment
from ops.machine import ROOT, VENV_PYTHON, Trouble, fail, port_is_free, run, say
from ops.packages import ensure_packages
from ops.postgres import Cluster
from ops.roles import Role

DATABASE = "outer_test"
ENDS_WITHIN_S = 25.0
# A limit for a server that never comes up, not for a machine that is slow or busy.
UP_WITHIN_S, ANSWERS_WITHIN_S = 180.0, 20.0
_PR_SET_PDEATHSIG = 1  # Linux: which signal a process gets when its parent dies


def main() -> None:
    """Set up, migrate, load the demo once, serve until Ctrl-C, stop what was started."""
    wanted = _arguments()
    signal.signal(signal.SIGTERM, _interrupt)
    try:
        if not port_is_free(wanted.port):
            raise Trouble(f"port {wanted.port} is taken: choose another with --port")
        ensure_packages()
        ensure_python()
        ensure_web_build()
        cluster = Cluster(os.environ.get("OUTER_TEST_CLUSTER", "app"))
        with cluster.in_use():
            _serve(cluster, wanted)
    except Trouble as trouble:
        fail(trouble)
    except KeyboardInterrupt:
        say("Stopped.")
    except OSError as problem:
        fail(Trouble(f"{problem.strerror or problem}: {problem.filename or ''}".rstrip(": ")))


def _arguments() -> argparse.Namespace:
    parser = argparse.ArgumentParser(prog="./start", description="Start Outer Test on this machine.")
    parser.add_argument("--port", type=_port, default=8420, help="port on 127.0.0.1 (default 8420)")
    parser.add_argument("--no-demo", action="store_true", help="leave the made-up demo company out")
    parser.add_argument("--reset-demo", action="store_true", help="put the demo company back as it was at first")
    wanted = parser.parse_args()
    if wanted.no_demo and wanted.reset_demo:
        parser.error("--no-demo and --reset-demo exclude each other")
    return wanted


def _port(text: str) -> int:
    if not text.isdigit() or not 1 <= int(text) <= 65535:
        raise argparse.ArgumentTypeError(f"{text!r} is not a port from 1 to 65535")
    return int(text)


def _interrupt(*_: object) -> None:
    raise KeyboardInterrupt


def _serve(cluster: Cluster, wanted: argparse.Namespace) -> None:
    cluster.make_database(DATABASE)
    env = server_environment(cluster.url(DATABASE), demo=not wanted.no_demo) | {"OUTER_TEST_SERVING_ROLE": Role.SERVING.value}
    manage = [str(VENV_PYTHON), str(ROOT / "server" / "manage.py")]
    run(
        [*manage, "prepare", *(["--demo"] if not wanted.no_demo else []), *(["--reset"] if wanted.reset_demo else [])],
        "preparing the database",
        env=env,
    )
    address = f"http://127.0.0.1:{wanted.port}/"
    serving = env | {"OUTER_TEST_DATABASE_URL": cluster.url(DATABASE, Role.SERVING)}
    server = _begin(_gunicorn(wanted.port), serving)
    worker = _begin([*manage, "procrastinate", "worker"], serving)
    try:
        _wait_for(address, server)
        say(f"Outer Test is at {address}")
        if wanted.no_demo:
            say("Make the first company and its lead with: ./manage add_company")
        while server.poll() is None and worker.poll() is None:
            time.sleep(0.5)
        name, one = ("server", server) if server.poll() is not None else ("worker", worker)
        raise Trouble(f"the {name} ended by itself with status {one.returncode}")
    finally:
        _end(server, worker)


def _end(*processes: "subprocess.Popen[bytes]") -> None:
    """End them as they end by themselves; one that does not within half a minute (a slow client holds it) is killed."""
    for one in processes:
        if one.poll() is None:
            os.kill(one.pid, signal.SIGTERM)
    until = time.monotonic() + ENDS_WITHIN_S
    for one in processes:
        try:
            one.wait(timeout=max(until - time.monotonic(), 0.1))
        except subprocess.TimeoutExpired:
            os.killpg(one.pid, signal.SIGKILL)
            one.wait()


def _gunicorn(port: int) -> list[str]:
    config = str(ROOT / "server" / "config" / "gunicorn.py")
    return [str(VENV_PYTHON), "-m", "gunicorn", "config.wsgi:application", "--config", config, "--bind", f"127.0.0.1:{port}"]


def _begin(command: list[str], env: dict[str, str]) -> "subprocess.Popen[bytes]":
    """A process of its own session that ends with this one, even where this one is killed."""
    # What it has to say is on standard error.
    return subprocess.Popen(
        command, cwd=ROOT / "server", env=env, stdout=subprocess.DEVNULL, start_new_session=True, preexec_fn=_end_with_parent
    )


def _end_with_parent() -> None:
    ctypes.CDLL(None).prctl(_PR_SET_PDEATHSIG, signal.SIGTERM)


def _wait_for(address: str, server: "subprocess.Popen[bytes]") -> None:
    until = time.monotonic() + UP_WITHIN_S
    while time.monotonic() < until:
        if server.poll() is not None:
            raise Trouble(f"the server ended by itself with status {server.returncode}")
        try:
            with urllib.request.urlopen(f"{address}api/v1/session", timeout=ANSWERS_WITHIN_S):
                return
        except OSError:  # refused, cut off or too slow: not up yet
            time.sleep(0.1)
    raise Trouble(f"the server did not answer at {address} within {UP_WITHIN_S:.0f} s")


if __name__ == "__main__":
    main()
