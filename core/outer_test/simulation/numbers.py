"""What the next tests would read with a fault put in: the stand-in for the meter beside the simulated board [M]."""

from outer_test.nameplate import Plate
from outer_test.rules.defrost import curve_of
from outer_test.simulation.simulated_defrost import DRIFT_F, Fault
from outer_test.visit import Reading

WARM_F = 64.0  # everything is measured after the run, unit off, on a warm coil


def next_readings(plate: Plate, fault: Fault) -> tuple[tuple[Reading, ...], dict[str, str]]:
    """Readings and things seen that the fault leaves behind, on the points this unit has.

    Source: [M] a model assumption of ours.

    >>> from outer_test.nameplate import Defrost
    >>> next_readings(Plate(defrost=Defrost(control="demand")), "valve-coil-dead")[0][0].value
    'OL'
    """
    coil = Reading("defrost.valve_coil.ohm", "OL" if fault == "valve-coil-dead" else "17.4")
    at_valve = Reading("defrost.valve_coil.v", "25.6")
    aux = Reading("defrost.aux_call.v", "0.0" if fault == "no-aux-call" else "25.9")
    beside = Reading("defrost.coil.f", f"{WARM_F:.0f}")
    proof = {"defrost.valve_proof": "no" if fault in ("valve-coil-dead", "valve-stuck") else "shifts"}
    if plate.defrost.control == "time-temperature":
        stays = fault == "switch-stuck-closed"
        return (coil, at_valve, aux, beside, Reading("defrost.switch.ohm", "0.3" if stays else "OL")), proof
    reads = WARM_F - DRIFT_F if fault == "sensor-drifted" else WARM_F
    ohm = Reading("defrost.coil_sensor.ohm", f"{curve_of(plate.defrost).ohm(reads):.0f}")
    return (coil, at_valve, aux, beside, ohm), proof | {"look.sensor.seat": "slipped" if fault == "sensor-slipped" else "seated"}
