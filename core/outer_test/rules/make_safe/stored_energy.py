"""Charge left in a capacitor: how much, how long to bleed, and the proof that it is gone (handbook section 4)."""

from dataclasses import dataclass
from decimal import Decimal
from math import log, sqrt

from outer_test.judgement import DEFAULT, Finding, HouseRules, Verdict, judged, unjudged, worst
from outer_test.measurement import Measured, say, why_unsure
from outer_test.rules.make_safe.voltage_lines import below_both_lines
from outer_test.visit import Visit

BLEED_OHM = 20_000.0
SAFE_V = 30.0


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
    bleed = bleed_ohm * farads * log(peak / SAFE_V) if peak > SAFE_V else 0.0
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
    return max(held, key=lambda one: one.joules, default=None)


def discharged(point: str, reading: Measured, rules: HouseRules = DEFAULT) -> Finding:
    """One d.c. voltage across a capacitor: under 2 V `good`, to 30 V `watch`, 30 V and over `stop`.

    reading: V d.c.; the sign only says which way the probes lay. OL is `stop` where the range's top is 30 V or more,
    else `unsure`. Source: [T] common practice.

    >>> from outer_test.measurement import measure
    >>> discharged("safe.c_herm.vdc", measure("-41")).verdict.value
    'stop'
    """
    verdict, school = below_both_lines(reading, rules)
    if verdict is Verdict.UNSURE:
        why, step = (
            why_unsure(reading, "V")
            if reading.number is not None
            else ("OL: above a range whose top is not known.", "Use a range of 600 V d.c. or more. Treat it as charged.")
        )
    elif verdict is Verdict.GOOD:
        why, step = f"{say(reading.number or Decimal(0))} V d.c.: discharged.", ""
    elif verdict is Verdict.WATCH:
        why, step = (
            f"{say(reading.number or Decimal(0))} V d.c. is left.",
            "Hold the bleed resistor on longer and prove it again.",
        )
    else:
        shown = "Above the range" if reading.number is None else f"{say(reading.number)} V d.c."
        why, step = (
            f"{shown}: still charged. It can throw your hand into a blade or an edge.",
            f"Do not touch it. Bleed through {say(BLEED_OHM / 1000)} kΩ 5 W, then prove it again.",
        )
    return judged(point, "stored-energy", verdict, why, reading, unit="V d.c.", high=SAFE_V, watch_high=2.0, decision=school, next=step)


def all_discharged(found: list[Finding], missing: tuple[str, ...], held: StoredEnergy | None) -> Finding:
    """Whether every capacitor is proved discharged; `unjudged` while a pair is missing.

    found: the judged d.c. readings. missing: points still to measure. held: what the biggest section can hold.
    """
    about = ""
    if held is not None:
        most = f"{say(held.joules, 3)} J at {say(round(held.peak_v))} V"
        about = f" Charged, it holds up to {most}; 20 kΩ needs {say(held.bleed_s, 2)} s to 30 V."
    bad = [one for one in found if one.verdict is not Verdict.GOOD]
    if bad:
        return judged(
            "safe.discharged",
            "stored-energy",
            worst(one.verdict for one in bad),
            f"Not proved discharged: {bad[0].why}{about}",
            next=bad[0].next,
        )
    if missing:
        return unjudged(
            "safe.discharged",
            "stored-energy",
            f"{len(missing)} d.c. volts still to measure.{about}",
            missing,
            next="Bleed through 20 kΩ 5 W, then measure d.c. volts.",
        )
    return judged("safe.discharged", "stored-energy", Verdict.GOOD, f"Every pair is proved under 2 V d.c.{about}")
