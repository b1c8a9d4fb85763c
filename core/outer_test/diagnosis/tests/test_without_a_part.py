"""A tripped breaker and a hot overload (handbook 7 and 8), what is read twice (13), and the readings that end a search."""

import unittest
from dataclasses import replace
from datetime import timedelta

from outer_test.assessment import judge
from outer_test.diagnosis import NextTest, diagnose, observe
from outer_test.diagnosis import Test as Tested
from outer_test.diagnosis.next_test import open_points
from outer_test.diagnosis.tests.test_confirmed import NINE, PLATE, accused, visit
from outer_test.judgement import Part
from outer_test.nameplate import Fan
from outer_test.visit import POINTS, Conditions, Reading, Seen, Visit

SOUND_DEAD = [
    ("winding.leads.ohm", "0.1"), ("winding.c_ground.ohm", "OL"), ("winding.r_ground.ohm", "OL"), ("winding.s_ground.ohm", "OL"),
    ("winding.c_r.ohm", "0.62"), ("winding.c_s.ohm", "1.41"), ("winding.r_s.ohm", "1.93"),
    ("fan_winding.c_ground.ohm", "OL"), ("fan_winding.c_r.ohm", "16.1"), ("fan_winding.c_s.ohm", "36.1"), ("fan_winding.r_s.ohm", "52.1"),
    ("lead.c.ohm", "0.1"), ("lead.r.ohm", "0.1"), ("lead.s.ohm", "0.1"),
    ("cap.herm.uf", "55.0"), ("cap.fan.uf", "7.5"), ("cap.case_ground.ohm", "OL"), ("heater.ground.ohm", "OL"),
]  # fmt: skip
LOOKED = {"look__contactor__faces": "clean", "look__wiring": "sound", "winding__at": "plug", "line__breaker": "tripped"}


def tripped(*without: str, **more: str) -> Visit:
    """A tripped breaker with all found sound dead, but for these points."""
    read = [one for one in SOUND_DEAD if one[0] not in without]
    looked = {name: word for name, word in LOOKED.items() if name.replace("__", ".") not in without}
    found = visit("trips-breaker", read, **looked, **more)
    # A meter's ohms reach far on auto range.
    return replace(found, readings=tuple(replace(one, top=4e7) if one.value == "OL" else one for one in found.readings))


def following(of: Visit) -> NextTest:
    found = diagnose(of).next
    assert found is not None
    return found


class Breaker(unittest.TestCase):
    """Handbook 8, `reset`: 29 CFR 1910.334(b)(2), from memory."""

    def test_it_is_closed_once_with_all_found_sound_dead_and_accuses_nobody(self) -> None:
        step = following(tripped())
        self.assertEqual((step.point, step.mends, step.repairs), ("line.reset", True, None))
        self.assertEqual(diagnose(tripped()).accused, ())

    def test_what_is_lacking_of_it_comes_first(self) -> None:
        for point in ("winding.s_ground.ohm", "cap.herm.uf", "cap.case_ground.ohm", "lead.r.ohm", "look.contactor.faces"):
            self.assertNotEqual(following(tripped(point)).point, "line.reset", point)

    def test_with_anything_not_sound_it_is_not_closed(self) -> None:
        for changed in ({"look__contactor__faces": "burnt"}, {"look__wiring": "burnt"}):
            found = tripped(*(name.replace("__", ".") for name in changed), **changed)
            self.assertNotIn("line.reset", diagnose(found).path, str(changed))

    def test_one_that_is_off_is_asked_about_and_not_reset(self) -> None:
        off = replace(tripped(), seen={**tripped().seen, "line.breaker": Seen("off", NINE)})
        self.assertNotEqual(following(off).point, "line.reset")

    def closed(self, word: str, *readings: tuple[str, str]) -> Visit:
        """Closed once an hour later, and read after it."""
        at = NINE + timedelta(hours=1)
        before = tripped(start__result="nothing", fan__state="still")
        after = tuple(Reading(point, value, at=at + timedelta(minutes=1)) for point, value in readings)
        return replace(before, seen={**before.seen, "line.reset": Seen(word, at)}, readings=before.readings + after)

    def test_where_it_holds_what_was_seen_of_a_unit_not_fed_speaks_no_more(self) -> None:
        holds = self.closed("holds")
        evidence = observe(judge(holds))
        self.assertFalse({Tested.BREAKER, Tested.START, Tested.FAN_STATE} & evidence.keys())
        self.assertIn(Tested.GROUND_AT_PLUG, evidence, "what was read dead still counts")
        self.assertTrue({"start.result", "fan.state"} <= open_points(judge(holds)), "it is asked for anew")
        again = judge(holds).findings
        self.assertEqual(next(one.verdict for one in again if one.point == "line.breaker"), "watch")

    def test_where_it_trips_again_it_is_left_off(self) -> None:
        trips = self.closed("trips")
        still_open = open_points(judge(trips))
        self.assertIn("amps.compressor.peak_a", still_open, "what the clamp showed then")
        self.assertFalse({"start.result", "amps.compressor.run_a", "line.l1_l2.v", "fan.state"} & still_open)
        self.assertNotIn("line.reset", diagnose(trips).path)

    def test_under_a_stop_not_even_its_peak_is_asked_for(self) -> None:
        again = tripped(line__reset="trips")
        live = replace(again, readings=(*again.readings, Reading("safe.line.v", "121")))
        for of, asked in ((again, {"amps.compressor.peak_a"}), (live, set())):
            self.assertEqual({point for point in open_points(judge(of)) if POINTS[point].power == "live"}, asked)

    def test_the_peak_then_tells_the_breaker_from_the_compressor(self) -> None:
        self.assertEqual(accused(self.closed("trips", ("amps.compressor.peak_a", "93.0"))), [(Part.BREAKER, "breaker worn")])
        shorted = self.closed("trips", ("amps.compressor.peak_a", "310.0"), ("amps.compressor.peak_a", "312.0"))
        self.assertEqual(accused(shorted), [(Part.COMPRESSOR, "shorted turns")])


class Overload(unittest.TestCase):
    """Handbook 7, `winding-open`: 10 °F and two hours are common practice, no source."""

    def found(self, shell: str, hours: str) -> Visit:
        pairs = [("winding.leads.ohm", "0.1"), ("winding.c_r.ohm", "OL"), ("winding.c_s.ohm", "OL"), ("winding.r_s.ohm", "1.9")]
        rest = [("winding.shell.f", shell), ("winding.off_h", hours), ("lead.c.ohm", "0.2"), ("lead.r.ohm", "0.2"), ("lead.s.ohm", "0.2")]
        seen = {"winding__at": "terminals", "start__result": "nothing", "fan__state": "runs"}
        got = visit("compressor-stopped", [*pairs, *rest], **seen)
        return replace(got, conditions=Conditions(outdoor_f=60))

    def test_hot_it_is_left_to_cool(self) -> None:
        hot = self.found("150", "0.5")
        step = following(hot)
        self.assertEqual((accused(hot), step.mends, step.minutes), ([], True, 60.0))

    def test_cold_it_has_failed(self) -> None:
        self.assertEqual(accused(self.found("66", "3")), [(Part.COMPRESSOR, "overload failed")])


class Twice(unittest.TestCase):
    def test_a_reading_that_decides_alone_is_taken_once_more(self) -> None:
        odd = visit(
            "fan-stopped", [("fan_winding.c_ground.ohm", "OL"), ("cap.fan.uf", "7.5"), ("amps.fan.run_a", "4.2")], fan__state="runs"
        )
        self.assertIn("amps.fan.run_a", diagnose(odd).path)
        plain = visit(
            "fan-stopped", [("fan_winding.c_ground.ohm", "OL"), ("cap.fan.uf", "7.5"), ("amps.fan.run_a", "1.0")], fan__state="runs"
        )
        self.assertNotIn("amps.fan.run_a", diagnose(plain).path)

    def test_twice_it_is_not_asked_for_again(self) -> None:
        read = [("fan_winding.c_ground.ohm", "OL"), ("fan_winding.leads.ohm", "0.1"), ("cap.fan.uf", "7.5")]
        read += [("amps.fan.run_a", "4.2"), ("amps.fan.run_a", "4.25")]
        found = visit("fan-stopped", read, fan__state="runs")
        found = replace(found, readings=(replace(found.readings[0], top=4e7), *found.readings[1:]))
        self.assertEqual(accused(found), [(Part.FAN_MOTOR, "fan shorted")])


class FanFeed(unittest.TestCase):
    """The way to the fan motor, common practice, no source: volts at the board's fan terminal, then at the motor's own wires.

    Those are read twice: a probe that does not touch reads nothing too.
    """

    def fed(self, board: str, motor: str, **plate: object) -> Visit:
        read = [("contactor.load.v", "236"), ("fan.board.v", board), *[("fan.feed.v", motor)] * 2, ("amps.fan.run_a", "0.0")]
        found = visit("fan-stopped", read, fan__state="still", contactor__armature="in")
        return replace(found, plate=replace(PLATE, **plate))  # type: ignore[arg-type]

    def test_where_it_is_lost(self) -> None:
        self.assertEqual(accused(self.fed("236", "0.3")), [(Part.WIRE, "fan wire")])
        self.assertEqual(accused(self.fed("0.4", "0.3")), [(Part.BOARD_FAN_RELAY, "fan relay open")])

    def test_fed_and_without_amps_an_electronic_motor_is_dead(self) -> None:
        dead = self.fed("236", "236", fan=Fan(fla=1.2, kind="electronic"))
        self.assertEqual(accused(dead), [(Part.FAN_MOTOR, "fan open")])
