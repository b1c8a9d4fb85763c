"""A reading acknowledged is never lost: the database is killed while readings stream in, and started again."""

import json
import threading
import time
import unittest
import urllib.error
import urllib.request
from http.cookiejar import CookieJar
from typing import Any
from uuid import uuid4

from ops.postgres import Cluster
from ops.tests.running import PATIENCE_S, free_port, start, stopped, wait_for_address

CLUSTER = "crash-test"
WRITES_BEFORE, WRITERS = 12, 2


class Caller:
    """A signed-in browser as far as the API sees one: cookies, the CSRF token, JSON."""

    def __init__(self, address: str) -> None:
        self.address, self.jar = address.rstrip("/"), CookieJar()
        self.opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(self.jar))
        self.opener.open(address).close()
        demo = self.ask("/session")["demo"]
        self.ask("/session", {"username": demo["username"], "password": demo["password"]})

    def ask(self, path: str, body: Any = None) -> Any:
        """The answer's JSON. Raises HTTPError and URLError."""
        token = next((one.value for one in self.jar if one.name == "csrftoken"), "") or ""
        sent = None if body is None else json.dumps(body).encode()
        headers = {"Content-Type": "application/json", "X-CSRFToken": token}
        request = urllib.request.Request(f"{self.address}/api/v1{path}", data=sent, headers=headers)
        with self.opener.open(request, timeout=PATIENCE_S) as answer:
            return json.load(answer)


class Killed(unittest.TestCase):
    def setUp(self) -> None:
        self.cluster = Cluster(CLUSTER)
        self.addCleanup(self.cluster.remove)
        server = start(CLUSTER, "--port", str(free_port()))
        self.addCleanup(stopped, server)
        self.address = wait_for_address(server)
        self.asker = Caller(self.address)
        self.visit = next(one["id"] for one in self.asker.ask("/today")["visits"] if one["finished_at"] is None)
        self.acknowledged: list[str] = []
        self.killed = threading.Event()

    def test_every_acknowledged_reading_is_there_once(self) -> None:
        stop, until = threading.Event(), time.monotonic() + PATIENCE_S
        writers = [threading.Thread(target=self.write, args=(Caller(self.address), stop)) for _ in range(WRITERS)]
        for writer in writers:
            writer.start()
        while len(self.acknowledged) < WRITES_BEFORE and time.monotonic() < until:
            time.sleep(0.005)
        self.killed.set()
        self.cluster.kill()
        before = len(self.acknowledged)
        self.cluster.start()
        while len(self.acknowledged) < before + WRITES_BEFORE and time.monotonic() < until:
            time.sleep(0.02)
        stop.set()
        for writer in writers:
            writer.join()
        kept = [one["id"] for one in self.asker.ask(f"/visits/{self.visit}")["round"]["entries"]]
        self.assertGreaterEqual(len(self.acknowledged), before + WRITES_BEFORE)
        self.assertEqual(len(kept), len(set(kept)))
        self.assertLessEqual(set(self.acknowledged), set(kept))

    def write(self, caller: Caller, stop: threading.Event) -> None:
        """As the front end does it: a reading is sent again under its own UUID until it is acknowledged."""
        while not stop.is_set():
            act = {"kind": "reading", "point": "cap.herm.uf", "typed": "39.9"}
            reading = {"id": str(uuid4()), "visit": self.visit, "act": act}
            while not stop.is_set() and not self.sent(caller, reading):
                time.sleep(0.05)

    def sent(self, caller: Caller, reading: dict[str, Any]) -> bool:
        """Whether it was acknowledged; no answer but a dead database's is taken for anything but a mistake."""
        try:
            answer = caller.ask("/sync", {"entries": [reading]})["acknowledged"][0]
        except urllib.error.HTTPError as refused:
            if not self.killed.is_set() or refused.code < 500:
                raise
            return False
        if answer["state"] == "later":
            return False
        self.assertEqual(answer["wrong"], [])
        self.acknowledged.append(reading["id"])
        return True
