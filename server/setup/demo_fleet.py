"""The rest of the demo's fleet: some thirty units over three years, drawn by a fixed seed, so that lists and trends look lived in.

Invented like all of the demo, its numbers prove nothing. What was read goes into the record as a visit file does.
"""

from collections.abc import Iterator
from dataclasses import replace
from datetime import datetime, timedelta
from random import Random
from typing import Any
from uuid import UUID, uuid5

from django.utils import timezone

from accounts.models import Company, Member
from files.visit_in import write_whole
from fleet.models import Unit
from fleet.write_unit import add_unit, carry
from ledger.write import ledger_of
from ledger.writer import New, Subject, own_writer
from outer_test import visit as core
from outer_test.judgement import Part
from outer_test.ledger import PlateRead, UnitAdded
from outer_test.nameplate import Plate
from outer_test.plain_data import read_as
from setup.demo_units import UNITS

_NAMES = UUID("0c7b3f0a-3d1e-4d0c-8f58-1f6f0c0a9d52")
SEED, MANY, YEARS = 20, 32, 3
_STREETS = ("Alder Row", "Bell Lane", "Carding Yard", "Drover's Way", "Eel Street", "Furnace Hill", "Gorse Close", "Hatters Walk")
_TOWNS = ("Upper Tern", "Tern Bottom", "Hollow Cross")
_LABELS = ("side yard", "north pad", "roof", "behind the garage", "unit A", "unit B", "garden wall")
# What stands behind a unit's years: how fast each section loses, in % a year, and what fails in the end.
_KINDS = (("steady", 0.4, 0.5), ("steady", 0.6, 0.7), ("ageing", 2.1, 1.0), ("ageing fan", 0.6, 2.6), ("replaced", 3.4, 0.9))


def load_fleet(company: Company, people: list[Member]) -> None:
    """Add the fleet to the demo company, each visit under whoever made it."""
    chance = Random(SEED)
    plates = [about for about in UNITS if about["plate"].get("run_capacitor", {}).get("herm_uf")]
    for number in range(MANY):
        unit = _unit(company, people[0], plates[number % len(plates)]["plate"], number, chance)
        for at, visit, notes in _years(unit, chance):
            write_whole(people[chance.randrange(len(people))], unit, uuid5(unit.pk, at.isoformat()), visit, at, notes)


def _unit(company: Company, member: Member, raw: dict[str, Any], number: int, chance: Random) -> Unit:
    street = _STREETS[number % len(_STREETS)]
    house = 2 + 3 * number
    address = f"{house} {street}, {chance.choice(_TOWNS)}"
    about = UnitAdded(f"{street} {house}", address, chance.choice(_LABELS), f"TH-{600 + 7 * number:04d}")
    outdoors = {name: value for name, value in raw.items() if name != "aux_heat"}
    plate = read_as(Plate, outdoors | {"made_year": 2011 + chance.randrange(12), "made_week": 1 + chance.randrange(52)})
    first = timezone.now() - timedelta(days=366 * YEARS + 40)
    writer = own_writer(member, f"fleet {number}")
    unit = add_unit(writer, New(uuid5(_NAMES, f"unit {number}"), about, first))
    read = PlateRead(plate)
    with ledger_of(writer) as ledger:
        ledger.write_events(Subject(unit.site_id, unit.pk), [New(uuid5(_NAMES, f"plate {number}"), read, first)])
    carry(unit, read)
    return unit


def _years(unit: Unit, chance: Random) -> Iterator[tuple[datetime, core.Visit, str]]:
    """A visit a year, the oldest first, each a little after the season it belongs to."""
    plate = read_as(Plate, unit.plate)
    kind, herm_a_year, fan_a_year = _KINDS[chance.randrange(len(_KINDS))]
    part = plate.run_capacitor
    herm, fan = (part.herm_uf or 0) if part else 0, (part.fan_uf or 0) if part else 0
    herm, fan = herm * chance.uniform(0.995, 1.03), fan * chance.uniform(0.99, 1.03)
    start = timezone.localtime().replace(hour=9, minute=0, second=0, microsecond=0)
    for years_ago in range(YEARS, 0, -1):
        at = start - timedelta(days=365 * years_ago - 20 - chance.randrange(150))
        herm, fan = herm * (1 - herm_a_year * chance.uniform(0.6, 1.5) / 100), fan * (1 - fan_a_year * chance.uniform(0.6, 1.5) / 100)
        fails = kind == "replaced" and years_ago == 1
        if fails:
            herm *= 0.55
        visit = _read(plate, at, herm, fan, chance)
        if fails and part is not None:
            visit = _repaired(visit, part.herm_uf or 0, part.fan_uf, part.vac, at + timedelta(minutes=40))
            herm, fan = (part.herm_uf or 0) * 1.01, (part.fan_uf or 0) * 1.01
        yield at, visit, "Would not start; the run capacitor." if fails else "Yearly visit."


def _read(plate: Plate, at: datetime, herm: float, fan: float, chance: Random) -> core.Visit:
    rla = plate.compressor.rla or 15.0
    lines = [
        ("cap.herm.uf", f"{herm:.1f}"), ("cap.fan.uf", f"{fan:.1f}"), ("contactor.coil.ohm", f"{chance.uniform(9.5, 12.5):.1f}"),
        ("winding.c_ground.ohm", "OL"), ("line.l1_l2.v", f"{chance.uniform(233, 244):.0f}"),
        ("contactor.pole1.drop_v", f"{chance.choice((0.02, 0.02, 0.03, 0.03, 0.04, 0.06)):.2f}"),
        ("contactor.pole1.a", f"{rla * 0.82:.1f}"), ("amps.compressor.run_a", f"{rla * chance.uniform(0.72, 0.86):.1f}"),
    ]  # fmt: skip
    live = at + timedelta(minutes=25)
    begins = {"dead": at + timedelta(minutes=5), "live": live + timedelta(minutes=3)}
    readings = tuple(
        core.Reading(point, value, at=begins[core.POINTS[point].power] + timedelta(seconds=40 * place))
        for place, (point, value) in enumerate(lines)
        if not (point == "cap.fan.uf" and fan == 0)
    )
    power = (core.PowerEvent("dead-claimed", at), core.PowerEvent("live", live))
    stage = {"amps.stage": "high"} if plate.compressor.stages == 2 else {}
    seen = stage | {
        "look.contactor.faces": chance.choice(("clean", "clean", "clean", "blackened", "pitted")),
        "look.capacitor.case": "flat",
    }
    return core.Visit(
        plate=plate, readings=readings, power=power, complaint="maintenance",
        seen={point: core.Seen(value, at=at + timedelta(minutes=4)) for point, value in seen.items()},
    )  # fmt: skip


def _repaired(visit: core.Visit, herm: float, fan: float | None, vac: float | None, at: datetime) -> core.Visit:
    """The same call, on which it did not start until its run capacitor was changed."""
    started = core.Seen("started", at=at + timedelta(minutes=5))
    repair = core.Repair(Part.RUN_CAPACITOR, at=at, section="both" if fan else "herm", uf=herm, fan_uf=fan, vac=vac, old_goes="scrap")
    in_hand = core.Reading("cap.new_herm.uf", f"{herm * 1.01:.1f}", at=at - timedelta(minutes=1))
    dead = tuple(one for one in visit.readings if one.at is not None and one.at < at - timedelta(minutes=16))
    after = at + timedelta(minutes=6)
    run = tuple(replace(one, at=after + timedelta(seconds=30 * place)) for place, one in enumerate(visit.readings) if one not in dead)
    power = (*visit.power, core.PowerEvent("dead-claimed", at - timedelta(minutes=10)), core.PowerEvent("live", at + timedelta(minutes=4)))
    return replace(
        visit, complaint="hums-no-start", began="suddenly", readings=(*dead, in_hand, *run), repairs=(repair,), power=power,
        seen={**visit.seen, "start.result": started},
    )  # fmt: skip
