"""How one unit's defrost is controlled: its board's settings, links, terminals, lights and sensors (handbook section 9)."""

from dataclasses import dataclass
from typing import Literal

from outer_test.measurement import FieldProblem, Record, quantity

Colour = Literal["red", "amber", "green", "blue", "white"]
MOST_FLASHES = 60


@dataclass(frozen=True, slots=True)
class SensorPoint(Record):
    """One line of a unit's own sensor table."""

    f: float = quantity("°F", -60, 250, required=True)
    ohm: float = quantity("Ω", 1, 1e7, required=True)


@dataclass(frozen=True, slots=True)
class Light(Record):
    """One line of a board's legend: colour and count of flashes (0 is lit and steady), what it means, whether it is a fault."""

    flashes: float = quantity("", 0, MOST_FLASHES, required=True)
    meaning: str = ""
    colour: Colour = "red"
    fault: bool = True


@dataclass(frozen=True, slots=True)
class ConfigLink(Record):
    """A link, jumper or small switch that sets the board up. `cut` is how it stands here; None where nobody looked.

    `when_cut`: what cutting it does to the contactor in a defrost; `recorded-only` for one that says compressor or fin kind.
    """

    name: str
    cut: bool | None = None
    when_cut: Literal["shift-delay", "no-shift-delay", "recorded-only"] = "recorded-only"


@dataclass(frozen=True, slots=True)
class Defrost(Record):
    """How this unit's defrost is controlled. All of a board's profile, so that a visit's file carries it whole."""

    control: Literal["time-temperature", "demand"] | None = None
    profile: str = ""
    confirmed: bool = False  # marks, curve and limits were read off this unit, not taken over from a generic profile
    minutes: float | None = quantity("min", 10, 240, doc="compressor run between defrosts, as set")
    closes_f: float | None = quantity("°F", -20, 90)
    opens_f: float | None = quantity("°F", 0, 120)
    limit_min: float | None = quantity("min", 1, 60)
    shift_delay: bool | None = None
    start: Literal["pins", "switch-and-test"] = "pins"
    pins: str = ""  # what is shorted to force it: what the pins are called on this board, and where they are
    pins_hold_s: float | None = quantity("s", 0, 600, doc="how long the pins are held shorted to force it")
    start_signs: str = ""  # what a start looks and sounds like on this unit
    hold_jumper: Literal["lift", "leave"] = "lift"
    fan_first_s: float = quantity("s", 0, 120, default=0, doc="fan comes on this long before the valve goes back")
    tolerance_s: float = quantity("s", 0.5, 60, default=5, doc="of the board's events")
    speed_up: float = quantity("times", 1, 3600, default=256, doc="how much faster the clock runs on the test pins")
    anti_short_cycle_s: float = quantity("s", 0, 900, default=300, doc="the contactor stays out this long after it dropped out")
    lockout_after: float | None = quantity("defrosts", 1, 20, doc="ended by time in a row before the board gives up")
    switch_in_air: bool = False  # some coil switches sit in the air stream by design
    pressure_switch: bool | None = None  # whether the unit has one at the board's terminals, or the factory jumper
    links: tuple[ConfigLink, ...] = ()
    terminals: tuple[str, ...] = ()
    lights: tuple[Light, ...] = ()
    low_ambient_kit: bool = False  # it cycles the outdoor fan by itself
    freeze_stat: bool = False  # it takes Y away by itself
    notes: str = ""  # whatever else the person who watches a run should know
    sensor_r25_ohm: float | None = quantity("Ω", 100, 1e6, doc="thermistor at 77 °F")
    sensor_b_k: float | None = quantity("K", 1000, 6000)
    sensor_table: tuple[SensorPoint, ...] = ()
    sensor_pull_ohm: float | None = quantity("Ω", 100, 1e6, doc="the board's own resistor to 5 V d.c.")

    def __post_init__(self) -> None:
        Record.__post_init__(self)
        if self.closes_f is not None and self.opens_f is not None and self.closes_f >= self.opens_f:
            raise FieldProblem("closes_f", f"must be below where it opens ({self.closes_f:g} and {self.opens_f:g} °F)")
        if len({point.f for point in self.sensor_table}) != len(self.sensor_table):
            raise FieldProblem("sensor_table", "names one temperature twice")


def has_shift_delay(defrost: Defrost) -> bool | None:
    """Whether this board opens the contactor around a shift: its links decide where one says so; None where nobody recorded it.

    Source: handbook section 9, configuration links are part of the profile.

    >>> has_shift_delay(Defrost(shift_delay=True))
    True
    >>> has_shift_delay(Defrost(shift_delay=True, links=(ConfigLink("J2", cut=True, when_cut="no-shift-delay"),)))
    False
    >>> has_shift_delay(Defrost(links=(ConfigLink("J2", when_cut="shift-delay"),))) is None
    True
    """
    for link in defrost.links:
        if link.when_cut != "recorded-only":
            return None if link.cut is None else link.cut == (link.when_cut == "shift-delay")
    return defrost.shift_delay
