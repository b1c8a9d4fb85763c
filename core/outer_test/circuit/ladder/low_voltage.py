"""The 24 V section: R at the left, C at the right, and a rung for each thing that low voltage moves."""

from outer_test.circuit.ladder.drawn import Shape, Words
from outer_test.circuit.ladder.pen import LEFT, RIGHT, At, Pen

_STEP = 46.0
_SUPPLY, _BOARD = 20.0, 54.0
_CALL, _AT_BOARD, _FROM_BOARD, _LOAD_X = (54.0, 92.0), 142.0, 196.0, 274.0


def control_section(pen: Pen) -> float:
    """Draw 24 V; gives back the height."""
    y = _supply(pen) + 36
    y = _call(pen, "Y", "contactor", y)
    if pen.has("contactor2.A"):
        y = _call(pen, "Y2", "contactor2", y)
    y = _valve(pen, y)
    y = _aux(pen, y)
    if pen.has("board.D1"):
        y = _switch(pen, y)
    elif pen.has("board.CS"):
        y = _sensors(pen, y)
    bottom = y - _STEP + 24
    pen.rail("indoor.R", (LEFT, _SUPPLY), (LEFT, bottom))
    pen.rail("board.C", (RIGHT, _BOARD), (RIGHT, bottom))
    return bottom + 8


def _supply(pen: Pen) -> float:
    """The transformer indoors, and where R and C reach the board."""
    middle = (LEFT + RIGHT) / 2
    pen.box("indoor", (middle, _SUPPLY), 120, "24 V, indoors")
    pen.rail("indoor.R", (LEFT, _SUPPLY), (middle - 60, _SUPPLY))
    pen.rail("indoor.C", (middle + 60, _SUPPLY), (RIGHT, _SUPPLY))
    pen.spot("indoor.R", (LEFT, _SUPPLY), "R", "left")
    pen.spot("indoor.C", (RIGHT, _SUPPLY), "C", "right")
    board = (LEFT + 62, RIGHT - 62)
    pen.box("board", (middle, _BOARD), board[1] - board[0], "defrost board")
    pen.wire("indoor.R", "board.R", (LEFT, _BOARD), (board[0], _BOARD))
    pen.wire("indoor.C", "board.C", (RIGHT, _SUPPLY), (RIGHT, _BOARD), (board[1], _BOARD))
    pen.spot("board.R", (board[0], _BOARD), "R", "aside left")
    pen.spot("board.C", (board[1], _BOARD), "C", "aside right")
    pen.rung("supply", 0, _BOARD + 24)
    return _BOARD + 10


def _call(pen: Pen, call: str, contactor: str, y: float) -> float:
    """The thermostat's call through the board to a contactor's coil."""
    end = _thermostat(pen, call, y)
    coil = (_LOAD_X - 15, _LOAD_X + 15)
    if call == "Y":
        _through_board(pen, "Y", "YO", y)
        pen.wire("indoor.Y", "board.Y", (end, y), (_AT_BOARD, y))
        pen.wire("board.YO", f"{contactor}.A", (_FROM_BOARD, y), (coil[0], y))
    else:
        pen.wire(f"indoor.{call}", f"{contactor}.A", (end, y), (coil[0], y))
    pen.wire(f"{contactor}.B", "board.C", (coil[1], y), (RIGHT, y))
    title = "second contactor coil" if contactor == "contactor2" else "contactor coil"
    _coil(pen, contactor, title, y)
    pen.spot(f"{contactor}.A", (coil[0], y), "A", "aside left")
    pen.spot(f"{contactor}.B", (coil[1], y), "B", "aside right")
    pen.rung(f"call {call}", y - 36, y + 16)
    return y + _STEP


def _thermostat(pen: Pen, call: str, y: float) -> float:
    """A call of the thermostat from the rail; gives back where it ends."""
    start, end = _CALL
    pen.contact("indoor", call, _CALL, y, f"thermostat {call}")
    pen.rail("indoor.R", (LEFT, y), (start, y))
    pen.spot(f"indoor.{call}", (end, y))
    return end


def _coil(pen: Pen, part: str, title: str, y: float) -> None:
    pen.symbol(part, Shape.COIL, (_LOAD_X, y), (30, 30), Words(title, _LOAD_X, y - 20, faint=True))


def _through_board(pen: Pen, into: str, out: str, y: float) -> None:
    words = {"YO": "Y out"}.get(out, out)
    middle = (_AT_BOARD + _FROM_BOARD) / 2
    pen.box("board", (middle, y), _FROM_BOARD - _AT_BOARD, "board")
    pen.spot(f"board.{into}", (_AT_BOARD, y), into, "aside left")
    if out != into:
        pen.spot(f"board.{out}", (_FROM_BOARD, y), words, "aside right")


def _valve(pen: Pen, y: float) -> float:
    letter = next(name for name in ("O", "B") if pen.has(f"board.{name}"))
    end = _thermostat(pen, letter, y)
    _through_board(pen, letter, letter, y)
    pen.wire(f"indoor.{letter}", f"board.{letter}", (end, y), (_AT_BOARD, y))
    ends = (_LOAD_X - 15, _LOAD_X + 15)
    pen.wire(f"board.{letter}", "valve.1", (_FROM_BOARD, y), (ends[0], y))
    pen.wire("valve.2", "board.C", (ends[1], y), (RIGHT, y))
    _coil(pen, "valve", "reversing valve", y)
    pen.spot("valve.1", (ends[0], y))
    pen.spot("valve.2", (ends[1], y))
    pen.rung("valve", y - 36, y + 16)
    return y + _STEP


def _aux(pen: Pen, y: float) -> float:
    """The board's own call for aux heat, where there is any."""
    if not pen.has("board.W"):
        return y
    _through_board(pen, "W", "W", y)
    pen.rail("board.R", (LEFT, y), (_AT_BOARD, y))
    x = _LOAD_X
    pen.box("indoor", (x, y), 64, "aux heat")
    pen.wire("indoor.W", "board.W", (_FROM_BOARD, y), (x - 32, y))
    pen.rail("board.C", (x + 32, y), (RIGHT, y))
    pen.spot("indoor.W", (x - 32, y))
    pen.rung("aux", y - 22, y + 18)
    return y + _STEP


def _switch(pen: Pen, y: float) -> float:
    middle = (LEFT + RIGHT) / 2
    for terminal, end, way in (("D1", "1", -1), ("D2", "2", 1)):
        at, near = middle + way * 96, middle + way * 22
        pen.box("board", (at + way * 16, y), 32, terminal)
        pen.wire(f"board.{terminal}", f"coil_switch.{end}", (at, y), (near, y))
        pen.spot(f"board.{terminal}", (at, y))
        pen.spot(f"coil_switch.{end}", (near, y))
    pen.contact("coil_switch", "1", (middle - 22, middle + 22), y, "coil switch", 18)
    pen.rung("switch", y - 30, y + 18)
    return y + _STEP


def _sensors(pen: Pen, y: float) -> float:
    for name, end, label in (("coil_sensor", "CS", "coil sensor"), ("ambient_sensor", "AS", "ambient sensor")):
        y = _sensor(pen, name, end, label, y)
    return y


def _sensor(pen: Pen, name: str, end: str, label: str, y: float) -> float:
    at: At = (88.0, y)
    x = 190.0
    pen.box("board", (66, y), 44, "board")
    pen.wire(f"board.{end}", f"{name}.1", at, (x - 48, y))
    pen.box(name, (x, y), 96, label)
    pen.wire(f"{name}.2", "board.C", (x + 48, y), (RIGHT, y))
    pen.spot(f"board.{end}", at)
    pen.spot(f"{name}.1", (x - 48, y))
    pen.spot(f"{name}.2", (x + 48, y))
    pen.rung(name, y - 22, y + 18)
    return y + _STEP
