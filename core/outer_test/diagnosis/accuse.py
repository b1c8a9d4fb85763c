"""Accusing a part: only here, at 90 % or more, with its confirming test validly on record (handbook section 13)."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from decimal import Decimal
from math import fsum

from outer_test.assessment import Judged
from outer_test.diagnosis.fault_key import FaultKey
from outer_test.diagnosis.faults import Fault
from outer_test.diagnosis.hypotheses import Hypothesis
from outer_test.diagnosis.observations import Observed, Test
from outer_test.judgement import Part
from outer_test.visit import Measures, measures

ENOUGH = 0.90
_SURE_OHM, _GROUNDED_OHM, _PULLS_IN_V = Decimal(10_000), Decimal(500_000), Decimal(22)


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
    for one in among:
        for fault in one.faults:
            seen = confirming(fault, evidence, judged)
            if fault.part is None or seen is None or fault.key in named:
                continue
            together = fsum(
                chance for other, chance in zip(among, chances, strict=True) if any(each.part is fault.part for each in other.faults)
            )
            own = fsum(chance for other, chance in zip(among, chances, strict=True) if fault in other.faults)
            if together >= ENOUGH and own >= together / 2:
                named.add(fault.key)
                yield Accused(fault.part, fault.key, f"{fault.says} {seen.says}")


def confirming(fault: Fault, evidence: Mapping[Test, Observed], judged: Judged) -> Observed | None:
    """The evidence that confirms a fault; None where its confirming test is not validly on record.

    A motor is grounded by under 10 kΩ once, else twice or at 500 V, a compressor at its terminals. A contactor sticks where 22 V
    and over stand on a sound coil. The board is held to its switch or sensors for what it does in defrost.
    """
    seen = next((evidence[test] for test, outcome in fault.confirmed_by if test in evidence and evidence[test].outcome == outcome), None)
    if seen is None or not _also(fault, seen, evidence, judged):
        return None
    return seen


def _also(fault: Fault, seen: Observed, evidence: Mapping[Test, Observed], judged: Judged) -> bool:
    if seen.test in (Test.GROUND, Test.FAN_GROUND):
        at_terminals = seen.test is Test.FAN_GROUND or judged.inputs.visit.saw("winding.at") == "terminals"
        return at_terminals and _grounded(seen, judged)
    if fault.key is FaultKey.STUCK_OPEN:
        volts, coil = judged.inputs.number("contactor.coil.v"), evidence.get(Test.COIL_OHM)
        return volts is not None and (volts.number or 0) >= _PULLS_IN_V and coil is not None and coil.outcome == "good"
    if fault.key is FaultKey.VALVE_STUCK:  # a dead coil shifts nothing either
        return Test.VALVE_COIL in evidence and evidence[Test.VALVE_COIL].outcome == "good"
    if fault.key is FaultKey.PITTED:
        return Test.INSECTS not in evidence or evidence[Test.INSECTS].outcome == "none"
    if fault.part in (Part.DEFROST_BOARD, Part.BOARD_FAN_RELAY):
        if seen.test is Test.RUN_START and judged.inputs.visit.plate.defrost.control == "time-temperature":
            return True  # it counts as refused only with its switch proved closed, or jumpered
        return any(test in evidence and evidence[test].outcome == "good" for test in (Test.SWITCH, Test.COIL_SENSOR))
    return True


def _grounded(seen: Observed, judged: Judged) -> bool:
    low = []
    for point in seen.points:
        reading = judged.inputs.get(point)
        if reading is None:
            continue
        if measures(point) is Measures.INSULATION:
            return True
        if reading.value.kind == "closed" or (reading.number is not None and reading.number < _SURE_OHM):
            return True
        if reading.number is not None and reading.number < _GROUNDED_OHM:
            low.append(point)
    return len(low) > 1
