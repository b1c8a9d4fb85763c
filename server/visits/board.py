"""The wire map of a defrost board that is swapped."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from uuid import UUID

from django.db import transaction
from django.utils import timezone

from accounts.models import Member
from outer_test.measurement import FieldProblem
from outer_test.rules.defrost import line_names
from outer_test.visit import BoardWire
from visits.load import Loaded, load_visit, open_for_writing
from visits.models import BoardWireLine

MOST = 60


@dataclass(frozen=True, slots=True)
class WireLine:
    """A line of the map: the client's UUID and the wire. `of` is the wire it corrects, none for a new one; `gone` takes that off."""

    id: UUID
    wire: BoardWire
    of: UUID | None = None
    gone: bool = False


def map_wire(member: Member, visit_id: UUID, line: WireLine) -> Loaded:
    """Write a line of the wire map: a new wire, also on a terminal that has one, or a correction; old lines stay on record.

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
        if any(one.uuid == line.id for one in loaded.log.wires):
            return loaded
        _check(loaded, line)
        BoardWireLine.objects.of(member.company).create(
            company=member.company, uuid=line.id, visit=row, member=member, at=timezone.now(), wire=line.of or line.id,
            terminal=wire.terminal.strip(), colour=wire.colour.strip(), goes_to=wire.goes_to.strip(),
            new_terminal=wire.new_terminal.strip(), on_old=wire.on_old, gone=line.gone,
        )  # fmt: skip
        if not row.has_board_wires:
            row.has_board_wires = True
            row.save(update_fields=["has_board_wires"])
        return load_visit(member.company, row)


def _check(loaded: Loaded, line: WireLine) -> None:
    wires = loaded.visit.board_wires
    if line.of is None:
        if line.gone or len(wires) >= MOST:
            raise FieldProblem("terminal", "This wire is not on the map." if line.gone else f"Use at most {MOST} wires.")
        return
    place = next((place for place, one in enumerate(wires) if one.id == str(line.of)), None)
    if place is None:
        raise FieldProblem("of", "This wire is not on the map.")
    mended = replace(wires[place], terminal=line.wire.terminal.strip(), colour=line.wire.colour.strip())
    after = (*wires[:place], *(() if line.gone else (mended,)), *wires[place + 1 :])
    # A wire taken off is on the list by its name; a change to a like one would number it anew.
    kept = _named(after).items()
    if {name for _, name in _named(wires).items() - kept} & {one.what for one in loaded.log.lifted}:
        raise FieldProblem("terminal", f"{line_names(wires)[place]} is off already, so its name cannot change.")


def _named(wires: Sequence[BoardWire]) -> dict[str | None, str]:
    """What each wire, by its id, is called on the not-put-back list."""
    return dict(zip((wire.id for wire in wires), line_names(wires), strict=True))
