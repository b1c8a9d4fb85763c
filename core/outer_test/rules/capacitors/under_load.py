"""Run capacitor sections while running: the rules `cap-load` and `cap-volts` (handbook section 5)."""

from dataclasses import replace
from decimal import Decimal
from math import pi

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Rule, Verdict, judged, place
from outer_test.measurement import LEAST_RATIO, MOST_TURNS, Measured, exact, product, say
from outer_test.rules.capacitors.bench import cap_bench

CAP_LOAD = Rule("cap-load", "Capacitor section while running", "C = I ÷ 2πfV; limits as on the bench", "D")
CAP_VOLTS = Rule("cap-volts", "Volts across a running capacitor", "IEC 60252-1, 10 % over-voltage limit, from memory", "P")


APART = Decimal("0.05")


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


def load_turns(amps: Measured, volts: Measured, half_window: Decimal, factor: Decimal) -> int | None:
    """How many turns through the jaw make the capacitance fine enough; None where ten are not enough.

    amps: A. volts: V. half_window: half of the allowed span, µF. factor: µF for one ampere per volt. Source: [D] from the band.

    >>> from outer_test.measurement import Accuracy, measure
    >>> coarse = measure("7.4", Accuracy(pct=2, counts=5))
    >>> load_turns(coarse, measure("368", Accuracy(pct=1, counts=3)), Decimal("3.3"), microfarads_per_ratio(60))
    2
    """
    if not amps.number or not volts.number:
        return None
    farads = factor * amps.number / volts.number
    of_volts = volts.half / volts.number
    for turns in range(2, MOST_TURNS + 1):
        of_amps = amps.relative + (amps.half / amps.number - amps.relative) / turns
        half = farads * (of_amps**2 + of_volts**2).sqrt()
        if half_window >= half * LEAST_RATIO:
            return turns
    return None


def cap_load(
    capacitance: Measured,
    rated_uf: float,
    tolerance_pct: float | None = None,
    rules: HouseRules = DEFAULT,
    point: str = "cap.herm.load_a",
    bench_reading: Measured | None = None,
    turns: int | None = None,
) -> Finding:
    """Judge a section under load by the limits of the bench.

    capacitance: µF from `load_capacitance`. rated_uf: µF. tolerance_pct: %. bench_reading: the same part's bench reading; where
    both differ by more than the sum of their bands and by more than 5 % of rated, the bench reading, isolated, wins and this one
    is `unsure`. turns: how many through the jaw would make it fine enough. Source: [D]; limits as `cap_bench`.

    >>> from outer_test.measurement import measure
    >>> cap_load(load_capacitance(measure("6.60"), measure("370.0")), 55, 6).verdict.value
    'bad'
    """
    found = cap_bench(capacitance, rated_uf, tolerance_pct, rules, point, CAP_LOAD, turns=turns)
    about = f"Under load {say(capacitance.number or 0)} µF."
    found = replace(found, why=f"{about} {found.why}")
    if bench_reading is None or bench_reading.number is None or capacitance.number is None:
        return found
    apart = abs(bench_reading.number - capacitance.number)
    if apart <= bench_reading.half + capacitance.half or apart <= APART * exact(rated_uf):
        return found
    why = (
        f"{about} The bench reads {say(bench_reading.number)} µF, {say(apart, 3)} µF apart and more than both bands: "
        "the bench reading, isolated, wins."
    )
    step = "Check which wire is in the clamp, and read the volts from C to this terminal again."
    return replace(found, verdict=Verdict.UNSURE, why=why, next=step)


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
    why = f"{say(volts.number or 0)} V is {ratio} × its {say(rated)} V rating; up to 1.1 × is allowed."
    step = {
        Verdict.WATCH: "Fit a part of higher volts when it is next replaced, and read the line voltage.",
        Verdict.BAD: "Fit a part of higher volts, and find why it is so high.",
    }.get(where.verdict, "")
    if where.verdict is Verdict.UNSURE:
        why, step = where.why_unsure, where.remedy
    return judged(
        point, CAP_VOLTS, where.verdict, why, volts, unit="V", nominal=rated_vac, decision=rules.decision, next=step,
        limits=cuts.limits(),
    )  # fmt: skip
