"""A meter's log on its way in: how long, whether progress is seen, and what a cancel leaves. Run: ./test bench.log

OUTER_TEST_BENCH_ROWS says how many rows (5000 where it is left out; 100000 is what the app promises). Ratios are to Python's own
csv module reading the same file.
"""

import csv
import os
import random
import time
from collections.abc import Callable
from datetime import datetime, timedelta
from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import TransactionTestCase

from fleet.models import Unit
from outer_test.ledger import Kind
from testing.fixtures import Fixture, events, fresh, own_files
from visits.models import Visit

ROWS = int(os.environ.get("OUTER_TEST_BENCH_ROWS", "5000"))
UNITS, PER_VISIT, PATIENCE_S, LOOK_S = 50, 20, 3600, 0.2
PLATE = {"run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440, "tolerance_pct": 6}}
WORDS = ("herm", "fan", "contactor.coil.ohm", "winding.c_r.ohm", "winding.c_s.ohm")
MAPPING = {"value": "value", "at": "time", "serial": "serial", "point": "reading", "sign": ""}


class Log(TransactionTestCase):
    """Prints how long checking and keeping take, and holds a cancel to leaving nothing."""

    def setUp(self) -> None:
        """A company with units of known serials, and a file of rows for them."""
        folder = own_files(self)
        self.mine = Fixture("Log", PLATE)
        self.caller = self.mine.client()
        company = self.mine.company
        Unit.objects.of(company).bulk_create(
            Unit(company=company, site=self.mine.site, label=f"pad {place}", serial=f"L-{place}", plate=PLATE) for place in range(UNITS)
        )
        self.file = folder / "log.csv"
        self.file.write_text("serial,time,reading,value\n" + "\n".join(self.rows()))

    def rows(self) -> list[str]:
        """Twenty readings a visit, the units in turn, a week apart."""
        chance, first = random.Random(3), datetime(2015, 1, 5, 9)
        made = []
        for place in range(ROWS):
            visit, turn = divmod(place, PER_VISIT)
            at = first + timedelta(days=7 * (visit // UNITS), minutes=turn)
            made.append(f"L-{visit % UNITS},{at:%Y-%m-%d %H:%M},{WORDS[turn % len(WORDS)]},{5 + chance.random() * 3:.1f}")
        return made

    def test_print(self) -> None:
        """Bring, check, keep; then bring again and cancel in the middle."""
        begun = time.perf_counter()
        with self.file.open(newline="") as file:
            self.assertEqual(sum(1 for _ in csv.reader(file)), ROWS + 1)
        plain = time.perf_counter() - begun
        print(f"\n{ROWS} rows, {plain:.2f} s by Python's csv alone")
        job = self.bring()
        checked, seen = self.run_to(job, "check", MAPPING, "checked")
        print(f"checked in {checked:.1f} s, ratio {checked / plain:.0f}; {seen} different counts were seen on the way")
        kept, seen = self.run_to(job, "keep", None, "done")
        print(f"kept in {kept:.1f} s, ratio {kept / plain:.0f}; {seen} different counts were seen on the way")
        self.assertEqual(self.count(), ROWS)
        self.cancelled()

    def cancelled(self) -> None:
        """A second file, stopped once some of it was written."""
        before, visits = self.count(), Visit.objects.of(self.mine.company).count()
        job = self.bring()
        self.run_to(job, "check", MAPPING, "checked")
        asked = self.caller.send("POST", f"/imports/{job}/keep")
        self.assertEqual(asked.status_code, 200, asked.content)
        self.wait(job, lambda told: told["done"] > 0 or told["state"] == "done")
        self.caller.send("POST", f"/imports/{job}/cancel")
        ended = self.wait(job, lambda told: told["state"] in ("cancelled", "done", "failed"))
        self.assertEqual(ended["state"], "cancelled", "it was through before it could be stopped: take more rows")
        self.assertEqual((self.count(), Visit.objects.of(self.mine.company).count()), (before, visits))
        print(f"cancelled after {ended['done']} rows: nothing of it was kept")

    def bring(self) -> str:
        """The file, brought; the job's key."""
        got = self.caller.post("/api/v1/imports", {"id": fresh(), "file": SimpleUploadedFile("log.csv", self.file.read_bytes())})
        self.assertEqual(got.status_code, 200, got.content)
        return str(got.json()["id"])

    def run_to(self, job: str, what: str, body: Any, state: str) -> tuple[float, int]:
        """Seconds until the state is reached, and how many different counts of rows were seen before."""
        begun, seen = time.perf_counter(), set()

        def ended(told: dict[str, Any]) -> bool:
            seen.add(told["done"])
            return told["state"] not in ("checking", "keeping")

        self.caller.send("POST", f"/imports/{job}/{what}", body)
        told = self.wait(job, ended)
        self.assertEqual((told["state"], told["problem_count"]), (state, 0), told["problems"][:3])
        return time.perf_counter() - begun, len(seen)

    def wait(self, job: str, there: Callable[[dict[str, Any]], bool]) -> dict[str, Any]:
        """Ask how far it is, as the screen does, until it is there."""
        until = time.monotonic() + PATIENCE_S
        while time.monotonic() < until:
            told: dict[str, Any] = self.caller.send("GET", f"/imports/{job}").json()
            if there(told):
                return told
            time.sleep(LOOK_S)
        raise AssertionError(f"still {told['state']} at {told['done']}")

    def count(self) -> int:
        """The company's readings."""
        return len(events(self.mine.company, Kind.READING))
