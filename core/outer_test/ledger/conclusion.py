"""What a finished visit came to, as it is kept."""

from dataclasses import dataclass

from outer_test.judgement import Verdict
from outer_test.measurement import Record


@dataclass(frozen=True, slots=True)
class FoundThen(Record):
    """A verdict as it was given."""

    point: str
    rule: str
    verdict: Verdict


@dataclass(frozen=True, slots=True)
class SuspectThen(Record):
    """What was thought possible, and how likely."""

    fault: str
    probability: float


@dataclass(frozen=True, slots=True)
class AccusedThen(Record):
    """A part that was concluded to be at fault."""

    part: str
    fault: str


@dataclass(frozen=True, slots=True)
class Conclusion(Record):
    """What a finished visit came to, by this version of the core, up to this place of the ledger: kept, and not judged again.

    `accused` are the parts as found; `proved` those of their faults whose part was put in and that are gone as left.
    """

    core: str
    place: int
    as_found: Verdict
    as_left: Verdict
    findings: tuple[FoundThen, ...] = ()
    suspects: tuple[SuspectThen, ...] = ()
    accused: tuple[AccusedThen, ...] = ()
    proved: tuple[str, ...] = ()
