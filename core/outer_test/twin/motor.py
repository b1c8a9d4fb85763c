"""A capacitor motor by the revolving-field theory: currents and torque at any slip.

Source: W. J. Morrill, "The Revolving-Field Theory of the Capacitor Motor", Trans. AIEE 48, 1929; Fitzgerald, Kingsley and Umans,
*Electric Machinery*, the chapter on single-phase motors. Both from memory.
"""

from dataclasses import dataclass, replace
from math import pi

LEAST_SLIP = 0.001


@dataclass(frozen=True, slots=True)
class Motor:
    """The equivalent circuit: ohms at the winding's running temperature and at the line's frequency.

    r1, x1: main winding. r1a, x1a: start winding. a: turns of the start winding over the main. r2, x2: rotor, seen from the
    main winding. xm: magnetising. poles: how many. A split winding without a second one has r1a of 10⁹ Ω.
    """

    r1: float
    x1: float
    r1a: float
    x1a: float
    xm: float
    r2: float
    x2: float
    a: float
    poles: int = 2

    def times(self, factor: float) -> "Motor":
        """The same motor wound for another impedance: every ohm times a factor."""
        return replace(
            self, r1=self.r1 * factor, x1=self.x1 * factor, r1a=self.r1a * factor, x1a=self.x1a * factor,
            xm=self.xm * factor, r2=self.r2 * factor, x2=self.x2 * factor,
        )  # fmt: skip

    def fields(self, slip: float) -> tuple[complex, complex]:
        """The impedances of the forward and the backward field, Ω, each half of the air gap's.

        >>> forward, backward = Motor(2.02, 2.79, 1e9, 0, 66.8, 4.12, 2.12, 1, 4).fields(0.05)
        >>> round(forward.real, 1), round(forward.imag, 1)
        (15.9, 20.1)
        """
        return self._half(max(slip, LEAST_SLIP)), self._half(2 - max(slip, LEAST_SLIP))

    def _half(self, slip: float) -> complex:
        slip = max(slip, LEAST_SLIP)
        rotor = complex(self.r2 / slip, self.x2)
        return 0.5 * 1j * self.xm * rotor / (rotor + 1j * self.xm)

    def impedances(self, slip: float) -> tuple[complex, complex, complex]:
        """Main, start winding, and what one does to the other, Ω: Vm = main·Im − j·mutual·Ia, Va = start·Ia + j·mutual·Im."""
        forward, backward = self.fields(slip)
        main = complex(self.r1, self.x1) + forward + backward
        start = complex(self.r1a, self.x1a) + self.a**2 * (forward + backward)
        return main, start, self.a * (forward - backward)

    def admittances(self, slip: float) -> tuple[complex, complex, complex, complex]:
        """The two windings as a network sees them, S: Im = mm·Vm + ms·Va, Ia = sm·Vm + ss·Va. The inverse of `impedances`."""
        main, start, mutual = self.impedances(slip)
        whole = main * start - mutual * mutual  # (−j·m)(+j·m) = m², taken off
        return start / whole, 1j * mutual / whole, -1j * mutual / whole, main / whole

    def power(self, slip: float, main_a: complex, start_a: complex) -> float:
        """Torque times synchronous speed, W: what crosses the air gap forwards less backwards."""
        forward, backward = (half.real for half in self.fields(slip))
        turned = (start_a * self.a) * main_a.conjugate()
        both = abs(main_a) ** 2 + abs(self.a * start_a) ** 2
        return both * (forward - backward) + 2 * (forward + backward) * turned.imag

    def synchronous(self, hz: float) -> float:
        """Synchronous speed, rad/s."""
        return 4 * pi * hz / self.poles


def shorted(motor: Motor, share: float) -> Motor:
    """The motor with a share of its main winding shorted: fewer turns, and less of every ohm of it [M].

    >>> round(shorted(Motor(1, 1, 2, 2, 30, 1, 1, 1.3), 0.3).r1, 2)
    0.7
    """
    left = 1 - share
    return replace(motor, r1=motor.r1 * left, x1=motor.x1 * left**2, xm=motor.xm * left**2, r2=motor.r2 * left**2, x2=motor.x2 * left**2)
