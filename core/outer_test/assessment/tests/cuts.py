"""What tries a cut of the trade handbook just inside and just outside, through `assess` as the app asks it."""

import unittest
from collections.abc import Iterable
from dataclasses import replace

from outer_test.assessment import assess
from outer_test.judgement import Finding
from outer_test.nameplate import AuxHeat, Compressor, Contactor, Defrost, Element, Fan, Plate, RunCapacitor, StartCapacitor
from outer_test.visit import Reading, Visit

PLATE = Plate(
    volts=(208, 230), volts_min=197, volts_max=253, phase=1, hz=60, compressor=Compressor(rla=17.9, lra=96, kind="scroll"),
    fan=Fan(fla=1.2), mca=23.6, mop=40, protection_a=40, conductor_awg=8,
    run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6),
    start_capacitor=StartCapacitor(low_uf=189, high_uf=227, vac=330), start_device="relay",
    contactor=Contactor(poles=2, amps=40, coil_v=24), valve="O",
    aux_heat=AuxHeat(kind="electric", elements=(Element(kw=4.8, volts=240),), protection_a=30),
    defrost=Defrost(control="time-temperature", minutes=90, closes_f=30, opens_f=55, limit_min=10),
)  # fmt: skip
DEMAND = replace(PLATE, defrost=Defrost(control="demand", limit_min=10))
UNIT = Visit(plate=PLATE)


def told(visit: Visit, rule: str, point: str = "") -> Finding:
    """The one finding of a rule, at a point where one is named."""
    found = [finding for finding in assess(visit).findings if finding.rule == rule and point in ("", finding.point)]
    assert len(found) == 1, f"{len(found)} findings of {rule} at {point or 'any point'}"
    return found[0]


def read(visit: Visit, *pairs: tuple[str, str], **seen: str) -> Visit:
    """The visit with these readings, and what was seen."""
    words = {name.replace("__", "."): word for name, word in seen.items()}
    return replace(visit, readings=tuple(Reading(point, value) for point, value in pairs), seen=words)


class Cuts(unittest.TestCase):
    """Base: a row is what was read and the verdict it must have."""

    def one_point(self, rule: str, point: str, rows: str, visit: Visit = UNIT, also: Iterable[tuple[str, str]] = ()) -> None:
        """`rows`: `value verdict`, comma after comma."""
        for row in rows.split(","):
            value, verdict = row.split()
            with self.subTest(rule=rule, value=value):
                self.assertEqual(told(read(visit, *also, (point, value)), rule, point).verdict, verdict)

    def plates(self, rule: str, rows: Iterable[tuple[dict[str, object], str]]) -> None:
        """Plates that differ from the whole one in these fields."""
        for changed, verdict in rows:
            with self.subTest(rule=rule, changed=changed):
                self.assertEqual(told(Visit(plate=replace(PLATE, **changed)), rule).verdict, verdict)  # type: ignore[arg-type]
