"""Setting a company's house rules, and every version there was."""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from django.db import transaction
from django.utils import timezone

from accounts.models import Company, HouseRulesVersion, Member
from accounts.versions import change_from
from outer_test.judgement import HouseRules
from outer_test.measurement import FieldProblem
from outer_test.plain_data import differences, plain, read_as

MOST_SHOWN = 50
RULES = "rules"  # what accounts.versions calls them


@dataclass(frozen=True, slots=True)
class Version:
    """House rules as somebody set them."""

    at: datetime
    by_whom: str
    note: str
    rules: HouseRules


def rules_versions(company: Company) -> list[Version]:
    """The versions, newest first."""
    rows = HouseRulesVersion.objects.of(company).select_related("member").order_by("-at")[:MOST_SHOWN]
    return [Version(row.at, row.member.shown_name, row.note, read_as(HouseRules, row.rules)) for row in rows]


def set_rules(member: Member, version_id: UUID, rules: HouseRules, seen: int, note: str) -> None:
    """Keep new house rules, made from version `seen`, as the company's own. The same UUID sent again changes nothing.

    Raises FieldProblem, Overtaken.
    """
    if len(note) > 200:
        raise FieldProblem("note", "Use up to 200 characters.")
    with transaction.atomic():
        company = Company.objects.select_for_update().get(pk=member.company.pk)
        if HouseRulesVersion.objects.of(company).filter(uuid=version_id).exists():
            return
        change_from(member, RULES, seen, differences(read_as(HouseRules, company.rules), rules))
        HouseRulesVersion.objects.of(company).create(
            company=company, uuid=version_id, rules=plain(rules), note=note.strip(), member=member, at=timezone.now()
        )
        company.rules = plain(rules)
        company.save(update_fields=["rules"])
        member.company.rules = company.rules
