"""From a loaded visit to what the API says of it."""

from collections.abc import Iterable
from uuid import UUID

from django.utils import timezone

from accounts.models import Company
from fleet.models import PlateRevision
from outer_test.assessment import Assessment, as_left, assessment_of, judge
from outer_test.circuit import cabinet
from outer_test.diagnosis import diagnose, expected_here, table_of
from outer_test.judgement import SCHOOLS
from outer_test.procedure import caught, stations
from outer_test.rules.defrost import QUESTIONS, FrostOutlook, is_closed, run_lanes, swap_guide, which_way, will_it_frost
from outer_test.visit import POINTS, Visit, inputs_of, latest_run, not_taken_back, standing_readings
from visits.load import Loaded
from visits.models import Entry, LiftedEnding, LiftedLine, PowerClaim
from visits.shapes import (
    DefrostShown,
    EntryShown,
    EventAsked,
    LiftedShown,
    MeterChoice,
    NewPartShown,
    NoteShown,
    PlateRevisionShown,
    PowerShown,
    Round,
    StampShown,
    VisitShown,
)
from visits.to_core import STOPPED, core_repair


def show_round(loaded: Loaded) -> Round:
    """The changing part of a visit: what its readings say, each for itself and all together."""
    visit, row = loaded.visit, loaded.row
    judged = judge(as_left(visit))
    assessment = assessment_of(visit, judged)
    table = table_of(visit.plate)
    return Round(
        stations=stations(visit, {finding.point: finding.verdict for finding in assessment.findings if finding.verdict is not None}),
        caught=caught(judged.power.state),
        assessment=assessment,
        diagnosis=diagnose(visit, judged, table),
        expected=dict(expected_here(visit.plate, table, assessment.findings)),
        entries=tuple(_entries(loaded)),
        lifted=tuple(_lifted(line, loaded.log.ending(line), loaded.names) for line in loaded.log.lifted),
        parts=tuple(
            NewPartShown(one.uuid, one.at, loaded.names.get(one.member_id, ""), core_repair(one))
            for one in not_taken_back(loaded.log.parts)
        ),
        notes=tuple(NoteShown(note.uuid, note.text, note.at, loaded.names.get(note.member_id, "")) for note in loaded.log.notes),
        power_log=tuple(_power(claim, loaded.names) for claim in loaded.log.power),
        plate=visit.plate,
        fitted=visit.fitted,
        contactor_fitted=visit.contactor_fitted,
        cabinet=cabinet(visit, assessment.findings),
        defrost=_defrost(loaded, assessment),
        conditions=visit.conditions,
        finished_at=row.finished_at,
        finished_by="" if row.finished_by_id is None else loaded.names.get(row.finished_by_id, ""),
        finish_reason=row.finish_reason,
    )


def show_visit(company: Company, loaded: Loaded) -> VisitShown:
    """A visit whole, for its screens and its sheet."""
    row = loaded.row
    history = PlateRevision.objects.of(company).filter(unit=row.unit).select_related("member").order_by("-at")[:20]
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
        rules_are_current=row.rules == company.rules or row.finished_at is not None,
        round=show_round(loaded),
        plate_history=tuple(PlateRevisionShown(one.at, one.member.shown_name, one.why) for one in history),
    )


def _defrost(loaded: Loaded, judged: Assessment) -> DefrostShown | None:
    visit, defrost = loaded.visit, loaded.visit.plate.defrost
    if defrost.control is None:
        return None
    stamps = latest_run(loaded.log.stamps)
    switch = inputs_of(visit).get("defrost.switch.ohm")
    return DefrostShown(
        way=which_way(defrost, visit.conditions.outdoor_f, None if switch is None else is_closed(switch)),
        outlook=_outlook(visit),
        lanes=run_lanes(defrost, visit.plate.aux_heat.kind in ("electric", "gas"), visit.defrost_run, judged.findings),
        stamps=tuple(
            StampShown(stamp.uuid, stamp.event, stamp.s, stamp.at, loaded.names.get(stamp.member_id, ""))
            for stamp in stamps
            if stamp.event != STOPPED
        ),
        asked=tuple(_asked(loaded)),
        limit_s=None if defrost.limit_min is None else defrost.limit_min * 60,
        stopped=any(stamp.event == STOPPED for stamp in stamps),
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


def _entries(loaded: Loaded) -> Iterable[EntryShown]:
    standing = {reading.id for reading in standing_readings(loaded.visit).values()}
    last_seen: dict[str, UUID] = {entry.point: entry.uuid for entry in loaded.log.entries}
    for entry in loaded.log.entries:
        is_seen = POINTS[entry.point].kind == "seen"
        stands = last_seen[entry.point] == entry.uuid if is_seen else str(entry.uuid) in standing
        yield _entry(entry, stands, loaded.names)


def _entry(entry: Entry, stands: bool, names: dict[int, str]) -> EntryShown:
    return EntryShown(
        entry.uuid, entry.point, entry.value, POINTS[entry.point].sign, entry.by, entry.fitted, entry.turns, entry.at,
        names.get(entry.member_id, ""),
        entry.power, stands, entry.supersedes, entry.meter,
    )  # fmt: skip


def _lifted(line: LiftedLine, ending: LiftedEnding | None, names: dict[int, str]) -> LiftedShown:
    how, why, ended = ("", "", None) if ending is None else (ending.how, ending.why, ending.at)
    return LiftedShown(line.uuid, line.what, line.at, names.get(line.member_id, ""), how, why, ended)


def _power(claim: PowerClaim, names: dict[int, str]) -> PowerShown:
    return PowerShown(claim.uuid, claim.state, claim.at, names.get(claim.member_id, ""))
