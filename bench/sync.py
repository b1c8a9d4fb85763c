"""Five hundred devices that come back into signal at once, forty readings each. Run: ./test bench.sync"""

import json
import time
from concurrent.futures import ThreadPoolExecutor
from http.client import HTTPConnection
from statistics import quantiles
from typing import Any

from django.test import TransactionTestCase
from django.utils import timezone

from ledger.models import EventRow
from ops.tests.running import free_port
from outer_test.ledger import Kind
from testing.fixtures import Caller, Fixture, fresh
from testing.serving import app_beside
from visits.models import Visit

DEVICES, EACH, AT_ONCE, PATIENCE_S = 500, 40, 100, 300


class ComingBack(TransactionTestCase):
    """Prints how long a device waits for its answer, refusals and all, beside one that comes alone, and what was lost or doubled."""

    def test_print(self) -> None:
        """Measure and print. Every tenth device loses its first answer and sends all of it again."""
        self.port = free_port()
        app_beside(self, self.port)
        mine = Fixture()
        alone = self.come_back(self.device(mine), self.entries(self.visit(mine)), loses=False)[0]
        devices = [(self.device(mine), self.entries(self.visit(mine)), place % 10 == 0) for place in range(DEVICES)]
        with ThreadPoolExecutor(AT_ONCE) as pool:
            told = list(pool.map(lambda one: self.come_back(*one), devices))
        times, states = [one[0] for one in told], [state for one in told for state in one[1]]
        ids = list(EventRow.objects.of(mine.company).filter(kind=Kind.READING.value).values_list("uuid", flat=True))
        acknowledged = sum(state in ("saved", "again") for state in states)
        cuts = quantiles(times, n=20)
        print(
            f"\n{DEVICES} devices × {EACH} readings, {AT_ONCE} at a time: p50 {cuts[9]:.2f} s, p95 {cuts[18]:.2f} s, alone {alone:.2f} s; "
            f"p95 ÷ alone {cuts[18] / alone:.0f}; acknowledged {acknowledged} of {DEVICES * EACH}, "
            f"lost {(DEVICES + 1) * EACH - len(set(ids))}, doubled {len(ids) - len(set(ids))}"
        )

    def visit(self, mine: Fixture) -> str:
        """A visit of its own for a device."""
        row: Visit = Visit.objects.of(mine.company).create(
            company=mine.company, unit=mine.unit, technician=mine.member, scheduled_for=timezone.now()
        )
        return str(row.pk)

    def device(self, mine: Fixture) -> str:
        """A device's cookies."""
        caller: Caller = mine.client()
        caller.send("GET", "/session")
        return "; ".join(f"{name}={one.value}" for name, one in caller.cookies.items())

    def entries(self, visit: str) -> list[dict[str, Any]]:
        """What was read there without signal."""
        acts = [{"kind": "reading", "point": "cap.herm.uf", "typed": f"{30 + place / 10}"} for place in range(EACH)]
        return [{"id": fresh(), "visit": visit, "seq": seq, "after": 0, "act": act} for seq, act in enumerate(acts, 1)]

    def come_back(self, cookies: str, entries: list[dict[str, Any]], loses: bool) -> tuple[float, list[str]]:
        """Send everything until it is answered, as a device does: how long that took, and what became of each entry."""
        begun, states = time.perf_counter(), ["later"]
        if loses:
            self.push(cookies, entries)
        while "later" in states and time.perf_counter() - begun < PATIENCE_S:
            states = self.push(cookies, entries)
            if "later" in states:
                time.sleep(1)
        return time.perf_counter() - begun, states

    def push(self, cookies: str, entries: list[dict[str, Any]]) -> list[str]:
        """Send entries; what became of each, `later` where the server took none."""
        token = cookies.split("csrftoken=")[1].split(";")[0]
        headers = {"Cookie": cookies, "X-CSRFToken": token, "Content-Type": "application/json", "Origin": f"http://127.0.0.1:{self.port}"}
        line = HTTPConnection("127.0.0.1", self.port, timeout=300)
        line.request("POST", "/api/v1/sync", json.dumps({"entries": entries}), headers)
        response = line.getresponse()
        answer = json.loads(response.read())
        line.close()
        return [one["state"] for one in answer["acknowledged"]] if response.status == 200 else ["later"]
