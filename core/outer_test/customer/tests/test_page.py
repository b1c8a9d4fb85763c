"""The customer's page: plain words, nothing of the trade's, nothing left unsaid that is still off."""

import re
import unittest
from datetime import UTC, datetime

from hypothesis import given, settings

from outer_test.assessment import assess
from outer_test.customer import CustomerPage, customer_page, plain_words
from outer_test.diagnosis import diagnose
from outer_test.judgement import Verdict
from outer_test.nameplate import Plate, RunCapacitor
from outer_test.visit import POINTS, Lifted, LiftedEnd, Reading, Visit
from visit_samples.any_visits import visits_to_few

PLATE = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6))
# A customer is not asked to know what these are.
TRADE_WORDS = ("µF", "HERM", "RLA", "OL", "MΩ", "cap.", "winding.")


def page(visit: Visit, *parts: str, forced: str = "") -> CustomerPage:
    return customer_page(visit, assess(visit), diagnose(visit).accused, parts, forced)


def read(*readings: tuple[str, str], **more: object) -> Visit:
    return Visit(plate=PLATE, readings=tuple(Reading(point, value) for point, value in readings), **more)  # type: ignore[arg-type]


class Headline(unittest.TestCase):
    def test_the_worst_thing_comes_first(self) -> None:
        for visit, words in (
            (Visit(), "Nothing was measured on this visit."),
            (read(("cap.herm.uf", "55.0")), "Everything that was measured is as it should be."),
            (read(("cap.herm.uf", "52.0")), "It works; a few things are worth watching."),
            (read(("cap.herm.uf", "45.0")), "It needs work: the run capacitor."),
            (read(("contactor.pole1.drop_v", "0.30")), "Something is not as it should be."),
            (read(("winding.c_ground.ohm", "1200"), ("cap.herm.uf", "45.0")), "Do not run this unit: something is dangerous."),
        ):
            with self.subTest(words):
                self.assertEqual(page(visit).headline, words)

    def test_danger_says_what_to_leave_alone(self) -> None:
        cautions = page(read(("winding.c_ground.ohm", "closed"))).cautions
        self.assertIn("do not reset its breaker", cautions[0])
        self.assertEqual(len(page(read(("cap.herm.uf", "45.0"))).cautions), 2)


class Found(unittest.TestCase):
    def test_the_worst_is_said_first_with_its_measurement_behind_it(self) -> None:
        found = page(read(("cap.fan.uf", "7.10"), ("cap.herm.uf", "45.0"))).found
        self.assertEqual([one.verdict for one in found], [Verdict.BAD, Verdict.WATCH])
        self.assertEqual(found[0].words, "The capacitor that helps the compressor start and run is not as it should be.")
        self.assertIn("55 µF", found[0].measured)

    def test_what_is_sound_is_named_once_and_never_beside_a_complaint_about_it(self) -> None:
        shown = page(read(("cap.herm.uf", "45.0"), ("cap.fan.uf", "7.5"), ("contactor.coil.ohm", "12")))
        self.assertEqual(shown.sound, ("The capacitor that runs the outdoor fan", "The switch that turns the outdoor unit on (contactor)"))
        both = page(read(("contactor.coil.ohm", "12"), ("contactor.coil.v", "12")))
        self.assertNotIn("The switch that turns the outdoor unit on (contactor)", both.sound)

    def test_proving_dead_is_no_news_for_a_customer(self) -> None:
        self.assertEqual(page(read(("safe.line.v", "240"), ("safe.load.v", "0.1"))).found, ())

    @settings(max_examples=40, deadline=None)
    @given(visits_to_few)
    def test_plain_words_for_every_visit(self, visit: Visit) -> None:
        shown = page(visit)
        for text in (shown.headline, *(one.words for one in shown.found), *shown.sound):
            self.assertFalse([word for word in TRADE_WORDS if re.search(rf"(?<!\w){re.escape(word)}", text)], text)
            self.assertTrue(text[0].isupper())

    def test_every_judged_part_of_a_unit_has_words_of_its_own(self) -> None:
        """Only what is kept for the record, and what makes the work safe, goes by the unit's own name."""
        for name, point in POINTS.items():
            if point.station in ("safe",) or name.startswith(("record.", "start.", "unit.")):
                continue
            with self.subTest(name):
                self.assertNotEqual(plain_words(name), "The unit")


class DoneAndLeft(unittest.TestCase):
    AT = datetime(2027, 1, 14, 9, 0, tzinfo=UTC)

    def line(self, what: str, how: str = "", why: str = "") -> Lifted:
        return Lifted(what, self.AT, LiftedEnd(how, self.AT, why) if how else None)  # type: ignore[arg-type]

    def test_what_was_done(self) -> None:
        visit = read(
            seen={"record.cleaning": "done"},
            lifted=(self.line("a", "back"), self.line("b", "back"), self.line("c", "retired", "no such sensor")),
        )
        self.assertEqual(
            page(visit, "contactor").done,
            (
                "New part put in: contactor.",
                "The coil was cleaned.",
                "2 wires or parts taken off for measuring, and put back.",
                "c: not needed any more (no such sensor).",
            ),
        )
        self.assertEqual(page(read(lifted=(self.line("a", "back"),))).done, ("1 wire or part taken off for measuring, and put back.",))

    def test_what_is_left(self) -> None:
        visit = read(lifted=(self.line("Disconnect pulled"), self.line("D1 jumper", "left", "board on order"), self.line("x", "back")))
        self.assertEqual(
            page(visit, forced="storm").left,
            ("Disconnect pulled: not put back. Reason: storm.", "D1 jumper: left until the return visit (board on order)."),
        )
        self.assertEqual(page(visit).left[0], "Disconnect pulled: not put back.")
