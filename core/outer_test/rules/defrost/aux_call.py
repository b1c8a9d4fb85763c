"""Volts on W at the board while it defrosts: part of the rule `sequence` (handbook section 9)."""

from decimal import Decimal

from outer_test.judgement import Finding, Verdict, does_not_apply, judged
from outer_test.measurement import Measured, say
from outer_test.rules.defrost.run_context import SEQUENCE

CALLS_V, BROKEN_V = Decimal(20), Decimal(1)


def aux_call(reading: Measured, aux_fitted: bool | None = None) -> Finding:
    """24 V on W to C at the board in defrost: from 20 V `good`; 1 to 20 V `watch`; below `unsure`. By itself it says little:
    the run, the aux heat fitted and the control voltage decide that. reading: V a.c. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> [aux_call(measure(volts)).verdict.value for volts in ("25.8", "4.1", "0.1")]
    ['good', 'watch', 'unsure']
    """
    if aux_fitted is False:
        return does_not_apply("defrost.aux_call.v", SEQUENCE, "No aux heat is fitted, so W calls nothing.", reading, "V")
    point, rule, number = "defrost.aux_call.v", SEQUENCE, reading.number
    if number is None:
        return judged(point, rule, Verdict.UNSURE, "OL says only that it is above the range.", reading, unit="V", next="Use 40 V or more.")
    if number >= CALLS_V:
        return judged(point, rule, Verdict.GOOD, f"{say(number)} V on W: the board calls for aux heat.", reading, unit="V", nominal=24.0)
    if number >= BROKEN_V:
        why = f"{say(number)} V on W: about 1 to 5 V comes through a broken wire."
        return judged(point, rule, Verdict.WATCH, why, reading, unit="V", nominal=24.0, next="Look at W and its joints.")
    return judged(
        point, rule, Verdict.UNSURE, f"{say(number)} V on W: no aux call at the board just then.", reading, unit="V", nominal=24.0,
        next="Was it in defrost just then? Read R to C beside it.",
    )  # fmt: skip
