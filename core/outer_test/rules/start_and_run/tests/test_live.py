"""Power up, start and run. Cuts are common practice, no source, unless said; capacitors against a simulated circuit."""

import math
import subprocess
import tempfile
import unittest
from dataclasses import replace
from pathlib import Path

from hypothesis import given
from hypothesis import strategies as st
from uncertainties import ufloat

from outer_test.assessment import assess
from outer_test.judgement import HouseRules
from outer_test.measurement import Accuracy, measure, product, total
from outer_test.nameplate import AuxHeat, BlowerCapacitor, Compressor, Contactor, Defrost, Element, Fan, Plate, RunCapacitor
from outer_test.rules.capacitors import cap_load, cap_volts, load_capacitance
from outer_test.rules.power_up import Safeties, board_pass, breaker, fuse_ohm, fuse_volts, line_findings, line_volts
from outer_test.rules.start_and_run import (
    FanRuns,
    Running,
    element_amps,
    element_circuit,
    expected_amps,
    fan_amps,
    run_amps,
    start_sag,
    total_amps,
)
from outer_test.visit import Reading, Visit

PLATE = Plate(volts=(208, 230), compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2), contactor=Contactor(poles=2))


def verdicts(visit: Visit) -> dict[str, str]:
    return {finding.point: "" if finding.verdict is None else finding.verdict for finding in assess(visit).findings}


def simulate_psc(uf: float, hz: float, volts: float = 240) -> tuple[float, float]:
    """Amps through and volts across a run capacitor in series with a start winding, by ngspice."""
    deck = f"""a running permanent-split-capacitor motor
V1 line 0 AC {volts}
Rstart line s 6
Lstart s c 0.065
Vamp c d 0
C1 d 0 {uf}u
.control
ac lin 1 {hz} {hz}
print vm(d) vm(line) mag(i(vamp))
quit 0
.endc
.end
"""
    with tempfile.TemporaryDirectory() as folder:
        file = Path(folder) / "psc.cir"
        file.write_text(deck)
        out = subprocess.run(["ngspice", "-b", str(file)], text=True, capture_output=True, check=True).stdout
    found = {line.split("=")[0].strip(): float(line.split("=")[1]) for line in out.splitlines() if line.startswith(("vm(d)", "mag(i"))}
    return found["mag(i(vamp))"], found["vm(d)"]


FLA = (1.2, 1.2)


class UnderLoad(unittest.TestCase):
    def test_a_running_psc_circuit_in_ngspice(self) -> None:
        for uf, hz in ((40.0, 60), (55.0, 60), (7.5, 50)):
            amps, volts = simulate_psc(uf, hz)
            found = load_capacitance(measure(f"{amps:.6f}"), measure(f"{volts:.6f}"), hz).number
            self.assertAlmostEqual(float(found or 0), uf, delta=uf * 1e-4)

    def test_the_trades_own_factors(self) -> None:
        # 10⁶ ÷ 2πf: 2652.6 at 60 Hz, 3183.1 at 50 Hz; common practice.
        for hz, factor in ((60, 2652.6), (50, 3183.1)):
            self.assertAlmostEqual(float(load_capacitance(measure("5.00"), measure("330"), hz).number or 0), factor * 5 / 330, places=2)

    def test_its_band_by_the_uncertainties_library(self) -> None:
        amps, volts = measure("5.90", Accuracy(2, 5)), measure("352", Accuracy(1, 3))
        expected = 1e6 / (2 * math.pi * 60) * ufloat(5.90, float(amps.half)) / ufloat(352, float(volts.half))
        found = load_capacitance(amps, volts)
        self.assertAlmostEqual(float(found.half), expected.std_dev, places=9)

    def test_turns_through_the_jaw(self) -> None:
        # Handbook section 2: 0.7 A read to 0.1 A cannot judge a 6 % capacitor; six turns can, and the remedy says its number.
        volts = measure("370.0", unit="v")
        once = Visit(
            plate=Plate(run_capacitor=RunCapacitor(herm_uf=5, tolerance_pct=6), hz=60),
            readings=(Reading("cap.herm.load_a", "0.7"), Reading("cap.herm.load_v", "370.0")),
        )  # fmt: skip
        found = next(finding for finding in assess(once).findings if finding.point == "cap.herm.load_a")
        self.assertEqual(found.verdict, "unsure")
        self.assertIn("6 turns", found.next)
        self.assertEqual(cap_load(load_capacitance(measure("4.2", turns=6, unit="a"), volts), 5, 6).verdict, "good")
        self.assertEqual(cap_load(load_capacitance(measure("3.5", turns=5, unit="a"), volts), 5, 6).verdict, "unsure")

    def test_the_bench_wins_where_both_disagree(self) -> None:
        bench = measure("54.6")
        found = cap_load(load_capacitance(measure("6.20"), measure("370.0")), 55, 6, bench_reading=bench)
        self.assertEqual(found.verdict, "unsure")
        self.assertIn("wins", found.why)
        # Within 5 % of rated (2.75 µF) both agree, however fine the meters.
        self.assertEqual(
            cap_load(load_capacitance(measure("7.60"), measure("370.0")), 55, 6, bench_reading=measure("57.2")).verdict, "good"
        )
        self.assertEqual(
            cap_load(load_capacitance(measure("7.60"), measure("370.0")), 55, 6, bench_reading=measure("57.3")).verdict, "unsure"
        )

    def test_volts_against_the_rating(self) -> None:
        # IEC 60252-1, 10 % over-voltage limit, from memory.
        for text, expected in (("370", "good"), ("371", "watch"), ("407", "watch"), ("408", "bad")):
            self.assertEqual(cap_volts(measure(text), 370).verdict, expected, text)

    def test_an_unreadable_label_leaves_a_hint(self) -> None:
        plate = Plate(run_capacitor=RunCapacitor(vac=440), unreadable=("run_capacitor.herm_uf",), hz=60)
        readings = (Reading("cap.herm.load_a", "5.90"), Reading("cap.herm.load_v", "352"))
        found = next(finding for finding in assess(Visit(plate=plate, readings=readings)).findings if finding.rule == "cap-load")
        self.assertEqual(found.verdict, "unjudged")
        self.assertIn("44.5 µF", found.why)

    def test_it_needs_the_volts(self) -> None:
        plate = Plate(run_capacitor=RunCapacitor(herm_uf=45))
        found = next(finding for finding in assess(Visit(plate=plate, readings=(Reading("cap.herm.load_a", "5.9"),))).findings)
        self.assertEqual((found.verdict, found.needs), ("unjudged", ("cap.herm.load_v",)))


class Bands(unittest.TestCase):
    @given(st.floats(1, 99), st.floats(1, 99), st.floats(1, 99), st.floats(0.1, 5))
    def test_sums_and_products_by_the_uncertainties_library(self, a: float, b: float, c: float, pct: float) -> None:
        # JCGM 100:2008 by the library `uncertainties`.
        readings = [measure(f"{value:.3f}", Accuracy(pct, 1)) for value in (a, b, c)]
        known = [ufloat(float(reading.number or 0), float(reading.half)) for reading in readings]
        quotient, difference = known[0] * known[1] / known[2], known[0] + known[1] - known[2]
        self.assertAlmostEqual(float(product(readings[:2], readings[2:]).half), quotient.std_dev, delta=1e-9 * max(1, quotient.std_dev))
        self.assertAlmostEqual(float(total(readings[:2], readings[2:]).half), difference.std_dev, places=9)


class Line(unittest.TestCase):
    def test_limits(self) -> None:
        # NEMA MG 1 12.44, ±10 %, from memory: 0.9 × 208 and 1.1 × 230.
        for text, expected in (("187.2", "good"), ("187.1", "bad"), ("253.0", "good"), ("253.1", "bad")):
            self.assertEqual(line_volts(measure(text), PLATE).verdict, expected, text)
        self.assertEqual(line_volts(measure("196"), Plate(volts=(208, 230), volts_min=197, volts_max=253)).verdict, "bad")
        self.assertEqual(line_volts(measure("240"), Plate()).verdict, "unjudged")

    def test_what_the_legs_say_of_the_service(self) -> None:
        """The patterns of handbook section 8, the first that fits; nominal volts by ANSI C84.1 range B, from memory."""
        for across, one, two, expected in (
            ("230", "230", "1", ("good", "good", "good")),  # line and neutral
            ("2", "119", "118", ("bad", "unsure", "unsure")),  # dead and back-fed
            ("1.8", "121", "1.1", ("bad", "good", "bad")),  # a leg lost upstream
            ("0.3", "0.2", "0.1", ("bad", "bad", "bad")),  # no supply
            ("240", "120", "120", ("good", "good", "good")),
            ("240", "124", "116", ("good", "watch", "watch")),  # the service's neutral: 6.7 % apart
            ("240", "127", "113", ("good", "bad", "bad")),  # 11.7 %
            ("220", "110", "110", ("watch", "good", "good")),  # 0.917 of 240
            ("208", "104", "104", ("bad", "good", "good")),  # 0.8667 of 240
            ("206", "119", "119", ("good", "good", "good")),  # 208 V wye
            ("240", "120", "208", ("watch", "watch", "watch")),  # high-leg delta
            ("240", "150", "30", ("good", "unsure", "unsure")),  # a ghost leg
        ):  # fmt: skip
            plate = replace(PLATE, volts=(230,)) if two == "1" else PLATE
            found = line_findings(measure(across), plate, (measure(one), measure(two)), HouseRules())
            self.assertEqual(tuple(finding.verdict for finding in found), expected, f"{across} {one} {two}")

    def test_where_line_voltage_is_lost(self) -> None:
        """One dead point at a time: the fault lies between the last live and the first dead."""
        way = ["line.disconnect.v", "line.l1_l2.v", "contactor.line.v", "contactor.load.v"]
        for dead in range(len(way)):
            readings = tuple(Reading(point, "240" if place < dead else "0.4") for place, point in enumerate(way))
            found = {
                finding.point: finding
                for finding in assess(Visit(plate=PLATE, readings=readings, seen={"contactor.armature": "in"})).findings
            }
            bad = [point for point in way if found[point].verdict == "bad"]
            self.assertEqual(bad, [way[dead]], way[dead])

    def test_an_open_contactor_is_no_fault(self) -> None:
        readings = (Reading("contactor.line.v", "240"), Reading("contactor.load.v", "0.1"))
        self.assertEqual(verdicts(Visit(readings=readings))["contactor.load.v"], "unjudged")
        self.assertEqual(verdicts(Visit(readings=readings, seen={"contactor.armature": "out"}))["contactor.load.v"], "unjudged")

    def test_fuses(self) -> None:
        for text, expected in {"0.3": "good", "1.0": "good", "closed": "good", "OL": "bad", "open": "bad", "1.1": "bad"}.items():
            self.assertEqual(fuse_ohm("line.fuse1.ohm", measure(text)).verdict, expected, text)
        for text, loaded, expected in (("238", False, "bad"), ("0.0", False, "unsure"), ("0.4", True, "good"), ("0.5", True, "watch")):
            self.assertEqual(fuse_volts("line.fuse1.v", measure(text), loaded).verdict, expected, text)

    def test_a_tripped_breaker_is_not_reset_before_all_is_found_sound(self) -> None:
        """29 CFR 1910.334(b)(2), from memory."""
        found = breaker("tripped", ("winding.c_ground.ohm",))
        self.assertEqual((found.verdict, found.needs), ("bad", ("winding.c_ground.ohm",)))
        self.assertIn("Do not reset", found.next)
        self.assertIn("once", breaker("tripped").next)

    def test_sag(self) -> None:
        for text, expected in (("215", "good"), ("213", "watch"), ("168", "bad")):
            self.assertEqual(start_sag(measure(text), measure("238"), PLATE).verdict, expected, text)


class Control(unittest.TestCase):
    WAY = ("control.r_c.v", "control.stat_r_c.v", "control.stat_y.v", "control.y_in.v", "control.y_out.v", "contactor.coil.v")

    def test_where_control_voltage_is_lost(self) -> None:
        plate = Plate(defrost=Defrost(control="demand"))
        for dead, point in enumerate(self.WAY):
            readings = tuple(Reading(name, "25.8" if place < dead else "0.2") for place, name in enumerate(self.WAY))
            seen = {"control.delay": "over", "control.pressure": "closed", "control.float": "closed"}
            found = verdicts(Visit(plate=plate, readings=readings, seen=seen))
            self.assertEqual([name for name in self.WAY if found[name] == "bad"], [point])

    def test_the_board_only_with_everything_else_in_order(self) -> None:
        y_out = measure("0.2")
        self.assertEqual(board_pass(y_out, Safeties(True, True, True)).verdict, "bad")
        self.assertEqual(board_pass(y_out, Safeties(False, True, True)).verdict, "unjudged")
        self.assertEqual(board_pass(y_out, Safeties(True, False, True)).verdict, "watch")
        self.assertEqual(board_pass(y_out, Safeties(True, None, None)).verdict, "unsure")

    def test_a_switch_seen_open_is_named_alone(self) -> None:
        readings = (Reading("control.r_c.v", "26.0"), Reading("control.y_in.v", "0.2"))
        visit = Visit(plate=Plate(defrost=Defrost(control="demand")), readings=readings, seen={"control.float": "open"})
        found = next(finding for finding in assess(visit).findings if finding.point == "control.y_in.v")
        self.assertIn("float switch", found.why)
        self.assertNotIn("wire from indoors", found.why)

    def test_what_was_not_read_in_between_is_named_and_halved(self) -> None:
        readings = (Reading("control.r_c.v", "26.0"), Reading("contactor.coil.v", "0.1"))
        visit = Visit(plate=Plate(defrost=Defrost(control="demand")), readings=readings)
        found = next(finding for finding in assess(visit).findings if finding.point == "contactor.coil.v")
        for part in ("control fuse", "thermostat", "float switch", "board", "wire to the coil"):
            self.assertIn(part, found.why)
        self.assertIn("the board's Y next", found.next)

    def test_a_broken_thermostat_wire(self) -> None:
        readings = (Reading("control.r_c.v", "26.0"), Reading("control.stat_r_c.v", "3.0"))
        found = next(finding for finding in assess(Visit(readings=readings)).findings if finding.point == "control.stat_r_c.v")
        self.assertIn("broken wire", found.why)


class RunningAmps(unittest.TestCase):
    def test_compressor_by_both_schools(self) -> None:
        def judge(amps: str, school: str, low: bool = False) -> str:
            how = Running(two_stage=low, low_stage=low or None)
            found = run_amps(measure(amps), (20, 20), how, HouseRules(plate_amps=school))  # type: ignore[arg-type]
            return "" if found.verdict is None else found.verdict

        self.assertEqual(
            [judge(a, "ceiling") for a in ("7.9", "8.0", "9.9", "10.0", "20.0", "20.1")], ["watch", "watch", "watch", "good", "good", "bad"]
        )
        self.assertEqual([judge(a, "computed") for a in ("20.0", "20.1", "31.2", "31.3")], ["good", "watch", "watch", "bad"])
        self.assertEqual(judge("6.0", "ceiling", low=True), "good")

    def test_what_explains_high_amps(self) -> None:
        high = measure("20.6", Accuracy(1, 0))
        self.assertEqual(run_amps(high, (20, 20), Running()).verdict, "bad")
        self.assertEqual(run_amps(high, (20, 20), Running(selection_a=21)).verdict, "watch", "under the printed selection current")
        low_line = Running(rated_v=230, volts=measure("222"))  # 20.6 × 222 ÷ 230 = 19.9 A
        self.assertEqual(run_amps(high, (20, 20), low_line).verdict, "watch")
        self.assertEqual(run_amps(high, (20, 20), replace(low_line, volts=measure("224"))).verdict, "bad")
        self.assertEqual(run_amps(measure("20.1", Accuracy(1, 0)), (20, 20), Running()).verdict, "watch", "the band touches the plate")

    def test_locked_and_not_running(self) -> None:
        how = Running(lra=100)
        self.assertEqual([run_amps(measure(a), (20, 20), how).verdict for a in ("69.9", "70.0")], ["bad", "bad"])
        self.assertIn("locked", run_amps(measure("70.0"), (20, 20), how).why)
        self.assertNotIn("locked", run_amps(measure("69.9"), (20, 20), how).why)
        self.assertEqual(
            [run_amps(measure("0.5"), (20, 20), replace(how, heard=heard)).verdict for heard in (False, True)], ["bad", "unsure"]
        )

    def test_a_fan_whose_fla_cannot_be_read(self) -> None:
        """Derived from NEC 440.33 and 440.22, from memory: MCA 23.6 = 1.25 × 17.9 + FLA gives 1.0 to 1.45 A."""
        plate = Plate(hz=60, compressor=Compressor(rla=17.9), mca=23.6, mop=40, unreadable=("fan.fla",))
        for text, expected in (("1.00", "good"), ("1.20", "watch"), ("1.44", "watch"), ("1.60", "bad"), ("0.00", "bad")):
            visit = Visit(plate=plate, readings=(Reading("amps.fan.run_a", text),))
            found = next(one for one in assess(visit).findings if one.point == "amps.fan.run_a")
            self.assertEqual(found.verdict, expected, text)
        self.assertIn(
            "recovered from MCA and MOP", found.why + next(one.why for one in assess(visit).findings if one.rule == "plate-infer")
        )
        unknown = replace(plate, unreadable=())
        found = next(one for one in assess(Visit(plate=unknown, readings=visit.readings)).findings if one.point == "amps.fan.run_a")
        self.assertEqual(found.verdict, "unjudged", "not entered is not unreadable")

    def test_fan(self) -> None:
        for text, expected in (("0.47", "watch"), ("0.48", "good"), ("1.20", "good"), ("1.21", "bad")):
            self.assertEqual(fan_amps(measure(text, Accuracy(0, 0)), FLA).verdict, expected, text)
        self.assertEqual(fan_amps(measure("1.21", unit="a"), FLA).verdict, "watch", "the band touches the plate")
        self.assertEqual([fan_amps(measure("0.00"), FLA, FanRuns(turning)).verdict for turning in (None, True)], ["bad", "unsure"])

    def test_the_handbooks_coarse_clamp_can_tell_a_fan_under_its_fla(self) -> None:
        self.assertEqual(fan_amps(measure("0.7"), FLA).verdict, "good")

    def test_the_parts_add_up(self) -> None:
        # Bands of 0.05 each: √3 × 0.05 + 0.5 = 0.587 A.
        self.assertEqual(total_amps(measure("13.8"), measure("12.4"), measure("0.9")).verdict, "good")
        self.assertEqual(total_amps(measure("13.9"), measure("12.4"), measure("0.9")).verdict, "watch")

    def test_rules_that_do_not_apply_to_inverters_give_no_verdict(self) -> None:
        plate = Plate(compressor=Compressor(rla=12, kind="inverter"), fan=Fan(fla=1, kind="electronic"))
        readings = (Reading("amps.compressor.run_a", "14"), Reading("amps.fan.run_a", "0.0"), Reading("amps.compressor.peak_a", "20"))
        found = verdicts(Visit(plate=plate, readings=readings))
        self.assertEqual(found, {"amps.compressor.run_a": "", "amps.compressor.peak_a": "", "amps.fan.run_a": "bad"})

    def test_heaters(self) -> None:
        element = Element(kw=4.8, volts=240)
        self.assertEqual(expected_amps(element), 20)
        for text, expected in (("18.0", "good"), ("17.9", "watch"), ("22.0", "good"), ("22.1", "watch"), ("13.3", "bad"), ("0.1", "bad")):
            self.assertEqual(element_amps(measure(text), element, measure("240")).verdict, expected, text)
        self.assertEqual(element_amps(measure("20.0"), element).verdict, "unjudged", "volts not read")
        # At 228 V the same element draws 19 A.
        self.assertEqual(element_amps(measure("17.2"), element, measure("228")).verdict, "good")
        off = Element(kw=4.8, volts=240, disconnected="gas backs it up")
        found = [element_amps(measure(text), off) for text in ("0.0", "19.8")]
        self.assertEqual([(one.verdict, one.next) for one in found], [("watch", ""), ("watch", "Mend the record.")])

    def test_heater_circuit_of_nec_424(self) -> None:
        # NEC 424.4(B), 424.22(B), from memory: 125 % of heaters and blower; 48 A and 60 A at most on one circuit.
        for kw, blower, fuse_a, expected in (
            (9.6, 0, 50, "good"), (9.6, 0, 45, "watch"), (9.6, 4, 55, "good"), (9.6, 4.1, 55, "watch"), (9.6, None, 50, "unjudged"),
            (11.5, 0, 60, "good"), (11.6, 0, 60, "watch"), (9.6, 0, 70, "watch"),
        ):  # fmt: skip
            aux = AuxHeat(elements=(Element(kw=kw, volts=240),), protection_a=fuse_a, blower_fla=blower)
            found = element_circuit(Plate(aux_heat=aux))
            assert found is not None
            self.assertEqual(found.verdict, expected, f"{kw} kW, blower {blower} A on {fuse_a} A")

    def test_the_blower_capacitor_by_the_bench_rule(self) -> None:
        plate = Plate(blower_capacitor=BlowerCapacitor(uf=10, tolerance_pct=5))
        self.assertEqual(verdicts(Visit(plate=plate, readings=(Reading("cap.blower.uf", "9.4"),)))["cap.blower.uf"], "bad")

    def test_record_only_points_are_kept_and_not_judged(self) -> None:
        found = assess(Visit(readings=(Reading("record.suction.psi", "118"), Reading("record.superheat.dif", "11"))))
        self.assertEqual((found.findings, found.recorded), ((), ("record.suction.psi", "record.superheat.dif")))
