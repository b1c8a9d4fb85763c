"""The outdoor coil as one lump: what it takes from the air, the frost that grows on it, and how that melts.

Heat in watts, temperatures in °C, frost in kilograms. A model of ours [M]: one temperature for the whole coil.
"""

from dataclasses import dataclass

from outer_test.twin.air import humidity_ratio

MELTS_J_KG = 334_000.0  # of ice
FREEZES_J_KG = 2_834_000.0  # what frost gives up as it grows out of vapour
_AIR_J_KG_K = 1006.0
_FROST_SHARE = 0.3  # of the vapour the whole coil could take, what sticks [M]
_COVERED_KG = 3.0  # a 3-ton coil is closed by this much frost [M]
_LEAST_AIR, _STILL_AIR = 0.12, 0.10  # of a clean coil's heat exchange: iced solid, and with the fan stopped
_LOSS_SPAN_K = 60.0  # melting heat falls off as the coil gets this much warmer than the air


@dataclass(frozen=True, slots=True)
class CoilSize:
    """A coil's figures, for a unit of so many watts: heat exchange, W/K, heat capacity, J/K, and frost that closes it, kg."""

    watts: float
    exchange: float
    capacity: float
    covered: float


def coil_size(watts: float) -> CoilSize:
    """A usual coil for a unit that moves so many watts [M].

    >>> coil_size(8000).exchange
    1280.0
    """
    return CoilSize(watts, 0.16 * watts, 2.4 * watts, _COVERED_KG * watts / 8000)


@dataclass(slots=True)
class Coil:
    """The coil as it stands: its temperature, and the frost on it."""

    size: CoilSize
    celsius: float
    frost_kg: float = 0.0
    dirty: float = 1.0  # share of a clean coil's air that still gets through

    def exchange(self, fan: bool) -> float:
        """Heat exchange with the air, W/K: less with frost, dirt and a stopped fan."""
        open_share = max(1 - self.frost_kg / self.size.covered, _LEAST_AIR)
        return self.size.exchange * open_share * self.dirty * (1.0 if fan else _STILL_AIR)

    def heating(self, seconds: float, air_c: float, humidity: float, share: float, fan: bool) -> None:
        """A while of heating: the refrigerant takes heat out of the coil, the air gives it back, vapour sticks where it freezes.

        share: of the unit's watts that the compressor moves; 0 where it stands.
        """
        exchange = self.exchange(fan)
        taken = share * self.size.watts * max(1 + 0.022 * self.celsius, 0.15)
        spare = humidity_ratio(air_c, humidity) - humidity_ratio(self.celsius, 1.0)
        sticks = max(_FROST_SHARE * exchange / _AIR_J_KG_K * spare, 0.0) if self.celsius < 0 else 0.0
        self.frost_kg = min(self.frost_kg + sticks * seconds, 1.3 * self.size.covered)
        gained = exchange * (air_c - self.celsius) + sticks * FREEZES_J_KG - taken
        self.warm(gained * seconds)

    def melting(self, seconds: float, air_c: float, share: float, fan: bool) -> None:
        """A while of defrost: the compressor's heat warms the coil to 0 °C, melts the frost there, and then warms it on."""
        span = max(1 - max(self.celsius - air_c, 0.0) / _LOSS_SPAN_K, 0.0)
        self.warm((share * 0.85 * self.size.watts * span - self.exchange(fan) * (self.celsius - air_c)) * seconds)

    def warm(self, joules: float) -> None:
        """Heat into the coil: frost holds it at 0 °C until it is gone."""
        after = self.celsius + joules / self.size.capacity
        if after > 0 and self.frost_kg > 0:
            base = max(self.celsius, 0.0)
            spare = (after - base) * self.size.capacity
            melted = min(spare / MELTS_J_KG, self.frost_kg)
            self.frost_kg -= melted
            after = base + (spare - melted * MELTS_J_KG) / self.size.capacity
        self.celsius = after
