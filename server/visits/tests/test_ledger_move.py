"""The move into the ledger: the demo, and any visit, read the same before and after; what cannot be so is mended and marked."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from typing import Any
from unittest.mock import patch
from uuid import UUID, uuid4

from django.db import connections
from django.test import TransactionTestCase
from hypothesis import HealthCheck, Phase, given, settings

from accounts.models import Company
from ledger.models import EventRow
from ledger.read import READ, read_rows
from outer_test.assessment import assess
from outer_test.ledger import closing, visit_of
from outer_test.plain_data import plain
from outer_test.rules.make_safe import TESTER
from outer_test.visit import PowerEvent, Reading, Seen, absence_points
from outer_test.visit import Visit as CoreVisit
from setup.demo import load_demo
from testing.old_schema import AFTER, ALIAS, OldCompany, database_before, migrate
from visit_samples.any_visits import visits
from visits.load import load_visits
from visits.migrations import _ledger_move as moving
from visits.migrations._ledger_proof import Changed
from visits.models import Visit

NOON = datetime(2026, 1, 14, 12, tzinfo=UTC)
ANY: list[CoreVisit] = []


@settings(max_examples=40, deadline=None, suppress_health_check=list(HealthCheck), phases=[Phase.generate], database=None)
@given(visits)
def _gather(visit: CoreVisit) -> None:
    ANY.append(visit)


def timed(visit: CoreVisit) -> CoreVisit:
    """The visit with a time at every line, as the old tables needed one."""
    return replace(
        visit,
        readings=tuple(replace(one, at=NOON + timedelta(minutes=place)) for place, one in enumerate(visit.readings)),
        seen={name: Seen(visit.saw(name) or "", NOON) for name in visit.seen},
        power=tuple(replace(one, at=NOON + timedelta(minutes=3 * place)) for place, one in enumerate(visit.power)),
        lifted=tuple(replace(one, at=NOON) for one in visit.lifted),
    )


def rested() -> CoreVisit:
    """A visit whose proof took the morning: it was taken for one, and stays what it was."""
    points = absence_points(CoreVisit())
    return CoreVisit(
        power=(PowerEvent("dead-claimed", NOON),),
        seen={TESTER[0]: Seen("yes", NOON), TESTER[1]: Seen("yes", NOON + timedelta(hours=5))},
        readings=tuple(Reading(point, "0.2", at=NOON + timedelta(minutes=45 * place)) for place, point in enumerate(points)),
    )


class Move(TransactionTestCase):
    def setUp(self) -> None:
        # The database it moves is made by the test itself, so no list of databases could name it beforehand.
        type(self).databases = {"default", ALIAS}

    def rows(self, sql: str, *asked: Any) -> list[Any]:
        with connections[ALIAS].cursor() as cursor:
            cursor.execute(sql, asked)
            return list(cursor.fetchall())

    def after(self, visit_id: UUID, known: CoreVisit) -> CoreVisit:
        """A visit as its moved events add up to it."""
        asked = EventRow._base_manager.using(ALIAS).filter(visit=visit_id).order_by("at", "device", "seq").values_list(*READ)
        return visit_of(closing(read_rows(asked).events).counting, known)

    def test_the_demo_and_any_visit_read_the_same(self) -> None:
        load_demo()
        demo = Company.objects.get()
        loaded = load_visits(demo, list(Visit.objects.of(demo).select_related("unit__site")))
        _gather()
        every = [*(one.visit for one in loaded), *map(timed, ANY), rested()]
        with database_before() as apps:
            old = OldCompany(apps)
            ids = [old.write(visit, NOON) for visit in every]
            migrate(AFTER)
            for visit_id, visit in zip(ids, every, strict=True):
                known = replace(
                    CoreVisit(),
                    plate=visit.plate,
                    fitted=visit.fitted,
                    contactor_fitted=visit.contactor_fitted,
                    rules=visit.rules,
                    meters=visit.meters,
                    calibration_due=visit.calibration_due,
                    baseline=visit.baseline,
                    van_stock=visit.van_stock,
                    complaint=visit.complaint,
                    began=visit.began,
                    timed_out_before=visit.timed_out_before,
                )
                self.assertEqual(self.verdicts(self.after(visit_id, known)), self.verdicts(visit))
            self.assertEqual(
                self.rows("SELECT count(*), max(place) FROM ledger_event")[0], self.rows("SELECT last, last FROM ledger_counter")[0]
            )
            gone = self.rows(
                "SELECT count(*) FROM pg_tables WHERE tablename IN ('visits_entry', 'visits_signature', 'fleet_platerevision')"
            )
            self.assertEqual(gone, [(0,)])

    def verdicts(self, visit: CoreVisit) -> Any:
        judged = assess(visit)
        return plain(
            (judged.overall, [(one.point, one.rule, one.verdict) for one in judged.findings], judged.power.state, judged.open_lines)
        )

    def test_a_move_that_would_change_a_verdict_moves_nothing(self) -> None:
        with database_before() as apps:
            old = OldCompany(apps)
            old.write(CoreVisit(), NOON)
            entry = {"uuid": uuid4(), "at": NOON, "point": "winding.c_ground.ohm", "value": "12", "power": "dead-proved"}
            row = old.of("visits", "Visit").get()
            old.new("visits", "Entry", company=old.company, visit=row, member=old.member, **entry)
            wrong = moving.MOVE.replace("'value', e.value, 'meter'", "'value', 'OL', 'meter'")
            with patch.object(moving, "MOVE", wrong), self.assertRaisesMessage(Changed, str(row.pk)):
                migrate(AFTER)
            self.assertEqual(self.rows("SELECT count(*) FROM visits_entry"), [(1,)])
            self.assertEqual(self.rows("SELECT count(*) FROM ledger_event"), [(0,)])

    def test_a_time_that_cannot_be_is_mended_and_marked(self) -> None:
        with database_before() as apps:
            old = OldCompany(apps)
            row_id = old.write(CoreVisit(), NOON)
            row = old.of("visits", "Visit").get(id=row_id)
            for at, value in ((datetime(1, 1, 2, tzinfo=UTC), "39"), (datetime(2099, 1, 1, tzinfo=UTC), "41")):
                old.new(
                    "visits",
                    "Entry",
                    company=old.company,
                    visit=row,
                    member=old.member,
                    uuid=uuid4(),
                    at=at,
                    point="cap.herm.uf",
                    value=value,
                    power="unknown",
                )
            migrate(AFTER)
            moved = self.rows("SELECT at, device_at, clock_wrong FROM ledger_event WHERE kind = 'reading'")
            self.assertEqual(moved, [(NOON, None, True)] * 2)
