"""What is known of a unit and its company, as the core's visit has it."""

from collections.abc import Mapping
from typing import Any

from accounts.models import Company
from fleet.models import Unit
from outer_test import visit as core
from outer_test.plain_data import read_as
from visits.models import Visit


def known_of(row: Visit, kept: Mapping[str, Any]) -> core.Visit:
    """The core's visit before anything was written on it: what was known of the unit and the company (`kept`), and its opening."""
    said = {"rules": row.rules, "complaint": row.complaint or None, "began": row.began or None}
    before = {"baseline": row.baseline, "experience": row.experience, "timed_out_before": row.timed_out_before}
    return read_as(core.Visit, {**kept, **said, **before})


def as_it_stands(company: Company, unit: Unit, van_stock: Any) -> dict[str, Any]:
    """Plate, parts, the technician's stock and meters as they stand now: what a finished visit keeps."""
    return {
        "plate": unit.plate,
        "fitted": unit.fitted,
        "contactor_fitted": unit.contactor_fitted,
        "van_stock": van_stock,
        "meters": {name: about["accuracy"] for name, about in company.meters.items()},
        "calibration_due": {name: about["due"] for name, about in company.meters.items() if about.get("due")},
    }


def known_visit(kept: Mapping[str, Any]) -> core.Visit:
    """The core's visit of what was kept of a unit and its company."""
    return read_as(core.Visit, dict(kept))


def core_unit(unit: Unit) -> core.Visit:
    """A visit with nothing but the unit's plate and what is fitted: what its drawing and its standing are made from."""
    return read_as(core.Visit, {"plate": unit.plate, "fitted": unit.fitted, "contactor_fitted": unit.contactor_fitted})
