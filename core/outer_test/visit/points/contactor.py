"""The contactor, dead."""

from outer_test.judgement import Part
from outer_test.visit.points.record import Point
from outer_test.visit.thing import Thing

CONTACTOR = (
    Point(
        "contactor.coil.ohm", "contactor", "dead", Part.CONTACTOR, "Coil resistance", "coil",
        "Ohms. Both coil leads off. A probe on each coil terminal.",
        lifts=Thing.COIL_LEADS, probes=("contactor.A", "contactor.B"), say="coil ohm|coil ohms|coil r", say_here="coil",
        tells_of=("contactor",),
    ),
)  # fmt: skip
