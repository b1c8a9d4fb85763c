"""From a loaded visit to what the API says of it."""

from uuid import UUID

from accounts.models import Company
from outer_test.round import round_of
from visits.before import read_before
from visits.kit import meters_of, schools_of
from visits.load import Loaded
from visits.plate import plates_read
from visits.shapes import VisitShown
from visits.sync import record_of


def show_visit(company: Company, loaded: Loaded, asker: int, device: UUID) -> VisitShown:
    """A visit whole, for its screens and its sheet, and for its asker's device to go on with."""
    row = loaded.row
    rules = loaded.visit.rules
    return VisitShown(
        id=row.id,
        company=company.name,
        site=row.unit.site.name,
        address=row.unit.site.address,
        unit_id=row.unit.id,
        unit=row.unit.label,
        serial=row.unit.serial,
        technician=loaded.names.get(row.technician_id, ""),
        technician_key=row.technician_id,
        scheduled_for=row.scheduled_for,
        complaint=row.complaint,
        began=row.began,
        notes=row.notes,
        schools=schools_of(rules),
        meters=tuple(meters_of(company, loaded.visit)),
        rules_are_current=rules == company.house_rules or row.finished_at is not None,
        round=round_of(loaded, asker),
        plate_history=tuple(plates_read(company, row.unit, loaded.names)),
        before=read_before(company, row),
        record=record_of(loaded, asker, device),
    )
