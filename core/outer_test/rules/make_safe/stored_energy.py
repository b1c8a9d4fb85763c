"""Charge left in a capacitor: how much, how long to bleed, and the proof that it is gone (handbook section 4)."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from decimal import Decimal
from math import log, sqrt

from outer_test.judgement import Finding, Limits, Rule, Verdict, judged, unjudged, worst
from outer_test.measurement import Measured, say
from outer_test.rules.make_safe.voltage_lines import DANGER_V, GONE_V, below_both_lines
from outer_test.visit import Visit

STORED_ENERGY = Rule("stored-energy", "Charge left in a capacitor", "E = ½CV²; common practice for the 2 V and 30 V lines", "D T")

BLEED_OHM = 20_000.0
BUS = "safe.bus.vdc"
_LIMITS = Limits(watch_high=float(GONE_V), high=float(DANGER_V))
_WAIT = "Wait the maker's time (not known: 10 minutes), then prove under 30 V d.c. It is never bled through a resistor by hand."


@dataclass(frozen=True, slots=True)
class StoredEnergy:
    """What a capacitor can hold: peak volts, joules, and seconds to 30 V through the bleed resistor."""

    peak_v: float
    joules: float
    bleed_s: float


def stored_energy(capacitance_uf: float, rated_vac: float, bleed_ohm: float = BLEED_OHM) -> StoredEnergy:
    """Energy and discharge time of a capacitor charged to the peak of its rated volts.

    capacitance_uf: µF. rated_vac: V r.m.s. bleed_ohm: Ω.
    V0 = √2 × rated; E = ½ C V0²; t = R C ln(V0 ÷ 30), 0 where V0 is 30 V or less.
    Source: [D] from the definition of capacitance.

    >>> held = stored_energy(55, 440)
    >>> round(held.peak_v), round(held.joules, 2), round(held.bleed_s, 2)
    (622, 10.65, 3.34)
    """
    farads, peak = capacitance_uf * 1e-6, sqrt(2) * rated_vac
    bleed = bleed_ohm * farads * log(peak / float(DANGER_V)) if peak > DANGER_V else 0.0
    return StoredEnergy(peak, farads * peak**2 / 2, bleed)


def most_stored(visit: Visit) -> StoredEnergy | None:
    """The most one capacitor of this unit can hold, by the plate; None where volts or µF are not known.

    >>> most_stored(Visit()) is None
    True
    """
    run, start = visit.plate.run_capacitor, visit.plate.start_capacitor
    held = []
    if run is not None and run.vac is not None:
        held += [stored_energy(uf, run.vac) for uf in (run.herm_uf, run.fan_uf) if uf is not None]
    if start is not None and start.vac is not None and start.high_uf is not None:
        held.append(stored_energy(start.high_uf, start.vac))
    return max(held, key=lambda energy: energy.joules, default=None)


def discharged(point: str, reading: Measured) -> Finding:
    """One d.c. voltage across a capacitor or a module's bus: under 2 V `good`, to 30 V `watch`, 30 V and over `stop`.

    reading: V d.c.; the sign only says which way the probes lay. A bus is waited for, never bled. Source: [T] common practice.

    >>> from outer_test.measurement import measure
    >>> discharged("safe.c_herm.vdc", measure("-41")).verdict.value
    'stop'
    """
    verdict = below_both_lines(reading)
    shown = "Above the range" if reading.number is None else f"{say(reading.number)} V d.c."
    is_bus = point == BUS
    if verdict is Verdict.UNSURE:
        why, step = "OL: above a range whose top is not known.", "Use a range of 600 V d.c. or more. Treat it as charged."
    elif verdict is Verdict.GOOD:
        why, step = f"{shown}: discharged.", ""
    elif verdict is Verdict.WATCH:
        why = f"{shown} is left."
        step = _WAIT if is_bus else "Hold the bleed resistor on longer and prove it again."
    else:
        why = f"{shown}: still charged. It can throw your hand into a blade or an edge."
        step = (
            f"Do not touch it. {_WAIT}"
            if is_bus
            else f"Do not touch it. Bleed through {say(BLEED_OHM / 1000)} kΩ 5 W, then prove it again."
        )
    return judged(point, STORED_ENERGY, verdict, why, reading, unit="V d.c.", limits=_LIMITS, next=step)


def impossible_triple(found: Mapping[str, Finding], readings: Mapping[str, Measured]) -> Finding | None:
    """HERM to FAN high though both read nothing to C: that is not possible. None where the three agree or are not all read.

    found: the judged pairs. A probe that does not touch reads 0, so the high one is believed. Source: [D] Kirchhoff's voltage law.

    >>> from outer_test.measurement import measure
    >>> volts = {"safe.c_herm.vdc": measure("0.1"), "safe.c_fan.vdc": measure("0.1"), "safe.herm_fan.vdc": measure("45")}
    >>> impossible_triple({name: discharged(name, one) for name, one in volts.items()}, volts).verdict.value
    'stop'
    """
    names = ("safe.c_herm.vdc", "safe.c_fan.vdc", "safe.herm_fan.vdc")
    known = [number for name in names if name in readings and (number := readings[name].number) is not None]
    if len(known) < len(names):
        return None
    to_c, across = abs(known[0]) + abs(known[1]), abs(known[2])
    slack = sum((readings[name].half for name in names), Decimal(0))
    if across - to_c <= slack or across < GONE_V or max(abs(known[0]), abs(known[1])) >= GONE_V:
        return None
    pair = found[names[2]]
    why = f"{pair.why} Both to C read next to nothing, which is impossible: a probe did not touch, so the high reading is taken as true."
    return replace(pair, why=why, next="Bleed again, then read all three again.")


def all_discharged(found: Sequence[Finding], missing: tuple[str, ...], held: StoredEnergy | None) -> Finding:
    """Whether every capacitor is proved discharged; `unjudged` while a pair is missing.

    found: the judged d.c. readings. missing: points still to measure. held: what the biggest section can hold.
    """
    point, about = "safe.discharged", ""
    if held is not None:
        most = f"{say(held.joules, 3)} J at {say(round(held.peak_v))} V"
        about = f" Charged, it holds up to {most}; 20 kΩ needs {say(held.bleed_s, 2)} s to 30 V."
    open_ones = [one for one in found if one.verdict is not Verdict.GOOD]
    if open_ones:
        verdict = worst(one.verdict for one in open_ones)
        first = next(one for one in open_ones if one.verdict is verdict)
        return judged(point, STORED_ENERGY, verdict, f"Not proved discharged: {first.why}{about}", next=first.next)
    if missing:
        why, step = f"{len(missing)} d.c. volts still to measure.{about}", "Bleed through 20 kΩ 5 W, then measure d.c. volts."
        if missing == (BUS,):
            step = _WAIT
        return unjudged(point, STORED_ENERGY, why, missing, next=step)
    return judged(point, STORED_ENERGY, Verdict.GOOD, f"Every pair is proved under 2 V d.c.{about}")
