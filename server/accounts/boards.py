"""The company's board profiles: the generic ones that ship, and its own beside or instead of them."""

from dataclasses import dataclass, replace

from accounts.models import Company
from outer_test.measurement import FieldProblem
from outer_test.nameplate import SHIPPED, Defrost
from outer_test.plain_data import read_as, sparse

MOST = 200


@dataclass(frozen=True, slots=True)
class BoardProfile:
    """A board by its name. `shipped` where it came with the app and the company has not changed it."""

    name: str
    defrost: Defrost
    shipped: bool = False


def board_profiles(company: Company) -> tuple[BoardProfile, ...]:
    """Every profile a unit of this company can carry, by name."""
    own = {name: BoardProfile(name, read_as(Defrost, about)) for name, about in company.boards.items()}
    shipped = {name: BoardProfile(name, about, True) for name, about in SHIPPED.items() if name not in own}
    return tuple(sorted((own | shipped).values(), key=lambda one: one.name))


def keep_board(company: Company, name: str, defrost: Defrost) -> None:
    """Add a profile, or change the one of this name; a shipped one changed is the company's own from then on.

    Units that carry it keep what they have until their plate is read again. Raises FieldProblem.
    """
    name = name.strip()
    if not name or len(name) > 60:
        raise FieldProblem("name", "Give it a name of up to 60 characters.")
    if defrost.control is None:
        raise FieldProblem("control", "Choose the kind of control.")
    if name not in company.boards and len(company.boards) >= MOST:
        raise FieldProblem("name", f"Use at most {MOST} profiles.")
    company.boards = company.boards | {name: sparse(replace(defrost, profile=name))}
    company.save(update_fields=["boards"])


def drop_board(company: Company, name: str) -> None:
    """Take the company's own profile off the list; a shipped one it stood for is offered again. Raises FieldProblem."""
    if name not in company.boards:
        raise FieldProblem("name", "This is not one of your company's own profiles.")
    company.boards = {other: about for other, about in company.boards.items() if other != name}
    company.save(update_fields=["boards"])
