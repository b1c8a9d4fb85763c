"""The path of a call: what was done stays in its order, what is ahead follows the conclusion, and a run is one step."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from unittest import TestCase

from outer_test.assessment import as_left, assessment_of, judge
from outer_test.diagnosis import diagnose, table_of
from outer_test.judgement import HouseRules, Part, Upkeep, Verdict
from outer_test.nameplate import Plate, RunCapacitor
from outer_test.procedure import stations
from outer_test.round import PathStep, path_of
from outer_test.visit import PowerEvent, Reading, Seen, Visit, absence_points

NINE = datetime(2027, 1, 14, 9, tzinfo=UTC)
PLATE = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440))


def at(minute: int) -> datetime:
    return NINE + timedelta(minutes=minute)


def path(visit: Visit) -> tuple[PathStep, ...]:
    judged = judge(as_left(visit))
    assessment = assessment_of(visit, judged)
    planned = stations(visit, {one.point: one.verdict for one in assessment.findings if one.verdict is not None})
    return path_of(judged, planned, assessment, diagnose(visit, judged, table_of(visit.plate)))


def proved(complaint: str = "hums-no-start", more: tuple[Reading, ...] = ()) -> Visit:
    readings = tuple(Reading(point, "0.2", at=at(2)) for point in absence_points(Visit()))
    seen = {"safe.tester_before": Seen("yes", at(1)), "safe.tester_after": Seen("yes", at(3))}
    return Visit(plate=PLATE, complaint=complaint, power=(PowerEvent("dead-claimed", NINE),), readings=(*readings, *more), seen=seen)  # type: ignore[arg-type]


class Done(TestCase):
    def test_a_run_is_one_step_with_what_sums_it_up(self) -> None:
        first = path(proved())[0]
        self.assertEqual((first.title, len(first.points), first.done, first.summary), ("Prove it dead", 8, True, "safe.dead"))
        self.assertIs(first.verdict, Verdict.GOOD)

    def test_what_was_done_stands_in_the_order_it_was_done(self) -> None:
        visit = proved(more=(Reading("cap.fan.uf", "7.4", at=at(9)), Reading("cap.herm.uf", "54.8", at=at(6))))
        done = [(step.title, step.value) for step in path(visit) if step.done]
        self.assertEqual(done[1:], [("Compressor section, C to HERM", "54.8 µF"), ("Fan section, C to FAN", "7.4 µF")])

    def test_what_the_clamp_showed_with_turns_says_so(self) -> None:
        """Handbook 2: the reading keeps its turns; 8.0 A on ten of them is 0.8 A, and must not look like a fan at 8 A."""
        done = [step.value for step in path(proved(more=(Reading("amps.fan.run_a", "8.0", at=at(9), turns=10),))) if step.done]
        self.assertEqual(done[1:], ["8.0 A with 10 turns"])

    def test_half_a_run_is_still_ahead_and_knows_what_was_read(self) -> None:
        half = (Reading("winding.c_ground.ohm", "OL", at=at(5), top=4e7),)
        visit = replace(proved("maintenance", half), rules=HouseRules(maintenance=tuple(Upkeep)))
        run = next(step for step in path(visit) if "winding.r_ground.ohm" in step.points)
        self.assertFalse(run.done)
        self.assertIn("winding.c_ground.ohm", run.points)
        self.assertEqual(sum("winding.c_ground.ohm" in step.points for step in path(visit)), 1)


class ProvedAgain(TestCase):
    def test_after_a_power_up_the_proof_is_one_run_again(self) -> None:
        done = replace(proved("maintenance"), rules=HouseRules(maintenance=(Upkeep.CAPACITORS,)))
        up = replace(done, power=(*done.power, PowerEvent("live", at(10)), PowerEvent("dead-claimed", at(11))))
        first = next(step for step in path(up) if not step.done)
        self.assertEqual((first.title, first.open), ("Prove it dead", first.points))

    def test_who_pulled_the_disconnect_is_asked_for_dead_work(self) -> None:
        visit = Visit(plate=PLATE, complaint="hums-no-start", power=(PowerEvent("dead-claimed", NINE),))
        self.assertNotEqual(next(step for step in path(visit) if not step.done).power, "live")


class Ahead(TestCase):
    def test_it_begins_with_what_is_next(self) -> None:
        for complaint in ("hums-no-start", "nothing-at-all", "fan-stopped", "never-defrosts", "maintenance"):
            visit = Visit(plate=PLATE, complaint=complaint)
            following = diagnose(visit).next
            assert following is not None
            ahead = next(step for step in path(visit) if not step.done)
            self.assertIn(following.point, ahead.points, complaint)
            self.assertTrue(ahead.why)

    def test_an_accused_part_is_a_repair_of_that_part(self) -> None:
        weak = proved(more=(Reading("cap.herm.uf", "38.0", at=at(6)), Reading("cap.herm.uf", "38.1", at=at(7))))
        ahead = [step for step in path(weak) if not step.done]
        self.assertIs(ahead[0].repairs, Part.RUN_CAPACITOR)
        self.assertEqual(ahead[0].points, ("cap.new_herm.uf",))

    def test_no_point_is_on_two_steps_ahead(self) -> None:
        for complaint in ("maintenance", "hums-no-start", "iced-over"):
            ahead = [point for step in path(Visit(plate=PLATE, complaint=complaint)) if not step.done for point in step.points]
            self.assertEqual(len(ahead), len(set(ahead)), complaint)
