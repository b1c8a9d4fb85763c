"""That the move changed no assessment: each visit read from the tables before, and from the ledger, and judged both ways."""

import json
from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import Any
from uuid import UUID

from outer_test.assessment import assess
from outer_test.judgement import Part
from outer_test.ledger import STOPPED, Event, Kind, closing, read_body, visit_of
from outer_test.plain_data import plain, read_as
from outer_test.rules.defrost import timed_out_in_a_row
from outer_test.visit import (
    POINTS,
    BoardWire,
    DefrostEvent,
    Lifted,
    LiftedEnd,
    Note,
    PowerEvent,
    Reading,
    Repair,
    Seen,
    Visit,
)

AT_ONCE = 500
_BEFORE = (
    "entry", "powerclaim", "liftedline", "liftedending", "defroststamp", "defrostanswer", "partputin", "boardwireline", "visitnote",
)  # fmt: skip
_VISITS = """
SELECT v.id, v.company_id, v.rules, v.baseline, v.conditions, v.complaint, v.began, v.frozen, v.timed_out_before, u.plate, u.fitted, u.contactor_fitted,
  c.van_stock, c.meters, EXISTS (SELECT 1 FROM ledger_event e WHERE e.company_id = v.company_id AND e.visit = v.id AND e.clock_wrong) AS wrong
FROM visits_visit v JOIN fleet_unit u ON u.id = v.unit_id JOIN accounts_company c ON c.id = v.company_id ORDER BY v.id
"""


class Changed(RuntimeError):
    """The move would change what a visit says."""


class Row:
    """A row by its columns' names."""

    def __init__(self, names: Sequence[str], values: Sequence[Any]) -> None:
        self.__dict__ |= dict(zip(names, values, strict=True))

    def __getattr__(self, name: str) -> Any:
        raise AttributeError(name)


def prove(cursor: Any) -> int:
    """Judge every visit both ways; gives back how many. Those with a time that could not be are left out: theirs is mended.

    Raises Changed, and names the first that differ.
    """
    visits = list(_rows(cursor, _VISITS, ()))
    different: list[UUID] = []
    for place in range(0, len(visits), AT_ONCE):
        some = [row for row in visits[place : place + AT_ONCE] if not row.wrong]
        before, after = _before(cursor, some), _after(cursor, some)
        for row in some:
            if plain(assess(before[row.id])) != plain(assess(after[row.id])):
                different.append(row.id)
    if different:
        raise Changed(f"{len(different)} visits would read otherwise; nothing was moved. The first: {', '.join(map(str, different[:5]))}")
    return len(visits)


def _rows(cursor: Any, sql: str, asked: Any) -> Iterator[Row]:
    cursor.execute(sql, asked)
    names = [column[0] for column in cursor.description]
    json_columns = {place for place, column in enumerate(cursor.description) if column[1] == 3802}
    for values in cursor.fetchall():
        # The ORM's connection hands out jsonb as text.
        yield Row(names, [json.loads(v) if place in json_columns and isinstance(v, str) else v for place, v in enumerate(values)])


def _known(row: Row) -> Visit:
    kept = row.frozen or {
        "plate": row.plate, "fitted": row.fitted, "contactor_fitted": row.contactor_fitted, "van_stock": row.van_stock,
        "meters": {name: about["accuracy"] for name, about in row.meters.items()},
        "calibration_due": {name: about["due"] for name, about in row.meters.items() if about.get("due")},
    }  # fmt: skip
    said = {"rules": row.rules, "baseline": row.baseline, "complaint": row.complaint or None, "began": row.began or None}
    return read_as(Visit, {**kept, **said, "timed_out_before": row.timed_out_before})


def _after(cursor: Any, visits: Sequence[Row]) -> dict[UUID, Visit]:
    events: dict[UUID, list[Event]] = {row.id: [] for row in visits}
    sql = "SELECT * FROM ledger_event WHERE company_id = ANY(%s) AND visit = ANY(%s) ORDER BY at, device, seq"
    companies = list({row.company_id for row in visits})
    for row in _rows(cursor, sql, (companies, [row.id for row in visits])):
        kind = Kind(row.kind)
        events[row.visit].append(Event(str(row.uuid), kind, read_body(kind, row.body), row.at, str(row.device), row.seq, row.place))
    return {row.id: visit_of(closing(events[row.id]).counting, _known(row)) for row in visits}


def _before(cursor: Any, visits: Sequence[Row]) -> dict[UUID, Visit]:
    """As these tables were read before: in the order they were written."""
    log: dict[UUID, dict[str, list[Row]]] = {row.id: {table: [] for table in _BEFORE} for row in visits}
    for table in _BEFORE:
        for row in _rows(cursor, f"SELECT * FROM visits_{table} WHERE visit_id = ANY(%s) ORDER BY id", ([row.id for row in visits],)):
            log[row.visit_id][table].append(row)
    return {row.id: _visit(row, log[row.id]) for row in visits}


def _visit(row: Row, log: dict[str, list[Row]]) -> Visit:
    known = _known(row)
    entries, ends = log["entry"], {end.line_id: end for end in log["liftedending"]}
    board = bool(row.frozen["plate"].get("defrost") if row.frozen and "plate" in row.frozen else row.plate.get("defrost"))
    stamps: Any = log["defroststamp"] if board else []
    run = _latest_run(stamps)
    runs = list(dict.fromkeys(stamp.run for stamp in stamps))
    standing = _standing(stamps)
    earlier = [[_stamped(one) for one in standing if one.run == name and one.event != STOPPED] for name in runs[:-1]]
    return replace(
        known,
        conditions=read_as(type(known.conditions), row.conditions),
        power=tuple(PowerEvent(one.state, one.at) for one in sorted(log["powerclaim"], key=lambda one: (one.at, one.id))),
        readings=tuple(_reading(one) for one in entries if POINTS[one.point].kind == "number"),
        seen={one.point: Seen(one.value, one.at) for one in entries if POINTS[one.point].kind == "seen"},
        lifted=tuple(_lifted(line, ends.get(line.id)) for line in log["liftedline"]),
        defrost_run=tuple(_stamped(one) for one in run if one.event != STOPPED),
        defrost_forced_at=next((one.at for one in run if one.event == "forced"), None),
        defrost_seen={one.event: one.answer for one in log["defrostanswer"] if stamps and one.run == stamps[-1].run},
        repairs=tuple(_repair(one) for one in _standing(log["partputin"])),
        board_wires=_wires(log["boardwireline"]) if board else (),
        notes=tuple(Note(one.text, one.at) for one in log["visitnote"]),
        timed_out_before=timed_out_in_a_row(earlier, known.plate.defrost, row.timed_out_before),
        defrost_watched_s=max((one.s for one in run if one.event == STOPPED), default=None),
    )


def _standing(rows: Sequence[Any]) -> list[Any]:
    """The rows that were not taken back, in their order."""
    gone = {row.undoes for row in rows if row.undoes is not None}
    return [row for row in rows if row.undoes is None and row.uuid not in gone]


def _latest_run(stamps: Sequence[Any]) -> list[Any]:
    """The standing stamps of the run begun last, by their seconds."""
    return sorted((one for one in _standing(stamps) if one.run == stamps[-1].run), key=lambda one: one.s)


def _stamped(row: Any) -> DefrostEvent:
    return DefrostEvent(row.s, row.event)


def _reading(row: Row) -> Reading:
    return Reading(
        row.point, row.value, meter=row.meter or None, at=row.at, by=row.by or None, fitted=row.fitted or None, turns=row.turns, top=row.top,
        unit_said=row.unit_said, power=row.power, id=str(row.uuid), supersedes=None if row.supersedes is None else str(row.supersedes),
    )  # fmt: skip


def _lifted(line: Row, end: Row | None) -> Lifted:
    return Lifted(line.what, line.at, None if end is None else LiftedEnd(end.how, end.at, end.why), str(line.uuid))


def _repair(row: Any) -> Repair:
    return Repair(part=Part(row.part), at=row.at, **row.about)


def _wires(lines: Sequence[Row]) -> tuple[BoardWire, ...]:
    first: dict[str, UUID] = {}
    latest: dict[UUID, Row] = {}
    for line in lines:
        latest[line.wire or first.setdefault(line.terminal, line.uuid)] = line
    return tuple(
        BoardWire(line.terminal, line.colour, line.goes_to, line.new_terminal, line.on_old, str(wire))
        for wire, line in latest.items()
        if not line.gone
    )
