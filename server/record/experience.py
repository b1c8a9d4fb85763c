"""What was wrong, by complaint: counted from finished visits whose repair proved it."""

from collections import Counter
from dataclasses import dataclass

from accounts.models import Company
from outer_test.twin import FAULTS
from visits.experience import proved_by_complaint


@dataclass(frozen=True, slots=True)
class Cause:
    """A fault that was proved by its repair, in plain words, and how often."""

    fault: str
    says: str
    count: int


@dataclass(frozen=True, slots=True)
class ByComplaint:
    """The calls with one complaint: how many were concluded, and what was proved, the most frequent first."""

    complaint: str
    visits: int
    causes: tuple[Cause, ...]


def experience(company: Company) -> tuple[ByComplaint, ...]:
    """Every complaint with a proved cause, those with the most calls first."""
    calls, proved = proved_by_complaint(company)
    told = [ByComplaint(complaint, count, _causes(proved[complaint])) for complaint, count in calls.most_common()]
    return tuple(one for one in told if one.causes)


def _causes(counted: Counter[str]) -> tuple[Cause, ...]:
    """In words where this version knows the fault, by its key where it does not."""
    words = {fault.key.value: fault.says for fault in FAULTS}
    return tuple(Cause(fault, words.get(fault, fault), count) for fault, count in counted.most_common())
