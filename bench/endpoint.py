"""The reading endpoint as a ratio to an empty endpoint of the same stack. Run: ./test bench.endpoint"""

from functools import partial
from statistics import median
from typing import Any
from uuid import uuid4

from django.http import HttpRequest
from django.test import TestCase, override_settings
from django.urls import include, path
from django.utils import timezone
from ninja import NinjaAPI

from api.signed_in import SignedIn
from bench.assess import timed
from ledger.write import ledger_of
from ledger.writer import New, Subject, own_writer
from outer_test.visit import POINTS as CATALOGUE
from outer_test.visit import Reading
from testing.fixtures import Fixture, fresh
from visits.models import Visit

ROUNDS, KEPT = 60, 22
POINTS = [point.name for point in CATALOGUE.values() if point.kind == "number"]

empty = NinjaAPI(auth=SignedIn(), urls_namespace="bench", docs_url=None, openapi_url=None)


@empty.post("/empty")
def nothing(request: HttpRequest) -> dict[str, Any]:
    """Sign-in, CSRF and JSON, and nothing else."""
    return {}


urlpatterns = [path("api/v1/bench/", empty.urls), path("", include("config.urls"))]


def entry_on(visit: Visit) -> dict[str, Any]:
    """A reading as a device sends it."""
    return {"id": fresh(), "visit": str(visit.id), "act": {"kind": "reading", "point": "cap.herm.uf", "typed": "39.9"}}


@override_settings(ROOT_URLCONF="bench.endpoint")
class EndpointRatio(TestCase):
    """Prints the ratio, for a visit that fills up from empty to a whole round of readings."""

    def test_print(self) -> None:
        """Measure and print: each visit has its readings already, and gets one more."""
        mine = Fixture()
        caller = mine.client()
        visits = [self.visit(mine) for _ in range(ROUNDS)]
        caller.defaults |= {"HTTP_ACCEPT_ENCODING": "gzip"}  # as the page does
        empties, readings = [], []
        for visit in visits:  # by turns, so that both meet the same machine
            empties.append(timed(lambda: caller.send("POST", "/bench/empty", {"id": fresh()})))
            readings.append(timed(partial(caller.send, "POST", "/sync", {"entries": [entry_on(visit)]})))
        nothing_at_all, reading = median(empties), median(readings)
        print(f"\nreading {reading * 1e3:.1f} ms, empty {nothing_at_all * 1e3:.1f} ms, ratio {reading / nothing_at_all:.1f}")

    def visit(self, mine: Fixture) -> Visit:
        """A visit half way through: this many readings kept."""
        made: Visit = Visit.objects.of(mine.company).create(
            company=mine.company, unit=mine.unit, technician=mine.member, scheduled_for=timezone.now()
        )
        writer = own_writer(mine.member, str(made.pk))
        with ledger_of(writer) as ledger:
            ledger.write_events(
                Subject(mine.site.pk, mine.unit.pk, made.pk), [New(uuid4(), Reading(point, "9.9")) for point in POINTS[:KEPT]]
            )
        return made
