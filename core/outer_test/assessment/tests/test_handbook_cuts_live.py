"""Every cut of the trade handbook's live work, sections 8 and 9, tried just inside and just outside, through `assess` as the app asks it.

Common practice, no source, unless a line says otherwise; published values are from memory. These rows were written from the
handbook's text alone, not from the rules' code.
"""

from dataclasses import replace

from outer_test.assessment import assess
from outer_test.assessment.tests.cuts import DEMAND, PLATE, UNIT, Cuts, read, told
from outer_test.judgement import HouseRules
from outer_test.visit import Conditions, DefrostEvent, Reading, Visit


class Section8Running(Cuts):
    def test_line_volts(self) -> None:
        self.one_point("line-volts", "line.l1_l2.v", "197 good,196 bad,253 good,254 bad")
        bare = Visit(plate=replace(PLATE, volts_min=None, volts_max=None))
        # NEMA MG 1 12.44: 0.9 × 208 = 187.2 V and 1.1 × 230 = 253 V.
        self.one_point("line-volts", "line.l1_l2.v", "187.2 good,187.1 bad,253.0 good,253.1 bad", bare)

    def test_run_amps(self) -> None:
        # 17.9 A: 0.40 is 7.16 A, 0.50 is 8.95 A.
        self.one_point(
            "run-amps",
            "amps.compressor.run_a",
            "7.1 watch,7.2 watch,8.9 watch,9.0 good,17.9 good,18.0 watch,18.6 bad,67.1 bad,67.2 bad,0.5 bad",
        )
        computed = replace(UNIT, rules=HouseRules(plate_amps="computed"))
        # 1.10 is 19.69 A, 1.56 is 27.92 A.
        self.one_point("run-amps", "amps.compressor.run_a", "17.9 good,18.0 watch,27.9 watch,28.0 bad,67.2 bad", computed)

    def test_low_stage_has_no_low_limit(self) -> None:
        two = Visit(plate=replace(PLATE, compressor=replace(PLATE.compressor, stages=2)))
        self.assertEqual(told(read(two, ("amps.compressor.run_a", "5.0"), amps__stage="low"), "run-amps").verdict, "good")
        self.assertEqual(told(read(two, ("amps.compressor.run_a", "5.0"), amps__stage="high"), "run-amps").verdict, "watch")
        self.assertEqual(told(read(two, ("amps.compressor.run_a", "5.0")), "run-amps").verdict, "unjudged")

    def test_low_amps_are_bad_only_with_weather_that_loads_it(self) -> None:
        for outdoor, verdict in ((None, "watch"), (34, "watch"), (35, "bad"), (69, "watch"), (70, "bad")):
            visit = replace(read(UNIT, ("amps.compressor.run_a", "7.1")), conditions=Conditions(outdoor_f=outdoor))
            self.assertEqual(told(visit, "run-amps").verdict, verdict, f"{outdoor} °F")
        cold = replace(read(UNIT, ("amps.compressor.run_a", "8.0")), conditions=Conditions(outdoor_f=34))
        self.assertEqual(told(cold, "run-amps").verdict, "good", "0.45 of RLA in the cold")

    def test_fan_amps(self) -> None:
        self.one_point("run-amps", "amps.fan.run_a", "0.47 watch,0.48 good,1.20 good,1.21 watch,1.26 bad,0.00 bad")

    def test_the_handbooks_coarse_clamp(self) -> None:
        # 0.7 A read to 0.1 A is 0.5 to 0.9 A by a usual meter: it cannot judge a ±6 % capacitor.
        visit = read(UNIT, ("cap.fan.load_a", "0.7"), ("cap.fan.load_v", "247.5"))
        self.assertEqual(told(visit, "cap-load", "cap.fan.load_a").verdict, "unsure")

    def test_start(self) -> None:
        def started(time: str = "", peak: str = "", by: str = "inrush", result: str = "started") -> str | None:
            readings = [Reading("amps.compressor.start_s", time)] if time else []
            readings += [Reading("amps.compressor.peak_a", peak, by=by, fitted="none")] if peak else []  # type: ignore[arg-type]
            visit = replace(UNIT, readings=tuple(readings), seen={"start.result": result})
            return next(finding.verdict for finding in assess(visit).findings if finding.rule == "start-amps")

        # Volts not read: 0.93 of the rated line, so 0.85 of LRA 96 A is 75.9 A and 1.15 is 102.7 A.
        self.assertEqual([started(time, "60") for time in ("0.5", "0.6", "1.0", "1.1")], ["good", "watch", "watch", "bad"])
        self.assertEqual([started("", peak) for peak in ("96", "102.6", "102.7")], ["good", "good", "watch"])
        self.assertEqual([started("", peak, by="max-hold") for peak in ("75.8", "75.9")], ["good", "watch"])
        self.assertEqual([started("", peak, result="hummed") for peak in ("82", "60")], ["bad", "bad"])

    def test_sag(self) -> None:
        # 0.90 × 240 = 216 V; plate minimum × 0.9 = 177.3 V.
        self.one_point("start-sag", "line.starting.v", "216 good,215 watch,178 watch,177 bad", also=[("line.l1_l2.v", "240")])

    def test_kit_effect(self) -> None:
        def off(before: str, after: str, by: str, result: str = "started") -> str | None:
            peaks = (
                Reading("amps.compressor.peak_a", before, by=by, fitted="none"),  # type: ignore[arg-type]
                Reading("amps.compressor.peak_a", after, by=by, fitted="relay"),  # type: ignore[arg-type]
            )
            return told(replace(UNIT, readings=peaks, seen={"start.result": result}), "kit-effect").verdict

        def all_of(by: str, *pairs: tuple[str, str]) -> list[str | None]:
            return [off(*pair, by) for pair in pairs]

        floor = all_of("max-hold", ("90", "75"), ("90", "76"), ("60", "48"), ("60", "49"), ("60", "58"), ("60", "64"))
        self.assertEqual(floor, ["good", "watch", "good", "watch", "watch", "bad"])
        self.assertEqual(all_of("inrush", ("90", "85.5"), ("90", "86"), ("60", "64")), ["good", "watch", "watch"])
        self.assertEqual(off("90", "60", "inrush", "hummed"), "watch", "tried, and still hums")

    def test_elements(self) -> None:
        # 4800 ÷ 240 = 20 A, ±10 % good, 0.8 to 1.15 watch.
        rows = "18.0 good,22.0 good,17.9 watch,22.1 watch,16.0 watch,15.9 bad,23.0 watch,23.1 bad,0.0 bad"
        self.one_point("element-amps", "amps.element1.a", rows, also=[("aux.line.v", "240")])
        self.one_point("element-amps", "amps.element1.a", "20.0 unjudged")
        self.one_point("element-amps", "aux.idle.a", "0.4 good,0.5 bad,20.0 bad")


class Section9Defrost(Cuts):
    def test_coil_switch(self) -> None:
        # Closes at 30, opens at 55 °F; 5 °F either way.
        def switch(state: str, coil: str) -> str | None:
            return told(read(UNIT, ("defrost.switch.ohm", state), ("defrost.coil.f", coil)), "switch-state").verdict

        self.assertEqual([switch("closed", coil) for coil in ("20", "30", "31", "59", "60")], ["good", "good", "unsure", "unsure", "bad"])
        self.assertEqual([switch("OL", coil) for coil in ("55", "54", "26", "25")], ["good", "unsure", "unsure", "bad"])

    def test_sensor_on_the_default_curve(self) -> None:
        # 10 kΩ at 77 °F by definition of the default curve.
        demand = Visit(plate=DEMAND)

        def sensor(ohm: str, beside: str) -> str | None:
            return told(
                read(demand, ("defrost.coil_sensor.ohm", ohm), ("defrost.coil.f", beside)), "sensor-ohm", "defrost.coil_sensor.ohm"
            ).verdict

        self.assertEqual([sensor("10000", beside) for beside in ("77", "80", "83", "90")], ["good", "good", "watch", "unsure"])
        self.assertEqual([sensor("OL", "77"), sensor("0", "77"), sensor("999", "77")], ["bad", "unsure", "unsure"])
        own = Visit(plate=replace(DEMAND, defrost=replace(DEMAND.defrost, sensor_r25_ohm=10000, sensor_b_k=3950)))
        far = read(own, ("defrost.coil_sensor.ohm", "10000"), ("defrost.coil.f", "90"))
        self.assertEqual(told(far, "sensor-ohm", "defrost.coil_sensor.ohm").verdict, "bad", "on the unit's own curve")

    def test_valve_coil(self) -> None:
        self.one_point("valve-coil", "defrost.valve_coil.ohm", "4.9 bad,5.0 watch,7.9 watch,8.0 good,60.0 good,60.1 watch,OL bad")

    def test_the_valves_volts_by_its_kind_and_by_when_they_were_read(self) -> None:
        """O: 24 V in defrost and none in heating; B the other way round. 20 V and over feed it."""
        run = (DefrostEvent(0.0, "forced"), DefrostEvent(4.0, "valve-shift"))
        for valve, heating, in_defrost in (
            ("O", "19.9 good,20.0 bad", "19.9 bad,20.0 good"),
            ("B", "19.9 bad,20.0 good", "19.9 good,20.0 bad"),
        ):
            unit = replace(UNIT, plate=replace(PLATE, valve=valve))  # type: ignore[arg-type]
            self.one_point("valve-coil", "defrost.valve_heating.v", heating, unit)
            self.one_point("valve-coil", "control.stat_valve.v", heating, unit)
            self.one_point("valve-coil", "defrost.valve_coil.v", in_defrost, replace(unit, defrost_run=run))
            self.one_point("valve-coil", "defrost.valve_coil.v", "25.6 unjudged", unit)
        unknown = replace(UNIT, plate=replace(PLATE, valve=None))
        self.one_point("valve-coil", "defrost.valve_heating.v", "25.6 unjudged", unknown)
