"""How long a write takes while much else goes on: two hundred people, an import, a killed worker, a database that goes and comes back,
strangers at the door.

Run: ./test bench.load. Everything is printed as a ratio to a quiet minute of the same run.
"""

import itertools
import json
import math
import time
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from dataclasses import dataclass
from http.client import HTTPConnection, HTTPException
from multiprocessing import get_context
from random import Random
from statistics import quantiles
from threading import Thread
from typing import Any

from django.db import connections
from django.test import TransactionTestCase
from django.utils import timezone

from files.tests.test_log_in import HEADING, MAPPING, bring
from ledger.models import EventRow
from ops.postgres import Cluster
from ops.tests.running import free_port
from outer_test.ledger import Kind
from testing.fixtures import Caller, Fixture, fresh, own_files
from testing.serving import app_beside
from testing.worker import worker_beside
from visits.models import Visit

CLIENTS, THINK_S, SECONDS, ROWS, STRANGERS, GIVE_UP_S = 200, 10.0, 30, 100_000, 40, 60


class Client:
    """Somebody with a device, who writes a reading, thinks, and writes the next."""

    def __init__(self, mine: Fixture, port: int) -> None:
        caller: Caller = mine.client()
        caller.send("GET", "/session")
        cookies = "; ".join(f"{name}={one.value}" for name, one in caller.cookies.items())
        self.headers = {
            "Content-Type": "application/json", "Cookie": cookies, "X-CSRFToken": caller.cookies["csrftoken"].value, "Origin": f"http://127.0.0.1:{port}",
        }  # fmt: skip
        row: Visit = Visit.objects.of(mine.company).create(
            company=mine.company, unit=mine.unit, technician=mine.member, scheduled_for=timezone.now()
        )
        self.visit, self.port, self.seq = str(row.pk), port, 0
        self.sent: list[str] = []
        self.again = 0

    def ask(self, method: str, path: str, body: object = None) -> Any:
        """The answer; raises where it is no success."""
        one = HTTPConnection("127.0.0.1", self.port, timeout=60)
        one.request(method, f"/api/v1{path}", None if body is None else json.dumps(body), self.headers)
        answer = one.getresponse()
        said = answer.read()
        one.close()
        if answer.status >= 300:
            raise AssertionError(f"{path}: {answer.status}")
        return json.loads(said)

    def day(self) -> float:
        """How long the day's list takes, asked again where it is refused."""
        begun = time.monotonic()
        while True:
            try:
                self.ask("GET", "/today")
            except (AssertionError, OSError, HTTPException):
                if time.monotonic() - begun > GIVE_UP_S:
                    raise
            else:
                return time.monotonic() - begun

    def write(self) -> float:
        """One reading sent, and sent again until it is acknowledged, as a device does; how long that took."""
        self.seq += 1
        act = {"kind": "reading", "point": "cap.herm.uf", "typed": f"{40 + self.seq % 9}.1"}
        entry = {"id": fresh(), "visit": self.visit, "seq": self.seq, "after": 0, "act": act}
        begun = time.monotonic()
        while True:
            try:
                told = self.ask("POST", "/sync", {"entries": [entry]})["acknowledged"][0]
                if told["state"] not in ("saved", "again"):
                    raise AssertionError(str(told))
            except (AssertionError, OSError, HTTPException):
                if time.monotonic() - begun > GIVE_UP_S:
                    raise
                self.again += 1
                time.sleep(1)
            else:
                self.sent.append(str(entry["id"]))
                return time.monotonic() - begun


def p95(times: list[float]) -> float:
    """The time that one of twenty takes longer than."""
    return quantiles(times, n=20)[18]


class Load(TransactionTestCase):
    """Prints; nothing is asserted but that nothing is lost or doubled."""

    def setUp(self) -> None:
        """The app in processes of its own, and everybody at their device."""
        self.files = own_files(self)
        self.port = free_port()
        app_beside(self, self.port, OUTER_TEST_TRUSTED_HOPS="1", OUTER_TEST_FILES=str(self.files))
        self.mine, self.other = Fixture("Load", {"run_capacitor": {"herm_uf": 55, "vac": 440}}), Fixture("Other")
        self.clients = [Client(self.mine, self.port) for _ in range(CLIENTS)]

    def minute(self, but: "Outage | None" = None) -> list[float]:
        """Everybody at work for a while: how long each write took, but for those that fell into the outage."""
        until = time.monotonic() + SECONDS

        def work(one: Client) -> list[float]:
            chance, times = Random(one.visit), []
            time.sleep(chance.uniform(0, THINK_S))
            while time.monotonic() < until:
                begun = time.monotonic()
                took = one.write()
                if but is None or not but.holds(begun, begun + took):
                    times.append(took)
                time.sleep(min(chance.expovariate(1 / THINK_S), max(until - time.monotonic(), 0)))
            return times

        with ThreadPoolExecutor(len(self.clients)) as pool:
            return [took for own in pool.map(work, self.clients) for took in own]

    def test_print(self) -> None:
        """Quiet, then two hundred, then two hundred beside each trouble."""
        quiet = p95([self.clients[0].write() for _ in range(60)])
        print(f"\none alone: p95 {quiet * 1000:.0f} ms")

        def told(what: str, times: list[float]) -> None:
            print(f"{what}: p95 {p95(times) * 1000:.0f} ms, {p95(times) / quiet:.1f} × alone")

        told(f"{CLIENTS} people, {THINK_S:g} s to think", self.minute())
        with self.importing():
            told(f"beside an import of {ROWS:,} rows whose worker is killed", self.minute())
        with self.outage() as outage:
            told("around a database that is killed and started again", self.minute(outage))
        print(f"the outage took {outage.end - outage.begin:.1f} s; {sum(one.again for one in self.clients)} writes were sent again")
        ids = list(EventRow.objects.of(self.mine.company).filter(kind=Kind.READING.value).values_list("uuid", flat=True))
        sent = {one for client in self.clients for one in client.sent}
        print(f"lost {len(sent - {str(one) for one in ids})}, doubled {len(ids) - len(set(ids))} of {len(sent)}")
        self.assertEqual((sent - {str(one) for one in ids}, len(ids) - len(set(ids))), (set(), 0))

    def test_print_beside_strangers(self) -> None:
        """A day's list of somebody else, quiet and while strangers sign in: as people do, and as a script does."""
        asker = Client(self.other, self.port)
        alone = p95([asker.day() for _ in range(100)])
        for pause, how in ((1.0, "a try a second each"), (0.0, "as fast as they are answered")):
            with strangers(self.port, pause):
                among = p95([asker.day() for _ in range(100)])
            print(f"a day's list beside {STRANGERS} strangers, {how}: p95 {among * 1000:.0f} ms, {among / alone:.1f} × its quiet time")

    @contextmanager
    def outage(self) -> "Iterator[Outage]":
        """The database is killed after a while, as by a power cut, and started again."""
        cluster, outage = Cluster("test"), Outage()
        connections.close_all()

        def cut() -> None:
            time.sleep(SECONDS / 3)
            outage.begin = time.monotonic()
            cluster.kill()
            cluster.start()
            outage.end = time.monotonic()

        cutter = Thread(target=cut)
        cutter.start()
        yield outage
        cutter.join()

    @contextmanager
    def importing(self) -> Iterator[None]:
        """A long log of another company read meanwhile; its worker is killed after a while, and another goes on."""
        caller = self.other.client()
        times = ((2000 + n // 12000, 1 + n // 28 % 12, 1 + n % 28, n // 336 % 60) for n in range(ROWS))
        rows = (f"S-1;{year}-{month:02d}-{day:02d} 09:{minute:02d};herm;5{minute % 10},1;uF" for year, month, day, minute in times)
        job = bring(caller, HEADING + "\n".join(rows)).json()["id"]
        first = worker_beside(self, self.files)
        caller.send("POST", f"/imports/{job}/check", MAPPING)

        def kill() -> None:
            time.sleep(SECONDS / 3)
            first.kill()
            worker_beside(self, self.files)

        killer = Thread(target=kill)
        killer.start()
        yield
        killer.join()


@dataclass
class Outage:
    """When the database went and came back, by the monotonic clock."""

    begin: float = math.inf
    end: float = math.inf

    def holds(self, begun: float, ended: float) -> bool:
        """Whether something that took from then till then was under way during it, or within a second after."""
        return begun < self.end + 1 and ended > self.begin


@contextmanager
def strangers(port: int, pause: float) -> Iterator[None]:
    """Strangers at the sign-in, in a process of their own, each from an address of their own. pause: after each answer, s."""
    process = get_context("fork").Process(target=_knock, args=(port, pause), daemon=True)
    process.start()
    time.sleep(2)
    yield
    process.kill()
    process.join()


def _knock(port: int, pause: float) -> None:
    def knock(number: int) -> None:
        body = json.dumps({"username": f"nobody{number}", "password": "wrong"})
        headers = {
            "Content-Type": "application/json", "Cookie": f"csrftoken={'t' * 32}", "X-CSRFToken": "t" * 32, "Origin": f"http://127.0.0.1:{port}",
        }  # fmt: skip
        for count in itertools.count():
            one = HTTPConnection("127.0.0.1", port, timeout=60)
            one.request("POST", "/api/v1/session", body, headers | {"X-Forwarded-For": f"203.{number}.{count // 250 % 250}.{count % 250}"})
            one.getresponse().read()
            one.close()
            time.sleep(pause)

    with ThreadPoolExecutor(STRANGERS) as pool:
        list(pool.map(knock, range(STRANGERS)))
