"""What confirms a fault, and what does not: each proof with the reading it hangs on taken away. Handbook 13; common practice, no source."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta

from outer_test.assessment import judge
from outer_test.diagnosis import diagnose
from outer_test.judgement import Part
from outer_test.nameplate import Compressor, Contactor, Defrost, Fan, Plate, RunCapacitor
from outer_test.procedure import upkeep_points
from outer_test.twin import FaultKey
from outer_test.visit import POINTS, Lifted, PowerEvent, Reading, Seen, Visit

NINE = datetime(2027, 1, 14, 9, tzinfo=UTC)
PLATE = Plate(
    volts=(208.0, 230.0), hz=60, phase=1, compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2),
    run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6), contactor=Contactor(poles=2, amps=40, coil_v=24), valve="O",
    defrost=Defrost(control="time-temperature", minutes=90, closes_f=30, opens_f=55, limit_min=10, shift_delay=False),
)  # fmt: skip


def visit(complaint: str, readings: list[tuple[str, str]], power: str = "", **seen: str) -> Visit:
    """A visit with these readings, a minute apart."""
    read = tuple(Reading(point, value, at=NINE + timedelta(minutes=5 + place)) for place, (point, value) in enumerate(readings))
    looked = {point.replace("__", "."): Seen(value, at=NINE + timedelta(minutes=4)) for point, value in seen.items()}
    return Visit(plate=PLATE, complaint=complaint, readings=read, seen=looked, power=(PowerEvent(power, NINE),) if power else ())  # type: ignore[arg-type]


def accused(of: Visit) -> list[tuple[Part, str]]:
    return [(one.part, one.fault.value) for one in diagnose(of).accused]


class Confirmed(unittest.TestCase):
    def test_a_section_too_large_on_the_bench(self) -> None:
        """Handbook 13: a capacitor by its bench value outside, alone on the meter."""
        large = visit("high-bill", [("cap.herm.uf", "82.0"), ("cap.herm.uf", "82.1")], "dead-claimed")
        self.assertEqual(accused(large), [(Part.RUN_CAPACITOR, "herm wrong")])
        self.assertEqual(accused(visit("high-bill", [("cap.herm.uf", "56.0")], "dead-claimed")), [])

    def test_a_reading_that_is_all_that_speaks_for_it_is_taken_once_more_before_a_part_is_fitted(self) -> None:
        """Handbook 13: any single reading may simply be wrong. What else stands on record decides whether one is enough."""
        beside = [("cap.fan.uf", "7.5"), ("contactor.coil.ohm", "11.4")]
        weak = [(Part.RUN_CAPACITOR, "herm weak")]
        once = visit("high-bill", [*beside, ("cap.herm.uf", "33.0")], "dead-claimed")
        self.assertEqual(accused(once), weak)
        asked = [one for one in diagnose(once).ahead if not one.point.startswith("safe.")]  # dead is proved before it
        self.assertEqual((asked[0].point, asked[0].why.startswith("Take it once more")), ("cap.herm.uf", True))
        self.assertIs(asked[1].repairs, Part.RUN_CAPACITOR)
        stopped = visit("high-bill", [*beside, ("cap.herm.uf", "33.0"), ("safe.c_herm.vdc", "180")], "dead-claimed")
        self.assertNotIn("cap.herm.uf", diagnose(stopped).path, "no microfarads under a stop")
        twice = visit("high-bill", [*beside, ("cap.herm.uf", "33.0"), ("cap.herm.uf", "33.2")], "dead-claimed")
        self.assertEqual((accused(twice), diagnose(twice).ahead[0].repairs), (weak, Part.RUN_CAPACITOR))
        slipped = [*beside, ("cap.herm.uf", "33.0"), ("cap.herm.uf", "54.6")]
        self.assertEqual(accused(visit("high-bill", slipped, "dead-claimed")), [])
        hummed = visit("hums-no-start", [*beside, ("cap.herm.uf", "15.0")], "dead-claimed", start__result="hummed")
        self.assertIs(diagnose(hummed).ahead[0].repairs, Part.RUN_CAPACITOR)

    def test_a_ground_is_confirmed_by_the_same_terminal_read_twice(self) -> None:
        """Handbook 13: to 0.5 MΩ twice, a compressor at its terminals."""
        once, twice = [("winding.c_ground.ohm", "300000")], [("winding.c_ground.ohm", "300000"), ("winding.c_ground.ohm", "310000")]
        self.assertEqual(accused(visit("trips-breaker", once, "dead-claimed", winding__at="terminals")), [])
        self.assertEqual(accused(visit("trips-breaker", twice, "dead-claimed", winding__at="terminals")), [(Part.COMPRESSOR, "grounded")])
        self.assertEqual(accused(visit("trips-breaker", twice, "dead-claimed", winding__at="plug")), [])

    def test_a_burnt_relay_of_the_board_needs_its_delay_seen_over(self) -> None:
        """Handbook 13: a board by 24 V and call at the board, delay over, safeties closed."""
        volts = [
            ("control.r_c.v", "26.0"),
            ("control.y_in.v", "26.0"),
            ("control.y_out.v", "13.5"),
            ("contactor.coil.v", "13.4"),
            ("defrost.control.v", "26.0"),
        ]
        seen = {"contactor__armature": "out", "control__pressure": "closed", "control__delay": "over"}
        burnt = visit("nothing-at-all", [*volts, ("contactor.coil.ohm", "11.0")], "live", **seen)
        self.assertEqual(accused(burnt), [(Part.DEFROST_BOARD, "Y relay burnt")])
        del seen["control__delay"]
        self.assertEqual(accused(visit("nothing-at-all", volts, "live", **seen)), [])


class NotToRun(unittest.TestCase):
    """NEMA MG 1, 14.36, from memory: over 5 % of unbalance a motor must not run."""

    def test_nothing_is_read_running_on_a_supply_that_far_out_of_balance(self) -> None:
        for volts, runs in (("238", True), ("228", True), ("205", False), ("118", False)):  # 0.6, 2.3, 7.6 and 40 %
            read = [("line.l1_l2.v", "238"), ("line.l2_l3.v", "236"), ("line.l1_l3.v", volts)]
            supplied = visit("hums-no-start", read, "live")
            found = diagnose(replace(supplied, plate=replace(supplied.plate, phase=3)))
            running = [point for point in found.path if POINTS[point].station == "run" and POINTS[point].power == "live"]
            self.assertEqual(bool(running), runs, volts)


class Lead(unittest.TestCase):
    """A lead by its own ohms, common practice, no source: over 0.5 Ω a joint, OL a broken wire."""

    def test_is_called_what_it_reads(self) -> None:
        for ohms, fault in (("1.8", FaultKey.LEAD_JOINT), ("OL", FaultKey.LEAD_OPEN)):
            leads = [("lead.r.ohm", "0.1"), ("lead.s.ohm", "0.1"), ("lead.c.ohm", ohms)]
            self.assertEqual(diagnose(visit("hums-no-start", leads, "dead-proved")).suspects[0].fault, fault, ohms)


class CalledWhatItReads(unittest.TestCase):
    """The fault that is named fits the number that was read: [D] from the windings' common point; sensors, common practice, no source."""

    def test_which_winding_is_open(self) -> None:
        for opened, fault in ((("c_r", "r_s"), FaultKey.RUN_OPEN), (("c_s", "r_s"), FaultKey.START_OPEN)):
            pairs = [(f"winding.{pair}.ohm", "OL" if pair in opened else "1.2") for pair in ("c_r", "c_s", "r_s")]
            found = visit("compressor-stopped", [("winding.leads.ohm", "0.1"), *pairs], "dead-proved", winding__at="terminals")
            self.assertEqual(accused(found), [(Part.COMPRESSOR, fault)])

    def test_an_open_sensor_and_a_shorted_one(self) -> None:
        plate = replace(PLATE, defrost=Defrost(control="demand"))
        for value, fault in (("OL", FaultKey.OPEN_SENSOR), ("closed", FaultKey.SHORTED_SENSOR)):
            read = [("defrost.coil.f", "40"), *[("defrost.coil_sensor.ohm", value)] * 2]
            self.assertEqual(diagnose(replace(visit("iced-over", read), plate=plate)).suspects[0].fault, fault)


class PulledOut(unittest.TestCase):
    def test_nothing_live_is_asked_for_first_while_the_disconnect_is_out(self) -> None:
        """Handbook 1: dead tests come before live ones; who pulled the disconnect is about to work dead."""
        plain = visit("nothing-at-all", [])
        out = replace(plain, lifted=(Lifted("disconnect"),))
        ahead = [one.power for one in diagnose(out).ahead]
        self.assertNotEqual(ahead[0], "live")
        self.assertEqual(ahead, sorted(ahead, key=lambda power: power == "live"))


class Maintenance(unittest.TestCase):
    def listed(self, faces: str) -> Visit:
        """A maintenance call whose list is done but for closing up, with faces as they were seen."""
        empty = visit("maintenance", [])
        sound = {
            "cap.herm.uf": "55.0",
            "cap.fan.uf": "7.5",
            "contactor.coil.ohm": "11.0",
            "amps.compressor.run_a": "13.9",
            "amps.fan.run_a": "1.0",
        }
        readings, seen = [], {}
        for point in upkeep_points(empty):
            record = POINTS[point]
            if record.station == "button" or point.startswith(("contactor.pole", "contactor.armature")):
                continue
            if record.kind == "number":
                readings.append((point, sound.get(point, "0.1" if point.startswith("safe.") else "238" if record.unit == "V" else "55")))
            else:
                seen[point.replace(".", "__")] = faces if point == "look.contactor.faces" else record.choices[0]
        return visit("maintenance", readings, **seen)

    def test_what_stands_out_is_looked_into_before_it_is_closed_up(self) -> None:
        odd, plain = diagnose(self.listed("discoloured")), diagnose(self.listed("clean"))
        self.assertIn("contactor.pole1.drop_v", odd.path)
        if "button.terminals" in odd.path:
            self.assertLess(odd.path.index("contactor.pole1.drop_v"), odd.path.index("button.terminals"))
        self.assertEqual([one for one in plain.suspects if one.fault == "worn" and one.probability > 0.05], [])


class SecondContactor(unittest.TestCase):
    """A two-stage unit has two: line volts across a closed pole accuse the one they were read at. Handbook 6 and 13."""

    def pole(self, contactor: str, armature: str) -> Visit:
        seen = {f"{contactor}__armature": armature} | ({"start__result": "started"} if contactor == "contactor2" else {})
        read = visit("high-bill", [(f"{contactor}.pole1.drop_v", "238"), (f"{contactor}.pole1.drop_v", "237")], **seen)
        return replace(read, plate=replace(PLATE, compressor=Compressor(rla=17.9, lra=96, kind="scroll", stages=2)))

    def test_its_open_pole(self) -> None:
        self.assertEqual(accused(self.pole("contactor2", "in")), [(Part.SECOND_CONTACTOR, "second pitted")])
        self.assertEqual(accused(self.pole("contactor", "in")), [(Part.CONTACTOR, "pitted")])
        self.assertEqual(accused(self.pole("contactor2", "out")), [], "an open contactor has line volts across its poles")

    def test_whether_its_own_armature_is_in_is_asked_for(self) -> None:
        unseen = self.pole("contactor2", "in")
        unseen = replace(unseen, seen={point: seen for point, seen in unseen.seen.items() if point != "contactor2.armature"})
        asking = [found for found in judge(unseen).findings if found.point == "contactor2.pole1.drop_v"]
        self.assertEqual([found.needs for found in asking], [("contactor2.armature",)])


class Thermostat(unittest.TestCase):
    """Handbook 9: an O valve has 24 V in defrost and cooling, none in heating; who puts it there is read at the thermostat."""

    def test_the_valve_fed_in_heating(self) -> None:
        at_valve = [("defrost.valve_heating.v", "26"), ("defrost.valve_heating.v", "26")]
        by_stat = visit("blows-cold", [*at_valve, ("control.stat_valve.v", "26")], start__result="started")
        by_board = visit("blows-cold", [*at_valve, ("control.stat_valve.v", "0.1")], start__result="started")
        self.assertEqual(accused(by_stat), [(Part.THERMOSTAT, "thermostat reversed")])
        self.assertEqual(accused(by_board), [(Part.DEFROST_BOARD, "valve relay stuck")])
