"""From what is on record to everything a screen shows of a visit: the one question that server and device both answer."""

from collections.abc import Iterable

from outer_test import VERSION
from outer_test.assessment import Assessment, as_left, assessment_of, judge, overall_of, stops_of
from outer_test.circuit import ladder_of
from outer_test.customer import CustomerPage, customer_page
from outer_test.diagnosis import Diagnosis, diagnose, expected_here, table_of
from outer_test.ledger import STOPPED, Conflict, Event, Kind, Recorded, latest_run, standing
from outer_test.procedure import caught, stations
from outer_test.round.digest import digest_of
from outer_test.round.path import path_of
from outer_test.round.shown import (
    ConflictShown,
    DefrostShown,
    EntryShown,
    EventAsked,
    LiftedShown,
    NewPartShown,
    NoteShown,
    PowerShown,
    Round,
    SignedShown,
    StampShown,
    Verdicts,
    WaitingShown,
)
from outer_test.rules.defrost import QUESTIONS, FrostOutlook, is_closed, run_lanes, swap_guide, which_way, will_it_frost
from outer_test.visit import Lifted, Reading, Visit, inputs_of, open_lines, sign_at, standing_readings, title_of


def round_of(recorded: Recorded, asker: int | None = None) -> Round:
    """What the visit's readings say, each for itself and all together, and what is next. asker: the key of who looks at it.

    >>> round_of(Recorded(Visit(complaint="hums-no-start"), ())).path[0].title
    'Outdoor fan'
    """
    visit = recorded.visit
    judged = judge(as_left(visit))
    assessment = assessment_of(visit, judged)
    table = table_of(visit.plate)
    planned = stations(visit, {finding.point: finding.verdict for finding in assessment.findings if finding.verdict is not None})
    diagnosis = diagnose(visit, judged, table)
    finish = recorded.closing.finish
    digest = digest_of(assessment, diagnosis)
    return Round(
        place=recorded.place,
        stations=planned,
        path=path_of(judged, planned, assessment, diagnosis),
        caught=caught(judged.power.state),
        assessment=assessment,
        diagnosis=diagnosis,
        customer=_customer(recorded, assessment, diagnosis),
        signature=next((_signed(one) for one in reversed(recorded.of(Kind.SIGNATURE))), None),
        expected=dict(expected_here(visit.plate, table, assessment.findings)),
        entries=tuple(entries_of(recorded)),
        lifted=tuple(_lifted(recorded)),
        parts=tuple(
            NewPartShown(event.id, event.at, recorded.name_of(event), event.body)
            for event in standing(recorded.of(Kind.PART, Kind.TAKEN_BACK), Kind.PART)
        ),
        notes=tuple(NoteShown(note.id, note.body.text, note.at, recorded.name_of(note)) for note in recorded.of(Kind.NOTE)),
        power_log=_power_log(recorded),
        plate=visit.plate,
        fitted=visit.fitted,
        contactor_fitted=visit.contactor_fitted,
        ladder=ladder_of(visit, assessment.findings, assessment.power.state),
        defrost=_defrost(recorded, assessment),
        conditions=visit.conditions,
        finished_at=None if finish is None else finish.at,
        finished_by="" if finish is None else recorded.name_of(finish),
        finish_reason="" if finish is None else finish.body.reason,
        cancelled=recorded.cancelled,
        core=VERSION,
        digest=digest,
        judged_otherwise=finish is not None and finish.body.digest not in ("", digest),
        signed_otherwise=any(signed.body.digest not in ("", digest) for signed in recorded.of(Kind.SIGNATURE)[-1:]),
        waiting=tuple(_waiting(recorded)),
        conflicts=tuple(_conflict(recorded, conflict, asker) for conflict in recorded.conflicts),
        unreadable=recorded.unreadable,
    )


def _customer(recorded: Recorded, assessment: Assessment, diagnosis: Diagnosis) -> CustomerPage:
    visit, finish = recorded.visit, recorded.closing.finish
    parts = [repair.part.value for repair in visit.repairs if not repair.put_back]
    return customer_page(visit, assessment, diagnosis.accused, parts, "" if finish is None else finish.body.reason)


def _signed(event: Event) -> SignedShown:
    return SignedShown(event.body.name, event.at, event.body.strokes)


def verdicts_of(recorded: Recorded, written_at: Iterable[str]) -> Verdicts:
    """What is said first, once something was written at these points.

    >>> verdicts_of(Recorded(Visit(), ()), ["cap.herm.uf"]).overall.value
    'unjudged'
    """
    judged = judge(as_left(recorded.visit))
    stops = stops_of(judged.findings)
    points = frozenset(written_at).union(*((stop.point, stop.raised_by) for stop in stops))
    return Verdicts(
        points=tuple(sorted(points)),
        place=recorded.place,
        caught=caught(judged.power.state),
        entries=tuple(entry for entry in entries_of(recorded) if entry.point in points),
        lifted=tuple(_lifted(recorded)),
        power_log=_power_log(recorded),
        overall=overall_of(judged),
        findings=tuple(finding for finding in judged.findings if finding.point in points),
        power=judged.power,
        stops=stops,
        open_lines=len(open_lines(recorded.visit)),
    )


def _power_log(recorded: Recorded) -> tuple[PowerShown, ...]:
    return tuple(PowerShown(said.id, said.body.state, said.at, recorded.name_of(said)) for said in recorded.of(Kind.POWER))


def _defrost(recorded: Recorded, judged: Assessment) -> DefrostShown:
    visit, defrost = recorded.visit, recorded.visit.plate.defrost
    stamps = latest_run(recorded.of(Kind.STAMP, Kind.TAKEN_BACK))
    switch = inputs_of(visit).get("defrost.switch.ohm")
    return DefrostShown(
        way=which_way(defrost, visit.conditions.outdoor_f, None if switch is None else is_closed(switch)),
        outlook=_outlook(visit),
        lanes=run_lanes(defrost, bool(visit.plate.aux_heat.fitted), visit.defrost_run, judged.findings),
        stamps=tuple(
            StampShown(stamp.id, stamp.body.event, stamp.body.s, stamp.at, recorded.name_of(stamp))
            for stamp in stamps
            if stamp.body.event != STOPPED
        ),
        asked=tuple(_asked(visit)),
        limit_s=None if defrost.limit_min is None else defrost.limit_min * 60,
        stopped=any(stamp.body.event == STOPPED for stamp in stamps),
        swap=swap_guide(visit, judged.power.state),
    )


def _asked(visit: Visit) -> Iterable[EventAsked]:
    """What is asked of the run at hand: the events that were not stamped, once it was forced."""
    stamped = {stamp.event for stamp in visit.defrost_run}
    if "forced" not in stamped:
        return
    for event, question in QUESTIONS.items():
        if event not in stamped:
            yield EventAsked(event, question, visit.defrost_seen.get(event, ""))


def _outlook(visit: Visit) -> FrostOutlook | None:
    air, humidity = visit.conditions.outdoor_f, visit.conditions.outdoor_rh
    return will_it_frost(air, humidity) if air is not None and humidity else None


def entries_of(recorded: Recorded) -> Iterable[EntryShown]:
    """Readings and things seen, those too that stand no more."""
    standing = {reading.id for reading in standing_readings(recorded.visit).values()}
    readings = {reading.id: reading for reading in recorded.visit.readings}
    entries = recorded.of(Kind.READING, Kind.SEEN)
    last_seen = {event.body.point: event.id for event in entries if event.kind is Kind.SEEN}
    for event in entries:
        own = event.id in standing if event.kind is Kind.READING else last_seen[event.body.point] == event.id
        yield _entry(event, readings.get(event.id), own, recorded.name_of(event))


def _entry(event: Event, reading: Reading | None, stands: bool, by_whom: str) -> EntryShown:
    body = event.body
    if reading is None:
        return EntryShown(event.id, body.point, body.value, "", "", "", 1, event.at, by_whom, "", stands, None, "", event.clock_wrong)
    return EntryShown(
        event.id, body.point, body.value, sign_at(body.point, body.turns), body.by or "", body.fitted or "", body.turns, event.at, by_whom,
        reading.power or "unknown", stands, body.supersedes or None, body.meter or "", event.clock_wrong,
    )  # fmt: skip


def _lifted(recorded: Recorded) -> Iterable[LiftedShown]:
    lines: dict[str | None, Lifted] = {line.id: line for line in recorded.visit.lifted}
    for event in recorded.of(Kind.LIFTED):
        end = lines[event.id].end
        how, why, ended = ("", "", None) if end is None else (end.how, end.why, end.at)
        yield LiftedShown(event.id, event.body.words, event.at, recorded.name_of(event), how, why, ended)


def _waiting(recorded: Recorded) -> Iterable[WaitingShown]:
    for event in recorded.closing.waiting:
        point = getattr(event.body, "point", "")
        value = f"{event.body.value} {sign_at(point, getattr(event.body, 'turns', 1))}".strip() if point else ""
        yield WaitingShown(event.id, title_of(point) if point else event.kind.value, value, event.at, recorded.name_of(event))


def _conflict(recorded: Recorded, conflict: Conflict, asker: int | None) -> ConflictShown:
    return ConflictShown(
        conflict.kind, conflict.about, recorded.name_of(conflict.stands), conflict.stands.at, recorded.name_of(conflict.overtaken),
        conflict.overtaken.at, conflict.overtaken.by == asker,
    )  # fmt: skip
