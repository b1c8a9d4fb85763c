"""What was proved to be wrong, by complaint: counted from the conclusions of finished visits."""

from collections import Counter
from typing import Any

from accounts.models import Company
from outer_test.plain_data import present
from outer_test.visit import ProvedCause
from visits.conclude import conclusions
from visits.models import Visit


def proved_by_complaint(company: Company) -> tuple[Counter[str], dict[str, Counter[str]]]:
    """The concluded calls of each complaint, and how often each fault was proved by its repair on them; "" for no complaint."""
    complaints = dict(Visit.objects.of(company).filter(finished_at__isnull=False).values_list("id", "complaint"))
    calls: Counter[str] = Counter()
    proved: dict[str, Counter[str]] = {}
    # Of a conclusion only this: its findings are many, and a company's visits thousands.
    for visit, faults in conclusions(company).values_list("visit", "body__proved").iterator():
        complaint = complaints.get(visit, "")
        calls[complaint] += 1
        proved.setdefault(complaint, Counter()).update(faults or ())
    return calls, proved


def company_experience(company: Company) -> list[dict[str, Any]]:
    """The core's ProvedCause as plain data, as a visit opened now is to have it; empty where the house rules leave it out."""
    if company.house_rules.experience != "own":
        return []
    _, proved = proved_by_complaint(company)
    causes = [
        ProvedCause(complaint, fault, count)  # type: ignore[arg-type]
        for complaint, faults in sorted(proved.items())
        if complaint
        for fault, count in faults.items()
    ]
    found: list[dict[str, Any]] = present(causes)
    return found
