"""Opening a visit to a unit."""

from collections.abc import Mapping
from datetime import datetime
from typing import Any
from uuid import UUID, uuid5

from accounts.models import Company
from fleet.models import Unit
from fleet.write_unit import find_unit, write_archived
from ledger.write import Ledger, ledger_of
from ledger.writer import Made, New, Subject, Writer, named
from outer_test.acts import OpenVisit
from outer_test.ledger import Archived, Opened, Rules, settled
from outer_test.rules.defrost import timed_out_after
from outer_test.visit import Lifted
from visits.baseline import unit_baseline
from visits.experience import company_experience
from visits.find_text import find_text_of
from visits.keep import left_behind
from visits.load import Loaded, load_visit
from visits.models import Visit
from visits.planning import technician_of


def open_visit(writer: Writer, unit_id: UUID, made: Made, opening: OpenVisit) -> Visit:
    """Open a visit, judged by the company's house rules as they stand. The same UUID opens one visit.
    It begins with what the unit's last visit left until a return visit, and is linked to it.

    Raises NoSuchUnit, FieldProblem.
    """
    company = writer.company
    unit = find_unit(company, unit_id)
    with ledger_of(writer) as ledger:
        already: Visit | None = Visit.objects.of(company).filter(id=made.id, unit=unit).first()
        if already is not None:
            return already
        latest = _latest_finished(company, unit)
        left = [] if latest is None else left_behind(latest.visit)
        when = opening.scheduled_for or settled(made.at, writer.device_now, writer.now).at
        opened = Opened(
            when,
            opening.complaint,
            opening.began,
            opening.notes.strip(),
            return_of=str(latest.row.pk) if latest is not None and left else "",
        )
        before = 0 if latest is None else timed_out_after(latest.visit)
        whose = writer.member if opening.technician is None else technician_of(company, opening.technician)
        visit = put_on_the_list(ledger, unit, made.id, opened, made.at, made.seq, technician=whose, timed_out_before=before)
        begins = [
            (named(made, "rules"), Rules(company.house_rules)),
            *((named(made, str(line.id)), Lifted(line.what, thing=line.thing)) for line in left),
        ]
        events = [New(name, body, made.at, made.seq, made.after, besides) for besides, (name, body) in enumerate(begins, 1)]
        ledger.write_events(Subject(unit.site_id, unit.pk, made.id), events)
        if unit.archived:  # whoever goes there looks after it again; opened without signal, nothing of it is refused
            write_archived(ledger, unit, New(named(made, "in use"), Archived(), made.at))
    return visit


def opened_id(visit_id: UUID) -> UUID:
    """The id of the event that opened a visit."""
    return uuid5(visit_id, "opened")


def put_on_the_list(
    ledger: Ledger, unit: Unit, visit_id: UUID, opened: Opened, at: datetime | None = None, seq: int | None = None,
    known_before: Mapping[str, Any] | None = None, **beside: Any,
) -> Visit:  # fmt: skip
    """Open a visit: its row and its first event.

    known_before: what earlier visits tell, where it comes with the visit; else it is asked for. beside: what else the row keeps.
    """
    writer, company = ledger.writer, ledger.writer.company
    row = Visit(
        company=company, id=visit_id, unit=unit, scheduled_for=opened.scheduled_for, complaint=opened.complaint,
        began=opened.began, notes=opened.notes, return_of_id=UUID(opened.return_of) if opened.return_of else None,
        **(_known_before(company, unit) if known_before is None else known_before),
        **({"technician": writer.member, "rules": company.rules} | beside),
    )  # fmt: skip
    row.find_text = find_text_of(row, row.technician.shown_name)
    row.save(force_insert=True)
    ledger.write_events(Subject(unit.site_id, unit.pk, visit_id), [New(opened_id(visit_id), opened, at, seq)])
    return row


def _known_before(company: Company, unit: Unit) -> dict[str, Any]:
    """What earlier visits tell of this unit and of the company's calls, kept as it is now."""
    return {"baseline": unit_baseline(company, unit), "experience": company_experience(company)}


def _latest_finished(company: Company, unit: Unit) -> Loaded | None:
    rows = Visit.objects.of(company).filter(unit=unit, finished_at__isnull=False).select_related("unit__site")
    latest: Visit | None = rows.order_by("-finished_at").first()
    return None if latest is None else load_visit(company, latest)
