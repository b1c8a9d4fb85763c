"""The hypotheses of one unit: the faults it can have, the pairs that go together, what is on the list, and nothing wrong."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import fsum

from outer_test.diagnosis.fault_key import FaultKey
from outer_test.diagnosis.faults import FAULTS, HEALTHY, NOTHING_SHARE, Chances, Fault
from outer_test.diagnosis.observations import Test
from outer_test.judgement import Part
from outer_test.nameplate import Plate
from outer_test.rules import SetAside
from outer_test.visit import Lifted, Visit, capacitor_sections, group_of, has_start_capacitor, open_lines

NOTHING = "nothing wrong"
# Faults that go together: the second comes of the first.
_PAIRS = (
    (FaultKey.HERM_WEAK, FaultKey.RUN_OPEN),
    (FaultKey.COIL_SHORTED, FaultKey.CONTROL_FUSE_BLOWN),
    (FaultKey.PITTED, FaultKey.LOCKED),
)
# Faults that come on over weeks, and those that need a motor on the line.
_SLOW = (FaultKey.LOW_CHARGE, FaultKey.HERM_WEAK, FaultKey.WORN, FaultKey.FAN_TIGHT, FaultKey.DRIFTED)
_FAN_WINDINGS = (FaultKey.FAN_GROUNDED, FaultKey.FAN_OPEN)
_ON_THE_LINE = (FaultKey.LOCKED, FaultKey.PITTED, FaultKey.WORN)
_PAIR_SHARE = 0.04
_LISTED_SHARE = 12.0
SLIP = 0.01  # the chance that any one reading is simply wrong


@dataclass(frozen=True, slots=True)
class Hypothesis:
    """Something that may be so: its faults (none where nothing is wrong), how its tests turn out, and its share beforehand."""

    key: str
    faults: tuple[Fault, ...]
    says: str
    shows: Chances
    share: float

    @property
    def part(self) -> Part | None:
        """The part it is in; None where it is in none."""
        return self.faults[0].part if self.faults else None

    def chances(self, test: Test) -> dict[str, float]:
        """How likely each outcome of a test is, with the chance that any reading is simply wrong."""
        usual = HEALTHY[test]
        expected = self.shows.get(test, usual)
        others = len(usual) - len(expected)
        left = max(1.0 - fsum(expected.values()), 0.0) / others if others else 0.0
        return {outcome: (1 - SLIP) * expected.get(outcome, left) + SLIP / len(usual) for outcome in usual}

    def chance(self, test: Test, outcome: str) -> float:
        """How likely a test turns out so."""
        return self.chances(test)[outcome]


def hypotheses(visit: Visit, aside: tuple[SetAside, ...] = ()) -> tuple[Hypothesis, ...]:
    """Every hypothesis of this unit, with its share beforehand by complaint. Shares add up to anything.

    aside: readings that something on the list explains. Source: [M] a table of ours.

    >>> [str(one.key) for one in hypotheses(Visit())][:2]
    ['nothing wrong', 'herm weak']
    """
    return tuple(_all(visit, aside))


def _all(visit: Visit, aside: tuple[SetAside, ...]) -> Iterator[Hypothesis]:
    yield Hypothesis(NOTHING, (), "Nothing is wrong with this unit.", {}, NOTHING_SHARE.get(visit.complaint or "", NOTHING_SHARE[""]))
    own = {fault.key: fault for fault in FAULTS if _has(fault, visit)}
    for fault in own.values():
        yield Hypothesis(fault.key, (fault,), fault.says, fault.shows, _share(fault, visit))
    for first, second in _PAIRS:
        if first in own and second in own:
            both = (own[first], own[second])
            shows = {**both[1].shows, **both[0].shows, **{test: both[1].shows[test] for test, _ in both[1].confirmed_by}}
            share = _share(own[first], visit) * _PAIR_SHARE
            yield Hypothesis(f"{first} and {second}", both, f"{both[0].says} {both[1].says}", shows, share)
    for line in _explaining(visit, aside):
        yield Hypothesis(f"on the list: {line.words}", (), f"{line.words}: it is on the not-put-back list.", {}, _LISTED_SHARE)


def _explaining(visit: Visit, aside: tuple[SetAside, ...]) -> Iterator[Lifted]:
    """The open lines that took a reading's meaning away."""
    explains = {one.by for one in aside if one.by is not None}
    for line in open_lines(visit):
        if line in explains:
            yield line


# What a defrost is watched, or its parts are measured, for.
_DEFROST_PARTS = frozenset({
    Part.DEFROST_BOARD, Part.BOARD_FAN_RELAY, Part.COIL_SWITCH, Part.COIL_SENSOR, Part.AMBIENT_SENSOR, Part.VALVE_COIL, Part.REVERSING_VALVE
})  # fmt: skip


def _share(fault: Fault, visit: Visit) -> float:
    """A fault's share by the complaint. Where none is told, a defrost looked into tells as much: nobody watches one for nothing."""
    if visit.complaint is None and fault.part in _DEFROST_PARTS and _defrost_looked_into(visit):
        return max(fault.share.values())
    share = fault.share.get(visit.complaint or "", fault.share[""])
    if visit.began == "slowly" and fault.key in _SLOW:
        return share * 2
    if visit.began == "suddenly" and fault.key is FaultKey.LOW_CHARGE:
        return share / 2
    return share


def _defrost_looked_into(visit: Visit) -> bool:
    return bool(visit.defrost_run) or any(group_of(reading.point) == "defrost" for reading in visit.readings)


def _has(fault: Fault, visit: Visit) -> bool:
    """Whether this unit has what the fault is in."""
    plate, sections = visit.plate, capacitor_sections(visit)
    lacks = {
        Part.START_CAPACITOR: not has_start_capacitor(visit),
        Part.SECOND_CONTACTOR: plate.compressor.stages != 2,
        Part.AUX_ELEMENT: not plate.aux_heat.elements,
        **_lacking_defrost(plate),
    }
    if fault.part is not None and lacks.get(fault.part, False):
        return False
    inverter = plate.compressor.kind == "inverter"
    return not (
        (fault.section is not None and fault.section not in sections)
        or (fault.key in _FAN_WINDINGS and plate.fan.kind == "electronic")
        or (inverter and fault.key in _ON_THE_LINE)
    )


def _lacking_defrost(plate: Plate) -> dict[Part, bool]:
    control = plate.defrost.control
    return {
        Part.DEFROST_BOARD: control is None,
        Part.BOARD_FAN_RELAY: control is None,
        Part.COIL_SWITCH: control != "time-temperature",
        Part.COIL_SENSOR: control == "time-temperature",
        Part.AMBIENT_SENSOR: control == "time-temperature",
    }
