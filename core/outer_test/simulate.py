"""A simulated board on a simulated coil: the stand-in for a real one, with faults put in. A model assumption of ours [M]."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Literal, get_args

from outer_test.board import Board, BoardInput, BoardOutput, output, step
from outer_test.plate import Defrost, Plate
from outer_test.visit import DefrostEvent

Fault = Literal[
    "none", "never-starts", "fan-relay", "no-aux-call", "valve-stuck", "switch-stuck-closed", "low-charge", "late-end", "pressure-trip"
]
FAULTS: tuple[Fault, ...] = get_args(Fault)
MOST_S = 1500
COIL_START_F = 24.0
MELT_F = 32.0
WARMING_F_S, MELT_S = 0.35, 90.0  # °F a second, and seconds that the frost holds the coil at 32 °F [M]


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
            self.coil_f += WARMING_F_S * slow


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
    frost model. Raises ValueError for a plate without a defrost control. Source: [M] a model assumption of ours.

    >>> from outer_test.plate import AuxHeat
    >>> events, watched = simulate_defrost(Plate(defrost=Defrost(control="demand"), aux_heat=AuxHeat(kind="electric")))
    >>> [one.event for one in events][:4]
    ['forced', 'valve-shift', 'fan-off', 'aux-on']
    """
    if plate.defrost.control is None:
        raise ValueError("this plate names no defrost control")
    events: list[DefrostEvent] = [DefrostEvent(0, "forced")]
    watched = 0.0
    for second, name in _events(plate, fault):
        if name is not None:
            events.append(DefrostEvent(float(second), name))  # type: ignore[arg-type]
        watched = float(second)
    return tuple(events), watched


def _events(plate: Plate, fault: Fault) -> Iterator[tuple[int, str | None]]:
    """Second by second: the names of what changes, and None to say that time went by."""
    defrost, valve = plate.defrost, plate.valve or "O"
    aux = plate.aux_heat.kind in ("electric", "gas")
    coil = Coil()
    switch = CoilSwitch(defrost.closes_f or 30.0, defrost.opens_f or 55.0)
    slow = 0.1 if fault in ("low-charge", "late-end") else 1.0
    board, shifted_before, ended_at = Board(), False, None
    before = output(board, BoardInput(), defrost, valve, aux)
    closed_before = True
    for second in range(1, MOST_S):
        closed = True if fault == "switch-stuck-closed" else switch.follow(coil.coil_f)
        force = second <= 3 and fault != "never-starts"
        seen = BoardInput(True, coil.coil_f, 36.0, closed, "force" if force else "none")
        limited = defrost if fault != "late-end" else _without_limit(plate)
        board = step(board, seen, limited, 1.0)
        now = output(board, seen, defrost, valve, aux)
        shifted = now.shifted and fault != "valve-stuck"
        coil.run(shifted, slow)
        changes = list(_changes(before, now, shifted_before, shifted, fault))
        if closed_before and not closed and defrost.control == "time-temperature":
            changes.insert(0, "switch-open")
        if before.shifted and not now.shifted:
            changes.insert(0, "ended")
        if defrost.fan_first_s and board.phase == "closing" and board.in_phase_s == 0:
            changes.insert(0, "ended")
        for name in dict.fromkeys(changes):
            if name == "ended" and ended_at is not None:
                continue
            ended_at = second if name == "ended" else ended_at
            yield second, name
        if fault == "pressure-trip" and second == 40:
            yield second, "contactor-open"
        before, shifted_before, closed_before = now, shifted, closed
        yield second, None
        if ended_at is not None and second > ended_at + 90:
            return
        if fault == "never-starts" and second > 120:
            return


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
