"""What can be wrong with a unit: the catalogue of the twin's faults."""

from outer_test.twin.faults.defrost import DEFROST
from outer_test.twin.faults.fault import Fault, Variant, of_a_defrost
from outer_test.twin.faults.key import FaultKey
from outer_test.twin.faults.low_voltage import LOW_VOLTAGE
from outer_test.twin.faults.motors import MOTORS
from outer_test.twin.faults.power import POWER
from outer_test.twin.unit import Unit

FAULTS: tuple[Fault, ...] = (*POWER, *MOTORS, *LOW_VOLTAGE, *DEFROST)

_BY_KEY = {fault.key: fault for fault in FAULTS}


def with_fault(unit: Unit, key: FaultKey, strength: int = 0) -> Unit:
    """The unit with a fault put in; strength counts its variants from the fullest.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin.unit import make_unit
    >>> with_fault(make_unit(Plate()), FaultKey.COIL_SHORTED).value("contactor.coil.ohm")
    0.6
    """
    return unit.with_values(_BY_KEY[key].variants[strength].changes(unit))


def fault_of(key: FaultKey) -> Fault:
    """A fault by its key.

    >>> fault_of(FaultKey.WELDED).says
    'The contactor is welded shut.'
    """
    return _BY_KEY[key]


__all__ = ["FAULTS", "Fault", "FaultKey", "Variant", "fault_of", "of_a_defrost", "with_fault"]
