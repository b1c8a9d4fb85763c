"""The stops that stand, and what they forbid (handbook section 1)."""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum

from outer_test.judgement import Finding, Verdict
from outer_test.visit import group_of


class StopKind(StrEnum):
    """What kind of stop it is: it decides what may be done next."""

    NOT_DEAD = "not-dead"  # absence not proved, or a capacitor still charged: no hand in the unit
    NOT_SAFE_TO_ENERGISE = "not-safe-to-energise"  # a path to ground: dead work only, or leave it off


@dataclass(frozen=True, slots=True)
class Stop:
    """A stop that stands: where, of what kind, and why; `raised_by` is the point whose reading raised it."""

    point: str
    kind: StopKind
    why: str
    raised_by: str = ""


def stops_of(findings: Iterable[Finding]) -> tuple[Stop, ...]:
    """Every stop among the findings.

    >>> stops_of(())
    ()
    """
    return tuple(
        Stop(
            finding.point,
            StopKind.NOT_DEAD if group_of(finding.point) == "safe" else StopKind.NOT_SAFE_TO_ENERGISE,
            finding.why,
            finding.needs[0] if finding.needs else finding.point,
        )
        for finding in findings
        if finding.verdict is Verdict.STOP
    )
