"""This unit's circuit as a graph made from its plate, where the probes go, and the ladder that draws it."""

from outer_test.circuit.build import make_circuit
from outer_test.circuit.graph import Circuit, Link
from outer_test.circuit.ladder import Ladder, ladder_of
from outer_test.circuit.probes import probes

__all__ = [
    "Circuit",
    "Ladder",
    "Link",
    "ladder_of",
    "make_circuit",
    "probes",
]
