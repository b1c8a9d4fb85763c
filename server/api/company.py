"""The company: its meters and its house rules. Technicians read, leads change."""

from dataclasses import dataclass
from datetime import date, datetime
from uuid import UUID

from ninja import Body, Router

from accounts.audit import note
from accounts.boards import BoardProfile, board_profiles, drop_board, keep_board
from accounts.company_rules import RULES, rules_versions, set_rules
from accounts.instruments import Instrument, instruments, set_instruments
from accounts.letterhead import allow_links, set_letterhead
from accounts.time_zone import set_zone
from accounts.versions import version_of
from api.problems import Problem, Refused
from api.signed_in import Asking
from outer_test.judgement import HouseRules
from outer_test.nameplate import Defrost
from outer_test.procedure import UPKEEP_ITEMS, UpkeepItem
from outer_test.report import ChoiceExample, school_examples

router = Router(tags=["company"])
REFUSALS = {401: Problem, 403: Problem, 409: Problem, 422: Problem}


@dataclass(frozen=True, slots=True)
class RulesVersion:
    """House rules as they were set once."""

    at: datetime
    by_whom: str
    note: str
    rules: HouseRules


@dataclass(frozen=True, slots=True)
class RulesShown:
    """The house rules now, every choice with its example under each school, what a maintenance call can record, and the versions,
    newest first."""

    rules: HouseRules
    choices: tuple[ChoiceExample, ...]
    upkeep: tuple[UpkeepItem, ...]
    versions: tuple[RulesVersion, ...]
    version: int
    may_change: bool


@dataclass(frozen=True, slots=True)
class NewRules:
    """House rules to keep from now on, with the client's UUID, the version they were made from, and why."""

    id: UUID
    rules: HouseRules
    version: int
    note: str = ""


@dataclass(frozen=True, slots=True)
class MetersShown:
    """The company's meters; `today` is the day that overdue is told by."""

    meters: tuple[Instrument, ...]
    today: date
    may_change: bool


@dataclass(frozen=True, slots=True)
class NewMeters:
    """The company's meters from now on."""

    meters: tuple[Instrument, ...]


@dataclass(frozen=True, slots=True)
class BoardsShown:
    """The board profiles a unit can carry."""

    boards: tuple[BoardProfile, ...]
    may_change: bool


@dataclass(frozen=True, slots=True)
class Letterhead:
    """The company's name, what stands under it on a visit sheet, the zone its times are in (empty is the server's), and whether its
    people may give a customer a link to the page of their visit."""

    name: str
    letterhead: str
    time_zone: str
    customer_links: bool
    may_change: bool


@dataclass(frozen=True, slots=True)
class NewLetterhead:
    """What stands under the company's name from now on, and the zone its times are in."""

    letterhead: str
    time_zone: str = ""
    customer_links: bool | None = None


@dataclass(frozen=True, slots=True)
class NewBoard:
    """A board profile to keep under this name, made from this version of it; 0 for a new one."""

    name: str
    defrost: Defrost
    version: int


def need_lead(request: Asking) -> None:
    """Refuse whoever is no lead. Raises Refused."""
    if request.auth.role != "lead":
        raise Refused(403, "Only a lead can change this.")


def _rules(request: Asking) -> RulesShown:
    member = request.auth
    versions = tuple(RulesVersion(version.at, version.by_whom, version.note, version.rules) for version in rules_versions(member.company))
    number = version_of(member.company, RULES)
    return RulesShown(member.company.house_rules, school_examples(), UPKEEP_ITEMS, versions, number, member.role == "lead")


@router.get("/rules", response={200: RulesShown, 401: Problem})
def house_rules(request: Asking) -> RulesShown:
    """The house rules, with what each school makes of the same reading."""
    return _rules(request)


@router.put("/rules", response={200: RulesShown, **REFUSALS})
def change_rules(request: Asking, body: Body[NewRules]) -> RulesShown:
    """Keep new house rules. Visits already open keep theirs until they are judged anew on request."""
    need_lead(request)
    set_rules(request.auth, body.id, body.rules, body.version, body.note)
    note(request.auth, "changed the house rules")
    return _rules(request)


@router.get("/meters", response={200: MetersShown, 401: Problem})
def meters(request: Asking) -> MetersShown:
    """The company's meters with their accuracy and calibration day."""
    return MetersShown(instruments(request.auth.company), date.today(), request.auth.role == "lead")


@router.put("/meters", response={200: MetersShown, **REFUSALS})
def change_meters(request: Asking, body: Body[NewMeters]) -> MetersShown:
    """Keep the list of meters. A meter that readings name is retired, not removed."""
    need_lead(request)
    set_instruments(request.auth.company, body.meters)
    note(request.auth, "changed the meters")
    return meters(request)


@router.get("/letterhead", response={200: Letterhead, 401: Problem})
def letterhead(request: Asking) -> Letterhead:
    """What stands under the company's name on a visit sheet."""
    company = request.auth.company
    return Letterhead(company.name, company.letterhead, company.time_zone, company.customer_links, request.auth.role == "lead")


@router.put("/letterhead", response={200: Letterhead, **REFUSALS})
def change_letterhead(request: Asking, body: Body[NewLetterhead]) -> Letterhead:
    """Keep the letterhead (address, telephone, licence), the time zone, and, where said, whether customers may be given links."""
    need_lead(request)
    set_zone(request.auth.company, body.time_zone)
    set_letterhead(request.auth.company, body.letterhead)
    note(request.auth, "changed the letterhead")
    allowed = request.auth.company.customer_links
    if body.customer_links is not None and body.customer_links != allowed:
        allow_links(request.auth.company, body.customer_links)
        note(request.auth, f"{'allowed' if body.customer_links else 'ended'} links for customers")
    return letterhead(request)


@router.get("/boards", response={200: BoardsShown, 401: Problem})
def boards(request: Asking) -> BoardsShown:
    """The board profiles: those that ship, and the company's own."""
    return BoardsShown(board_profiles(request.auth.company), request.auth.role == "lead")


@router.put("/boards", response={200: BoardsShown, **REFUSALS})
def change_board(request: Asking, body: Body[NewBoard]) -> BoardsShown:
    """Add a board profile, or change the one of this name."""
    need_lead(request)
    keep_board(request.auth, body.name, body.defrost, body.version)
    note(request.auth, f"kept the board profile {body.name.strip()}")
    return boards(request)


@router.delete("/boards/{path:name}", response={200: BoardsShown, **REFUSALS})
def remove_board(request: Asking, name: str, version: int) -> BoardsShown:
    """Take one of the company's own profiles off the list. Units that carry it keep it."""
    need_lead(request)
    drop_board(request.auth, name, version)
    note(request.auth, f"took the board profile {name} off the list")
    return boards(request)
