"""A defrost board as a state machine driven by time: time-and-temperature and demand controls (handbook section 9)."""

from dataclasses import dataclass, replace
from typing import Literal

from outer_test.nameplate import Defrost, has_shift_delay
from outer_test.rules.defrost import SHIFT_DELAY_S

Phase = Literal["idle", "heating", "opening", "defrost", "closing"]
Pins = Literal["none", "force", "test"]
DEMAND_ENDS_F = 60.0  # coil temperature that ends a demand defrost [M]
# A demand board learns what its clean coil does, minutes after a defrost, and begins when the coil is colder by so much more [M].
CLEAN_F, LEARNS_S, COLDER_F, LEAST_RUN_S, FREEZING_F = 9.0, (240.0, 420.0), 7.0, 1800.0, 32.0
LEARNS_F = (4.0, 20.0)


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
    """A board's state: its phase and the seconds in it, the seconds of compressor run counted towards a defrost, the seconds
    its restart hold still runs, the defrosts ended by time in a row, whether it gave up defrosting for that, and by how many °F
    its clean coil is colder than ambient, as a demand board learned it."""

    phase: Phase = "heating"
    in_phase_s: float = 0.0
    run_s: float = 0.0
    hold_s: float = 0.0
    timed_out: int = 0
    locked_out: bool = False
    clean_f: float = CLEAN_F


@dataclass(frozen=True, slots=True)
class BoardOutput:
    """What the board drives. `valve_on` is the coil's voltage: on in defrost for an O valve, off for a B valve.

    `lights` is the light it shows, by what it says: ready, running, defrosting, waiting, locked-out.
    """

    contactor: bool
    valve_on: bool
    fan: bool
    aux_call: bool
    shifted: bool
    lights: str


def step(board: Board, seen: BoardInput, defrost: Defrost, seconds: float) -> Board:
    """The board after `seconds` more, s. Time is an input: there is no clock here.

    Begins when the run time is over and the switch is closed (time and temperature), or the coil is freezing and colder than
    a clean one would be (demand), or on the force pins; ends by temperature or at its limit. The test pins speed its clock
    up, the restart hold with it. The call lost, it drops out and holds off. Raises ValueError for negative time.
    Source: [T] common practice; constants marked [M] are this model's own assumptions.

    >>> forced = step(Board(), BoardInput(pins="force"), Defrost(control="demand"), 1)
    >>> forced.phase
    'defrost'
    """
    if seconds < 0:
        raise ValueError("time runs forward only")
    fast = defrost.speed_up if seen.pins == "test" else 1.0
    board = replace(board, in_phase_s=board.in_phase_s + seconds, hold_s=max(board.hold_s - seconds * fast, 0.0))
    if not seen.heating_call:
        return board if board.phase == "idle" else _to("idle", board, hold_s=defrost.anti_short_cycle_s)
    delay = SHIFT_DELAY_S if has_shift_delay(defrost) else 0.0
    if board.phase == "idle":
        return _to("heating", board) if board.hold_s == 0 else board
    if board.phase == "heating":
        board = _learned(replace(board, run_s=board.run_s + seconds * fast), seen)
        if _wants_defrost(board, seen, defrost):
            return _to("opening" if delay else "defrost", board, run_s=0.0)
    elif board.phase == "opening" and board.in_phase_s >= delay:
        return _to("defrost", board)
    elif board.phase == "defrost":
        return _in_defrost(board, seen, defrost, bool(delay))
    elif board.phase == "closing" and board.in_phase_s >= max(delay, defrost.fan_first_s):
        return _to("heating", board)
    return board


def _to(phase: Phase, board: Board, **more: float) -> Board:
    return replace(board, phase=phase, in_phase_s=0.0, **more)  # type: ignore[arg-type]


def _in_defrost(board: Board, seen: BoardInput, defrost: Defrost, delay: bool) -> Board:
    after: Phase = "closing" if delay or defrost.fan_first_s else "heating"
    if _warm(seen, defrost):
        return replace(_to(after, board), timed_out=0)
    if board.in_phase_s >= (defrost.limit_min or 10) * 60:
        timed_out = board.timed_out + 1
        gives_up = defrost.lockout_after is not None and timed_out >= defrost.lockout_after
        return replace(_to(after, board), timed_out=timed_out, locked_out=board.locked_out or gives_up)
    return board


def output(board: Board, seen: BoardInput, defrost: Defrost, valve: str, aux_fitted: bool) -> BoardOutput:
    """What the board drives in this state.

    >>> output(Board("defrost"), BoardInput(), Defrost(), "O", True).valve_on
    True
    """
    delayed = bool(has_shift_delay(defrost))
    defrosting = board.phase == "defrost" or (board.phase == "closing" and not delayed)
    waiting = board.phase in ("idle", "opening") or (board.phase == "closing" and delayed)
    running = seen.heating_call and board.phase != "idle"
    return BoardOutput(
        contactor=seen.heating_call and not waiting,
        valve_on=running and (defrosting if valve == "O" else not defrosting),
        fan=running and board.phase not in ("defrost", "opening"),
        aux_call=aux_fitted and running and board.phase in ("defrost", "closing"),
        shifted=running and defrosting,
        lights=_lights(board, seen),
    )


def _lights(board: Board, seen: BoardInput) -> str:
    if board.locked_out:
        return "locked-out"
    if not seen.heating_call:
        return "ready"
    return {"idle": "waiting", "heating": "running"}.get(board.phase, "defrosting")


def _learned(board: Board, seen: BoardInput) -> Board:
    """What a demand board takes for its clean coil, minutes after a defrost."""
    begins, ends = LEARNS_S
    if not begins <= board.run_s <= ends:
        return board
    least, most = LEARNS_F
    return replace(board, clean_f=min(max(seen.ambient_f - seen.coil_f, least), most))


def _wants_defrost(board: Board, seen: BoardInput, defrost: Defrost) -> bool:
    """Forced, a board that gave up tries again: that is what forcing it is for."""
    if defrost.control == "demand":
        colder = seen.ambient_f - seen.coil_f > board.clean_f + COLDER_F
        due = board.run_s >= LEAST_RUN_S and seen.coil_f < FREEZING_F and not board.locked_out
        return seen.pins == "force" or (due and colder)
    due = board.run_s >= (defrost.minutes or 90) * 60 and not board.locked_out
    return seen.switch_closed and (due or seen.pins == "force")


def _warm(seen: BoardInput, defrost: Defrost) -> bool:
    if defrost.control == "demand":
        return seen.coil_f >= DEMAND_ENDS_F
    return not seen.switch_closed
