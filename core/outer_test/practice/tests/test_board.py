"""The simulated board for practice: what is hidden stays so by its seed, and a watched defrost is marked by what it could tell."""

import unittest

from outer_test.nameplate import SHIPPED, Plate
from outer_test.practice import NOTHING_WRONG, drawn, faults_to_hide, mark, rehearse, unit_of
from outer_test.visit import DefrostEvent

TIMED, DEMAND = unit_of(SHIPPED["timed, plain"]), unit_of(SHIPPED["demand, plain"])


def hidden(plate: Plate) -> tuple[str, ...]:
    return (NOTHING_WRONG, *(fault.key.value for fault in faults_to_hide(plate)))


class Hidden(unittest.TestCase):
    def test_a_seed_always_hides_the_same_and_all_are_hidden_by_some(self) -> None:
        for plate in (TIMED, DEMAND):
            found = {drawn(plate, seed) for seed in range(600)}
            self.assertEqual(found, set(hidden(plate)))
            self.assertEqual([drawn(plate, 5), drawn(plate, 5)], [drawn(plate, 5)] * 2)

    def test_a_unit_without_a_defrost_control_hides_nothing(self) -> None:
        self.assertEqual(faults_to_hide(Plate()), ())
        with self.assertRaises(ValueError):
            drawn(Plate(), 1)
        with self.assertRaises(ValueError):
            rehearse(TIMED, "gremlins")


class Marking(unittest.TestCase):
    def test_the_fault_named_is_right_whatever_is_hidden(self) -> None:
        for plate in (TIMED, DEMAND):
            for fault in hidden(plate):
                with self.subTest(fault):
                    marked = mark(plate, fault, rehearse(plate, fault).events, fault)
                    self.assertTrue(marked.right)
                    self.assertEqual({one.happened_s for one in marked.stamps}, {one.stamped_s for one in marked.stamps})

    def test_what_shows_the_same_is_right_too_and_anything_else_is_not(self) -> None:
        """A valve that does not shift looks alike whether its coil, its wire or the board is at fault: volts part them. Common practice."""
        run = rehearse(TIMED, "valve wire").events
        self.assertIn("valve coil open", mark(TIMED, "valve wire", run, "valve coil open").alike)
        self.assertTrue(mark(TIMED, "valve wire", run, "valve coil open").right)
        self.assertFalse(mark(TIMED, "valve wire", run, "fan relay stuck").right)
        self.assertFalse(mark(TIMED, "fan relay stuck", rehearse(TIMED, "fan relay stuck").events, NOTHING_WRONG).right)

    def test_stamps_are_held_against_what_happened(self) -> None:
        happened = {one.event: one.s for one in rehearse(TIMED, NOTHING_WRONG).events}
        late = happened["fan-off"] + 9
        marked = mark(
            TIMED, NOTHING_WRONG, (DefrostEvent(late, "fan-off"), DefrostEvent(late + 1, "fan-off"), DefrostEvent(3, "aux-off")), ""
        )
        by_event = {one.event: (one.happened_s, one.stamped_s) for one in marked.stamps}
        self.assertEqual(by_event["fan-off"], (happened["fan-off"], late), "the first stamp of a change counts")
        self.assertEqual(by_event["valve-shift"], (happened["valve-shift"], None))
        self.assertEqual(by_event["aux-off"], (happened["aux-off"], 3))

    def test_a_fan_that_runs_on_is_judged_as_seen(self) -> None:
        """Handbook 9: the fan runs on, the board's fan relay."""
        run = rehearse(TIMED, "fan relay stuck").events
        verdicts = {one.point: one.verdict for one in mark(TIMED, "fan relay stuck", run, "").findings}
        self.assertEqual(verdicts["defrost.run.fan"], "bad")
        self.assertEqual({one.name for one in mark(TIMED, "fan relay stuck", run, "").lanes} & {"outdoor fan"}, {"outdoor fan"})
