"""What a device needs of its company to open a visit where there is no signal: its units as they stand, its meters and its rules."""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from django.utils import timezone

from accounts.models import Company, Member
from fleet.models import Unit
from fleet.write_unit import units_by_place
from outer_test import visit as core
from outer_test.judgement import SCHOOLS, HouseRules
from outer_test.ledger import known_data
from visits.experience import company_experience
from visits.load import member_names
from visits.shapes import MeterChoice
from visits.to_core import as_it_stands, known_visit


@dataclass(frozen=True, slots=True)
class UnitInKit:
    """A unit, and what is known of it and its company as a visit's record has it."""

    id: UUID
    site: str
    address: str
    unit: str
    serial: str
    known: dict[str, Any]


@dataclass(frozen=True, slots=True)
class Kit:
    """A company on a device. `known` is what is known where the unit is new. me: the asker's key. device: the asker's device."""

    company: str
    technician: str
    me: int
    device: str
    names: dict[str, str]
    schools: dict[str, str]
    meters: tuple[MeterChoice, ...]
    known: dict[str, Any]
    units: tuple[UnitInKit, ...]


def kit_of(member: Member, device: UUID) -> Kit:
    """The kit for this member's device."""
    company = member.company
    experience = company_experience(company)
    new = _known(member, Unit(), experience)
    units = tuple(
        UnitInKit(unit.id, unit.site.name, unit.site.address, unit.label, unit.serial, known_data(_known(member, unit, experience)))
        for unit in units_by_place(company)
    )
    names = {str(key): name for key, name in member_names(company).items()}
    return Kit(
        company.name, member.shown_name, member.pk, str(device), names, schools_of(new.rules),
        tuple(meters_of(company, new)), known_data(new), units,
    )  # fmt: skip


def _known(member: Member, unit: Unit, experience: list[dict[str, Any]]) -> core.Visit:
    company = member.company
    return known_visit({**as_it_stands(company, unit, member.van_stock), "rules": company.rules, "experience": experience})


def schools_of(rules: HouseRules) -> dict[str, str]:
    """In words, which school is followed in each choice."""
    return {choice: words[getattr(rules, choice)] for choice, words in SCHOOLS.items()}


def meters_of(company: Company, known: core.Visit) -> Iterable[MeterChoice]:
    """The meters known on a visit that are still offered, and whether each is due for calibration."""
    today = timezone.localdate()
    for name in known.meters:
        due = known.calibration_due.get(name)
        if not company.meters.get(name, {}).get("retired"):
            yield MeterChoice(name, due is not None and due < today)
