"""The wire map of a defrost board that is swapped."""

from dataclasses import dataclass
from uuid import UUID

from django.db import transaction
from django.utils import timezone

from accounts.models import Member
from outer_test.measurement import FieldProblem
from outer_test.rules.defrost import line_of
from outer_test.visit import BoardWire
from visits.load import Loaded, load_visit, open_for_writing
from visits.models import BoardWireLine

MOST = 60


@dataclass(frozen=True, slots=True)
class WireLine:
    """A line of the map: the client's UUID and the wire; `gone` takes the terminal's line off again."""

    id: UUID
    wire: BoardWire
    gone: bool = False


def map_wire(member: Member, visit_id: UUID, line: WireLine) -> Loaded:
    """Write a line of the wire map; the same terminal again is a correction, and the old line stays on record.

    A wire that was taken off keeps its name: a correction of its colour is refused then, for the list would lose it.
    Raises NoSuchVisit, Finished, FieldProblem.
    """
    wire = line.wire
    for name, most in (("terminal", 20), ("colour", 20), ("goes_to", 80), ("new_terminal", 20)):
        if len(getattr(wire, name)) > most:
            raise FieldProblem(name, f"Use up to {most} characters.")
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        loaded = load_visit(member.company, row)
        if any(wire.uuid == line.id for wire in loaded.log.wires):
            return loaded
        before = next((one for one in loaded.visit.board_wires if one.terminal == wire.terminal.strip()), None)
        if before is None and (line.gone or len(loaded.visit.board_wires) >= MOST):
            raise FieldProblem("terminal", "This terminal is not on the map." if line.gone else f"Use at most {MOST} wires.")
        named = {one.what for one in loaded.log.lifted}
        if before is not None and line_of(before) in named and (line.gone or wire.colour.strip() != before.colour):
            raise FieldProblem("terminal", f"{line_of(before)} is off already, so its name cannot change.")
        BoardWireLine.objects.of(member.company).create(
            company=member.company, uuid=line.id, visit=row, member=member, at=timezone.now(), terminal=wire.terminal.strip(),
            colour=wire.colour.strip(), goes_to=wire.goes_to.strip(), new_terminal=wire.new_terminal.strip(), gone=line.gone,
        )  # fmt: skip
        if not row.has_board_wires:
            row.has_board_wires = True
            row.save(update_fields=["has_board_wires"])
        return load_visit(member.company, row)
