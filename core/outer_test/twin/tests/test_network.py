"""The network against ngspice on the same netlist, the motor against the textbook, and what the motor theory must keep."""

import random
import subprocess
import tempfile
import unittest
from math import pi
from pathlib import Path

from outer_test.nameplate import Compressor, Defrost, Fan, Plate, RunCapacitor
from outer_test.twin import FAULTS, make_unit
from outer_test.twin.control import ControlState, control_network
from outer_test.twin.line import LineState, line_network
from outer_test.twin.motor import Motor
from outer_test.twin.netlist import netlist, node_names
from outer_test.twin.network import GROUND, Network
from outer_test.twin.parameters import alone

PLATES = (
    Plate(compressor=Compressor(rla=17.9, lra=96), run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440), defrost=Defrost(control="demand")),
    Plate(compressor=Compressor(kind="reciprocating", rla=12, lra=70), start_device="relay", run_capacitor=RunCapacitor(herm_uf=40, fan_uf=5, form="singles")),
    Plate(phase=3), Plate(compressor=Compressor(kind="inverter"), fan=Fan(kind="electronic")), Plate(compressor=Compressor(stages=2)),
)  # fmt: skip


def by_ngspice(network: Network, hz: float) -> dict[str, float]:
    """Every node's volts by ngspice."""
    with tempfile.TemporaryDirectory() as folder:
        file = Path(folder) / "unit.cir"
        file.write_text(netlist(network, hz))
        told = subprocess.run(["ngspice", "-b", str(file)], text=True, capture_output=True, check=False).stdout
    volts = {}
    for line in told.splitlines():
        if line.startswith("mag(v("):
            number, _, value = line.partition(") = ")
            volts[number.removeprefix("mag(v(").rstrip(")")] = float(value)
    return volts


class AgainstNgspice(unittest.TestCase):
    """Reference: ngspice, an independent solver, on the netlist the twin writes."""

    def check(self, network: Network, hz: float, told: str) -> None:
        own, theirs = network.solve(), by_ngspice(network, hz)
        names = node_names(network)
        self.assertEqual(len(theirs), len(names) - 1, told)
        for node, number in names.items():
            if node != GROUND:
                mine = abs(own[node])
                self.assertAlmostEqual(mine, theirs[number], delta=max(1e-3, 1e-3 * mine), msg=f"{told}: {node}")

    def test_random_units_states_and_faults(self) -> None:
        chance = random.Random(7)
        for _ in range(16):
            unit = make_unit(chance.choice(PLATES))
            fault = chance.choice(FAULTS)
            faulty = unit.with_values(chance.choice(fault.variants).changes(unit))
            shut = chance.choice(((), ("contactor",), ("contactor", "contactor2")))
            state = LineState(shut, chance.choice((1.0, 0.3, 0.03)), chance.choice((1.0, 0.08)), chance.random() < 0.5)
            self.check(line_network(faulty, state), unit.hz, f"line, {fault.key}, {state}")
            self.check(control_network(faulty, ControlState(armatures=shut)), 60.0, f"low voltage, {fault.key}")


class TheMotor(unittest.TestCase):
    def test_the_textbook_motor(self) -> None:
        """Fitzgerald, Kingsley and Umans, Electric Machinery, worked example of a single-phase motor at slip 0.05; from memory."""
        motor = Motor(r1=2.02, x1=2.79, r1a=1e9, x1a=0, xm=66.8, r2=4.12, x2=2.12, a=1, poles=4)
        amps = 110 / motor.impedances(0.05)[0]
        self.assertAlmostEqual(abs(amps), 3.6, delta=0.02)
        self.assertAlmostEqual(amps.real / abs(amps), 0.62, delta=0.005)
        converted = motor.power(0.05, amps, 0j) * (1 - 0.05)
        self.assertAlmostEqual(converted, 184, delta=8)  # the example rounds its impedances
        self.assertAlmostEqual(converted - 37, 147, delta=8)

    def test_the_set_that_behaves_like_a_three_ton_unit(self) -> None:
        """A model's own figures [M]: locked near 86 A, and at 13.7 A its start winding stands near 389 V."""
        motor = Motor(r1=0.55, x1=1.15, r1a=1.6, x1a=1.7, xm=32, r2=0.75, x2=1.15, a=1.35)
        main, start, _ = alone(motor, 1.0, 240, 60, 45)
        self.assertAlmostEqual(abs(main + start), 86, delta=4)
        main, start, across = alone(motor, 0.0224, 240, 60, 45)
        self.assertAlmostEqual(abs(main + start), 13.7, delta=0.4)
        self.assertAlmostEqual(abs(across), 389, delta=8)
        self.assertAlmostEqual(abs(start), 6.6, delta=0.15)

    def test_power_in_is_power_across_the_gap_and_in_the_windings(self) -> None:
        """Energy is kept: what the line gives is what the windings burn and what the fields take [D]."""
        motor = Motor(r1=0.55, x1=1.15, r1a=1.6, x1a=1.7, xm=32, r2=0.75, x2=1.15, a=1.35)
        for slip in (1.0, 0.3, 0.03):
            main, start, _ = alone(motor, slip, 240, 60, 45)
            forward, backward = motor.fields(slip)
            given = (240 * (main + start).conjugate()).real
            burnt = 0.55 * abs(main) ** 2 + 1.6 * abs(start) ** 2
            turned = abs(main - 1j * 1.35 * start) ** 2 * forward.real + abs(main + 1j * 1.35 * start) ** 2 * backward.real
            self.assertAlmostEqual(given, burnt + turned, delta=1e-6 * given)
            self.assertAlmostEqual(motor.synchronous(60), 2 * pi * 60, places=6)

    def test_without_a_second_winding_there_is_no_torque_at_rest(self) -> None:
        motor = Motor(r1=2.02, x1=2.79, r1a=1e9, x1a=0, xm=66.8, r2=4.12, x2=2.12, a=1, poles=4)
        self.assertAlmostEqual(motor.power(1.0, 110 / motor.impedances(1.0)[0], 0j), 0.0, places=9)
