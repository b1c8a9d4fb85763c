"""The classes that evidence is kept in, by their cuts: what is observed and what is predicted are told apart by the same."""

from math import inf

from outer_test.diagnosis.things_tested import Test as T
from outer_test.rules.contactor import coil, poles
from outer_test.rules.power_up import control_trace, line_trace
from outer_test.rules.start_and_run import running, start
from outer_test.rules.windings import ground, leads

# The cuts are the rules' own.
DEAD_V, ALIVE_V, LINE_DEAD_V = float(control_trace.DEAD_V), float(coil.LOW_V), float(line_trace.DEAD_V)
OPEN_POLE_V, DROPS_V, GROUNDED_OHM = float(poles.OPEN_V), float(poles.BAD_V), float(ground.GROUNDED_OHM)
LEAD_OHM, LONG_S = float(leads.MOST_OHM), float(start.QUICK_S)
LOCKED_PART, IDLE_PART, LOW_PART = float(running.LOCKED_PART), float(running.IDLE_PART), float(running.LOW_WATCH)
FAN_LOW_PART = float(running.LOW_BAD)
# Past what a crest reading or the plate's own rounding makes of a sound start; amps past what weather, charge or low volts do to
# a sound compressor, and to a fan motor [M]; volts that a sound disconnect or whip does not lose, running [M].
PEAK_OVER, AMPS_OVER, FAN_OVER, LOST_V = 1.6, 1.5, 1.3, 3.0
_STANDS, _FED = 0.78, 0.28  # of locked amps: the rule's cuts less what the volts while starting leave open
CONTROL_POINTS = {
    "control.r_c.v": T.R_C, "control.stat_r_c.v": T.STAT, "control.stat_y.v": T.STAT_Y, "control.y_in.v": T.Y_IN,
    "control.y_out.v": T.Y_OUT, "contactor.coil.v": T.COIL_V, "defrost.control.v": T.BOARD_R_C,
}  # fmt: skip
FED_POINTS = {"contactor.line.v": T.LINE_SIDE, "fan.board.v": T.FAN_OUT, "fan.feed.v": T.FAN_FED}


def capacitance(reading: float, low: float, high: float, rated: float) -> str:
    """The class a capacitance is in; `inf` for a meter that shows OL on a shorted part.

    >>> capacitance(40.0, 51.7, 58.3, 55.0)
    'low'
    """
    if reading == inf:
        return "shorted"
    if reading < 0.1 * rated:
        return "open"
    return "low" if reading < low else "high" if reading > high else "good"


def line_class(volts: float, least: float) -> str:
    """The class of volts between two lines.

    >>> line_class(238, 187), line_class(120, 187), line_class(0.2, 187)
    ('alive', 'low', 'dead')
    """
    return "alive" if volts >= least else "low" if volts >= LINE_DEAD_V else "dead"


def drop_class(before: float, after: float) -> str:
    """The class of the volts that are lost between two places on the line, running.

    >>> drop_class(236.5, 236.3), drop_class(236.5, 229.2)
    ('good', 'dropping')
    """
    return "dropping" if before - after >= LOST_V else "good"


def control_class(volts: float) -> str:
    """The class of low voltage at a point.

    >>> control_class(26), control_class(12), control_class(3)
    ('alive', 'low', 'dead')
    """
    return "alive" if volts >= ALIVE_V else "low" if volts >= DEAD_V else "dead"


def peak_class(ratio: float, started: bool) -> str:
    """The class of a start's peak, as a share of locked amps at the volts it had.

    >>> peak_class(0.97, True), peak_class(0.97, False), peak_class(0.5, False), peak_class(2.4, True)
    ('normal', 'locked', 'held', 'over')
    """
    if ratio >= PEAK_OVER:
        return "over"
    return "normal" if started else "locked" if ratio >= _STANDS else "held" if ratio >= _FED else "none"


def amps_class(amps: float, rla: float, lra: float | None) -> str:
    """The class of a compressor's running amps.

    >>> amps_class(14, 17.9, 96), amps_class(19, 17.9, 96), amps_class(80, 17.9, 96)
    ('good', 'high', 'locked')
    """
    if lra is not None and amps >= LOCKED_PART * lra:
        return "locked"
    if amps < IDLE_PART * rla:
        return "none"
    if amps > rla:
        return "high" if amps <= AMPS_OVER * rla else "far over"
    return "low" if amps < LOW_PART * rla else "good"


def fan_class(amps: float, fla: float) -> str:
    """The class of a fan motor's amps.

    >>> fan_class(1.0, 1.2), fan_class(1.4, 1.2), fan_class(0.02, 1.2)
    ('good', 'high', 'none')
    """
    if amps > fla:
        return "high" if amps <= FAN_OVER * fla else "far over"
    return "none" if amps < 0.1 * fla else "low" if amps < FAN_LOW_PART * fla else "good"


def fed_class(volts: float) -> str:
    """The class of line volts at a place that is fed or is not.

    >>> fed_class(236), fed_class(0.4)
    ('alive', 'dead')
    """
    return "alive" if volts >= LINE_DEAD_V else "dead"
