"""A start from rest: the motor's torque against its load, from standstill to speed, and where it settles."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Literal

from outer_test.twin.line import INSIDE, LineState, Solved, line_network, solve_line
from outer_test.twin.parameters import Drive, alone
from outer_test.twin.unit import Unit

Outcome = Literal["started", "hummed", "nothing", "tripped"]
_SPEEDS = tuple(step / 25 for step in range(23))  # of synchronous speed, from rest to 0.88
_CREEPS = 0.02  # the speed it already has as it breaks loose [M]
_FAN_MEANWHILE = 0.6  # the fan's slip while the compressor starts: it is on its way too
_SETTLED = 24  # halvings of the slip interval
_PULL_OUT = 0.12  # the slip above which a motor this kind does not carry its load for long
_NO_CURRENT_A = 0.03  # of locked amps: it neither turns nor hums


@dataclass(frozen=True, slots=True)
class Start:
    """How a start went: its outcome, seconds to speed (None where it did not), the peak, A, and the circuit at rest and running.

    margin: the motor's least torque on the way over what its load asks there; under 1 it does not start.
    """

    outcome: Outcome
    seconds: float | None
    peak_a: float
    standing: Solved
    running: Solved | None
    margin: float = 0.0


def start(unit: Unit, armatures: tuple[str, ...]) -> Start:
    """A start of this unit's single-phase compressor with these contactors in. Source: Newton's law, the torque by `motor`.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin.unit import make_unit
    >>> start(make_unit(Plate()), ("contactor",)).outcome
    'started'
    """
    assert unit.compressor is not None
    drive = _loaded(unit)
    standing = solve_line(unit, LineState(armatures, relay_closed=_relay_closed(unit, 0.0)))
    peak = _common_a(standing)
    if peak < _NO_CURRENT_A * (unit.plate.compressor.lra or 80.0):
        return Start("nothing", None, peak, standing, None)
    seconds, margin = _seconds(unit, drive, armatures)
    running = settle(unit, drive, armatures) if seconds is not None else None
    if running is None:
        return Start("hummed", None, peak, standing, None, margin)
    return Start("started", seconds, peak, standing, running, margin)


def _loaded(unit: Unit) -> Drive:
    """The compressor's drive with what is wrong in its bearings or its charge."""
    assert unit.compressor is not None
    own = unit.compressor
    return replace(
        own, load=own.load * unit.value("compressor.load", 1.0),
        load_at_rest=own.load_at_rest * unit.value("compressor.rest", 1.0) * unit.value("compressor.load", 1.0),
    )  # fmt: skip


def _common_a(solved: Solved) -> float:
    main, start_a = solved.windings("compressor")
    return abs(main + start_a)


def _relay_closed(unit: Unit, speed: float) -> bool:
    """A potential relay opens as the motor comes up to its pick-up, near 0.8 of speed, unless something is wrong with it."""
    return speed < 0.8 * unit.value("relay.pick_up", 1.0)


class _Ports:
    """The line side as the compressor's two windings see it, in one state of everything else: what makes a slip cheap to try."""

    __slots__ = ("_motor", "_ohms", "_volts")

    def __init__(self, unit: Unit, state: LineState) -> None:
        inner = INSIDE["compressor"]
        network = line_network(unit, replace(state, compressor_slip=None))
        self._volts, self._ohms = network.seen_from(("compressor.R", inner), ("compressor.S", inner))
        self._motor = unit.compressor_motor()

    def torque(self, slip: float) -> float:
        """Torque times synchronous speed at a slip, W."""
        main, start_ohms, mutual = self._motor.impedances(slip)
        (rr, rs), (sr, ss) = self._ohms
        a, b, c, d = main + rr, -1j * mutual + rs, 1j * mutual + sr, start_ohms + ss
        whole = a * d - b * c
        main_a = (self._volts[0] * d - b * self._volts[1]) / whole
        start_a = (a * self._volts[1] - c * self._volts[0]) / whole
        return self._motor.power(slip, main_a, start_a)


def _seconds(unit: Unit, drive: Drive, armatures: tuple[str, ...]) -> tuple[float | None, float]:
    """Seconds from rest to near speed, None where the load holds it on the way; and the least of its torque over its load.

    Source: energy gained is spare torque times speed.
    """
    ports = {
        closed: _Ports(unit, LineState(armatures, fan_slip=_FAN_MEANWHILE, relay_closed=closed))
        for closed in {_relay_closed(unit, speed) for speed in _SPEEDS}
    }
    passed, before, margin = 0.0, None, float("inf")
    for speed in _SPEEDS:
        turns, asked = ports[_relay_closed(unit, speed)].torque(1 - speed), drive.torque(1 - speed)
        margin = min(margin, turns / asked)
        if turns <= asked:
            return None, margin
        if before is not None:
            step = speed - before[0]
            passed += 2 * drive.inertia * (speed + _CREEPS) * step / (0.5 * (turns - asked + before[1]))
        before = (speed, turns - asked)
    return passed, margin


def settle(unit: Unit, drive: Drive, armatures: tuple[str, ...]) -> Solved | None:
    """The circuit with the compressor at the slip where its torque meets its load; None where it stalls."""
    state = LineState(armatures, fan_slip=fan_slip(unit, unit.volts), relay_closed=_relay_closed(unit, 1.0))
    ports = _Ports(unit, state)
    if ports.torque(_PULL_OUT) <= drive.torque(_PULL_OUT):
        return None
    low, high = 0.002, _PULL_OUT
    for _ in range(_SETTLED):
        middle = (low + high) / 2
        low, high = (middle, high) if ports.torque(middle) < drive.torque(middle) else (low, middle)
    return solve_line(unit, replace(state, compressor_slip=high))


def fan_slip(unit: Unit, volts: float) -> float:
    """The slip at which the fan settles on these volts; 1 where it does not start. A bearing's drag adds to its load at rest."""
    if unit.fan is None:
        return 0.05
    motor, uf, hz = unit.fan_motor(), unit.value("uf.fan"), unit.hz
    drag = unit.value("fan.drag", 0.0)
    rest = unit.fan.load_at_rest + drag * unit.fan.load
    whole = unit.fan.load * unit.value("fan.load", 1.0)

    def spare(slip: float) -> float:
        main, start_a, _ = alone(motor, slip, volts, hz, uf)
        return motor.power(slip, main, start_a) - (rest + whole * (1 - slip) ** 2)

    return _first_met(spare)


def _first_met(spare: Callable[[float], float]) -> float:
    """The slip at which spare torque ends, coming down from standstill; 1 where there is none to begin with."""
    if spare(1.0) <= 0:
        return 1.0
    above = 1.0
    for slip in (0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.15, 0.1, 0.06, 0.03, 0.01):
        if spare(slip) <= 0:
            low, high = slip, above
            for _ in range(10):
                middle = (low + high) / 2
                low, high = (middle, high) if spare(middle) <= 0 else (low, middle)
            return high
        above = slip
    return 0.01
