"""The unit in winter, second by second: board, switch and sensors on a coil that frosts, valve, fan, aux call and pressures.

What a fault changes is among the unit's own figures; nothing is scripted. Steps of a second while it is watched, longer ones over
a day. A model of ours [M] around the board's own logic (`board`) and the coil's heat (`coil`).
"""

from collections.abc import Iterator
from dataclasses import dataclass, field

from outer_test.nameplate import Defrost
from outer_test.twin.air import celsius, fahrenheit
from outer_test.twin.board import Board, BoardInput, BoardOutput, Pins, output, step
from outer_test.twin.coil import Coil, coil_size
from outer_test.twin.refrigerant import pressure_psig
from outer_test.twin.unit import Unit

_WATTS_PER_A = 560.0  # heat moved by a compressor of so many rated amps, at 0 °C [M]
_CLOSES_F, _OPENS_F = 30.0, 55.0
_INDOOR_C, _INDOOR_W_K_SHARE, _INDOOR_J_K_SHARE, _NO_BLOWER = 20.0, 0.05, 1.2, 0.03
# Where the pressure switches open, as saturation temperatures of the unit's own refrigerant [M].
_HIGH_TRIPS_C, _LOW_TRIPS_C, _TRIP_HOLDS_S = 66.0, -36.0, 180.0
_LIFT_K = 3.0  # the refrigerant is this much colder than the coil it takes heat from


@dataclass(frozen=True, slots=True)
class Weather:
    """The air outdoors: °F and relative humidity, 0 to 1."""

    air_f: float = 34.0
    humidity: float = 0.85


@dataclass(slots=True)
class CoilSwitch:
    """A coil switch that remembers: closes cold, opens warm, °F."""

    closes_f: float
    opens_f: float
    closed: bool = True

    def follow(self, at_f: float) -> bool:
        """Whether it is closed at this temperature."""
        if at_f <= self.closes_f:
            self.closed = True
        elif at_f >= self.opens_f:
            self.closed = False
        return self.closed


@dataclass(frozen=True, slots=True)
class Moment:
    """What is so at one second: what the board drives and what the unit does of it."""

    contactor: bool
    shifted: bool
    fan: bool
    aux: bool
    switch_closed: bool
    defrosting: bool


@dataclass(slots=True)
class Winter:
    """A unit in heating, ready to be stepped through time."""

    unit: Unit
    weather: Weather
    coil: Coil
    board: Board = field(default_factory=Board)
    switch: CoilSwitch = field(default_factory=lambda: CoilSwitch(_CLOSES_F, _OPENS_F))
    indoor_c: float = _INDOOR_C
    tripped_s: float = 0.0
    shifted: bool = False
    defrosts: int = 0
    ended_by_time: int = 0
    most_frost_kg: float = 0.0
    trips: tuple[float, float] = (0.0, 1e9)  # psig under which the low switch opens, and over which the high one does

    def second(self, seconds: float, pins: Pins = "none") -> Moment:
        """One step of time.

        >>> from outer_test.nameplate import Plate
        >>> from outer_test.twin.unit import make_unit
        >>> winter(make_unit(Plate(defrost=Defrost(control="demand")))).second(1.0).fan
        True
        """
        unit, defrost = self.unit, self._defrost()
        coil_f = fahrenheit(self.coil.celsius)
        closed = self._switch(coil_f)
        calls = self.tripped_s <= 0
        seen = BoardInput(calls, self._sensed(coil_f), self._ambient(), closed, self._pins(pins))
        before = self.board
        self.board = self._board(before, seen, defrost, seconds)
        drives = output(self.board, seen, defrost, unit.plate.valve or "O", bool(unit.plate.aux_heat.fitted))
        moment = self._moment(drives, closed)
        self._count(before)
        self._heat(moment, seconds)
        return moment

    def _defrost(self) -> Defrost:
        return self.unit.plate.defrost

    def _pins(self, pins: Pins) -> Pins:
        return "none" if self.unit.value("board.never_starts") else pins

    def _switch(self, coil_f: float) -> bool:
        unit, defrost = self.unit, self.unit.plate.defrost
        moved = unit.value("switch.shift_f")
        self.switch.closes_f = (defrost.closes_f if defrost.closes_f is not None else _CLOSES_F) + moved
        self.switch.opens_f = (defrost.opens_f if defrost.opens_f is not None else _OPENS_F) + moved
        in_air = unit.value("switch.loose") or defrost.switch_in_air
        follows = self.switch.follow(self.weather.air_f if in_air else coil_f)
        return not unit.value("switch.open") and bool(unit.value("switch.closed") or follows)

    def _sensed(self, coil_f: float) -> float:
        """The coil's temperature as the board has it from its sensor: open is very cold, shorted very warm, slipped is air."""
        unit = self.unit
        if unit.value("sensor.open"):
            return -60.0
        if unit.value("sensor.shorted"):
            return 200.0
        return (self.weather.air_f if unit.value("sensor.slipped") else coil_f) + unit.value("sensor.drift_f")

    def _ambient(self) -> float:
        if self.unit.value("ambient.open"):
            return -60.0
        return self.weather.air_f + self.unit.value("ambient.drift_f")

    def _board(self, board: Board, seen: BoardInput, defrost: Defrost, seconds: float) -> Board:
        """The board's own step. With an open sensor it does not start; with a fault it never starts, never ends, or counts wrongly."""
        unit = self.unit
        refuses = unit.value("board.never_starts") or (
            defrost.control == "demand" and (unit.value("sensor.open") or unit.value("ambient.open"))
        )
        if refuses and board.phase == "heating":
            return board
        if unit.value("board.never_ends") and board.phase == "defrost":
            return Board(
                board.phase, board.in_phase_s + seconds, board.run_s, board.hold_s, board.timed_out, board.locked_out, board.clean_f
            )
        after = step(board, seen, defrost, seconds)
        rate = unit.value("board.timer", 1.0)
        if rate != 1.0 and board.phase == after.phase == "heating":
            after = Board(
                after.phase, after.in_phase_s, board.run_s + seconds * rate, after.hold_s, after.timed_out, after.locked_out, after.clean_f
            )
        return after

    def _moment(self, drives: BoardOutput, closed: bool) -> Moment:
        """What becomes of what the board drives."""
        unit = self.unit
        on = (unit.plate.valve or "O") == "O"
        heating = self.board.phase != "defrost"
        driven = drives.valve_on != bool(unit.value("stat.reversed") and heating and drives.contactor)
        volts = (driven and not unit.value("valve.relay_open")) or bool(unit.value("valve.relay_stuck"))
        moves = volts and not unit.value("valve.coil_dead")
        wanted = moves if on else not moves
        if drives.contactor and not unit.value("valve.stuck"):
            self.shifted = wanted
        fan = bool((drives.fan or unit.value("fan.relay_stuck")) and not unit.value("fan.relay_open"))
        return Moment(
            drives.contactor,
            self.shifted,
            fan,
            drives.aux_call and not unit.value("board.no_w"),
            closed,
            self.board.phase == "defrost",
        )

    def _count(self, before: Board) -> None:
        if self.board.phase == "defrost" and before.phase != "defrost":
            self.defrosts += 1
        if self.board.timed_out > before.timed_out:
            self.ended_by_time += 1

    def _heat(self, now: Moment, seconds: float) -> None:
        """Heat and frost on the coil, the indoor coil's temperature, and what the pressure switches do about it."""
        unit, size = self.unit, self.coil.size
        share = (
            unit.value("charge", 1.0) * (0.3 if unit.value("no.flow") else 1.0) * (0.35 if unit.value("valve.half") else 1.0)
            if now.contactor
            else 0.0
        )
        air_c = celsius(self.weather.air_f)
        exchange = _INDOOR_W_K_SHARE * size.watts * (_NO_BLOWER if unit.value("blower.dead") else 1.0)
        if now.shifted:
            self.coil.melting(seconds, air_c, share, now.fan)
            indoors = -0.7 * share * size.watts
        else:
            self.coil.heating(seconds, air_c, self.weather.humidity, share, now.fan)
            indoors = share * size.watts
        self.most_frost_kg = max(self.most_frost_kg, self.coil.frost_kg)
        self.indoor_c += (indoors - exchange * (self.indoor_c - _INDOOR_C)) * seconds / (_INDOOR_J_K_SHARE * size.watts)
        self.indoor_c = min(max(self.indoor_c, -45.0), 90.0)
        self._pressures(now, seconds, share)

    def _pressures(self, now: Moment, seconds: float, share: float) -> None:
        """The switches open on pressure and hold for a while: that is how a low charge or a dead blower drops the compressor out."""
        self.tripped_s = max(self.tripped_s - seconds, 0.0)
        if not now.contactor or share <= 0:
            return
        cold = (self.indoor_c if now.shifted else self.coil.celsius) - _LIFT_K / max(share, 0.05) ** 0.5
        warm = self.coil.celsius if now.shifted else self.indoor_c
        name = self.unit.plate.refrigerant
        if pressure_psig(name, cold) < self.trips[0] or pressure_psig(name, warm) > self.trips[1]:
            self.tripped_s = _TRIP_HOLDS_S


def winter(unit: Unit, weather: Weather | None = None, frost_kg: float = 0.0) -> Winter:
    """The unit in heating in this weather, its coil as cold as it runs.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin.unit import make_unit
    >>> winter(make_unit(Plate())).coil.celsius < 0
    True
    """
    air = weather or Weather()
    size = coil_size(_WATTS_PER_A * (unit.plate.compressor.rla or 15.0))
    dirty = unit.value("coil.dirty", 1.0)
    coil = Coil(size, celsius(air.air_f) - 5.5 / dirty * unit.value("charge", 1.0), frost_kg, dirty)
    for _ in range(60):  # until it is as cold as it runs
        coil.heating(5.0, celsius(air.air_f), air.humidity, unit.value("charge", 1.0), True)
    coil.frost_kg = frost_kg
    name = unit.plate.refrigerant
    made = Winter(unit, air, coil, trips=(pressure_psig(name, _LOW_TRIPS_C), pressure_psig(name, _HIGH_TRIPS_C)))
    made.switch.closed = fahrenheit(coil.celsius) <= made.switch.closes_f
    return made


def a_day(unit: Unit, weather: Weather | None = None, hours: float = 24.0, seconds: float = 5.0) -> Winter:
    """The unit left alone in heating for a day: how often it defrosted, and how much frost it carried.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin.unit import make_unit
    >>> a_day(make_unit(Plate(defrost=Defrost(control="demand")))).defrosts > 2
    True
    """
    left = winter(unit, weather)
    for _ in range(int(hours * 3600 / seconds)):
        left.second(seconds)
    return left


def changes(before: Moment, now: Moment) -> Iterator[str]:
    """What a person beside it sees change from one second to the next, by the names of a watched defrost's events."""
    if before.switch_closed and not now.switch_closed:
        yield "switch-open"
    if before.defrosting and not now.defrosting:
        yield "ended"
    if before.contactor != now.contactor:
        yield "contactor-close" if now.contactor else "contactor-open"
    if before.shifted != now.shifted:
        yield "valve-shift" if now.shifted else "valve-back"
    if before.fan != now.fan:
        yield "fan-on" if now.fan else "fan-off"
    if before.aux != now.aux:
        yield "aux-on" if now.aux else "aux-off"
