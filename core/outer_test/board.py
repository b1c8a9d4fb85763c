"""A defrost board as a state machine driven by time: time-and-temperature and demand controls (handbook section 9)."""

from dataclasses import dataclass, replace
from typing import Literal

from outer_test.defrost_run import SHIFT_DELAY_S
from outer_test.plate import Defrost

Phase = Literal["heating", "opening", "defrost", "closing"]
Pins = Literal["none", "force", "test"]
SPEED_UP = 256.0  # how much faster the clock runs on the test pins [M]
DEMAND_GAP_F = 15.0  # coil colder than ambient by more than a clean coil would be [M]
DEMAND_ENDS_F = 60.0  # coil temperature that ends a demand defrost [M]


@dataclass(frozen=True, slots=True)
class BoardInput:
    """What the board sees: the heating call, coil and outdoor temperature in °F, its switch, and the pins."""

    heating_call: bool = True
    coil_f: float = 40.0
    ambient_f: float = 40.0
    switch_closed: bool = False
    pins: Pins = "none"


@dataclass(frozen=True, slots=True)
class Board:
    """A board's state: its phase, seconds in it, seconds of compressor run counted, and the fan's own return."""

    phase: Phase = "heating"
    in_phase_s: float = 0.0
    run_s: float = 0.0


@dataclass(frozen=True, slots=True)
class BoardOutput:
    """What the board drives. `valve_on` is the coil's voltage: on in defrost for an O valve, off for a B valve."""

    contactor: bool
    valve_on: bool
    fan: bool
    aux_call: bool
    shifted: bool


def step(board: Board, seen: BoardInput, defrost: Defrost, seconds: float) -> Board:
    """The board after `seconds` more, s. Time is an input: there is no clock here.

    Begins when the run time is over and the switch is closed (time and temperature), or the coil is far below ambient
    (demand), or on the force pins; ends by temperature or at its limit. Raises ValueError for negative time.
    Source: [T] common practice; constants marked [M] are this model's own assumptions.

    >>> forced = step(Board(), BoardInput(pins="force"), Defrost(control="demand"), 1)
    >>> forced.phase
    'defrost'
    """
    if seconds < 0:
        raise ValueError("time runs forward only")
    if not seen.heating_call:
        return Board(run_s=board.run_s)
    board = replace(board, in_phase_s=board.in_phase_s + seconds)
    delay = SHIFT_DELAY_S if defrost.shift_delay else 0.0
    if board.phase == "heating":
        fast = SPEED_UP if seen.pins == "test" else 1.0
        board = replace(board, run_s=board.run_s + seconds * fast)
        if _wants_defrost(board, seen, defrost):
            return Board("opening" if delay else "defrost")
    elif board.phase == "opening" and board.in_phase_s >= delay:
        return Board("defrost")
    elif board.phase == "defrost" and _ends(board, seen, defrost):
        return Board("closing") if delay or defrost.fan_first_s else Board()
    elif board.phase == "closing" and board.in_phase_s >= max(delay, defrost.fan_first_s):
        return Board()
    return board


def output(board: Board, seen: BoardInput, defrost: Defrost, valve: str, aux_fitted: bool) -> BoardOutput:
    """What the board drives in this state.

    >>> output(Board("defrost"), BoardInput(), Defrost(), "O", True).valve_on
    True
    """
    defrosting = board.phase == "defrost" or (board.phase == "closing" and not defrost.shift_delay)
    waiting = board.phase == "opening" or (board.phase == "closing" and bool(defrost.shift_delay))
    return BoardOutput(
        contactor=seen.heating_call and not waiting,
        valve_on=defrosting if valve == "O" else not defrosting,
        fan=seen.heating_call and board.phase != "defrost" and board.phase != "opening",
        aux_call=aux_fitted and board.phase in ("defrost", "closing"),
        shifted=defrosting,
    )


def _wants_defrost(board: Board, seen: BoardInput, defrost: Defrost) -> bool:
    if defrost.control == "demand":
        return seen.pins == "force" or seen.ambient_f - seen.coil_f > DEMAND_GAP_F
    due = board.run_s >= (defrost.minutes or 90) * 60
    return seen.switch_closed and (due or seen.pins == "force")


def _ends(board: Board, seen: BoardInput, defrost: Defrost) -> bool:
    if board.in_phase_s >= (defrost.limit_min or 10) * 60:
        return True
    if defrost.control == "demand":
        return seen.coil_f >= DEMAND_ENDS_F
    return not seen.switch_closed
