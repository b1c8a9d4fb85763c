"""Run capacitor sections measured out of circuit: the rules `cap-bench` and `cap-new` (handbook section 5)."""

from dataclasses import dataclass, replace
from decimal import Decimal

from outer_test.judgement import DEFAULT, Finding, HouseRules, Limits, Rule, Verdict, judged
from outer_test.measurement import Measured, closeness, confidence, decide, exact, say, why_unsure

CAP_BENCH = Rule(
    "cap-bench",
    "Capacitor section on the bench",
    "EIA-456-A and IEC 60252-1 tolerance classes, from memory; common practice",
    "P T",
    choice="capacitor_limit",
)
CAP_NEW = Rule(
    "cap-new",
    "A new capacitor before it goes in",
    "EIA-456-A and IEC 60252-1, from memory; common practice",
    "P T",
    choice="capacitor_limit",
)

UNPRINTED_TOLERANCE_PCT = 6.0
OPEN_PART = Decimal("0.1")
_REPLACE = "Replace it. Measure the new part before it goes in."


@dataclass(frozen=True, slots=True)
class CapacitorLimits:
    """Limits in µF: below `low` or above `high` is `bad`; from `low` up to `watch_low` is `watch`."""

    low: Decimal
    watch_low: Decimal
    high: Decimal
    allowed: str


def capacitor_limits(rated_uf: float, tolerance_pct: float | None = None, school: str = "label") -> CapacitorLimits:
    """Limits of a run capacitor section in µF.

    rated_uf: the printed value, µF. tolerance_pct: as printed, None where none is. school: `label` (6 % where none is
    printed), `5`, `6`, `10`, or `tiered` (±5 % good, from 5 to 10 % low watch, beyond bad; above 5 % but inside the label good).
    Rated × (1 ± tolerance), with a watch line at 80 % of the tolerance on the low side.
    Source: [P: EIA-456-A and IEC 60252-1 tolerance classes, from memory; T].

    >>> limits = capacitor_limits(55, 6)
    >>> limits.low, limits.high, limits.watch_low
    (Decimal('51.70'), Decimal('58.30'), Decimal('52.360'))
    """
    rated = exact(rated_uf)
    label = UNPRINTED_TOLERANCE_PCT if tolerance_pct is None else tolerance_pct
    if school == "tiered":
        above = 1 + max(exact(label), Decimal(5)) / 100
        return CapacitorLimits(rated * Decimal("0.90"), rated * Decimal("0.95"), rated * above, "The house tiers allow 10 % low")
    if school == "label":
        pct = label
        allowed = f"No tolerance is printed, so {say(pct)} % is allowed" if tolerance_pct is None else f"The label allows {say(pct)} %"
    else:
        pct = float(school)
        allowed = f"The house rule allows {say(pct)} %"
    part = exact(pct) / 100
    return CapacitorLimits(rated * (1 - part), rated * (1 - part * Decimal("0.8")), rated * (1 + part), allowed)


def cap_bench(
    reading: Measured,
    rated_uf: float,
    tolerance_pct: float | None = None,
    rules: HouseRules = DEFAULT,
    point: str = "cap.herm.uf",
    rule: Rule = CAP_BENCH,
    against: str = "",
    turns: int | None = None,
) -> Finding:
    """Judge one section, isolated, against its rating.

    reading: µF or OL. rated_uf: µF. tolerance_pct: % as printed. against: a sentence saying whose rating this is.
    turns: how many through the jaw would make a reading under load fine enough. Outside the limits `bad`; within, but beyond
    80 % of the tolerance on the low side, `watch`; under 10 % of rated an open section; OL is `bad` only where the range's
    top is at least 2 × rated, else `unsure`. Source: [P: EIA-456-A and IEC 60252-1 tolerance classes, from memory; T].

    >>> from outer_test.measurement import Accuracy, measure
    >>> finding = cap_bench(measure("50.4", Accuracy(pct=1.9, counts=2)), 55, 6)
    >>> finding.verdict.value, finding.low, finding.high, finding.band
    ('bad', 51.7, 58.3, (49.24, 51.56))
    >>> print(finding.why)
    8.4 % under 55 µF. The label allows 6 %, so 51.7 µF is the floor, and even your meter's worst error leaves it below.
    """
    limits = capacitor_limits(rated_uf, tolerance_pct, rules.capacitor_limit)
    if reading.number is None:
        verdict, why, step = _over_range(reading, rated_uf)
    else:
        verdict, why, step = _in_words(reading, reading.number, exact(rated_uf), limits, rules, turns)
    return judged(
        point,
        rule,
        verdict,
        f"{why} {against}".strip(),
        reading,
        unit="µF",
        limits=Limits(float(limits.low), float(limits.watch_low), None, float(limits.high)),
        nominal=rated_uf,
        confidence=confidence(reading, limits.low, limits.high),
        school=rules.capacitor_limit,
        decision=rules.decision,
        next=step,
    )


def _over_range(reading: Measured, rated_uf: float) -> tuple[Verdict, str, str]:
    if reading.top is not None and reading.top >= 2 * exact(rated_uf):
        why = f"Over a range to {say(reading.top)} µF, twice the {say(rated_uf)} µF rating or more: shorted or leaking inside."
        return Verdict.BAD, why, _REPLACE
    known = f"the range reaches only {say(reading.top)} µF" if reading.top is not None else "the range's top is not known"
    return (
        Verdict.UNSURE,
        f"OL says it is above the range, and {known}.",
        f"Measure again on a range of {say(2 * rated_uf)} µF or more, and enter its top.",
    )


def _in_words(
    reading: Measured, value: Decimal, rated: Decimal, limits: CapacitorLimits, rules: HouseRules, turns: int | None
) -> tuple[Verdict, str, str]:  # fmt: skip
    apart = (value - rated) / rated * 100
    off = f"{say(abs(apart), 2 if abs(apart) < 10 else 3)} % {'under' if apart < 0 else 'over'} {say(rated)} µF"
    if value == rated:
        off = f"Exactly the rated {say(rated)} µF"
    side = decide(reading, limits.low, limits.high, rules.decision)
    close = closeness(reading, limits.low, limits.high)
    close = f" {close}" if close else ""
    if side == "unsure":
        reason, remedy = why_unsure(reading, "µF", turns)
        return Verdict.UNSURE, f"{off}. {reason} Limits are {say(limits.low)} to {say(limits.high)} µF.", remedy
    if side == "above":
        why = f"{off}. {limits.allowed}, so {say(limits.high)} µF is the top. Capacitance only falls with age.{close}"
        return Verdict.BAD, why, "Look for a second capacitor in parallel, or a wrong part."
    if side == "below":
        if value < rated * OPEN_PART:
            return Verdict.BAD, f"{say(value)} µF is under a tenth of {say(rated)} µF: the section is open.", _REPLACE
        worst = not reading.usual and reading.high is not None and reading.high < limits.low
        tail = ", and even your meter's worst error leaves it below" if worst else ""
        return Verdict.BAD, f"{off}. {limits.allowed}, so {say(limits.low)} µF is the floor{tail}.{close}", _REPLACE
    if value < limits.watch_low:
        why = f"{off}. {limits.allowed}: inside, but close to the {say(limits.low)} µF floor.{close}"
        return Verdict.WATCH, why, "Record it and measure again next visit; it only falls."
    return Verdict.GOOD, f"{off}. {limits.allowed}, so {say(limits.low)} to {say(limits.high)} µF is good.{close}", ""


def cap_new(
    reading: Measured,
    rated_uf: float,
    tolerance_pct: float | None = None,
    rules: HouseRules = DEFAULT,
    point: str = "cap.new_herm.uf",
) -> Finding:
    """A new part measured before it goes in, by the limits of `cap-bench`. Out of the box is not proof.

    reading: µF. rated_uf: µF. Source: as `cap_bench`; [T] for measuring every new part.

    >>> from outer_test.measurement import measure
    >>> cap_new(measure("54.6"), 55, 6).next
    'Fit it, clear of the strap and bracket, then measure it again under load.'
    """
    found = cap_bench(reading, rated_uf, tolerance_pct, rules, point, CAP_NEW)
    if found.verdict in (Verdict.GOOD, Verdict.WATCH):
        return replace(found, next="Fit it, clear of the strap and bracket, then measure it again under load.")
    if found.verdict is Verdict.BAD:
        return replace(found, next="Do not fit it: new is not proof. Take another part.")
    return found
