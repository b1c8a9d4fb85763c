"""The company's board profiles: the generic ones that ship, and its own beside or instead of them."""

from dataclasses import dataclass, replace
from typing import Any

from django.db import transaction

from accounts.models import Company, Member
from accounts.versions import change_from, versions_of
from outer_test.measurement import FieldProblem
from outer_test.nameplate import SHIPPED, Defrost
from outer_test.plain_data import differences, read_as, sparse

MOST, LONGEST = 200, 60
_BOARD = "board "  # what accounts.versions calls one, before its name


@dataclass(frozen=True, slots=True)
class BoardProfile:
    """A board by its name. `shipped` where it came with the app and the company has not changed it; `version`: how often it did."""

    name: str
    defrost: Defrost
    shipped: bool = False
    version: int = 0


def board_profiles(company: Company) -> tuple[BoardProfile, ...]:
    """Every profile a unit of this company can carry, by name."""
    numbers = versions_of(company, _BOARD)
    own = {name: BoardProfile(name, read_as(Defrost, about), False, numbers.get(name, 0)) for name, about in company.boards.items()}
    shipped = {name: BoardProfile(name, about, True, numbers.get(name, 0)) for name, about in SHIPPED.items() if name not in own}
    return tuple(sorted((own | shipped).values(), key=lambda one: one.name))


@transaction.atomic
def keep_board(member: Member, name: str, defrost: Defrost, seen: int) -> None:
    """Add a profile, or change version `seen` of the one of this name; a shipped one changed is the company's own from then on.

    Units that carry it keep what they have until their plate is read again. Raises FieldProblem, Overtaken.
    """
    company, name = _locked(member), name.strip()
    check_board(company, name, defrost)
    defrost = replace(defrost, profile=name)
    change_from(member, _BOARD + name, seen, _now_says(company, name, defrost))
    _save(member, company, company.boards | {name: sparse(defrost)})


def check_board(company: Company, name: str, defrost: Defrost) -> None:
    """What a profile must have. Raises FieldProblem."""
    if not name or len(name) > LONGEST or not name.isprintable():
        raise FieldProblem("name", f"Give it a name of up to {LONGEST} characters, in one line.")
    if defrost.control is None:
        raise FieldProblem("control", "Choose the kind of control.")
    if name not in company.boards and len(company.boards) >= MOST:
        raise FieldProblem("name", f"Use at most {MOST} profiles.")


@transaction.atomic
def drop_board(member: Member, name: str, seen: int) -> None:
    """Take the company's own profile off the list; a shipped one it stood for is offered again. Raises FieldProblem, Overtaken."""
    company = _locked(member)
    if name not in company.boards:
        raise FieldProblem("name", "This is not one of your company's own profiles.")
    change_from(member, _BOARD + name, seen)
    _save(member, company, {other: about for other, about in company.boards.items() if other != name})


def _locked(member: Member) -> Company:
    return Company.objects.select_for_update().get(pk=member.company.pk)


def _save(member: Member, company: Company, boards: dict[str, Any]) -> None:
    company.boards = member.company.boards = boards
    company.save(update_fields=["boards"])


def _now_says(company: Company, name: str, wanted: Defrost) -> str:
    stands = company.boards.get(name)
    return differences(read_as(Defrost, stands), wanted) if stands is not None else "this board was taken off the list"
