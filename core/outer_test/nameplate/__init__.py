"""The nameplate as read, the defrost control, and the boards that ship (handbook section 3)."""

from outer_test.nameplate.defrost_control import ConfigLink, Defrost, Light, SensorPoint, has_shift_delay
from outer_test.nameplate.electronic import is_electronic
from outer_test.nameplate.plate import (
    AuxHeat,
    BlowerCapacitor,
    Compressor,
    Contactor,
    Element,
    Fan,
    Plate,
    RunCapacitor,
    StartCapacitor,
    SystemKind,
    plate_fields,
    why_missing,
)
from outer_test.nameplate.recovery import STANDARD_SIZES, Recovered, last_digit, recovered_fla, recovered_rla
from outer_test.nameplate.shipped_boards import SHIPPED, is_generic

__all__ = [
    "SHIPPED",
    "STANDARD_SIZES",
    "AuxHeat",
    "BlowerCapacitor",
    "Compressor",
    "ConfigLink",
    "Contactor",
    "Defrost",
    "Element",
    "Fan",
    "Light",
    "Plate",
    "Recovered",
    "RunCapacitor",
    "SensorPoint",
    "StartCapacitor",
    "SystemKind",
    "has_shift_delay",
    "is_electronic",
    "is_generic",
    "last_digit",
    "plate_fields",
    "recovered_fla",
    "recovered_rla",
    "why_missing",
]
