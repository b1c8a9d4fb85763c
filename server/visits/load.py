"""From rows to the core's visit: everything written on one visit, loaded in a few queries."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any
from uuid import UUID

from django.core.cache import cache

from accounts.models import Company, Member
from files.visit_file import visit_from
from fleet.models import Unit
from outer_test import visit as core
from outer_test.points import POINTS
from visits.models import BoardWireLine, DefrostStamp, Entry, LiftedLine, PowerClaim, Visit


class NoSuchVisit(LookupError):
    """This company has no such visit."""


class Finished(Exception):
    """The visit is finished: nothing more is written on it."""


@dataclass(frozen=True, slots=True)
class Loaded:
    """A visit's rows, the core's visit made of them, and the names of the company's people by key."""

    row: Visit
    entries: Sequence[Entry]
    power: Sequence[PowerClaim]
    lifted: Sequence[LiftedLine]
    stamps: Sequence[DefrostStamp]
    wires: Sequence[BoardWireLine]
    visit: core.Visit
    names: dict[int, str]


def find_visit(company: Company, visit_id: UUID, lock: bool = False) -> Visit:
    """The visit's own row with unit, site and people. `lock` keeps writers of the same visit in line.

    Raises NoSuchVisit, also for another company's visit.
    """
    rows = Visit.objects.of(company).filter(id=visit_id)
    rows = rows.select_related("unit").select_for_update(of=("self",)) if lock else rows.select_related("unit", "unit__site")
    row: Visit | None = next(iter(rows), None)
    if row is None:
        raise NoSuchVisit
    return row


def open_for_writing(member: Member, visit_id: UUID) -> Visit:
    """The visit, locked until the transaction ends. Raises NoSuchVisit, Finished."""
    row = find_visit(member.company, visit_id, lock=True)
    if row.finished_at is not None:
        raise Finished
    return row


def load_visit(company: Company, row: Visit) -> Loaded:
    """Gather what was written on this visit."""
    entries = list(Entry.objects.of(company).filter(visit=row).order_by("id"))
    power = list(PowerClaim.objects.of(company).filter(visit=row).order_by("at", "id"))
    lifted = list(LiftedLine.objects.of(company).filter(visit=row).select_related("ending").order_by("id"))
    board = bool((row.frozen or {"plate": row.unit.plate}).get("plate", {}).get("defrost"))
    stamps = list(DefrostStamp.objects.of(company).filter(visit=row).order_by("id")) if board else []
    # A board is swapped once in years: a visit without a map is not asked for one at every key.
    wires = list(BoardWireLine.objects.of(company).filter(visit=row).order_by("id")) if board and row.has_board_wires else []
    visit = _core_visit(company, row, entries, power, lifted, stamps, wires)
    return Loaded(row, entries, power, lifted, stamps, wires, visit, member_names(company))


def loaded_with(before: Loaded, entries: Sequence[Entry] = (), lifted: Sequence[LiftedLine] = ()) -> Loaded:
    """The visit with what was just written on it, without asking the database again."""
    measured = [core_reading(entry) for entry in entries if POINTS[entry.point].kind == "number"]
    visit = replace(
        before.visit,
        readings=(*before.visit.readings, *measured),
        seen=before.visit.seen | _seen(entries),
        lifted=(*before.visit.lifted, *map(_lifted, lifted)),
    )
    return replace(before, visit=visit, entries=[*before.entries, *entries], lifted=[*before.lifted, *lifted])


def member_names(company: Company) -> dict[int, str]:
    """How each of the company's people is named on screens and sheets; a change of name shows within half a minute."""
    kept: dict[int, str] | None = cache.get_or_set(f"member-names-{company.pk}", lambda: _read_names(company), timeout=30)
    return kept or {}


def _read_names(company: Company) -> dict[int, str]:
    people = Member.objects.filter(company=company).values_list("pk", "first_name", "last_name", "username")
    return {key: f"{first} {last}".strip() or username for key, first, last, username in people}


def _core_visit(
    company: Company,
    row: Visit,
    entries: Sequence[Entry],
    power: Sequence[PowerClaim],
    lifted: Sequence[LiftedLine],
    stamps: Sequence[DefrostStamp],
    wires: Sequence[BoardWireLine],
) -> core.Visit:
    kept: dict[str, Any] = row.frozen or as_it_stands(company, row)
    measured = [entry for entry in entries if POINTS[entry.point].kind == "number"]
    standing = standing_stamps(stamps)
    return visit_from(
        kept
        | {
            "rules": row.rules,
            "baseline": row.baseline,
            "conditions": row.conditions,
            "complaint": row.complaint or None,
            "began": row.began or None,
            "power": [core.PowerEvent(claim.state, claim.at) for claim in power],  # type: ignore[arg-type]
            "readings": [core_reading(entry) for entry in measured],
            "seen": _seen(entries),
            "lifted": [_lifted(line) for line in lifted],
            "defrost_run": [core.DefrostEvent(one.s, one.event) for one in standing if one.event != STOPPED],  # type: ignore[arg-type]
            "defrost_forced_at": next((one.at for one in standing if one.event == "forced"), None),
            "board_wires": [core.BoardWire(one.terminal, one.colour, one.goes_to, one.new_terminal) for one in _standing_wires(wires)],
            "defrost_watched_s": max((one.s for one in standing if one.event == STOPPED), default=None),
        }
    )


STOPPED = "stopped"  # nobody watches any more: what has not come by then did not come


def standing_stamps(stamps: Sequence[DefrostStamp]) -> list[DefrostStamp]:
    """The stamps of the latest run that were not taken back, in their order in time."""
    if not stamps:
        return []
    gone = {one.undoes for one in stamps if one.undoes is not None}
    latest = stamps[-1].run
    kept = [one for one in stamps if one.run == latest and one.undoes is None and one.uuid not in gone]
    return sorted(kept, key=lambda one: one.s)


def core_unit(unit: Unit) -> core.Visit:
    """A visit with nothing but the unit's plate and what is fitted: what its drawing and its standing are made from."""
    return visit_from({"plate": unit.plate, "fitted": unit.fitted, "contactor_fitted": unit.contactor_fitted})


def _standing_wires(wires: Sequence[BoardWireLine]) -> list[BoardWireLine]:
    """The map as it stands: the latest line of each terminal, in the order the terminals were first written."""
    latest = {one.terminal: one for one in wires}
    return [one for one in latest.values() if not one.gone]


def as_it_stands(company: Company, row: Visit) -> dict[str, Any]:
    """Plate, parts, stock and meters as they stand now: what a finished visit keeps."""
    return {
        "plate": row.unit.plate,
        "fitted": row.unit.fitted,
        "contactor_fitted": row.unit.contactor_fitted,
        "van_stock": company.van_stock,
        "meters": {name: about["accuracy"] for name, about in company.meters.items()},
        "calibration_due": {name: about["due"] for name, about in company.meters.items() if about.get("due")},
    }


def _seen(entries: Sequence[Entry]) -> dict[str, str | core.Seen]:
    return {entry.point: core.Seen(entry.value, entry.at) for entry in entries if POINTS[entry.point].kind == "seen"}


def core_reading(entry: Entry) -> core.Reading:
    """A kept row as the core's reading."""
    return core.Reading(
        entry.point,
        entry.value,
        meter=entry.meter or None,
        at=entry.at,
        by=entry.by or None,  # type: ignore[arg-type]
        fitted=entry.fitted or None,  # type: ignore[arg-type]
        turns=entry.turns,
        top=entry.top,
        power=entry.power,  # type: ignore[arg-type]
        id=str(entry.uuid),
        supersedes=None if entry.supersedes is None else str(entry.supersedes),
    )


def _lifted(line: LiftedLine) -> core.Lifted:
    ending = getattr(line, "ending", None)
    end = None if ending is None else core.LiftedEnd(ending.how, ending.at, ending.why)
    return core.Lifted(line.what, line.at, end, str(line.uuid))
