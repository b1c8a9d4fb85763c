"""The line-voltage section: two rails (three on three phase) through fuse and pole, and a rung for each motor."""

from outer_test.circuit.graph import Link
from outer_test.circuit.ladder.drawn import Anchor, Shape, Words
from outer_test.circuit.ladder.pen import CAPACITOR_LEFT, CAPACITOR_RIGHT, LEFT, RIGHT, At, Pen, Side

_MIDDLE = (LEFT + RIGHT) / 2
_SOURCE, _FUSED, _LINE, _LOAD = 20.0, 52.0, 68.0, 100.0  # down the feeder: supply, after the fuse, before and after the pole
_HEAD = 106.0
_MOTOR_X, _START_X = 138.0, 186.0


def line_section(pen: Pen) -> float:
    """Draw line voltage; gives back the height."""
    legs = ("1", "2", "3") if pen.has("contactor.L3") else ("1", "2")
    rails = dict(zip(legs, (LEFT, RIGHT, _MIDDLE), strict=False))
    for leg, x in rails.items():
        _feeder(pen, leg, x)
    _ground(pen, (_MIDDLE if len(legs) == 2 else 252.0, 30.0))
    pen.rung("feeder", 0, _HEAD)
    y = _second_contactor(pen)
    y = _compressor(pen, rails, y)
    y = _start_device(pen, y)
    y = _fan(pen, y)
    for leg, x in rails.items():
        if leg != "3":
            pen.rail(f"contactor.T{leg}", (x, _LOAD), (x, y - 14))
    return y


def _feeder(pen: Pen, leg: str, x: float) -> None:
    """One leg from the supply through fuse and pole, down its rail."""
    links: dict[str, Link] = {link.a: link for link in pen.circuit.links}
    right = x >= RIGHT
    beside = x - 14 if right else x + 14
    anchor: Anchor = "end" if right else "start"
    pen.rail(f"disconnect.L{leg}", (x, _SOURCE), (x, _SOURCE + 6))
    pen.symbol(
        "disconnect", Shape.FUSE, (x, 36), (12, 20), Words(f"fuse {leg}", beside, 40, anchor, faint=True), upright=True, element=f"L{leg}"
    )
    pen.rail(f"disconnect.{leg}", (x, 46), (x, _FUSED))
    pen.wire(f"disconnect.{leg}", f"contactor.L{leg}", (x, _FUSED), (x, _LINE))
    shape = Shape.BAR if links[f"contactor.L{leg}"].kind == "bar" else Shape.CONTACT
    words = Words(f"contactor {leg}", beside + (-6 if right else 6), 88, anchor, faint=True)
    pen.symbol("contactor", shape, (x, 84), (12, _LOAD - _LINE), words, upright=True, element=f"L{leg}")
    side: Side = "right" if right else "left"
    pen.spot(f"disconnect.L{leg}", (x, _SOURCE), f"L{leg}", "above")
    pen.spot(f"disconnect.{leg}", (x, _FUSED))
    pen.spot(f"contactor.L{leg}", (x, _LINE), f"L{leg}", side)
    pen.spot(f"contactor.T{leg}", (x, _LOAD), f"T{leg}", side)


def _ground(pen: Pen, at: At) -> None:
    x, y = at
    pen.symbol("ground", Shape.GROUND, (x, y + 8), (22, 14))
    pen.spot("ground.G", (x, y), "ground", "above")


def _second_contactor(pen: Pen) -> float:
    """The high stage's contactor, fed from the first one's line side."""
    if not pen.has("contactor2.L1"):
        return _HEAD
    legs = (("1", LEFT, 1, 0.0), ("2", RIGHT, -1, 0.0), ("3", _MIDDLE, 1, 26.0))
    for leg, x, way, lower in legs[: 3 if pen.has("contactor2.L3") else 2]:
        y = _HEAD + 22 + lower
        near, far = x + way * 44, x + way * 82
        pen.wire(f"contactor.L{leg}", f"contactor2.L{leg}", (x, _LINE), (x + way * 20, _LINE), (x + way * 20, y), (near, y))
        pen.contact("contactor2", f"L{leg}", (min(near, far), max(near, far)), y, f"second {leg}", 10)
        pen.spot(f"contactor2.L{leg}", (near, y))
        pen.spot(f"contactor2.T{leg}", (far, y))
    pen.rung("second contactor", _HEAD, y + 18)
    return y + 18


def _compressor(pen: Pen, rails: dict[str, float], top: float) -> float:
    if pen.circuit.part("drive") is not None:
        return _inverter(pen, top)
    detail = pen.part("compressor").detail
    words = (Words("compr.", _MOTOR_X, top + 38), Words("" if detail == "compressor" else detail, _MOTOR_X, top + 54, faint=True))
    y, radius = top + 40, 34.0
    if pen.has("compressor.T1"):
        _three_phase(pen, rails, y)
        return y + 56
    pen.symbol("compressor", Shape.MOTOR, (_MOTOR_X, y), (2 * radius, 2 * radius), *words)
    c, r, s = (_MOTOR_X - radius, y), (_MOTOR_X + radius, y), (_MOTOR_X + 21, y + 27)
    pen.wire("contactor.T1", "compressor.C", (LEFT, y), c)
    pen.wire("contactor.T2", "compressor.R", r, (RIGHT, y))
    if pen.has("compressor.2"):
        two = (_MOTOR_X - 14, y - 31)
        pen.wire("contactor2.T1", "compressor.2", (LEFT + 82, _HEAD + 22), (two[0], _HEAD + 22), two)
        pen.spot("compressor.2", two, "2", "left")
    pen.spot("compressor.C", c, "C", "aside left")
    pen.spot("compressor.R", r, "R", "aside right")
    _pipe(pen, (LEFT + 40, y + 28))
    bottom = y + 58
    if pen.has("compressor.S"):
        pen.spot("compressor.S", s, "S", "left")
        if _carrier(pen, "HERM"):
            _capacitor(pen, "HERM", "compressor.S", s, y + 50)
            bottom = y + 70
    pen.rung("compressor", top, bottom)
    return bottom


def _pipe(pen: Pen, at: At) -> None:
    """Bare metal beside a motor, which is ground."""
    x, y = at
    pen.symbol("ground", Shape.GROUND, (x, y + 8), (22, 14), Words("bare pipe", x, y + 30, faint=True))
    pen.spot("ground.G", (x, y))


def _three_phase(pen: Pen, rails: dict[str, float], y: float) -> None:
    pen.symbol(
        "compressor",
        Shape.MOTOR,
        (_MIDDLE, y + 14),
        (68, 68),
        Words("compr.", _MIDDLE, y + 12),
        Words("3 phase", _MIDDLE, y + 28, faint=True),
    )
    ends = {"1": ((LEFT, y + 14), (_MIDDLE - 34, y + 14)), "2": ((RIGHT, y + 14), (_MIDDLE + 34, y + 14))}
    for leg, (rail, terminal) in ends.items():
        pen.wire(f"contactor.T{leg}", f"compressor.T{leg}", rail, terminal)
        pen.spot(f"compressor.T{leg}", terminal, f"T{leg}", "aside left" if leg == "1" else "aside right")
    top = (rails["3"], y - 20)
    pen.wire("contactor.T3", "compressor.T3", (rails["3"], _LOAD), top)
    pen.spot("compressor.T3", top, "T3", "right")
    _pipe(pen, (LEFT + 40, y + 28))
    pen.rung("compressor", y - 48, y + 56)


def _inverter(pen: Pen, top: float) -> float:
    y, drive, motor = top + 48, 112.0, 250.0
    pen.symbol(
        "drive", Shape.BOX, (drive, y), (84, 72), Words("motor module", drive, y - 4), Words("d.c. bus inside", drive, y + 12, faint=True)
    )
    pen.symbol("compressor", Shape.MOTOR, (motor, y), (72, 72), Words("compr.", motor, y - 2), Words("inverter", motor, y + 14, faint=True))
    pen.wire("contactor.T1", "drive.L1", (LEFT, y), (drive - 42, y))
    pen.spot("drive.L1", (drive - 42, y), "L1", "above")
    pen.wire("contactor.T2", "drive.L2", (RIGHT, y + 50), (drive, y + 50), (drive, y + 36))
    pen.spot("drive.L2", (drive, y + 36), "L2", "left")
    for terminal, rise in (("U", -20.0), ("V", 0.0), ("W", 20.0)):
        reach = (36**2 - rise**2) ** 0.5
        pen.wire(f"drive.{terminal}", f"compressor.{terminal}", (drive + 42, y + rise), (motor - reach, y + rise))
        pen.spot(f"drive.{terminal}", (drive + 42, y + rise))
        pen.spot(f"compressor.{terminal}", (motor - reach, y + rise), terminal, "right")
    pen.rung("compressor", top, y + 62)
    return y + 62


def _carrier(pen: Pen, section: str) -> str:
    """The capacitor that serves a section, or nothing."""
    return next((part.name for part in pen.circuit.parts if "capacitor" in part.kind and section in part.terminals), "")


def _capacitor(pen: Pen, section: str, motor: str, start: At, y: float) -> None:
    """A section from its motor's start winding to the right rail."""
    part = _carrier(pen, section)
    label = pen.part(part).label
    both = label.removesuffix(" µF").split(" + ")
    value = f"{both[-1] if section == 'FAN' else both[0]} µF"
    x = (CAPACITOR_LEFT + CAPACITOR_RIGHT) / 2
    words = Words(value, x, y + 5, figure=True)
    pen.symbol(part, Shape.CAPACITOR, (x, y), (CAPACITOR_RIGHT - CAPACITOR_LEFT, 28), words, element=section)
    pen.wire(f"{part}.{section}", motor, start, (start[0], y), (CAPACITOR_LEFT, y))
    pen.wire("contactor.T2", f"{part}.C", (CAPACITOR_RIGHT, y), (RIGHT, y))
    pen.spot(f"{part}.{section}", (CAPACITOR_LEFT, y), section, "over")
    pen.spot(f"{part}.C", (CAPACITOR_RIGHT, y), "C", "over")


def _start_device(pen: Pen, top: float) -> float:
    """A potential relay with its start capacitor, or a two-wire kit, between HERM and C."""
    carrier = _carrier(pen, "HERM")
    if not pen.has("relay.2") and not pen.has("start_kit.1"):
        return top
    y = top + 24
    herm, common = (_START_X, top - 20), (308.0, top - 20)
    x = (CAPACITOR_LEFT + CAPACITOR_RIGHT) / 2 + 12
    left, right = x - 36, x + 36
    if pen.has("start_kit.1"):
        pen.symbol("start_kit", Shape.BOX, (x, y), (72, 28), Words("start kit", x, y + 5))
        pen.wire(f"{carrier}.HERM", "start_kit.2", herm, (_START_X, y), (left, y))
        pen.wire(f"{carrier}.C", "start_kit.1", common, (common[0], y), (right, y))
        pen.spot("start_kit.2", (left, y))
        pen.spot("start_kit.1", (right, y))
    else:
        pen.symbol("relay", Shape.COIL, (90, y), (30, 30), Words("relay", 90, y + 30, faint=True))
        pen.wire("relay.5", "contactor.T1", (75, y), (LEFT, y))
        pen.spot("relay.5", (75, y), "5", "above")
        pen.rail("relay.2", (105, y), (_START_X - 28, y))
        node = (_START_X - 28, y)
        pen.wire(f"{carrier}.HERM", "relay.2", herm, (_START_X, y - 14), (node[0], y - 14), node)
        pen.spot("relay.2", node, "2", "left")
        pen.contact("relay", "2", (node[0], node[0] + 38), y)
        one = (node[0] + 38, y)
        pen.wire("start_capacitor.1", "relay.1", (left, y), one)
        pen.spot("relay.1", one, "1", "below")
        label = pen.part("start_capacitor").label
        pen.symbol(
            "start_capacitor", Shape.CAPACITOR, (x, y), (72, 28), Words(label, x, y + 5, figure=True), Words("start", x, y + 28, faint=True)
        )
        pen.wire(f"{carrier}.C", "start_capacitor.2", common, (common[0], y), (right, y))
        pen.spot("start_capacitor.1", (left, y))
        pen.spot("start_capacitor.2", (right, y))
    pen.rung("start device", top - 30, y + 36)
    return y + 36


def _fan(pen: Pen, top: float) -> float:
    y, radius = top + 34, 26.0
    detail = pen.part("fan").detail
    words = (Words("fan", _MOTOR_X, y + (0 if detail else 4)), Words(detail, _MOTOR_X, y + 15, faint=True))
    pen.symbol("fan", Shape.MOTOR, (_MOTOR_X, y), (2 * radius, 2 * radius), *words)
    c, r = (_MOTOR_X - radius, y), (_MOTOR_X + radius, y)
    f1, f2 = (54.0, y), (88.0, y)
    pen.wire("contactor.T1", "board.F1", (LEFT, y), f1)
    pen.contact("board", "F1", (f1[0], f2[0]), y, "board", 22)
    pen.wire("board.F2", "fan.C", f2, c)
    pen.spot("board.F1", f1, "F1", "below")
    pen.spot("board.F2", f2, "F2", "below")
    pen.wire("contactor.T2", "fan.R", r, (RIGHT, y))
    pen.spot("fan.C", c, "C", "aside left")
    pen.spot("fan.R", r, "R", "aside right")
    _pipe(pen, (LEFT + 46, y + 26))
    bottom = y + 60
    if pen.has("fan.S"):
        s = (_MOTOR_X + 16, y + 20)
        pen.spot("fan.S", s, "S", "left")
        _capacitor(pen, "FAN", "fan.S", s, y + 40)
    pen.rung("fan", top, bottom)
    return bottom
