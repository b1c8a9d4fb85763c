"""Visits as they lay in eleven tables before the ledger: made for what moves them, in a database of its own."""

from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from datetime import datetime
from typing import Any
from uuid import UUID, uuid4, uuid5

from django.db import connection, connections
from django.db.migrations.executor import MigrationExecutor

from outer_test.ledger import STOPPED
from outer_test.plain_data import sparse
from outer_test.visit import Visit

BEFORE = [
    ("visits", "0018_notes_append_only"),
    ("fleet", "0006_find_at_once"),
    ("accounts", "0009_sign_in_device"),
    ("ledger", "0001_initial"),
]
AFTER = [("visits", "0019_ledger"), ("fleet", "0007_ledger")]
ALIAS = "moving"
_FROZEN = ("plate", "fitted", "contactor_fitted", "van_stock", "meters", "calibration_due")


@contextmanager
def database_before() -> Iterator[Any]:
    """A database as it was before the ledger; its models, as they were, are given."""
    name = f"moving_{uuid4().hex[:12]}"
    with connection.cursor() as cursor:
        cursor.execute(f"CREATE DATABASE {name}")
    connections.databases[ALIAS] = connections.databases["default"] | {"NAME": name, "CONN_MAX_AGE": 0}
    try:
        yield migrate(BEFORE)
    finally:
        connections[ALIAS].close()
        del connections[ALIAS]
        del connections.databases[ALIAS]
        with connection.cursor() as cursor:
            cursor.execute(f"DROP DATABASE {name}")


def migrate(to: list[tuple[str, str]]) -> Any:
    """Migrate the database; the models as they then are."""
    executor = MigrationExecutor(connections[ALIAS])
    return executor.migrate(to).apps


class OldCompany:
    """A company in the old tables, with one unit to which every visit is written."""

    def __init__(self, apps: Any, plate: dict[str, Any] | None = None) -> None:
        self.apps = apps
        self.company = self.new("accounts", "Company", name="Old")
        self.member = self.new("accounts", "Member", username=f"old-{uuid4().hex[:8]}", company=self.company)
        self.site = self.new("fleet", "Site", id=uuid4(), company=self.company, name="Old Road 1", address="somewhere")
        self.unit = self.new(
            "fleet", "Unit", id=uuid4(), company=self.company, site=self.site, label="pad", plate=plate or {}, tag=uuid4().hex[:30]
        )  # fmt: skip

    def of(self, app: str, model: str) -> Any:
        """The rows of a model as it was."""
        return self.apps.get_model(app, model)._base_manager.using(ALIAS)

    def new(self, app: str, model: str, **fields: Any) -> Any:
        """A row."""
        return self.of(app, model).create(**fields)

    def write(self, visit: Visit, at: datetime, finished: bool = True) -> UUID:
        """A visit's rows, in the order they would have been written; every line needs its time. Gives back the visit's id."""
        plain, visit_id = sparse(visit), uuid4()
        row = self.new(
            "visits", "Visit", id=visit_id, company=self.company, unit=self.unit, technician=self.member, scheduled_for=at,
            complaint=visit.complaint or "", began=visit.began or "", conditions=plain.get("conditions", {}), rules=plain.get("rules", {}),
            baseline=plain.get("baseline", []), frozen={name: plain[name] for name in _FROZEN if name in plain},
            finished_at=at if finished else None, finished_by=self.member if finished else None, has_board_wires=bool(visit.board_wires),
            timed_out_before=visit.timed_out_before,
        )  # fmt: skip
        base = {"company": self.company, "visit": row, "member": self.member}
        for model, rows in self._rows(visit_id, visit, at):
            self.of("visits", model).bulk_create([self.apps.get_model("visits", model)(**base, **fields) for fields in rows])
        lines = {line.uuid: line for line in self.of("visits", "LiftedLine").filter(visit=row)}
        for place, one in enumerate(visit.lifted):
            if one.end is not None:
                line = lines[_id(visit_id, one.id, f"lifted {place}")]
                self.new("visits", "LiftedEnding", **base, uuid=uuid4(), line=line, at=one.end.at or at, how=one.end.how, why=one.end.why)
        return visit_id

    def _rows(self, visit_id: UUID, visit: Visit, at: datetime) -> Iterator[tuple[str, Sequence[dict[str, Any]]]]:
        entries = [
            {
                "uuid": _id(visit_id, one.id, f"reading {place}"), "at": one.at or at, "point": one.point, "value": one.value,
                "meter": one.meter or "", "by": one.by or "", "fitted": one.fitted or "", "turns": one.turns, "top": one.top,
                "power": one.power or "unknown", "unit_said": one.unit_said,
                "supersedes": None if one.supersedes is None else _id(visit_id, one.supersedes, ""),
            }
            for place, one in enumerate(visit.readings)
        ]  # fmt: skip
        seen = [
            {"uuid": uuid5(visit_id, name), "at": visit.saw_at(name) or at, "point": name, "value": visit.saw(name), "power": "unknown"}
            for name in visit.seen
        ]
        yield "Entry", [*entries, *seen]
        yield "PowerClaim", [{"uuid": uuid4(), "at": one.at or at, "state": one.state} for one in visit.power]
        yield (
            "LiftedLine",
            [
                {"uuid": _id(visit_id, one.id, f"lifted {place}"), "at": one.at or at, "what": one.words}
                for place, one in enumerate(visit.lifted)
            ],
        )
        run, forced = uuid5(visit_id, "run"), visit.defrost_forced_at or at
        stamps: list[dict[str, Any]] = [
            {"uuid": uuid4(), "at": forced, "run": run, "event": one.event, "s": one.s} for one in visit.defrost_run
        ]
        if visit.defrost_watched_s is not None:
            stamps.append({"uuid": uuid4(), "at": forced, "run": run, "event": STOPPED, "s": visit.defrost_watched_s})
        yield "DefrostStamp", stamps
        yield (
            "DefrostAnswer",
            [{"uuid": uuid4(), "at": forced, "run": run, "event": event, "answer": said} for event, said in visit.defrost_seen.items()],
        )
        about = [{name: value for name, value in sparse(one).items() if name not in ("part", "at", "id")} for one in visit.repairs]
        yield (
            "PartPutIn",
            [
                {"uuid": uuid4(), "at": one.at or at, "part": one.part.value, "about": own}
                for one, own in zip(visit.repairs, about, strict=True)
            ],
        )
        yield (
            "BoardWireLine",
            [
                {"uuid": (own := uuid4()), "wire": own, "at": at, "terminal": one.terminal, "colour": one.colour, "goes_to": one.goes_to,
                 "new_terminal": one.new_terminal, "on_old": one.on_old}
                for one in visit.board_wires
            ],
        )  # fmt: skip
        yield "VisitNote", [{"uuid": uuid4(), "at": one.at or at, "text": one.text} for one in visit.notes]


def _id(visit: UUID, own: str | None, name: str) -> UUID:
    return uuid5(visit, own or name)
