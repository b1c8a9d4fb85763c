"""This unit's circuit as a graph made from its plate, and where the probes go."""

from outer_test.circuit.build import make_circuit
from outer_test.circuit.graph import Circuit, Link
from outer_test.circuit.probes import probes
from outer_test.circuit.state import Cabinet, cabinet

__all__ = [
    "Cabinet",
    "Circuit",
    "Link",
    "cabinet",
    "make_circuit",
    "probes",
]
