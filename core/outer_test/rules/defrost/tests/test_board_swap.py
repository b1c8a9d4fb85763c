"""Swapping a board: no wire lost, one at a time, proved at the end. Common practice, no source."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta

from outer_test.assessment import assess
from outer_test.judgement import HouseRules
from outer_test.nameplate import ConfigLink, Plate
from outer_test.rules.defrost import kit_words, line_names, settings_of, swap_guide, wires_now
from outer_test.visit import BoardWire, DefrostEvent, Lifted, LiftedEnd, Visit
from visit_samples.defrost_visits import DEMAND, SWITCHED

AT = datetime(2027, 1, 14, 10, tzinfo=UTC)
WIRES = (BoardWire("Y", "yellow", "thermostat"), BoardWire("O", "orange", "thermostat"), BoardWire("D1", "black", "coil switch"))


def on_list(wire: BoardWire, how: str = "", why: str = "", minutes: int = 0) -> Lifted:
    end = LiftedEnd(how, AT + timedelta(minutes=minutes), why) if how else None  # type: ignore[arg-type]
    return Lifted(line_names((wire,))[0], AT, end)


def swap(*lines: Lifted, **more: object) -> Visit:
    return Visit(plate=Plate(defrost=SWITCHED), board_wires=WIRES, lifted=lines, **more)  # type: ignore[arg-type]


class Swap(unittest.TestCase):
    def test_where_every_wire_is(self) -> None:
        visit = swap(on_list(WIRES[0], "back"), on_list(WIRES[1]))
        self.assertEqual([one.state for one in wires_now(visit)], ["moved", "off", "mapped"])
        self.assertFalse(swap_guide(visit, "dead-proved").may_lift)
        retired = swap(on_list(WIRES[0], "back"), on_list(WIRES[1], "back"), on_list(WIRES[2], "retired", "the new board has sensors"))
        self.assertEqual(wires_now(retired)[2].why, "the new board has sensors")
        self.assertTrue(swap_guide(retired, "dead-proved").may_lift)

    def test_not_proved_until_a_whole_defrost_was_run_after_the_last_wire(self) -> None:
        done = swap(*(on_list(wire, "back", minutes=place) for place, wire in enumerate(WIRES)))
        run = (DefrostEvent(0, "forced"), DefrostEvent(2, "valve-shift"), DefrostEvent(90, "ended"))

        def told(visit: Visit) -> list[str | None]:
            return [finding.verdict for finding in assess(visit).findings if finding.rule == "board-swap"]

        self.assertEqual(told(done), ["watch"])
        self.assertEqual(told(replace(done, defrost_run=run, defrost_forced_at=AT - timedelta(hours=1))), ["watch"])
        self.assertEqual(told(replace(done, defrost_run=run, defrost_forced_at=AT + timedelta(hours=1))), ["good"])
        self.assertEqual(told(replace(done, defrost_run=run[:2], defrost_forced_at=AT + timedelta(hours=1))), ["watch"])
        self.assertEqual(told(swap(on_list(WIRES[0], "back"))), [])

    def test_steps_in_order(self) -> None:
        first = swap_guide(swap(), "live")
        self.assertEqual((first.steps[0].state, first.steps[0].caution != ""), ("next", True))
        mapped = swap_guide(swap(seen={"swap.indoor": "off", "swap.photo": "taken"}), "dead-proved")
        self.assertEqual([step.state for step in mapped.steps][:5], ["done", "done", "done", "done", "next"])

    def test_by_house_rule_and_by_profile(self) -> None:
        self.assertIn("both sensors", kit_words(DEMAND, HouseRules()))
        self.assertIn("coil switch", kit_words(SWITCHED, HouseRules()))
        self.assertIn("only what failed", kit_words(DEMAND, HouseRules(board_kit="failed-only")))
        self.assertEqual(
            settings_of(replace(SWITCHED, links=(ConfigLink("fin kind", True),))), ("Interval pin: 60 min", "Link, fin kind: cut")
        )
        jumper = {None: "Has this unit", True: "has the switch", False: "has none"}
        for has, words in jumper.items():
            visit = Visit(plate=Plate(defrost=replace(SWITCHED, pressure_switch=has)))
            self.assertTrue(any(words in step.how for step in swap_guide(visit, "unknown").steps))
        plug = Visit(rules=HouseRules(board_power="plug-pulled"))
        self.assertIn("plug", swap_guide(plug, "unknown").steps[1].how)

    def test_two_wires_on_one_terminal_are_two(self) -> None:
        wires = (BoardWire("R", "red", "transformer"), BoardWire("R", "red", "thermostat"), BoardWire("R", "white"))
        first, second, white = line_names(wires)
        self.assertEqual((first, second, white), ("Board wire R (red)", "Board wire R (red) 2", "Board wire R (white)"))
        visit = Visit(board_wires=wires, lifted=(Lifted(second, AT),))
        self.assertEqual([one.state for one in wires_now(visit)], ["mapped", "off", "mapped"])

    def test_put_back_on_the_old_board_is_not_moved(self) -> None:
        back = Lifted("Board wire R (red)", AT, LiftedEnd("back", AT))
        for on_old, state in ((False, "moved"), (True, "mapped")):
            visit = Visit(board_wires=(BoardWire("R", "red", on_old=on_old),), lifted=(back,))
            self.assertEqual(wires_now(visit)[0].state, state)
