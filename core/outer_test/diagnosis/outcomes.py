"""How a unit of the twin would turn out at each test: its exact readings in the classes that evidence is kept in."""

from collections.abc import Iterator, Mapping
from math import erf, exp, inf, log

from outer_test.diagnosis.classes import (
    AMPS_OVER,
    CONTROL_POINTS,
    DROPS_V,
    FAN_LOW_PART,
    FAN_OVER,
    FED_POINTS,
    GROUNDED_OHM,
    IDLE_PART,
    LEAD_OHM,
    LINE_DEAD_V,
    LOCKED_PART,
    LONG_S,
    LOW_PART,
    OPEN_POLE_V,
    capacitance,
    control_class,
    drop_class,
    fed_class,
    peak_class,
)
from outer_test.diagnosis.things_tested import Test as T
from outer_test.rules.capacitors.under_load import microfarads_per_ratio
from outer_test.rules.start_and_run.kit import STILL_IN_A
from outer_test.rules.windings import baseline, is_overload, is_start_winding, three_phase
from outer_test.rules.windings.pairs import least_winding_ohm
from outer_test.twin import Unit, Value
from outer_test.twin.unit import filled

Chances = Mapping[str, float]
# What becomes of a compressor that does not turn: the person hears it hum, or its overload or breaker has already let go.
_HUMMED = {"hummed": 0.83, "tripped": 0.11, "nothing": 0.06}
_AMPS_SPREAD, _FAN_SPREAD, _VOLTS_SPREAD, _FAINT = 0.11, 0.08, 0.02, 0.004  # of a reading, from one unit of a plate to the next [M]
_WINDING_SPREAD, _UNEQUAL = 0.15, float(three_phase.ALLOWED)
_MARGIN_SPREAD, _LEAST = 0.1, 0.02
_RUNS_HARD = {"good": 0.5, "high": 0.5}
_STALLED_A = {"locked": 0.50, "none": 0.38, "high": 0.12}
_SEEN_OF_FAN = {
    "hums": {"hums": 0.60, "still": 0.30, "pushed": 0.08, "slow": 0.02},
    "pushed": {"hums": 0.45, "pushed": 0.30, "still": 0.23, "slow": 0.02},
    "still": {"still": 0.95, "hums": 0.05}, "slow": {"slow": 0.75, "runs": 0.15, "hums": 0.10}, "runs": {"runs": 1.0},
}  # fmt: skip


def outcomes(reads: Mapping[str, Value], unit: Unit) -> dict[T, Chances]:
    """What the line and low-voltage sides of this unit turn out to be, test by test.

    reads: what the twin shows. A test that its state leaves without meaning (a drop across an open contactor) is left out.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin import make_unit, shown
    >>> unit = make_unit(Plate())
    >>> outcomes(shown(unit), unit)[T.START]
    {'started': 1.0}
    """
    return dict((*_dead(reads, unit), *_line(reads, unit), *_low_voltage(reads), *_running(reads, unit)))


def surely(outcome: str) -> Chances:
    """An outcome without doubt.

    >>> surely("good")
    {'good': 1.0}
    """
    return {outcome: 1.0}


def _number(reads: Mapping[str, Value], point: str) -> float | None:
    value = reads.get(point)
    return value if isinstance(value, float | int) else None


def _dead(reads: Mapping[str, Value], unit: Unit) -> Iterator[tuple[T, Chances]]:
    sound, cap = filled(unit.plate), unit.plate.run_capacitor
    tolerance = (cap.tolerance_pct if cap is not None and cap.tolerance_pct is not None else 6.0) / 100
    rated = {"herm": cap.herm_uf if cap else None, "fan": cap.fan_uf if cap else None}
    for section, test in (("herm", T.CAP_HERM), ("fan", T.CAP_FAN)):
        reading, asked = _number(reads, f"cap.{section}.uf"), rated[section]
        if reading is not None and asked is not None and not unit.value("wires.swapped"):
            yield test, surely(capacitance(reading, asked * (1 - tolerance), asked * (1 + tolerance), asked))
    start, band = _number(reads, "cap.start.uf"), sound.start_capacitor
    if start is not None and band is not None and band.low_uf and band.high_uf:
        yield T.CAP_START, surely(capacitance(start, band.low_uf, band.high_uf, band.low_uf))
    for point, test in (("contactor.coil.ohm", T.COIL_OHM), ("contactor2.coil.ohm", T.COIL2_OHM)):
        if (ohm := _number(reads, point)) is not None:
            yield test, surely("open" if ohm == inf else "shorted" if ohm < 3 else "good")
    if (ohm := _number(reads, "defrost.valve_coil.ohm")) is not None:
        yield T.VALVE_COIL, surely("open" if ohm == inf else "shorted" if ohm < 5 else "good")
    for point, test in (("cap.case_ground.ohm", T.CAP_TO_CASE), ("heater.ground.ohm", T.HEATER_TO_GROUND)):
        if (ohm := _number(reads, point)) is not None:
            yield test, surely("bad" if ohm < GROUNDED_OHM else "good")
    for point, test in (("relay.coil.ohm", T.RELAY_COIL), ("relay.contact.ohm", T.RELAY_CONTACT)):
        if (ohm := _number(reads, point)) is not None:
            yield test, surely("open" if ohm == inf else "good")
    if (ohm := _number(reads, "control.fuse.ohm")) is not None:
        yield T.CONTROL_FUSE, surely("bad" if ohm > 1 else "good")
    yield T.FUSES, surely("blown" if max(_number(reads, f"line.fuse{leg}.ohm") or 0 for leg in (1, 2)) > 1 else "good")
    yield from _windings(reads, unit)


def _windings(reads: Mapping[str, Value], unit: Unit) -> Iterator[tuple[T, Chances]]:
    leads = [_number(reads, f"lead.{terminal}.ohm") for terminal in "crs"]
    if leads[0] is not None:
        worst = max(one or 0 for one in leads)
        yield T.LEADS, surely("open" if worst == inf else "high" if worst > LEAD_OHM else "good")
    pairs = pair_class(reads, "winding", unit, "compressor")
    if pairs:
        yield T.PAIRS, pairs
        broken = any(one == inf for one in leads)
        yield T.PAIRS_AT_PLUG, surely("open") if broken or not {"good", "shorted"} & pairs.keys() else pairs
    yield T.BASELINE, surely("under" if unit.value("compressor.shorted") > 2 * float(baseline.UNDER) else "same")
    grounded = (_number(reads, "winding.c_ground.ohm") or inf) < GROUNDED_OHM
    yield T.GROUND, surely("grounded" if grounded else "good")
    yield T.GROUND_AT_PLUG, surely("grounded" if grounded or unit.value("harness.ground") else "good")
    yield T.FAN_GROUND, surely("grounded" if (_number(reads, "fan_winding.c_ground.ohm") or inf) < GROUNDED_OHM else "good")
    if unit.fan is not None:
        yield T.FAN_PAIRS, pair_class(reads, "fan_winding", unit, "fan") or surely("good")


def pair_class(reads: Mapping[str, Value], group: str, unit: Unit, motor: str) -> Chances:
    """How three pairs at the terminals turn out: good, start open, open, overload, stays open or shorted; empty where there are none.

    Shorted turns show only where a pair falls under what its winding can have: without a baseline half of them do not.
    """
    values = [_number(reads, f"{group}.{pair}.ohm") for pair in ("c_r", "c_s", "r_s")]
    if any(one is None for one in values):
        return {}
    opened = [one == inf for one in values]
    alike = motor == "compressor" and unit.compressor is None  # three like windings
    if is_overload(opened, alike):
        return surely("stays open" if unit.value(f"{motor}.overload.stays") else "overload")
    if any(opened):
        return surely("start open" if motor == "compressor" and is_start_winding(opened, alike) else "open")
    if alike:
        mean = sum(one or 0 for one in values) / 3
        return surely("shorted" if max(abs((one or 0) - mean) for one in values) > _UNEQUAL * mean else "good")
    least = float(least_winding_ohm(unit.volts, unit.plate.compressor.lra if motor == "compressor" else None))
    smallest = min(one for one in values if one is not None)
    return _shares(smallest, ((least, "shorted"), (inf, "good")), _WINDING_SPREAD)


def _line(reads: Mapping[str, Value], unit: Unit) -> Iterator[tuple[T, Chances]]:
    yield T.BREAKER, surely(str(reads["line.breaker"]))
    if "line.reset" in reads:
        yield T.RESET, surely(str(reads["line.reset"]))
    least = 0.9 * min(unit.plate.volts)
    for point, test in FED_POINTS.items():
        if (volts := _number(reads, point)) is not None:
            yield test, surely(fed_class(volts))
    along = [_number(reads, point) or 0 for point in ("line.disconnect.v", "line.l1_l2.v", "contactor.line.v")]
    yield T.DISCONNECT_DROP, surely(drop_class(along[0], along[1]))
    yield T.WHIP_DROP, surely(drop_class(along[1], along[2]))
    for point, test in (("line.disconnect.v", T.DISCONNECT), ("line.l1_l2.v", T.LINE), ("contactor.load.v", T.LOAD_SIDE)):
        yield test, _shares(_number(reads, point) or 0, ((LINE_DEAD_V, "dead"), (least, "low"), (inf, "alive")), _VOLTS_SPREAD)
    called, idle = (_legs([_number(reads, f"line.l{leg}_ground.v{state}") or 0 for leg in (1, 2)]) for state in ("", " idle"))
    yield T.LEGS, surely(called) if called == idle else {called: 0.5, idle: 0.5}  # read with the call on, or with it off
    for name, test in (("contactor", T.POLES), ("contactor2", T.POLES2)):
        if reads.get(f"{name}.armature") == "in" and unit.plate.compressor.kind != "inverter":
            drops = [_number(reads, f"{name}.pole{leg}.drop_v") or 0 for leg in (1, 2, 3)]
            yield test, surely("open" if max(drops) > OPEN_POLE_V else "dropping" if max(drops) >= DROPS_V else "good")


def _legs(volts: list[float]) -> str:
    return "both" if min(volts) > LINE_DEAD_V else "one" if max(volts) > LINE_DEAD_V else "none"


def _low_voltage(reads: Mapping[str, Value]) -> Iterator[tuple[T, Chances]]:
    for point, test in CONTROL_POINTS.items():
        if (volts := _number(reads, point)) is not None:
            yield test, surely(control_class(volts))
    yield T.ARMATURE, surely(str(reads["contactor.armature"]))
    yield T.FLOAT, surely(str(reads["control.float"]))
    yield T.PRESSURE, surely(str(reads["control.pressure"]))


def _running(reads: Mapping[str, Value], unit: Unit) -> Iterator[tuple[T, Chances]]:
    result = str(reads["start.result"])
    own = unit.plate.compressor
    starts = _starts(reads, result)
    yield T.START, _mixed((starts, surely("started")), (1 - starts, _HUMMED)) if 0 < starts < 1 else _result(result)
    if (peak := _number(reads, "amps.compressor.peak_a")) is not None and own.lra:
        yield T.PEAK, _peak(peak / own.lra * unit.volts, reads, unit, starts)
    if (seconds := _number(reads, "amps.compressor.start_s")) is not None:
        yield T.START_TIME, surely("long" if seconds > LONG_S else "good")
    if (volts := _number(reads, "line.starting.v")) is not None:
        yield T.STARTING_V, surely("normal" if volts >= 0.81 * min(unit.plate.volts) else "sags" if volts >= LINE_DEAD_V else "dead")
    if (amps := _number(reads, "amps.compressor.run_a")) is not None and own.rla:
        runs = spread_amps(amps, own.rla, own.lra) if result != "hummed" or amps < 0.3 * own.rla else _RUNS_HARD
        yield T.COMPRESSOR_A, _mixed((starts, runs), (1 - starts, _STALLED_A)) if result == "hummed" or starts < 1 else runs
    if (kit := _number(reads, "amps.kit.a")) is not None:
        yield T.KIT_A, surely("stays" if kit > STILL_IN_A else "out")
    if unit.plate.aux_heat.elements:
        yield T.AUX_IDLE, surely("on" if unit.value("element.stuck_on") else "off")
        yield T.AUX, surely("bad" if unit.value("element.open") else "good")
    yield from _fan(reads, unit)
    if result == "started":
        yield from _under_load(reads, unit)


def _peak(volts_ratio: float, reads: Mapping[str, Value], unit: Unit, starts: float) -> Chances:
    """volts_ratio: the peak as a share of locked amps, times the rated volts."""
    if "line.reset" in reads:  # before the breaker was closed once there is none
        return _mixed((0.5, surely("none")), (0.5, surely(peak_class(volts_ratio / unit.volts, True))))
    ratio = volts_ratio / max(_number(reads, "line.starting.v") or unit.volts, 1.0)
    rises, stands = surely(peak_class(ratio, True)), surely(peak_class(ratio, False))
    return _mixed((starts, rises), (1 - starts, stands)) if 0 < starts < 1 else rises if starts else stands


def _starts(reads: Mapping[str, Value], result: str) -> float:
    """The chance that a unit like this one starts: units differ, so a narrow margin is no certainty [M]. 0 or 1 where it is clear."""
    margin = _number(reads, "start.margin")
    if result not in ("started", "hummed") or margin is None:
        return float(result == "started")
    chance = 1 / (1 + exp(-(margin - 1) / _MARGIN_SPREAD)) if abs(margin - 1) < 6 * _MARGIN_SPREAD else float(margin > 1)
    return chance if _LEAST < chance < 1 - _LEAST else float(round(chance))


def _result(result: str) -> Chances:
    return _HUMMED if result == "hummed" else {"nothing": 0.6, "hummed": 0.4} if result == "chatters" else surely(result)


def _mixed(*ways: tuple[float, Chances]) -> Chances:
    """Chances over several ways it may go."""
    found: dict[str, float] = {}
    for weight, chances in ways:
        for outcome, chance in chances.items():
            found[outcome] = found.get(outcome, 0.0) + weight * chance
    return found


def _shares(value: float, cuts: tuple[tuple[float, str], ...], spread: float) -> Chances:
    """How units like this one fall into classes: the value spread by a share of it, as a normal curve over its logarithm [D].

    cuts: upper limit and name of each class, rising; the last limit is infinite.
    """
    if value <= 0:
        return surely(cuts[0][1])
    found: dict[str, float] = {}
    below = 0.0
    for limit, name in cuts:
        upto = 1.0 if limit == inf else 0.5 * (1 + erf(log(limit / value) / (spread * 2**0.5))) if limit > 0 else 0.0
        found[name] = found.get(name, 0.0) + upto - below
        below = upto
    return {name: round(chance, 3) for name, chance in found.items() if chance > _FAINT}


def spread_amps(amps: float, rla: float, lra: float | None) -> Chances:
    """How a compressor's running amps fall into their classes over units, weather and charge.

    >>> spread_amps(13.5, 17.9, 96)["good"] > 0.95
    True
    """
    top = LOCKED_PART * lra if lra is not None else 3.0 * rla
    return _shares(
        amps,
        (
            (IDLE_PART * rla, "none"),
            (LOW_PART * rla, "low"),
            (rla, "good"),
            (AMPS_OVER * rla, "high"),
            (max(top, 1.6 * rla), "far over"),
            (inf, "locked"),
        ),
        _AMPS_SPREAD,
    )


def _fan(reads: Mapping[str, Value], unit: Unit) -> Iterator[tuple[T, Chances]]:
    yield T.FAN_STATE, _SEEN_OF_FAN[str(reads["fan.state"])]
    if (amps := _number(reads, "amps.fan.run_a")) is not None:
        fla = unit.plate.fan.fla or 1.2
        yield (
            T.FAN_A,
            _shares(
                amps,
                ((0.1 * fla, "none"), (FAN_LOW_PART * fla, "low"), (fla, "good"), (FAN_OVER * fla, "high"), (inf, "far over")),
                _FAN_SPREAD,
            ),
        )


def _under_load(reads: Mapping[str, Value], unit: Unit) -> Iterator[tuple[T, Chances]]:
    cap = unit.plate.run_capacitor
    if cap is None:
        return
    tolerance = (cap.tolerance_pct or 6.0) / 100
    for section, test, rated in (("herm", T.HERM_LOAD, cap.herm_uf), ("fan", T.FAN_LOAD, cap.fan_uf)):
        amps, volts = _number(reads, f"cap.{section}.load_a"), _number(reads, f"cap.{section}.load_v")
        if amps is None or not volts or rated is None:
            continue
        uf = float(microfarads_per_ratio(int(unit.hz))) * amps / volts
        yield test, surely("low" if uf < rated * (1 - tolerance) else "high" if uf > rated * (1 + tolerance) else "good")
