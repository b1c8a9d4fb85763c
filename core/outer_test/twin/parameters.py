"""A motor's equivalent circuit found from what the plate prints of it [M].

Locked current is the plate's; running amps lie near 0.8 of the rating; the volts across its capacitor are those of the trade:
1.4 to 1.75 × line for a compressor, 1.3 to 1.75 for a fan, and at the plate's volts not over 1.1 × the part's own rating
(common practice, no source). The shape of the motor is one set of ohms that behaves like a 3-ton unit's, wound for other volts
and amps.
"""

from dataclasses import dataclass, replace
from math import pi

from outer_test.twin.motor import Motor

_COMPRESSOR = Motor(r1=0.55, x1=1.15, r1a=1.6, x1a=1.7, xm=32.0, r2=0.75, x2=1.15, a=1.35)  # 86 A locked at 240 V with 45 µF
_FAN = Motor(r1=22.0, x1=30.0, r1a=38.0, x1a=48.0, xm=270.0, r2=34.0, x2=30.0, a=1.3, poles=6)
RUNS_AT = 0.8  # running amps over the rating, at rated load
FAN_RUNS_AT = 0.85
# What the load asks for at rest, over the torque the motor has there on its run capacitor alone [M]: a scroll starts unloaded.
_REST = {"reciprocating": 0.62, "rotary": 0.58, "scroll": 0.55}
_REST_WITH_START_DEVICE = 1.25  # a unit that came with a start capacitor does not start without it
FAN_LOCKED = 2.2  # a fan motor's locked amps over its rating
_MOST_A, _LEAST_A = 1.54, 0.9
_STEPS = 24


@dataclass(frozen=True, slots=True)
class Drive:
    """A motor with what it turns: its equivalent circuit, load at speed and at rest (W at synchronous speed), and its inertia.

    cold_r1, cold_r1a: the windings' ohms as a meter reads them, at 77 °F. inertia: joules it holds at synchronous speed.
    """

    motor: Motor
    load: float
    load_at_rest: float
    inertia: float
    cold_r1: float
    cold_r1a: float

    def torque(self, slip: float) -> float:
        """What the load asks for at a slip, W at synchronous speed: rest, and more by the square of the speed."""
        return self.load_at_rest + (self.load - self.load_at_rest) * (1 - slip) ** 2


HOT = (234.5 + 75.0) / (234.5 + 25.0)  # copper at 75 °C against 25 °C [P: IEEE 112, copper]


def compressor(
    volts: float, hz: float, locked_a: float, rated_a: float, uf: float, vac: float | None, kind: str, helped: bool = False
) -> Drive:
    """A single-phase compressor from its plate: V, Hz, LRA and RLA in A, run capacitor in µF and its rated V a.c.

    helped: it came with a start capacitor.

    >>> drive = compressor(240, 60, 96, 17.9, 55, 440, "scroll")
    >>> 0.35 < drive.cold_r1 < 0.5, drive.motor.a < 1.54
    (True, True)
    """
    most = 1.75 * volts if vac is None else min(1.75 * volts, 1.1 * vac)
    motor = _fit(_COMPRESSOR, volts, hz, locked_a, RUNS_AT * rated_a, uf, (1.4 * volts, most))
    load = _load_at(motor, volts, hz, RUNS_AT * rated_a, uf)
    main_a, start_a, _ = alone(motor, 1.0, volts, hz, uf)
    rest = (_REST_WITH_START_DEVICE if helped else _REST.get(kind, _REST["scroll"])) * motor.power(1.0, main_a, start_a)
    return Drive(motor, load, rest, 0.3 * load, motor.r1 / HOT, motor.r1a / HOT)


def fan(volts: float, hz: float, rated_a: float, uf: float, vac: float | None) -> Drive:
    """A capacitor fan motor from its plate: V, Hz, FLA in A, capacitor in µF and its rated V a.c.

    >>> fan(240, 60, 1.2, 7.5, 440).motor.poles
    6
    """
    most = 1.75 * volts if vac is None else min(1.75 * volts, 1.1 * vac)
    motor = _fit(_FAN, volts, hz, FAN_LOCKED * rated_a, FAN_RUNS_AT * rated_a, uf, (1.3 * volts, most))
    load = _load_at(motor, volts, hz, FAN_RUNS_AT * rated_a, uf)
    return Drive(motor, load, 0.02 * load, 0.9 * load, motor.r1 / HOT, motor.r1a / HOT)


def alone(motor: Motor, slip: float, volts: float, hz: float, uf: float) -> tuple[complex, complex, complex]:
    """Main and start winding current, A, and the volts across the capacitor, of a motor straight on the line."""
    reactance = 1 / (2j * pi * hz * max(uf, 1e-6) * 1e-6)
    main, start, mutual = motor.impedances(slip)
    start += reactance
    whole = main * start - mutual * mutual
    main_a, start_a = volts * (start + 1j * mutual) / whole, volts * (main - 1j * mutual) / whole
    return main_a, start_a, start_a * reactance


def line_amps(motor: Motor, slip: float, volts: float, hz: float, uf: float) -> float:
    """The amps in the common wire."""
    main_a, start_a, _ = alone(motor, slip, volts, hz, uf)
    return abs(main_a + start_a)


def _fit(shape: Motor, volts: float, hz: float, locked_a: float, running_a: float, uf: float, across: tuple[float, float]) -> Motor:
    """The shape wound so that it draws its locked amps, with the turns that bring the volts across its capacitor into range."""
    middle = sum(across) / 2
    best, found = None, shape
    for step in range(_STEPS + 1):
        turns = _LEAST_A + (_MOST_A - _LEAST_A) * step / _STEPS
        motor = replace(shape, a=turns)
        for _ in range(3):  # the capacitor is the plate's own, so the amps do not simply scale
            motor = motor.times(line_amps(motor, 1.0, volts, hz, uf) / locked_a)
        slip = _slip_at(motor, volts, hz, running_a, uf)
        reads = abs(alone(motor, slip, volts, hz, uf)[2])
        off = abs(reads - middle)
        if best is None or off < best:
            best, found = off, motor
    return found


def _slip_at(motor: Motor, volts: float, hz: float, amps: float, uf: float) -> float:
    """The slip at which it draws these amps; the pull-out slip where it cannot run on so many."""
    low, high = 0.002, 0.25
    for _ in range(24):
        middle = (low + high) / 2
        if line_amps(motor, middle, volts, hz, uf) < amps:
            low = middle
        else:
            high = middle
    return low


def _load_at(motor: Motor, volts: float, hz: float, amps: float, uf: float) -> float:
    slip = _slip_at(motor, volts, hz, amps, uf)
    main_a, start_a, _ = alone(motor, slip, volts, hz, uf)
    return motor.power(slip, main_a, start_a)
