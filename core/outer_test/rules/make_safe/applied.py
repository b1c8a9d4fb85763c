"""Which make-safe rules apply to a visit: absence, discharge, and the proof that follows."""

from collections.abc import Iterator

from outer_test.judgement import Finding
from outer_test.rules.make_safe.absence import absence, absent, counts_now
from outer_test.rules.make_safe.stored_energy import all_discharged, discharged, impossible_triple, most_stored
from outer_test.visit import Inputs, Measures, absence_points, discharge_points, measures


def safety_findings(inputs: Inputs) -> Iterator[Finding]:
    """Each voltage that should be gone, each charge, and whether all of it is proved."""
    visit = inputs.visit
    asked = absence_points(visit)
    found = {name: absent(name, reading) for name in (*asked, "safe.control.v") if (reading := inputs.get(name)) is not None}
    yield from found.values()
    # Powered up again, the earlier proof is spent and nothing is open: only a claim, or readings since, ask for a proof.
    claimed = bool(visit.power) and visit.power[-1].state == "dead-claimed"
    if claimed or any(name in found and counts_now(visit, inputs.readings[name].at) for name in asked):
        yield absence(visit, found, inputs.readings)
    charge = {name: discharged(name, reading) for name, reading in inputs.latest.items() if measures(name) is Measures.CHARGE}
    impossible = impossible_triple(charge, inputs.latest)
    if impossible is not None:
        charge[impossible.point] = impossible
    yield from charge.values()
    if charge:
        missing = tuple(name for name in discharge_points(visit) if name not in inputs.latest)
        yield all_discharged(tuple(charge.values()), missing, most_stored(visit))
