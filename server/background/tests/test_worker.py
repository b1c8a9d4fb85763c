"""A worker as it runs in the field: what one leaves when it is killed another takes up, and done twice is done once."""

import time
from typing import Any

from django.db import connection
from django.test import TransactionTestCase, override_settings

from background import later
from background.queue import oldest_waiting_s, worker_seen_at
from files.log_job import read_log
from files.tests.test_log_in import HEADING, MAPPING, PLATE, bring
from ops.tests.running import PATIENCE_S
from outer_test.ledger import Kind, read_body
from testing.fixtures import Fixture, events, fresh, own_files
from testing.worker import worker_beside
from visits.conclude import conclude, conclusions
from visits.models import ImportJob


class Worker(TransactionTestCase):
    def setUp(self) -> None:
        self.folder = own_files(self)
        self.mine = Fixture("Worker", PLATE)
        self.caller = self.mine.client()

    def wait(self, job: str, *states: str) -> dict[str, Any]:
        until = time.monotonic() + PATIENCE_S
        while time.monotonic() < until:
            told: dict[str, Any] = self.caller.send("GET", f"/imports/{job}").json()
            if told["state"] in states:
                return told
            time.sleep(0.05)
        raise AssertionError(f"still {told['state']} after {PATIENCE_S:.0f} s")

    def test_killed_in_the_middle_it_is_taken_up_and_kept_once(self) -> None:
        rows = [f"S-1;{2000 + n // 300}-{1 + n // 28 % 11:02d}-{1 + n % 28:02d} 09:00;herm;5{n % 10},1;uF" for n in range(600)]
        job = bring(self.caller, HEADING + "\n".join(rows)).json()["id"]
        first = worker_beside(self, self.folder)
        self.caller.send("POST", f"/imports/{job}/check", MAPPING)
        self.wait(job, "checked")
        self.assertIsNotNone(worker_seen_at())
        for _ in range(2):  # the answer to the first never came
            self.assertEqual(self.caller.send("POST", f"/imports/{job}/keep").status_code, 200)
        until = time.monotonic() + PATIENCE_S
        while time.monotonic() < until and not self.at_work():
            time.sleep(0.01)
        first.kill()
        first.wait()
        kept_then = len(events(self.mine.company, Kind.READING))
        self.assertIn(kept_then, (0, 600), "all of it or nothing")
        worker_beside(self, self.folder)
        self.wait(job, "done")
        self.assertEqual(len(events(self.mine.company, Kind.READING)), 600)
        self.assertEqual(self.caller.send("POST", f"/imports/{job}/keep").json()["state"], "done", "asked again it says what is so")
        self.assertEqual([one for one in self.folder.rglob("*") if one.is_file()], [], "the file is let go")

    def at_work(self) -> bool:
        with connection.cursor() as cursor:
            cursor.execute("SELECT count(*) FROM procrastinate_jobs WHERE status = 'doing' AND task_name = 'read_log'")
            return bool(cursor.fetchone()[0])

    def test_what_waits_is_counted_and_waits_once(self) -> None:
        for _ in range(2):
            later(read_log, "import 1", job=1)
        with connection.cursor() as cursor:
            cursor.execute("SELECT count(*) FROM procrastinate_jobs WHERE status = 'todo'")
            self.assertEqual(cursor.fetchone()[0], 1)
        self.assertGreaterEqual(oldest_waiting_s(), 0)
        self.assertIsNone(worker_seen_at())

    def test_where_nobody_works_on_it_stopping_stops_it(self) -> None:
        job = bring(self.caller, HEADING + "S-1;2024-01-05 09:00;herm;55,1;uF").json()["id"]
        self.caller.send("POST", f"/imports/{job}/check", MAPPING)
        ImportJob.objects.of(self.mine.company).update(beat="2020-01-01T00:00:00Z")
        self.assertEqual(self.caller.send("POST", f"/imports/{job}/cancel").json()["state"], "cancelled")
        read_log(ImportJob.objects.of(self.mine.company).get().pk)
        self.assertEqual(self.caller.send("GET", f"/imports/{job}").json()["state"], "cancelled")


@override_settings(WORK_AT_ONCE=True)
class Concluded(TransactionTestCase):
    def test_a_finished_visit_is_concluded_once_and_not_judged_again(self) -> None:
        mine = Fixture("Concluded", PLATE)
        caller, path = mine.client(), f"/visits/{mine.visit.id}"
        caller.read(mine.visit, "cap.herm.uf", "12.0")
        caller.do(path, "finish", {"id": fresh(), "reason": "parts on order"})
        ((visit, body),) = conclusions(mine.company).values_list("visit", "body")
        said = read_body(Kind.CONCLUSION, body)
        self.assertEqual((visit, said.as_found.value, said.accused[0].part), (mine.visit.id, "bad", "run capacitor"))
        self.assertEqual((len(said.suspects), round(sum(one.probability for one in said.suspects)) <= 1), (5, True))
        conclude(mine.company.pk, str(mine.visit.id))
        self.assertEqual(len(events(mine.company, Kind.CONCLUSION)), 1, "done twice is done once")
        shown = caller.send("GET", path).json()["round"]
        self.assertTrue(shown["finished_at"], "a conclusion does not open it again")
