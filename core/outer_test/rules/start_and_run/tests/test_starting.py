"""Starting, the ladder, and accusing a part. Common practice, no source, unless said."""

import unittest

from outer_test.assessment import accused_parts, assess
from outer_test.judgement import HouseRules
from outer_test.measurement import measure
from outer_test.nameplate import Compressor, Contactor, Defrost, Fan, Plate, RunCapacitor
from outer_test.rules.start_and_run import Start, kit_effect, locked_rotor_ladder, start_amps
from outer_test.visit import Lifted, Reading, Visit

PLATE = Plate(volts=(208, 230), compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2), contactor=Contactor(poles=2))


def verdicts(visit: Visit) -> dict[str, str]:
    return {one.point: one.verdict.value for one in assess(visit).findings}


class Starting(unittest.TestCase):
    def judge(self, peak: str, **start: object) -> str:
        return start_amps(measure(peak), Start(lra=100, **start)).verdict.value  # type: ignore[arg-type]

    def test_time_and_outcome_decide(self) -> None:
        for seconds, expected in (("0.5", "good"), ("0.6", "watch"), ("1.0", "watch"), ("1.1", "bad")):
            self.assertEqual(self.judge("98", result="started", seconds=measure(seconds)), expected, seconds)

    def test_time_unknown(self) -> None:
        self.assertEqual(self.judge("84", result="started", by="inrush"), "good")
        self.assertEqual(self.judge("84", result="started", by="max-hold"), "watch")
        self.assertEqual(self.judge("84", result="started"), "watch")
        self.assertEqual(self.judge("85", result="started", by="inrush"), "watch")

    def test_not_started(self) -> None:
        locked = start_amps(measure("85"), Start(result="hummed", lra=100))
        starved = start_amps(measure("84"), Start(result="hummed", lra=100))
        self.assertEqual((locked.verdict.value, starved.verdict.value), ("bad", "bad"))
        self.assertIn("does not turn", locked.why)
        self.assertIn("upstream", starved.next)
        self.assertEqual((locked.accuses, starved.accuses), ("", ""))

    def test_corrected_for_the_volts_while_starting(self) -> None:
        # 75 A at 200 V is 86 A at 230 V.
        self.assertIn(
            "does not turn", start_amps(measure("75"), Start(result="hummed", lra=100, rated_v=230, starting_v=measure("200"))).why
        )

    def test_without_the_outcome_a_peak_says_nothing(self) -> None:
        self.assertEqual(self.judge("90"), "unjudged")

    def test_two_start_devices_at_once(self) -> None:
        found = start_amps(measure("60"), Start(result="started", seconds=measure("0.3"), lra=100, fitted="two-wire", kit_on_unit="relay"))
        self.assertEqual(found.verdict.value, "watch")

    def test_kit_effect(self) -> None:
        for before, after, expected in (
            ("88", "73", "good"),
            ("60", "48", "good"),
            ("88", "74", "watch"),
            ("88", "88", "watch"),
            ("88", "89", "bad"),
        ):
            self.assertEqual(kit_effect(measure(before), measure(after)).verdict.value, expected, f"{before} {after}")

    def test_before_and_after_in_one_visit(self) -> None:
        readings = (
            Reading("amps.compressor.peak_a", "88", by="inrush", fitted="none"), Reading("amps.compressor.peak_a", "61", by="inrush", fitted="relay"),
        )  # fmt: skip
        found = {
            one.rule: one.verdict.value for one in assess(Visit(plate=PLATE, readings=readings, seen={"start.result": "started"})).findings
        }
        self.assertEqual(found["kit-effect"], "good")


class Ladder(unittest.TestCase):
    def visit(self, *readings: Reading, **seen: str) -> Visit:
        plate = Plate(compressor=Compressor(rla=17.9, lra=96, kind="scroll"), run_capacitor=RunCapacitor(herm_uf=55))
        return Visit(plate=plate, readings=readings, seen={"start.result": "hummed"} | {k.replace("__", "."): v for k, v in seen.items()})

    def next_rung(self, visit: Visit) -> str:
        return next((rung.title for rung in assess(visit).ladder if rung.state == "next"), "none")

    def test_one_rung_after_another(self) -> None:
        steps = [
            (Reading("cap.herm.uf", "54.8"), "Compressor leads through"),
            *((Reading(f"lead.{one}.ohm", "0.2"), "Compressor leads through") for one in "cr"),
            (Reading("lead.s.ohm", "0.2"), "Windings and ground"),
            (Reading("winding.c_r.ohm", "0.6"), "Windings and ground"), (Reading("winding.c_s.ohm", "1.9"), "Windings and ground"),
            (Reading("winding.r_s.ohm", "2.5"), "Windings and ground"),
            (Reading("winding.c_ground.ohm", "OL", top=4e7), "Volts at the contactor's load side while it starts"),
            (Reading("line.starting.v", "221"), "Volts at the contactor's load side while it starts"),
            (Reading("line.l1_l2.v", "238"), "Pressures equalised, five minutes waited"),
        ]  # fmt: skip
        readings: list[Reading] = []
        self.assertEqual(self.next_rung(self.visit()), "Run capacitor, measured")
        for reading, expected in steps:
            readings.append(reading)
            self.assertEqual(self.next_rung(self.visit(*readings)), expected, reading.point)
        self.assertIn("start kit", self.next_rung(self.visit(*readings, start__equalised="yes")))

    def test_what_is_found_ends_the_search(self) -> None:
        found = assess(self.visit(Reading("cap.herm.uf", "31.0"))).ladder
        self.assertEqual([rung.state for rung in found if rung.state in ("found", "next")], ["found"])

    def test_schools_for_a_kit_on_a_scroll(self) -> None:
        def kit(school: str) -> str:
            rules = HouseRules(scroll_kit=school)  # type: ignore[arg-type]
            return next(rung.state for rung in locked_rotor_ladder({}, {}, False, True, rules) if "kit" in rung.title)

        self.assertEqual([kit(school) for school in ("after-ladder", "freely", "never")], ["later", "next", "skipped"])

    def test_no_ladder_for_what_started(self) -> None:
        self.assertEqual(assess(Visit(plate=PLATE, seen={"start.result": "started"})).ladder, ())


class Accusing(unittest.TestCase):
    """Handbook section 1: no part is accused from a reading whose wire is lifted."""

    def test_a_lifted_wire_spoils_the_evidence(self) -> None:
        readings = (Reading("control.y_in.v", "25.0"), Reading("control.y_out.v", "0.2"))
        seen = {"control.delay": "over", "control.pressure": "closed"}
        plate = Plate(defrost=Defrost(control="demand"))
        sure = Visit(plate=plate, readings=readings, seen=seen)
        self.assertEqual([one.part for one in assess(sure).accused], ["defrost board"])
        lifted = Visit(plate=plate, readings=readings, seen=seen, lifted=(Lifted("Indoor breaker off"),))
        self.assertEqual(assess(lifted).accused, ())
        self.assertEqual(verdicts(lifted)["control.y_out.v"], "bad")

    def test_the_same_part_by_two_readings_is_accused_once(self) -> None:
        readings = (Reading("cap.herm.uf", "31"), Reading("cap.fan.uf", "2"))
        visit = Visit(plate=Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5)), readings=readings)
        accused = accused_parts(assess(visit).findings, visit)
        self.assertEqual([(one.part, len(one.points)) for one in accused], [("run capacitor", 2)])
