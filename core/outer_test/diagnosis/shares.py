"""How often each fault is the cause beside the others, by complaint, before anything is read: a table of ours [M]."""

from collections.abc import Mapping

from outer_test.twin import FaultKey as K

Share = Mapping[str | None, float]  # by complaint; None for any other


def _s(usual: float, **by: float) -> Share:
    return {None: usual, **{name.replace("_", "-"): value for name, value in by.items()}}


SHARES: dict[K, Share] = {
    K.BREAKER_TRIPPED: _s(0.5, nothing_at_all=7, trips_breaker=6),
    K.BREAKER_WORN: _s(0.1, trips_breaker=1.5, nothing_at_all=0.3),
    K.SUPPLY_LOST: _s(0.3, nothing_at_all=4, hums_no_start=0.5),
    K.LEG_LOST: _s(0.2, nothing_at_all=2, hums_no_start=0.5),
    K.LOW_LINE: _s(0.4, hums_no_start=2, high_bill=1),
    K.DISCONNECT_OPEN: _s(0.3, nothing_at_all=3),
    K.DISCONNECT_HOT: _s(0.2, hums_no_start=0.7, high_bill=0.3, trips_breaker=0.3),
    K.FUSE_BLOWN: _s(0.8, nothing_at_all=8, trips_breaker=8),
    K.WHIP_OPEN: _s(0.3, nothing_at_all=2),
    K.WHIP_JOINT: _s(0.2, hums_no_start=0.8, high_bill=0.3, trips_breaker=0.3),
    K.COIL_OPEN: _s(0.8, nothing_at_all=6),
    K.COIL_SHORTED: _s(0.5, nothing_at_all=4),
    K.STUCK_OPEN: _s(0.6, nothing_at_all=4),
    K.PITTED: _s(1, nothing_at_all=5, hums_no_start=4, compressor_stopped=2),
    K.INSECT: _s(0.7, nothing_at_all=4, hums_no_start=3),
    K.WELDED: _s(0.3, high_bill=1),
    K.WORN: _s(1, maintenance=2, high_bill=2),
    K.WEAK_PULL: _s(0.1, nothing_at_all=0.5),
    K.SECOND_COIL_OPEN: _s(0.3),
    K.SECOND_PITTED: _s(0.2),
    K.HERM_WEAK: _s(4, hums_no_start=14, high_bill=5, compressor_stopped=6, trips_breaker=3, maintenance=8),
    K.HERM_OPEN: _s(2, hums_no_start=14, compressor_stopped=8, trips_breaker=4),
    K.HERM_WRONG: _s(0.2, high_bill=0.5, maintenance=0.5),
    K.FAN_SECTION_WEAK: _s(1.2, fan_stopped=9, high_bill=3, maintenance=4),
    K.FAN_SECTION_OPEN: _s(0.8, fan_stopped=9, maintenance=0.5),
    K.FAN_SECTION_WRONG: _s(0.1, fan_stopped=0.3),
    K.WIRES_SWAPPED: _s(0.05, hums_no_start=0.2, fan_stopped=0.2),
    K.START_CAPACITOR_WEAK: _s(0.5, hums_no_start=5),
    K.RELAY_STUCK_OPEN: _s(0.3, hums_no_start=2.5),
    K.RELAY_STUCK_CLOSED: _s(0.2, trips_breaker=1, hums_no_start=0.3, high_bill=0.5),
    K.RELAY_COIL_OPEN: _s(0.2, trips_breaker=0.7, high_bill=0.3),
    K.LEAD_OPEN: _s(0.8, hums_no_start=4, compressor_stopped=5),
    K.LEAD_JOINT: _s(0.3, hums_no_start=1.5, compressor_stopped=0.5),
    K.HARNESS_GROUNDED: _s(0.2, trips_breaker=3),
    K.GROUNDED: _s(0.7, trips_breaker=14, hums_no_start=2, nothing_at_all=1),
    K.RUN_OPEN: _s(0.3, compressor_stopped=3, hums_no_start=1),
    K.START_OPEN: _s(0.3, compressor_stopped=2, hums_no_start=1.5),
    K.OVERLOAD_OPEN: _s(1, compressor_stopped=8, blows_cold=1),
    K.OVERLOAD_FAILED: _s(0.1, compressor_stopped=0.8),
    K.SHORTED_TURNS: _s(0.3, trips_breaker=3, hums_no_start=1),
    K.LOCKED: _s(0.4, hums_no_start=4, trips_breaker=2),
    K.TIGHT: _s(0.2, hums_no_start=1.5, high_bill=0.5),
    K.NOT_PUMPING: _s(0.3, blows_cold=2, high_bill=0.7),
    K.MODULE_DEAD: _s(1, compressor_stopped=8, nothing_at_all=2),
    K.FAN_GROUNDED: _s(0.4, trips_breaker=5, fan_stopped=3),
    K.FAN_OPEN: _s(0.5, fan_stopped=8),
    K.FAN_SHORTED: _s(0.2, fan_stopped=2, trips_breaker=0.5),
    K.FAN_TIGHT: _s(0.6, fan_stopped=7, high_bill=1),
    K.FAN_WRONG_WAY: _s(0.05),
    K.FAN_WIRE: _s(0.2, fan_stopped=2.5),
    K.NO_CONTROL_VOLTS: _s(0.5, nothing_at_all=5),
    K.TRANSFORMER_WEAK: _s(0.2, nothing_at_all=1),
    K.CONTROL_FUSE_BLOWN: _s(0.5, nothing_at_all=4),
    K.R_WIRE_BROKEN: _s(0.3, nothing_at_all=2.5),
    K.C_WIRE_BROKEN: _s(0.15, nothing_at_all=1),
    K.NO_CALL: _s(0.4, nothing_at_all=5),
    K.FLOAT_OPEN: _s(0.4, nothing_at_all=4),
    K.PRESSURE_OPEN: _s(0.5, nothing_at_all=4, compressor_stopped=3),
    K.Y_WIRE_BROKEN: _s(0.4, nothing_at_all=4),
    K.WIRE_CHAFED: _s(0.2, nothing_at_all=2),
    K.COIL_WIRE_BROKEN: _s(0.3, nothing_at_all=2.5),
    K.COIL_WIRE_JOINT: _s(0.15, nothing_at_all=0.7),
    K.NO_Y_OUT: _s(0.4, nothing_at_all=3, compressor_stopped=2),
    K.Y_RELAY_BURNT: _s(0.1, nothing_at_all=0.7),
    K.BOARD_R_LOST: _s(0.1, nothing_at_all=0.7),
    K.NEVER_STARTS: _s(0.5, iced_over=6, never_defrosts=10),
    K.NEVER_ENDS: _s(0.2, defrosts_too_often=2, high_bill=0.5),
    K.TIMER_WRONG: _s(0.1, iced_over=1, defrosts_too_often=2, never_defrosts=1),
    K.FAN_RELAY_STUCK: _s(0.3, noisy_defrost=4, iced_over=2),
    K.FAN_RELAY_OPEN: _s(0.3, fan_stopped=3, iced_over=1),
    K.NO_W: _s(0.4, blows_cold=5),
    K.VALVE_RELAY_OPEN: _s(0.2, blows_cold=2, never_defrosts=1),
    K.VALVE_RELAY_STUCK: _s(0.1, blows_cold=1),
    K.STAT_REVERSED: _s(0.1, blows_cold=1.5),
    K.STUCK_OPEN_SWITCH: _s(0.6, iced_over=8, never_defrosts=8),
    K.STUCK_CLOSED_SWITCH: _s(0.5, defrosts_too_often=8, noisy_defrost=2, high_bill=1),
    K.SWITCH_OFF_MARKS: _s(0.2, iced_over=2, defrosts_too_often=1.5, never_defrosts=1.5),
    K.SWITCH_LOOSE: _s(0.1, iced_over=1.2, never_defrosts=0.3),
    K.OPEN_SENSOR: _s(0.4, iced_over=5, never_defrosts=5),
    K.SHORTED_SENSOR: _s(0.1, iced_over=1, never_defrosts=1),
    K.DRIFTED: _s(0.6, iced_over=5, defrosts_too_often=6, never_defrosts=5),
    K.SLIPPED: _s(0.5, iced_over=6, never_defrosts=3),
    K.AMBIENT_OPEN: _s(0.15, never_defrosts=2, iced_over=1),
    K.AMBIENT_DRIFTED: _s(0.2, defrosts_too_often=3, never_defrosts=2),
    K.VALVE_COIL_OPEN: _s(0.4, blows_cold=5, never_defrosts=2),
    K.VALVE_COIL_SHORTED: _s(0.1, blows_cold=1, nothing_at_all=0.5),
    K.VALVE_WIRE: _s(0.15, blows_cold=2),
    K.VALVE_STUCK: _s(0.3, blows_cold=4, iced_over=1, never_defrosts=1),
    K.VALVE_HALF_WAY: _s(0.1, blows_cold=1.5),
    K.ELEMENT_OPEN: _s(0.3, blows_cold=4),
    K.SEQUENCER_STUCK: _s(0.1, high_bill=0.5, blows_cold=0.3),
    K.BLOWER_DEAD: _s(0.2, blows_cold=2, noisy_defrost=0.5),
    K.LOW_CHARGE: _s(1.5, blows_cold=8, iced_over=5, high_bill=4, defrosts_too_often=5),
    K.HIGH_CHARGE: _s(0.3, high_bill=1),
    K.DIRTY_COIL: _s(1, high_bill=5, iced_over=1, maintenance=3),
}
NOTHING_WRONG: Share = _s(8.0, maintenance=100.0, hums_no_start=2.0, nothing_at_all=2.0, trips_breaker=4.0)
# Nobody calls for maintenance of a unit that does not run: these would have been complained of.
STOPS_IT = frozenset({
    K.BREAKER_TRIPPED, K.SUPPLY_LOST, K.LEG_LOST, K.DISCONNECT_OPEN, K.FUSE_BLOWN, K.WHIP_OPEN, K.COIL_OPEN, K.COIL_SHORTED, K.STUCK_OPEN,
    K.PITTED, K.INSECT, K.HERM_OPEN, K.LEAD_OPEN, K.GROUNDED, K.RUN_OPEN, K.START_OPEN, K.OVERLOAD_OPEN,
    K.OVERLOAD_FAILED, K.LOCKED, K.MODULE_DEAD,
    K.FAN_GROUNDED, K.FAN_OPEN, K.NO_CONTROL_VOLTS, K.CONTROL_FUSE_BLOWN, K.R_WIRE_BROKEN, K.C_WIRE_BROKEN, K.NO_CALL, K.FLOAT_OPEN,
    K.PRESSURE_OPEN, K.Y_WIRE_BROKEN, K.WIRE_CHAFED, K.COIL_WIRE_BROKEN, K.NO_Y_OUT, K.BOARD_R_LOST,
})  # fmt: skip
# Faults that come on over weeks, and those that come at once.
SLOW = frozenset({K.LOW_CHARGE, K.HERM_WEAK, K.WORN, K.FAN_TIGHT, K.DRIFTED, K.DIRTY_COIL, K.TIGHT, K.FAN_SECTION_WEAK})
NEVER_SUDDEN = frozenset({K.LOW_CHARGE, K.DIRTY_COIL})
# A motor's dearer faults the older it is, from twelve years on.
WEARS_OUT = frozenset({K.LOCKED, K.TIGHT, K.GROUNDED, K.NOT_PUMPING, K.SHORTED_TURNS, K.FAN_TIGHT, K.FAN_OPEN, K.WORN, K.PITTED})
