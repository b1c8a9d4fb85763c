"""Running amps: the rules `run-amps` and `total-amps` (handbook section 8)."""

from collections.abc import Callable
from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Limits, Rule, Verdict, judged, place, unjudged
from outer_test.measurement import Measured, decide, exact, numeric, say, total, turns_to_decide, why_unsure

RUN_AMPS = Rule(
    "run-amps",
    "Running amps against the plate",
    "common practice; the effect of volts from the motor equations",
    "T D",
    choice="plate_amps",
)
TOTAL_AMPS = Rule("total-amps", "Amps add up", "currents of one circuit add", "D")

LOCKED_PART, IDLE_PART = Decimal("0.70"), Decimal("0.03")
LOW_WATCH, LOW_BAD = Decimal("0.50"), Decimal("0.40")
COMPUTED_WATCH, COMPUTED_BAD = Decimal("1.10"), Decimal("1.56")
ALLOWED_A = Decimal("0.5")
COLD_F, WARM_F = 35.0, 70.0
HEATS_BELOW_F = 65.0
Found = Callable[[Verdict, str, str], Finding]
COMPRESSOR, FAN = "amps.compressor.run_a", "amps.fan.run_a"


@dataclass(frozen=True, slots=True)
class Running:
    """What bears on the compressor's amps.

    lra, selection_a: A. rated_v: V. volts: read with the amps. low_stage: None where a two-stage unit's stage is not noted.
    outdoor_f: °F. heard: it was heard or seen running. line_good: the line voltage was read and is good.
    capacitor_bad: the run capacitor was found bad.
    """

    lra: float | None = None
    selection_a: float | None = None
    rated_v: float | None = None
    volts: Measured | None = None
    two_stage: bool = False
    low_stage: bool | None = None
    outdoor_f: float | None = None
    heard: bool = False
    line_good: bool = False
    capacitor_bad: bool = False


def run_amps(reading: Measured, rla: tuple[float, float], how: Running, rules: HouseRules = DEFAULT, recovered: str = "") -> Finding:
    """Compressor amps ÷ RLA, the first that fits.

    reading: A. rla: A, low and high end, the same where it is printed; recovered: how it was, in words. At or over 0.7 × LRA
    locked, under 3 % not running. The plate is a ceiling: over it `bad`, but `watch` where the band touches it, under the printed
    selection current, or where low line explains it; *computed figure*: to 1.10 and 1.56 `watch`, over `bad`. 0.40 to 0.50 `watch`,
    under `bad` only with weather on record that should load it. Source: [T] common practice; the effect of volts [D].

    >>> from outer_test.measurement import measure
    >>> [run_amps(measure(text), (17.9, 17.9), Running(lra=96)).verdict.value for text in ("94", "0.2", "18.6", "13.9", "8.0")]
    ['bad', 'bad', 'bad', 'good', 'watch']
    """
    low_rla, high_rla = exact(rla[0]), exact(rla[1])
    whose = f"RLA {say(low_rla)} A" if low_rla == high_rla else f"RLA {say(low_rla)} to {say(high_rla)} A, {recovered}"

    def found(verdict: Verdict, why: str, step: str = "") -> Finding:
        limits = Limits(float(low_rla * LOW_BAD), float(low_rla * LOW_WATCH), None, float(high_rla))
        return judged(
            COMPRESSOR, RUN_AMPS, verdict, why, reading, unit="A", nominal=float(high_rla), school=rules.plate_amps,
            decision=rules.decision, next=step, limits=limits,
        )  # fmt: skip

    if reading.number is None:
        return found(Verdict.UNSURE, "No number to judge.", "Use a higher range.")
    amps = reading.number
    ratio = amps / high_rla
    about = f"{say(amps)} A is {say(ratio, 3)} of {whose}."
    if how.lra is not None and amps >= LOCKED_PART * exact(how.lra):
        return found(
            Verdict.BAD, f"{say(amps)} A is near LRA {say(how.lra)} A: the rotor is locked.", "Switch it off now; dead tests next."
        )
    if ratio < IDLE_PART:
        if how.heard:
            why = f"{about} It was heard running: two conductors in the jaw, or the wrong wire."
            return found(Verdict.UNSURE, why, "One conductor in the jaw, centred; read it again.")
        why = f"{about} It is not running: overload, lead, contactor or feed. Charge does not do this."
        return found(Verdict.BAD, why, "Is it humming? Line volts at the load side, then the leads, dead.")
    if how.two_stage and how.low_stage is None and amps <= high_rla:
        return unjudged(COMPRESSOR, RUN_AMPS, f"{about} Which stage is it running in?", ("amps.stage",), shown=reading.value.text, unit="A")
    if amps > low_rla:
        return _over(found, reading, amps, (low_rla, high_rla), how, rules, about)
    if how.low_stage:
        return found(Verdict.GOOD, f"{about} Low stage has no low limit.")
    return _under(found, ratio, how, about)


def _over(
    found: Found, reading: Measured, amps: Decimal, rla: tuple[Decimal, Decimal], how: Running, rules: HouseRules, about: str
) -> Finding:  # fmt: skip
    _low_rla, high_rla = rla
    ratio, step = amps / high_rla, _high_step(how)
    if amps <= high_rla:
        return found(Verdict.WATCH, f"{about} Inside what the plate leaves open.", step)
    if rules.plate_amps == "computed":
        if ratio > COMPUTED_BAD:
            return found(Verdict.BAD, f"{about} Over 1.56 × a computed figure.", step)
        strong = "Well above: find the cause now." if ratio > COMPUTED_WATCH else "The plate's RLA is a computed figure."
        return found(Verdict.WATCH, f"{about} {strong}", step)
    if how.selection_a is not None and amps < exact(how.selection_a):
        return found(Verdict.WATCH, f"{about} Under the printed selection current of {say(how.selection_a)} A, which the maker allows.", "")
    if (reading.low or Decimal(0)) <= high_rla:
        return found(Verdict.WATCH, f"{about} The meter's band touches the plate.", step)
    if how.volts is not None and how.volts.number and how.rated_v is not None:
        at_rated = amps * how.volts.number / exact(how.rated_v)
        if at_rated <= high_rla:
            why = f"{about} At {say(how.volts.number)} V: low line raises amps, at rated volts it would be {say(at_rated, 3)} A."
            return found(Verdict.WATCH, why, "Find why the line is low.")
    return found(Verdict.BAD, f"{about} {_causes(how)}", step)


def _causes(how: Running) -> str:
    low_line = "" if how.line_good else "low voltage, "
    return f"High amps: {low_line}a bad connection, a weak capacitor, a failing compressor or a dirty coil."


def _high_step(how: Running) -> str:
    if how.capacitor_bad:
        return "Fit the capacitor first, then read the amps again."
    rest = "the capacitor, the connections, the coil."
    return f"Look at {rest}" if how.line_good else f"Read the line voltage with it; then {rest}"


def _under(found: Found, ratio: Decimal, how: Running, about: str) -> Finding:
    outdoor = how.outdoor_f
    low = "Not pumping, unloaded, or little charge: pressures tell which."
    if ratio >= LOW_WATCH or (ratio >= LOW_BAD and outdoor is not None and outdoor < COLD_F):
        return found(Verdict.GOOD, about, "")
    if ratio >= LOW_BAD:
        return found(Verdict.WATCH, f"{about} {low}", "Read pressures; mild weather lowers amps.")
    loads = outdoor is not None and (outdoor >= WARM_F or COLD_F <= outdoor < HEATS_BELOW_F)
    return found(Verdict.BAD if loads else Verdict.WATCH, f"{about} {low}", "Read pressures. Low and noisy on three phase: phases first.")


@dataclass(frozen=True, slots=True)
class FanRuns:
    """Beside a fan's amps: whether it was seen turning, whether it is electronic, and how its FLA was recovered, in words."""

    turning: bool | None = None
    electronic: bool = False
    recovered: str = ""


def fan_amps(reading: Measured, fla: tuple[float, float], how: FanRuns = FanRuns(), rules: HouseRules = DEFAULT) -> Finding:
    """Fan amps ÷ FLA: over 1.00 `bad`, `watch` where the band touches it, under 0.40 `watch`, 0 A `bad`.

    reading: A. fla: A, low and high end, the same where it is printed; between them `watch`. 0 A of a fan seen turning is `unsure`.
    Of an electronic fan only 0 A is judged.
    Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> [fan_amps(measure(text), (1.2, 1.2)).verdict.value for text in ("1.4", "0.9", "0.0")]
    ['bad', 'good', 'bad']
    """
    least, rated = exact(fla[0]), exact(fla[1])
    whose = f"FLA {say(rated)} A" if least == rated else f"FLA {say(least)} to {say(rated)} A, {how.recovered}"
    cuts = Cuts(watch_low=rated * LOW_BAD, high=rated)

    def found(verdict: Verdict, why: str, step: str = "") -> Finding:
        return judged(
            FAN, RUN_AMPS, verdict, why, reading, unit="A", nominal=fla[1], decision=rules.decision, next=step, limits=cuts.limits()
        )  # fmt: skip

    if reading.number is None:
        return found(Verdict.UNSURE, "No number to judge.", "Use a higher range.")
    amps = reading.number
    if amps <= IDLE_PART * rated:
        if how.turning:
            return found(Verdict.UNSURE, f"{say(amps)} A, and it was seen turning: the wrong wire in the jaw.", "Clamp the fan's own wire.")
        return found(Verdict.BAD, f"{say(amps)} A: no current in the fan motor.", "Supply, its capacitor, an open winding, in that order.")
    if how.electronic:
        return found(Verdict.GOOD, f"{say(amps)} A: it draws current. An electronic fan sets its own amps.")
    about = f"{say(amps)} A is {say(amps / rated, 3)} of {whose}."
    if decide(reading, None, rated, rules.decision) == "unsure":
        why, remedy = why_unsure(reading, "A", turns_to_decide(reading, None, rated))
        return found(Verdict.UNSURE, f"{about} {why}", remedy)
    if amps > rated:
        step = "A tight bearing, a bent or wrong blade, a weak fan capacitor, or a failing motor."
        if (reading.low or Decimal(0)) <= rated:
            return found(Verdict.WATCH, f"{about} The meter's band touches the plate.", step)
        return found(Verdict.BAD, about, step)
    if amps > least:
        return found(Verdict.WATCH, f"{about} Inside what the plate leaves open.", "Find the fan's FLA on its own label.")
    where = place(reading, cuts, rules, "A")
    step = "Is the blade on, and turning the right way?" if where.verdict is Verdict.WATCH else ""
    return found(where.verdict, about, step)


def total_amps(whole: Measured, compressor: Measured, fan: Measured) -> Finding:
    """The total against compressor plus fan: apart by the combined band + 0.5 A at most is `good`, else `watch`.

    All in A. Source: [D] currents of one circuit add, near enough in phase.

    >>> from outer_test.measurement import measure
    >>> total_amps(measure("15.1"), measure("12.4"), measure("0.9")).verdict.value
    'watch'
    """
    gap = total([whole], [compressor, fan])
    allowed = gap.half + ALLOWED_A
    sound = abs(numeric(gap)) <= allowed
    parts = f"{say(numeric(compressor))} + {say(numeric(fan))} A"
    why = f"{say(numeric(whole))} A in all against {parts}: {say(abs(numeric(gap)), 3)} A apart, {say(allowed, 3)} A allowed."
    more = (
        "A crankcase heater, a third load, or the clamp." if numeric(gap) > 0 else "Less than its parts: the clamp was on the wrong wire."
    )
    both = numeric(compressor) + numeric(fan)
    return judged(
        "amps.total.run_a", TOTAL_AMPS, Verdict.GOOD if sound else Verdict.WATCH, why, whole, unit="A", nominal=float(both),
        limits=Limits(watch_low=float(both - allowed), watch_high=float(both + allowed)), next="" if sound else more,
    )  # fmt: skip
