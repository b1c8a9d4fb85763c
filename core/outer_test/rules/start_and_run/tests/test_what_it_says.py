"""What a technician reads beside each verdict on a start and a run, and what it was weighed against. Handbook 8; common practice, no source."""

from dataclasses import replace

from outer_test.judgement import Finding, HouseRules
from outer_test.measurement import Accuracy, Measured, measure
from outer_test.nameplate import AuxHeat, Compressor, Element, Fan, Plate
from outer_test.rules.start_and_run import (
    FanRuns,
    KitTest,
    Running,
    Start,
    element_amps,
    element_circuit,
    fan_amps,
    kit_effect,
    kit_offer,
    kit_stays_in,
    run_amps,
    start_amps,
    start_sag,
    total_amps,
)
from outer_test.rules.start_and_run.aux_heat import idle_amps
from outer_test.rules.start_and_run.tests.test_on_a_visit import PLATE, found
from visit_samples.says import Says

EXACT = Accuracy(0, 1)
RLA, FLA = (20.0, 20.0), (2.0, 2.0)


def amps(text: str) -> Measured:
    return measure(text, EXACT, unit="a")


class CompressorAmps(Says):
    def test_the_first_that_fits(self) -> None:
        how = Running(lra=100)
        for text, verdict, why, step in (
            ("70.0", "bad", "the rotor is locked", "Switch it off now"), ("69.9", "bad", "High amps", "Read the line voltage"),
            ("0.5", "bad", "not running", "Is it humming"), ("0.6", "watch", "pressures tell which", "Read pressures"),
            ("7.9", "watch", "little charge", "phases first"), ("8.0", "watch", "little charge", "mild weather"),
            ("9.9", "watch", "little charge", "mild weather"), ("10.0", "good", "0.5 of RLA 20 A", "-"), ("20.0", "good", "", "-"),
        ):  # fmt: skip
            self.judged_so(run_amps(amps(text), RLA, how), verdict, why, step)
        self.judged_so(run_amps(amps("0.5"), RLA, replace(how, heard=True)), "unsure", "It was heard running", "centred")
        self.judged_so(run_amps(measure("OL", unit="a"), RLA, how), "unsure", "No number", "higher range")
        self.judged_so(run_amps(amps("70.0"), RLA, Running()), "bad", "High amps")

    def test_what_the_tape_is_drawn_with(self) -> None:
        found = run_amps(amps("15.0"), RLA, Running())
        self.assertEqual((found.low, found.watch_low, found.high), (8.0, 10.0, 20.0))
        sag = start_sag(measure("216"), measure("240"), Plate(volts=(208, 230)))
        self.assertEqual((sag.low, sag.watch_low), (168.48, 216.0))

    def test_the_weather_that_should_load_it(self) -> None:
        for outdoor, little, less in (
            (34, "good", "watch"), (35, "watch", "bad"), (None, "watch", "watch"), (69, "watch", "watch"), (70, "watch", "bad"),
        ):  # fmt: skip
            how = Running(outdoor_f=outdoor)
            self.assertEqual([run_amps(amps(text), RLA, how).verdict for text in ("9.0", "7.0")], [little, less], outdoor)

    def test_stages(self) -> None:
        two = Running(two_stage=True)
        self.judged_so(run_amps(amps("15.0"), RLA, two), "unjudged", "Which stage")
        self.judged_so(run_amps(amps("20.0"), RLA, two), "unjudged", "Which stage")
        self.judged_so(run_amps(amps("21.0"), RLA, two), "bad")
        self.judged_so(run_amps(amps("5.0"), RLA, replace(two, low_stage=True)), "good", "Low stage has no low limit")
        self.judged_so(run_amps(amps("5.0"), RLA, replace(two, low_stage=False)), "watch")

    def test_over_a_plate_that_is_a_ceiling(self) -> None:
        over = amps("21.0")
        self.judged_so(run_amps(over, RLA, Running(selection_a=21.1)), "watch", "printed selection current of 21.1 A", "-")
        self.judged_so(run_amps(over, RLA, Running(selection_a=21.0)), "bad")
        for text, verdict in (("20.2", "bad"), ("20.1", "watch")):
            self.judged_so(run_amps(measure(text, Accuracy(0, 1), unit="a"), RLA, Running()), verdict)
        # [D] at rated volts it would be 21 × V ÷ 230: 20 A at 219 V.
        for volts, verdict, why in (("219", "watch", "low line raises amps"), ("220", "bad", "High amps")):
            how = Running(rated_v=230, volts=measure(volts, EXACT))
            self.judged_so(run_amps(over, RLA, how), verdict, why)
        self.judged_so(run_amps(over, RLA, Running(line_good=True)), "bad", "High amps: a bad connection", "Look at the capacitor")
        self.judged_so(run_amps(over, RLA, Running(capacitor_bad=True)), "bad", "High amps: low voltage", "Fit the capacitor first")

    def test_a_plate_that_is_a_computed_figure(self) -> None:
        school = HouseRules(plate_amps="computed")
        for text, verdict, why in (
            ("20.0", "good", ""), ("22.0", "watch", "a computed figure"), ("22.1", "watch", "Well above"), ("31.2", "watch", "Well above"), ("31.3", "bad", "1.56 ×"),
        ):  # fmt: skip
            self.judged_so(run_amps(amps(text), RLA, Running(), school), verdict, why)

    def test_a_figure_that_was_recovered_is_an_interval(self) -> None:
        whole = (19.0, 21.0)
        for text, verdict, why in (
            ("19.0", "good", "RLA 19 to 21 A, from MCA"),
            ("19.1", "watch", "leaves open"),
            ("21.0", "watch", "leaves open"),
            ("21.3", "bad", ""),
        ):
            self.judged_so(run_amps(amps(text), whole, Running(), recovered="from MCA"), verdict, why)


class FanAmps(Says):
    def test_the_first_that_fits(self) -> None:
        for text, verdict, why, step in (
            ("0.06", "bad", "no current in the fan motor", "in that order"), ("0.07", "watch", "0.035 of FLA 2 A", "Is the blade on"), ("0.79", "watch", "", "Is the blade on"),
            ("0.80", "good", "", "-"), ("2.00", "good", "", "-"), ("2.01", "watch", "touches the plate", "A tight bearing"), ("2.02", "bad", "", "A tight bearing"),
        ):  # fmt: skip
            self.judged_so(fan_amps(amps(text), FLA), verdict, why, step)
        self.judged_so(fan_amps(amps("0.00"), FLA, FanRuns(turning=True)), "unsure", "seen turning", "Clamp the fan's own wire")
        self.judged_so(fan_amps(amps("3.00"), FLA, FanRuns(electronic=True)), "good", "sets its own amps", "-")
        self.judged_so(fan_amps(measure("OL", unit="a"), FLA), "unsure", "No number")
        between = FanRuns(recovered="from MCA")
        self.judged_so(fan_amps(amps("1.90"), (1.8, 2.0), between), "watch", "FLA 1.8 to 2 A, from MCA", "on its own label")
        self.judged_so(fan_amps(amps("1.80"), (1.8, 2.0), between), "good")

    def test_the_parts_of_a_total(self) -> None:
        """Apart by the band and 0.5 A."""
        for whole, verdict, step in (("10.5", "good", "-"), ("12.0", "watch", "crankcase heater"), ("8.0", "watch", "wrong wire")):
            self.judged_so(total_amps(amps(whole), amps("9.0"), amps("1.0")), verdict, "9 + 1 A", step)
        self.assertEqual(
            found({"amps.total.run_a": "15.1", "amps.compressor.run_a": "13.9"})["amps.total.run_a"].needs, ("amps.fan.run_a",)
        )


class Starts(Says):
    def test_one_that_started(self) -> None:
        for seconds, verdict, step in (
            ("0.50", "good", "-"),
            ("0.60", "watch", "run capacitor and the volts"),
            ("1.10", "bad", "It struggles"),
        ):
            start = Start(result="started", seconds=measure(seconds, EXACT), lra=100)
            self.judged_so(start_amps(measure("88"), start), verdict, "half a second is healthy", step)
        for by, peak, verdict, why in (
            ("inrush", "88", "good", "Normal for an instant"), ("max-hold", "70", "good", "under locking"), ("max-hold", "80", "watch", "It stayed near locked"),
            (None, "80", "watch", "How it was caught is not said"), ("inrush", "108", "watch", "More than a locked rotor"),
        ):  # fmt: skip
            found = start_amps(measure(peak), Start(result="started", lra=100, by=by))
            self.judged_so(found, verdict, why)
            self.assertEqual("Max-hold shows a floor" in found.why, by == "max-hold")
        self.judged_so(start_amps(measure("88"), Start(result="started")), "unjudged", "Needs the start time, or LRA")
        self.judged_so(start_amps(measure("88"), Start(seconds=measure("0.3"), lra=100)), "good", "Started in 0.3 s")
        self.judged_so(start_amps(measure("88"), Start(lra=100)), "unjudged", "Did it start?", "Note whether it started")

    def test_one_that_did_not(self) -> None:
        self.judged_so(start_amps(measure("88"), Start(result="hummed")), "bad", "cannot tell a locked rotor from low supply")
        read = {"result": "hummed", "lra": 100, "rated_v": 230, "starting_v": measure("230")}
        for peak, why, step in (
            ("85", "does not turn", "in that order, dead"),
            ("84", "held back", "Look upstream: contactor"),
            ("29", "not fed", "Look upstream: lead"),
        ):
            found = start_amps(measure(peak), Start(**read))  # type: ignore[arg-type]
            self.judged_so(found, "bad", why, step)
            self.assertNotIn("may as well be", found.why)
        # [D] with no volts read a peak counts ÷ 0.93: 0.85 and 0.3, and 0.05 to either side of each.
        unread = Start(result="hummed", lra=100, rated_v=230)
        for peak, why, other in (
            ("83.8", "does not turn", None), ("83.7", "does not turn", "held back"), ("79.1", "does not turn", "held back"), ("79.0", "held back", "does not turn"),
            ("74.4", "held back", "does not turn"), ("74.3", "held back", None), ("32.5", "held back", "not fed"), ("27.9", "held back", "not fed"), ("27.8", "not fed", "held back"), ("23.2", "not fed", None),
        ):  # fmt: skip
            found = start_amps(measure(peak), unread)
            self.judged_so(
                found,
                "bad",
                f"It did not start: {'the rotor ' if 'turn' in why else 'the run winding is ' if 'fed' in why else 'amps are '}{why}",
            )
            self.assertEqual("may as well be" in found.why, other is not None, peak)
            self.assertIn(other or "", found.why.partition("may as well be")[2])

    def test_two_devices(self) -> None:
        for own, fitted, two in (
            ("relay", "two-wire", True),
            ("relay", "relay", False),
            ("none", "relay", False),
            (None, "relay", False),
            ("relay", "none", False),
            ("relay", None, False),
        ):
            found = start_amps(measure("60"), Start(result="started", seconds=measure("0.3"), lra=100, fitted=fitted, kit_on_unit=own))
            self.assertEqual(("Two start devices" in found.why, found.verdict == "watch"), (two, two), (own, fitted))

    def test_the_line_while_it_starts(self) -> None:
        """Nine tenths of the running line, 216 of 240 V; nine tenths of the plate's least, 168.48 of 187.2 V."""
        plate = Plate(volts=(208, 230))
        for volts, verdict, why in (
            ("216", "good", "the line holds up"), ("215", "watch", "nine tenths of the line"), ("169", "watch", "nine tenths"), ("168", "bad", "too little torque"), ("2", "bad", "did not close"),
        ):  # fmt: skip
            self.judged_so(start_sag(measure(volts), measure("240"), plate), verdict, why)
        self.judged_so(start_sag(measure("216"), None, plate), "unjudged", "Needs the running line")
        self.judged_so(start_sag(measure("168"), None, plate), "bad", "too little torque")
        self.judged_so(start_sag(measure("168"), measure("240"), Plate()), "watch")
        self.judged_so(start_sag(measure("OL", unit="v"), measure("240"), plate), "unsure", "No number")

    def test_nothing_at_all_on_a_visit(self) -> None:
        inverter = replace(PLATE, compressor=Compressor(kind="inverter"))
        self.assertIsNone(found({"amps.compressor.peak_a": "20"}, inverter)["amps.compressor.peak_a"].verdict)
        self.assertIsNone(found({"amps.compressor.run_a": "8.0"}, inverter)["amps.compressor.run_a"].verdict)
        bare = Plate(fan=Fan())
        self.assertEqual(found({"amps.fan.run_a": "1.0"}, bare)["amps.fan.run_a"].needs, ("fan.fla",))
        self.assertEqual(found({"amps.fan.run_a": "1.0"}, Plate(fan=Fan(kind="electronic")))["amps.fan.run_a"].verdict, "good")
        self.assertEqual(found({"amps.compressor.run_a": "1.0"}, bare)["amps.compressor.run_a"].needs, ("compressor.rla",))


class Kits(Says):
    def peaks(self, before: str, after: str, by: str) -> Finding | None:
        return kit_effect(KitTest(measure(before), measure(after), by, by, started=True))

    def test_by_peaks(self) -> None:
        for before, after, by, verdict, why in (
            ("100", "96", "inrush", "watch", "no difference"), ("100", "95", "inrush", "good", "by inrush: it helps"), ("100", "106", "inrush", "watch", "higher"),
            ("100", "95", "max-hold", "watch", "helps little"), ("100", "86", "max-hold", "watch", "helps little"), ("100", "85", "max-hold", "good", "it helps"),
            ("60", "48", "max-hold", "good", "it helps"), ("60", "49", "max-hold", "watch", "helps little"), ("60", "64", "max-hold", "bad", "makes it worse"),
        ):  # fmt: skip
            found = self.peaks(before, after, by)
            self.judged_so(found, verdict, why)
            assert found is not None
            self.assertEqual(found.caution == "", verdict == "good", "kits run hot")

    def test_by_what_the_start_does(self) -> None:
        one = measure("88")
        self.assertIsNone(kit_effect(KitTest(before=one)))
        self.judged_so(kit_effect(KitTest(after=one)), "unjudged", "no start was tried")
        self.judged_so(kit_effect(KitTest(after=one, started=False)), "watch", "still does not start", "Take the kit off")
        self.judged_so(kit_effect(KitTest(after=one, started=True, hummed_before=True)), "good", "hummed without")
        for quick, faster in (("0.50", True), ("0.51", False)):
            found = kit_effect(KitTest(before_s=measure("0.60"), after_s=measure(quick), started=True))
            self.assertEqual(found is not None and "0.1 s faster" in found.why, faster, quick)
        for before, after in ((None, None), ("inrush", "max-hold"), ("inrush", None)):
            peaks = KitTest(one, measure("61"), before_by=before, after_by=after, started=True)
            self.judged_so(kit_effect(peaks), "unsure", "same means", "time both starts")

    def test_one_that_stays_in(self) -> None:
        self.assertIsNone(kit_stays_in(measure("OL", unit="a")))
        for text, verdict, why in (("0.0", "good", "out again"), ("4.2", "bad", "does not open")):
            self.judged_so(kit_stays_in(measure(text)), verdict, why)

    def test_when_one_is_tried(self) -> None:
        for rules, scroll, words in (
            (HouseRules(), True, "relay and capacitor, three wires; only after capacitors"), (HouseRules(), False, "as a test, after everything before it"),
            (HouseRules(scroll_kit="never"), False, "three wires; as a test"), (HouseRules(scroll_kit="never"), True, "kit: never on a scroll"),
            (HouseRules(start_kit="two-wire", scroll_kit="freely"), True, "two-wire, all in one; freely"),
        ):  # fmt: skip
            self.assertIn(words, kit_offer(rules, scroll))


class AuxHeaters(Says):
    HEATER = Element(kw=4.8, volts=240)

    def test_an_element(self) -> None:
        """[D] 4.8 kW at 240 V is 20 A; at 228 V, 19 A."""
        at = measure("240", EXACT)
        for text, verdict, why, step in (
            ("0.4", "bad", "open element, limit or fuse", "which of the three"), ("15.9", "bad", "draws 20 A at 240 V", "One of several elements is open"), ("16.1", "watch", "", "One of several"),
            ("18.1", "good", "", "-"), ("21.9", "good", "", "-"), ("22.1", "watch", "", "Check what is on this wire"), ("23.1", "bad", "", "Check what is on this wire"),
        ):  # fmt: skip
            self.judged_so(element_amps(amps(text), self.HEATER, at), verdict, why, step)
        self.judged_so(element_amps(amps("17.2"), self.HEATER, measure("228", EXACT)), "good", "draws 19 A at 228 V")
        self.judged_so(element_amps(amps("20.0"), self.HEATER), "unjudged", "hangs on the volts")
        self.judged_so(element_amps(measure("OL", unit="a"), self.HEATER, at), "unsure", "No number")
        off = replace(self.HEATER, disconnected="gas backs it up")
        self.judged_so(element_amps(amps("0.0"), off, at), "watch", "Recorded as disconnected: gas backs it up", "-")
        self.judged_so(element_amps(amps("20.0"), off, at), "watch", "it draws all the same", "Mend the record")
        self.judged_so(idle_amps(measure("OL", unit="a")), "unsure", "No number")
        self.judged_so(idle_amps(amps("20.0")), "bad", "it stays on", "Take W off")
        self.assertEqual(found({"amps.element2.a": "20.0"})["amps.element2.a"].needs, ("aux_heat.elements",))

    def test_their_circuit(self) -> None:
        """NEC 424.4(B) and 424.22(B), from memory: 125 % of 20 A and a blower of 4 A is 30 A."""

        def on(fuse: float, blower: float | None = 4, *elements: Element, **plate: object) -> Finding | None:
            heat = AuxHeat(elements=elements or (self.HEATER,), protection_a=fuse, blower_fla=blower)
            return element_circuit(Plate(aux_heat=heat, **plate))  # type: ignore[arg-type]

        self.judged_so(on(30), "good", "125 % is 30 A", "-")
        self.judged_so(on(25), "watch", "on a 25 A circuit", "electrician")
        self.judged_so(on(30, None), "unjudged", "whether the blower is on it")
        self.judged_so(on(60, 0, Element(kw=11.52, volts=240)), "good")
        self.judged_so(on(60, 0, Element(kw=11.6, volts=240)), "watch", "over 48 A they are subdivided")
        self.judged_so(on(70, 0), "watch", "60 A at most")
        self.judged_so(on(30, 4, self.HEATER, replace(self.HEATER, disconnected="not needed")), "good", "draw 24 A")
        self.assertIsNone(element_circuit(Plate(aux_heat=AuxHeat(protection_a=30))))
        abroad = on(30, 4, hz=50)
        assert abroad is not None
        self.assertIsNone(abroad.verdict)
