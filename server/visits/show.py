"""From a loaded visit to what the API says of it."""

from collections.abc import Iterable
from uuid import UUID

from django.utils import timezone

from accounts.models import Company
from outer_test.assessment import Assessment, as_left, assessment_of, judge
from outer_test.circuit import ladder_of
from outer_test.diagnosis import diagnose, expected_here, table_of
from outer_test.judgement import SCHOOLS
from outer_test.ledger import STOPPED, Conflict, Event, Kind, latest_run, standing
from outer_test.procedure import caught, stations
from outer_test.round import path_of
from outer_test.rules.defrost import QUESTIONS, FrostOutlook, is_closed, run_lanes, swap_guide, which_way, will_it_frost
from outer_test.visit import POINTS, Lifted, Reading, Visit, inputs_of, standing_readings, title_of
from visits.before import read_before
from visits.load import Loaded, name_of
from visits.plate import plates_read
from visits.shapes import (
    ConflictShown,
    DefrostShown,
    EntryShown,
    EventAsked,
    LiftedShown,
    MeterChoice,
    NewPartShown,
    NoteShown,
    PowerShown,
    Round,
    StampShown,
    VisitShown,
    WaitingShown,
)


def show_round(loaded: Loaded, asker: int | None = None) -> Round:
    """The changing part of a visit: what its readings say, each for itself and all together. asker: the key of who looks at it."""
    visit, row, names = loaded.visit, loaded.row, loaded.names
    judged = judge(as_left(visit))
    assessment = assessment_of(visit, judged)
    table = table_of(visit.plate)
    planned = stations(visit, {finding.point: finding.verdict for finding in assessment.findings if finding.verdict is not None})
    diagnosis = diagnose(visit, judged, table)
    return Round(
        place=max((event.place for event in loaded.events), default=0),
        stations=planned,
        path=path_of(judged, planned, assessment, diagnosis),
        caught=caught(judged.power.state),
        assessment=assessment,
        diagnosis=diagnosis,
        expected=dict(expected_here(visit.plate, table, assessment.findings)),
        entries=tuple(entries_of(loaded)),
        lifted=tuple(_lifted(loaded)),
        parts=tuple(
            NewPartShown(UUID(event.id), event.at, name_of(names, event), event.body)
            for event in standing(loaded.of(Kind.PART, Kind.TAKEN_BACK), Kind.PART)
        ),
        notes=tuple(NoteShown(UUID(note.id), note.body.text, note.at, name_of(names, note)) for note in loaded.of(Kind.NOTE)),
        power_log=tuple(PowerShown(UUID(said.id), said.body.state, said.at, name_of(names, said)) for said in loaded.of(Kind.POWER)),
        plate=visit.plate,
        fitted=visit.fitted,
        contactor_fitted=visit.contactor_fitted,
        ladder=ladder_of(visit, assessment.findings, assessment.power.state),
        defrost=_defrost(loaded, assessment),
        conditions=visit.conditions,
        finished_at=row.finished_at,
        finished_by="" if row.finished_by_id is None else names.get(row.finished_by_id, ""),
        finish_reason=row.finish_reason,
        waiting=tuple(_waiting(loaded)),
        conflicts=tuple(_conflict(one, names, asker) for one in loaded.conflicts),
        unreadable=len(loaded.unreadable),
    )


def show_visit(company: Company, loaded: Loaded, asker: int | None = None) -> VisitShown:
    """A visit whole, for its screens and its sheet."""
    row = loaded.row
    rules = loaded.visit.rules
    return VisitShown(
        id=row.id,
        company=company.name,
        site=row.unit.site.name,
        address=row.unit.site.address,
        unit_id=row.unit.id,
        unit=row.unit.label,
        serial=row.unit.serial,
        technician=loaded.names.get(row.technician_id, ""),
        scheduled_for=row.scheduled_for,
        complaint=row.complaint,
        began=row.began,
        notes=row.notes,
        schools={choice: words[getattr(rules, choice)] for choice, words in SCHOOLS.items()},
        meters=tuple(_meters(company, loaded)),
        rules_are_current=rules == company.house_rules or row.finished_at is not None,
        round=show_round(loaded, asker),
        plate_history=tuple(plates_read(company, row.unit, loaded.names)),
        before=read_before(company, row),
    )


def _defrost(loaded: Loaded, judged: Assessment) -> DefrostShown | None:
    visit, defrost = loaded.visit, loaded.visit.plate.defrost
    if defrost.control is None:
        return None
    stamps = latest_run(loaded.of(Kind.STAMP, Kind.TAKEN_BACK))
    switch = inputs_of(visit).get("defrost.switch.ohm")
    return DefrostShown(
        way=which_way(defrost, visit.conditions.outdoor_f, None if switch is None else is_closed(switch)),
        outlook=_outlook(visit),
        lanes=run_lanes(defrost, visit.plate.aux_heat.kind in ("electric", "gas"), visit.defrost_run, judged.findings),
        stamps=tuple(
            StampShown(UUID(stamp.id), stamp.body.event, stamp.body.s, stamp.at, name_of(loaded.names, stamp))
            for stamp in stamps
            if stamp.body.event != STOPPED
        ),
        asked=tuple(_asked(loaded)),
        limit_s=None if defrost.limit_min is None else defrost.limit_min * 60,
        stopped=any(stamp.body.event == STOPPED for stamp in stamps),
        swap=swap_guide(visit, judged.power.state),
    )


def _asked(loaded: Loaded) -> Iterable[EventAsked]:
    """What is asked of the run at hand: the events that were not stamped, once it was forced."""
    stamped = {one.event for one in loaded.visit.defrost_run}
    if "forced" not in stamped:
        return
    for event, question in QUESTIONS.items():
        if event not in stamped:
            yield EventAsked(event, question, loaded.visit.defrost_seen.get(event, ""))


def _outlook(visit: Visit) -> FrostOutlook | None:
    air, humidity = visit.conditions.outdoor_f, visit.conditions.outdoor_rh
    return will_it_frost(air, humidity) if air is not None and humidity else None


def _meters(company: Company, loaded: Loaded) -> Iterable[MeterChoice]:
    today = timezone.localdate()
    for name in loaded.visit.meters:
        due = loaded.visit.calibration_due.get(name)
        if not company.meters.get(name, {}).get("retired"):
            yield MeterChoice(name, due is not None and due < today)


def entries_of(loaded: Loaded) -> Iterable[EntryShown]:
    """Readings and things seen, those too that stand no more."""
    standing = {reading.id for reading in standing_readings(loaded.visit).values()}
    readings = {reading.id: reading for reading in loaded.visit.readings}
    entries = loaded.of(Kind.READING, Kind.SEEN)
    last_seen = {event.body.point: event.id for event in entries if event.kind is Kind.SEEN}
    for event in entries:
        own = event.id in standing if event.kind is Kind.READING else last_seen[event.body.point] == event.id
        yield _entry(event, readings.get(event.id), own, name_of(loaded.names, event))


def _entry(event: Event, reading: Reading | None, stands: bool, by_whom: str) -> EntryShown:
    body = event.body
    if reading is None:
        return EntryShown(
            UUID(event.id), body.point, body.value, "", "", "", 1, event.at, by_whom, "", stands, None, "", event.clock_wrong
        )  # fmt: skip
    return EntryShown(
        UUID(event.id), body.point, body.value, POINTS[body.point].sign, body.by or "", body.fitted or "", body.turns, event.at, by_whom,
        reading.power or "unknown", stands, UUID(body.supersedes) if body.supersedes else None, body.meter or "", event.clock_wrong,
    )  # fmt: skip


def _lifted(loaded: Loaded) -> Iterable[LiftedShown]:
    lines: dict[str | None, Lifted] = {line.id: line for line in loaded.visit.lifted}
    for event in loaded.of(Kind.LIFTED):
        end = lines[event.id].end
        how, why, ended = ("", "", None) if end is None else (end.how, end.why, end.at)
        yield LiftedShown(UUID(event.id), event.body.words, event.at, name_of(loaded.names, event), how, why, ended)


def _waiting(loaded: Loaded) -> Iterable[WaitingShown]:
    for event in loaded.closing.waiting:
        point = getattr(event.body, "point", "")
        value = f"{event.body.value} {POINTS[point].sign}".strip() if point else ""
        yield WaitingShown(UUID(event.id), title_of(point) if point else event.kind.value, value, event.at, name_of(loaded.names, event))


def _conflict(one: Conflict, names: dict[int, str], asker: int | None) -> ConflictShown:
    return ConflictShown(
        one.kind, one.about, name_of(names, one.stands), one.stands.at, name_of(names, one.overtaken), one.overtaken.at,
        one.overtaken.by == asker,
    )  # fmt: skip
