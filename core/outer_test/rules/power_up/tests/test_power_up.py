"""Line and control voltage at every cut that the handbook names (section 8), just inside and just outside, through `assess`.

Common practice, no source, but for what a line names: NEMA MG 1 14.36, ANSI C84.1 and 29 CFR 1910.334(b)(2), all from memory.
"""

import unittest
from dataclasses import replace

from outer_test.assessment import assess
from outer_test.judgement import Finding
from outer_test.measurement import measure
from outer_test.nameplate import Compressor, Contactor, Defrost, Fan, Plate
from outer_test.rules.power_up.control_trace import Safeties, control_trace
from outer_test.rules.power_up.through import through
from outer_test.rules.power_up.unbalance import voltage_unbalance
from outer_test.visit import Reading, Visit
from visit_samples.says import found_on

PLATE = Plate(
    volts=(208, 230), hz=60, phase=1, contactor=Contactor(poles=2, coil_v=24), valve="O", defrost=Defrost(control="time-temperature")
)
ACROSS, LEG_1, LEG_2 = "line.l1_l2.v", "line.l1_ground.v", "line.l2_ground.v"


def found(read: dict[str, str], plate: Plate = PLATE, **seen: str) -> dict[str, Finding]:
    """The findings of these readings, by point."""
    return found_on(plate, read, **seen)


class Legs(unittest.TestCase):
    """What both legs to ground tell, by the first pattern that fits. Each row: volts across, leg 1, leg 2, and the three verdicts."""

    def rows(self, rows: str, plate: Plate = PLATE) -> None:
        for row in rows.split(","):
            across, one, two, *verdicts = row.split()
            got = found({ACROSS: across, LEG_1: one, LEG_2: two}, plate)
            self.assertEqual([got[point].verdict for point in (ACROSS, LEG_1, LEG_2)], verdicts, row)

    def test_line_and_neutral_by_a_leg_that_carries_it_all(self) -> None:
        single = replace(PLATE, volts=(230,))
        # The other leg under a tenth of the whole, the one within a tenth of it.
        self.rows("230 230 0.5 good good good,230 208 22.9 good good good,230 252 1 good good good", single)
        self.rows("230 230 0.5 watch watch watch")

    def test_a_leg_that_is_lost_and_a_leg_that_is_back_fed(self) -> None:
        # Under a tenth of rated across (230: 23 V): alive both, one under half the other, both dead.
        self.rows("0.4 121 120.6 bad unsure unsure,22.9 121 118 bad unsure unsure,20 121 60 bad good bad,20 60 121 bad bad good")
        self.rows("10 2 3 bad bad bad,10 31 14 bad good bad,10 29 14 bad bad bad")
        # Or one leg under a tenth of the other, whatever is across.
        self.rows("108 121 12 bad good bad,108 11 121 bad bad good")

    def test_split_phase_whose_legs_differ_is_the_services_neutral(self) -> None:
        # 240 V: legs that differ by 5 % of their mean are 123 and 117 V, by 10 % 126 and 114 V.
        self.rows("240 123 117 good good good,240 123.1 116.9 good watch watch,240 126 114 good watch watch,240 126.1 113.9 good bad bad")

    def test_a_split_service_against_its_own_nominal(self) -> None:
        """ANSI C84.1 range B, from memory: 0.92 × 240 = 220.8 V, 0.867 × 240 = 208.08 V."""
        self.rows(
            "220.8 110.4 110.4 good good good,220.7 110.4 110.3 watch good good,208.1 104.1 104 watch good good,208.0 104 104 bad good good"
        )

    def test_a_wye_by_the_mean_leg(self) -> None:
        # Mean leg ÷ across from 0.54 to 0.62; 0.92 × 208 = 191.36, 0.867 × 208 = 180.3.
        self.rows("208 120 120 good good good,191.4 110.5 110.5 good good good,191.3 110.5 110.5 watch good good")
        self.rows("200 108 108 good good good,200 124 124 good good good")
        self.rows("200 125 125 good unsure unsure")

    def test_a_high_leg_and_a_ghost(self) -> None:
        self.rows("240 208 120 watch watch watch,240 192 120 watch watch watch,240 191 120 good unsure unsure")
        self.rows("240 222 120 watch watch watch,240 223 120 good unsure unsure")

    def test_legs_without_the_volts_across_ask_for_them_leg_by_leg(self) -> None:
        got = found({LEG_1: "121", LEG_2: "119"})
        self.assertEqual([(got[leg].verdict, got[leg].shown, got[leg].needs) for leg in (LEG_1, LEG_2)], [
            ("unjudged", "121", (ACROSS,)), ("unjudged", "119", (ACROSS,)),
        ])  # fmt: skip
        self.assertNotIn(LEG_2, found({LEG_1: "121"}))

    def test_unbalance_is_of_all_three_and_of_three_phases_alone(self) -> None:
        two = {ACROSS: "460", "line.l2_l3.v": "467"}
        for plate, asked in ((replace(PLATE, volts=(460,), phase=3), True), (replace(PLATE, volts=(460,), phase=1), False)):
            visit = Visit(plate=plate, readings=tuple(Reading(*one) for one in two.items()))
            needs = [one.needs for one in assess(visit).findings if one.rule == "unbalance"]
            self.assertEqual(needs, [("line.l1_l3.v",)] if asked else [], plate.phase)

    def test_unbalance(self) -> None:
        """NEMA MG 1, 14.36: its example of 460, 467 and 450 V is 1.96 %."""
        verdicts = {
            volts: voltage_unbalance([measure(one) for one in volts.split()]).verdict
            for volts in ("460 467 450", "460 460 460", "231 229 230", "233 229.8 230", "230 230 212", "230 230 214")
        }
        self.assertEqual([str(one) for one in verdicts.values()], ["watch", "good", "good", "good", "bad", "watch"])


class LineTrace(unittest.TestCase):
    """The fault lies between the last point read live and the first read dead; what was not read in between is named."""

    def test_each_segment(self) -> None:
        way = ("line.disconnect.v", ACROSS, "contactor.line.v", "contactor.load.v")
        names = (("breaker", "feeder"), ("blades", "fuse 1", "fuse 2"), ("whip",), ("closed poles",))
        for dead, expected in enumerate(names):
            read = {point: "238" if place < dead else "0.3" for place, point in enumerate(way[: dead + 1])}
            got = found(read, contactor__armature="in")[way[dead]]
            self.assertEqual(got.verdict, "bad", way[dead])
            for name in expected:
                self.assertIn(name, got.why)
            for name in {name for group in names for name in group} - set(expected):
                self.assertNotIn(name, got.why)

    def test_what_was_not_read_is_named_and_the_halving_point_is_next(self) -> None:
        got = found({"line.disconnect.v": "238", "contactor.load.v": "0.3"}, contactor__armature="in")["contactor.load.v"]
        for name in ("blades", "fuse 1", "fuse 2", "whip", "closed poles"):
            self.assertIn(name, got.why)
        self.assertIn("contactor's line side", got.next)

    def test_thirty_volts_is_alive(self) -> None:
        self.assertEqual(found({"contactor.line.v": "30.0"})["contactor.line.v"].verdict, "good")
        self.assertEqual(found({"contactor.line.v": "29.9"})["contactor.line.v"].verdict, "bad")

    def test_a_dead_load_side_says_nothing_with_the_armature_not_seen_in(self) -> None:
        for word in ("out", None):
            seen = {} if word is None else {"contactor__armature": word}
            self.assertEqual(
                found({"contactor.line.v": "238", "contactor.load.v": "0.3"}, PLATE, **seen)["contactor.load.v"].verdict, "unjudged"
            )

    def test_the_way_to_the_fan(self) -> None:
        read = {"contactor.load.v": "236", "fan.board.v": "236", "fan.feed.v": "0.4"}
        self.assertEqual(found(read, contactor__armature="in")["fan.feed.v"].verdict, "bad")
        self.assertIn("wire to the fan", found(read)["fan.feed.v"].why)
        relay = found(read | {"fan.board.v": "29.9"})
        self.assertEqual((relay["fan.board.v"].verdict, relay["fan.feed.v"].verdict), ("bad", "bad"))
        self.assertNotIn("wire to the fan", relay["fan.board.v"].why)
        between = found({"contactor.load.v": "236", "fan.feed.v": "0.4"})["fan.feed.v"]
        self.assertIn("fan relay", between.why)
        self.assertIn("halves", between.next)
        self.assertEqual(found({"fan.feed.v": "0.4"})["fan.feed.v"].verdict, "unjudged", "nothing before it was read")
        self.assertEqual(found({"fan.feed.v": "30.0"})["fan.feed.v"].verdict, "good")
        unknown = replace(PLATE, defrost=Defrost())  # a board there is, whatever its kind
        self.assertIn("fan relay", found({"contactor.load.v": "236", "fan.feed.v": "0.4"}, unknown)["fan.feed.v"].why)


class FusesAndReset(unittest.TestCase):
    def test_a_fuse_by_ohms_and_by_volts_under_load(self) -> None:
        for value, verdict in (("0.9", "good"), ("1.0", "good"), ("1.1", "bad"), ("OL", "bad"), ("closed", "good"), ("open", "bad")):
            self.assertEqual(found({"line.fuse1.ohm": value})["line.fuse1.ohm"].verdict, verdict, value)
        load = {"amps.total.run_a": "15.0"}
        for value, verdict in (("0.49", "good"), ("0.5", "watch"), ("29.9", "watch"), ("30.0", "bad")):
            self.assertEqual(found({"line.fuse1.v": value} | load)["line.fuse1.v"].verdict, verdict, value)
        self.assertEqual(found({"line.fuse1.v": "0.1"})["line.fuse1.v"].verdict, "unsure", "without load")
        self.assertEqual(found({"line.fuse1.v": "238"})["line.fuse1.v"].verdict, "bad", "without load too")

    def test_a_breaker_and_what_closing_it_once_tells(self) -> None:
        verdicts = {word: found({}, line__breaker=word)["line.breaker"].verdict for word in ("on", "off", "tripped")}
        self.assertEqual({word: str(one) for word, one in verdicts.items()}, {"on": "good", "off": "watch", "tripped": "bad"})
        # Handbook 8: grounds and pairs of compressor and fan, leads, capacitors (each section, and to case), faces, wiring.
        first = [f"winding.{terminal}_ground.ohm" for terminal in "crs"] + ["winding.c_r.ohm", "winding.c_s.ohm", "winding.r_s.ohm"]
        first += ["fan_winding.c_ground.ohm", "fan_winding.r_s.ohm", "lead.c.ohm", "lead.r.ohm", "lead.s.ohm"]
        first += ["cap.herm.uf", "cap.fan.uf", "cap.case_ground.ohm", "look.contactor.faces", "look.wiring"]
        self.assertEqual(sorted(found({}, line__breaker="tripped")["line.breaker"].needs), sorted(first))
        inverter = replace(PLATE, compressor=Compressor(kind="inverter"), fan=Fan(kind="electronic"))
        own = found({}, inverter, line__breaker="tripped")["line.breaker"].needs
        self.assertEqual({one for one in own if "cap" in one or "winding.c_r" in one or one == "fan_winding.r_s.ohm"}, set())
        held = found({}, line__breaker="tripped", line__reset="holds")
        self.assertEqual((held["line.breaker"].verdict, held["line.reset"].verdict), ("watch", "good"))
        again = found({}, line__breaker="tripped", line__reset="trips")
        self.assertEqual((again["line.breaker"].verdict, again["line.reset"].verdict), ("bad", "bad"))
        self.assertIn("leave it off", again["line.reset"].next)


class Through(unittest.TestCase):
    """Common practice, no source: what a heater or a relay should read is its maker's; open it is dead."""

    def test_open_is_bad_and_a_beep_says_nothing_of_a_coil(self) -> None:
        for point in ("heater.ohm", "relay.coil.ohm"):
            for value, verdict in (
                ("OL", "bad"),
                ("100000", "bad"),
                ("99999", "good"),
                ("850", "good"),
                ("closed", "unsure"),
                ("open", "unsure"),
            ):
                self.assertEqual(found({point: value})[point].verdict, verdict, f"{point} {value}")

    def test_a_relays_contact_is_closed_at_rest(self) -> None:
        for value, verdict in (("closed", "good"), ("1.0", "good"), ("1.1", "watch"), ("open", "bad"), ("OL", "bad")):
            self.assertEqual(through("relay.contact.ohm", measure(value)).verdict, verdict, value)
        self.assertIn("never comes in", through("relay.contact.ohm", measure("OL")).why)

    def test_the_blowers_call_has_the_coils_band(self) -> None:
        for value, verdict in (("26.0", "good"), ("21.0", "watch"), ("0.3", "bad")):
            self.assertEqual(found({"control.stat_g.v": value})["control.stat_g.v"].verdict, verdict, value)


CONTROL_WAY = ("control.r_c.v", "control.stat_r_c.v", "control.stat_y.v", "control.y_in.v", "control.y_out.v", "contactor.coil.v")
CLOSED = Safeties(True, True, True)


def traced(*volts: str, safeties: Safeties = CLOSED) -> dict[str, Finding]:
    """The findings of the control voltages in their order, by point; `-` was not read."""
    read = {point: measure(value) for point, value in zip(CONTROL_WAY, volts, strict=False) if value != "-"}
    return {one.point: one for one in control_trace(read, safeties)}


class ControlTrace(unittest.TestCase):
    def test_the_band_is_the_coils_own(self) -> None:
        rows = {
            "20.3": "bad",
            "20.4": "watch",
            "21.9": "watch",
            "22.0": "good",
            "28.0": "good",
            "28.1": "watch",
            "30.0": "watch",
            "30.1": "bad",
        }
        for value, verdict in rows.items():
            self.assertEqual(traced("-", "-", "-", "-", "-", value)["contactor.coil.v"].verdict, verdict, value)

    def test_it_is_lost_after_the_last_whole_point(self) -> None:
        before = ("transformer", "control fuse", "the thermostat:", "float switch", "board", "wire to the coil")
        for dead in range(1, 6):
            got = traced(*["26"] * dead, "0.4")[CONTROL_WAY[dead]]
            self.assertEqual(got.verdict, "bad", CONTROL_WAY[dead])
            self.assertIn(before[dead], got.why)
        skipped = traced("26", "-", "-", "0.4")["control.y_in.v"]
        for name in before[1:4]:
            self.assertIn(name, skipped.why)
        self.assertIn("halves", skipped.next)
        self.assertEqual(traced("26", "0.4", "0.3")["control.stat_y.v"].verdict, "unjudged", "lost before it")

    def test_one_to_five_volts_at_a_thermostat_is_a_broken_wire(self) -> None:
        for value, broken in (("0.9", False), ("1.0", True), ("4.9", True), ("5.0", False)):
            for place in (1, 2):
                why = traced(*["26"] * place, value)[CONTROL_WAY[place]].why
                self.assertEqual("broken wire" in why, broken, f"{value} at {CONTROL_WAY[place]}")

    def test_the_board_only_with_its_delay_over_and_its_switches_closed(self) -> None:
        out = "control.y_out.v"
        rows = (
            (Safeties(), "unsure"), (Safeties(delay_over=True), "unsure"), (Safeties(pressure_closed=True), "unsure"),
            (Safeties(delay_over=False), "unjudged"), (Safeties(True, False), "watch"), (Safeties(True, True, False), "watch"), (CLOSED, "bad"),
        )  # fmt: skip
        for safeties, verdict in rows:
            got = traced("-", "-", "-", "26", "0.3", safeties=safeties)[out]
            self.assertEqual((got.verdict, got.rule), (verdict, "board-pass"), str(safeties))
        low = traced("-", "-", "-", "26", "13", safeties=Safeties())[out]
        self.assertEqual((low.verdict, low.rule), ("bad", "control-trace"), "it drops it")

    def test_a_switch_seen_open_is_the_cause_alone(self) -> None:
        for safeties, name in ((Safeties(float_closed=False), "float switch"), (Safeties(pressure_closed=False), "pressure switch")):
            why = traced("26", "26", "26", "0.2", safeties=safeties)["control.y_in.v"].why
            self.assertIn(name, why)
            self.assertNotIn("wire from indoors", why)
