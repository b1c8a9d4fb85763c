"""What was recorded at one visit: points, readings, things seen, power, and what is off."""

from outer_test.visit.points import MAY_BE_NEGATIVE, POINTS, Point
from outer_test.visit.section import SECTION_NAME, SECTIONS, Section
from outer_test.visit.standing import Inputs, inputs_of
from outer_test.visit.unit_shape import capacitor_sections, discharge_points, has_start_capacitor, is_dual
from outer_test.visit.visit import (
    PEAK_BY,
    PEAK_FITTED,
    Baseline,
    BoardWire,
    Complaint,
    Conditions,
    DefrostEvent,
    FittedCapacitor,
    Lifted,
    LiftedEnd,
    MeterUnit,
    PowerEvent,
    PowerState,
    Reading,
    Seen,
    StockPart,
    Visit,
    check_seen,
    standing_readings,
)
from outer_test.visit.whats_off import open_lines

__all__ = [
    "Baseline",
    "BoardWire",
    "Complaint",
    "Conditions",
    "DefrostEvent",
    "FittedCapacitor",
    "Inputs",
    "Lifted",
    "LiftedEnd",
    "MAY_BE_NEGATIVE",
    "MeterUnit",
    "PEAK_BY",
    "PEAK_FITTED",
    "POINTS",
    "Point",
    "PowerEvent",
    "PowerState",
    "Reading",
    "SECTIONS",
    "SECTION_NAME",
    "Section",
    "Seen",
    "StockPart",
    "Visit",
    "capacitor_sections",
    "check_seen",
    "discharge_points",
    "has_start_capacitor",
    "inputs_of",
    "is_dual",
    "open_lines",
    "standing_readings",
]
