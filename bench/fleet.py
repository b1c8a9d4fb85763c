"""A large fleet: unit file, search and watch list, against the same pages on the demo fleet. Run: ./test bench.fleet

OUTER_TEST_BENCH_VISITS says how many visits are made (2000 where it is left out; 200000 with forty readings each is the aim).
The rows are made by COPY. Also looked at: that no page's query walks through the readings from end to end.
"""

import json
import os
import random
import time
from collections.abc import Callable, Iterable, Iterator
from datetime import timedelta
from itertools import count as count_up
from statistics import quantiles
from typing import Any
from uuid import uuid4

from django.db import connection
from django.test import TransactionTestCase
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from accounts.models import Company, Member
from fleet.models import Unit
from setup.demo import load_demo
from testing.fixtures import Caller, Fixture

VISITS = int(os.environ.get("OUTER_TEST_BENCH_VISITS", "2000"))
PER_UNIT, PER_VISIT, ASKED, AIM = 20, 40, 120, 2.0
EMPTY = "empty"
PLATE = {"run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440, "tolerance_pct": 6}}
POINTS = ["cap.herm.uf", "cap.fan.uf", "contactor.coil.ohm", "contactor.pole1.drop_v", "amps.compressor.run_a", "winding.c_r.ohm"]
STREETS = ("Mill", "Weir", "Quarry", "Orchard", "Kiln", "Fold", "Tannery", "Harrow", "Sedge", "Linden", "Cooper", "Saddler")


class Fleet(TransactionTestCase):
    """Prints the ratios, and the worst plan."""

    def test_print(self) -> None:
        """Measure the demo, make the fleet, measure again."""
        load_demo()
        demo = Company.objects.get()
        wren = Caller()
        wren.force_login(Member.objects.get(username="marlow"), backend="accounts.backend.MemberBackend")
        small = self.measure(wren, list(Unit.objects.of(demo)), "quarry lane", "milrace")
        big = Fixture("Big", PLATE)
        begun = time.perf_counter()
        units = self.make(big)
        print(f"\n{VISITS} visits, {VISITS * PER_VISIT} readings made in {time.perf_counter() - begun:.0f} s")
        lead = big.client(big.lead)
        rows = list(Unit.objects.of(big.company).filter(id__in=random.Random(1).sample(units, min(len(units), 20))))
        large = self.measure(lead, rows, "mill lane 17", "tanery yard")
        machine = large.pop(EMPTY) / small.pop(EMPTY)
        print(f"an empty page took {machine:.2f} times as long as beside the demo: the ratios are for a machine that stays the same")
        for page, p95 in large.items():
            print(f"{page:10} p95 {p95:.0f} ms, demo {small[page]:.0f} ms, ratio {p95 / small[page] / machine:.2f} (aim ≤ {AIM})")
        self.plans(lead, rows)

    def measure(self, caller: Caller, units: list[Unit], words: str, misspelt: str) -> dict[str, float]:
        """p95 of each page, ms, and of an empty one; asked for by turns, for what the machine is worth changes within minutes."""
        pages: dict[str, Callable[[int], str]] = {
            "unit file": lambda turn: f"/units/{units[turn % len(units)].id}",
            "search": lambda turn: f"/fleet/find?q={(words, misspelt, 'nowhere')[turn % 3]}",
            "watch list": lambda turn: "/fleet/watch" if turn % 2 else "/fleet/watch?point=cap.herm.uf",
            EMPTY: lambda _: "/session",
        }
        times: dict[str, list[float]] = {page: [] for page in pages}
        for turn in range(ASKED):
            for page, address in pages.items():
                begun = time.perf_counter()
                got = caller.send("GET", address(turn))
                times[page].append((time.perf_counter() - begun) * 1000)
                self.assertEqual(got.status_code, 200, got.content)
        return {page: quantiles(own, n=20)[18] for page, own in times.items()}

    def plans(self, caller: Caller, units: list[Unit]) -> None:
        """Explain every query of the three pages, and say where one walks through the readings."""
        walked = set()
        for address in (f"/units/{units[0].id}", "/fleet/find?q=mill lane 17", "/fleet/find?q=tanery yard", "/fleet/watch"):
            with CaptureQueriesContext(
                connection,
            ) as asked:
                caller.send("GET", address)
            for query in asked.captured_queries:
                if query["sql"].lstrip().upper().startswith("SELECT"):
                    with connection.cursor() as cursor:
                        cursor.execute("EXPLAIN " + query["sql"])
                        plan = "\n".join(row[0] for row in cursor.fetchall())
                    if "Seq Scan on ledger_event" in plan:
                        walked.add(address)
        print(f"pages that walk through the readings: {', '.join(sorted(walked)) or 'none'}")
        self.assertEqual(walked, set())

    def make(self, big: Fixture) -> list[Any]:
        """Units, visits, readings and standings, by COPY."""
        chance, now = random.Random(7), timezone.now()
        count = max(VISITS // PER_UNIT, 1)
        sites, units = [uuid4() for _ in range(count)], [uuid4() for _ in range(count)]
        names = [f"{chance.choice(STREETS)} {chance.choice(('Lane', 'Yard', 'Row', 'Street'))} {place}" for place in range(count)]
        company, member = big.company.pk, big.member.pk
        self.copy(
            "fleet_site",
            "id, company_id, name, address",
            ((site, company, name, "Hill County") for site, name in zip(sites, names, strict=True)),
        )
        plate = json.dumps(PLATE)
        self.copy(
            "fleet_unit",
            "id, company_id, site_id, label, serial, plate, fitted, notes, tag, find_text",
            (
                (
                    unit,
                    company,
                    sites[place],
                    "pad",
                    f"B-{place:06}",
                    plate,
                    "[]",
                    "",
                    uuid4().hex,
                    f"{names[place]} Hill County pad B-{place:06}",
                )
                for place, unit in enumerate(units)
            ),
        )
        visits = [
            (uuid4(), place % count, now - timedelta(days=90 * (place // count) + chance.randrange(30)))
            for place in range(count * PER_UNIT)
        ]
        self.copy(
            "visits_visit",
            "id, company_id, unit_id, technician_id, scheduled_for, complaint, began, notes, rules, finished_at, "
            "finished_by_id, "
            "finish_reason, baseline, told, overall, find_text, timed_out_before, readings, open_lines",
            (
                (
                    visit,
                    company,
                    units[unit],
                    member,
                    at,
                    "maintenance",
                    "",
                    "",
                    "{}",
                    at,
                    member,
                    "",
                    "[]",
                    self.told(chance),
                    "good",
                    f"{names[unit]} Hill County pad {at:%Y-%m-%d} maintenance",
                    0,
                    PER_VISIT,
                    0,
                )
                for visit, unit, at in visits
            ),
        )
        place = count_up(1)
        self.copy(
            "ledger_event",
            "company_id, uuid, place, site, unit, visit, member_id, device, seq, at, arrived_at, clock_wrong, kind, version, body",
            ((company, uuid4(), next(place), sites[unit], units[unit], visit, member, visit, turn, at, at, False, "reading", 1,
              json.dumps({"point": POINTS[turn % len(POINTS)], "value": f"{50 + turn / 10:.1f}"}))
             for visit, unit, at in visits for turn in range(PER_VISIT)),
        )  # fmt: skip
        watched = json.dumps(
            [
                {
                    "point": "cap.herm.uf",
                    "title": "Compressor section, C to HERM",
                    "verdict": "bad",
                    "value": "49 µF",
                    "why": "low",
                    "crosses": None,
                    "earliest": None,
                    "carry": "dual 55 + 7.5 µF 440 V",
                }
            ]
        )
        self.copy(
            "fleet_unitstanding",
            'unit_id, company_id, rank, crosses, watched, points, "left", visit_at',
            (
                (
                    unit,
                    company,
                    1 if place % 9 == 0 else 5,
                    now.date() + timedelta(days=place % 900) if place % 3 == 0 else None,
                    watched if place % 9 == 0 else "[]",
                    "{cap.herm.uf}" if place % 9 == 0 else "{}",
                    0,
                    now,
                )
                for place, unit in enumerate(units)
            ),
        )
        with connection.cursor() as cursor:
            cursor.execute("ANALYZE")
        return units

    def told(self, chance: random.Random) -> str:
        """What a visit told, as it is kept."""
        return json.dumps(
            [
                {
                    "point": point,
                    "value": (value := f"{54 + chance.random():.1f}"),
                    "number": float(value),
                    "verdict": "good",
                    "low": 51.7,
                    "high": 58.3,
                    "unit": "µF",
                }
                for point in POINTS
            ]
        )

    def copy(self, table: str, columns: str, rows: Iterable[tuple[Any, ...]]) -> None:
        """Rows into a table by COPY."""
        connection.ensure_connection()
        with connection.connection.cursor() as cursor, cursor.copy(f"COPY {table} ({columns}) FROM STDIN") as copy:
            for row in self.rows(rows):
                copy.write_row(row)

    def rows(self, rows: Iterable[tuple[Any, ...]]) -> Iterator[tuple[Any, ...]]:
        """Each row as it comes."""
        yield from rows
