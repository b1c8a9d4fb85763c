"""What is read before a defrost is forced: the coil is warm afterwards, and what its control says of a cold one is gone.

`which-way` asks for the coil switch as measured, and an iced coil is evidence: switch and sensors are tested before it is thawed
(handbook section 9).
"""

from collections.abc import Collection

from outer_test.visit import Visit

FORCED = ("defrost.call", "defrost.pins", "defrost.valve_coil.v", "defrost.aux_call.v")
READ_COLD_MIN = 6.0  # a wire off the board, dead, and back on [M]
_SWITCH = ("defrost.coil.f", "defrost.switch.ohm")
_SENSORS = ("defrost.coil.f", "defrost.coil_sensor.ohm", "defrost.ambient.f", "defrost.ambient_sensor.ohm")


def read_first(point: str, visit: Visit, read: Collection[str]) -> str | None:
    """What is still to be read while the coil is cold, before a defrost is forced for this point; None where nothing is.

    read: the points on record.

    >>> from outer_test.nameplate import Defrost, Plate
    >>> timed = Visit(plate=Plate(defrost=Defrost(control="time-temperature")))
    >>> read_first("defrost.call", timed, ("defrost.coil.f",)), read_first("cap.herm.uf", timed, ())
    ('defrost.switch.ohm', None)
    """
    if point not in FORCED:
        return None
    if visit.plate.defrost.control == "time-temperature":
        asked: tuple[str, ...] = _SWITCH
    else:
        asked = _SENSORS if visit.saw("look.coil.face") == "iced" or visit.saw("defrost.ice") == "yes" else ()
    return next((one for one in asked if one not in read), None)
