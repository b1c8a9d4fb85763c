"""A reading acknowledged is never lost: the database is killed while readings stream in, and started again."""

import logging
import threading
import time
from uuid import uuid4

from django.conf import settings
from django.db import connection, connections
from django.test import TransactionTestCase

from accounts.models import Company
from ops.postgres import Cluster
from testing.fixtures import Caller, Fixture
from visits.models import Entry

WRITES_BEFORE, WRITERS = 12, 2


class Killed(TransactionTestCase):
    def setUp(self) -> None:
        self.cluster = Cluster("test")
        name = settings.DATABASES["default"]["PORT"]
        self.assertEqual(str(name), self.cluster.url("x").rsplit(":", 1)[1].split("/")[0], "this test kills only its own cluster")
        self.mine = Fixture("Killed")
        logging.disable(logging.ERROR)  # the database is down on purpose
        self.addCleanup(logging.disable, logging.NOTSET)
        self.acknowledged: list[str] = []
        self.killed = threading.Event()

    def test_every_acknowledged_reading_is_there_once(self) -> None:
        stop = threading.Event()
        writers = [threading.Thread(target=self.write, args=(self.mine.client(), stop)) for _ in range(WRITERS)]
        for writer in writers:
            writer.start()
        until = time.monotonic() + 60
        while len(self.acknowledged) < WRITES_BEFORE and time.monotonic() < until:
            time.sleep(0.005)
        self.cluster.kill()
        self.killed.set()
        before = len(self.acknowledged)
        self.cluster.start()
        while len(self.acknowledged) < before + WRITES_BEFORE and time.monotonic() < until:
            time.sleep(0.02)
        stop.set()
        for writer in writers:
            writer.join()
        connection.close()
        kept = [str(one) for one in Entry.objects.of(Company.objects.get(name="Killed")).values_list("uuid", flat=True)]
        self.assertGreaterEqual(len(self.acknowledged), before + WRITES_BEFORE)
        self.assertEqual(len(kept), len(set(kept)))
        self.assertLessEqual(set(self.acknowledged), set(kept))

    def write(self, caller: Caller, stop: threading.Event) -> None:
        """As the front end does it: a reading is sent again under its own UUID until it is acknowledged."""
        while not stop.is_set():
            reading = str(uuid4())
            while not stop.is_set():
                try:
                    status = caller.read(self.mine.visit, "cap.herm.uf", "39.9", id=reading).status_code
                except Exception:
                    if not self.killed.is_set():
                        raise
                    status = 503  # the session itself could not be read: the database is down
                if status == 200:
                    self.acknowledged.append(reading)
                    break
                connections.close_all()
                time.sleep(0.05)
        connections.close_all()
