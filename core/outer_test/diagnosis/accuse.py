"""Accusing a part: only here, at 90 % or more, with its confirming test validly on record (handbook section 13)."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from math import fsum

from outer_test.assessment import Judged, stops_of
from outer_test.diagnosis.hypotheses import Hypothesis
from outer_test.diagnosis.observations import Observed, read_after
from outer_test.diagnosis.proofs import BRINGS, PROOFS, TIGHTENED, WIDER, Proof, met
from outer_test.diagnosis.things_tested import Test
from outer_test.judgement import Part, Verdict
from outer_test.rules.contactor.coil import WATCH_LOW_V
from outer_test.rules.windings.ground import CONFIRMED_OHM, GROUNDED_OHM
from outer_test.twin import Fault, FaultKey
from outer_test.visit import Measures, Visit, capacitor_sections, has_start_capacitor, measures

ENOUGH = 0.90


@dataclass(frozen=True, slots=True)
class Accused:
    """A part that the visit concludes is at fault, its fault, and why."""

    part: Part
    fault: FaultKey
    why: str


def accused(
    among: Sequence[Hypothesis], chances: Sequence[float], evidence: Mapping[Test, Observed], judged: Judged
) -> tuple[Accused, ...]:  # fmt: skip
    """The parts accused. Hypotheses that accuse the same fault count together, as a pair and its first fault do.

    Source: handbook section 13.
    """
    return tuple(_accused(among, chances, evidence, judged))


def _accused(
    among: Sequence[Hypothesis], chances: Sequence[float], evidence: Mapping[Test, Observed], judged: Judged
) -> Iterator[Accused]:  # fmt: skip
    named: set[FaultKey] = set()
    weighed = list(zip(among, chances, strict=True))
    for one in among:
        for fault in one.faults:
            seen = confirming(fault, evidence, judged)
            if fault.part is None or not seen or fault.key in named:
                continue
            own = fsum(chance for other, chance in weighed if _has(other, fault.key))
            together = fsum(
                chance for other, chance in weighed if _has(other, fault.key) or any(each.part is fault.part for each in other.faults)
            )
            if together >= ENOUGH and own >= together / 2:
                named.add(fault.key)
                yield Accused(fault.part, fault.key, f"{fault.says} {' '.join(one.says.rstrip('.') + '.' for one in seen)}")


def _has(one: Hypothesis, key: FaultKey) -> bool:
    """Whether a fault is there under a hypothesis, itself or brought by another."""
    return any(fault.key is key or BRINGS.get(fault.key) is key for fault in one.faults)


def confirming(fault: Fault, evidence: Mapping[Test, Observed], judged: Judged) -> tuple[Observed, ...]:
    """The evidence that confirms a fault; empty where no confirming test of it is validly on record.

    A motor is grounded by under 10 kΩ once, else twice or at 500 V, a compressor at its terminals. A contactor sticks where 22 V
    and over stand on a sound coil. The board is held to its switch or sensors for what it does in defrost, and to its restart
    delay and safeties for Y. A compressor is locked only with its capacitors sound, and never under a stop.
    """
    outcomes = {test: seen.outcome for test, seen in evidence.items()}
    for proof in PROOFS.get(fault.key, ()):
        if all(met(test, outcome, outcomes) for test, outcome in proof.items()) and _also(fault, proof, evidence, judged):
            return tuple(evidence[test if test in evidence else WIDER[test]] for test in proof)
    return ()


def _sound(test: Test, evidence: Mapping[Test, Observed]) -> bool:
    return test in evidence and evidence[test].outcome == "good"


def _also(fault: Fault, proof: Proof, evidence: Mapping[Test, Observed], judged: Judged) -> bool:
    visit = judged.inputs.visit
    grounds = [test for test, outcome in proof.items() if outcome == "grounded" and test is not Test.GROUND_AT_PLUG]
    if grounds:
        return all(_grounded(evidence[test], judged) for test in grounds)
    if fault.key is FaultKey.WORN and Test.FACES not in proof:
        return all(read_after(TIGHTENED, point, judged) for point in evidence[Test.POLES].points)
    if fault.key is FaultKey.OVERLOAD_OPEN:
        return False  # it is hot, and closes once it is cold: nothing to replace
    if fault.key is FaultKey.STUCK_OPEN:
        volts = judged.inputs.number("contactor.coil.v")
        return volts is not None and (volts.number or 0) >= WATCH_LOW_V
    if fault.key in (FaultKey.LOCKED, FaultKey.TIGHT):
        fed = visit.plate.phase != 3 or all(_sound(test, evidence) for test in _ON_THE_WAY)
        return fed and not stops_of(judged.findings) and _capacitors_sound(evidence, judged)
    if fault.key in _PULLED_DOWN:  # another coil on the same transformer may pull it down
        return all(test not in evidence or _sound(test, evidence) for test in _COILS) and _read_where_fitted(judged)
    if fault.key is FaultKey.PITTED:
        return Test.INSECTS not in evidence or evidence[Test.INSECTS].outcome == "none"
    if fault.key in (FaultKey.NO_Y_OUT, FaultKey.Y_RELAY_BURNT):
        return _waits_for_nothing(visit) and any(one.point == _Y_OUT and one.verdict is Verdict.BAD for one in judged.findings)
    if fault.key is not FaultKey.FAN_RELAY_OPEN and fault.part in (Part.DEFROST_BOARD, Part.BOARD_FAN_RELAY):
        if {Test.VALVE_PROOF, Test.STAT_VALVE, Test.VALVE_FED} & proof.keys():
            return True  # its volts were read at the valve, or the valve answered to a jumper
        if proof.get(Test.RUN_START) == "no" and visit.plate.defrost.control == "time-temperature":
            return True  # it counts as refused only with its switch proved closed, or jumpered
        return any(_sound(test, evidence) for test in (Test.SWITCH_COLD, Test.SWITCH_WARM, Test.COIL_SENSOR))
    return True


_Y_OUT = "control.y_out.v"


def _waits_for_nothing(visit: Visit) -> bool:
    """Whether the restart delay was seen over, and no switch that the board waits for was seen open."""
    over, closed = visit.saw("control.delay") == "over", visit.saw("control.pressure") == "closed"
    return over and closed and visit.saw("control.float") != "open"


# On three phases a poor joint in one leg holds the rotor still, and leaves volts across the other two.
_ON_THE_WAY = (Test.DISCONNECT_DROP, Test.WHIP_DROP)
_PULLED_DOWN = (FaultKey.TRANSFORMER_WEAK, FaultKey.NO_CONTROL_VOLTS)
_COILS = (Test.COIL_OHM, Test.COIL2_OHM, Test.VALVE_COIL)


def _read_where_fitted(judged: Judged) -> bool:
    """Whether every coil this unit has on its transformer was read."""
    plate = judged.inputs.visit.plate
    fitted = ["contactor.coil.ohm"] + ["contactor2.coil.ohm"] * (plate.compressor.stages == 2)
    fitted += ["defrost.valve_coil.ohm"] * (plate.defrost.control is not None)
    return all(judged.inputs.get(point) is not None for point in fitted)


def _capacitors_sound(evidence: Mapping[Test, Observed], judged: Judged) -> bool:
    visit = judged.inputs.visit
    needs = [Test.CAP_HERM] if "herm" in capacitor_sections(visit) else []
    needs += [Test.CAP_START] if has_start_capacitor(visit) else []
    return all(_sound(test, evidence) for test in needs)


def _grounded(seen: Observed, judged: Judged) -> bool:
    low = False
    for point in seen.points:
        reading = judged.inputs.get(point)
        if reading is None:
            continue
        if measures(point) is Measures.INSULATION:
            return True
        if reading.value.kind == "closed" or (reading.number is not None and reading.number < CONFIRMED_OHM):
            return True
        if reading.number is not None and reading.number < GROUNDED_OHM:
            low = True
    return low and seen.times > 1
