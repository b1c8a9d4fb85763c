"""Visits, units and sites are what their events add up to: the demo's rows made anew from the ledger alone are the same."""

from typing import Any

from django.test import TestCase

from accounts.models import Company
from fleet.models import Unit
from ledger.read import events_of_units
from outer_test.assessment import assess
from outer_test.history import told_of
from outer_test.ledger import Kind, Opened, PlateRead, UnitAdded
from outer_test.plain_data import read_as, sparse
from setup.demo import load_demo
from visits.load import load_visits
from visits.models import Visit


class AddUp(TestCase):
    @classmethod
    def setUpTestData(cls) -> None:
        load_demo()

    def setUp(self) -> None:
        self.company = Company.objects.get()

    def test_a_unit_is_its_last_plate_at_its_place(self) -> None:
        for unit in Unit.objects.of(self.company).select_related("site"):
            events = events_of_units(self.company, [unit.pk], (Kind.UNIT, Kind.PLATE)).events
            added: UnitAdded = next(event.body for event in events if event.kind is Kind.UNIT)
            self.assertEqual(
                (added.site, added.address, added.label, added.serial), (unit.site.name, unit.site.address, unit.label, unit.serial)
            )
            plate: PlateRead = next(event.body for event in reversed(events) if event.kind is Kind.PLATE)
            kept: dict[str, Any] = {"plate": unit.plate, "fitted": unit.fitted}
            self.assertEqual(
                plate, read_as(PlateRead, kept | ({"contactor_fitted": unit.contactor_fitted} if unit.contactor_fitted else {}))
            )

    def test_a_visit_is_its_opening_its_end_and_what_was_told(self) -> None:
        rows = list(Visit.objects.of(self.company).select_related("unit__site"))
        self.assertTrue(any(row.finished_at for row in rows))
        for loaded in load_visits(self.company, rows):
            row = loaded.row
            opened: Opened = loaded.of(Kind.OPENED)[0].body
            self.assertEqual(
                (opened.scheduled_for, opened.complaint, opened.began, opened.notes),
                (row.scheduled_for, row.complaint, row.began, row.notes),
            )
            finish = loaded.closing.finish
            self.assertEqual(None if finish is None else (finish.at, finish.by), row.finished_at and (row.finished_at, row.finished_by_id))
            if finish is not None:
                judged = assess(loaded.visit)
                self.assertEqual((row.told, row.overall), (sparse(told_of(loaded.visit, judged)), judged.overall.value))
                self.assertEqual((row.readings, row.open_lines), (len(loaded.of(Kind.READING, Kind.SEEN)), judged.open_lines))
