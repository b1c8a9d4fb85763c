"""The board as a state machine: properties that hold whatever comes in. Settings are common practice, no source."""

import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from outer_test.measurement import FieldProblem
from outer_test.nameplate import SHIPPED, ConfigLink, Defrost, has_shift_delay
from outer_test.twin import Board, BoardInput, output, step
from visit_samples.defrost_visits import DEMAND, SWITCHED

Moment = tuple[float, float, bool, str, bool]
MOMENTS = st.lists(
    st.tuples(st.floats(-10, 80), st.floats(-10, 60), st.booleans(), st.sampled_from(["none", "force", "test"]), st.booleans()), max_size=80
)
PROFILES = st.sampled_from([*SHIPPED.values(), SWITCHED, DEMAND, replace(SWITCHED, shift_delay=True)])


def run(board: Board, seen: BoardInput, defrost: Defrost, seconds: int) -> Board:
    """The board after so many seconds of the same input."""
    for _ in range(seconds):
        board = step(board, seen, defrost, 1)
    return board


class Properties(unittest.TestCase):
    @given(MOMENTS, PROFILES, st.sampled_from("OB"))
    def test_whatever_comes_in(self, moments: list[Moment], defrost: Defrost, valve: str) -> None:
        board = Board()
        for coil, air, closed, pins, call in moments:
            seen = BoardInput(call, coil, air, closed, pins)  # type: ignore[arg-type]
            before = board
            board = step(board, seen, defrost, 20.0)
            out = output(board, seen, defrost, valve, True)
            in_defrost = board.phase in ("defrost", "closing")
            self.assertFalse(out.aux_call and not in_defrost, "aux call only in defrost")
            self.assertFalse(out.fan and board.phase == "defrost", "the fan rests in defrost")
            self.assertFalse(out.contactor and not call, "no contactor without a call")
            if board.phase in ("opening", "defrost", "closing"):
                self.assertLessEqual(board.in_phase_s, (defrost.limit_min or 10) * 60 + 40, "the limit always ends it")
            if call and board.phase != "idle":  # one valve state, told by the phase and the valve's kind alone
                self.assertEqual(out.valve_on, out.shifted == (valve == "O"))
            if before.phase == "heating" and board.phase in ("opening", "defrost") and defrost.control == "time-temperature":
                self.assertTrue(closed, "no start with the switch open")
            if before.phase == "idle" and board.phase == "heating":
                self.assertEqual(board.hold_s, 0, "never back before the restart hold is over")

    @given(MOMENTS, PROFILES)
    def test_same_input_same_board(self, moments: list[Moment], defrost: Defrost) -> None:
        one, two = Board(), Board()
        for coil, air, closed, pins, call in moments:
            seen = BoardInput(call, coil, air, closed, pins)  # type: ignore[arg-type]
            one, two = step(one, seen, defrost, 7.0), step(two, seen, defrost, 7.0)
        self.assertEqual(one, two)


class Behaviour(unittest.TestCase):
    COLD = BoardInput(coil_f=20, ambient_f=21, switch_closed=True)

    def test_the_limit_always_ends_it(self) -> None:
        for defrost in (SWITCHED, DEMAND):
            board = step(Board(), replace(self.COLD, pins="force"), defrost, 1)
            self.assertEqual(run(board, self.COLD, defrost, 599).phase, "defrost")
            self.assertEqual(run(board, self.COLD, defrost, 601).phase, "heating")

    def test_no_defrost_with_the_switch_open_and_b_valves_are_the_other_way_round(self) -> None:
        board = step(Board(run_s=1e6), BoardInput(switch_closed=False, pins="force"), SWITCHED, 1)
        self.assertEqual(board.phase, "heating")
        self.assertEqual([output(Board("defrost"), BoardInput(), SWITCHED, valve, True).valve_on for valve in "OB"], [True, False])
        with self.assertRaises(ValueError):
            step(Board(), BoardInput(), SWITCHED, -1)

    def test_test_pins_speed_the_clock_and_do_not_force(self) -> None:
        warm, cold = BoardInput(switch_closed=False, pins="test"), BoardInput(switch_closed=True, pins="test")
        self.assertEqual(run(Board(), warm, SWITCHED, 60).phase, "heating")
        self.assertEqual(run(Board(), cold, SWITCHED, 13).phase, "heating")  # 60 min ÷ 256 is 14.06 s
        self.assertEqual(run(Board(), cold, SWITCHED, 15).phase, "defrost")

    def test_restart_hold(self) -> None:
        off = run(Board(), replace(self.COLD, heating_call=False), SWITCHED, 5)
        self.assertEqual((off.phase, output(off, self.COLD, SWITCHED, "O", True).contactor), ("idle", False))
        self.assertEqual(run(off, self.COLD, SWITCHED, 290).phase, "idle")
        self.assertEqual(run(off, self.COLD, SWITCHED, 300).phase, "heating")
        fast = replace(self.COLD, pins="test")
        self.assertEqual(run(off, fast, SWITCHED, 3).phase, "heating")

    def test_lock_out_after_defrosts_ended_by_time(self) -> None:
        defrost = replace(SWITCHED, lockout_after=2, limit_min=1, minutes=10)
        board, seen = Board(), self.COLD
        board = run(board, seen, defrost, 2 * (600 + 62))
        self.assertTrue(board.locked_out)
        self.assertEqual(output(board, seen, defrost, "O", True).lights, "locked-out")
        self.assertEqual(run(board, seen, defrost, 1200).phase, "heating")
        self.assertEqual(step(board, replace(seen, pins="force"), defrost, 1).phase, "defrost")
        warm_between = run(Board(timed_out=1, phase="defrost"), BoardInput(switch_closed=False), defrost, 1)
        self.assertEqual(warm_between.timed_out, 0)

    def test_a_demand_board_starts_by_itself_on_a_cold_coil(self) -> None:
        """Colder than its clean coil was, after a least run time, and only where it freezes."""
        clean = run(Board(), BoardInput(coil_f=22, ambient_f=30), DEMAND, 420)
        self.assertEqual(clean.clean_f, 8)
        cold = BoardInput(coil_f=14, ambient_f=30)
        self.assertEqual(step(clean, cold, DEMAND, 1).phase, "heating", "not before its least run time")
        ran = run(clean, BoardInput(coil_f=22, ambient_f=30), DEMAND, 1500)
        for coil, air, phase in ((14, 30, "defrost"), (16, 30, "heating"), (40, 60, "heating")):
            self.assertEqual(step(ran, BoardInput(coil_f=coil, ambient_f=air), DEMAND, 1).phase, phase, f"coil {coil}, air {air}")

    def test_links_decide_on_the_shift_delay(self) -> None:
        cases = (
            ((), True, True), ((ConfigLink("fin kind", True),), False, False), ((ConfigLink("delay", True, "shift-delay"),), False, True),
            ((ConfigLink("delay", False, "shift-delay"),), True, False), ((ConfigLink("delay", False, "no-shift-delay"),), False, True),
            ((ConfigLink("delay", None, "shift-delay"),), True, None),
        )  # fmt: skip
        for links, field, expected in cases:
            self.assertEqual(has_shift_delay(replace(SWITCHED, links=links, shift_delay=field)), expected, str(links))

    def test_settings_are_held_to_sense(self) -> None:
        with self.assertRaises(FieldProblem) as caught:
            Defrost(closes_f=55, opens_f=30)
        self.assertEqual(caught.exception.field, "closes_f")
