"""What a technician reads beside each verdict on the supply and the control voltage, and where it sends them next.

Common practice, no source, but for what a line names.
"""

from dataclasses import replace

from outer_test.measurement import measure
from outer_test.nameplate import Compressor, Plate
from outer_test.rules.power_up.control_trace import Safeties
from outer_test.rules.power_up.tests.test_power_up import ACROSS, LEG_1, LEG_2, PLATE, found, traced
from outer_test.rules.power_up.unbalance import voltage_unbalance
from visit_samples.says import Says

THREE = replace(PLATE, volts=(460,), phase=3, compressor=Compressor(kind="scroll", rla=8, lra=60))
HALVES = "that halves it"


class WhatItSays(Says):
    def test_what_the_legs_add_to_l1_l2(self) -> None:
        lost = found({ACROSS: "0.4", LEG_1: "121", LEG_2: "0.3"})
        self.says(lost[ACROSS], "between the legs: L2 is lost upstream", "Follow L2 back")
        self.says(lost[LEG_1], "L1 is alive")
        self.assertEqual([lost[leg].verdict for leg in (LEG_1, LEG_2)], ["good", "bad"])
        # 108 V across is no dead line: what the plate says of it stays, and the pattern is added.
        self.says(found({ACROSS: "108", LEG_1: "121", LEG_2: "11"})[ACROSS], "is allowed", "Follow L2 back")
        low = found({ACROSS: "180", LEG_1: "90", LEG_2: "90"})[ACROSS]
        self.says(low, "75 % is left", "Measure back to the panel")
        self.assertEqual(low.verdict, "bad")
        self.says(found({ACROSS: "184", LEG_1: "92", LEG_2: "92"})[ACROSS], "76.7 % is left", "The utility")
        self.says(found({ACROSS: "0.3", LEG_1: "0.2", LEG_2: "0.1"})[ACROSS], "no supply arrives", "indoor breaker")
        self.says(found({ACROSS: "240", LEG_1: "122", LEG_2: "118"})[ACROSS], "is allowed", "")

    def test_a_number_that_is_missing_makes_no_pattern(self) -> None:
        for read in (
            {ACROSS: "OL", LEG_1: "121", LEG_2: "119"},
            {ACROSS: "238", LEG_1: "OL", LEG_2: "119"},
            {ACROSS: "238", LEG_1: "121", LEG_2: "OL"},
        ):
            got = found(read)
            self.assertEqual({got[leg].verdict for leg in (LEG_1, LEG_2)}, {"unjudged"}, read)
        alone = found({ACROSS: "238", LEG_1: "121"})
        self.assertEqual((alone[ACROSS].verdict, alone[LEG_1].verdict), ("good", "unjudged"))
        self.says(found({ACROSS: "OL"})[ACROSS], "No number", "600 V or more")

    def test_on_three_phases_the_legs_are_not_held_to_a_service(self) -> None:
        got = found({ACROSS: "460", LEG_1: "265", LEG_2: "266"}, THREE)
        self.assertEqual((got[ACROSS].verdict, got[LEG_1].verdict), ("good", None))

    def test_the_plates_own_limits_come_first(self) -> None:
        printed = replace(PLATE, volts_min=200, volts_max=250)
        for volts, verdict in (("199", "bad"), ("200", "good"), ("250", "good"), ("251", "bad")):
            self.assertEqual(found({ACROSS: volts}, printed)[ACROSS].verdict, verdict, volts)
        self.says(found({ACROSS: "230"}, printed)[ACROSS], "printed on the plate")
        half = replace(PLATE, volts_max=250)
        self.assertEqual([found({ACROSS: volts}, half)[ACROSS].verdict for volts in ("187", "188", "251")], ["bad", "good", "bad"])
        self.says(found({ACROSS: "230"}, half)[ACROSS], "±10 % of the rated volts")
        self.assertEqual(found({ACROSS: "230"}, Plate())[ACROSS].verdict, "unjudged")

    def test_each_line_to_line_voltage_of_three_phases(self) -> None:
        got = found({ACROSS: "460", "line.l2_l3.v": "400", "line.l1_l3.v": "520"}, THREE)
        self.assertEqual([got[point].verdict for point in ("line.l2_l3.v", "line.l1_l3.v")], ["bad", "bad"])
        self.assertEqual(found({"line.l1_l3.v": "460"}, THREE)["line.l1_l3.v"].verdict, "good")

    def test_unbalance(self) -> None:
        """NEMA MG 1, 14.36: over 1 % it is derated, over 5 % it is not run."""
        for volts, step in (
            ("460 460 460", ""),
            ("101 100 99", ""),
            ("460 467 450", "Find the weak leg"),
            ("230 230 212", "Do not run it. Find the weak leg"),
        ):
            found_so = voltage_unbalance([measure(one) for one in volts.split()])
            self.assertEqual(found_so.next, step and f"{step}: a joint, a fuse, or the utility. An electrician's work.", volts)

    def test_where_the_line_is_lost(self) -> None:
        dead = {"line.disconnect.v": "238", ACROSS: "0.3"}
        self.says(found(dead)[ACROSS], "alive at the disconnect's line side", "both fuses out of circuit")
        self.says(found(dead | {"line.fuse1.ohm": "OL"})[ACROSS], "fuse 1 is blown", "what blew it")
        self.says(found(dead | {"line.fuse2.ohm": "open"})[ACROSS], "fuse 2 is blown")
        self.says(found(dead | {"line.fuse2.v": "30.0"})[ACROSS], "fuse 2 is blown")
        for through in ("0.2", "1.0", "closed"):
            got = found(dead | {"line.fuse1.ohm": through})[ACROSS]
            self.says(got, "fuse 2")
            self.assertNotIn("fuse 1", got.why)
        self.says(found({"contactor.line.v": "0.3"})["contactor.line.v"], "nothing is alive before it", "Go back one point")
        whip = found({ACROSS: "238", "contactor.line.v": "0.3"})["contactor.line.v"]
        self.says(whip, "the whip", "prove dead, then look at the whip")
        for word, why in (("out", "the contactor is open"), (None, "nobody noted")):
            seen = {} if word is None else {"contactor__armature": word}
            got = found({"contactor.line.v": "238", "contactor.load.v": "0.3"}, PLATE, **seen)["contactor.load.v"]
            self.says(got, why, "look at the armature")
        # Both legs alive to ground over a dead line is the legs' to tell, but where the line side was read.
        self.says(found({ACROSS: "0.4", LEG_1: "121", LEG_2: "120.6"})[ACROSS], "back-fed")
        self.says(found({ACROSS: "0.4", LEG_1: "121", LEG_2: "120.6", "line.disconnect.v": "238"})[ACROSS], "alive at the disconnect")

    def test_on_the_way_to_the_fan(self) -> None:
        alone = found({"fan.feed.v": "0.4"})["fan.feed.v"]
        self.assertEqual(alone.needs, ("contactor.load.v",))
        self.says(
            found({"contactor.load.v": "236", "fan.board.v": "236", "fan.feed.v": "0.4"})["fan.feed.v"], "wire to the fan", "look there"
        )
        self.says(found({ACROSS: "230", LEG_1: "230", LEG_2: "0.5"})[ACROSS], "line and neutral", "ask how this house is fed")
        self.assertEqual(found({ACROSS: "230", LEG_1: "230", LEG_2: "0.5"}, replace(PLATE, volts=(230,)))[ACROSS].next, "")

    def test_a_fuse_is_under_load_only_with_amps_through_it(self) -> None:
        for amps, verdict in (("0.0", "unsure"), ("OL", "unsure"), ("0.1", "good")):
            self.assertEqual(found({"line.fuse1.v": "0.1", "amps.compressor.run_a": amps})["line.fuse1.v"].verdict, verdict, amps)
        self.says(found({"control.fuse.ohm": "OL"})["control.fuse.ohm"], "Open: blown", "rubbed control wire")
        self.says(found({"line.fuse1.ohm": "4.0"})["line.fuse1.ohm"], "4 Ω: blown", "Something blew it")


class ControlWords(Says):
    def test_nothing_arrives(self) -> None:
        got = traced("-", "-", "0.3")["control.stat_y.v"]
        self.says(got, "nothing arrives", HALVES)
        self.says(traced("0.3")["control.r_c.v"], "nothing arrives", "Look at")
        # Weak and nothing before it read: the band alone speaks.
        weak = traced("-", "-", "15")["control.stat_y.v"]
        self.assertEqual(weak.verdict, "bad")
        self.assertNotIn("lost", weak.why)

    def test_the_reading_that_halves_what_lies_between(self) -> None:
        self.says(traced("26", "-", "0.3")["control.stat_y.v"], "", HALVES)
        self.says(traced("26", "0.3")["control.stat_r_c.v"], "", "Look at")

    def test_whose_rule_it_is(self) -> None:
        got = traced("26", "20.4", "26", "26", "26", "20.4")
        self.assertEqual(
            [(one.rule, one.verdict) for one in got.values()],
            [("control-trace", word) for word in ("good", "watch", "good", "good", "good")] + [("coil-volts", "watch")],
        )
        unknown = replace(PLATE, defrost=replace(PLATE.defrost, control=None))  # a board there is, whatever its kind
        for plate in (unknown, PLATE):
            self.assertIn("control.y_out.v", found({"control.y_in.v": "26", "control.y_out.v": "0.3"}, plate))

    def test_weak_at_the_coil_is_a_joint_on_the_way(self) -> None:
        self.says(traced("-", "-", "-", "-", "26", "15")["contactor.coil.v"], "drops in between, in a wire, a joint")
        open_float = Safeties(float_closed=False)
        self.says(traced("-", "-", "-", "-", "26", "0.3", safeties=open_float)["contactor.coil.v"], "seen open", "Find out why")
