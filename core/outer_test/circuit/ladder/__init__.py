"""This unit's ladder: its drawing as data."""

from outer_test.circuit.ladder.drawn import Ladder, Live, ProbeSpot, Section, Shape, Stroke
from outer_test.circuit.ladder.whole import ladder_of

__all__ = ["Ladder", "Live", "ProbeSpot", "Section", "Shape", "Stroke", "ladder_of"]
