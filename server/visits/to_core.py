"""Rows as the core's shapes; times are the company's local ones, so that a day is the company's day."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any
from uuid import UUID

from django.utils.timezone import localtime

from accounts.models import Company
from fleet.models import Unit
from outer_test import visit as core
from outer_test.judgement import Part
from outer_test.plain_data import read_as, sparse
from outer_test.rules.defrost import timed_out_in_a_row
from outer_test.visit import POINTS
from visits.models import (
    BoardWireLine,
    DefrostAnswer,
    DefrostStamp,
    Entry,
    LiftedEnding,
    LiftedLine,
    PartPutIn,
    PowerClaim,
    Visit,
    VisitNote,
)

STOPPED = "stopped"  # nobody watches any more: what has not come by then did not come


@dataclass(frozen=True, slots=True)
class Log:
    """Everything written on a visit, in the order it was written; `endings` by the key of the line they end."""

    entries: Sequence[Entry] = ()
    power: Sequence[PowerClaim] = ()
    lifted: Sequence[LiftedLine] = ()
    endings: Mapping[int, LiftedEnding] = field(default_factory=dict)
    stamps: Sequence[DefrostStamp] = ()
    answers: Sequence[DefrostAnswer] = ()
    wires: Sequence[BoardWireLine] = ()
    parts: Sequence[PartPutIn] = ()
    notes: Sequence[VisitNote] = ()

    def ending(self, line: LiftedLine) -> LiftedEnding | None:
        """How this line ended, if it did."""
        return self.endings.get(line.pk)


def core_visit(row: Visit, kept: Mapping[str, Any], log: Log) -> core.Visit:
    """The core's visit: what was known of the unit and the company (`kept`), and what was written."""
    standing = core.latest_run(log.stamps)
    said = {
        "rules": row.rules, "baseline": row.baseline, "conditions": row.conditions,
        "complaint": row.complaint or None, "began": row.began or None,
    }  # fmt: skip
    known = read_as(core.Visit, {**kept, **said})
    return replace(
        known,
        power=tuple(core.PowerEvent(claim.state, localtime(claim.at)) for claim in log.power),  # type: ignore[arg-type]
        readings=core_readings(log.entries),
        seen=core_seen(log.entries),
        lifted=tuple(core_lifted(line, log.ending(line)) for line in log.lifted),
        defrost_run=tuple(core.DefrostEvent(one.s, one.event) for one in standing if one.event != STOPPED),  # type: ignore[arg-type]
        defrost_forced_at=next((localtime(one.at) for one in standing if one.event == "forced"), None),
        defrost_seen=standing_answers(log),
        repairs=tuple(core_repair(one) for one in core.not_taken_back(log.parts)),
        board_wires=_standing_wires(log.wires),
        notes=tuple(core.Note(note.text, localtime(note.at)) for note in log.notes),
        timed_out_before=timed_out_in_a_row(_earlier_runs(log.stamps), known.plate.defrost, row.timed_out_before),
        defrost_watched_s=max((one.s for one in standing if one.event == STOPPED), default=None),
    )


def _earlier_runs(stamps: Sequence[DefrostStamp]) -> list[list[core.DefrostEvent]]:
    """The runs of this visit before the latest, in the order they were begun."""
    runs = list(dict.fromkeys(stamp.run for stamp in stamps))[:-1]
    standing = core.not_taken_back(stamps)
    return [
        [core.DefrostEvent(stamp.s, stamp.event) for stamp in standing if stamp.run == run and stamp.event != STOPPED]  # type: ignore[arg-type]
        for run in runs
    ]


def standing_answers(log: Log) -> dict[core.RunEvent, core.Answer]:
    """What was said of the latest run's events that were not stamped; the latest answer of each stands."""
    run = log.stamps[-1].run if log.stamps else None
    return {answer.event: answer.answer for answer in log.answers if answer.run == run}  # type: ignore[misc]


def about_part(repair: core.Repair) -> dict[str, Any]:
    """What the row of a part put in keeps beside its part and its time; `core_repair` reads it back."""
    return {name: one for name, one in sparse(repair).items() if name not in ("part", "at")}


def core_repair(row: PartPutIn) -> core.Repair:
    """A part put in as the core has it."""
    return core.Repair(part=Part(row.part), at=localtime(row.at), **row.about)


def _standing_wires(lines: Sequence[BoardWireLine]) -> tuple[core.BoardWire, ...]:
    """The map as it stands: the latest line of each wire, in the order the wires were first written."""
    first: dict[str, UUID] = {}
    latest: dict[UUID, BoardWireLine] = {}
    for line in lines:
        latest[line.wire or first.setdefault(line.terminal, line.uuid)] = line
    return tuple(
        core.BoardWire(line.terminal, line.colour, line.goes_to, line.new_terminal, line.on_old, str(wire))
        for wire, line in latest.items()
        if not line.gone
    )


def as_it_stands(company: Company, unit: Unit) -> dict[str, Any]:
    """Plate, parts, stock and meters as they stand now: what a finished visit keeps."""
    return {
        "plate": unit.plate,
        "fitted": unit.fitted,
        "contactor_fitted": unit.contactor_fitted,
        "van_stock": company.van_stock,
        "meters": {name: about["accuracy"] for name, about in company.meters.items()},
        "calibration_due": {name: about["due"] for name, about in company.meters.items() if about.get("due")},
    }


def core_unit(unit: Unit) -> core.Visit:
    """A visit with nothing but the unit's plate and what is fitted: what its drawing and its standing are made from."""
    return read_as(core.Visit, {"plate": unit.plate, "fitted": unit.fitted, "contactor_fitted": unit.contactor_fitted})


def core_seen(entries: Sequence[Entry]) -> dict[str, str | core.Seen]:
    """The things seen among the entries, as the core has them."""
    return {entry.point: core.Seen(entry.value, localtime(entry.at)) for entry in entries if POINTS[entry.point].kind == "seen"}


def core_readings(entries: Sequence[Entry]) -> tuple[core.Reading, ...]:
    """The readings among the entries, as the core has them."""
    return tuple(core_reading(entry) for entry in entries if POINTS[entry.point].kind == "number")


def core_reading(entry: Entry) -> core.Reading:
    """A kept row as the core's reading."""
    return core.Reading(
        entry.point,
        entry.value,
        meter=entry.meter or None,
        at=localtime(entry.at),
        by=entry.by or None,  # type: ignore[arg-type]
        fitted=entry.fitted or None,  # type: ignore[arg-type]
        turns=entry.turns,
        top=entry.top,
        unit_said=entry.unit_said,
        power=entry.power,  # type: ignore[arg-type]
        id=str(entry.uuid),
        supersedes=None if entry.supersedes is None else str(entry.supersedes),
    )


def core_lifted(line: LiftedLine, ending: LiftedEnding | None) -> core.Lifted:
    """A line of the not-put-back list as the core has it."""
    end = None if ending is None else core.LiftedEnd(ending.how, localtime(ending.at), ending.why)  # type: ignore[arg-type]
    return core.Lifted(line.what, localtime(line.at), end, str(line.uuid))
