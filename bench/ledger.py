"""The move of a fleet into the ledger, as a ratio to a plain copy of its rows. Run: ./test bench.ledger

OUTER_TEST_BENCH_VISITS says how many visits are moved (2000 where it is left out; 20000 is the aim). The move proves each visit's
assessment, which is most of its time: printed by itself too.
"""

import os
import time
from collections.abc import Sequence
from importlib import import_module
from typing import Any
from unittest.mock import patch

from django.db import connections
from django.test import TransactionTestCase

from accounts.models import Company
from setup.demo import load_demo
from testing.old_schema import AFTER, ALIAS, OldCompany, database_before, migrate
from visits.load import load_visits
from visits.migrations import _ledger_proof as proof
from visits.models import Visit

VISITS = int(os.environ.get("OUTER_TEST_BENCH_VISITS", "2000"))
TABLES = (
    "entry", "powerclaim", "ruleschange", "defroststamp", "defrostanswer", "partputin", "boardwireline", "liftedline", "visitnote",
    "signature",
)  # fmt: skip
NAMES = ("uuid", "visit_id", "supersedes", "undoes", "wire")  # what names a row, made anew in each copy


class Move(TransactionTestCase):
    """Prints the ratio, and fails where the move changes what a visit says."""

    def setUp(self) -> None:
        """The database it moves is made by the test itself, so no list of databases could name it beforehand."""
        type(self).databases = {"default", ALIAS}

    def test_print(self) -> None:
        """The demo's visits in the old tables, many times over; copied, moved."""
        load_demo()
        demo = Company.objects.get()
        loaded = load_visits(demo, list(Visit.objects.of(demo).select_related("unit__site")))
        with database_before() as apps:
            old = OldCompany(apps)
            for one in loaded:
                old.write(one.visit, one.row.scheduled_for)
            self.multiply(-(-VISITS // len(loaded)) - 1)
            rows = sum(self.count(f"visits_{table}") for table in (*TABLES, "liftedending"))
            copied = self.timed_copy()
            proving: list[float] = []
            real = proof.prove

            def prove(cursor: Any) -> int:
                begun = time.perf_counter()
                done = real(cursor)
                proving.append(time.perf_counter() - begun)
                return done

            begun = time.perf_counter()
            with patch.object(import_module("visits.migrations.0019_ledger"), "prove", prove):
                migrate(AFTER)
            moved = time.perf_counter() - begun
            print(f"\n{self.count('visits_visit')} visits, {rows} rows; a plain copy of them {copied:.1f} s")
            print(f"moved and proved in {moved:.1f} s, ratio {moved / copied:.1f}; without the proof {(moved - proving[0]) / copied:.1f}")

    def sql(self, statement: str, asked: Sequence[Any] = ()) -> Any:
        """What a statement answers, in the database that is moved."""
        with connections[ALIAS].cursor() as cursor:
            cursor.execute(statement, asked)
            return cursor.fetchall() if cursor.description else None

    def count(self, table: str) -> int:
        """How many rows a table has."""
        return int(self.sql(f"SELECT count(*) FROM {table}")[0][0])

    def multiply(self, times: int) -> None:
        """Every visit so many times more, each line with a name of its own."""
        self.copy("visits_visit", times, {"id": "md5(t.id::text || k)::uuid"})
        for table in TABLES:
            self.copy(f"visits_{table}", times, {})
        again = "n.company_id = l.company_id AND n.uuid = md5(l.uuid::text || k)::uuid"
        copied = f"SELECT n.id FROM visits_liftedline l JOIN visits_liftedline n ON {again}"
        line = f"({copied} WHERE l.id = t.line_id)"
        self.copy("visits_liftedending", times, {"line_id": line})

    def copy(self, table: str, times: int, own: dict[str, str]) -> None:
        """A table's rows so many times more."""
        columns = [row[0] for row in self.sql("SELECT column_name FROM information_schema.columns WHERE table_name = %s", [table])]
        wanted = [name for name in columns if name != "id" or "id" in own]
        made = [own.get(name) or (f"md5(t.{name}::text || k)::uuid" if name in NAMES else f"t.{name}") for name in wanted]
        self.sql(f"INSERT INTO {table} ({', '.join(wanted)}) SELECT {', '.join(made)} FROM {table} t, generate_series(1, {times}) k")

    def timed_copy(self) -> float:
        """Seconds that a plain copy of the rows takes."""
        begun = time.perf_counter()
        for table in (*TABLES, "liftedending"):
            self.sql(f"CREATE TABLE copy_of_{table} AS SELECT * FROM visits_{table}")
        took = time.perf_counter() - begun
        for table in (*TABLES, "liftedending"):
            self.sql(f"DROP TABLE copy_of_{table}")
        return took
