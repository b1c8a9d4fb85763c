"""The fan motor: the compressor's winding rules (handbook section 7) at its own three wires. Derived, as they are."""

import unittest

from outer_test.assessment import assess
from outer_test.entry import parse_line
from outer_test.judgement import Finding
from outer_test.nameplate import Fan, Plate
from outer_test.procedure import stations
from outer_test.visit import POINTS, Conditions, Reading, Seen, Visit

FAN_POINTS = {name for name in POINTS if name.startswith("fan_winding.")}


def judge(readings: dict[str, str], **more: object) -> dict[str, Finding]:
    taken = tuple(Reading(f"fan_winding.{point}", value) for point, value in readings.items())
    return {finding.rule: finding for finding in assess(Visit(readings=taken, **more)).findings}  # type: ignore[arg-type]


class Windings(unittest.TestCase):
    def test_three_unlabelled_wires_are_told_apart_and_summed(self) -> None:
        found = judge({"t1_t2.ohm": "44.0", "t2_t3.ohm": "108.0", "t1_t3.ohm": "64.0"})
        told = found["winding-id"]
        self.assertEqual(told.verdict, "good")
        # 2 to 3 is the highest, so 1 is common; from 1 the higher is 3, so 3 is start and 2 run.
        self.assertIn("Common is T1, start is T3, run is T2", told.why)
        self.assertEqual(found["winding-sum"].verdict, "good")

    def test_touched_leads_come_off_each_pair(self) -> None:
        pairs = {"c_r.ohm": "44.3", "c_s.ohm": "64.3", "r_s.ohm": "108.3"}
        self.assertEqual(judge(pairs)["winding-sum"].verdict, "unsure")
        self.assertEqual(judge(pairs | {"leads.ohm": "0.3"})["winding-sum"].verdict, "good")

    def test_its_overload_by_shell_and_time(self) -> None:
        """Handbook 7: shell within 10 °F of the air and off 2 h or more is bad, unmeasured unsure, else let it cool."""
        at_motor = {"seen": {"fan_winding.at": Seen("terminals")}, "conditions": Conditions(outdoor_f=60)}
        pairs = {"c_r.ohm": "OL", "c_s.ohm": "OL", "r_s.ohm": "108"}
        for shell, verdict in (({}, "unsure"), ({"shell.f": "70", "off_h": "2"}, "bad"), ({"shell.f": "71", "off_h": "2"}, "watch"),
                               ({"shell.f": "70", "off_h": "1.9"}, "watch")):  # fmt: skip
            with self.subTest(shell):
                self.assertEqual(judge(pairs | shell, **at_motor)["winding-open"].verdict, verdict)
        at_plug = {"seen": {"fan_winding.at": Seen("plug")}, "conditions": Conditions(outdoor_f=60)}
        cold = pairs | {"shell.f": "70", "off_h": "2"}
        self.assertEqual(judge(cold, **at_plug)["winding-open"].verdict, "watch", "not at the motor's own leads")

    def test_a_ground_on_two_terminals_overrides_the_pairs_and_stops(self) -> None:
        pairs = {"c_r.ohm": "44", "c_s.ohm": "64", "r_s.ohm": "108"}
        for terminal, other in ("cr", "rs", "sc"):
            with self.subTest(terminal):
                found = assess(Visit(readings=tuple(
                    Reading(f"fan_winding.{point}", value) for point, value in (pairs | {f"{terminal}_ground.ohm": "400000", f"{other}_ground.ohm": "300000"}).items()
                )))  # fmt: skip
                self.assertEqual(found.overall.value, "stop")
                self.assertEqual({finding.verdict for finding in found.findings if finding.rule == "winding-sum"}, {"unjudged"})

    def test_insulation(self) -> None:
        for megohm, verdict in (("100", "good"), ("99", "watch"), ("0.5", "watch"), ("0.4", "stop")):
            with self.subTest(megohm):
                self.assertEqual(assess(Visit(readings=(Reading("fan_winding.insulation.mohm", megohm),))).overall.value, verdict)


class Round(unittest.TestCase):
    def asked(self, **more: object) -> set[str]:
        plan = stations(Visit(**more), {})  # type: ignore[arg-type]
        return {step.point for station in plan for step in station.steps} & FAN_POINTS

    def test_a_fan_that_stopped_asks_for_all_of_it_and_any_other_visit_for_the_pairs(self) -> None:
        self.assertEqual(len(self.asked(complaint="maintenance")), 4)
        self.assertEqual(self.asked(complaint="fan-stopped"), FAN_POINTS)
        self.assertEqual(self.asked(readings=(Reading("fan_winding.c_r.ohm", "44"),)), FAN_POINTS)

    def test_an_electronic_fan_asks_for_its_line_wire_to_ground_alone(self) -> None:
        self.assertEqual(self.asked(complaint="fan-stopped", plate=Plate(fan=Fan(kind="electronic"))), {"fan_winding.c_ground.ohm"})

    def test_the_entry_line_knows_them(self) -> None:
        parsed = parse_line("fan cr 44 fan 1-2 44 fan r gnd OL fan s gnd OL fan leads .3 fan shell 71 fan meg 120 fan at the terminals")
        said = {item.point: item.value for item in parsed.items}
        self.assertEqual(parsed.left_over, ())
        self.assertEqual(said, {
            "fan_winding.c_r.ohm": "44", "fan_winding.t1_t2.ohm": "44", "fan_winding.r_ground.ohm": "OL", "fan_winding.s_ground.ohm": "OL",
            "fan_winding.leads.ohm": "0.3", "fan_winding.shell.f": "71", "fan_winding.insulation.mohm": "120", "fan_winding.at": "terminals",
        })  # fmt: skip
