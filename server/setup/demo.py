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
from fleet.models import Site, Unit
from fleet.write_unit import find_text_of as find_text_of_unit
from setup.demo_data import COMPANY, LEAD, TECHNICIANS
from setup.demo_units import UNITS
from visits.baseline import unit_baseline
from visits.find_text import find_text_of
from visits.load import Loaded
from visits.models import Visit
from visits.write_entries import NewEntry, write_entries
from visits.write_lists import claim_power, end_lifted, finish

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
def load_demo() -> None:
    """Make the demo company, its people, units and the day's visits."""
    company = Company.objects.create(**COMPANY)
    people = {
        username: Member.objects.create_user(username, password=DEMO_PASSWORD, company=company, role=role, first_name=first, last_name=last)
        for username, first, last, role in (*TECHNICIANS, LEAD)
    }
    for unit in UNITS:
        _load_unit(company, people, unit)


def _load_unit(company: Company, people: dict[str, Member], about: dict[str, Any]) -> None:
    key = about["key"]
    site = Site.objects.of(company).create(id=_id(key, "site"), company=company, name=about["site"], address=about["address"])
    unit = Unit.objects.of(company).create(
        id=_id(key, "unit"), company=company, site=site, label=about["label"], serial=about["serial"], plate=about["plate"],
        fitted=about.get("fitted", []), contactor_fitted=about.get("contactor_fitted"),
    )  # fmt: skip
    unit.find_text = find_text_of_unit(unit)
    unit.save(update_fields=["find_text"])
    midnight = timezone.localtime().replace(hour=0, minute=0, second=0, microsecond=0)
    for visit in about["visits"]:
        days = timedelta(days=visit.get("days_ago", 0))
        row = Visit.objects.of(company).create(
            id=_id(key, "visit", str(visit.get("days_ago", ""))), company=company, unit=unit, technician=people[visit["technician"]],
            rules=company.rules, scheduled_for=midnight + timedelta(minutes=visit["minute"]) - days, complaint=visit["complaint"],
            began=visit.get("began", ""), notes=visit.get("notes", ""), conditions=visit.get("conditions", {}),
            baseline=unit_baseline(company, unit),
        )  # fmt: skip
        row.find_text = find_text_of(row, people[visit["technician"]].shown_name)
        row.save(update_fields=["find_text"])
        _play(people[visit["technician"]], row, visit, timezone.now() - timedelta(minutes=50) - days)


def _play(member: Member, row: Visit, visit: dict[str, Any], start: datetime) -> None:
    """Write what the demo's technician did, through the same door a real one uses."""
    key = str(row.id)
    if visit.get("dead"):
        claim_power(member, row.id, _id(key, "dead"), "dead-claimed", start - timedelta(minutes=2))
    waiting: list[NewEntry] = []
    for place, (point, value, *tags) in enumerate(visit.get("entries", [])):
        at = start + timedelta(seconds=40 * place)
        if point == "power":
            loaded = write_entries(member, row.id, waiting)
            waiting = []
            if value == "live":  # everything goes back before power returns
                _put_back(member, row, loaded, at - timedelta(seconds=10))
            claim_power(member, row.id, _id(key, f"power {place}"), value, at)
            continue
        said: dict[str, Any] = tags[0] if tags else {}
        waiting.append(NewEntry(_id(key, f"entry {place}"), point, value, at, _meter(point), **said))
        if point == "safe.tester_after":  # from here on it is proved dead, and what follows is recorded so
            write_entries(member, row.id, waiting)
            waiting = []
    loaded = write_entries(member, row.id, waiting)
    if visit.get("finished"):
        _put_back(member, row, loaded, start + timedelta(minutes=30))
        finish(member, row.id, "", start + timedelta(minutes=45))


def _put_back(member: Member, row: Visit, loaded: Loaded, at: datetime) -> None:
    for line in loaded.log.lifted:
        if loaded.log.ending(line) is None:
            end_lifted(member, row.id, line.uuid, _id(str(line.uuid), "back"), "back", "", at)


def _meter(point: str) -> str:
    return "clamp meter" if point.endswith((".uf", ".v", ".vdc", "_a", ".a", "_v", ".ohm")) else ""


def _id(*words: str) -> UUID:
    return uuid5(_NAMES, "/".join(words))
