"""Run capacitor sections while running: the rules `cap-load` and `cap-volts` (handbook section 5)."""

from dataclasses import replace
from decimal import Decimal
from math import pi

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Verdict, judged, place, worst
from outer_test.measurement import Measured, exact, product, say
from outer_test.rules.capacitors.bench import cap_bench


def microfarads_per_ratio(hz: int) -> Decimal:
    """10⁶ ÷ (2πf): what amps ÷ volts is multiplied by to give µF. 2652.6 at 60 Hz, 3183.1 at 50 Hz.

    >>> round(microfarads_per_ratio(60), 1), round(microfarads_per_ratio(50), 1)
    (Decimal('2652.6'), Decimal('3183.1'))
    """
    return Decimal(10) ** 6 / (2 * exact(pi) * hz)


def load_capacitance(amps: Measured, volts: Measured, hz: int = 60) -> Measured:
    """Capacitance of a section while it runs, µF, with its band: C = I × 10⁶ ÷ (2πfV).

    amps: A in the section's own wire. volts: V from C to the section's terminal. hz: 50 or 60.
    Raises ValueError for a word, or 0 V. Source: [D] from the reactance of a capacitor.

    >>> from outer_test.measurement import measure
    >>> say(load_capacitance(measure("7.6"), measure("370")).number)
    '54.49'
    """
    return product([amps], [volts], microfarads_per_ratio(hz))


def cap_load(
    capacitance: Measured,
    rated_uf: float,
    tolerance_pct: float | None = None,
    rules: HouseRules = DEFAULT,
    point: str = "cap.herm.load_a",
    bench: Finding | None = None,
    bench_reading: Measured | None = None,
) -> Finding:
    """Judge a section under load by the limits of the bench. Where both disagree by more than both bands the bench wins.

    capacitance: µF from `load_capacitance`. rated_uf: µF. tolerance_pct: %. bench: what `cap-bench` found, with its
    reading, where it was measured. Source: [D]; limits as `cap_bench`.

    >>> from outer_test.measurement import measure
    >>> cap_load(load_capacitance(measure("6.60"), measure("370.0")), 55, 6).verdict.value
    'bad'
    """
    found = cap_bench(capacitance, rated_uf, tolerance_pct, rules, point, "cap-load")
    about = f"Under load {say(capacitance.number or 0)} µF."
    found = replace(found, why=f"{about} {found.why}", accuses="")
    if bench is None or bench_reading is None or bench_reading.number is None or capacitance.number is None:
        return found
    apart = abs(bench_reading.number - capacitance.number)
    if apart <= bench_reading.half + capacitance.half:
        return found
    why = (
        f"{about} The bench says {say(bench_reading.number)} µF, {say(apart, 3)} µF apart and more than both bands: "
        "the bench reading, isolated, wins."
    )
    return replace(
        found,
        verdict=worst([bench.verdict, Verdict.WATCH]),
        why=why,
        next="Check which wire is in the clamp, then read it again.",
    )


def cap_volts(volts: Measured, rated_vac: float, rules: HouseRules = DEFAULT, point: str = "cap.herm.load_v") -> Finding:
    """Volts across a section while running ÷ its rating: to 1.0 `good`, to 1.1 `watch`, over `bad`.

    volts: V a.c. rated_vac: V a.c. Source: [P: IEC 60252-1 10 % over-voltage limit, from memory].

    >>> from outer_test.measurement import measure
    >>> cap_volts(measure("412"), 370).verdict.value
    'bad'
    """
    rated = exact(rated_vac)
    cuts = Cuts(watch_high=rated, high=rated * Decimal("1.1"))
    where = place(volts, cuts, rules, "V")
    ratio = say((volts.number or Decimal(0)) / rated, 3)
    why = f"{say(volts.number or 0)} V is {ratio} times the {say(rated)} V rating; it stands 1.1 times."
    step = {Verdict.BAD: "Fit a part of higher volts, and find why it is so high."}.get(where.verdict, "")
    if where.verdict is Verdict.UNSURE:
        why, step = where.why_unsure, where.remedy
    return judged(
        point, "cap-volts", where.verdict, why, volts, unit="V", nominal=rated_vac, decision=rules.decision, next=step, **cuts.limits()
    )  # fmt: skip
