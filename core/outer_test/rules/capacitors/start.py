"""The start capacitor against its printed band: the rule `cap-start` (handbook section 5)."""

from outer_test.judgement import DEFAULT, Finding, HouseRules, Limits, Rule, Verdict, judged
from outer_test.measurement import Measured, confidence, decide, exact, say, why_unsure

CAP_START = Rule("cap-start", "Start capacitor", "the printed band; common practice", "T")


def cap_start(reading: Measured, low_uf: float, high_uf: float, rules: HouseRules = DEFAULT) -> Finding:
    """Inside the printed µF band is `good`, below `bad`, above `watch`, through `decision`.

    reading, low_uf, high_uf: µF. OL is `bad` only where the range's top is at least 2 × the band's top.
    Source: [T]; the band is the part's own label.

    >>> from outer_test.measurement import measure
    >>> cap_start(measure("171"), 189, 227).verdict.value
    'bad'
    """
    low, high = exact(low_uf), exact(high_uf)
    step = "Replace it. Unclip a bleed resistor before measuring, and fit it again."
    printed = f"the printed band is {say(low)} to {say(high)} µF"
    if reading.number is None:
        known = reading.top is not None and reading.top >= 2 * high
        verdict = Verdict.BAD if known else Verdict.UNSURE
        why = f"OL says it is above the range; {printed}."
        step = step if known else f"Measure again on a range of {say(2 * high)} µF or more, and enter its top."
    else:
        side = decide(reading, low, high, rules.decision)
        if side == "unsure":
            reason, step = why_unsure(reading, "µF")
            verdict, why = Verdict.UNSURE, f"{reason} Here {printed}."
        elif side == "inside":
            verdict, why, step = Verdict.GOOD, f"{say(reading.number)} µF: {printed}.", ""
        elif side == "above":
            verdict, why = Verdict.WATCH, f"{say(reading.number)} µF is above it: {printed}."
            step = "Is the bleed resistor still across it? Unclip it and measure again."
        else:
            verdict, why = Verdict.BAD, f"{say(reading.number)} µF is below it: {printed}."
    return judged(
        "cap.start.uf", CAP_START, verdict, why, reading, unit="µF", limits=Limits(low=low_uf, high=high_uf),
        confidence=confidence(reading, low, high), school="label", decision=rules.decision, next=step,
    )  # fmt: skip
