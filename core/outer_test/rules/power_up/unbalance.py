"""Balanced volts of a three-phase supply: the rule `unbalance` (handbook section 7)."""

from collections.abc import Iterable, Sequence

from outer_test.judgement import Finding, Limits, Rule, Verdict, judged
from outer_test.measurement import Measured, largest_deviation, numeric, say

UNBALANCE = Rule("unbalance", "Voltage unbalance", "NEMA MG 1, 14.36, from memory", "P")

WATCH_PCT, BAD_PCT = 1, 5


def must_not_run(findings: Iterable[Finding]) -> bool:
    """Whether the supply is too far out of balance for a motor to run on it.

    >>> must_not_run([])
    False
    """
    return any(one.rule == UNBALANCE.name and one.verdict is Verdict.BAD for one in findings)


def voltage_unbalance(volts: Sequence[Measured], point: str = "line.l1_l2.v") -> Finding:
    """Unbalance of three line voltages: over 1 % `watch` (derating begins), over 5 % `bad` (do not run). volts: V a.c.

    Largest deviation ÷ mean. Source: [P: NEMA MG 1, 14.36, from memory].

    >>> from outer_test.measurement import measure
    >>> voltage_unbalance([measure("460"), measure("467"), measure("450")]).verdict.value
    'watch'
    """
    apart = largest_deviation([numeric(volt) for volt in volts]) * 100
    verdict = Verdict.BAD if apart > BAD_PCT else Verdict.WATCH if apart > WATCH_PCT else Verdict.GOOD
    step = "" if verdict is Verdict.GOOD else "Find the weak leg: a joint, a fuse, or the utility. An electrician's work."
    if verdict is Verdict.BAD:
        step = f"Do not run it. {step}"
    return judged(
        point, UNBALANCE, verdict, f"Volts are unbalanced by {say(apart, 3)} %; from 1 % the motor is derated, over 5 % it must not run.",
        unit="%", value=float(round(apart, 3)), limits=Limits(watch_high=WATCH_PCT, high=BAD_PCT), next=step,
    )  # fmt: skip
