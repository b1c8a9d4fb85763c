"""A simulated board on a simulated coil: the stand-in for a real one, with faults put in. A model assumption of ours [M]."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Literal, get_args

from outer_test.nameplate import Defrost, Plate
from outer_test.simulation.board import Board, BoardInput, BoardOutput, output, step
from outer_test.visit import DefrostEvent

Fault = Literal[
    "none", "never-starts", "fan-relay", "no-aux-call", "valve-stuck", "valve-coil-dead", "switch-stuck-closed", "sensor-drifted",
    "sensor-slipped", "low-charge", "late-end", "pressure-trip",
]  # fmt: skip
FAULTS: tuple[Fault, ...] = get_args(Fault)
ONLY_WITH: dict[str, str] = {"switch-stuck-closed": "time-temperature", "sensor-drifted": "demand", "sensor-slipped": "demand"}
MOST_S = 3000
COIL_START_F = 24.0
AIR_F = 36.0
MELT_F = 32.0
WARMING_F_S, MELT_S = 0.35, 90.0  # °F a second, and seconds that the frost holds the coil at 32 °F [M]
COIL_MOST_F = 95.0  # the coil gets no warmer than this: the heat runs off [M]
DRIFT_F = 45.0  # a drifted sensor reads this much too cold [M]


@dataclass(slots=True)
class Coil:
    """The outdoor coil: its temperature in °F and the seconds of frost still to melt."""

    coil_f: float = COIL_START_F
    frost_s: float = MELT_S

    def run(self, shifted: bool, slow: float) -> None:
        """One second: warming while shifted (held at 32 °F until the frost is gone), cooling back while heating."""
        if not shifted:
            self.coil_f = max(self.coil_f - 0.2, COIL_START_F)
        elif self.coil_f >= MELT_F and self.frost_s > 0:
            self.frost_s -= slow
        else:
            self.coil_f = min(self.coil_f + WARMING_F_S * slow, COIL_MOST_F)


@dataclass(slots=True)
class CoilSwitch:
    """A coil switch that remembers: closes cold, opens warm, °F."""

    closes_f: float
    opens_f: float
    closed: bool = True

    def follow(self, coil_f: float) -> bool:
        """Whether it is closed at this temperature."""
        if coil_f <= self.closes_f:
            self.closed = True
        elif coil_f >= self.opens_f:
            self.closed = False
        return self.closed


def simulate_defrost(plate: Plate, fault: Fault = "none") -> tuple[tuple[DefrostEvent, ...], float]:
    """One forced defrost of this unit's board with a fault put in: its events, and how long it was watched, s.

    plate: defrost control, valve, aux heat. The same state machine that a healthy board runs drives a simple coil and
    frost model. Raises ValueError for a plate without a defrost control, and for a fault its control cannot have.
    Source: [M] a model assumption of ours.

    >>> from outer_test.nameplate import AuxHeat
    >>> events, watched = simulate_defrost(Plate(defrost=Defrost(control="demand"), aux_heat=AuxHeat(kind="electric")))
    >>> [one.event for one in events][:4]
    ['forced', 'valve-shift', 'fan-off', 'aux-on']
    """
    if plate.defrost.control is None:
        raise ValueError("this plate names no defrost control")
    if not can_have(plate.defrost, fault):
        raise ValueError(f"a {plate.defrost.control} board has no such part to fail")
    events: list[DefrostEvent] = [DefrostEvent(0, "forced")]
    watched = 0.0
    for second, name in _events(plate, fault):
        if name is not None:
            events.append(DefrostEvent(float(second), name))  # type: ignore[arg-type]
        watched = float(second)
    return tuple(events), watched


def can_have(defrost: Defrost, fault: Fault) -> bool:
    """Whether this unit has the part that the fault is about.

    >>> can_have(Defrost(control="demand"), "switch-stuck-closed")
    False
    """
    return ONLY_WITH.get(fault, defrost.control) == defrost.control


def _sensed(fault: Fault, coil_f: float) -> float:
    """The coil's temperature as the board's sensor tells it, °F."""
    return {"sensor-drifted": coil_f - DRIFT_F, "sensor-slipped": AIR_F}.get(fault, coil_f)


@dataclass(slots=True)
class _Bench:
    """The unit on the bench: coil, switch, board, and what it drove a second ago."""

    plate: Plate
    fault: Fault
    coil: Coil
    switch: CoilSwitch
    board: Board
    drove: BoardOutput
    shifted: bool = False
    closed: bool = True

    def second(self, at: int) -> list[str]:
        """One second more; the names of what changed."""
        fault, defrost = self.fault, _limited(self.plate, self.fault)
        closed = fault == "switch-stuck-closed" or self.switch.follow(self.coil.coil_f)
        force = at <= 3 and fault != "never-starts"
        seen = BoardInput(True, _sensed(fault, self.coil.coil_f), AIR_F, closed, "force" if force else "none")
        self.board = step(self.board, seen, defrost, 1.0)
        now = output(self.board, seen, defrost, self.plate.valve or "O", self.plate.aux_heat.kind in ("electric", "gas"))
        shifted = now.shifted and fault not in ("valve-stuck", "valve-coil-dead")
        self.coil.run(shifted, 0.1 if fault in ("low-charge", "late-end") else 1.0)
        changes = list(_changes(self.drove, now, self.shifted, shifted, fault))
        if self.closed and not closed and defrost.control == "time-temperature":
            changes.insert(0, "switch-open")
        waits = defrost.fan_first_s and self.board.phase == "closing" and self.board.in_phase_s == 0
        if waits or (self.drove.shifted and not now.shifted):
            changes.insert(0, "ended")
        self.drove, self.shifted, self.closed = now, shifted, closed
        return changes


def _events(plate: Plate, fault: Fault) -> Iterator[tuple[int, str | None]]:
    """Second by second: the names of what changes, and None to say that time went by."""
    defrost = plate.defrost
    at_rest = output(Board(), BoardInput(), defrost, plate.valve or "O", plate.aux_heat.kind in ("electric", "gas"))
    switch = CoilSwitch(defrost.closes_f or 30.0, defrost.opens_f or 55.0)
    bench, ended_at = _Bench(plate, fault, Coil(), switch, Board(), at_rest), None
    for second in range(1, MOST_S):
        for name in dict.fromkeys(bench.second(second)):
            if name == "ended" and ended_at is not None:
                continue
            ended_at = second if name == "ended" else ended_at
            yield second, name
        if fault == "pressure-trip" and second == 40:
            yield second, "contactor-open"
        yield second, None
        if ended_at is not None and second > ended_at + 90:
            return
        if fault == "never-starts" and second > 120:
            return


def _limited(plate: Plate, fault: Fault) -> Defrost:
    return _without_limit(plate) if fault == "late-end" else plate.defrost


def _without_limit(plate: Plate) -> Defrost:
    """A board that lost its time limit: it runs twice as long."""
    return replace(plate.defrost, limit_min=(plate.defrost.limit_min or 10) * 2)


def _changes(before: BoardOutput, now: BoardOutput, was: bool, shifted: bool, fault: Fault) -> Iterator[str]:
    if before.contactor and not now.contactor:
        yield "contactor-open"
    if not before.contactor and now.contactor:
        yield "contactor-close"
    if not was and shifted:
        yield "valve-shift"
    if before.fan and not now.fan and fault != "fan-relay":
        yield "fan-off"
    if not before.aux_call and now.aux_call and fault != "no-aux-call":
        yield "aux-on"
    if not before.fan and now.fan and fault != "fan-relay":
        yield "fan-on"
    if was and not shifted:
        yield "valve-back"
    if before.aux_call and not now.aux_call and fault != "no-aux-call":
        yield "aux-off"
