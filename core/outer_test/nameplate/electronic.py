"""Motors fed by electronics: they have no run capacitor, and their d.c. bus holds charge."""

from typing import Literal

from outer_test.nameplate.plate import Plate


def is_electronic(plate: Plate, section: Literal["herm", "fan"]) -> bool:
    """Whether this section's motor is fed by electronics and has no run capacitor.

    >>> is_electronic(Plate(), "herm")
    False
    """
    return plate.compressor.kind == "inverter" if section == "herm" else plate.fan.kind == "electronic"
