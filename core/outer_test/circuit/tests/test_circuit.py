"""The circuit graph of every kind of unit, its probe spots, and what findings make of it."""

import unittest
from itertools import product

from outer_test.assessment import assess
from outer_test.circuit import make_circuit, probes
from outer_test.circuit.state import standing_of
from outer_test.nameplate import AuxHeat, Compressor, Contactor, Defrost, Fan, Plate, RunCapacitor, StartCapacitor
from outer_test.procedure import stations
from outer_test.visit import Reading, Visit

CONTROLS = (None, "time-temperature", "demand")


def every_unit() -> list[Visit]:
    """Every combination of what a plate can say about the wiring."""
    units = []
    for kind, fan, form, control, stages, start, poles in product(
        ("scroll", "inverter"), ("capacitor", "electronic"), ("dual", "singles"), CONTROLS, (1, 2), (None, "two-wire", "relay"), (1, 2)
    ):
        if kind == "inverter" and stages == 2:
            continue
        plate = Plate(
            compressor=Compressor(kind=kind, stages=stages), fan=Fan(kind=fan), contactor=Contactor(poles=poles),  # type: ignore[arg-type]
            run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, form=form),  # type: ignore[arg-type]
            start_device=start, start_capacitor=StartCapacitor(189, 227) if start == "relay" else None,  # type: ignore[arg-type]
            defrost=Defrost(control=control), valve="B", aux_heat=AuxHeat(kind="electric" if control == "demand" else "none"),  # type: ignore[arg-type]
        )  # fmt: skip
        units.append(Visit(plate=plate))
    return [*units, Visit(plate=Plate(phase=3)), Visit()]


class Graph(unittest.TestCase):
    def test_every_unit_is_whole(self) -> None:
        for visit in every_unit():
            circuit = make_circuit(visit)
            self.assertEqual(circuit.problems(), [], str(visit.plate))
            names = [wire.name for wire in circuit.wires]
            self.assertEqual(len(names), len(set(names)))

    def test_the_probes_of_every_unit_lie_on_its_own_terminals(self) -> None:
        for visit in every_unit():
            circuit = make_circuit(visit)
            for probe in probes(visit, circuit):
                if probe.clamp:
                    self.assertIn(probe.clamp, {wire.name for wire in circuit.wires})
                else:
                    self.assertLessEqual({probe.red, probe.black}, circuit.terminals(), probe)

    def test_a_single_phase_unit_shows_where_to_probe_for_every_electrical_reading(self) -> None:
        visit = Visit(plate=Plate(defrost=Defrost(control="demand"), run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5)))
        shown = {probe.point for probe in probes(visit, make_circuit(visit))}
        asked = {
            step.point for station in stations(visit, {}) if station.name in ("safe", "capacitors", "contactor", "windings", "power")
            for step in station.steps if step.kind == "number" and step.needed
        }  # fmt: skip
        self.assertEqual(asked - shown, set())

    def test_a_single_pole_contactor_has_a_bar_across_its_other_leg(self) -> None:
        links = make_circuit(Visit(plate=Plate(contactor=Contactor(poles=1)))).links
        kinds = {link.a: link.kind for link in links if link.a.startswith("contactor.L")}
        self.assertEqual(kinds, {"contactor.L1": "contact", "contactor.L2": "bar"})

    def test_two_stages_have_two_contactors(self) -> None:
        self.assertIsNotNone(make_circuit(Visit(plate=Plate(compressor=Compressor(stages=2)))).part("contactor2"))

    def test_an_inverter_has_no_run_capacitor_on_its_compressor(self) -> None:
        circuit = make_circuit(Visit(plate=Plate(compressor=Compressor(kind="inverter"), fan=Fan(kind="electronic"))))
        self.assertEqual([part.name for part in circuit.parts if "capacitor" in part.kind], [])


class States(unittest.TestCase):
    def test_proven_and_suspect(self) -> None:
        readings = (
            Reading("lead.c.ohm", "0.2"),
            Reading("lead.r.ohm", "OL"),
            Reading("cap.herm.uf", "31"),
            Reading("contactor.coil.ohm", "12"),
        )
        visit = Visit(plate=Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5)), readings=readings)
        shown = standing_of(make_circuit(visit), assess(visit).findings)
        self.assertEqual(shown.wires, {"contactor.T1–compressor.C": "proven", "contactor.T2–compressor.R": "suspect"})
        self.assertEqual((shown.parts["capacitor.HERM"], shown.parts["contactor"]), ("suspect", "proven"))
        self.assertNotIn("compressor", shown.parts)
