"""Serving as in the field: slow clients, a locked row, health, logs without what people typed, numbers; and the proxy file as it ships."""

import http.client
import json
import logging
import shutil
import socket
import ssl
import subprocess
import time
import urllib.error
import urllib.request
from http.cookiejar import CookieJar
from pathlib import Path
from tempfile import mkdtemp
from unittest.mock import patch
from urllib.request import HTTPCookieProcessor, HTTPSHandler, Request, build_opener

from django.db import OperationalError, transaction
from django.test import Client, TestCase, TransactionTestCase, override_settings

from accounts.models import SignIn
from config.logs import Asked, JsonLines, asked
from ledger.models import Counter
from ops.machine import ROOT
from ops.tests.running import PATIENCE_S, free_port
from testing.fixtures import PASSWORD, Caller, Fixture
from testing.serving import app_beside

NGINX = "/usr/sbin/nginx"


def session_of(caller: Caller) -> str:
    """The cookies of a signed-in caller, for a request of another process."""
    token = "t" * 32
    return f"sessionid={caller.cookies['sessionid'].value}; csrftoken={token}"


class Serving(TransactionTestCase):
    def setUp(self) -> None:
        self.port = free_port()
        app_beside(self, self.port, OUTER_TEST_STATEMENT_S="4")

    def get(self, path: str, cookies: str = "") -> int:
        """The status of an answer."""
        one = http.client.HTTPConnection("127.0.0.1", self.port, timeout=PATIENCE_S)
        one.request("GET", path, headers={"Cookie": cookies} if cookies else {})
        status = one.getresponse().status
        one.close()
        return status

    def test_idle_and_trickling_clients_stall_nobody(self) -> None:
        slow = [socket.create_connection(("127.0.0.1", self.port)) for _ in range(8)]
        for one in slow[:4]:
            one.sendall(b"POST /api/v1/session HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 10000\r\n\r\n{")
        for one in slow[4:6]:
            one.sendall(b"GET /api/v1/ses")
        self.assertEqual([self.get("/api/v1/session") for _ in range(8)], [200] * 8)
        for one in slow[:6]:  # none waited for a slow one: not one of those has been given up yet
            one.setblocking(False)
            with self.assertRaises(BlockingIOError):
                one.recv(1)
        for one in slow:
            one.close()

    def test_a_locked_row_holds_up_its_own_company_for_a_moment_and_no_other(self) -> None:
        mine, other = Fixture("Locked"), Fixture("Free")
        caller = mine.client()
        cookies, others = session_of(caller), session_of(other.client())
        caller.read(mine.visit, "cap.herm.uf", "39.9")
        body = json.dumps({"notes": "x", "version": 0})
        with transaction.atomic():
            Counter.objects.of(mine.company).select_for_update().get()
            one = http.client.HTTPConnection("127.0.0.1", self.port, timeout=PATIENCE_S)
            headers = {
                "Cookie": cookies,
                "X-CSRFToken": "t" * 32,
                "Content-Type": "application/json",
                "Origin": f"http://127.0.0.1:{self.port}",
            }
            one.request("PUT", f"/api/v1/units/{mine.unit.id}/notes", body, headers)
            self.assertEqual(self.get("/api/v1/today", others), 200, "while the row is held")
            answer = one.getresponse()
            self.assertEqual((answer.status, b"Others are writing" in answer.read()), (503, True))


class Told(TestCase):
    def test_alive_says_nothing_of_the_rest_and_ready_each_thing(self) -> None:
        self.assertEqual(Client().get("/healthz").status_code, 200)
        got = Client().get("/readyz")
        self.assertEqual((got.status_code, got.json()), (503, {"database": True, "migrations": True, "worker": False, "disk": True}))
        with patch("config.health.worker_seen_at", return_value=1):
            self.assertEqual(Client().get("/readyz").status_code, 200)
            with patch("config.health.connection.cursor", side_effect=OperationalError("password of outer_test_owner")):
                got = Client().get("/readyz")
            self.assertEqual((got.status_code, got.json()["database"], b"password" in got.content), (503, False, False))

    def test_numbers_for_whoever_has_the_token(self) -> None:
        self.assertEqual(Client().get("/metrics").status_code, 404, "off")
        with override_settings(METRICS_TOKEN="secret"):
            Client().get("/api/v1/session")
            self.assertEqual(Client().get("/metrics").status_code, 404)
            told = Client(headers={"Authorization": "Bearer secret"}).get("/metrics").content.decode()
        for name in (
            "outer_test_requests_total",
            "outer_test_request_seconds_bucket",
            "outer_test_queue_jobs",
            "outer_test_queue_age_seconds",
        ):
            self.assertIn(name, told)

    def test_a_failure_is_logged_with_its_request_and_reason_and_nothing_that_was_typed(self) -> None:
        mine = Fixture("Logged")
        caller = mine.client()
        caller.raise_request_exception = False
        lines: list[str] = []
        form = JsonLines()
        handler = logging.Handler()
        handler.emit = lambda record: lines.append(form.format(record))  # type: ignore[method-assign]
        logging.getLogger().addHandler(handler)
        self.addCleanup(logging.getLogger().removeHandler, handler)
        with patch("api.visits.find_visit", side_effect=RuntimeError("39.9 typed by Sable Moor")):
            got = caller.get(f"/api/v1/visits/{mine.visit.id}/file")
        told = [json.loads(line) for line in lines]
        self.assertEqual(got.status_code, 500)
        mine_of = [line for line in told if line["logger"] == "outer_test.requests"]
        self.assertEqual(
            [(line["request"], line["member"], line["visit"], line["status"]) for line in mine_of],
            [(got.headers["X-Request-ID"], mine.member.pk, str(mine.visit.id), 500)],
        )
        self.assertIn("RuntimeError", [line.get("reason") for line in told])
        self.assertNotIn("39.9", "".join(lines))
        self.assertNotIn("Sable", "".join(lines))

    def test_a_line_without_a_request_is_a_line_too(self) -> None:
        record = logging.LogRecord("x", logging.ERROR, __file__, 1, "stopped %s", ("twice",), None)
        self.assertEqual(json.loads(JsonLines().format(record))["message"], "stopped twice")
        asked.set(Asked("abc"))
        self.assertEqual(json.loads(JsonLines().format(record))["request"], "abc")
        asked.set(None)


class Proxy(TransactionTestCase):
    """docs/deploy/nginx.conf with plain processes: two app servers that share nothing but the database and the files."""

    def setUp(self) -> None:
        self.ports = free_port(), free_port()
        self.secure = free_port()
        in_field = {
            "OUTER_TEST_LOCAL": "0", "OUTER_TEST_BEHIND_PROXY": "1", "OUTER_TEST_TRUSTED_HOPS": "1", "OUTER_TEST_HOSTS": "test.example.org",
            "OUTER_TEST_ORIGINS": "https://test.example.org",
        }  # fmt: skip
        self.apps = [app_beside(self, port, **in_field) for port in self.ports]
        self.folder = Path(mkdtemp())
        self.addCleanup(shutil.rmtree, self.folder)
        key = ["openssl", "req", "-x509", "-newkey", "rsa:2048", "-nodes", "-days", "2", "-subj", "/CN=test.example.org"]
        subprocess.run([*key, "-keyout", "key.pem", "-out", "fullchain.pem"], cwd=self.folder, check=True, capture_output=True)
        self.folder.chmod(0o755)
        shipped = (ROOT / "docs" / "deploy" / "nginx.conf").read_text()
        site = shipped.replace(
            "server 127.0.0.1:8000 max_fails=2 fail_timeout=5s;",
            "".join(f"server 127.0.0.1:{port} max_fails=1 fail_timeout=30s;" for port in self.ports),
        )
        site = site.replace("listen 443 ", f"listen 127.0.0.1:{self.secure} ").replace("listen 80;", f"listen 127.0.0.1:{free_port()};")
        site = site.replace("/etc/ssl/outer-test", str(self.folder))
        paths = " ".join(f"{name}_temp_path {self.folder}/{name};" for name in ("client_body", "proxy", "fastcgi", "uwsgi", "scgi"))
        (self.folder / "nginx.conf").write_text(
            f"daemon off; pid {self.folder}/pid; error_log {self.folder}/error.log; events {{}} http {{ access_log off; {paths} {site} }}"
        )
        proxy = subprocess.Popen([NGINX, "-p", str(self.folder), "-c", str(self.folder / "nginx.conf")], stderr=subprocess.PIPE)
        self.addCleanup(proxy.wait)
        self.addCleanup(proxy.terminate)
        until = time.monotonic() + PATIENCE_S
        while time.monotonic() < until:
            try:
                socket.create_connection(("127.0.0.1", self.secure), timeout=1).close()
                break
            except OSError:
                time.sleep(0.1)
        trusting = ssl.create_default_context()
        trusting.check_hostname, trusting.verify_mode = False, ssl.CERT_NONE
        self.jar = CookieJar()
        self.browser = build_opener(HTTPSHandler(context=trusting), HTTPCookieProcessor(self.jar))

    def ask(self, method: str, path: str, body: bytes | None = None, **headers: str) -> tuple[int, bytes]:
        request = Request(
            f"https://127.0.0.1:{self.secure}{path}",
            body,
            {"Host": "test.example.org", "Referer": "https://test.example.org/", **headers},
            method=method,
        )
        for cookie in self.jar:
            if cookie.name == "csrftoken":
                request.add_header("X-CSRFToken", str(cookie.value))
        try:
            with self.browser.open(request, timeout=PATIENCE_S) as answer:
                return answer.status, answer.read()
        except urllib.error.HTTPError as problem:
            return problem.code, problem.read()

    def test_it_serves_holds_bodies_hides_the_inside_and_outlives_an_app(self) -> None:
        mine = Fixture("Proxied")
        self.assertEqual(self.ask("GET", "/api/v1/session")[0], 200)
        name = json.dumps({"username": mine.member.username, "password": PASSWORD}).encode()
        status, said = self.ask("POST", "/api/v1/session", name, **{"Content-Type": "application/json", "X-Forwarded-For": "203.0.113.7"})
        self.assertEqual(status, 200, said)
        self.assertEqual(SignIn.objects.of(mine.company).get().address, "127.0.0.1", "not what the stranger said of himself")
        self.assertEqual(self.ask("GET", "/api/v1/today")[0], 200)
        for path in ("/metrics", "/readyz", "/healthz"):
            self.assertEqual(self.ask("GET", path)[0], 404, path)
        for path, size in (("/api/v1/session", 30_000), ("/api/v1/sync", 2_000_000)):
            self.assertEqual(self.ask("POST", path, b"x" * size)[0], 413, path)
        self.apps[0].kill()
        self.apps[0].wait()
        self.assertEqual([self.ask("GET", "/api/v1/today")[0] for _ in range(6)], [200] * 6, "the other app server has the session too")
