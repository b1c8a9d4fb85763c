"""Into the ledger, from the tables before it: every row with its UUID and its time, by one INSERT."""

from typing import Any
from uuid import UUID, uuid5

from outer_test.visit import POINTS

# A time that no clock can have said is replaced by the visit's own, and marked.
_OK = "{at} BETWEEN '2000-01-01' AND now() + interval '2 minutes'"

_SOURCES = """
SELECT e.company_id, e.uuid, e.visit_id AS visit, e.member_id, 20 AS rank, e.id AS old,
  CASE WHEN e.point = ANY(%(seen)s) THEN max(e.at) OVER (PARTITION BY e.visit_id, e.point ORDER BY e.id) ELSE e.at END AS said_at,
  CASE WHEN e.point = ANY(%(seen)s) THEN 'seen' ELSE 'reading' END AS kind,
  CASE WHEN e.point = ANY(%(seen)s) THEN jsonb_build_object('point', e.point, 'value', e.value) ELSE jsonb_strip_nulls(jsonb_build_object(
    'point', e.point, 'value', e.value, 'meter', nullif(e.meter, ''), 'by', nullif(e.by, ''), 'fitted', nullif(e.fitted, ''),
    'turns', nullif(e.turns, 1), 'top', e.top, 'unit_said', nullif(e.unit_said, false), 'power', e.power, 'supersedes', e.supersedes)) END AS body
  FROM visits_entry e
UNION ALL SELECT company_id, uuid, visit_id, member_id, 10, id, at, 'power', jsonb_build_object('state', state) FROM visits_powerclaim
UNION ALL SELECT company_id, uuid, visit_id, member_id, 1, id, at, 'rules', jsonb_build_object('rules', rules) FROM visits_ruleschange
UNION ALL SELECT company_id, uuid, visit_id, member_id, 30, id, at, CASE WHEN undoes IS NULL THEN 'stamp' ELSE 'taken-back' END,
  CASE WHEN undoes IS NULL THEN jsonb_build_object('run', run, 'event', event, 's', s) ELSE jsonb_build_object('of', undoes) END
  FROM visits_defroststamp
UNION ALL SELECT company_id, uuid, visit_id, member_id, 31, id, at, 'answer', jsonb_build_object('run', run, 'event', event, 'answer', answer)
  FROM visits_defrostanswer
UNION ALL SELECT company_id, uuid, visit_id, member_id, 32, id, at, CASE WHEN undoes IS NULL THEN 'part' ELSE 'taken-back' END,
  CASE WHEN undoes IS NULL THEN about || jsonb_build_object('part', part) ELSE jsonb_build_object('of', undoes) END FROM visits_partputin
UNION ALL SELECT company_id, uuid, visit_id, member_id, 33, id, at, 'wire', jsonb_build_object(
  'terminal', terminal, 'colour', colour, 'goes_to', goes_to, 'new_terminal', new_terminal, 'on_old', on_old, 'gone', gone,
  'of', CASE WHEN coalesce(wire, first) = uuid THEN '' ELSE coalesce(wire, first)::text END)
  FROM (SELECT *, first_value(uuid) OVER (PARTITION BY visit_id, terminal, wire IS NULL ORDER BY id) AS first FROM visits_boardwireline) wires
UNION ALL SELECT company_id, uuid, visit_id, member_id, 11, id, at, 'lifted', jsonb_build_object('what', what) FROM visits_liftedline
UNION ALL SELECT e.company_id, e.uuid, e.visit_id, e.member_id, 40, e.id, e.at, 'ended', jsonb_build_object('line', l.uuid, 'how', e.how, 'why', e.why)
  FROM visits_liftedending e JOIN visits_liftedline l ON l.id = e.line_id
UNION ALL SELECT company_id, uuid, visit_id, member_id, 50, id, at, 'note', jsonb_build_object('text', text) FROM visits_visitnote
UNION ALL SELECT company_id, uuid, visit_id, member_id, 90, id, at, 'signature', jsonb_build_object('name', name, 'strokes', strokes)
  FROM visits_signature
UNION ALL SELECT company_id, md5('opened ' || id)::uuid, id, technician_id, 0, 0, scheduled_for, 'opened', jsonb_build_object(
  'scheduled_for', scheduled_for, 'complaint', complaint, 'began', began, 'notes', notes, 'return_of', coalesce(return_of_id::text, ''))
  FROM visits_visit
UNION ALL SELECT company_id, md5('conditions ' || id)::uuid, id, technician_id, 2, 0, scheduled_for, 'conditions', conditions
  FROM visits_visit WHERE conditions <> '{}'
UNION ALL SELECT company_id, md5('finished ' || id)::uuid, id, coalesce(finished_by_id, technician_id), 99, 0, finished_at, 'finished',
  jsonb_build_object('reason', finish_reason) FROM visits_visit WHERE finished_at IS NOT NULL
"""

_OF_UNITS = """
SELECT u.company_id, md5('unit ' || u.id)::uuid AS uuid, u.id AS unit, m.id AS member_id, 0 AS rank, 0 AS old,
  least((SELECT min(scheduled_for) FROM visits_visit v WHERE v.unit_id = u.id), now()) AS said_at, 'unit' AS kind,
  jsonb_build_object('site', s.name, 'address', s.address, 'label', u.label, 'serial', u.serial) AS body
  FROM fleet_unit u JOIN fleet_site s ON s.id = u.site_id
  JOIN (SELECT company_id, min(id) AS id FROM accounts_member GROUP BY company_id) m ON m.company_id = u.company_id
UNION ALL SELECT company_id, uuid, unit_id, member_id, 2, id, at, 'plate', jsonb_strip_nulls(jsonb_build_object(
  'plate', plate, 'fitted', fitted, 'contactor_fitted', contactor_fitted, 'why', why)) FROM fleet_platerevision
UNION ALL SELECT u.company_id, md5('plate ' || u.id)::uuid, u.id, m.id, 1, 0,
  least((SELECT min(scheduled_for) FROM visits_visit v WHERE v.unit_id = u.id), now()), 'plate',
  jsonb_strip_nulls(jsonb_build_object('plate', u.plate, 'fitted', u.fitted, 'contactor_fitted', u.contactor_fitted))
  FROM fleet_unit u JOIN (SELECT company_id, min(id) AS id FROM accounts_member GROUP BY company_id) m ON m.company_id = u.company_id
  WHERE u.plate <> '{}' AND NOT EXISTS (SELECT 1 FROM fleet_platerevision r WHERE r.unit_id = u.id)
UNION ALL SELECT company_id, uuid, unit_id, member_id, 3, id, at, 'fitted', jsonb_build_object('part', part, 'note', note)
  FROM fleet_partfitted WHERE NOT uuid = ANY(%(told)s)
UNION ALL SELECT u.company_id, md5('unit-notes ' || u.id)::uuid, u.id, m.id, 4, 0, now(), 'unit-notes', jsonb_build_object('notes', u.notes)
  FROM fleet_unit u JOIN (SELECT company_id, min(id) AS id FROM accounts_member GROUP BY company_id) m ON m.company_id = u.company_id
  WHERE u.notes <> ''
"""

# What an end did not know of it would keep waiting, so the ends come last in the ledger, whatever the clocks said.
MOVE = f"""
INSERT INTO ledger_event (company_id, uuid, place, site, unit, visit, member_id, device, seq, after, device_at, at, arrived_at, clock_wrong, kind,
  version, body)
SELECT company_id, uuid, row_number() OVER (PARTITION BY company_id ORDER BY kind = 'finished', at, rank, old, uuid), site, unit, visit, member_id,
  device, 1024 * row_number() OVER (PARTITION BY company_id, device ORDER BY at, rank, old, uuid), NULL,
  CASE WHEN wrong THEN NULL ELSE said_at END, at, at, wrong, kind, 1, body
FROM (
  SELECT company_id, uuid, site, unit, visit, member_id, rank, old, kind, body, said_at, md5('moved ' || coalesce(visit, unit))::uuid AS device,
    NOT ({_OK.format(at="said_at")}) AS wrong,
    CASE WHEN {_OK.format(at="said_at")} THEN said_at WHEN {_OK.format(at="own")} THEN own ELSE now() END AS at
  FROM (
    SELECT w.company_id, w.uuid, u.site_id AS site, v.unit_id AS unit, w.visit, w.member_id, w.rank, w.old, w.kind, w.body, w.said_at,
      v.scheduled_for AS own
    FROM ({_SOURCES}) w JOIN visits_visit v ON v.id = w.visit JOIN fleet_unit u ON u.id = v.unit_id
    UNION ALL
    SELECT w.company_id, w.uuid, u.site_id, w.unit, NULL, w.member_id, w.rank, w.old, w.kind, w.body, w.said_at, now()
    FROM ({_OF_UNITS}) w JOIN fleet_unit u ON u.id = w.unit
  ) every
) timed
"""

COUNT = "INSERT INTO ledger_counter (company_id, last) SELECT company_id, max(place) FROM ledger_event GROUP BY company_id"

# What a finished visit's line on the day's list shows.
SUMS = """
UPDATE visits_visit v SET
  readings = (SELECT count(*) FROM visits_entry e WHERE e.visit_id = v.id),
  open_lines = (SELECT count(*) FROM visits_liftedline l WHERE l.visit_id = v.id
                AND NOT EXISTS (SELECT 1 FROM visits_liftedending x WHERE x.line_id = l.id))
WHERE v.finished_at IS NOT NULL
"""


def move(cursor: Any) -> None:
    """Fill the ledger from the tables before it."""
    cursor.execute("SELECT uuid FROM visits_partputin WHERE undoes IS NULL")
    parts: list[UUID] = [row[0] for row in cursor.fetchall()]
    told = [part_id for part in parts for part_id in (part, uuid5(part, "fan"))]  # lines that a visit's own event tells of
    seen = [name for name, point in POINTS.items() if point.kind == "seen"]
    cursor.execute(MOVE, {"seen": seen, "told": told})
    cursor.execute(COUNT)
    cursor.execute(SUMS)
