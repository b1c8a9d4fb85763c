"""The demo company: made up, loaded once, put back on request. Its numbers are invented and prove nothing."""

from datetime import datetime, timedelta
from typing import Any
from uuid import UUID, uuid5

from django.apps import apps
from django.db import connection, transaction
from django.utils import timezone

from accounts.append_only import AppendOnly
from accounts.demo_people import DEMO_PASSWORD
from accounts.models import Company, CompanyRow, Member
from fleet.models import Unit
from fleet.write_unit import add_unit, carry
from ledger.write import ledger_of
from ledger.writer import Made, New, Subject, Writer, own_writer
from outer_test.acts import FinishVisit, LiftedHow, PowerSaid, TypedReading
from outer_test.ledger import Opened, PlateRead, Rules, UnitAdded
from outer_test.plain_data import read_as
from outer_test.visit import Conditions, open_lines
from setup.demo_data import COMPANY, LEAD, TECHNICIANS, VAN
from setup.demo_fleet import load_fleet
from setup.demo_units import UNITS
from visits.act import act_on
from visits.load import find_visit, load_visit
from visits.open_visit import put_on_the_list

_NAMES = UUID("6f1c2d0e-5f1b-4a57-9d0a-7e5d3c9b8a10")


def demo_is_loaded() -> bool:
    """Whether the demo company is there."""
    return Company.objects.filter(name=COMPANY["name"]).exists()


@transaction.atomic
def remove_demo() -> None:
    """Remove the demo company with all that was written for it, and nothing else."""
    company = Company.objects.filter(name=COMPANY["name"]).first()
    if company is None:
        return
    empty_company(company)
    company.members.all().delete()
    company.delete()


@transaction.atomic
def empty_company(company: Company) -> None:
    """Remove everything that was written for a company; the company itself and its people stay. Not offered anywhere but to
    put the demo back: what is written in the field is never removed."""
    rows = [model for model in apps.get_models() if issubclass(model, CompanyRow)]
    append_only = [model._meta.db_table for model in rows if issubclass(model, AppendOnly)]
    with connection.cursor() as cursor:
        cursor.execute("SET CONSTRAINTS ALL IMMEDIATE")  # a table with checks still to come cannot be altered
        for table in append_only:
            cursor.execute(f"ALTER TABLE {table} DISABLE TRIGGER append_only")
        cursor.execute("SET CONSTRAINTS ALL DEFERRED")  # in whatever order they go, in the end all fit
        for model in rows:
            cursor.execute(f"DELETE FROM {model._meta.db_table} WHERE company_id = %s", [company.pk])
        cursor.execute("SET CONSTRAINTS ALL IMMEDIATE")
        for table in append_only:
            cursor.execute(f"ALTER TABLE {table} ENABLE TRIGGER append_only")


@transaction.atomic
def load_demo(fleet: bool = False) -> None:
    """Make the demo company, its people, the units that its day is about and the day's visits; on request the rest of its fleet too."""
    company = Company.objects.create(**COMPANY)
    people = {
        username: Member.objects.create_user(username, password=DEMO_PASSWORD, company=company, role=role, first_name=first, last_name=last)
        for username, first, last, role in (*TECHNICIANS, LEAD)
    }
    for unit in UNITS:
        _load_unit(company, people, unit)
    if fleet:
        load_fleet(company, [people[username] for username, *_ in TECHNICIANS])
    Member.objects.filter(company=company).update(van_stock=VAN)  # as counted today: what was put in before is off it


def _load_unit(company: Company, people: dict[str, Member], about: dict[str, Any]) -> None:
    key = about["key"]
    added = UnitAdded(about["site"], about["address"], about["label"], about["serial"])
    plate = read_as(PlateRead, {name: about[name] for name in ("plate", "fitted", "contactor_fitted") if about.get(name)})
    first = timezone.now() - timedelta(days=1 + max((visit.get("days_ago", 0) for visit in about["visits"]), default=0))
    writer = own_writer(next(iter(people.values())), f"demo {key}")
    unit = add_unit(writer, New(_id(key, "unit"), added, first))
    with ledger_of(writer) as ledger:
        ledger.write_events(Subject(unit.site_id, unit.pk), [New(_id(key, "plate"), plate, first)])
    carry(unit, plate)
    midnight = timezone.localtime().replace(hour=0, minute=0, second=0, microsecond=0)
    for visit in about["visits"]:
        days = timedelta(days=visit.get("days_ago", 0))
        writer = own_writer(people[visit["technician"]], f"demo {key} {days.days}")
        opened = Opened(
            midnight + timedelta(minutes=visit["minute"]) - days, visit["complaint"], visit.get("began", ""), visit.get("notes", "")
        )
        _play(writer, unit, _id(key, "visit", str(visit.get("days_ago", ""))), opened, visit, timezone.now() - timedelta(minutes=50) - days)


def _play(writer: Writer, unit: Unit, visit_id: UUID, opened: Opened, visit: dict[str, Any], start: datetime) -> None:
    """Write what the demo's technician did, through the same door a real one uses."""
    key = str(visit_id)
    with ledger_of(writer) as ledger:
        begun = start - timedelta(minutes=3)
        row = put_on_the_list(ledger, unit, visit_id, opened, begun)
        said = [Rules(writer.company.house_rules), read_as(Conditions, visit.get("conditions", {}))]
        ledger.write_events(
            Subject(unit.site_id, unit.pk, row.pk), [New(_id(key, f"said {place}"), body, begun) for place, body in enumerate(said)]
        )
    if visit.get("dead"):
        act_on(writer, row.id, Made(id=_id(key, "dead"), at=start - timedelta(minutes=2)), PowerSaid(state="dead-claimed"))
    for place, (point, value, *tags) in enumerate(visit.get("entries", [])):
        at = start + timedelta(seconds=40 * place)
        if point == "power":
            if value == "live":  # everything goes back before power returns
                _put_back(writer, row.id, at - timedelta(seconds=10))
            act_on(writer, row.id, Made(id=_id(key, f"power {place}"), at=at), PowerSaid(state=value))
            continue
        typed = TypedReading(point=point, typed=value, meter=_meter(point), **(tags[0] if tags else {}))
        act_on(writer, row.id, Made(id=_id(key, f"entry {place}"), at=at), typed)
    if visit.get("finished"):
        _put_back(writer, row.id, start + timedelta(minutes=30))
        act_on(writer, row.id, Made(id=_id(key, "finish"), at=start + timedelta(minutes=45)), FinishVisit())


def _put_back(writer: Writer, visit_id: UUID, at: datetime) -> None:
    loaded = load_visit(writer.company, find_visit(writer.company, visit_id))
    for line in open_lines(loaded.visit):
        act_on(writer, visit_id, Made(id=_id(str(line.id), "back"), at=at), LiftedHow(line=str(line.id), how="back"))


def _meter(point: str) -> str:
    return "clamp meter" if point.endswith((".uf", ".v", ".vdc", "_a", ".a", "_v", ".ohm")) else ""


def _id(*words: str) -> UUID:
    return uuid5(_NAMES, "/".join(words))
