"""A unit whose defrost control is not on record: what may be wrong with it all the same.

Not recorded is not absent (handbook section 9): the unit has a board, with a switch or with sensors, and only who knows which can
test them.
"""

from collections.abc import Mapping

from outer_test.diagnosis.predict import Slice
from outer_test.judgement import Part
from outer_test.nameplate import Plate
from outer_test.twin import FaultKey

CONTROL = "plate.defrost.control"
# How likely a unit whose control nobody recorded has the part: every one has a board, and a switch or sensors [M].
_HAS_IT: Mapping[Part | None, float] = {
    Part.DEFROST_BOARD: 1.0, Part.BOARD_FAN_RELAY: 1.0, Part.COIL_SWITCH: 0.5, Part.COIL_SENSOR: 0.5, Part.AMBIENT_SENSOR: 0.5,
}  # fmt: skip


def hangs_on_it(plate: Plate, rows: Mapping[FaultKey, Slice]) -> dict[FaultKey, float]:
    """The faults that nothing shows until the control is on record, each with the chance that this unit has the part at all.

    >>> from outer_test.diagnosis.predict import table_of
    >>> hangs_on_it(Plate(), table_of(Plate()).rows)[FaultKey.STUCK_OPEN_SWITCH]
    0.5
    """
    if plate.defrost.control is not None:
        return {}
    none = {FaultKey.NO_W} if plate.aux_heat.kind == "none" else set()
    return {key: _HAS_IT[row.fault.part] for key, row in rows.items() if not row.measured and row.fault.part in _HAS_IT and key not in none}
