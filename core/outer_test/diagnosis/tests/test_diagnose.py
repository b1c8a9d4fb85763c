"""One conclusion from all readings (handbook section 13): worked visits, and what holds of any visit (Hypothesis)."""

import unittest
from dataclasses import replace
from math import isfinite

from hypothesis import given, settings
from hypothesis import strategies as st

from outer_test.assessment import StopKind, as_left, judge, points_read, stops_of
from outer_test.diagnosis import CONTROL, TESTED, Test, diagnose, hypotheses, observe, predict, table_of, weigh
from outer_test.diagnosis.diagnose import LEADS
from outer_test.diagnosis.observations import Observed
from outer_test.diagnosis.once_more import AGAIN
from outer_test.diagnosis.proofs import AFTER, PROOFS
from outer_test.diagnosis.shares import SHARES
from outer_test.diagnosis.things_tested import SEEN_ONLY
from outer_test.judgement import Part
from outer_test.nameplate import Compressor, Defrost, Plate, RunCapacitor
from outer_test.visit import POINTS, Lifted, PowerEvent, Reading, Repair, Visit
from visit_samples.any_visits import UNITS, plates, visits_to_few

PLATE = Plate(
    run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6), compressor=Compressor(kind="scroll", rla=17.9, lra=96)
)
MANY = settings(max_examples=40, deadline=None)


def read(*readings: tuple[str, str], **more: object) -> Visit:
    return Visit(plate=PLATE, readings=tuple(Reading(point, value) for point, value in readings), **more)  # type: ignore[arg-type]


def accused(visit: Visit) -> set[str]:
    return {one.part.value for one in diagnose(visit).accused}


class Worked(unittest.TestCase):
    """Each by what the handbook asks to confirm a part: section 13, common practice, no source."""

    def test_a_weak_capacitor_by_its_bench_value(self) -> None:
        found = diagnose(read(("cap.herm.uf", "39.9"), complaint="hums-no-start"))
        self.assertEqual([(one.part, one.fault) for one in found.accused], [(Part.RUN_CAPACITOR, "herm weak")])
        assert found.next is not None
        self.assertIn("Replace the run capacitor", found.next.why)

    def test_a_sound_capacitor_leaves_what_else_hums(self) -> None:
        found = diagnose(read(("cap.herm.uf", "54.8"), complaint="hums-no-start"))
        self.assertEqual(found.accused, ())
        self.assertNotEqual(found.suspects[0].fault, "herm weak")

    def test_a_grounded_compressor_only_at_its_terminals(self) -> None:
        grounded = ("winding.c_ground.ohm", "1200")
        at_plug = read(grounded, seen={"winding.at": "plug"}, complaint="trips-breaker")
        at_terminals = replace(at_plug, seen={"winding.at": "terminals"})
        self.assertEqual((accused(at_plug), accused(at_terminals)), (set(), {"compressor"}))
        for visit in (at_plug, at_terminals):
            following = diagnose(visit).next
            assert following is not None
            self.assertNotEqual(following.power, "live", "a stop asks for nothing live")

    def test_amps_with_the_plug_off_accuse_nobody(self) -> None:
        visit = read(("amps.compressor.run_a", "0.0"), lifted=(Lifted("Compressor plug off"),), complaint="compressor-stopped")
        found = diagnose(visit)
        self.assertEqual(found.accused, ())
        self.assertIn("on the list: Compressor plug off", [suspect.fault for suspect in found.suspects])

    def test_a_fan_that_has_no_low_voltage_is_not_a_bad_motor(self) -> None:
        visit = read(("control.r_c.v", "0.2"), ("contactor.coil.v", "0.1"), seen={"fan.state": "still"}, complaint="nothing-at-all")
        self.assertEqual(accused(visit), set())

    def test_a_part_put_in_is_accused_no_more(self) -> None:
        bad = read(("cap.herm.uf", "39.9"), complaint="hums-no-start")
        new = (*bad.readings, Reading("cap.new_herm.uf", "55.3"), Reading("cap.new_fan.uf", "7.4"))
        mended = replace(bad, readings=new, repairs=(Repair(Part.RUN_CAPACITOR, uf=55, fan_uf=7.5),))
        found = diagnose(mended)
        self.assertEqual(found.accused, ())
        self.assertNotIn("herm weak", [suspect.fault for suspect in found.suspects[:3]])
        assert found.next is not None
        self.assertNotIn(found.next.point, ("cap.herm.uf", "safe.c_herm.vdc"), "what was measured in the hand is not asked for again")

    def test_maintenance_with_nothing_found_is_nothing_wrong(self) -> None:
        sound = (
            ("cap.herm.uf", "54.8"),
            ("cap.fan.uf", "7.5"),
            ("contactor.coil.ohm", "12"),
            ("line.l1_l2.v", "238"),
            ("control.r_c.v", "26"),
        )
        found = diagnose(read(*sound, complaint="maintenance"))
        self.assertEqual((found.suspects[0].fault, found.accused), ("nothing wrong", ()))
        self.assertIsNotNone(found.next, "a good visit leaves more readings behind")

    def test_maintenance_goes_after_what_no_sound_unit_shows_before_its_list(self) -> None:
        for readings, seen, telling in (
            ((("contactor.coil.v", "26"), ("contactor.coil.ohm", "11")), {"contactor.armature": "out"}, "fan.state"),
            ((("contactor.pole1.drop_v", "118"),), {"contactor.armature": "in"}, "look.contactor.insects"),
        ):
            with self.subTest(readings):
                found = diagnose(read(*readings, seen=seen, complaint="maintenance"))
                assert found.next is not None
                self.assertEqual(found.next.point, telling)
                self.assertIn("look.capacitor.case", found.path, "the list comes after it")

    def test_who_pulled_the_disconnect_works_dead_first(self) -> None:
        with_board = replace(PLATE, defrost=Defrost(control="time-temperature"), valve="O")
        open_coil = (Reading("defrost.valve_coil.ohm", "OL", top=1e6),)
        for power, live in ((), True), ((PowerEvent("dead-claimed"),), False):
            found = diagnose(Visit(plate=with_board, readings=open_coil, complaint="maintenance", power=power))
            assert found.next is not None
            self.assertEqual(found.next.power == "live", live)


class TheTable(unittest.TestCase):
    """What every fault would show on one unit: made from the twin, a model of ours [M]."""

    table = table_of(PLATE)

    def test_chances_are_chances(self) -> None:
        for test, how in TESTED.items():
            self.assertAlmostEqual(sum(how.sound.values()), 1.0, places=6, msg=test)
            self.assertLessEqual(len(how.sound), 8, "at most eight outcomes")
        for row in self.table.rows.values():
            for way in row.ways:
                for test, shows in way.shows.items():
                    with self.subTest(row.fault.key, test=test):
                        self.assertEqual(list(shows), list(TESTED[test].sound))
                        self.assertAlmostEqual(sum(shows.values()), 1.0, places=2)

    def test_what_confirms_a_fault_is_likelier_under_it_than_in_a_sound_unit(self) -> None:
        for key, proofs in PROOFS.items():
            rows = [table.rows[key] for table in map(table_of, UNITS) if table.rows[key].measured]
            speaks = [
                max(way.shows.get(test, TESTED[test].sound)[outcome] for row in rows for way in row.ways) / TESTED[test].sound[outcome]
                for proof in proofs
                for test, outcome in proof.items()
                if rows
            ]
            if rows:
                with self.subTest(key):
                    self.assertGreater(max(speaks), 5)

    def test_every_fault_has_a_share_and_a_reading_that_proves_its_repair(self) -> None:
        for key in self.table.rows:
            with self.subTest(key):
                self.assertIn(key, SHARES)
                self.assertIn(AFTER[key], POINTS)

    def test_a_unit_without_the_part_cannot_have_its_fault(self) -> None:
        keys = {one.key for one in hypotheses(Visit(plate=PLATE), self.table)}
        self.assertNotIn("start capacitor weak", keys)
        self.assertIn("herm weak", keys)
        timed = Visit(plate=replace(PLATE, defrost=Defrost(control="time-temperature")))
        known = {one.key for one in hypotheses(timed, table_of(timed.plate))}
        self.assertEqual({"stuck open switch", "open sensor"} & known, {"stuck open switch"})

    def test_slices_come_one_by_one_and_are_the_same_each_time(self) -> None:
        first = [one for one in predict(PLATE) if one is not None]
        self.assertEqual({one.fault.key: one for one in first}, dict(self.table.rows))


class AnyPlate(unittest.TestCase):
    @settings(max_examples=8, deadline=None)
    @given(plates)
    def test_has_a_table(self, plate: Plate) -> None:
        table = table_of(plate)
        self.assertTrue(all(isfinite(way.weight) for row in table.rows.values() for way in row.ways))


class AReading(unittest.TestCase):
    """What a reading may do to the conclusion."""

    def weight(self, times: int) -> float:
        table, visit = table_of(PLATE), Visit(plate=PLATE, complaint="maintenance")
        among = hypotheses(visit, table)
        seen = {Test.CAP_HERM: Observed(Test.CAP_HERM, "low", ("cap.herm.uf",), "", times)}
        return next(chance for one, chance in zip(among, weigh(among, seen), strict=True) if one.key == "herm weak")

    def test_a_second_reading_takes_the_slip_out_and_no_more(self) -> None:
        once, twice, thrice = self.weight(1), self.weight(2), self.weight(3)
        self.assertLess(once, twice)
        self.assertEqual(twice, thrice)

    def test_a_reading_delivered_twice_is_one(self) -> None:
        low = Reading("cap.herm.uf", "39.9", id="a")
        once, doubled = (Visit(plate=PLATE, complaint="maintenance", readings=readings) for readings in ((low,), (low, low)))
        self.assertEqual(diagnose(once).suspects, diagnose(doubled).suspects)
        again = replace(once, readings=(low, Reading("cap.herm.uf", "40.0", id="b")))
        self.assertGreater(self.of("herm weak", again), self.of("herm weak", once))

    def of(self, fault: str, visit: Visit) -> float:
        return next(one.probability for one in diagnose(visit).suspects if one.fault == fault)

    def test_a_result_that_no_hypothesis_expects_moves_little(self) -> None:
        """A look that every hypothesis takes for as unlikely leaves their order as it was."""
        table, visit = table_of(PLATE), Visit(plate=PLATE, complaint="hums-no-start")
        among = hypotheses(visit, table)
        before = weigh(among, {})
        after = weigh(among, {Test.BLOWER: Observed(Test.BLOWER, "still", ("control.blower",), "")})
        moved = [abs(one - other) for one, other, each in zip(before, after, among, strict=True) if not each.touches(Test.BLOWER)]
        self.assertLess(max(moved), 0.05)
        self.assertIn(Test.BLOWER, SEEN_ONLY)


class AnyVisit(unittest.TestCase):
    @MANY
    @given(visits_to_few)
    def test_probabilities_are_one_together_and_nothing_wrong_is_always_shown(self, visit: Visit) -> None:
        judged = judge(visit)
        self.assertAlmostEqual(sum(weigh(hypotheses(visit, table_of(visit.plate), judged.aside), observe(judged))), 1.0, places=9)
        found = diagnose(visit)
        ranked = [suspect.probability for suspect in found.suspects[:8]]
        self.assertEqual(ranked, sorted(ranked, reverse=True))
        self.assertIn("nothing wrong", [suspect.fault for suspect in found.suspects])
        stopped, read = bool(stops_of(judged.findings)), points_read(judge(as_left(visit)))
        for suspect in found.suspects:
            if suspect.would_change:
                self.assertNotIn(suspect.would_change, read, "what is read already changes nothing more")
                self.assertFalse(stopped and POINTS[suspect.would_change].power == "live")

    @MANY
    @given(visits_to_few, st.randoms(use_true_random=False))
    def test_the_order_of_the_evidence_does_not_matter(self, visit: Visit, chance: object) -> None:
        evidence = list(observe(judge(visit)).items())
        among = hypotheses(visit, table_of(visit.plate))
        shuffled = list(evidence)
        chance.shuffle(shuffled)  # type: ignore[attr-defined]
        for one, other in zip(weigh(among, dict(evidence)), weigh(among, dict(shuffled)), strict=True):
            self.assertAlmostEqual(one, other, places=12)

    @MANY
    @given(visits_to_few)
    def test_next_is_never_live_under_a_stop_and_names_a_point(self, visit: Visit) -> None:
        found = diagnose(visit)
        if found.next is None:
            return
        self.assertIn(found.next.point, (*POINTS, CONTROL))
        self.assertTrue(found.next.why)
        if stops_of(judge(visit).findings):
            self.assertNotEqual(found.next.power, "live")

    @MANY
    @given(visits_to_few)
    def test_what_stands_is_asked_for_again_only_with_the_reason_said(self, visit: Visit) -> None:
        judged, found = judge(as_left(visit)), diagnose(visit)
        following, leads = found.next, any(one.part is not None and one.probability >= LEADS for one in found.suspects)
        if following is None or following.point not in points_read(judged) or following.repairs is not None or following.mends:
            return
        self.assertTrue(leads or following.why.startswith(AGAIN) or stops_of(judged.findings), following)

    @MANY
    @given(visits_to_few)
    def test_under_a_stop_what_raised_it_is_taken_again(self, visit: Visit) -> None:
        stops = stops_of(judge(as_left(visit)).findings)
        if not stops or any(one.kind is StopKind.NOT_DEAD for one in stops):
            return
        following = diagnose(visit).next
        assert following is not None
        self.assertIn(following.point, (stops[0].raised_by, "winding.at", "winding.insulation.mohm"))

    @MANY
    @given(visits_to_few)
    def test_without_its_confirming_test_nothing_is_accused(self, visit: Visit) -> None:
        for one in diagnose(visit).accused:
            evidence = observe(judge(as_left(visit)))
            tests = {test for proof in PROOFS[one.fault] for test in proof}
            behind = {point for test in tests if test in evidence for point in evidence[test].points}
            less = replace(
                visit,
                readings=tuple(reading for reading in visit.readings if reading.point not in behind),
                seen={name: seen for name, seen in visit.seen.items() if name not in behind},
                defrost_run=(),
                repairs=(),
            )
            self.assertNotIn((one.part, one.fault), [(each.part, each.fault) for each in diagnose(less).accused])
