"""What a meter and a pair of eyes find on a unit in one state: every point in the set-up that it asks for.

Dead work is on parts with their wires off; live work with the call on, the line on, and nothing on the not-put-back list.
Numbers are exact, in the unit of the point; `inf` is an open line (OL).
"""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from outer_test.twin.breaker import closed, holds, trips
from outer_test.twin.control import METER_S, Control, ControlState, armature
from outer_test.twin.dead_reads import Value, dead_reads
from outer_test.twin.line import LineState, Solved, solve_line
from outer_test.twin.starting import Start, fan_slip, start
from outer_test.twin.unit import FUSE, POLE, WHIP, Unit

_TURNS, _SLOW = 0.5, 0.14  # slips of a fan that turns at all, and of one that is seen to be slow
_NO_FEED = 0.03  # of its rated amps: it is not fed


# Figures of the low-voltage side and of the defrost: they move the line side only by what its contactors do.
_NOT_OF_THE_LINE = (
    "transformer", "indoor", "stat", "board.Y", "board.ohm", "board.no_w", "board.never", "board.timer",
    "board valve", "valve", "switch", "sensor", "ambient", "contactor.coil", "contactor2.coil",
    "contactor.stuck", "contactor.pull_in", "charge", "coil.dirty", "float", "pressure", "element", "blower", "wire.chafed", "harness",
    "no.flow", "cap.case", "heater.ground",
)  # fmt: skip

_FIRST_OF_THREE = "contactor.T1–compressor.T1"


@dataclass(frozen=True, slots=True)
class LineSide:
    """The line side of a unit that is called: how its start went, what came of it, how it stood before its rotor turned, how it then
    stands, and how it stood with no call.
    """

    start: Start | None
    outcome: str
    at_rest: Solved
    standing: Solved
    idle: Solved


@dataclass(frozen=True, slots=True)
class LowVoltage:
    """The low-voltage side of a unit that is called: what each contactor does, and what every point of it reads."""

    first: str
    second: str
    reads: Mapping[str, Value]

    @property
    def shut(self) -> tuple[str, ...]:
        """The contactors that are in."""
        return tuple(name for name, does in (("contactor", self.first), ("contactor2", self.second)) if does == "in")


@dataclass(frozen=True, slots=True)
class Known:
    """Both sides as they were solved before, of one plate: most faults change only one of them."""

    low: dict[tuple[object, ...], LowVoltage] = field(default_factory=dict)
    lines: dict[tuple[object, ...], LineSide] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Behaviour:
    """A unit switched on: its two sides, and what came of its start."""

    low: LowVoltage
    line: LineSide
    outcome: str


def behave(unit: Unit, known: Known | None = None) -> Behaviour:
    """Call for it, with the line on. known: sides solved before, of this very plate, to be used again.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin.unit import make_unit
    >>> behave(make_unit(Plate())).outcome
    'started'
    """
    known = Known() if known is None else known
    key = tuple(_low_voltage_figures(unit))
    if key not in known.low:
        known.low[key] = _low_side(unit)
    low = known.low[key]
    at_line = (low.shut, *sorted(item for item in unit.values.items() if not item[0].startswith(_NOT_OF_THE_LINE)))
    if at_line not in known.lines:
        known.lines[at_line] = _line_side(unit, low.shut)
    line = known.lines[at_line]
    return Behaviour(low, line, "chatters" if low.first == "chatters" else line.outcome)


def _low_side(unit: Unit) -> LowVoltage:
    two = unit.plate.compressor.stages == 2
    asked = ControlState(second_stage=two)
    first, second = armature(unit, "contactor", asked), armature(unit, "contactor2", asked) if two else "out"
    low = LowVoltage(first, second, {})
    return replace(low, reads=_control(unit, low, Control(unit, replace(asked, armatures=low.shut))))


def _line_side(unit: Unit, shut: tuple[str, ...]) -> LineSide:
    idle = solve_line(unit, LineState((), 1.0, 1.0), {"disconnect.1": METER_S, "disconnect.2": METER_S})
    if unit.compressor is not None:
        own = start(unit, shut)
        standing = own.running or solve_line(unit, LineState(shut, 1.0, fan_slip(unit, _fan_volts(own.standing))))
        return LineSide(own, "tripped" if trips(unit, own.standing) else own.outcome, own.standing, standing, idle)
    rest = solve_line(unit, LineState(shut, 1.0, 1.0))
    turns = _turns(unit, rest)
    standing = solve_line(unit, LineState(shut, 0.03 if turns else 1.0, fan_slip(unit, _fan_volts(rest))))
    return LineSide(None, "started" if turns else "hummed" if _hums(unit, rest) else "nothing", rest, standing, idle)


def _fan_volts(solved: Solved) -> float:
    return solved.across("fan.C", "fan.R")


def _turns(unit: Unit, solved: Solved) -> bool:
    """Whether a compressor with no capacitor starts: an inverter with its bus fed, three phases all there and no locked rotor."""
    if (
        (unit.value("drive.dead") and unit.plate.compressor.kind == "inverter")
        or unit.value("compressor.rest", 1.0) > 2
        or unit.value("compressor.overload") > 1
    ):
        return False
    least = 0.7 * unit.volts
    whole = all(unit.value(f"winding {pair}") < 1 for pair in ("T1–T2", "T2–T3", "T1–T3"))
    if unit.plate.phase == 3:
        return whole and min(_legs(solved)) > least
    return whole and solved.across("drive.L1", "drive.L2") > least


def _hums(unit: Unit, solved: Solved) -> bool:
    return unit.plate.phase == 3 and max(_legs(solved)) > 0.5 * unit.volts and not unit.value("compressor.overload") > 1


def _legs(solved: Solved) -> tuple[float, float, float]:
    ends = ("compressor.T1", "compressor.T2", "compressor.T3")
    return (solved.across(ends[0], ends[1]), solved.across(ends[1], ends[2]), solved.across(ends[0], ends[2]))


def shown(unit: Unit, known: Known | None = None) -> dict[str, Value]:
    """What every point reads on this unit, in the set-up the point asks for. known: as in `behave`.

    >>> from outer_test.nameplate import Compressor, Plate
    >>> from outer_test.twin.unit import make_unit
    >>> reads = shown(make_unit(Plate(compressor=Compressor(rla=17.9, lra=96))))
    >>> reads["start.result"], 12 < reads["amps.compressor.run_a"] < 16
    ('started', True)
    """
    on = behave(unit, known)
    return {**dead_reads(unit), **_line(unit, on), **on.low.reads, **_running(unit, on), **_closed_once(unit, known)}


def _closed_once(unit: Unit, known: Known | None) -> dict[str, Value]:
    """With a tripped breaker, what closing it once shows: nothing else on the line tells anything before."""
    if not unit.value("breaker.tripped"):
        return {}
    again = closed(unit)
    on = behave(again, known)
    peak = _peak_a(again, on.line)
    reads: dict[str, Value] = {"line.reset": "holds" if holds(again, on.outcome == "tripped", peak or 0.0) else "trips"}
    return reads if peak is None else reads | {"amps.compressor.peak_a": peak}


def _peak_a(unit: Unit, line: LineSide) -> float | None:
    """Its start's peak, A; None of an inverter, which draws none."""
    if line.start is not None:
        return line.start.peak_a
    return line.at_rest.through(_FIRST_OF_THREE, "lead") if unit.plate.phase == 3 else None


def _low_voltage_figures(unit: Unit) -> list[tuple[str, float]]:
    """What of a unit's figures the low voltage depends on."""
    own = {wire.name for wire in unit.circuit.wires if wire.group == "control"}
    return sorted(item for item in unit.values.items() if item[0] in own or item[0].startswith(_NOT_OF_THE_LINE))


def _line(unit: Unit, on: Behaviour) -> dict[str, Value]:
    now = on.line.standing
    tripped = "tripped" if unit.value("breaker.tripped") else "off" if unit.value("breaker.off") else "on"
    reads: dict[str, Value] = {
        "line.breaker": tripped,
        "line.disconnect.v": now.across("disconnect.L1", "disconnect.L2"),
        "line.l1_l2.v": now.across("disconnect.1", "disconnect.2"),
        "line.l1_ground.v": now.across("disconnect.1", "ground.G"),
        "line.l2_ground.v": now.across("disconnect.2", "ground.G"),
        "line.l1_ground.v idle": on.line.idle.across("disconnect.1", "ground.G"),
        "line.l2_ground.v idle": on.line.idle.across("disconnect.2", "ground.G"),
        "contactor.line.v": now.across("contactor.L1", "contactor.L2"),
        "contactor.load.v": now.across("contactor.T1", "contactor.T2"),
        "line.fuse1.v": _across_fuse(unit, now, 1),
        "line.fuse2.v": _across_fuse(unit, now, 2),
    }
    if unit.plate.phase == 3:
        reads["line.l2_l3.v"] = now.across("disconnect.2", "disconnect.3")
        reads["line.l1_l3.v"] = now.across("disconnect.1", "disconnect.3")
    for leg in (1, 2, 3) if unit.plate.phase == 3 else (1, 2):
        reads[f"contactor.pole{leg}.drop_v"] = now.across(*POLE[leg].split("–"))
        reads[f"contactor.pole{leg}.a"] = now.through(WHIP[leg])
    if any(link.a == HIGH_STAGE for link in unit.circuit.links):  # fed through the first pole
        reads["contactor2.pole1.drop_v"] = now.across("contactor2.L1", "contactor2.T1")
        reads["contactor2.pole1.a"] = now.through("contactor.L1–contactor2.L1")
    return reads


def _across_fuse(unit: Unit, now: Solved, leg: int) -> float:
    """Volts across a fuse by itself, less what its blade in the disconnect keeps."""
    fuse, blade = unit.ohm(FUSE[leg], "fuse"), unit.value(f"blade {FUSE[leg]}")
    return now.across(*FUSE[leg].split("–")) * fuse / (fuse + blade)


HIGH_STAGE = "compressor.2"
# Where low voltage is read; on two-stage units at the second contactor too.
_LOW_POINTS = {
    "control.r_c.v": ("transformer.R", "transformer.C"), "control.stat_r_c.v": ("indoor.R", "indoor.C"),
    "control.stat_y.v": ("stat.Y", "indoor.C"), "contactor.coil.v": ("contactor.A", "contactor.B"),
    "control.y_in.v": ("board.Y", "board.C"), "control.y_out.v": ("board.YO", "board.C"), "defrost.control.v": ("board.R", "board.C"),
}  # fmt: skip
_SECOND_POINTS = {"contactor2.coil.v": ("contactor2.A", "contactor2.B")}


def _control(unit: Unit, low: LowVoltage, control: Control) -> dict[str, Value]:
    two = unit.plate.compressor.stages == 2
    return {
        "contactor.armature": low.first,
        "control.float": "open" if unit.value("float.open") else "closed",
        "control.pressure": "open" if unit.value("pressure.open") else "closed",
        **({"contactor2.armature": low.second} if two else {}),
        **control.reads_at({**_LOW_POINTS, **(_SECOND_POINTS if two else {})}),
    }


def _running(unit: Unit, on: Behaviour) -> dict[str, Value]:
    now, own = on.line.standing, on.line.start
    reads: dict[str, Value] = {"start.result": on.outcome}
    if (peak := _peak_a(unit, on.line)) is not None:
        reads["amps.compressor.peak_a"] = peak
        reads["line.starting.v"] = on.line.at_rest.across("contactor.T1", "contactor.T2")
    if own is not None:
        reads["start.margin"] = own.margin
        if own.seconds is not None:
            reads["amps.compressor.start_s"] = own.seconds
            if wire := _start_wire(unit):
                reads["amps.kit.a"] = now.through(wire)
        main, second = now.windings("compressor")
        reads["amps.compressor.run_a"] = abs(main + second)
        cap = next(part.name for part in unit.circuit.parts if part.name in ("capacitor", "capacitor_herm"))
        reads["cap.herm.load_a"] = abs(second)
        reads["cap.herm.load_v"] = now.across(f"{cap}.C", f"{cap}.HERM")
    elif unit.plate.phase == 3:
        reads["amps.compressor.run_a"] = now.through(_FIRST_OF_THREE, "lead")
    else:
        reads["amps.compressor.run_a"] = (
            0.7 * (unit.plate.compressor.rla or 15.0) * unit.value("compressor.load", 1.0) if on.line.outcome == "started" else 0.0
        )
    reads |= _fan(unit, now)
    reads["fan.feed.v"] = _fan_volts(now)
    reads["fan.board.v"] = now.across("board.F2", "contactor.T2")
    return reads


def _fan(unit: Unit, now: Solved) -> dict[str, Value]:
    if unit.fan is None:
        alive = _fan_volts(now) > 0.7 * unit.volts and unit.value("fan.load", 1.0) > 0.1
        return {"fan.state": "runs" if alive else "still", "amps.fan.run_a": 0.7 * (unit.plate.fan.fla or 1.0) if alive else 0.0}
    main, second = now.windings("fan")
    amps, slip = abs(main + second), now.state.fan_slip
    if amps < _NO_FEED * (unit.plate.fan.fla or 1.0):
        slip = 1.0
    hums = amps > 0.3 * (unit.plate.fan.fla or 1.0)
    pushed = unit.value("fan.drag") < 0.2 and unit.value("uf.fan") < 0.3 * (_rated_fan(unit) or 1.0)
    state = "runs" if slip < _SLOW else "slow" if slip < _TURNS else ("pushed" if pushed else "hums") if hums else "still"
    cap = next((part.name for part in unit.circuit.parts if part.name in ("capacitor", "capacitor_fan")), "capacitor")
    return {
        "fan.state": state, "amps.fan.run_a": amps, "cap.fan.load_a": abs(second),
        "cap.fan.load_v": now.across(f"{cap}.C", f"{cap}.FAN"),
    }  # fmt: skip


def _start_wire(unit: Unit) -> str:
    """The wire of the start capacitor or kit; empty where there is none."""
    ends = ("start_capacitor.", "start_kit.")
    return next((wire.name for wire in unit.circuit.wires if wire.a.startswith(ends) or wire.b.startswith(ends)), "")


def _rated_fan(unit: Unit) -> float | None:
    return unit.plate.run_capacitor.fan_uf if unit.plate.run_capacitor is not None else None
